import { describe, expect, it } from "vitest";
import type { OutcomeRow } from "../api/types";
import { changeSince, minutes } from "./wording";

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
    [row({}), "+1 rep, was 8 on Feb 1; within the noise of the test"],
    [row({ difference: 6, isNoise: false }), "+6 reps, was 8 on Feb 1"],
    [row({ difference: -2.5, unit: "s", isNoise: false }), "−2.5 s, was 8 on Feb 1"],
    [row({ difference: 0 }), "±0 reps, was 8 on Feb 1; within the noise of the test"],
    [row({ difference: null }), "was 8 on Feb 1"],
    [row({ before: null, beforeDay: null, difference: null }), "first result"],
  ])("says how much, since when, and whether it means anything", (r, text) => expect(changeSince(r, day)).toBe(text));

  it("rounds the time to minutes", () =>
    expect([minutes(90), minutes(1740), minutes(null)]).toEqual(["2 min", "29 min", "0 min"]));
});
