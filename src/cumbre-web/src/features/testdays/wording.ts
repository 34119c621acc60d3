import type { AuditEntry, BatteryReason, DecidedStep, MassUnit, OutcomeRow, WaitingTest } from "../../shared/api/types";
import { haveNeed } from "../../shared/ladders/wording";
import { number, timeOf } from "../../shared/ui/format";
import { say } from "../../words/testdays";

export const reasonWord: Record<BatteryReason, string> = {
  Base: say("aFirstTest"),
  NeverTested: say("neverTested"),
  Stale: say("olderThanSixWeeks"),
  FellShort: say("fellShortLastTime"),
};

/** A change as it was noted: "corrected: 9 reps to 10 reps, 18:05, Coach". */
export function noted(entry: AuditEntry) {
  return [entry.what, timeOf(entry.at), entry.by].filter(Boolean).join(", ");
}

/** What the answer of a test decides: "opens Half lay of Front lever, 7 s / 3 × 10 s". */
export function decides(d: DecidedStep, unit: MassUnit) {
  return `${d.wins ? "wins" : "opens"} ${d.step} (${d.ladder}), ${haveNeed(d.threshold, unit)}`;
}

/** What can change nothing yet, a line for each threshold that comes first. */
export function waiting(tests: WaitingTest[], unit: MassUnit) {
  const byReason = new Map<string, string[]>();
  for (const t of tests) {
    const why = say("forFirst", { step: t.for.step, name: t.behind.name, behind: haveNeed(t.behind, unit) });
    byReason.set(why, [...(byReason.get(why) ?? []), t.name]);
  }
  return [...byReason].map(([why, names]) => say("notYet", { names: names.join(", "), why }));
}

const unitWord: Record<string, (count: number) => string> = {
  reps: (count) => say("repUnit", { count }),
  degrees: (count) => say("degreeUnit", { count }),
  "%": () => say("ofTheSystem"),
};

/** "+2 reps since Feb 1", or that it is no more than the test gives from day to day. */
export function changeSince(row: OutcomeRow, day: (iso: string) => string) {
  if (row.before === null || row.beforeDay === null) return say("firstResult");
  const was = say("resultOn", { result: row.before, day: day(row.beforeDay) });
  if (row.difference === null) return say("was", { was });
  const size = Math.abs(row.difference);
  const unit = unitWord[row.unit]?.(size) ?? row.unit;
  const amount = `${row.difference > 0 ? "+" : row.difference < 0 ? "−" : "±"}${number(size)} ${unit}`;
  return say(row.isNoise ? "wasWithinNoise" : "was2", { amount, was });
}

/** Seconds as whole minutes: a test is not timed closer. */
export function minutes(seconds: number | null | undefined) {
  return say("min", { round: Math.round((seconds ?? 0) / 60) });
}
