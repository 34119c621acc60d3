/** Undo and redo over whole states. Steps that share a mark, such as typing in one line, are undone together. */
export interface History<T> {
  past: { state: T; mark: string | null }[];
  now: T;
  future: T[];
  mark: string | null;
}

const most = 200;

export function begin<T>(now: T): History<T> {
  return { past: [], now, future: [], mark: null };
}

export function advance<T>(history: History<T>, next: T, mark: string | null = null): History<T> {
  if (next === history.now) return history;
  if (mark !== null && mark === history.mark) return { ...history, now: next, future: [] };
  return {
    past: [...history.past, { state: history.now, mark: history.mark }].slice(-most),
    now: next,
    future: [],
    mark,
  };
}

/** A change that is no step of its own: it is made in every state, so that undo and redo do not meet it. */
export function amend<T>(history: History<T>, change: (state: T) => T): History<T> {
  return {
    ...history,
    past: history.past.map((p) => ({ ...p, state: change(p.state) })),
    now: change(history.now),
    future: history.future.map(change),
  };
}

export function undo<T>(history: History<T>): History<T> {
  const last = history.past.at(-1);
  return last
    ? { past: history.past.slice(0, -1), now: last.state, future: [history.now, ...history.future], mark: null }
    : history;
}

export function redo<T>(history: History<T>): History<T> {
  const [next, ...rest] = history.future;
  return next === undefined
    ? history
    : { past: [...history.past, { state: history.now, mark: null }], now: next, future: rest, mark: null };
}
