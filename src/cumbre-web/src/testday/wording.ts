import type { AuditEntry, BatteryReason, DecidedStep, MassUnit, OutcomeRow, WaitingTest } from "../api/types";
import { haveNeed } from "../ladders/wording";
import { number } from "../ui/format";

export const reasonWord: Record<BatteryReason, string> = {
  Base: "a first test",
  NeverTested: "never tested",
  Stale: "older than six weeks",
  FellShort: "fell short last time",
};

/** A change as it was noted: "corrected: 9 reps to 10 reps, 18:05, Coach". */
export function noted(entry: AuditEntry) {
  const time = new Date(entry.at).toLocaleTimeString(undefined, {
    hour: "2-digit",
    minute: "2-digit",
    hourCycle: "h23",
  });
  return [entry.what, time, entry.by].filter(Boolean).join(", ");
}

/** What the answer of a test decides: "opens Half lay of Front lever, 7 s / 3 × 10 s". */
export function decides(d: DecidedStep, unit: MassUnit) {
  return `${d.wins ? "wins" : "opens"} ${d.step} (${d.ladder}), ${haveNeed(d.threshold, unit)}`;
}

/** What can change nothing yet, a line for each threshold that comes first. */
export function waiting(tests: WaitingTest[], unit: MassUnit) {
  const byReason = new Map<string, string[]>();
  for (const t of tests) {
    const why = `for ${t.for.step}: first ${t.behind.name}, ${haveNeed(t.behind, unit)}`;
    byReason.set(why, [...(byReason.get(why) ?? []), t.name]);
  }
  return [...byReason].map(([why, names]) => `not yet ${names.join(", ")}, ${why}`);
}

const unitWord: Record<string, [string, string]> = {
  reps: ["rep", "reps"],
  s: ["s", "s"],
  degrees: ["degree", "degrees"],
  "%": ["% of the system", "% of the system"],
};

/** "+2 reps since Feb 1", or that it is no more than the test gives from day to day. */
export function changeSince(row: OutcomeRow, day: (iso: string) => string) {
  if (row.before === null || row.beforeDay === null) return "first result";
  const was = `${row.before} on ${day(row.beforeDay)}`;
  if (row.difference === null) return `was ${was}`;
  const [one, many] = unitWord[row.unit] ?? [row.unit, row.unit];
  const amount = `${row.difference > 0 ? "+" : row.difference < 0 ? "−" : "±"}${number(Math.abs(row.difference))} ${Math.abs(row.difference) === 1 ? one : many}`;
  return `${amount}, was ${was}${row.isNoise ? "; within the noise of the test" : ""}`;
}

/** Seconds as whole minutes: a test is not timed closer. */
export function minutes(seconds: number | null | undefined) {
  return `${Math.round((seconds ?? 0) / 60)} min`;
}
