// @vitest-environment jsdom
import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, it } from "vitest";
import type { LoggedSet, Session, SessionItem, SetRequest } from "../../shared/api/types";
import { me, Refusal, show, type Answers } from "../../shared/testing/page";
import { effortOf, loadOf, planOf } from "../../shared/testing/plan";
import SessionPage from "./SessionPage";

const item = (more: Partial<SessionItem> = {}): SessionItem => ({
  id: "i1",
  line: "2 x 8..10 @ +6.25 kg",
  joined: false,
  plan: planOf({
    setTotal: 2,
    loads: [loadOf(6.25)],
    efforts: [1, 2].map((set) => effortOf({ set, repsLow: 8, repsHigh: 10 })),
  }),
  problem: null,
  readable: true,
  movement: {
    slug: "weighted-pull-up",
    name: "Weighted pull-up",
    bottom: "the hang",
    standard: "The chin clears the hands.",
    faults: [],
    failureHarmless: true,
    asksContact: false,
  },
  sets: [],
  setUp: [],
  lastSetUp: {},
  skipped: null,
  lineBeforeEasy: null,
  ...more,
});

const session = (more: Partial<Session> = {}): Session => ({
  id: "s",
  athleteId: "a",
  athleteName: "Noor",
  unit: "Kg",
  day: "2026-03-16",
  title: "Pull",
  blockId: null,
  status: "Planned",
  easy: false,
  overrideReason: null,
  version: 1,
  warmUp: { text: "", seconds: 0 },
  coolDown: { text: "", seconds: 0 },
  durationSeconds: 450,
  items: [item()],
  decisions: [],
  checkIn: null,
  easyOffered: false,
  morning: null,
  asksMorning: false,
  effort: null,
  ...more,
});

type Done = Pick<SetRequest, "set" | "part" | "reps" | "added" | "reserve" | "form"> & Partial<SetRequest>;

const logged = (request: Done, id = "l"): LoggedSet => ({
  id,
  set: request.set,
  part: request.part,
  reps: request.reps,
  seconds: request.seconds ?? null,
  added: request.added,
  reserve: request.reserve,
  form: request.form,
  pain: request.pain ?? null,
  painPlace: request.painPlace ?? null,
  total: request.total ?? null,
  contact: request.contact ?? null,
  sagged: false,
  restedSeconds: null,
  sign: request.sign ?? null,
  setUp: request.setUp ?? {},
  failedAt: request.failedAt ?? null,
  fault: request.fault ?? null,
  note: request.note ?? null,
  was: null,
});

/** A server that keeps what is logged. */
function open(start: Session = session(), more: Answers = {}) {
  let now = start;
  const keep = (request: SetRequest) => {
    const set = logged(request, `l${request.set}.${request.part}`);
    now = {
      ...now,
      status: "Started",
      items: now.items.map((i) =>
        i.id === request.item
          ? { ...i, sets: [...i.sets.filter((s) => s.set !== set.set || s.part !== set.part), set] }
          : i,
      ),
    };
    return now;
  };
  return show(<SessionPage />, {
    path: "/athletes/:athleteId/sessions/:sessionId",
    at: "/athletes/a/sessions/s",
    answers: {
      "GET /api/athletes/a/sessions/s": () => now,
      "PUT /api/athletes/a/sessions/s/sets/:any": keep,
      "POST /api/athletes/a/sessions/s/finish": () => (now = { ...now, status: "Done" }),
      ...more,
    },
  });
}

const form = (set: number) => screen.findByRole("form", { name: `Set ${set}` });
const log = () => userEvent.click(screen.getByRole("button", { name: "Log set" }));

it("asks for the load in the reader's unit, and keeps what was planned exact unless another is typed", async () => {
  const pounds = { ...me, account: { ...me.account!, unit: "Lb" as const } };
  const page = open(session(), { "GET /api/me": pounds });
  expect(within(await form(1)).getByLabelText("Load")).toHaveValue("13.8");
  await log();
  const load = within(await form(2)).getByLabelText("Load");
  await userEvent.clear(load);
  await userEvent.type(load, "15");
  await log();
  await waitFor(() =>
    expect(page.to("PUT")).toMatchObject([
      { set: 1, added: { value: 6.25, unit: "Kg" } },
      { set: 2, added: { value: 15, unit: "Lb" } },
    ]),
  );
});

it("opens the next set with what is asked for, and goes on to the one after", async () => {
  const page = open();
  expect(within(await form(1)).getByLabelText("Reps")).toHaveValue("10");
  await userEvent.click(screen.getByRole("button", { name: "−1, one rep fewer" }));
  await userEvent.click(within(await form(1)).getByRole("button", { name: "1" }));
  await log();
  await form(2);
  expect(screen.getByText("9 at +6.25 kg, 1 in reserve")).toBeVisible();
  expect(page.to("PUT")).toEqual([
    {
      set: 1,
      part: 1,
      item: "i1",
      reps: 9,
      seconds: null,
      added: { value: 6.25, unit: "Kg" },
      reserve: 1,
      form: "Clean",
      pain: null,
      painPlace: null,
      sign: null,
      contact: null,
      total: null,
      sagged: false,
      setUp: {},
      failedAt: null,
      fault: null,
      note: null,
      supersedes: null,
    },
  ]);
  expect(screen.getByText("1 set not logged yet")).toBeVisible();
});

it.each([
  ["Reps", "many", /“many” is not a/],
  ["Reps", "", /reps/],
  ["Load", "heavy", /“heavy” is not a number/],
])("says at %s that %j is none, and keeps it", async (label, typed, words) => {
  const page = open();
  const field = within(await form(1)).getByLabelText(label);
  await userEvent.clear(field);
  if (typed) await userEvent.type(field, typed);
  await log();
  await waitFor(() => expect(field).toHaveAccessibleDescription(words));
  expect(field).toHaveValue(typed);
  expect(page.to("PUT")).toEqual([]);
});

it("takes a comma for a decimal", async () => {
  const page = open();
  const load = within(await form(1)).getByLabelText("Load");
  await userEvent.clear(load);
  await userEvent.type(load, "7,5{Enter}");
  await form(2);
  expect((page.to("PUT")[0] as SetRequest).added).toEqual({ value: 7.5, unit: "Kg" });
});

it("asks where it hurts only when it hurts, and shows what the server says of it", async () => {
  let refused = true;
  const no = Refusal.at("painPlace", "painPlaceMissing");
  const page = open(session(), {
    "PUT /api/athletes/a/sessions/s/sets/:any": () => (refused ? no : session({ status: "Started" })),
  });
  await form(1);
  expect(screen.queryByRole("combobox", { name: /Where/ })).not.toBeInTheDocument();
  await userEvent.click(screen.getByRole("combobox", { name: /Pain/ }));
  await userEvent.click(screen.getByRole("option", { name: "4/10" }));
  await log();
  expect(await screen.findByText("Enter where it hurts.")).toBeVisible();
  refused = false;
  await userEvent.click(screen.getByRole("combobox", { name: /Where/ }));
  await userEvent.click(screen.getByRole("option", { name: "right elbow, inside" }));
  await log();
  await waitFor(() => expect(page.to("PUT")).toHaveLength(2));
  expect(page.to("PUT")[1]).toMatchObject({ pain: 4, painPlace: "right elbow, inside" });
});

it("keeps the clean reps of a broken set beside all of them, and takes a set of none", async () => {
  const page = open();
  const first = within(await form(1));
  await userEvent.click(first.getByRole("button", { name: "broke down" }));
  const reps = first.getByLabelText("Clean reps");
  await userEvent.clear(reps);
  await userEvent.type(reps, "0");
  await userEvent.type(first.getByLabelText("All reps"), "3");
  await log();
  await waitFor(() => expect(page.to("PUT")).toHaveLength(1));
  expect(page.to("PUT")[0]).toMatchObject({ reps: 0, total: 3, form: "Broken" });
});

it("loses nothing when the answer is lost, and sends the same set again", async () => {
  let lost = true;
  const page = open(session(), {
    "PUT /api/athletes/a/sessions/s/sets/:any": (request: SetRequest) =>
      lost ? "lost" : session({ status: "Started", items: [item({ sets: [logged(request)] })] }),
  });
  const reps = within(await form(1)).getByLabelText("Reps");
  await userEvent.clear(reps);
  await userEvent.type(reps, "7");
  await log();
  expect(await screen.findByText(/Kept on this device/)).toBeVisible();
  expect(reps).toHaveValue("7");
  // It is tried again until somebody answers.
  lost = false;
  await form(2);
  const sent = page.sent.filter((s) => s.to.startsWith("PUT"));
  expect(sent[1]).toEqual(sent[0]);
});

it("corrects a set in its place: what is stored stands in the form, and the new one replaces it", async () => {
  const done = logged(
    {
      set: 1,
      part: 1,
      reps: 9,
      added: { value: 5, unit: "Kg" },
      reserve: 2,
      form: "Broken",
      pain: null,
      painPlace: null,
      supersedes: null,
    },
    "old",
  );
  const page = open(session({ status: "Started", items: [item({ sets: [done] })] }));
  await form(2);
  await userEvent.click(screen.getByRole("button", { name: "Correct set 1" }));
  const first = within(await form(1));
  expect(first.getByLabelText("Clean reps")).toHaveValue("9");
  expect(first.getByLabelText("Load")).toHaveValue("5");
  expect(first.getByRole("button", { name: "broke down" })).toHaveAttribute("aria-pressed", "true");
  await userEvent.click(first.getByRole("button", { name: "clean" }));
  await userEvent.click(screen.getByRole("button", { name: "Save correction" }));
  await waitFor(() => expect(page.to("PUT")).toHaveLength(1));
  expect(page.to("PUT")[0]).toMatchObject({ supersedes: "old", reps: 9, form: "Clean", reserve: 2 });
});

it("logs a hold in seconds, one side and then the other, and the weaker once more", async () => {
  const efforts = [
    effortOf({ seconds: 5, side: "Left" }),
    effortOf({ seconds: 5, side: "Right", part: 2 }),
    effortOf({ seconds: 5, side: "Left", set: 2 }),
  ];
  const page = open(
    session({ items: [item({ line: "hold 1 x 5 s left first +1", plan: planOf({ loads: [loadOf(0)], efforts }) })] }),
  );
  expect(within(await form(1)).getByLabelText("Seconds")).toHaveValue("5");
  for (let i = 0; i < 3; i++) {
    await waitFor(() => expect(page.to("PUT")).toHaveLength(i));
    await waitFor(() => expect(screen.getAllByRole("form")).toHaveLength(1));
    await log();
  }

  await waitFor(() => expect(screen.queryByRole("form")).not.toBeInTheDocument());
  expect(page.to("PUT").map((s) => [(s as SetRequest).set, (s as SetRequest).part, (s as SetRequest).seconds])).toEqual(
    [
      [1, 1, 5],
      [1, 2, 5],
      [2, 1, 5],
    ],
  );
  expect(screen.getAllByText("5 s at bodyweight")).toHaveLength(3);
});

it("asks before an unfinished session is finished, and says what came of it", async () => {
  const done = logged({
    set: 1,
    part: 1,
    reps: 9,
    added: { value: 6.25, unit: "Kg" },
    reserve: null,
    form: "Clean",
    pain: null,
    painPlace: null,
    supersedes: null,
  });
  const page = open(session({ status: "Started", items: [item({ sets: [done] })] }));
  await userEvent.click(await screen.findByRole("button", { name: "Finish session" }));
  const dialog = within(await screen.findByRole("dialog"));
  expect(dialog.getByText("Finish with 1 set not logged?")).toBeVisible();
  await userEvent.click(dialog.getByRole("button", { name: "Cancel" }));
  expect(page.to("POST")).toEqual([]);
  await userEvent.click(screen.getByRole("button", { name: "Finish session" }));
  await userEvent.click(within(await screen.findByRole("dialog")).getByRole("button", { name: "Finish" }));
  expect(await screen.findByText(/This session leaves no decision waiting/)).toBeVisible();
  expect(page.to("POST")).toHaveLength(1);
});

it("logs nothing before its day, and leads to where the day is changed", async () => {
  open(session({ day: "2026-03-20" }));
  expect(await screen.findByText(/Planned for Fri, Mar 20/)).toBeVisible();
  expect(screen.queryByRole("form")).not.toBeInTheDocument();
});

it("shows a line that cannot be resolved with what is missing, and the others can be logged", async () => {
  const broken = item({ id: "i0", line: "4 x 4 @ 80 % e1RM", plan: null, problem: "NoOneRepMax" });
  open(session({ items: [broken, item()] }));
  const first = within((await screen.findAllByRole("region", { name: "Weighted pull-up" }))[0]!);
  expect(first.getByText(/test/i)).toBeVisible();
  expect(first.queryByRole("list")).not.toBeInTheDocument();
  expect(await form(1)).toBeVisible();
});

it("says that somebody else logged meanwhile", async () => {
  open(session(), {
    "PUT /api/athletes/a/sessions/s/sets/:any": new Refusal(409, "setChanged"),
  });
  await form(1);
  await log();
  expect(await screen.findByText("This set was logged or corrected elsewhere.")).toBeVisible();
});

const rings = item({
  setUp: [
    { name: "strap mark", measure: "Count", most: 60, words: [] },
    { name: "ring material", measure: "Choice", most: 0, words: ["wood", "plastic", "metal"] },
  ],
  lastSetUp: { "strap mark": "6", "ring material": "wood" },
  movement: { ...item().movement, faults: ["hips sag"] },
});

it("sets up as last time, keeps what is changed for the next set, and names a part that is refused", async () => {
  const no = Refusal.at("setUp.strap mark", "outOfRange", { value: 99, from: 0, to: 60 });
  const page = open(session({ items: [rings] }), {
    "PUT /api/athletes/a/sessions/s/sets/:any": (r: SetRequest) =>
      r.setUp?.["strap mark"] === "99" ? no : session({ items: [rings], status: "Started" }),
  });
  const first = within(await form(1));
  expect(first.getByText(/strap mark 6, ring material wood/)).toBeVisible();
  await userEvent.click(first.getByRole("button", { name: "Set-up and note" }));
  const strap = first.getByLabelText("Strap mark");
  await userEvent.clear(strap);
  await userEvent.type(strap, "99");
  await log();
  expect(await first.findByText("99 is outside 0 to 60.")).toBeVisible();
  expect(strap).toHaveValue("99");
  await userEvent.clear(strap);
  await userEvent.type(strap, "8");
  await log();
  await waitFor(() => expect(page.to("PUT")).toHaveLength(2));
  expect(page.to("PUT")[1]).toMatchObject({ setUp: { "strap mark": "8", "ring material": "wood" } });
});

it("asks what broke, out of the movement's own list, only where the form broke", async () => {
  const page = open(session({ items: [rings] }));
  const first = within(await form(1));
  expect(first.queryByLabelText("What broke down")).not.toBeInTheDocument();
  await userEvent.click(first.getByRole("button", { name: "broke down" }));
  await userEvent.click(first.getByRole("combobox", { name: /What broke/ }));
  await userEvent.click(screen.getByRole("option", { name: "hips sag" }));
  await userEvent.click(first.getByRole("combobox", { name: /Failed at/ }));
  await userEvent.click(screen.getByRole("option", { name: "the top" }));
  await log();
  await waitFor(() => expect(page.to("PUT")).toHaveLength(1));
  expect(page.to("PUT")[0]).toMatchObject({ fault: "hips sag", failedAt: "Top" });
});

it("says before a correction is saved what it withdraws and proposes", async () => {
  const set = logged({ set: 1, part: 1, reps: 10, added: { value: 6.25, unit: "Kg" }, reserve: 1, form: "Clean" });
  open(session({ status: "Done", items: [item({ sets: [set] })] }), {
    "POST /api/athletes/a/sessions/s/sets/:any/preview": { gone: [], come: [] },
  });
  await userEvent.click(await screen.findByRole("button", { name: "Correct set 1" }));
  expect(
    await screen.findByText(/Logged before: 10 at \+6.25 kg. Both values are saved. Saving changes no/),
  ).toBeVisible();
});

it("does a set beyond the plan once the plan is done", async () => {
  const done = [1, 2].map((n) =>
    logged({ set: n, part: 1, reps: 10, added: { value: 6.25, unit: "Kg" }, reserve: 1, form: "Clean" }, `l${n}`),
  );
  const page = open(session({ status: "Started", items: [item({ sets: done })] }));
  await userEvent.click(await screen.findByRole("button", { name: "Add set" }));
  await form(3);
  await log();
  await waitFor(() => expect(page.to("PUT")).toHaveLength(1));
  expect(page.to("PUT")[0]).toMatchObject({ set: 3, part: 1 });
  expect(await screen.findByText("Set 3 extra")).toBeVisible();
});

it("skips an item with a reason, asks nothing more of it, and restores it", async () => {
  let now = session();
  const page = open(now, {
    "GET /api/athletes/a/sessions/s": () => now,
    "PUT /api/athletes/a/sessions/s/items/i1/skip": ({ reason }: { reason: string | null }) =>
      (now = session({ items: [item({ skipped: reason })] })),
  });
  await userEvent.click(await screen.findByRole("button", { name: "Skip Weighted pull-up" }));
  expect(screen.getByRole("button", { name: "Skip item" })).toBeDisabled();
  await userEvent.type(screen.getByLabelText("Why it is skipped"), "bar taken");
  await userEvent.click(screen.getByRole("button", { name: "Skip item" }));
  expect(await screen.findByText("Skipped: bar taken")).toBeVisible();
  expect(screen.queryByRole("form", { name: "Set 1" })).not.toBeInTheDocument();
  await userEvent.click(screen.getByRole("button", { name: "Restore" }));
  await form(1);
  expect(page.to("PUT")).toEqual([{ reason: "bar taken" }, { reason: null }]);
});

it("checks in, and offers the easy version after a short night", async () => {
  let now = session();
  const page = open(now, {
    "GET /api/athletes/a/sessions/s": () => now,
    "PUT /api/athletes/a/check-ins/:any": (checkIn: Session["checkIn"]) => {
      now = session({ checkIn: { ...checkIn!, tookEasy: null }, easyOffered: true });
      return {};
    },
    "POST /api/athletes/a/sessions/s/easy": ({ take }: { take: boolean }) =>
      (now = session({ checkIn: { ...now.checkIn!, tookEasy: take }, easyOffered: false })),
  });
  await userEvent.click(await screen.findByRole("button", { name: "Check in" }));
  const card = within(screen.getByRole("region", { name: "Check-in" }));
  await userEvent.type(card.getByLabelText("Sleep"), "5,5");
  await userEvent.click(within(card.getByRole("group", { name: /Soreness/ })).getByRole("button", { name: "7" }));
  await userEvent.click(card.getByRole("button", { name: "Save check-in" }));
  expect(await screen.findByText("Short sleep and sore: halve the sets today?")).toBeVisible();
  expect(page.to("PUT")[0]).toMatchObject({
    day: "2026-03-16",
    sleepHours: 5.5,
    soreness: 7,
    readiness: null,
    pain: [],
  });
  expect(screen.getByText("slept 5.5 h, soreness 7/10")).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Train as planned" }));
  expect(await screen.findByText("Easy version declined. The session stays as planned.")).toBeVisible();
});
