import type { TrendTime } from "../api/types";

export const msOfDay = 86_400_000;
const daysOfWeek = 7;

/** A day of the calendar as an instant, free of any summer time. */
export const at = (day: string) => Date.parse(`${day}T00:00:00Z`);

export const dayOf = (instant: number) => new Date(instant).toISOString().slice(0, 10);

export const weekLater = (day: string, weeks = 1) => dayOf(at(day) + weeks * daysOfWeek * msOfDay);

export const mondayOf = (day: string) => {
  const instant = at(day);
  return dayOf(instant - ((new Date(instant).getUTCDay() + 6) % daysOfWeek) * msOfDay);
};

/** The Mondays of every week from one day to another. */
export function mondays(from: string, to: string) {
  const found: string[] = [];
  for (let monday = mondayOf(from); monday <= to; monday = weekLater(monday)) found.push(monday);
  return found;
}

/** Weeks one after the other as one stretch, so that a hatch has no seams. */
export function stretches(mondays: string[]) {
  const found: { from: string; to: string }[] = [];
  for (const monday of mondays) {
    const last = found.at(-1);
    if (last?.to === monday) last.to = weekLater(monday);
    else found.push({ from: monday, to: weekLater(monday) });
  }
  return found;
}

/** Days at which an axis is marked: the first of months, or Mondays where few weeks are shown. */
export function ticks(from: string, to: string, most: number) {
  const days: string[] = [];
  const weeks = (at(to) - at(from)) / msOfDay / daysOfWeek;
  if (weeks <= 20)
    for (let day = mondayOf(from); day <= to; day = weekLater(day, Math.max(1, Math.ceil(weeks / most))))
      days.push(day);
  else {
    const step = Math.max(1, Math.ceil(weeks / 4.35 / most));
    for (const first = new Date(`${from.slice(0, 7)}-01T00:00:00Z`); first.getTime() <= at(to);)
      if (days.push(dayOf(first.getTime()))) first.setUTCMonth(first.getUTCMonth() + step);
  }
  return days.filter((d) => d >= from && d <= to);
}

/** Where a block begins within the time that is shown. */
export const begins = (time: TrendTime) => time.blocks.filter((b) => b.start > time.from);
