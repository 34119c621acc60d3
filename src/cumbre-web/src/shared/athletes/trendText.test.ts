import { expect, it } from "vitest";
import type { TrendPoint } from "../api/types";
import { forecastText, lineText, nowText, valueText } from "./trendText";

const point = (more: Partial<TrendPoint>): TrendPoint => ({
  day: "2026-03-09",
  side: null,
  counts: 8,
  best: 9,
  low: null,
  high: null,
  isTest: false,
  isEasy: false,
  isCompared: true,
  isBound: false,
  ...more,
});

it.each([
  ["OneRepMax", 100.94, "Kg", "100.9 kg"],
  ["OneRepMax", 100, "Lb", "220.5 lb"],
  ["Reps", 1, "Kg", "1 rep"],
  ["Reps", 12, "Kg", "12 reps"],
  ["Seconds", 11, "Kg", "11 s"],
  ["Contact", 3, "Kg", "belly"],
  ["Box", 45, "Kg", "45 cm"],
  ["Assistance", 15, "Lb", "33.1 lb assistance"],
] as const)("says a value of %s in the reader's unit", (measure, value, unit, text) =>
  expect(valueText(measure, value, unit)).toBe(text),
);

it("says each side, left first, and a dash for nothing", () => {
  expect(nowText("Seconds", [point({ side: "Right", best: 5 }), point({ side: "Left", best: 4 })], "Kg")).toBe(
    "L 4 s, R 5 s",
  );
  expect(nowText("Reps", [point({})], "Kg")).toBe("9 reps");
  expect(nowText("Reps", [], "Kg")).toBe("–");
});

it.each([
  [2, 3, null, 9, "in 2 to 3 weeks"],
  [1, 1, null, 9, "in about 1 week"],
  [0, 0, null, 9, "the estimate is already there: test it"],
  [null, null, "TooFewPoints", 3, "No forecast: 3 days measured with this set-up; a trend needs four."],
  [null, null, "TooFewPoints", 0, "No forecast: nothing measured with this set-up."],
  [null, null, "NotRising", 6, "No forecast: the trend is not rising."],
] as const)("tells a forecast of %j to %j weeks, or why there is none", (from, to, reason, points, text) =>
  expect(forecastText({ from, to, reason, points, why: null })).toBe(text),
);

it("tells what a threshold is for, in the reader's unit", () => {
  const line = (need: string, opens: boolean) =>
    ({ value: 1, opens, step: "Strength", term: { need } }) as unknown as Parameters<typeof lineText>[0];
  expect(lineText(line("+25 % bm x 5", false), "Kg")).toBe("+25 % of bodyweight × 5: achieves Strength");
  expect(lineText(line("+10 kg x 5", true), "Lb")).toBe("+22 lb × 5: opens Strength");
});
