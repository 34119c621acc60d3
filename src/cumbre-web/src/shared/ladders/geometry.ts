export interface Point {
  x: number;
  y: number;
}

/** Where the drawing lies inside its box. */
export interface Frame {
  width: number;
  left: number;
  right: number;
  top: number;
  /** The line of zero demand. */
  base: number;
}

/** Steps at even distances, their height by the share of the summit's demand; a ridge may fall and may pass the summit. */
export function ridgePoints(shares: number[], frame: Frame): Point[] {
  const highest = Math.max(1, ...shares);
  const span = frame.width - frame.left - frame.right;
  const pitch = shares.length > 1 ? span / (shares.length - 1) : 0;
  return shares.map((share, i) => ({
    x: frame.left + pitch * i,
    y: frame.base - (share / highest) * (frame.base - frame.top),
  }));
}

/** The line of the ground from the left edge over all steps to the right edge. */
export function ridgeLine(points: Point[], frame: Frame): Point[] {
  const [first, last] = [points[0], points.at(-1)];
  if (!first || !last) return [];
  return [
    { x: first.x - frame.left / 2, y: first.y },
    ...points,
    { x: Math.min(frame.width, last.x + frame.right / 2), y: last.y },
  ];
}

/** The part of the ground up to a step, closed at the base; nothing before the first. */
export function filledTo(points: Point[], frame: Frame, step: number | null): Point[] {
  if (step === null) return [];
  const line = ridgeLine(points, frame).slice(0, step + 2);
  const [first, last] = [line[0], line.at(-1)];
  if (!first || !last) return [];
  return [...line, { x: last.x, y: frame.base }, { x: first.x, y: frame.base }];
}

export function path(points: Point[], close = false) {
  if (points.length === 0) return "";
  return (
    points.map((p, i) => `${i === 0 ? "M" : "L"}${p.x.toFixed(1)} ${p.y.toFixed(1)}`).join("") + (close ? "Z" : "")
  );
}

/** The step after which the jump in demand is largest, among those still ahead; null where none rises. */
export function largestJump(shares: number[], from: number): number | null {
  let best: number | null = null;
  let height = 0;
  for (let i = Math.max(0, from); i + 1 < shares.length; i++) {
    const jump = shares[i + 1]! - shares[i]!;
    if (jump > height + 1e-9) [best, height] = [i, jump];
  }
  return best;
}

/** Whole percent points between steps as they are shown, so that what is read adds up. */
export function jumps(shares: number[]): number[] {
  const shown = shares.map((s) => Math.round(s * 100));
  return shown.slice(1).map((s, i) => s - shown[i]!);
}
