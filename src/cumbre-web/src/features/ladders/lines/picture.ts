import type { CameraShot, PicturePoint } from "../../../shared/api/types";
import { paint } from "../../../shared/figure/paint";

/** A picture that marks are put on. */
export interface Shot {
  /** As a data address. */
  image: string;
  width: number;
  height: number;
  /** What a camera marked by itself; null: nobody did yet. */
  frames: PicturePoint[][] | null;
}

/** Enough to mark a joint by; the server takes 700 kB. */
const longest = 1000;
const quality = 0.8;

function onCanvas(width: number, height: number, draw: (context: CanvasRenderingContext2D) => void): Shot {
  const canvas = document.createElement("canvas");
  canvas.width = Math.round(width);
  canvas.height = Math.round(height);
  const context = canvas.getContext("2d");
  if (context) draw(context);
  return {
    image: canvas.toDataURL("image/jpeg", quality),
    width: canvas.width,
    height: canvas.height,
    frames: null,
  };
}

function scaled(source: CanvasImageSource, width: number, height: number): Shot {
  const scale = Math.min(1, longest / Math.max(width, height));
  return onCanvas(width * scale, height * scale, (context) =>
    context.drawImage(source, 0, 0, width * scale, height * scale),
  );
}

/** A file from the device; what is no picture is refused. */
export async function shotOfFile(file: File): Promise<Shot> {
  const bitmap = await createImageBitmap(file);
  try {
    return scaled(bitmap, bitmap.width, bitmap.height);
  } finally {
    bitmap.close();
  }
}

/** What the device's camera shows now. */
export const shotOfVideo = (video: HTMLVideoElement) => scaled(video, video.videoWidth, video.videoHeight);

/** What stood before the camera that is not there. */
export function shotOfCamera({ figure, pixels, width, height, centreX, centreY, frames }: CameraShot): Shot {
  const shot = onCanvas(width, height, (context) => {
    if (figure) paint(context, figure, { pixels, centre: [centreX / 1000, centreY / 1000], width, height });
  });
  return { ...shot, frames };
}

/** The six marks in a picture that nobody marked: along a level body in its middle. */
export const firstMarks = ({ width, height }: Shot): PicturePoint[] =>
  [
    [0.34, 0.3],
    [0.31, 0.42],
    [0.28, 0.54],
    [0.5, 0.54],
    [0.66, 0.54],
    [0.82, 0.54],
  ].map(([x = 0, y = 0]) => ({ x: Math.round(x * width), y: Math.round(y * height) }));

/** Each mark as the mean of all pictures. */
export const meanOf = (frames: readonly PicturePoint[][]): PicturePoint[] =>
  (frames[0] ?? []).map((_, i) => ({
    x: frames.reduce((sum, frame) => sum + (frame[i]?.x ?? 0), 0) / frames.length,
    y: frames.reduce((sum, frame) => sum + (frame[i]?.y ?? 0), 0) / frames.length,
  }));
