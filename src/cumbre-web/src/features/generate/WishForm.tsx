import Box from "@mui/material/Box";
import FormHelperText from "@mui/material/FormHelperText";
import FormLabel from "@mui/material/FormLabel";
import TextField from "@mui/material/TextField";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import type { DayOfWeek } from "../../shared/api/types";
import { dayFull } from "../../shared/ui/format";
import { mondayOf } from "../../shared/blocks/doc";
import type { WishFields } from "./wish";
import { weekdays, weekdaysInOrder } from "../../shared/generation/wording";
import { Field } from "../../shared/ui/Field";
import { say } from "../../words/generate";

/** What the block is asked for; the preview follows each change. */
export function WishForm({
  value,
  onChange,
  again,
  fault,
}: {
  value: WishFields;
  onChange: (next: WishFields) => void;
  /** The block exists: its name and start are its own. */
  again: boolean;
  /** What is wrong with a field, by the server or before it is asked. */
  fault: (field: keyof WishFields) => string | undefined;
}) {
  const set = <K extends keyof WishFields>(key: K, next: WishFields[K]) => onChange({ ...value, [key]: next });
  return (
    <Box sx={{ display: "grid", gap: 4 }}>
      {!again && (
        <>
          <Field
            label={say("name")}
            value={value.name}
            onChange={(e) => set("name", e.target.value)}
            problem={fault("name")}
            slotProps={{ htmlInput: { maxLength: 80 } }}
          />
          <TextField
            label={say("firstWeek")}
            type="date"
            value={value.start}
            onChange={(e) => set("start", e.target.value)}
            error={Boolean(fault("start"))}
            helperText={
              fault("start") ?? (value.start ? say("from", { dayFull: dayFull(mondayOf(value.start)) }) : undefined)
            }
            slotProps={{ inputLabel: { shrink: true } }}
          />
        </>
      )}
      <Box>
        <FormLabel id="generate-days" sx={{ fontSize: 12 }}>
          {say("days")}
        </FormLabel>
        <ToggleButtonGroup
          size="small"
          aria-labelledby="generate-days"
          value={value.days}
          onChange={(_, next: DayOfWeek[]) =>
            set(
              "days",
              weekdays.map((w) => w.day).filter((d) => next.includes(d)),
            )
          }
          sx={{ display: "flex", mt: 1 }}
        >
          {weekdaysInOrder().map((w) => (
            <ToggleButton key={w.day} value={w.day} sx={{ flex: 1, px: 0 }}>
              {w.name}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        {fault("days") ? (
          <FormHelperText error>{fault("days")}</FormHelperText>
        ) : (
          value.days.length === 0 && <FormHelperText>{say("noneChosenAsTheIntakeSays")}</FormHelperText>
        )}
      </Box>
      <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 3 }}>
        <Field
          label={say("minutesASession")}
          value={value.minutes}
          onChange={(e) => set("minutes", e.target.value)}
          problem={fault("minutes")}
          help={value.minutes.trim() ? undefined : say("asTheIntakeSays")}
          slotProps={{ htmlInput: { inputMode: "numeric" } }}
        />
        <TextField
          label={say("loadingWeeks")}
          value={value.loadingWeeks}
          onChange={(e) => set("loadingWeeks", e.target.value)}
          error={Boolean(fault("loadingWeeks"))}
          helperText={
            fault("loadingWeeks") ?? say("anEasyOne", { loading: value.loadingWeeks.trim() ? "given" : "usual" })
          }
          slotProps={{ htmlInput: { inputMode: "numeric" } }}
        />
      </Box>
    </Box>
  );
}
