// @vitest-environment jsdom
import { beforeEach, describe, expect, it, vi } from "vitest";
import { Problem } from "../api/client";
import { Outbox, type Letter } from "./outbox";

interface Body {
  text: string;
}

const name = "outbox-test";

function make(send: (letter: Letter<Body>) => Promise<string>) {
  const sent: string[] = [];
  const outbox = new Outbox<Body, string>({
    storage: localStorage,
    name,
    send,
    onSent: (l) => sent.push(`${l.key}:${l.body.text}`),
    wait: () => 5,
  });
  return { outbox, sent };
}

/** Long enough for something wrongly sent to be seen; what must happen is waited for with `eventually`. */
const settled = () => new Promise((resolve) => setTimeout(resolve, 40));

/** However long a busy machine takes. */
const eventually = (holds: () => void) => vi.waitFor(holds, { timeout: 10_000, interval: 5 });

describe("the outbox", () => {
  beforeEach(() => localStorage.clear());

  it("sends what is put in, once, in its order", async () => {
    const { outbox, sent } = make(() => Promise.resolve("ok"));
    outbox.put({ key: "a", body: { text: "1" } });
    outbox.put({ key: "b", body: { text: "2" } });
    await eventually(() => expect(sent).toEqual(["a:1", "b:2"]));
    await settled();
    expect(sent).toEqual(["a:1", "b:2"]);
    expect(outbox.snapshot().waiting).toEqual([]);
  });

  it("keeps on the device what cannot be sent, and sends it when the server is back", async () => {
    let there = false;
    const { outbox, sent } = make(() => (there ? Promise.resolve("ok") : Promise.reject(new Problem(0, {}))));
    outbox.put({ key: "a", body: { text: "1" } });
    await eventually(() => expect(outbox.snapshot()).toMatchObject({ unreachable: true, waiting: [{ key: "a" }] }));
    expect(localStorage.getItem(name)).toContain('"text":"1"');
    there = true;
    await eventually(() => expect(sent).toEqual(["a:1"]));
    expect(outbox.snapshot().unreachable).toBe(false);
  });

  it("goes on after a reload with what was kept, even what somebody was still typing", async () => {
    const before = make(() => Promise.reject(new Problem(503, {})));
    before.outbox.put({ key: "a", body: { text: "1" } });
    before.outbox.put({ key: "b", body: { text: "2" }, held: true });
    before.outbox.start()();
    const after = make(() => Promise.resolve("ok"));
    after.outbox.start();
    await eventually(() => expect(after.sent).toEqual(["a:1", "b:2"]));
  });

  it("does not send what is still being typed", async () => {
    const { outbox, sent } = make(() => Promise.resolve("ok"));
    outbox.put({ key: "a", body: { text: "1" }, held: true });
    await settled();
    expect(sent).toEqual([]);
    outbox.put({ key: "a", body: { text: "12" } });
    await eventually(() => expect(sent).toEqual(["a:12"]));
  });

  it("sends only the newest of one key, and what was typed while the older was on its way", async () => {
    const waiting: (() => void)[] = [];
    const { outbox, sent } = make(() => new Promise((resolve) => waiting.push(() => resolve("ok"))));
    outbox.put({ key: "a", body: { text: "1" } });
    outbox.put({ key: "a", body: { text: "12" } });
    await eventually(() => expect(waiting).toHaveLength(1));
    waiting[0]!();
    await eventually(() => expect(waiting).toHaveLength(2));
    waiting[1]!();
    await eventually(() => expect(sent.at(-1)).toBe("a:12"));
    expect(outbox.snapshot().waiting).toEqual([]);
  });

  it("keeps a refusal with its reason, goes on with the others, and forgets it when the key is put in again", async () => {
    const { outbox, sent } = make((l) =>
      l.body.text === "nine" ? Promise.reject(new Problem(400, {}, "no result")) : Promise.resolve("ok"),
    );
    outbox.put({ key: "a", body: { text: "nine" } });
    outbox.put({ key: "b", body: { text: "9" } });
    await eventually(() => expect(sent).toEqual(["b:9"]));
    expect(outbox.snapshot().refused).toEqual([{ key: "a", body: { text: "nine" }, message: "no result" }]);
    outbox.put({ key: "a", body: { text: "9" } });
    expect(outbox.snapshot().refused).toEqual([]);
    await eventually(() => expect(sent).toEqual(["b:9", "a:9"]));
    outbox.drop("a");
    expect(outbox.snapshot().refused).toEqual([]);
  });

  it.each([401, 403, 429, 500])("tries again after %i", async (status) => {
    let tries = 0;
    const { outbox, sent } = make(() =>
      ++tries < 3 ? Promise.reject(new Problem(status, {})) : Promise.resolve("ok"),
    );
    outbox.put({ key: "a", body: { text: "1" } });
    await eventually(() => expect(sent).toEqual(["a:1"]));
    expect(tries).toBe(3);
  });

  it("begins empty when what was kept cannot be read", () => {
    localStorage.setItem(name, "{");
    expect(make(vi.fn()).outbox.snapshot().waiting).toEqual([]);
  });
});
