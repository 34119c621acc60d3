import Box from "@mui/material/Box";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import Typography from "@mui/material/Typography";
import type { LineReading, MeasuredLine } from "../../../shared/api/types";
import { number } from "../../../shared/ui/format";
import { inSentence } from "../../../shared/ui/nameWords";
import { StatusShape } from "../../../shared/ui/StatusShape";
import { say } from "../../../words/linemeter";

const breaks = 10;

/** What a picture says: first whether the line holds, then every angle with what was asked. */
export function Said({ reading, step }: { reading: LineReading; step: string }) {
  const { angles, errors, off } = reading;
  const rows: { name: string; value: number; error: number; off?: number }[] = [
    { name: say("elbow"), value: angles.elbow, error: errors.elbow, off: off.elbow },
    { name: say("trunkOffLevel"), value: angles.trunk, error: errors.trunk, off: off.trunk },
    { name: say("hip"), value: angles.hip, error: errors.hip, off: off.hip },
    { name: say("knee"), value: angles.knee, error: errors.knee, off: off.knee },
    { name: say("lineOffLevel"), value: angles.line, error: errors.line },
    { name: say("arms"), value: angles.arm, error: errors.arm },
  ];
  return (
    <Box aria-live="polite">
      <Typography sx={{ fontWeight: 650, display: "flex", gap: 1.5, alignItems: "center" }}>
        <StatusShape status={reading.holds ? "won" : "caution"} title="" />
        {reading.holds
          ? say("lineHolds", { step: inSentence(step) })
          : say("lineBreaks", {
              step: inSentence(step),
              what: rows
                .filter((r) => r.off !== undefined && Math.abs(r.off) > breaks)
                .map((r) => say("offBy", { what: inSentence(r.name), degrees: Math.round(r.off ?? 0) }))
                .join(", "),
            })}
      </Typography>
      {reading.share !== null && (
        <Typography sx={{ mt: 1 }}>
          {[
            reading.moment === null
              ? say("costsShare", { share: Math.round(100 * reading.share) })
              : say("costs", { moment: number(Math.round(reading.moment)), share: Math.round(100 * reading.share) }),
            reading.shown === null ? say("shownNone") : say("shown", { step: inSentence(reading.shown) }),
          ].join(" ")}
        </Typography>
      )}
      <Table size="small" aria-label={say("angles")} sx={{ mt: 2, maxWidth: 420 }}>
        <TableHead>
          <TableRow>
            <TableCell>{say("angle")}</TableCell>
            <TableCell align="right">{say("measured")}</TableCell>
            <TableCell align="right">{say("offAsked")}</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {rows.map((r) => (
            <TableRow key={r.name}>
              <TableCell component="th" scope="row">
                {r.name}
              </TableCell>
              <TableCell align="right">
                {say("plusMinus", { degrees: Math.round(r.value), error: number(r.error, 1) })}
              </TableCell>
              <TableCell align="right" sx={{ fontWeight: Math.abs(r.off ?? 0) > breaks ? 650 : 400 }}>
                {r.off === undefined ? "" : say("degrees", { degrees: Math.round(r.off) })}
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
  );
}

export const adviceText: Record<MeasuredLine["advice"], string | null> = {
  None: null,
  Rest: say("adviceRest"),
  LighterWeek: say("adviceLighter"),
};
