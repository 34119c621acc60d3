import { Listed } from "../../shared/ui/Listed";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, ask, Problem } from "../../shared/api/client";
import type { OtherTraining as Other } from "../../shared/api/types";
import { dayShort } from "../../shared/ui/format";
import { newId } from "../../shared/ui/newId";
import { useSignedIn } from "../../shared/account/useMe";
import { QuietButton } from "../../shared/ui/QuietButton";
import { messageOf } from "../../shared/ui/states";
import { Field } from "../../shared/ui/Field";
import { say } from "../../words/overview";

/** Climbing, running, a game: a line with minutes and effort. What was deleted can be brought back. */
export function OtherTraining({ athleteId, others, today }: { athleteId: string; others: Other[]; today: string }) {
  const queries = useQueryClient();
  const afterwards = { onSuccess: () => queries.invalidateQueries({ queryKey: ["overview", athleteId] }) };
  const put = useMutation({
    mutationFn: ({ id, ...body }: Omit<Other, "isHard">) =>
      ask(api.PUT("/api/athletes/{athleteId}/other-training/{id}", { params: { path: { athleteId, id } }, body })),
    ...afterwards,
  });
  const remove = useMutation({
    mutationFn: (id: string) =>
      ask(api.DELETE("/api/athletes/{athleteId}/other-training/{id}", { params: { path: { athleteId, id } } })),
    ...afterwards,
  });
  const { isGuardian } = useSignedIn();
  const [adding, setAdding] = useState(false);
  const [gone, setGone] = useState<Other | null>(null);
  const [what, setWhat] = useState("");
  const [minutes, setMinutes] = useState("60");
  const [effort, setEffort] = useState("6");
  const [day, setDay] = useState(today);
  const refused = (path: string) => (put.error instanceof Problem ? put.error.fieldMessage(path) : undefined);
  const wrongMinutes = !/^\d{1,3}$/.test(minutes.trim());
  return (
    <Box component="section" aria-label={say("otherTraining")}>
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 3 }}>
        <Typography variant="h2" sx={{ mr: "auto" }}>
          {say("otherTraining")}
        </Typography>
        {!adding && !isGuardian && (
          <Button size="small" onClick={() => setAdding(true)}>
            {say("addOtherTraining")}
          </Button>
        )}
      </Box>
      {others.length === 0 && !adding && (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
          {say("climbingRunningAGameNothingInTwelve")}
        </Typography>
      )}
      {others.slice(0, 6).map((o) => (
        <Typography key={o.id} variant="body2" sx={{ mt: 1 }}>
          <Listed>
            {say("minEffortOf10", { day: dayShort(o.day, today), what: o.what, minutes: o.minutes, effort: o.effort })}
            {o.isHard && say("hard")}
          </Listed>{" "}
          {!isGuardian && (
            <QuietButton
              aria-label={say("deleteOf", { what: o.what, day: dayShort(o.day, today) })}
              onClick={() => remove.mutate(o.id, { onSuccess: () => setGone(o) })}
            >
              {say("delete")}
            </QuietButton>
          )}
        </Typography>
      ))}
      {gone && (
        <Typography variant="body2" role="status" sx={{ mt: 1 }}>
          {say("deleted", { what: gone.what })}{" "}
          <QuietButton
            onClick={() => {
              const { id, day: on, what: it, minutes: long, effort: hard } = gone;
              put.mutate({ id, day: on, what: it, minutes: long, effort: hard }, { onSuccess: () => setGone(null) });
            }}
          >
            {say("undo")}
          </QuietButton>
        </Typography>
      )}
      {adding && (
        <Box
          component="form"
          noValidate
          onSubmit={(e) => {
            e.preventDefault();
            if (wrongMinutes) return;
            put.mutate(
              { id: newId(), day, what, minutes: Number(minutes), effort: Number(effort) },
              {
                onSuccess: () => {
                  setAdding(false);
                  setWhat("");
                },
              },
            );
          }}
          sx={{ display: "flex", gap: 3, flexWrap: "wrap", alignItems: "flex-start", mt: 3 }}
        >
          <Field
            label={say("what")}
            value={what}
            autoFocus
            onChange={(e) => setWhat(e.target.value)}
            problem={refused("what")}
            sx={{ width: 150 }}
            slotProps={{ htmlInput: { maxLength: 40 } }}
          />
          <Field
            label={say("minutes")}
            value={minutes}
            onChange={(e) => setMinutes(e.target.value)}
            problem={wrongMinutes ? say("aWholeNumber") : refused("minutes")}
            sx={{ width: 90 }}
            slotProps={{ htmlInput: { inputMode: "numeric" } }}
          />
          <TextField
            select
            label={say("effort")}
            value={effort}
            onChange={(e) => setEffort(e.target.value)}
            sx={{ width: 110 }}
          >
            {Array.from({ length: 10 }, (_, i) => (
              <MenuItem key={i} value={String(i + 1)}>
                {say("of10", { i: i + 1 })}
              </MenuItem>
            ))}
          </TextField>
          <Field
            type="date"
            label={say("day")}
            value={day}
            onChange={(e) => setDay(e.target.value)}
            problem={refused("day")}
            slotProps={{ inputLabel: { shrink: true }, htmlInput: { max: today } }}
          />
          <Button type="submit" disabled={put.isPending || !what.trim()} sx={{ minHeight: 40 }}>
            {say("save")}
          </Button>
          <Button variant="text" onClick={() => setAdding(false)} sx={{ minHeight: 40 }}>
            {say("cancel")}
          </Button>
          {put.error && !["what", "minutes", "day", "effort"].some(refused) && (
            <Typography color="error" role="alert">
              {messageOf(put.error)}
            </Typography>
          )}
        </Box>
      )}
    </Box>
  );
}
