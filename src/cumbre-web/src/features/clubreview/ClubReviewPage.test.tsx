// @vitest-environment jsdom
import { screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, it } from "vitest";
import type { ClubReview } from "../../shared/api/types";
import { show } from "../../shared/testing/page";
import ClubReviewPage from "./ClubReviewPage";

const gate = (step: string, verdict: ClubReview["gates"][number]["verdict"], met = 9, unmet = 6) => ({
  ladder: "front-lever",
  ladderName: "Front lever",
  step,
  gate: "pull-up >= 8 reps",
  met: { count: met, achieved: Math.min(met, 7), percent: null },
  unmet: { count: unmet, achieved: 0, percent: null },
  untested: 3,
  verdict,
});

const review: ClubReview = {
  athletes: 18,
  from: "2025-12-23",
  painFrom: 3,
  absentAfter: 14,
  leastOnASide: 5,
  absent: [
    { id: "a", name: "Ada Lind", last: "2026-02-20", days: 24 },
    { id: "b", name: "Levi Sorel", last: null, days: null },
  ],
  pain: [],
  ladders: [
    {
      slug: "front-lever",
      name: "Front lever",
      steps: [{ step: "Tuck", training: [{ id: "a", name: "Ada Lind" }], won: 2 }],
    },
  ],
  gates: [gate("Tuck", "Tells"), gate("Full", "TooFew", 1, 0)],
};

const open = (answer: unknown) =>
  show(<ClubReviewPage />, { path: "/review", at: "/review", answers: { "GET /api/review": answer } });

it("tells the gates with enough on either side, the others when asked", async () => {
  open(review);
  const gates = within(await screen.findByRole("table", { name: "Which thresholds tell" }));
  expect(gates.getByText("7 of 9")).toBeVisible();
  expect(gates.getByText("0 of 6")).toBeVisible();
  expect(gates.queryByText("too few to say")).not.toBeInTheDocument();
  await userEvent.click(screen.getByRole("button", { name: "Show 1 more" }));
  expect(gates.getByText("too few to say")).toBeVisible();
  expect(gates.getByText("nobody")).toBeVisible();
  expect(gates.getAllByRole("link", { name: "Open Front lever" })[0]).toHaveAttribute("href", "/ladders/front-lever");
});

it("names who has not trained and who stands where", async () => {
  open(review);
  expect(await screen.findByRole("link", { name: "Ada Lind: 24 days" })).toHaveAttribute("href", "/athletes/a");
  expect(screen.getByText("Levi Sorel: nothing logged yet")).toBeVisible();
  expect(screen.getByText("None was logged.")).toBeVisible();
  const ladder = within(screen.getByRole("region", { name: "Front lever" }));
  expect(ladder.getByRole("link", { name: "Ada Lind" })).toBeVisible();
  expect(ladder.getByText("2 achieved")).toBeVisible();
});

it("says so where there is nobody", async () => {
  open({ ...review, athletes: 0 });
  expect(await screen.findByText("Nobody to review yet")).toBeVisible();
});
