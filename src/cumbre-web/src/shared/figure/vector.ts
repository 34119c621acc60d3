/** Right, up, toward the viewer; in metres. */
export type Vector = readonly [number, number, number];

export const add = (a: Vector, b: Vector, factor = 1): Vector => [
  a[0] + factor * b[0],
  a[1] + factor * b[1],
  a[2] + factor * b[2],
];

export const minus = (a: Vector, b: Vector) => add(a, b, -1);

export const toward = (a: Vector, b: Vector, share: number): Vector => add(a, minus(b, a), share);

export const length = (a: Vector) => Math.hypot(...a);

export const unit = (a: Vector): Vector => {
  const l = length(a) || 1;
  return [a[0] / l, a[1] / l, a[2] / l];
};

export const cross = (a: Vector, b: Vector): Vector => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
