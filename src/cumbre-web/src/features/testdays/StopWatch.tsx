import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useEffect, useState } from "react";
import { say } from "../../words/testdays";

/** The standard of a hold: the clock starts after one second still. */
const stillMilliseconds = 1000;

/** Press when the athlete is still; the seconds count from one second later. Large enough for chalked hands on a tablet. */
export function StopWatch({ onStop }: { onStop: (seconds: string) => void }) {
  const [begun, setBegun] = useState<number | null>(null);
  const [now, setNow] = useState(0);
  useEffect(() => {
    if (begun === null) return;
    const timer = setInterval(() => setNow(performance.now()), 100);
    return () => clearInterval(timer);
  }, [begun]);
  const elapsed = begun === null ? 0 : Math.max(0, now - begun - stillMilliseconds);
  const waiting = begun !== null && elapsed === 0;
  const toggle = () => {
    if (begun === null) {
      setNow(performance.now());
      setBegun(performance.now());
      return;
    }
    const held = performance.now() - begun - stillMilliseconds;
    setBegun(null);
    if (held >= 500) onStop(tenths(held));
  };
  return (
    <Box sx={{ display: "flex", gap: 3, alignItems: "center" }}>
      <Button
        onClick={toggle}
        variant={begun === null ? "outlined" : "contained"}
        color="secondary"
        sx={{ minHeight: 56, minWidth: 120, fontSize: 16 }}
      >
        {begun === null ? say("startTheClock") : say("stop")}
      </Button>
      <Typography component="output" aria-live="off" sx={{ fontSize: 22, fontVariantNumeric: "tabular-nums" }}>
        {waiting ? say("keepStill") : begun === null ? "" : `${tenths(elapsed)} s`}
      </Typography>
    </Box>
  );
}

function tenths(milliseconds: number) {
  return (Math.floor(milliseconds / 100) / 10).toFixed(1);
}
