import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { newId } from "../ui/newId";
import { useSignedIn } from "../accounts/useMe";
import { Problem } from "../api/client";
import type { MovementPage, Session } from "../api/types";
import { LineEditor } from "../session/LineEditor";
import { ReasonField } from "../session/ReasonField";
import { useMeaning } from "../session/useMeaning";
import { usePlanSession, useRemoveSession } from "../session/useSession";
import { Board } from "../session/Board";
import { MeaningView } from "../session/MeaningView";
import { dayWeek } from "../ui/format";
import { messageOf } from "../ui/states";

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
  const { next } = page;
  const item = itemOf(next, page.movement.slug);
  if (!next)
    return (
      <Typography color="textSecondary" sx={{ p: 4 }}>
        No session is planned yet. Your coach plans it here.
      </Typography>
    );
  return (
    <Box sx={{ p: 4 }}>
      <Box sx={{ display: "flex", gap: 3, alignItems: "baseline", flexWrap: "wrap", mb: 2 }}>
        <Typography variant="h2">{dayWeek(next.day)}</Typography>
        <Board line={item?.line ?? ""} />
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
          {begun ? "Go on logging" : "Log this session"}
        </Button>
        <Button component={Link} to={`/athletes/${page.athlete.id}/sessions/${next.id}/print`}>
          Print
        </Button>
      </Box>
    </Box>
  );
}

function Editor({ page, next }: { page: MovementPage; next: Session | null }) {
  const { today } = useSignedIn();
  const navigate = useNavigate();
  const athleteId = page.athlete.id;
  const [id] = useState(() => next?.id ?? newId());
  const [day, setDay] = useState(next?.day ?? today);
  const movement = page.movement.slug;
  const written = itemOf(next, movement)?.line;
  const [line, setLine] = useState(written ?? page.history[0]?.line ?? "");
  const [reason, setReason] = useState(next?.overrideReason ?? "");
  const plan = usePlanSession(athleteId);
  const remove = useRemoveSession(athleteId);
  const meaning = useMeaning(athleteId, movement, line, day);
  const ready = Boolean(meaning.data?.plan) && !meaning.isPlaceholderData && line.trim() !== "" && day !== "";
  const changed = !next || line !== written || day !== next.day || reason !== (next.overrideReason ?? "");
  const error = plan.error;
  const conflict = error instanceof Problem && error.isConflict ? (error.current as Session | null) : null;
  const open = (s: Session) => void navigate(`/athletes/${athleteId}/sessions/${s.id}`);
  const save = () => {
    if (!ready) return;
    plan.mutate(
      {
        id,
        day,
        movement,
        line,
        easy: next?.easy ?? false,
        overrideReason: reason || null,
        version: next?.version ?? 0,
      },
      // A session of an earlier day is written down to be logged at once.
      { onSuccess: (saved) => saved.day < today && open(saved) },
    );
  };
  return (
    <Box sx={{ p: 4 }}>
      <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "160px 1fr" }, gap: 3 }}>
        <TextField
          label="Day"
          type="date"
          value={day}
          onChange={(e) => setDay(e.target.value)}
          error={Boolean(error instanceof Problem && error.fieldMessage("day"))}
          helperText={(error instanceof Problem && error.fieldMessage("day")) || (next?.easy ? "deload" : " ")}
          slotProps={{ inputLabel: { shrink: true } }}
        />
        <LineEditor
          athleteId={athleteId}
          movement={movement}
          day={day || today}
          line={line}
          onChange={setLine}
          onEnter={() => save()}
          error={error}
          subject={`${page.athlete.name}, ${page.movement.name}`}
        />
      </Box>
      <ReasonField
        needs={ready ? (meaning.data?.needsReason ?? []) : []}
        value={reason}
        onChange={setReason}
        error={error}
        path="overrideReason"
      />
      {conflict && (
        <Alert severity="warning" sx={{ mt: 3 }}>
          {messageOf(error)} Stored now: {itemOf(conflict, movement)?.line}. Yours: {line}.
          <Box sx={{ mt: 1, display: "flex", gap: 2 }}>
            <Button
              size="small"
              onClick={() =>
                plan.mutate({
                  id,
                  day,
                  movement,
                  line,
                  easy: conflict.easy,
                  overrideReason: reason || null,
                  version: conflict.version,
                })
              }
            >
              Keep mine
            </Button>
            <Button
              size="small"
              onClick={() => {
                setLine(itemOf(conflict, movement)?.line ?? "");
                setDay(conflict.day);
                plan.reset();
              }}
            >
              Take the stored one
            </Button>
          </Box>
        </Alert>
      )}
      {error && !conflict && !(error instanceof Problem && error.fields.length > 0) && (
        <Typography color="error" role="alert" sx={{ mt: 2 }}>
          {messageOf(error)}
        </Typography>
      )}
      <Box sx={{ mt: 3, display: "flex", gap: 2, flexWrap: "wrap", alignItems: "center" }}>
        <Button
          variant="contained"
          color="secondary"
          disabled={!ready || !changed || plan.isPending}
          onClick={() => save()}
        >
          {next ? "Save the change" : "Plan this session"}
        </Button>
        {next && (
          <>
            <Button disabled={changed} onClick={() => open(next)}>
              Log
            </Button>
            <Button component={Link} to={`/athletes/${athleteId}/sessions/${next.id}/print`}>
              Print
            </Button>
            {next.blockId ? (
              <Button component={Link} to={`/athletes/${athleteId}/blocks/${next.blockId}?session=${next.id}`}>
                Open the block
              </Button>
            ) : (
              <Button
                variant="text"
                onClick={() => remove.mutate({ id: next.id, version: next.version })}
                disabled={remove.isPending}
              >
                Remove
              </Button>
            )}
          </>
        )}
        {next && !changed && (
          <Typography variant="body2" color="textSecondary">
            saved
          </Typography>
        )}
      </Box>
    </Box>
  );
}
