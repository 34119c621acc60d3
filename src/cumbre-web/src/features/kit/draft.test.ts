import { describe, expect, it } from "vitest";
import type { KitBook } from "../../shared/api/types";
import { requestOf, textOf } from "./draft";

const book: KitBook = {
  name: "Cochera 9",
  kit: {
    hasBelt: true,
    vest: { value: 5, unit: "Kg" },
    plates: [{ sort: "Dumbbell", size: { value: 1.25, unit: "Kg" }, count: 2 }],
  },
  bands: [{ id: "b", name: "wide", bottomKg: 41, middleKg: 33, topKg: 24, measuredOn: "2026-02-24" }],
  helps: [],
  counted: [{ id: "c", name: "book", count: 14, unit: { value: 0.62, unit: "Kg" } }],
  gear: [{ id: "g", kind: "Bar", name: "high bar", heightCm: 245, widthCm: null, note: null }],
  version: 4,
  loads: [],
  moreLoads: false,
  usualStepKg: 2.5,
  hasNoGear: false,
};

describe("a kit as it is typed", () => {
  it("goes out as it came in when nothing is changed", () => {
    const { body, errors } = requestOf(textOf(book, "Kg"), 4);
    expect(errors).toEqual({});
    const { kit, bands, counted, gear, hasNoGear } = book;
    expect(body).toEqual({ kit, bands, counted, gear, hasNoGear, version: 4 });
  });

  it("reads commas, and takes an empty unit for never weighed", () => {
    const text = textOf(book, "Kg");
    text.bands[0]!.bottom = "41,5";
    text.counted[0]!.unit = "";
    const { body } = requestOf(text, 4);
    expect(body.bands[0]!.bottomKg).toBe(41.5);
    expect(body.counted[0]!.unit).toBeNull();
  });

  it("leaves a vest in the unit in which it was weighed", () => {
    const inPounds: KitBook = { ...book, kit: { ...book.kit!, vest: { value: 22, unit: "Lb" } } };
    expect(requestOf(textOf(inPounds, "Kg"), 4).body.kit!.vest).toEqual({ value: 22, unit: "Lb" });
  });

  it("says that there is no gear only where none is listed", () => {
    const text = { ...textOf(book, "Kg"), hasNoGear: true };
    expect(requestOf(text, 4).body.hasNoGear).toBe(false);
    expect(requestOf({ ...text, gear: [] }, 4).body.hasNoGear).toBe(true);
  });

  it("asks for every name at once with the figures", () => {
    const text = textOf(book, "Kg");
    text.bands[0]!.name = " ";
    text.counted[0]!.name = "";
    text.gear[0]!.name = "";
    text.bands[0]!.top = "";
    expect(Object.keys(requestOf(text, 4).errors).sort()).toEqual([
      "bands[0].name",
      "bands[0].topKg",
      "counted[0].name",
      "gear[0].name",
    ]);
  });

  it("names the field of a slip as the server would", () => {
    const text = textOf(book, "Kg");
    text.plates[0]!.count = "2.5";
    text.bands[0]!.top = "much";
    text.gear[0]!.height = "tall";
    expect(requestOf(text, 4).errors).toEqual({
      "kit.plates[0].count": "Enter a whole number.",
      "bands[0].topKg": "“much” is not a number.",
      "gear[0].heightCm": "“tall” is not a number.",
    });
  });
});
