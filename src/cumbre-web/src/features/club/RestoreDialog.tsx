import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { useSignedIn } from "../../shared/account/useMe";
import { Problem } from "../../shared/api/client";
import type { Backup, RestorePreview } from "../../shared/api/types";
import { Field } from "../../shared/ui/Field";
import { dayFull, moment, number } from "../../shared/ui/format";
import { Loading, messageOf } from "../../shared/ui/states";
import { say } from "../../words/club";
import { usePreview, useRestore } from "./queries";
import { whenBack } from "./whenBack";

const shown = 12;

/** What a restore would change, before it is done. */
export function RestoreDialog({ backup, onClose }: { backup: Backup; onClose: () => void }) {
  const { demo } = useSignedIn();
  const [password, setPassword] = useState("");
  const preview = usePreview(backup.name);
  const restore = useRestore(backup.name);
  const fault = restore.error instanceof Problem ? restore.error.fieldMessage("password") : undefined;
  if (restore.isSuccess)
    return (
      <Dialog open maxWidth="xs" fullWidth>
        <DialogContent>
          <Typography role="status">{say("restoring")}</Typography>
        </DialogContent>
      </Dialog>
    );
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth>
      <form
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          restore.mutate(password, { onSuccess: () => void whenBack() });
        }}
      >
        <DialogTitle>{say("restoreTitle", { at: moment(backup.at) })}</DialogTitle>
        <DialogContent sx={{ display: "grid", gap: 3 }}>
          {preview.isPending && <Loading label={say("looking")} />}
          {preview.isError && <Alert severity="error">{messageOf(preview.error)}</Alert>}
          {preview.data && (
            <>
              <Counts preview={preview.data} />
              <Differences preview={preview.data} />
              <Typography variant="body2">{say("everybodyOut")}</Typography>
              {preview.data.owners.length === 0 ? (
                <Alert severity="error">{say("noOwner")}</Alert>
              ) : (
                !demo && (
                  <Field
                    label={say("password")}
                    type="password"
                    autoComplete="current-password"
                    value={password}
                    onChange={(e) => setPassword(e.target.value)}
                    problem={fault}
                  />
                )
              )}
            </>
          )}
          {restore.isError && !fault && <Alert severity="error">{messageOf(restore.error)}</Alert>}
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose} autoFocus>
            {say("cancel")}
          </Button>
          <Button
            type="submit"
            color="error"
            disabled={restore.isPending || !preview.data?.owners.length || (!demo && password === "")}
          >
            {say("restore")}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}

const figures = ["athletes", "accounts", "sessions", "sets", "tests", "blocks", "decisions"] as const;

function Counts({ preview: { now, then } }: { preview: RestorePreview }) {
  const day = (of: string | null | undefined) => (of ? dayFull(of) : "");
  return (
    <>
      {now === null && <Alert severity="warning">{say("unreadable")}</Alert>}
      <Table size="small">
        <TableHead>
          <TableRow>
            <TableCell />
            <TableCell align="right">{say("now")}</TableCell>
            <TableCell align="right">{say("then")}</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {figures.map((what) => (
            <TableRow key={what}>
              <TableCell component="th" scope="row">
                {say(what)}
              </TableCell>
              <TableCell align="right">{now && number(now[what])}</TableCell>
              <TableCell align="right" sx={{ fontWeight: now && now[what] !== then[what] ? 650 : 400 }}>
                {number(then[what])}
              </TableCell>
            </TableRow>
          ))}
          <TableRow>
            <TableCell component="th" scope="row">
              {say("lastDay")}
            </TableCell>
            <TableCell align="right">{day(now?.lastDay)}</TableCell>
            <TableCell align="right">{day(then.lastDay)}</TableCell>
          </TableRow>
        </TableBody>
      </Table>
    </>
  );
}

function Differences({ preview }: { preview: RestorePreview }) {
  const { differs, accountsGone, ended, knowsEnds } = preview;
  return (
    <>
      <Typography variant="h3">{say("changes")}</Typography>
      {differs.length === 0 && <Typography variant="body2">{say("nothingChanges")}</Typography>}
      {differs.slice(0, shown).map(({ name, setsNow, setsThen }) => (
        <Typography key={name} variant="body2">
          {setsThen === null
            ? say("wouldGo", { name, sets: setsNow ?? 0 })
            : setsNow === null
              ? say("wouldCome", { name, sets: setsThen })
              : say("wouldDiffer", { name, now: setsNow, then: setsThen })}
        </Typography>
      ))}
      {differs.length > shown && (
        <Typography variant="body2">{say("andMore", { count: differs.length - shown })}</Typography>
      )}
      {accountsGone.length > 0 && (
        <Typography variant="body2">{say("accountsGone", { names: accountsGone.join(", ") })}</Typography>
      )}
      {knowsEnds ? (
        <Typography variant="body2">
          {ended.persons + ended.accounts + ended.consents + ended.given > 0
            ? say("staysEnded", ended)
            : say("nothingEnded")}
        </Typography>
      ) : (
        <Alert severity="warning">{say("endsUnknown")}</Alert>
      )}
    </>
  );
}
