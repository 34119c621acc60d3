import type { PackLoad, Piece } from "../api/types";
import { type Step, lastDone, loadOf, type Place } from "./session";

const isSame = (a: Piece, b: Piece) =>
  a.sort === b.sort && a.size.value === b.size.value && a.size.unit === b.size.unit;

/** The first list without what the second one has, piece by piece. */
function without(pieces: readonly Piece[], others: readonly Piece[]) {
  const left = [...pieces];
  for (const other of others) {
    const at = left.findIndex((p) => isSame(p, other));
    if (at >= 0) left.splice(at, 1);
  }
  return left;
}

/** What has to be done to a belt: what stays on, what comes off, and what goes on. */
export interface Moves {
  stay: Piece[];
  off: Piece[];
  on: Piece[];
}

export function movesTo(from: readonly Piece[], to: readonly Piece[]): Moves {
  const off = without(from, to);
  return { stay: without(from, off), off, on: without(to, from) };
}

/** Is load put on for this step, or could it be? */
const hangs = (step: Step) =>
  (step.item.plan?.loads ?? []).some((l) => l.pieces.length > 0) ||
  step.item.pack.choices.some((c) => c.pieces.length > 0);

/** What lies on the belt now: that of the last set for which something was put on or taken off. */
export function onBelt(steps: readonly Step[], place: Place): Piece[] {
  const last = lastDone(steps.filter(hangs));
  if (!last) return [];
  const used = last.set!.added;
  const known: PackLoad[] = [loadOf(last, place), ...(last.item.plan?.loads ?? []), ...last.item.pack.choices];
  return known.find((l) => l.added.value === used.value && l.added.unit === used.unit)?.pieces ?? [];
}
