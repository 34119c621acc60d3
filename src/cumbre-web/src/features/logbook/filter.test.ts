import { expect, it } from "vitest";
import { addressOf, filterOf, orderOf, sundayOf } from "./filter";

const read = (text: string) => filterOf(new URLSearchParams(text));

it("reads back what it wrote", () => {
  const filter = {
    athlete: "01991c52-9c00-7d47-96f3-f6a3923e2915",
    movement: "weighted-pull-up",
    from: "2026-03-09",
    to: "2026-03-15",
    form: "Broken" as const,
    easy: false,
    pain: true as const,
    corrected: true as const,
    reserve: 0,
    text: "strap 50 % & more",
  };
  expect(filterOf(addressOf(filter))).toEqual(filter);
  expect(orderOf(addressOf(filter, "Athlete"))).toBe("Athlete");
  expect(addressOf({}).toString()).toBe("");
});

it("leaves out what cannot be meant", () => {
  expect(read("athlete=me&movement=Pull%20up!&from=yesterday&form=so-so&easy=1&pain=no&reserve=12&text=")).toEqual({});
  expect(orderOf(new URLSearchParams("order=random"))).toBe("Newest");
});

it("knows the end of a week, over a change of the clock and of the year", () => {
  expect(sundayOf("2026-03-23")).toBe("2026-03-29");
  expect(sundayOf("2025-12-29")).toBe("2026-01-04");
});
