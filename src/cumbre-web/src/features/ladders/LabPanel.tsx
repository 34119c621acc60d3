import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useUnit } from "../../shared/account/useMe";
import type { Lab, LabHalfStep } from "../../shared/api/types";
import { MovementFigure } from "../../shared/figure/MovementFigure";
import { labQuery, useHalfSteps } from "../../shared/ladders/useLadders";
import { capital, number } from "../../shared/ui/format";
import { inSentence } from "../../shared/ui/nameWords";
import { Failed, Loading, messageOf } from "../../shared/ui/states";
import { say } from "../../words/ladders";
import { HelpPlan } from "./HelpPlan";
import { allowedText, figureText, halfText, helpText } from "./labWording";
import { TryLine } from "./TryLine";

/** What the lever model and the curve of hold time say of an athlete's levers, and what lies between two steps. */
export default function LabPanel({ athleteId, ladder }: { athleteId: string; ladder: string }) {
  const lab = useQuery(labQuery(athleteId, ladder));
  if (lab.isPending) return <Loading />;
  if (lab.isError) return <Failed error={lab.error} retry={() => void lab.refetch()} />;
  return (
    <Box component="section" aria-label={say("leverLab")} sx={{ py: 3, maxWidth: 960 }}>
      <Typography variant="h2">{say("leverLab")}</Typography>
      {lab.data.needsBody ? (
        <Typography variant="body2">{say("labNeedsBody")}</Typography>
      ) : (
        <Levers lab={lab.data} athleteId={athleteId} ladder={ladder} />
      )}
    </Box>
  );
}

function Levers({ lab, athleteId, ladder }: { lab: Lab; athleteId: string; ladder: string }) {
  const unit = useUnit();
  return (
    <>
      <Typography sx={{ my: 1 }}>
        {lab.maximum === null
          ? say("labNoHold")
          : say("labMaximum", {
              maximum: number(Math.round(lab.maximum)),
              unit: lab.kind === "HandForce" ? say("newtons") : say("newtonMetres"),
              holds: lab.holds,
              misfit: number(100 * (lab.misfit ?? 0), 1),
            })}
      </Typography>
      <Box sx={{ overflowX: "auto" }} tabIndex={0} role="region" aria-label={say("leverLab")}>
        <Table size="small" aria-label={say("leverLab")} sx={{ minWidth: 640 }}>
          <TableHead>
            <TableRow>
              <TableCell>{say("step")}</TableCell>
              <TableCell align="right">{lab.kind === "HandForce" ? say("labForce") : say("moment")}</TableCell>
              <TableCell align="right">{say("demand")}</TableCell>
              {lab.kind === "Moment" && <TableCell align="right">{say("labArms")}</TableCell>}
              <TableCell align="right">{say("labHeld")}</TableCell>
              <TableCell align="right">{say("labAllowed")}</TableCell>
              {lab.kind === "Moment" && <TableCell>{say("labHelp")}</TableCell>}
            </TableRow>
          </TableHead>
          <TableBody>
            {lab.steps.map((s) => (
              <TableRow key={s.step}>
                <TableCell component="th" scope="row">
                  <Box sx={{ display: "flex", gap: 2, alignItems: "center" }}>
                    <MovementFigure
                      movement={s.movement}
                      size={88}
                      athleteId={athleteId}
                      lever={lab.kind === "Moment"}
                    />
                    {s.name}
                  </Box>
                </TableCell>
                <TableCell align="right">{figureText(s, lab.kind)}</TableCell>
                <TableCell align="right">{Math.round(100 * s.share)} %</TableCell>
                {lab.kind === "Moment" && (
                  <TableCell align="right">{s.armAngle === null ? "" : `${Math.round(s.armAngle)}°`}</TableCell>
                )}
                <TableCell align="right">{s.held === null ? "" : `${number(s.held)} s`}</TableCell>
                <TableCell align="right">{allowedText(s.allowed, lab)}</TableCell>
                {lab.kind === "Moment" && <TableCell>{helpText(s.help, unit)}</TableCell>}
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </Box>
      <TryLine lab={lab} athleteId={athleteId} ladder={ladder} />
      <HelpPlan plans={lab.plans} />
      <Between lab={lab} athleteId={athleteId} ladder={ladder} />
      <Typography variant="body2" color="textSecondary" sx={{ mt: 2, maxWidth: 760 }}>
        {say("labLimits")}
      </Typography>
    </>
  );
}

/** Half-steps by the gap that they bridge and by their demand, each taken into the athlete's ladder by one press. */
function Between({ lab, athleteId, ladder }: { lab: Lab; athleteId: string; ladder: string }) {
  const rungs = new Map<string, LabHalfStep[]>();
  for (const half of lab.halfSteps) {
    const key = [half.after, half.before, half.share].join("|");
    rungs.set(key, [...(rungs.get(key) ?? []), half]);
  }

  if (rungs.size === 0) return null;
  return (
    <Box component="section" aria-label={say("labBetween")} sx={{ mt: 4 }}>
      <Typography variant="h3">{say("labBetween")}</Typography>
      {[...rungs].map(([key, halves]) => (
        <Box key={key} sx={{ mt: 1.5 }}>
          <Typography variant="body2" color="textSecondary">
            {say("labRung", {
              after: halves[0]?.after ?? "",
              before: inSentence(halves[0]?.before ?? ""),
              share: Math.round(100 * (halves[0]?.share ?? 0)),
            })}
          </Typography>
          {halves.map((half) => (
            <Half key={`${half.kind}-${half.at}`} half={half} athleteId={athleteId} ladder={ladder} />
          ))}
        </Box>
      ))}
    </Box>
  );
}

function Half({ half, athleteId, ladder }: { half: LabHalfStep; athleteId: string; ladder: string }) {
  const unit = useUnit();
  const { take, remove } = useHalfSteps(athleteId, ladder);
  const what = halfText(half, unit);
  const { taken } = half;
  return (
    <Box sx={{ display: "flex", columnGap: 3, alignItems: "center", flexWrap: "wrap", fontSize: 14, minHeight: 28 }}>
      <span>{capital(what)}</span>
      {taken === null ? (
        <Button
          size="small"
          variant="text"
          disabled={take.isPending}
          aria-label={say("labTakeIt", { what })}
          onClick={() => take.mutate(half)}
        >
          {say("labTake")}
        </Button>
      ) : (
        <>
          <Box component="span" sx={{ color: "text.secondary" }}>
            {say("labTaken")}
          </Box>
          <Button size="small" variant="text" disabled={remove.isPending} onClick={() => remove.mutate(taken)}>
            {say("labTakeBack")}
          </Button>
        </>
      )}
      {take.error && (
        <Box component="span" role="alert" sx={{ color: "error.main" }}>
          {messageOf(take.error)}
        </Box>
      )}
    </Box>
  );
}
