import { drawAt, type Tone } from "./draw";
import type { Drawable } from "./skin";

/** As on paper: a picture keeps its colours in either theme. */
const colours: Record<Tone, string> = {
  near: "#14202A",
  body: "#43525E",
  far: "#A3B0B9",
  ghost: "#DCE3E7",
  kit: "#7A8894",
  kitFill: "#EAEFF2",
  gap: "#FFFFFF",
  move: "#17697F",
  band: "#6FA3B2",
};

/** A figure on a canvas, so many pixels to the metre, around a place of it. */
export function paint(
  context: CanvasRenderingContext2D,
  pose: Drawable,
  place: { pixels: number; centre: readonly [number, number]; width: number; height: number },
): void {
  context.fillStyle = colours.gap;
  context.fillRect(0, 0, place.width, place.height);
  context.lineCap = "round";
  context.lineJoin = "round";
  for (const { d, fill, stroke, width, under } of drawAt(pose, place)) {
    const path = new Path2D(d);
    const outline = () => {
      if (!stroke) return;
      context.strokeStyle = colours[stroke];
      context.lineWidth = width ?? 1;
      context.stroke(path);
    };
    if (under) outline();
    if (fill) {
      context.fillStyle = colours[fill];
      context.fill(path);
    }

    if (!under) outline();
  }
}
