import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { useNavigate } from "react-router";
import type { Athlete } from "../../shared/api/types";
import { ConfirmDialog } from "../../shared/ui/ConfirmDialog";
import { messageOf } from "../../shared/ui/states";
import { useArchive, useRemoveAthlete } from "./intakeQueries";
import { say } from "../../words/athlete";

/** Putting an athlete away keeps everything; removing is for good, and the history is offered first. */
export function ArchivePanel({ athlete }: { athlete: Athlete }) {
  const navigate = useNavigate();
  const archive = useArchive(athlete.id);
  const remove = useRemoveAthlete(athlete.id);
  const [asking, setAsking] = useState(false);
  return (
    <Box component="section" aria-label={say("archive")}>
      <Typography variant="h2" sx={{ mb: 1 }}>
        {say("archive")}
      </Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 2 }}>
        {athlete.archived ? say("putAwayNotOnTheRosterThe") : say("whoDoesNotTrainNowIsPut")}
      </Typography>
      <Box sx={{ display: "flex", gap: 2, flexWrap: "wrap" }}>
        <Button size="small" onClick={() => archive.mutate(!athlete.archived)} disabled={archive.isPending}>
          {athlete.archived ? say("takeBack") : say("putAway")}
        </Button>
        <Button size="small" component="a" href={`/api/athletes/${athlete.id}/export`}>
          {say("exportEverything")}
        </Button>
        {athlete.archived && (
          <Button size="small" color="error" variant="text" onClick={() => setAsking(true)}>
            {say("removeForGood")}
          </Button>
        )}
      </Box>
      {archive.error && (
        <Typography color="error" role="alert">
          {messageOf(archive.error)}
        </Typography>
      )}
      {asking && (
        <ConfirmDialog
          title={say("removeForGood2", { name: athlete.name })}
          verb={say("removeForGood")}
          busy={remove.isPending}
          onConfirm={() =>
            remove.mutate(undefined, { onSuccess: (erased) => void navigate("/roster", { state: { erased } }) })
          }
          onClose={() => setAsking(false)}
        >
          {say.rich("everyTestSessionAndDecisionOfTheirs", {
            a: (words) => <a href={`/api/athletes/${athlete.id}/export`}>{words}</a>,
          })}
          {remove.error && (
            <Typography color="error" role="alert">
              {messageOf(remove.error)}
            </Typography>
          )}
        </ConfirmDialog>
      )}
    </Box>
  );
}
