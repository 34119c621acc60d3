import type { Mass, MassUnit } from "../api/types";
import { say } from "../../words/ui";

/** Kilograms in one international pound, exact by definition; for display only. */
const kilogramsPerPound = 0.45359237;

const oneDecimal = new Intl.NumberFormat("en", { maximumFractionDigits: 1 });
const twoDecimals = new Intl.NumberFormat("en", { maximumFractionDigits: 2 });

export const unitName: Record<MassUnit, string> = { Kg: "kg", Lb: "lb" };

export function inUnit(kilograms: number, unit: MassUnit) {
  return unit === "Lb" ? kilograms / kilogramsPerPound : kilograms;
}

/** A number as people write it: no trailing zeros, at most two decimals, a true minus sign. */
export function number(value: number, decimals: 1 | 2 = 2) {
  const text = (decimals === 1 ? oneDecimal : twoDecimals).format(value);
  return text === "-0" ? "0" : text.replace("-", "−");
}

/** Body mass, system mass, e1RM. */
export function mass(kilograms: number, unit: MassUnit, decimals: 1 | 2 = 2) {
  return `${number(inUnit(kilograms, unit), decimals)} ${unitName[unit]}`;
}

/** A load added to the body, with its sign; zero is bodyweight. */
export function added(kilograms: number, unit: MassUnit) {
  const value = number(inUnit(kilograms, unit));
  return value === "0" ? say("bodyweight") : `${kilograms > 0 ? "+" : ""}${value} ${unitName[unit]}`;
}

/** A mass in the unit in which it was written, or in the reader's. */
export function written(entry: Mass, unit: MassUnit) {
  return entry.unit === unit
    ? `${number(entry.value)} ${unitName[unit]}`
    : mass(entry.unit === "Lb" ? entry.value * kilogramsPerPound : entry.value, unit);
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

const short = new Intl.DateTimeFormat(undefined, { day: "numeric", month: "short" });
const shortYear = new Intl.DateTimeFormat(undefined, { day: "numeric", month: "short", year: "numeric" });
const weekday = new Intl.DateTimeFormat(undefined, { weekday: "short", day: "numeric", month: "short" });
const full = new Intl.DateTimeFormat(undefined, { weekday: "short", day: "numeric", month: "short", year: "numeric" });

export function dayShort(day: string, today?: string) {
  return today && day.slice(0, 4) !== today.slice(0, 4) ? shortYear.format(parse(day)) : short.format(parse(day));
}

export const dayWeek = (day: string) => weekday.format(parse(day));
export const dayFull = (day: string) => full.format(parse(day));

/** An instant, on the clock of this device. */
export function moment(instant: string) {
  return onTheClock.format(new Date(instant));
}

const onTheClock = new Intl.DateTimeFormat(undefined, {
  weekday: "short",
  day: "numeric",
  month: "short",
  hour: "numeric",
  minute: "2-digit",
});

/** Whole days from one date to another. */
export function daysBetween(from: string, to: string) {
  return Math.round((parse(to).getTime() - parse(from).getTime()) / 86_400_000);
}

export function plural(count: number, one: string, many = `${one}s`) {
  return `${number(count)} ${count === 1 ? one : many}`;
}

/** With a capital first letter. */
export const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
