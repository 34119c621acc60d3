import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Link } from "react-router";
import { useSignedIn, useUnit } from "../accounts/useMe";
import type { PastSession } from "../api/types";
import { added, dayShort } from "../ui/format";
import { StatusShape } from "../ui/StatusShape";

const shownFirst = 8;

/** Logged sessions, newest first. */
export function History({ sessions, athleteId }: { sessions: PastSession[]; athleteId: string }) {
  const { today } = useSignedIn();
  const unit = useUnit();
  const [all, setAll] = useState(false);
  if (sessions.length === 0)
    return (
      <Typography variant="body2" color="textSecondary">
        Nothing logged yet. Plan a session above, then log it set by set.
      </Typography>
    );
  return (
    <>
      <Table aria-label="Sessions">
        <TableHead>
          <TableRow>
            <TableCell>Day</TableCell>
            <TableCell align="right">Load</TableCell>
            <TableCell>Reps</TableCell>
            <TableCell>Clean</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {sessions.slice(0, all ? undefined : shownFirst).map((s) => (
            <TableRow key={s.id}>
              <TableCell sx={{ whiteSpace: "nowrap" }}>
                <Box component={Link} to={`/athletes/${athleteId}/sessions/${s.id}`} sx={{ color: "inherit" }}>
                  {dayShort(s.day, today)}
                </Box>
              </TableCell>
              <TableCell align="right" sx={{ fontWeight: 600, whiteSpace: "nowrap", pr: 4 }}>
                {added(s.topKg, unit)}
              </TableCell>
              <TableCell>{s.sets.map((x) => x.reps).join(", ")}</TableCell>
              <TableCell sx={{ whiteSpace: "nowrap" }}>
                {s.easy ? (
                  "deload"
                ) : (
                  <StatusShape status={s.clean ? "won" : "ahead"} title={s.clean ? "clean" : "not clean"} />
                )}
                {s.worstPain !== null && ` pain ${s.worstPain}`}
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      {sessions.length > shownFirst && (
        <Button size="small" variant="text" onClick={() => setAll(!all)}>
          {all ? "Fewer" : `All ${sessions.length}`}
        </Button>
      )}
    </>
  );
}
