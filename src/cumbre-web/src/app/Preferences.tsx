import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { useSetHabits, useSignedIn } from "../shared/account/useMe";
import { weekdays } from "../shared/generation/wording";
import { messageOf } from "../shared/ui/states";
import { say } from "../words/app";
import { type ChosenHabits, habitsOf, regions } from "../words/habits";

/** A day, a time and a figure, as these habits write them. */
function example(chosen: ChosenHabits) {
  const { locale, hours } = habitsOf(chosen);
  const at = new Date(2026, 2, 16, 17, 5);
  return {
    day: new Intl.DateTimeFormat(locale, { weekday: "short", day: "numeric", month: "short", year: "numeric" }).format(
      at,
    ),
    time: new Intl.DateTimeFormat(locale, {
      hour: "numeric",
      minute: "2-digit",
      hourCycle: hours === 24 ? "h23" : "h12",
    }).format(at),
    figure: new Intl.NumberFormat(locale).format(1234.5),
  };
}

const regionNames = new Intl.DisplayNames("en", { type: "region" });
const named = regions
  .map((region) => ({ locale: `en-${region}`, name: regionNames.of(region) ?? region }))
  .sort((a, b) => a.name.localeCompare(b.name));

/** How this person reads dates, numbers and clocks. */
export default function Preferences({ onClose }: { onClose: () => void }) {
  const { account, clubFirstDay } = useSignedIn();
  const [chosen, setChosen] = useState<ChosenHabits>(account.habits);
  const save = useSetHabits();
  const none = "";
  return (
    <Dialog open onClose={onClose} maxWidth="xs" fullWidth>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          save.mutate(chosen, { onSuccess: onClose });
        }}
      >
        <DialogTitle>{say("preferences")}</DialogTitle>
        <DialogContent sx={{ display: "grid", gap: 4 }}>
          <TextField
            select
            sx={{ mt: 2 }}
            label={say("datesAndNumbers")}
            value={chosen.locale ?? none}
            onChange={(e) => setChosen({ ...chosen, locale: e.target.value || null })}
            slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
          >
            <MenuItem value={none}>{say("asTheBrowser")}</MenuItem>
            {named.map(({ locale, name }) => (
              <MenuItem key={locale} value={locale}>
                {say("regionWith", {
                  region: name,
                  example: new Intl.DateTimeFormat(locale).format(new Date(2026, 2, 16)),
                })}
              </MenuItem>
            ))}
          </TextField>
          <TextField
            select
            label={say("clockLabel")}
            value={chosen.hours ?? none}
            onChange={(e) => setChosen({ ...chosen, hours: Number(e.target.value) || null })}
            slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
          >
            <MenuItem value={none}>{say("asTheRegion")}</MenuItem>
            <MenuItem value={12}>{say("twelveHours")}</MenuItem>
            <MenuItem value={24}>{say("twentyFourHours")}</MenuItem>
          </TextField>
          <TextField
            select
            label={say("weekStartsOn")}
            value={chosen.firstDay ?? none}
            onChange={(e) => setChosen({ ...chosen, firstDay: Number(e.target.value) || null })}
            slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
          >
            <MenuItem value={none}>{say(clubFirstDay === null ? "asTheRegion" : "asTheClub")}</MenuItem>
            {[1, 6, 7].map((day) => (
              <MenuItem key={day} value={day}>
                {weekdays[day - 1]!.full}
              </MenuItem>
            ))}
          </TextField>
          <Typography variant="body2" color="textSecondary">
            {say("preferencesExample", example(chosen))}
          </Typography>
          {save.isError && <Alert severity="warning">{messageOf(save.error)}</Alert>}
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>{say("cancelPreferences")}</Button>
          <Button type="submit" variant="contained" color="secondary" disabled={save.isPending}>
            {say("savePreferences")}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
