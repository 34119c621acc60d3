import { describe, expect, it } from "vitest";
import { decimal, whole } from "./shapes";

describe("numbers as people type them", () => {
  it.each([
    ["72.5", 72.5],
    ["72,5", 72.5],
    [" 70 ", 70],
    ["−5", -5],
  ])("reads %s", (text, value) => {
    expect(decimal("the bodyweight").parse(text)).toBe(value);
  });

  it.each(["seventy", "7 0", "1,2,3", "NaN-ish"])("refuses %s and says so", (text) => {
    const answer = decimal("the bodyweight").safeParse(text);
    expect(answer.success).toBe(false);
    expect(answer.error?.issues[0]?.message).toContain("is not a number");
  });

  it("asks for what is missing", () => {
    expect(decimal("the bodyweight").safeParse("  ").error?.issues[0]?.message).toBe("Enter the bodyweight.");
    expect(whole("the reps").safeParse("").error?.issues[0]?.message).toBe("Enter the reps.");
  });

  it("takes whole numbers only where reps are counted", () => {
    expect(whole("the reps").parse("12")).toBe(12);
    expect(whole("the reps").safeParse("5.5").success).toBe(false);
    expect(whole("the reps").safeParse("99999999999").success).toBe(false);
  });
});
