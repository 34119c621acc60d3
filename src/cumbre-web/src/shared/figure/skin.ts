import type { FigurePose } from "../api/types";
import { add, cross, length, minus, toward, unit, type Vector } from "./vector";

/** In the order in which the server sends them. */
const joints = [
  "shoulders",
  "middle",
  "hips",
  "neck",
  "skull",
  "chin",
  ...(["Right", "Left"] as const).flatMap((side) =>
    (["shoulder", "elbow", "wrist", "knuckles", "hip", "knee", "ankle", "heel", "ball", "toe", "sole"] as const).map(
      (joint) => `${joint}${side}` as const,
    ),
  ),
] as const;

export type JointName = (typeof joints)[number];
export type Side = "Right" | "Left";
type Bare = JointName extends infer J ? (J extends `${infer Name}Right` ? Name : never) : never;

/** What drawing asks of a pose: the frame of a movement has it as well. */
export type Drawable = Pick<FigurePose, "points" | "view" | "hold" | "kit" | "onFloor" | "floor">;

export interface Skeleton {
  at: (joint: JointName) => Vector;
  of: (joint: Bare, side: Side) => Vector;
  /** Down the back, 0 at the shoulders, 1 at the hips. */
  spine: (share: number) => Vector;
  /** To the athlete's right. */
  lateral: Vector;
  /** To the athlete's front. */
  ventral: Vector;
  /** How many times as large as the body for which thicknesses are given. */
  scale: number;
}

const places = new Map(joints.map((joint, i) => [joint as string, i]));

/** Upper arm and forearm of the body for which thicknesses are given, in metres. */
const armOfReference = 0.55;

export function skeletonOf({ points }: Pick<FigurePose, "points">): Skeleton {
  const at = (joint: JointName): Vector => {
    const i = 3 * (places.get(joint) ?? 0);
    return [(points[i] ?? 0) / 1000, (points[i + 1] ?? 0) / 1000, (points[i + 2] ?? 0) / 1000];
  };
  const of = (joint: Bare, side: Side) => at(`${joint}${side}`);
  const [top, middle, bottom] = [at("shoulders"), at("middle"), at("hips")];
  const bow = minus(middle, toward(top, bottom, 0.5));
  const lateral = unit(minus(at("shoulderRight"), at("shoulderLeft")));
  return {
    at,
    of,
    spine: (t) => add(toward(top, bottom, t), bow, 4 * t * (1 - t)),
    lateral,
    ventral: unit(cross(lateral, minus(bottom, top))),
    scale:
      (length(minus(of("elbow", "Right"), of("shoulder", "Right"))) +
        length(minus(of("wrist", "Right"), of("elbow", "Right")))) /
      armOfReference,
  };
}

export type Part = "trunk" | "armRight" | "armLeft" | "legRight" | "legLeft";

/** A ball of the body: those of one chain are wrapped together. */
export interface Ball {
  part: Part;
  chain: string;
  at: Vector;
  radius: number;
}

/** Down the trunk: where, half its width between the two balls, their radius, forward of the spine; metres. */
const profile: readonly (readonly [number, number, number, number])[] = [
  [0.1, 0.086, 0.086, 0.006],
  [0.24, 0.074, 0.099, 0.012],
  [0.44, 0.066, 0.095, 0.01],
  [0.68, 0.058, 0.081, 0.003],
  [0.97, 0.072, 0.092, -0.004],
];

/** Three more levels between two, on a curve through all (Catmull and Rom 1974). */
const levels: readonly (readonly number[])[] = profile.flatMap((level, i): (readonly number[])[] => {
  if (i === profile.length - 1) return [level];
  const near = (k: number) => profile[Math.max(0, Math.min(profile.length - 1, i + k))] ?? level;
  return [0, 0.25, 0.5, 0.75].map((t) =>
    level.map((value, c) => {
      const [a = 0, b = 0, d = 0] = [near(-1)[c], near(1)[c], near(2)[c]];
      return (
        0.5 *
        (2 * value + (b - a) * t + (2 * a - 5 * value + 4 * b - d) * t ** 2 + (3 * value - a - 3 * b + d) * t ** 3)
      );
    }),
  );
});

/** The body as balls along its bones, in metres. */
export function skinOf(pose: Drawable, body: Skeleton): Ball[] {
  const { at, of, spine, lateral, ventral, scale } = body;
  const balls: Ball[] = [];
  const put = (part: Part, chain: string, where: Vector, radius: number) =>
    balls.push({ part, chain, at: where, radius: radius * scale });
  const sides = ["Right", "Left"] as const;
  const middle = toward(of("shoulder", "Right"), of("shoulder", "Left"), 0.5);
  const shoulders = sides.map((s) => ({ at: toward(of("shoulder", s), middle, 0.14), radius: 0.058 }));
  const rings = [
    shoulders,
    ...levels.map(([t = 0, half = 0, radius = 0, forward = 0]) =>
      [1, -1].map((sign) => ({
        at: add(add(spine(t), ventral, forward * scale), lateral, sign * half * scale),
        radius,
      })),
    ),
  ];
  rings.slice(1).forEach((ring, i) => {
    for (const { at: where, radius } of [...(rings[i] ?? []), ...ring]) put("trunk", `level${i}`, where, radius);
  });
  const neck = at("neck");
  for (const { at: where } of shoulders) put("trunk", "collar", toward(where, middle, 0.45), 0.062);
  put("trunk", "collar", neck, 0.06);
  put("trunk", "neck", neck, 0.06);
  put("trunk", "neck", toward(at("skull"), at("chin"), 0.35), 0.058);
  put("trunk", "head", at("skull"), Math.abs(lateral[0]) > 0.7 ? 0.078 : 0.088);
  put("trunk", "head", at("chin"), 0.052);
  for (const side of sides) {
    const arm = `arm${side}` as const;
    const leg = `leg${side}` as const;
    const [shoulder, elbow, wrist, knuckles] = [
      of("shoulder", side),
      of("elbow", side),
      of("wrist", side),
      of("knuckles", side),
    ];
    put(arm, "upper", shoulder, 0.056);
    put(arm, "upper", toward(shoulder, elbow, 0.45), 0.05);
    put(arm, "upper", elbow, 0.039);
    put(arm, "fore", elbow, 0.039);
    put(arm, "fore", toward(elbow, wrist, 0.24), 0.042);
    put(arm, "fore", wrist, 0.026);
    if (pose.onFloor && wrist[1] < 0.2 * scale) {
      // A flat hand, its fingers to the right of the picture.
      const ahead = (x: number, y: number): Vector => [wrist[0] + x * scale, y * scale, wrist[2]];
      put(arm, "palm", wrist, 0.026);
      put(arm, "palm", ahead(-0.022, 0.019), 0.019);
      put(arm, "palm", ahead(0.09, 0.015), 0.015);
      put(arm, "fingers", ahead(0.07, 0.015), 0.015);
      put(arm, "fingers", ahead(0.15, 0.009), 0.009);
    } else if (pose.hold === "Wrists") {
      // The wrist on the ring, the hand folded over it.
      const over = add(add(wrist, ventral, 0.04 * scale), [0, 1, 0], 0.03 * scale);
      put(arm, "palm", wrist, 0.03);
      put(arm, "palm", over, 0.028);
      put(arm, "fingers", over, 0.028);
      put(arm, "fingers", add(over, [0, -1, 0], 0.035 * scale), 0.022);
    } else {
      put(arm, "palm", wrist, 0.026);
      put(arm, "palm", toward(wrist, knuckles, 0.7), 0.036);
      put(arm, "palm", knuckles, 0.034);
    }

    const [hip, knee, ankle] = [of("hip", side), of("knee", side), of("ankle", side)];
    put(leg, "thigh", hip, 0.084);
    put(leg, "thigh", toward(hip, knee, 0.4), 0.077);
    put(leg, "thigh", knee, 0.052);
    put(leg, "shank", knee, 0.052);
    put(leg, "shank", toward(knee, ankle, 0.28), 0.056);
    put(leg, "shank", ankle, 0.034);
    put(leg, "foot", ankle, 0.035);
    put(leg, "foot", of("heel", side), 0.026);
    put(leg, "foot", of("ball", side), 0.018);
    put(leg, "foot", of("toe", side), 0.013);
  }

  return balls;
}
