import { say } from "../../words/keys";

export type KeyScope = "everywhere" | "decisions" | "lines" | "editing" | "bar" | "logbook";

export interface KeyEntry {
  scope: KeyScope;
  /** In the notation of react-hotkeys-hook; several are parted by a comma. */
  keys: string;
  what: string;
}

/** Every key that does something beyond what the platform gives. The list of keys and the bindings are both made from it. */
export const keymap = {
  palette: { scope: "everywhere", keys: "mod+k", what: say("palette") },
  help: { scope: "everywhere", keys: "?", what: say("help") },
  close: { scope: "everywhere", keys: "escape", what: say("close") },
  next: { scope: "decisions", keys: "j", what: say("next") },
  previous: { scope: "decisions", keys: "k", what: say("previous") },
  accept: { scope: "decisions", keys: "a", what: say("accept") },
  acceptTogether: { scope: "decisions", keys: "h", what: say("acceptTogether") },
  edit: { scope: "decisions", keys: "e", what: say("edit") },
  later: { scope: "decisions", keys: "l", what: say("later") },
  why: { scope: "decisions", keys: "w", what: say("why") },
  others: { scope: "decisions", keys: "o", what: say("others") },
  undoDecision: { scope: "decisions", keys: "z", what: say("undoDecision") },
  nextValue: { scope: "lines", keys: "tab", what: say("nextValue") },
  nextLine: { scope: "lines", keys: "enter", what: say("nextLine") },
  offers: { scope: "lines", keys: "ctrl+space", what: say("offers") },
  pair: { scope: "lines", keys: "mod+g", what: say("pair") },
  moveUp: { scope: "lines", keys: "alt+up", what: say("moveUp") },
  moveDown: { scope: "lines", keys: "alt+down", what: say("moveDown") },
  substitute: { scope: "lines", keys: "alt+s", what: say("substitute") },
  deleteLine: { scope: "lines", keys: "alt+delete", what: say("deleteLine") },
  form: { scope: "lines", keys: "f2", what: say("form") },
  undo: { scope: "editing", keys: "mod+z", what: say("undo") },
  redo: { scope: "editing", keys: "mod+shift+z,mod+y", what: say("redo") },
  rowDown: { scope: "logbook", keys: "j", what: say("rowDown") },
  rowUp: { scope: "logbook", keys: "k", what: say("rowUp") },
  correct: { scope: "logbook", keys: "e", what: say("correct") },
  fold: { scope: "logbook", keys: "o", what: say("fold") },
  go: { scope: "bar", keys: "g", what: say("go") },
  oneMore: { scope: "bar", keys: "up", what: say("oneMore") },
  oneLess: { scope: "bar", keys: "down", what: say("oneLess") },
  undoSet: { scope: "bar", keys: "u", what: say("undoSet") },
  pain: { scope: "bar", keys: "p", what: say("pain") },
  moreOfSet: { scope: "bar", keys: "m", what: say("moreOfSet") },
} as const satisfies Record<string, KeyEntry>;

export type KeyId = keyof typeof keymap;

export const scopes: Record<KeyScope, string> = {
  everywhere: say("everywhere"),
  decisions: say("decisions"),
  lines: say("lines"),
  editing: say("editing"),
  bar: say("bar"),
  logbook: say("logbook"),
};

const names: Record<string, string> = {
  mod: say("ctrl"),
  ctrl: say("ctrl"),
  alt: say("alt"),
  shift: say("shift"),
  space: say("space"),
  delete: say("delete"),
  escape: say("escape"),
  tab: say("tab"),
  enter: say("enter"),
  up: "↑",
  down: "↓",
};

/** The caps of the first of an entry's keys, for instance Ctrl and K. */
export const capsOf = ({ keys }: KeyEntry) =>
  keys
    .split(",")[0]!
    .split("+")
    .map((part) => names[part] ?? part.toUpperCase());

/** A key without Ctrl, Alt or Meta that types something: people whose voice or switch control types can turn it off. */
export const isSingle = ({ keys }: KeyEntry) => /^[a-z?]$/.test(keys);

const eventKeys: Record<string, string> = { up: "arrowup", down: "arrowdown", space: " " };

/** Is this the event of an entry, in a field that handles its own keys? */
export function isKey(e: Pick<KeyboardEvent, "key" | "ctrlKey" | "metaKey" | "altKey" | "shiftKey">, id: KeyId) {
  return keymap[id].keys.split(",").some((one) => {
    const parts = one.split("+");
    const key = parts.at(-1)!;
    return (
      e.key.toLowerCase() === (eventKeys[key] ?? key) &&
      e.altKey === parts.includes("alt") &&
      e.shiftKey === parts.includes("shift") &&
      (parts.includes("mod") ? e.ctrlKey || e.metaKey : e.ctrlKey === parts.includes("ctrl") && !e.metaKey)
    );
  });
}
