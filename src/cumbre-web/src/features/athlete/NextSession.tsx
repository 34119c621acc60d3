import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Link, useLocation, useNavigate } from "react-router";
import { newId } from "../../shared/ui/newId";
import { useSignedIn } from "../../shared/account/useMe";
import type { MovementPage, Session } from "../../shared/api/types";
import { LineEditor } from "../../shared/sessions/LineEditor";
import { ReasonField } from "../../shared/sessions/ReasonField";
import { useMeaning } from "../../shared/sessions/useMeaning";
import { usePlanSession, useRemoveSession } from "../../shared/sessions/useSession";
import { Board } from "../../shared/sessions/Board";
import { MeaningView } from "../../shared/sessions/MeaningView";
import type { Kind } from "../../shared/drafts/draft";
import { mergeFields } from "../../shared/drafts/merge";
import { Clashes, Restored } from "../../shared/drafts/Saving";
import { useDraft } from "../../shared/drafts/useDraft";
import { dayWeek } from "../../shared/ui/format";
import { useRead } from "../../shared/notation/useRead";
import { say as word } from "../../words/common";
import { say } from "../../words/athlete";
import { inSentence } from "../../shared/ui/nameWords";

/** The movement's item of a session, which may hold more. */
const itemOf = (session: Session | null, movement: string) => session?.items.find((i) => i.movement.slug === movement);

/** The next session: for the coach a line that can be edited, for the athlete the plan. */
export function NextSession({ page }: { page: MovementPage }) {
  const { isCoach } = useSignedIn();
  const { next } = page;
  const begun = next !== null && next.status !== "Planned";
  if (!isCoach || begun) return <Plan page={page} begun={begun} />;
  // A new version from elsewhere starts the editor afresh.
  return <Editor key={`${next?.id}-${next?.version}`} page={page} next={next} />;
}

function Plan({ page, begun }: { page: MovementPage; begun: boolean }) {
  const { isGuardian } = useSignedIn();
  const read = useRead();
  const { next } = page;
  const item = itemOf(next, page.movement.slug);
  if (!next)
    return (
      <Typography color="textSecondary" sx={{ p: 4 }}>
        {say("noSessionIsPlannedYetYourCoach")}
      </Typography>
    );
  return (
    <Box sx={{ p: 4 }}>
      <Box sx={{ display: "flex", gap: 3, alignItems: "baseline", flexWrap: "wrap", mb: 2 }}>
        <Typography variant="h2">{dayWeek(next.day)}</Typography>
        <Board line={read(item?.line ?? "")} />
      </Box>
      {item?.plan && (
        <MeaningView plan={item.plan} subject={`${page.athlete.name}, ${page.movement.name}`} keyPrefix={next.id} />
      )}
      <Box sx={{ mt: 3, display: "flex", gap: 2 }}>
        <Button
          component={Link}
          to={`/athletes/${page.athlete.id}/sessions/${next.id}`}
          variant="contained"
          color="secondary"
        >
          {say(isGuardian ? "openSession" : begun ? "goOnLogging" : "logThisSession")}
        </Button>
        <Button component={Link} to={`/athletes/${page.athlete.id}/sessions/${next.id}/print`}>
          {say("print")}
        </Button>
      </Box>
    </Box>
  );
}

/** A session as it is planned. */
interface SessionDoc {
  id: string;
  day: string;
  line: string;
  reason: string;
}

function Editor({ page, next }: { page: MovementPage; next: Session | null }) {
  const { today } = useSignedIn();
  const navigate = useNavigate();
  const athleteId = page.athlete.id;
  const { pathname, search } = useLocation();
  const movement = page.movement.slug;
  const written = itemOf(next, movement)?.line;
  const [begun] = useState(() => ({
    doc: {
      id: next?.id ?? newId(),
      day: next?.day ?? today,
      line: written ?? page.history[0]?.line ?? "",
      reason: next?.overrideReason ?? "",
    },
    version: next?.version ?? 0,
  }));
  const plan = usePlanSession(athleteId);
  const kind: Kind<SessionDoc> = {
    title: say("sessionOf", { name: page.athlete.name, name2: inSentence(page.movement.name) }),
    path: `${pathname}${search}`,
    auto: false,
    send: ({ reason: said, ...doc }, version) =>
      plan.mutateAsync({ ...doc, movement, easy: next?.easy ?? false, overrideReason: said || null, version }),
    theirs: (current) => {
      const found = current as Session | null;
      return (
        found && {
          doc: {
            id: found.id,
            day: found.day,
            line: itemOf(found, movement)?.line ?? "",
            reason: found.overrideReason ?? "",
          },
          version: found.version,
        }
      );
    },
    merge: (base, mine, theirs) =>
      mergeFields(base, mine, theirs, (field, doc) => ({
        where: { id: "", day: "Day", line: "Line", reason: "Reason" }[field],
        text: field === "day" ? dayWeek(doc.day) : doc[field],
      })),
  };
  const {
    draft,
    now,
    failure: error,
    ...saving
  } = useDraft(`plan:${athleteId}:${movement}:${next?.id ?? "new"}`, begun, kind);
  const { day, line, reason } = now;
  const change = (part: Partial<SessionDoc>) => draft.edit((d) => ({ ...d, ...part }), Object.keys(part).join());
  const remove = useRemoveSession(athleteId);
  const meaning = useMeaning(athleteId, movement, line, day);
  const ready = Boolean(meaning.data?.plan) && !meaning.isPlaceholderData && line.trim() !== "" && day !== "";
  const changed = !next || line !== written || day !== next.day || reason !== (next.overrideReason ?? "");
  const open = (s: Session) => void navigate(`/athletes/${athleteId}/sessions/${s.id}`);
  const save = () => {
    if (!ready) return;
    // A session of an earlier day is written down to be logged at once.
    void draft.store(true).then((done) => {
      if (done && day < today) void navigate(`/athletes/${athleteId}/sessions/${now.id}`);
    });
  };
  return (
    <Box sx={{ p: 4 }}>
      <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "160px 1fr" }, gap: 3 }}>
        <TextField
          label={say("day")}
          type="date"
          value={day}
          onChange={(e) => change({ day: e.target.value })}
          error={Boolean(error?.fieldMessage("day"))}
          helperText={error?.fieldMessage("day") || (next?.easy ? word("deload") : " ")}
          slotProps={{ inputLabel: { shrink: true } }}
        />
        <LineEditor
          athleteId={athleteId}
          movement={movement}
          day={day || today}
          line={line}
          onChange={(next) => change({ line: next })}
          onEnter={() => save()}
          error={error}
          subject={`${page.athlete.name}, ${page.movement.name}`}
        />
      </Box>
      <ReasonField
        needs={ready ? (meaning.data?.needsReason ?? []) : []}
        value={reason}
        onChange={(next) => change({ reason: next })}
        error={error}
        path="overrideReason"
      />
      <Restored at={saving.restored} undo={saving.canUndo ? draft.undo : undefined} seen={draft.seen} />
      <Clashes clashes={saving.clashes} who={null} decide={draft.decide} />
      {saving.state === "unreachable" && (
        <Typography role="status" variant="body2" sx={{ mt: 2 }}>
          {say("keptOnThisDeviceSentWhenThe")}
        </Typography>
      )}
      {error && error.fields.length === 0 && (
        <Typography color="error" role="alert" sx={{ mt: 2 }}>
          {error.message}
        </Typography>
      )}
      <Box sx={{ mt: 3, display: "flex", gap: 2, flexWrap: "wrap", alignItems: "center" }}>
        <Button
          variant="contained"
          color="secondary"
          disabled={!ready || !changed || saving.state === "saving" || saving.state === "clash"}
          onClick={() => save()}
        >
          {next ? say("saveTheChange") : say("planThisSession")}
        </Button>
        {next && (
          <>
            <Button disabled={changed} onClick={() => open(next)}>
              {say("log")}
            </Button>
            <Button component={Link} to={`/athletes/${athleteId}/sessions/${next.id}/print`}>
              {say("print")}
            </Button>
            {next.blockId ? (
              <Button component={Link} to={`/athletes/${athleteId}/blocks/${next.blockId}?session=${next.id}`}>
                {say("openTheBlock")}
              </Button>
            ) : (
              <Button
                variant="text"
                onClick={() => remove.mutate({ id: next.id, version: next.version })}
                disabled={remove.isPending}
              >
                {say("remove")}
              </Button>
            )}
          </>
        )}
        {next && !changed && (
          <Typography variant="body2" color="textSecondary">
            {say("saved")}
          </Typography>
        )}
      </Box>
    </Box>
  );
}
