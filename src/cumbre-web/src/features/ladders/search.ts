import type { Ladder, Movement } from "../../shared/api/types";

/** Every word must be found somewhere; case and dashes do not matter. */
function finds(texts: string[], words: string) {
  const place = fold(texts.join(" "));
  return fold(words)
    .split(" ")
    .every((word) => place.includes(word));
}

function fold(text: string) {
  return text.toLowerCase().replaceAll("-", " ").replaceAll("’", "'").trim();
}

/** By name, alias, pattern, muscle or kit. */
export function matchesMovement(m: Movement, words: string) {
  return finds([m.name, ...m.aliases, m.pattern, ...m.primeMovers, ...m.kit], words);
}

/** By name, skill, pattern, step or movement. */
export function matchesLadder(l: Ladder, words: string) {
  return finds([l.name, l.skill, l.pattern, ...l.steps.flatMap((s) => [s.name, s.movementName])], words);
}
