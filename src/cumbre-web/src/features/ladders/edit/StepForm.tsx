import Autocomplete from "@mui/material/Autocomplete";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import type { LadderProblem, Movement, School, StepEntry } from "../../../shared/api/types";
import { lines } from "./draft";
import { DemandFields } from "./DemandFields";
import { GateField } from "./GateField";
import { Field } from "../../../shared/ui/Field";
import { ManyField } from "../../../shared/ui/ManyField";
import { say as word } from "../../../words/common";
import { say } from "../../../words/ladders";
import { told } from "../../../words/server";

/** All fields of one step; every change goes up at once. */
export function StepForm({
  index,
  step,
  steps,
  movements,
  schools,
  problems,
  onChange,
}: {
  index: number;
  step: StepEntry;
  steps: StepEntry[];
  movements: Movement[];
  schools: School[];
  problems: LadderProblem[];
  /** `field` is typed into when it is given. */
  onChange: (change: Partial<StepEntry>, field?: string) => void;
}) {
  const path = `steps[${index}]`;
  const at = (field: string) => problems.find((p) => p.path === `${path}.${field}`);
  const wrong = (field: string) => {
    const problem = at(field);
    return problem && told(problem.message);
  };
  const text = (field: "name" | "setUp" | "dose", label: string, help?: string) => (
    <Field
      label={label}
      value={step[field] ?? ""}
      onChange={(e) => onChange({ [field]: e.target.value }, `${step.slug}.${field}`)}
      problem={wrong(field)}
      help={help}
    />
  );
  const list = (field: "cues" | "faults", label: string) => (
    <TextField
      label={label}
      multiline
      minRows={2}
      value={(step[field] ?? []).join("\n")}
      onChange={(e) => onChange({ [field]: lines(e.target.value) }, `${step.slug}.${field}`)}
      helperText={say("oneALineBeyondThoseOfThe")}
    />
  );
  const slugs = movements.map((m) => m.slug);
  const nameOf = (slug: string) => movements.find((m) => m.slug === slug)?.name ?? slug;
  return (
    <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr" }, gap: 4, pt: 2 }}>
      {text("name", word("name"))}
      <Autocomplete
        options={slugs}
        value={step.movement || null}
        getOptionLabel={nameOf}
        onChange={(_, movement) => onChange({ movement: movement ?? "" })}
        renderInput={(params) => (
          <Field {...params} label={say("movement")} problem={at("movement") && say("chooseAMovement")} />
        )}
      />
      {text("setUp", "Set-up", say("whatIsFixedOnThisStepHeight"))}
      {text("dose", say("usualDose"), say("asOnTheWhiteboard4X5"))}
      <Box sx={{ gridColumn: "1 / -1", display: "grid", gap: 3 }}>
        {(step.gates ?? []).map((g, i) => (
          <Box key={i} sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "1fr 220px auto" }, gap: 2 }}>
            <GateField
              label={say("gate2", { i: i + 1 })}
              value={g.gate}
              problem={at(`gates[${i}].gate`) ?? at(`gates[${i}].schools`)}
              onChange={(gate) =>
                onChange(
                  { gates: step.gates!.map((x, j) => (j === i ? { ...x, gate } : x)) },
                  `${step.slug}.gates[${i}]`,
                )
              }
            />
            <SchoolSelect
              schools={schools}
              value={g.schools ?? {}}
              onChange={(chosen) =>
                onChange({ gates: step.gates!.map((x, j) => (j === i ? { ...x, schools: chosen } : x)) })
              }
            />
            <Button
              variant="text"
              onClick={() => onChange({ gates: step.gates!.filter((_, j) => j !== i) })}
              aria-label={say("removeGate", { i: i + 1 })}
            >
              {say("remove")}
            </Button>
          </Box>
        ))}
        <Box>
          <Button size="small" onClick={() => onChange({ gates: [...(step.gates ?? []), { gate: "" }] })}>
            {say("addAGate")}
          </Button>
        </Box>
      </Box>
      <GateField
        label={say("opensTheNext3")}
        value={step.opens}
        problem={at("opens")}
        onChange={(opens) => onChange({ opens }, `${step.slug}.opens`)}
      />
      <GateField
        label={say("wonBy")}
        value={step.won ?? ""}
        problem={at("won")}
        help={say("emptyWhatOpensTheNextAlsoWins")}
        onChange={(won) => onChange({ won: won || null }, `${step.slug}.won`)}
      />
      <DemandFields step={step} problem={at("demand")} onChange={onChange} />
      <Field
        label={say("usualWeeks")}
        type="number"
        value={step.weeks}
        onChange={(e) => onChange({ weeks: Number(e.target.value) }, `${step.slug}.weeks`)}
        problem={wrong("weeks")}
        help={say("breaksTiesBetweenLimitingFactors")}
      />
      <Field
        select
        label={say("follows")}
        value={step.after ?? []}
        slotProps={{
          select: {
            multiple: true,
            displayEmpty: true,
            renderValue: (v) =>
              (v as string[]).map((slug) => steps.find((s) => s.slug === slug)?.name ?? slug).join(", ") ||
              (index === 0 ? say("nothingTheFirstStep") : say("theStepAbove")),
          },
          inputLabel: { shrink: true },
        }}
        problem={wrong("after")}
        help={say("stepsThatFollowTheSameOneAre")}
        onChange={(e) => {
          const after = e.target.value as unknown as string[];
          onChange({ after: after.length > 0 ? after : null });
        }}
      >
        {steps.slice(0, index).map((s) => (
          <MenuItem key={s.slug} value={s.slug}>
            {s.name}
          </MenuItem>
        ))}
      </Field>
      <ManyField
        label={say("substitutes")}
        options={slugs}
        chosen={step.substitutes ?? []}
        nameOf={nameOf}
        onChange={(substitutes) => onChange({ substitutes })}
      />
      {list("cues", word("cues"))}
      {list("faults", word("faults"))}
      <FormControlLabel
        control={
          <Checkbox checked={step.preparation} onChange={(_, preparation) => onChange({ preparation })} size="small" />
        }
        label={say("preparationGoesOnAsSupportWork")}
      />
      <FormControlLabel
        control={<Checkbox checked={step.exposure} onChange={(_, exposure) => onChange({ exposure })} size="small" />}
        label={say("openButNotWonTheNextIn")}
      />
    </Box>
  );
}

/** Under which schools a gate stands; none chosen: under all. */
function SchoolSelect({
  schools,
  value,
  onChange,
}: {
  schools: School[];
  value: Record<string, string[]>;
  onChange: (value: Record<string, string[]> | null) => void;
}) {
  const chosen = Object.entries(value).flatMap(([q, choices]) => choices.map((c) => `${q}=${c}`));
  const nameOf = (key: string) => {
    const [question, choice] = key.split("=");
    return schools.find((s) => s.slug === question)?.choices.find((c) => c.slug === choice)?.name ?? key;
  };
  return (
    <TextField
      select
      label={say("under2")}
      value={chosen}
      slotProps={{
        select: {
          multiple: true,
          displayEmpty: true,
          renderValue: (v) => (v as string[]).map(nameOf).join(", ") || say("allSchools"),
        },
        inputLabel: { shrink: true },
      }}
      onChange={(e) => {
        const bySchool: Record<string, string[]> = {};
        for (const key of e.target.value as unknown as string[]) {
          const [question, choice] = key.split("=") as [string, string];
          (bySchool[question] ??= []).push(choice);
        }
        onChange(Object.keys(bySchool).length > 0 ? bySchool : null);
      }}
    >
      {schools.flatMap((s) =>
        s.choices.map((c) => (
          <MenuItem key={`${s.slug}=${c.slug}`} value={`${s.slug}=${c.slug}`} dense>
            {s.question} {c.name}
          </MenuItem>
        )),
      )}
    </TextField>
  );
}
