import type { RosterRow } from "../api/types";

/** What the roster can be narrowed to; the address keeps it. */
export const rosterFilters = {
  "": "everybody",
  waiting: "decision waits",
  caution: "pain or clearance",
  tests: "no or old tests",
  intake: "intake unfinished",
  archived: "put away",
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
