import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import type { RosterRow } from "../../shared/api/types";
import { weekdays, weekdaysInOrder } from "../../shared/generation/wording";
import { mondayOf } from "../../shared/blocks/doc";
import { capital, dayFull } from "../../shared/ui/format";
import { changeDay, freeDay, moveStation, newDay, newStation, type Draft, type DraftDay } from "./outline";
import { kindHint, StationPicker, stationName, useStations } from "./StationPicker";
import { Field } from "../../shared/ui/Field";
import { ManyField } from "../../shared/ui/ManyField";
import { say } from "../../words/groups";

type Fault = (path: string) => string | undefined;

/** What is done on which day, and by whom; the plan beside it follows each change. */
export function OutlineForm({
  draft,
  roster,
  onChange,
  fault,
}: {
  draft: Draft;
  roster: RosterRow[];
  /** The mark joins changes of one field into one step of undo. */
  onChange: (next: Draft, mark: string | null) => void;
  fault: Fault;
}) {
  const set = (change: Partial<Draft>, mark: string | null = null) => onChange({ ...draft, ...change }, mark);
  const free = freeDay(draft);
  return (
    <Box sx={{ display: "grid", gap: 4 }}>
      <Field
        label={say("name")}
        value={draft.name}
        placeholder={say("group")}
        onChange={(e) => set({ name: e.target.value }, "name")}
        problem={fault("outline.name")}
        slotProps={{ htmlInput: { maxLength: 80 }, inputLabel: { shrink: true } }}
      />
      <ManyField
        label={say("athletes")}
        stayOpen
        options={roster.map((r) => r.id)}
        chosen={draft.athletes}
        nameOf={(id) => roster.find((r) => r.id === id)?.name ?? say("gone")}
        onChange={(athletes) => set({ athletes })}
        problem={fault("athletes")}
        help={draft.athletes.length === 0 ? say("whoComes") : undefined}
      />
      <Field
        label={say("firstWeek")}
        type="date"
        value={draft.start}
        onChange={(e) => set({ start: e.target.value && mondayOf(e.target.value) }, "start")}
        problem={fault("outline.start")}
        help={draft.start ? say("from", { start: dayFull(draft.start) }) : undefined}
        slotProps={{ inputLabel: { shrink: true } }}
      />
      <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 3 }}>
        <Field
          label={say("minutesASession")}
          value={draft.minutes}
          onChange={(e) => set({ minutes: e.target.value }, "minutes")}
          problem={fault("outline.minutes")}
          slotProps={{ htmlInput: { inputMode: "numeric" } }}
        />
        <Field
          label={say("loadingWeeks")}
          value={draft.loadingWeeks}
          onChange={(e) => set({ loadingWeeks: e.target.value }, "loadingWeeks")}
          problem={fault("outline.loadingWeeks")}
          slotProps={{ htmlInput: { inputMode: "numeric" } }}
        />
      </Box>
      <FormControlLabel
        control={<Checkbox checked={draft.easyWeek} onChange={(_, easyWeek) => set({ easyWeek })} />}
        label={say("anEasyWeekAfterThemHalfThe")}
        slotProps={{ typography: { variant: "body2" } }}
      />
      {draft.days.map((day, i) => (
        <DayForm
          key={day.day}
          day={day}
          taken={draft.days.map((d) => d.day)}
          fault={(path) => fault(`outline.days.${i}.${path}`)}
          onChange={(change, mark) => onChange(changeDay(draft, i, change), mark && `${mark}-${i}`)}
          onRemove={draft.days.length > 1 ? () => set({ days: draft.days.filter((_, at) => at !== i) }) : null}
        />
      ))}
      {free && <Button onClick={() => set({ days: [...draft.days, newDay(free)] })}>{say("addADay")}</Button>}
      {fault("outline.days") && (
        <Typography color="error" variant="body2" role="alert">
          {fault("outline.days")}
        </Typography>
      )}
    </Box>
  );
}

function DayForm({
  day,
  taken,
  fault,
  onChange,
  onRemove,
}: {
  day: DraftDay;
  taken: string[];
  fault: Fault;
  onChange: (change: Partial<DraftDay>, mark: string | null) => void;
  onRemove: (() => void) | null;
}) {
  const { options } = useStations();
  const circuit = day.form === "Circuit";
  const full = weekdays.find((w) => w.day === day.day)!.full;
  return (
    <Box
      component="section"
      aria-label={full}
      sx={(t) => ({ borderTop: `2px solid ${t.vars.palette.text.primary}`, pt: 3, display: "grid", gap: 3 })}
    >
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 2 }}>
        <Typography variant="h3" component="h2" sx={{ mr: "auto" }}>
          {full}
        </Typography>
        {onRemove && (
          <Button size="small" variant="text" onClick={onRemove} aria-label={say("remove", { full })}>
            {say("remove2")}
          </Button>
        )}
      </Box>
      <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 3 }}>
        <TextField
          select
          label={say("day")}
          value={day.day}
          onChange={(e) => onChange({ day: e.target.value as DraftDay["day"] }, null)}
        >
          {weekdaysInOrder().map((w) => (
            <MenuItem key={w.day} value={w.day} disabled={w.day !== day.day && taken.includes(w.day)}>
              {w.full}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          select
          label={say("form")}
          value={day.form}
          onChange={(e) => onChange({ form: e.target.value as DraftDay["form"] }, null)}
        >
          <MenuItem value="Class">{say("class")}</MenuItem>
          <MenuItem value="Circuit">{say("circuit")}</MenuItem>
        </TextField>
        <Field
          label={say("title")}
          value={day.title}
          onChange={(e) => onChange({ title: e.target.value }, "title")}
          problem={fault("title")}
          slotProps={{ htmlInput: { maxLength: 80 } }}
        />
        <Field
          label={circuit ? say("rounds") : say("sets")}
          value={day.sets}
          onChange={(e) => onChange({ sets: e.target.value }, "sets")}
          problem={fault("sets")}
          help={!circuit && day.sets.trim() === "" ? say("eachAthletesOwn") : undefined}
          slotProps={{ htmlInput: { inputMode: "numeric" } }}
        />
      </Box>
      <Box component="ol" sx={{ m: 0, p: 0, listStyle: "none" }}>
        {day.stations.map((s, i) => {
          const name = capital(stationName(s, options));
          const replace = (change: Partial<typeof s>) =>
            onChange({ stations: day.stations.map((x, at) => (at === i ? { ...x, ...change } : x)) }, null);
          return (
            <Box
              component="li"
              key={s.key}
              sx={(t) => ({
                borderBottom: `1px solid ${t.vars.palette.divider}`,
                display: "flex",
                flexWrap: "wrap",
                alignItems: "center",
                fontSize: 14,
                columnGap: 1,
              })}
            >
              <Box sx={{ mr: "auto", py: 1 }}>
                <b>{name}</b>{" "}
                <Box component="span" sx={{ color: "text.secondary", fontSize: 12 }}>
                  {kindHint[s.kind]}
                </Box>
                {fault(`stations.${i}`) && (
                  <Box component="span" role="alert" sx={{ color: "error.main", fontSize: 12, display: "block" }}>
                    {fault(`stations.${i}`)}
                  </Box>
                )}
              </Box>
              <Box sx={{ display: "flex" }}>
                <Button
                  size="small"
                  variant={s.light ? "outlined" : "text"}
                  aria-pressed={s.light}
                  onClick={() => replace({ light: !s.light })}
                  aria-label={say("light", { name })}
                >
                  {say("light2")}
                </Button>
                <Button
                  size="small"
                  variant="text"
                  disabled={i === 0}
                  onClick={() => onChange({ stations: moveStation(day, i, -1) }, null)}
                  aria-label={`Up: ${name}`}
                >
                  {say("up")}
                </Button>
                <Button
                  size="small"
                  variant="text"
                  disabled={i === day.stations.length - 1}
                  onClick={() => onChange({ stations: moveStation(day, i, 1) }, null)}
                  aria-label={say("down", { name })}
                >
                  {say("down2")}
                </Button>
                <Button
                  size="small"
                  variant="text"
                  onClick={() => onChange({ stations: day.stations.filter((x) => x.key !== s.key) }, null)}
                  aria-label={say("takeOut", { name })}
                >
                  {say("takeOut2")}
                </Button>
              </Box>
            </Box>
          );
        })}
      </Box>
      <StationPicker
        label={say("addAStationOn", { full })}
        onPick={(kind, of) => onChange({ stations: [...day.stations, newStation(kind, of)] }, null)}
      />
      {fault("stations") && (
        <Typography color="error" variant="body2" role="alert">
          {fault("stations")}
        </Typography>
      )}
    </Box>
  );
}
