// @vitest-environment jsdom
import { screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, test } from "vitest";
import type { MovementTrend, Trends } from "../../shared/api/types";
import { show } from "../../shared/testing/page";
import TrendsPage from "./TrendsPage";

const time = { from: "2025-12-22", today: "2026-03-16", blocks: [], deloads: ["2026-02-09"] };

const trends = (more: Partial<Trends> = {}): Trends => ({
  name: "Ines Roca",
  time,
  movements: [{ movement: "pull-up", name: "Pull-up", days: 2 }],
  calendar: {
    from: "2026-03-02",
    days: [
      { day: "2026-03-02", fate: "Done", isEasy: false },
      { day: "2026-03-05", fate: "Missed", isEasy: false },
      { day: "2026-03-19", fate: "Planned", isEasy: false },
    ],
    inFull: 1,
    partly: 0,
    due: 2,
  },
  tables: [
    {
      figure: "HardSets",
      columns: ["vertical pull"],
      rows: [
        { monday: "2026-03-09", values: [9], isPartial: false },
        { monday: "2026-03-16", values: [3], isPartial: true },
      ],
    },
  ],
  readiness: {
    days: [{ day: "2026-03-09", sleepHours: 5.5, soreness: 2, readiness: 4, change: -0.05 }],
    bySleep: [
      { from: null, to: 6, days: 1, change: null },
      { from: 6, to: 7, days: 4, change: 0.021 },
    ],
    byReadiness: [],
  },
  ...more,
});

const point = (day: string, counts: number, side: "Left" | "Right" | null = null) => ({
  day,
  side,
  counts,
  best: counts,
  low: null,
  high: null,
  isTest: false,
  isEasy: false,
  isCompared: true,
  isBound: false,
});

const movement = (more: Partial<MovementTrend> = {}): MovementTrend => ({
  movement: "pull-up",
  name: "Pull-up",
  time,
  trend: {
    measure: "Reps",
    sets: 1,
    points: [point("2026-03-02", 8), point("2026-03-09", 9)],
    now: null,
    lines: [],
    ahead: null,
    forecast: { from: null, to: null, why: null, reason: "TooFewPoints", points: 2 },
    records: [],
  },
  bodyMass: [],
  sides: [],
  ...more,
});

const open = (all: Trends, one: MovementTrend, query = "") =>
  show(<TrendsPage />, {
    path: "/athletes/:athleteId/trends",
    at: `/athletes/a/trends${query}`,
    answers: { "GET /api/athletes/a/trends": all, "GET /api/athletes/a/trends/pull-up": one },
  });

test("every chart has its table, newest first, and addresses of both as files", async () => {
  const page = open(trends(), movement());
  const user = userEvent.setup();
  const hard = await screen.findByRole("region", { name: "Hard sets" });
  expect(within(hard).getByRole("link", { name: "Download CSV: Hard sets" })).toHaveAttribute(
    "href",
    "/api/athletes/a/trends.csv?weeks=12&figure=HardSets",
  );
  await user.click(within(hard).getByRole("button", { name: "Table" }));
  const rows = within(within(hard).getByRole("table")).getAllByRole("row");
  expect(rows.map((r) => r.textContent)).toEqual([
    "Week ofVertical pull",
    "Mon, Mar 16, 2026, so far3",
    "Mon, Mar 9, 20269",
  ]);
  const reps = await screen.findByRole("region", { name: "Pull-up, reps" });
  expect(within(reps).getByRole("link", { name: /CSV/ })).toHaveAttribute(
    "href",
    "/api/athletes/a/trends.csv?weeks=12&movement=pull-up",
  );
  expect(page.sent.map((s) => s.to)).toContain("GET /api/athletes/a/trends?weeks=12");
});

test("the time is in the address, and one that nobody offers is the usual one", async () => {
  const page = open(trends(), movement(), "?weeks=7");
  const user = userEvent.setup();
  await user.click(await screen.findByRole("button", { name: "52 weeks" }));
  expect(page.address()).toBe("/athletes/a/trends?weeks=52");
  expect(page.sent.map((s) => s.to)).toContain("GET /api/athletes/a/trends?weeks=52");
  expect(page.sent.map((s) => s.to)).not.toContain("GET /api/athletes/a/trends?weeks=7");
});

test("groups say how many days they rest on, and nothing of too few", async () => {
  open(trends(), movement());
  const sleep = await screen.findByRole("region", { name: "Sleep" });
  expect(within(sleep).getByText("Under 6 h").parentElement).toHaveTextContent("Under 6 hone daytoo few");
  expect(within(sleep).getByText("6 to 7 h").parentElement).toHaveTextContent("6 to 7 h4 days+2.1 %");
});

test("the calendar says of each day of a session what became of it", async () => {
  open(trends(), movement());
  const march = await screen.findByRole("region", { name: "March 2026" });
  expect(march).toHaveTextContent("March 2026 1 of 2");
  expect(
    within(march)
      .getAllByRole("img")
      .map((d) => d.getAttribute("aria-label")),
  ).toEqual(["Mon, Mar 2: done", "Thu, Mar 5: missed", "Thu, Mar 19: planned"]);
});

test("who has nothing yet is told how it begins", async () => {
  open(trends({ movements: [], tables: [], readiness: { days: [], bySleep: [], byReadiness: [] } }), movement());
  expect(await screen.findByText("No trends yet")).toBeVisible();
});

test("a movement without a point in this time says so and can still be changed", async () => {
  open(trends(), movement({ trend: { ...movement().trend, points: [] } }));
  expect(await screen.findByText("Nothing to show in this time")).toBeVisible();
  expect(screen.getByRole("combobox")).toBeVisible();
});

test("both sides have the gap between them beside the trend", async () => {
  open(trends(), movement({ sides: [{ day: "2026-03-09", left: 8, right: 10, gap: 0.2 }] }));
  const user = userEvent.setup();
  const sides = await screen.findByRole("region", { name: "Left against right" });
  await user.click(within(sides).getByRole("button", { name: "Table" }));
  expect(within(sides).getByRole("table")).toHaveTextContent("Mon, Mar 9, 20268 reps10 reps+20 %");
});
