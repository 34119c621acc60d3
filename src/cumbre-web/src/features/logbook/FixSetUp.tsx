import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, ask, Problem } from "../../shared/api/client";
import type { Movement } from "../../shared/api/types";
import { Field } from "../../shared/ui/Field";
import { messageOf } from "../../shared/ui/states";
import { say } from "../../words/logbook";
import type { LogFilter } from "./filter";

/** How the movement was set up, told after the fact for all sets of the filter: counted first, then written. */
export function FixSetUp({
  filter,
  movement,
  onClose,
}: {
  filter: LogFilter;
  movement: Movement;
  onClose: () => void;
}) {
  const [part, setPart] = useState(movement.setUp[0] ?? "");
  const [value, setValue] = useState("");
  const client = useQueryClient();
  const send = (check: boolean) =>
    ask(
      api.POST("/api/logbook/set-up", { params: { query: { ...filter, check } }, body: { part, value: value.trim() } }),
    );
  const check = useMutation({ mutationFn: () => send(true) });
  const fix = useMutation({
    mutationFn: () => send(false),
    onSuccess: async () => {
      await client.invalidateQueries();
      onClose();
    },
  });
  const problem = (fix.error ?? check.error) instanceof Problem ? ((fix.error ?? check.error) as Problem) : null;
  const atValue = problem?.fieldMessage("value");
  const change = (set: (text: string) => void) => (text: string) => {
    set(text);
    check.reset();
    fix.reset();
  };
  return (
    <Dialog open onClose={onClose} maxWidth="xs" fullWidth>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          if (check.data) fix.mutate();
          else check.mutate();
        }}
      >
        <DialogTitle>{say("setUpOf", { movement: movement.name })}</DialogTitle>
        <DialogContent sx={{ display: "grid", gap: 4, pt: "8px !important" }}>
          <Typography variant="body2" color="textSecondary">
            {say("setUpHelp")}
          </Typography>
          <TextField select label={say("part")} value={part} onChange={(e) => change(setPart)(e.target.value)}>
            {movement.setUp.map((p) => (
              <MenuItem key={p} value={p}>
                {p}
              </MenuItem>
            ))}
          </TextField>
          <Field
            label={say("setUpWas")}
            value={value}
            onChange={(e) => change(setValue)(e.target.value)}
            problem={atValue}
            help={say("setUpEmpty")}
          />
          {problem && !atValue && <Alert severity="error">{messageOf(problem)}</Alert>}
          {check.data && (
            <Typography role="status">
              {check.data.changed === 0
                ? say("setUpNothing")
                : say("setUpChanges", {
                    changed: check.data.changed,
                    sets: check.data.sets,
                    athletes: check.data.athletes,
                  })}
            </Typography>
          )}
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>{say("cancelSetUp")}</Button>
          <Button type="submit" disabled={check.isPending || fix.isPending || check.data?.changed === 0}>
            {check.data ? say("setUpApply") : say("setUpCheck")}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
