import { describe, expect, it } from "vitest";
import type { Entry, HeldBack, SessionPack, SetRequest, WalkStep } from "../api/types";
import hour from "../testing/hour.json";
import { alternate, packItem, packLoad, packMovement, packOf, packPlan } from "../testing/pack";
import { effortOf } from "../testing/plan";
import {
  clockKey,
  currentOf,
  heldOf,
  inTurn,
  restOf,
  runOf,
  startPlace,
  stepsOf,
  strokeOf,
  type Place,
  type Run,
  type Step,
} from "./session";
import type { KeptEntry } from "./store";

const start = Date.parse("2026-03-16T18:00:00Z");
let made = 0;

const kept = (entry: Omit<Entry, "id" | "session" | "at">, seconds = 0, more: Partial<KeptEntry> = {}): KeptEntry => {
  const id = `entry-${String(++made).padStart(4, "0")}`;
  const at = new Date(start + seconds * 1000).toISOString();
  return {
    id,
    account: "me",
    athlete: "athlete",
    state: "waiting",
    entry: { id, session: "session", at, ...entry },
    ...more,
  };
};

const set = (item: string, number: number, more: Partial<SetRequest> = {}, seconds = 0) =>
  kept(
    {
      kind: "Set",
      item,
      set: {
        set: number,
        part: 1,
        reps: 5,
        added: { value: 0, unit: "Kg" },
        reserve: null,
        form: "Clean",
        pain: null,
        painPlace: null,
        supersedes: null,
        ...more,
      },
    },
    seconds,
  );

const way = (run: Run, place: Place = startPlace) =>
  stepsOf(run, place)
    .map((s) => `${s.item.id}${s.effort.set}.${s.effort.part}${s.state === "open" ? "" : `(${s.state})`}`)
    .join(" ");

describe("a session at the bar", () => {
  it("walks on from what was done last", () => {
    const pack = packOf([packItem("a", packPlan(2)), packItem("b", packPlan(2))]);
    const run = runOf(pack, [set("b", 1)]);
    expect(way(run)).toBe("a1.1 a2.1 b1.1(done) b2.1");
    const steps = stepsOf(run);
    expect(currentOf(steps, startPlace)?.key).toBe("b/2.1");
    expect(currentOf(steps, { ...startPlace, chosen: "a" })?.key).toBe("a/1.1");
    // When that exercise is done, what was left out on the way comes.
    const later = stepsOf(runOf(pack, [set("b", 1), set("b", 2, {}, 60)]));
    expect(currentOf(later, startPlace)?.key).toBe("a/1.1");
  });

  it("knows the sets of the server and of the device, each once", () => {
    const first = set("a", 1);
    const pack = packOf([
      packItem("a", packPlan(2), {
        sets: [{ ...first.entry.set!, id: first.id, doneAt: "2026-03-16T18:00:00Z" } as never],
      }),
    ]);
    expect(runOf(pack, [first]).items[0]!.sets).toHaveLength(1);
    // The server's clock is an hour ahead of this device.
    expect(runOf(pack, [], 3_600_000).items[0]!.sets[0]!.at).toBe(start - 3_600_000);
  });

  it("takes back, corrects and leaves out", () => {
    const pack = packOf([packItem("a", packPlan(2))]);
    const wrong = set("a", 1, { reps: 9 });
    const back = kept({ kind: "Withdraw", item: "a", of: wrong.id });
    expect(way(runOf(pack, [wrong, back]))).toBe("a1.1 a2.1");
    const right = set("a", 1, { reps: 4, supersedes: wrong.id });
    expect(runOf(pack, [wrong, right]).items[0]!.sets.map((s) => s.reps)).toEqual([4]);
    const skip = kept({ kind: "Skip", item: "a", reason: "no time" });
    expect(way(runOf(pack, [right, skip]))).toBe("a1.1(done) a2.1(left)");
    // What was done after it was not left out.
    expect(way(runOf(pack, [right, skip, set("a", 2)]))).toBe("a1.1(done) a2.1(done)");
    const refused = { ...set("a", 2, { reps: 400 }), outcome: "Refused" as const };
    expect(way(runOf(pack, [refused]))).toBe("a1.1 a2.1");
  });

  it("lets another form take over the rest", () => {
    const pack = packOf([
      packItem("a", packPlan(3), { alternates: [alternate("x", "Eased", packPlan(3))] }),
      packItem("b", packPlan(1)),
    ]);
    const swap = kept({ kind: "Swap", item: "a", to: "x", reason: "shoulder 4" });
    const run = runOf(pack, [set("a", 1), swap, set("x", 2, {}, 60)]);
    expect(way(run)).toBe("a1.1(done) x1.1(left) a2.1(left) x2.1(done) a3.1(left) x3.1 b1.1");
    expect(currentOf(stepsOf(run), startPlace)?.key).toBe("x/3.1");
  });

  it("walks the easy version with fewer sets, and sets beyond the plan behind the last", () => {
    const pack = packOf([
      packItem("a", packPlan(4), { alternates: [alternate("a", "Easy", packPlan(2))] }),
      packItem("b", packPlan(1)),
    ]);
    expect(way(runOf(pack, [kept({ kind: "Easy", take: true })]))).toBe("a1.1 a2.1 b1.1");
    expect(way(runOf(pack, [kept({ kind: "Easy", take: false })]))).toBe("a1.1 a2.1 a3.1 a4.1 b1.1");
    expect(way(runOf(pack, []), { ...startPlace, extra: { b: 1 } })).toBe("a1.1 a2.1 a3.1 a4.1 b1.1 b2.1");
  });

  it("does a step that broke again", () => {
    const pack = packOf([packItem("a", packPlan(2))]);
    const run = runOf(pack, [set("a", 1, { reps: 3 })]);
    expect(way(run, { ...startPlace, again: "a/1.1" })).toBe("a1.1 a2.1");
  });
});

describe("pain at the bar", () => {
  const heldBack: HeldBack[] = [
    { place: "Shoulder", hurt: 0, eased: [0], stopped: [0, 1] },
    { place: "Shoulder", hurt: null, eased: [0], stopped: [0, 1] },
    { place: "Hand", hurt: null, eased: [0], stopped: [0, 1] },
  ];
  const pack = packOf(
    [packItem("a", packPlan(2)), packItem("b", packPlan(1), { movement: packMovement("b", { eachSide: true }) })],
    { heldBack },
  );
  const told = (pain: number, sign: SetRequest["sign"] = null, place = "right shoulder") =>
    runOf(pack, [set("a", 1, { pain, painPlace: place, sign })]);

  it.each([
    [2, null, ["no", "no"]],
    [3, null, ["eased", "no"]],
    [5, null, ["eased", "no"]],
    [6, null, ["stopped", "stopped Right"]],
    [1, "Numbness", ["stopped", "stopped Right"]],
  ] as const)("of %s with the sign %s holds what the pack says", (level, sign, holds) => {
    const run = told(level, sign);
    expect(
      run.items.map((i) => {
        const held = heldOf(run, i);
        return held ? `${held.stopped ? "stopped" : "eased"} ${held.side ?? ""}`.trim() : "no";
      }),
    ).toEqual(holds);
  });

  it("ends at once what it stops, and of one-sided work the sore side alone", () => {
    const sides = packPlan(1, {
      efforts: [effortOf({ set: 1, part: 1, side: "Left" }), effortOf({ set: 1, part: 2, side: "Right" })],
    });
    const items = [
      packItem("a", packPlan(2)),
      packItem("b", sides, { movement: packMovement("b", { eachSide: true }) }),
    ];
    const run = runOf(packOf(items, { heldBack }), [set("a", 1, { pain: 7, painPlace: "right shoulder" })]);
    expect(way(run)).toBe("a1.1(done) a2.1(left) b1.1 b1.2(left)");
  });

  it("of torn skin stops at any level, and before the session as well", () => {
    const run = runOf(pack, [
      kept({
        kind: "CheckIn",
        checkIn: {
          day: "2026-03-16",
          sleepHours: 8,
          soreness: 1,
          readiness: null,
          hardTraining: false,
          pain: [{ level: 1, place: "hand, torn skin", sign: null }],
        },
      }),
    ]);
    expect(run.items.map((i) => heldOf(run, i)?.stopped)).toEqual([true, true]);
  });
});

describe("the rest", () => {
  const pack = packOf([packItem("a", packPlan(3)), packItem("b", packPlan(1))]);

  it("goes on while the page sleeps, and is made longer by hand", () => {
    const steps = stepsOf(runOf(pack, [set("a", 1)]));
    const next = currentOf(steps, startPlace);
    const rest = restOf(steps, next, startPlace)!;
    expect([rest.until - start, rest.kind]).toEqual([120_000, "Set"]);
    const longer = restOf(steps, next, { ...startPlace, adjusted: { "a/1.1": 15 } })!;
    expect(longer.until - start).toBe(135_000);
    const none = restOf(steps, next, { ...startPlace, adjusted: { "a/1.1": -500 } })!;
    expect(none.until).toBe(start);
  });

  it("is not begun anew by what is told of the set later", () => {
    const pack = packOf([packItem("a", packPlan(2))]);
    const first = set("a", 1);
    const told = set("a", 1, { reserve: 2, supersedes: first.id }, 60);
    const steps = stepsOf(runOf(pack, [first, told]));
    expect(restOf(steps, currentOf(steps, startPlace), startPlace)!.from).toBe(start);
    expect(runOf(pack, [first, told]).items[0]!.sets[0]!.reserve).toBe(2);
  });

  it("is none before another exercise, and none before the first set", () => {
    const steps = stepsOf(runOf(pack, [set("a", 1), set("a", 2, {}, 60), set("a", 3, {}, 120)]));
    expect(restOf(steps, currentOf(steps, startPlace), startPlace)?.kind).toBe("None");
    const fresh = stepsOf(runOf(pack, []));
    expect(restOf(fresh, currentOf(fresh, startPlace), startPlace)).toBeNull();
  });

  it("on the clock ends at the stroke, whenever the work was done", () => {
    const slots = (item: number, round: number): WalkStep => ({
      item,
      effort: round - 1,
      round,
      prepareSeconds: 0,
      workSeconds: 18,
      restSeconds: 72,
      rest: "Slot",
      slotSeconds: 90,
    });
    const turns = packOf([packItem("a", packPlan(2)), packItem("b", packPlan(2), { joined: true })], {
      walk: [slots(0, 1), slots(1, 1), slots(0, 2), slots(1, 2)],
    });
    const place = { ...startPlace, clock: { a: start } };
    const steps = stepsOf(runOf(turns, [set("a", 1, {}, 25)]), place);
    expect(steps.map((s) => (strokeOf(steps, s, place)! - start) / 1000)).toEqual([0, 90, 180, 270]);
    const rest = restOf(steps, currentOf(steps, place), place)!;
    expect([rest.kind, (rest.until - start) / 1000, rest.seconds]).toEqual(["Slot", 90, 65]);
    expect(strokeOf(steps, steps[0]!, startPlace)).toBeNull();
  });
});

/** How many seconds of the plan lie before a step, without warm-up. */
function plannedBefore(steps: readonly Step[], step: Step | null) {
  const until = step ? steps.indexOf(step) : steps.length;
  return steps
    .slice(0, until)
    .reduce((sum, s) => sum + s.walk.prepareSeconds + s.walk.workSeconds + s.walk.restSeconds, 0);
}

/** Whoever does what the page says, and takes for each effort the seconds that the model gives it. */
function follow(pack: SessionPack) {
  let now = start;
  let place: Place = startPlace;
  const entries: KeptEntry[] = [];
  const kinds = new Set<string>();
  for (;;) {
    const steps = stepsOf(runOf(pack, entries), place);
    const step = currentOf(steps, place);
    if (!step) return { minutes: (now - start) / 60_000, entries, kinds };
    const rest = restOf(steps, step, place);
    now = Math.max(now, rest?.until ?? now);
    if (rest) kinds.add(rest.kind);
    // The clock of a group is started when its first set is.
    if (step.walk.slotSeconds !== null && place.clock[clockKey(steps, step)] === undefined)
      place = { ...place, clock: { ...place.clock, [clockKey(steps, step)]: now } };
    now = Math.max(now, strokeOf(steps, step, place) ?? now);
    expect(plannedBefore(steps, step)).toBe((now - start) / 1000);
    now += (step.walk.prepareSeconds + step.walk.workSeconds) * 1000;
    entries.push(set(step.item.id, step.effort.set, { part: step.effort.part }, (now - start) / 1000));
  }
}

describe("the time model", () => {
  it("is kept to the minute by whoever follows the page", () => {
    const parts = packPlan(2, {
      loads: [packLoad(20), packLoad(0)],
      efforts: [1, 2].flatMap((s) => [1, 2].map((part) => effortOf({ set: s, part, load: part - 1 }))),
    });
    const pack = packOf([packItem("a", packPlan(8)), packItem("b", parts), packItem("c", packPlan(8))]);
    expect(Math.abs(follow(pack).minutes - pack.seconds / 60)).toBeLessThan(1);
  });

  it("is kept to the minute over an hour of a pack that the server made, with every kind of rest and clock", () => {
    const pack = { ...(hour as SessionPack), id: "session" };
    expect(pack.seconds).toBeGreaterThan(58 * 60);
    const { minutes, entries, kinds } = follow(pack);
    expect(Math.abs(minutes - pack.seconds / 60)).toBeLessThan(1);
    expect(entries).toHaveLength(pack.walk.length);
    expect([...kinds].sort()).toEqual(["Gap", "None", "Set", "Slot"]);
  });

  it("says what is done in turn, and what has an easier form at a touch", () => {
    const pack = { ...(hour as SessionPack), id: "session" };
    const steps = stepsOf(runOf(pack, []));
    const turns = pack.items.map((item) =>
      inTurn(
        steps,
        steps.find((s) => s.item.id === item.id)!,
      ),
    );
    expect(turns).toEqual([false, false, false, true, true, false, true, true, false]);
  });
});
