import { useEffect, useEffectEvent, useSyncExternalStore } from "react";

/** Something that can be done from the palette. */
export interface Command {
  id: string;
  label: string;
  run: () => void;
}

let offered: readonly Command[] = [];
const listeners = new Set<() => void>();

function change(to: readonly Command[]) {
  offered = to;
  listeners.forEach((listener) => listener());
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** What the page in view and its frame offer; the page's own come first. */
export const useOffered = () => useSyncExternalStore(subscribe, () => offered);

/** Offers commands in the palette for as long as the component is there. A command that cannot be done now is left out. */
export function useCommands(commands: readonly (Command | false)[]) {
  const now = commands.filter((c) => c !== false);
  const latest = useEffectEvent((id: string) => now.find((c) => c.id === id)?.run());
  const shape = JSON.stringify(now.map(({ id, label }) => [id, label]));
  useEffect(() => {
    const mine = (JSON.parse(shape) as [string, string][]).map(([id, label]) => ({ id, label, run: () => latest(id) }));
    change([...mine, ...offered]);
    return () => change(offered.filter((c) => !mine.includes(c)));
  }, [shape]);
}
