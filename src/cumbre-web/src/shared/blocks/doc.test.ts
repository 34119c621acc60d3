import { describe, expect, it } from "vitest";
import type { Block } from "../api/types";
import * as doc from "./doc";

const session = (id: string, day: string, items: string[], fixed = false) => ({
  ...doc.newSession(day),
  id,
  fixed,
  items: items.map((i) => ({
    id: i.replace("+", ""),
    movement: "pull-up",
    line: `line of ${i.replace("+", "")}`,
    joined: i.startsWith("+"),
  })),
});

const block = (): Block => ({
  name: "b",
  start: "2026-03-16",
  kept: [],
  weeks: [
    {
      kind: "Loading",
      sessions: [session("mon", "2026-03-16", ["a", "b", "+c"]), session("thu", "2026-03-19", ["d"])],
    },
    { kind: "Loading", sessions: [session("next", "2026-03-23", ["e"])] },
    { kind: "Easy", sessions: [] },
  ],
});

const ids = (b: Block, id: string) => doc.sessionOf(b, id)!.items.map((i) => (i.joined ? `+${i.id}` : i.id));

describe("a block on the bench", () => {
  it("begins with four loading weeks, an easy one and a retest on the athlete's days", () => {
    const made = doc.newBlock("n", "2026-03-16", [4, 1]);
    expect(made.weeks.map((w) => w.kind)).toEqual(["Loading", "Loading", "Loading", "Loading", "Easy", "Retest"]);
    expect(made.weeks[1]!.sessions.map((s) => s.day)).toEqual(["2026-03-23", "2026-03-26"]);
  });

  it("tells which sessions changed, and that more did", () => {
    const was = block();
    expect(doc.changedSessions(was, was)).toEqual([]);
    expect(doc.changedSessions(block(), was)).toEqual([]);
    const typed = doc.changeSession(was, "thu", (s) => ({ ...s, title: "Pull" }));
    expect(doc.changedSessions(typed, was)!.map((s) => s.id)).toEqual(["thu"]);
    expect(doc.changedSessions({ ...was, name: "other" }, was)).toBeNull();
    const moved = doc.changeWeek(was, 0, (w) => ({ ...w, sessions: w.sessions.slice(1) }));
    expect(doc.changedSessions(moved, was)).toBeNull();
  });

  it("moves an item within a session and to another day", () => {
    expect(ids(doc.nudgeItem(block(), "a", 1), "mon")).toEqual(["b", "a", "+c"]);
    expect(ids(doc.nudgeItem(block(), "a", -1), "mon")).toEqual(["a", "b", "+c"]);
    const moved = doc.moveItem(block(), "b", "thu", "d");
    expect([ids(moved, "mon"), ids(moved, "thu")]).toEqual([
      ["a", "c"],
      ["b", "d"],
    ]);
  });

  it("leaves nothing joined to what is gone, and no first item joined", () => {
    expect(ids(doc.removeItem(block(), "b"), "mon")).toEqual(["a", "c"]);
    expect(ids(doc.removeItem(block(), "c"), "mon")).toEqual(["a", "b"]);
    expect(ids(doc.nudgeItem(doc.nudgeItem(block(), "c", -1), "c", -1), "mon")).toEqual(["c", "a", "b"]);
  });

  it("pairs with the one before; the first takes the second to itself", () => {
    expect(ids(doc.pairItem(block(), "b"), "mon")).toEqual(["a", "+b", "+c"]);
    expect(ids(doc.pairItem(block(), "a"), "mon")).toEqual(["a", "+b", "+c"]);
    expect(ids(doc.pairItem(block(), "c"), "mon")).toEqual(["a", "b", "c"]);
  });

  it("copies a week over others with new ids, and leaves what has begun", () => {
    const begun = { ...block() };
    begun.weeks[1]!.sessions[0]!.fixed = true;
    const copied = doc.copyWeek(begun, 0, [1, 2]);
    expect(copied.weeks[1]!.sessions.map((s) => s.day)).toEqual(["2026-03-23", "2026-03-23", "2026-03-26"]);
    expect(copied.weeks[2]!.sessions.map((s) => s.day)).toEqual(["2026-03-30", "2026-04-02"]);
    expect(copied.weeks[2]!.sessions[0]!.items[0]!.id).not.toBe("a");
    expect(copied.weeks[2]!.sessions[0]!.items.map((i) => i.line)).toEqual(["line of a", "line of b", "line of c"]);
  });

  it("inserts and takes out weeks, and the later ones move", () => {
    const inserted = doc.insertWeek(block(), 0);
    expect(inserted.weeks.map((w) => w.sessions[0]?.day)).toEqual(["2026-03-16", undefined, "2026-03-30", undefined]);
    expect(doc.removeWeek(inserted, 1)).toEqual(block());
    const begun = block();
    begun.weeks[1]!.sessions[0]!.fixed = true;
    expect(doc.insertWeek(begun, 0)).toBe(begun);
  });

  it("repeats an item in the loading weeks after, on the same weekday", () => {
    const [repeated, count] = doc.repeatItem(block(), "a");
    expect(count).toBe(1);
    expect(doc.sessionOf(repeated, "next")!.items.map((i) => i.line)).toEqual(["line of a"]);
  });

  it("finds a free day, and the Monday when there is none", () => {
    expect(doc.freeDay(block(), 0)).toBe("2026-03-17");
    expect(doc.mondayOf("2026-03-22")).toBe("2026-03-16");
  });

  it("does what a remedy says", () => {
    const none = { item: null, session: null, line: null, movement: null, movementName: null, day: null };
    const line = doc.applyRemedy(block(), { ...none, kind: "Line", item: "a", line: "3 x 5" });
    expect(doc.sessionOf(line, "mon")!.items[0]!.line).toBe("3 x 5");
    const moved = doc.applyRemedy(block(), { ...none, kind: "Move", session: "mon", day: "2026-03-20" });
    expect(moved.weeks[0]!.sessions.map((s) => s.id)).toEqual(["thu", "mon"]);
    expect(ids(doc.applyRemedy(block(), { ...none, kind: "Join", item: "b" }), "mon")).toEqual(["a", "+b", "+c"]);
    expect(ids(doc.applyRemedy(block(), { ...none, kind: "Remove", item: "a" }), "mon")).toEqual(["b", "+c"]);
  });

  it("never changes what has begun", () => {
    const begun = block();
    begun.weeks[0]!.sessions[0]!.fixed = true;
    expect(doc.removeItem(begun, "a")).toEqual(begun);
    expect(doc.moveItem(begun, "d", "mon", null)).toEqual(begun);
    expect(doc.removeSession(begun, "mon")).toEqual(begun);
  });

  it("takes over what has begun elsewhere when mine is kept", () => {
    const theirs = block();
    theirs.weeks[0]!.sessions[0] = { ...theirs.weeks[0]!.sessions[0]!, fixed: true, items: [] };
    const mine = doc.changeItem(block(), "d", (i) => ({ ...i, line: "mine" }));
    const kept = doc.withBegun(mine, theirs);
    expect(doc.sessionOf(kept, "mon")!.fixed).toBe(true);
    expect(doc.sessionOf(kept, "thu")!.items[0]!.line).toBe("mine");
  });

  it("writes a settled line only where it still stands as it was typed", () => {
    const b = block();
    expect(doc.settleLine(b, "a", "something else", "3 x 5")).toBe(b);
    expect(doc.sessionOf(doc.settleLine(b, "a", "line of a", "3 x 5"), "mon")!.items[0]!.line).toBe("3 x 5");
  });
});
