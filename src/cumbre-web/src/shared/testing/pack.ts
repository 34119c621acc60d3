import type { PackAlternate, PackItem, PackMovement, PackPlan, SessionPack, WalkStep } from "../api/types";
import { effortOf } from "./plan";

const kg = (value: number) => ({ value, unit: "Kg" as const });

/** A load of one plate on the belt. */
export const packLoad = (value: number) => ({
  added: kg(value),
  pieces: value > 0 ? [{ size: kg(value), sort: "Plate" as const }] : [],
  band: null,
  byFeet: false,
  counted: null,
});

export const packMovement = (name: string, more: Partial<PackMovement> = {}): PackMovement => ({
  slug: name.toLowerCase().replaceAll(" ", "-"),
  name,
  bottom: "",
  standard: "",
  cues: [],
  faults: [],
  eachSide: false,
  held: false,
  asksContact: false,
  drill: false,
  setUp: [],
  ...more,
});

/** So many sets of five, one after the other. */
export const packPlan = (sets: number, more: Partial<PackPlan> = {}): PackPlan => ({
  line: `${sets} x 5`,
  loads: [packLoad(0)],
  efforts: Array.from({ length: sets }, (_, i) => effortOf({ set: i + 1, repsLow: 5, repsHigh: 5 })),
  beats: [],
  reserve: null,
  toTheEnd: false,
  contact: null,
  breaths: null,
  timed: false,
  beatSeconds: null,
  pauseSeconds: null,
  pauseAt: null,
  restSeconds: 120,
  ...more,
});

export const packItem = (id: string, plan: PackPlan, more: Partial<PackItem> = {}): PackItem => ({
  id,
  movement: packMovement(id),
  joined: false,
  plan,
  problem: null,
  line: plan.line,
  sets: [],
  setUp: {},
  last: null,
  held: null,
  cautions: [],
  choices: [],
  alternates: [],
  skipped: null,
  ended: null,
  insteadOf: null,
  ...more,
});

export const alternate = (id: string, kind: PackAlternate["kind"], plan: PackPlan): PackAlternate => ({
  id,
  kind,
  places: kind === "Eased" ? ["Shoulder"] : [],
  movement: packMovement(id),
  plan,
});

/** The way through items one after the other, with the times of the server's model. */
export function plainWalk(items: readonly PackItem[]): WalkStep[] {
  return items.flatMap((item, index) => {
    const efforts = item.plan?.efforts ?? [];
    return efforts.map((effort, at): WalkStep => {
      const isLastOfSet = efforts[at + 1]?.set !== effort.set;
      const isLast = at === efforts.length - 1;
      const rest = isLastOfSet && !isLast ? 120 : 0;
      return {
        item: index,
        effort: at,
        round: effort.set,
        prepareSeconds: effort.part > 1 ? 0 : effort.set === 1 ? 80 : 20,
        workSeconds: 15,
        restSeconds: rest,
        rest: rest > 0 ? "Set" : "None",
        slotSeconds: null,
      };
    });
  });
}

export function packOf(items: PackItem[], more: Partial<SessionPack> = {}): SessionPack {
  const walk = more.walk ?? plainWalk(items);
  return {
    id: "session",
    athleteId: "athlete",
    name: "Tess Trial",
    unit: "Kg",
    day: "2026-03-16",
    title: "Pull",
    status: "Planned",
    easy: false,
    version: 1,
    warmUp: { seconds: 0, text: null },
    coolDown: { seconds: 0, text: null },
    seconds: walk.reduce((sum, s) => sum + s.prepareSeconds + s.workSeconds + s.restSeconds, 0),
    items,
    walk,
    heldBack: [],
    limits: { easeFrom: 3, stopFrom: 6, easySleepUnder: 6, easySorenessFrom: 7 },
    checkIn: null,
    effort: null,
    begunAt: null,
    seal: "seal",
    ...more,
  };
}
