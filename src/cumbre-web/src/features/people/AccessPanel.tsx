import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { MadeLink, Person } from "../../shared/api/types";
import { AccountRow, Rows } from "../../shared/people/AccountRow";
import { InviteDialog, type Invited } from "../../shared/people/InviteDialog";
import { MadeLinkDialog } from "../../shared/people/MadeLink";
import { OpenLinks } from "../../shared/people/OpenLinks";
import { accessQuery, useRecovery, useSetAccess } from "../../shared/people/usePeople";
import { roleName } from "../../shared/people/wording";
import { ConfirmDialog } from "../../shared/ui/ConfirmDialog";
import { dayFull, listed, moment } from "../../shared/ui/format";
import { Failed, Loading, messageOf } from "../../shared/ui/states";
import { say } from "../../words/people";

/** Who sees an athlete; their coach lets the athlete and guardians in, and out again. */
export function AccessPanel({ athleteId, athlete }: { athleteId: string; athlete: string }) {
  const access = useQuery(accessQuery(athleteId));
  const [invited, setInvited] = useState<Invited | null>(null);
  const [made, setMade] = useState<{ name: string; link: MadeLink } | null>(null);
  const own = access.data?.accounts.some((a) => a.role === "athlete");
  return (
    <Box component="section" aria-label={say("access")}>
      <Typography variant="h2">{say("access")}</Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 2 }}>
        {access.data ? say("coachedBy", { names: access.data.coaches.join(", ") }) : say("accessNote")}
      </Typography>
      {access.isPending && <Loading rows={2} />}
      {access.isError && <Failed error={access.error} retry={() => void access.refetch()} />}
      {access.data && (
        <>
          <Rows label={say("access")}>
            {access.data.accounts.map((p) => (
              <Entry key={p.id} athleteId={athleteId} person={p} onLink={(link) => setMade({ name: p.name, link })} />
            ))}
          </Rows>
          <OpenLinks links={access.data.links} />
          {!own && access.data.links.every((l) => l.role !== "athlete") && (
            <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
              {say("cannotSignIn")}
            </Typography>
          )}
          <Box sx={{ display: "flex", gap: 2, mt: 3, flexWrap: "wrap" }}>
            {!own && (
              <Button size="small" onClick={() => setInvited({ role: "athlete", athleteId, athlete })}>
                {say("inviteAthlete")}
              </Button>
            )}
            <Button size="small" onClick={() => setInvited({ role: "guardian", athleteId, athlete })}>
              {say("inviteGuardian")}
            </Button>
          </Box>
        </>
      )}
      {invited && <InviteDialog invited={invited} onClose={() => setInvited(null)} />}
      {made && <MadeLinkDialog {...made} onClose={() => setMade(null)} />}
    </Box>
  );
}

function Entry({
  athleteId,
  person: p,
  onLink,
}: {
  athleteId: string;
  person: Person;
  onLink: (link: MadeLink) => void;
}) {
  const recovery = useRecovery(athleteId);
  const access = useSetAccess(athleteId);
  const [asking, setAsking] = useState(false);
  const ended = p.endedAt !== null;
  const error = recovery.error ?? access.error;
  return (
    <>
      <AccountRow
        title={p.name}
        muted={ended}
        note={listed(
          roleName(p.role),
          p.until && say("untilDay", { day: dayFull(p.until) }),
          say("signsInAs", { name: p.signInName }),
          p.endedAt && say("accessEndedOn", { day: moment(p.endedAt) }),
        )}
      >
        {ended ? (
          <Button size="small" onClick={() => access.mutate({ id: p.id, ended: false })} disabled={access.isPending}>
            {say("restoreAccess")}
          </Button>
        ) : (
          <>
            <Button
              size="small"
              aria-label={say("newPasswordLinkFor", { name: p.name })}
              onClick={() => recovery.mutate(p.id, { onSuccess: onLink })}
              disabled={recovery.isPending}
            >
              {say("newPasswordLink")}
            </Button>
            <Button size="small" onClick={() => setAsking(true)}>
              {say("endAccess")}
            </Button>
          </>
        )}
      </AccountRow>
      {error && (
        <Typography color="error" role="alert">
          {messageOf(error)}
        </Typography>
      )}
      {asking && (
        <ConfirmDialog
          title={say("endAccessOf", { name: p.name })}
          verb={say("endAccess")}
          busy={access.isPending}
          onConfirm={() => access.mutate({ id: p.id, ended: true }, { onSuccess: () => setAsking(false) })}
          onClose={() => setAsking(false)}
        >
          {say("endAccessText")}
        </ConfirmDialog>
      )}
    </>
  );
}
