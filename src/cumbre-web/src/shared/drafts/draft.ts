import { Problem } from "../api/client";
import { alike } from "./merge";
import { advance, amend, begin, redo, undo, type History } from "./history";
import { say } from "../../words/drafts";

/** How far storing is. `unreachable`: nobody answers, it is tried again; `refused`: the server read it and says no. */
export type SaveState = "saved" | "waiting" | "saving" | "unreachable" | "refused" | "clash";

/** A version that is stored. */
export interface Stored<T> {
  doc: T;
  version: number;
}

/** One place that was written here and elsewhere. The draft holds what was written here until somebody decides. */
export interface Clash<T> {
  key: string;
  where: string;
  mine: string;
  theirs: string;
  take: (doc: T) => T;
  /** Where the draft does not hold what was written here. */
  keep?: (doc: T) => T;
}

export interface Merged<T> {
  doc: T;
  clashes: Clash<T>[];
}

/** What is edited, and how it is stored. */
export interface Kind<T> {
  /** In words, for a list of what is not stored yet, and where it is edited. */
  title: string;
  path: string;
  /** Stored by itself a moment after the last change; else when `store` is called. */
  auto: boolean;
  /** Must be safe to repeat: an answer may be lost after it was taken. */
  send: (doc: T, version: number) => Promise<{ version: number }>;
  /** Reads what a conflict says is stored now. */
  theirs: (current: unknown) => Stored<T> | null;
  merge: (base: T, mine: T, theirs: T) => Merged<T>;
  onStored?: () => void;
}

/** As it lies on the device. */
export interface Kept<T> {
  title: string;
  path: string;
  at: string;
  version: number;
  base: T;
  mine: T;
  /** What went up and has no answer. */
  sent?: T[];
}

export interface DraftSnapshot<T> {
  now: T;
  saved: Stored<T>;
  state: SaveState;
  failure: Problem | null;
  clashes: readonly Clash<T>[];
  /** When what lay on the device was typed, if that is what one sees. */
  restored: string | null;
  dirty: boolean;
  canUndo: boolean;
  canRedo: boolean;
}

const quiet = 700;
const patience = (tries: number) => Math.min(15_000, 500 * 2 ** tries);
const prefix = "cumbre-draft:";

/**
 * What somebody edits: undo and redo, kept on the device from the first key on, stored by itself, merged with what others wrote
 * meanwhile. It lives on when its page is left, until it is stored.
 */
export class Draft<T> {
  private history: History<T>;
  private saved: Stored<T>;
  /** What went up and has no answer: it may be stored. */
  private unanswered: T[] = [];
  private clashes: Clash<T>[] = [];
  private failure: Problem | null = null;
  private restored: string | null = null;
  /** When what is not stored was first typed, where another window did. */
  private typedAt: string | null = null;
  private sending = false;
  private unreachable = false;
  private closed = false;
  private tries = 0;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private readonly listeners = new Set<() => void>();
  private shown!: DraftSnapshot<T>;

  constructor(
    readonly key: string,
    stored: Stored<T>,
    private kind: Kind<T>,
  ) {
    this.saved = stored;
    this.history = begin(stored.doc);
    const kept = readKept<T>(key);
    if (kept && !alike(kept.mine, stored.doc)) {
      const { doc, clashes } =
        kept.version === stored.version || kept.sent?.some((doc) => alike(doc, stored.doc))
          ? { doc: kept.mine, clashes: [] }
          : kind.merge(kept.base, kept.mine, stored.doc);
      this.history = advance(this.history, doc);
      this.clashes = clashes;
      this.restored = this.typedAt = kept.at;
    }
    this.settle();
    this.later();
  }

  /** The page shows another version, or has another way to store. */
  renew(stored: Stored<T>, kind: Kind<T>) {
    this.kind = kind;
    if (stored.version > this.saved.version && !this.sending) this.adopt(stored);
  }

  subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    open.set(this.key, this as Draft<unknown>);
    return () => {
      this.listeners.delete(listener);
      if (this.listeners.size > 0) return;
      // What was to be stored and found nobody goes on trying.
      if (this.dirty && (this.kind.auto || this.unreachable)) void this.flush();
      else this.end();
    };
  };

  snapshot = () => this.shown;

  /** Steps with one mark, such as typing in one place, are undone together. */
  edit = (change: (doc: T) => T, mark: string | null = null) => {
    this.failure = null;
    this.move((h) => advance(h, change(h.now), mark));
  };

  /** No step of its own for undo. */
  quietly = (change: (doc: T) => T) => this.move((h) => amend(h, change));

  /** What is typed next in the same place is a step of its own. */
  pause = () => {
    this.history = { ...this.history, mark: null };
  };

  undo = () => this.move(undo);

  redo = () => this.move(redo);

  /** Stores now; `anyway`: also what is as it was begun with. */
  store = (anyway = false) => this.flush(anyway);

  /** Throws away what is not stored. */
  discard = () => {
    this.clashes = [];
    this.failure = null;
    this.restored = this.typedAt = null;
    this.move(() => begin(this.saved.doc));
  };

  /** Of one place, or of all, what stands here or what is stored. */
  decide = (whose: "mine" | "theirs", key?: string) => {
    const decided = this.clashes.filter((c) => key === undefined || c.key === key);
    this.clashes = this.clashes.filter((c) => !decided.includes(c));
    const chosen = decided.flatMap((c) => (whose === "mine" ? (c.keep ?? []) : c.take));
    this.move((h) =>
      advance(
        h,
        chosen.reduce((doc, apply) => apply(doc), h.now),
      ),
    );
  };

  /** The notice of what was restored has been read. */
  seen = () => {
    this.restored = null;
    this.tell();
  };

  get dirty() {
    return this.history.now !== this.saved.doc && !alike(this.history.now, this.saved.doc);
  }

  /** What waits for nothing but a moment goes up by itself; all else is asked before its page is left. */
  get asksOnLeaving() {
    return this.kind.auto ? this.dirty && (this.unreachable || this.blocked) && !this.sending : this.dirty;
  }

  get isWatched() {
    return this.listeners.size > 0;
  }

  /** The server is there again. */
  hurry = () => {
    if (!this.unreachable) return;
    this.tries = 0;
    void this.flush();
  };

  close() {
    clearTimeout(this.timer);
    this.closed = true;
  }

  private move(step: (history: History<T>) => History<T>) {
    this.history = step(this.history);
    this.tell();
    this.later();
  }

  private later() {
    if (this.closed || !this.kind.auto || !this.dirty || this.blocked || this.unreachable) return;
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.flush(), quiet);
  }

  private get blocked() {
    return this.sending || this.clashes.length > 0 || this.failure !== null;
  }

  private async flush(anyway = false): Promise<boolean> {
    clearTimeout(this.timer);
    if (this.closed || this.sending || this.clashes.length > 0) return false;
    if (!this.dirty && !anyway) {
      this.end();
      return true;
    }
    this.sending = true;
    this.failure = null;
    const doc = this.history.now;
    // Of what went up in an outage the first can be stored, or the last: the rest would only fill the device.
    if (!this.unanswered.includes(doc))
      this.unanswered = [...this.unanswered.slice(0, 1), ...this.unanswered.slice(1).slice(-1), doc];
    this.tell();
    let stored = false;
    try {
      const { version } = await this.kind.send(doc, this.saved.version);
      this.saved = { doc, version };
      this.unanswered = [];
      this.unreachable = false;
      // What was restored stays told until it is seen: it is stored within a second.
      this.typedAt = null;
      this.tries = 0;
      stored = true;
    } catch (error) {
      this.fail(error, doc);
    } finally {
      this.sending = false;
    }
    this.tell();
    if (stored) {
      this.kind.onStored?.();
      if (!this.dirty) this.end();
    }
    this.later();
    // What others wrote is in it now: whoever asked for it to be stored still does.
    return stored || this.clashes.length > 0 || this.failure || this.unreachable || this.kind.auto
      ? stored
      : this.flush();
  }

  private fail(error: unknown, sent: T) {
    const problem = error instanceof Problem ? error : new Problem(0, {}, say("itCouldNotBeStored"));
    const theirs = problem.isConflict ? this.kind.theirs(problem.current) : null;
    if (theirs) {
      this.unreachable = false;
      // An answer that was lost: what is stored is what went up, this time or before.
      const own = this.unanswered.find((doc) => alike(theirs.doc, doc));
      this.unanswered = [];
      if (own === undefined) this.adopt(theirs);
      else this.saved = { doc: own, version: theirs.version };
    } else if (problem.isRefusal) {
      this.unreachable = false;
      // This one is not stored; what went up before it may be.
      this.unanswered = this.unanswered.filter((doc) => doc !== sent);
      this.failure = problem;
    } else {
      this.unreachable = true;
      if (!this.closed) this.timer = setTimeout(() => void this.flush(), patience(this.tries++));
    }
  }

  /** Others wrote: what only they changed is taken, what only I changed stays. */
  private adopt(theirs: Stored<T>) {
    const { doc, clashes } = this.kind.merge(this.saved.doc, this.history.now, theirs.doc);
    this.saved = theirs;
    this.clashes = clashes;
    this.history = alike(doc, theirs.doc)
      ? advance(this.history, theirs.doc)
      : advance(this.history, alike(doc, this.history.now) ? this.history.now : doc);
    this.tell();
    this.later();
  }

  private tell() {
    this.settle();
    this.listeners.forEach((l) => l());
  }

  private settle() {
    const { dirty } = this;
    this.shown = {
      now: this.history.now,
      saved: this.saved,
      state:
        this.clashes.length > 0
          ? "clash"
          : this.sending
            ? "saving"
            : this.failure
              ? "refused"
              : !dirty
                ? "saved"
                : this.unreachable
                  ? "unreachable"
                  : "waiting",
      failure: this.failure,
      clashes: this.clashes,
      restored: this.restored,
      dirty,
      canUndo: this.history.past.length > 0,
      canRedo: this.history.future.length > 0,
    };
    if (dirty) {
      const { title, path } = this.kind;
      const { doc: base, version } = this.saved;
      writeKept(this.key, {
        title,
        path,
        at: this.typedAt ?? new Date().toISOString(),
        version,
        base,
        mine: this.history.now,
        sent: this.unanswered,
      });
    } else localStorage.removeItem(prefix + this.key);
  }

  private end() {
    clearTimeout(this.timer);
    if (!this.isWatched && !(this.dirty && (this.kind.auto || this.unreachable))) open.delete(this.key);
  }
}

const open = new Map<string, Draft<unknown>>();

/** The draft of a key: one that is still on its way to the server goes on. */
export function draftOf<T>(key: string, stored: Stored<T>, kind: Kind<T>): Draft<T> {
  const there = open.get(key) as Draft<T> | undefined;
  if (there) {
    there.renew(stored, kind);
    return there;
  }
  const made = new Draft(key, stored, kind);
  open.set(key, made as Draft<unknown>);
  return made;
}

/** The server is there again: what waits goes up. */
export function hurryDrafts() {
  open.forEach((d) => d.hurry());
}

/** Who was signed in is gone: nothing of theirs goes up as somebody else's. What lies on the device waits for them. */
export function closeDrafts() {
  open.forEach((d) => d.close());
  open.clear();
}

/** Warns before the window is closed while something waits. */
export function warnOnClosing() {
  window.addEventListener("beforeunload", (e) => {
    if ([...open.values()].some((d) => d.dirty)) e.preventDefault();
  });
}

/** How far a draft is that should not be left without a question; null: none. */
export function askingOnLeaving(): SaveState | null {
  return [...open.values()].find((d) => d.isWatched && d.asksOnLeaving)?.snapshot().state ?? null;
}

/** What lies on this device for somebody and is open nowhere in this window. */
export function keptElsewhere(account: string): (Kept<unknown> & { key: string })[] {
  return Object.keys(localStorage)
    .filter((k) => k.startsWith(`${prefix}${account}:`))
    .map((k) => k.slice(prefix.length))
    .filter((key) => !open.get(key)?.isWatched)
    .flatMap((key) => {
      const kept = readKept<unknown>(key);
      return kept ? [{ key, ...kept }] : [];
    });
}

export function dropKept(key: string) {
  open.delete(key);
  localStorage.removeItem(prefix + key);
}

function readKept<T>(key: string): Kept<T> | null {
  try {
    return JSON.parse(localStorage.getItem(prefix + key) ?? "null") as Kept<T> | null;
  } catch {
    return null;
  }
}

function writeKept<T>(key: string, kept: Kept<T>) {
  try {
    localStorage.setItem(prefix + key, JSON.stringify(kept));
  } catch {
    // A full or closed device keeps nothing; the window still warns before it is closed.
  }
}
