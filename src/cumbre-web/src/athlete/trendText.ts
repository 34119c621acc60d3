import type { MassUnit, MovementPage, Trend, TrendMeasure, TrendPoint } from "../api/types";
import { contacts } from "../session/painPlaces";
import { inUnit, mass, number, unitName } from "../ui/format";

const contactNames = Object.values(contacts);

/** What a movement is followed in, as a heading says it. */
export const measureName: Record<TrendMeasure, string> = {
  OneRepMax: "One-rep maximum",
  Reps: "Reps",
  Seconds: "Hold",
  Contact: "Contact",
  Box: "Box",
  Assistance: "Assistance",
};

/** The unit behind a figure; empty where it is a word. */
export const unitOf = (measure: TrendMeasure, unit: MassUnit) =>
  ({ OneRepMax: unitName[unit], Reps: "reps", Seconds: "s", Contact: "", Box: "cm", Assistance: unitName[unit] })[
    measure
  ];

/** A value in the reader's unit, as a number on an axis. */
export const axisValue = (measure: TrendMeasure, value: number, unit: MassUnit) =>
  measure === "OneRepMax" || measure === "Assistance" ? inUnit(value, unit) : value;

/** A figure as people say it: 100.9 kg, 11 s, chest, 15 kg assistance. */
export function valueText(measure: TrendMeasure, value: number, unit: MassUnit) {
  if (measure === "OneRepMax") return mass(value, unit, 1);
  if (measure === "Assistance") return `${mass(value, unit, 1)} assistance`;
  if (measure === "Contact") return contactNames[Math.round(value)] ?? "";
  return `${number(value, 1)} ${measure === "Reps" && value === 1 ? "rep" : unitOf(measure, unit)}`;
}

/** What counts, and over how many sets. */
export function countsText(trend: Pick<Trend, "measure" | "sets">) {
  if (trend.measure === "OneRepMax") return "system mass, by Epley, with the range of seven formulas";
  if (trend.measure === "Contact") return "lowest contact of the session";
  if (trend.measure === "Box") return "height of the box; lower is harder";
  if (trend.measure === "Assistance") return "assistance in use; less is harder";
  if (trend.sets === 1) return "best set of the session";
  return `set ${trend.sets} of ${trend.sets}, best first; the best as a whisker`;
}

/** The value of one day, of each side where they differ. */
export function nowText(measure: TrendMeasure, points: TrendPoint[], unit: MassUnit) {
  if (points.length === 0) return "–";
  const sides = points.filter((p) => p.side !== null);
  if (sides.length === 0) return valueText(measure, points[0]!.best, unit);
  return [...sides]
    .sort((a, b) => (a.side === "Left" ? -1 : 1) - (b.side === "Left" ? -1 : 1))
    .map((p) => `${p.side === "Left" ? "L" : "R"} ${valueText(measure, p.best, unit)}`)
    .join(", ");
}

const reasons = {
  NoThreshold: () => "no threshold ahead",
  TooFewPoints: (points: number) =>
    points === 0
      ? "nothing measured with this set-up"
      : `${points === 1 ? "one day" : `${points} days`} measured with this set-up; a trend needs four`,
  NotRising: () => "the trend does not rise",
  TooFar: () => "over a year away at this trend",
  Stepwise: () => "it moves in steps, not along a line",
};

/** When the next threshold may be reached, or why nobody can say. */
export function forecastText(f: Trend["forecast"]) {
  if (f.from !== null && f.to !== null)
    return f.to === 0
      ? "the estimate is there: test it"
      : f.from === f.to
        ? `in about ${weeks(f.to)}`
        : `in ${f.from} to ${weeks(f.to)}`;
  return f.reason ? `No forecast yet: ${reasons[f.reason](f.points)}.` : "";
}

const weeks = (n: number) => `${n} ${n === 1 ? "week" : "weeks"}`;

/** What a threshold is for: tuck front lever achieved. */
export const lineText = (line: NonNullable<Trend["ahead"]>) =>
  `${line.term.need}: ${line.step} ${line.opens ? "opens" : "achieved"}`;

export type Exposure = MovementPage["history"][number];
