import Box from "@mui/material/Box";
import ButtonBase from "@mui/material/ButtonBase";
import Typography from "@mui/material/Typography";
import { useEffect, useRef, useState } from "react";
import { Link, useParams } from "react-router";
import { useSignedIn, useUnit } from "../../shared/account/useMe";
import type { MassUnit } from "../../shared/api/types";
import { letters } from "../../shared/sessions/letters";
import { problemMessage } from "../../shared/notation/wording";
import { BeforeStart, offersEasy } from "../../shared/run/BeforeStart";
import { device } from "../../shared/run/deviceHere";
import { titleOf } from "../../shared/run/runText";
import { heldOf, type RunItem, type Step } from "../../shared/run/session";
import { keepAwake, readHabits, unlockSound, writeHabits, type Habits } from "../../shared/run/signals";
import { useLivePacks } from "../../shared/live/live";
import { keepApp } from "../../shared/run/serviceWorker";
import { SyncLine } from "../../shared/run/SyncLine";
import { useRun, type Running } from "../../shared/run/useRun";
import { useAnnounced } from "../../shared/ui/announce";
import { clock, dayWeek, minutes } from "../../shared/ui/format";
import { visuallyHidden } from "../../shared/ui/hidden";
import { Loading } from "../../shared/ui/states";
import { StatusShape, type Status } from "../../shared/ui/StatusShape";
import { say } from "../../words/run";
import { Large, Primary } from "../../shared/run/Big";
import { ClassStrip } from "./ClassStrip";
import { FinishScreen } from "./FinishScreen";
import { FrameContext } from "../../shared/run/frame";
import { Differences } from "./Differences";
import { HeldScreen, StopScreen } from "./HeldScreen";
import { MoreSheet } from "./MoreSheet";
import { PainSheet } from "../../shared/run/PainSheet";
import { RestScreen } from "./RestScreen";
import { lying, SetScreen } from "./SetScreen";

/** The session at the bar: one effort at a time, with or without a signal. */
export default function RunPage() {
  const { athleteId = "", sessionId = "" } = useParams();
  const { account } = useSignedIn();
  const [frame, setFrame] = useState<HTMLElement | null>(null);
  useEffect(keepApp, []);
  useEffect(() => {
    const stop = new AbortController();
    // Without a signal the copy of the device is what there is.
    void device
      .start(account.id)
      .then(() => device.refresh(athleteId, stop.signal))
      .catch(() => undefined);
    return () => stop.abort();
  }, [account.id, athleteId]);
  useLivePacks(athleteId);
  return (
    <Box
      ref={setFrame}
      data-scheme="dark"
      sx={{
        minHeight: "100dvh",
        bgcolor: "background.default",
        color: "text.primary",
        colorScheme: "dark",
        fontVariantNumeric: "tabular-nums lining-nums",
      }}
    >
      <FrameContext value={frame}>
        <Session key={sessionId} athleteId={athleteId} sessionId={sessionId} />
      </FrameContext>
      <Announced />
    </Box>
  );
}

function Announced() {
  const { text, count } = useAnnounced();
  return (
    <Box role="status" aria-live="polite" data-announced sx={visuallyHidden}>
      <span key={count}>{text}</span>
    </Box>
  );
}

function Session({ athleteId, sessionId }: { athleteId: string; sessionId: string }) {
  const running = useRun(athleteId, sessionId);
  const unit = useUnit();
  const [habits, setHabits] = useState<Habits>(readHabits);
  const [awake, setAwake] = useState(true);
  const isRunning = running.run !== null && !running.run.done;
  useEffect(() => (isRunning ? keepAwake(setAwake) : undefined), [isRunning]);
  if (!running.ready) return <Loading />;
  if (!running.run) return <NotHere athleteId={athleteId} />;
  return (
    <Box
      component="main"
      sx={{
        width: "100%",
        maxWidth: 560,
        [lying]: { maxWidth: 1100 },
        minHeight: "100dvh",
        mx: "auto",
        px: 4,
        py: 3,
        display: "grid",
        gridTemplateRows: "auto 1fr auto",
        gridTemplateColumns: "minmax(0, 1fr)",
        gap: 3,
        // The hand that holds the phone reaches its own side.
        "& [data-counter]": { direction: habits.leftHanded ? "rtl" : "ltr" },
      }}
    >
      <Header running={running} athleteId={athleteId} />
      <Body
        running={running}
        unit={unit}
        habits={habits}
        onHabits={(next) => {
          setHabits(next);
          writeHabits(next);
        }}
      />
      <Box sx={{ borderTop: 1, borderColor: "line2", pt: 2, display: "grid", gap: 1 }}>
        <SyncLine />
        {!window.isSecureContext && <Typography color="warning">{say("insecure")}</Typography>}
        {window.isSecureContext && !awake && <Typography color="textSecondary">{say("screenMaySleep")}</Typography>}
      </Box>
    </Box>
  );
}

/** Nothing of it is on the device, and no signal brings it. */
function NotHere({ athleteId }: { athleteId: string }) {
  return (
    <Box component="main" sx={{ p: 6, display: "grid", gap: 4 }}>
      <Typography variant="h1">{say("notHere")}</Typography>
      <Typography>{say("notHereHelp")}</Typography>
      <Large onClick={() => void device.refresh(athleteId).catch(() => undefined)}>{say("tryAgain")}</Large>
      <Typography component={Link} to="/" color="primary">
        {say("backToToday")}
      </Typography>
    </Box>
  );
}

function Header({ running, athleteId }: { running: Running; athleteId: string }) {
  const { run, steps, current, place, now } = running;
  const { account, isCoach } = useSignedIn();
  const pack = run!.pack;
  const names = letters(run!.items);
  const back = account.athleteId === athleteId ? "/" : `/athletes/${athleteId}/sessions/${pack.id}`;
  const opened = place.openedAt ?? run!.begunAt;
  const elapsed = opened === null ? null : Math.max(0, Math.floor((now - opened) / 1000));
  return (
    <Box component="header" sx={{ display: "grid", gap: 2, minWidth: 0 }}>
      {isCoach && <ClassStrip session={pack.id} />}
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 3 }}>
        <Typography
          component={Link}
          to={back}
          sx={{ mr: "auto", fontSize: 16, fontWeight: 600, color: "inherit", textDecoration: "none", py: 2 }}
        >
          {say("runOf", { name: pack.name, title: titleOf(pack) })}
        </Typography>
        <Typography color="textSecondary" sx={{ fontSize: 16 }} role="timer" aria-live="off">
          {elapsed === null
            ? minutes(pack.seconds)
            : say("elapsedOf", { elapsed: clock(elapsed), planned: Math.round(pack.seconds / 60) })}
        </Typography>
      </Box>
      <Box
        component="nav"
        aria-label={say("exercises")}
        sx={{ display: "flex", flexWrap: "wrap", borderTop: 1, borderBottom: 1, borderColor: "line2" }}
      >
        {run!.items.map((item, i) => (
          <ButtonBase
            key={item.id}
            aria-label={`${names[i]} ${item.movement.name}`}
            aria-current={current?.item.id === item.id ? "step" : undefined}
            onClick={() => running.move({ chosen: item.id, started: running.rest?.after.key ?? null })}
            sx={{
              minHeight: 48,
              minWidth: 48,
              flex: 1,
              gap: 1.5,
              fontSize: 16,
              fontWeight: current?.item.id === item.id ? 700 : 400,
              color: current?.item.id === item.id ? "text.primary" : "text.secondary",
            }}
          >
            <StatusShape status={heldOf(run!, item)?.stopped ? "stop" : shapeOf(item, steps)} title="" />
            {names[i]}
          </ButtonBase>
        ))}
      </Box>
    </Box>
  );
}

function shapeOf(item: RunItem, steps: readonly Step[]): Status {
  const own = steps.filter((s) => s.item.id === item.id);
  if (own.every((s) => s.state !== "open")) return own.some((s) => s.state === "done") ? "won" : "locked";
  return own.some((s) => s.state === "done") ? "training" : "ahead";
}

function Body({
  running,
  unit,
  habits,
  onHabits,
}: {
  running: Running;
  unit: MassUnit;
  habits: Habits;
  onHabits: (habits: Habits) => void;
}) {
  const { current, rest, place, now } = running;
  const run = running.run!;
  const [sheet, setSheet] = useState<"pain" | "more" | null>(null);
  const [stopped, setStopped] = useState<string | null>(null);
  const hurting = rest && place.started !== rest.after.key ? rest.after : (current ?? rest?.after ?? null);
  const body = useRef<HTMLDivElement>(null);
  const shown = `${current?.key}/${rest?.after.key}/${place.started}`;
  // A screen reader is told the step that came; nothing is scrolled under the thumb.
  useEffect(() => {
    body.current?.querySelector<HTMLElement>("[data-step]")?.focus({ preventScroll: true });
  }, [shown]);

  const screen = () => {
    if (stopped) return <StopScreen run={run} said={stopped} onClose={() => setStopped(null)} />;
    if (run.done) return <FinishScreen running={running} />;
    const begun = run.items.some((i) => i.sets.length > 0);
    if (!begun && run.pack.day > running.today)
      return (
        <Typography sx={{ fontSize: 20, lineHeight: "28px" }}>
          {say("later", { day: dayWeek(run.pack.day) })}
        </Typography>
      );
    if (!begun && !place.warmedUp) return <Opening running={running} />;
    if (!current) return <FinishScreen running={running} />;
    if (!current.item.plan)
      return (
        <Typography color="error" sx={{ fontSize: 18 }}>
          {current.item.pack.problem
            ? say("planProblem", { problem: problemMessage(current.item.pack.problem) })
            : say("lineProblem")}
        </Typography>
      );
    const held = heldOf(run, current.item);
    const forms = current.item.pack.alternates.filter((a) => a.kind === "Eased");
    const isResting =
      rest !== null &&
      place.started !== rest.after.key &&
      (rest.kind !== "None" || rest.after.item.id !== current.item.id) &&
      !(rest.kind === "Slot" && now >= rest.until);
    if (
      held &&
      !held.stopped &&
      current.item.pack.insteadOf === null &&
      !place.planned.includes(current.item.id) &&
      forms.length > 0
    )
      return <HeldScreen running={running} step={current} held={held} />;
    if (isResting)
      return (
        <RestScreen
          key={rest.after.key}
          running={running}
          rest={rest}
          next={current}
          unit={unit}
          habits={habits}
          onPain={() => setSheet("pain")}
          onMore={() => setSheet("more")}
        />
      );
    return (
      <SetScreen
        key={`${current.key}/${place.again ?? ""}`}
        running={running}
        step={current}
        unit={unit}
        habits={habits}
        onMore={() => setSheet("more")}
        onPain={() => setSheet("pain")}
      />
    );
  };

  return (
    <Box ref={body} sx={{ display: "flex", flexDirection: "column", "& > :last-child": { flex: 1 } }}>
      <Differences running={running} unit={unit} />
      {screen()}
      {sheet === "more" && (current ?? rest?.after) && (
        <MoreSheet
          running={running}
          step={(current ?? rest?.after)!}
          unit={unit}
          habits={habits}
          onHabits={onHabits}
          onClose={() => setSheet(null)}
        />
      )}
      {sheet === "pain" && hurting && (
        <PainSheet
          onClose={() => setSheet(null)}
          onSave={(pain) => {
            setSheet(null);
            const { limits } = run.pack;
            const told = { pain: pain.level, painPlace: pain.place, sign: pain.sign };
            if (hurting.set && hurting.state === "done") running.tell(hurting.set.id, hurting.item.id, told);
            else
              running.note({
                kind: "Set",
                item: hurting.item.id,
                // What was begun and hurt is a set of nothing: how far it went stands in its figures.
                set: {
                  set: hurting.effort.set,
                  part: hurting.effort.part,
                  reps: hurting.effort.seconds === null ? 0 : 1,
                  seconds: hurting.effort.seconds === null ? null : 0,
                  added: hurting.item.plan!.loads[hurting.effort.load]!.added,
                  reserve: null,
                  form: "Clean",
                  supersedes: null,
                  ...told,
                },
              });
            if (pain.level >= limits.stopFrom || pain.sign !== null) setStopped(pain.place);
          }}
        />
      )}
    </Box>
  );
}

/** Before the first set: how it stands, and the warm-up. */
function Opening({ running }: { running: Running }) {
  const run = running.run!;
  const { pack } = run;
  return (
    <Box sx={{ display: "grid", gap: 4 }}>
      <Typography variant="h1" data-step tabIndex={-1} sx={{ fontSize: 28, lineHeight: "34px", outline: "none" }}>
        {titleOf(pack)}
      </Typography>
      {pack.day < running.today && (
        <Typography
          sx={{ fontSize: 18, lineHeight: "24px", borderLeft: "4px solid", borderColor: "primary.main", pl: 3 }}
        >
          {say("earlier", { day: dayWeek(pack.day) })}
        </Typography>
      )}
      <BeforeStart run={run} onTell={(checkIn) => running.note({ kind: "CheckIn", checkIn })} />
      {offersEasy(run) && (
        <Box sx={{ display: "grid", gap: 2, border: "2px solid", borderColor: "cautionMark", p: 3 }}>
          <Typography sx={{ fontSize: 18, fontWeight: 600 }}>{say("easyOffer")}</Typography>
          <Typography>{say("easyHelp")}</Typography>
          <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 2 }}>
            <Large onClick={() => running.note({ kind: "Easy", take: true })}>{say("takeEasy")}</Large>
            <Large onClick={() => running.note({ kind: "Easy", take: false })}>{say("keepPlan")}</Large>
          </Box>
        </Box>
      )}
      {run.easy && <Typography sx={{ fontSize: 18 }}>{say("easyTaken")}</Typography>}
      {pack.warmUp.text && (
        <Box>
          <Typography variant="h2" sx={{ fontSize: 17 }}>
            {`${say("warmUp")} ${clock(pack.warmUp.seconds)}`}
          </Typography>
          <Typography sx={{ fontSize: 18, lineHeight: "26px" }}>{pack.warmUp.text}</Typography>
        </Box>
      )}
      <Primary
        onClick={() => {
          unlockSound();
          running.move({ warmedUp: true, openedAt: running.place.openedAt ?? Date.now() });
        }}
      >
        {pack.warmUp.seconds > 0 ? say("warmedUp") : say("startSession")}
      </Primary>
    </Box>
  );
}
