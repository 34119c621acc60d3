import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import Typography from "@mui/material/Typography";
import type { Session } from "../../shared/api/types";
import { messageOf } from "../../shared/ui/states";
import { Card } from "./Card";
import { useChangeSession } from "../../shared/sessions/useSession";
import { say } from "../../words/session";

/** How hard the whole session was, as RPE; asked once sets are logged. */
export function EffortCard({ session }: { session: Session }) {
  const { effort } = useChangeSession(session.athleteId, session.id);
  if (session.status === "Planned") return null;
  return (
    <Card label={say("sessionEffort")} inline>
      <ToggleButtonGroup
        exclusive
        value={session.effort}
        onChange={(_, v: number | null) => effort.mutate(v)}
        aria-label={say("effortOfTheWholeSessionRpe1")}
        sx={{ flexWrap: "wrap" }}
      >
        {Array.from({ length: 10 }, (_, i) => i + 1).map((rpe) => (
          <ToggleButton key={rpe} value={rpe} sx={{ minWidth: 36, minHeight: 40 }}>
            {rpe}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      <Typography variant="body2" color="textSecondary">
        {say("rpeOfTheWholeSession1Very")}
      </Typography>
      {effort.error && (
        <Typography color="error" role="alert">
          {messageOf(effort.error)}
        </Typography>
      )}
    </Card>
  );
}
