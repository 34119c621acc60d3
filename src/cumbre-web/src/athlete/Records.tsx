import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import Typography from "@mui/material/Typography";
import { useSignedIn, useUnit } from "../accounts/useMe";
import type { Trend } from "../api/types";
import { dayShort, writtenAdded } from "../ui/format";
import { valueText } from "./trendText";

/** The best with each set-up: only the newest one is compared with what comes. */
export function Records({ trend }: { trend: Trend }) {
  const { today } = useSignedIn();
  const unit = useUnit();
  if (trend.records.length === 0)
    return (
      <Typography variant="body2" color="textSecondary">
        No record yet.
      </Typography>
    );
  return (
    <>
      <Table aria-label="Records by set-up">
        <TableHead>
          <TableRow>
            <TableCell>Set-up</TableCell>
            <TableCell>Set</TableCell>
            <TableCell align="right">Best</TableCell>
            <TableCell align="right">On</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {trend.records.map((r) => (
            <TableRow key={r.setUp}>
              <TableCell sx={{ color: r.isCompared ? "inherit" : "text.secondary" }}>{r.setUp || "not told"}</TableCell>
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
          Each set-up keeps its own record. The trend compares the newest one only.
        </Typography>
      )}
    </>
  );
}
