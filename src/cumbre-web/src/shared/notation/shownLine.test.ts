import { describe, expect, it } from "vitest";
import { shownLine } from "./shownLine";

// International avoirdupois pound: 0.45359237 kg.
describe("a line in the reader's unit", () => {
  it.each([
    ["4 x 5 @ +20 kg tempo 3-1-X-0 rest 2:30", "4 x 5 @ +44.1 lb tempo 3-1-X-0 rest 2:30"],
    ["2 x drop 4+4+6 @ +20 / +10 / 0 kg grip wide", "2 x drop 4+4+6 @ +44.1 / +22 / 0 lb grip wide"],
    ["3 x 8..10 @ +10 kg then +2.5 kg rest 2:00", "3 x 8..10 @ +22 lb then +5.5 lb rest 2:00"],
    ["3 x 6 @ band 15 kg", "3 x 6 @ band 33.1 lb"],
    ["3 x 5 box 40 cm rest 2:00", "3 x 5 box 40 cm rest 2:00"],
    ["5 x 4 @ +20 lb rest 2:30", "5 x 4 @ +20 lb rest 2:30"],
    ["4 x 5 @ 80 % e1RM", "4 x 5 @ 80 % e1RM"],
  ])("reads %s in pounds as %s", (line, shown) => expect(shownLine(line, "Lb")).toBe(shown));

  it("reads pounds in kilograms with one decimal", () => {
    expect(shownLine("3 x 6..8 @ +20 lb rest 2:30", "Kg")).toBe("3 x 6..8 @ +9.1 kg rest 2:30");
  });
});
