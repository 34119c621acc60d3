import type {
  AuditEntry,
  Battery,
  BatteryReason,
  DecidedStep,
  MassUnit,
  OutcomeRow,
  WaitingTest,
} from "../../shared/api/types";
import { have, haveNeed, need } from "../../shared/ladders/wording";
import { number, timeOf } from "../../shared/ui/format";
import { say } from "../../words/testdays";

export const reasonWord: Record<BatteryReason, string> = {
  Base: say("aFirstTest"),
  NeverTested: say("neverTested"),
  Stale: say("olderThanSixWeeks"),
  FellShort: say("fellShortLastTime"),
};

/** A change as it was noted: "corrected: 9 reps to 10 reps, 18:05, Coach". */
export function noted(entry: Pick<AuditEntry, "kind" | "before" | "after" | "at" | "by">) {
  const what =
    entry.kind === "ResultCorrected"
      ? say("corrected", { before: entry.before ?? "", after: entry.after ?? "" })
      : entry.kind === "ResultRemoved"
        ? say("resultDeleted", { before: entry.before ?? "" })
        : entry.after;
  return [what, timeOf(entry.at), entry.by].filter(Boolean).join(", ");
}

/** What the answer of a test decides: "opens Half lay of Front lever, at 3 × 10 s, 7 s so far". */
export function decides(d: DecidedStep, unit: MassUnit) {
  const needed = { need: need(d.threshold, unit) };
  const figures =
    d.threshold.have === null ? say("atNeed", needed) : say("soFar", { ...needed, have: have(d.threshold, unit) });
  return say(d.wins ? "decidesAchieves" : "decidesOpens", { step: d.step, ladder: d.ladder, figures });
}

/** Rows and columns that a sheet holds at most, as the server checks it. */
export const athletesOnASheet = 60;

export const testsOnASheet = 12;

/** What is suggested and found no room: each test with those who would have had it. */
export function leftOut(batteries: Pick<Battery, "name" | "tests">[], tests: string[]) {
  const athletes = new Map<string, string[]>();
  for (const b of batteries)
    for (const t of b.tests.filter((x) => !tests.includes(x.slug)))
      athletes.set(t.name, [...(athletes.get(t.name) ?? []), b.name]);
  return [...athletes].map(([test, names]) => `${test} (${names.join(", ")})`);
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
