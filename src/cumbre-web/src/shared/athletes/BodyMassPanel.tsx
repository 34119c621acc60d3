import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import InputAdornment from "@mui/material/InputAdornment";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableRow from "@mui/material/TableRow";
import Typography from "@mui/material/Typography";
import { zodResolver } from "@hookform/resolvers/zod";
import { useState } from "react";
import { useForm } from "react-hook-form";
import { newId } from "../ui/newId";
import { z } from "zod";
import { useSignedIn, useUnit } from "../account/useMe";
import type { Athlete } from "../api/types";
import { dayShort, unitName, written } from "../ui/format";
import { decimal } from "../ui/shapes";
import { messageOf } from "../ui/states";
import { ConfirmDialog } from "../ui/ConfirmDialog";
import { QuietButton } from "../ui/QuietButton";
import { useServerErrors } from "../ui/useServerErrors";
import { useAddBodyMass, useRemoveBodyMass } from "./useAthlete";
import { Field } from "../ui/Field";
import { say } from "../../words/athlete";

type Reading = Athlete["bodyMasses"][number];

const shape = z.object({ day: z.iso.date(say("chooseADay")), mass: decimal(say("theBodyMass")) });

/** Readings of the scale, newest first, and a line for the next one. */
export function BodyMassPanel({ athlete, shown = 12 }: { athlete: Athlete; shown?: number }) {
  const { today } = useSignedIn();
  const unit = useUnit();
  const [id, setId] = useState(newId);
  const add = useAddBodyMass(athlete.id);
  const remove = useRemoveBodyMass(athlete.id);
  const [asked, setAsked] = useState<Reading | null>(null);
  const [gone, setGone] = useState<Reading | null>(null);
  const form = useForm<z.input<typeof shape>, unknown, z.output<typeof shape>>({
    resolver: zodResolver(shape),
    defaultValues: { day: today, mass: "" },
  });
  useServerErrors(form, add.error);
  const { errors } = form.formState;
  const save = form.handleSubmit((f) =>
    add.mutate(
      { id, day: f.day, mass: { value: f.mass, unit } },
      {
        onSuccess: () => {
          setId(newId());
          form.reset({ day: f.day, mass: "" });
        },
      },
    ),
  );
  return (
    <Box component="section">
      <Typography variant="h2" sx={{ mb: 3 }}>
        {say("bodyMass")}
      </Typography>
      <Box
        component="form"
        noValidate
        onSubmit={(e) => void save(e)}
        aria-label={say("bodyMass")}
        sx={{ display: "flex", gap: 2, alignItems: "flex-start", flexWrap: "wrap" }}
      >
        <Field
          label={say("day")}
          type="date"
          {...form.register("day")}
          problem={errors.day?.message}
          sx={{ width: 148 }}
          slotProps={{ inputLabel: { shrink: true }, htmlInput: { max: today } }}
        />
        <Field
          label={say("bodyMass")}
          {...form.register("mass")}
          problem={errors.mass?.message}
          sx={{ width: 128 }}
          slotProps={{
            htmlInput: { inputMode: "decimal" },
            input: { endAdornment: <InputAdornment position="end">{unitName[unit]}</InputAdornment> },
          }}
        />
        <Button type="submit" disabled={add.isPending} sx={{ minHeight: 40 }}>
          {say("add")}
        </Button>
      </Box>
      {add.isError && Object.keys(errors).length === 0 && (
        <Typography color="error" role="alert">
          {messageOf(add.error)}
        </Typography>
      )}
      {athlete.bodyMasses.length === 0 ? (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 3 }}>
          {say("noReadingYetLoadsAreWorkedOut")}
        </Typography>
      ) : (
        <Table aria-label={say("readings")} sx={{ mt: 3 }}>
          <TableBody>
            {athlete.bodyMasses
              .slice(-shown)
              .reverse()
              .map((r) => (
                <TableRow key={r.id}>
                  <TableCell>{dayShort(r.day, today)}</TableCell>
                  <TableCell align="right" sx={{ fontWeight: 600 }}>
                    {written(r.mass, unit)}
                  </TableCell>
                  <TableCell align="right" sx={{ width: "1%", pr: 0 }}>
                    <Button
                      size="small"
                      variant="text"
                      sx={{ minHeight: 24, py: 0 }}
                      onClick={() => setAsked(r)}
                      aria-label={say("deleteTheReadingOf", { day: r.day })}
                    >
                      {say("delete")}
                    </Button>
                  </TableCell>
                </TableRow>
              ))}
          </TableBody>
        </Table>
      )}
      {gone && (
        <Typography variant="body2" role="status" sx={{ mt: 2 }}>
          {say("ofDeleted", { mass: written(gone.mass, unit), day: dayShort(gone.day, today) })}{" "}
          <QuietButton
            onClick={() =>
              add.mutate({ id: newId(), day: gone.day, mass: gone.mass }, { onSuccess: () => setGone(null) })
            }
          >
            {say("undo")}
          </QuietButton>
        </Typography>
      )}
      {asked && (
        <ConfirmDialog
          title={say("deleteOf", { mass: written(asked.mass, unit), day: dayShort(asked.day, today) })}
          verb={say("delete")}
          busy={remove.isPending}
          onClose={() => setAsked(null)}
          onConfirm={() =>
            remove.mutate(asked.id, {
              onSuccess: () => {
                setGone(asked);
                setAsked(null);
              },
            })
          }
        >
          {say("loadsAndEstimatesOfItsDaysAre")}
        </ConfirmDialog>
      )}
    </Box>
  );
}
