// @vitest-environment jsdom
import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, it } from "vitest";
import type { ComparedWeek } from "../../shared/api/types";
import { show, type Answers } from "../../shared/testing/page";
import ComparePage from "./ComparePage";

const both = (left: number, right = left) => ({ left, right });

const week: ComparedWeek = {
  number: 1,
  left: ["Loading"],
  right: ["Easy"],
  patterns: [{ pattern: "vertical pull", left: 9, right: 4 }],
  sessions: both(3),
  hardSets: both(30, 14),
  pull: both(15, 7),
  push: both(15, 7),
  straightArmSeconds: both(120, 60),
  tensionSeconds: both(900, 420),
  seconds: both(10800, 7200),
  differences: [
    { kind: "Line", pattern: "vertical pull", movement: "Pull-up", left: ["4 x 5"], right: ["2 x 5"] },
    { kind: "MovementOut", pattern: "trunk", movement: "Hollow hold", left: ["hold 3 x 30 s"], right: [] },
  ],
};

const summary = (id: string, name: string) => ({ id, name, start: "2026-03-16", weeks: 5, version: 1 });
const answers: Answers = {
  "GET /api/programmes": ["Noor", "Ilka"].map((athleteName, i) => ({
    athleteId: `a${i}`,
    athleteName,
    goals: [],
    block: null,
    weekNow: null,
  })),
  "GET /api/athletes/a0/blocks": [summary("b0", "Lever block"), summary("b1", "Pull block")],
  "GET /api/athletes/a1/blocks": [],
  "GET /api/athletes/a0/blocks/b0/versions": {
    versions: [{ number: 1, note: null, at: "2026-03-14T18:00:00Z", by: null }],
    changed: true,
    openCautions: 0,
  },
  "GET /api/athletes/a0/blocks/b1/versions": { versions: [], changed: true, openCautions: 0 },
  "POST /api/compare": { leftName: "Noor, Lever block", rightName: "Noor, Pull block", weeks: [week] },
};

const open = (at = "/compare", more: Answers = {}) =>
  show(<ComparePage />, { path: "/compare", at, answers: { ...answers, ...more } });

async function choose(label: string, option: string) {
  await waitFor(() =>
    expect(screen.getByRole("combobox", { name: new RegExp(label) })).not.toHaveAttribute("aria-disabled"),
  );
  await userEvent.click(screen.getByRole("combobox", { name: new RegExp(label) }));
  await userEvent.click(await screen.findByRole("option", { name: new RegExp(option) }));
}

it("asks for a block on either side, and keeps what is chosen in its address", async () => {
  const page = open();
  expect(screen.getByText("Choose a block on each side.")).toBeVisible();
  await choose("Left: athlete", "Noor");
  await choose("Left: block", "Lever block");
  await choose("Left: version", "version 1");
  await choose("Right: athlete", "Noor");
  await choose("Right: block", "Pull block");
  expect(await screen.findByRole("region", { name: "Week 1" })).toBeVisible();
  expect(page.address()).toBe("/compare?left=a0_b0_1&right=a0_b1_");
  expect(page.to("POST").at(-1)).toEqual({
    left: { athleteId: "a0", blockId: "b0", version: 1 },
    right: { athleteId: "a0", blockId: "b1", version: null },
  });
});

it("says in sentences what changed, with the dose beside it", async () => {
  open("/compare?left=a0_b0_&right=a0_b1_");
  const found = within(await screen.findByRole("region", { name: "Week 1" }));
  expect(found.getByRole("heading")).toHaveTextContent("Week 1, loading and deload");
  const said = found.getAllByRole("listitem").map((e) => e.textContent);
  expect(said).toEqual([
    "vertical pull: Pull-up: 4 x 5 became 2 x 5.",
    "trunk: Hollow hold was removed; it was hold 3 x 30 s.",
  ]);
  const dose = within(found.getByRole("table", { name: "Dose of week 1" }));
  for (const row of [
    "Sessions 3 3",
    "vertical pull 9 4",
    "Hard sets in total 30 14",
    "Pull to push 15 : 15 7 : 7",
    "Time 180 min 120 min",
  ])
    expect(dose.getByRole("row", { name: row })).toBeVisible();
});

it("says that nothing differs", async () => {
  open("/compare?left=a0_b0_&right=a0_b0_1", {
    "POST /api/compare": { leftName: "l", rightName: "r", weeks: [{ ...week, right: ["Loading"], differences: [] }] },
  });
  expect(await screen.findByText("Both sides are the same.")).toBeVisible();
  expect(screen.getByRole("heading", { name: "Week 1, loading" })).toBeVisible();
});

it("says that an athlete has no block, and another athlete begins afresh", async () => {
  const page = open("/compare?left=a0_b0_1&right=__");
  await choose("Left: athlete", "Ilka");
  expect(await screen.findByText("no block yet")).toBeVisible();
  expect(page.address()).toBe("/compare?left=a1__&right=__");
  expect(page.to("POST")).toEqual([]);
});

it("lets it be tried again when a block is gone or the answer is lost", async () => {
  let answer: unknown = "lost";
  open("/compare?left=a0_b0_&right=a0_b1_", { "POST /api/compare": () => answer });
  expect(await screen.findByText(/The server cannot be reached/)).toBeVisible();
  answer = { leftName: "l", rightName: "r", weeks: [week] };
  await userEvent.click(screen.getByRole("button", { name: "Try again" }));
  expect(await screen.findByRole("region", { name: "Week 1" })).toBeVisible();
});
