import type { Clash, Merged } from "./draft";

export const alike = (a: unknown, b: unknown) => a === b || JSON.stringify(a) === JSON.stringify(b);

/** Of three states of one value: what only one side changed; `clash` where both did, differently. */
export function pick<V>(base: V, mine: V, theirs: V): { value: V; clash: boolean } {
  if (alike(mine, theirs) || alike(theirs, base)) return { value: mine, clash: false };
  return alike(mine, base) ? { value: theirs, clash: false } : { value: mine, clash: true };
}

/** A list without order of its own: what either side added is there, what either took out is not. */
export function mergeSets<V>(base: V[], mine: V[], theirs: V[]): V[] {
  return [
    ...mine.filter((v) => theirs.includes(v) || !base.includes(v)),
    ...theirs.filter((v) => !base.includes(v) && !mine.includes(v)),
  ];
}

/** The order of a list: mine where I changed it, else theirs; what only the other has stands behind what it stood behind there. */
export function mergeOrder(base: string[], mine: string[], theirs: string[], present: Set<string>): string[] {
  const common = base.filter((id) => mine.includes(id) && theirs.includes(id));
  // What both have and nobody began with is mine, stored and not heard of: its order is newer here.
  const moved =
    mine.some((id) => theirs.includes(id) && !base.includes(id)) ||
    !alike(
      common,
      mine.filter((id) => common.includes(id)),
    );
  const [lead, other] = moved ? [mine, theirs] : [theirs, mine];
  const order = lead.filter((id) => present.has(id));
  other.forEach((id, i) => {
    if (!present.has(id) || order.includes(id)) return;
    const before = other.slice(0, i).findLast((x) => order.includes(x));
    order.splice(before === undefined ? 0 : order.indexOf(before) + 1, 0, id);
  });
  return [...order, ...[...present].filter((id) => !order.includes(id))];
}

/** A record field by field. */
export function mergeFields<T extends object>(
  base: T,
  mine: T,
  theirs: T,
  tell: (field: keyof T, doc: T) => { where: string; text: string },
  sets: readonly (keyof T)[] = [],
): Merged<T> {
  const doc = { ...mine };
  const clashes: Clash<T>[] = [];
  for (const field of new Set([...Object.keys(mine), ...Object.keys(theirs)]) as Set<string & keyof T>) {
    if (sets.includes(field)) {
      doc[field] = mergeSets(base[field] as unknown[], mine[field] as unknown[], theirs[field] as unknown[]) as never;
      continue;
    }
    const { value, clash } = pick(base[field], mine[field], theirs[field]);
    doc[field] = value;
    if (clash)
      clashes.push({
        key: field,
        where: tell(field, mine).where,
        mine: tell(field, mine).text,
        theirs: tell(field, theirs).text,
        take: (d) => ({ ...d, [field]: theirs[field] }),
      });
  }
  return { doc, clashes };
}
