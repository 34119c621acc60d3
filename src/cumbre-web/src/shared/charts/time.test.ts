import { expect, test } from "vitest";
import { mondayOf, mondays, stretches, ticks, weekLater } from "./time";

test("a week begins on Monday, also over the end of a year and the change to summer time", () => {
  expect(mondayOf("2026-03-16")).toBe("2026-03-16");
  expect(mondayOf("2026-03-22")).toBe("2026-03-16");
  expect(mondayOf("2026-01-01")).toBe("2025-12-29");
  expect(weekLater("2026-03-23")).toBe("2026-03-30");
  expect(weekLater("2026-03-30", -1)).toBe("2026-03-23");
});

test("every week is there, those without training too", () => {
  expect(mondays("2026-03-04", "2026-03-16")).toEqual(["2026-03-02", "2026-03-09", "2026-03-16"]);
});

test("deloads one after the other are one stretch", () => {
  expect(stretches(["2026-02-02", "2026-02-09", "2026-03-02"])).toEqual([
    { from: "2026-02-02", to: "2026-02-16" },
    { from: "2026-03-02", to: "2026-03-09" },
  ]);
  expect(stretches([])).toEqual([]);
});

test("an axis is marked by weeks while they are few, then by months, and never over its ends", () => {
  expect(ticks("2026-02-02", "2026-03-02", 10)).toEqual([
    "2026-02-02",
    "2026-02-09",
    "2026-02-16",
    "2026-02-23",
    "2026-03-02",
  ]);
  const year = ticks("2025-03-17", "2026-03-16", 6);
  expect(year.length).toBeLessThanOrEqual(7);
  expect(year.every((d) => d.endsWith("-01") && d >= "2025-03-17" && d <= "2026-03-16")).toBe(true);
});
