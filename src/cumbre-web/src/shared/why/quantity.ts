import type { MassUnit, Quantity } from "../api/types";
import { added, dayShort, inUnit, mass, number, plural } from "../ui/format";
import { wordOf } from "./words";
import { say } from "../../words/why";

/** A typed figure as the reader sees it. */
export function text(q: Quantity | undefined, unit: MassUnit): string {
  if (!q) return "";
  const n = q.number ?? 0;
  switch (q.kind) {
    case "Mass":
      return mass(n, unit);
    case "AddedLoad":
      return added(n, unit);
    case "Percent":
      return `${number(n, 1)} %`;
    case "Reps":
      return say("repCount", { count: n, n: number(n, 1) });
    case "Reserve":
      return say("inReserve", { n: number(n) });
    case "Sets":
      return plural(n, "set");
    case "Seconds":
      return `${number(n)} s`;
    case "Days":
      return plural(n, "day");
    case "Weeks":
      return plural(n, "week");
    case "Count":
    case "Number":
      return number(n);
    case "Pain":
      return say("tenth", { n: number(n) });
    case "Date":
      return q.date ? dayShort(q.date) : "";
    case "Name":
      return q.code ?? "";
    case "Moment":
      return `${number(n, 1)} N·m`;
    case "MomentSeconds":
      return `${number(n)} N·m·s`;
    case "Force":
      return `${number(n)} N`;
    case "Degrees":
      return `${number(n, 1)}°`;
    case "Centimetres":
      return say("centimetres", { n: number(n, 1) });
    case "Code":
      return wordOf(q.code ?? "");
    case "Pieces":
      return q.pieces?.length ? q.pieces.map((p) => number(inUnit(p, unit))).join(" + ") : say("nothing");
  }
}

/** The bare number, for an expression whose unit stands at its result. */
export function bare(q: Quantity | undefined, unit: MassUnit): string {
  if (!q) return "";
  if (q.kind === "Mass" || q.kind === "AddedLoad") return number(Math.abs(inUnit(q.number ?? 0, unit)));
  return number(q.number ?? 0);
}
