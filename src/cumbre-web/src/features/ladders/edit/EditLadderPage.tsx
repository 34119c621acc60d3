import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useDeferredValue, useState } from "react";
import { useKey } from "../../../shared/keys/useKey";
import { Link, useNavigate, useParams } from "react-router";
import type { LadderDraft, LadderEntry, Movement, School, WhatIf } from "../../../shared/api/types";
import type { Kind } from "../../../shared/drafts/draft";
import { Clashes, Restored } from "../../../shared/drafts/Saving";
import { useDraft } from "../../../shared/drafts/useDraft";
import { FailedPage, Loading } from "../../../shared/ui/states";
import { Ridge } from "../Ridge";
import { movementsQuery, schoolsQuery } from "../../../shared/ladders/useLadders";
import { demandWord } from "../../../shared/ladders/wording";
import { emptyLadder, slugOf } from "./draft";
import { DraftHistory } from "./DraftHistory";
import { draftQuery, useSaveLadder, whatIfQuery } from "./queries";
import { StepList } from "./StepList";
import { mergeLadders } from "./mergeLadders";
import { differenceText, fieldName, moveText } from "./wording";
import { Field } from "../../../shared/ui/Field";
import { say as word } from "../../../words/common";
import { say } from "../../../words/ladders";
import { told } from "../../../words/server";

const nothing: LadderDraft = {
  entry: emptyLadder(),
  version: 0,
  own: true,
  retired: false,
  edited: false,
  fromShipped: [],
  versions: [],
  flags: [],
  problems: [],
};

/** A ladder bent to the club's own experience; who would move is seen before it is saved. */
export default function EditLadderPage() {
  const { slug } = useParams();
  const stored = useQuery({ ...draftQuery(slug ?? ""), enabled: slug !== undefined });
  const movements = useQuery(movementsQuery);
  const schools = useQuery(schoolsQuery);
  const failed = [stored, movements, schools].find((q) => q.isError);
  if (failed) return <FailedPage error={failed.error} retry={() => void failed.refetch()} />;
  const draft = slug === undefined ? nothing : stored.data;
  if (!draft || !movements.data || !schools.data)
    return (
      <Box sx={{ px: 6 }}>
        <Loading />
      </Box>
    );
  return (
    <Editor
      key={`${slug ?? "new"}-${draft.version}`}
      isNew={slug === undefined}
      stored={draft}
      movements={movements.data}
      schools={schools.data}
      reload={() => void stored.refetch()}
    />
  );
}

function Editor({
  isNew,
  stored,
  movements,
  schools,
  reload,
}: {
  isNew: boolean;
  stored: LadderDraft;
  movements: Movement[];
  schools: School[];
  reload: () => void;
}) {
  const navigate = useNavigate();
  const [reason, setReason] = useState("");
  const { mutateAsync } = useSaveLadder();
  const kind: Kind<LadderEntry> = {
    title: isNew ? say("aNewLadder") : say("ladder", { name: stored.entry.name }),
    path: isNew ? "/ladders/new" : `/ladders/${stored.entry.slug}/edit`,
    auto: false,
    send: (entry, version) => {
      const ladder = isNew ? slugOf(entry.name) : stored.entry.slug;
      return mutateAsync({ ladder, version, reason, entry: { ...entry, slug: ladder } });
    },
    theirs: (current) => {
      const found = current as LadderDraft | null;
      return found && { doc: found.entry, version: found.version };
    },
    merge: mergeLadders,
  };
  const {
    draft: edit,
    now: draft,
    dirty,
    ...saving
  } = useDraft(`ladder:${isNew ? "new" : stored.entry.slug}`, { doc: stored.entry, version: stored.version }, kind);
  const slug = isNew ? slugOf(draft.name) : stored.entry.slug;
  const asked = useDeferredValue(draft);
  const whatIf = useQuery({ ...whatIfQuery(slug || "new", asked), enabled: slug !== "" || isNew });
  // While something is to be mended, the ridge stays as it was last whole.
  const [whole, setWhole] = useState<WhatIf>();
  if (whatIf.data && whatIf.data.problems.length === 0 && whatIf.data !== whole) setWhole(whatIf.data);
  const [open, setOpen] = useState<string | null>(isNew ? (draft.steps[0]?.slug ?? null) : null);
  useKey("undo", () => edit.undo(), { inFields: true });
  useKey("redo", () => edit.redo(), { inFields: true });
  const problems = whatIf.data?.problems ?? stored.problems;
  const set = (to: LadderEntry, field?: string) => edit.edit(() => to, field ?? null);
  const fieldErrors = saving.failure?.fields ?? [];
  return (
    <Box sx={{ px: { xs: 4, sm: 6 }, py: 4 }}>
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 4, flexWrap: "wrap" }}>
        <Typography variant="h1">{isNew ? say("newLadder") : say("edit2", { name: stored.entry.name })}</Typography>
        <Typography variant="body2" color="textSecondary" role="status">
          {dirty
            ? say("notSavedKeptOnThisDevice")
            : stored.edited
              ? say("changedByTheClub3")
              : isNew
                ? ""
                : stored.retired
                  ? say("retired")
                  : say("asShipped")}
        </Typography>
        <Box sx={{ ml: "auto", display: "flex", gap: 2 }}>
          <Button size="small" disabled={!saving.canUndo} onClick={edit.undo}>
            {say("undo")}
          </Button>
          <Button size="small" disabled={!saving.canRedo} onClick={edit.redo}>
            {say("redo")}
          </Button>
          <Button size="small" component={Link} to={isNew || stored.retired ? "/ladders" : `/ladders/${slug}`}>
            {say("close")}
          </Button>
        </Box>
      </Box>
      <Restored at={saving.restored} undo={saving.canUndo ? edit.undo : undefined} seen={edit.seen} />
      <Clashes clashes={saving.clashes} who={null} decide={edit.decide} />
      <Flags stored={stored} />
      <WhatIfRidge draft={draft} whatIf={whole} />
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,1fr) 320px" },
          columnGap: 8,
          rowGap: 4,
          alignItems: "start",
        }}
      >
        <Box>
          <About
            draft={draft}
            isNew={isNew}
            set={set}
            problem={(path) => {
              const found = problems.find((p) => p.path === path);
              return found && told(found.message);
            }}
          />
          <StepList
            draft={draft}
            problems={problems}
            open={open}
            setOpen={setOpen}
            set={set}
            movements={movements}
            schools={schools}
          />
        </Box>
        <Box
          component="aside"
          aria-label={say("whatThisChanges")}
          sx={{ position: { md: "sticky" }, top: { md: 16 }, pt: 3, display: "grid", gap: 4 }}
        >
          {(dirty || isNew) && (
            <WhatItMeans whatIf={whatIf.data} isNew={isNew} steps={draft.steps.map((s) => s.name)} />
          )}
          {(dirty || isNew) && (
            <Box
              component="form"
              onSubmit={(e) => {
                e.preventDefault();
                // Saving leaves by itself; everything else asks first.
                void edit.store().then((stored) => stored && navigate(`/ladders/${slug}`));
              }}
              sx={{ display: "grid", gap: 3 }}
            >
              <Field
                label={say("why")}
                value={reason}
                onChange={(e) => setReason(e.target.value)}
                problem={fieldErrors.find((f) => f.path === "reason")?.message}
                help={say("keptWithTheChange")}
              />
              {saving.failure && !fieldErrors.some((f) => f.path === "reason") && (
                <Typography color="error" variant="body2" role="alert">
                  {saving.failure.message}
                </Typography>
              )}
              <Button
                type="submit"
                variant="contained"
                color="secondary"
                disabled={
                  saving.state === "saving" || saving.state === "clash" || problems.length > 0 || (isNew && slug === "")
                }
              >
                {say("save")}
              </Button>
            </Box>
          )}
          <DraftHistory stored={stored} disabled={dirty} onRestored={reload} />
        </Box>
      </Box>
    </Box>
  );
}

function About({
  draft,
  isNew,
  set,
  problem,
}: {
  draft: LadderEntry;
  isNew: boolean;
  set: (to: LadderEntry, field?: string) => void;
  problem: (path: string) => string | undefined;
}) {
  const text = (field: "name" | "skill" | "about", label: string, help?: string) => (
    <Field
      label={label}
      value={draft[field]}
      multiline={field === "about"}
      onChange={(e) => set({ ...draft, [field]: e.target.value }, field)}
      problem={isNew ? undefined : problem(field)}
      help={help}
    />
  );
  return (
    <Box component="details" open={isNew}>
      <Box component="summary" sx={{ cursor: "pointer", fontSize: 13, py: 1 }}>
        {say("nameAndWhatToKnowOfIt")}
      </Box>
      <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "1fr 1fr" }, gap: 4, pt: 2 }}>
        {text("name", word("ladder"))}
        {text("skill", word("skill"), say("whatStandsAtTheSummit"))}
        <Box sx={{ gridColumn: "1 / -1", display: "grid" }}>{text("about", word("about"))}</Box>
        <TextField
          select
          label={say("heightsAre")}
          value={draft.demandKind}
          onChange={(e) => set({ ...draft, demandKind: e.target.value as LadderEntry["demandKind"] })}
        >
          {(Object.keys(demandWord) as LadderEntry["demandKind"][]).map((k) => (
            <MenuItem key={k} value={k}>
              {demandWord[k]}
            </MenuItem>
          ))}
        </TextField>
      </Box>
    </Box>
  );
}

/** Edits of the club under which the shipped ladder changed. */
function Flags({ stored }: { stored: LadderDraft }) {
  if (stored.flags.length === 0 && stored.problems.length === 0) return null;
  return (
    <Alert severity="warning" sx={{ mt: 3 }}>
      {stored.problems.length > 0 && say("whatTheClubWroteCannotBeUsed")}{" "}
      {stored.flags.length > 0 && say("aNewerShippedLadderChangedWhatThe")}
      <ul>
        {stored.flags.map((f) => (
          <li key={`${f.step}-${f.field}`}>
            {say("shippedNowWas", {
              stepName: f.stepName ?? say("theLadder"),
              field: fieldName(f.field),
              kept: f.kept ?? say("takenOut2"),
              ships: f.ships ?? say("withoutIt"),
              was: f.was ?? say("withoutIt"),
            })}
          </li>
        ))}
      </ul>
      {stored.flags.length > 0 && say("savingTheLadderOnceMoreTakesNote")}
    </Alert>
  );
}

/** The draft as a ridge: hollow flags as it stands, full ones as it would. */
function WhatIfRidge({ draft, whatIf }: { draft: LadderEntry; whatIf: WhatIf | undefined }) {
  if (!whatIf || whatIf.shares.length !== draft.steps.length) return null;
  return (
    <Ridge
      label={say("ridgeOfAsEdited", { name: draft.name })}
      steps={draft.steps.map((s, i) => ({
        key: s.slug,
        name: s.name,
        share: whatIf.shares[i] ?? 0,
        status: (s.gates?.length ?? 0) > 0 ? "locked" : "ahead",
        statusWord: (s.gates?.length ?? 0) > 0 ? say("guardedByAGate") : say("noGateOfItsOwn"),
        flags: whatIf.after.filter((f) => f.started && f.training === i).map((f) => f.name),
        leaving: whatIf.before
          .filter(
            (f) =>
              f.started && f.training === i && whatIf.after.find((a) => a.athleteId === f.athleteId)?.training !== i,
          )
          .map((f) => f.name),
      }))}
      training={null}
    />
  );
}

function WhatItMeans({ whatIf, isNew, steps }: { whatIf: WhatIf | undefined; isNew: boolean; steps: string[] }) {
  if (!whatIf) return <Loading rows={1} label={say("workingOutWhoWouldMove")} />;
  if (whatIf.problems.length > 0)
    return (
      <Box>
        <Typography variant="h2">{say("toMend2")}</Typography>
        <Box component="ul" sx={{ m: 0, pl: 4, fontSize: 13 }}>
          {whatIf.problems.slice(0, 8).map((p) => (
            <li key={p.path}>
              {stepName(p.path, steps)} {told(p.message)}
            </li>
          ))}
        </Box>
      </Box>
    );
  return (
    <>
      <Box>
        <Typography variant="h2">{say("whoWouldMove")}</Typography>
        {whatIf.movers.length === 0 && (
          <Typography variant="body2" color="textSecondary">
            {isNew ? say("nobodyStandsOnItYet") : say("nobody")}
          </Typography>
        )}
        <Box component="ul" aria-label={say("whoWouldMove")} sx={{ m: 0, pl: 4, fontSize: 13, lineHeight: "19px" }}>
          {whatIf.movers.map((m) => (
            <li key={m.athleteId}>
              <b>{m.name}</b>: {moveText(m)}
            </li>
          ))}
        </Box>
      </Box>
      {whatIf.differences.length > 0 && (
        <Box>
          <Typography variant="h2">{say("whatChanges")}</Typography>
          <Box component="ul" sx={{ m: 0, pl: 4, fontSize: 13, lineHeight: "19px" }}>
            {whatIf.differences.map((d) => (
              <li key={`${d.step}-${d.field}-${d.kind}`}>{differenceText(d)}</li>
            ))}
          </Box>
        </Box>
      )}
    </>
  );
}

function stepName(path: string, steps: string[]) {
  const index = /^steps\[(\d+)\]/.exec(path)?.[1];
  return index === undefined ? "" : `${steps[Number(index)] || say("step3", { index: Number(index) + 1 })}:`;
}
