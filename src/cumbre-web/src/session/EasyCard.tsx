import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import type { Session } from "../api/types";
import { messageOf } from "../ui/states";
import { Card } from "./Card";
import { useChangeSession } from "./useSession";

/** After a short night with a sore body: the easy version of the day, taken or refused; both answers are kept. */
export function EasyCard({ session }: { session: Session }) {
  const { easy } = useChangeSession(session.athleteId, session.id);
  const took = session.checkIn?.tookEasy;
  if (!session.easyOffered && took == null) return null;
  const open = session.status === "Planned";
  return (
    <Card label={took ? "Easy version" : "Short night, sore: half the sets today?"}>
      <Typography color="textSecondary" sx={{ mr: "auto" }}>
        {took
          ? "Half the sets, the same movements, nothing to failure, no maximal hold. Today only; it does not count as a step back."
          : took === false
            ? "Refused: the session stays as planned."
            : "The same movements, nothing to failure, no maximal hold. It does not count as a step back."}
      </Typography>
      {open && took !== true && (
        <Button variant="contained" color="secondary" disabled={easy.isPending} onClick={() => easy.mutate(true)}>
          Use easy version
        </Button>
      )}
      {open && took !== false && (
        <Button disabled={easy.isPending} onClick={() => easy.mutate(false)}>
          {took ? "Back to plan" : "Train as planned"}
        </Button>
      )}
      {easy.error && (
        <Typography color="error" role="alert">
          {messageOf(easy.error)}
        </Typography>
      )}
    </Card>
  );
}
