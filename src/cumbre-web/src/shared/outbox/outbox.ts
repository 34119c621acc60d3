import { Problem } from "../api/client";

/** Something to be stored: the newest body of a key replaces an older one that still waits. */
export interface Letter<Body> {
  key: string;
  body: Body;
  /** Kept on the device, but not sent yet: somebody is still typing. */
  held?: boolean;
}

/** A letter that the server read and would not take. */
export interface Refusal<Body> {
  key: string;
  body: Body;
  message: string;
}

export interface OutboxState<Body> {
  waiting: readonly Letter<Body>[];
  refused: readonly Refusal<Body>[];
  /** The last try found nobody; the next is on its way. */
  unreachable: boolean;
}

interface Options<Body, Answer> {
  /** Where the letters are kept, and under which name. */
  storage: Storage;
  name: string;
  /** Must be safe to repeat: an answer may be lost after the letter was taken. */
  send: (letter: Letter<Body>) => Promise<Answer>;
  onSent: (letter: Letter<Body>, answer: Answer) => void;
  /** Milliseconds until the n-th try again. */
  wait?: (tries: number) => number;
}

const patience = (tries: number) => Math.min(15_000, 500 * 2 ** tries);

/**
 * What is typed is kept on the device first and sent after, one letter at a time, until the server has it: a lost connection, a
 * reload or a server that starts again loses nothing. A letter that the server refuses is kept with its reason.
 */
export class Outbox<Body, Answer> {
  private state: OutboxState<Body>;
  private readonly listeners = new Set<() => void>();
  private sending = false;
  private tries = 0;
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(private readonly options: Options<Body, Answer>) {
    const kept = this.read();
    // Whoever was typing is gone: what they had typed goes out.
    this.state = {
      waiting: kept.waiting.map(({ key, body }) => ({ key, body })),
      refused: kept.refused,
      unreachable: false,
    };
  }

  /** Begins to send what was kept. */
  start() {
    void this.flush();
    return () => clearTimeout(this.timer);
  }

  put(letter: Letter<Body>) {
    this.set({
      waiting: [...this.state.waiting.filter((l) => l.key !== letter.key), letter],
      refused: this.state.refused.filter((r) => r.key !== letter.key),
    });
    if (!letter.held) void this.flush();
  }

  /** Gives up on a letter that was refused, or that nobody wants to send any more. */
  drop(key: string) {
    this.set({
      waiting: this.state.waiting.filter((l) => l.key !== key),
      refused: this.state.refused.filter((r) => r.key !== key),
    });
  }

  /** Tries again at once, for instance when the device is online again. */
  hurry() {
    clearTimeout(this.timer);
    this.tries = 0;
    void this.flush();
  }

  subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  snapshot = () => this.state;

  private async flush() {
    if (this.sending) return;
    this.sending = true;
    clearTimeout(this.timer);
    try {
      for (;;) {
        const letter = this.state.waiting.find((l) => !l.held);
        if (!letter) break;
        if (!(await this.trySend(letter))) break;
      }
    } finally {
      this.sending = false;
    }
  }

  /** False when nobody answered: the letter waits for the next try. */
  private async trySend(letter: Letter<Body>) {
    try {
      const answer = await this.options.send(letter);
      this.tries = 0;
      this.settle(letter, null);
      this.options.onSent(letter, answer);
      return true;
    } catch (error) {
      if (error instanceof Problem && error.isRefusal) {
        this.tries = 0;
        this.settle(letter, error.message);
        return true;
      }
      this.set({ unreachable: true });
      this.timer = setTimeout(() => void this.flush(), (this.options.wait ?? patience)(this.tries++));
      return false;
    }
  }

  /** A newer body of the same key, typed meanwhile, still waits. */
  private settle(letter: Letter<Body>, message: string | null) {
    const newer = this.state.waiting.some((l) => l.key === letter.key && l !== letter);
    this.set({
      waiting: this.state.waiting.filter((l) => l !== letter),
      refused:
        message === null || newer
          ? this.state.refused
          : [...this.state.refused, { key: letter.key, body: letter.body, message }],
      unreachable: false,
    });
  }

  private set(change: Partial<OutboxState<Body>>) {
    this.state = { ...this.state, ...change };
    this.options.storage.setItem(
      this.options.name,
      JSON.stringify({ waiting: this.state.waiting, refused: this.state.refused }),
    );
    this.listeners.forEach((l) => l());
  }

  private read(): { waiting: Letter<Body>[]; refused: Refusal<Body>[] } {
    try {
      const kept = JSON.parse(this.options.storage.getItem(this.options.name) ?? "null") as {
        waiting: Letter<Body>[];
        refused: Refusal<Body>[];
      } | null;
      return kept ?? { waiting: [], refused: [] };
    } catch {
      return { waiting: [], refused: [] };
    }
  }
}
