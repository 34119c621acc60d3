// @vitest-environment jsdom
import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, it } from "vitest";
import type { LoggedSet, Session, SessionItem, SetRequest } from "../api/types";
import { Refusal, show, type Answers } from "../testing/page";
import { effortOf, loadOf, planOf } from "../testing/plan";
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
  ...more,
});

const logged = (request: Omit<SetRequest, "sagged">, id = "l"): LoggedSet => ({
  id,
  set: request.set,
  part: request.part,
  reps: request.reps,
  seconds: request.seconds ?? null,
  added: request.added,
  reserve: request.reserve,
  form: request.form,
  pain: request.pain,
  painPlace: request.painPlace,
  total: request.total ?? null,
  contact: request.contact ?? null,
  sagged: false,
  restedSeconds: null,
  sign: request.sign ?? null,
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
const log = () => userEvent.click(screen.getByRole("button", { name: "Log the set" }));

it("opens the next set with what is asked for, and goes on to the one after", async () => {
  const page = open();
  expect(within(await form(1)).getByLabelText("Reps")).toHaveValue("10");
  await userEvent.click(screen.getByRole("button", { name: "−1, one rep fewer" }));
  await userEvent.click(within(await form(1)).getByRole("button", { name: "1" }));
  await log();
  await form(2);
  expect(screen.getByText("9 at +6.25 kg, 1 left")).toBeVisible();
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
  const no = new Refusal(400, {
    title: "Say where it hurts.",
    errors: [{ path: "painPlace", code: "empty", message: "Say where it hurts." }],
  });
  const page = open(session(), {
    "PUT /api/athletes/a/sessions/s/sets/:any": () => (refused ? no : session({ status: "Started" })),
  });
  await form(1);
  expect(screen.queryByRole("combobox", { name: /Where/ })).not.toBeInTheDocument();
  await userEvent.click(screen.getByRole("combobox", { name: /Pain/ }));
  await userEvent.click(screen.getByRole("option", { name: "4 of 10" }));
  await log();
  expect(await screen.findByText("Say where it hurts.")).toBeVisible();
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
  await userEvent.click(first.getByRole("button", { name: "broke" }));
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
  expect(await screen.findByText(/What you typed is still here/)).toBeVisible();
  expect(reps).toHaveValue("7");
  lost = false;
  await log();
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
  expect(first.getByRole("button", { name: "broke" })).toHaveAttribute("aria-pressed", "true");
  await userEvent.click(first.getByRole("button", { name: "clean" }));
  await userEvent.click(screen.getByRole("button", { name: "Save the correction" }));
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
  expect(screen.getAllByText("5 s at 0 kg")).toHaveLength(3);
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
  await userEvent.click(await screen.findByRole("button", { name: "Finish the session" }));
  const dialog = within(await screen.findByRole("dialog"));
  expect(dialog.getByText("Finish with 1 set not logged?")).toBeVisible();
  await userEvent.click(dialog.getByRole("button", { name: "Keep" }));
  expect(page.to("POST")).toEqual([]);
  await userEvent.click(screen.getByRole("button", { name: "Finish the session" }));
  await userEvent.click(within(await screen.findByRole("dialog")).getByRole("button", { name: "Finish" }));
  expect(await screen.findByText(/Nothing waits for you from this session/)).toBeVisible();
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
    "PUT /api/athletes/a/sessions/s/sets/:any": new Refusal(409, {
      title: "This set was corrected elsewhere meanwhile.",
    }),
  });
  await form(1);
  await log();
  expect(await screen.findByText("This set was corrected elsewhere meanwhile.")).toBeVisible();
});
