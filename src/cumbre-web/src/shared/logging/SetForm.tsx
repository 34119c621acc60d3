import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import InputAdornment from "@mui/material/InputAdornment";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import Typography from "@mui/material/Typography";
import { zodResolver } from "@hookform/resolvers/zod";
import { useEffect, useState } from "react";
import { Controller, useForm, useWatch } from "react-hook-form";
import { newId } from "../ui/newId";
import { z } from "zod";
import { useUnit } from "../account/useMe";
import type { Effort, Load, LoggedSet, MassUnit, Session, SessionItem } from "../api/types";
import type { Kind } from "../drafts/draft";
import { useDraft } from "../drafts/useDraft";
import { inUnit, moment, number, toKilograms, unitName } from "../ui/format";
import { decimal, whole } from "../ui/shapes";
import { QuietButton } from "../ui/QuietButton";
import { useServerErrors } from "../ui/useServerErrors";
import { contactWord } from "../athletes/painPlaces";
import { hurts, noPain, PainFields, type Pain } from "./PainFields";
import { setUpText, toldOf } from "./setUp";
import { SetUpFields } from "./SetUpFields";
import { useLogSet } from "../sessions/useSession";
import { WhatChanges } from "./WhatChanges";
import { announce } from "../ui/announce";
import { Field } from "../ui/Field";
import { say } from "../../words/session";

const shape = z.object({
  reps: whole(say("theReps")),
  added: decimal(say("theLoad0ForBodyMass")),
  reserve: z.string().nullable(),
  form: z.enum(["Clean", "Broken"]),
  contact: z.string(),
  total: z.string().regex(/^\d{0,3}$/, say("enterAWholeNumber")),
  sagged: z.boolean(),
  failedAt: z.string(),
  fault: z.string(),
  note: z.string().max(200, say("atMost200Characters")),
});

type Fields = z.input<typeof shape>;

/** A set as it is typed. */
interface SetDoc {
  id: string;
  pain: Pain;
  setUp: Record<string, string>;
  fields: Fields;
}

/** The load of a plan in the unit of its pieces where they share one, so that it is exact. */
function planned(load: Load, unit: MassUnit): { value: number; unit: MassUnit } {
  const units = [...new Set(load.pieces.map((p) => p.size.unit))];
  const own = units.length === 1 ? units[0]! : unit;
  return { value: Math.round(inUnit(load.made.value.number ?? 0, own) * 100) / 100, unit: own };
}

/** Logs one set, or corrects one. What is sent carries an id, so sending it again is harmless. */
export function SetForm({
  session,
  item,
  effort,
  load,
  set,
  onDone,
}: {
  session: Session;
  item: SessionItem;
  effort: Effort;
  load: Load;
  set?: LoggedSet;
  onDone: () => void;
}) {
  const reader = useUnit();
  // What was planned or done stays exact, however it is read.
  const exact = set?.added ?? planned(load, reader);
  const shown = exact.unit === reader ? exact.value : Math.round(inUnit(toKilograms(exact), reader) * 10) / 10;
  // A hold is logged in seconds, in the same field.
  const timed = effort.seconds !== null;
  const log = useLogSet(session.athleteId, session.id);
  const [begun] = useState(() => ({
    doc: {
      id: newId(),
      pain: set ? { level: set.pain ?? 0, place: set.painPlace ?? "", sign: set.sign } : noPain,
      setUp: set?.setUp ?? item.lastSetUp,
      fields: {
        reps: String(timed ? (set?.seconds ?? effort.seconds) : (set?.reps ?? effort.repsHigh)),
        added: number(shown).replace("−", "-"),
        reserve: set?.reserve === null || set === undefined ? null : String(Math.min(4, set.reserve)),
        form: set?.form ?? "Clean",
        contact: set?.contact ?? "",
        total: set?.total ? String(set.total) : "",
        sagged: set?.sagged ?? false,
        failedAt: set?.failedAt ?? "",
        fault: set?.fault ?? "",
        note: set?.note ?? "",
      },
    },
    version: 0,
  }));
  const kind: Kind<SetDoc> = {
    title: say("setOf", { set: effort.set, name: item.movement.name, athleteName: session.athleteName }),
    path: `/athletes/${session.athleteId}/sessions/${session.id}`,
    auto: false,
    send: async (doc) => {
      await log.mutateAsync({ id: doc.id, ...requestOf(shape.parse(doc.fields), doc) });
      return { version: 1 };
    },
    // What a set was is told by the page, which reads it again.
    theirs: () => null,
    merge: (_, mine) => ({ doc: mine, clashes: [] }),
    // The answer replaces this form by one for the stored set, so its end is told by the draft and not by the form.
    onStored: () => {
      announce(say(set ? "announceCorrected" : "announceLogged", { set: effort.set, name: item.movement.name }));
      onDone();
    },
  };
  const name = `set:${session.id}:${item.id}:${effort.set}.${effort.part}${effort.side ?? ""}:${set?.id ?? "new"}:${reader}`;
  const { draft, now: typed, failure, state, restored } = useDraft(name, begun, kind);
  const { id, pain, setUp } = typed;
  const form = useForm<Fields, unknown, z.output<typeof shape>>({
    resolver: zodResolver(shape),
    defaultValues: typed.fields,
  });
  useServerErrors(form, failure);
  const { errors } = form.formState;
  const now = useWatch({ control: form.control });
  const clean = now.form === "Clean";
  const fields = JSON.stringify(now);
  useEffect(
    () =>
      draft.edit(
        (d) => (JSON.stringify(d.fields) === fields ? d : { ...d, fields: JSON.parse(fields) as Fields }),
        "f",
      ),
    [draft, fields],
  );
  const [more, setMore] = useState(false);
  const refused = (path: string) => failure?.fieldMessage(path);
  const setUpErrors = Object.fromEntries(item.setUp.map((f) => [f.name, refused(`setUp.${f.name}`)]));
  const inMore = Object.values(setUpErrors).some(Boolean) || Boolean(refused("fault") ?? refused("note"));
  const requestOf = (f: z.output<typeof shape>, { pain, setUp }: Pick<SetDoc, "pain" | "setUp"> = typed) => ({
    set: effort.set,
    part: effort.part,
    item: item.id,
    reps: timed ? 1 : f.reps,
    seconds: timed ? f.reps : null,
    added: f.added === shown ? exact : { value: f.added, unit: reader },
    reserve: f.reserve === null ? null : Number(f.reserve),
    form: f.form,
    pain: pain.level || null,
    painPlace: hurts(pain) ? pain.place || null : null,
    sign: pain.sign,
    contact: f.contact === "" ? null : (f.contact as NonNullable<LoggedSet["contact"]>),
    total: !timed && f.form === "Broken" && f.total !== "" ? Number(f.total) : null,
    sagged: timed && f.sagged,
    setUp: toldOf(setUp),
    failedAt: f.failedAt === "" ? null : (f.failedAt as NonNullable<LoggedSet["failedAt"]>),
    fault: f.form === "Broken" && f.fault !== "" ? f.fault : null,
    note: f.note.trim() || null,
    supersedes: set?.id ?? null,
  });
  // What is planned and was done is stored though nothing was typed.
  const save = form.handleSubmit(() => void draft.store(true));
  const step = (by: number) => () =>
    form.setValue("reps", String(Math.max(0, (Number(form.getValues("reps")) || 0) + by)));
  return (
    <Box
      component="form"
      noValidate
      onSubmit={(e) => void save(e)}
      aria-label={say("set", { set: effort.set })}
      sx={{ display: "flex", gap: 4, flexWrap: "wrap", alignItems: "flex-start", py: 3 }}
    >
      <Box sx={{ display: "flex", gap: 1, alignItems: "flex-start" }}>
        <Button
          onClick={step(-1)}
          aria-label={timed ? say("n1OneSecondLess") : say("n1OneRepFewer")}
          sx={{ minHeight: 40, minWidth: 44 }}
        >
          −1
        </Button>
        <Field
          label={timed ? say("seconds") : clean ? say("reps") : say("cleanReps")}
          {...form.register("reps")}
          autoFocus
          problem={errors.reps?.message}
          sx={{ width: 84 }}
          slotProps={{ htmlInput: { inputMode: "numeric" } }}
        />
        <Button
          onClick={step(1)}
          aria-label={timed ? say("n1OneSecondMore") : say("n1OneRepMore")}
          sx={{ minHeight: 40, minWidth: 44 }}
        >
          +1
        </Button>
      </Box>
      {!timed && !clean && (
        <Field
          label={say("allReps")}
          {...form.register("total")}
          problem={errors.total?.message}
          help={say("cleanOrNot")}
          sx={{ width: 96 }}
          slotProps={{ htmlInput: { inputMode: "numeric" } }}
        />
      )}
      {item.movement.asksContact && (
        <Controller
          control={form.control}
          name="contact"
          render={({ field }) => (
            <TextField {...field} select label={say("reached")} sx={{ width: 130 }}>
              <MenuItem value="">{say("asPlanned")}</MenuItem>
              {Object.entries(contactWord).map(([key, word]) => (
                <MenuItem key={key} value={key}>
                  {word}
                </MenuItem>
              ))}
            </TextField>
          )}
        />
      )}
      {timed && (
        <Controller
          control={form.control}
          name="sagged"
          render={({ field }) => (
            <FormControlLabel
              control={<Checkbox checked={field.value} onChange={(_, on) => field.onChange(on)} />}
              label={say("theLineSagged")}
            />
          )}
        />
      )}
      <Field
        label={say("load")}
        {...form.register("added")}
        problem={errors.added?.message}
        sx={{ width: 120 }}
        slotProps={{
          htmlInput: { inputMode: "decimal" },
          input: { endAdornment: <InputAdornment position="end">{unitName[reader]}</InputAdornment> },
        }}
      />
      <Controller
        control={form.control}
        name="reserve"
        render={({ field }) => (
          <Box>
            <Typography variant="caption" component="p" id={`reserve-${id}`}>
              {say("repsInReserve")}
            </Typography>
            <ToggleButtonGroup
              exclusive
              value={field.value}
              onChange={(_, v: string | null) => field.onChange(v)}
              aria-labelledby={`reserve-${id}`}
            >
              {["0", "1", "2", "3", "4"].map((r) => (
                <ToggleButton key={r} value={r} sx={{ minWidth: 40 }}>
                  {r === "4" ? "4+" : r}
                </ToggleButton>
              ))}
            </ToggleButtonGroup>
          </Box>
        )}
      />
      <Controller
        control={form.control}
        name="form"
        render={({ field }) => (
          <Box>
            <Typography variant="caption" component="p" id={`form-${id}`}>
              {say("form")}
            </Typography>
            <ToggleButtonGroup
              exclusive
              value={field.value}
              onChange={(_, v: string | null) => v && field.onChange(v)}
              aria-labelledby={`form-${id}`}
            >
              <ToggleButton value="Clean">{say("clean")}</ToggleButton>
              <ToggleButton value="Broken">{say("broke")}</ToggleButton>
            </ToggleButtonGroup>
          </Box>
        )}
      />
      {!clean && item.movement.faults.length > 0 && (
        <Controller
          control={form.control}
          name="fault"
          render={({ field }) => (
            <Field {...field} select label={say("whatBroke")} problem={refused("fault")} sx={{ width: 170 }}>
              <MenuItem value="">{say("notTold")}</MenuItem>
              {item.movement.faults.map((f) => (
                <MenuItem key={f} value={f}>
                  {f}
                </MenuItem>
              ))}
            </Field>
          )}
        />
      )}
      {!timed && !clean && (
        <Controller
          control={form.control}
          name="failedAt"
          render={({ field }) => (
            <TextField {...field} select label={say("repFailedAt")} sx={{ width: 130 }}>
              <MenuItem value="">{say("noFailedRep")}</MenuItem>
              <MenuItem value="Start">{say("theStart")}</MenuItem>
              <MenuItem value="Top">{say("theTop")}</MenuItem>
            </TextField>
          )}
        />
      )}
      <PainFields
        pain={pain}
        onChange={(next) => draft.edit((d) => ({ ...d, pain: next }))}
        errors={{ level: refused("pain"), place: refused("painPlace") }}
      />
      <Box sx={{ width: more || inMore ? "100%" : "auto", mr: "auto", alignSelf: "center" }}>
        <Typography variant="body2" component="div" color="textSecondary">
          <QuietButton aria-expanded={more || inMore} onClick={() => setMore(!more)}>
            {item.setUp.length > 0 ? say("setUpAndNote") : say("note")}
          </QuietButton>
          {!more && !inMore && setUpText(toldOf(setUp), item.setUp) && `: ${setUpText(toldOf(setUp), item.setUp)}`}
        </Typography>
        {(more || inMore) && (
          <Box sx={{ display: "flex", gap: 4, flexWrap: "wrap", alignItems: "flex-start", mt: 3 }}>
            <SetUpFields
              fields={item.setUp}
              values={setUp}
              errors={setUpErrors}
              onChange={(next) => draft.edit((d) => ({ ...d, setUp: next }))}
            />
            <Field label={say("note")} {...form.register("note")} problem={errors.note?.message} sx={{ width: 260 }} />
          </Box>
        )}
      </Box>
      {set && shape.safeParse(now).success && (
        <WhatChanges session={session} setId={id} request={requestOf(shape.parse(now))} was={set} />
      )}
      <Button
        type="submit"
        variant="contained"
        color="secondary"
        disabled={state === "saving" || state === "unreachable"}
        sx={{ minHeight: 40, px: 6 }}
      >
        {set ? say("saveTheCorrection") : say("logTheSet")}
      </Button>
      {failure && (failure.isConflict || Object.keys(errors).length === 0) && (
        <Typography color="error" role="alert" sx={{ width: "100%" }}>
          {failure.message}
        </Typography>
      )}
      {state === "unreachable" && (
        <Typography role="status" variant="body2" sx={{ width: "100%" }}>
          {say("keptOnThisDeviceSentWhenThe")}
        </Typography>
      )}
      {restored && state !== "unreachable" && (
        <Typography role="status" variant="body2" color="textSecondary" sx={{ width: "100%" }}>
          {say("asItWasTypedOnNotStored", { restored: moment(restored) })}
        </Typography>
      )}
    </Box>
  );
}
