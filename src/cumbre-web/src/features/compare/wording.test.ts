import { expect, test } from "vitest";
import type { BlockDifference } from "../../shared/api/types";
import { differenceSentence } from "./wording";

const difference = (d: Partial<BlockDifference>): BlockDifference => ({
  kind: "Line",
  pattern: "vertical pull",
  movement: "Pull-up",
  left: [],
  right: [],
  ...d,
});

test.each<[Partial<BlockDifference>, string]>([
  [{ kind: "MovementIn", right: ["3 x 8", "3 x 8"] }, "Pull-up was added: 3 x 8."],
  [{ kind: "MovementOut", left: ["3 x 8", "2 x max"] }, "Pull-up was removed; it was 3 x 8; 2 x max."],
  [{ kind: "Line", left: ["3 x 8"], right: ["4 x 8"] }, "Pull-up: 3 x 8 became 4 x 8."],
  [
    { kind: "Load", left: ["10"], right: ["12.5"] },
    "Pull-up works out at +10 kg on the left and +12.5 kg on the right.",
  ],
  [{ kind: "Days", left: ["Monday", "Thursday"], right: ["Tuesday"] }, "Pull-up moved from Mon, Thu to Tue."],
  [{ kind: "Week", movement: null, left: ["Loading"], right: [] }, "Left: loading week; right: no week."],
])("a difference is a sentence", (given, sentence) => {
  expect(differenceSentence(difference(given), "Kg")).toBe(sentence);
});

test.each<[Partial<BlockDifference>, string]>([
  [
    { kind: "Load", left: ["-10 / 0"], right: [""] },
    "Pull-up works out at −22 lb / bodyweight on the left and none on the right.",
  ],
  [
    { kind: "Line", left: ["3 x 8 @ +10 kg"], right: ["4 x 8 @ +10 kg"] },
    "Pull-up: 3 x 8 @ +22 lb became 4 x 8 @ +22 lb.",
  ],
])("a difference is said in the reader's unit", (given, sentence) => {
  expect(differenceSentence(difference(given), "Lb")).toBe(sentence);
});
