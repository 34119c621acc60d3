import { useMemo } from "react";
import type { Block, BlockDto } from "../../shared/api/types";
import type { Kind } from "../../shared/drafts/draft";
import { useDraft } from "../../shared/drafts/useDraft";
import { mergeBlocks } from "./mergeBlocks";
import { announce } from "../../shared/ui/announce";
import { say } from "../../words/blocks";
import { useForgetBlocks, useSaveBlock } from "../../shared/blocks/queries";

/** A block as a draft: undone and redone, kept on the device, stored by itself, merged line by line. */
export function useBlockEditor(athleteId: string, stored: BlockDto) {
  const { id, block, version, athleteName } = stored;
  const { mutateAsync } = useSaveBlock(athleteId, id);
  const forget = useForgetBlocks();
  const kind = useMemo<Kind<Block>>(
    () => ({
      title: `${block.name}, ${athleteName}`,
      path: `/athletes/${athleteId}/blocks/${id}`,
      auto: true,
      send: (doc, at) => mutateAsync({ block: doc, version: at }),
      theirs: (current) => {
        const found = current as BlockDto | null;
        return found && { doc: found.block, version: found.version };
      },
      merge: mergeBlocks,
      onStored: () => void forget(),
    }),
    [athleteId, athleteName, block.name, id, mutateAsync, forget],
  );
  const doc = useMemo(() => ({ doc: block, version }), [block, version]);
  const { draft, now, saved, ...rest } = useDraft(`block:${id}`, doc, kind);
  return {
    ...rest,
    block: now,
    version: saved.version,
    stored: { block: saved.doc, version: saved.version },
    edit: draft.edit,
    quietly: draft.quietly,
    pause: draft.pause,
    undo: () => {
      draft.undo();
      announce(say("announceUndone"));
    },
    redo: () => {
      draft.redo();
      announce(say("announceRedone"));
    },
    retry: draft.store,
    decide: draft.decide,
    seen: draft.seen,
  };
}

export type BlockEditor = ReturnType<typeof useBlockEditor>;
