import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { lazy, Suspense, useEffect, useRef, useState } from "react";
import { Link } from "react-router";
import { Problem } from "../../shared/api/client";
import type { Decision, Desk } from "../../shared/api/types";
import { KeyCap } from "../../shared/ui/KeyCap";
import { Empty, FailedPage, Loading, messageOf } from "../../shared/ui/states";
import { capsOf, keymap, type KeyId } from "../../shared/keys/keymap";
import { useKey } from "../../shared/keys/useKey";
import { useSingleKeys } from "../../shared/keys/useSingleKeys";
import { useWhy } from "../../shared/why/WhyContext";
import { DecisionRow, type Additions } from "./DecisionRow";
import { DeskTables } from "./DeskTables";
import { NewRecords } from "../../shared/athletes/NewRecords";
import { LivePanel } from "./LivePanel";
import { deskQuery, useDecide } from "../../shared/decisions/useDesk";
import { useFigure } from "../../shared/decisions/useDetails";
import { Term } from "../../shared/ui/Term";
import { say } from "../../words/desk";

const nothing: Additions = { reason: "", also: [] };

const EditDecision = lazy(() => import("../../shared/decisions/EditDecision"));

/**
 * The coach's day: a queue of decisions with their evidence. `opening` comes first: what a new club does before there is
 * anything to decide.
 */
export default function DeskPage({ opening }: { opening?: React.ReactNode }) {
  const desk = useQuery(deskQuery);
  if (desk.isPending)
    return (
      <Box sx={{ px: 6 }}>
        <Loading rows={7} />
      </Box>
    );
  if (desk.isError) return <FailedPage error={desk.error} retry={() => void desk.refetch()} />;
  return <Queue desk={desk.data} opening={opening} />;
}

const hints: [KeyId[], string][] = [
  [["next", "previous"], say("hintMove")],
  [["accept"], say("hintAccept")],
  [["edit"], say("hintEdit")],
  [["later"], say("hintLater")],
  [["others"], say("theOthers")],
  [["why"], say("hintWhy")],
  [["undoDecision"], say("hintUndo")],
];

function Queue({ desk, opening }: { desk: Desk; opening: React.ReactNode }) {
  const [singleKeys] = useSingleKeys();
  const why = useWhy();
  const figure = useFigure();
  const decide = useDecide();
  const [cursor, setCursor] = useState<{ id: string; athleteId: string } | null>(null);
  const [unfolded, setUnfolded] = useState<string[]>([]);
  const [additions, setAdditions] = useState<Record<string, Additions>>({});
  const [editing, setEditing] = useState<Decision | null>(null);
  const list = useRef<HTMLOListElement>(null);

  const { rows, taken } = desk;
  const total = rows.reduce((sum, r) => sum + r.decisions.length, 0);
  const shown = rows.flatMap((r) => (unfolded.includes(r.athleteId) ? r.decisions : r.decisions.slice(0, 1)));
  // The cursor stays with its athlete, whatever was taken, undone or came up meanwhile.
  const byId = shown.findIndex((d) => d.id === cursor?.id);
  const byAthlete = shown.findIndex((d) => d.athleteId === cursor?.athleteId);
  const at = Math.max(0, byId >= 0 ? byId : byAthlete);
  const current = shown[at];
  const tonight = rows.filter((r) => desk.sessions.some((s) => s.athleteId === r.athleteId)).length;
  const refused = decide.accept.error instanceof Problem ? decide.accept.error.fieldMessage("reason") : undefined;
  const error = refused
    ? null
    : (decide.accept.error ?? decide.together.error ?? decide.later.error ?? decide.undo.error);
  const left = decide.together.data?.left.length ?? 0;
  const last = taken[0];

  const focus = (d: Decision | undefined) => setCursor(d ? { id: d.id, athleteId: d.athleteId } : null);
  const move = (by: number) => {
    const next = shown[Math.min(shown.length - 1, Math.max(0, at + by))];
    if (!next) return;
    focus(next);
    decide.accept.reset();
    list.current?.querySelector<HTMLElement>(`[data-id="${next.id}"]`)?.focus();
    if (why.opened) openWhy(next);
  };
  const openWhy = (d: Decision) => why.open(figure(d));
  // The row that left took the focus with it: the next one gets it.
  useEffect(() => {
    if (cursor && cursor.id === current?.id && document.activeElement === document.body)
      list.current?.querySelector<HTMLElement>("[aria-current]")?.focus({ preventScroll: true });
  }, [cursor, current?.id]);
  /** Where the cursor goes when a decision leaves: to the athlete's next one, else to the next athlete. */
  const onward = (d: Decision) => {
    const row = rows.find((r) => r.athleteId === d.athleteId);
    const others = row?.decisions.filter((o) => o.id !== d.id) ?? [];
    const athletes = rows.map((r) => r.athleteId);
    const nextRow = rows[athletes.indexOf(d.athleteId) + 1] ?? rows[athletes.indexOf(d.athleteId) - 1];
    focus(others[0] ?? nextRow?.decisions[0]);
  };
  const accept = (d: Decision) => {
    const { reason, also } = additions[d.id] ?? nothing;
    why.close();
    decide.accept.mutate({ id: d.id, reason: reason.trim() || null, also }, { onSuccess: () => onward(d) });
  };
  const harmlessOf = (athleteId: string) =>
    rows.find((r) => r.athleteId === athleteId)?.decisions.filter((d) => d.harmless) ?? [];
  const together = (d: Decision) => {
    const ids = harmlessOf(d.athleteId).map((x) => x.id);
    if (ids.length > 1) decide.together.mutate(ids);
  };
  const later = (d: Decision) => {
    why.close();
    decide.later.mutate(d.id, { onSuccess: () => onward(d) });
  };
  const undo = (d: Decision) => {
    setCursor({ id: d.id, athleteId: d.athleteId });
    decide.undo.mutate(d.id);
  };
  const fold = (athleteId: string) =>
    setUnfolded((open) => (open.includes(athleteId) ? open.filter((x) => x !== athleteId) : [...open, athleteId]));

  const keys = { enabled: editing === null };
  useKey("next", () => move(1), keys);
  useKey("previous", () => move(-1), keys);
  useKey("accept", () => current && accept(current), keys);
  useKey("acceptTogether", () => current && together(current), keys);
  useKey("others", () => current && fold(current.athleteId), keys);
  useKey("edit", () => current?.next && setEditing(current), keys);
  useKey("later", () => current && later(current), keys);
  useKey("why", () => current && openWhy(current), keys);
  useKey("undoDecision", () => last && undo(last), keys);

  return (
    <Box sx={{ display: "flex", flexDirection: "column" }}>
      <Box
        sx={{
          px: { xs: 4, sm: 6 },
          py: 4,
          display: "flex",
          alignItems: "baseline",
          columnGap: 4,
          rowGap: 1,
          flexWrap: "wrap",
        }}
      >
        <Typography variant="h1">
          <Term id="desk">{say("desk")}</Term>
        </Typography>
        <Typography color="textSecondary" sx={{ mr: "auto" }}>
          {total === 0
            ? say("nothingWaitsForYou")
            : say.rich("waiting", {
                total,
                athletes: rows.length,
                tonight,
                b: (count) => (
                  <Box component="b" sx={{ color: "secondary.main", fontWeight: 600 }}>
                    {count}
                  </Box>
                ),
              })}
        </Typography>
        {singleKeys && (
          <Box
            sx={{
              display: { xs: "none", md: "flex" },
              gap: 3.5,
              fontSize: 12,
              color: "text.secondary",
              whiteSpace: "nowrap",
            }}
          >
            {hints.map(([ids, what]) => (
              <span key={what}>
                {ids.map((id) => (
                  <KeyCap key={id}>{capsOf(keymap[id])}</KeyCap>
                ))}{" "}
                {what}
              </span>
            ))}
          </Box>
        )}
      </Box>
      {opening}
      {error && (
        <Alert
          severity="warning"
          sx={{ mx: 6, mb: 3 }}
          onClose={() => [decide.accept, decide.together, decide.later, decide.undo].forEach((m) => m.reset())}
        >
          {messageOf(error)}
        </Alert>
      )}
      {left > 0 && (
        <Alert severity="info" sx={{ mx: 6, mb: 3 }} onClose={() => decide.together.reset()}>
          {say("notAccepted", { left })}
        </Alert>
      )}
      <Beside
        main={
          total === 0 ? (
            <Box sx={{ px: { xs: 4, sm: 6 } }}>
              <Empty
                title={say("theDeskIsClear")}
                action={
                  <Button component={Link} to="/roster">
                    {say("openTheRoster")}
                  </Button>
                }
              >
                {say("aDecisionAppearsHereWhenASession")}
              </Empty>
            </Box>
          ) : (
            <Box
              component="ol"
              ref={list}
              aria-label={say("decisionsOneAthleteARowMostUrgent")}
              sx={{ listStyle: "none", m: 0, p: 0 }}
            >
              {rows.flatMap((row) => {
                const open = unfolded.includes(row.athleteId);
                return (open ? row.decisions : row.decisions.slice(0, 1)).map((d, i) => (
                  <DecisionRow
                    key={d.id}
                    decision={d}
                    session={desk.sessions.find((s) => s.athleteId === d.athleteId)}
                    first={i === 0}
                    others={row.decisions.length - 1}
                    unfolded={open}
                    harmless={harmlessOf(row.athleteId).length}
                    current={d.id === current?.id}
                    busy={decide.accept.isPending || decide.together.isPending}
                    asksReason={refused && decide.accept.variables?.id === d.id ? refused : null}
                    additions={additions[d.id] ?? nothing}
                    onAdditions={(more) => setAdditions((all) => ({ ...all, [d.id]: more }))}
                    onFocus={() => focus(d)}
                    onAccept={() => accept(d)}
                    onTogether={() => together(d)}
                    onFold={() => fold(row.athleteId)}
                    onEdit={() => setEditing(d)}
                    onLater={() => later(d)}
                  />
                ));
              })}
            </Box>
          )
        }
        side={
          <Box>
            <LivePanel />
            <Box sx={{ px: { xs: 4, sm: 6 }, "&:not(:empty)": { pt: 4 } }}>
              <NewRecords athleteId={null} />
            </Box>
            <DeskTables desk={desk} undo={undo} />
          </Box>
        }
      />
      <Suspense fallback={null}>
        {editing && <EditDecision decision={editing} onClose={() => setEditing(null)} />}
      </Suspense>
    </Box>
  );
}

/** The queue and, where the page has the room, the day beside it; else under it. */
function Beside({ main, side }: { main: React.ReactNode; side: React.ReactNode }) {
  return (
    <Box sx={(t) => ({ containerType: "inline-size", borderTop: `1px solid ${t.vars.palette.line2}` })}>
      <Box
        sx={(t) => ({
          [t.containerQueries.up(1120)]: {
            display: "grid",
            gridTemplateColumns: "minmax(0, 1fr) clamp(340px, 28cqw, 480px)",
            "& > :last-child": { borderLeft: `1px solid ${t.vars.palette.line2}` },
          },
        })}
      >
        <Box sx={{ minWidth: 0 }}>{main}</Box>
        {side}
      </Box>
    </Box>
  );
}
