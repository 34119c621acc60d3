import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import type { LoggedSet } from "../api/types";
import { painPlaces, stopSigns } from "../athletes/painPlaces";
import { Field } from "../ui/Field";
import { say } from "../../words/session";

export interface Pain {
  /** 0 is none. */
  level: number;
  place: string;
  sign: LoggedSet["sign"];
}

export const noPain: Pain = { level: 0, place: "", sign: null };

export const hurts = (pain: Pain) => pain.level > 0 || pain.sign !== null;

/** Pain on the scale of 0 to 10, a sign to stop, and where: asked as soon as one of them is told. */
export function PainFields({
  pain,
  onChange,
  errors = {},
}: {
  pain: Pain;
  onChange: (pain: Pain) => void;
  errors?: { level?: string; place?: string };
}) {
  return (
    <>
      <Field
        select
        label={say("pain")}
        value={String(pain.level)}
        onChange={(e) => onChange({ ...pain, level: Number(e.target.value) })}
        problem={errors.level}
        sx={{ width: 96 }}
      >
        {Array.from({ length: 11 }, (_, i) => (
          <MenuItem key={i} value={String(i)}>
            {i === 0 ? say("none") : say("tenth", { i })}
          </MenuItem>
        ))}
      </Field>
      <TextField
        select
        label={say("stopSign")}
        value={pain.sign ?? ""}
        onChange={(e) => onChange({ ...pain, sign: (e.target.value || null) as Pain["sign"] })}
        sx={{ width: 120 }}
      >
        <MenuItem value="">{say("none")}</MenuItem>
        {Object.entries(stopSigns).map(([key, word]) => (
          <MenuItem key={key} value={key}>
            {word}
          </MenuItem>
        ))}
      </TextField>
      {hurts(pain) && (
        <Field
          select
          label={say("where")}
          value={pain.place}
          onChange={(e) => onChange({ ...pain, place: e.target.value })}
          problem={errors.place}
          sx={{ width: 160 }}
        >
          {painPlaces.map((p) => (
            <MenuItem key={p} value={p}>
              {p}
            </MenuItem>
          ))}
        </Field>
      )}
    </>
  );
}
