import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import Switch from "@mui/material/Switch";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { zodResolver } from "@hookform/resolvers/zod";
import { useState } from "react";
import { Controller, useFieldArray, useForm } from "react-hook-form";
import { z } from "zod";
import { Problem } from "../api/client";
import type { Athlete, AthleteRequest } from "../api/types";
import { unitName } from "../ui/format";
import { decimal, whole } from "../ui/shapes";
import { messageOf } from "../ui/states";
import { useServerErrors } from "../ui/useServerErrors";
import { useSaveAthlete } from "./useLift";

const unit = z.enum(["Kg", "Lb"]);

const shape = z.object({
  name: z.string().trim().min(1, "Write a name."),
  birthYear: z.union([z.literal(""), whole("the year")]),
  unit,
  loadingSchool: z.enum(["BaseFirst", "RepFirst"]),
  increaseSchool: z.enum(["TwoInARow", "OneCleanSession"]),
  cleared: z.boolean(),
  hasBelt: z.boolean(),
  vest: z.union([z.literal(""), decimal("the vest’s mass")]),
  vestUnit: unit,
  plates: z.array(z.object({ size: decimal("the size"), unit, count: whole("how many") })),
});

type Fields = z.input<typeof shape>;

/** The server names fields as the request has them; the form is flatter. */
function toFormPath(path: string) {
  return path
    .replace(/^kit\.plates\[(\d+)\]\./, "plates.$1.")
    .replace(/^kit\.vest$/, "vest")
    .replace(/^kit\.plates$/, "plates.root");
}

function fieldsOf(a: Athlete): Fields {
  return {
    name: a.name,
    birthYear: a.birthYear === null ? "" : String(a.birthYear),
    unit: a.unit,
    loadingSchool: a.loadingSchool,
    increaseSchool: a.increaseSchool,
    cleared: a.cleared,
    hasBelt: a.kit.hasBelt,
    vest: a.kit.vest ? String(a.kit.vest.value) : "",
    vestUnit: a.kit.vest?.unit ?? a.unit,
    plates: a.kit.plates.map((p) => ({ size: String(p.size.value), unit: p.size.unit, count: String(p.count) })),
  };
}

function requestOf(f: z.output<typeof shape>, version: number): AthleteRequest {
  return {
    name: f.name,
    birthYear: f.birthYear === "" ? null : f.birthYear,
    unit: f.unit,
    loadingSchool: f.loadingSchool,
    increaseSchool: f.increaseSchool,
    cleared: f.cleared,
    kit: {
      plates: f.plates.map((p) => ({ size: { value: p.size, unit: p.unit }, count: p.count })),
      hasBelt: f.hasBelt,
      vest: f.vest === "" ? null : { value: f.vest, unit: f.vestUnit },
    },
    version,
  };
}

export function ProfileForm({ athlete, onSaved }: { athlete: Athlete; onSaved?: (saved: Athlete) => void }) {
  const [version, setVersion] = useState(athlete.version);
  const save = useSaveAthlete(athlete.id);
  const form = useForm<Fields, unknown, z.output<typeof shape>>({
    resolver: zodResolver(shape),
    defaultValues: fieldsOf(athlete),
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
          form.reset(fieldsOf(saved));
          onSaved?.(saved);
        },
      }),
    );
  const conflict = save.error instanceof Problem && save.error.isConflict ? (save.error.current as Athlete) : null;
  const unknownProblem = save.error && !conflict && !(save.error instanceof Problem && save.error.fields.length > 0);
  return (
    <Box component="form" noValidate onSubmit={(e) => void send(version)(e)} aria-label="Profile">
      <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "2fr 1fr 1fr" }, gap: 4 }}>
        <TextField
          label="Name"
          autoFocus={athlete.version === 0}
          {...register("name")}
          error={Boolean(errors.name)}
          helperText={errors.name?.message}
          slotProps={{ htmlInput: { maxLength: 100 } }}
        />
        <TextField
          label="Birth year"
          {...register("birthYear")}
          error={Boolean(errors.birthYear)}
          helperText={errors.birthYear?.message ?? "if known"}
          slotProps={{ htmlInput: { inputMode: "numeric" } }}
        />
        <Select
          control={control}
          name="unit"
          label="Thinks in"
          options={[
            ["Kg", "kg"],
            ["Lb", "lb"],
          ]}
        />
        <Box sx={{ gridColumn: "1 / -1", display: "grid", gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr" }, gap: 4 }}>
          <Select
            control={control}
            name="loadingSchool"
            label="When to load"
            options={[
              ["BaseFirst", "base first"],
              ["RepFirst", "reps first"],
            ]}
            help="Base first asks chin-ups, push-ups, rows and dips; reps first asks 10 to 12 clean pull-ups."
          />
          <Select
            control={control}
            name="increaseSchool"
            label="When to add load"
            options={[
              ["TwoInARow", "two clean sessions in a row"],
              ["OneCleanSession", "one clean session"],
            ]}
            help="Two in a row is the slower and safer way; one suits those who recover fast."
          />
        </Box>
        <Controller
          control={control}
          name="cleared"
          render={({ field }) => (
            <FormControlLabel
              sx={{ gridColumn: "1 / -1" }}
              control={<Switch checked={field.value} onChange={(_, v) => field.onChange(v)} />}
              label="Cleared by a licensed professional, where that is needed"
            />
          )}
        />
      </Box>
      <Typography variant="h2" sx={{ mt: 5, mb: 3 }}>
        Kit
      </Typography>
      <Box sx={{ display: "flex", gap: 4, flexWrap: "wrap", alignItems: "flex-start" }}>
        <Controller
          control={control}
          name="hasBelt"
          render={({ field }) => (
            <FormControlLabel
              control={<Switch checked={field.value} onChange={(_, v) => field.onChange(v)} />}
              label="Belt with a chain"
            />
          )}
        />
        <TextField
          label="Vest"
          {...register("vest")}
          error={Boolean(errors.vest)}
          helperText={errors.vest?.message ?? "empty: none"}
          sx={{ width: 110 }}
          slotProps={{ htmlInput: { inputMode: "decimal" } }}
        />
        <Box sx={{ width: 90 }}>
          <Select
            control={control}
            name="vestUnit"
            label="Unit"
            options={[
              ["Kg", "kg"],
              ["Lb", "lb"],
            ]}
          />
        </Box>
      </Box>
      <Box component="ul" aria-label="Plates" sx={{ listStyle: "none", m: 0, mt: 3, p: 0, display: "grid", gap: 3 }}>
        {plates.fields.map((row, i) => {
          const bad = errors.plates?.[i];
          return (
            <Box
              component="li"
              key={row.id}
              sx={{ display: "flex", gap: 2, alignItems: "flex-start", flexWrap: "wrap" }}
            >
              <TextField
                label={`Plate ${i + 1}`}
                {...register(`plates.${i}.size`)}
                error={Boolean(bad?.size)}
                helperText={bad?.size?.message}
                sx={{ width: 150 }}
                slotProps={{ htmlInput: { inputMode: "decimal" } }}
              />
              <Box sx={{ width: 90 }}>
                <Select
                  control={control}
                  name={`plates.${i}.unit`}
                  label="Unit"
                  options={[
                    ["Kg", "kg"],
                    ["Lb", "lb"],
                  ]}
                />
              </Box>
              <TextField
                label="How many"
                {...register(`plates.${i}.count`)}
                error={Boolean(bad?.count)}
                helperText={bad?.count?.message}
                sx={{ width: 130 }}
                slotProps={{ htmlInput: { inputMode: "numeric" } }}
              />
              <Button
                variant="text"
                onClick={() => plates.remove(i)}
                aria-label={`Remove plate ${i + 1}`}
                sx={{ minHeight: 40 }}
              >
                Remove
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
        onClick={() => plates.append({ size: "", unit: form.getValues("unit"), count: "2" })}
      >
        Add a plate size
      </Button>
      {conflict && (
        <Alert severity="warning" sx={{ mt: 4 }}>
          {messageOf(save.error)} Stored now: {conflict.name},{" "}
          {conflict.kit.plates.map((p) => `${p.count} × ${p.size.value} ${unitName[p.size.unit]}`).join(", ") ||
            "no plates"}
          . What you typed is still here.
          <Box sx={{ mt: 1, display: "flex", gap: 2 }}>
            <Button size="small" onClick={() => void send(conflict.version)()}>
              Save mine over it
            </Button>
            <Button
              size="small"
              onClick={() => {
                form.reset(fieldsOf(conflict));
                setVersion(conflict.version);
                save.reset();
              }}
            >
              Take the stored one
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
          Save
        </Button>
        <Typography variant="body2" color="textSecondary" role="status">
          {save.isSuccess && !isDirty && "saved"}
        </Typography>
      </Box>
    </Box>
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
  name: "unit" | "vestUnit" | "loadingSchool" | "increaseSchool" | `plates.${number}.unit`;
  label: string;
  options: [string, string][];
  help?: string;
}) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field }) => (
        <TextField {...field} select label={label} helperText={help}>
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
