// @vitest-environment jsdom
import { fireEvent, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, it, vi } from "vitest";
import type { Block, ProgrammeRow } from "../../shared/api/types";
import { show, type Answers } from "../../shared/testing/page";
import { nextMonday } from "../../shared/blocks/doc";
import { NewBlockDialog } from "./NewBlockDialog";

const row = (block: ProgrammeRow["block"] = null): ProgrammeRow => ({
  athleteId: "a",
  athleteName: "Noor",
  goals: [],
  block,
  weekNow: null,
});

function open(r = row(), more: Answers = {}) {
  const onMade = vi.fn();
  const page = show(<NewBlockDialog row={r} onMade={onMade} onClose={() => {}} />, {
    path: "/",
    at: "/",
    answers: {
      "GET /api/athletes/a": { intake: { days: [1, 4] } },
      "PUT /api/athletes/a/blocks/:any": { version: 1 },
      ...more,
    },
  });
  return { ...page, onMade };
}

it.each([
  ["2026-03-16", "2026-03-16"],
  ["2026-03-17", "2026-03-23"],
  ["2026-03-22", "2026-03-23"],
  ["2026-12-31", "2027-01-04"],
])("on %s a block can begin on %s", (today, monday) => expect(nextMonday(today)).toBe(monday));

it("makes four loading weeks, an easy one and a retest on the days of the intake", async () => {
  const page = open();
  await userEvent.type(screen.getByLabelText("Name"), "{Control>}a{/Control}Spring");
  await userEvent.click(screen.getByRole("button", { name: "Create block" }));
  await waitFor(() => expect(page.onMade).toHaveBeenCalledOnce());
  const [{ block, version }] = page.to("PUT") as [{ block: Block; version: number }];
  expect([block.name, block.start, version]).toEqual(["Spring", "2026-03-16", 0]);
  expect(block.weeks.map((w) => w.kind)).toEqual(["Loading", "Loading", "Loading", "Loading", "Easy", "Retest"]);
  expect(block.weeks[1]!.sessions.map((s) => s.day)).toEqual(["2026-03-23", "2026-03-26"]);
});

it("begins after the block that is there, and on the Monday of the day that is chosen", async () => {
  const page = open(row({ id: "b", name: "Lever block", start: "2026-03-09", weeks: 5, version: 1 }));
  expect(screen.getByLabelText("First week")).toHaveValue("2026-04-13");
  fireEvent.change(screen.getByLabelText("First week"), { target: { value: "2026-04-23" } });
  expect(screen.getByText(/^From .*Apr 20, 2026$/)).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Create block" }));
  await waitFor(() => expect(page.onMade).toHaveBeenCalledOnce());
  expect((page.to("PUT")[0] as { block: Block }).block.start).toBe("2026-04-20");
});

it("needs a name and a day", async () => {
  open();
  await userEvent.clear(screen.getByLabelText("Name"));
  expect(screen.getByRole("button", { name: "Create block" })).toBeDisabled();
  await userEvent.type(screen.getByLabelText("Name"), "Spring");
  fireEvent.change(screen.getByLabelText("First week"), { target: { value: "" } });
  expect(screen.getByText("Choose a day of the first week")).toBeVisible();
  expect(screen.getByRole("button", { name: "Create block" })).toBeDisabled();
});

it("makes one block when it is pressed again after a lost answer", async () => {
  let lost = true;
  const page = open(row(), { "PUT /api/athletes/a/blocks/:any": () => (lost ? "lost" : { version: 1 }) });
  await userEvent.click(screen.getByRole("button", { name: "Create block" }));
  expect(await screen.findByText(/The server cannot be reached/)).toBeVisible();
  lost = false;
  await userEvent.click(screen.getByRole("button", { name: "Create block" }));
  await waitFor(() => expect(page.onMade).toHaveBeenCalledOnce());
  const [first, second] = page.sent.filter((s) => s.to.startsWith("PUT"));
  expect(second!.to).toBe(first!.to);
});
