import { describe, expect, it } from "vitest";
import type { NotationError } from "../api/types";
import { notationMessage, problemMessage } from "./wording";

const error = (e: Partial<NotationError>): NotationError => ({
  fault: "Unexpected",
  start: 0,
  length: 0,
  expected: [],
  minimum: null,
  maximum: null,
  ...e,
});

describe("what is said about a faulty line", () => {
  it("names what was expected", () => {
    expect(notationMessage(error({ expected: ["RepCount", "Drop"] }))).toBe(
      "Not finished. What fits: how many reps or drop.",
    );
    expect(notationMessage(error({ length: 3, expected: ["Tempo", "EndOfLine"] }))).toBe(
      "does not fit here. What fits: a tempo, like 3-1-X-0.",
    );
    expect(notationMessage(error({ length: 3, expected: ["EndOfLine"] }))).toBe(
      "does not fit here. What fits: nothing more.",
    );
  });

  it("tells the range of a number", () => {
    expect(notationMessage(error({ fault: "OutOfRange", expected: ["SetCount"], minimum: 1, maximum: 20 }))).toBe(
      "How many sets: 1 to 20.",
    );
  });

  it("tells how many loads the parts need", () => {
    expect(notationMessage(error({ fault: "PartsDiffer", maximum: 3 }))).toBe("3 parts need 3 values here.");
  });

  it("names a way on for every problem", () => {
    for (const problem of ["NoBodyMass", "NoOneRepMax", "TooManyEffectiveReps"] as const)
      expect(problemMessage(problem)).toMatch(/[Rr]ecord|[Ww]rite|[Aa]dd|choose|band/);
  });
});
