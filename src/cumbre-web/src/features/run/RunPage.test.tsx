// @vitest-environment jsdom
import { cleanup, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, it } from "vitest";
import type { Entry, RunWeek, SessionPack } from "../../shared/api/types";
import { device } from "../../shared/run/deviceHere";
import { me, show } from "../../shared/testing/page";
import { alternate, packItem, packLoad, packMovement, packOf, packPlan } from "../../shared/testing/pack";
import { effortOf } from "../../shared/testing/plan";
import RunPage from "./RunPage";

let made = 0;

/** The page of a session of its own. */
async function open(items: SessionPack["items"], more: Partial<SessionPack> = {}) {
  const id = `run-${++made}`;
  const pack = { ...packOf(items, more), id };
  const week: RunWeek = {
    today: "2026-03-16",
    now: "2026-03-16T18:00:00Z",
    packs: [pack],
    week: [],
    block: null,
    changed: [],
    note: null,
    mornings: [],
    asked: [],
  };
  show(<RunPage />, {
    path: "/run/:athleteId/:sessionId",
    at: `/run/athlete/${id}`,
    answers: {
      "GET /api/athletes/athlete/run": week,
      "GET /api/me": { ...me, account: { ...me.account!, role: "athlete", athleteId: "athlete" } },
      "POST /api/athletes/athlete/run": (body: { entries: Entry[] }) =>
        body.entries.map((e) => ({ id: e.id, outcome: "Kept", message: null, stored: null })),
    },
  });
  await device.start(me.account!.id);
  return id;
}

/** The same, begun. */
async function run(items: SessionPack["items"], more: Partial<SessionPack> = {}) {
  const id = await open(items, more);
  await userEvent.click(await screen.findByRole("button", { name: "Start session" }));
  const press = (name: string | RegExp) => userEvent.click(screen.getByRole("button", { name }));
  const told = (kind: Entry["kind"]) =>
    device
      .snapshot()
      .entries.map((e) => e.entry)
      .filter((e) => e.session === id && e.kind === kind);
  return { press, told };
}

const heading = () => screen.getByRole("heading", { level: 1 }).textContent;

it("draws a drop set by its parts, and says at each what comes off", async () => {
  const grips = ["Wide", "Medium", "Narrow"] as const;
  const drop = packPlan(1, {
    loads: [20, 10, 0].map(packLoad),
    efforts: [1, 2, 3].map((part) => effortOf({ part, load: part - 1, role: "DropPart", grip: grips[part - 1]! })),
  });
  const { press, told } = await run([packItem("Pull-up", drop)]);
  const parts = () => within(screen.getByRole("list", { name: "Parts of this set" }));
  expect(
    parts()
      .getAllByRole("listitem")
      .map((e) => e.textContent),
  ).toEqual(["4 at +20 kgwide", "4 at +10 kgmedium", "4 bodyweightnarrow"]);
  expect(screen.getByText("Put on 20")).toBeVisible();
  await press("Part 1 done, all 4");
  expect(screen.getByText("set 1 of 1, part 2 of 3")).toBeVisible();
  expect(screen.getByText("Take off 20, put on 10")).toBeVisible();
  expect(
    parts()
      .getAllByRole("listitem")
      .map((e) => e.getAttribute("aria-current")),
  ).toEqual([null, "step", null]);
  await press("Part 2 done, all 4");
  expect(screen.getByText("Take off 10: bodyweight")).toBeVisible();
  expect(told("Set").map((e) => e.set!.added.value)).toEqual([20, 10]);
});

it("ends an explosive set at the rep that fell short, and counts the ones before as made", async () => {
  const fast = packPlan(3, {
    contact: "Chest",
    efforts: [1, 2, 3].map((set) => effortOf({ set, repsLow: 3, repsHigh: 3, role: "Fast" })),
  });
  const { press, told } = await run([
    packItem("High pull-up", fast, { movement: packMovement("High pull-up", { asksContact: true }) }),
    packItem("Row", packPlan(1)),
  ]);
  expect(screen.getByText("as fast as you can, every rep to the chest")).toBeVisible();
  await press("Height fell: end the set");
  await userEvent.click(
    within(screen.getByRole("group", { name: "Which rep fell short?" })).getByRole("button", { name: "2" }),
  );
  expect(told("Set")[0]!.set).toMatchObject({ reps: 1, form: "Clean", contact: "Chest", total: null });
  // What was fast is fast no more: the rest of it can be left for today.
  await press("Height fell: no more high pull-up today");
  expect(told("Skip")[0]).toMatchObject({ reason: "height fell" });
  await press("Start row");
  expect(heading()).toBe("Row");
});

it("offers to end no fast exercise whose sets were full", async () => {
  const fast = packPlan(2, { efforts: [1, 2].map((set) => effortOf({ set, role: "Fast" })) });
  const { press } = await run([packItem("High pull-up", fast)]);
  await press("Done, all 4");
  expect(screen.getByRole("button", { name: "Start set 2 now" })).toBeVisible();
  expect(screen.queryByRole("button", { name: /no more/ })).not.toBeInTheDocument();
});

it("says how slowly a negative is lowered, and asks for no reserve of it", async () => {
  const negative = packPlan(2, {
    beats: [{ phase: "Lower", seconds: 5, fast: false }],
    efforts: [1, 2].map((set) => effortOf({ set, repsLow: 2, repsHigh: 2, role: "Negative" })),
  });
  const { press } = await run([packItem("Pull-up", negative)]);
  expect(screen.getByText("lower for 5 s")).toBeVisible();
  await press("Start, 5 s to get to the top");
  expect(screen.getByText("Rep 1 of 2: get to the top")).toBeVisible();
  expect(screen.getByRole("button", { name: "Dropped too fast" })).toBeDisabled();
  await press("End the set here");
  // The clock has run: what is left is to say how many there were.
  await press("+1, one more");
  await press("Log 1 rep");
  expect(screen.queryByText("Reps in reserve, last set")).not.toBeInTheDocument();
});

it("takes the easier form of an exercise in turn at a touch", async () => {
  const easier = alternate("Kneeling push-up", "Easier", packPlan(2, { line: "2 x 8..12 2 in reserve" }));
  const { press, told } = await run([
    packItem("Push-up", packPlan(2), { alternates: [easier] }),
    packItem("Row", packPlan(2), { joined: true }),
  ]);
  await press("Easier: Kneeling push-up, 2 × 8–12, 2 in reserve");
  expect(heading()).toBe("Kneeling push-up");
  expect(screen.getByText("Instead of push-up: easier on the day")).toBeVisible();
  expect(told("Swap")[0]).toMatchObject({ item: "Push-up", to: "Kneeling push-up" });
});

it("keeps the easier form of an exercise alone behind More", async () => {
  const easier = alternate("Kneeling push-up", "Easier", packPlan(2));
  const { press } = await run([packItem("Push-up", packPlan(2), { alternates: [easier] })]);
  expect(screen.queryByRole("button", { name: /^Easier/ })).not.toBeInTheDocument();
  await press("More");
  expect(screen.getByRole("button", { name: "Easier: Kneeling push-up, 2 × 5" })).toBeVisible();
});

const sides = packPlan(2, {
  efforts: [1, 2].flatMap((set) =>
    (["Left", "Right"] as const).map((side, i) => effortOf({ set, part: i + 1, side, repsLow: 8, repsHigh: 8 })),
  ),
});

it("goes on with the other side where one is stopped, and says so", async () => {
  const row = packItem("Single-arm row", sides, { movement: packMovement("Single-arm row", { eachSide: true }) });
  const { press } = await run([row], {
    heldBack: [{ place: "ElbowInner", hurt: 0, stopped: [0], eased: [] }],
  });
  expect(heading()).toBe("Single-arm row, left");
  expect(screen.getByText("set 1 of 2")).toBeVisible();
  await press("Pain");
  await press("7");
  await press("Save");
  expect(screen.getByRole("alert")).toHaveTextContent("Choose where it hurts.");
  await press("left elbow, inside");
  await press("Save");
  expect(await screen.findByText(/^Do not train single-arm row, left today/)).toBeVisible();
  await press("Understood");
  expect(heading()).toBe("Single-arm row, right");
  expect(screen.getByText("Left side stopped (left elbow, inside, 7 of 10): train the right side only.")).toBeVisible();
});

it("says of a session of an earlier day that it stands there", async () => {
  const { press } = await run([packItem("Row", packPlan(1))], { day: "2026-03-09" });
  await press("Done, all 5");
  cleanup();
  await open([packItem("Row", packPlan(1))], { day: "2026-03-09" });
  expect(await screen.findByText(/^This session was planned for Mon, Mar 9/)).toBeVisible();
  cleanup();
  await open([packItem("Row", packPlan(1))]);
  expect(await screen.findByRole("button", { name: "Start session" })).toBeVisible();
  expect(screen.queryByText(/was planned for/)).not.toBeInTheDocument();
});

it("begins no session of a later day", async () => {
  await open([packItem("Row", packPlan(1))], { day: "2026-03-18" });
  expect(await screen.findByText(/^This session is planned for Wed, Mar 18/)).toBeVisible();
  expect(screen.queryByRole("button", { name: "Start session" })).not.toBeInTheDocument();
});

it("changes the load, writes down the set-up, adds a set, and leaves out with a reason", async () => {
  const field = { name: "strap mark", measure: "Text", words: [] } as never;
  const { press, told } = await run([
    packItem("Dip", packPlan(1, { loads: [packLoad(10)] }), {
      choices: [packLoad(5), packLoad(10), packLoad(12.5)],
      movement: packMovement("Dip", { setUp: [field] }),
    }),
    packItem("Row", packPlan(1)),
  ]);
  expect(screen.getByText("Set-up: not recorded")).toBeVisible();
  await press("More");
  await press("Record set-up");
  await userEvent.type(screen.getByLabelText("strap mark"), "7");
  await press("Save");
  await press("More");
  await press("Load used");
  await press("+12.5 kg");
  expect(screen.getByText("Set-up: strap mark 7")).toBeVisible();
  await press("Done, all 5");
  expect(told("Set")[0]!.set).toMatchObject({ added: { value: 12.5, unit: "Kg" }, setUp: { "strap mark": "7" } });
  await press("More");
  await press("One more set");
  await press("Start row");
  await press("More");
  await press("Skip this exercise");
  await press("Skip this exercise");
  expect(screen.getByText("Write a reason.")).toBeVisible();
  await press("out of time");
  expect(told("Skip")[0]).toMatchObject({ item: "Row", reason: "out of time" });
});

it("is run from a keyboard", async () => {
  const { told } = await run([packItem("Row", packPlan(2)), packItem("Dip", packPlan(1))]);
  await userEvent.keyboard("{ArrowDown}{ArrowDown}{ArrowUp}g");
  expect(told("Set")[0]!.set).toMatchObject({ reps: 4 });
  await userEvent.keyboard("u");
  expect(told("Set")).toHaveLength(0);
  await userEvent.keyboard("p");
  expect(await screen.findByRole("dialog", { name: "Pain" })).toBeVisible();
  // What stands under the open sheet is pressed by no key.
  await userEvent.keyboard("g");
  expect(told("Set")).toHaveLength(0);
  await userEvent.keyboard("{Escape}");
  await waitFor(() => expect(screen.queryByRole("dialog")).not.toBeInTheDocument());
  await userEvent.keyboard("g");
  expect(told("Set")[0]!.set).toMatchObject({ reps: 5 });
});
