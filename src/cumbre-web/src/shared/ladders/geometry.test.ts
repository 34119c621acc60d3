import { describe, expect, it } from "vitest";
import { filledTo, jumps, largestJump, path, ridgeLine, ridgePoints } from "./geometry";

const frame = { width: 500, left: 50, right: 50, top: 20, base: 220 };

describe("the ridge", () => {
  it("sets steps at even distances and the summit at the top", () => {
    const points = ridgePoints([0.5, 0.75, 1], frame);
    expect(points.map((p) => p.x)).toEqual([50, 250, 450]);
    expect(points.map((p) => p.y)).toEqual([120, 70, 20]);
  });

  it("leaves room for a step that asks more than the summit", () => {
    const points = ridgePoints([1.25, 1], frame);
    expect(points[0]!.y).toBe(20);
    expect(points[1]!.y).toBeCloseTo(60);
  });

  it("draws three steps and fourteen inside its box", () => {
    for (const count of [3, 14]) {
      const points = ridgePoints(
        Array.from({ length: count }, (_, i) => (i + 1) / count),
        frame,
      );
      expect(points).toHaveLength(count);
      expect(Math.min(...points.map((p) => p.x))).toBe(50);
      expect(Math.max(...points.map((p) => p.x))).toBe(450);
    }
  });

  it("fills nothing before the first step, and all at the summit", () => {
    const points = ridgePoints([0.5, 1], frame);
    expect(path(filledTo(points, frame, null), true)).toBe("");
    const filled = filledTo(points, frame, 1);
    expect(filled.at(-1)).toEqual({ x: 25, y: 220 });
    expect(filled.at(-2)).toEqual({ x: 450, y: 220 });
    expect(path(filled, true)).toMatch(/^M25.0 .*Z$/);
  });

  it("runs on to both edges", () => {
    const line = ridgeLine(ridgePoints([0.5, 1], frame), frame);
    expect([line[0]!.x, line.at(-1)!.x]).toEqual([25, 475]);
    expect(ridgeLine([], frame)).toEqual([]);
  });

  it("tells the largest jump ahead, and none on a ridge that falls", () => {
    expect(largestJump([0.2, 0.3, 0.6, 0.65], 0)).toBe(1);
    expect(largestJump([0.2, 0.3, 0.6, 0.65], 2)).toBe(2);
    expect(largestJump([1, 0.9, 0.8], 0)).toBeNull();
  });

  it("gives jumps that add up as they are read", () => {
    expect(jumps([0.629, 0.766, 0.814, 0.927, 0.91, 1])).toEqual([14, 4, 12, -2, 9]);
  });
});
