import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { say } from "../../words/figure";
import { Figure } from "./Figure";
import { poseWords } from "./poseWords";
import type { Drawable } from "./skin";
import { motionQuery, useMovementFigure } from "./useFigures";

const stillness = "(prefers-reduced-motion: reduce)";

/** Seconds of a repetition where no tempo is asked: there, held, and back. */
const usual = { there: 1.2, hold: 0.7, back: 1.6, pause: 0.6 };

/** A movement that moves: there and back, still for those who asked their device for little motion. */
export function Moving({ movement, name, size }: { movement: string; name: string; size: number }) {
  const figure = useMovementFigure(movement);
  const motion = useQuery(motionQuery(movement));
  const [playing, setPlaying] = useState(() => !window.matchMedia(stillness).matches);
  const [at, setAt] = useState(0);
  const frames = motion.data?.length ?? 0;
  const moves = playing && frames > 1;
  useEffect(() => {
    if (!moves) return;
    const begun = performance.now();
    let asked = requestAnimationFrame(function next(now) {
      setAt(shareAt((now - begun) / 1000, (frames - 1) / 8));
      asked = requestAnimationFrame(next);
    });
    return () => cancelAnimationFrame(asked);
  }, [moves, frames]);
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
export function shareAt(seconds: number, ways: number): number {
  const there = usual.there * Math.max(1, ways * 0.7);
  const back = usual.back * Math.max(1, ways * 0.7);
  const t = seconds % (there + usual.hold + back + usual.pause);
  if (t < there) return t / there;
  if (t < there + usual.hold) return 1;
  if (t < there + usual.hold + back) return 1 - (t - there - usual.hold) / back;
  return 0;
}
