import { afterEach, describe, expect, it } from "vitest";
import { dayFull, number, timeOf } from "../shared/ui/format";
import { habitsOf, regions, setHabits, weekInOrder } from "./habits";
import { wordsOf } from "./wordsOf";

const none = { locale: null, hours: null, firstDay: null };
const say = wordsOf("test", { many: "{n, plural, one {one athlete} other {# athletes}}", some: "{n, number} kg" });

describe("how a person reads", () => {
  afterEach(() => setHabits({ ...none, locale: "en-US" }));

  // Source: the Unicode locale data (CLDR), which the engine brings.
  it.each([
    ["en-US", "1,234.5", "Mon, Mar 16, 2026"],
    ["en-GB", "1,234.5", "Mon, 16 Mar 2026"],
    ["en-DE", "1.234,5", "Mon, 16 Mar 2026"],
  ])("writes numbers and dates as %s does", (locale, figure, day) => {
    setHabits({ ...none, locale });
    expect(number(1234.5)).toBe(figure);
    expect(say("some", { n: 1234.5 })).toBe(`${figure} kg`);
    expect(dayFull("2026-03-16").replace(/(\w{3}) 16/, "$1 16")).toBe(day);
  });

  it("keeps English plurals whatever the region", () => {
    for (const region of regions) {
      setHabits({ ...none, locale: `en-${region}` });
      expect([say("many", { n: 0 }), say("many", { n: 1 })]).toEqual(["0 athletes", "one athlete"]);
    }
  });

  it("takes the clock and the week from the region, unless they were chosen", () => {
    expect(habitsOf({ ...none, locale: "en-US" }).hours).toBe(12);
    expect(habitsOf({ ...none, locale: "en-GB" }).hours).toBe(24);
    expect(habitsOf({ locale: "en-US", hours: 24, firstDay: 1 })).toEqual({ locale: "en-US", hours: 24, firstDay: 1 });
    setHabits({ locale: "en-GB", hours: 12, firstDay: 7 });
    expect(timeOf("2026-03-16T17:05:00")).toMatch(/^5:05\s?pm$/i);
    expect(weekInOrder()).toEqual([7, 1, 2, 3, 4, 5, 6]);
    setHabits({ locale: "en-US", hours: 24, firstDay: 6 });
    expect(timeOf("2026-03-16T17:05:00")).toBe("17:05");
    expect(weekInOrder()[0]).toBe(6);
  });
});
