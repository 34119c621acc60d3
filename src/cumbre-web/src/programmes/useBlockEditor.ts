import { useCallback, useEffect, useRef, useState } from "react";
import { Problem } from "../api/client";
import type { Block, BlockDto } from "../api/types";
import { same, withBegun } from "./doc";
import { advance, amend, begin, redo, undo, type History } from "./history";
import { useForgetBlocks, useSaveBlock } from "./queries";

/** How far saving is. */
export type SaveState = "saved" | "waiting" | "saving" | "failed" | "conflict";

const quietMilliseconds = 700;

/** A block with its history, saved by itself a moment after the last change. */
export function useBlockEditor(athleteId: string, stored: BlockDto) {
  const [history, setHistory] = useState<History<Block>>(() => begin(stored.block));
  const [saved, setSaved] = useState({ block: stored.block, version: stored.version });
  const [theirs, setTheirs] = useState<BlockDto | null>(null);
  const [failure, setFailure] = useState<Problem | null>(null);
  const save = useSaveBlock(athleteId, stored.id);
  const forget = useForgetBlocks();
  const block = history.now;
  const dirty = block !== saved.block;
  const state: SaveState = theirs
    ? "conflict"
    : failure
      ? "failed"
      : save.isPending
        ? "saving"
        : dirty
          ? "waiting"
          : "saved";

  const { mutateAsync } = save;
  const send = useCallback(
    async (mine: Block, version: number) => {
      try {
        const answer = await mutateAsync({ block: mine, version });
        setSaved({ block: mine, version: answer.version });
        setFailure(null);
        await forget();
      } catch (e) {
        const current = e instanceof Problem && e.isConflict ? (e.current as BlockDto | null) : null;
        // An answer that was lost: what is stored is what was sent.
        if (current && same(current.block, mine)) setSaved({ block: mine, version: current.version });
        else if (current) setTheirs(current);
        else setFailure(e instanceof Problem ? e : new Problem(0, { title: "It could not be saved." }));
      }
    },
    [mutateAsync, forget],
  );

  const blocked = theirs !== null || save.isPending;
  useEffect(() => {
    if (!dirty || blocked) return;
    const timer = setTimeout(() => void send(block, saved.version), quietMilliseconds);
    return () => clearTimeout(timer);
  }, [block, dirty, blocked, saved.version, send]);

  // Leaving the page sends what waits at once.
  const leaving = useRef<() => void>(() => {});
  useEffect(() => {
    leaving.current = () => {
      if (dirty && !blocked) void send(block, saved.version);
    };
  });
  useEffect(() => () => leaving.current(), []);
  useEffect(() => {
    if (!dirty) return;
    const ask = (e: BeforeUnloadEvent) => e.preventDefault();
    window.addEventListener("beforeunload", ask);
    return () => window.removeEventListener("beforeunload", ask);
  }, [dirty]);

  const edit = useCallback((change: (block: Block) => Block, mark: string | null = null) => {
    setFailure(null);
    setHistory((h) => advance(h, change(h.now), mark));
  }, []);

  const quietly = useCallback((change: (block: Block) => Block) => setHistory((h) => amend(h, change)), []);

  return {
    block,
    edit,
    /** No step of its own for undo. */
    quietly,
    state,
    failure,
    theirs,
    version: saved.version,
    stored: saved,
    canUndo: history.past.length > 0,
    canRedo: history.future.length > 0,
    undo: useCallback(() => setHistory(undo), []),
    redo: useCallback(() => setHistory(redo), []),
    retry: () => void send(block, saved.version),
    /** Mine over theirs. */
    keepMine: () => {
      if (!theirs) return;
      setHistory((h) => advance(h, withBegun(h.now, theirs.block)));
      setSaved({ block: theirs.block, version: theirs.version });
      setTheirs(null);
    },
    /** Theirs; mine stays in the history. */
    takeTheirs: () => {
      if (!theirs) return;
      setHistory((h) => advance(h, theirs.block));
      setSaved({ block: theirs.block, version: theirs.version });
      setTheirs(null);
    },
  };
}

export type BlockEditor = ReturnType<typeof useBlockEditor>;
