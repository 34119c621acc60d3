import Alert from "@mui/material/Alert";
import Autocomplete from "@mui/material/Autocomplete";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { useUnit } from "../../accounts/useMe";
import { api, ask, Problem } from "../../api/client";
import type { CautionId, Movement } from "../../api/types";
import { Failed, Loading, messageOf } from "../../ui/states";
import { measures, standingCaution } from "../movementWording";
import { movementsQuery } from "../useLadders";
import { slugOf } from "./draft";

const blank: Movement = {
  slug: "",
  name: "",
  aliases: [],
  pattern: "vertical pull",
  arms: "Bent",
  eachSide: false,
  measure: "Reps",
  setUp: [],
  bottom: "the hang",
  standard: "",
  cues: [],
  faults: [],
  primeMovers: [],
  carriesTo: [],
  easier: [],
  harder: [],
  kit: [],
  cautions: ["StopSigns"],
  failureHarmless: false,
  load: null,
  own: true,
};

/** A movement of the club's own: added to the catalogue, with a test by its measure. */
export default function EditMovementPage() {
  const { slug } = useParams();
  const movements = useQuery(movementsQuery);
  const stored = useQuery({
    queryKey: ["draft", "movement", slug],
    queryFn: ({ signal }) =>
      ask(api.GET("/api/movements/{movement}/draft", { params: { path: { movement: slug ?? "" } }, signal })),
    enabled: slug !== undefined,
    gcTime: 0,
  });
  const failed = [movements, stored].find((q) => q.isError);
  if (failed)
    return (
      <Box sx={{ px: 6 }}>
        <Failed error={failed.error} retry={() => void failed.refetch()} />
      </Box>
    );
  if (!movements.data || (slug !== undefined && !stored.data))
    return (
      <Box sx={{ px: 6 }}>
        <Loading />
      </Box>
    );
  return <Form movements={movements.data} entry={stored.data?.entry ?? blank} version={stored.data?.version ?? 0} />;
}

/** Lists are typed one entry a line. */
type Lists = "aliases" | "setUp" | "cues" | "faults" | "primeMovers" | "kit";

function Form({ movements, entry, version }: { movements: Movement[]; entry: Movement; version: number }) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const unit = useUnit();
  const [m, setM] = useState(entry);
  const [reason, setReason] = useState("");
  const slug = version > 0 ? entry.slug : slugOf(m.name);
  const save = useMutation({
    mutationFn: () =>
      ask(
        api.PUT("/api/movements/{movement}", {
          params: { path: { movement: slug || "unnamed" } },
          body: { version, reason, entry: { ...m, slug: slug || "unnamed" } },
        }),
      ),
    onSuccess: () => queries.invalidateQueries({ predicate: (q) => q.queryKey[0] !== "me" }),
  });
  const error = (field: string) =>
    save.error instanceof Problem ? save.error.fields.find((f) => f.path === field)?.message : undefined;
  const set = (change: Partial<Movement>) => setM({ ...m, ...change });
  const text = (field: "name" | "bottom" | "standard", label: string, help?: string) => (
    <TextField
      label={label}
      value={m[field]}
      multiline={field === "standard"}
      onChange={(e) => set({ [field]: e.target.value })}
      error={error(`entry.${field}`) !== undefined}
      helperText={error(`entry.${field}`) ?? help}
    />
  );
  const list = (field: Lists, label: string) => (
    <TextField
      label={label}
      multiline
      minRows={2}
      value={m[field].join("\n")}
      onChange={(e) => set({ [field]: e.target.value === "" ? [] : e.target.value.split("\n") })}
      error={error(`entry.${field}`) !== undefined}
      helperText={error(`entry.${field}`) ?? "one a line"}
    />
  );
  const neighbours = (field: "carriesTo" | "easier" | "harder", label: string) => (
    <Autocomplete
      multiple
      options={movements.map((x) => x.slug).filter((s) => s !== slug)}
      value={m[field]}
      getOptionLabel={(s) => movements.find((x) => x.slug === s)?.name ?? s}
      onChange={(_, chosen) => set({ [field]: chosen })}
      renderInput={(params) => <TextField {...params} label={label} />}
    />
  );
  const known = [...new Set(movements.flatMap((x) => x.cautions))];
  return (
    <Box
      component="form"
      noValidate
      aria-label="Movement"
      onSubmit={(e) => {
        e.preventDefault();
        save.mutate(undefined, { onSuccess: () => void navigate(`/movements/${slug}`) });
      }}
      sx={{ px: { xs: 4, sm: 6 }, py: 4, maxWidth: 980 }}
    >
      <Typography variant="h1" sx={{ mb: 3 }}>
        {version > 0 ? `Edit ${entry.name}` : "New movement"}
      </Typography>
      <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr" }, gap: 4 }}>
        {text("name", "Name")}
        <TextField
          select
          label="Pattern"
          value={m.pattern}
          onChange={(e) => set({ pattern: e.target.value as Movement["pattern"] })}
        >
          {[...new Set(movements.map((x) => x.pattern))].map((p) => (
            <MenuItem key={p} value={p}>
              {p}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          select
          label="Counted in"
          value={m.measure}
          onChange={(e) => set({ measure: e.target.value as Movement["measure"] })}
          error={error("entry.measure") !== undefined}
          helperText={error("entry.measure") ?? "its test is made by this"}
        >
          {(Object.keys(measures) as Movement["measure"][])
            .filter((x) => x !== "Capacity")
            .map((x) => (
              <MenuItem key={x} value={x}>
                {measures[x]}
              </MenuItem>
            ))}
        </TextField>
        <TextField
          select
          label="Elbows"
          value={m.arms}
          onChange={(e) => set({ arms: e.target.value as Movement["arms"] })}
        >
          <MenuItem value="Bent">bent</MenuItem>
          <MenuItem value="Straight">straight</MenuItem>
          <MenuItem value="None">take no part</MenuItem>
        </TextField>
        <Box sx={{ gridColumn: "1 / -1", display: "grid" }}>
          {text("standard", "Form standard", "what counts as a good repetition or hold")}
        </Box>
        {text("bottom", "Its bottom is", "shown beside a tempo")}
        <Box>
          <FormControlLabel
            control={<Checkbox checked={m.eachSide} onChange={(_, eachSide) => set({ eachSide })} size="small" />}
            label="done and tested on each side"
          />
          <FormControlLabel
            control={
              <Checkbox
                checked={m.failureHarmless}
                onChange={(_, failureHarmless) => set({ failureHarmless })}
                size="small"
              />
            }
            label="failing is harmless"
          />
        </Box>
        {list("faults", "Faults")}
        {list("cues", "Cues")}
        {list("primeMovers", "Prime movers")}
        {list("kit", "Kit")}
        {list("setUp", "Written down to compare")}
        {list("aliases", "Other names")}
        {neighbours("easier", "Easier")}
        {neighbours("harder", "Harder")}
        {neighbours("carriesTo", "Carries over to")}
        <Autocomplete
          multiple
          options={known}
          value={m.cautions}
          getOptionLabel={(id: CautionId) => standingCaution(id, unit)}
          onChange={(_, cautions) => set({ cautions })}
          renderInput={(params) => (
            <TextField
              {...params}
              label="Cautions"
              error={error("entry.cautions") !== undefined}
              helperText={error("entry.cautions")}
            />
          )}
        />
        <TextField
          label="Why"
          value={reason}
          onChange={(e) => setReason(e.target.value)}
          error={error("reason") !== undefined}
          helperText={error("reason") ?? "kept with the change"}
        />
      </Box>
      {save.error && !(save.error instanceof Problem && save.error.fields.length > 0) && (
        <Alert severity="warning" sx={{ mt: 3 }}>
          {messageOf(save.error)} What you typed is still here.
        </Alert>
      )}
      <Box sx={{ mt: 4, display: "flex", gap: 3 }}>
        <Button type="submit" variant="contained" color="secondary" disabled={save.isPending}>
          Save
        </Button>
        <Button component={Link} to={version > 0 ? `/movements/${slug}` : "/ladders?show=movements"}>
          Cancel
        </Button>
      </Box>
    </Box>
  );
}
