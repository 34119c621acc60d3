// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render, screen } from "@testing-library/react";
import { expect, it } from "vitest";
import type { ItemMeaning, OnPaper, Resolved } from "../../shared/api/types";
import { effortOf as effort, loadOf as load, planOf as plan } from "../../shared/testing/plan";
import { bareWhy } from "../../shared/testing/page";
import { ItemPlates, MeaningLine } from "./MeaningLine";

const meaning = (p: Resolved, onPaper: OnPaper | null = null): ItemMeaning => ({
  id: "i",
  movement: null,
  canonical: "",
  error: null,
  problem: null,
  plan: p,
  structure: null,
  bands: [],
  easier: null,
  misfits: [],
  onPaper,
});

const says = (p: Resolved, onPaper: OnPaper | null = null) => {
  const { container } = render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <MeaningLine meaning={meaning(p, onPaper)} subject="s" week={1} session="x" />
    </QueryClientProvider>,
  );
  return container.textContent;
};

it("says sets, reps, tension and hard sets, and nothing of a load that is not there", () =>
  expect(says(plan({}))).toBe("3 sets; 15 reps; 45 s under tension; 3 hard"));

it.each([
  ["Measure", "Load", "Then more load"],
  ["Measure", "Band", "Then a weaker band"],
  ["RangeThenMeasure", "Reps", "Top of the range first, then more reps or a harder movement"],
  ["Total", "Reps", "Then a harder movement, once the total is up by 10 %"],
] as const)("says in what a line grows: %s by %s", (kind, by, text) =>
  expect(says(plan({ progression: { kind, by, line: null } }))).toContain(`. ${text}`),
);

it("says of a drill nothing that grows", () =>
  expect(says(plan({ progression: { kind: "Measure", by: null, line: null } }))).toBe(says(plan({}))));

it("says the load, what is on the bar and how much of the best that is", () =>
  expect(says(plan({ loads: [load(12.5, { shareOfMax: 0.73 })] }))).toContain(
    "+12.5 kg, 82.5 kg system mass, 73 % of 1RM",
  ));

it("claims no mass where the feet help or pieces were never weighed", () => {
  expect(says(plan({ loads: [load(0, { byFeet: true, isWeighed: false })] }))).toContain("foot assistance;");
  expect(says(plan({ loads: [load(0, { counted: { count: 3, name: "bricks" }, isWeighed: false })] }))).toContain(
    "3 bricks;",
  );
});

it("says what comes off in a drop", () => {
  const off = [{ size: { value: 10, unit: "Kg" as const }, sort: "Plate" as const }];
  const part = effort({ role: "DropPart" });
  expect(
    says(
      plan({
        isDrop: true,
        loads: [load(20), load(10)],
        efforts: [part, { ...part, part: 2, load: 1, takeOff: off }],
      }),
    ),
  ).toContain("+20 kg / +10 kg; take off 10");
});

it("says the sides, the slot, the usual rest and what comes next", () => {
  const text = says(
    plan({
      left: 9,
      right: 9,
      restInSlot: 62,
      restAssumed: true,
      progression: { kind: "Seconds", by: null, line: "hold 5 x 9 s" },
    }),
  );
  expect(text).toContain("left 9, right 9");
  expect(text).toContain("62 s rest in each interval");
  expect(text).toContain("rest 2:00 (usual). Next hold 5 x 9 s");
});

it("draws the plates of each part of a drop, and none where nothing hangs", () => {
  const client = new QueryClient();
  const { container, rerender } = render(
    <QueryClientProvider client={client}>
      <ItemPlates plan={plan({ isDrop: true, loads: [load(20), load(0)] })} />
    </QueryClientProvider>,
  );
  expect(screen.getAllByRole("img")).toHaveLength(2);
  rerender(
    <QueryClientProvider client={client}>
      <ItemPlates plan={plan({})} />
    </QueryClientProvider>,
  );
  expect(container.querySelector("svg")).toBeNull();
});

it("says where a line fails on paper, and how much is left where it does not", () => {
  const run = (more: Partial<OnPaper>): OnPaper => ({
    verdict: "Fits",
    failsAt: null,
    left: 1,
    from: bareWhy("DryRun"),
    sets: [
      { set: 1, side: null, can: 8.5, low: 6, done: 6 },
      { set: 2, side: null, can: 7.6, low: 6, done: 6 },
    ],
    ...more,
  });
  expect(says(plan({}), run({}))).toContain("3 hard; 1 in reserve by calculation");
  expect(says(plan({}), run({ verdict: "Trivial" }))).toContain("1 in reserve by calculation, so it is easy");
  expect(
    says(
      plan({}),
      run({ verdict: "Fails", failsAt: 2, sets: [{ set: 2, side: null, can: 5.9, low: 6, done: 5, fails: true }] }),
    ),
  ).toContain("by calculation, set 2 reaches 5 of 6");
  const held = effort({ role: "Hold", seconds: 10 });
  expect(says(plan({ efforts: [held] }), run({}))).toContain("1 s in reserve by calculation");
});

it("says beside a load the kit cannot make what was wanted", () => {
  const coarse = load(17.5, { wantedKg: 25 });
  coarse.made.why.cautions = [{ id: "KitCoarse", args: [] }];
  expect(says(plan({ loads: [coarse] }))).toContain("target +25 kg, your kit makes +17.5 kg");
});
