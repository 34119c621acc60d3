// @vitest-environment jsdom
import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, expect, it } from "vitest";
import type {
  BlockDto,
  GenerateAnswer,
  GenerateRequest,
  LeftOut,
  Notice,
  RegeneratedItem,
  UnderRequest,
} from "../../shared/api/types";
import { blockOf, itemOf, readingOf, sessionOf } from "../../shared/testing/block";
import { bareWhy, Refusal, show, type Answers } from "../../shared/testing/page";
import GeneratePage from "./GeneratePage";

const block = blockOf([
  sessionOf("s1", "2026-03-16", itemOf("i1", "tuck-front-lever", "hold 5 x 8 s"), itemOf("i2", "pull-up", "3 x 5")),
]);
const names = { "tuck-front-lever": "Tuck front lever", "pull-up": "Pull-up" };

const answer = (more: Partial<GenerateAnswer> = {}): GenerateAnswer => ({
  block,
  reading: readingOf(block, names),
  why: [
    { item: "i1", role: "SkillHard", movement: "tuck-front-lever", line: "hold 5 x 8 s", why: bareWhy("ItemChosen") },
  ],
  leftOut: [],
  notices: [],
  changes: null,
  version: 0,
  story: { goals: [], guesses: [], growth: [], schools: [] },
  ...more,
});

const stored: BlockDto = {
  id: "b",
  athleteId: "a",
  athleteName: "Noor",
  minutes: 60,
  days: ["Monday"],
  bodyMassKg: 70,
  version: 3,
  writtenAt: "2026-03-16T10:00:00Z",
  writtenBy: "Coach",
  block,
  reading: readingOf(block, names),
  anew: [],
  generated: null,
  group: null,
  outside: [],
};

const athlete = { id: "a", name: "Noor", intake: { days: [1, 4], minutes: 60 }, schools: [] };
const row = { athleteId: "a", athleteName: "Noor", goals: ["Front lever"], block: null, weekNow: null };

const schools = [
  {
    slug: "volume-first",
    question: "What comes before load?",
    club: "load",
    choices: [
      { slug: "load", name: "Load first", asks: "", because: "" },
      { slug: "volume", name: "Volume first", asks: "", because: "" },
    ],
  },
];

const common: Answers = {
  "GET /api/athletes/a": athlete,
  "GET /api/athletes/a/blocks": [],
  "GET /api/programmes": [row],
  "GET /api/schools": schools,
};

/** The id of a new block is made by the page. */
const generating = (made: (wish: GenerateRequest) => unknown, taken: unknown = stored): Answers => ({
  ...common,
  "POST /api/athletes/a/blocks/:any/generate": made,
  "PUT /api/athletes/a/blocks/:any/generated": taken,
});

const open = (answers: Answers) =>
  show(<GeneratePage />, { path: "/athletes/:athleteId/generate", at: "/athletes/a/generate", answers });
const again = (answers: Answers) =>
  show(<GeneratePage />, {
    path: "/athletes/:athleteId/blocks/:blockId/generate",
    at: "/athletes/a/blocks/b/generate",
    answers,
  });

let user: ReturnType<typeof userEvent.setup>;
beforeEach(() => {
  user = userEvent.setup();
});

it("asks for what the intake says, from the first Monday on, under the name of the goals", async () => {
  const page = open(generating(() => answer()));
  expect(await screen.findByText("1 week, 1 session")).toBeInTheDocument();
  expect(page.to("POST")).toEqual([
    { name: "Front lever", start: "2026-03-16", days: ["Monday", "Thursday"], minutes: 60, loadingWeeks: null },
  ]);
});

it("shows each session with its lines and times, and why an item is there", async () => {
  open(generating(() => answer()));
  const session = await screen.findByRole("region", { name: /Mon, Mar 16.*Pull/ });
  expect(within(session).getByText("6 sets, 6 hard sets; warm-up 8:00: Wrist leans")).toBeInTheDocument();
  expect(within(session).getByText("20 min")).toBeInTheDocument();
  expect(within(session).getByRole("button", { name: /Tuck front lever/ })).toBeInTheDocument();
  expect(within(session).queryByRole("button", { name: /Pull-up/ })).not.toBeInTheDocument();
});

it("keeps what is typed, says what is wrong at its field, and asks for nothing meanwhile", async () => {
  const page = open(generating(() => answer()));
  await screen.findByText("1 week, 1 session");
  await user.clear(screen.getByLabelText("Minutes per session"));
  await user.type(screen.getByLabelText("Minutes per session"), "an hour");
  expect(screen.getByText("Enter a whole number, 10 to 240.")).toBeInTheDocument();
  expect(screen.getByLabelText("Minutes per session")).toHaveValue("an hour");
  expect(screen.getByRole("button", { name: "Use this block" })).toBeDisabled();
  // Only the first wish, and that with the field empty: from the intake.
  await waitFor(() => expect(page.to("POST").map((w) => (w as GenerateRequest).minutes)).toEqual([60, null]));
});

it("says at the field what the server finds wrong with it", async () => {
  open(
    generating((wish) =>
      wish.loadingWeeks === 9 ? Refusal.at("loadingWeeks", "outOfRange", { value: 9, from: 1, to: 8 }) : answer(),
    ),
  );
  await screen.findByText("1 week, 1 session");
  await user.type(screen.getByLabelText("Loading weeks"), "9");
  await waitFor(() =>
    expect(screen.getByLabelText("Loading weeks")).toHaveAccessibleDescription("9 is outside 1 to 8."),
  );
  expect(screen.getByRole("button", { name: "Use this block" })).toBeDisabled();
  await user.clear(screen.getByLabelText("Loading weeks"));
  await waitFor(() => expect(screen.getByRole("button", { name: "Use this block" })).toBeEnabled());
});

it("asks anew when a day is chosen, in the order of the week", async () => {
  const page = open(generating(() => answer()));
  await screen.findByText("1 week, 1 session");
  await user.click(screen.getByRole("button", { name: "Tue" }));
  await waitFor(() => expect(page.to("POST")).toHaveLength(2));
  expect((page.to("POST")[1] as GenerateRequest).days).toEqual(["Monday", "Tuesday", "Thursday"]);
});

it("says what gave way, and leads to where a notice is answered", async () => {
  const leftOut: LeftOut[] = [{ day: "Monday", kind: "Mobility", movement: "Stick pass", seconds: 160 }];
  const notices: Notice[] = [{ id: "NoGoals", args: [] }];
  open(generating(() => answer({ leftOut, notices })));
  expect(await screen.findByText("Cut to fit the time")).toBeInTheDocument();
  expect(screen.getByText(/Stick pass/)).toBeInTheDocument();
  const known = screen.getByRole("list", { name: "Good to know" });
  expect(known).toHaveTextContent("No goals yet, so the block trains the basics.");
  expect(within(known).getByRole("link")).toHaveAttribute("href", "/athletes/a/intake");
});

it("plans nothing where nothing can be trained, and says where to look", async () => {
  const empty = blockOf([]);
  open(generating(() => answer({ block: empty, reading: readingOf(empty), why: [] })));
  expect(await screen.findByText("No session can be planned yet.")).toBeInTheDocument();
  expect(screen.getByRole("button", { name: "Use this block" })).toBeDisabled();
});

it("takes what is shown, and goes there", async () => {
  const page = open(generating(() => answer()));
  await screen.findByText("1 week, 1 session");
  await user.click(screen.getByRole("button", { name: "Use this block" }));
  expect(await screen.findByText("elsewhere")).toBeInTheDocument();
  expect(page.to("PUT")).toEqual([{ wish: page.to("POST")[0], version: 0 }]);
  expect(page.address()).toMatch(/^\/athletes\/a\/blocks\/[0-9a-f-]{36}$/);
});

it("keeps everything when the answer is lost, and says so", async () => {
  const page = open(generating(() => answer(), "lost"));
  await screen.findByText("1 week, 1 session");
  await user.click(screen.getByRole("button", { name: "Use this block" }));
  expect(await screen.findByText(/The server cannot be reached/)).toBeInTheDocument();
  expect(page.address()).toBe("/athletes/a/generate");
  expect(screen.getByLabelText("Minutes per session")).toHaveValue("60");
});

const change = (more: Partial<RegeneratedItem>): RegeneratedItem => ({
  kind: "Rewritten",
  day: "2026-03-16",
  item: "i2",
  movementBefore: "Pull-up",
  lineBefore: "3 x 5",
  movement: "Pull-up",
  line: "4 x 5",
  ...more,
});

it("generates again: only what changes is shown, day by day, with what the hand fixed", async () => {
  const changes = [
    change({}),
    change({
      kind: "KeptByHand",
      item: "i1",
      movementBefore: "Tuck front lever",
      lineBefore: "hold 3 x 9 s",
      line: "hold 5 x 8 s",
      movement: "Tuck front lever",
    }),
    change({
      kind: "Removed",
      item: "i3",
      day: "2026-03-19",
      movementBefore: "Dip",
      lineBefore: "3 x 8",
      movement: null,
      line: null,
    }),
  ];
  again({
    ...common,
    "GET /api/athletes/a/blocks/b": stored,
    "POST /api/athletes/a/blocks/b/generate": answer({ changes, version: 3 }),
  });
  const monday = await screen.findByRole("region", { name: "Mon, Mar 16" });
  expect(within(monday).getByText("was Pull-up: 3 x 5")).toBeInTheDocument();
  expect(within(monday).getByText("would be Tuck front lever: hold 5 x 8 s")).toBeInTheDocument();
  expect(within(screen.getByRole("region", { name: "Thu, Mar 19" })).getByText("Dip: 3 x 8")).toBeInTheDocument();
  expect(screen.queryByLabelText("Name")).not.toBeInTheDocument();
  expect(screen.getByRole("button", { name: "Use these changes" })).toBeEnabled();
});

it.each<[string, RegeneratedItem[]]>([
  ["nothing changes", []],
  ["only the hand differs", [change({ kind: "KeptByHand" })]],
])("has nothing to take when %s", async (_, changes) => {
  again({
    ...common,
    "GET /api/athletes/a/blocks/b": stored,
    "POST /api/athletes/a/blocks/b/generate": answer({ changes, version: 3 }),
  });
  expect(await screen.findByRole("button", { name: "Use these changes" })).toBeDisabled();
});

it("begins again from the wish that the block was made of", async () => {
  const page = again({
    ...common,
    "GET /api/athletes/a/blocks/b": { ...stored, generated: { at: "2026-03-16T10:00:00Z" } },
    "GET /api/athletes/a/blocks/b/generated": {
      wish: { name: "Lever block", start: "2026-03-16", days: ["Saturday"], minutes: 45, loadingWeeks: 3 },
    },
    "POST /api/athletes/a/blocks/b/generate": answer({ changes: [], version: 3 }),
  });
  expect(await screen.findByText(/No changes/)).toBeInTheDocument();
  expect(page.to("POST")).toEqual([
    { name: "Lever block", start: "2026-03-16", days: ["Saturday"], minutes: 45, loadingWeeks: 3 },
  ]);
});

it("says that an athlete is not there, and lets it be tried again", async () => {
  open({ "GET /api/athletes/a/blocks": [], "GET /api/programmes": [row] });
  expect(await screen.findByText("This address does not exist.")).toBeInTheDocument();
  expect(screen.getByRole("button", { name: /again/i })).toBeInTheDocument();
});

it("says what the block is for, what is guessed and what grows", async () => {
  open(
    generating(() =>
      answer({
        leftOut: [{ day: "Monday", kind: "Mobility", movement: "Stick pass", seconds: 160 }],
        story: {
          goals: [
            { goal: "Front lever", step: "Tuck", heldBackBy: "Pull-ups 8 reps", hard: 1, light: 2 },
            { goal: "Human flag", step: null, heldBackBy: null, hard: 0, light: 0 },
          ],
          guesses: [
            { movement: "Ring curl", kind: "Level", knownOn: "2026-03-16" },
            { movement: "Split squat", kind: "Level", knownOn: "2026-03-16" },
            { movement: "Weighted dip", kind: "Load", knownOn: "2026-03-17" },
          ],
          growth: [{ kind: "Seconds", movements: ["Tuck front lever", "Hollow hold", "L-sit"] }],
          schools: [{ question: "How near to failure?", choice: "to technical failure" }],
        },
      }),
    ),
  );
  const story = await screen.findByRole("region", { name: "Purpose of this block" });
  for (const said of [
    "Front lever: tuck, 1 hard day and 2 light days a week; limiting factor: pull-ups 8 reps.",
    "Human flag: its first gate comes first, on no day.",
    "Week by week: longer holds in tuck front lever, hollow hold and L-sit.",
    "First guesses: ring curl and split squat (the first sets find the level; known after Mon, Mar 16); weighted dip (load based on bodyweight sets; known after Tue, Mar 17).",
    "Cut first when time is short: stick pass.",
    "From the coaching schools: to technical failure (how near to failure?).",
  ])
    expect(story).toHaveTextContent(said);
});

it("lays the same wish under another school beside it, and says when nothing changes", async () => {
  const page = open({
    ...generating(() => answer()),
    "POST /api/athletes/a/blocks/:any/generate/under": (asked: UnderRequest) => ({
      question: "What comes before load?",
      now: "Load first",
      choice: "Volume first",
      differences:
        asked.wish.minutes === 60
          ? [
              {
                item: "i2",
                day: "2026-03-16",
                kind: "Rewritten",
                movementBefore: "Pull-up",
                lineBefore: "3 x 5",
                movement: "Pull-up",
                line: "5 x 5",
              },
            ]
          : [],
      story: answer().story,
    }),
  });
  await screen.findByText("1 week, 1 session");
  await user.click(await screen.findByRole("combobox", { name: "With another coaching school" }));
  // The choice in force is no other one.
  expect(screen.queryByRole("option", { name: "Load first" })).not.toBeInTheDocument();
  await user.click(screen.getByRole("option", { name: "Volume first" }));
  const table = await screen.findByRole("table");
  expect(table).toHaveTextContent("Load firstVolume firstMon, Mar 16Pull-up: 3 x 5Pull-up: 5 x 5");
  expect(page.to("POST").at(-1)).toMatchObject({ question: "volume-first", choice: "volume" });
  await user.clear(screen.getByLabelText("Minutes per session"));
  await user.type(screen.getByLabelText("Minutes per session"), "45");
  expect(await screen.findByText("Volume first changes nothing in this block.")).toBeInTheDocument();
});
