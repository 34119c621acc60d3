import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useEffect, useRef } from "react";
import { signal, type Habits } from "../../shared/run/signals";
import { say } from "../../words/run";
import { Large } from "../../shared/run/Big";

/** Seconds to get into position, and the second in which the position must be still before the clock starts. */
export const getReady = 5;
export const stillSecond = 1;

/** Where a hold is. */
export function holdAt(startedAt: number, now: number, ready: number) {
  const seconds = (now - startedAt) / 1000;
  if (seconds < ready) return { phase: "ready" as const, left: Math.ceil(ready - seconds), held: 0 };
  if (seconds < ready + stillSecond) return { phase: "still" as const, left: 0, held: 0 };
  return { phase: "held" as const, left: 0, held: Math.floor(seconds - ready - stillSecond) };
}

/** The stop-watch of a hold. */
export function HoldClock({
  target,
  ready,
  startedAt,
  now,
  habits,
  onStop,
}: {
  target: number;
  ready: number;
  startedAt: number;
  now: number;
  habits: Habits;
  onStop: (seconds: number) => void;
}) {
  const at = holdAt(startedAt, now, ready);
  const told = useRef("");
  const mark = at.phase === "held" ? (at.held >= target ? "reached" : "held") : `${at.phase}${at.left}`;
  useEffect(() => {
    if (mark === told.current) return;
    told.current = mark;
    signal(mark === "reached" || mark === "held" ? "go" : "beat", habits);
  }, [mark, habits]);
  return (
    <Box sx={{ display: "flex", flexDirection: "column", flex: 1 }}>
      <Typography sx={{ fontSize: 20, fontWeight: 600, minHeight: 28 }} role="status">
        {at.phase === "ready"
          ? say("getReady")
          : at.phase === "still"
            ? say("still")
            : at.held >= target
              ? say("holdReached", { n: target })
              : say("secondsHeld")}
      </Typography>
      <Typography
        role="timer"
        aria-live="off"
        sx={{ fontSize: 132, lineHeight: "120px", fontWeight: 650, fontStretch: "112%", my: 2 }}
        color={at.phase === "held" && at.held >= target ? "primary" : "textPrimary"}
      >
        {at.phase === "ready" ? at.left : at.held}
      </Typography>
      <Box sx={{ height: 12, bgcolor: "background.paper" }}>
        <Box
          sx={{ height: 12, bgcolor: "primary.main" }}
          style={{ width: `${Math.min(100, (at.held / target) * 100)}%` }}
        />
      </Box>
      <Large height={160} onClick={() => onStop(at.held)} sx={{ width: "100%", mt: "auto", fontSize: 28 }}>
        {say("stopClock")}
      </Large>
    </Box>
  );
}
