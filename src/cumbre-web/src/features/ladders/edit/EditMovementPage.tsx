import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate, useParams, useSearchParams } from "react-router";
import { useUnit } from "../../../shared/account/useMe";
import { api, ask, Problem } from "../../../shared/api/client";
import type { CautionId, Movement, OwnMovement } from "../../../shared/api/types";
import { FailedPage, Loading, messageOf } from "../../../shared/ui/states";
import { alike } from "../../../shared/drafts/merge";
import { announce } from "../../../shared/ui/announce";
import { Versions } from "./Versions";
import { measures, standingCaution } from "../movementWording";
import { movementsQuery } from "../../../shared/ladders/useLadders";
import { slugOf } from "./draft";
import { PosesField } from "./PosesField";
import { Field } from "../../../shared/ui/Field";
import { ManyField } from "../../../shared/ui/ManyField";
import { say as word } from "../../../words/common";
import { say } from "../../../words/ladders";

const blank: Movement = {
  slug: "",
  name: "",
  aliases: [],
  pattern: "vertical pull",
  arms: "Bent",
  eachSide: false,
  measure: "Reps",
  setUp: [],
  bottom: say("theHang"),
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
  poses: [],
  own: true,
};

/** A movement to begin from: as the shipped one, under a name that is still free, and easier or harder by nobody yet. */
const variationOf = (origin: Movement): Movement => ({
  ...origin,
  slug: "",
  name: say("variationName", { name: origin.name }),
  aliases: [],
  own: true,
});

/** A movement of the club's own: added to the catalogue, with a test by its measure. */
export default function EditMovementPage() {
  const { slug } = useParams();
  const from = useSearchParams()[0].get("from");
  const movements = useQuery(movementsQuery);
  const stored = useQuery({
    queryKey: ["draft", "movement", slug],
    queryFn: ({ signal }) =>
      ask(api.GET("/api/movements/{movement}/draft", { params: { path: { movement: slug ?? "" } }, signal })),
    enabled: slug !== undefined,
    gcTime: 0,
  });
  const failed = [movements, stored].find((q) => q.isError);
  if (failed) return <FailedPage error={failed.error} retry={() => void failed.refetch()} />;
  if (!movements.data || (slug !== undefined && !stored.data))
    return (
      <Box sx={{ px: 6 }}>
        <Loading />
      </Box>
    );
  const origin = movements.data.find((m) => m.slug === from);
  return (
    <Form
      key={origin?.slug}
      movements={movements.data}
      entry={stored.data?.entry ?? (origin ? variationOf(origin) : blank)}
      version={stored.data?.version ?? 0}
      versions={stored.data?.versions ?? []}
      origin={origin?.slug}
    />
  );
}

/** Lists are typed one entry a line. */
type Lists = "aliases" | "setUp" | "cues" | "faults" | "primeMovers" | "kit";

/** The fields of a movement by the names that they have in the form. */
const labels: Partial<Record<keyof Movement, string>> = {
  name: word("name"),
  aliases: say("otherNames"),
  pattern: say("pattern"),
  arms: say("elbows"),
  eachSide: say("doneAndTestedOnEachSide"),
  measure: say("countedIn"),
  setUp: say("writtenDownToCompare"),
  bottom: say("itsBottomIs"),
  standard: say("formStandard"),
  cues: word("cues"),
  faults: word("faults"),
  primeMovers: say("primeMovers"),
  carriesTo: say("carriesOverTo"),
  easier: word("easier"),
  harder: word("harder"),
  kit: word("kit"),
  cautions: say("cautions"),
  failureHarmless: say("failingIsHarmless"),
  poses: say("figure"),
};

const changed = (now: Movement, before: Movement | undefined) =>
  before
    ? Object.entries(labels).flatMap(([field, label]) =>
        alike(now[field as keyof Movement], before[field as keyof Movement]) ? [] : [label],
      )
    : [];

function Form({
  movements,
  entry,
  version,
  versions,
  origin,
}: {
  movements: Movement[];
  entry: Movement;
  version: number;
  versions: OwnMovement["versions"];
  /** Of what it is a variation. */
  origin: string | undefined;
}) {
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
    <Field
      label={label}
      value={m[field]}
      multiline={field === "standard"}
      onChange={(e) => set({ [field]: e.target.value })}
      problem={error(`entry.${field}`)}
      help={help}
    />
  );
  const list = (field: Lists, label: string) => (
    <Field
      label={label}
      multiline
      minRows={2}
      value={m[field].join("\n")}
      onChange={(e) => set({ [field]: e.target.value === "" ? [] : e.target.value.split("\n") })}
      problem={error(`entry.${field}`)}
      help={say("oneALine")}
    />
  );
  const neighbours = (field: "carriesTo" | "easier" | "harder", label: string) => (
    <ManyField
      label={label}
      options={movements.map((x) => x.slug).filter((s) => s !== slug)}
      chosen={m[field]}
      nameOf={(s) => movements.find((x) => x.slug === s)?.name ?? s}
      onChange={(chosen) => set({ [field]: chosen })}
    />
  );
  const known = [...new Set(movements.flatMap((x) => x.cautions))];
  return (
    <Box
      component="form"
      noValidate
      aria-label={say("movement")}
      onSubmit={(e) => {
        e.preventDefault();
        save.mutate(undefined, { onSuccess: () => void navigate(`/movements/${slug}`) });
      }}
      sx={{ px: { xs: 4, sm: 6 }, py: 4, maxWidth: 980 }}
    >
      <Typography variant="h1" sx={{ mb: 3 }}>
        {version > 0 ? say("edit2", { name: entry.name }) : say("newMovement")}
      </Typography>
      <Box
        sx={{ display: "grid", gridTemplateColumns: { xs: "minmax(0,1fr)", sm: "repeat(2, minmax(0,1fr))" }, gap: 4 }}
      >
        {text("name", word("name"))}
        <TextField
          select
          label={say("pattern")}
          value={m.pattern}
          onChange={(e) => set({ pattern: e.target.value as Movement["pattern"] })}
        >
          {[...new Set(movements.map((x) => x.pattern))].map((p) => (
            <MenuItem key={p} value={p}>
              {p}
            </MenuItem>
          ))}
        </TextField>
        <Field
          select
          label={say("countedIn")}
          value={m.measure}
          onChange={(e) => set({ measure: e.target.value as Movement["measure"] })}
          problem={error("entry.measure")}
          help={say("itsTestIsMadeByThis")}
        >
          {(Object.keys(measures) as Movement["measure"][])
            .filter((x) => x !== "Capacity")
            .map((x) => (
              <MenuItem key={x} value={x}>
                {measures[x]}
              </MenuItem>
            ))}
        </Field>
        <TextField
          select
          label={say("elbows")}
          value={m.arms}
          onChange={(e) => set({ arms: e.target.value as Movement["arms"] })}
        >
          <MenuItem value="Bent">{say("bent")}</MenuItem>
          <MenuItem value="Straight">{say("straight")}</MenuItem>
          <MenuItem value="None">{say("takeNoPart")}</MenuItem>
        </TextField>
        <Box sx={{ gridColumn: "1 / -1", display: "grid", minWidth: 0 }}>
          {text("standard", say("formStandard"), say("whatCountsAsAGoodRepetitionOr"))}
        </Box>
        {text("bottom", say("itsBottomIs"), say("shownBesideATempo"))}
        <Box>
          <FormControlLabel
            control={<Checkbox checked={m.eachSide} onChange={(_, eachSide) => set({ eachSide })} size="small" />}
            label={say("doneAndTestedOnEachSide")}
          />
          <FormControlLabel
            control={
              <Checkbox
                checked={m.failureHarmless}
                onChange={(_, failureHarmless) => set({ failureHarmless })}
                size="small"
              />
            }
            label={say("failingIsHarmless")}
          />
        </Box>
        {list("faults", word("faults"))}
        {list("cues", word("cues"))}
        {list("primeMovers", say("primeMovers"))}
        {list("kit", word("kit"))}
        {list("setUp", say("writtenDownToCompare"))}
        {list("aliases", say("otherNames"))}
        <PosesField
          poses={m.poses ?? []}
          movements={movements}
          near={[
            ...(origin ? [origin] : []),
            ...m.easier,
            ...m.harder,
            ...movements.filter((x) => x.pattern === m.pattern && x.arms === m.arms).map((x) => x.slug),
          ]}
          problem={error("entry.poses")}
          onChange={(poses) => setM((before) => ({ ...before, poses }))}
        />
        {neighbours("easier", word("easier"))}
        {neighbours("harder", word("harder"))}
        {neighbours("carriesTo", say("carriesOverTo"))}
        <ManyField
          label={say("cautions")}
          options={known}
          chosen={m.cautions}
          nameOf={(id: CautionId) => standingCaution(id, unit)}
          onChange={(cautions) => set({ cautions })}
          problem={error("entry.cautions")}
        />
        <Field
          label={say("why")}
          value={reason}
          onChange={(e) => setReason(e.target.value)}
          problem={error("reason")}
          help={say("keptWithTheChange")}
        />
      </Box>
      {save.error && !(save.error instanceof Problem && save.error.fields.length > 0) && (
        <Alert severity="warning" sx={{ mt: 3 }}>
          {say("whatYouTypedIsStillHere", { error: messageOf(save.error) })}
        </Alert>
      )}
      <Box sx={{ mt: 4, display: "flex", gap: 3 }}>
        <Button type="submit" variant="contained" color="secondary" disabled={save.isPending}>
          {say("save")}
        </Button>
        <Button component={Link} to={version > 0 ? `/movements/${slug}` : "/ladders?show=movements"}>
          {say("cancel")}
        </Button>
      </Box>
      {versions.length > 1 && (
        <Box sx={{ mt: 6 }}>
          <Versions
            versions={versions.map((v, i) => ({
              ...v,
              changes: changed(v.entry, versions[i + 1]?.entry),
              restorable: i > 0,
            }))}
            // What was typed and is no version yet would be lost.
            disabled={![entry, ...versions.map((v) => v.entry)].some((known) => alike(known, m))}
            onRestore={(to) => {
              setM(versions.find((v) => v.version === to)!.entry);
              setReason(say("backToVersion", { to }));
              announce(say("versionIsInTheForm", { version: to }));
            }}
          />
        </Box>
      )}
    </Box>
  );
}
