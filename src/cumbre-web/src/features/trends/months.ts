import { perHabits } from "../../words/habits";

const names = perHabits(
  ({ locale }) => new Intl.DateTimeFormat(locale, { month: "long", year: "numeric", timeZone: "UTC" }),
);

/** A month as people say it, of its first seven letters: 2026-03. */
export const monthName = (month: string) => names().format(new Date(`${month}-01T00:00:00Z`));

/** The months from one day to another, each with its days in rows of seven; null: before its first. */
export function monthsOf(from: string, to: string, firstDay: number) {
  const found: { month: string; cells: (string | null)[] }[] = [];
  const first = new Date(`${from.slice(0, 7)}-01T00:00:00Z`);
  for (; first.toISOString().slice(0, 10) <= to; first.setUTCMonth(first.getUTCMonth() + 1)) {
    const month = first.toISOString().slice(0, 7);
    const before = ((first.getUTCDay() || 7) - firstDay + 7) % 7;
    const length = new Date(Date.UTC(first.getUTCFullYear(), first.getUTCMonth() + 1, 0)).getUTCDate();
    found.push({
      month,
      cells: [
        ...Array.from({ length: before }, () => null),
        ...Array.from({ length }, (_, i) => `${month}-${String(i + 1).padStart(2, "0")}`),
      ],
    });
  }
  return found;
}
