import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import Tab from "@mui/material/Tab";
import Tabs from "@mui/material/Tabs";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { useKey } from "../../shared/keys/useKey";
import { Link, useNavigate, useParams } from "react-router";
import { useSignedIn } from "../../shared/account/useMe";
import { Problem } from "../../shared/api/client";
import type { Group } from "../../shared/api/types";
import { nextMonday } from "../../shared/blocks/doc";
import type { Kind, Merged } from "../../shared/drafts/draft";
import { mergeFields } from "../../shared/drafts/merge";
import { omit } from "../../shared/drafts/omit";
import { Clashes, Restored } from "../../shared/drafts/Saving";
import { useDraft } from "../../shared/drafts/useDraft";
import { weekKinds } from "../../shared/blocks/wording";
import { rosterQuery } from "../../shared/athletes/useRoster";
import { ConfirmDialog } from "../../shared/ui/ConfirmDialog";
import { newId } from "../../shared/ui/newId";
import { plural } from "../../shared/ui/format";
import { Empty, Failed, FailedPage, Loading, messageOf } from "../../shared/ui/states";
import { draftOf, emptyDraft, readDraft, type Draft } from "./outline";
import { OutlineForm } from "./OutlineForm";
import { MemberNotes, PlanGrid } from "./PlanGrid";
import { groupQuery, usePreview, useRemoveGroup, useSaveGroup } from "../../shared/blocks/groups";
import { say } from "../../words/groups";

/** A block for several athletes: the outline on the left, what each of them does on the right. */
export default function GroupPage() {
  const { id } = useParams();
  const group = useQuery({ ...groupQuery(id ?? ""), enabled: id !== undefined });
  if (group.isError) return <FailedPage error={group.error} retry={() => void group.refetch()} />;
  if (id !== undefined && !group.data)
    return (
      <Box sx={{ px: 6 }}>
        <Loading />
      </Box>
    );
  return <Editor key={group.data ? `${group.data.id} ${group.data.version}` : "new"} stored={group.data ?? null} />;
}

interface GroupDoc {
  id: string;
  outline: Draft;
}

const docOf = (group: Group | null, today: string): GroupDoc =>
  group
    ? { id: group.id, outline: draftOf(group.outline, group.athletes) }
    : { id: newId(), outline: emptyDraft(nextMonday(today)) };

const parts: Record<keyof Draft, string> = {
  name: say("theName"),
  start: say("theFirstDay"),
  minutes: say("theMinutes"),
  loadingWeeks: say("theLoadingWeeks"),
  easyWeek: say("theEasyWeek"),
  days: say("theDays"),
  athletes: say("theAthletes"),
};

function mergeGroups(base: GroupDoc, mine: GroupDoc, theirs: GroupDoc): Merged<GroupDoc> {
  const { doc, clashes } = mergeFields(
    base.outline,
    mine.outline,
    theirs.outline,
    (field, outline) => ({
      where: parts[field],
      text:
        field === "days"
          ? outline.days.map((d) => `${d.day} ${plural(d.stations.length, "station")}`).join(", ")
          : String(outline[field]),
    }),
    ["athletes"],
  );
  return {
    doc: { ...mine, outline: doc },
    clashes: clashes.map(({ take, ...c }) => ({
      ...omit(c, "keep"),
      take: (d) => ({ ...d, outline: take(d.outline) }),
    })),
  };
}

function Editor({ stored }: { stored: Group | null }) {
  const { today } = useSignedIn();
  const navigate = useNavigate();
  const roster = useQuery(rosterQuery());
  const [begun] = useState(() => ({ doc: docOf(stored, today), version: stored?.version ?? 0 }));
  const { mutateAsync } = useSaveGroup();
  const kind: Kind<GroupDoc> = {
    title: stored ? say("group2", { name: stored.outline.name }) : say("aNewGroupBlock"),
    path: stored ? `/groups/${stored.id}` : "/groups/new",
    auto: false,
    send: async (doc, version) => mutateAsync({ id: doc.id, body: readDraft(doc.outline, version).request! }),
    theirs: (current) => {
      const found = current as Group | null;
      return found && { doc: docOf(found, today), version: found.version };
    },
    merge: mergeGroups,
  };
  const { draft: edit, now, dirty: changed, saved, ...saving } = useDraft(`group:${stored?.id ?? "new"}`, begun, kind);
  const { id, outline: draft } = now;
  const [week, setWeek] = useState(0);
  const [removing, setRemoving] = useState(false);
  const { request, faults } = useMemo(() => readDraft(draft, saved.version), [draft, saved.version]);
  const preview = usePreview(id, changed || !stored ? request : null);
  const remove = useRemoveGroup(id);
  const go = (to: string) => void navigate(to, { replace: true });
  useKey("undo", edit.undo, { inFields: true });
  useKey("redo", edit.redo, { inFields: true });
  const problem = saving.failure ?? (preview.error instanceof Problem ? preview.error : null);
  const fault = (path: string) => faults[path] ?? problem?.fieldMessage(path);
  const plan = request && (changed || !stored) ? preview.data : stored?.plan;
  const open = Math.min(week, (plan?.weeks.length ?? 1) - 1);
  const ready = request !== null && !preview.stale && preview.data && !preview.isError;
  return (
    <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", md: "340px minmax(0,1fr)" }, minHeight: "100%" }}>
      <Box
        component="aside"
        aria-label={say("outline")}
        sx={(t) => ({
          px: { xs: 4, sm: 5 },
          py: 4,
          borderRight: { md: `1px solid ${t.vars.palette.line2}` },
          bgcolor: "background.paper",
          display: "grid",
          gap: 4,
          alignContent: "start",
          minWidth: 0,
        })}
      >
        <Box>
          <Typography variant="h1">{stored ? stored.outline.name : say("newGroupBlock")}</Typography>
          <Typography variant="body2" color="textSecondary">
            {say.rich("oneOutlineAndABlockOfTheir", { a: (words) => <Link to="/programmes">{words}</Link> })}
          </Typography>
        </Box>
        <Box sx={{ display: "flex", gap: 2 }}>
          <Button size="small" disabled={!saving.canUndo} onClick={edit.undo}>
            {say("undo")}
          </Button>
          <Button size="small" disabled={!saving.canRedo} onClick={edit.redo}>
            {say("redo")}
          </Button>
          {stored && (
            <Button size="small" variant="text" onClick={() => setRemoving(true)} sx={{ ml: "auto" }}>
              {say("removeGroup")}
            </Button>
          )}
        </Box>
        <OutlineForm
          draft={draft}
          roster={roster.data ?? []}
          onChange={(outline, mark) => edit.edit((d) => ({ ...d, outline }), mark)}
          fault={fault}
        />
      </Box>
      <Box sx={{ px: { xs: 3, sm: 5 }, py: 4, minWidth: 0 }}>
        <Restored at={saving.restored} undo={saving.canUndo ? edit.undo : undefined} seen={edit.seen} />
        <Clashes clashes={saving.clashes} who={null} decide={edit.decide} />
        <Box sx={{ display: "flex", gap: 3, alignItems: "center", flexWrap: "wrap", mb: 3 }}>
          <Box sx={{ mr: "auto" }}>
            <Typography variant="h2" component="p">
              {plan ? `${plural(plan.members.length, "athlete")}, ${plural(plan.weeks.length, "week")}` : "\u00a0"}
            </Typography>
            <Typography variant="body2" color="textSecondary">
              {!stored
                ? say("nothingIsStoredBeforeYouMakeThe")
                : changed
                  ? say("makingThemAgainKeepsWhatYouWrote")
                  : say("theBlocksAsTheyStandWithWhat")}
            </Typography>
          </Box>
          {stored && !changed && (
            <Button component={Link} to={`/groups/${id}/print`}>
              {say("print")}
            </Button>
          )}
          <Button
            variant="contained"
            color="secondary"
            disabled={!ready || saving.state === "saving" || saving.state === "clash"}
            onClick={() => void edit.store(true).then((done) => done && go(`/groups/${id}`))}
          >
            {stored
              ? say("makeTheBlocksAgain")
              : draft.athletes.length > 0
                ? say("make", { athletes: draft.athletes.length })
                : say("makeTheBlocks")}
          </Button>
        </Box>
        {(preview.isFetching || saving.state === "saving") && (
          <LinearProgress aria-label={say("fitting")} sx={{ mb: 2, height: 2 }} />
        )}
        {saving.failure && saving.failure.fields.length === 0 && (
          <Alert severity="error" icon={false} sx={{ mb: 3 }}>
            {saving.failure.message}
          </Alert>
        )}
        {preview.isError && !(preview.error instanceof Problem && preview.error.fields.length > 0) && (
          <Failed error={preview.error} retry={() => void preview.refetch()} />
        )}
        {!plan && !preview.isFetching && (
          <Empty title={say("nothingToShowYet")}>{say("chooseWhoComesAndGiveEachDay")}</Empty>
        )}
        {plan && (
          <Box sx={{ opacity: changed && preview.stale ? 0.6 : 1, display: "grid", gap: 4 }}>
            <Tabs value={open} onChange={(_, next: number) => setWeek(next)} aria-label={say("weeks")}>
              {plan.weeks.map((w, i) => (
                <Tab key={i} label={`${i + 1}, ${weekKinds[w.kind]}`} />
              ))}
            </Tabs>
            <PlanGrid plan={plan} week={open} />
            <MemberNotes plan={plan} />
          </Box>
        )}
      </Box>
      {removing && stored && (
        <ConfirmDialog
          title={say("remove3", { name: stored.outline.name })}
          verb={say("remove2")}
          busy={remove.isPending}
          onClose={() => setRemoving(false)}
          onConfirm={() =>
            remove.mutate(stored.version, {
              onSuccess: () => {
                edit.discard();
                go("/programmes");
              },
            })
          }
        >
          {say("theBlocksOfItsAthletesStayWith")}
          {remove.isError && ` ${messageOf(remove.error)}`}
        </ConfirmDialog>
      )}
    </Box>
  );
}
