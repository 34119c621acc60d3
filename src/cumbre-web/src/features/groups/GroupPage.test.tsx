// @vitest-environment jsdom
import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, expect, it } from "vitest";
import type { Group, GroupPlan, GroupRequest } from "../../shared/api/types";
import { Refusal, show, type Answers } from "../../shared/testing/page";
import GroupPage from "./GroupPage";

const roster = [
  { id: "a", name: "Noor" },
  { id: "b", name: "Oto" },
];

const plan = (request: GroupRequest): GroupPlan => ({
  members: request.athletes.map((athleteId) => ({
    athleteId,
    name: roster.find((r) => r.id === athleteId)!.name,
    blockId: `block-${athleteId}`,
    hasBlock: request.version > 0,
    withoutMass: athleteId === "b",
    notices: [],
    cautions: [],
  })),
  weeks: [
    {
      kind: "Loading",
      sessions: request.outline.days.map((d) => ({
        day: "2026-03-16",
        title: d.title,
        form: d.form,
        stations: d.stations.map((s) => ({
          key: s.key,
          name: s.of,
          light: s.light,
          cells: request.athletes.map(() => [{ movement: "Squat", line: `${d.sets ?? 3} x 8..10`, easier: null }]),
        })),
        minutes: request.athletes.map(() => 40),
      })),
    },
  ],
});

const common: Answers = {
  "GET /api/athletes": roster,
  "GET /api/ladders": [],
  "GET /api/movements": [],
  "POST /api/groups/:any/preview": plan,
};

let user: ReturnType<typeof userEvent.setup>;
beforeEach(() => {
  user = userEvent.setup();
});

const open = (answers: Answers = {}) =>
  show(<GroupPage />, { path: "/groups/new", at: "/groups/new", answers: { ...common, ...answers } });

async function compose() {
  await user.click(screen.getByLabelText("Athletes"));
  await user.click(await screen.findByRole("option", { name: "Noor" }));
  await user.keyboard("{Escape}");
  await user.click(screen.getByLabelText("Add station on Monday"));
  await user.click(await screen.findByRole("option", { name: "legs" }));
}

it("shows what each would do once somebody comes and there is a station", async () => {
  open();
  expect(await screen.findByText("Nothing to show yet.")).toBeInTheDocument();
  await compose();
  const table = await screen.findByRole("table", { name: /stations and athletes/ });
  expect(within(table).getByText("3 x 8..10")).toBeInTheDocument();
  expect(screen.getByText("1 athlete, 1 week")).toBeInTheDocument();
});

it("takes a step back, and makes the blocks of what is shown", async () => {
  const page = open({
    "PUT /api/groups/:any": (request: GroupRequest): Group => ({
      id: "g",
      ...request,
      version: 1,
      plan: plan(request),
    }),
  });
  await compose();
  await user.click(screen.getByRole("button", { name: "Light: Legs" }));
  expect(screen.getByRole("button", { name: "Light: Legs" })).toHaveAttribute("aria-pressed", "true");
  await user.click(screen.getByRole("button", { name: "Undo" }));
  expect(screen.getByRole("button", { name: "Light: Legs" })).toHaveAttribute("aria-pressed", "false");
  await waitFor(() => expect(screen.getByRole("button", { name: "Create 1 block" })).toBeEnabled());
  await user.click(screen.getByRole("button", { name: "Create 1 block" }));
  await waitFor(() =>
    expect(page.to("PUT")).toMatchObject([
      { athletes: ["a"], version: 0, outline: { days: [{ day: "Monday", stations: [{ of: "Legs", light: false }] }] } },
    ]),
  );
});

it("says at its field what the server refuses, and keeps what is typed", async () => {
  open({
    "POST /api/groups/:any/preview": () =>
      Refusal.at("outline.minutes", "outOfRange", { value: 500, from: 10, to: 240 }),
  });
  await compose();
  await user.clear(screen.getByLabelText("Minutes per session"));
  await user.type(screen.getByLabelText("Minutes per session"), "500");
  expect(await screen.findByText("500 is outside 10 to 240.")).toBeInTheDocument();
  expect(screen.getByLabelText("Minutes per session")).toHaveValue("500");
});

it("asks before an outline is left, and tells who was never weighed", async () => {
  open();
  await compose();
  await user.click(screen.getByLabelText("Athletes"));
  await user.click(await screen.findByRole("option", { name: "Oto" }));
  await user.keyboard("{Escape}");
  expect(await screen.findByText(/Bodyweight is missing/)).toBeInTheDocument();
  await user.click(screen.getByRole("link", { name: "Programmes" }));
  expect(await screen.findByText("Leave before it is saved?")).toBeInTheDocument();
  await user.click(screen.getByRole("button", { name: "Cancel" }));
  expect(screen.getByText("2 athletes, 1 week")).toBeInTheDocument();
});
