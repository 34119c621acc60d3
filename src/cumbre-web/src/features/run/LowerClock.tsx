import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useEffect, useRef, useState } from "react";
import { signal, type Habits } from "../../shared/run/signals";
import { say } from "../../words/run";
import { Large, Primary } from "../../shared/run/Big";
import { getReady } from "./HoldClock";

/** Where a lowering is: on the way to the top, on the way down, or down. */
export function lowerAt(startedAt: number, now: number, target: number) {
  const seconds = (now - startedAt) / 1000 - getReady;
  if (seconds < 0) return { phase: "ready" as const, count: Math.ceil(-seconds) };
  if (seconds < target) return { phase: "lower" as const, count: Math.floor(seconds) + 1 };
  return { phase: "down" as const, count: target };
}

/** Negatives, one after the other: up with help, then the seconds on the way down. */
export function LowerClock({
  target,
  reps,
  startedAt,
  now,
  habits,
  onStop,
}: {
  /** Seconds of one. */
  target: number;
  reps: number;
  startedAt: number;
  now: number;
  habits: Habits;
  /** How many were done, and how many of them as slowly as asked. */
  onStop: (done: number, clean: number) => void;
}) {
  const [from, setFrom] = useState(startedAt);
  const [done, setDone] = useState(0);
  const [clean, setClean] = useState(0);
  // The press that ended one too early; the clock of that one stands.
  const [lost, setLost] = useState(false);
  const at = lost ? { phase: "down" as const, count: 0 } : lowerAt(from, now, target);
  const mark = `${done}/${at.phase}/${at.count}`;
  const told = useRef("");
  useEffect(() => {
    if (mark === told.current) return;
    told.current = mark;
    signal(at.phase === "down" || (at.phase === "lower" && at.count === 1) ? "go" : "beat", habits);
  }, [mark, at.phase, at.count, habits]);
  const ended = { done: done + 1, clean: clean + (lost ? 0 : 1) };
  const next = () => {
    if (ended.done >= reps) return onStop(ended.done, ended.clean);
    setDone(ended.done);
    setClean(ended.clean);
    setLost(false);
    setFrom(Date.now());
  };
  return (
    <Box sx={{ display: "flex", flexDirection: "column", flex: 1, gap: 2 }}>
      <Typography sx={{ fontSize: 20, fontWeight: 600, minHeight: 28 }} role="status">
        {at.phase === "ready"
          ? say("getToTop", { n: done + 1, all: reps })
          : at.phase === "lower"
            ? say("lowerNow", { n: done + 1, all: reps })
            : lost
              ? say("tooFast", { n: done + 1 })
              : say("lowered", { n: done + 1, seconds: target })}
      </Typography>
      <Typography
        role="timer"
        aria-live="off"
        color={at.phase === "lower" ? "primary" : "textPrimary"}
        sx={{ fontSize: 132, lineHeight: "120px", fontWeight: 650, fontStretch: "112%", my: 2 }}
      >
        {at.count}
      </Typography>
      <Box sx={{ height: 12, bgcolor: "background.paper" }}>
        <Box
          sx={{ height: 12, bgcolor: "primary.main" }}
          style={{ width: `${at.phase === "ready" ? 0 : (at.count / target) * 100}%` }}
        />
      </Box>
      <Box sx={{ mt: "auto", display: "grid", gap: 2 }}>
        {at.phase === "down" ? (
          <Primary sx={{ minHeight: 120 }} onClick={next}>
            {ended.done >= reps ? say("endLowering") : say("nextLowering", { n: done + 2 })}
          </Primary>
        ) : (
          <Large height={120} onClick={() => setLost(true)} disabled={at.phase === "ready"} sx={{ fontSize: 24 }}>
            {say("lostIt")}
          </Large>
        )}
        {!(at.phase === "down" && ended.done >= reps) && (
          <Large
            onClick={() => onStop(at.phase === "down" ? ended.done : done, at.phase === "down" ? ended.clean : clean)}
          >
            {say("endSetHere")}
          </Large>
        )}
      </Box>
    </Box>
  );
}
