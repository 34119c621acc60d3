// @vitest-environment jsdom
import { screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, it, vi } from "vitest";
import type { ItemMeaning, PublishedBlock, Resolved, Session } from "../../shared/api/types";
import PrintPage from "./SessionPrintPage";
import { blockOf, itemOf, sessionOf } from "../../shared/testing/block";
import { show } from "../../shared/testing/page";
import { effortOf, loadOf, planOf } from "../../shared/testing/plan";
import SheetsPage from "./SheetsPage";

const movement = (slug: string, name: string) => ({
  slug,
  name,
  bottom: "the hang",
  standard: `How a ${name.toLowerCase()} counts.`,
  faults: [],
  failureHarmless: true,
  asksContact: false,
});

const pull = planOf({
  loads: [loadOf(12.5)],
  efforts: [1, 2, 3].map((set) => effortOf({ set, repsLow: 5, repsHigh: 5 })),
  tempo: { lowering: 3, bottom: 1, lifting: null, top: 0 },
});
const drop = planOf({
  loads: [loadOf(20), loadOf(10)],
  efforts: [
    effortOf({ role: "DropPart" }),
    effortOf({
      role: "DropPart",
      part: 2,
      load: 1,
      takeOff: [{ size: { value: 10, unit: "Kg" }, sort: "Plate" as const }],
    }),
  ],
});
const drill = planOf({ hardSets: 0, restSeconds: 0, efforts: [effortOf({ repsLow: 10, repsHigh: 10 })] });

const meaning = (id: string, name: string, plan: Resolved | null): ItemMeaning => ({
  id,
  movement: movement(id, name),
  canonical: "",
  error: null,
  problem: null,
  plan,
  structure: null,
  bands: [],
  easier: null,
  misfits: [],
});

const block = blockOf(
  [
    sessionOf(
      "s1",
      "2026-03-16",
      itemOf("i1", "weighted-pull-up", "3 x 5 @ +12.5 kg tempo 3-1-X-0"),
      itemOf("i2", "stick-pass", "2 x 10", true),
      itemOf("i3", "weighted-chin-up", "drop 4+4 @ +20 / +10 kg"),
    ),
    sessionOf("s2", "2026-03-19", itemOf("i4", "dip", "3 x")),
  ],
  [],
);

const published: PublishedBlock = {
  club: "Cochera 9",
  athleteName: "Noor",
  unit: "Kg",
  number: 2,
  at: "2026-03-14T18:00:00Z",
  block,
  items: [
    meaning("i1", "Weighted pull-up", pull),
    meaning("i2", "Stick pass", drill),
    meaning("i3", "Weighted chin-up", drop),
    meaning("i4", "Dip", null),
  ],
  seconds: { s1: 3000, s2: 600 },
  cautions: {
    s1: [
      { id: "StopSigns", args: [] },
      { id: "FallZone", args: [] },
      { id: "NotMedicalAdvice", args: [] },
    ],
  },
};

const open = (search = "", more: Partial<PublishedBlock> = {}) =>
  show(<SheetsPage />, {
    path: "/athletes/:athleteId/blocks/:blockId/print",
    at: `/athletes/a/blocks/b/print${search}`,
    answers: { "GET /api/athletes/a/blocks/b/sheets": { ...published, ...more } },
  });

const first = async () => within(await screen.findByRole("region", { name: "Mon, Mar 16, Pull" }));

it("is one page per session, which says whose, of when, and of which version", async () => {
  const page = open("?version=2");
  const sheet = await first();
  expect(sheet.getByRole("heading", { level: 1 })).toHaveTextContent("Noor");
  expect(sheet.getByText(/^version 2, .*Mar 14, 2026/)).toBeVisible();
  expect(sheet.getByText(/^Cochera 9, .*, Pull, week 1, 50 min, 3 exercises$/)).toBeVisible();
  expect(screen.getByRole("region", { name: "Thu, Mar 19, Pull" })).toBeVisible();
  expect(page.sent.map((s) => s.to)).toContain("GET /api/athletes/a/blocks/b/sheets?version=2");
});

it("has an empty box a set, says what hangs, and what comes off in a drop", async () => {
  open();
  const sheet = await first();
  expect([...sheet.getByLabelText("Boxes of A1").children].map((e) => e.textContent)).toEqual([
    "1: 5",
    "2: 5",
    "3: 5",
    "RIR, pain",
  ]);
  expect(sheet.getByText(/^\+12\.5 kg \(12\.5\)\. How a weighted pull-up counts\./)).toBeVisible();
  expect([...sheet.getByLabelText("Boxes of B").children].map((e) => e.textContent)).toEqual([
    "1.1: 4",
    "1.2: 4, off 10",
    "RIR, pain",
  ]);
});

it("asks for no figures of a drill between the sets", async () => {
  open();
  const sheet = await first();
  expect(sheet.getByText("Stick pass")).toBeVisible();
  expect(sheet.queryByLabelText("Boxes of A2")).not.toBeInTheDocument();
});

it("explains the tempo where there is one, and says once what every sheet says", async () => {
  open();
  const sheet = await first();
  expect(sheet.getByText("Weighted pull-up: the bottom is the hang.")).toBeVisible();
  expect(sheet.getAllByText(/Stop on sharp pain/)).toHaveLength(1);
  expect(sheet.getByText(/This is not medical advice/)).toBeVisible();
  expect(within(sheet.getByRole("list")).getAllByRole("listitem")).toHaveLength(1);
  const other = within(screen.getByRole("region", { name: "Thu, Mar 19, Pull" }));
  expect(other.queryByText(/Tempo:/)).not.toBeInTheDocument();
});

it("prints a line that cannot be read as it was written, without boxes", async () => {
  open();
  await first();
  const other = within(screen.getByRole("region", { name: "Thu, Mar 19, Pull" }));
  expect(other.getByText("3 x")).toBeVisible();
  expect(other.queryByLabelText("Boxes of A")).not.toBeInTheDocument();
});

it("speaks the athlete's unit, whoever prints", async () => {
  open("", { unit: "Lb" });
  expect((await first()).getByText(/^\+27\.6 lb \(12\.5 kg\)\./)).toBeVisible();
});

it("has the week on one page, and keeps the choices in its address", async () => {
  const page = open();
  await first();
  await userEvent.click(screen.getByRole("combobox", { name: /Sheet/ }));
  await userEvent.click(screen.getByRole("option", { name: "the week on one page" }));
  const week = within(screen.getByRole("region", { name: "Week 1" }));
  expect(week.getByRole("columnheader", { name: /Mon, Mar 16\s*Pull, 50 min/ })).toBeVisible();
  expect(week.getByText("B Weighted chin-up")).toBeVisible();
  await userEvent.click(screen.getByRole("combobox", { name: /Paper/ }));
  await userEvent.click(screen.getByRole("option", { name: "Letter" }));
  expect(page.address()).toBe("/athletes/a/blocks/b/print?sheet=week&paper=letter");
});

it.each(["2", "9", "x"])("says that week %s holds nothing, or shows one that is there", async (week) => {
  open(`?week=${week}`);
  if (week === "x") expect((await first()).getByText("Stick pass")).toBeVisible();
  else expect(await screen.findByText("Nothing planned this week.")).toBeVisible();
});

it("calls what was never published a draft", async () => {
  open("", { number: null });
  expect((await first()).getByText(/^draft, /)).toBeVisible();
});

it("prints", async () => {
  const print = vi.spyOn(window, "print").mockImplementation(() => {});
  open();
  await first();
  await userEvent.click(screen.getByRole("button", { name: "Print" }));
  expect(print).toHaveBeenCalledOnce();
});

const session: Session = {
  id: "s",
  athleteId: "a",
  athleteName: "Noor",
  unit: "Lb",
  day: "2026-03-16",
  title: "",
  blockId: null,
  status: "Planned",
  easy: true,
  overrideReason: "the hall has no other bar",
  version: 1,
  warmUp: { text: "", seconds: 0 },
  coolDown: { text: "Easy stretches", seconds: 300 },
  durationSeconds: 600,
  items: [
    {
      id: "i1",
      line: "3 x 5 @ +12.5 kg",
      joined: false,
      plan: { ...pull, cautions: [{ id: "FallZone", args: [] }] },
      problem: null,
      readable: true,
      movement: movement("weighted-pull-up", "Weighted pull-up"),
      sets: [],
      setUp: [],
      lastSetUp: {},
      skipped: null,
      lineBeforeEasy: null,
    },
  ],
  decisions: [],
  checkIn: null,
  easyOffered: false,
  morning: null,
  asksMorning: false,
  effort: null,
};

it("has the same sheet for a session that stands alone, with the reason it stands against a caution", async () => {
  show(<PrintPage />, {
    path: "/athletes/:athleteId/sessions/:sessionId/print",
    at: "/athletes/a/sessions/s/print",
    answers: { "GET /api/athletes/a/sessions/s": session },
  });
  const sheet = within(await screen.findByRole("region", { name: "Mon, Mar 16" }));
  expect(sheet.getByText(/^Cochera 9, .*, deload, 10 min, 1 exercise$/)).toBeVisible();
  expect(sheet.getByText(/^\+27\.6 lb/)).toBeVisible();
  expect(sheet.getByText("Kept against a caution:").parentElement).toHaveTextContent("the hall has no other bar");
  expect(sheet.getByText(/Easy stretches/)).toBeVisible();
  expect(screen.getByRole("link", { name: "Back" })).toHaveAttribute("href", "/athletes/a/sessions/s");
});
