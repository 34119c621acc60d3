// @vitest-environment jsdom
import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, it } from "vitest";
import type { Decision, DecisionDetails, Desk } from "../../shared/api/types";
import { bareWhy, Refusal, show, type Answers } from "../../shared/testing/page";
import DeskPage from "./DeskPage";

const decision = (id: string, athlete: string, more: Partial<Decision> = {}): Decision => ({
  id,
  athleteId: athlete,
  athleteName: athlete,
  movement: "weighted-dip",
  movementName: "Weighted dip",
  role: null,
  kind: "AddLoad",
  cause: "CleanSessions",
  state: "Proposed",
  deferredUntil: null,
  basisDay: "2026-03-14",
  nextDay: "2026-03-16",
  before: "4 x 5 @ +20 kg",
  next: { movement: "weighted-dip", name: "Weighted dip", line: "4 x 5 @ +21.25 kg" },
  first: null,
  confirms: false,
  place: null,
  harmless: true,
  cleared: false,
  renews: null,
  overruled: [],
  facts: [],
  evidence: [],
  changedItems: 0,
  details: null,
  ...more,
});

const desk = (...rows: Decision[][]): Desk => ({
  today: "2026-03-16",
  rows: rows.map((decisions) => ({
    athleteId: decisions[0]!.athleteId,
    athleteName: decisions[0]!.athleteName,
    decisions,
  })),
  taken: [],
  sessions: [],
  retests: [],
  pain: [],
});

/** A server from whose Desk goes what is accepted. */
function open(start: Desk, more: Answers = {}) {
  let now = start;
  const without = (ids: string[]) => {
    const rows = now.rows.map((r) => ({ ...r, decisions: r.decisions.filter((d) => !ids.includes(d.id)) }));
    now = { ...now, rows: rows.filter((r) => r.decisions.length > 0) };
  };
  const page = show(<DeskPage />, {
    path: "/",
    at: "/",
    answers: {
      "GET /api/desk": () => now,
      "POST /api/decisions/accept": ({ ids }: { ids: string[] }) => {
        without(ids);
        return { accepted: ids, left: [] };
      },
      ...more,
    },
  });
  return { ...page, without };
}

const current = () => screen.getAllByRole("listitem").find((r) => r.getAttribute("aria-current") === "true")!;
const dip = (line: string) => ({ movement: "weighted-dip", name: "Weighted dip", line });
const change = (item: string, isQuestion: boolean) => ({
  session: "s",
  item,
  day: "2026-03-19",
  before: dip("3 x 5 @ +23.75 kg"),
  after: dip("3 x 5 @ +25 kg"),
  isQuestion,
  asks: [] as DecisionDetails["changes"][number]["asks"],
});

const withDetails = (d: Decision, ...changes: DecisionDetails["changes"]): Decision => ({
  ...d,
  details: { changes, why: bareWhy("AddLoad") },
});

it("shows an athlete once, the most cautious decision first, the others when they are asked for", async () => {
  open(desk([decision("1", "Ada", { kind: "Refer", place: "left shoulder", next: null }), decision("2", "Ada")]));
  expect(await screen.findByText("Left shoulder: stop and refer")).toBeVisible();
  expect(screen.queryByText(/add load/)).not.toBeInTheDocument();
  await userEvent.keyboard("o");
  expect(screen.getByText(/add load/)).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Show fewer" }));
  expect(screen.queryByText(/add load/)).not.toBeInTheDocument();
});

it("accepts the harmless ones of an athlete together, by H and by the button", async () => {
  const back = decision("3", "Ada", { kind: "BackOff", harmless: false });
  const page = open(desk([back, decision("1", "Ada"), decision("2", "Ada")], [decision("4", "Ben")]));
  await screen.findByText("Ada");
  await userEvent.keyboard("h");
  await waitFor(() => expect(page.to("POST")).toEqual([{ ids: ["1", "2"] }]));
  await screen.findByText(/2 decisions/);
  expect(current()).toHaveTextContent("Ada");
  // With one harmless decision there is nothing to take together.
  await userEvent.keyboard("jh");
  expect(screen.queryByRole("button", { name: /harmless/ })).not.toBeInTheDocument();
  expect(page.to("POST")).toHaveLength(1);
});

it("says how many of them were left because they meet a caution", async () => {
  open(desk([decision("1", "Ada"), decision("2", "Ada")]), {
    "POST /api/decisions/accept": { accepted: ["1"], left: ["2"] },
  });
  await userEvent.click(await screen.findByRole("button", { name: /Accept 2 routine ones/ }));
  expect(await screen.findByText(/One decision was not accepted because of a caution/)).toBeVisible();
});

it("tells which caution a line would go against, beside its day", async () => {
  const jump = {
    id: "JumpLarge" as const,
    args: [
      { kind: "AddedLoad" as const, number: 6.25, code: null, date: null, pieces: null },
      { kind: "Percent" as const, number: 10.04, code: null, date: null, pieces: null },
    ],
  };
  open(desk([withDetails(decision("1", "Ada"), { ...change("i", false), asks: [jump] }, change("j", false))]));
  const list = await screen.findByRole("list", { name: "What changes" });
  const told = within(list).getAllByText(/6.25 kg/);
  expect(told).toHaveLength(1);
  expect(told[0]).toHaveTextContent("Thu, Mar 19");
});

it("asks for a reason in the row, keeps what is typed, and sends it", async () => {
  const page = open(desk([decision("1", "Ada")], [decision("2", "Ben")]), {
    "POST /api/decisions/1/accept": (body: { reason: string | null }) => {
      if (!body.reason) return Refusal.at("reason", "overrideReason");
      page.without(["1"]);
      return { decision: decision("1", "Ada", { state: "Accepted" }), sessionId: "s" };
    },
  });
  await screen.findByText("Ada");
  await userEvent.keyboard("a");
  const field = await screen.findByLabelText("Your reason");
  expect(field).toHaveAccessibleDescription("This goes against a caution. Give a reason or change the line.");
  expect(screen.getByRole("button", { name: /Accept/ })).toBeDisabled();
  // The letters are text here, no verbs.
  await userEvent.type(field, "jolly good hips{Enter}");
  await waitFor(() => expect(page.to("POST").at(-1)).toMatchObject({ reason: "jolly good hips" }));
  await waitFor(() => expect(screen.queryByText("Ada")).not.toBeInTheDocument());
  expect(current()).toHaveTextContent("Ben");
});

it("changes a line written by hand only when it is ticked, by the key as by the button", async () => {
  const changing = decision("1", "Ada", { changedItems: 2 });
  const page = open(desk([changing]), {
    "GET /api/decisions/1": withDetails(changing, change("plain", false), change("hand", true)),
    "POST /api/decisions/1/accept": { decision: decision("1", "Ada", { state: "Accepted" }), sessionId: "s" },
  });
  const row = await screen.findByRole("list", { name: "What changes" });
  const tick = within(row).getByRole("checkbox", { name: /written by hand: 3 x 5 @ \+23.75 kg → 3 x 5 @ \+25 kg/ });
  expect(tick).not.toBeChecked();
  await userEvent.keyboard("a");
  await waitFor(() => expect(page.to("POST")).toEqual([{ line: null, reason: null, also: [] }]));
  await userEvent.click(tick);
  tick.blur();
  await userEvent.keyboard("a");
  await waitFor(() => expect(page.to("POST").at(-1)).toEqual({ line: null, reason: null, also: ["hand"] }));
});

it("asks for what one decision changes when it is current, and says so where no answer comes", async () => {
  const [ada, ben] = [decision("1", "Ada", { changedItems: 1 }), decision("2", "Ben", { changedItems: 1 })];
  let reachable = false;
  const page = open(desk([ada], [ben]), {
    "GET /api/decisions/1": withDetails(ada, change("plain", false)),
    "GET /api/decisions/2": () => (reachable ? withDetails(ben, change("plain", false)) : new Refusal(503, "fileBusy")),
  });
  expect(await screen.findByRole("list", { name: "What changes" })).toHaveTextContent("3 x 5 @ +25 kg");
  expect(page.to("GET /api/decisions/")).toHaveLength(1);
  await userEvent.keyboard("j");
  expect(await screen.findByRole("alert")).toHaveTextContent("The changes could not be loaded.");
  reachable = true;
  await userEvent.click(screen.getByRole("button", { name: "Try again" }));
  expect(await screen.findByRole("list", { name: "What changes" })).toBeVisible();
});
