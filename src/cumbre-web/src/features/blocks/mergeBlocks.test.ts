import { describe, expect, it } from "vitest";
import type { Block, BlockItem, BlockSession } from "../../shared/api/types";
import { mergeBlocks } from "./mergeBlocks";

const item = (id: string, line = "3 x 5"): BlockItem => ({ id, movement: "pull-up", line, joined: false });
const session = (id: string, day: string, items: BlockItem[]): BlockSession => ({
  id,
  day,
  title: "",
  warmUp: { seconds: 480, text: null },
  coolDown: { seconds: 0, text: null },
  items,
  fixed: false,
});
const block = (...sessions: BlockSession[]): Block => ({
  name: "b",
  start: "2026-03-16",
  kept: [],
  weeks: [{ kind: "Loading", sessions }],
});

const base = block(
  session("mon", "2026-03-16", [item("a"), item("b"), item("c")]),
  session("thu", "2026-03-19", [item("d")]),
);
/** The base with other lines; null: taken out. */
const lines = (changes: Record<string, string | null>, from = base): Block => ({
  ...from,
  weeks: from.weeks.map((w) => ({
    ...w,
    sessions: w.sessions.map((s) => ({
      ...s,
      items: s.items.flatMap((i) => {
        const line = changes[i.id];
        return line === null ? [] : [{ ...i, line: line ?? i.line }];
      }),
    })),
  })),
});
const written = (b: Block) =>
  b.weeks.map((w) => w.sessions.map((s) => `${s.day.slice(8)}: ${s.items.map((i) => `${i.id} ${i.line}`).join(", ")}`));

describe("two versions of a block", () => {
  it("are put together line by line", () => {
    const { doc, clashes } = mergeBlocks(base, lines({ a: "5 x 5" }), lines({ b: "4 x 4", d: null }));
    expect(clashes).toEqual([]);
    expect(written(doc)).toEqual([["16: a 5 x 5, b 4 x 4, c 3 x 5", "19: "]]);
  });

  it("ask where the same line was written twice, and nowhere else", () => {
    const { doc, clashes } = mergeBlocks(base, lines({ a: "5 x 5", b: "1 x 1" }), lines({ a: "4 x 4", c: "2 x 2" }));
    expect(written(doc)).toEqual([["16: a 5 x 5, b 1 x 1, c 2 x 2", "19: d 3 x 5"]]);
    expect(clashes).toMatchObject([{ key: "a", mine: "5 x 5", theirs: "4 x 4" }]);
    expect(written(clashes[0]!.take(doc))).toEqual([["16: a 4 x 4, b 1 x 1, c 2 x 2", "19: d 3 x 5"]]);
  });

  it("keep my order of lines that are stored and were not there to begin with", () => {
    const empty = block(session("mon", "2026-03-16", []));
    const stored = block(session("mon", "2026-03-16", [item("a"), item("b"), item("c")]));
    const moved = block(session("mon", "2026-03-16", [item("c"), item("a"), item("b")]));
    expect(written(mergeBlocks(empty, moved, stored).doc)).toEqual([["16: c 3 x 5, a 3 x 5, b 3 x 5"]]);
  });

  it("do not ask where both wrote the same", () => {
    const { clashes } = mergeBlocks(base, lines({ a: "5 x 5" }), lines({ a: "5 x 5" }));
    expect(clashes).toEqual([]);
  });

  it("ask where a line was taken out here and written there, and the other way round", () => {
    const out = mergeBlocks(base, lines({ a: null }), lines({ a: "4 x 4" }));
    expect(out.clashes).toMatchObject([{ mine: "deleted", theirs: "4 x 4" }]);
    expect(written(out.clashes[0]!.keep!(out.doc))).toEqual([["16: b 3 x 5, c 3 x 5", "19: d 3 x 5"]]);
    const back = mergeBlocks(base, lines({ a: "4 x 4" }), lines({ a: null }));
    expect(back.clashes).toMatchObject([{ mine: "4 x 4", theirs: "deleted" }]);
    expect(written(back.clashes[0]!.take(back.doc))).toEqual([["16: b 3 x 5, c 3 x 5", "19: d 3 x 5"]]);
  });

  it("keep what either added, behind what it stood behind", () => {
    const add = (id: string, after: string) => ({
      ...base,
      weeks: base.weeks.map((w) => ({
        ...w,
        sessions: w.sessions.map((s) => ({
          ...s,
          items: s.items.flatMap((i) => (i.id === after ? [i, item(id)] : [i])),
        })),
      })),
    });
    expect(written(mergeBlocks(base, add("x", "a"), add("y", "c")).doc)[0]![0]).toBe(
      "16: a 3 x 5, x 3 x 5, b 3 x 5, c 3 x 5, y 3 x 5",
    );
  });

  it("follow a line that was moved to another day, with what was written into it elsewhere", () => {
    const moved = block(
      session("mon", "2026-03-16", [item("b"), item("c")]),
      session("thu", "2026-03-19", [item("d"), item("a")]),
    );
    expect(written(mergeBlocks(base, moved, lines({ a: "4 x 4" })).doc)).toEqual([
      ["16: b 3 x 5, c 3 x 5", "19: d 3 x 5, a 4 x 4"],
    ]);
  });

  it("leave a session that has begun elsewhere as it stands there", () => {
    const begun = lines({ a: "9 x 9" });
    begun.weeks[0]!.sessions[0]!.fixed = true;
    const { doc, clashes } = mergeBlocks(base, lines({ a: "5 x 5", d: "1 x 1" }), begun);
    expect(clashes).toEqual([]);
    expect(written(doc)).toEqual([["16: a 9 x 9, b 3 x 5, c 3 x 5", "19: d 1 x 1"]]);
  });

  it("let a session go that only one took out, unless the other wrote into it", () => {
    const without = block(base.weeks[0]!.sessions[0]!);
    expect(written(mergeBlocks(base, without, base).doc)[0]).toHaveLength(1);
    const { doc, clashes } = mergeBlocks(base, without, lines({ d: "1 x 1" }));
    expect(written(doc)[0]![1]).toBe("19: d 1 x 1");
    expect(clashes).toMatchObject([{ mine: "deleted", theirs: "1 x 1" }]);
  });
});
