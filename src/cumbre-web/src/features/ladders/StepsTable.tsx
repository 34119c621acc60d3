import { Listed } from "../../shared/ui/Listed";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import { useParams } from "react-router";
import { useSignedIn, useUnit } from "../../shared/account/useMe";
import type { AthleteLadder, LabHalfStep, Ladder, PlacedStep } from "../../shared/api/types";
import { capital, dayShort } from "../../shared/ui/format";
import { MovementFigure } from "../../shared/figure/MovementFigure";
import { StatusShape } from "../../shared/ui/StatusShape";
import { text } from "../../shared/why/quantity";
import { WhyFigure } from "../../shared/why/WhyFigure";
import { figure, need, statusShape, statusWord } from "../../shared/ladders/wording";
import { Term } from "../../shared/ui/Term";
import { say } from "../../words/ladders";
import { inSentence, sideWord } from "../../shared/ui/nameWords";
import { useHalfSteps } from "../../shared/ladders/useLadders";
import { halfText, momentText } from "./labWording";

/** The ridge as a table: for reading, for copying, for screen readers, and to record a test from. */
export function StepsTable({
  placed,
  atlas,
  record,
}: {
  placed: AthleteLadder;
  atlas: Ladder;
  record: ((benchmark: string) => void) | null;
}) {
  const { today } = useSignedIn();
  const unit = useUnit();
  const measured = placed.steps.some((s) => s.demand);
  return (
    <Box
      sx={{ overflowX: "auto" }}
      tabIndex={0}
      role="region"
      aria-label={say("stepsOfTheLadder", { name: placed.name })}
    >
      <Table aria-label={say("steps")} sx={{ minWidth: 640 }}>
        <TableHead>
          <TableRow>
            <TableCell sx={{ width: 22 }} />
            <TableCell>
              <Term id="step">{say("step")}</Term>
            </TableCell>
            <TableCell align="right">{say("demand")}</TableCell>
            {measured && (
              <TableCell align="right">
                {placed.demandKind === "Moment"
                  ? say("moment")
                  : placed.demandKind === "HandForce"
                    ? say("eachHand")
                    : say("mass")}
              </TableCell>
            )}
            <TableCell sx={{ pl: 4 }}>{say("unlockStandard")}</TableCell>
            <TableCell>{say("best")}</TableCell>
            <TableCell>{say("on")}</TableCell>
            <TableCell>{say("now")}</TableCell>
            {record && <TableCell />}
          </TableRow>
        </TableHead>
        <TableBody>
          {placed.steps.flatMap((s, i) => [
            <TableRow key={s.slug} sx={i === placed.training ? { bgcolor: "background.paper" } : undefined}>
              <TableCell>
                <StatusShape status={statusShape[s.status]} title={statusWord[s.status]} />
              </TableCell>
              <TableCell component="th" scope="row" sx={{ fontWeight: i === placed.training ? 650 : 400 }}>
                <Box sx={{ display: "flex", gap: 2, alignItems: "center" }}>
                  <MovementFigure movement={atlas.steps[i]?.movement ?? ""} size={40} />
                  <Listed>
                    {s.name}
                    {s.preparation && (
                      <Box component="span" sx={{ color: "text.secondary", fontWeight: 400 }}>
                        {say("support")}
                      </Box>
                    )}
                  </Listed>
                </Box>
              </TableCell>
              <TableCell align="right">
                <WhyFigure
                  figure={{
                    key: `demand-${placed.ladder}-${s.slug}`,
                    shown: `${Math.round(s.share * 100)} %`,
                    subject: say("demand2", { name: placed.name, name2: s.name }),
                    why: s.demandWhy,
                  }}
                />
              </TableCell>
              {measured && <TableCell align="right">{s.demand ? text(s.demand, unit) : ""}</TableCell>}
              <TableCell sx={{ pl: 4 }}>{standard(s, unit)}</TableCell>
              <TableCell sx={{ fontWeight: 600 }}>
                {s.best ? (
                  [s.bestSide && sideWord[s.bestSide], figure(s.best, unit)].filter(Boolean).join(" ")
                ) : (
                  <Box component="span" sx={{ fontWeight: 400, color: "text.secondary" }}>
                    {s.implied ? say("implied") : say("notTried")}
                  </Box>
                )}
              </TableCell>
              <TableCell>{s.bestDay ? dayShort(s.bestDay, today) : ""}</TableCell>
              <TableCell>
                {now(s, i === placed.training, placed.exposureOnly, figure(atlas.steps[i]?.dose ?? "", unit))}
              </TableCell>
              {record && (
                <TableCell align="right" sx={{ width: "1%", pr: 0 }}>
                  <Button
                    size="small"
                    variant="text"
                    sx={{ minHeight: 24, minWidth: 0, py: 0 }}
                    onClick={() => record(s.benchmark)}
                    aria-label={say("recordATestOf", { name: s.name })}
                  >
                    {say("record")}
                  </Button>
                </TableCell>
              )}
            </TableRow>,
            ...placed.halfSteps
              .filter((half) => half.afterStep === s.slug)
              .map((half) => (
                <HalfRow key={half.taken} half={half} placed={placed} measured={measured} coach={record !== null} />
              )),
          ])}
        </TableBody>
      </Table>
    </Box>
  );
}

/** A step between two, from the lever lab. */
function HalfRow({
  half,
  placed,
  measured,
  coach,
}: {
  half: LabHalfStep;
  placed: AthleteLadder;
  measured: boolean;
  coach: boolean;
}) {
  const { athleteId = "" } = useParams();
  const unit = useUnit();
  const { remove } = useHalfSteps(athleteId, placed.ladder);
  const what = halfText(half, unit);
  return (
    <TableRow>
      <TableCell />
      <TableCell component="th" scope="row" sx={{ pl: 8, fontWeight: 400 }}>
        {capital(what)}
      </TableCell>
      <TableCell align="right">{Math.round(100 * half.share)} %</TableCell>
      {measured && <TableCell align="right">{momentText(half.moment, placed.demandKind)}</TableCell>}
      <TableCell colSpan={4} sx={{ pl: 4, color: "text.secondary" }}>
        {say("halfStepBetween", { before: inSentence(half.before) })}
      </TableCell>
      {coach && (
        <TableCell align="right" sx={{ width: "1%", pr: 0 }}>
          <Button
            size="small"
            variant="text"
            sx={{ minHeight: 24, minWidth: 0, py: 0 }}
            disabled={remove.isPending}
            aria-label={say("removeHalfStep", { what })}
            onClick={() => half.taken && remove.mutate(half.taken)}
          >
            {say("labTakeBack")}
          </Button>
        </TableCell>
      )}
    </TableRow>
  );
}

function standard(s: PlacedStep, unit: "Kg" | "Lb") {
  const won = s.won.terms.map((t) => need(t, unit)).join(", ");
  const opens = s.opens.terms.map((t) => need(t, unit)).join(", ");
  return won === opens ? won : say("opensWins", { opens, won });
}

function now(s: PlacedStep, training: boolean, exposureOnly: boolean, dose: string) {
  if (training && exposureOnly) return say("shortSingles");
  if (training || s.status === "Open") return dose;
  if (s.status === "Won") return say("done");
  if (s.status === "Support") return dose;
  const unmet = s.gates.flatMap((g) => g.unmet).length;
  return unmet > 0 ? say("unmet", { unmet }) : say("afterTheStepBefore");
}
