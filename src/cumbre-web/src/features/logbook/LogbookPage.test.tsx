// @vitest-environment jsdom
import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, it } from "vitest";
import type { LogbookSession, LogbookSums, LoggedSet } from "../../shared/api/types";
import { show, type Answers } from "../../shared/testing/page";
import LogbookPage from "./LogbookPage";
import { everyWeek } from "./Sums";

const set = (id: string, more: Partial<LoggedSet> = {}): LoggedSet => ({
  id,
  set: 1,
  part: 1,
  reps: 8,
  seconds: null,
  added: { value: 10, unit: "Kg" },
  reserve: 2,
  form: "Clean",
  pain: null,
  painPlace: null,
  total: null,
  contact: null,
  sagged: false,
  restedSeconds: null,
  sign: null,
  setUp: {},
  failedAt: null,
  fault: null,
  note: null,
  was: null,
  doneAt: "2026-03-12T18:52:00Z",
  ...more,
});

const session = (id: string, sets: LoggedSet[], more: Partial<LogbookSession> = {}): LogbookSession => ({
  id,
  day: "2026-03-12",
  athlete: "01991c52-9c00-7d47-96f3-f6a3923e2915",
  athleteName: "Kasimir Lund",
  title: "Pull",
  easy: false,
  status: "Done",
  effort: 7,
  bodyMassKg: 78.4,
  sets: sets.map((s) => ({
    set: s,
    item: "i",
    movement: "weighted-pull-up",
    name: "Weighted pull-up",
    line: "3 x 8 @ +10 kg",
    systemKg: 88.4,
    oneRepMaxKg: 114.9,
    compared: null,
  })),
  ...more,
});

const sums: LogbookSums = {
  sets: 2,
  more: false,
  sessions: 1,
  athletes: 1,
  reps: 15,
  seconds: 0,
  volumeKg: 1326,
  meanReserve: 1.5,
  reserveTold: 2,
  clean: 1,
  pain: 1,
  weeks: [{ monday: "2026-03-09", sets: 2 }],
  measure: "OneRepMax",
  bests: [
    {
      athlete: "a",
      name: "Kasimir Lund",
      value: 117.6,
      low: 110,
      high: 120,
      bodyMassKg: 78.4,
      day: "2026-03-12",
    },
  ],
};

const one = session("s", [
  set("x"),
  set("y", {
    set: 2,
    reps: 7,
    form: "Broken",
    fault: "half reps",
    pain: 4,
    painPlace: "left elbow, inside",
    was: set("w", { reps: 9 }),
  }),
]);

const open = (at: string, answers: Answers = {}) =>
  show(<LogbookPage />, {
    path: "/logbook",
    at,
    answers: {
      "GET /api/athletes": [{ id: one.athlete, name: "Kasimir Lund" }],
      "GET /api/movements": [{ slug: "weighted-pull-up", name: "Weighted pull-up", setUp: ["grip and width"] }],
      "GET /api/logbook": { sessions: [one], after: null },
      "GET /api/logbook/sums": sums,
      ...answers,
    },
  });

it("shows each session with its sets, what was corrected, and what it comes to", async () => {
  open("/logbook");
  const rows = within(await screen.findByRole("table"));
  expect(await rows.findByText(/78.4 kg, 2 sets, 15 reps, RPE 7/)).toBeVisible();
  expect(rows.getByText("half reps, 4/10 left elbow, inside, was 9, +10 kg")).toBeVisible();
  const figures = within(await screen.findByRole("complementary", { name: "What is filtered" }));
  expect(await figures.findByText("117.6 kg")).toBeVisible();
  expect(figures.getByText(/1.5 × bodyweight/)).toBeVisible();
  expect(screen.getByText("1,326 kg")).toBeVisible();
});

it("keeps what is asked in the address, and asks the server for it", async () => {
  const { to, address } = open("/logbook?movement=weighted-pull-up&pain=yes&order=Oldest");
  expect(await screen.findByDisplayValue("Weighted pull-up")).toBeVisible();
  expect(to("GET /api/logbook?")).toHaveLength(1);
  await userEvent.click(screen.getByRole("button", { name: "Corrected" }));
  expect(address()).toBe("/logbook?movement=weighted-pull-up&pain=yes&corrected=yes&order=Oldest");
  await userEvent.click(screen.getByRole("button", { name: /^Week of Mar 9: 2 sets/ }));
  expect(address()).toContain("from=2026-03-09&to=2026-03-15");
  await userEvent.click(screen.getByRole("button", { name: "Clear filters" }));
  expect(address()).toBe("/logbook?order=Oldest");
  const table = screen.getByRole("link", { name: "CSV" });
  expect(table).toHaveAttribute("href", "/api/logbook/sets.csv?order=Oldest");
  const book = screen.getByRole("link", { name: "XLSX" });
  expect(book).toHaveAttribute("href", "/api/export.xlsx?order=Oldest");
});

it("is walked, folded and corrected by keys", async () => {
  const { to } = open("/logbook", { "GET /api/athletes/:any/sessions/s": "lost" });
  await screen.findByRole("table");
  await userEvent.keyboard("jj");
  expect(document.activeElement).toHaveAttribute("data-set", "x");
  await userEvent.keyboard("e");
  await waitFor(() => expect(to("GET /api/athletes/01991c52").length).toBeGreaterThan(0));
  await userEvent.keyboard("o");
  expect(document.activeElement).toHaveAttribute("data-session", "s");
  expect(screen.queryByText(/half reps/)).not.toBeInTheDocument();
  await userEvent.keyboard("o");
  expect(screen.getByText(/half reps/)).toBeVisible();
});

it("shows sets by a figure, each with its day and athlete", async () => {
  const { to } = open("/logbook?order=Load", {
    "GET /api/logbook/highest": { more: false, sessions: one.sets.map((x) => ({ ...one, sets: [x] })) },
  });
  expect(await screen.findAllByRole("link", { name: "Thu, Mar 12, Kasimir Lund" })).toHaveLength(2);
  expect(screen.getByText("The first 2 sets in this order.")).toBeVisible();
  expect(to("GET /api/logbook?")).toHaveLength(0);
});

it("tells what the rules of progress read beside the newest session, and why not", async () => {
  const like = (compared: LogbookSession["sets"][number]["compared"], id: string) => {
    const of = session(id, [set(`${id}-set`)]);
    return { ...of, sets: of.sets.map((x) => ({ ...x, compared })) };
  };
  open("/logbook?movement=weighted-pull-up", {
    "GET /api/logbook": {
      sessions: [
        like(null, "newest"),
        like({ unlike: [], parts: [], holds: true }, "same"),
        like({ unlike: ["Deload", "Load", "SetUp"], parts: ["grip and width"], holds: false }, "other"),
      ],
      after: null,
    },
  });
  expect(await screen.findByText("like the newest session")).toBeVisible();
  const why = "not like the newest session: deload, another load, grip and width set differently";
  expect(screen.getByText(why)).toBeVisible();
});

it("puts no more in order than it can", async () => {
  open("/logbook?order=Pain", { "GET /api/logbook/highest": { more: true, sessions: [] } });
  expect(await screen.findByText("Too many sets to put in order")).toBeVisible();
});

it("keeps filters by a name, and brings them back", async () => {
  let views = [{ name: "Sore", address: "pain=yes" }];
  const { to, address } = open("/logbook?form=Broken", {
    "GET /api/logbook/views": () => views,
    "PUT /api/logbook/views": (view: { name: string; address: string }) => {
      views = [...views, view];
      return {};
    },
    "DELETE /api/logbook/views/Sore": () => {
      views = views.filter((v) => v.name !== "Sore");
      return {};
    },
  });
  await userEvent.click(await screen.findByRole("button", { name: "Saved filters" }));
  const dialog = within(await screen.findByRole("dialog", { name: "Saved filters" }));
  await userEvent.click(dialog.getByRole("button", { name: "Save filters" }));
  expect(dialog.getByText("Write a name.")).toBeVisible();
  await userEvent.type(dialog.getByLabelText("Name for these filters"), "Broken sets{Enter}");
  expect(await dialog.findByRole("button", { name: "Broken sets" })).toBeVisible();
  expect(to("PUT /api/logbook/views")).toEqual([{ name: "Broken sets", address: "form=Broken" }]);
  await userEvent.click(dialog.getByRole("button", { name: "Delete Sore" }));
  await userEvent.click(await dialog.findByRole("button", { name: "Undo" }));
  expect(to("PUT /api/logbook/views")[1]).toEqual({ name: "Sore", address: "pain=yes" });
  await userEvent.click(await dialog.findByRole("button", { name: "Sore" }));
  expect(address()).toBe("/logbook?pain=yes");
});

it("says what to do where nothing fits, and adds up no more than it can", async () => {
  open("/logbook?text=zzz", {
    "GET /api/logbook": { sessions: [], after: null },
    "GET /api/logbook/sums": { ...sums, sets: 200_001, more: true, weeks: [], measure: null, bests: [] },
  });
  expect(await screen.findByText("No set fits these filters")).toBeVisible();
  expect(await screen.findByText(/^More than 200,000 sets: choose/)).toBeVisible();
  expect(screen.queryByText("1,326 kg")).not.toBeInTheDocument();
});

it("leaves a gap for weeks without a set", () => {
  const weeks = [
    { monday: "2025-12-22", sets: 3 },
    { monday: "2026-01-12", sets: 5 },
  ];
  expect(everyWeek(weeks).map((w) => `${w.monday} ${w.sets}`)).toEqual([
    "2025-12-22 3",
    "2025-12-29 0",
    "2026-01-05 0",
    "2026-01-12 5",
  ]);
  expect(everyWeek([])).toEqual([]);
});
