import Box from "@mui/material/Box";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useMemo, useState } from "react";
import { useUnit } from "../../shared/account/useMe";
import { api, ask } from "../../shared/api/client";
import type { Lab, LabPose, MassUnit, PoseRequest } from "../../shared/api/types";
import { PoseEditor } from "../../shared/figure/PoseEditor";
import { useMovementFigure } from "../../shared/figure/useFigures";
import { Fact } from "../../shared/ui/Fact";
import { Field } from "../../shared/ui/Field";
import { unitName } from "../../shared/ui/format";
import { say } from "../../words/ladders";
import { allowedText, figureText, helpText } from "./labWording";

/** Any line between the steps, by dragging its joints: what it asks of this athlete, and what their holds allow. */
export function TryLine({ lab, athleteId, ladder }: { lab: Lab; athleteId: string; ladder: string }) {
  const unit = useUnit();
  const steps = lab.steps;
  const [from, setFrom] = useState(steps.at(-1)?.movement ?? "");
  const [ankles, setAnkles] = useState("");
  const [body, setBody] = useState("");
  const figure = useMovementFigure(from);
  const name = figure?.poses.at(-1)?.name;
  // Another weight asks about the same line: it begins from where it is.
  const start = useMemo(() => ({ like: name ?? null }), [name]);
  const weights = { ankles: typed(ankles, unit), body: typed(body, unit) };
  const askLab = async (pose: PoseRequest) =>
    (await ask(
      api.POST("/api/athletes/{athleteId}/ladders/{ladder}/lab/pose", {
        params: { path: { athleteId, ladder } },
        body: { pose, ...weights },
      }),
    )) as LabPose;
  if (!name) return null;
  return (
    <Box component="section" aria-label={say("labTry")} sx={{ mt: 4 }}>
      <Typography variant="h3">{say("labTry")}</Typography>
      <Box sx={{ display: "flex", gap: 3, flexWrap: "wrap", my: 2 }}>
        <TextField
          select
          size="small"
          label={say("labFrom")}
          value={from}
          onChange={(e) => setFrom(e.target.value)}
          fullWidth={false}
          sx={{ width: 190 }}
        >
          {steps.map((s) => (
            <MenuItem key={s.step} value={s.movement}>
              {s.name}
            </MenuItem>
          ))}
        </TextField>
        {lab.withWeights && (
          <>
            <Weight label={say("labAnkles", { unit: unitName[unit] })} value={ankles} onChange={setAnkles} />
            <Weight label={say("labBody", { unit: unitName[unit] })} value={body} onChange={setBody} />
          </>
        )}
      </Box>
      <PoseEditor start={start} ask={askLab} again={`${ankles}|${body}`} lever={lab.kind === "Moment"}>
        {(line) => <Line line={line} lab={lab} />}
      </PoseEditor>
    </Box>
  );
}

function typed(text: string, unit: MassUnit) {
  const value = Number(text.replace(",", "."));
  return text.trim() === "" || !Number.isFinite(value) ? null : { value, unit };
}

function Weight({ label, value, onChange }: { label: string; value: string; onChange: (text: string) => void }) {
  return (
    <Field
      size="small"
      label={label}
      value={value}
      onChange={(e) => onChange(e.target.value)}
      problem={value.trim() !== "" && !Number.isFinite(Number(value.replace(",", "."))) ? say("labNumber") : undefined}
      slotProps={{ htmlInput: { inputMode: "decimal" } }}
      sx={{ width: 190 }}
    />
  );
}

function Line({ line, lab }: { line: LabPose; lab: Lab }) {
  const unit = useUnit();
  return (
    <Box aria-live="polite" sx={{ mt: 3, display: "flex", flexWrap: "wrap", columnGap: 5, rowGap: 2 }}>
      <Fact label={lab.kind === "HandForce" ? say("labForce") : say("moment")}>{figureText(line, lab.kind)}</Fact>
      <Fact label={say("demand")}>{Math.round(100 * line.share)} %</Fact>
      {lab.kind === "Moment" && <Fact label={say("labArms")}>{Math.round(line.armAngle)}°</Fact>}
      {lab.maximum !== null && <Fact label={say("labAllowed")}>{allowedText(line.allowed, lab)}</Fact>}
      {line.help.length > 0 && <Fact label={say("labHelp")}>{helpText(line.help, unit)}</Fact>}
    </Box>
  );
}
