import Box from "@mui/material/Box";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import Typography from "@mui/material/Typography";
import { Link } from "react-router";
import { useUnit } from "../accounts/useMe";
import type { Overview, Trained } from "../api/types";
import { measureName, nowText, valueText } from "../athlete/trendText";
import { added, dayShort, dayWeek } from "../ui/format";
import { StatusShape } from "../ui/StatusShape";
import { Sparkline } from "./Sparkline";

/** What was done in an exposure: +15 kg: 5, 5, 5, 5. */
export function DoneText({ done }: { done: NonNullable<Overview["today"][number]["items"][number]["last"]> }) {
  const unit = useUnit();
  return (
    <>
      {done.topKg > 0 && `${added(done.topKg, unit)}: `}
      {done.amounts.join(", ")}
      {done.timed && " s"}
      {done.easy && ", deload"}
    </>
  );
}

/** Each movement that is trained, in its own measure, with twelve weeks, the last exposure and the next change. */
export function TrainedTable({ athleteId, rows, today }: { athleteId: string; rows: Trained[]; today: string }) {
  const unit = useUnit();
  if (rows.length === 0)
    return (
      <Typography variant="body2" color="textSecondary">
        Nothing logged in twelve weeks. Plan a session or a block, and log it set by set.
      </Typography>
    );
  return (
    <Box sx={{ overflowX: "auto" }}>
      <Table aria-label="Lifts and holds">
        <TableHead>
          <TableRow>
            <TableCell>Movement</TableCell>
            <TableCell align="right">Now</TableCell>
            <TableCell>Measure</TableCell>
            <TableCell>12 weeks</TableCell>
            <TableCell>Last</TableCell>
            <TableCell>Next</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {rows.map((r) => (
            <TableRow key={r.movement}>
              <TableCell sx={{ minWidth: 130 }}>
                <Box
                  component={Link}
                  to={`/athletes/${athleteId}/movement?movement=${r.movement}`}
                  sx={{ color: "inherit", fontWeight: 600 }}
                >
                  {r.name}
                </Box>
              </TableCell>
              <TableCell align="right" sx={{ fontWeight: 600, whiteSpace: "nowrap" }}>
                {nowText(r.measure, r.now, unit)}
              </TableCell>
              <TableCell sx={{ color: "text.secondary" }}>
                {[
                  measureName[r.measure].toLowerCase(),
                  r.line !== null && `next ${valueText(r.measure, r.line, unit)}`,
                  r.setUp,
                ]
                  .filter(Boolean)
                  .join("; ")}
              </TableCell>
              <TableCell>
                <Sparkline points={r.points} line={r.line} measure={r.measure} label={`${r.name}, twelve weeks`} />
              </TableCell>
              <TableCell sx={{ whiteSpace: "nowrap" }}>
                {dayShort(r.last.day, today)} <DoneText done={r.last} />
              </TableCell>
              <TableCell>
                <Box sx={{ display: "flex", gap: 2, alignItems: "center" }}>
                  <span>
                    {r.held
                      ? "stopped"
                      : r.nextDay && r.nextLine
                        ? `${r.nextDay === today ? "today" : dayWeek(r.nextDay)} ${r.nextLine}`
                        : "not planned"}
                  </span>
                  {r.held && <StatusShape status="stop" title="stopped for pain" />}
                  {r.waits && <StatusShape status="pending" title="a decision waits" />}
                </Box>
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
  );
}
