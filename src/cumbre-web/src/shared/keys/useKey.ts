import { useHotkeys } from "react-hotkeys-hook";
import { isSingle, keymap, type KeyId } from "./keymap";
import { useSingleKeys } from "./useSingleKeys";

interface Options {
  enabled?: boolean;
  /** Also while a field has the focus. */
  inFields?: boolean;
}

/** Binds a key of the map; what it returns makes the key count only inside an element, once it is put on one. */
export function useKey<T extends HTMLElement>(id: KeyId, run: () => void, { enabled = true, inFields }: Options = {}) {
  const [singleKeys] = useSingleKeys();
  const entry = keymap[id];
  // "?" lies on another key with each layout: it is told by what it types.
  const typed = entry.keys === "?";
  return useHotkeys<T>(typed ? "shift+?, ?" : entry.keys, run, {
    enabled: enabled && (!isSingle(entry) || singleKeys),
    enableOnFormTags: inFields,
    preventDefault: id !== "close",
    useKey: typed,
  });
}
