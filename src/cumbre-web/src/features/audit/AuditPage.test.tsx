// @vitest-environment jsdom
import { screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, it } from "vitest";
import { show, type Answers } from "../../shared/testing/page";
import AuditPage from "./AuditPage";

const entry = (seq: number, more: object = {}) => ({
  seq,
  at: "2026-03-16T09:00:00Z",
  kind: "ProfileChanged",
  by: "Lea Estuary",
  athleteId: "a",
  athlete: "Ana Shoal",
  before: "statureCm: 170",
  after: "statureCm: 171",
  reason: null,
  erased: false,
  ...more,
});

const open = (answers: Answers = {}) =>
  show(<AuditPage />, {
    path: "/audit",
    at: "/audit",
    answers: {
      "GET /api/people": { people: [{ id: "lea", name: "Lea Estuary" }], links: [] },
      "GET /api/athletes": [],
      "GET /api/audit": { entries: [entry(7)], older: false },
      ...answers,
    },
  });

it("tells who changed what from what to what, with fields in words", async () => {
  open();
  const row = within(await screen.findByRole("row", { name: /Ana Shoal/ }));
  expect(row.getByText("height in cm: 170")).toBeVisible();
  expect(row.getByText("height in cm: 171")).toBeVisible();
  expect(row.getByText("Changed the profile")).toBeVisible();
  expect(row.getByRole("link", { name: "Ana Shoal" })).toHaveAttribute("href", "/athletes/a");
});

it("asks for a group of kinds and keeps it in the address", async () => {
  const { sent } = open();
  await screen.findByText("Changed the profile");
  await userEvent.click(screen.getByRole("combobox", { name: "What" }));
  await userEvent.click(await screen.findByRole("option", { name: "Exports, imports and messages" }));
  await screen.findByText("Changed the profile");
  expect(sent.map((s) => s.to)).toContain("GET /api/audit?kinds=Exported%2CImported%2CImportUndone%2CBlockSent");
});

it("goes on below the last entry", async () => {
  let n = 8;
  const { sent } = open({
    "GET /api/audit": () => ({ entries: [entry((n -= 1)), entry((n -= 1), { by: null })], older: true }),
  });
  expect(await screen.findByText("nobody signed in")).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Older entries" }));
  await screen.findAllByText("Changed the profile");
  expect(sent.map((s) => s.to)).toContain("GET /api/audit?below=6");
});

it.each([
  [{ brokenAt: null, erased: 0, hasNoted: null }, "12 entries, none changed."],
  [{ brokenAt: 5, erased: 0, hasNoted: null }, "Entry 5 is not as it was written."],
  [{ brokenAt: null, erased: 2, hasNoted: false }, "The seal is not in the chain: its end was cut off or replaced."],
])("says what the check of the chain found: %o", async (verdict, said) => {
  const { sent } = open({ "GET /api/audit/check": { entries: 12, head: "ab12", ...verdict } });
  await userEvent.type(await screen.findByLabelText("A seal you kept"), " ab12 ");
  await userEvent.click(screen.getByRole("button", { name: "Check the chain" }));
  expect(await screen.findByText(said)).toBeVisible();
  expect(screen.getByText("ab12")).toBeVisible();
  expect(sent.map((s) => s.to)).toContain("GET /api/audit/check?noted=ab12");
});
