import type { Pick } from "../api/types";

/** Movements that hold every word typed: in name, alias, pattern, kit or as a level. Names that begin so come first. */
export function search(all: Pick[], typed: string): Pick[] {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0) return all;
  const level = /\blevel (\d+)\b/.exec(typed.toLowerCase())?.[1];
  const plain = level ? words.filter((w) => w !== "level" && w !== level) : words;
  return all
    .filter((m) => {
      const text = [m.name, ...m.aliases, m.pattern, ...m.kit].join(" ").toLowerCase();
      return plain.every((w) => text.includes(w)) && (!level || m.level === Number(level));
    })
    .sort((a, b) => rank(a, typed) - rank(b, typed) || a.name.localeCompare(b.name));
}

function rank(m: Pick, typed: string) {
  const [name, text] = [m.name.toLowerCase(), typed.toLowerCase().trim()];
  const place =
    name === text ? 0 : name.startsWith(text) ? 1 : m.aliases.some((a) => a.toLowerCase().startsWith(text)) ? 2 : 3;
  // Of equals, what can be trained first.
  return place * 10 + (m.status === "Locked" || m.status === "Ahead" ? 1 : 0) + (m.kitMissing ? 2 : 0);
}
