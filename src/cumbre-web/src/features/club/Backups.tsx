import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { Backup } from "../../shared/api/types";
import { AccountRow, Rows } from "../../shared/people/AccountRow";
import { announce } from "../../shared/ui/announce";
import { moment, number } from "../../shared/ui/format";
import { Failed, Loading, messageOf } from "../../shared/ui/states";
import { say } from "../../words/club";
import { useBackUp, useBackups } from "./queries";
import { RestoreDialog } from "./RestoreDialog";

const kinds: Record<Backup["kind"], string> = {
  Daily: say("kindDaily"),
  Migration: say("kindMigration"),
  Asked: say("kindAsked"),
  Replaced: say("kindReplaced"),
};

/** The backups of the club: one is made, or takes the place of the database. */
export function Backups() {
  const backups = useBackups();
  const backUp = useBackUp();
  const [chosen, setChosen] = useState<Backup | null>(null);
  return (
    <Box component="section" aria-label={say("backups")}>
      <Box sx={{ display: "flex", gap: 3, alignItems: "center", flexWrap: "wrap" }}>
        <Typography variant="h2" sx={{ mr: "auto" }}>
          {say("backups")}
        </Typography>
        <Button
          onClick={() => backUp.mutate(undefined, { onSuccess: () => announce(say("backedUp")) })}
          disabled={backUp.isPending}
        >
          {say("backUpNow")}
        </Button>
      </Box>
      {backups.isPending && <Loading rows={3} />}
      {backups.isError && <Failed error={backups.error} retry={() => void backups.refetch()} />}
      {backups.data && (
        <>
          <Typography variant="body2" color="textSecondary">
            {backups.data.daily ? say("backupsNote", backups.data.kept) : say("demoNote")}
          </Typography>
          <Typography variant="body2" color="textSecondary" sx={{ mb: 3, overflowWrap: "anywhere" }}>
            {say("folder", { folder: backups.data.folder })}
          </Typography>
          {backups.data.trouble && (
            <Alert severity="error" sx={{ mb: 3 }}>
              {say("lastFailed", { at: moment(backups.data.trouble.at), reason: backups.data.trouble.reason })}
            </Alert>
          )}
          {backUp.isError && !backups.data.trouble && (
            <Alert severity="error" sx={{ mb: 3 }}>
              {messageOf(backUp.error)}
            </Alert>
          )}
          {backups.data.backups.length === 0 && <Typography color="textSecondary">{say("noBackups")}</Typography>}
          <Rows label={say("backups")}>
            {backups.data.backups.map((b) => (
              <AccountRow
                key={b.name}
                title={moment(b.at)}
                note={say("backupNote", { kind: kinds[b.kind], megabytes: number(Number(b.bytes) / 1e6, 1) })}
              >
                <Button onClick={() => setChosen(b)} aria-label={say("lookAtOf", { at: moment(b.at) })}>
                  {say("lookAt")}
                </Button>
              </AccountRow>
            ))}
          </Rows>
        </>
      )}
      {chosen && <RestoreDialog backup={chosen} onClose={() => setChosen(null)} />}
    </Box>
  );
}
