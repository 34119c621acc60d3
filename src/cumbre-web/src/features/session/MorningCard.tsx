import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Problem } from "../../shared/api/client";
import type { Session } from "../../shared/api/types";
import { messageOf } from "../../shared/ui/states";
import { Card } from "./Card";
import { hurts, noPain, PainFields, type Pain } from "../../shared/logging/PainFields";
import { useHealth } from "../../shared/sessions/useSession";
import { say } from "../../words/session";

/** Asked on the morning after: the pain of a session is the worse of then and now. */
export function MorningCard({ session }: { session: Session }) {
  const { morning } = useHealth(session.athleteId, session.id);
  const [pain, setPain] = useState<Pain>(noPain);
  const known = session.morning;
  if (known)
    return (
      <Card label={say("theMorningAfter")} inline>
        <Typography>
          {known.level === 0 && !known.sign
            ? say("noPain")
            : say("painOf10", { place: known.place ?? "", level: known.level })}
        </Typography>
      </Card>
    );
  if (!session.asksMorning) return null;
  const place = morning.error instanceof Problem ? morning.error.fieldMessage("place") : undefined;
  return (
    <Card label={say("theMorningAfter")}>
      <PainFields pain={pain} onChange={setPain} errors={{ place }} />
      <Button
        variant="contained"
        color="secondary"
        disabled={morning.isPending}
        onClick={() =>
          morning.mutate({ level: pain.level, place: hurts(pain) ? pain.place || null : null, sign: pain.sign })
        }
        sx={{ minHeight: 40 }}
      >
        {hurts(pain) ? say("savePain") : say("noPain2")}
      </Button>
      {morning.error && !place && (
        <Typography color="error" role="alert">
          {messageOf(morning.error)}
        </Typography>
      )}
    </Card>
  );
}
