import { Listed } from "../../shared/ui/Listed";
import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { lazy, Suspense, useState } from "react";
import { Link, useParams } from "react-router";
import { useSignedIn } from "../../shared/account/useMe";
import type { Session, SessionItem } from "../../shared/api/types";
import { DecisionStrip } from "../../shared/decisions/DecisionStrip";
import { problemMessage } from "../../shared/notation/wording";
import { ConfirmDialog } from "../../shared/ui/ConfirmDialog";
import { clock, dayWeek, plural } from "../../shared/ui/format";
import { FailedPage, Loading, messageOf } from "../../shared/ui/states";
import { StatusShape } from "../../shared/ui/StatusShape";
import { Cautions } from "../../shared/why/Cautions";
import { Board } from "../../shared/sessions/Board";
import { CheckInCard } from "./CheckInCard";
import { EasyCard } from "./EasyCard";
import { EffortCard } from "./EffortCard";
import { effortsOf, isBeyond } from "../../shared/sessions/effortText";
import { MeaningView } from "../../shared/sessions/MeaningView";
import { MorningCard } from "./MorningCard";
import { MoveSession } from "./MoveSession";
import { SetRow } from "./SetRow";
import { Skip } from "./Skip";
import { sessionQuery, useFinish, useIsLogging } from "../../shared/sessions/useSession";
import { useRead } from "../../shared/notation/useRead";
import { say as word } from "../../words/common";
import { say } from "../../words/session";
import { say as live } from "../../words/live";
import { useLive } from "../../shared/live/live";
import { inSentence } from "../../shared/ui/nameWords";

const ChangeRest = lazy(() => import("./ChangeRest"));

/** A session: its plan, logged set by set, and what that changed. */
export default function SessionPage() {
  const { athleteId = "", sessionId = "" } = useParams();
  const session = useQuery(sessionQuery(athleteId, sessionId));
  const queries = useQueryClient();
  useLive((changed) => {
    if (changed.some((m) => m.session === sessionId))
      void queries.invalidateQueries({ queryKey: sessionQuery(athleteId, sessionId).queryKey });
  });
  if (session.isPending)
    return (
      <Box sx={{ px: 6 }}>
        <Loading />
      </Box>
    );
  if (session.isError) return <FailedPage error={session.error} retry={() => void session.refetch()} />;
  return <Log key={sessionId} session={session.data} />;
}

const statusText = { Planned: word("planned"), Started: word("started"), Done: word("done") } as const;

function Log({ session }: { session: Session }) {
  const { today, isCoach, isGuardian } = useSignedIn();
  const finish = useFinish(session.athleteId, session.id);
  const read = useRead();
  // What is finished before the last set has arrived would be finished without it.
  const logging = useIsLogging(session.id);
  const [asking, setAsking] = useState(false);
  const [correcting, setCorrecting] = useState<string | null>(null);
  const [extra, setExtra] = useState<string | null>(null);
  const [changing, setChanging] = useState<SessionItem | null>(null);
  const missing = session.items.flatMap((item) =>
    (item.skipped || item.ended ? [] : (item.plan?.efforts ?? []))
      .filter((e) => !item.sets.some((s) => s.set === e.set && s.part === e.part))
      // What the item before had done when this one took over is done.
      .filter(
        (e) =>
          !session.items.find((i) => i.id === item.insteadOf)?.sets.some((s) => s.set === e.set && s.part === e.part),
      )
      .map((e) => ({ item, effort: e })),
  );
  const future = session.day > today;
  // A guardian reads what their athlete logs.
  const reads = future || isGuardian;
  const done = session.status === "Done";
  const next = done || reads ? undefined : missing[0];
  const only = session.items.length === 1 ? session.items[0] : undefined;
  const cautions = session.items
    .flatMap((i) => i.plan?.cautions ?? [])
    .filter((c, i, all) => all.findIndex((x) => x.id === c.id) === i);
  return (
    <Box sx={{ px: { xs: 4, sm: 6 }, py: 4, maxWidth: 920 }}>
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 3, flexWrap: "wrap" }}>
        <Typography variant="h1">
          <Box
            component={Link}
            to={`/athletes/${session.athleteId}`}
            sx={{ color: "inherit", textDecoration: "none", "&:hover": { textDecoration: "underline" } }}
          >
            {session.athleteName}
          </Box>
        </Typography>
        <Typography color="textSecondary" sx={{ mr: "auto" }}>
          <Listed>
            {only ? only.movement.name : session.title || plural(session.items.length, "item")}
            {dayWeek(session.day)}
            {statusText[session.status]}
            {session.easy && say("inDeload")}
            {!only && session.durationSeconds > 0 && say("inAll", { durationSeconds: clock(session.durationSeconds) })}
          </Listed>
        </Typography>
        {session.blockId && isCoach && (
          <Button
            size="small"
            component={Link}
            to={`/athletes/${session.athleteId}/blocks/${session.blockId}?session=${session.id}`}
          >
            {say("openTheBlock")}
          </Button>
        )}
        {isCoach && session.status === "Planned" && <MoveSession session={session} />}
        {!reads && !done && session.items.length > 0 && (
          <Button size="small" component={Link} to={`/run/${session.athleteId}/${session.id}`}>
            {live("runAtBar")}
          </Button>
        )}
        <Button size="small" component={Link} to={`/athletes/${session.athleteId}/sessions/${session.id}/print`}>
          {say("print")}
        </Button>
      </Box>
      {session.overrideReason && (
        <Typography variant="body2" sx={{ mt: 2, display: "flex", gap: 2 }}>
          <StatusShape status="caution" /> {say("keptAgainstACaution", { overrideReason: session.overrideReason })}
        </Typography>
      )}
      {future && (
        <Alert severity="info" icon={false} sx={{ mt: 3 }}>
          {say("plannedForToLogItNowMove", { day: dayWeek(session.day) })}
        </Alert>
      )}
      {!reads && session.items.length > 0 && <CheckInCard key={String(session.checkIn === null)} session={session} />}
      {!isGuardian && <EasyCard session={session} />}
      {!isGuardian && <MorningCard session={session} />}
      {session.warmUp.text && (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 2 }}>
          {say("warmUp", { seconds: clock(session.warmUp.seconds), text: session.warmUp.text })}
        </Typography>
      )}
      {session.items.length === 0 && (
        <Typography color="textSecondary" sx={{ mt: 4 }}>
          {say("nothingStandsInThisSessionYet")}
        </Typography>
      )}
      {session.items.map((item) => (
        <Box key={item.id} component="section" aria-label={item.movement.name} sx={{ mt: 3 }}>
          <Box sx={(t) => ({ p: 4, bgcolor: "background.paper", border: `1px solid ${t.vars.palette.rock}` })}>
            {!only && (
              <Typography variant="h3" component="h2" sx={{ mb: 1 }}>
                {item.movement.name}
                {item.joined && (
                  <Typography component="span" color="textSecondary" sx={{ ml: 2, fontSize: 13 }}>
                    {say("inTurnWithTheOneBefore")}
                  </Typography>
                )}
              </Typography>
            )}
            {item.insteadOf && (
              <Typography variant="body2" color="textSecondary">
                {live("instead", {
                  name: inSentence(session.items.find((i) => i.id === item.insteadOf)?.movement.name ?? ""),
                })}
              </Typography>
            )}
            <Board line={read(item.line)} />
            {item.ended && <Typography variant="body2">{live("ended", { reason: item.ended })}</Typography>}
            {item.plan ? (
              <Box sx={{ mt: 2 }}>
                <MeaningView
                  plan={item.plan}
                  subject={`${session.athleteName}, ${inSentence(item.movement.name)}`}
                  keyPrefix={item.id}
                />
              </Box>
            ) : (
              <Typography color="error">
                {item.problem ? problemMessage(item.problem) : say("thisLineIsToBeMendedBefore")}
              </Typography>
            )}
          </Box>
          {!reads && item.sets.length === 0 && (!done || item.skipped) && <Skip session={session} item={item} />}
          {item.plan && !item.skipped && (
            <Box
              component="ol"
              aria-label={only ? say("sets") : say("sets2", { name: item.movement.name })}
              sx={{ listStyle: "none", m: 0, mt: 3, p: 0, borderTop: 1, borderColor: "text.primary" }}
            >
              {effortsOf(item, extra === item.id).map((e) => {
                const key = `${item.id}-${e.set}-${e.part}`;
                const set = item.sets.find((s) => s.set === e.set && s.part === e.part);
                return (
                  <SetRow
                    key={`${key}-${set?.id ?? "open"}`}
                    session={session}
                    item={item}
                    effort={e}
                    load={item.plan!.loads[e.load]!}
                    set={set}
                    active={
                      (next?.item === item && next.effort === e) ||
                      correcting === key ||
                      (extra === item.id && !set && isBeyond(item, e))
                    }
                    onCorrect={isGuardian ? null : () => setCorrecting(correcting === key ? null : key)}
                    onDone={() => {
                      setCorrecting(null);
                      setExtra(null);
                    }}
                  />
                );
              })}
            </Box>
          )}
          {isCoach && session.status === "Started" && !item.ended && missing.some((m) => m.item === item) && (
            <Button size="small" onClick={() => setChanging(item)} sx={{ mt: 1, mr: 2 }}>
              {live("changeRest")}
            </Button>
          )}
          {!reads && item.sets.length > 0 && missing.every((m) => m.item !== item) && (
            <Button size="small" onClick={() => setExtra(extra === item.id ? null : item.id)} sx={{ mt: 1 }}>
              {extra === item.id ? say("cancelExtraSet") : say("addASet")}
            </Button>
          )}
        </Box>
      ))}
      {session.coolDown.text && (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 3 }}>
          {say("coolDown", { seconds: clock(session.coolDown.seconds), text: session.coolDown.text })}
        </Typography>
      )}
      {!isGuardian && <EffortCard session={session} />}
      {session.status === "Started" && !isGuardian && (
        <Box sx={{ mt: 4, display: "flex", gap: 3, alignItems: "center", flexWrap: "wrap" }}>
          <Button
            variant={missing.length === 0 ? "contained" : "outlined"}
            color={missing.length === 0 ? "secondary" : "inherit"}
            disabled={finish.isPending || logging}
            onClick={() => (missing.length === 0 ? finish.mutate() : setAsking(true))}
            sx={{ minHeight: 44, px: 6 }}
          >
            {say("finishTheSession")}
          </Button>
          {missing.length > 0 && (
            <Typography variant="body2" color="textSecondary">
              {say("text", { missing: missing.length })}
            </Typography>
          )}
          {finish.isError && (
            <Typography color="error" role="alert">
              {messageOf(finish.error)}
            </Typography>
          )}
        </Box>
      )}
      {done && !isGuardian && <Outcome session={session} isCoach={isCoach} />}
      {cautions.length > 0 && (
        <Box sx={{ mt: 5 }}>
          <Cautions notes={cautions} />
        </Box>
      )}
      <Suspense fallback={null}>
        {changing && <ChangeRest session={session} item={changing} onClose={() => setChanging(null)} />}
      </Suspense>
      {asking && (
        <ConfirmDialog
          title={say("finishWith", { missing: missing.length })}
          verb={say("finish")}
          busy={finish.isPending}
          onClose={() => setAsking(false)}
          onConfirm={() => finish.mutate(undefined, { onSuccess: () => setAsking(false) })}
        >
          {say("anUnfinishedPlanIsNoEvidenceOf")}
        </ConfirmDialog>
      )}
    </Box>
  );
}

/** What the session led to. */
function Outcome({ session, isCoach }: { session: Session; isCoach: boolean }) {
  if (!isCoach)
    return (
      <Typography role="status" sx={{ mt: 4 }}>
        {say("loggedYourCoachDecidesWhatComesNext")}
      </Typography>
    );
  return (
    <Box role="status" sx={{ mt: 4, mx: { xs: -4, sm: -6 } }}>
      {session.decisions.length > 0 ? (
        session.decisions.map((d) => <DecisionStrip key={d.id} decision={d} />)
      ) : (
        <Typography sx={{ mx: { xs: 4, sm: 6 } }} color="textSecondary">
          {say("nothingWaitsForYouFromThisSession")}{" "}
          <Link to={`/athletes/${session.athleteId}`}>{say("backTo", { athleteName: session.athleteName })}</Link>
        </Typography>
      )}
    </Box>
  );
}
