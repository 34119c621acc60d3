import { type DBSchema, type IDBPDatabase, openDB } from "idb";
import type { Entry, EntryOutcome, LoggedSet, RunWeek, SessionPack } from "../api/types";

/** Something that happened at the bar, as the device keeps it. */
export interface KeptEntry {
  id: string;
  /** Who was signed in. */
  account: string;
  athlete: string;
  /** Typed: it may still be changed, and is not sent yet. Sent: the server has it. */
  state: "typed" | "waiting" | "sent";
  entry: Entry;
  /** It was on its way once: the server may have it, though no answer came. */
  tried?: boolean;
  outcome?: EntryOutcome;
  /** Why the server would not take it. */
  message?: string;
  /** Of two that differ, the one that the server has. */
  stored?: LoggedSet | null;
}

/** A session as it was fetched. */
export interface KeptPack {
  id: string;
  account: string;
  athlete: string;
  fetchedAt: number;
  pack: SessionPack;
}

/** The week of an athlete beside its packs. */
export interface KeptWeek {
  athlete: string;
  account: string;
  fetchedAt: number;
  week: Omit<RunWeek, "packs">;
}

interface Schema extends DBSchema {
  packs: { key: string; value: KeptPack };
  entries: { key: string; value: KeptEntry };
  weeks: { key: string; value: KeptWeek };
  notes: { key: string; value: unknown };
}

const name = "cumbre-run";
const version = 1;

type Table = "packs" | "entries" | "weeks" | "notes";

/** Where a device keeps what it must not lose. */
export interface Store {
  /** False: what is kept goes when the page is closed. */
  readonly lasts: boolean;
  all<T extends Table>(table: T): Promise<Schema[T]["value"][]>;
  get<T extends Table>(table: T, key: string): Promise<Schema[T]["value"] | undefined>;
  put<T extends Table>(table: T, value: Schema[T]["value"], key?: string): Promise<void>;
  keys(table: Table): Promise<string[]>;
  remove(table: Table, keys: readonly string[]): Promise<void>;
}

/** The database of the device; in a private window without one, the memory of the page. */
export async function openStore(): Promise<Store> {
  try {
    const database = await openDB<Schema>(name, version, {
      upgrade(db) {
        db.createObjectStore("packs", { keyPath: "id" });
        db.createObjectStore("entries", { keyPath: "id" });
        db.createObjectStore("weeks", { keyPath: "athlete" });
        db.createObjectStore("notes");
      },
    });
    // Asked for once; without it the device may clear what is kept when it runs out of room.
    void globalThis.navigator?.storage?.persist?.();
    return lasting(database);
  } catch {
    return passing();
  }
}

function lasting(database: IDBPDatabase<Schema>): Store {
  return {
    lasts: true,
    all: (table) => database.getAll(table),
    get: (table, key) => database.get(table, key),
    put: async (table, value, key) => {
      await (key === undefined ? database.put(table, value) : database.put(table, value, key));
    },
    keys: (table) => database.getAllKeys(table),
    remove: async (table, keys) => {
      const writing = database.transaction(table, "readwrite");
      await Promise.all([...keys.map((key) => writing.store.delete(key)), writing.done]);
    },
  };
}

function passing(): Store {
  const tables: Record<Table, Map<string, unknown>> = {
    packs: new Map(),
    entries: new Map(),
    weeks: new Map(),
    notes: new Map(),
  };
  const keyOf = (table: Table, value: unknown) =>
    table === "weeks" ? (value as KeptWeek).athlete : (value as { id: string }).id;
  return {
    lasts: false,
    all: (table) => Promise.resolve([...tables[table].values()] as never),
    get: (table, key) => Promise.resolve(tables[table].get(key) as never),
    put: (table, value, key) => {
      tables[table].set(key ?? keyOf(table, value), value);
      return Promise.resolve();
    },
    keys: (table) => Promise.resolve([...tables[table].keys()]),
    remove: (table, keys) => {
      keys.forEach((key) => tables[table].delete(key));
      return Promise.resolve();
    },
  };
}
