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
  const figures = haveNeed(d.threshold, unit);
  return say(d.wins ? "decidesAchieves" : "decidesOpens", { step: d.step, ladder: d.ladder, figures });
}

/** What can change nothing yet, a line for each threshold that comes first. */
export function waiting(tests: WaitingTest[], unit: MassUnit) {
  const byReason = new Map<string, WaitingTest[]>();
  for (const t of tests) {
    const reason = [t.for.step, t.behind.name, t.behind.need].join();
    byReason.set(reason, [...(byReason.get(reason) ?? []), t]);
  }
  return [...byReason.values()].map((later) =>
    say("notYet", {
      names: later.map((t) => t.name).join(", "),
      step: later[0]!.for.step,
      first: later[0]!.behind.name,
      figures: haveNeed(later[0]!.behind, unit),
    }),
  );
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
