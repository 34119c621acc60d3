import { describe, expect, it } from "vitest";
import type { Ladder, Movement, ProgrammeRow, RosterRow } from "../shared/api/types";
import { searchOf, targetsOf, type Known } from "./targets";

const known = (more: Partial<Known> = {}): Known => ({
  isCoach: true,
  isOwner: true,
  ownId: null,
  commands: [
    { id: "publish", label: "Publish the block", run: () => {} },
    { id: "theme-dark", label: "Dark theme", run: () => {} },
    { id: "sign-out", label: "Sign out", run: () => {} },
  ],
  roster: [
    { id: "k", name: "Kasimir Lund" },
    { id: "y", name: "Yára Benavent" },
  ] as RosterRow[],
  programmes: [
    { athleteId: "k", athleteName: "Kasimir Lund", block: { id: "b", name: "Spring strength" } },
    { athleteId: "y", athleteName: "Yára Benavent", block: null },
  ] as ProgrammeRow[],
  ladders: [{ slug: "front-lever", name: "Front lever" }] as Ladder[],
  movements: [{ slug: "relaxed-hang", name: "Dead hang", aliases: ["relaxed hang"] }] as Movement[],
  ...more,
});

const best = (typed: string, more?: Partial<Known>) => searchOf(targetsOf(known(more)))(typed)[0]?.label;

describe("the palette", () => {
  it.each([
    ["kas", "Kasimir Lund"],
    ["kasmir lund", "Kasimir Lund"],
    ["yara", "Yára Benavent"],
    ["spring", "Spring strength, Kasimir Lund"],
    ["frnt lever", "Front lever"],
    ["relaxed", "Dead hang"],
    ["publish", "Publish the block"],
    ["pubilsh", "Publish the block"],
    ["dark", "Dark theme"],
    ["sign out", "Sign out"],
    ["mesages", "Outbox"],
    ["plates", "Gym kit"],
  ])("finds by %s: %s", (typed, label) => expect(best(typed)).toBe(label));

  it("offers everything before anything is typed, and nothing for what means nothing", () => {
    const all = targetsOf(known());
    expect(searchOf(all)(" ")).toEqual(all);
    expect(searchOf(all)("xqzjv")).toEqual([]);
  });

  it("offers the pages of the athlete in view, and to an athlete only their own", () => {
    const labels = (more: Partial<Known>) => targetsOf(known(more)).map((t) => t.to);
    expect(labels({ athleteId: "y" })).toContain("/athletes/y/intake");
    const own = labels({ isCoach: false, ownId: "k", roster: [], programmes: [] });
    expect(own).toContain("/athletes/k/programme");
    expect(own).not.toContain("/athletes/k/intake");
    expect(own).not.toContain("/kit");
  });

  it("gives every target a key of its own", () => {
    const keys = targetsOf(known({ athleteId: "k" })).map((t) => t.key);
    expect(new Set(keys).size).toBe(keys.length);
  });
});
