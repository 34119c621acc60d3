// @vitest-environment jsdom
import { screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, expect, it, vi } from "vitest";
import { me, Refusal, show, type Answers } from "../../shared/testing/page";
import ClubPage from "./ClubPage";

const whenBack = vi.hoisted(() => vi.fn(() => Promise.resolve()));
vi.mock("./whenBack", () => ({ whenBack }));
beforeEach(() => whenBack.mockClear());

const club = { name: "Cochera 9", timeZone: "Europe/Madrid", trainingDays: [1, 3, 5], unit: "Kg", firstDay: null };

const backup = { name: "club-20260315T030000Z-Daily.db", kind: "Daily", at: "2026-03-15T03:00:00Z", bytes: 12_400_000 };

const backups = {
  folder: "/var/lib/cumbre/backups",
  daily: true,
  backups: [backup],
  trouble: null,
  kept: { days: 7, weeks: 5, months: 12, asked: 10, others: 3 },
};

const counts = { athletes: 11, accounts: 3, sessions: 200, sets: 1800, tests: 60, blocks: 9, decisions: 40 };

const preview = {
  now: { ...counts, lastDay: "2026-03-16" },
  then: { ...counts, athletes: 10, sets: 1750, lastDay: "2026-03-14" },
  differs: [
    { name: "Ana Shoal", setsNow: 20, setsThen: null },
    { name: "Ben Skerry", setsNow: 110, setsThen: 80 },
  ],
  accountsGone: ["Ana Shoal"],
  ended: { persons: 1, accounts: 0, given: 0, consents: 0 },
  knowsEnds: true,
  owners: ["olga"],
};

const open = (answers: Answers = {}, demo = false) =>
  show(<ClubPage />, {
    path: "/club",
    at: "/club",
    answers: {
      "GET /api/me": { ...me, demo },
      "GET /api/club": club,
      "GET /api/backups": backups,
      [`GET /api/backups/${backup.name}/preview`]: preview,
      ...answers,
    },
  });

it("saves what the club lives with, and says at its field what cannot be", async () => {
  let refuse = true;
  const { sent } = open({
    "PUT /api/club": (body: object) => {
      if (!refuse) return body;
      refuse = false;
      return Refusal.at("timeZone", "timeZoneUnknown", { zone: "Mars" });
    },
  });
  const save = await screen.findByRole("button", { name: "Save" });
  expect(save).toHaveProperty("disabled", true);
  const zone = screen.getByRole("combobox", { name: "Time zone" });
  await userEvent.clear(zone);
  await userEvent.type(zone, "Mars");
  await userEvent.click(screen.getByRole("button", { name: "Sun" }));
  await userEvent.click(save);
  await vi.waitFor(() => expect(zone.getAttribute("aria-invalid")).toBe("true"));
  await userEvent.clear(zone);
  await userEvent.type(zone, "UTC");
  await userEvent.click(save);
  await vi.waitFor(() =>
    expect(sent.filter((s) => s.to === "PUT /api/club").at(-1)?.body).toEqual({
      ...club,
      timeZone: "UTC",
      trainingDays: [1, 3, 5, 7],
    }),
  );
});

it("restores after it has shown what would change, and with the password", async () => {
  const { sent } = open({ [`POST /api/backups/${backup.name}/restore`]: preview });
  await userEvent.click(await screen.findByRole("button", { name: /Restore the backup of/ }));
  const dialog = within(await screen.findByRole("dialog"));
  expect(await dialog.findByText("Ana Shoal: would no longer be in the club (20 sets now)")).toBeDefined();
  expect(dialog.getByText("Ben Skerry: 80 sets instead of 110")).toBeDefined();
  expect(dialog.getByText(/stays ended: one erased athlete, 0 accounts/)).toBeDefined();
  expect(dialog.getByRole("row", { name: /Sets 1,800 1,750/ })).toBeDefined();
  const restore = dialog.getByRole("button", { name: "Restore" });
  expect(restore).toHaveProperty("disabled", true);
  await userEvent.type(dialog.getByLabelText("Your password"), "four words of nobody");
  await userEvent.click(restore);
  expect(await screen.findByText(/This page opens again/)).toBeDefined();
  expect(sent.at(-1)?.body).toEqual({ password: "four words of nobody" });
  expect(whenBack).toHaveBeenCalledOnce();
});

it("does not offer to restore what lets no owner in, and says when ends are unknown", async () => {
  open({
    [`GET /api/backups/${backup.name}/preview`]: { ...preview, now: null, differs: [], owners: [], knowsEnds: false },
  });
  await userEvent.click(await screen.findByRole("button", { name: /Restore the backup of/ }));
  const dialog = within(await screen.findByRole("dialog"));
  expect(await dialog.findByText(/No owner could sign in/)).toBeDefined();
  expect(dialog.getByText(/erased people may be back/)).toBeDefined();
  expect(dialog.getByText(/present database cannot be read/)).toBeDefined();
  expect(dialog.getByRole("button", { name: "Restore" })).toHaveProperty("disabled", true);
  expect(dialog.queryByLabelText("Your password")).toBeNull();
});

it("tells that the last backup failed, and a backup that is damaged", async () => {
  open({
    "GET /api/backups": { ...backups, trouble: { at: "2026-03-16T03:00:00Z", reason: "The disk is full." } },
    [`GET /api/backups/${backup.name}/preview`]: new Refusal(409, "notRestored", { reason: "It is not whole." }),
  });
  expect(await screen.findByText(/The last backup failed .*The disk is full\./)).toBeDefined();
  await userEvent.click(screen.getByRole("button", { name: /Restore the backup of/ }));
  expect(await screen.findByText("Nothing was changed. It is not whole.")).toBeDefined();
});

it("makes one by hand in a club that has none", async () => {
  const { sent } = open({
    "GET /api/backups": { ...backups, daily: false, backups: [] },
    "POST /api/backups": backups,
  });
  expect(await screen.findByText("There are no backups yet.")).toBeDefined();
  expect(screen.getByText("In the demo backups are made by hand only.")).toBeDefined();
  await userEvent.click(screen.getByRole("button", { name: "Back up now" }));
  expect(await screen.findByText("daily, 12.4 MB")).toBeDefined();
  expect(sent.at(-1)?.to).toBe("POST /api/backups");
});
