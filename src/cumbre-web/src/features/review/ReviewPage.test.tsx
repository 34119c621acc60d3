// @vitest-environment jsdom
import { screen, within } from "@testing-library/react";
import { expect, test } from "vitest";
import type { BlockReview } from "../../shared/api/types";
import { show } from "../../shared/testing/page";
import ReviewPage from "./ReviewPage";

const review = (more: Partial<BlockReview> = {}): BlockReview => ({
  blockId: "b",
  name: "Autumn",
  athleteName: "Ines Roca",
  unit: "Kg",
  start: "2026-01-19",
  until: "2026-03-15",
  isOver: true,
  calendar: { from: "2026-01-19", days: [], inFull: 14, partly: 2, due: 18 },
  sets: {
    figure: "Sets",
    columns: ["planned", "done"],
    rows: [{ monday: "2026-01-19", values: [24, 20], isPartial: false }],
  },
  skills: [
    {
      ladder: "front-lever",
      name: "Front lever",
      isGoal: true,
      before: "Tuck",
      after: "Advanced tuck",
      won: ["Tuck"],
      opened: ["Advanced tuck"],
      lost: [],
      isFirstMeasured: false,
      limiting: null,
    },
  ],
  exercises: [
    { movement: "ring-row", name: "Ring row", measure: "Reps", days: 6, before: 8.5, after: 11, yield: "Gained" },
    { movement: "dip", name: "Dip", measure: "Reps", days: 2, before: null, after: null, yield: "TooFew" },
  ],
  tests: [
    {
      name: "Pull-ups in one set",
      side: null,
      before: "9",
      beforeDay: "2026-01-12",
      after: "10",
      afterDay: "2026-03-14",
      difference: 1,
      in: "Reps",
      isNoise: true,
    },
  ],
  pain: [{ place: "left elbow", worst: 3, days: 2, last: "2026-02-20" }],
  wish: { start: "2026-03-16", days: ["Monday", "Thursday"], minutes: 75, loadingWeeks: 3, reasons: ["EarlierDeload"] },
  ...more,
});

const open = (answer: BlockReview) =>
  show(<ReviewPage />, {
    path: "/athletes/:athleteId/blocks/:blockId/review",
    at: "/athletes/a/blocks/b/review",
    answers: { "GET /api/athletes/a/blocks/b/review": answer },
  });

test("a block is told on two pages, and the next is planned from what it brought", async () => {
  open(review());
  const first = await screen.findByRole("region", { name: "Page 1 of 2" });
  expect(first).toHaveTextContent("18 sessions: 14 in full, 2 in part, 2 missed.");
  expect(first).toHaveTextContent("Front lever: from Tuck to Advanced tuck");
  const second = screen.getByRole("region", { name: "Page 2 of 2" });
  const rows = within(second)
    .getAllByRole("row")
    .map((r) => r.textContent);
  expect(rows).toContain("Ring row68.5 reps11 repsgained");
  expect(rows).toContain("Dip2too few days");
  expect(rows).toContain("Pull-ups in one set9, Jan 1210, Mar 14+1 rep, within the noise of the test");
  expect(second).toHaveTextContent("left elbow: 3 of 10 at worst, on 2 days, last on Feb 20");
  expect(second).toHaveTextContent("Mon, Thu; 75 minutes a session, 3 loading weeks before the deload.");
  expect(screen.getByRole("link", { name: "Plan the next block" })).toHaveAttribute(
    "href",
    "/athletes/a/generate?start=2026-03-16&days=Monday+Thursday&minutes=75&weeks=3",
  );
});

test("paper speaks the unit of the athlete, and differences tell theirs", async () => {
  const heavy = {
    ...review().tests[0]!,
    name: "Heavy set",
    before: "+20 kg × 5",
    after: "+25 kg × 5",
    difference: 4.2,
  };
  open(
    review({
      unit: "Lb",
      exercises: [
        { movement: "d", name: "Dip", measure: "OneRepMax", days: 6, before: 100, after: 110, yield: "Gained" },
      ],
      tests: [
        { ...heavy, in: "Percent", isNoise: false },
        { ...heavy, name: "Hang", before: "16 s", after: "15 s", in: "Seconds", difference: -1 },
      ],
    }),
  );
  const rows = (await screen.findAllByRole("row")).map((r) => r.textContent);
  expect(rows).toContain("Dip, One-rep max6220.5 lb242.5 lbgained");
  expect(rows).toContain("Heavy set+44.1 lb × 5, Jan 12+55.1 lb × 5, Mar 14+4.2 %");
  expect(rows).toContain("Hang16 s, Jan 1215 s, Mar 14−1 s, within the noise of the test");
});

test("what is not over, and what has nothing to tell, says so", async () => {
  open(
    review({
      isOver: false,
      calendar: { from: "2026-01-19", days: [], inFull: 0, partly: 0, due: 0 },
      sets: null,
      skills: [],
      exercises: [],
      tests: [],
      pain: [],
    }),
  );
  expect(await screen.findAllByText("The block is not over yet.")).toHaveLength(2);
  for (const text of [
    "No session was due yet.",
    "Nothing was logged.",
    "No test was recorded in this block.",
    "None was reported.",
  ])
    expect(screen.getByText(text)).toBeVisible();
});
