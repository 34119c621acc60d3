import Autocomplete from "@mui/material/Autocomplete";
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
import { useSignedIn } from "../account/useMe";
import type { Benchmark, MassUnit, Result, ResultAnswer } from "../api/types";
import { changeText } from "../ladders/wording";
import { unitName } from "../ui/format";
import { newId } from "../ui/newId";
import { Failed, Loading, messageOf } from "../ui/states";
import { useServerErrors } from "../ui/useServerErrors";
import { painPlaces, contactWord } from "./painPlaces";
import { contacts, fieldsFrom, fieldsOf, requestOf, shape, type TestFields, type TestValues } from "./testFields";
import { benchmarksQuery, useRecordResult } from "./useAthlete";
import { Field } from "../../shared/ui/Field";
import { say } from "../../words/athletes";

interface Props {
  athleteId: string;
  unit: MassUnit;
  /** The test that is chosen at first; null: the first of all. */
  first: string | null;
  /** A result that is corrected: the one that is recorded takes its place. */
  instead?: Result;
  onClose: () => void;
  onDone: (said: string, answer: ResultAnswer) => void;
}

/** Records one test of any measure, with its protocol and form standard beside it. */
export function RecordTest(props: Props) {
  const benchmarks = useQuery(benchmarksQuery);
  return (
    <Dialog open onClose={props.onClose} fullWidth maxWidth="sm">
      {benchmarks.data ? (
        <TestForm {...props} benchmarks={benchmarks.data} />
      ) : (
        <DialogContent>
          {benchmarks.isError ? (
            <Failed error={benchmarks.error} retry={() => void benchmarks.refetch()} />
          ) : (
            <Loading />
          )}
        </DialogContent>
      )}
    </Dialog>
  );
}

function TestForm({
  athleteId,
  unit: own,
  first,
  instead,
  onClose,
  onDone,
  benchmarks,
}: Props & { benchmarks: Benchmark[] }) {
  const { today } = useSignedIn();
  // A load stays in the unit that it was written in.
  const unit = instead?.measure === "LoadTimesReps" ? instead.added.unit : own;
  const record = useRecordResult(athleteId);
  const [id] = useState(newId);
  const form = useForm<TestFields, unknown, TestValues>({
    resolver: zodResolver(shape),
    defaultValues: instead ? fieldsFrom(instead) : fieldsOf(first ?? benchmarks[0]?.slug ?? "", today),
  });
  useServerErrors(form, record.error);
  const slug = useWatch({ control: form.control, name: "benchmark" });
  const pain = useWatch({ control: form.control, name: "pain" });
  const benchmark = benchmarks.find((b) => b.slug === slug) ?? null;
  const { errors } = form.formState;
  const asked = benchmark ? fields[benchmark.measure] : [];
  const save = form.handleSubmit((f) =>
    benchmark
      ? record.mutate(
          { id, ...requestOf(f, benchmark, unit), instead: instead?.id },
          {
            onSuccess: (answer) => {
              onDone(sentence(answer), answer);
              onClose();
            },
          },
        )
      : undefined,
  );
  return (
    <form onSubmit={(e) => void save(e)} noValidate>
      <DialogTitle>{instead ? say("correct", { name: instead.name }) : say("recordATest")}</DialogTitle>
      <DialogContent>
        <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr" }, gap: 4, pt: 2 }}>
          <Controller
            control={form.control}
            name="benchmark"
            render={({ field }) => (
              <Autocomplete
                options={benchmarks}
                value={benchmark}
                getOptionLabel={(b) => b.name}
                isOptionEqualToValue={(a, b) => a.slug === b.slug}
                disableClearable={benchmark !== null}
                autoHighlight
                openOnFocus={false}
                noOptionsText={say("noTestByThatName")}
                onChange={(_, chosen) => field.onChange(chosen?.slug ?? "")}
                sx={{ gridColumn: "1 / -1" }}
                renderInput={(params) => <Field {...params} label={say("test")} problem={errors.benchmark?.message} />}
              />
            )}
          />
          <Box sx={{ gridColumn: "1 / -1" }}>
            <Typography variant="body2">{benchmark?.protocol}</Typography>
            <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
              {benchmark?.standard}
            </Typography>
          </Box>
          <Field
            label={say("day")}
            type="date"
            {...form.register("day")}
            problem={errors.day?.message}
            slotProps={{ inputLabel: { shrink: true }, htmlInput: { max: today } }}
          />
          {benchmark?.eachSide && (
            <Controller
              control={form.control}
              name="side"
              render={({ field }) => (
                <Field {...field} select label={say("side")} problem={errors.side?.message}>
                  <MenuItem value="Left">{say("left")}</MenuItem>
                  <MenuItem value="Right">{say("right")}</MenuItem>
                </Field>
              )}
            />
          )}
          {asked.includes("contact") && (
            <Controller
              control={form.control}
              name="contact"
              render={({ field }) => (
                <Field {...field} select label={say("highestContactOfEveryRep")} problem={errors.contact?.message}>
                  {contacts.map((c) => (
                    <MenuItem key={c} value={c}>
                      {contactWord[c]}
                    </MenuItem>
                  ))}
                </Field>
              )}
            />
          )}
          {asked
            .filter((name): name is NumberField => name !== "contact")
            .map((name, i) => (
              <Field
                key={name}
                label={
                  name === "reps" && benchmark?.measure === "SecondsPerDescent" ? say("descentsInASet") : labels[name]
                }
                {...form.register(name)}
                autoFocus={i === 0}
                problem={errors[name]?.message}
                help={name === "sets" ? say("thatAllReachedTheFigure") : undefined}
                slotProps={{
                  htmlInput: { inputMode: "decimal" },
                  input: ends[name]
                    ? {
                        endAdornment: (
                          <InputAdornment position="end">
                            {ends[name] === "mass" ? unitName[unit] : ends[name]}
                          </InputAdornment>
                        ),
                      }
                    : undefined,
                }}
              />
            ))}
          <TextField
            label={say("setUp")}
            {...form.register("setUp")}
            error={Boolean(errors.setUp)}
            helperText={
              errors.setUp?.message ??
              (benchmark?.setUp.length
                ? say("soThatItCanBeCompared", { setUp: benchmark.setUp.join(", ") })
                : say("ifThereIsAnythingToNote"))
            }
          />
          <Controller
            control={form.control}
            name="pain"
            render={({ field }) => (
              <Field {...field} select label={say("pain")} problem={errors.pain?.message}>
                <MenuItem value="0">{say("none")}</MenuItem>
                {Array.from({ length: 10 }, (_, i) => (
                  <MenuItem key={i} value={String(i + 1)}>
                    {say("of10", { i: i + 1 })}
                  </MenuItem>
                ))}
              </Field>
            )}
          />
          {pain !== "0" && (
            <Controller
              control={form.control}
              name="painPlace"
              render={({ field }) => (
                <Field {...field} select label={say("where")} problem={errors.painPlace?.message}>
                  {painPlaces.map((place) => (
                    <MenuItem key={place} value={place}>
                      {place}
                    </MenuItem>
                  ))}
                </Field>
              )}
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
                aria-label={say("form")}
                sx={{ alignSelf: "start", pt: 1 }}
              >
                <ToggleButton value="Clean">{say("formClean")}</ToggleButton>
                <ToggleButton value="Broken">{say("formBroke")}</ToggleButton>
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
        <Button onClick={onClose}>{say("cancel")}</Button>
        <Button type="submit" variant="contained" color="secondary" disabled={record.isPending}>
          {say("record")}
        </Button>
      </DialogActions>
    </form>
  );
}

type NumberField = "added" | "seconds" | "degrees" | "reps" | "sets" | "restSeconds" | "reserve";

/** What each measure asks for, in the order in which it is typed. */
const fields: Record<TestMeasure, (NumberField | "contact")[]> = {
  Reps: ["reps", "sets"],
  Seconds: ["seconds", "sets"],
  SecondsPerDescent: ["seconds", "reps", "sets"],
  ContactHeight: ["reps", "contact"],
  LoadTimesReps: ["added", "reps", "reserve", "sets"],
  Capacity: ["sets", "reps", "restSeconds"],
  Degrees: ["degrees"],
};

type TestMeasure = NonNullable<ResultAnswer["result"]["measure"]>;

const labels: Record<NumberField, string> = {
  added: "Load",
  seconds: "Seconds",
  degrees: "Degrees",
  reps: say("cleanReps"),
  sets: "Sets",
  restSeconds: say("longestRest"),
  reserve: say("leftInReserve"),
};

const ends: Partial<Record<NumberField, string>> = { added: "mass", seconds: "s", degrees: "°", restSeconds: "s" };

/** What a result changed, in a sentence. */
function sentence({ result, changes }: ResultAnswer) {
  const what =
    result.form === "Broken"
      ? say("keptBrokenFormCountsForNothing", { name: result.name })
      : result.givesEstimate || result.measure !== "LoadTimesReps"
        ? say("kept", { name: result.name })
        : say("keptAsALogEffectiveRepsAre", { name: result.name, effectiveReps: result.effectiveReps });
  return [what, ...changes.map(changeText)].join(" ");
}
