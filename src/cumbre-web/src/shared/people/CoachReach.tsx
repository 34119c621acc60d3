import Autocomplete from "@mui/material/Autocomplete";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useQuery } from "@tanstack/react-query";
import { rosterQuery } from "../athletes/useRoster";
import { groupsQuery } from "../blocks/groups";
import { say } from "../../words/people";

/** Whom a coach sees. */
export interface Given {
  someOnly: boolean;
  athletes: string[];
  groups: string[];
}

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
          <Many
            label={say("whichAthletes")}
            all={athletes.data ?? []}
            chosen={given.athletes}
            onChange={(ids) => onChange({ ...given, athletes: ids })}
          />
          <Many
            label={say("whichGroups")}
            all={groups.data ?? []}
            chosen={given.groups}
            onChange={(ids) => onChange({ ...given, groups: ids })}
          />
        </>
      )}
    </>
  );
}

interface Named {
  id: string;
  name: string;
}

function Many({
  label,
  all,
  chosen,
  onChange,
}: {
  label: string;
  all: readonly Named[];
  chosen: string[];
  onChange: (ids: string[]) => void;
}) {
  return (
    <Autocomplete
      multiple
      options={[...all]}
      value={all.filter((a) => chosen.includes(a.id))}
      getOptionLabel={(a) => a.name}
      getOptionKey={(a) => a.id}
      isOptionEqualToValue={(a, b) => a.id === b.id}
      onChange={(_, value) => onChange(value.map((a) => a.id))}
      renderInput={(params) => <TextField {...params} label={label} />}
    />
  );
}
