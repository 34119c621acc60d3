import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { Link } from "react-router";
import type { LiveSession } from "../../shared/api/types";
import { useUnit } from "../../shared/account/useMe";
import { useLiveNow } from "../../shared/live/live";
import { doneText } from "../../shared/run/runText";
import { clock } from "../../shared/ui/format";
import { StatusShape } from "../../shared/ui/StatusShape";
import { useNow } from "../../shared/ui/useNow";
import { say } from "../../words/live";

/** Who trains now: the set that comes, the rest, and what hurts; nothing while nobody does. */
export function LivePanel() {
  const live = useLiveNow();
  const now = useNow();
  if (!live.data || live.data.sessions.length === 0) return null;
  const clockOff = Date.parse(live.data.now) - live.dataUpdatedAt;
  return (
    <Box
      component="section"
      aria-label={say("trainingNow")}
      sx={{ px: 6, py: 4, borderBottom: 1, borderColor: "line2" }}
    >
      <Typography variant="h2" sx={{ pb: 1, borderBottom: 1, borderColor: "text.primary" }}>
        {say("trainingNow")}
      </Typography>
      <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0 }}>
        {live.data.sessions.map((s) => (
          <Row key={s.session} session={s} now={now + clockOff} />
        ))}
      </Box>
    </Box>
  );
}

/** From this many seconds over the rest on somebody is late. */
const lateFrom = 60;

export function Row({ session: s, now }: { session: LiveSession; now: number }) {
  const unit = useUnit();
  const left = s.restUntil === null ? null : Math.ceil((Date.parse(s.restUntil) - now) / 1000);
  return (
    <Box
      component="li"
      sx={{ py: 2, borderBottom: 1, borderColor: "divider", display: "grid", gap: 0.5, fontSize: 14 }}
    >
      <Box sx={{ display: "flex", gap: 2, alignItems: "baseline" }}>
        <Box
          component={Link}
          to={`/athletes/${s.athlete}/sessions/${s.session}`}
          sx={{ fontWeight: 600, color: "inherit" }}
        >
          {s.name}
        </Box>
        <Box component="span" sx={{ ml: "auto", fontWeight: 600 }} role="timer" aria-live="off">
          {left === null
            ? ""
            : left > 0
              ? say("rests", { left: clock(left) })
              : left <= -lateFrom
                ? say("late", { late: clock(-left) })
                : say("due")}
        </Box>
      </Box>
      <Box sx={{ display: "flex", gap: 2, alignItems: "baseline", color: "text.secondary" }}>
        <span>
          {s.movement === null
            ? say("allDone")
            : say("next", { movement: s.movement, set: s.set ?? 0, sets: s.sets ?? 0 })}
        </span>
        <Box component={Link} to={`/run/${s.athlete}/${s.session}`} sx={{ ml: "auto" }}>
          {say("logForThem")}
        </Box>
      </Box>
      {s.last && (
        <Typography variant="body2" color="textSecondary">
          {say("last", { movement: s.lastMovement ?? "", done: doneText(s.last, unit) })}
        </Typography>
      )}
      {s.pain !== null && (
        <Typography variant="body2" color={s.painStops ? "error" : "warning"} sx={{ display: "flex", gap: 1.5 }}>
          <StatusShape status={s.painStops ? "stop" : "caution"} title="" />
          {say("pain", { place: s.painPlace ?? "", level: s.pain })}
        </Typography>
      )}
      {s.asked > 0 && <Typography variant="body2">{say("asked", { asked: s.asked })}</Typography>}
    </Box>
  );
}
