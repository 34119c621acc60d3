import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useEffect, useState } from "react";
import { Link } from "react-router";
import { useSignedIn, useUnit } from "../../shared/account/useMe";
import type { Entry, RunWeek, SessionPack } from "../../shared/api/types";
import { useReachable } from "../../shared/api/connection";
import { NewRecords } from "../../shared/athletes/NewRecords";
import { causeText } from "../../shared/decisions/wording";
import { inSentence } from "../../shared/ui/nameWords";
import { useRead } from "../../shared/notation/useRead";
import { BeforeStart, offersEasy } from "../../shared/run/BeforeStart";
import { device, useDevice } from "../../shared/run/deviceHere";
import { runOf, type Run } from "../../shared/run/session";
import { useLivePacks } from "../../shared/live/live";
import { doseText, titleOf } from "../../shared/run/runText";
import { keepApp } from "../../shared/run/serviceWorker";
import { todayOf } from "../../shared/run/today";
import { PainSheet } from "../../shared/run/PainSheet";
import { SyncLine } from "../../shared/run/SyncLine";
import { letters } from "../../shared/sessions/letters";
import { newId } from "../../shared/ui/newId";
import { capital, dayShort, dayWeek, moment } from "../../shared/ui/format";
import { Loading } from "../../shared/ui/states";
import { StatusShape } from "../../shared/ui/StatusShape";
import { say } from "../../words/run";

/** What an athlete opens at the bar: today's session first, also without a signal. */
export default function TodayPage() {
  const { account } = useSignedIn();
  const athlete = account.athleteId!;
  const state = useDevice();
  const reachable = useReachable();
  const [now] = useState(() => Date.now());
  const [asked, setAsked] = useState(false);
  useEffect(keepApp, []);
  useEffect(() => {
    const stop = new AbortController();
    void device
      .start(account.id)
      .then(() => device.refresh(athlete, stop.signal))
      .catch(() => undefined)
      .finally(() => !stop.signal.aborted && setAsked(true));
    return () => stop.abort();
  }, [account.id, athlete, reachable]);
  useLivePacks(athlete);
  const kept = state.weeks.find((w) => w.athlete === athlete);
  if (!kept) return asked ? <Nothing /> : <Loading />;
  const { week } = kept;
  const clockOff = Date.parse(week.now) - kept.fetchedAt;
  const packs = state.packs
    .filter((p) => p.athlete === athlete)
    .map((p) => p.pack)
    .sort((a, b) => a.day.localeCompare(b.day));
  const today = todayOf(week.today, kept.fetchedAt, now);
  const runs = packs
    .map((p) => runOf(p, state.entries, clockOff))
    // What was begun before and is not finished can still be.
    .filter((r) => r.pack.day === today || (r.pack.day < today && !r.done && r.items.some((i) => i.sets.length > 0)));
  const next = week.week.find((s) => s.day > today && s.status === "Planned");
  return (
    <Box sx={{ width: "100%", maxWidth: 560, mx: "auto", px: 4, py: 3, display: "grid", gap: 4 }}>
      <Typography color="textSecondary">{say("nameDay", { name: account.name, day: dayWeek(today) })}</Typography>
      {!reachable && (
        <Typography role="status">
          {say("offline", { moment: moment(new Date(kept.fetchedAt).toISOString()) })}
        </Typography>
      )}
      <WeekStrip week={week} today={today} />
      <NewRecords athleteId={athlete} large />
      {week.mornings.map((m) => (
        <Morning key={m.session} session={m.session} day={m.day} athlete={athlete} />
      ))}
      {runs.map((run) => (
        <Today
          key={run.pack.id}
          run={run}
          athlete={athlete}
          changed={week.changed.filter((c) => c.session === run.pack.id)}
        />
      ))}
      {week.note && (
        <Box component="section" aria-label={say("fromCoach")}>
          <Box sx={{ display: "flex", justifyContent: "space-between", gap: 3 }}>
            <b>{say("fromCoach")}</b>
            <Typography component="span" color="textSecondary">
              {moment(week.note.at)}
            </Typography>
          </Box>
          <Typography sx={{ fontSize: 16, lineHeight: "22px", whiteSpace: "pre-line" }}>{week.note.text}</Typography>
        </Box>
      )}
      {runs.length === 0 && (
        <Box>
          <Typography variant="h1" sx={{ fontSize: 28, lineHeight: "34px" }}>
            {say("restDay")}
          </Typography>
          <Typography sx={{ fontSize: 16, mt: 2 }}>
            {next ? say("restDayNext", { day: dayWeek(next.day) }) : say("noneAhead")}
          </Typography>
        </Box>
      )}
      <SyncLine nothing />
      {!window.isSecureContext && <Typography color="warning">{say("insecure")}</Typography>}
    </Box>
  );
}

function Nothing() {
  return (
    <Box sx={{ px: 4, py: 6, display: "grid", gap: 3 }}>
      <Typography variant="h1">{say("notHere")}</Typography>
      <Typography>{say("notHereHelp")}</Typography>
    </Box>
  );
}

const daysOfWeek = 7;

function WeekStrip({ week, today }: { week: Omit<RunWeek, "packs">; today: string }) {
  const monday = new Date(`${today}T00:00Z`);
  monday.setUTCDate(monday.getUTCDate() - ((monday.getUTCDay() + 6) % daysOfWeek));
  const days = Array.from({ length: daysOfWeek }, (_, i) => {
    const day = new Date(monday);
    day.setUTCDate(day.getUTCDate() + i);
    return day.toISOString().slice(0, 10);
  });
  return (
    <Box component="section" aria-label={say("week")}>
      <Box
        component="ol"
        sx={{ listStyle: "none", m: 0, p: 0, display: "grid", gridTemplateColumns: "repeat(7, 1fr)" }}
      >
        {days.map((day) => {
          const session = week.week.find((s) => s.day === day);
          const [weekday, ...date] = dayWeek(day).split(/[ ,]+/);
          return (
            <Box
              component="li"
              key={day}
              aria-current={day === today ? "date" : undefined}
              sx={{
                textAlign: "center",
                py: 2,
                fontSize: 14,
                lineHeight: "18px",
                ...(day === today && {
                  bgcolor: "background.paper",
                  boxShadow: "inset 0 2px 0 var(--mui-palette-primary-main)",
                }),
              }}
            >
              <span>{weekday}</span>
              <Box component="b" sx={{ display: "block" }}>
                {date.find((part) => /\d/.test(part))}
              </Box>
              {session ? (
                <StatusShape
                  status={session.status === "Done" ? "won" : session.status === "Started" ? "training" : "ahead"}
                  title={session.title || say("oneSession")}
                />
              ) : (
                "–"
              )}
            </Box>
          );
        })}
      </Box>
      {week.block && (
        <Box
          sx={{
            display: "flex",
            justifyContent: "space-between",
            color: "text.secondary",
            mt: 1,
            gap: 3,
            flexWrap: "wrap",
          }}
        >
          <span>{say("weekLine", { week: week.block.week, weeks: week.block.weeks })}</span>
          {week.block.deload && <span>{say("deloadFrom", { day: dayShort(week.block.deload) })}</span>}
        </Box>
      )}
    </Box>
  );
}

function Today({ run, athlete, changed }: { run: Run; athlete: string; changed: RunWeek["changed"] }) {
  const { pack } = run;
  const tell = (entry: Parameters<typeof device.note>[1]) => device.note(athlete, entry);
  const stamp = () => ({ id: newId(), session: pack.id, at: new Date().toISOString() });
  const begun = run.items.some((i) => i.sets.length > 0);
  const warmUp = Math.round(pack.warmUp.seconds / 60);
  const facts = { minutes: Math.round(pack.seconds / 60), items: pack.items.length };
  return (
    <Box sx={{ display: "grid", gap: 4 }}>
      <Box>
        <Typography variant="h1" sx={{ fontSize: 32, lineHeight: "38px" }}>
          {titleOf(pack)}
        </Typography>
        <Typography color="textSecondary" sx={{ fontSize: 16 }}>
          {warmUp > 0 ? say("factsWarmUp", { ...facts, warmUp }) : say("facts", facts)}
          {pack.easy ? `, ${say("deload")}` : ""}
        </Typography>
      </Box>
      <Items pack={pack} run={run} />
      {!run.done && changed.map((c) => <Changed key={c.item} change={c} run={run} />)}
      {!run.done && !begun && (
        <>
          <BeforeStart run={run} onTell={(checkIn) => tell({ ...stamp(), kind: "CheckIn", checkIn })} />
          {offersEasy(run) && (
            <Box sx={{ display: "grid", gap: 2, border: "2px solid", borderColor: "cautionMark", p: 3 }}>
              <Typography sx={{ fontSize: 17, fontWeight: 600 }}>{say("easyOffer")}</Typography>
              <Typography>{say("easyHelp")}</Typography>
              <Box sx={{ display: "flex", gap: 2 }}>
                <Button
                  variant="outlined"
                  sx={{ minHeight: 48, flex: 1 }}
                  onClick={() => tell({ ...stamp(), kind: "Easy", take: true })}
                >
                  {say("takeEasy")}
                </Button>
                <Button
                  variant="outlined"
                  sx={{ minHeight: 48, flex: 1 }}
                  onClick={() => tell({ ...stamp(), kind: "Easy", take: false })}
                >
                  {say("keepPlan")}
                </Button>
              </Box>
            </Box>
          )}
          {run.easy && <Typography>{say("easyTaken")}</Typography>}
        </>
      )}
      {run.done ? (
        <Button
          component={Link}
          to={`/athletes/${athlete}/sessions/${pack.id}`}
          variant="outlined"
          sx={{ minHeight: 56 }}
        >
          {say("logAfter")}
        </Button>
      ) : (
        <Button
          component={Link}
          to={`/run/${athlete}/${pack.id}`}
          variant="contained"
          color="secondary"
          sx={{ minHeight: 78, fontSize: 22, fontWeight: 650, borderRadius: "4px" }}
        >
          {begun ? say("goOn") : say("startSession")}
        </Button>
      )}
    </Box>
  );
}

/** One sentence on what is other than it was, and why. */
function Changed({ change, run }: { change: RunWeek["changed"][number]; run: Run }) {
  const unit = useUnit();
  const read = useRead();
  const letter = letters(run.items)[run.items.findIndex((i) => i.id === change.item)] ?? "";
  const dose = (d: typeof change.before) =>
    d.movement === change.before.movement && d.movement === change.after.movement
      ? doseText(read(d.line))
      : say("nameDose", { name: inSentence(d.name), dose: doseText(read(d.line)) });
  return (
    <Typography sx={{ borderLeft: "4px solid", borderColor: "primary.main", pl: 3, fontSize: 16, lineHeight: "22px" }}>
      <b>{say("changedFrom", { letter, before: dose(change.before), after: dose(change.after) })}</b>{" "}
      {capital(causeText({ ...change.decision, before: null }, unit))}.
    </Typography>
  );
}

function Items({ pack, run }: { pack: SessionPack; run: Run }) {
  const unit = useUnit();
  const read = useRead();
  const names = letters(run.items);
  return (
    <Box
      component="ol"
      aria-label={say("exercises")}
      sx={{ listStyle: "none", m: 0, p: 0, borderTop: 1, borderColor: "line2" }}
    >
      {run.items.map((item, i) => (
        <Box
          component="li"
          key={item.id}
          sx={{
            display: "grid",
            gridTemplateColumns: "32px minmax(0, 1fr) auto",
            gap: 2,
            py: 2,
            borderBottom: 1,
            borderColor: "line2",
            fontSize: 16,
            lineHeight: "20px",
          }}
        >
          <Box component="b" sx={{ color: "primary.main" }}>
            {names[i]}
          </Box>
          <span>{item.movement.name}</span>
          <Box component="b" sx={{ textAlign: "right", maxWidth: 190 }} data-unit={unit}>
            {item.left === null
              ? doseText(read(item.plan?.line ?? item.pack.line))
              : say("skipped", { reason: item.left })}
          </Box>
        </Box>
      ))}
      {pack.items.length === 0 && <li>{say("noneAhead")}</li>}
    </Box>
  );
}

/** The question of the next morning: one tap where nothing hurts, else how bad, where, and the signs. */
function Morning({ session, day, athlete }: { session: string; day: string; athlete: string }) {
  const { entries } = useDevice();
  const [hurts, setHurts] = useState(false);
  if (entries.some((e) => e.entry.session === session && e.entry.kind === "Morning")) return null;
  const tell = (morning: NonNullable<Entry["morning"]>) =>
    device.note(athlete, { id: newId(), session, at: new Date().toISOString(), kind: "Morning", morning });
  return (
    <Box component="section" sx={{ border: 1, borderColor: "rock", p: 3, display: "grid", gap: 2 }}>
      <Typography sx={{ fontSize: 17, fontWeight: 600 }}>{say("morningAsk", { day: dayWeek(day) })}</Typography>
      <Box sx={{ display: "flex", gap: 2 }}>
        <Button
          variant="outlined"
          sx={{ minHeight: 48, flex: 1 }}
          onClick={() => tell({ level: 0, place: null, sign: null })}
        >
          {say("morningNone")}
        </Button>
        <Button variant="outlined" sx={{ minHeight: 48, flex: 1 }} onClick={() => setHurts(true)}>
          {say("morningPain")}
        </Button>
      </Box>
      {hurts && <PainSheet onSave={tell} onClose={() => setHurts(false)} />}
    </Box>
  );
}
