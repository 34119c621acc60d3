import { useEffect, useReducer, useRef } from "react";
import type { LadderEntry } from "../../api/types";
import { history, type History, type HistoryAction } from "./draft";

interface Kept {
  version: number;
  entry: LadderEntry;
}

/** The draft of a ladder: undo, redo, and kept in this tab so that a reload loses nothing. */
export function useDraft(key: string, stored: LadderEntry, version: number) {
  const place = `cumbre-draft-${key}`;
  const [state, dispatch] = useReducer(history<LadderEntry>, null, () => start(place, stored, version));
  const typing = useRef<string | null>(null);
  const dirty = JSON.stringify(state.now) !== JSON.stringify(stored);
  useEffect(() => {
    if (dirty) sessionStorage.setItem(place, JSON.stringify({ version, entry: state.now } satisfies Kept));
    else sessionStorage.removeItem(place);
  }, [dirty, place, state.now, version]);
  const act = (action: HistoryAction<LadderEntry>) => {
    if (action.type !== "set") typing.current = null;
    dispatch(action);
  };
  return {
    draft: state.now,
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

function start(place: string, stored: LadderEntry, version: number): History<LadderEntry> {
  try {
    const kept = JSON.parse(sessionStorage.getItem(place) ?? "null") as Kept | null;
    if (kept?.version === version) return { past: [stored], now: kept.entry, future: [] };
  } catch {
    sessionStorage.removeItem(place);
  }
  return { past: [], now: stored, future: [] };
}
