import { describe, expect, it } from "vitest";
import type { Sheet, SheetTest } from "../../shared/api/types";
import {
  cellKey,
  columnName,
  columnsOf,
  emptyCell,
  isBlock,
  move,
  over,
  pagesOf,
  readBlock,
  storedCell,
} from "./cells";

const test = (slug: string, eachSide = false) => ({ slug, eachSide }) as SheetTest;

describe("the sheet", () => {
  it("has a column for each side of a test", () => {
    expect(columnsOf([test("pull-up-max"), test("one-arm-hang", true)]).map((c) => [c.test.slug, c.side])).toEqual([
      ["pull-up-max", null],
      ["one-arm-hang", "Left"],
      ["one-arm-hang", "Right"],
    ]);
  });

  it("gives a cell the same id wherever it is filled, and each its own", () => {
    const [left, right] = columnsOf([test("one-arm-hang", true)]);
    const id = emptyCell("day", "athlete", left!).resultId;
    expect(emptyCell("day", "athlete", left!).resultId).toBe(id);
    expect(emptyCell("day", "athlete", right!).resultId).not.toBe(id);
    expect(cellKey("day", "athlete", left!)).toBe("day/athlete/one-arm-hang/Left");
  });

  it("shows what is stored, under the id that it was stored with", () => {
    const [column] = columnsOf([test("pull-up-max")]);
    const cell = {
      resultId: "r",
      athleteId: "a",
      benchmark: "pull-up-max",
      side: null,
      text: "9",
      form: "Broken",
      setUp: "low bar",
      pain: 2,
      painPlace: "elbow",
    };
    const sheet = { id: "day", cells: [cell] } as unknown as Sheet;
    expect(storedCell(sheet, "a", column!)).toMatchObject({ resultId: "r", text: "9", form: "Broken", pain: 2 });
    expect(storedCell(sheet, "b", column!).text).toBe("");
  });
});

describe("a pasted block", () => {
  it("is cut to the room there is and says what was left", () => {
    expect(readBlock("12\t9,5\tchest x 5\n8\t7\n", 2, 2)).toEqual({
      rows: [
        ["12", "9,5"],
        ["8", "7"],
      ],
      leftRows: 0,
      leftColumns: 1,
    });
    const long = readBlock(Array.from({ length: 5000 }, (_, i) => String(i)).join("\r\n"), 4, 3);
    expect([long.rows.length, long.leftRows]).toEqual([4, 4996]);
  });

  it("is told from the text of one cell", () => {
    expect(isBlock("12")).toBe(false);
    expect(isBlock("12\n")).toBe(false);
    expect(isBlock("12\t9")).toBe(true);
    expect(isBlock("12\r\n9\r\n")).toBe(true);
  });
});

describe("keys in the sheet", () => {
  const at = { row: 2, column: 3 };
  const whole = { start: 0, end: 2, length: 2 };
  const inside = { start: 1, end: 1, length: 2 };

  it.each([
    ["Enter", false, whole, { row: 3, column: 3 }],
    ["Enter", true, whole, { row: 1, column: 3 }],
    ["ArrowUp", false, inside, { row: 1, column: 3 }],
    ["ArrowDown", false, inside, { row: 3, column: 3 }],
    ["ArrowLeft", false, whole, { row: 2, column: 2 }],
    ["ArrowRight", false, whole, { row: 2, column: 4 }],
    ["ArrowLeft", false, inside, null],
    ["ArrowRight", false, { start: 2, end: 2, length: 2 }, { row: 2, column: 4 }],
    ["ArrowLeft", false, { start: 0, end: 0, length: 2 }, { row: 2, column: 2 }],
    ["a", false, whole, null],
  ])("%s leads on or belongs to the text", (key, shift, caret, to) => {
    expect(move(key, shift, at, caret)).toEqual(to);
  });

  it("says what it knows of a cell: what was stored, and what was sent from here", () => {
    const stored = {
      ...emptyCell("day", "athlete", { test: { slug: "pull-up-max" } as never, side: null }),
      text: "8",
    };
    const first = over(stored, undefined, { ...stored, text: "9" });
    expect(first.known).toEqual(["8"]);
    // Still being typed: it was never sent.
    expect(over(stored, { body: first, held: true }, { ...first, text: "91" }).known).toEqual(["8"]);
    // On its way, or its answer was lost.
    expect(over(stored, { body: first }, { ...first, text: "10" }).known).toEqual(["8", "9"]);
  });
});

describe("the sheet on paper", () => {
  const columns = (...tests: [string, boolean][]) =>
    columnsOf(tests.map(([name, eachSide]) => ({ ...test(name, eachSide), name })));
  const onPaper = (...tests: [string, boolean][]) =>
    pagesOf(columns(...tests)).map((page) => page.map((c) => columnName(c.test, c.side)));

  it("keeps what fits on one page, and shares out what does not", () => {
    expect(onPaper(["a", false], ["b", false])).toEqual([["a", "b"]]);
    const many = (n: number) => Array.from({ length: n }, (_, i): [string, boolean] => [`t${i}`, false]);
    expect(onPaper(...many(7)).map((p) => p.length)).toEqual([7]);
    expect(onPaper(...many(8)).map((p) => p.length)).toEqual([4, 4]);
    expect(onPaper(...many(15)).map((p) => p.length)).toEqual([5, 5, 5]);
  });

  it("does not part the two sides of a test", () => {
    const sided = Array.from({ length: 5 }, (_, i): [string, boolean] => [`t${i}`, true]);
    expect(onPaper(["one", false], ...sided)).toEqual([
      ["one", "t0, left", "t0, right", "t1, left", "t1, right", "t2, left", "t2, right"],
      ["t3, left", "t3, right", "t4, left", "t4, right"],
    ]);
  });

  it("has a page where nothing is tested yet", () => expect(pagesOf([])).toEqual([[]]));
});
