import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import type { PoseReading } from "../api/types";
import { draw } from "./draw";
import { shareAt } from "./Moving";
import { circle, outline } from "./outline";
import { poseWords } from "./poseWords";
import { skeletonOf, type Drawable } from "./skin";

/** Points of a body that stands upright, arms down, facing right, 1 m from shoulder to ankle. */
function standing(kit: Partial<Drawable["kit"]> = {}, more: Partial<Drawable> = {}): Drawable {
  const half = (z: number) => [
    [0, 1400, z * 180],
    [0, 1120, z * 180],
    [0, 850, z * 180],
    [0, 770, z * 180],
    [0, 880, z * 90],
    [0, 460, z * 90],
    [0, 60, z * 90],
    [-40, 20, z * 90],
    [120, 20, z * 90],
    [170, 10, z * 90],
    [0, 0, z * 90],
  ];
  const points = [
    [0, 1400, 0],
    [0, 1140, 0],
    [0, 880, 0],
    [0, 1470, 0],
    [0, 1640, 0],
    [40, 1560, 0],
  ];
  return {
    points: [...points, ...half(1), ...half(-1)].flat(),
    view: "Side",
    hold: "Feet",
    onFloor: false,
    floor: 0,
    kit: {
      on: "None",
      height: null,
      wall: null,
      box: null,
      band: null,
      load: null,
      isTurnedOut: false,
      isSeat: false,
      ...kit,
    },
    ...more,
  };
}

const size = { width: 160, height: 160 };
const numbers = (d: string) => (d.match(/-?\d+(\.\d+)?/g) ?? []).map(Number);

describe("The figure", () => {
  it("knows the athlete's front and right", () => {
    const bones = skeletonOf(standing());
    expect(bones.lateral).toEqual([0, 0, 1]);
    expect(bones.ventral[0]).toBeCloseTo(1, 9);
    expect(bones.spine(0.5)[1]).toBeCloseTo(1.14, 9);
  });

  it("draws each part once, the far side first and in its own tone", () => {
    const faces = draw([standing()], size).filter((s) => s.under);
    expect(faces.map((s) => s.fill)).toEqual(["far", "far", "body", "near", "near"]);
    expect(faces.every((s) => numbers(s.d).every(Number.isFinite))).toBe(true);
  });

  it("keeps in the picture at every size", () => {
    for (const side of [32, 48, 72, 160, 400])
      for (const shape of draw([standing({ on: "Bar" })], { width: side, height: side })) {
        const starts = [...shape.d.matchAll(/[ML](-?[\d.]+) (-?[\d.]+)/g)].flatMap((m) => [Number(m[1]), Number(m[2])]);
        expect(Math.min(...starts)).toBeGreaterThanOrEqual(-1);
        expect(Math.max(...starts)).toBeLessThanOrEqual(side + 1);
      }
  });

  it("leaves out ghost and arrow at thumbnail size", () => {
    const poses = [standing(), standing()];
    const path = { joint: "hips", x: 0, y: 0 } as const;
    const tones = (side: number) =>
      draw(poses, { width: side, height: side, ghost: true, path }).flatMap((s) => [s.fill, s.stroke]);
    expect(tones(71)).not.toContain("ghost");
    expect(tones(72)).toContain("ghost");
    expect(tones(71)).not.toContain("move");
    expect(tones(72)).toContain("move");
  });

  it("draws what is around the body", () => {
    const kit = (of: Partial<Drawable["kit"]>) => draw([standing(of)], size).filter((s) => s.stroke === "kit").length;
    const bare = kit({});
    expect(kit({ on: "Bar" })).toBeGreaterThan(bare);
    expect(kit({ on: "Rings" })).toBeGreaterThan(bare);
    expect(kit({ on: "Bars" })).toBeGreaterThan(bare);
    expect(kit({ wall: 0.3 })).toBeGreaterThan(bare);
    expect(kit({ box: 0.5 })).toBeGreaterThan(bare);
    expect(kit({ load: "Plate" })).toBeGreaterThan(bare);
    expect(draw([standing({ band: "Knees", on: "Bar" })], size).some((s) => s.stroke === "band")).toBe(true);
  });

  it("shows the lever between shoulder and centre of mass", () => {
    const dashed = (centre: readonly [number, number] | null) =>
      draw([standing()], { ...size, centre }).filter((s) => s.dash).length;
    expect(dashed([0.3, 1])).toBe(2);
    expect(dashed(null)).toBe(0);
  });

  it("goes around circles by tangents and arcs", () => {
    expect(outline([{ x: 5, y: 5, r: 2 }])).toBe(circle({ x: 5, y: 5, r: 2 }));
    // One inside the other.
    expect(
      outline([
        { x: 5, y: 5, r: 4 },
        { x: 5, y: 5, r: 1 },
      ]),
    ).toBe(circle({ x: 5, y: 5, r: 4 }));
    const two = outline([
      { x: 0, y: 0, r: 1 },
      { x: 10, y: 0, r: 1 },
    ]);
    expect(two.match(/L/g)).toHaveLength(2);
    expect(two.match(/A/g)).toHaveLength(2);
    const ys = [...two.matchAll(/[ML](-?[\d.]+) (-?[\d.]+)/g)].map((m) => Math.abs(Number(m[2])));
    expect(ys.every((y) => y === 1)).toBe(true);
  });

  it("is said in words", () => {
    const lever: PoseReading = {
      hold: "Hands",
      on: "Bar",
      shouldersOver: false,
      trunk: "LevelFaceUp",
      degrees: 0,
      arm: { is: "InFront", degrees: 55, bend: 0 },
      armLeft: null,
      leg: { hip: 125, knee: 140, out: 0 },
      legLeft: { hip: 0, knee: 0, out: 0 },
    };
    expect(poseWords(lever)).toBe(
      "Hands on a bar, shoulders under them; trunk level, face up; arms straight, 55 degrees in front of the trunk; right leg hip bent 125, knee bent 140; left leg in line with the trunk, knee straight.",
    );
    expect(poseWords({ ...lever, hold: "Feet", trunk: "LeansForward", degrees: 35, legLeft: null })).toBe(
      "Feet on the floor; trunk leaning 35 degrees forward; arms straight, 55 degrees in front of the trunk; legs hip bent 125, knee bent 140.",
    );
  });

  it("moves there, waits, and comes back slower", () => {
    expect(shareAt(0, 1)).toBe(0);
    expect(shareAt(0.5, 1)).toBeCloseTo(0.5, 9);
    expect(shareAt(1.4, 1)).toBe(1);
    expect(shareAt(1.5 + 0.75, 1)).toBeCloseTo(0.5, 9);
    // Three seconds a repetition, then a pause.
    expect(shareAt(3.01, 1)).toBe(0);
    expect(shareAt(0.4, 1, "Fast")).toBe(1);
    expect(shareAt(3.9, 1, "Held")).toBe(1);
    expect(shareAt(4.5, 1, "Held")).toBeCloseTo(0.5, 9);
    expect(shareAt(0.6, 4)).toBeLessThan(0.25);
  });

  it("is sent in the order of the joints", () => {
    const enumeration = readFileSync("../Cumbre.Core/Figures/Skeleton.cs", "utf8")
      .split("public enum Joint")[1]!
      .split("}")[0]!;
    const names = [...enumeration.matchAll(/^\s+([A-Z]\w+),$/gm)].map((m) => m[1]!);
    expect(names).toHaveLength(28);
    const bones = skeletonOf({ points: names.flatMap((_, i) => [i * 1000, 0, 0]) });
    names.forEach((name, i) => {
      expect(bones.at((name.charAt(0).toLowerCase() + name.slice(1)) as "hips")[0]).toBe(i);
    });
  });
});
