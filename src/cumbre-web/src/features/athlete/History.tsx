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
import { Link } from "react-router";
import { useSignedIn, useUnit } from "../../shared/account/useMe";
import { added, dayWeek, mass } from "../../shared/ui/format";
import { StatusShape } from "../../shared/ui/StatusShape";
import type { Exposure } from "../../shared/athletes/trendText";
import { Term } from "../../shared/ui/Term";
import { useRead } from "../../shared/notation/useRead";
import { say as word } from "../../words/common";
import { say } from "../../words/athlete";

const shownFirst = 8;

/** Exposures, newest first: plan against done, set-up, form, effort, pain. A filled square is a set that met its plan. */
export function History({ sessions, athleteId }: { sessions: Exposure[]; athleteId: string }) {
  const { today } = useSignedIn();
  const unit = useUnit();
  const read = useRead();
  const [all, setAll] = useState(false);
  if (sessions.length === 0)
    return (
      <Typography variant="body2" color="textSecondary">
        {say("nothingLoggedYetPlanASessionAbove")}
      </Typography>
    );
  const loaded = sessions.some((s) => s.oneRepMaxKg !== null);
  const setUps = sessions.some((s) => s.setUp);
  return (
    <Box sx={{ overflowX: "auto" }}>
      <Table aria-label={say("exposures")}>
        <TableHead>
          <TableRow>
            <TableCell>{say("day")}</TableCell>
            <TableCell>{say("plan")}</TableCell>
            <TableCell>{say("done")}</TableCell>
            {setUps && <TableCell>{say("setUp")}</TableCell>}
            <TableCell>{say("form")}</TableCell>
            <TableCell>
              <Term id="rir">{say("rir")}</Term>
            </TableCell>
            {loaded && (
              <TableCell align="right">
                <Term id="e1rm">{say("e1Rm")}</Term>
              </TableCell>
            )}
            <TableCell align="right">{say("pain")}</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {sessions.slice(0, all ? undefined : shownFirst).map((s) => (
            <TableRow key={s.id}>
              <TableCell sx={{ whiteSpace: "nowrap" }}>
                <Box component={Link} to={`/athletes/${athleteId}/sessions/${s.id}`} sx={{ color: "inherit" }}>
                  {dayWeek(s.day)}
                </Box>
                {s.day.slice(0, 4) !== today.slice(0, 4) && ` ${s.day.slice(0, 4)}`}
              </TableCell>
              <TableCell sx={{ color: "text.secondary" }}>
                <Listed>
                  {read(s.line)}
                  {s.easy ? say("inDeload") : s.eased && say("madeEasier")}
                </Listed>
              </TableCell>
              <TableCell sx={{ whiteSpace: "nowrap" }}>
                {s.topKg !== 0 && <b>{added(s.topKg, unit)} </b>}
                {s.sets.map((x, i) => (
                  <Amount key={i} amount={x.reps} met={x.met} broken={x.broken ?? null} />
                ))}
              </TableCell>
              {setUps && <TableCell sx={{ color: "text.secondary" }}>{s.setUp}</TableCell>}
              <TableCell>
                {s.faults.length > 0 ? (
                  <Box component="span" sx={{ display: "inline-flex", gap: 1.5, alignItems: "center" }}>
                    <StatusShape status="caution" title="" />
                    {s.faults.join(", ")}
                  </Box>
                ) : s.clean ? (
                  word("clean")
                ) : (
                  say("planNotMet")
                )}
              </TableCell>
              <TableCell>
                {s.reserves.some((r) => r !== null) ? s.reserves.map((r) => r ?? "–").join(", ") : ""}
              </TableCell>
              {loaded && (
                <TableCell align="right">{s.oneRepMaxKg === null ? "" : mass(s.oneRepMaxKg, unit, 1)}</TableCell>
              )}
              <TableCell align="right">{s.worstPain ?? ""}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      {sessions.length > shownFirst && (
        <Button size="small" variant="text" onClick={() => setAll(!all)}>
          {all ? say("fewer") : say("all", { sessions: sessions.length })}
        </Button>
      )}
    </Box>
  );
}

/** What was done clean; where form broke all that was done, struck through. */
function Amount({ amount, met, broken }: { amount: number; met: boolean; broken: number | null }) {
  return (
    <Box
      component="span"
      title={broken !== null ? say("formBrokeClean", { amount }) : met ? say("planMet") : say("planNotMet")}
      sx={(t) => ({
        display: "inline-block",
        minWidth: 22,
        px: 1,
        mr: "2px",
        textAlign: "center",
        border: `1px solid ${met ? t.vars.palette.primary.main : t.vars.palette.rock}`,
        bgcolor: met ? "primary.main" : "transparent",
        color: met ? "primary.contrastText" : "inherit",
      })}
    >
      {broken === null ? amount : <s>{broken}</s>}
    </Box>
  );
}
