import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import type { Session } from "../../shared/api/types";
import { messageOf } from "../../shared/ui/states";
import { Card } from "./Card";
import { useChangeSession } from "../../shared/sessions/useSession";
import { say } from "../../words/session";

/** After a short night with a sore body: the easy version of the day, taken or refused; both answers are kept. */
export function EasyCard({ session }: { session: Session }) {
  const { easy } = useChangeSession(session.athleteId, session.id);
  const took = session.checkIn?.tookEasy;
  if (!session.easyOffered && took == null) return null;
  const open = session.status === "Planned";
  return (
    <Card label={took ? say("easyVersion") : say("shortNightSoreHalfTheSetsToday")}>
      <Typography color="textSecondary" sx={{ mr: "auto" }}>
        {took
          ? say("halfTheSetsTheSameMovementsNothing")
          : took === false
            ? say("refusedTheSessionStaysAsPlanned")
            : say("theSameMovementsNothingToFailureNo")}
      </Typography>
      {open && took !== true && (
        <Button variant="contained" color="secondary" disabled={easy.isPending} onClick={() => easy.mutate(true)}>
          {say("useEasyVersion")}
        </Button>
      )}
      {open && took !== false && (
        <Button disabled={easy.isPending} onClick={() => easy.mutate(false)}>
          {took ? say("backToPlan") : say("trainAsPlanned")}
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
