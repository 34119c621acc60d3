/**
 * A made-up language for checks: every message is longer, has accents and stands between brackets. What shows none was
 * never a message, what shows them cut is too long for its place, and what shows two in one sentence was joined.
 */
const accents: Record<string, string> = {
  a: "á",
  e: "é",
  i: "í",
  o: "ó",
  u: "ú",
  n: "ñ",
  c: "ç",
  A: "Á",
  E: "É",
  I: "Í",
  O: "Ó",
  U: "Ú",
};

/** Switched on for a device by `localStorage.setItem("cumbre.words", "pseudo")`. */
export const isPseudo = () => globalThis.localStorage?.getItem("cumbre.words") === "pseudo";

/** Changes the words of a message and leaves its placeholders, branches and tags as they are. */
export function pseudo(message: string) {
  // A comma of lists says nothing by itself.
  if (!/[a-z]/i.test(message)) return message;
  let depth = 0;
  let tag = false;
  let words = "";
  let letters = 0;
  for (const c of message) {
    if (c === "{") depth++;
    if (c === "<") tag = true;
    const plain = depth === 0 && !tag;
    if (plain && /[a-z]/i.test(c)) letters++;
    words += plain ? (accents[c] ?? c) : c;
    if (c === "}") depth--;
    if (c === ">") tag = false;
  }
  return `⟦${words}${"~".repeat(Math.ceil(letters * 0.3))}⟧`;
}
