import Box from "@mui/material/Box";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useUnit } from "../../shared/account/useMe";
import type { Lab, LabHalfStep, LabStep, MassUnit } from "../../shared/api/types";
import { MovementFigure } from "../../shared/figure/MovementFigure";
import { labQuery } from "../../shared/ladders/useLadders";
import { mass, number } from "../../shared/ui/format";
import { inSentence } from "../../shared/ui/nameWords";
import { Failed, Loading } from "../../shared/ui/states";
import { say } from "../../words/ladders";

const places: Record<LabHalfStep["at"], string> = {
  Waist: say("atWaist"),
  Hips: say("atHips"),
  Ankles: say("atAnkles"),
};

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
        <Levers lab={lab.data} athleteId={athleteId} />
      )}
    </Box>
  );
}

function Levers({ lab, athleteId }: { lab: Lab; athleteId: string }) {
  const unit = useUnit();
  return (
    <>
      <Typography sx={{ my: 1 }}>
        {lab.maximum === null
          ? say("labNoHold")
          : say("labMaximum", {
              maximum: number(lab.maximum, 1),
              holds: lab.holds,
              misfit: number(100 * (lab.misfit ?? 0), 1),
            })}
      </Typography>
      <Box sx={{ overflowX: "auto" }} tabIndex={0} role="region" aria-label={say("leverLab")}>
        <Table size="small" aria-label={say("leverLab")} sx={{ minWidth: 640 }}>
          <TableHead>
            <TableRow>
              <TableCell>{say("step")}</TableCell>
              <TableCell align="right">{say("moment")}</TableCell>
              <TableCell align="right">{say("demand")}</TableCell>
              <TableCell align="right">{say("labArms")}</TableCell>
              <TableCell align="right">{say("labHeld")}</TableCell>
              <TableCell align="right">{say("labAllowed")}</TableCell>
              <TableCell>{say("labHelp")}</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {lab.steps.map((s) => (
              <TableRow key={s.step}>
                <TableCell component="th" scope="row">
                  <Box sx={{ display: "flex", gap: 2, alignItems: "center" }}>
                    <MovementFigure movement={s.movement} size={88} athleteId={athleteId} lever />
                    {s.name}
                  </Box>
                </TableCell>
                <TableCell align="right">{range(s.moment, s.otherMoment)} N·m</TableCell>
                <TableCell align="right">{Math.round(100 * s.share)} %</TableCell>
                <TableCell align="right">{s.armAngle === null ? "" : `${Math.round(s.armAngle)}°`}</TableCell>
                <TableCell align="right">{s.held === null ? "" : `${number(s.held)} s`}</TableCell>
                <TableCell align="right">{allowed(s, lab)}</TableCell>
                <TableCell>{help(s, unit)}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </Box>
      <Between lab={lab} />
      <Typography variant="body2" color="textSecondary" sx={{ mt: 2, maxWidth: 760 }}>
        {say("labLimits")}
      </Typography>
    </>
  );
}

/** By two tables of segments: what the figure is worth. */
function range(one: number, other: number) {
  const [low, high] = [Math.round(Math.min(one, other)), Math.round(Math.max(one, other))];
  return low === high ? number(low) : `${number(low)}–${number(high)}`;
}

function allowed(step: LabStep, lab: Lab) {
  if (lab.maximum === null) return "";
  return step.allowed === null ? say("labAbove") : say("labAbout", { seconds: Math.round(step.allowed) });
}

const help = (step: LabStep, unit: MassUnit) =>
  step.help.map((h) => `${mass(h.kilograms, unit, 1)} ${places[h.at]}`).join(", ");

/** Half-steps by the gap that they bridge and by their demand. */
function Between({ lab }: { lab: Lab }) {
  const unit = useUnit();
  const rungs = new Map<string, LabHalfStep[]>();
  for (const half of lab.halfSteps) {
    const key = [half.after, half.before, half.share].join("|");
    rungs.set(key, [...(rungs.get(key) ?? []), half]);
  }

  if (rungs.size === 0) return null;
  return (
    <>
      <Typography variant="h3" sx={{ mt: 3 }}>
        {say("labBetween")}
      </Typography>
      <Box component="ul" sx={{ m: 0, pl: 4, fontSize: 14, lineHeight: "20px" }}>
        {[...rungs].map(([key, halves]) => (
          <li key={key}>
            {say("labRung", {
              after: halves[0]?.after ?? "",
              before: inSentence(halves[0]?.before ?? ""),
              share: Math.round(100 * (halves[0]?.share ?? 0)),
            })}{" "}
            {halves.map((half) => halfText(half, unit)).join("; ")}
          </li>
        ))}
      </Box>
    </>
  );
}

function halfText(half: LabHalfStep, unit: MassUnit): string {
  const kilograms = mass(half.kilograms, unit, 1);
  switch (half.kind) {
    case "Help":
      return say("labByHelp", { step: inSentence(half.before), kilograms, place: places[half.at] });
    case "AnkleWeight":
      return say("labByWeight", { step: inSentence(half.after), kilograms });
    case "Line":
      return [
        half.otherHip === null
          ? say("labByLine", { hip: Math.round(half.hip), knee: Math.round(half.knee) })
          : say("labByLegs", {
              hip: Math.round(half.hip),
              knee: Math.round(half.knee),
              otherHip: Math.round(half.otherHip),
              otherKnee: Math.round(half.otherKnee ?? 0),
            }),
        half.apart >= 1 && say("labApart", { apart: Math.round(half.apart) }),
      ]
        .filter(Boolean)
        .join(", ");
  }
}
