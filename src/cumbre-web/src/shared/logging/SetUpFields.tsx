import Autocomplete from "@mui/material/Autocomplete";
import Box from "@mui/material/Box";
import InputAdornment from "@mui/material/InputAdornment";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import type { SetUpField } from "../api/types";
import { capital } from "../ui/format";
import { say } from "../../words/session";

interface Props {
  fields: SetUpField[];
  values: Record<string, string>;
  errors: Record<string, string | undefined>;
  onChange: (values: Record<string, string>) => void;
}

/** The parts of a set-up that the movement has: heights in cm, marks, a choice, or the coach's own words. */
export function SetUpFields({ fields, values, errors, onChange }: Props) {
  return (
    <Box
      role="group"
      aria-label={say("setUp")}
      sx={{ display: "flex", gap: 4, flexWrap: "wrap", alignItems: "flex-start" }}
    >
      {fields.map((f) => {
        const value = values[f.name] ?? "";
        const set = (text: string) => onChange({ ...values, [f.name]: text });
        const common = { label: capital(f.name), error: Boolean(errors[f.name]), helperText: errors[f.name] };
        if (f.measure === "Choice")
          return (
            <TextField
              key={f.name}
              {...common}
              select
              value={value}
              onChange={(e) => set(e.target.value)}
              sx={{ width: 130 }}
            >
              <MenuItem value="">{say("notTold")}</MenuItem>
              {f.words.map((w) => (
                <MenuItem key={w} value={w}>
                  {w}
                </MenuItem>
              ))}
            </TextField>
          );
        if (f.measure === "Text")
          return (
            <Autocomplete
              key={f.name}
              freeSolo
              options={f.words}
              inputValue={value}
              onInputChange={(_, text) => set(text)}
              sx={{ width: 180 }}
              renderInput={(params) => <TextField {...params} {...common} />}
            />
          );
        return (
          <TextField
            key={f.name}
            {...common}
            value={value}
            onChange={(e) => set(e.target.value)}
            sx={{ width: 130 }}
            slotProps={{
              htmlInput: { inputMode: "decimal" },
              input:
                f.measure === "Centimetres"
                  ? { endAdornment: <InputAdornment position="end">{say("cm")}</InputAdornment> }
                  : undefined,
            }}
          />
        );
      })}
    </Box>
  );
}
