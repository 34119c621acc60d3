import { useEffect, useMemo, useState } from "react";
import type { Entry, SetRequest } from "../api/types";
import { newId } from "../ui/newId";
import { useNow } from "../ui/useNow";
import { todayOf } from "./today";
import { placeKey } from "./device";
import { device, useDevice } from "./deviceHere";
import { currentOf, type DoneSet, restOf, runOf, startPlace, stepsOf, type Place } from "./session";

/** For so long the last set can be told more of before it is sent. */
const typedFor = 12_000;

/** A session on this device: where it stands, and what can be done. */
export function useRun(athleteId: string, sessionId: string) {
  const state = useDevice();
  const [place, setPlace] = useState<Place | null>(null);
  const now = useNow();
  useEffect(() => {
    let over = false;
    // A place that an older version kept has what it had; the rest is as at the start.
    void device
      .recall<Partial<Place>>(placeKey(sessionId))
      .then((kept) => !over && setPlace({ ...startPlace, ...kept }));
    return () => {
      over = true;
    };
  }, [sessionId]);

  const pack = state.packs.find((p) => p.id === sessionId)?.pack ?? null;
  const week = state.weeks.find((w) => w.athlete === athleteId);
  const clockOff = week ? Date.parse(week.week.now) - week.fetchedAt : 0;
  const run = useMemo(() => pack && runOf(pack, state.entries, clockOff), [pack, state.entries, clockOff]);
  const steps = useMemo(() => (run ? stepsOf(run, place ?? startPlace) : []), [run, place]);
  const current = useMemo(() => currentOf(steps, place ?? startPlace), [steps, place]);
  const rest = useMemo(() => restOf(steps, current, place ?? startPlace), [steps, current, place]);

  // The last set waits a moment for its reserve, and never longer than the page is seen.
  const typed = state.entries.find((e) => e.state === "typed" && e.entry.session === sessionId);
  const typedId = typed?.id;
  useEffect(() => {
    if (!typedId) return;
    const release = () => device.release(typedId);
    const hidden = () => document.visibilityState === "hidden" && release();
    const timer = setTimeout(release, typedFor);
    document.addEventListener("visibilitychange", hidden);
    window.addEventListener("pagehide", release);
    return () => {
      clearTimeout(timer);
      document.removeEventListener("visibilitychange", hidden);
      window.removeEventListener("pagehide", release);
    };
  }, [typedId]);

  const move = (change: Partial<Place>) => {
    const next = { ...(place ?? startPlace), ...change };
    setPlace(next);
    void device.remember(placeKey(sessionId), next);
  };

  const note = (entry: Omit<Entry, "id" | "session" | "at">, isTyped = false) => {
    if (typedId) device.release(typedId);
    const id = newId();
    device.note(athleteId, { id, session: sessionId, at: new Date().toISOString(), ...entry }, isTyped);
    return id;
  };

  /** Tells more of a set: of one that was not sent in place, of another as a correction. */
  const tell = (setId: string, itemId: string, change: Partial<SetRequest>) => {
    const amended = device.amend(setId, (entry) =>
      entry.set ? { ...entry, set: { ...entry.set, ...change } } : entry,
    );
    if (amended) return;
    const set = run?.items.find((i) => i.id === itemId)?.sets.find((s) => s.id === setId);
    if (!set) return;
    note({ kind: "Set", item: itemId, set: { ...requestOf(set), ...change, supersedes: set.id } });
  };

  const undo = (setId: string, itemId: string) => {
    if (!device.drop(setId)) note({ kind: "Withdraw", item: itemId, of: setId });
  };

  return {
    state,
    today: week ? todayOf(week.week.today, week.fetchedAt, now) : (pack?.day ?? ""),
    ready: state.ready && place !== null,
    run,
    steps,
    current,
    rest,
    now,
    place: place ?? startPlace,
    move,
    note,
    tell,
    undo,
  };
}

/** A set as it was, to be told anew. */
function requestOf(set: DoneSet): SetRequest {
  const { set: number, part, reps, seconds, added, reserve, form, pain, painPlace } = set;
  const { total, contact, sagged, restedSeconds, sign, setUp, failedAt, fault, note } = set;
  return {
    ...{ set: number, part, reps, seconds, added, reserve, form, pain, painPlace, supersedes: null },
    ...{ total, contact, sagged, restedSeconds, sign, setUp, failedAt, fault, note },
  };
}

export type Running = ReturnType<typeof useRun>;
