import { circle, outline, type Circle } from "./outline";
import { skeletonOf, skinOf, type Ball, type Drawable, type JointName, type Part, type Skeleton } from "./skin";
import { add, minus, toward, type Vector } from "./vector";

/** What a line or a face is of; the page gives each its colour. */
export type Tone = "near" | "body" | "far" | "ghost" | "kit" | "kitFill" | "gap" | "move" | "band";

export interface Shape {
  d: string;
  fill?: Tone;
  stroke?: Tone;
  width?: number;
  dash?: string;
  /** The line lies under the face, so that it only parts it from what is behind. */
  under?: boolean;
}

/** Two or three joints and what is asked of them. */
export interface FormMark {
  kind: "Line" | "Angle" | "Height" | "Level" | "Plumb";
  joints: readonly JointName[];
}

export interface FigurePath {
  joint: JointName;
  x: number;
  y: number;
}

export interface Drawing {
  /** Of the picture, in px. */
  width: number;
  height: number;
  /** The start is drawn behind the end. */
  ghost?: boolean;
  path?: FigurePath | null;
  /** Metres that are shown around the shoulders. */
  focus?: number | null;
  /** Poses that share the picture's frame, so that the bar stays where it is from one to the next. */
  frame?: readonly Drawable[];
  /** What shows a fault of form. */
  mark?: FormMark | null;
  /** Metres that are shown at the least. */
  least?: number;
  /** Centre of mass without the arms: the lever is drawn between it and the shoulder. */
  centre?: readonly [number, number] | null;
}

type Point = readonly [number, number];
/** Left, bottom, right, top in metres. */
type Box = readonly [number, number, number, number];

const thumbnail = 72;
const eyes: Record<Drawable["view"], { turned: number; up: number }> = {
  Side: { turned: 0, up: 0 },
  Raised: { turned: 0, up: 22 },
  Front: { turned: 90, up: 0 },
  Oblique: { turned: 40, up: 8 },
};

const round = (value: number) => Number(value.toFixed(2));

/** As it is seen: right and up in the picture, and how near. */
function seen({ view }: Pick<Drawable, "view">) {
  const up = (eyes[view].up * Math.PI) / 180;
  const [sine, cosine] = [Math.sin(up), Math.cos(up)];
  return ([x, y, z]: Vector): Vector => [x, y * cosine - z * sine, z * cosine + y * sine];
}

interface Body {
  pose: Drawable;
  bones: Skeleton;
  skin: Ball[];
  floor: number | null;
}

function bodyOf(pose: Drawable): Body {
  const bones = skeletonOf(pose);
  return { pose, bones, skin: skinOf(pose, bones), floor: pose.floor === null ? null : pose.floor / 1000 };
}

const feetOf = ({ bones }: Body) =>
  Math.min(...(["Right", "Left"] as const).map((s) => Math.min(bones.of("heel", s)[1], bones.of("toe", s)[1]))) - 0.02;

function extent(body: Body): Box {
  const to = seen(body.pose);
  const { kit } = body.pose;
  let box: Box = [1e9, 1e9, -1e9, -1e9];
  const grow = (x: number, y: number, by = 0) => {
    box = [Math.min(box[0], x - by), Math.min(box[1], y - by), Math.max(box[2], x + by), Math.max(box[3], y + by)];
  };
  for (const ball of body.skin) {
    const [x, y] = to(ball.at);
    grow(x, y, ball.radius);
  }

  if (kit.on === "Bar" || kit.on === "Bars") grow(0, 0, 0.05);
  if (kit.on === "Rings") grow(0, 0.26);
  if (body.floor !== null) grow(0, body.floor);
  if (kit.load === "Plate") {
    const [x, y] = to(body.bones.at("hips"));
    grow(x + 0.13, y - 0.62, 0.1);
  }

  if (kit.load === "Barbell" || kit.load === "Dumbbells") {
    const [x, y] = to(body.bones.of("knuckles", "Right"));
    grow(x, y, 0.16);
  }

  if (kit.box !== null) {
    const [x] = to(body.bones.of("sole", "Right"));
    grow(x, feetOf(body) - (body.floor === null ? kit.box : 0), 0.28);
  }

  return box;
}

const around = (boxes: Box[]): Box =>
  boxes.reduce((a, b) => [Math.min(a[0], b[0]), Math.min(a[1], b[1]), Math.max(a[2], b[2]), Math.max(a[3], b[3])]);

/** How poses lie in a picture. */
function laid(poses: readonly Drawable[], drawing: Drawing) {
  const last = poses.at(-1);
  const first = poses[0];
  if (!last || !first) return null;
  const body = bodyOf(last);
  const start = bodyOf(first);
  const { width, height } = drawing;
  const small = height < thumbnail;
  const ghost = drawing.ghost && poses.length > 1 && !small;
  const path = ghost ? drawing.path : null;
  const framed = drawing.frame ?? (ghost ? poses : [last]);
  let box = around(framed.map((pose) => extent(bodyOf(pose))));
  if (path)
    for (const pose of poses) {
      const [x, y] = wayPoint(bodyOf(pose), path);
      box = around([box, [x - 0.06, y - 0.06, x + 0.06, y + 0.06]]);
    }

  const pad = small ? 2 : 6;
  const inner = (size: number) => size - 2 * pad;
  const least = drawing.least ?? (small ? 1.4 : 2);
  const [wide, tall] = [box[2] - box[0], box[3] - box[1]];
  const scale = drawing.focus
    ? inner(height) / drawing.focus
    : Math.min(
        inner(height) / Math.max(least, tall),
        inner(width) / Math.max(wide, Math.min(least, (least * width) / height)),
      );
  const to = seen(last);
  const [one, other] = [to(start.bones.at("shoulders")), to(body.bones.at("shoulders"))];
  const centre: Point = drawing.focus
    ? [(one[0] + other[0]) / 2, (one[1] + other[1]) / 2]
    : [(box[0] + box[2]) / 2, (box[1] + box[3]) / 2];
  const canvas = canvasOf(last, drawing, scale, centre);
  const back = ([x, y]: Point): Point => [(x - width / 2) / scale + centre[0], (height / 2 - y) / scale + centre[1]];
  return { body, start, canvas, box, ghost, path, back };
}

function canvasOf(
  pose: Drawable,
  { width, height }: Pick<Drawing, "width" | "height">,
  scale: number,
  centre: Point,
): Canvas {
  const small = height < thumbnail;
  const to = seen(pose);
  const flat = ([x, y]: Point): Point => [width / 2 + (x - centre[0]) * scale, height / 2 - (y - centre[1]) * scale];
  return {
    width,
    height,
    scale,
    small,
    flat,
    on: (p: Vector): Point => {
      const [x, y] = to(p);
      return flat([x, y]);
    },
    thin: Math.max(1, height / 140),
    gap: small ? 0.7 : Math.max(1, height / 150),
    // Small, limbs are a little thicker.
    limb: small ? 1 + 0.3 * Math.min(1, 22 / scale) : 1,
  };
}

/** A pose as a camera sees it: so many pixels to the metre, around a place of the pose. */
export function drawAt(
  pose: Drawable,
  { pixels, centre, ...size }: { pixels: number; centre: readonly [number, number]; width: number; height: number },
): Shape[] {
  const body = bodyOf(pose);
  const canvas = canvasOf(pose, size, pixels, centre);
  return [...behind(body, canvas, extent(body)), ...limbs(body, canvas), ...before(body, canvas)];
}

/** Where the joints of a picture are in px, and what place of the pose a place of the picture is, in metres. */
export function placesOf(poses: readonly Drawable[], drawing: Drawing) {
  const there = laid(poses, drawing);
  return there && { at: (joint: JointName) => there.canvas.on(there.body.bones.at(joint)), back: there.back };
}

/** One picture, from far to near: the last pose is drawn, the first one stands behind it where asked. */
export function draw(poses: readonly Drawable[], drawing: Drawing): Shape[] {
  const there = laid(poses, drawing);
  if (!there) return [];
  const { body, start, canvas, box, ghost, path } = there;
  return [
    ...(ghost ? [{ d: wrapped(start, canvas), fill: "ghost" as const }] : []),
    ...(ghost ? boxesUnder(start, canvas) : []),
    ...behind(body, canvas, box),
    ...limbs(body, canvas),
    ...before(body, canvas),
    ...(drawing.mark && !canvas.small ? haloed(marked(body, drawing.mark, canvas), canvas) : []),
    ...(drawing.centre && !canvas.small ? lever(body, drawing.centre, canvas) : []),
    ...(path
      ? arrow(
          poses.map((pose) => canvas.flat(wayPoint(bodyOf(pose), path))),
          canvas,
        )
      : []),
  ];
}

interface Canvas {
  width: number;
  height: number;
  /** Pixels of a metre. */
  scale: number;
  small: boolean;
  flat: (p: Point) => Point;
  on: (p: Vector) => Point;
  thin: number;
  gap: number;
  limb: number;
}

function wayPoint({ pose, bones }: Body, { joint, x, y }: FigurePath): Point {
  const [px, py] = seen(pose)(add(bones.at(joint), [x, y, 0]));
  return [px, py];
}

function wrapped({ skin }: Body, { on, scale, limb }: Canvas, part?: Part): string {
  const chains = new Map<string, Circle[]>();
  for (const ball of skin) {
    if (part && ball.part !== part) continue;
    const [x, y] = on(ball.at);
    const circle = { x, y, r: Math.max(0.9, ball.radius * scale * (ball.part === "trunk" ? 1 : limb)) };
    const chain = chains.get(ball.part + ball.chain);
    if (chain) chain.push(circle);
    else chains.set(ball.part + ball.chain, [circle]);
  }

  return [...chains.values()].map(outline).join("");
}

const line = (a: Point, b: Point, width: number, stroke: Tone = "kit", dash?: string): Shape => ({
  d: `M${round(a[0])} ${round(a[1])}L${round(b[0])} ${round(b[1])}`,
  stroke,
  width: round(width),
  ...(dash && { dash }),
});

const dot = ([x, y]: Point, r: number, width: number, fill: Tone = "kitFill", stroke: Tone = "kit"): Shape => ({
  d: circle({ x, y, r }),
  fill,
  stroke,
  width: round(width),
});

const block = (left: number, top: number, wide: number, tall: number, width: number): Shape => ({
  d: `M${round(left)} ${round(top)}h${round(wide)}v${round(tall)}h${round(-wide)}z`,
  fill: "kitFill",
  stroke: "kit",
  width: round(width),
});

const handsOf = ({ pose, bones }: Body) =>
  (["Right", "Left"] as const).map((s) => bones.of(pose.hold === "Wrists" ? "wrist" : "knuckles", s));

const isTurned = ({ view }: Drawable) => eyes[view].turned > 60;

/** Floor, wall, boxes, and what the hands hold as far as it is behind the body. */
function behind(body: Body, canvas: Canvas, box: Box): Shape[] {
  const { pose, bones, floor } = body;
  const { kit } = pose;
  const { on, flat, scale, thin, width, height, small } = canvas;
  const heavy = Math.max(1.6, thin * 2);
  const shapes: Shape[] = [];
  const ground = floor === null ? height : on([0, floor, 0])[1];
  if (floor !== null)
    if (eyes[pose.view].up > 0) {
      const [, near] = on([0, floor, 0.36]);
      const [, far] = on([0, floor, -0.36]);
      shapes.push({ d: `M0 ${round(far)}h${width}V${round(near)}H0z`, fill: "kitFill" });
    } else shapes.push(line([2, ground + heavy / 2], [width - 2, ground + heavy / 2], heavy));
  if (kit.wall !== null) {
    const x = flat([kit.wall, 0])[0] + (Math.sign(kit.wall) * heavy) / 2;
    shapes.push(line([x, 2], [x, ground + heavy / 2], heavy));
  }

  if (kit.on === "Pole") {
    const [x] = on([0, 0, 0]);
    const end = (y: number) => Math.min(height - 2, Math.max(2, flat([0, y])[1]));
    shapes.push(line([x, end(0.85)], [x, Math.min(end(-0.85), ground)], Math.max(2, 0.045 * scale)));
  }

  shapes.push(...boxesUnder(body, canvas));
  if (kit.isSeat) {
    const [x, y] = on(bones.at("hips"));
    const top = y + 0.095 * scale;
    shapes.push(block(x - 0.24 * scale, top, 0.48 * scale, Math.max(0, Math.min(ground, height - 2) - top), thin));
  }

  if (kit.on === "Blocks") {
    const [x, y] = on([0, 0, 0]);
    shapes.push(block(x - 0.14 * scale, y, 0.34 * scale, Math.max(2, Math.min(ground, height - 2) - y), thin));
  }

  if (kit.on === "Bar" && (isTurned(pose) || eyes[pose.view].up > 0)) shapes.push(bar(pose, canvas));
  if (kit.on === "Bars" && !isTurned(pose)) {
    const bottom = floor === null ? Math.min(height - 2, Math.max(flat([0, -0.5])[1], flat([0, box[1]])[1])) : ground;
    for (const x of [-0.3, 0.3]) shapes.push(line(flat([x, 0]), [flat([x, 0])[0], bottom], thin));
    shapes.push(line(flat([-0.42, 0]), flat([0.42, 0]), Math.max(2.2, 0.036 * scale)));
  }

  if (kit.on === "Rings")
    for (const [x, y] of ringsOf(body, canvas)) shapes.push(line([x, 1], [x, y - 0.112 * scale], thin * 1.3));
  if (kit.band !== null) {
    const end =
      kit.band === "Feet"
        ? bones.of("sole", "Right")
        : kit.band === "Hips"
          ? bones.at("hips")
          : toward(bones.of("knee", "Right"), bones.of("ankle", "Right"), 0.06);
    const [[ax, ay], [x, y]] = [on([0, 0, 0]), on(end)];
    const w = 0.05 * scale;
    const r = round(w);
    shapes.push({
      d:
        `M${round(ax - w / 3)} ${round(ay)}L${round(x - w)} ${round(y)}` +
        `A${r} ${r} 0 0 0 ${round(x + w)} ${round(y)}L${round(ax + w / 3)} ${round(ay)}`,
      stroke: "band",
      width: round(Math.max(1.6, 0.028 * scale)),
    });
  }

  return small ? shapes.map((s) => (s.width ? { ...s, width: Math.max(1, s.width) } : s)) : shapes;
}

/** The box on which the feet stand. */
function boxesUnder(body: Body, { on, flat, scale, height, thin }: Canvas): Shape[] {
  const { bones, floor } = body;
  const { box } = body.pose.kit;
  if (box === null) return [];
  const [x] = on(toward(bones.of("sole", "Right"), bones.of("sole", "Left"), 0.5));
  const top = flat([0, feetOf(body)])[1];
  const bottom = floor === null ? top + box * scale : on([0, floor, 0])[1];
  return [block(x - 0.28 * scale, top, 0.56 * scale, Math.min(bottom, height - 2) - top, thin)];
}

function bar(pose: Drawable, { on, scale }: Canvas): Shape {
  const end = (z: number): Vector => (isTurned(pose) ? [z, 0, 0] : [0, 0, -z]);
  return line(on(end(-0.62)), on(end(0.62)), Math.max(2.2, 0.034 * scale));
}

/** Where the rings hang, in px: one is seen from the side. */
const ringsOf = (body: Body, { on }: Canvas) =>
  handsOf(body)
    .filter((_, i) => isTurned(body.pose) || i === 0)
    .map((hand) => on(add(hand, [0, 0.1, 0])));

/** The body from far to near. */
function limbs(body: Body, canvas: Canvas): Shape[] {
  const { pose, bones, skin } = body;
  const to = seen(pose);
  const sideOn = eyes[pose.view].turned < 60;
  const middle = to(toward(bones.at("shoulders"), bones.at("hips"), 0.5))[2];
  const near = (part: Part) => {
    const depths = skin.filter((ball) => ball.part === part).map((ball) => to(ball.at)[2]);
    return depths.reduce((a, b) => a + b, 0) / depths.length - middle;
  };
  const parts = (["legRight", "legLeft", "armRight", "armLeft"] as const).map((part) => {
    const depth = near(part);
    const far = sideOn ? part.endsWith("Left") : depth < -0.03;
    return { part: part, depth, tone: far ? ("far" as const) : ("near" as const) };
  });
  return [...parts, { part: "trunk" as const, depth: -0.025, tone: "body" as const }]
    .sort((a, b) => a.depth - b.depth || (a.part > b.part ? 1 : -1))
    .map(({ part, tone }) => ({
      d: wrapped(body, canvas, part),
      fill: tone,
      stroke: "gap" as const,
      width: round(2 * canvas.gap),
      under: true,
    }));
}

/** What lies before the body: the end of the bar, rings, plates. */
function before(body: Body, canvas: Canvas): Shape[] {
  const { pose, bones } = body;
  const { kit } = pose;
  const { on, scale, thin, gap, small } = canvas;
  const turned = isTurned(pose);
  const shapes: Shape[] = [];
  if (kit.on === "Bar" && !turned && eyes[pose.view].up === 0)
    shapes.push(dot(on([0, 0, 0]), Math.max(small ? 1.6 : 2.4, 0.021 * scale), thin));
  if (kit.on === "Bars" && turned)
    for (const hand of handsOf(body)) shapes.push(dot(on(hand), Math.max(2, 0.022 * scale), thin));
  if (kit.on === "Rings")
    for (const [x, y] of ringsOf(body, canvas)) {
      const tall = 0.112 * scale;
      const wide = tall * (turned && !kit.isTurnedOut ? 0.24 : 0.8);
      const half = (by: number) => `a${round(wide)} ${round(tall)} 0 1 0 ${round(by)} 0`;
      const d = `M${round(x - wide)} ${round(y)}${half(2 * wide)}${half(-2 * wide)}z`;
      const thick = Math.max(1.6, 0.03 * scale);
      shapes.push({ d, stroke: "gap", width: round(thick + 2 * gap) }, { d, stroke: "kit", width: round(thick) });
    }

  const hands = handsOf(body);
  const [right, left] = hands;
  if (right && left) {
    const across = minus(right, left);
    if (kit.load === "Stick" && eyes[pose.view].turned === 0)
      shapes.push(dot(on(right), Math.max(small ? 1.4 : 2, 0.016 * scale), thin));
    else if (kit.load === "Stick")
      shapes.push(line(on(add(right, across, 0.12)), on(add(left, across, -0.12)), Math.max(1.8, 0.026 * scale)));
    if (kit.load === "Barbell") shapes.push(...plate(on(toward(right, left, 0.5)), 0.15, canvas));
    if (kit.load === "Dumbbells") for (const hand of [left, right]) shapes.push(...plate(on(hand), 0.06, canvas));
  }

  if (kit.load === "Plate") {
    const belt = bones.spine(0.94);
    const hangs = add(add(belt, bones.ventral, 0.13), [0, -0.42, 0]);
    const [x, y] = on(hangs);
    shapes.push(line(on(add(belt, bones.ventral, 0.09)), [x, y - 0.04 * scale], thin), ...plate([x, y], 0.15, canvas));
  }

  return shapes;
}

const plate = ([x, y]: Point, radius: number, { scale, gap }: Canvas): Shape[] => [
  { d: circle({ x, y, r: radius * scale }), fill: "kit", stroke: "gap", width: round(gap) },
  { d: circle({ x, y, r: Math.max(1.2, radius * scale * 0.2) }), fill: "gap" },
];

/** On the body a line is seen by the gap around it. */
const haloed = (shapes: Shape[], { gap }: Canvas): Shape[] => [
  ...shapes.filter((s) => !s.dash).map((s): Shape => ({ ...s, stroke: "gap", width: round((s.width ?? 1) + 2 * gap) })),
  ...shapes,
];

/** The line through the joints, and beside it, dashed, the line that was asked. */
function marked({ bones }: Body, { kind, joints }: FormMark, { on, width, scale, thin }: Canvas): Shape[] {
  const [a, b, c] = joints.map((joint) => on(bones.at(joint)));
  if (!a || !b) return [];
  const t = thin * 1.6;
  const dash = `${round(2 * t)} ${round(2 * t)}`;
  const reach = 0.25 * scale;
  const across = (y: number) =>
    line([Math.max(2, a[0] - reach), y], [Math.min(width - 2, a[0] + reach), y], t, "move", dash);
  switch (kind) {
    case "Height":
      return [across(a[1]), across(b[1]), line(a, [a[0], b[1]], t, "move")];
    case "Level":
      return [line(a, b, t, "move"), line(a, [b[0], a[1]], t, "move", dash)];
    case "Plumb":
      return [line(a, b, t, "move"), line(a, [a[0], b[1]], t, "move", dash)];
    case "Line":
    case "Angle":
      return c
        ? [line(a, b, t, "move"), line(b, c, t, "move"), ...(kind === "Line" ? [line(a, c, t, "move", dash)] : [])]
        : [];
  }
}

/** The lever between shoulder and centre of mass, under plumb lines. */
function lever({ bones }: Body, centre: Point, { on, height, scale, thin }: Canvas): Shape[] {
  const [shoulder, mass] = [on(bones.at("shoulders")), on([centre[0], centre[1], 0])];
  const y = Math.max(shoulder[1], mass[1]) + 0.34 * scale;
  const t = thin * 1.2;
  const dash = `${round(2 * t)} ${round(2 * t)}`;
  return [
    line(shoulder, [shoulder[0], y + 3], t, "move", dash),
    line(mass, [mass[0], y + 3], t, "move", dash),
    line([shoulder[0], y], [mass[0], y], t * 1.5, "move"),
    dot(mass, Math.max(2.6, height / 50), t * 1.5, "gap", "move"),
    dot(shoulder, Math.max(1.6, height / 90), t, "gap", "move"),
  ];
}

/** The way of one point through the positions, a little straightened. */
function arrow(way: Point[], { height, scale, thin }: Canvas): Shape[] {
  const [start, end] = [way[0], way.at(-1)];
  if (!start || !end) return [];
  const between = (a: Point, b: Point, share: number): Point => [
    a[0] + (b[0] - a[0]) * share,
    a[1] + (b[1] - a[1]) * share,
  ];
  const middle = between(start, end, 0.5);
  const span = Math.hypot(end[0] - start[0], end[1] - start[1]);
  const short = 0.2 * scale;
  const grown = span > 0 && span < short ? short / span : 1;
  const [a, c] = [between(middle, start, grown), between(middle, end, grown)];
  const via = way[way.length >> 1];
  const off = via && way.length > 2 ? Math.hypot(via[0] - middle[0], via[1] - middle[1]) : 0;
  const bend = via && off > 0 ? between(middle, via, 2 * Math.min(1, (0.3 * span) / off)) : middle;
  const angle = Math.atan2(c[1] - bend[1], c[0] - bend[0]);
  const wing = Math.max(4, height / 26);
  const tip = (turn: number) =>
    `${round(c[0] - wing * Math.cos(angle + turn))} ${round(c[1] - wing * Math.sin(angle + turn))}`;
  const d =
    `M${round(a[0])} ${round(a[1])}Q${round(bend[0])} ${round(bend[1])} ${round(c[0])} ${round(c[1])}` +
    `M${tip(0.5)}L${round(c[0])} ${round(c[1])}L${tip(-0.5)}`;
  return [
    { d, stroke: "gap", width: round(thin * 4.2) },
    { d, stroke: "move", width: round(thin * 1.6) },
  ];
}
