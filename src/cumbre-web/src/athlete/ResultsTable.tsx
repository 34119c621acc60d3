import Button from "@mui/material/Button";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { useSignedIn, useUnit } from "../accounts/useMe";
import type { Result } from "../api/types";
import { figure } from "../ladders/wording";
import { ConfirmDialog } from "../ui/ConfirmDialog";
import { dayShort, mass, writtenAdded } from "../ui/format";
import { useRemoveResult } from "./useAthlete";

const shownFirst = 8;

/** What was measured. Whether it meets a threshold is told by the gate. */
export function ResultsTable({ results, athleteId }: { results: Result[]; athleteId: string }) {
  const { today, isCoach } = useSignedIn();
  const unit = useUnit();
  const remove = useRemoveResult(athleteId);
  const [all, setAll] = useState(false);
  const [asked, setAsked] = useState<Result | null>(null);
  if (results.length === 0)
    return (
      <Typography variant="body2" color="textSecondary">
        No tests yet. The gate needs them, and loads by percent need a heavy set.
      </Typography>
    );
  return (
    <>
      <Table aria-label="Tests">
        <TableHead>
          <TableRow>
            <TableCell>Test</TableCell>
            <TableCell align="right">Result</TableCell>
            <TableCell align="right">Body mass</TableCell>
            <TableCell align="right">On</TableCell>
            <TableCell />
          </TableRow>
        </TableHead>
        <TableBody>
          {results.slice(0, all ? undefined : shownFirst).map((r) => (
            <TableRow key={r.id}>
              <TableCell>{r.name}</TableCell>
              <TableCell align="right" sx={{ fontWeight: 600 }}>
                {r.side && `${r.side === "Left" ? "left" : "right"} `}
                {r.measure === "LoadTimesReps"
                  ? `${writtenAdded(r.added, unit)} × ${r.reps}, ${r.reserve} left`
                  : figure(r.figure, unit)}
                {r.pain ? `, pain ${r.pain}` : ""}
                {r.form === "Broken" && ", form broke"}
              </TableCell>
              <TableCell align="right">{mass(r.bodyMassKg, unit, 1)}</TableCell>
              <TableCell align="right">{dayShort(r.day, today)}</TableCell>
              <TableCell align="right" sx={{ width: "1%", pr: 0 }}>
                {isCoach && (
                  <Button
                    size="small"
                    variant="text"
                    sx={{ minHeight: 24, minWidth: 0, py: 0 }}
                    onClick={() => setAsked(r)}
                    aria-label={`Remove ${r.name} of ${r.day}`}
                  >
                    Remove
                  </Button>
                )}
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      {results.length > shownFirst && (
        <Button size="small" variant="text" onClick={() => setAll(!all)}>
          {all ? "Fewer" : `All ${results.length}`}
        </Button>
      )}
      {asked && (
        <ConfirmDialog
          title={`Remove ${asked.name} of ${dayShort(asked.day, today)}?`}
          verb="Remove"
          busy={remove.isPending}
          onClose={() => setAsked(null)}
          onConfirm={() => remove.mutate(asked.id, { onSuccess: () => setAsked(null) })}
        >
          Loads, the gate and the chart are worked out anew without it. That it was removed is kept.
        </ConfirmDialog>
      )}
    </>
  );
}
