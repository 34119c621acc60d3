import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { lazy, Suspense, useRef, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { Link } from "react-router";
import { useUnit } from "../accounts/useMe";
import type { Decision, Desk } from "../api/types";
import { KeyCap } from "../ui/KeyCap";
import { Empty, Failed, Loading, messageOf } from "../ui/states";
import { useSingleKeys } from "../ui/useSingleKeys";
import { useWhy } from "../why/WhyContext";
import { DecisionRow } from "./DecisionRow";
import { DeskTables } from "./DeskTables";
import { deskQuery, useDecide } from "./useDesk";
import { figureOf } from "./figureOf";

const EditDecision = lazy(() => import("./EditDecision"));

/** The coach's day: a queue of decisions with their evidence. */
export default function DeskPage() {
  const desk = useQuery(deskQuery);
  if (desk.isPending)
    return (
      <Box sx={{ px: 6 }}>
        <Loading rows={7} />
      </Box>
    );
  if (desk.isError)
    return (
      <Box sx={{ px: 6 }}>
        <Failed error={desk.error} retry={() => void desk.refetch()} />
      </Box>
    );
  return <Queue desk={desk.data} />;
}

function Queue({ desk }: { desk: Desk }) {
  const unit = useUnit();
  const why = useWhy();
  const decide = useDecide();
  const [singleKeys] = useSingleKeys();
  const [currentId, setCurrentId] = useState<string | null>(null);
  const [editing, setEditing] = useState<Decision | null>(null);
  const list = useRef<HTMLOListElement>(null);

  const { decisions, taken } = desk;
  const at = Math.max(
    0,
    decisions.findIndex((d) => d.id === currentId),
  );
  const current = decisions[at];
  const tonight = decisions.filter((d) => desk.sessions.some((s) => s.athleteId === d.athleteId)).length;
  const error = decide.accept.error ?? decide.later.error ?? decide.undo.error;
  const last = taken[0];

  const move = (by: number) => {
    const next = decisions[Math.min(decisions.length - 1, Math.max(0, at + by))];
    if (!next) return;
    setCurrentId(next.id);
    list.current?.querySelector<HTMLElement>(`[data-id="${next.id}"]`)?.focus();
    if (why.opened) openWhy(next);
  };
  const openWhy = (d: Decision) => why.open(figureOf(d, unit));
  const accept = (d: Decision) => {
    // The next one takes its place, so that A A A works through the queue.
    setCurrentId(decisions[at + 1]?.id ?? decisions[at - 1]?.id ?? null);
    why.close();
    decide.accept.mutate({ id: d.id });
  };
  const later = (d: Decision) => {
    setCurrentId(decisions[at + 1]?.id ?? decisions[at - 1]?.id ?? null);
    why.close();
    decide.later.mutate(d.id);
  };

  const keys = { enabled: singleKeys && editing === null };
  useHotkeys("j,down", () => move(1), { ...keys, preventDefault: true }, [decisions, at, why.opened]);
  useHotkeys("k,up", () => move(-1), { ...keys, preventDefault: true }, [decisions, at, why.opened]);
  useHotkeys("a", () => current && accept(current), keys, [current]);
  useHotkeys("e", () => current && current.next && setEditing(current), { ...keys, preventDefault: true }, [current]);
  useHotkeys("l", () => current && later(current), keys, [current]);
  useHotkeys("w", () => current && openWhy(current), keys, [current]);
  useHotkeys("z", () => last && decide.undo.mutate(last.id), keys, [last]);

  return (
    <Box sx={{ display: "flex", flexDirection: "column", minHeight: "100%" }}>
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
        <Typography variant="h1">Desk</Typography>
        <Typography color="textSecondary" sx={{ mr: "auto" }}>
          {decisions.length === 0 ? (
            "Nothing waits for you."
          ) : (
            <>
              <Box component="b" sx={{ color: "secondary.main", fontWeight: 600 }}>
                {decisions.length} {decisions.length === 1 ? "decision" : "decisions"}
              </Box>{" "}
              {decisions.length === 1 ? "waits" : "wait"} for you{tonight > 0 && `, ${tonight} before today’s sessions`}
              .
            </>
          )}
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
            {[
              [["J", "K"], "move"],
              [["A"], "accept"],
              [["E"], "edit"],
              [["L"], "later"],
              [["W"], "why"],
              [["Z"], "undo"],
            ].map(([caps, what]) => (
              <span key={what as string}>
                {(caps as string[]).map((c) => (
                  <KeyCap key={c}>{c}</KeyCap>
                ))}{" "}
                {what}
              </span>
            ))}
          </Box>
        )}
      </Box>
      {error && (
        <Alert
          severity="warning"
          sx={{ mx: 6, mb: 3 }}
          onClose={() => [decide.accept, decide.later, decide.undo].forEach((m) => m.reset())}
        >
          {messageOf(error)}
        </Alert>
      )}
      {decisions.length === 0 ? (
        <Box sx={(t) => ({ px: { xs: 4, sm: 6 }, borderTop: `1px solid ${t.vars.palette.line2}` })}>
          <Empty
            title="The desk is clear."
            action={
              <Button component={Link} to="/roster">
                Open the roster
              </Button>
            }
          >
            A decision appears here when a session is logged and finished.
          </Empty>
        </Box>
      ) : (
        <Box
          component="ol"
          ref={list}
          aria-label="Decisions, most urgent first"
          sx={(t) => ({ listStyle: "none", m: 0, p: 0, borderTop: `1px solid ${t.vars.palette.line2}` })}
        >
          {decisions.map((d, i) => (
            <DecisionRow
              key={d.id}
              decision={d}
              session={desk.sessions.find((s) => s.athleteId === d.athleteId)}
              current={i === at}
              busy={decide.accept.isPending && decide.accept.variables?.id === d.id}
              onFocus={() => setCurrentId(d.id)}
              onAccept={() => accept(d)}
              onEdit={() => setEditing(d)}
              onLater={() => later(d)}
            />
          ))}
        </Box>
      )}
      <DeskTables desk={desk} undo={(id) => decide.undo.mutate(id)} />
      <Suspense fallback={null}>
        {editing && <EditDecision decision={editing} onClose={() => setEditing(null)} />}
      </Suspense>
    </Box>
  );
}
