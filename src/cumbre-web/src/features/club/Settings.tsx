import Autocomplete from "@mui/material/Autocomplete";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import FormHelperText from "@mui/material/FormHelperText";
import MenuItem from "@mui/material/MenuItem";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Problem } from "../../shared/api/client";
import type { ClubSettings } from "../../shared/api/types";
import { weekdays } from "../../shared/generation/wording";
import { announce } from "../../shared/ui/announce";
import { Field } from "../../shared/ui/Field";
import { messageOf } from "../../shared/ui/states";
import { say } from "../../words/club";
import { weekInOrder } from "../../words/habits";
import { usePutClub } from "./queries";

/** As the machine has them, and UTC, which it leaves out. */
const zones = ["UTC", ...Intl.supportedValuesOf("timeZone")];

/** Name, day and unit of the club. */
export function Settings({ club }: { club: ClubSettings }) {
  const [typed, setTyped] = useState(club);
  const put = usePutClub();
  const at = (path: string) => (put.error instanceof Problem ? put.error.fieldMessage(path) : undefined);
  const change = (part: Partial<ClubSettings>) => setTyped({ ...typed, ...part });
  const changed = JSON.stringify(typed) !== JSON.stringify(club);
  const known = ["name", "timeZone", "trainingDays", "firstDay"].some(at);
  return (
    <Box
      component="form"
      noValidate
      sx={{ display: "grid", gap: 4, maxWidth: 560 }}
      onSubmit={(e) => {
        e.preventDefault();
        put.mutate(typed, { onSuccess: () => announce(say("saved")) });
      }}
    >
      <Typography variant="h2">{say("settings")}</Typography>
      <Field
        label={say("name")}
        value={typed.name}
        onChange={(e) => change({ name: e.target.value })}
        problem={at("name")}
        slotProps={{ htmlInput: { maxLength: 80 } }}
      />
      <Autocomplete
        freeSolo
        options={zones}
        inputValue={typed.timeZone}
        onInputChange={(_, timeZone) => change({ timeZone })}
        renderInput={(params) => (
          <Field {...params} label={say("timeZone")} problem={at("timeZone")} help={say("timeZoneHelp")} />
        )}
      />
      <Box>
        <Typography id="training-days" variant="body2" sx={{ mb: 1 }}>
          {say("trainingDays")}
        </Typography>
        <ToggleButtonGroup
          value={typed.trainingDays}
          onChange={(_, days: number[]) => change({ trainingDays: days.toSorted((a, b) => a - b) })}
          aria-labelledby="training-days"
          sx={{ flexWrap: "wrap" }}
        >
          {weekInOrder().map((day) => (
            <ToggleButton key={day} value={day}>
              {weekdays[day - 1]!.name}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        <FormHelperText error={at("trainingDays") !== undefined}>
          {at("trainingDays") ?? say("trainingDaysHelp")}
        </FormHelperText>
      </Box>
      <Field
        select
        label={say("unit")}
        value={typed.unit}
        onChange={(e) => change({ unit: e.target.value === "Lb" ? "Lb" : "Kg" })}
        problem={at("unit")}
        help={say("unitHelp")}
      >
        <MenuItem value="Kg">{say("kilograms")}</MenuItem>
        <MenuItem value="Lb">{say("pounds")}</MenuItem>
      </Field>
      <Field
        select
        label={say("firstDay")}
        value={typed.firstDay ?? ""}
        onChange={(e) => change({ firstDay: Number(e.target.value) || null })}
        problem={at("firstDay")}
        help={say("firstDayHelp")}
        slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
      >
        <MenuItem value="">{say("asTheBrowser")}</MenuItem>
        {[1, 6, 7].map((day) => (
          <MenuItem key={day} value={day}>
            {weekdays[day - 1]!.full}
          </MenuItem>
        ))}
      </Field>
      {put.isError && !known && (
        <Typography color="error" role="alert">
          {messageOf(put.error)}
        </Typography>
      )}
      <Box>
        <Button type="submit" variant="contained" color="secondary" disabled={put.isPending || !changed}>
          {say("save")}
        </Button>
      </Box>
    </Box>
  );
}
