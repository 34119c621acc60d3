import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useQuery } from "@tanstack/react-query";
import { rosterQuery } from "../athletes/useRoster";
import { groupsQuery } from "../blocks/groups";
import { ManyField } from "../ui/ManyField";
import { say } from "../../words/people";

/** Whom a coach sees. */
export interface Given {
  someOnly: boolean;
  athletes: string[];
  groups: string[];
}

type Named = { id: string; name: string };

const idsOf = (all: readonly Named[] = []) => all.map((a) => a.id);

/** The name of an id; who is not in the list, an archived athlete, keeps their place in the choice. */
const nameIn =
  (all: readonly Named[] = []) =>
  (id: string) =>
    all.find((a) => a.id === id)?.name ?? say("archivedPerson");

/** All athletes, or some of them and of the groups. */
export function CoachReach({ given, onChange }: { given: Given; onChange: (given: Given) => void }) {
  const athletes = useQuery(rosterQuery());
  const groups = useQuery(groupsQuery);
  return (
    <>
      <TextField
        select
        label={say("sees")}
        value={given.someOnly ? "some" : "all"}
        onChange={(e) => onChange({ ...given, someOnly: e.target.value === "some" })}
      >
        <MenuItem value="all">{say("allAthletes")}</MenuItem>
        <MenuItem value="some">{say("ownAthletes")}</MenuItem>
      </TextField>
      {given.someOnly && (
        <>
          <ManyField
            label={say("whichAthletes")}
            options={idsOf(athletes.data)}
            chosen={given.athletes}
            nameOf={nameIn(athletes.data)}
            onChange={(ids) => onChange({ ...given, athletes: ids })}
            stayOpen
          />
          <ManyField
            label={say("whichGroups")}
            options={idsOf(groups.data)}
            chosen={given.groups}
            nameOf={nameIn(groups.data)}
            onChange={(ids) => onChange({ ...given, groups: ids })}
            stayOpen
          />
        </>
      )}
    </>
  );
}
