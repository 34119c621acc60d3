import { Listed } from "../../shared/ui/Listed";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { useSignedIn, useUnit } from "../../shared/account/useMe";
import type { Result } from "../../shared/api/types";
import { figure } from "../../shared/ladders/wording";
import { newId } from "../../shared/ui/newId";
import { QuietButton } from "../../shared/ui/QuietButton";
import { messageOf } from "../../shared/ui/states";
import { ConfirmDialog } from "../../shared/ui/ConfirmDialog";
import { dayShort, mass, writtenAdded } from "../../shared/ui/format";
import { RecordTest } from "../../shared/athletes/RecordTest";
import { useRecordResult, useRemoveResult } from "../../shared/athletes/useAthlete";
import { say } from "../../words/athlete";
import { sideWord } from "../../shared/ui/nameWords";

const shownFirst = 8;

/** What was measured. Whether it meets a threshold is told by the gate. */
export function ResultsTable({ results, athleteId }: { results: Result[]; athleteId: string }) {
  const { today, isCoach } = useSignedIn();
  const unit = useUnit();
  const remove = useRemoveResult(athleteId);
  const record = useRecordResult(athleteId);
  const [gone, setGone] = useState<Result | null>(null);
  const [all, setAll] = useState(false);
  const [asked, setAsked] = useState<Result | null>(null);
  const [wrong, setWrong] = useState<Result | null>(null);
  const [corrected, setCorrected] = useState<{ was: Result; now: string; said: string } | null>(null);
  if (results.length === 0 && !gone)
    return (
      <Typography variant="body2" color="textSecondary">
        {say("noTestsYetTheGateNeedsThem")}
      </Typography>
    );
  return (
    <>
      <Table aria-label={say("tests")}>
        <TableHead>
          <TableRow>
            <TableCell>{say("test")}</TableCell>
            <TableCell align="right">{say("result")}</TableCell>
            <TableCell align="right">{say("bodyMass")}</TableCell>
            <TableCell align="right">{say("on")}</TableCell>
            <TableCell />
          </TableRow>
        </TableHead>
        <TableBody>
          {results.slice(0, all ? undefined : shownFirst).map((r) => (
            <TableRow key={r.id}>
              <TableCell>{r.name}</TableCell>
              <TableCell align="right" sx={{ fontWeight: 600 }}>
                {r.side && sideWord[r.side]}{" "}
                <Listed>
                  {r.measure === "LoadTimesReps"
                    ? say("left", { added: writtenAdded(r.added, unit), reps: r.reps, reserve: r.reserve })
                    : figure(r.figure, unit)}
                  {r.pain !== null && r.pain > 0 && say("pain2", { pain: r.pain })}
                  {r.form === "Broken" && say("formBroke")}
                </Listed>
              </TableCell>
              <TableCell align="right">{mass(r.bodyMassKg, unit, 1)}</TableCell>
              <TableCell align="right">{dayShort(r.day, today)}</TableCell>
              <TableCell align="right" sx={{ width: "1%", pr: 0 }}>
                {isCoach && (
                  <Box sx={{ display: "flex", gap: 2, justifyContent: "flex-end" }}>
                    <QuietButton
                      onClick={() => setWrong(r)}
                      aria-label={say("correctOf", { name: r.name, day: r.day })}
                    >
                      {say("correct")}
                    </QuietButton>
                    <QuietButton onClick={() => setAsked(r)} aria-label={say("removeOf", { name: r.name, day: r.day })}>
                      {say("remove")}
                    </QuietButton>
                  </Box>
                )}
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      {results.length > shownFirst && (
        <Button size="small" variant="text" onClick={() => setAll(!all)}>
          {all ? say("fewer") : say("all2", { results: results.length })}
        </Button>
      )}
      {gone && (
        <Typography variant="body2" role="status" sx={{ mt: 1 }}>
          {say("ofRemoved", { name: gone.name, day: dayShort(gone.day, today) })}{" "}
          <QuietButton onClick={() => record.mutate(again(gone), { onSuccess: () => setGone(null) })}>
            {say("undo")}
          </QuietButton>
          {record.error && ` ${messageOf(record.error)}`}
        </Typography>
      )}
      {corrected && (
        <Typography variant="body2" role="status" sx={{ mt: 1 }}>
          {corrected.said}{" "}
          <QuietButton
            onClick={() =>
              record.mutate(
                { ...again(corrected.was), instead: corrected.now },
                { onSuccess: () => setCorrected(null) },
              )
            }
          >
            {say("undo")}
          </QuietButton>
          {record.error && ` ${messageOf(record.error)}`}
        </Typography>
      )}
      {wrong && (
        <RecordTest
          athleteId={athleteId}
          unit={unit}
          first={wrong.benchmark}
          instead={wrong}
          onClose={() => setWrong(null)}
          onDone={(said, answer) => setCorrected({ was: wrong, now: answer.result.id, said })}
        />
      )}
      {asked && (
        <ConfirmDialog
          title={say("removeOf2", { name: asked.name, day: dayShort(asked.day, today) })}
          verb={say("remove")}
          busy={remove.isPending}
          onClose={() => setAsked(null)}
          onConfirm={() =>
            remove.mutate(asked.id, {
              onSuccess: () => {
                setGone(asked);
                setAsked(null);
              },
            })
          }
        >
          {say("loadsTheGateAndTheChartAre")}
        </ConfirmDialog>
      )}
    </>
  );
}

/** The same result once more, with what its test counts. */
function again(r: Result) {
  const { reps, sets, seconds, contact, degrees, restSeconds } = r.score;
  const loaded = r.measure === "LoadTimesReps";
  const held = r.measure === "Seconds";
  return {
    id: newId(),
    benchmark: r.benchmark,
    day: r.day,
    form: r.form,
    reps: held || degrees !== null ? null : reps,
    sets: sets > 1 ? sets : null,
    seconds,
    contact,
    degrees,
    restSeconds,
    added: loaded ? r.added : null,
    reserve: loaded ? r.reserve : null,
    side: r.side,
    setUp: r.setUp,
    pain: r.pain,
    painPlace: r.painPlace,
  };
}
