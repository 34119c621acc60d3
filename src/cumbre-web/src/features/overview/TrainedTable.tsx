import Box from "@mui/material/Box";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import Typography from "@mui/material/Typography";
import { Link } from "react-router";
import { useSignedIn, useUnit } from "../../shared/account/useMe";
import type { Overview, Trained } from "../../shared/api/types";
import { measureName, nowText, valueText } from "../../shared/athletes/trendText";
import { added, dayShort, dayWeek } from "../../shared/ui/format";
import { StatusShape } from "../../shared/ui/StatusShape";
import { Sparkline } from "./Sparkline";
import { say as word } from "../../words/common";
import { shownLine } from "../../shared/notation/shownLine";
import { say } from "../../words/overview";
import { inSentence } from "../../shared/ui/nameWords";

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
  const { isCoach } = useSignedIn();
  const unit = useUnit();
  if (rows.length === 0)
    return (
      <Typography variant="body2" color="textSecondary">
        {say(isCoach ? "nothingLoggedInTwelveWeeksPlanA" : "nothingLoggedInTwelveWeeks")}
      </Typography>
    );
  return (
    <Box sx={{ overflowX: "auto" }}>
      <Table aria-label={say("liftsAndHolds")}>
        <TableHead>
          <TableRow>
            <TableCell>{say("movement")}</TableCell>
            <TableCell align="right">{say("now")}</TableCell>
            <TableCell>{say("measure")}</TableCell>
            <TableCell>{say("n12Weeks")}</TableCell>
            <TableCell>{say("last")}</TableCell>
            <TableCell>{say("next")}</TableCell>
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
                  inSentence(measureName[r.measure]),
                  r.line !== null && say("next2", { measure: valueText(r.measure, r.line, unit) }),
                  r.setUp,
                ]
                  .filter(Boolean)
                  .join("; ")}
              </TableCell>
              <TableCell>
                <Sparkline
                  points={r.points}
                  line={r.line}
                  measure={r.measure}
                  label={say("twelveWeeks", { name: r.name })}
                />
              </TableCell>
              <TableCell sx={{ whiteSpace: "nowrap" }}>
                {dayShort(r.last.day, today)} <DoneText done={r.last} />
              </TableCell>
              <TableCell>
                <Box sx={{ display: "flex", gap: 2, alignItems: "center" }}>
                  <span>
                    {r.held
                      ? say("stopped")
                      : r.nextDay && r.nextLine
                        ? `${r.nextDay === today ? word("today") : dayWeek(r.nextDay)} ${shownLine(r.nextLine, unit)}`
                        : say("notPlanned")}
                  </span>
                  {r.held && <StatusShape status="stop" title={say("stoppedForPain")} />}
                  {r.waits && <StatusShape status="pending" title={say("aDecisionWaits")} />}
                </Box>
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Box>
  );
}
