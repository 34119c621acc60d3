// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render, screen } from "@testing-library/react";
import { expect, it } from "vitest";
import type { ItemMeaning, Resolved } from "../api/types";
import { effortOf as effort, loadOf as load, planOf as plan } from "../testing/plan";
import { ItemPlates, MeaningLine } from "./MeaningLine";

const meaning = (p: Resolved): ItemMeaning => ({
  id: "i",
  movement: null,
  canonical: "",
  error: null,
  problem: null,
  plan: p,
  structure: null,
  bands: [],
  easier: null,
  onPaper: null,
});

const says = (p: Resolved) => {
  const { container } = render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <MeaningLine meaning={meaning(p)} subject="s" week={1} session="x" />
    </QueryClientProvider>,
  );
  return container.textContent;
};

it("says sets, reps, tension and hard sets, and nothing of a load that is not there", () =>
  expect(says(plan({}))).toBe("3 sets; 15 reps; 45 s under tension; 3 hard"));

it("says the load, what is on the bar and how much of the best that is", () =>
  expect(says(plan({ loads: [load(12.5, { shareOfMax: 0.73 })] }))).toContain(
    "+12.5 kg, 82.5 kg on the bar: 73 % of best",
  ));

it("claims no mass where the feet help or pieces were never weighed", () => {
  expect(says(plan({ loads: [load(0, { byFeet: true, isWeighed: false })] }))).toContain("the feet;");
  expect(says(plan({ loads: [load(0, { counted: { count: 3, name: "bricks" }, isWeighed: false })] }))).toContain(
    "3 bricks;",
  );
});

it("says what comes off in a drop", () => {
  const off = [{ size: { value: 10, unit: "Kg" as const }, isVest: false }];
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
      progression: { kind: "Seconds", line: "hold 5 x 9 s" },
    }),
  );
  expect(text).toContain("left 9, right 9");
  expect(text).toContain("62 s left in each slot");
  expect(text).toContain("rest 2:00, the usual one. Next hold 5 x 9 s");
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
