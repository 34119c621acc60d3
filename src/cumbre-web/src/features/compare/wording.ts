import type { BlockDifference, DayOfWeek, DifferenceKind, MassUnit, WeekKind } from "../../shared/api/types";
import { weekdays } from "../../shared/generation/wording";
import { weekKinds } from "../../shared/blocks/wording";
import { shownLine } from "../../shared/notation/shownLine";
import { added } from "../../shared/ui/format";
import { say as word } from "../../words/common";
import { say } from "../../words/compare";

const each = (texts: string[], shown: (text: string) => string) => [...new Set(texts)].map(shown).join("; ");

const lines = (written: string[], unit: MassUnit) => each(written, (line) => shownLine(line, unit));

/** Loads come as kilograms, those of one line as "40 / 32.5". */
const loads = (kilograms: string[], unit: MassUnit) =>
  each(kilograms, (line) =>
    line === ""
      ? word("none")
      : line
          .split(" / ")
          .map((load) => added(Number(load), unit))
          .join(" / "),
  );

const dayNames = (days: string[]) =>
  days.map((d) => weekdays.find((w) => w.day === (d as DayOfWeek))?.name ?? d).join(", ");

const weekName = (kinds: string[]) =>
  kinds[0] ? say("week", { weekKinds: weekKinds[kinds[0] as WeekKind] }) : say("noWeek");

const says: Record<DifferenceKind, (d: BlockDifference, unit: MassUnit) => string> = {
  MovementIn: (d, unit) => say("isNew", { movement: d.movement ?? "", right: lines(d.right, unit) }),
  MovementOut: (d, unit) => say("isGoneItWas", { movement: d.movement ?? "", left: lines(d.left, unit) }),
  Line: (d, unit) =>
    say("became", { movement: d.movement ?? "", left: lines(d.left, unit), right: lines(d.right, unit) }),
  Load: (d, unit) =>
    say("comesOutAtAndAt", { movement: d.movement ?? "", left: loads(d.left, unit), right: loads(d.right, unit) }),
  Days: (d) => say("movedFromTo", { movement: d.movement ?? "", left: dayNames(d.left), right: dayNames(d.right) }),
  Week: (d) => say("hereThere", { left: weekName(d.left), right: weekName(d.right) }),
};

/** What changed, as a sentence in the reader's unit. */
export const differenceSentence = (d: BlockDifference, unit: MassUnit) => says[d.kind](d, unit);
