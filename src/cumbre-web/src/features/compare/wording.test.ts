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
  [{ kind: "Load", left: ["10"], right: ["12.5"] }, "Pull-up works out at 10 and at 12.5 kg."],
  [{ kind: "Days", left: ["Monday", "Thursday"], right: ["Tuesday"] }, "Pull-up moved from Mon, Thu to Tue."],
  [{ kind: "Week", movement: null, left: ["Loading"], right: [] }, "Here loading week, there no week."],
])("a difference is a sentence", (given, sentence) => {
  expect(differenceSentence(difference(given))).toBe(sentence);
});
