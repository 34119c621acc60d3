import { useSyncExternalStore } from "react";

let said = { text: "", count: 0 };
const listeners = new Set<() => void>();

/** Tells a screen reader what a verb just did; nothing is seen of it. */
export function announce(text: string) {
  said = { text, count: said.count + 1 };
  listeners.forEach((listener) => listener());
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** What was said last, and how many times something was said, so that the same words are read again. */
export const useAnnounced = () => useSyncExternalStore(subscribe, () => said);
