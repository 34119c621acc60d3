import { useEffect, useReducer, useRef, useState } from "react";
import type { LadderEntry } from "../../api/types";
import { history, type History, type HistoryAction } from "./draft";

interface Kept {
  version: number;
  entry: LadderEntry;
}

/** The draft of a ladder: undo, redo, and kept in this tab so that a reload loses nothing. */
export function useDraft(key: string, stored: LadderEntry, version: number) {
  const place = `cumbre-draft-${key}`;
  const [begun] = useState(() => start(place, stored, version));
  const [state, dispatch] = useReducer(history<LadderEntry>, begun.history);
  const typing = useRef<string | null>(null);
  const dirty = JSON.stringify(state.now) !== JSON.stringify(stored);
  useEffect(() => {
    if (dirty)
      sessionStorage.setItem(place, JSON.stringify({ version: begun.version, entry: state.now } satisfies Kept));
    else sessionStorage.removeItem(place);
  }, [dirty, place, state.now, begun.version]);
  const act = (action: HistoryAction<LadderEntry>) => {
    if (action.type !== "set") typing.current = null;
    dispatch(action);
  };
  return {
    draft: state.now,
    /** On which the draft was begun: somebody may have written since, which a save finds out. */
    version: begun.version,
    dirty,
    canUndo: state.past.length > 0,
    canRedo: state.future.length > 0,
    undo: () => act({ type: "undo" }),
    redo: () => act({ type: "redo" }),
    reset: (to: LadderEntry) => act({ type: "reset", to }),
    /** `field` names what is typed into: going on typing there is one step of undo. */
    set: (to: LadderEntry, field?: string) => {
      const merge = field !== undefined && typing.current === field;
      typing.current = field ?? null;
      dispatch({ type: "set", to, merge });
    },
    forget: () => sessionStorage.removeItem(place),
  };
}

function start(
  place: string,
  stored: LadderEntry,
  version: number,
): { version: number; history: History<LadderEntry> } {
  try {
    const kept = JSON.parse(sessionStorage.getItem(place) ?? "null") as Kept | null;
    if (kept) return { version: kept.version, history: { past: [stored], now: kept.entry, future: [] } };
  } catch {
    sessionStorage.removeItem(place);
  }
  return { version, history: { past: [], now: stored, future: [] } };
}
