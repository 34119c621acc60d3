import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { useSignedIn } from "../../../shared/account/useMe";
import type { MeasuredLine, MeasuredLines } from "../../../shared/api/types";
import { ConfirmDialog } from "../../../shared/ui/ConfirmDialog";
import { dayShort } from "../../../shared/ui/format";
import { StatusShape } from "../../../shared/ui/StatusShape";
import { say } from "../../../words/linemeter";
import { MarkedPicture } from "./MarkedPicture";
import { pictureAddress, useLines } from "./queries";
import { adviceText } from "./Said";

interface Of {
  athleteId: string;
  ladder: string;
}

/** Lines that were measured, newest first, and two of them beside each other. */
export function Measured({ lines, ...of }: { lines: MeasuredLines } & Of) {
  const { today, isCoach } = useSignedIn();
  const { remove, forget } = useLines(of.athleteId, of.ladder);
  const [losing, setLosing] = useState<{ line: MeasuredLine; picture: boolean } | null>(null);
  if (lines.lines.length === 0)
    return (
      <Typography variant="body2" color="textSecondary">
        {say("noneMeasured")}
      </Typography>
    );
  const degrees = (value: number) => say("degrees", { degrees: Math.round(value) });
  return (
    <>
      <Typography variant="h3">{say("measuredSoFar")}</Typography>
      <Box sx={{ overflowX: "auto" }} tabIndex={0} role="region" aria-label={say("measuredSoFar")}>
        <Table size="small" aria-label={say("measuredSoFar")} sx={{ minWidth: 640 }}>
          <TableHead>
            <TableRow>
              <TableCell>{say("day")}</TableCell>
              <TableCell>{say("asked")}</TableCell>
              <TableCell align="right">{say("lineOffLevel")}</TableCell>
              <TableCell align="right">{say("hip")}</TableCell>
              <TableCell align="right">{say("elbow")}</TableCell>
              <TableCell align="right">{say("ofFull")}</TableCell>
              <TableCell />
              <TableCell />
            </TableRow>
          </TableHead>
          <TableBody>
            {lines.lines.map((line) => (
              <TableRow key={line.id}>
                <TableCell component="th" scope="row">
                  {dayShort(line.day, today)}
                </TableCell>
                <TableCell>{line.name}</TableCell>
                <TableCell align="right">{degrees(line.reading.angles.line)}</TableCell>
                <TableCell align="right">{degrees(line.reading.angles.hip)}</TableCell>
                <TableCell align="right">{degrees(line.reading.angles.elbow)}</TableCell>
                <TableCell align="right">
                  {line.reading.share === null ? "" : `${Math.round(100 * line.reading.share)} %`}
                </TableCell>
                <TableCell>
                  <Box sx={{ display: "flex", gap: 1.5, alignItems: "center" }}>
                    {adviceText[line.advice] ? (
                      <>
                        <StatusShape status="caution" title="" />
                        {adviceText[line.advice]}
                      </>
                    ) : line.reading.holds ? (
                      say("held")
                    ) : (
                      say("broke")
                    )}
                  </Box>
                </TableCell>
                <TableCell align="right" sx={{ whiteSpace: "nowrap" }}>
                  {line.hasPicture && (
                    <Button size="small" variant="text" onClick={() => setLosing({ line, picture: true })}>
                      {say("deletePicture")}
                    </Button>
                  )}
                  {isCoach && (
                    <Button size="small" variant="text" onClick={() => setLosing({ line, picture: false })}>
                      {say("delete")}
                    </Button>
                  )}
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </Box>
      {lines.lines.length > 1 && <Beside lines={lines.lines} {...of} />}
      {losing && (
        <ConfirmDialog
          title={losing.picture ? say("deletePictureSure") : say("deleteLineSure")}
          verb={say("delete")}
          busy={remove.isPending || forget.isPending}
          onClose={() => setLosing(null)}
          onConfirm={() =>
            (losing.picture ? forget : remove).mutate(losing.line.id, { onSuccess: () => setLosing(null) })
          }
        >
          {losing.picture ? say("deletePictureWhat") : say("deleteLineWhat")}
        </ConfirmDialog>
      )}
    </>
  );
}

function Beside({ lines, athleteId, ladder }: { lines: MeasuredLine[] } & Of) {
  const { today } = useSignedIn();
  const newest = lines[0];
  const before = lines.slice(1).find((l) => l.step === newest?.step) ?? lines[1];
  const [left, setLeft] = useState(before?.id ?? "");
  const [right, setRight] = useState(newest?.id ?? "");
  const shown = [
    { id: left, set: setLeft, label: say("earlier") },
    { id: right, set: setRight, label: say("later") },
  ];
  return (
    <Box component="section" aria-label={say("beside")} sx={{ mt: 4 }}>
      <Typography variant="h3">{say("beside")}</Typography>
      <Box sx={{ display: "flex", gap: 4, flexWrap: "wrap", mt: 2 }}>
        {shown.map(({ id, set, label }) => {
          const line = lines.find((l) => l.id === id) ?? newest;
          return (
            <Box key={label} sx={{ width: 360, maxWidth: "100%" }}>
              <TextField select size="small" label={label} value={line?.id ?? ""} onChange={(e) => set(e.target.value)}>
                {lines.map((l) => (
                  <MenuItem key={l.id} value={l.id}>
                    {say("lineOf", { day: dayShort(l.day, today), step: l.name })}
                  </MenuItem>
                ))}
              </TextField>
              {line && (
                <Box sx={{ mt: 2 }}>
                  <MarkedPicture
                    image={line.hasPicture ? pictureAddress(athleteId, ladder, line.id) : null}
                    width={line.width}
                    height={line.height}
                    marks={line.marks}
                    size={360}
                    label={say("lineOf", { day: dayShort(line.day, today), step: line.name })}
                  />
                  <Typography variant="body2" sx={{ mt: 1 }}>
                    {say("besideSays", {
                      line: Math.round(line.reading.angles.line),
                      hip: Math.round(line.reading.angles.hip),
                      elbow: Math.round(line.reading.angles.elbow),
                    })}
                  </Typography>
                </Box>
              )}
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}
