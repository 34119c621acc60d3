import { describe, expect, it } from "vitest";
import type { LadderEntry } from "../../../shared/api/types";
import { addStep, emptyLadder, lines, moveStep, removeStep, slugOf } from "./draft";

const ladder: LadderEntry = {
  ...emptyLadder(),
  steps: ["a", "b", "c", "d"].map((slug) => ({ ...emptyLadder().steps[0]!, slug, name: slug.toUpperCase() })),
};
ladder.steps[2]!.after = ["a"];
ladder.steps[3]!.after = ["b", "c"];

const slugs = (l: LadderEntry) => l.steps.map((s) => s.slug);

describe("a draft of a ladder", () => {
  it("makes a slug of any name", () => {
    expect(slugOf("  Straight-arm: Señor 2 ")).toBe("straight-arm-senor-2");
    expect(slugOf("⛰")).toBe("");
  });

  it("moves a step to its neighbour's place and not over the edge", () => {
    expect(slugs(moveStep(ladder, 1, 0))).toEqual(["b", "a", "c", "d"]);
    expect(slugs(moveStep(ladder, 0, 2))).toEqual(["b", "c", "a", "d"]);
    expect(moveStep(ladder, 0, -1)).toBe(ladder);
    expect(moveStep(ladder, 3, 4)).toBe(ladder);
  });

  it("lets those that followed a step follow what it followed", () => {
    expect(removeStep(ladder, 1).steps.at(-1)!.after).toEqual(["a", "c"]);
    expect(removeStep(ladder, 2).steps.at(-1)!.after).toEqual(["b", "a"]);
    expect(slugs(removeStep(ladder, 2))).toEqual(["a", "b", "d"]);
  });

  it("adds a step with a slug of its own below another", () => {
    const once = addStep(ladder, 0);
    expect(new Set(slugs(addStep(once, 0))).size).toBe(6);
    expect(slugs(once)[0]).toBe("a");
  });

  it("reads one entry a line, and no list from an empty text", () => {
    expect(lines("long neck\n")).toEqual(["long neck", ""]);
    expect(lines(" \n")).toBeNull();
  });
});
