import { placeChoices } from "../athletes/painPlaces";
import type {
  CheckIn,
  Effort,
  LoggedSet,
  PackAlternate,
  PackItem,
  PackLoad,
  PackMovement,
  PackPlan,
  SessionPack,
  WalkStep,
} from "../api/types";
import type { KeptEntry } from "./store";

/** A set as this device knows it. */
export interface DoneSet extends Omit<LoggedSet, "was" | "doneAt"> {
  /** When it was done; null: the server has not told. */
  at: number | null;
  /** The server does not have it yet. */
  waiting: boolean;
}

/** An item as it stands at the bar. */
export interface RunItem {
  id: string;
  /** Its place in the pack; of a form that took over, that of the item before. */
  index: number;
  movement: PackMovement;
  plan: PackPlan | null;
  joined: boolean;
  sets: DoneSet[];
  /** Why it, or its rest, is left out. */
  left: string | null;
  /** The form that took over its rest. */
  taker: string | null;
  pack: PackItem;
}

/** Pain as it was told today. */
export interface ToldPain {
  level: number;
  said: string;
  sign: boolean;
  /** The item in which it hurt, by its place in the pack; null: before the session. */
  hurt: number | null;
}

/** A session as this device knows it: the pack, and what happened since. */
export interface Run {
  pack: SessionPack;
  items: RunItem[];
  checkIn: CheckIn | null;
  /** The easy version: taken, refused, or not answered. */
  easy: boolean | null;
  pains: ToldPain[];
  effort: number | null;
  done: boolean;
  /** When its first set was done, by the device's clock; null: not begun. */
  begunAt: number | null;
}

const ofSession = (entries: readonly KeptEntry[], session: string) =>
  entries.filter((e) => e.entry.session === session && e.outcome !== "Refused" && e.outcome !== "Asked");

/** @param clockOff How many milliseconds the server's clock is ahead of the device's. */
export function runOf(pack: SessionPack, kept: readonly KeptEntry[], clockOff = 0): Run {
  const entries = ofSession(kept, pack.id);
  const last = (kind: KeptEntry["entry"]["kind"]) => entries.findLast((e) => e.entry.kind === kind)?.entry;
  const easyEntry = last("Easy");
  const easy = easyEntry?.take ?? pack.checkIn?.tookEasy ?? null;
  const items: RunItem[] = pack.items.map((item, index) => ({
    id: item.id,
    index,
    movement: item.movement,
    plan: (easyEntry?.take && item.alternates.find((a) => a.kind === "Easy")?.plan) || item.plan,
    joined: item.joined,
    sets: item.sets.map((set) => ({
      ...set,
      at: set.doneAt ? Date.parse(set.doneAt) - clockOff : null,
      waiting: false,
    })),
    left: item.ended ?? item.skipped,
    taker: pack.items.find((i) => i.insteadOf === item.id)?.id ?? null,
    pack: item,
  }));
  // What took over in the pack stands behind the item before, at its place.
  items.forEach((item) => {
    const before = item.pack.insteadOf && items.find((i) => i.id === item.pack.insteadOf);
    if (before) item.index = before.index;
  });
  for (const { entry, state } of entries) {
    const item = items.find((i) => i.id === entry.item);
    if (entry.kind === "Swap" && item && !items.some((i) => i.id === entry.to)) {
      const form = item.pack.alternates.find((a) => a.id === entry.to);
      if (form) items.splice(items.indexOf(item) + 1, 0, taking(form, item));
      item.left = entry.reason ?? "";
      item.taker = entry.to ?? null;
    } else if (entry.kind === "Skip" && item) item.left = entry.reason ?? null;
    else if (entry.kind === "Withdraw") items.forEach((i) => (i.sets = i.sets.filter((s) => s.id !== entry.of)));
    else if (entry.kind === "Set" && entry.set && item) {
      const { supersedes, added, setUp, ...set } = entry.set;
      // What is told of a set later was not done later: its rest runs on.
      const corrected = item.sets.find((s) => s.id === supersedes)?.at;
      item.sets = [
        ...item.sets.filter(
          (s) => s.id !== entry.id && s.id !== supersedes && !(s.set === set.set && s.part === set.part),
        ),
        {
          ...set,
          id: entry.id,
          added,
          seconds: set.seconds ?? null,
          total: set.total ?? null,
          contact: set.contact ?? null,
          sagged: set.sagged ?? false,
          restedSeconds: set.restedSeconds ?? null,
          sign: set.sign ?? null,
          setUp: setUp ?? {},
          failedAt: set.failedAt ?? null,
          fault: set.fault ?? null,
          note: set.note ?? null,
          at: corrected ?? Date.parse(entry.at),
          waiting: state !== "sent",
        },
      ];
      if (item.left !== null && item.taker === null) item.left = null;
    }
  }
  const checkIn = last("CheckIn")?.checkIn ?? pack.checkIn;
  return {
    pack,
    items,
    checkIn,
    easy,
    pains: [
      ...(checkIn?.pain ?? []).map((p) => ({ level: p.level, said: p.place, sign: p.sign !== null, hurt: null })),
      ...items.flatMap((i) =>
        i.sets
          .filter((s) => (s.pain ?? 0) > 0 || s.sign !== null)
          .map((s) => ({ level: s.pain ?? 0, said: s.painPlace ?? "", sign: s.sign !== null, hurt: i.index })),
      ),
    ],
    effort: last("Effort")?.effort ?? pack.effort,
    begunAt: pack.begunAt ? Date.parse(pack.begunAt) - clockOff : null,
    done: pack.status === "Done" || entries.some((e) => e.entry.kind === "Finish"),
  };
}

function taking(form: PackAlternate, before: RunItem): RunItem {
  return {
    id: form.id,
    index: before.index,
    movement: form.movement,
    plan: form.plan,
    joined: true,
    sets: [],
    left: null,
    taker: null,
    pack: {
      ...before.pack,
      id: form.id,
      insteadOf: before.id,
      alternates: [],
      movement: form.movement,
      plan: form.plan,
    },
  };
}

/** How an item is held by pain. */
export interface Held {
  stopped: boolean;
  level: number;
  said: string;
  /** Only this side; null: the whole item. */
  side: "Left" | "Right" | null;
}

/** What holds an item: what was told today, looked up in the pack, and what held it before. */
export function heldOf(run: Run, item: RunItem): Held | null {
  const found: Held[] = [];
  const { limits, heldBack } = run.pack;
  for (const pain of run.pains) {
    const choice = placeChoices.find((c) => c.said === pain.said);
    const place = choice?.place ?? "Elsewhere";
    const row = heldBack.find((h) => h.place === place && h.hurt === pain.hurt);
    const stopped = pain.level >= limits.stopFrom || pain.sign || place === "Hand";
    const holds = stopped ? row?.stopped : pain.level >= limits.easeFrom ? row?.eased : [];
    if (holds?.includes(item.index))
      found.push({
        stopped,
        level: pain.level,
        said: pain.said,
        side: item.movement.eachSide ? (choice?.side ?? null) : null,
      });
  }
  const before = item.pack.held;
  if (before) found.push({ stopped: before.stopped, level: before.level, said: before.place, side: null });
  return found.sort((a, b) => Number(b.stopped) - Number(a.stopped) || b.level - a.level)[0] ?? null;
}

/** One effort on the way. */
export interface Step {
  key: string;
  item: RunItem;
  effort: Effort;
  walk: WalkStep;
  set: DoneSet | undefined;
  /** Open: to be done. Left: skipped, ended, held, or done in another form. */
  state: "open" | "done" | "left";
}

export const keyOf = (item: RunItem, effort: { set: number; part: number }) =>
  `${item.id}/${effort.set}.${effort.part}`;

/**
 * The way through the session as it stands: a form that took over walks at the place of the item before, and sets beyond the
 * plan stand behind its last.
 */
export function stepsOf(run: Run, { extra, again }: Pick<Place, "extra" | "again"> = startPlace): Step[] {
  const steps: Step[] = [];
  const add = (item: RunItem, effort: Effort, walk: WalkStep) => {
    const set = item.sets.find((s) => s.set === effort.set && s.part === effort.part);
    const held = heldOf(run, item);
    const before = run.items.find((i) => i.taker === item.id);
    const stopped = held?.stopped && (held.side === null || held.side === effort.side);
    const isLeft =
      item.left !== null || stopped || before?.sets.some((s) => s.set === effort.set && s.part === effort.part);
    const key = keyOf(item, effort);
    const isDone = set !== undefined && key !== again;
    steps.push({ key, item, effort, walk, set, state: isDone ? "done" : isLeft ? "left" : "open" });
  };
  const { walk } = run.pack;
  walk.forEach((step, at) => {
    const source = run.pack.items[step.item];
    const item = run.items.find((i) => i.id === source?.id);
    const original = source?.plan?.efforts[step.effort];
    if (!item || !original) return;
    const isLast = walk[at + 1]?.item !== step.item || source.plan?.efforts[step.effort + 1]?.set !== original.set;
    for (const who of [item, run.items.find((i) => i.id === item.taker && source.insteadOf === null)]) {
      // What took over in the pack has steps of its own there.
      if (!who || (who !== item && run.pack.items.some((i) => i.id === who.id))) continue;
      const mine = (who.plan?.efforts ?? []).filter(
        (e) =>
          e.set === original.set &&
          (e.part === original.part || (isLast && who.plan !== source.plan && e.part > original.part)),
      );
      mine.forEach((effort) => add(who, effort, step));
    }
  });
  for (const item of run.items) {
    const last = steps.findLast((s) => s.item === item);
    if (!last) continue;
    const planned = Math.max(...(item.plan?.efforts ?? []).map((e) => e.set));
    const done = Math.max(planned, ...item.sets.map((s) => s.set));
    const wanted = Math.max(done, planned + (extra[item.id] ?? 0));
    const like = (item.plan?.efforts ?? []).filter((e) => e.set === planned);
    const at = steps.lastIndexOf(last) + 1;
    const more: Step[] = [];
    for (let number = planned + 1; number <= wanted; number++)
      for (const e of like) {
        const effort = { ...e, set: number, takeOff: [] };
        const set = item.sets.find((s) => s.set === number && s.part === e.part);
        more.push({ key: keyOf(item, effort), item, effort, walk: last.walk, set, state: set ? "done" : "open" });
      }
    steps.splice(at, 0, ...more);
  }
  return steps;
}

/** What the device remembers of the way, beside what was logged. */
export interface Place {
  /** The item to which somebody went by hand. */
  chosen: string | null;
  /** Seconds that a rest was made longer or shorter, by the step before it. */
  adjusted: Record<string, number>;
  /** When the clock of a group was started, by its first item. */
  clock: Record<string, number>;
  extra: Record<string, number>;
  /** Set-ups that were recorded today, by item. */
  setUps: Record<string, Record<string, string>>;
  /** Loads that were chosen at the bar, by step; of a plan with one load, by item. */
  loads: Record<string, PackLoad>;
  /** The rest after this step was cut short by hand. */
  started: string | null;
  /** A step that broke and is done again. */
  again: string | null;
  warmedUp: boolean;
  /** Items that somebody goes on with as planned, though an eased form was offered. */
  planned: string[];
  /** When the session was opened. */
  openedAt: number | null;
}

export const startPlace: Place = {
  chosen: null,
  adjusted: {},
  clock: {},
  extra: {},
  loads: {},
  setUps: {},
  started: null,
  again: null,
  warmedUp: false,
  planned: [],
  openedAt: null,
};

/** The step that was done last, by the time at which it was. */
export function lastDone(steps: readonly Step[]) {
  return steps
    .filter((s) => s.set?.at != null)
    .reduce<Step | null>((newest, s) => (newest && newest.set!.at! > s.set!.at! ? newest : s), null);
}

/** The step to be done now: of the item that was chosen, else the next on the way, else the first that is open. */
export function currentOf(steps: readonly Step[], place: Place): Step | null {
  const open = steps.filter((s) => s.state === "open");
  const last = lastDone(steps);
  const after = last ? steps.slice(steps.indexOf(last) + 1).find((s) => s.state === "open") : undefined;
  const chosen = place.chosen ? open.find((s) => s.item.id === place.chosen) : undefined;
  return chosen ?? after ?? open[0] ?? null;
}

/** What is put on for a step: as planned, or as somebody chose. */
export function loadOf({ item, effort, key }: Step, place: Place): PackLoad {
  const planned = item.plan!.loads[effort.load]!;
  return place.loads[key] ?? (item.plan!.loads.length === 1 ? place.loads[item.id] : undefined) ?? planned;
}

/** A rest that was begun. */
export interface Rest {
  /** The step after which it is taken. */
  after: Step;
  from: number;
  /** When it is over. */
  until: number;
  seconds: number;
  kind: WalkStep["rest"];
}

/** The rest before the next step; null: nothing was done yet, or nothing is to be done. */
export function restOf(steps: readonly Step[], next: Step | null, place: Place): Rest | null {
  const after = lastDone(steps);
  if (!after || !next) return null;
  const slot = strokeOf(steps, next, place);
  const from = after.set!.at!;
  if (slot !== null && after.walk.slotSeconds !== null) {
    const seconds = Math.max(0, Math.round((slot - from) / 1000));
    return { after, from, until: slot, seconds, kind: "Slot" };
  }
  const planned = after.walk.restSeconds;
  const seconds = Math.max(0, planned + (place.adjusted[after.key] ?? 0));
  return { after, from, until: from + seconds * 1000, seconds, kind: planned === 0 ? "None" : after.walk.rest };
}

/** The steps of a group that runs on the clock, each with the second at which its stroke falls. */
function strokes(steps: readonly Step[], of: Step) {
  const firstIndex = groupOf(steps, of);
  const inGroup = steps.filter((s) => groupOf(steps, s) === firstIndex);
  let at = 0;
  const found = new Map<string, number>();
  let current = 0;
  for (const step of inGroup) {
    if (step.walk.slotSeconds !== null) {
      current = at;
      at += step.walk.slotSeconds;
    }
    found.set(step.key, current);
  }
  return { first: firstIndex, found };
}

/** The item with which a group begins. */
function groupOf(steps: readonly Step[], of: Step) {
  const items = steps.map((s) => s.item).filter((item, i, all) => all.indexOf(item) === i);
  let first = items.indexOf(of.item);
  while (first > 0 && items[first]!.joined) first--;
  return items[first]!.id;
}

/** Is it done in turn with others? */
export const inTurn = (steps: readonly Step[], of: Step) =>
  steps.some((s) => s.item !== of.item && groupOf(steps, s) === groupOf(steps, of));

export const easierOf = (item: RunItem) => item.pack.alternates.filter((a) => a.kind === "Easier");

export const clockKey = (steps: readonly Step[], step: Step) => groupOf(steps, step);

/** When the stroke of a step falls; null: it is not on the clock, or the clock was not started. */
export function strokeOf(steps: readonly Step[], step: Step, place: Place): number | null {
  if (step.walk.slotSeconds === null && step.walk.rest !== "Slot") return null;
  const { first, found } = strokes(steps, step);
  const began = place.clock[first];
  return began === undefined ? null : began + (found.get(step.key) ?? 0) * 1000;
}
