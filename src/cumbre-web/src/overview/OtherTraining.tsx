import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, ask, Problem } from "../api/client";
import type { OtherTraining as Other } from "../api/types";
import { dayShort } from "../ui/format";
import { newId } from "../ui/newId";
import { QuietButton } from "../ui/QuietButton";
import { messageOf } from "../ui/states";

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
  const [adding, setAdding] = useState(false);
  const [gone, setGone] = useState<Other | null>(null);
  const [what, setWhat] = useState("");
  const [minutes, setMinutes] = useState("60");
  const [effort, setEffort] = useState("6");
  const [day, setDay] = useState(today);
  const refused = (path: string) => (put.error instanceof Problem ? put.error.fieldMessage(path) : undefined);
  const wrongMinutes = !/^\d{1,3}$/.test(minutes.trim());
  return (
    <Box component="section" aria-label="Other training">
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 3 }}>
        <Typography variant="h2" sx={{ mr: "auto" }}>
          Other training
        </Typography>
        {!adding && (
          <Button size="small" onClick={() => setAdding(true)}>
            Add other training
          </Button>
        )}
      </Box>
      {others.length === 0 && !adding && (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
          Climbing, running, a game: nothing in twelve weeks.
        </Typography>
      )}
      {others.slice(0, 6).map((o) => (
        <Typography key={o.id} variant="body2" sx={{ mt: 1 }}>
          {dayShort(o.day, today)} {o.what}, {o.minutes} min, effort {o.effort} of 10{o.isHard && ", hard"}{" "}
          <QuietButton
            aria-label={`Delete ${o.what} of ${dayShort(o.day, today)}`}
            onClick={() => remove.mutate(o.id, { onSuccess: () => setGone(o) })}
          >
            Delete
          </QuietButton>
        </Typography>
      ))}
      {gone && (
        <Typography variant="body2" role="status" sx={{ mt: 1 }}>
          {gone.what} deleted.{" "}
          <QuietButton
            onClick={() => {
              const { id, day: on, what: it, minutes: long, effort: hard } = gone;
              put.mutate({ id, day: on, what: it, minutes: long, effort: hard }, { onSuccess: () => setGone(null) });
            }}
          >
            Undo
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
          <TextField
            label="What"
            value={what}
            autoFocus
            onChange={(e) => setWhat(e.target.value)}
            error={Boolean(refused("what"))}
            helperText={refused("what")}
            sx={{ width: 150 }}
            slotProps={{ htmlInput: { maxLength: 40 } }}
          />
          <TextField
            label="Minutes"
            value={minutes}
            onChange={(e) => setMinutes(e.target.value)}
            error={wrongMinutes || Boolean(refused("minutes"))}
            helperText={wrongMinutes ? "A whole number." : refused("minutes")}
            sx={{ width: 90 }}
            slotProps={{ htmlInput: { inputMode: "numeric" } }}
          />
          <TextField
            select
            label="Effort"
            value={effort}
            onChange={(e) => setEffort(e.target.value)}
            sx={{ width: 110 }}
          >
            {Array.from({ length: 10 }, (_, i) => (
              <MenuItem key={i} value={String(i + 1)}>
                {i + 1} of 10
              </MenuItem>
            ))}
          </TextField>
          <TextField
            type="date"
            label="Day"
            value={day}
            onChange={(e) => setDay(e.target.value)}
            error={Boolean(refused("day"))}
            helperText={refused("day")}
            slotProps={{ inputLabel: { shrink: true }, htmlInput: { max: today } }}
          />
          <Button type="submit" disabled={put.isPending || !what.trim()} sx={{ minHeight: 40 }}>
            Save
          </Button>
          <Button variant="text" onClick={() => setAdding(false)} sx={{ minHeight: 40 }}>
            Cancel
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
