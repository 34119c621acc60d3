import type { DayOfWeek, GenerateRequest } from "../../shared/api/types";
import { weekdays } from "../../shared/generation/wording";
import { mondayOf } from "../../shared/blocks/doc";
import { say } from "../../words/generate";

/** The fields as they are typed. */
export interface WishFields {
  name: string;
  start: string;
  days: DayOfWeek[];
  minutes: string;
  loadingWeeks: string;
}

export type Faults = Partial<Record<keyof WishFields, string>>;

const whole = (typed: string) => (/^\d{1,4}$/.test(typed.trim()) ? Number(typed) : null);

/** The wish that the fields make, or what is wrong with them. What is left empty is as the intake says, or as usual. */
export function readWish(fields: WishFields): { wish: GenerateRequest; faults: null } | { wish: null; faults: Faults } {
  const faults: Faults = {};
  const [minutes, loadingWeeks] = [whole(fields.minutes), whole(fields.loadingWeeks)];
  if (!fields.name.trim()) faults.name = say("giveItAName");
  if (!fields.start) faults.start = say("chooseADayOfTheFirstWeek");
  if (minutes === null && fields.minutes.trim()) faults.minutes = say("aWholeNumber10To240");
  if (loadingWeeks === null && fields.loadingWeeks.trim()) faults.loadingWeeks = say("aWholeNumber1To8");
  if (Object.keys(faults).length > 0) return { wish: null, faults };
  return {
    wish: {
      name: fields.name.trim(),
      start: mondayOf(fields.start),
      days: fields.days.length > 0 ? fields.days : null,
      minutes,
      loadingWeeks,
    },
    faults: null,
  };
}

/** What the address asks for: a review of the last block leads here. What it does not say, or says wrongly, is null. */
export function wishOf(search: URLSearchParams) {
  const start = search.get("start");
  const days = (search.get("days") ?? "").split(" ").filter((d): d is DayOfWeek => weekdays.some((w) => w.day === d));
  return {
    start: start && /^\d{4}-\d{2}-\d{2}$/.test(start) ? start : null,
    days: days.length > 0 ? days : null,
    minutes: search.get("minutes"),
    loadingWeeks: search.get("weeks"),
  };
}
