import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import InputAdornment from "@mui/material/InputAdornment";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import Typography from "@mui/material/Typography";
import { zodResolver } from "@hookform/resolvers/zod";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Controller, useForm, useWatch } from "react-hook-form";
import { newId } from "../ui/newId";
import { z } from "zod";
import { useSignedIn } from "../accounts/useMe";
import type { Gate, MassUnit, ResultAnswer } from "../api/types";
import { useServerErrors } from "../ui/useServerErrors";
import { decimal, whole } from "../ui/shapes";
import { unitName } from "../ui/format";
import { messageOf } from "../ui/states";
import { wordOf } from "../why/words";
import { benchmarksQuery, useRecordResult } from "./useLift";

const shape = z.object({
  benchmark: z.string(),
  day: z.iso.date("Choose a day."),
  added: z.union([decimal("the load"), z.literal("")]),
  reps: whole("the reps"),
  reserve: whole("the reps left, 0 if none"),
  form: z.enum(["Clean", "Broken"]),
});

type Fields = z.input<typeof shape>;

/** Records one test, with its protocol and form standard beside it. */
export function RecordTest({
  athleteId,
  unit,
  first,
  onClose,
  onDone,
}: {
  athleteId: string;
  unit: MassUnit;
  first: string;
  onClose: () => void;
  onDone: (said: string) => void;
}) {
  const { today } = useSignedIn();
  const benchmarks = useQuery(benchmarksQuery).data ?? [];
  const record = useRecordResult(athleteId);
  const [id] = useState(newId);
  const form = useForm<Fields, unknown, z.output<typeof shape>>({
    resolver: zodResolver(shape),
    defaultValues: { benchmark: first, day: today, added: "", reps: "", reserve: "0", form: "Clean" },
  });
  useServerErrors(form, record.error);
  const slug = useWatch({ control: form.control, name: "benchmark" });
  const benchmark = benchmarks.find((b) => b.slug === slug);
  const loaded = benchmark?.measure === "LoadTimesReps";
  const save = form.handleSubmit((f) =>
    record.mutate(
      {
        id,
        benchmark: f.benchmark,
        day: f.day,
        reps: f.reps,
        reserve: loaded ? f.reserve : 0,
        form: f.form,
        added: loaded ? (f.added === "" ? null : { value: f.added, unit }) : null,
      },
      {
        onSuccess: (answer) => {
          onDone(sentence(answer));
          onClose();
        },
      },
    ),
  );
  const { errors } = form.formState;
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <form onSubmit={(e) => void save(e)} noValidate>
        <DialogTitle>Record a test</DialogTitle>
        <DialogContent>
          <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr" }, gap: 4, pt: 2 }}>
            <Controller
              control={form.control}
              name="benchmark"
              render={({ field }) => (
                <TextField
                  {...field}
                  select
                  label="Test"
                  error={Boolean(errors.benchmark)}
                  helperText={errors.benchmark?.message}
                  sx={{ gridColumn: "1 / -1" }}
                >
                  {benchmarks.map((b) => (
                    <MenuItem key={b.slug} value={b.slug}>
                      {b.name}
                    </MenuItem>
                  ))}
                </TextField>
              )}
            />
            <Box sx={{ gridColumn: "1 / -1" }}>
              <Typography variant="body2">{benchmark?.protocol}</Typography>
              <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
                {benchmark?.standard}
              </Typography>
            </Box>
            <TextField
              label="Day"
              type="date"
              {...form.register("day")}
              error={Boolean(errors.day)}
              helperText={errors.day?.message}
              slotProps={{ inputLabel: { shrink: true }, htmlInput: { max: today } }}
            />
            {loaded && (
              <TextField
                label="Load"
                {...form.register("added")}
                autoFocus
                error={Boolean(errors.added)}
                helperText={errors.added?.message}
                slotProps={{
                  htmlInput: { inputMode: "decimal" },
                  input: { endAdornment: <InputAdornment position="end">{unitName[unit]}</InputAdornment> },
                }}
              />
            )}
            <TextField
              label="Clean reps"
              {...form.register("reps")}
              autoFocus={!loaded}
              error={Boolean(errors.reps)}
              helperText={errors.reps?.message}
              slotProps={{ htmlInput: { inputMode: "numeric" } }}
            />
            {loaded && (
              <TextField
                label="Left in reserve"
                {...form.register("reserve")}
                error={Boolean(errors.reserve)}
                helperText={errors.reserve?.message}
                slotProps={{ htmlInput: { inputMode: "numeric" } }}
              />
            )}
            <Controller
              control={form.control}
              name="form"
              render={({ field }) => (
                <ToggleButtonGroup
                  exclusive
                  value={field.value}
                  onChange={(_, v: string | null) => v && field.onChange(v)}
                  aria-label="Form"
                  sx={{ alignSelf: "start", pt: 1 }}
                >
                  <ToggleButton value="Clean">form clean</ToggleButton>
                  <ToggleButton value="Broken">form broke</ToggleButton>
                </ToggleButtonGroup>
              )}
            />
          </Box>
          {record.error && Object.keys(errors).length === 0 && (
            <Typography color="error" role="alert" sx={{ mt: 3 }}>
              {messageOf(record.error)}
            </Typography>
          )}
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained" color="secondary" disabled={record.isPending}>
            Record
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}

/** What a result changed, in a sentence. */
function sentence({ result, gates }: ResultAnswer) {
  const what =
    result.form === "Broken"
      ? `${result.name}: kept; broken form counts for nothing.`
      : result.givesEstimate || result.benchmark !== "weighted-pull-up-heavy"
        ? `${result.name}: kept.`
        : `${result.name}: kept as a log. ${result.effectiveReps} effective reps are over 12, where the formulas measure endurance and part company, so no maximum is estimated.`;
  const changes = gates.map(
    (g: Pick<Gate, "school" | "decides" | "open">) =>
      `Added load ${g.open ? "is open" : "is closed"} by ${wordOf(g.school)}${g.decides ? ", this athlete’s school" : ""}.`,
  );
  return [what, ...changes].join(" ");
}
