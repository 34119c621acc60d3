import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Problem } from "../../shared/api/client";
import type { Session, SessionItem } from "../../shared/api/types";
import { MovementPicker } from "../../shared/blocks/MovementPicker";
import { LineEditor } from "../../shared/sessions/LineEditor";
import { useChangeSession } from "../../shared/sessions/useSession";
import { Field } from "../../shared/ui/Field";
import { newId } from "../../shared/ui/newId";
import { messageOf } from "../../shared/ui/states";
import { say } from "../../words/live";

/** The coach changes what is still to be done of an exercise: another load, other reps, another movement. */
export default function ChangeRest({
  session,
  item,
  onClose,
}: {
  session: Session;
  item: SessionItem;
  onClose: () => void;
}) {
  const [id] = useState(newId);
  const [movement, setMovement] = useState({ slug: item.movement.slug, name: item.movement.name });
  const [line, setLine] = useState(item.line);
  const [reason, setReason] = useState("");
  const { change } = useChangeSession(session.athleteId, session.id);
  const refused = (path: string) => (change.error instanceof Problem ? change.error.fieldMessage(path) : undefined);
  const send = () =>
    change.mutate({ itemId: item.id, id, movement: movement.slug, line, reason }, { onSuccess: onClose });
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md">
      <DialogTitle>{say("changeOf", { name: session.athleteName, movement: movement.name })}</DialogTitle>
      <DialogContent>
        <Typography color="textSecondary" sx={{ mb: 4 }}>
          {say("changeHelp")}
        </Typography>
        <Box sx={{ display: "grid", gap: 4 }}>
          <MovementPicker athleteId={session.athleteId} label={say("movement")} onPick={setMovement} />
          <LineEditor
            athleteId={session.athleteId}
            movement={movement.slug}
            day={session.day}
            line={line}
            onChange={setLine}
            onEnter={send}
            subject={`${session.athleteName}, ${movement.name}`}
            error={change.error}
          />
          <Field
            label={say("reason")}
            value={reason}
            onChange={(e) => setReason(e.target.value)}
            problem={refused("reason")}
            slotProps={{ htmlInput: { maxLength: 200 } }}
          />
        </Box>
        {change.error && !refused("reason") && !refused("line") && (
          <Typography color="error" role="alert">
            {messageOf(change.error)}
          </Typography>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{say("cancel")}</Button>
        <Button variant="contained" color="secondary" disabled={change.isPending} onClick={send}>
          {say("save")}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
