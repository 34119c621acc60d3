import { describe, expect, it } from "vitest";
import type { Explanation, Quantity } from "../api/types";
import { text } from "./quantity";
import { cautionText, roundingText, ruleText, sourceText, stepText } from "./wording";

const massOf = (kg: number): Quantity => ({ kind: "Mass", number: kg });
const load = (kg: number): Quantity => ({ kind: "AddedLoad", number: kg });
const reps = (n: number): Quantity => ({ kind: "Reps", number: n });

describe("reasons in words", () => {
  it("writes the working with bare numbers and the result with its unit", () => {
    expect(stepText("AddedFromSystem", [massOf(82.0906), massOf(68.2)], "Kg")).toBe("Added load, 82.09 − 68.2");
    expect(stepText("BestFromLastSet", [massOf(83.9), reps(10)], "Kg")).toBe("Best single, 83.9 × (1 + 10 ÷ 30)");
    expect(text(load(13.8906), "Kg")).toBe("+13.89 kg");
  });

  it("subtracts help instead of adding it", () => {
    expect(stepText("NowOnTheBar", [massOf(68.2), load(-16.9)], "Kg")).toBe("System mass, 68.2 − 16.9");
    expect(stepText("NowOnTheBar", [massOf(68.2), load(15)], "Kg")).toBe("System mass, 68.2 + 15");
  });

  it("changes the unit of every figure at once", () => {
    expect(stepText("SystemMass", [massOf(45.359237), load(4.5359237)], "Lb")).toBe("System mass, 100 + 10");
    expect(text({ kind: "Pieces", pieces: [11.33980925, 2.26796185] }, "Lb")).toBe("25 + 5");
  });

  it("says what rounding did", () => {
    const pieces: Quantity = { kind: "Pieces", pieces: [10, 2.5, 1.25] };
    expect(roundingText("Nearest", [load(13.8906), load(13.75), load(-0.1406), pieces], "Kg")).toBe(
      "Target +13.89 kg; your kit makes +13.75 kg (10 + 2.5 + 1.25), −0.14 kg off.",
    );
  });

  it("words a rule with its own figures", () => {
    const why: Explanation = {
      rule: { id: "AddLoad", args: [{ kind: "Count", number: 2 }, load(2.5)] },
      inputs: [],
      working: [],
      rounding: [],
      sources: ["Acsm2009"],
      cautions: [],
      exposures: [],
    };
    expect(ruleText(why, "Kg")).toBe("2 clean sessions in a row: add +2.5 kg and let the reps drop.");
    expect(sourceText(why.sources)).toBe("ACSM 2009 (load after two sessions over the target).");
  });

  it("words a caution with its figures", () => {
    expect(cautionText({ id: "EstimateLoose", args: [massOf(107), massOf(117)] }, "Kg")).toContain("107 kg to 117 kg");
  });
});
