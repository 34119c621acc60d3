import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import FormControlLabel from "@mui/material/FormControlLabel";
import FormGroup from "@mui/material/FormGroup";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { useNavigate } from "react-router";
import { Problem } from "../../shared/api/client";
import type { Session } from "../../shared/api/types";
import { ConfirmDialog } from "../../shared/ui/ConfirmDialog";
import { dayWeek } from "../../shared/ui/format";
import { newId } from "../../shared/ui/newId";
import { messageOf } from "../../shared/ui/states";
import { useChangeSession, useRemoveSession } from "../../shared/sessions/useSession";
import { Field } from "../../shared/ui/Field";
import { say } from "../../words/session";

/** A planned session goes to another day, wholly or in part, or is deleted. */
export function MoveSession({ session }: { session: Session }) {
  const { move, split } = useChangeSession(session.athleteId, session.id);
  const remove = useRemoveSession(session.athleteId);
  const go = useNavigate();
  const [open, setOpen] = useState<"move" | "delete" | null>(null);
  const [day, setDay] = useState(session.day);
  const [stays, setStays] = useState<string[]>([]);
  const [newSession] = useState(newId);
  const all = stays.length === 0;
  const error = move.error ?? split.error;
  const refused = error instanceof Problem ? (error.fieldMessage("day") ?? error.fieldMessage("items")) : undefined;
  const done = { onSuccess: () => setOpen(null) };
  const save = () =>
    all
      ? move.mutate({ day, version: session.version }, done)
      : split.mutate(
          {
            id: newSession,
            day,
            version: session.version,
            items: session.items.filter((i) => !stays.includes(i.id)).map((i) => i.id),
          },
          done,
        );
  return (
    <>
      <Button size="small" onClick={() => setOpen("move")}>
        {say("move")}
      </Button>
      <Button size="small" onClick={() => setOpen("delete")}>
        {say("delete")}
      </Button>
      {open === "move" && (
        <Dialog open onClose={() => setOpen(null)} maxWidth="xs" fullWidth>
          <DialogTitle>{say("moveSession")}</DialogTitle>
          <DialogContent>
            <Field
              type="date"
              label={say("to")}
              value={day}
              onChange={(e) => {
                setDay(e.target.value);
                move.reset();
                split.reset();
              }}
              problem={refused}
              fullWidth
              sx={{ mt: 2 }}
              slotProps={{ inputLabel: { shrink: true } }}
            />
            {session.items.length > 1 && (
              <>
                <Typography variant="body2" color="textSecondary" sx={{ mt: 3 }}>
                  {say("whatStaysOn", { day: dayWeek(session.day) })}
                </Typography>
                <FormGroup>
                  {session.items.map((i) => (
                    <FormControlLabel
                      key={i.id}
                      control={
                        <Checkbox
                          checked={stays.includes(i.id)}
                          onChange={(_, on) => setStays(on ? [...stays, i.id] : stays.filter((x) => x !== i.id))}
                        />
                      }
                      label={i.movement.name}
                    />
                  ))}
                </FormGroup>
              </>
            )}
            {error && !refused && (
              <Typography color="error" role="alert">
                {messageOf(error)}
              </Typography>
            )}
          </DialogContent>
          <DialogActions>
            <Button onClick={() => setOpen(null)}>{say("cancel")}</Button>
            <Button
              onClick={save}
              disabled={
                !day ||
                day === session.day ||
                stays.length === session.items.length ||
                move.isPending ||
                split.isPending
              }
              color="secondary"
              variant="contained"
            >
              {all ? say("moveSession") : say("splitSession")}
            </Button>
          </DialogActions>
        </Dialog>
      )}
      {open === "delete" && (
        <ConfirmDialog
          title={say("deleteTheSessionOf", { day: dayWeek(session.day) })}
          verb={say("delete")}
          busy={remove.isPending}
          onClose={() => setOpen(null)}
          onConfirm={() =>
            remove.mutate(
              { id: session.id, version: session.version },
              { onSuccess: () => void go(`/athletes/${session.athleteId}`) },
            )
          }
        >
          {remove.error ? messageOf(remove.error) : say("nothingOfItIsLoggedItsPlan")}
        </ConfirmDialog>
      )}
    </>
  );
}
