import type { RosterRow } from "../../shared/api/types";
import { say as word } from "../../words/common";
import { say } from "../../words/roster";

/** What the roster can be narrowed to; the address keeps it. */
export const rosterFilters = {
  "": word("everybody"),
  waiting: say("decisionWaits"),
  caution: say("painOrClearance"),
  tests: say("noOrOldTests"),
  intake: say("intakeUnfinished"),
  archived: say("putAway"),
} as const;

export type RosterFilter = keyof typeof rosterFilters;

export function filterRoster(rows: RosterRow[], name: string, filter: RosterFilter) {
  const wanted = name.trim().toLowerCase();
  return rows.filter((r) => r.name.toLowerCase().includes(wanted) && fits(r, filter));
}

function fits(r: RosterRow, filter: RosterFilter) {
  switch (filter) {
    case "waiting":
      return r.waiting;
    case "caution":
      return r.stopped || r.pain !== null || r.openClearances.length > 0 || r.consentMissing;
    case "tests":
      return r.testCount === 0 || r.oneRepMaxStale || r.goals.some((g) => g.staleTests > 0);
    case "intake":
      return !r.intakeFinished;
    case "":
    case "archived":
      return true;
  }
}

/** By what the roster can be sorted; what is missing stands last either way. */
export const rosterSorts = {
  name: (r: RosterRow) => r.name.toLowerCase(),
  mass: (r: RosterRow) => r.bodyMassKg,
  max: (r: RosterRow) => r.oneRepMaxKg,
  tested: (r: RosterRow) => r.lastTest,
  last: (r: RosterRow) => r.lastSession,
  next: (r: RosterRow) => r.nextSession,
} as const;

export type RosterSort = keyof typeof rosterSorts;

export function sortRoster(rows: RosterRow[], by: RosterSort, down: boolean) {
  const of = rosterSorts[by];
  return [...rows].sort((a, b) => {
    const [x, y] = [of(a), of(b)];
    if (x === null || y === null) return Number(x === null) - Number(y === null);
    return (x < y ? -1 : x > y ? 1 : 0) * (down ? -1 : 1);
  });
}
