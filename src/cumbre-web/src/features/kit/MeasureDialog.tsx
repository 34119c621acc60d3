import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import FormControlLabel from "@mui/material/FormControlLabel";
import Switch from "@mui/material/Switch";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { type GaugePlace, useGauge } from "./useGauge";
import { say } from "../../words/kit";

const places = [
  ["Bottom", say("atTheBottomWhereTheBandIs"), say("recordBottom")],
  ["Middle", say("inTheMiddle"), say("recordMiddle")],
  ["Top", say("atTheTop"), say("recordTop")],
] as const;

export interface Measured {
  bottom: string;
  middle: string;
  top: string;
}

/** Hold the band at three lengths; a steady window is averaged, an unsteady one refused. */
export function MeasureDialog({
  name,
  isSimulated,
  onDone,
  onClose,
}: {
  name: string;
  /** A stand-in answers, which can be made to swing. */
  isSimulated: boolean;
  onDone: (measured: Measured) => void;
  onClose: () => void;
}) {
  const [taken, setTaken] = useState<number[]>([]);
  const [swinging, setSwinging] = useState(false);
  const [refused, setRefused] = useState(false);
  const step = places[taken.length];
  const place: GaugePlace | null = step ? (swinging ? "Swinging" : step[0]) : null;
  const { reading, lost } = useGauge(place, taken.length);
  const take = () => {
    const mean = reading?.mean?.kilograms;
    if (!reading?.steady || mean === undefined) {
      setRefused(true);
      return;
    }
    setRefused(false);
    setTaken([...taken, mean]);
  };
  return (
    <Dialog open onClose={onClose} maxWidth="xs" fullWidth>
      <DialogTitle>{say("measure", { name: name || say("theBand") })}</DialogTitle>
      <DialogContent>
        {isSimulated && (
          <Typography variant="body2" color="textSecondary">
            {say("aSimulatedScaleThatShipsWithThe")}
          </Typography>
        )}
        <Box component="ol" sx={{ m: 0, mt: 2, pl: 4, fontSize: 14, lineHeight: "22px" }}>
          {places.map(([key, text], i) => (
            <Box component="li" key={key} sx={{ fontWeight: i === taken.length ? 650 : 400 }}>
              {taken[i] === undefined ? text : say("reading", { place: text, kilograms: String(taken[i]) })}
            </Box>
          ))}
        </Box>
        {step && (
          <Box sx={{ mt: 3 }}>
            <Typography component="output" sx={{ fontSize: 28, fontVariantNumeric: "tabular-nums", display: "block" }}>
              {reading ? `${Math.round(reading.newtons)} N` : lost ? "" : "…"}
            </Typography>
            <Typography variant="body2" role="status">
              {lost
                ? say("theScaleDoesNotAnswerCloseAnd")
                : reading?.steady
                  ? say("steadyKg", { kilograms: String(reading.mean?.kilograms ?? "") })
                  : say("notSteadyYetHoldStill")}
            </Typography>
            {refused && !reading?.steady && (
              <Typography variant="body2" color="error" role="alert">
                {say("notTakenThePullWasNotSteady")}
              </Typography>
            )}
            {isSimulated && (
              <FormControlLabel
                control={<Switch checked={swinging} onChange={(_, v) => setSwinging(v)} size="small" />}
                label={say("letItSwingToSeeItRefused")}
              />
            )}
          </Box>
        )}
        {!step && <Typography sx={{ mt: 2 }}>{say("threePlacesTakenTheMeanIsUsed")}</Typography>}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{say("cancel")}</Button>
        {step ? (
          <Button onClick={take} variant="contained" color="secondary" disabled={lost || !reading}>
            {step[2]}
          </Button>
        ) : (
          <Button
            onClick={() => onDone({ bottom: String(taken[0]), middle: String(taken[1]), top: String(taken[2]) })}
            variant="contained"
            color="secondary"
          >
            {say("useThese")}
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}
