import { describe, expect, it } from "vitest";
import type { Pick } from "../../shared/api/types";
import { advance, amend, begin, redo, undo } from "../../shared/drafts/history";
import { search } from "../../shared/blocks/pick";
import { clearLoad, loadText } from "./planFields";
import { nextValue } from "../../shared/notation/values";

describe("undo and redo", () => {
  it("go back and forth, and a new step ends what could be redone", () => {
    let h = advance(advance(begin("a"), "b"), "c");
    h = undo(h);
    expect(h.now).toBe("b");
    expect(redo(h).now).toBe("c");
    expect(redo(advance(h, "d")).now).toBe("d");
    expect(undo(undo(undo(h))).now).toBe("a");
  });

  it("take typing in one place together", () => {
    const typed = advance(advance(advance(begin(""), "4", "line"), "4 x", "line"), "4 x 5", "line");
    expect(undo(typed).now).toBe("");
    expect(undo(advance(typed, "4 x 5!", "other")).now).toBe("4 x 5");
  });

  it("do not meet a change that is no step of its own", () => {
    const upper = (s: string) => s.toUpperCase();
    const h = amend(undo(advance(advance(begin("a"), "b"), "c")), upper);
    expect([h.now, undo(h).now, redo(h).now]).toEqual(["B", "A", "C"]);
  });
});

describe("Tab in a line", () => {
  it("goes from value to value", () => {
    const line = "2 x drop 4+4 @ +20 / +10 kg grip wide / narrow tempo 3-1-X-0 rest 3:00";
    const found: string[] = [];
    for (let at = nextValue(line, 0); at; at = nextValue(line, at.end)) found.push(line.slice(at.start, at.end));
    expect(found).toEqual(["2", "4", "+4", "+20", "+10", "wide", "narrow", "3-1-X-0", "3:00"]);
  });

  it("ends past the last one", () => expect(nextValue("4 x 5", 5)).toBeNull());
});

describe("the load of the form", () => {
  it.each(["+10 kg", "-15 kg", "80 % e1RM", "+25 % bm", "band 15 kg", "feet", "9 books", "+22.5 lb"])(
    "reads %s and writes it back",
    (text) => expect(loadText(clearLoad(text))).toBe(text),
  );

  it("takes a bare number for kilograms, nothing for no load, and refuses the rest", () => {
    expect(loadText(clearLoad("12,5"))).toBe("+12.5 kg");
    expect(clearLoad("")).toBeNull();
    expect(clearLoad("80 %")).toBeUndefined();
  });
});

describe("the picker", () => {
  const movement = (name: string, more: Partial<Pick> = {}): Pick => ({
    slug: name,
    name,
    aliases: [],
    pattern: "horizontal pull",
    level: 3,
    kit: ["low bar"],
    kitMissing: null,
    status: null,
    line: "3 x 8",
    ...more,
  });
  const all = [
    movement("Ring row", { kit: ["rings"], kitMissing: "rings" }),
    movement("Row"),
    movement("Horizontal row", { level: 5, aliases: ["Australian pull-up"] }),
    movement("Dip", { pattern: "vertical push" }),
  ];

  it.each([
    ["row", ["Row", "Horizontal row", "Ring row"]],
    ["horizontal pull rings", ["Ring row"]],
    ["level 5", ["Horizontal row"]],
    ["australian", ["Horizontal row"]],
    ["push", ["Dip"]],
    ["nothing", []],
  ])("finds %s", (typed, names) => expect(search(all, typed).map((m) => m.name)).toEqual(names));
});
