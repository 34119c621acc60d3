import { useSyncExternalStore } from "react";

const key = "cumbre.single-keys";
const listeners = new Set<() => void>();

function read() {
  return localStorage.getItem(key) !== "off";
}

/** Single-letter verbs can be switched off by people whose voice or switch control types letters. */
export function useSingleKeys(): [on: boolean, set: (on: boolean) => void] {
  const on = useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    read,
    () => true,
  );
  return [
    on,
    (next) => {
      localStorage.setItem(key, next ? "on" : "off");
      listeners.forEach((l) => l());
    },
  ];
}
