/** A value of a line that Tab selects. */
export interface Value {
  start: number;
  end: number;
}

// A tempo, a clock time, a number with its sign, or a grip.
const values =
  /\d+-\d+-(?:\d+|[xX])-\d+|\d+:\d\d|[+−-]?\d+(?:[.,]\d+)?|\b(?:wide|medium|narrow|under|neutral|bottom|top(?=\s*$))\b/g;

/** The first value that starts at or after a place; null past the last one. */
export function nextValue(line: string, from: number): Value | null {
  for (const match of line.matchAll(values))
    if (match.index >= from) return { start: match.index, end: match.index + match[0].length };
  return null;
}
