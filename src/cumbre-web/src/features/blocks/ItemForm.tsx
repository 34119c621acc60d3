import Box from "@mui/material/Box";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import Checkbox from "@mui/material/Checkbox";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { api, ask, Problem } from "../../shared/api/client";
import { methods, numberFields, rowFields, sidePlans } from "../../shared/notation/methods";
import { messageOf } from "../../shared/ui/states";
import { clearLoad, loadText, tempoText, type Plan } from "./planFields";
import { Field } from "../../shared/ui/Field";
import { say } from "../../words/blocks";

/** The fields of a line. What is changed here is written on the line, and the other way round. */
export function ItemForm({
  plan,
  label,
  onLine,
}: {
  plan: Plan | null;
  label: string;
  onLine: (line: string) => void;
}) {
  const write = useMutation({
    mutationFn: (next: Plan) => ask(api.POST("/api/notation/line", { body: next as never })),
    onSuccess: (answer) => onLine(answer.line),
  });
  const refused = write.error instanceof Problem ? write.error.fields[0] : undefined;
  const change = (patch: Partial<Plan>, landed?: () => void) =>
    plan && write.mutate({ ...plan, ...patch }, { onSuccess: landed });
  if (!plan)
    return (
      <Typography variant="body2" color="textSecondary" sx={{ py: 2 }}>
        {say("theLineCannotBeReadYetMend")}
        <TextField
          select
          label={say("method")}
          value=""
          onChange={(e) => write.mutate({ method: e.target.value, ...methods[e.target.value]!.start })}
          sx={{ mt: 2, maxWidth: 240 }}
        >
          {Object.entries(methods).map(([key, m]) => (
            <MenuItem key={key} value={key}>
              {m.name}
            </MenuItem>
          ))}
        </TextField>
      </Typography>
    );
  const timed = ["hold", "varied-hold", "broken-hold", "negative"].includes(plan.method);
  return (
    <Box
      role="group"
      aria-label={label}
      sx={{ display: "flex", flexWrap: "wrap", gap: 3, py: 2, alignItems: "flex-start" }}
    >
      <TextField
        select
        label={say("method")}
        value={plan.method}
        onChange={(e) =>
          write.mutate({
            method: e.target.value,
            ...methods[e.target.value]!.start,
            restSeconds: plan.restSeconds,
            sides: plan.sides,
            ...(e.target.value === "drop" ? {} : { load: plan.load }),
          })
        }
        sx={{ width: 200 }}
      >
        {Object.entries(methods).map(([key, m]) => (
          <MenuItem key={key} value={key}>
            {m.name}
          </MenuItem>
        ))}
      </TextField>
      {Object.entries(numberFields)
        .filter(([key]) => typeof plan[key] === "number")
        .map(([key, name]) => (
          <Typed
            key={key}
            label={name}
            value={String(plan[key])}
            error={refused?.path.toLowerCase().includes(key.toLowerCase()) ? refused.message : undefined}
            onDone={(text, landed) => change({ [key]: Number(text.replace(",", ".")) }, landed)}
            width={110}
          />
        ))}
      {Object.entries(rowFields)
        .filter(([key]) => Array.isArray(plan[key]))
        .map(([key, name]) => (
          <Typed
            key={key}
            label={name}
            value={(plan[key] as number[]).join(" ")}
            onDone={(text, landed) =>
              change(
                {
                  [key]: text
                    .split(/[^\d]+/)
                    .filter(Boolean)
                    .map(Number),
                },
                landed,
              )
            }
            width={150}
          />
        ))}
      {plan.gap && (
        <Typed
          label={plan.gap.unit === "breaths" ? say("gapBreaths") : say("gapS")}
          value={String(plan.gap.count)}
          onDone={(text, landed) => change({ gap: { ...plan.gap!, count: Number(text) } }, landed)}
          width={110}
        />
      )}
      {plan.loads && (
        <Typed
          label={say("loadOfEachPart")}
          value={plan.loads.map((l) => l.value).join(" ")}
          onDone={(text, landed) =>
            change(
              {
                loads: text
                  .split(/[^\d.,]+/)
                  .filter(Boolean)
                  .map((v) => ({ value: Number(v.replace(",", ".")), unit: plan.loads![0]!.unit })),
              },
              landed,
            )
          }
          width={150}
        />
      )}
      {!plan.loads && (
        <Typed
          label={say("load")}
          value={loadText(plan.load)}
          hint={say("n10Kg80E1Rm25")}
          onDone={(text, landed) => {
            const load = clearLoad(text);
            if (load !== undefined) change({ load }, landed);
          }}
          width={150}
        />
      )}
      {!timed && plan.method !== "rest-pause" && plan.method !== "pyramid" && plan.method !== "drop" && (
        <TextField
          select
          label={say("effort")}
          value={!plan.effort ? "" : plan.effort.to === "reserve" ? String(plan.effort.reps) : plan.effort.to}
          onChange={(e) =>
            change({
              effort:
                e.target.value === ""
                  ? undefined
                  : e.target.value === "failure" || e.target.value === "last-failure"
                    ? { to: e.target.value }
                    : { to: "reserve", reps: Number(e.target.value) },
            })
          }
          sx={{ width: 140 }}
          slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
        >
          <MenuItem value="">{say("notAsked")}</MenuItem>
          {[0, 1, 2, 3, 4, 5].map((r) => (
            <MenuItem key={r} value={String(r)}>
              {say("inReserve", { r })}
            </MenuItem>
          ))}
          <MenuItem value="last-failure">{say("lastToFailure")}</MenuItem>
          <MenuItem value="failure">{say("toFailure")}</MenuItem>
        </TextField>
      )}
      {!timed && (
        <Typed
          label={say("tempo")}
          value={plan.tempo ? tempoText(plan.tempo) : ""}
          hint={say("loweringBottomLiftingTop31X")}
          onDone={(text, landed) => {
            const m = /^(\d+)-(\d+)-(\d+|[xX])-(\d+)$/.exec(text.trim());
            if (text.trim() === "") change({ tempo: undefined, pause: undefined }, landed);
            else if (m)
              change(
                {
                  pause: undefined,
                  tempo: {
                    lowering: Number(m[1]),
                    bottom: Number(m[2]),
                    lifting: /x/i.test(m[3]!) ? null : Number(m[3]),
                    top: Number(m[4]),
                  },
                },
                landed,
              );
          }}
          width={120}
        />
      )}
      {plan.method !== "clock" && (
        <Typed
          label={say("restS")}
          value={plan.restSeconds === undefined ? "" : String(plan.restSeconds)}
          hint={say("emptyTheUsualOne")}
          onDone={(text, landed) => change({ restSeconds: text.trim() === "" ? undefined : Number(text) }, landed)}
          width={110}
        />
      )}
      {plan.method === "clock" && (
        <FormControlLabel
          control={<Checkbox size="small" checked={plan.fast === true} onChange={(_, fast) => change({ fast })} />}
          label={say("asFastAsPossible")}
        />
      )}
      <TextField
        select
        label={say("sides")}
        value={plan.sides ?? ""}
        onChange={(e) => change({ sides: e.target.value || undefined })}
        sx={{ width: 140 }}
        slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
      >
        {Object.entries(sidePlans).map(([key, name]) => (
          <MenuItem key={key} value={key}>
            {name}
          </MenuItem>
        ))}
      </TextField>
      {write.isError && (
        <Typography variant="body2" color="error" role="alert" sx={{ width: "100%" }}>
          {messageOf(write.error)}
        </Typography>
      )}
    </Box>
  );
}

/** A field that is read when it is left or Enter is pressed; until then what is typed is its own. */
function Typed({
  label,
  value,
  hint,
  error,
  onDone,
  width,
}: {
  label: string;
  value: string;
  hint?: string;
  error?: string;
  /** What was typed stays until it has landed: what is refused is not lost. */
  onDone: (text: string, landed: () => void) => void;
  width: number;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const done = () => {
    if (typed === null || typed === value) setTyped(null);
    else onDone(typed, () => setTyped((now) => (now === typed ? null : now)));
  };
  return (
    <Field
      label={label}
      value={typed ?? value}
      onChange={(e) => setTyped(e.target.value)}
      onBlur={done}
      onKeyDown={(e) => e.key === "Enter" && done()}
      problem={error}
      help={typed !== null ? hint : undefined}
      sx={{ width }}
      slotProps={{ inputLabel: { shrink: true } }}
    />
  );
}
