import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useInfiniteQuery, useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useSearchParams } from "react-router";
import { api, ask } from "../../shared/api/client";
import type { AuditVerdict } from "../../shared/api/types";
import { rosterQuery } from "../../shared/athletes/useRoster";
import { peopleQuery } from "../../shared/people/usePeople";
import { messageOf } from "../../shared/ui/states";
import { StatusShape } from "../../shared/ui/StatusShape";
import { say } from "../../words/audit";
import { AuditTable } from "./AuditTable";
import { groups, kindsOf } from "./kinds";
import { auditQuery } from "./queries";

/** All that was noted, asked by person, by account, by what it was about and by day. */
export default function AuditPage() {
  const [search, setSearch] = useSearchParams();
  const of = (key: string) => search.get(key) ?? "";
  const set = (key: string) => (value: string) =>
    setSearch(
      (now) => {
        if (value) now.set(key, value);
        else now.delete(key);
        return now;
      },
      { replace: true },
    );
  const people = useQuery(peopleQuery);
  const athletes = useQuery(rosterQuery());
  const pages = useInfiniteQuery(
    auditQuery({
      athlete: of("athlete"),
      account: of("account"),
      kinds: kindsOf(of("what")),
      from: of("from"),
      until: of("until"),
    }),
  );
  return (
    <Box sx={{ px: { xs: 4, sm: 6 }, py: 4 }}>
      <Typography variant="h1">{say("audit")}</Typography>
      <Typography color="textSecondary" sx={{ mb: 4 }}>
        {say("auditNote")}
      </Typography>
      <Check />
      <Box sx={{ display: "flex", gap: 3, flexWrap: "wrap", my: 5 }}>
        <Choice
          label={say("what")}
          all={say("everything")}
          value={of("what")}
          onChange={set("what")}
          options={groups}
        />
        <Choice
          label={say("who")}
          all={say("anybody")}
          value={of("account")}
          onChange={set("account")}
          options={people.data?.people ?? []}
        />
        <Choice
          label={say("athlete")}
          all={say("anyAthlete")}
          value={of("athlete")}
          onChange={set("athlete")}
          options={athletes.data ?? []}
        />
        <Day label={say("from")} value={of("from")} onChange={set("from")} />
        <Day label={say("until")} value={of("until")} onChange={set("until")} />
      </Box>
      <AuditTable pages={pages} empty={search.size > 0 ? say("nothing") : say("nothingYet")} />
    </Box>
  );
}

function Choice({
  label,
  all,
  value,
  onChange,
  options,
}: {
  label: string;
  all: string;
  value: string;
  onChange: (value: string) => void;
  options: readonly { id: string; name: string }[];
}) {
  return (
    <TextField
      select
      label={label}
      // What is not in the list yet, or no longer, is no choice.
      value={options.some((o) => o.id === value) ? value : ""}
      onChange={(e) => onChange(e.target.value)}
      slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
      sx={{ flex: "1 1 150px", maxWidth: 220 }}
    >
      <MenuItem value="">{all}</MenuItem>
      {options.map((o) => (
        <MenuItem key={o.id} value={o.id}>
          {o.name}
        </MenuItem>
      ))}
    </TextField>
  );
}

const Day = ({ label, value, onChange }: { label: string; value: string; onChange: (value: string) => void }) => (
  <TextField
    type="date"
    label={label}
    value={value}
    onChange={(e) => onChange(e.target.value)}
    slotProps={{ inputLabel: { shrink: true } }}
    sx={{ flex: "1 1 150px", maxWidth: 180 }}
  />
);

/** Goes through the whole chain, and with a seal from before also looks for it. */
function Check() {
  const [noted, setNoted] = useState("");
  const check = useMutation({
    mutationFn: () => ask(api.GET("/api/audit/check", { params: { query: { noted: noted.trim() || undefined } } })),
  });
  return (
    <Box sx={{ display: "flex", gap: 3, flexWrap: "wrap", alignItems: "flex-start" }}>
      <TextField
        label={say("noted")}
        value={noted}
        onChange={(e) => setNoted(e.target.value)}
        sx={{ flex: "1 1 240px", maxWidth: 420 }}
      />
      <Button onClick={() => check.mutate()} disabled={check.isPending}>
        {say("check")}
      </Button>
      {check.isError && (
        <Typography color="error" role="alert">
          {messageOf(check.error)}
        </Typography>
      )}
      {check.data && <Verdict verdict={check.data} />}
    </Box>
  );
}

function Verdict({ verdict: v }: { verdict: AuditVerdict }) {
  const fine = v.brokenAt === null && v.hasNoted !== false;
  return (
    <Box role="status" sx={{ flexBasis: "100%" }}>
      <Typography sx={{ display: "flex", gap: 2, alignItems: "center" }}>
        <StatusShape status={fine ? "won" : "caution"} title="" />
        {v.brokenAt !== null
          ? say("broken", { at: v.brokenAt })
          : v.erased > 0
            ? say("whole", { entries: v.entries, erased: v.erased })
            : say("wholeNoneErased", { entries: v.entries })}
      </Typography>
      {v.hasNoted !== null && <Typography>{say(v.hasNoted ? "notedFound" : "notedMissing")}</Typography>}
      <Typography variant="body2" color="textSecondary" sx={{ mt: 2 }}>
        {say("seal")}
      </Typography>
      <Typography variant="body2" sx={{ overflowWrap: "anywhere" }}>
        {v.head}
      </Typography>
      <Typography variant="body2" color="textSecondary">
        {say("sealHelp")}
      </Typography>
    </Box>
  );
}
