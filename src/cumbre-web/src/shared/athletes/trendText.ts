import type { MassUnit, MovementPage, Trend, TrendMeasure, TrendPoint } from "../api/types";
import { contactWord } from "./painPlaces";
import { figure } from "../ladders/wording";
import { inUnit, mass, number, plural, unitName } from "../ui/format";
import { say as word } from "../../words/common";
import { say } from "../../words/athletes";

const contactNames = Object.values(contactWord);

/** What a movement is followed in, as a heading says it. */
export const measureName: Record<TrendMeasure, string> = {
  OneRepMax: say("oneRepMaximum"),
  Reps: say("measureReps"),
  Seconds: say("measureSeconds"),
  Contact: say("measureContact"),
  Box: say("measureBox"),
  Assistance: say("measureAssistance"),
  Pads: say("measurePads"),
};

/** The unit behind a figure; empty where it is a word. */
export const unitOf = (measure: TrendMeasure, unit: MassUnit) =>
  ({
    OneRepMax: unitName[unit],
    Reps: word("repsUnit"),
    Seconds: say("secondsUnit"),
    Contact: "",
    Box: say("centimetresUnit"),
    Assistance: unitName[unit],
    Pads: "",
  })[measure];

/** A value in the reader's unit, as a number on an axis. */
export const axisValue = (measure: TrendMeasure, value: number, unit: MassUnit) =>
  measure === "OneRepMax" || measure === "Assistance" ? inUnit(value, unit) : value;

/** A figure as people say it: 100.9 kg, 11 s, chest, 15 kg assistance. */
export function valueText(measure: TrendMeasure, value: number, unit: MassUnit) {
  if (measure === "OneRepMax") return mass(value, unit, 1);
  if (measure === "Assistance") return say("assistance", { value: mass(value, unit, 1) });
  if (measure === "Pads") return say("pads", { pads: value });
  if (measure === "Contact") return contactNames[Math.round(value)] ?? "";
  if (measure === "Reps" && Number.isInteger(value)) return plural(value, "rep");
  return `${number(value, 1)} ${unitOf(measure, unit)}`;
}

/** What counts, and over how many sets. */
export function countsText(trend: Pick<Trend, "measure" | "sets">) {
  if (trend.measure === "OneRepMax") return say("systemMassByEpleyWithTheRange");
  if (trend.measure === "Contact") return say("lowestContactOfTheSession");
  if (trend.measure === "Box") return say("heightOfTheBoxLowerIsHarder");
  if (trend.measure === "Assistance") return say("assistanceInUseLessIsHarder");
  if (trend.measure === "Pads") return say("padsInUseFewerIsHarder");
  if (trend.sets === 1) return say("bestSetOfTheSession");
  return say("setOfBestFirstTheBestAs", { sets: trend.sets });
}

/** The value of one day, of each side where they differ. */
export function nowText(measure: TrendMeasure, points: TrendPoint[], unit: MassUnit) {
  if (points.length === 0) return "–";
  const sides = points.filter((p) => p.side !== null);
  if (sides.length === 0) return valueText(measure, points[0]!.best, unit);
  return [...sides]
    .sort((a, b) => (a.side === "Left" ? -1 : 1) - (b.side === "Left" ? -1 : 1))
    .map((p) => say(p.side === "Left" ? "leftShort" : "rightShort", { value: valueText(measure, p.best, unit) }))
    .join(", ");
}

const reasons = {
  NoThreshold: () => say("noThresholdAhead"),
  TooFewPoints: (points: number) =>
    points === 0 ? say("nothingMeasuredWithThisSetUp") : say("measuredWithThisSetUpATrend", { points }),
  NotRising: () => say("theTrendDoesNotRise"),
  TooFar: () => say("overAYearAwayAtThisTrend"),
  Stepwise: () => say("itMovesInStepsNotAlongA"),
};

/** When the next threshold may be reached, or why nobody can say. */
export function forecastText(f: Trend["forecast"]) {
  if (f.from !== null && f.to !== null)
    return f.to === 0
      ? say("theEstimateIsThereTestIt")
      : f.from === 0
        ? say("withinWeeks", { to: f.to })
        : f.from === f.to
          ? say("inAbout", { weeks: f.to })
          : say("inWeeks", { from: f.from, to: f.to });
  return f.reason ? say("noForecastYet", { points: reasons[f.reason](f.points) }) : "";
}

/** What a threshold is for: tuck front lever achieved. */
export const lineText = (line: NonNullable<Trend["ahead"]>, unit: MassUnit) =>
  say(line.opens ? "needOpens" : "needAchieves", { need: figure(line.term.need, unit), step: line.step });

export type Exposure = MovementPage["history"][number];
