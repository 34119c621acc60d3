/** How a person reads numbers, dates and clocks. */
export interface Habits {
  /** A language with a region, or with a script before it. */
  locale: string;
  /** Of the clock. */
  hours: 12 | 24;
  /** Of the week: 1 is Monday, 7 Sunday. */
  firstDay: number;
}

/** What somebody chose; what is null is left to the browser. */
export interface ChosenHabits {
  locale: string | null;
  hours: number | null;
  firstDay: number | null;
}

/** Regions whose ways of writing are offered. The words stay English. */
export const regions = [
  "GB",
  "IE",
  "US",
  "CA",
  "AU",
  "NZ",
  "IN",
  "ZA",
  "SG",
  "150",
  "AT",
  "BE",
  "CH",
  "DE",
  "DK",
  "FI",
  "NL",
  "SE",
] as const;

/** English as the browser's own region writes it. */
function ofTheBrowser() {
  const { language, region } = new Intl.Locale(globalThis.navigator?.language ?? "en-US").maximize();
  return `en-${region ?? (language === "en" ? "US" : "150")}`;
}

const clockOf = (locale: string) =>
  new Intl.DateTimeFormat(locale, { hour: "numeric" }).resolvedOptions().hour12 ? 12 : 24;

/** Some engines give the facts of a week by a method, some by a property, some not at all. */
function firstDayOf(locale: string) {
  const told = new Intl.Locale(locale) as Intl.Locale & {
    getWeekInfo?: () => { firstDay: number };
    weekInfo?: { firstDay: number };
  };
  return (told.getWeekInfo?.() ?? told.weekInfo)?.firstDay ?? 1;
}

export function habitsOf(chosen: ChosenHabits): Habits {
  const locale = chosen.locale ?? ofTheBrowser();
  return {
    locale,
    hours: chosen.hours === 12 || chosen.hours === 24 ? chosen.hours : clockOf(locale),
    firstDay: chosen.firstDay ?? firstDayOf(locale),
  };
}

let current = habitsOf({ locale: null, hours: null, firstDay: null });

export const habits = () => current;

/** Everything that is written from now on follows them; what is on screen has to be drawn again. */
export function setHabits(chosen: ChosenHabits) {
  const next = habitsOf(chosen);
  if (JSON.stringify(next) !== JSON.stringify(current)) current = next;
}

/** The days of the week in the reader's order: 1 is Monday, 7 Sunday. */
export const weekInOrder = () => Array.from({ length: 7 }, (_, i) => ((current.firstDay - 1 + i) % 7) + 1);

/** Makes something once for each change of habits, for formatters are dear. */
export function perHabits<T>(make: (habits: Habits) => T): () => T {
  let madeFor: Habits | null = null;
  let made: T;
  return () => {
    if (madeFor !== current) {
      made = make(current);
      madeFor = current;
    }
    return made;
  };
}
