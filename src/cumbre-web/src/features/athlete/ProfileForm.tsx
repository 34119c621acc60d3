import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import FormControlLabel from "@mui/material/FormControlLabel";
import InputAdornment from "@mui/material/InputAdornment";
import MenuItem from "@mui/material/MenuItem";
import Switch from "@mui/material/Switch";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { zodResolver } from "@hookform/resolvers/zod";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Controller, useFieldArray, useForm } from "react-hook-form";
import { z } from "zod";
import { Problem } from "../../shared/api/client";
import type { Athlete, AthleteRequest, School } from "../../shared/api/types";
import { schoolsQuery } from "../../shared/ladders/useLadders";
import { unitName } from "../../shared/ui/format";
import { stockSorts } from "../../shared/ui/pieces";
import { decimal, whole } from "../../shared/ui/shapes";
import { Failed, Loading, messageOf } from "../../shared/ui/states";
import { useServerErrors } from "../../shared/ui/useServerErrors";
import { useSaveAthlete } from "../../shared/athletes/useAthlete";
import { Field } from "../../shared/ui/Field";
import { say as word } from "../../words/common";
import { say } from "../../words/athlete";

const unit = z.enum(["Kg", "Lb"]);

function length(what: string) {
  return z.union([z.literal(""), decimal(what)]);
}

const shape = z.object({
  name: z.string().trim().min(1, say("writeAName")),
  birthYear: z.union([z.literal(""), whole(say("theYear"))]),
  unit,
  sex: z.enum(["", "Female", "Male"]),
  statureCm: length(say("theStature")),
  armCm: length(say("theArm")),
  trunkCm: length(say("theTrunk")),
  thighCm: length(say("theThigh")),
  shankCm: length(say("theShank")),
  schools: z.record(z.string(), z.string()),
  cleared: z.boolean(),
  hasBelt: z.boolean(),
  vest: z.union([z.literal(""), decimal(say("theVestsMass"))]),
  vestUnit: unit,
  plates: z.array(
    z.object({
      sort: z.enum(["Plate", "Dumbbell", "Chain", "Insert"]),
      size: decimal(say("theSize")),
      unit,
      count: whole(say("howMany")),
    }),
  ),
});

type Fields = z.input<typeof shape>;

/** The server names fields as the request has them; the form is flatter. */
function toFormPath(path: string) {
  return path
    .replace(/^kit\.plates\[(\d+)\]\./, "plates.$1.")
    .replace(/^kit\.vest$/, "vest")
    .replace(/^kit\.plates$/, "plates.root")
    .replace(/^lengths\./, "");
}

function lengthText(cm: number | null) {
  return cm === null ? "" : String(cm);
}

function orNull(value: number | "") {
  return value === "" ? null : value;
}

/** Every question has a field; an empty one is "as the club". */
function fieldsOf(a: Athlete, schools: School[]): Fields {
  return {
    name: a.name,
    birthYear: a.birthYear === null ? "" : String(a.birthYear),
    unit: a.unit,
    sex: a.sex ?? "",
    statureCm: lengthText(a.statureCm),
    armCm: lengthText(a.lengths.armCm),
    trunkCm: lengthText(a.lengths.trunkCm),
    thighCm: lengthText(a.lengths.thighCm),
    shankCm: lengthText(a.lengths.shankCm),
    schools: Object.fromEntries(
      schools.map((s) => [s.slug, a.schools.find((c) => c.question === s.slug)?.choice ?? ""]),
    ),
    cleared: a.cleared,
    hasBelt: a.kit.hasBelt,
    vest: a.kit.vest ? String(a.kit.vest.value) : "",
    vestUnit: a.kit.vest?.unit ?? a.unit,
    plates: a.kit.plates.map((p) => ({
      sort: p.sort === undefined || p.sort === "Vest" ? ("Plate" as const) : p.sort,
      size: String(p.size.value),
      unit: p.size.unit,
      count: String(p.count),
    })),
  };
}

function requestOf(f: z.output<typeof shape>, version: number): AthleteRequest {
  return {
    name: f.name,
    birthYear: f.birthYear === "" ? null : f.birthYear,
    unit: f.unit,
    sex: f.sex === "" ? null : f.sex,
    statureCm: orNull(f.statureCm),
    lengths: {
      armCm: orNull(f.armCm),
      trunkCm: orNull(f.trunkCm),
      thighCm: orNull(f.thighCm),
      shankCm: orNull(f.shankCm),
    },
    schools: Object.entries(f.schools).flatMap(([question, choice]) => (choice ? [{ question, choice }] : [])),
    cleared: f.cleared,
    kit: {
      plates: f.plates.map((p) => ({ size: { value: p.size, unit: p.unit }, count: p.count, sort: p.sort })),
      hasBelt: f.hasBelt,
      vest: f.vest === "" ? null : { value: f.vest, unit: f.vestUnit },
    },
    version,
  };
}

interface Props {
  athlete: Athlete;
}

export function ProfileForm(props: Props) {
  const schools = useQuery(schoolsQuery);
  if (schools.isPending) return <Loading />;
  if (schools.isError) return <Failed error={schools.error} retry={() => void schools.refetch()} />;
  return <Profile {...props} schools={schools.data} />;
}

function Profile({ athlete, schools }: Props & { schools: School[] }) {
  const [version, setVersion] = useState(athlete.version);
  const save = useSaveAthlete(athlete.id);
  const form = useForm<Fields, unknown, z.output<typeof shape>>({
    resolver: zodResolver(shape),
    defaultValues: fieldsOf(athlete, schools),
  });
  const { control, register, formState } = form;
  const { errors, isDirty } = formState;
  const plates = useFieldArray({ control, name: "plates" });
  const serverPaths =
    save.error instanceof Problem ? Object.fromEntries(save.error.fields.map((f) => [f.path, toFormPath(f.path)])) : {};
  useServerErrors(form, save.error, serverPaths);
  const send = (atVersion: number) =>
    form.handleSubmit((f) =>
      save.mutate(requestOf(f, atVersion), {
        onSuccess: (saved) => {
          setVersion(saved.version);
          form.reset(fieldsOf(saved, schools));
        },
      }),
    );
  const conflict = save.error instanceof Problem && save.error.isConflict ? (save.error.current as Athlete) : null;
  const unknownProblem = save.error && !conflict && !(save.error instanceof Problem && save.error.fields.length > 0);
  return (
    <Box component="form" noValidate onSubmit={(e) => void send(version)(e)} aria-label={say("profile")}>
      <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "2fr 1fr 1fr" }, gap: 4 }}>
        <Field
          label={say("name")}
          {...register("name")}
          problem={errors.name?.message}
          slotProps={{ htmlInput: { maxLength: 100 } }}
        />
        <Field
          label={say("birthYear2")}
          {...register("birthYear")}
          problem={errors.birthYear?.message}
          help={say("ifKnown")}
          slotProps={{ htmlInput: { inputMode: "numeric" } }}
        />
        <Select
          control={control}
          name="unit"
          label={say("thinksIn")}
          options={[
            ["Kg", "kg"],
            ["Lb", "lb"],
          ]}
        />
        <Select
          control={control}
          name="sex"
          label={say("proportions")}
          options={[
            ["", say("meanOfBothTables")],
            ["Female", word("womens")],
            ["Male", word("mens")],
          ]}
          help={say("forTheMomentOfLevers")}
        />
        <Centimetres
          register={register}
          errors={errors}
          name="statureCm"
          label={say("stature")}
          help={say("emptyUnknown")}
        />
        <Box component="details" sx={{ gridColumn: "1 / -1" }}>
          <Box component="summary" sx={{ fontSize: 13, cursor: "pointer", py: 1 }}>
            {say("measuredLengthsWhereTheyDifferFrom")}
          </Box>
          <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr 1fr", sm: "repeat(4, 1fr)" }, gap: 4, pt: 2 }}>
            <Centimetres
              register={register}
              errors={errors}
              name="armCm"
              label={say("arm")}
              help={say("shoulderToKnuckle")}
            />
            <Centimetres
              register={register}
              errors={errors}
              name="trunkCm"
              label={say("trunk")}
              help={say("shoulderToHip")}
            />
            <Centimetres
              register={register}
              errors={errors}
              name="thighCm"
              label={say("thigh")}
              help={say("hipToKnee")}
            />
            <Centimetres
              register={register}
              errors={errors}
              name="shankCm"
              label={say("shank")}
              help={say("kneeToAnkle")}
            />
          </Box>
        </Box>
        <SchoolFields control={control} schools={schools} />
        <Controller
          control={control}
          name="cleared"
          render={({ field }) => (
            <FormControlLabel
              sx={{ gridColumn: "1 / -1" }}
              control={<Switch checked={field.value} onChange={(_, v) => field.onChange(v)} />}
              label={say("clearedByALicensedProfessionalWhere")}
            />
          )}
        />
      </Box>
      <Typography variant="h2" sx={{ mt: 5 }}>
        {say("kit")}
      </Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 3 }}>
        {athlete.intake.place === "Hall" ? say("trainsInTheHallTheClubsKit") : say("trainsAtHomeThisIsWhatCan")}
      </Typography>
      <Box sx={{ display: "flex", gap: 4, flexWrap: "wrap", alignItems: "flex-start" }}>
        <Controller
          control={control}
          name="hasBelt"
          render={({ field }) => (
            <FormControlLabel
              control={<Switch checked={field.value} onChange={(_, v) => field.onChange(v)} />}
              label={say("beltWithAChain")}
            />
          )}
        />
        <Field
          label={say("vest2")}
          {...register("vest")}
          problem={errors.vest?.message}
          help={word("emptyNone")}
          sx={{ width: 110 }}
          slotProps={{ htmlInput: { inputMode: "decimal" } }}
        />
        <Box sx={{ width: 90 }}>
          <Select
            control={control}
            name="vestUnit"
            label={say("unit")}
            options={[
              ["Kg", "kg"],
              ["Lb", "lb"],
            ]}
          />
        </Box>
      </Box>
      <Box
        component="ul"
        aria-label={say("plates")}
        sx={{ listStyle: "none", m: 0, mt: 3, p: 0, display: "grid", gap: 3 }}
      >
        {plates.fields.map((row, i) => {
          const bad = errors.plates?.[i];
          return (
            <Box
              component="li"
              key={row.id}
              sx={{ display: "flex", gap: 2, alignItems: "flex-start", flexWrap: "wrap" }}
            >
              <Box sx={{ width: 130 }}>
                <Select
                  control={control}
                  name={`plates.${i}.sort`}
                  label={say("what")}
                  options={stockSorts.map((s) => [s.sort, s.name])}
                />
              </Box>
              <Field
                label={say("size", { i: i + 1 })}
                {...register(`plates.${i}.size`)}
                problem={bad?.size?.message}
                sx={{ width: 150 }}
                slotProps={{ htmlInput: { inputMode: "decimal" } }}
              />
              <Box sx={{ width: 90 }}>
                <Select
                  control={control}
                  name={`plates.${i}.unit`}
                  label={say("unit")}
                  options={[
                    ["Kg", "kg"],
                    ["Lb", "lb"],
                  ]}
                />
              </Box>
              <Field
                label={say("howMany2")}
                {...register(`plates.${i}.count`)}
                problem={bad?.count?.message}
                sx={{ width: 130 }}
                slotProps={{ htmlInput: { inputMode: "numeric" } }}
              />
              <Button
                variant="text"
                onClick={() => plates.remove(i)}
                aria-label={say("removePiece", { i: i + 1 })}
                sx={{ minHeight: 40 }}
              >
                {say("remove")}
              </Button>
            </Box>
          );
        })}
      </Box>
      {errors.plates?.root && (
        <Typography color="error" variant="body2" role="alert" sx={{ mt: 2 }}>
          {errors.plates.root.message}
        </Typography>
      )}
      <Button
        size="small"
        sx={{ mt: 3 }}
        onClick={() => plates.append({ sort: "Plate", size: "", unit: form.getValues("unit"), count: "2" })}
      >
        {say("addASize")}
      </Button>
      {conflict && (
        <Alert severity="warning" sx={{ mt: 4 }}>
          {say("storedNowWhatYouTypedIsStill", {
            error: messageOf(save.error),
            name: conflict.name,
            plates:
              conflict.kit.plates.map((p) => `${p.count} × ${p.size.value} ${unitName[p.size.unit]}`).join(", ") ||
              say("noPlates"),
          })}
          <Box sx={{ mt: 1, display: "flex", gap: 2 }}>
            <Button size="small" onClick={() => void send(conflict.version)()}>
              {say("saveMineOverIt")}
            </Button>
            <Button
              size="small"
              onClick={() => {
                form.reset(fieldsOf(conflict, schools));
                setVersion(conflict.version);
                save.reset();
              }}
            >
              {say("takeTheStoredOne")}
            </Button>
          </Box>
        </Alert>
      )}
      {unknownProblem && (
        <Typography color="error" role="alert" sx={{ mt: 3 }}>
          {messageOf(save.error)}
        </Typography>
      )}
      <Box sx={{ mt: 4, display: "flex", gap: 3, alignItems: "center" }}>
        <Button type="submit" variant="contained" color="secondary" disabled={save.isPending}>
          {say("save")}
        </Button>
        <Typography variant="body2" color="textSecondary" role="status">
          {save.isSuccess && !isDirty && say("saved")}
        </Typography>
      </Box>
    </Box>
  );
}

type LengthField = "statureCm" | "armCm" | "trunkCm" | "thighCm" | "shankCm";

function Centimetres({
  register,
  errors,
  name,
  label,
  help,
}: {
  register: ReturnType<typeof useForm<Fields, unknown, z.output<typeof shape>>>["register"];
  errors: Partial<Record<LengthField, { message?: string }>>;
  name: LengthField;
  label: string;
  help: string;
}) {
  return (
    <Field
      label={label}
      {...register(name)}
      problem={errors[name]?.message}
      help={help}
      slotProps={{
        htmlInput: { inputMode: "decimal" },
        input: { endAdornment: <InputAdornment position="end">{say("cm")}</InputAdornment> },
      }}
    />
  );
}

/** Where this athlete's schools differ from the club's; the two that rule loading stand first. */
function SchoolFields({
  control,
  schools,
}: {
  control: ReturnType<typeof useForm<Fields, unknown, z.output<typeof shape>>>["control"];
  schools: School[];
}) {
  const field = (s: School) => (
    <Select
      key={s.slug}
      control={control}
      name={`schools.${s.slug}`}
      label={s.question}
      options={[
        ["", say("asTheClub", { name: s.choices.find((c) => c.slug === s.club)?.name ?? "" })],
        ...s.choices.map((c): [string, string] => [c.slug, c.name]),
      ]}
    />
  );
  const first = ["loading", "increase"];
  return (
    <>
      <Box sx={{ gridColumn: "1 / -1", display: "grid", gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr" }, gap: 4 }}>
        {schools.filter((s) => first.includes(s.slug)).map(field)}
      </Box>
      <Box component="details" sx={{ gridColumn: "1 / -1" }}>
        <Box component="summary" sx={{ fontSize: 13, cursor: "pointer", py: 1 }}>
          {say("otherSchoolsOfThisAthlete")}
        </Box>
        <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr" }, gap: 4, pt: 2 }}>
          {schools.filter((s) => !first.includes(s.slug)).map(field)}
        </Box>
      </Box>
    </>
  );
}

function Select({
  control,
  name,
  label,
  options,
  help,
}: {
  control: ReturnType<typeof useForm<Fields, unknown, z.output<typeof shape>>>["control"];
  name: "unit" | "vestUnit" | "sex" | `schools.${string}` | `plates.${number}.unit` | `plates.${number}.sort`;
  label: string;
  options: [string, string][];
  help?: string;
}) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field }) => (
        <TextField
          {...field}
          value={field.value ?? ""}
          select
          label={label}
          helperText={help}
          slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
        >
          {options.map(([value, text]) => (
            <MenuItem key={value} value={value}>
              {text}
            </MenuItem>
          ))}
        </TextField>
      )}
    />
  );
}
