import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import MenuItem from "@mui/material/MenuItem";
import Typography from "@mui/material/Typography";
import { zodResolver } from "@hookform/resolvers/zod";
import { Controller, useForm } from "react-hook-form";
import { z } from "zod";
import { Problem } from "../../shared/api/client";
import type { AthleteLadder } from "../../shared/api/types";
import { messageOf } from "../../shared/ui/states";
import { useServerErrors } from "../../shared/ui/useServerErrors";
import { useSetPlacement } from "../../shared/ladders/useLadders";
import { Field } from "../../shared/ui/Field";
import { say } from "../../words/ladders";

const shape = z.object({ step: z.string(), reason: z.string().trim().min(1, say("writeTheReasonItIsKept")) });

/** The coach sets a step against the rule, with the reason. */
export function PlaceDialog({
  athleteId,
  placed,
  onClose,
}: {
  athleteId: string;
  placed: AthleteLadder;
  onClose: () => void;
}) {
  const set = useSetPlacement(athleteId, placed.ladder);
  const form = useForm({
    resolver: zodResolver(shape),
    defaultValues: { step: placed.steps[placed.training ?? 0]!.slug, reason: placed.coach?.reason ?? "" },
  });
  useServerErrors(form, set.error);
  const { errors } = form.formState;
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs">
      <form noValidate onSubmit={(e) => void form.handleSubmit((f) => set.mutateAsync(f).then(onClose, () => {}))(e)}>
        <DialogTitle>{say("setTheStepYourself")}</DialogTitle>
        <DialogContent sx={{ display: "grid", gap: 4 }}>
          <Typography variant="body2">{say("theRulesOwnPlaceStaysInView")}</Typography>
          <Controller
            control={form.control}
            name="step"
            render={({ field }) => (
              <Field {...field} select label={say("stepInTraining")} problem={errors.step?.message}>
                {placed.steps.map((s) => (
                  <MenuItem key={s.slug} value={s.slug}>
                    {s.name}
                  </MenuItem>
                ))}
              </Field>
            )}
          />
          <Field
            label={say("reason")}
            autoFocus
            {...form.register("reason")}
            problem={errors.reason?.message}
            slotProps={{ htmlInput: { maxLength: 220 } }}
          />
          {set.error && !(set.error instanceof Problem && set.error.fields.length > 0) && (
            <Typography color="error" role="alert">
              {messageOf(set.error)}
            </Typography>
          )}
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>{say("cancel")}</Button>
          <Button type="submit" variant="contained" color="secondary" disabled={set.isPending}>
            {say("setTheStep")}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
