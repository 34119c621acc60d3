import Box from "@mui/material/Box";
import ButtonBase from "@mui/material/ButtonBase";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { MassUnit, PackAlternate, SetRequest } from "../../shared/api/types";
import { contactWord } from "../../shared/athletes/painPlaces";
import { MovementFigure } from "../../shared/figure/MovementFigure";
import { Strip } from "../../shared/figure/Strip";
import { movesTo, onBelt } from "../../shared/run/plates";
import {
  doseText,
  endsByItself,
  lastText,
  loadText,
  piecesText,
  setUpText,
  stepName,
  targetOf,
  whereIn,
} from "../../shared/run/runText";
import {
  clockKey,
  easierOf,
  heldOf,
  inTurn,
  lastDone,
  loadOf,
  strokeOf,
  type RunItem,
  type Step,
} from "../../shared/run/session";
import { unlockSound, type Habits } from "../../shared/run/signals";
import type { Running } from "../../shared/run/useRun";
import { announce } from "../../shared/ui/announce";
import { capital, clock } from "../../shared/ui/format";
import { inSentence, sideWord } from "../../shared/ui/nameWords";
import { Plates } from "../../shared/ui/Plates";
import { say } from "../../words/run";
import { Choices, Large, Primary } from "../../shared/run/Big";
import { getReady, HoldClock } from "./HoldClock";
import { hasLoadSteps, LoadSteps } from "./LoadSteps";
import { LowerClock } from "./LowerClock";
import { Pacer } from "./Pacer";

const restMost = 1800;

/** Somebody wants it easier today: the form takes over what is left. */
export function takeEasier(running: Running, item: RunItem, form: PackAlternate) {
  running.note({ kind: "Swap", item: item.id, to: form.id, reason: say("askedForEasier") });
}

/** A tablet that lies on its side, or a laptop. */
export const lying = "@media (min-width: 900px) and (max-height: 900px)";

/** What is read stands above, what is pressed lies under the thumb; where there is width and no height, beside it. */
export const column = {
  display: "flex",
  flexDirection: "column",
  minHeight: "100%",
  gap: 3,
} as const;

export const twoColumns = {
  ...column,
  [lying]: { display: "grid", gridTemplateColumns: "minmax(0, 1fr) minmax(0, 1fr)", columnGap: "48px" },
} as const;

/** One of the two. */
export const part = { display: "flex", flexDirection: "column", gap: 3, minWidth: 0 } as const;

/** One effort, in figures that are read from the bar. */
export function SetScreen({
  running,
  step,
  unit,
  habits,
  onMore,
  onPain,
}: {
  running: Running;
  step: Step;
  unit: MassUnit;
  habits: Habits;
  onMore: () => void;
  onPain: () => void;
}) {
  const { now, place, steps } = running;
  const { item, effort } = step;
  const plan = item.plan!;
  const load = loadOf(step, place);
  const held = effort.seconds !== null;
  const [count, setCount] = useState(held ? effort.seconds! : effort.repsHigh);
  const [clean, setClean] = useState<number | null>(null);
  const [pacedAt, setPacedAt] = useState<number | null>(null);
  const [heldAt, setHeldAt] = useState<number | null>(null);
  const [fell, setFell] = useState(false);
  // The clock has run: what is left to do is to log.
  const [ran, setRan] = useState(false);
  const target = targetOf(step);
  const isStretch = effort.role === "Stretch";
  const isNegative = effort.role === "Negative" && plan.beats.length === 1;
  const most = held ? 600 : 200;
  const stroke = strokeOf(steps, step, place);
  const onClock = step.walk.slotSeconds !== null || step.walk.rest === "Slot";
  const timer = place.clock[clockKey(steps, step)];
  const needsClock = (onClock || plan.timed) && timer === undefined;

  const log = (amount: number, more: Partial<SetRequest> = {}) => {
    const last = lastDone(steps);
    const rested =
      last?.item.id === item.id && last.walk.rest !== "None" && last.set?.at
        ? Math.min(restMost, Math.max(0, Math.round((now - last.set.at) / 1000)))
        : null;
    const good = clean === null ? amount : Math.min(clean, amount);
    const isLast = steps.filter((s) => s.item.id === item.id && s.state === "open").length === 1;
    running.note(
      {
        kind: "Set",
        item: item.id,
        set: {
          set: effort.set,
          part: effort.part,
          reps: held ? 1 : good,
          seconds: held ? good : null,
          added: load.added,
          reserve: null,
          form: clean !== null && clean < amount ? "Broken" : "Clean",
          pain: null,
          painPlace: null,
          supersedes: step.set?.id ?? null,
          total: !held && clean !== null && clean < amount ? amount : null,
          contact: item.movement.asksContact ? plan.contact : null,
          restedSeconds: rested,
          ...(place.setUps[item.id] ? { setUp: place.setUps[item.id]! } : {}),
          ...(plan.timed && isLast && timer ? { note: clock(Math.round((now - timer) / 1000)) } : {}),
          ...more,
        },
      },
      true,
    );
    announce(say("logged", { name: item.movement.name, set: effort.set, done: `${good} ${target.unit}` }));
    running.move({ again: null, started: null });
  };

  if (heldAt !== null)
    return (
      <Box sx={column}>
        <Heading step={step} />
        <HoldClock
          target={effort.seconds!}
          ready={isStretch ? 0 : getReady}
          startedAt={heldAt}
          now={now}
          habits={habits}
          onStop={(seconds) => {
            setHeldAt(null);
            setRan(true);
            setCount(seconds);
          }}
        />
      </Box>
    );

  if (pacedAt !== null && isNegative)
    return (
      <Box sx={column}>
        <Heading step={step} />
        <LowerClock
          target={plan.beats[0]!.seconds}
          reps={effort.repsHigh}
          startedAt={pacedAt}
          now={now}
          habits={habits}
          onStop={(done, good) => {
            setPacedAt(null);
            setRan(true);
            setCount(done);
            setClean(good < done ? good : null);
          }}
        />
      </Box>
    );

  const moves = movesTo(onBelt(steps, place), load.pieces);
  const easier = inTurn(steps, step) && item.pack.insteadOf === null ? easierOf(item) : [];
  const inSteps = hasLoadSteps(running, step);
  const parts = plan.efforts.filter((e) => e.set === effort.set).length;
  const last = lastText(item.pack, unit);
  const all = count === (held ? effort.seconds : effort.repsHigh) && clean === null && !endsByItself(effort.role);
  return (
    <Box sx={twoColumns}>
      <Box sx={part}>
        <Heading step={step} />
        <LoadSteps running={running} step={step} unit={unit} />
        <Instead running={running} step={step} />
        <OneSide running={running} step={step} />
        {onClock && stroke !== null && (
          <Typography sx={{ fontSize: 20, fontWeight: 600 }} role="timer" aria-live="off">
            {say("slotLeft", {
              left: clock(Math.max(0, Math.ceil((stroke - now) / 1000 + (step.walk.slotSeconds ?? 0)))),
            })}
          </Typography>
        )}
        {plan.timed && timer !== undefined && (
          <Typography sx={{ fontSize: 20, fontWeight: 600 }} role="timer" aria-live="off">
            {plan.beatSeconds === null
              ? clock(Math.floor((now - timer) / 1000))
              : say("toBeat", { now: clock(Math.floor((now - timer) / 1000)), best: clock(plan.beatSeconds) })}
          </Typography>
        )}
        <Typography
          component="p"
          sx={{ fontWeight: 650, fontStretch: "116%", display: "flex", alignItems: "baseline", gap: 3 }}
        >
          <Box
            component="span"
            sx={{ fontSize: target.figure.length > 2 ? 88 : 104, lineHeight: 0.9, whiteSpace: "nowrap" }}
          >
            {target.figure}
          </Box>
          <Box component="span" sx={{ fontSize: 28, lineHeight: "32px" }}>
            {target.unit}
          </Box>
        </Typography>
        {(load.added.value !== 0 || plan.loads.length > 1 || moves.off.length > 0) && (
          <Box sx={{ display: "flex", justifyContent: "space-between", gap: 3, alignItems: "end" }}>
            <Box sx={{ minWidth: 0 }}>
              <Typography sx={{ fontSize: 28, lineHeight: "34px", fontWeight: 600 }}>{loadText(load, unit)}</Typography>
              <MoveText moves={moves} unit={unit} />
            </Box>
            {(load.pieces.length > 0 || moves.off.length > 0) && (
              <Box sx={{ flex: "none" }}>
                <Plates pieces={moves.stay} takeOff={moves.on.length > 0 ? moves.on : moves.off} scale={1.8} />
              </Box>
            )}
          </Box>
        )}
        <Asks step={step} withGrip={!inSteps} />
        <Box sx={{ display: "grid", gap: 1, color: "text.secondary", fontSize: 15, lineHeight: "20px" }}>
          {effort.part === 1 && <span>{last ?? say("never")}</span>}
          {effort.part === 1 && item.movement.setUp.length > 0 && <span>{setUpLine(running, step)}</span>}
          {/* Where plates are changed inside the set there is no time to read. */}
          {!inSteps && item.movement.cues.length > 0 && (
            <span>{item.movement.cues.map((cue) => `${capital(cue)}.`).join(" ")}</span>
          )}
        </Box>
      </Box>
      <Box sx={{ mt: "auto", display: "grid", gap: 3 }}>
        {easier.map((form) => (
          <Large key={form.id} onClick={() => takeEasier(running, item, form)}>
            {say("easierForm", { name: form.movement.name, line: doseText(form.plan.line) })}
          </Large>
        ))}
        {plan.beats.length > 0 && !held && !isNegative && (
          <Pacer
            beats={plan.beats}
            startedAt={pacedAt}
            now={now}
            most={effort.repsHigh}
            habits={habits}
            onStart={() => setPacedAt(Date.now())}
            onStop={(reps) => {
              setPacedAt(null);
              setCount(reps);
            }}
          />
        )}
        {needsClock ? (
          <Primary
            onClick={() => {
              unlockSound();
              running.move({ clock: { ...place.clock, [clockKey(steps, step)]: Date.now() } });
            }}
          >
            {say("startClock")}
          </Primary>
        ) : isNegative && !ran && count === effort.repsHigh && clean === null ? (
          <>
            <Primary
              onClick={() => {
                unlockSound();
                setPacedAt(Date.now());
              }}
            >
              {say("startLowering", { seconds: getReady })}
            </Primary>
            <Counter
              count={count}
              most={most}
              onChange={setCount}
              unit={say("ofReps", { n: effort.repsHigh })}
              low={68}
            />
            <Large onClick={() => log(count)}>{say("doneAll", { n: count })}</Large>
          </>
        ) : held && !ran && count === effort.seconds && clean === null ? (
          <>
            <Primary
              onClick={() => {
                unlockSound();
                setHeldAt(Date.now());
              }}
            >
              {isStretch ? say("startStretch") : say("startHold", { seconds: getReady })}
            </Primary>
            <Counter count={count} most={most} onChange={setCount} unit={say("secondsHeld")} low={68} />
            <Large onClick={() => log(count)}>{say("logHold", { n: count })}</Large>
          </>
        ) : (
          <>
            <Counter
              count={count}
              most={most}
              onChange={setCount}
              unit={held ? say("secondsHeld") : say("ofReps", { n: effort.repsHigh })}
            />
            {clean !== null && (
              <Counter
                count={Math.min(clean, count)}
                most={count}
                onChange={setClean}
                unit={say("cleanOnes")}
                low={68}
                keyed={false}
              />
            )}
            <Primary onClick={() => log(count)}>
              {held
                ? say("logHold", { n: count })
                : all && parts > 1 && effort.side === null
                  ? say("donePart", { part: effort.part, n: count })
                  : all
                    ? say("doneAll", { n: count })
                    : say("doneCount", { n: count })}
            </Primary>
          </>
        )}
        {effort.role === "Fast" &&
          (fell ? (
            <Box>
              <Typography sx={{ fontSize: 16, fontWeight: 600, mb: 1 }}>{say("whichFell")}</Typography>
              <Choices
                label={say("whichFell")}
                columns={Math.min(6, effort.repsHigh)}
                value={null}
                // The rep that fell short ends the set and does not count: that is the method, and no failure.
                onChoose={(rep: number) => log(rep - 1)}
                choices={Array.from({ length: effort.repsHigh }, (_, i) => ({ value: i + 1, text: String(i + 1) }))}
              />
            </Box>
          ) : (
            <Large onClick={() => setFell(true)}>{say("heightFell")}</Large>
          ))}
        <Box sx={{ display: "grid", gridTemplateColumns: "repeat(3, 1fr)", gap: 2 }}>
          <Large pressed={clean !== null} onClick={() => setClean(clean === null ? Math.max(0, count - 1) : null)}>
            {clean === null ? say("notAllClean") : say("allClean")}
          </Large>
          <Large keyed="pain" onClick={onPain}>
            {say("itHurts")}
          </Large>
          <Large keyed="moreOfSet" onClick={onMore}>
            {say("more")}
          </Large>
        </Box>
      </Box>
    </Box>
  );
}

function setUpLine(running: Running, { item }: Step) {
  const told = running.place.setUps[item.id];
  const text = told
    ? Object.entries(told)
        .map(([name, value]) => `${name} ${value}`)
        .join(", ")
    : setUpText(item);
  return text ? say("setUp", { parts: text }) : say("setUpMissing");
}

export function Heading({ step }: { step: Step }) {
  const [looks, setLooks] = useState(false);
  const { slug, name } = step.item.movement;
  return (
    <Box>
      <Box sx={{ display: "flex", alignItems: "center", gap: 3 }}>
        <ButtonBase
          onClick={() => setLooks(!looks)}
          aria-expanded={looks}
          aria-label={say("howItLooks", { name })}
          sx={{ bgcolor: "background.paper" }}
        >
          <MovementFigure movement={slug} size={48} />
        </ButtonBase>
        <Typography variant="h1" tabIndex={-1} data-step sx={{ fontSize: 22, mr: "auto", outline: "none" }}>
          {stepName(step)}
        </Typography>
        <Typography color="textSecondary" sx={{ fontSize: 16 }}>
          {whereIn(step)}
        </Typography>
      </Box>
      {looks && (
        <Box sx={{ mt: 2 }}>
          <Strip movement={slug} name={name} size={160} />
        </Box>
      )}
    </Box>
  );
}

/** What the plan asks beside reps and load. */
function Asks({ step: { item, effort }, withGrip }: { step: Step; withGrip: boolean }) {
  const plan = item.plan!;
  const asks = [
    endsByItself(effort.role) && say("toTheEnd"),
    effort.role === "Fast" && say("fast"),
    effort.role === "Negative" && plan.beats[0] && say("lowering", { seconds: plan.beats[0].seconds }),
    plan.contact && say("toContact", { contact: contactWord[plan.contact] }),
    plan.reserve !== null && effort.role !== "BackOff" && say("inReserve", { reserve: plan.reserve }),
    withGrip && effort.grip && say("grip", { grip: effort.grip.toLowerCase() }),
    plan.pauseSeconds !== null &&
      say(plan.pauseAt === "Top" ? "pauseTop" : "pauseBottom", { seconds: plan.pauseSeconds }),
  ].filter((a) => typeof a === "string");
  if (asks.length === 0) return null;
  return <Typography sx={{ fontSize: 18, lineHeight: "24px" }}>{asks.join(", ")}</Typography>;
}

/** One side is stopped by pain: only the other goes on. */
function OneSide({ running: { run }, step: { item, effort } }: { running: Running; step: Step }) {
  const held = heldOf(run!, item);
  if (!held?.stopped || held.side === null || held.side === effort.side) return null;
  return (
    <Typography sx={{ fontSize: 18, lineHeight: "24px", borderLeft: "4px solid", borderColor: "error.main", pl: 3 }}>
      {say("oneSide", {
        side: capital(sideWord[held.side]),
        other: sideWord[held.side === "Left" ? "Right" : "Left"],
        said: held.said,
        level: held.level,
      })}
    </Typography>
  );
}

/** What it took over from, and why. */
export function Instead({ running: { run }, step: { item } }: { running: Running; step: Step }) {
  const before = item.pack.insteadOf && run!.items.find((i) => i.id === item.pack.insteadOf);
  if (!before) return null;
  return (
    <Typography sx={{ fontSize: 18, lineHeight: "24px", borderLeft: "4px solid", borderColor: "primary.main", pl: 3 }}>
      {say("instead", { name: inSentence(before.movement.name), reason: before.left ?? "" })}
    </Typography>
  );
}

export function MoveText({ moves, unit }: { moves: ReturnType<typeof movesTo>; unit: MassUnit }) {
  const { stay, off, on } = moves;
  if (off.length === 0 && on.length === 0) return null;
  const names = (pieces: typeof off) => piecesText(pieces, unit);
  return (
    <Typography sx={{ fontSize: 18, lineHeight: "24px", fontWeight: 650 }} color="secondary">
      {off.length > 0 && on.length > 0
        ? say("change", { off: names(off), on: names(on) })
        : on.length > 0
          ? say("putOn", { pieces: names(on) })
          : stay.length > 0
            ? say("takeOff", { pieces: names(off), rest: names(stay) })
            : say("takeOffAll", { pieces: names(off) })}
    </Typography>
  );
}

function Counter({
  count,
  most,
  onChange,
  unit,
  low = 108,
  keyed = true,
}: {
  count: number;
  most: number;
  onChange: (count: number) => void;
  unit: string;
  low?: number;
  keyed?: boolean;
}) {
  return (
    <Box data-counter sx={{ display: "grid", gridTemplateColumns: "112px 1fr 112px", gap: 2, alignItems: "center" }}>
      <Large
        height={low}
        {...(keyed && { keyed: "oneLess" as const })}
        onClick={() => onChange(Math.max(0, count - 1))}
        aria-label={say("oneLess")}
        sx={{ fontSize: 32 }}
      >
        {"−1"}
      </Large>
      <Box sx={{ textAlign: "center" }} role="status">
        <Typography component="p" sx={{ fontSize: low > 100 ? 56 : 36, lineHeight: 1, fontWeight: 650 }}>
          {count}
        </Typography>
        <Typography color="textSecondary" sx={{ fontSize: 15 }}>
          {unit}
        </Typography>
      </Box>
      <Large
        height={low}
        {...(keyed && { keyed: "oneMore" as const })}
        onClick={() => onChange(Math.min(most, count + 1))}
        aria-label={say("oneMore")}
        sx={{ fontSize: 32 }}
      >
        {"+1"}
      </Large>
    </Box>
  );
}
