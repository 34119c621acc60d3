import type { BlockDifference, DayOfWeek, DifferenceKind, WeekKind } from "../api/types";
import { weekdays } from "../generate/wording";
import { weekKinds } from "../programmes/wording";

const list = (lines: string[]) => [...new Set(lines)].join("; ");

const dayNames = (days: string[]) =>
  days.map((d) => weekdays.find((w) => w.day === (d as DayOfWeek))?.name ?? d).join(", ");

const weekName = (kinds: string[]) => (kinds[0] ? `${weekKinds[kinds[0] as WeekKind]} week` : "no week");

const says: Record<DifferenceKind, (d: BlockDifference) => string> = {
  MovementIn: (d) => `${d.movement} is new: ${list(d.right)}.`,
  MovementOut: (d) => `${d.movement} is gone; it was ${list(d.left)}.`,
  Line: (d) => `${d.movement}: ${list(d.left)} became ${list(d.right)}.`,
  Load: (d) => `${d.movement} comes out at ${list(d.left)} and at ${list(d.right)} kg.`,
  Days: (d) => `${d.movement} moved from ${dayNames(d.left)} to ${dayNames(d.right)}.`,
  Week: (d) => `Here ${weekName(d.left)}, there ${weekName(d.right)}.`,
};

/** What changed, as a sentence. */
export const differenceSentence = (d: BlockDifference) => says[d.kind](d);
