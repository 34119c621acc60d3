import "fake-indexeddb/auto";
import { IDBFactory } from "fake-indexeddb";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { Problem } from "../api/client";
import type { Entry, EntryResult, RunWeek } from "../api/types";
import { packItem, packOf, packPlan } from "../testing/pack";
import { Device, type Line, placeKey } from "./device";
import { openStore, type Store } from "./store";

/** A server that takes each entry once, over a line that can be cut, and that can lose an answer. */
class Server implements Line {
  readonly log = new Map<string, Entry>();
  readonly arrivals: string[][] = [];
  cut = false;
  loseNext = false;
  refuse: Problem | null = null;
  week = (): Promise<RunWeek> =>
    this.cut
      ? Promise.reject(new Problem(0))
      : Promise.resolve({
          today: "2026-03-16",
          now: "2026-03-16T18:00:00Z",
          packs: [packOf([packItem("a", packPlan(3))])],
          week: [],
          block: null,
          changed: [],
          note: null,
          mornings: [],
          asked: [],
        });
  send = (_: string, body: { entries: Entry[] }): Promise<EntryResult[]> => {
    if (this.cut) return Promise.reject(new Problem(0));
    if (this.refuse) return Promise.reject(this.refuse);
    this.arrivals.push(body.entries.map((e) => e.id));
    const results = body.entries.map((e): EntryResult => {
      const known = this.log.has(e.id);
      this.log.set(e.id, e);
      return { id: e.id, outcome: known ? "Same" : "Kept", message: null, stored: null };
    });
    if (this.loseNext) {
      this.loseNext = false;
      return Promise.reject(new Problem(0));
    }
    return Promise.resolve(results);
  };
}

const entry = (id: string): Entry => ({ id, session: "session", kind: "Finish", at: "2026-03-16T18:00:00Z" });
const settle = () => vi.waitFor(() => undefined).then(() => new Promise((r) => setTimeout(r, 20)));

describe("a device", () => {
  let server: Server;
  const open = async (store: () => Promise<Store> = openStore) => {
    const device = new Device(server, store);
    await device.start("me");
    return device;
  };
  beforeEach(() => {
    globalThis.indexedDB = new IDBFactory();
    server = new Server();
  });

  it("keeps first and sends after, in the order in which things happened", async () => {
    const device = await open();
    server.cut = true;
    device.note("athlete", entry("2"));
    device.note("athlete", entry("1"));
    await settle();
    expect(device.waiting()).toBe(2);
    server.cut = false;
    device.hurry();
    await settle();
    expect([...server.log.keys()]).toEqual(["1", "2"]);
    expect(device.waiting()).toBe(0);
  });

  it("loses nothing with a closed tab, nor with an answer that was lost", async () => {
    const first = await open();
    server.cut = true;
    first.note("athlete", entry("1"));
    await settle();
    server.cut = false;
    server.loseNext = true;
    const second = await open();
    await settle();
    expect(second.waiting()).toBe(1);
    second.hurry();
    await settle();
    expect(second.waiting()).toBe(0);
    expect(server.arrivals).toEqual([["1"], ["1"]]);
    expect(second.snapshot().entries[0]!.outcome).toBe("Same");
  });

  it("holds back what may still be changed, and lets it go", async () => {
    const device = await open();
    device.note("athlete", entry("1"), true);
    await settle();
    expect(server.log.size).toBe(0);
    expect(device.amend("1", (e) => ({ ...e, effort: 7 }))).toBe(true);
    device.release("1");
    await settle();
    expect(server.log.get("1")?.effort).toBe(7);
    expect(device.amend("1", (e) => e)).toBe(false);
    // What was being typed when the page died goes out.
    device.note("athlete", entry("2"), true);
    await settle();
    await open();
    await settle();
    expect(server.log.has("2")).toBe(true);
  });

  it("drops only what was not sent", async () => {
    const device = await open();
    device.note("athlete", entry("1"), true);
    expect(device.drop("1")).toBe(true);
    device.note("athlete", entry("2"));
    await settle();
    expect(device.drop("2")).toBe(false);
    expect([...server.log.keys()]).toEqual(["2"]);
  });

  it("takes back on the server what may have arrived without an answer", async () => {
    const device = await open();
    server.loseNext = true;
    device.note("athlete", entry("1"));
    await settle();
    expect([server.log.has("1"), device.waiting()]).toEqual([true, 1]);
    expect(device.drop("1")).toBe(false);
    // The same after the page was opened anew.
    server.cut = true;
    expect((await open()).drop("1")).toBe(false);
  });

  it("has the week without a signal, and forgets what the new one already holds", async () => {
    const device = await open();
    await device.refresh("athlete");
    device.note("athlete", entry("1"));
    await settle();
    expect(device.snapshot().entries).toHaveLength(1);
    await device.refresh("athlete");
    expect(device.snapshot().entries).toHaveLength(0);
    server.cut = true;
    const later = await open();
    await expect(later.refresh("athlete")).rejects.toThrow();
    expect(later.packOf("session")?.title).toBe("Pull");
  });

  it("says why all is refused, and sends it when that is over", async () => {
    const device = await open();
    server.refuse = new Problem(409, {}, "Consent was withdrawn.");
    device.note("athlete", entry("1"));
    await settle();
    expect(device.snapshot().refusal).toBe("Consent was withdrawn.");
    expect(device.waiting()).toBe(1);
    server.refuse = null;
    device.hurry();
    await settle();
    expect(device.snapshot().refusal).toBeNull();
    expect(device.waiting()).toBe(0);
  });

  it("keeps what waits for who wrote it when somebody signs out, and nothing else", async () => {
    const device = await open();
    await device.refresh("athlete");
    server.cut = true;
    device.note("athlete", entry("1"));
    await settle();
    await device.leave();
    server.cut = false;
    await device.start("other");
    await settle();
    expect(server.log.size).toBe(0);
    expect(device.snapshot().weeks).toHaveLength(0);
    await device.start("me");
    await settle();
    expect(server.log.has("1")).toBe(true);
  });

  it("wipes what was read and remembered when somebody signs out, of an earlier page too, but for what waits", async () => {
    const earlier = await open();
    await earlier.remember("own/me/records", { at: 0, data: [] });
    await earlier.remember(placeKey("old"), { chosen: null });
    const device = await open();
    await device.remember(placeKey("session"), { chosen: "a" });
    server.cut = true;
    device.note("athlete", entry("1"));
    await settle();
    await device.leave();
    expect(await device.recall("own/me/records")).toBeUndefined();
    expect(await device.recall(placeKey("old"))).toBeUndefined();
    expect(await device.recall(placeKey("session"))).toEqual({ chosen: "a" });
  });

  it("works without a place to keep things, and says so", async () => {
    const broken = () => {
      globalThis.indexedDB = {
        open: () => {
          throw new DOMException("denied", "SecurityError");
        },
      } as never;
      return openStore();
    };
    const device = await open(broken);
    expect(device.snapshot().lasts).toBe(false);
    device.note("athlete", entry("1"));
    await settle();
    expect(server.log.has("1")).toBe(true);
  });

  it("says when the device has no room left, and still sends", async () => {
    const store = await openStore();
    const device = await open(() =>
      Promise.resolve({ ...store, put: () => Promise.reject(new DOMException("full", "QuotaExceededError")) }),
    );
    device.note("athlete", entry("1"));
    await settle();
    expect(device.snapshot().full).toBe(true);
    expect(server.log.has("1")).toBe(true);
  });

  it("over a bad line loses and doubles nothing in two thousand entries", async () => {
    let seed = 7;
    const random = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
    let device = await open();
    const made: string[] = [];
    for (let i = 0; i < 2_000; i++) {
      const id = String(i).padStart(6, "0");
      made.push(id);
      device.note("athlete", entry(id), random() < 0.3);
      server.cut = random() < 0.5;
      server.loseNext = random() < 0.1;
      if (random() < 0.01) {
        await device.settled();
        // The tab is closed; the next page finds what was kept.
        device = await open();
      }
    }
    server.cut = false;
    server.loseNext = false;
    device
      .snapshot()
      .entries.filter((e) => e.state === "typed")
      .forEach((e) => device.release(e.id));
    await vi.waitFor(() => {
      device.hurry();
      expect(device.waiting()).toBe(0);
    }, 25_000);
    expect([...server.log.keys()].sort()).toEqual(made);
  });
});
