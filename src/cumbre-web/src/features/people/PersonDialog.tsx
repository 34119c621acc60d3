import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { Person } from "../../shared/api/types";
import { CoachReach, type Given } from "../../shared/people/CoachReach";
import { useChangePerson, useErasePerson, useSetAccess } from "../../shared/people/usePeople";
import { roleName } from "../../shared/people/wording";
import { ConfirmDialog } from "../../shared/ui/ConfirmDialog";
import { messageOf } from "../../shared/ui/states";
import { say } from "../../words/people";

/** What somebody is and whom they see; their access ends or is restored here. */
export function PersonDialog({ person, onClose }: { person: Person; onClose: () => void }) {
  const isStaff = person.role === "owner" || person.role === "coach";
  const [role, setRole] = useState(person.role);
  const [given, setGiven] = useState<Given>({
    someOnly: person.someOnly,
    athletes: person.athletes,
    groups: person.groups,
  });
  const [asking, setAsking] = useState<"end" | "erase" | null>(null);
  const change = useChangePerson(person.id);
  const access = useSetAccess(null);
  const erase = useErasePerson();
  const ended = person.endedAt !== null;
  const error = change.error ?? access.error ?? erase.error;
  const done = { onSuccess: onClose };
  if (asking === "end")
    return (
      <ConfirmDialog
        title={say("endAccessOf", { name: person.name })}
        verb={say("endAccess")}
        busy={access.isPending}
        onConfirm={() => access.mutate({ id: person.id, ended: true }, done)}
        onClose={() => setAsking(null)}
      >
        {say("endAccessText")}
        <Fault error={access.error} />
      </ConfirmDialog>
    );
  if (asking === "erase")
    return (
      <ConfirmDialog
        title={say("eraseAccountOf", { name: person.name })}
        verb={say("eraseAccount")}
        busy={erase.isPending}
        onConfirm={() => erase.mutate(person.id, done)}
        onClose={() => setAsking(null)}
      >
        {say("eraseAccountText")}
        <Fault error={erase.error} />
      </ConfirmDialog>
    );
  return (
    <Dialog open onClose={onClose} maxWidth="xs" fullWidth>
      <DialogTitle>{person.name}</DialogTitle>
      <DialogContent sx={{ display: "grid", gap: 4, pt: "8px !important" }}>
        {isStaff ? (
          <>
            <TextField select label={say("role")} value={role} onChange={(e) => setRole(e.target.value)}>
              <MenuItem value="coach">{say("coach")}</MenuItem>
              <MenuItem value="owner">{say("owner")}</MenuItem>
            </TextField>
            {role === "coach" && <CoachReach given={given} onChange={setGiven} />}
          </>
        ) : (
          <Typography>{roleName(person.role)}</Typography>
        )}
        <Fault error={error} />
      </DialogContent>
      <DialogActions>
        {ended ? (
          <>
            {person.role !== "athlete" && (
              <Button color="error" onClick={() => setAsking("erase")} sx={{ mr: "auto" }}>
                {say("eraseAccount")}
              </Button>
            )}
            <Button onClick={() => access.mutate({ id: person.id, ended: false }, done)} disabled={access.isPending}>
              {say("restoreAccess")}
            </Button>
          </>
        ) : (
          <Button color="error" onClick={() => setAsking("end")} sx={{ mr: "auto" }}>
            {say("endAccess")}
          </Button>
        )}
        <Button onClick={onClose}>{say("cancel")}</Button>
        {isStaff && (
          <Button
            variant="contained"
            color="secondary"
            disabled={change.isPending}
            onClick={() => change.mutate({ role, ...given }, done)}
          >
            {say("save")}
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}

const Fault = ({ error }: { error: unknown }) =>
  error ? (
    <Typography color="error" role="alert">
      {messageOf(error)}
    </Typography>
  ) : null;
