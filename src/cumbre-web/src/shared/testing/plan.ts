import type { Effort, Load, Resolved } from "../api/types";
import { bareWhy } from "./page";

/** Hung from the belt of an athlete of 70 kg. */
export const loadOf = (kilograms: number, more: Partial<Load> = {}): Load => ({
  made: {
    value: { kind: "AddedLoad", number: kilograms, code: null, date: null, pieces: null },
    why: bareWhy("LoadAsWritten"),
  },
  wantedKg: kilograms,
  systemKg: 70 + kilograms,
  shareOfMax: null,
  pieces: kilograms > 0 ? [{ size: { value: kilograms, unit: "Kg" }, sort: "Plate" as const }] : [],
  band: null,
  byFeet: false,
  counted: null,
  isWeighed: true,
  ...more,
});

/** Three sets of five at body mass. */
export const planOf = (more: Partial<Resolved> = {}): Resolved => ({
  line: "",
  loads: [loadOf(0)],
  efforts: [],
  isDrop: false,
  dropDistanceKg: 0,
  setTotal: 3,
  repTotal: 15,
  tensionSeconds: 45,
  durationSeconds: 300,
  restSeconds: 120,
  restAssumed: false,
  hardSets: 3,
  reserve: null,
  tempo: null,
  cautions: [],
  straightArmSeconds: 0,
  volumeLoadKg: null,
  left: 0,
  right: 0,
  restInSlot: null,
  progression: null,
  ...more,
});

/** Four reps, the first of the first set. */
export const effortOf = (more: Partial<Effort> = {}): Effort => ({
  set: 1,
  part: 1,
  repsLow: 4,
  repsHigh: 4,
  role: "Work",
  grip: null,
  load: 0,
  takeOff: [],
  restAfterSeconds: 0,
  seconds: null,
  side: null,
  ...more,
});
