import Box from "@mui/material/Box";
import ButtonBase from "@mui/material/ButtonBase";
import Typography from "@mui/material/Typography";
import { useEffect, useRef } from "react";
import type { Beat } from "../../shared/api/types";
import { signal, unlockSound, type Habits } from "../../shared/run/signals";
import { say } from "../../words/run";

/** Which beat of which repetition it is. */
export function beatAt(beats: readonly Beat[], seconds: number) {
  const whole = beats.reduce((sum, b) => sum + b.seconds, 0);
  if (whole === 0) return { rep: 1, phase: 0, second: 0 };
  const rep = Math.floor(seconds / whole) + 1;
  let rest = Math.floor(seconds) % whole;
  for (let phase = 0; phase < beats.length; phase++) {
    if (rest < beats[phase]!.seconds) return { rep, phase, second: rest };
    rest -= beats[phase]!.seconds;
  }
  return { rep, phase: 0, second: 0 };
}

const phaseName = (beat: Beat) => (beat.phase === "Lift" && beat.fast ? say("LiftFast") : say(beat.phase));

/** The tempo, one cell a second: lit while it runs, and named. */
export function Pacer({
  beats,
  startedAt,
  now,
  most,
  habits,
  onStart,
  onStop,
}: {
  beats: readonly Beat[];
  /** Null: it does not run. */
  startedAt: number | null;
  now: number;
  /** After so many repetitions it ends by itself. */
  most: number;
  habits: Habits;
  onStart: () => void;
  onStop: (reps: number) => void;
}) {
  const seconds = startedAt === null ? 0 : Math.max(0, (now - startedAt) / 1000);
  const at = beatAt(beats, seconds);
  const beat = startedAt === null ? -1 : Math.floor(seconds);
  const told = useRef(-1);
  const over = startedAt !== null && at.rep > most;
  useEffect(() => {
    if (beat < 0 || beat === told.current) return;
    told.current = beat;
    if (over) {
      signal("go", habits);
      onStop(most);
    } else signal(at.second === 0 ? "warn" : "beat", habits);
  }, [beat, at.second, over, most, habits, onStop]);
  return (
    <Box>
      <ButtonBase
        onClick={() => {
          unlockSound();
          told.current = -1;
          if (startedAt === null) onStart();
          else onStop(Math.min(most, at.rep - 1));
        }}
        aria-label={startedAt === null ? say("startPacer") : say("stopPacer")}
        sx={{ width: "100%", display: "flex", gap: 2, alignItems: "stretch", justifyContent: "flex-start" }}
      >
        {beats.map((b, phase) => (
          <Box key={b.phase} sx={{ flex: Math.max(0.35, b.seconds), minWidth: 0 }}>
            <Box sx={{ display: "flex", gap: "2px", height: 64 }}>
              {(b.fast ? ["X"] : b.seconds === 0 ? ["0"] : Array.from({ length: b.seconds }, (_, i) => i + 1)).map(
                (text, second) => {
                  const lit = startedAt !== null && phase === at.phase && second === (b.fast ? 0 : at.second);
                  const past = startedAt !== null && phase === at.phase && !b.fast && second < at.second;
                  return (
                    <Box
                      key={second}
                      sx={{
                        flex: lit ? 1.3 : 1,
                        minWidth: 0,
                        display: "grid",
                        placeItems: "center",
                        fontSize: lit ? 28 : 20,
                        fontWeight: lit ? 700 : 500,
                        bgcolor: lit ? "primary.main" : past ? "glacierMid" : "background.paper",
                        color: lit ? "primary.contrastText" : "text.secondary",
                      }}
                    >
                      {text}
                    </Box>
                  );
                },
              )}
            </Box>
            <Typography
              sx={{ mt: 1, fontSize: 14, textAlign: "left", whiteSpace: "nowrap" }}
              color={phase === at.phase && startedAt !== null ? "textPrimary" : "textSecondary"}
            >
              {phaseName(b)}
            </Typography>
          </Box>
        ))}
      </ButtonBase>
      <Typography
        role="timer"
        aria-live="off"
        sx={{ fontSize: 16, fontWeight: 600, mt: 1, minHeight: 20 }}
        color={startedAt === null ? "textSecondary" : "textPrimary"}
      >
        {startedAt === null
          ? say("startPacer")
          : `${phaseName(beats[at.phase]!)}, ${say("rep", { n: Math.min(most, at.rep) })}`}
      </Typography>
    </Box>
  );
}
