import type { MassUnit } from "../api/types";
import { inUnit, number, toKilograms, unitName } from "../ui/format";

/** Loads with their unit at the end: "+20 kg", "+20 / +10 / 0 kg", "-12.5 lb". */
const loads = /((?:[+-]?\d+(?:\.\d+)?)(?: \/ [+-]?\d+(?:\.\d+)?)*) (kg|lb)\b/g;

/** A written line with its loads in the reader's unit, to be read and not to be edited. */
export function shownLine(line: string, unit: MassUnit) {
  return line.replace(loads, (whole, figures: string, written: string) =>
    written === unitName[unit]
      ? whole
      : `${figures.replace(/\d+(?:\.\d+)?/g, (figure) => converted(Number(figure), unit))} ${unitName[unit]}`,
  );
}

const converted = (value: number, to: MassUnit) =>
  number(inUnit(toKilograms({ value, unit: to === "Lb" ? "Kg" : "Lb" }), to), 1);
