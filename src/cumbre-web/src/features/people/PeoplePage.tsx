import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useSignedIn } from "../../shared/account/useMe";
import type { Person } from "../../shared/api/types";
import { rosterQuery } from "../../shared/athletes/useRoster";
import { groupsQuery } from "../../shared/blocks/groups";
import { AccountRow, Rows } from "../../shared/people/AccountRow";
import { InviteDialog } from "../../shared/people/InviteDialog";
import { OpenLinks } from "../../shared/people/OpenLinks";
import { peopleQuery } from "../../shared/people/usePeople";
import { dayFull, listed, moment } from "../../shared/ui/format";
import { Failed, Loading } from "../../shared/ui/states";
import { say } from "../../words/people";
import { PersonDialog } from "./PersonDialog";

/** Everybody who can sign in, what they are and whom they see. */
export default function PeoplePage() {
  const people = useQuery(peopleQuery);
  const [inviting, setInviting] = useState(false);
  const [edited, setEdited] = useState<string | null>(null);
  const person = people.data?.people.find((p) => p.id === edited);
  return (
    <Box sx={{ px: { xs: 4, sm: 6 }, py: 4, maxWidth: 920 }}>
      <Box sx={{ display: "flex", gap: 4, alignItems: "flex-start", flexWrap: "wrap", mb: 4 }}>
        <Box sx={{ mr: "auto" }}>
          <Typography variant="h1">{say("people")}</Typography>
          <Typography color="textSecondary">{say("peopleNote")}</Typography>
        </Box>
        <Button variant="contained" color="secondary" onClick={() => setInviting(true)}>
          {say("invite")}
        </Button>
      </Box>
      {people.isPending && <Loading />}
      {people.isError && <Failed error={people.error} retry={() => void people.refetch()} />}
      {people.data && (
        <>
          <Rows label={say("people")}>
            {people.data.people.map((p) => (
              <PersonRow key={p.id} person={p} onEdit={() => setEdited(p.id)} />
            ))}
          </Rows>
          <Typography variant="h2" sx={{ mt: 6, mb: 2 }}>
            {say("openLinks")}
          </Typography>
          {people.data.links.length === 0 && <Typography color="textSecondary">{say("noOpenLinks")}</Typography>}
          <OpenLinks links={people.data.links} />
        </>
      )}
      {inviting && <InviteDialog invited={{ role: "coach" }} onClose={() => setInviting(false)} />}
      {person && <PersonDialog person={person} onClose={() => setEdited(null)} />}
    </Box>
  );
}

const roleOf = (p: Person) =>
  p.role === "coach"
    ? say(p.someOnly ? "coachOfSome" : "coachOfAll")
    : say(p.role === "owner" ? "owner" : p.role === "athlete" ? "athlete" : "guardian");

function PersonRow({ person: p, onEdit }: { person: Person; onEdit: () => void }) {
  const { account } = useSignedIn();
  const athletes = useQuery(rosterQuery());
  const groups = useQuery(groupsQuery);
  const names = [
    ...(athletes.data ?? []).filter((a) => p.athletes.includes(a.id)).map((a) => a.name),
    ...(groups.data ?? []).filter((g) => p.groups.includes(g.id)).map((g) => g.name),
  ].join(", ");
  const sees = p.until
    ? say("seesUntil", { names, day: dayFull(p.until) })
    : names
      ? say("seesNames", { names })
      : p.someOnly && say("nobodyYet");
  return (
    <AccountRow
      title={p.name}
      muted={p.endedAt !== null}
      note={listed(
        roleOf(p),
        sees,
        say("signsInAs", { name: p.signInName }),
        p.secondFactor && say("secondFactorOn"),
        p.endedAt
          ? say("accessEndedOn", { day: moment(p.endedAt) })
          : p.seenAt
            ? moment(p.seenAt)
            : say("neverOrSignedOut"),
      )}
    >
      {p.id !== account.id && (
        <Button size="small" onClick={onEdit} aria-label={say("editOf", { name: p.name })}>
          {say("edit")}
        </Button>
      )}
    </AccountRow>
  );
}
