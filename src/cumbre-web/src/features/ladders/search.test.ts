import { describe, expect, it } from "vitest";
import type { Movement } from "../../shared/api/types";
import { matchesMovement } from "./search";

const pullUp = {
  name: "Pull-up",
  aliases: ["strict pull-up"],
  pattern: "vertical pull",
  primeMovers: ["latissimus", "biceps"],
  kit: ["bar"],
} as Partial<Movement> as Movement;

describe("searching the atlas", () => {
  it.each(["pull-up", "PULL UP", "strict", "biceps bar", "vertical", ""])("finds a pull-up by “%s”", (words) => {
    expect(matchesMovement(pullUp, words)).toBe(true);
  });

  it.each(["rings", "pull-up rings", "squat"])("does not find it by “%s”", (words) => {
    expect(matchesMovement(pullUp, words)).toBe(false);
  });
});
