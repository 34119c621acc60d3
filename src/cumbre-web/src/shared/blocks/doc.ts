import type { Block, BlockItem, BlockSession, BlockWeek, Remedy, WeekKind } from "../api/types";
import { alike } from "../drafts/merge";
import { newId } from "../ui/newId";

/** Pure changes of a block while it is edited. What has begun (`fixed`) is never changed. */

const warmUp = { seconds: 480, text: null };
const coolDown = { seconds: 0, text: null };

export function addDays(day: string, days: number) {
  const date = new Date(`${day}T00:00:00Z`);
  date.setUTCDate(date.getUTCDate() + days);
  return date.toISOString().slice(0, 10);
}

export function mondayOf(day: string) {
  const weekday = (new Date(`${day}T00:00:00Z`).getUTCDay() + 6) % 7;
  return addDays(day, -weekday);
}

/** The first Monday on which a block can begin: today, or the next one. */
export const nextMonday = (today: string) => mondayOf(addDays(today, 6));

/** Four loading weeks, an easy one and a retest, with empty sessions on the athlete's days (1 is Monday). */
export function newBlock(name: string, start: string, days: number[]): Block {
  const kinds: WeekKind[] = ["Loading", "Loading", "Loading", "Loading", "Easy", "Retest"];
  const sessionDays = days.length > 0 ? days : [1, 4];
  return {
    name,
    start,
    kept: [],
    weeks: kinds.map((kind, week) => ({
      kind,
      sessions: sessionDays.toSorted((a, b) => a - b).map((d) => newSession(addDays(start, 7 * week + d - 1))),
    })),
  };
}

export function newSession(day: string, title = ""): BlockSession {
  return { id: newId(), day, title, warmUp, coolDown, items: [], fixed: false };
}

export function newItem(movement: string, line: string): BlockItem {
  return { id: newId(), movement, line, joined: false };
}

export const weekOf = (block: Block, sessionId: string | null) =>
  block.weeks.findIndex((w) => w.sessions.some((s) => s.id === sessionId));

export const sessionOf = (block: Block, sessionId: string | null) =>
  block.weeks.flatMap((w) => w.sessions).find((s) => s.id === sessionId);

export const holderOf = (block: Block, itemId: string) =>
  block.weeks.flatMap((w) => w.sessions).find((s) => s.items.some((i) => i.id === itemId));

/** The sessions that are no longer as they were; null when more than sessions changed. */
export function changedSessions(block: Block, was: Block): BlockSession[] | null {
  const frame = ({ weeks, ...rest }: Block) => ({
    ...rest,
    weeks: weeks.map((w) => ({ ...w, sessions: w.sessions.map((s) => s.id) })),
  });
  if (!alike(frame(block), frame(was))) return null;
  const before = was.weeks.flatMap((w) => w.sessions);
  return block.weeks.flatMap((w) => w.sessions).filter((s, i) => s !== before[i] && !alike(s, before[i]));
}

export function changeWeek(block: Block, week: number, change: (w: BlockWeek) => BlockWeek): Block {
  return { ...block, weeks: block.weeks.map((w, i) => (i === week ? change(w) : w)) };
}

export function changeSession(block: Block, id: string, change: (s: BlockSession) => BlockSession): Block {
  return {
    ...block,
    weeks: block.weeks.map((w) =>
      w.sessions.some((s) => s.id === id && !s.fixed)
        ? { ...w, sessions: w.sessions.map((s) => (s.id === id ? tidy(change(s)) : s)).sort(byDay) }
        : w,
    ),
  };
}

export function changeItem(block: Block, itemId: string, change: (i: BlockItem) => BlockItem): Block {
  const session = holderOf(block, itemId);
  return session
    ? changeSession(block, session.id, (s) => ({ ...s, items: s.items.map((i) => (i.id === itemId ? change(i) : i)) }))
    : block;
}

/** Writes a line as Cumbre does, where it still stands as it was typed; else the block stays the same object. */
export function settleLine(block: Block, itemId: string, typed: string, canonical: string): Block {
  const item = holderOf(block, itemId)?.items.find((i) => i.id === itemId);
  return item?.line === typed && typed !== canonical
    ? changeItem(block, itemId, (i) => ({ ...i, line: canonical }))
    : block;
}

export function addItem(block: Block, sessionId: string, item: BlockItem): Block {
  return changeSession(block, sessionId, (s) => ({ ...s, items: [...s.items, item] }));
}

export function removeItem(block: Block, itemId: string): Block {
  const session = holderOf(block, itemId);
  if (!session) return block;
  return changeSession(block, session.id, (s) => {
    const at = s.items.findIndex((i) => i.id === itemId);
    // What was joined to it stands at the head of what is left of the group.
    const items = s.items.map((i, n) => (n === at + 1 && !s.items[at]!.joined ? { ...i, joined: false } : i));
    return { ...s, items: items.filter((i) => i.id !== itemId) };
  });
}

/** Puts an item before another one, or at the end of a session. */
export function moveItem(block: Block, itemId: string, sessionId: string, before: string | null): Block {
  const from = holderOf(block, itemId);
  const item = from?.items.find((i) => i.id === itemId);
  const target = sessionOf(block, sessionId);
  if (!from || !item || !target || from.fixed || target.fixed || before === itemId) return block;
  const out = removeItem(block, itemId);
  return changeSession(out, sessionId, (s) => {
    const at = before === null ? s.items.length : s.items.findIndex((i) => i.id === before);
    return { ...s, items: [...s.items.slice(0, at), { ...item, joined: false }, ...s.items.slice(at)] };
  });
}

/** One place up or down; at the edge nothing happens. */
export function nudgeItem(block: Block, itemId: string, by: -1 | 1): Block {
  const session = holderOf(block, itemId);
  if (!session) return block;
  const at = session.items.findIndex((i) => i.id === itemId);
  const to = at + by;
  if (to < 0 || to >= session.items.length) return block;
  return changeSession(block, session.id, (s) => {
    const items = [...s.items];
    const [item] = items.splice(at, 1);
    items.splice(to, 0, item!);
    return { ...s, items };
  });
}

/** Joins an item with the one before it, or lets it go; the first of a session joins the second to itself. */
export function pairItem(block: Block, itemId: string): Block {
  const session = holderOf(block, itemId);
  if (!session) return block;
  const at = session.items.findIndex((i) => i.id === itemId);
  const which = at === 0 ? session.items[1]?.id : itemId;
  return which ? changeItem(block, which, (i) => ({ ...i, joined: !i.joined })) : block;
}

/** Writes an item as it is into the same place of the loading weeks after: same weekday, same movement. Says in how many. */
export function repeatItem(block: Block, itemId: string): [Block, number] {
  const session = holderOf(block, itemId);
  const item = session?.items.find((i) => i.id === itemId);
  if (!session || !item) return [block, 0];
  const from = weekOf(block, session.id);
  let count = 0;
  const weeks = block.weeks.map((w, i) => {
    if (i <= from || w.kind !== "Loading") return w;
    const day = addDays(session.day, 7 * (i - from));
    const target = w.sessions.find((s) => s.day === day && !s.fixed);
    if (!target) return w;
    count++;
    const there = target.items.some((x) => x.movement === item.movement);
    const items = there
      ? target.items.map((x) => (x.movement === item.movement ? { ...x, line: item.line } : x))
      : [...target.items, { ...item, id: newId(), joined: false }];
    return { ...w, sessions: w.sessions.map((s) => (s === target ? { ...s, items } : s)) };
  });
  return [{ ...block, weeks }, count];
}

export function addSession(block: Block, week: number, day: string): { block: Block; id: string } {
  const session = newSession(day);
  return {
    block: changeWeek(block, week, (w) => ({ ...w, sessions: [...w.sessions, session].sort(byDay) })),
    id: session.id,
  };
}

export function removeSession(block: Block, id: string): Block {
  return {
    ...block,
    weeks: block.weeks.map((w) => ({ ...w, sessions: w.sessions.filter((s) => s.id !== id || s.fixed) })),
  };
}

/** The first day of a week without a session; its Monday when all are taken. */
export function freeDay(block: Block, week: number) {
  const monday = addDays(block.start, 7 * week);
  const taken = new Set(block.weeks[week]!.sessions.map((s) => s.day));
  return [0, 1, 2, 3, 4, 5, 6].map((d) => addDays(monday, d)).find((d) => !taken.has(d)) ?? monday;
}

function copyOf(session: BlockSession, days: number): BlockSession {
  return {
    ...session,
    id: newId(),
    day: addDays(session.day, days),
    fixed: false,
    items: session.items.map((i) => ({ ...i, id: newId() })),
  };
}

/** Writes the sessions of one week over those of others. What has begun there stays. */
export function copyWeek(block: Block, from: number, targets: number[]): Block {
  const source = block.weeks[from]!;
  return {
    ...block,
    weeks: block.weeks.map((w, i) =>
      targets.includes(i) && i !== from
        ? {
            ...w,
            sessions: [
              ...w.sessions.filter((s) => s.fixed),
              ...source.sessions.map((s) => copyOf(s, 7 * (i - from))),
            ].sort(byDay),
          }
        : w,
    ),
  };
}

/** A new week behind another; those after it move on. Weeks in which something has begun cannot move. */
export function insertWeek(block: Block, after: number): Block {
  const later = block.weeks.slice(after + 1);
  if (later.some((w) => w.sessions.some((s) => s.fixed))) return block;
  return {
    ...block,
    weeks: [
      ...block.weeks.slice(0, after + 1),
      { kind: "Loading", sessions: [] },
      ...later.map((w) => ({ ...w, sessions: w.sessions.map((s) => ({ ...s, day: addDays(s.day, 7) })) })),
    ],
  };
}

export function removeWeek(block: Block, week: number): Block {
  const later = block.weeks.slice(week + 1);
  if (block.weeks.length === 1 || [block.weeks[week]!, ...later].some((w) => w.sessions.some((s) => s.fixed)))
    return block;
  return {
    ...block,
    weeks: [
      ...block.weeks.slice(0, week),
      ...later.map((w) => ({ ...w, sessions: w.sessions.map((s) => ({ ...s, day: addDays(s.day, -7) })) })),
    ],
  };
}

/** Another Monday for the whole block. */
export function moveStart(block: Block, start: string): Block {
  const days = Math.round((Date.parse(start) - Date.parse(block.start)) / 86_400_000);
  if (block.weeks.some((w) => w.sessions.some((s) => s.fixed))) return block;
  return {
    ...block,
    start,
    weeks: block.weeks.map((w) => ({ ...w, sessions: w.sessions.map((s) => ({ ...s, day: addDays(s.day, days) })) })),
  };
}

/** What one press does about a caution. */
export function applyRemedy(block: Block, remedy: Remedy): Block {
  const { item } = remedy;
  switch (remedy.kind) {
    case "Line":
      return item && remedy.line ? changeItem(block, item, (i) => ({ ...i, line: remedy.line! })) : block;
    case "Substitute":
      return item && remedy.movement
        ? changeItem(block, item, (i) => ({ ...i, movement: remedy.movement!, line: remedy.line ?? i.line }))
        : block;
    case "Remove":
      return item ? removeItem(block, item) : block;
    case "Join":
      return item ? changeItem(block, item, (i) => ({ ...i, joined: true })) : block;
    case "Move":
      return remedy.session && remedy.day
        ? changeSession(block, remedy.session, (s) => ({ ...s, day: remedy.day! }))
        : block;
  }
}

export function keep(block: Block, key: string, reason: string): Block {
  return { ...block, kept: [...block.kept.filter((k) => k.key !== key), { key, reason }] };
}

export function unkeep(block: Block, key: string): Block {
  return { ...block, kept: block.kept.filter((k) => k.key !== key) };
}

/** A version of a block with what has begun elsewhere as it stands there: that cannot be written over. */
export function withBegun(mine: Block, theirs: Block): Block {
  const begun = theirs.weeks.flatMap((w) => w.sessions).filter((s) => s.fixed);
  if (begun.length === 0) return mine;
  const ids = new Set(begun.map((s) => s.id));
  return {
    ...mine,
    weeks: mine.weeks.map((w, i) => {
      const monday = addDays(mine.start, 7 * i);
      const here = begun.filter((s) => s.day >= monday && s.day < addDays(monday, 7));
      return { ...w, sessions: [...w.sessions.filter((s) => !ids.has(s.id)), ...here].sort(byDay) };
    }),
  };
}

function byDay(a: BlockSession, b: BlockSession) {
  return a.day.localeCompare(b.day) || a.id.localeCompare(b.id);
}

/** Nothing stands before the first item for it to be joined to. */
function tidy(session: BlockSession): BlockSession {
  return session.items[0]?.joined
    ? { ...session, items: session.items.map((i, n) => (n === 0 ? { ...i, joined: false } : i)) }
    : session;
}
