// @vitest-environment jsdom
import { fireEvent, screen, within } from "@testing-library/react";
import { expect, it, vi } from "vitest";
import type { Lab } from "../../shared/api/types";
import { type Answers, show } from "../../shared/testing/page";
import LabPanel from "./LabPanel";

const step = {
  step: "full",
  name: "Full",
  movement: "front-lever-full",
  moment: 296.4,
  low: 262,
  high: 301,
  share: 1,
  armAngle: 43,
  held: null,
  allowed: null,
  help: [
    { at: "Hips", kilograms: 13.75 },
    { at: "Ankles", kilograms: 5.1 },
  ],
} satisfies Lab["steps"][number];

const half = {
  afterStep: "advanced-tuck",
  beforeStep: "straddle",
  moment: 248,
  taken: null,
  after: "Advanced tuck",
  before: "Straddle",
  kind: "Line",
  hip: 45,
  knee: 44.6,
  otherHip: null,
  otherKnee: null,
  apart: 22,
  kilograms: 0,
  at: "Ankles",
  share: 0.838,
} satisfies Lab["halfSteps"][number];

const lab: Lab = {
  kind: "Moment",
  withWeights: true,
  maximum: 280,
  misfit: 0.062,
  holds: 2,
  needsBody: false,
  steps: [step],
  halfSteps: [],
  plans: [],
};

const open = (answer: Lab, more: Answers = {}) =>
  show(<LabPanel athleteId="a" ladder="front-lever" />, {
    path: "/",
    at: "/",
    answers: { "GET /api/athletes/a/ladders/front-lever/lab": answer, ...more },
  });

it("says what the holds speak for, and what is above it", async () => {
  open(lab);
  expect(
    await screen.findByText(/^2 holds speak for a maximum of about 280 N·m; the lowest speaks for 6.2 % less\.$/),
  ).toBeVisible();
  const row = screen.getByRole("row", { name: /^Full/ });
  expect(row).toHaveTextContent("296 N·m (262 to 301)");
  expect(row).toHaveTextContent("43°");
  expect(row).toHaveTextContent("above the maximum");
  expect(row).toHaveTextContent(/13\.8 kg at the hips, 5\.1 kg at the ankles/);
});

it("promises nothing without a hold", async () => {
  open({ ...lab, maximum: null, misfit: null, holds: 0, steps: [{ ...step, help: [] }] });
  expect(await screen.findByText(/No hold of 6 s or more yet/)).toBeVisible();
  expect(screen.queryByText("above the maximum")).toBeNull();
});

it("asks for height and bodyweight where they are missing", async () => {
  open({ ...lab, needsBody: true, steps: [] });
  expect(await screen.findByText(/^Add height and bodyweight/)).toBeVisible();
  expect(screen.queryByRole("table")).toBeNull();
});

it("takes what bridges a gap into the ladder by one press, and out of it", async () => {
  const taken = vi.fn();
  const gone = vi.fn();
  open(
    {
      ...lab,
      halfSteps: [
        half,
        { ...half, kind: "Help", kilograms: 6.2, at: "Hips" },
        { ...half, kind: "AnkleWeight", kilograms: 2.3, taken: "h" },
        { ...half, share: 0.9, otherHip: 10, otherKnee: 5, apart: 0 },
      ],
    },
    {
      "PUT /api/athletes/a/ladders/front-lever/half-steps/:any": taken,
      "DELETE /api/athletes/a/ladders/front-lever/half-steps/h": gone,
    },
  );
  const between = await screen.findByRole("region", { name: "Between steps that are far apart" });
  expect(between).toHaveTextContent("Advanced tuck to straddle, at 84 %Hips 45°, knees 45°, legs 22° apart");
  expect(between).toHaveTextContent("Advanced tuck to straddle, at 90 %One leg hip 45°, knee 45°, the other hip 10°");
  expect(between).toHaveTextContent("Advanced tuck with 2.3 kg of ankle weightsin the ladder");
  fireEvent.click(
    within(between).getByRole("button", { name: "Add to ladder: straddle with 6.2 kg assistance at the hips" }),
  );
  await vi.waitFor(() => expect(taken).toHaveBeenCalledOnce());
  expect(taken.mock.calls[0]).toMatchObject([
    { after: "advanced-tuck", before: "straddle", kind: "Help", at: "Hips", share: 0.838 },
  ]);
  fireEvent.click(within(between).getByRole("button", { name: "Delete" }));
  await vi.waitFor(() => expect(gone).toHaveBeenCalledOnce());
});

it("says which band gives the help, hung how, and when none does", async () => {
  const week = { week: 1, kilograms: 14, isEasy: false };
  const band = { name: "Red", stretch: "MiddleToTop", share: 0.2, low: 11.9, high: 16.1 } as const;
  open({
    ...lab,
    plans: [
      {
        step: "Straddle",
        at: "Hips",
        weeks: [
          { ...week, bands: [band] },
          { ...week, week: 2, bands: [{ ...band, stretch: "BottomToMiddle", share: 0 }] },
          { ...week, week: 3, isEasy: true, kilograms: 2, bands: [] },
        ],
      },
    ],
  });
  const plan = await screen.findByRole("region", { name: "Assistance week by week" });
  expect(within(plan).getByRole("row", { name: /^1 / })).toHaveTextContent(
    "14 kgRed, 20 % of the way from middle to top: 11.9 kg to 16.1 kg",
  );
  expect(within(plan).getByRole("row", { name: /^2 / })).toHaveTextContent("Red, stretched as at the bottom");
  expect(within(plan).getByRole("row", { name: /^3, deload/ })).toHaveTextContent("2 kgno measured band fits");
});
