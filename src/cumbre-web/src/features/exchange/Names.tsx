import Autocomplete from "@mui/material/Autocomplete";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { ImportMapping, FilePreview } from "../../shared/api/types";
import { rosterQuery } from "../../shared/athletes/useRoster";
import { movementsQuery } from "../../shared/ladders/useLadders";
import { benchmarksQuery } from "../../shared/athletes/useAthlete";
import { unitName } from "../../shared/ui/format";
import { say } from "../../words/exchange";
import { isOfName, withName } from "./mapping";

type Name = FilePreview["names"][number];

interface Choice {
  id: string | null;
  name: string;
}

const fresh = "new";

/** Names that were not read without doubt, or of whom the bodyweight is missing, each with a choice. */
export function Names({
  preview,
  mapping,
  onChange,
}: {
  preview: FilePreview;
  mapping: ImportMapping;
  onChange: (mapping: ImportMapping) => void;
}) {
  const isChosen = (n: Name) => mapping.names.some((c) => c.of === n.of && c.written === n.written);
  const asked = preview.names.filter(
    (n) => n.match !== "Exact" || n.needsBodyMass || n.consentWithdrawn || isChosen(n),
  );
  const strangers = asked.filter((n) => n.of === "Athlete" && n.match === "Unknown" && !isChosen(n));
  if (asked.length === 0) return null;
  return (
    <Box component="section" aria-label={say("namesTitle")} sx={{ pt: 5, maxWidth: 900 }}>
      <Box sx={{ display: "flex", gap: 3, alignItems: "baseline", flexWrap: "wrap", pb: 2 }}>
        <Typography variant="h2">{say("namesTitle")}</Typography>
        <Typography variant="body2" color="textSecondary">
          {say("namesNote")}
        </Typography>
        {strangers.length > 1 && (
          <Button
            size="small"
            sx={{ ml: "auto" }}
            onClick={() => onChange(strangers.reduce((m, n) => withName(m, n, { choice: fresh }), mapping))}
          >
            {say("allNew", { count: strangers.length })}
          </Button>
        )}
      </Box>
      <Box sx={{ display: "grid", gap: 3 }}>
        {asked.map((n) => (
          <NameRow
            key={`${n.of} ${n.written}`}
            name={n}
            lines={linesOf(preview, n)}
            isChosen={isChosen(n)}
            mapping={mapping}
            onChange={onChange}
          />
        ))}
      </Box>
    </Box>
  );
}

/** The lines that wait for the name. */
const linesOf = (preview: FilePreview, name: Name) =>
  preview.faults.filter((f) => isOfName(f) && f.written === name.written).reduce((sum, f) => sum + f.count, 0);

function doubtOf(name: Name, lines: number) {
  if (name.match === "Slip") return say("slip");
  if (name.match === "Several") return say("severalNamed", { lines });
  return name.match === "Unknown" && say("notKnown", { lines });
}

function NameRow({
  name,
  lines,
  isChosen,
  mapping,
  onChange,
}: {
  name: Name;
  lines: number;
  isChosen: boolean;
  mapping: ImportMapping;
  onChange: (mapping: ImportMapping) => void;
}) {
  const all = useChoices(name);
  const chosen = mapping.names.find((c) => c.of === name.of && c.written === name.written);
  const id = isChosen ? (chosen?.choice ?? null) : name.found;
  const value = isChosen || id !== null ? (all.find((o) => o.id === id) ?? null) : null;
  return (
    <Box sx={{ display: "flex", gap: 4, alignItems: "center", flexWrap: "wrap" }}>
      <Box sx={{ width: 220, minWidth: 0 }}>
        <Typography sx={{ overflowWrap: "anywhere" }}>{name.written}</Typography>
        <Typography variant="body2" color="textSecondary">
          {name.consentWithdrawn ? say("withdrawn") : !isChosen && doubtOf(name, lines)}
        </Typography>
      </Box>
      <Autocomplete
        options={all}
        value={value}
        getOptionLabel={(o) => o.name}
        getOptionKey={(o) => o.id ?? "out"}
        isOptionEqualToValue={(a, b) => a.id === b.id}
        onChange={(_, next) => next && onChange(withName(mapping, name, { choice: next.id }))}
        disableClearable={value !== null}
        sx={{ width: 300 }}
        renderInput={(params) => (
          <TextField
            {...params}
            size="small"
            placeholder={say("choosePlease")}
            slotProps={{
              ...params.slotProps,
              htmlInput: { ...params.slotProps.htmlInput, "aria-label": say("chooseFor", { name: name.written }) },
            }}
          />
        )}
      />
      {name.needsBodyMass && <BodyMass name={name} mapping={mapping} onChange={onChange} />}
    </Box>
  );
}

/** The near ones first, then everything there is. */
function useChoices(name: Name): Choice[] {
  const roster = useQuery({ ...rosterQuery(), enabled: name.of === "Athlete" });
  const movements = useQuery({ ...movementsQuery, enabled: name.of === "Movement" });
  const tests = useQuery({ ...benchmarksQuery, enabled: name.of === "Test" });
  const near = name.near.map((n) => ({
    id: n.choice,
    name: n.born ? say("born", { name: n.name, year: String(n.born) }) : n.name,
  }));
  const every: Choice[] =
    name.of === "Athlete"
      ? (roster.data ?? []).map((a) => ({ id: a.id, name: a.name }))
      : name.of === "Movement"
        ? (movements.data ?? []).map((m) => ({ id: m.slug, name: m.name }))
        : (tests.data ?? []).map((t) => ({ id: t.slug, name: t.name }));
  const first: Choice[] = [
    ...near,
    ...(name.of === "Athlete" ? [{ id: fresh, name: say("newAthlete") }] : []),
    { id: null, name: say("leftOut") },
  ];
  return [...first, ...every.filter((e) => !near.some((n) => n.id === e.id))];
}

function BodyMass({
  name,
  mapping,
  onChange,
}: {
  name: Name;
  mapping: ImportMapping;
  onChange: (mapping: ImportMapping) => void;
}) {
  const [typed, setTyped] = useState("");
  const value = Number(typed.replace(",", "."));
  const isNumber = typed.trim() !== "" && Number.isFinite(value) && value > 0;
  return (
    <Box
      component="form"
      onSubmit={(e) => {
        e.preventDefault();
        if (isNumber) onChange(withName(mapping, name, { bodyMass: { value, unit: mapping.unit } }));
      }}
      sx={{ display: "flex", gap: 3, alignItems: "center" }}
    >
      <TextField
        size="small"
        label={say("bodyweightOf", { name: name.written, unit: unitName[mapping.unit] })}
        helperText={say("bodyweightAsked")}
        value={typed}
        onChange={(e) => setTyped(e.target.value)}
        slotProps={{ htmlInput: { inputMode: "decimal" } }}
        sx={{ width: 240 }}
      />
      <Button type="submit" size="small" disabled={!isNumber}>
        {say("apply")}
      </Button>
    </Box>
  );
}
