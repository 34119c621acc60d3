import type { Block, BlockItem, BlockSession } from "../../shared/api/types";
import type { Clash, Merged } from "../../shared/drafts/draft";
import { alike, mergeFields, mergeOrder, pick } from "../../shared/drafts/merge";
import { omit } from "../../shared/drafts/omit";
import { dayWeek, listed } from "../../shared/ui/format";
import { changeItem, changeSession, removeItem, withBegun } from "../../shared/blocks/doc";
import { say } from "../../words/blocks";

type Place = { session: string; item: BlockItem };
type Held = { week: number; session: BlockSession };

const frameOf = (session: BlockSession) => omit(session, "items", "fixed");

function placesOf(block: Block) {
  const items = new Map<string, Place>();
  const sessions = new Map<string, Held>();
  block.weeks.forEach((w, week) =>
    w.sessions.forEach((session) => {
      sessions.set(session.id, { week, session });
      session.items.forEach((item) => items.set(item.id, { session: session.id, item }));
    }),
  );
  return { items, sessions };
}

/**
 * Two versions of a block that grew from one, line by line: what only one changed is taken, and only a line that both changed is
 * asked. What has begun elsewhere stands as it stands there.
 */
export function mergeBlocks(base: Block, mine: Block, theirs: Block): Merged<Block> {
  // Weeks that both moved about cannot be told apart line by line.
  if (base.weeks.length !== mine.weeks.length && base.weeks.length !== theirs.weeks.length && !alike(mine, theirs))
    return { doc: withBegun(mine, theirs), clashes: [whole(mine, theirs)] };
  const clashes: Clash<Block>[] = [];
  const [was, here, there] = [placesOf(base), placesOf(mine), placesOf(theirs)];
  const items = mergeItems(was.items, here.items, there.items, there.sessions, clashes);
  const sessions = mergeSessions(was.sessions, here.sessions, there.sessions, clashes);
  const head = mergeFields(
    { name: base.name, start: base.start },
    { name: mine.name, start: mine.start },
    { name: theirs.name, start: theirs.start },
    (field, doc) => ({ where: field === "name" ? say("theName") : say("theFirstDay"), text: doc[field] }),
  );
  for (const { take, ...c } of head.clashes)
    clashes.push({ ...omit(c, "keep"), take: (b) => ({ ...b, ...take({ name: b.name, start: b.start }) }) });

  const kinds = pick(
    base.weeks.map((w) => w.kind),
    mine.weeks.map((w) => w.kind),
    theirs.weeks.map((w) => w.kind),
  ).value;
  const fill = (id: string): BlockSession => {
    const { session } = sessions.get(id)!;
    if (session.fixed) return session;
    const inside = new Set([...items].flatMap(([key, place]) => (place.session === id ? [key] : [])));
    const orderOf = (held: Map<string, Held>) => held.get(id)?.session.items.map((i) => i.id) ?? [];
    const order = mergeOrder(orderOf(was.sessions), orderOf(here.sessions), orderOf(there.sessions), inside);
    return {
      ...session,
      items: order.map((key, n) => {
        const { item } = items.get(key)!;
        return n === 0 && item.joined ? { ...item, joined: false } : item;
      }),
    };
  };
  const doc: Block = {
    ...head.doc,
    kept: mergeKept(base, mine, theirs),
    weeks: kinds.map((kind, week) => ({
      kind,
      sessions: [...sessions]
        .filter(([, held]) => Math.min(held.week, kinds.length - 1) === week)
        .map(([id]) => fill(id))
        .sort((a, b) => a.day.localeCompare(b.day) || a.id.localeCompare(b.id)),
    })),
  };
  return { doc, clashes };
}

function mergeItems(
  was: Map<string, Place>,
  here: Map<string, Place>,
  there: Map<string, Place>,
  sessions: Map<string, Held>,
  clashes: Clash<Block>[],
) {
  const merged = new Map<string, Place>();
  for (const id of new Set([...here.keys(), ...there.keys()])) {
    const [b, m, t] = [was.get(id), here.get(id), there.get(id)];
    // What has begun is written there and nowhere else.
    if (t && sessions.get(t.session)?.session.fixed) {
      merged.set(id, t);
      continue;
    }
    const { value, clash } = pick(b?.item, m?.item, t?.item);
    const held = (m && t ? pick(b?.session ?? t.session, m.session, t.session).value : (m ?? t)!.session) || "";
    if (value) merged.set(id, { session: held, item: value });
    if (!clash) continue;
    // Taken out here, changed there: it stands until somebody decides.
    if (!value) merged.set(id, { session: held, item: t!.item });
    const day = sessions.get(held)?.session.day;
    clashes.push({
      key: id,
      where: `${day ? `${dayWeek(day)}, ` : ""}${(m ?? t)!.item.movement.replaceAll("-", " ")}`,
      mine: said(m?.item, t?.item),
      theirs: said(t?.item, m?.item),
      take: (block) => (t ? changeItem(block, id, () => t.item) : removeItem(block, id)),
      ...(!m && { keep: (block: Block) => removeItem(block, id) }),
    });
  }
  return merged;
}

function said(item: BlockItem | undefined, other: BlockItem | undefined) {
  if (!item) return say("takenOut");
  const movement = other && item.movement !== other.movement ? `${item.movement.replaceAll("-", " ")}: ` : "";
  return listed(`${movement}${item.line}`, item.joined && !other?.joined && say("inTurnWithTheOneBefore"));
}

function mergeSessions(
  was: Map<string, Held>,
  here: Map<string, Held>,
  there: Map<string, Held>,
  clashes: Clash<Block>[],
) {
  const merged = new Map<string, Held>();
  for (const id of new Set([...here.keys(), ...there.keys()])) {
    const [b, m, t] = [was.get(id), here.get(id), there.get(id)];
    if (t?.session.fixed) {
      merged.set(id, t);
    } else if (m && t) {
      const week = pick(b?.week ?? t.week, m.week, t.week).value;
      const { value, clash } = pick(b && frameOf(b.session), frameOf(m.session), frameOf(t.session));
      merged.set(id, { week, session: { ...m.session, ...value } });
      if (clash)
        clashes.push({
          key: id,
          where: say("theSessionOf", { day: dayWeek(t.session.day) }),
          mine: head(m.session),
          theirs: head(t.session),
          take: (block) => changeSession(block, id, (s) => ({ ...s, ...frameOf(t.session) })),
        });
    } else {
      // Taken out by one: gone, unless the other wrote into it meanwhile.
      const left = (m ?? t)!;
      if (!b || !alike(b.session, left.session)) merged.set(id, left);
    }
  }
  return merged;
}

const head = (s: BlockSession) => listed(dayWeek(s.day), s.title, s.warmUp.text, s.coolDown.text);

/** Reasons for what is kept against a caution: by their key. */
function mergeKept(base: Block, mine: Block, theirs: Block) {
  const of = (block: Block) => new Map(block.kept.map((k) => [k.key, k]));
  const [b, m, t] = [of(base), of(mine), of(theirs)];
  return [...new Set([...m.keys(), ...t.keys()])].flatMap(
    (key) => pick(b.get(key), m.get(key), t.get(key)).value ?? [],
  );
}

function whole(mine: Block, theirs: Block): Clash<Block> {
  const inBrief = (b: Block) =>
    say("weeksSessions", { weeks: b.weeks.length, flatMap: b.weeks.flatMap((w) => w.sessions).length });
  return { key: "weeks", where: say("theWeeks"), mine: inBrief(mine), theirs: inBrief(theirs), take: () => theirs };
}
