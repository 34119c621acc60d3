import { contactWord } from "../athletes/painPlaces";
import type { LoggedSet, MassUnit, PackItem, PackLoad, Piece, SessionPack, WalkStep } from "../api/types";
import { loadWords } from "../sessions/effortText";
import { capital, dayShort, mass, toKilograms, unitName, written, writtenAdded } from "../ui/format";
import { sideWord } from "../ui/nameWords";
import { pieceName } from "../ui/pieces";
import { say } from "../../words/run";
import type { RunItem, Step } from "./session";

/** What a step asks for, as large as can be: the figure and its unit. */
export function targetOf({ effort }: Step): { figure: string; unit: string } {
  if (effort.seconds !== null) return { figure: String(effort.seconds), unit: say("seconds") };
  const figure =
    effort.repsLow === effort.repsHigh || endsByItself(effort.role)
      ? String(effort.repsHigh)
      : say("repsRange", { low: effort.repsLow, high: effort.repsHigh });
  return { figure, unit: say("reps", { n: effort.repsHigh }) };
}

/** The set ends when nothing is left: its figure is only expected. */
export const endsByItself = (role: Step["effort"]["role"]) => role === "Max" || role === "Burst";

/** How many steps a set has, and which one this is. */
export function whereIn(step: Step) {
  const efforts = step.item.plan?.efforts ?? [];
  const sets = Math.max(...efforts.map((e) => e.set));
  const parts = efforts.filter((e) => e.set === step.effort.set).length;
  const { set, part } = step.effort;
  if (set > sets) return say("beyond", { set });
  // The sides of a set have their names.
  return parts > 1 && step.effort.side === null
    ? say("setPartOf", { set, sets, part, parts })
    : say("setOf", { set, sets });
}

/** Added load as it is said at the bar: at +12.5 kg, with the red band, with 9 books. */
export function loadText(load: PackLoad, unit: MassUnit) {
  if (load.byFeet || load.counted || load.band)
    return loadWords(
      {
        made: { value: { number: toKilograms(load.added) } },
        byFeet: load.byFeet,
        counted: load.counted,
        band: load.band,
      },
      unit,
    );
  if (load.added.value < 0) return say("withAssistance", { mass: mass(-toKilograms(load.added), unit, 1) });
  return load.added.value === 0 ? say("nothingOn") : say("atLoad", { load: writtenAdded(load.added, unit) });
}

export const piecesText = (pieces: readonly Piece[], unit: MassUnit) =>
  pieces.map((p) => `${pieceName(p)}${p.size.unit === unit ? "" : ` ${unitName[p.size.unit]}`}`).join(" + ");

type ShortSet = Pick<LoggedSet, "reps" | "seconds" | "total" | "added" | "contact">;

/** What was done of one set, without its load: 5, 8 s, 4 clean of 5. */
export const amountText = (set: Pick<ShortSet, "reps" | "seconds" | "total">, bare = false) =>
  set.seconds !== null
    ? `${set.seconds}${bare ? "" : ` ${say("seconds")}`}`
    : set.total !== null && set.total > set.reps
      ? say("cleanOf", { clean: set.reps, all: set.total })
      : String(set.reps);

/** What was done in a set: 5 at +15 kg, 8 s, 4 of 5. */
export function doneText(set: Omit<ShortSet, "contact">, unit: MassUnit) {
  const amount = amountText(set);
  return set.added.value === 0
    ? amount
    : say("doneAt", { amount, load: set.added.value > 0 ? `+${written(set.added, unit)}` : written(set.added, unit) });
}

/** Sets as short as a coach notes them: 10, 10, 8 at +6.25 kg; each with its load where those differ. */
export function setsText(sets: readonly ShortSet[], unit: MassUnit) {
  const [first] = sets;
  if (!first) return "";
  const loads = new Set(sets.map((s) => toKilograms(s.added)));
  if (loads.size > 1) return sets.map((s) => doneText(s, unit)).join(", ");
  const amounts = sets.map((s) => `${amountText(s, true)}${s.contact ? ` ${contactWord[s.contact]}` : ""}`).join(", ");
  const held = first.seconds !== null ? ` ${say("seconds")}` : "";
  const load = first.added.value === 0 ? "" : ` ${say("atLoad", { load: writtenAdded(first.added, unit) })}`;
  return `${amounts}${held}${load}`;
}

/** The last time, as short as a coach notes it; null: there was none. */
export function lastText(item: PackItem, unit: MassUnit) {
  if (!item.last || item.last.sets.length === 0) return null;
  const { sets, day } = item.last;
  return say("lastTime", { day: dayShort(day), done: setsText(sets, unit) });
}

/** The name of a step with its side. */
export const stepName = ({ item, effort }: Step) =>
  effort.side ? say("nameSide", { name: item.movement.name, side: sideWord[effort.side] }) : item.movement.name;

/** How an item was set up last time, part by part. */
export function setUpText(item: RunItem) {
  const parts = item.movement.setUp
    .map((field) => [field.name, item.pack.setUp[field.name]] as const)
    .filter(([, value]) => value);
  return parts.length === 0 ? null : capital(parts.map(([name, value]) => `${name} ${value}`).join(", "));
}

/** The rest as it is called. */
export const restName: Record<WalkStep["rest"], string> = {
  None: say("changeOver"),
  Gap: say("gap"),
  Set: say("rest"),
  Slot: say("slotOver"),
};

/** What a session is called: by its title, or by its only exercise. */
export const titleOf = (pack: SessionPack) =>
  pack.title || (pack.items.length === 1 ? pack.items[0]!.movement.name : say("oneSession"));

/** A whiteboard line as it is read in passing: without tempo, rest, grip and what comes after a success. */
export const doseText = (line: string) =>
  line
    .replace(/ then \+?\S+( kg| lb)?/g, "")
    .replace(/ (tempo \S+|rest \S+( to \S+)?|gap \S+( s| breaths)?)/g, "")
    .replace(/ grip \S+( \/ \S+)*/g, "")
    .replace(/ (\d+ in reserve)/g, ", $1")
    .replace(/(\d)\.\.(\d)/g, "$1–$2")
    .replace(/ x /g, " × ")
    .replace(/ @ /g, ` ${say("at")} `)
    .trim();
