import type { components } from "../../shared/api/schema";

/** What is asked of the log, as it stands in the address. */
export interface LogFilter {
  athlete?: string;
  movement?: string;
  from?: string;
  to?: string;
  form?: NonNullable<components["schemas"]["FormVerdict"]>;
  easy?: boolean;
  pain?: true;
  corrected?: true;
  reserve?: number;
  text?: string;
}

/** Session by session in an order of days or names, or set by set from the highest figure. */
export type LogOrder = NonNullable<components["schemas"]["LogOrder"]> | components["schemas"]["LogFigure"];

const orders: readonly LogOrder[] = ["Newest", "Oldest", "Athlete", "Load", "Amount", "Pain"];

/** The figure by which sets come; null: they come session by session. */
export const figureOf = (order: LogOrder) =>
  order === "Load" || order === "Amount" || order === "Pain" ? order : null;
const day = /^\d{4}-\d{2}-\d{2}$/;
const id = /^[0-9a-f-]{36}$/;

/** Reads an address; what cannot be meant is left out. */
export function filterOf(address: URLSearchParams): LogFilter {
  const get = (name: string, fits: RegExp) => {
    const value = address.get(name);
    return value !== null && fits.test(value) ? value : undefined;
  };
  const form = address.get("form");
  const easy = address.get("easy");
  const found: Record<keyof LogFilter, unknown> = {
    athlete: get("athlete", id),
    movement: get("movement", /^[a-z0-9-]+$/),
    from: get("from", day),
    to: get("to", day),
    form: form === "Clean" || form === "Broken" ? form : undefined,
    easy: easy === "yes" ? true : easy === "no" ? false : undefined,
    pain: address.get("pain") === "yes" ? true : undefined,
    corrected: address.get("corrected") === "yes" ? true : undefined,
    reserve: get("reserve", /^\d$/) === undefined ? undefined : Number(address.get("reserve")),
    text: address.get("text")?.slice(0, 60) || undefined,
  };
  return Object.fromEntries(Object.entries(found).filter(([, value]) => value !== undefined));
}

export const orderOf = (address: URLSearchParams): LogOrder =>
  orders.find((o) => o === address.get("order")) ?? "Newest";

/** The address of a filter: a yes or no as a word, everything else as it is. */
export function addressOf(filter: LogFilter, order: LogOrder = "Newest") {
  const address = new URLSearchParams();
  for (const [name, value] of Object.entries(filter)) {
    if (value === undefined || value === "") continue;
    address.set(name, typeof value === "boolean" ? (value ? "yes" : "no") : String(value));
  }
  if (order !== "Newest") address.set("order", order);
  return address;
}

/** The same, whatever the day. */
export const anyDay = (filter: LogFilter): LogFilter =>
  Object.fromEntries(Object.entries(filter).filter(([name]) => name !== "from" && name !== "to"));

/** The last day of the week that begins on a day. */
export function sundayOf(monday: string) {
  const end = new Date(`${monday}T00:00Z`);
  end.setUTCDate(end.getUTCDate() + 6);
  return end.toISOString().slice(0, 10);
}
