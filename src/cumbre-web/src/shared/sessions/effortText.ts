import type { Effort, Load, MassUnit, SessionItem } from "../api/types";
import { added, mass, unitName } from "../ui/format";
import { pieceName } from "../ui/pieces";
import { say } from "../../words/sessions";
import { sideWord } from "../ui/nameWords";

/** What a set asks for: 5, 8–10, 20 s, left. */
export function effortText(e: Effort) {
  const amount =
    e.seconds !== null
      ? `${e.seconds} s`
      : e.repsLow === e.repsHigh
        ? String(e.repsHigh)
        : `${e.repsLow}–${e.repsHigh}`;
  const role = e.role === "Stretch" ? say("stretch") : e.role === "Negative" ? say("lowering") : null;
  return [amount, role, e.side && sideWord[e.side]].filter(Boolean).join(" ");
}

/** How the load of a set is said: at +12.5 kg, with the band red, with the feet, with 9 books. */
export function loadWords(
  load: Pick<Load, "byFeet" | "counted" | "band"> & { made: { value: { number?: number | null } } },
  unit: MassUnit,
) {
  const kilograms = load.made.value.number ?? 0;
  if (load.byFeet) return say("withTheFeet");
  if (load.counted) return say("with", { count: load.counted.count, name: load.counted.name });
  if (load.band) return say("withTheBandAbout", { band: load.band, mass: mass(-kilograms, unit) });
  return say("atLoad", { load: added(kilograms, unit) });
}

/** What hangs: plates largest first, or the vest; a plate of the other unit says so, as its figure is what stands on it. */
export function piecesText(pieces: Load["pieces"], unit: MassUnit) {
  return pieces
    .map((piece) => `${pieceName(piece)}${piece.size.unit === unit ? "" : ` ${unitName[piece.size.unit]}`}`)
    .join(" + ");
}

/** Was it done beyond the plan? */
export const isBeyond = (item: SessionItem, e: Effort) => (item.plan?.efforts ?? []).every((p) => p.set < e.set);

/** The sets of the plan, those that were done beyond it, and on demand one more; each like the last of the plan. */
export function effortsOf(item: SessionItem, oneMore: boolean): Effort[] {
  const planned = item.plan?.efforts ?? [];
  const last = Math.max(0, ...planned.map((e) => e.set));
  const done = Math.max(last, ...item.sets.map((s) => s.set));
  const like = planned.filter((e) => e.set === last);
  const beyond = Array.from({ length: done - last + (oneMore ? 1 : 0) }, (_, i) => last + 1 + i);
  return [...planned, ...beyond.flatMap((set) => like.map((e) => ({ ...e, set, takeOff: [] })))];
}
