import { expect, it } from "vitest";
import { inWords } from "./wording";

it("names the fields of an entry in words, and leaves other words alone", () => {
  expect(inWords("statureCm: 170; byAge: false")).toBe("height in cm: 170; cleared for their age: false");
  expect(inWords("increase: two-in-a-row")).toBe("increase: two-in-a-row");
  expect(inWords("9 reps")).toBe("9 reps");
  expect(inWords(null)).toBe("");
});
