import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useUnit } from "../accounts/useMe";
import type { LadderStep, PlacedStep } from "../api/types";
import { StatusShape } from "../ui/StatusShape";
import { figure, shortfall, statusShape, statusWord } from "./wording";

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
      <Facts
        rows={[
          ["Set-up", step.setUp ?? ""],
          ["Won by", figure(afterFigure(step.won), unit)],
          ["Opens next", step.opens === step.won ? "" : figure(afterFigure(step.opens), unit)],
          ["Best", placed?.best ? figure(placed.best, unit) : placed?.implied ? "implied by a later step" : ""],
          ["Usual dose", figure(step.dose, unit)],
          [
            "Gate",
            placed
              ? unmet.map((t) => `${t.name} ${shortfall(t, unit)}`).join("; ")
              : step.gates.map((g) => figure(g.gate, unit)).join("; "),
          ],
          ["Watch", [...step.cues, ...step.faults.map((f) => `not: ${f}`)].slice(0, 4).join("; ")],
        ]}
      />
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
