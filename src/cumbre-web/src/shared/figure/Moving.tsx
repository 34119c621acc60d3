import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { say } from "../../words/figure";
import { Figure } from "./Figure";
import { poseWords } from "./poseWords";
import type { MovementFigure } from "../api/types";
import type { Drawable } from "./skin";
import { motionQuery, useMovementFigure } from "./useFigures";

const stillness = "(prefers-reduced-motion: reduce)";

/** Seconds of a repetition: there, held, back, and until the next. Without a tempo one takes 3 s. */
const paces: Record<MovementFigure["pace"], { there: number; hold: number; back: number; pause: number }> = {
  Usual: { there: 1, hold: 0.5, back: 1.5, pause: 0.6 },
  Fast: { there: 0.4, hold: 0.2, back: 1.4, pause: 1 },
  Held: { there: 1, hold: 3, back: 1, pause: 0.6 },
};

/** A movement that moves: there and back, still for those who asked their device for little motion. */
export function Moving({ movement, name, size }: { movement: string; name: string; size: number }) {
  const figure = useMovementFigure(movement);
  const motion = useQuery(motionQuery(movement));
  const [playing, setPlaying] = useState(() => !window.matchMedia(stillness).matches);
  const [at, setAt] = useState(0);
  const frames = motion.data?.length ?? 0;
  const moves = playing && frames > 1;
  const pace = figure?.pace ?? "Usual";
  useEffect(() => {
    if (!moves) return;
    const begun = performance.now();
    let asked = requestAnimationFrame(function next(now) {
      setAt(shareAt((now - begun) / 1000, (frames - 1) / 8, pace));
      asked = requestAnimationFrame(next);
    });
    return () => cancelAnimationFrame(asked);
  }, [moves, frames, pace]);
  const end = figure?.poses.at(-1);
  if (!figure || !end) return <Box sx={{ width: size, height: size }} />;
  const frame = motion.data?.[Math.round(at * (frames - 1))];
  const near = frame && figure.poses.find((pose) => pose.name === frame.pose);
  const now: Drawable = moves && frame && near ? { ...near, points: frame.points, floor: frame.floor } : end;
  return (
    <Box sx={{ width: size }}>
      <Box sx={{ bgcolor: "background.paper", border: 1, borderColor: "divider" }}>
        <Figure
          poses={moves ? [now] : figure.poses}
          frame={figure.poses}
          width={size - 2}
          height={size - 2}
          ghost={!moves}
          path={moves ? null : figure.path}
          label={`${name}. ${poseWords(end.reading)}`}
        />
      </Box>
      {figure.poses.length > 1 && (
        <Button size="small" variant="text" onClick={() => setPlaying(!playing)}>
          {playing ? say("pause") : say("play")}
        </Button>
      )}
    </Box>
  );
}

/** Where between start and end, 0 to 1, so many seconds after it began; longer ways take longer. */
export function shareAt(seconds: number, ways: number, pace: MovementFigure["pace"] = "Usual"): number {
  const { hold, pause, ...one } = paces[pace];
  const there = one.there * Math.max(1, ways * 0.7);
  const back = one.back * Math.max(1, ways * 0.7);
  const t = seconds % (there + hold + back + pause);
  if (t < there) return t / there;
  if (t < there + hold) return 1;
  if (t < there + hold + back) return 1 - (t - there - hold) / back;
  return 0;
}
