// @vitest-environment jsdom
import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, it, vi } from "vitest";
import type { VersionList } from "../../shared/api/types";
import { Refusal, show, type Answers } from "../../shared/testing/page";
import { PublishDialog } from "./PublishDialog";

const versions = (more: Partial<VersionList> = {}): VersionList => ({
  versions: [{ number: 2, note: "lighter dips", at: "2026-03-14T18:00:00Z", by: "Coach" }],
  changed: true,
  openCautions: 0,
  ...more,
});

function dialog(list: unknown, { saved = true, answers = {} }: { saved?: boolean; answers?: Answers } = {}) {
  const onClose = vi.fn();
  const page = show(
    <PublishDialog athleteId="a" blockId="b" version={7} weeks={["Loading", "Easy"]} saved={saved} onClose={onClose} />,
    { path: "/", at: "/", answers: { "GET /api/athletes/a/blocks/b/versions": list, ...answers } },
  );
  return { ...page, onClose };
}

it("says that a block was never published, and what stands open", async () => {
  dialog(versions({ versions: [], openCautions: 2 }));
  expect(
    await screen.findByText(/Not published yet.*2 cautions to review; publishing is your decision\./),
  ).toBeVisible();
  expect(screen.getByRole("button", { name: "Publish version 1" })).toBeEnabled();
});

it("publishes the block as it is stored, with what is new, and forgets the note", async () => {
  const after = versions({ changed: false });
  const page = dialog(versions(), { answers: { "POST /api/athletes/a/blocks/b/versions": after } });
  await userEvent.type(await screen.findByLabelText("What’s new"), " more rows {Enter}");
  expect(await screen.findByText("Version 2 is up to date.")).toBeVisible();
  expect(page.to("POST")).toEqual([{ version: 7, note: "more rows" }]);
  expect(screen.queryByLabelText("What’s new")).not.toBeInTheDocument();
});

it("publishes nothing before it is saved", async () => {
  dialog(versions(), { saved: false });
  expect(await screen.findByRole("button", { name: "Publish version 3" })).toBeDisabled();
  expect(screen.getByText("Not saved yet. Publish once it is.")).toBeVisible();
});

it.each([
  ["at the note", Refusal.at("note", "textTooLong", { most: 200, count: 201 }), /Use at most 200 characters/],
  ["beside it", new Refusal(409, "publishOld"), /This block was changed elsewhere/],
])("says %s what is refused, and keeps the note", async (_, no, words) => {
  dialog(versions(), { answers: { "POST /api/athletes/a/blocks/b/versions": no } });
  await userEvent.type(await screen.findByLabelText("What’s new"), "more rows");
  await userEvent.click(screen.getByRole("button", { name: "Publish version 3" }));
  expect(await screen.findByText(words)).toBeVisible();
  expect(screen.getByLabelText("What’s new")).toHaveValue("more rows");
});

it("gives paper, calendar, table and file of each version and of the draft", async () => {
  dialog(versions());
  const list = within(await screen.findByRole("list", { name: "Versions" }));
  expect(list.getByText(/Version 2/).closest("li")).toHaveTextContent("Coach: lighter dips");
  const at = (name: string) => list.getByRole("link", { name }).getAttribute("href");
  expect(at("Print Version 2")).toBe("/athletes/a/blocks/b/print?version=2");
  expect(at("Print Draft")).toBe("/athletes/a/blocks/b/print");
  expect(at("Table of Version 2")).toBe("/api/athletes/a/blocks/b/block.csv?version=2");
  expect(at("File of Draft")).toBe("/api/athletes/a/blocks/b/block.json");
  expect(at("Calendar of Version 2")).toBe("/api/athletes/a/blocks/b/calendar.ics?version=2");
});

it("puts the hour into the calendar only", async () => {
  dialog(versions());
  await userEvent.type(await screen.findByLabelText("Sessions start at"), "18:30");
  expect(screen.getByRole("link", { name: "Calendar of Version 2" })).toHaveAttribute(
    "href",
    expect.stringContaining("time=18%3A30"),
  );
  expect(screen.getByRole("link", { name: "Table of Version 2" })).toHaveAttribute(
    "href",
    expect.not.stringContaining("time"),
  );
});

it("writes a week as a message, and leads to it", async () => {
  const page = dialog(versions({ changed: false }), {
    answers: { "POST /api/athletes/a/blocks/b/messages": { id: "m", subject: "Week 2 of Lever block" } },
  });
  expect(await screen.findByRole("button", { name: "Create message" })).toBeDisabled();
  await userEvent.type(screen.getByLabelText("To"), "noor@example.org");
  await userEvent.click(screen.getByRole("combobox", { name: /Week/ }));
  await userEvent.click(screen.getByRole("option", { name: "2, deload" }));
  await userEvent.click(screen.getByRole("button", { name: "Create message" }));
  expect(await screen.findByRole("link", { name: "Week 2 of Lever block" })).toHaveAttribute("href", "/outbox/m");
  expect(page.to("POST")).toEqual([
    { id: expect.stringMatching(/^[0-9a-f-]{36}$/) as string, week: 2, version: 2, to: "noor@example.org", time: null },
  ]);
});

it("sends the same message again after a lost answer, so that it is written once", async () => {
  let lost = true;
  const page = dialog(versions(), {
    answers: {
      "POST /api/athletes/a/blocks/b/messages": () => (lost ? "lost" : { id: "m", subject: "Week 1" }),
    },
  });
  await userEvent.type(await screen.findByLabelText("To"), "noor@example.org{Enter}");
  expect(await screen.findByText(/The server cannot be reached/)).toBeVisible();
  lost = false;
  await userEvent.click(screen.getByRole("button", { name: "Create message" }));
  await waitFor(() => expect(screen.getByRole("link", { name: "Week 1" })).toBeVisible());
  const [first, second] = page.to("POST") as { id: string }[];
  expect(second).toEqual(first);
});

it("says at the address that it is none", async () => {
  dialog(versions(), {
    answers: {
      "POST /api/athletes/a/blocks/b/messages": Refusal.at("to", "addressForm"),
    },
  });
  await userEvent.type(await screen.findByLabelText("To"), "noor@");
  // The browser's own check of the type stands before the form; the server's is the one that counts.
  screen.getByLabelText<HTMLInputElement>("To").form!.noValidate = true;
  await userEvent.click(screen.getByRole("button", { name: "Create message" }));
  await waitFor(() => expect(screen.getByLabelText("To")).toHaveAccessibleDescription(/Enter an address/));
  expect(screen.getByLabelText("To")).toHaveValue("noor@");
});

it("lets the list be asked for again when it cannot be had", async () => {
  dialog("lost");
  expect(await screen.findByText(/The server cannot be reached/)).toBeVisible();
  expect(screen.getByRole("button", { name: "Try again" })).toBeVisible();
});
