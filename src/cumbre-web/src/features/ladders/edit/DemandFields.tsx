import Box from "@mui/material/Box";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import type { DemandKind, LadderProblem, StepEntry } from "../../../shared/api/types";
import { demandWord } from "../../../shared/ladders/wording";
import { Field } from "../../../shared/ui/Field";
import { say as word } from "../../../words/common";
import { say } from "../../../words/ladders";

const kinds = Object.keys(demandWord) as DemandKind[];

const postures = {
  Tuck: say("tuck"),
  AdvancedTuck: say("advancedTuck"),
  OneLeg: say("oneLeg"),
  HalfLay: say("halfLay"),
  Straddle: say("straddle"),
  Full: say("full"),
} as const;

/** The height of a step: what it means, and its figure where it is not computed. */
export function DemandFields({
  step,
  problem,
  onChange,
}: {
  step: StepEntry;
  problem?: LadderProblem;
  onChange: (change: Partial<StepEntry>, field?: string) => void;
}) {
  const demand = step.demand;
  const number = (field: "percent" | "addedPercent" | "reps", label: string) => (
    <Field
      label={label}
      type="number"
      value={demand[field] ?? ""}
      problem={problem && say("aFigureOverZeroBelongsHere")}
      onChange={(e) =>
        onChange(
          { demand: { ...demand, [field]: e.target.value === "" ? null : Number(e.target.value) } },
          `${step.slug}.demand.${field}`,
        )
      }
    />
  );
  const modelled = demand.kind === "Moment" || demand.kind === "HandForce";
  return (
    <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 2 }}>
      <TextField
        select
        label={say("height3")}
        value={demand.kind}
        onChange={(e) => {
          const kind = e.target.value as DemandKind;
          onChange({
            demand:
              kind === "Moment" || kind === "HandForce"
                ? { kind, posture: demand.posture ?? "Full" }
                : kind === "SystemMass"
                  ? { kind, addedPercent: demand.addedPercent ?? 0, reps: demand.reps ?? 5 }
                  : { kind, percent: demand.percent ?? 100 },
          });
        }}
      >
        {kinds.map((k) => (
          <MenuItem key={k} value={k}>
            {demandWord[k]}
          </MenuItem>
        ))}
      </TextField>
      {modelled && (
        <TextField
          select
          label={say("line")}
          value={demand.posture ?? ""}
          onChange={(e) => onChange({ demand: { ...demand, posture: e.target.value as keyof typeof postures } })}
        >
          {Object.entries(postures).map(([value, text]) => (
            <MenuItem key={value} value={value}>
              {text}
            </MenuItem>
          ))}
        </TextField>
      )}
      {demand.kind === "SystemMass" && (
        <>
          {number("addedPercent", say("addedOfBodyMass"))}
          {number("reps", word("reps"))}
        </>
      )}
      {!modelled &&
        demand.kind !== "SystemMass" &&
        number("percent", demand.kind === "BodyShare" ? say("ofBodyWeight") : say("ofTheSummit2"))}
    </Box>
  );
}
