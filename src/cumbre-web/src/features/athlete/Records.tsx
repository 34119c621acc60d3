import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import Typography from "@mui/material/Typography";
import { useSignedIn, useUnit } from "../../shared/account/useMe";
import type { Trend } from "../../shared/api/types";
import { dayShort, listed, writtenAdded } from "../../shared/ui/format";
import { valueText } from "../../shared/athletes/trendText";
import { say } from "../../words/athlete";

/** The best with each set-up: only the newest one is compared with what comes. */
export function Records({ trend }: { trend: Trend }) {
  const { today } = useSignedIn();
  const unit = useUnit();
  if (trend.records.length === 0)
    return (
      <Typography variant="body2" color="textSecondary">
        {say("noRecordYet")}
      </Typography>
    );
  return (
    <>
      <Table aria-label={say("recordsBySetUp")}>
        <TableHead>
          <TableRow>
            <TableCell>{say("setUp")}</TableCell>
            <TableCell>{say("set")}</TableCell>
            <TableCell align="right">{say("best")}</TableCell>
            <TableCell align="right">{say("on")}</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {trend.records.map((r) => (
            <TableRow key={`${r.setUp} ${r.style}`}>
              <TableCell sx={{ color: r.isCompared ? "inherit" : "text.secondary" }}>
                {listed(r.style, r.setUp) || say("notTold")}
              </TableCell>
              <TableCell>
                {r.added && r.added.value > 0 && `${writtenAdded(r.added, unit)} x `}
                {r.seconds === null ? r.reps : `${r.seconds} s`}
              </TableCell>
              <TableCell align="right" sx={{ fontWeight: 600 }}>
                {valueText(trend.measure, r.value, unit)}
              </TableCell>
              <TableCell align="right">{dayShort(r.day, today)}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      {trend.records.length > 1 && (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
          {say("eachSetUpKeepsItsOwnRecord")}
        </Typography>
      )}
    </>
  );
}
