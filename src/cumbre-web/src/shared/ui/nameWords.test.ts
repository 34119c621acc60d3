import { expect, test } from "vitest";
import { inSentence } from "./nameWords";

test("A name within a sentence begins small, but for a letter on its own and a proper name", () => {
  expect(inSentence("Weighted pull-up")).toBe("weighted pull-up");
  expect(inSentence("Foot-assisted German hang")).toBe("foot-assisted German hang");
  expect(inSentence("German hang")).toBe("German hang");
  expect(inSentence("L-sit chin-up")).toBe("L-sit chin-up");
  expect(inSentence("e1RM")).toBe("e1RM");
  expect(inSentence("")).toBe("");
});
