import { describe, expect, it } from "vitest";
import type { Threshold } from "../api/types";
import { changesText, changeText, figure, haveNeed, shortfall } from "./wording";

const threshold = (over: Partial<Threshold>): Threshold => ({
  name: "Tuck front lever",
  benchmark: "front-lever-tuck",
  need: "3 x 10 s",
  have: "3 x 9 s",
  fraction: 0.9,
  met: false,
  day: "2026-03-10",
  ageDays: 6,
  stale: false,
  eachSide: false,
  side: null,
  missingSide: null,
  ...over,
});

describe("thresholds in words", () => {
  it("reads have against need", () => {
    expect(haveNeed(threshold({}), "Kg")).toBe("3 × 9 s / 3 × 10 s");
    expect(haveNeed(threshold({ have: null }), "Kg")).toBe("none / 3 × 10 s");
  });

  it("names the side that decides, and the one that is missing", () => {
    expect(haveNeed(threshold({ eachSide: true, side: "Right", have: "4 s", need: "5 s" }), "Kg")).toBe(
      "right 4 s / 5 s each side",
    );
    expect(haveNeed(threshold({ side: "Left", missingSide: "Right" }), "Kg")).toBe("right none / 3 × 10 s");
    expect(haveNeed(threshold({ eachSide: true, have: null, missingSide: "Left" }), "Kg")).toBe(
      "none / 3 × 10 s each side",
    );
  });

  it("asks for a new test where an old one met it", () => {
    expect(shortfall(threshold({ met: true, stale: true, have: "3 x 10 s", ageDays: 60 }), "Kg")).toBe(
      "3 × 10 s, 60 days old: test again",
    );
  });

  it("writes loads in the reader's unit", () => {
    expect(figure("+12.5 kg x 5", "Kg")).toBe("+12.5 kg × 5");
    expect(figure("+12.5 kg x 5", "Lb")).toBe("+27.6 lb × 5");
    expect(figure("3 x 8 at +10 % bm", "Lb")).toBe("3 × 8 at +10 % of bodyweight");
    expect(figure("10..12 reps", "Kg")).toBe("10–12 reps");
  });

  it("tells what a result changed", () => {
    expect(
      changeText({
        ladder: "front-lever",
        name: "Front lever",
        isGoal: true,
        won: ["Tuck"],
        lost: [],
        opened: ["One-leg", "Half-lay"],
        closed: [],
      }),
    ).toBe("Front lever: Tuck is achieved; One-leg and Half-lay can be trained.");
    expect(
      changeText({ ladder: "l", name: "Row", isGoal: false, won: [], lost: ["A", "B"], opened: [], closed: ["C"] }),
    ).toBe("Row: A and B are no longer achieved; C is closed again.");
    const first = { ladder: "p", name: "Pull-up", isGoal: true, lost: [], closed: [], opened: ["E"] };
    expect(changeText({ ...first, won: ["A", "B", "C"] })).toBe("Pull-up: A, B and C are achieved; E can be trained.");
    expect(changeText({ ...first, won: ["A", "B", "C", "D"] })).toBe(
      "Pull-up: A to D (4 steps) are achieved; E can be trained.",
    );
    const opens = (name: string, isGoal: boolean) => ({ ...first, ladder: name, name, isGoal, won: [] });
    expect(changesText([opens("Lever", true), opens("Row", false), opens("Dip", false)])).toBe(
      "Lever: E can be trained. Also open now: Row, Dip.",
    );
  });
});
