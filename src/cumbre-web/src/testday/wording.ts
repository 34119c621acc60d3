import type { BatteryReason, OutcomeRow } from "../api/types";
import { number } from "../ui/format";

export const reasonWord: Record<BatteryReason, string> = {
  Base: "a first test",
  NeverTested: "never tested",
  Stale: "older than six weeks",
  FellShort: "fell short last time",
};

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
