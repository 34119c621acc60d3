import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { Decision } from "../api/types";
import { dayWeek } from "../ui/format";
import { LineEditor } from "../sessions/LineEditor";
import { ReasonField } from "../sessions/ReasonField";
import { useMeaning } from "../sessions/useMeaning";
import { useDecide } from "./useDesk";
import { say } from "../../words/decisions";

/** Accept with another line than the proposed one. */
export default function EditDecision({ decision, onClose }: { decision: Decision; onClose: () => void }) {
  const movement = decision.next?.movement ?? decision.movement;
  const [line, setLine] = useState(decision.next?.line ?? "");
  const [reason, setReason] = useState("");
  const meaning = useMeaning(decision.athleteId, movement, line, decision.nextDay);
  const { accept } = useDecide();
  const send = () => accept.mutate({ id: decision.id, line, reason: reason || null }, { onSuccess: onClose });
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md">
      <DialogTitle>
        {decision.athleteName}, {decision.next?.name ?? decision.movementName}, {dayWeek(decision.nextDay)}
      </DialogTitle>
      <DialogContent>
        <Typography color="textSecondary" sx={{ mb: 3 }}>
          {decision.before ? say("lastTime", { before: decision.before }) : say("notTrainedYet")}
        </Typography>
        <LineEditor
          athleteId={decision.athleteId}
          movement={movement}
          subject={`${decision.athleteName}, ${decision.next?.name ?? decision.movementName}`}
          day={decision.nextDay}
          line={line}
          onChange={setLine}
          onEnter={send}
          error={accept.error}
          autoFocus
        />
        <ReasonField
          needs={meaning.data?.needsReason ?? []}
          value={reason}
          onChange={setReason}
          error={accept.error}
          path="reason"
        />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{say("cancel")}</Button>
        <Button variant="contained" color="secondary" disabled={!meaning.data?.plan || accept.isPending} onClick={send}>
          {say("acceptWithThisLine")}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
