import { Listed } from "../../shared/ui/Listed";
import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useSignedIn, useUnit } from "../../shared/account/useMe";
import type { LadderStep, PlacedStep } from "../../shared/api/types";
import { dayShort } from "../../shared/ui/format";
import { MovementFigure } from "../../shared/figure/MovementFigure";
import { StatusShape } from "../../shared/ui/StatusShape";
import { figure, shortfall, statusShape, statusWord } from "../../shared/ladders/wording";
import { say as word } from "../../words/common";
import { say } from "../../words/ladders";
import { sideWord } from "../../shared/ui/nameWords";

/** All of a step in a card: what it asks, how it stands, what to watch. */
export function StepCard({ step, placed }: { step: LadderStep; placed?: PlacedStep }) {
  const unit = useUnit();
  const unmet = placed?.gates.flatMap((g) => g.unmet) ?? [];
  return (
    <Box sx={{ fontSize: 13, lineHeight: "17px", display: "grid", gap: 2 }}>
      <Box sx={{ display: "flex", gap: 1.5, alignItems: "center" }}>
        {placed && <StatusShape status={statusShape[placed.status]} title="" />}
        <Typography variant="h3" component="p">
          {step.movementName}
        </Typography>
        {placed && <Box sx={{ ml: "auto", color: "text.secondary" }}>{statusWord[placed.status]}</Box>}
      </Box>
      <MovementFigure movement={step.movement} size={96} />
      <Facts
        rows={[
          ["Set-up", step.setUp ?? ""],
          [say("wonBy"), figure(afterFigure(step.won), unit)],
          [say("opensNext"), step.opens === step.won ? "" : figure(afterFigure(step.opens), unit)],
          [
            "Best",
            placed?.best
              ? figure(placed.best, unit)
              : placed?.estimated
                ? say("estimatedFromOtherLoadsNotShown")
                : placed?.implied
                  ? say("impliedByALaterStep")
                  : "",
          ],
          [say("openQuestion"), placed?.contradicted ? say("aNewerTestDeniesWhatAHarder") : ""],
          [say("usualDose"), figure(step.dose, unit)],
          [
            say("gate"),
            placed
              ? unmet.map((t) => `${t.name} ${shortfall(t, unit)}`).join("; ")
              : step.gates.map((g) => figure(g.gate, unit)).join("; "),
          ],
          [say("watchFor"), [...step.cues, ...step.faults.map((f) => say("not", { f }))].slice(0, 4).join("; ")],
        ]}
      />
      {placed && placed.ledger.length > 0 && <Evidence ledger={placed.ledger} stepName={step.name} />}
    </Box>
  );
}

const says: Record<PlacedStep["ledger"][number]["kind"], string> = {
  Direct: say("wordShown"),
  FellShort: say("shortOfIt"),
  Implied: say("impliesIt"),
  Estimated: say("estimatedFrom"),
  Contradicted: say("deniesIt"),
};

const from: Record<PlacedStep["ledger"][number]["origin"], string> = {
  Test: word("test"),
  SetToFailure: say("setToFailure"),
  TrainingSet: word("inTraining"),
};

/** What the placement of the step rests on: every piece with its day and source. */
function Evidence({ ledger, stepName }: { ledger: PlacedStep["ledger"]; stepName: string }) {
  const unit = useUnit();
  const { today } = useSignedIn();
  return (
    <Box component="details">
      <Box component="summary" sx={{ color: "text.secondary", cursor: "pointer" }}>
        {say("evidence", { ledger: ledger.length })}
      </Box>
      <Box component="ul" sx={{ listStyle: "none", m: 0, mt: 1, p: 0 }}>
        {ledger.map((e, i) => (
          <li key={i}>
            {dayShort(e.day, today)}:{" "}
            <Listed>
              {figure(e.text, unit)}
              {e.side && sideWord[e.side]}
              {e.on !== stepName && say("evidenceOn", { step: e.on })}
              {from[e.origin]}
              {says[e.kind]}
            </Listed>
          </li>
        ))}
      </Box>
    </Box>
  );
}

/** The figure of a standard that has one threshold; a longer one stays as it is written. */
function afterFigure(gate: string) {
  const [, ...rest] = gate.split(" >= ");
  return rest.length === 1 ? rest[0]! : gate;
}

export function Facts({ rows }: { rows: [string, string][] }) {
  return (
    <Box component="dl" sx={{ m: 0, display: "grid", gridTemplateColumns: "84px 1fr", columnGap: 2, rowGap: 1 }}>
      {rows
        .filter(([, value]) => value !== "")
        .map(([label, value]) => [
          <Box component="dt" key={`t${label}`} sx={{ color: "text.secondary" }}>
            {label}
          </Box>,
          <Box component="dd" key={`d${label}`} sx={{ m: 0 }}>
            {value}
          </Box>,
        ])}
    </Box>
  );
}
