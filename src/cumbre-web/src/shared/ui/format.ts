import type { Mass, MassUnit } from "../api/types";
import { say as word } from "../../words/common";
import { perHabits } from "../../words/habits";
import { say } from "../../words/ui";

/** Kilograms in one international pound, exact by definition; for display only. */
const kilogramsPerPound = 0.45359237;

const numbers = perHabits(({ locale }) => ({
  one: new Intl.NumberFormat(locale, { maximumFractionDigits: 1 }),
  two: new Intl.NumberFormat(locale, { maximumFractionDigits: 2 }),
}));

export const unitName: Record<MassUnit, string> = { Kg: say("kg"), Lb: say("lb") };

export function inUnit(kilograms: number, unit: MassUnit) {
  return unit === "Lb" ? kilograms / kilogramsPerPound : kilograms;
}

/** A number as people write it: no trailing zeros, at most two decimals, a true minus sign. */
export function number(value: number, decimals: 1 | 2 = 2) {
  const text = (decimals === 1 ? numbers().one : numbers().two).format(value);
  return text === "-0" ? "0" : text.replace("-", "−");
}

/** What is there of some words, with commas between. */
export const listed = (...parts: (string | false | null | undefined)[]) =>
  parts.filter(Boolean).join(word("listComma"));

/** A mass in pounds that plates of pounds make keeps its quarters; any other conversion has one decimal. */
function figure(kilograms: number, unit: MassUnit, decimals: 1 | 2) {
  const value = inUnit(kilograms, unit);
  const stamped = Math.abs(value * 4 - Math.round(value * 4)) < 0.01;
  return number(value, unit === "Lb" && !stamped ? 1 : decimals);
}

/** Body mass, system mass, e1RM. */
export function mass(kilograms: number, unit: MassUnit, decimals: 1 | 2 = 2) {
  return `${figure(kilograms, unit, decimals)} ${unitName[unit]}`;
}

/** A load added to the body, with its sign; zero is bodyweight. */
export function added(kilograms: number, unit: MassUnit) {
  const value = figure(kilograms, unit, 2);
  return value === "0" ? say("bodyweight") : `${kilograms > 0 ? "+" : ""}${value} ${unitName[unit]}`;
}

/** A mass in the unit in which it was written, or in the reader's. */
export function written(entry: Mass, unit: MassUnit) {
  return entry.unit === unit ? `${number(entry.value)} ${unitName[unit]}` : mass(toKilograms(entry), unit, 1);
}

/** A load as it was written, with its sign. */
export function writtenAdded(entry: Mass, unit: MassUnit) {
  return entry.value === 0 ? say("bodyweight") : `${entry.value > 0 ? "+" : ""}${written(entry, unit)}`;
}

export function toKilograms(entry: Mass) {
  return entry.unit === "Lb" ? entry.value * kilogramsPerPound : entry.value;
}

/** Minutes and seconds: 2:30. */
export function clock(seconds: number) {
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;
}

export function minutes(seconds: number) {
  return say("min", { round: Math.round(seconds / 60) });
}

function parse(day: string) {
  const [y, m, d] = day.split("-").map(Number);
  return new Date(y ?? 1970, (m ?? 1) - 1, d ?? 1);
}

const days = perHabits(({ locale, hours }) => {
  const hourCycle = hours === 24 ? "h23" : "h12";
  const of = (options: Intl.DateTimeFormatOptions) => new Intl.DateTimeFormat(locale, options);
  return {
    short: of({ day: "numeric", month: "short" }),
    shortYear: of({ day: "numeric", month: "short", year: "numeric" }),
    weekday: of({ weekday: "short", day: "numeric", month: "short" }),
    full: of({ weekday: "short", day: "numeric", month: "short", year: "numeric" }),
    time: of({ hour: "numeric", minute: "2-digit", hourCycle }),
    moment: of({ weekday: "short", day: "numeric", month: "short", hour: "numeric", minute: "2-digit", hourCycle }),
  };
});

export function dayShort(day: string, today?: string) {
  return today && day.slice(0, 4) !== today.slice(0, 4)
    ? days().shortYear.format(parse(day))
    : days().short.format(parse(day));
}

export const dayWeek = (day: string) => days().weekday.format(parse(day));
export const dayFull = (day: string) => days().full.format(parse(day));

/** An instant, on the clock of this device. */
export function moment(instant: string) {
  return days().moment.format(new Date(instant));
}

/** The time of an instant, on the clock of this device. */
export const timeOf = (instant: string) => days().time.format(new Date(instant));

/** Whole days from one date to another. */
export function daysBetween(from: string, to: string) {
  return Math.round((parse(to).getTime() - parse(from).getTime()) / 86_400_000);
}

/** A number of things, for instance "3 sets". */
export function plural(
  n: number,
  thing:
    | "set"
    | "rep"
    | "day"
    | "week"
    | "item"
    | "exercise"
    | "step"
    | "movement"
    | "session"
    | "change"
    | "station"
    | "athlete",
) {
  return word(thing, { n });
}

/** With a capital first letter. */
export const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
