import type { BlockDifference, DayOfWeek, DifferenceKind, WeekKind } from "../../shared/api/types";
import { weekdays } from "../../shared/generation/wording";
import { weekKinds } from "../../shared/blocks/wording";
import { say } from "../../words/compare";

const list = (lines: string[]) => [...new Set(lines)].join("; ");

const dayNames = (days: string[]) =>
  days.map((d) => weekdays.find((w) => w.day === (d as DayOfWeek))?.name ?? d).join(", ");

const weekName = (kinds: string[]) =>
  kinds[0] ? say("week", { weekKinds: weekKinds[kinds[0] as WeekKind] }) : say("noWeek");

const says: Record<DifferenceKind, (d: BlockDifference) => string> = {
  MovementIn: (d) => say("isNew", { movement: d.movement ?? "", right: list(d.right) }),
  MovementOut: (d) => say("isGoneItWas", { movement: d.movement ?? "", left: list(d.left) }),
  Line: (d) => say("became", { movement: d.movement ?? "", left: list(d.left), right: list(d.right) }),
  Load: (d) => say("comesOutAtAndAtKg", { movement: d.movement ?? "", left: list(d.left), right: list(d.right) }),
  Days: (d) => say("movedFromTo", { movement: d.movement ?? "", left: dayNames(d.left), right: dayNames(d.right) }),
  Week: (d) => say("hereThere", { left: weekName(d.left), right: weekName(d.right) }),
};

/** What changed, as a sentence. */
export const differenceSentence = (d: BlockDifference) => says[d.kind](d);
