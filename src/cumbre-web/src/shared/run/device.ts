import { Problem } from "../api/client";
import type { Entry, EntryResult, RunWeek, SessionPack } from "../api/types";
import { told } from "../../words/server";
import type { KeptEntry, KeptPack, KeptWeek, Store } from "./store";

/** What the device says to the server, and hears. */
export interface Line {
  week(athlete: string, signal?: AbortSignal): Promise<RunWeek>;
  send(athlete: string, body: { sentAt: string; seals: string[]; entries: Entry[] }): Promise<EntryResult[]>;
}

export interface DeviceState {
  /** Read from the device: before that nothing is known. */
  ready: boolean;
  account: string | null;
  entries: readonly KeptEntry[];
  packs: readonly KeptPack[];
  weeks: readonly KeptWeek[];
  /** What is kept outlives the page. */
  lasts: boolean;
  /** The device has no room left: what is new is only in this page. */
  full: boolean;
  /** Why nothing is sent, where it is not the signal. */
  refusal: string | null;
  sending: boolean;
}

/** Under which the place in a session is remembered. */
export const placeKey = (session: string) => `place/${session}`;

const batch = 100;
const patience = (tries: number) => Math.min(30_000, 500 * 2 ** tries);

/**
 * The device's copy of an athlete's week, and of what happened at the bar: kept here first, then sent, in order and as often
 * as it takes. The server knows each entry by its id, so that sending again is harmless.
 */
export class Device {
  private state: DeviceState = {
    ready: false,
    account: null,
    entries: [],
    packs: [],
    weeks: [],
    lasts: true,
    full: false,
    refusal: null,
    sending: false,
  };
  private readonly listeners = new Set<() => void>();
  private store: Store | null = null;
  private opening: Promise<void> | null = null;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private tries = 0;
  private again = false;
  private writes: Promise<unknown> = Promise.resolve();

  constructor(
    private readonly line: Line,
    private readonly open: () => Promise<Store>,
    private readonly now: () => number = () => Date.now(),
  ) {}

  snapshot = () => this.state;

  subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Reads what is kept, and sends what waits. */
  start(account: string) {
    const changed = this.state.account !== account;
    if (changed) this.set({ account });
    this.opening ??= this.read();
    return this.opening.then(() => {
      if (changed) void this.flush();
    });
  }

  private async read() {
    this.store = await this.open();
    const [entries, packs, weeks] = await Promise.all([
      this.store.all("entries"),
      this.store.all("packs"),
      this.store.all("weeks"),
    ]);
    // Who was typing is gone: what they had typed goes out.
    this.set({
      ready: true,
      lasts: this.store.lasts,
      entries: entries.map((e): KeptEntry => (e.state === "typed" ? { ...e, state: "waiting" } : e)).sort(inOrder),
      packs,
      weeks,
    });
  }

  /** Fetches the week anew; offline the kept one stays. */
  async refresh(athlete: string, signal?: AbortSignal) {
    const account = this.state.account;
    if (!account) return;
    const asked = new Set(this.state.entries.filter((e) => e.state === "sent").map((e) => e.id));
    const { packs, ...week } = await this.line.week(athlete, signal);
    const fetchedAt = this.now();
    const kept = packs.map((pack): KeptPack => ({ id: pack.id, account, athlete, fetchedAt, pack }));
    const gone = this.state.packs.filter((p) => p.athlete === athlete && !packs.some((n) => n.id === p.id));
    // What the server had before it was asked stands in the packs that it gave.
    const settled = this.state.entries.filter(
      (e) => e.athlete === athlete && asked.has(e.id) && e.outcome !== "Refused",
    );
    // A session that vanished from the week while something of it still waits is needed until that has been sent.
    const dropped = gone.filter((p) => !this.state.entries.some((e) => e.entry.session === p.id && e.state !== "sent"));
    this.set({
      packs: [
        ...this.state.packs.filter((p) => p.athlete !== athlete || (gone.includes(p) && !dropped.includes(p))),
        ...kept,
      ],
      weeks: [...this.state.weeks.filter((w) => w.athlete !== athlete), { athlete, account, fetchedAt, week }],
      entries: this.state.entries.filter((e) => !settled.includes(e)),
    });
    this.write(async (store) => {
      await store.remove(
        "packs",
        dropped.map((p) => p.id),
      );
      await Promise.all(kept.map((k) => store.put("packs", k)));
      await store.put("weeks", { athlete, account, fetchedAt, week });
      await store.remove(
        "entries",
        settled.map((e) => e.id),
      );
    });
  }

  packOf(session: string): SessionPack | null {
    return this.state.packs.find((p) => p.id === session)?.pack ?? null;
  }

  /** Keeps an entry, and sends it unless it may still be changed. */
  note(athlete: string, entry: Entry, typed = false) {
    const account = this.state.account;
    if (!account) throw new Error("Nobody is signed in.");
    this.keep({ id: entry.id, account, athlete, state: typed ? "typed" : "waiting", entry });
    if (!typed) void this.flush();
  }

  /** Changes an entry that has not been sent; false: it has been. */
  amend(id: string, change: (entry: Entry) => Entry) {
    const kept = this.state.entries.find((e) => e.id === id);
    if (kept?.state !== "typed") return false;
    this.keep({ ...kept, entry: change(kept.entry) });
    return true;
  }

  /** Nobody changes it any more. */
  release(id: string) {
    const kept = this.state.entries.find((e) => e.id === id);
    if (kept?.state !== "typed") return;
    this.keep({ ...kept, state: "waiting" });
    void this.flush();
  }

  /** Takes an entry out that has not been sent; false: it has been. */
  drop(id: string) {
    const kept = this.state.entries.find((e) => e.id === id);
    // What was on its way once may have arrived: it has to be taken back there.
    if (!kept || kept.state === "sent" || kept.tried) return false;
    this.forget([id]);
    return true;
  }

  /** What was refused is read and put away. */
  forget(ids: readonly string[]) {
    this.set({ entries: this.state.entries.filter((e) => !ids.includes(e.id)) });
    this.write((store) => store.remove("entries", ids));
  }

  /** Tries at once, for instance when the server is back. */
  hurry() {
    this.tries = 0;
    void this.flush();
  }

  /** When all that was noted lies on the device. */
  settled() {
    return this.writes;
  }

  /** How many entries of whoever is signed in are not with the server yet. */
  waiting() {
    return this.state.entries.filter((e) => e.account === this.state.account && e.state !== "sent").length;
  }

  /** Signing out: what waits stays for who wrote it, everything else goes. */
  async leave() {
    const waits = this.state.entries.filter((e) => e.state !== "sent");
    const needed = new Set(waits.map((e) => e.entry.session));
    const packs = this.state.packs.filter((p) => !needed.has(p.id));
    const done = this.state.entries.filter((e) => e.state === "sent");
    const weeks = this.state.weeks;
    this.set({
      account: null,
      packs: this.state.packs.filter((p) => needed.has(p.id)),
      weeks: [],
      entries: waits,
    });
    this.write(async (store) => {
      await store.remove(
        "packs",
        packs.map((p) => p.id),
      );
      await store.remove(
        "weeks",
        weeks.map((w) => w.athlete),
      );
      await store.remove(
        "entries",
        done.map((e) => e.id),
      );
      const notes = await store.keys("notes");
      await store.remove(
        "notes",
        notes.filter((key) => ![...needed].some((session) => key === placeKey(session))),
      );
    });
    await this.writes;
  }

  /** What a page remembers of a session, for instance whose turn it is. */
  async remember(key: string, value: unknown) {
    this.write((store) => store.put("notes", value, key));
    await this.writes;
  }

  async recall<T>(key: string): Promise<T | undefined> {
    await this.opening;
    return (await this.store?.get("notes", key)) as T | undefined;
  }

  private keep(entry: KeptEntry) {
    const others = this.state.entries.filter((e) => e.id !== entry.id);
    const isNewest = (others.at(-1)?.id ?? "") < entry.id;
    this.set({ entries: isNewest ? [...others, entry] : [...others, entry].sort(inOrder) });
    this.write((store) => store.put("entries", entry));
  }

  /** Sends what waits, athlete by athlete, until nothing waits or nobody answers. */
  async flush(): Promise<void> {
    clearTimeout(this.timer);
    if (this.state.sending) {
      this.again = true;
      return;
    }
    await this.opening;
    const mine = this.state.entries.filter((e) => e.account === this.state.account && e.state === "waiting");
    const first = mine[0];
    if (!first) {
      this.set({ refusal: null });
      return;
    }
    const due = mine.filter((e) => e.athlete === first.athlete).slice(0, batch);
    this.set({ sending: true });
    due.filter((e) => !e.tried).forEach((e) => this.keep({ ...e, tried: true }));
    // It is on the device before it goes out.
    await this.writes;
    try {
      const results = await this.line.send(first.athlete, {
        sentAt: new Date(this.now()).toISOString(),
        seals: this.sealsOf(due),
        entries: due.map((e) => e.entry),
      });
      this.tries = 0;
      this.set({ sending: false, refusal: null });
      for (const result of results) {
        const kept = this.state.entries.find((e) => e.id === result.id);
        if (!kept) continue;
        this.keep({
          ...kept,
          state: "sent",
          outcome: result.outcome,
          ...(result.message ? { message: told(result.message) } : {}),
          ...(result.stored ? { stored: result.stored } : {}),
        });
      }
      this.again = false;
      return this.flush();
    } catch (error) {
      const refused = error instanceof Problem && error.isRefusal;
      this.set({ sending: false, refusal: refused ? error.message : null });
      // A refusal of all is read again too: consent may be given anew, an athlete may come back.
      this.timer = setTimeout(() => void this.flush(), refused ? 30_000 : patience(this.tries++));
      if (this.again) this.again = false;
    }
  }

  private sealsOf(entries: readonly KeptEntry[]) {
    const sessions = new Set(entries.map((e) => e.entry.session));
    return this.state.packs.filter((p) => sessions.has(p.id)).map((p) => p.pack.seal);
  }

  /** Writes in a row; a device without room keeps it in the page and says so. */
  private write(work: (store: Store) => Promise<unknown>) {
    const store = this.store;
    if (!store) return;
    this.writes = this.writes
      .then(() => work(store))
      .then(
        () => this.state.full && this.set({ full: false }),
        () => this.set({ full: true }),
      );
  }

  private set(change: Partial<DeviceState>) {
    this.state = { ...this.state, ...change };
    this.listeners.forEach((l) => l());
  }
}

/** Ids are made in the order of time. */
const inOrder = (a: KeptEntry, b: KeptEntry) => (a.id < b.id ? -1 : a.id > b.id ? 1 : 0);
