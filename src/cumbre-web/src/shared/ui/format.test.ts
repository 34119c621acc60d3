import { describe, expect, it } from "vitest";
import { added, clock, daysBetween, inUnit, mass, number, toKilograms, written, writtenAdded } from "./format";

describe("figures as people write them", () => {
  it("drops trailing zeros and keeps two decimals at most", () => {
    expect([number(12.5), number(10), number(102.6133), number(0.005)]).toEqual(["12.5", "10", "102.61", "0.01"]);
  });

  it("writes a true minus and never a minus zero", () => {
    expect([number(-3.5), number(-0.001)]).toEqual(["−3.5", "0"]);
  });

  it("signs a load and leaves body mass unsigned", () => {
    expect([added(12.5, "Kg"), added(-16.9, "Kg"), added(0, "Kg")]).toEqual(["+12.5 kg", "−16.9 kg", "bodyweight"]);
    expect(mass(68.2, "Kg")).toBe("68.2 kg");
  });

  // International avoirdupois pound, exact since 1959: 0.45359237 kg.
  it("reads pounds back as they were written", () => {
    for (const pounds of [2.5, 5, 27.5, 45]) expect(added(pounds * 0.45359237, "Lb")).toBe(`+${pounds} lb`);
    expect(inUnit(0.45359237, "Lb")).toBe(1);
  });

  it("keeps the unit of an entry while the reader has the same", () => {
    expect(written({ value: 27.5, unit: "Lb" }, "Lb")).toBe("27.5 lb");
    expect(written({ value: 27.5, unit: "Lb" }, "Kg")).toBe("12.5 kg");
    expect(writtenAdded({ value: 10, unit: "Kg" }, "Kg")).toBe("+10 kg");
    expect(toKilograms({ value: 1, unit: "Lb" })).toBe(0.45359237);
  });

  it("converts with one decimal, and leaves what plates of pounds make as it is", () => {
    expect([added(12.5, "Lb"), added(20, "Lb"), mass(88.47, "Lb")]).toEqual(["+27.6 lb", "+44.1 lb", "195 lb"]);
    expect(added(41.25 * 0.45359237, "Lb")).toBe("+41.25 lb");
    expect(added(13.75, "Kg")).toBe("+13.75 kg");
    expect(written({ value: 20, unit: "Kg" }, "Lb")).toBe("44.1 lb");
  });

  it("writes times as on a board", () => {
    expect([clock(0), clock(65), clock(690)]).toEqual(["0:00", "1:05", "11:30"]);
  });

  it("counts days over a change of clocks", () => {
    expect(daysBetween("2026-03-28", "2026-03-30")).toBe(2);
  });
});
