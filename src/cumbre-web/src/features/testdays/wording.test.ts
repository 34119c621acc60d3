import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { setHabits } from "../../words/habits";
import type { OutcomeRow, Threshold, WaitingTest } from "../../shared/api/types";
import { changeSince, decides, leftOut, minutes, noted, waiting } from "./wording";

const row = (change: Partial<OutcomeRow>): OutcomeRow => ({
  name: "t",
  side: null,
  now: "9",
  before: "8",
  beforeDay: "2026-02-01",
  difference: 1,
  unit: "reps",
  isNoise: true,
  form: "Clean",
  ...change,
});
const day = () => "Feb 1";

describe("a result against the one before", () => {
  it.each([
    [row({}), "+1 rep, was 8 on Feb 1; within the test’s margin of error"],
    [row({ difference: 6, isNoise: false }), "+6 reps, was 8 on Feb 1"],
    [row({ difference: -2.5, unit: "s", isNoise: false }), "−2.5 s, was 8 on Feb 1"],
    [row({ difference: 0 }), "±0 reps, was 8 on Feb 1; within the test’s margin of error"],
    [row({ difference: null }), "was 8 on Feb 1"],
    [row({ before: null, beforeDay: null, difference: null }), "first result"],
  ])("says how much, since when, and whether it means anything", (r, text) => expect(changeSince(r, day)).toBe(text));

  it("rounds the time to minutes", () =>
    expect([minutes(90), minutes(1740), minutes(null)]).toEqual(["2 min", "29 min", "0 min"]));
});

describe("what a test decides", () => {
  const threshold = (name: string, have: string | null, need: string): Threshold => ({
    name,
    benchmark: name,
    need,
    have,
    fraction: 0.6,
    met: false,
    day: null,
    ageDays: 0,
    stale: false,
    eachSide: false,
    side: null,
    missingSide: null,
  });
  const first = { ladder: "Weighted pull-up", step: "First load", wins: false };

  it("is the step, the goal, have and need", () => {
    expect(decides({ ...first, threshold: threshold("Chin-ups", "3", "5 reps") }, "Kg")).toBe(
      "opens First load (Weighted pull-up) at 5 reps, 3 so far",
    );
    expect(decides({ ...first, wins: true, threshold: threshold("Rows", null, "3 x 10 reps") }, "Kg")).toBe(
      "achieves First load (Weighted pull-up) at 3 × 10 reps",
    );
  });

  it("waits in one line for each threshold that comes first", () => {
    const behind = threshold("Chin-ups", "3", "5 reps");
    const test = (name: string): WaitingTest => ({
      slug: name,
      name,
      for: { ...first, threshold: threshold(name, null, "8 reps") },
      behind,
    });
    expect(waiting([test("Push-ups"), test("Dips")], "Kg")).toEqual([
      "later: Push-ups, Dips. First load needs Chin-ups first, 3 / 5 reps",
    ]);
    expect(waiting([], "Kg")).toEqual([]);
  });
});

describe("what stood in a cell before", () => {
  const at = new Date(2026, 2, 16, 18, 5).toISOString();
  beforeEach(() => setHabits({ locale: "en-GB", hours: null, firstDay: null }));
  afterEach(() => setHabits({ locale: "en-US", hours: null, firstDay: null }));
  it("says from what to what, when and by whom", () => {
    expect(noted({ kind: "ResultCorrected", before: "9 reps", after: "10 reps", at, by: "Coach" })).toBe(
      "corrected: 9 reps to 10 reps, 18:05, Coach",
    );
    expect(noted({ kind: "ResultRemoved", before: "9 reps", after: null, at, by: null })).toBe(
      "deleted: 9 reps, 18:05",
    );
    expect(noted({ kind: "Earlier", before: null, after: "taken back", at, by: null })).toBe("taken back, 18:05");
  });
});

it("names the suggested tests that found no room on the sheet, with whose they are", () => {
  const tests = (...slugs: string[]) =>
    slugs.map((slug) => ({ slug, name: slug.toUpperCase(), reason: "Base" as const, decides: [] }));
  const batteries = [
    { name: "Ada", tests: tests("a", "b") },
    { name: "Bo", tests: tests("b", "c") },
  ] as unknown as Parameters<typeof leftOut>[0];
  expect(leftOut(batteries, ["a"])).toEqual(["B (Ada, Bo)", "C (Bo)"]);
  expect(leftOut(batteries, ["a", "b", "c"])).toEqual([]);
});
