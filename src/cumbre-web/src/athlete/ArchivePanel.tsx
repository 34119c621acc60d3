import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { useNavigate } from "react-router";
import type { Athlete } from "../api/types";
import { ConfirmDialog } from "../ui/ConfirmDialog";
import { messageOf } from "../ui/states";
import { useArchive, useRemoveAthlete } from "./intakeQueries";

/** Putting an athlete away keeps everything; removing is for good, and the history is offered first. */
export function ArchivePanel({ athlete }: { athlete: Athlete }) {
  const navigate = useNavigate();
  const archive = useArchive(athlete.id);
  const remove = useRemoveAthlete(athlete.id);
  const [asking, setAsking] = useState(false);
  return (
    <Box component="section" aria-label="Archive">
      <Typography variant="h2" sx={{ mb: 1 }}>
        Archive
      </Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 2 }}>
        {athlete.archived
          ? "Put away: not on the roster, the Desk or a sheet. Everything is kept."
          : "Who does not train now is put away; everything is kept and can be taken back."}
      </Typography>
      <Box sx={{ display: "flex", gap: 2, flexWrap: "wrap" }}>
        <Button size="small" onClick={() => archive.mutate(!athlete.archived)} disabled={archive.isPending}>
          {athlete.archived ? "Take back" : "Put away"}
        </Button>
        <Button size="small" component="a" href={`/api/athletes/${athlete.id}/export`}>
          Export everything
        </Button>
        {athlete.archived && (
          <Button size="small" color="error" variant="text" onClick={() => setAsking(true)}>
            Remove for good
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
          title={`Remove ${athlete.name} for good?`}
          verb="Remove for good"
          busy={remove.isPending}
          onConfirm={() => remove.mutate(undefined, { onSuccess: () => void navigate("/roster") })}
          onClose={() => setAsking(false)}
        >
          Every test, session and decision of theirs is lost.{" "}
          <a href={`/api/athletes/${athlete.id}/export`}>Export everything first</a>.
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
