import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import Tab from "@mui/material/Tab";
import Tabs from "@mui/material/Tabs";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { Link, useNavigate, useParams } from "react-router";
import { useSignedIn } from "../accounts/useMe";
import { Problem } from "../api/client";
import type { Group } from "../api/types";
import { nextMonday } from "../programmes/doc";
import type { Kind, Merged } from "../drafts/draft";
import { mergeFields } from "../drafts/merge";
import { omit } from "../drafts/omit";
import { Clashes, Restored } from "../drafts/Saving";
import { useDraft } from "../drafts/useDraft";
import { weekKinds } from "../programmes/wording";
import { rosterQuery } from "../roster/useRoster";
import { ConfirmDialog } from "../ui/ConfirmDialog";
import { newId } from "../ui/newId";
import { plural } from "../ui/format";
import { Empty, Failed, Loading, messageOf } from "../ui/states";
import { draftOf, emptyDraft, readDraft, type Draft } from "./outline";
import { OutlineForm } from "./OutlineForm";
import { MemberNotes, PlanGrid } from "./PlanGrid";
import { groupQuery, usePreview, useRemoveGroup, useSaveGroup } from "./queries";

/** A block for several athletes: the outline on the left, what each of them does on the right. */
export default function GroupPage() {
  const { id } = useParams();
  const group = useQuery({ ...groupQuery(id ?? ""), enabled: id !== undefined });
  if (group.isError)
    return (
      <Box sx={{ px: 6 }}>
        <Failed error={group.error} retry={() => void group.refetch()} />
      </Box>
    );
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
  name: "The name",
  start: "The first day",
  minutes: "The minutes",
  loadingWeeks: "The loading weeks",
  easyWeek: "The easy week",
  days: "The days",
  athletes: "The athletes",
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
    title: stored ? `Group ${stored.outline.name}` : "A new group block",
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
  useHotkeys("mod+z", edit.undo, { enableOnFormTags: true, preventDefault: true });
  useHotkeys("mod+shift+z, mod+y", edit.redo, { enableOnFormTags: true, preventDefault: true });
  const problem = saving.failure ?? (preview.error instanceof Problem ? preview.error : null);
  const fault = (path: string) => faults[path] ?? problem?.fieldMessage(path);
  const plan = request && (changed || !stored) ? preview.data : stored?.plan;
  const open = Math.min(week, (plan?.weeks.length ?? 1) - 1);
  const ready = request !== null && !preview.stale && preview.data && !preview.isError;
  return (
    <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", md: "340px minmax(0,1fr)" }, minHeight: "100%" }}>
      <Box
        component="aside"
        aria-label="Outline"
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
          <Typography variant="h1">{stored ? stored.outline.name : "New group block"}</Typography>
          <Typography variant="body2" color="textSecondary">
            <Link to="/programmes">Programmes</Link>: one outline, and a block of their own for each athlete
          </Typography>
        </Box>
        <Box sx={{ display: "flex", gap: 2 }}>
          <Button size="small" disabled={!saving.canUndo} onClick={edit.undo}>
            Undo
          </Button>
          <Button size="small" disabled={!saving.canRedo} onClick={edit.redo}>
            Redo
          </Button>
          {stored && (
            <Button size="small" variant="text" onClick={() => setRemoving(true)} sx={{ ml: "auto" }}>
              Remove group
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
                ? "Nothing is stored before you make the blocks; each can be changed then."
                : changed
                  ? "Making them again keeps what you wrote, moved, added or took out by hand."
                  : "The blocks as they stand, with what you changed in them."}
            </Typography>
          </Box>
          {stored && !changed && (
            <Button component={Link} to={`/groups/${id}/print`}>
              Print
            </Button>
          )}
          <Button
            variant="contained"
            color="secondary"
            disabled={!ready || saving.state === "saving" || saving.state === "clash"}
            onClick={() => void edit.store(true).then((done) => done && go(`/groups/${id}`))}
          >
            {stored
              ? "Make the blocks again"
              : draft.athletes.length > 0
                ? `Make ${plural(draft.athletes.length, "block")}`
                : "Make the blocks"}
          </Button>
        </Box>
        {(preview.isFetching || saving.state === "saving") && (
          <LinearProgress aria-label="Fitting" sx={{ mb: 2, height: 2 }} />
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
          <Empty title="Nothing to show yet.">
            Choose who comes, and give each day a station: a ladder for everybody’s own rung, a pattern for their own
            movement, or a movement with their own load or help.
          </Empty>
        )}
        {plan && (
          <Box sx={{ opacity: changed && preview.stale ? 0.6 : 1, display: "grid", gap: 4 }}>
            <Tabs value={open} onChange={(_, next: number) => setWeek(next)} aria-label="Weeks">
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
          title={`Remove “${stored.outline.name}”?`}
          verb="Remove"
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
          The blocks of its athletes stay with them.
          {remove.isError && ` ${messageOf(remove.error)}`}
        </ConfirmDialog>
      )}
    </Box>
  );
}
