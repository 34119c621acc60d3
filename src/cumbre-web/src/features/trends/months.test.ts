import { expect, test } from "vitest";
import { monthName, monthsOf } from "./months";

test("a month begins under its weekday, wherever the week begins", () => {
  const [march] = monthsOf("2026-03-09", "2026-03-16", 1);
  // The first of March 2026 is a Sunday.
  expect(march!.cells.slice(0, 8)).toEqual([null, null, null, null, null, null, "2026-03-01", "2026-03-02"]);
  expect(monthsOf("2026-03-09", "2026-03-16", 7)[0]!.cells[0]).toBe("2026-03-01");
  expect(march!.cells).toHaveLength(6 + 31);
});

test("every month from the first to the last is there, over the end of a year and a leap day", () => {
  const months = monthsOf("2023-12-25", "2024-02-29", 1);
  expect(months.map((m) => m.month)).toEqual(["2023-12", "2024-01", "2024-02"]);
  expect(months[2]!.cells.at(-1)).toBe("2024-02-29");
  expect(monthName("2024-02")).toBe("February 2024");
});
