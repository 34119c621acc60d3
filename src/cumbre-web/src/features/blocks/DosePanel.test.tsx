// @vitest-environment jsdom
import { ThemeProvider } from "@mui/material/styles";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, it, vi } from "vitest";
import type { BlockReading, ProgrammeCaution, WeekReading } from "../../shared/api/types";
import { blockOf, itemOf, readingOf, sessionOf } from "../../shared/testing/block";
import { theme } from "../../shared/ui/theme";
import { DosePanel } from "./DosePanel";

const planned = blockOf([sessionOf("s1", "2026-03-16", itemOf("a", "pull-up", "3 x 8"))]);
const [read] = readingOf(planned).weeks;
const week: WeekReading = {
  ...read!,
  hardSets: 9,
  patterns: [{ pattern: "vertical pull", sets: 9, from: 10, to: 20 }],
  pull: 9,
  tensionSeconds: 600,
  seconds: 3900,
  sessions: [
    {
      ...read!.sessions[0]!,
      seconds: 3900,
      sets: 9,
      hardSets: 9,
      tensionSeconds: 600,
      patterns: [{ pattern: "vertical pull", sets: 9, from: null, to: null }],
      groups: [{ items: ["a"], seconds: 3900, savedSeconds: 120, roundSeconds: null }],
      items: [],
    },
  ],
};

const caution: ProgrammeCaution = {
  key: "MinutesOver:s1",
  id: "MinutesOver",
  args: [65, 60].map((number) => ({ kind: "Count" as const, number, code: null, date: null, pieces: null })),
  week: 1,
  session: "s1",
  item: null,
  remedies: [{ kind: "Remove", item: "a", session: null, line: null, movement: null, movementName: null, day: null }],
  keptBecause: null,
};

function panel(more: Partial<BlockReading> = {}) {
  const spies = { onRemedy: vi.fn(), onKeep: vi.fn(), onUnkeep: vi.fn() };
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <ThemeProvider theme={theme}>
        <DosePanel
          reading={{ weeks: [week], cautions: [caution], items: [], ...more }}
          week={0}
          session="s1"
          have={60}
          athlete="Noor"
          letterOf={() => "A"}
          dayOf={() => "2026-03-16"}
          {...spies}
        />
      </ThemeProvider>
    </QueryClientProvider>,
  );
  return spies;
}

it("says what the week costs, and that nothing is pushed", () => {
  panel();
  expect(screen.getByRole("row", { name: /vertical pull 9 10–20/i })).toBeInTheDocument();
  expect(screen.getByText("no push")).toBeInTheDocument();
  expect(screen.getByText("9 to 0 sets; range 0.8 to 1.25")).toBeInTheDocument();
  expect(screen.getByText("65 of 60 min")).toBeInTheDocument();
});

it("answers a caution with one press", async () => {
  const { onRemedy } = panel();
  await userEvent.click(screen.getByRole("button", { name: "Delete A" }));
  expect(onRemedy).toHaveBeenCalledWith(caution.remedies[0]);
});

it("keeps a caution only with a reason", async () => {
  const { onKeep } = panel();
  await userEvent.click(screen.getByRole("button", { name: "Keep, with reason" }));
  expect(screen.getByRole("button", { name: "Save" })).toBeDisabled();
  await userEvent.type(screen.getByLabelText("Reason for keeping it"), "the hall is ours that evening{Enter}");
  expect(onKeep).toHaveBeenCalledWith("MinutesOver:s1", "the hall is ours that evening");
});

it("shows a kept one with its reason, and lets it be looked at again", async () => {
  const { onUnkeep } = panel({ cautions: [{ ...caution, keptBecause: "the hall is ours" }] });
  expect(within(screen.getByRole("list", { name: "Cautions" })).getByText(/“the hall is ours”/)).toBeInTheDocument();
  await userEvent.click(screen.getByRole("button", { name: "Reopen" }));
  expect(onUnkeep).toHaveBeenCalledWith("MinutesOver:s1");
});

it("turns to the session and back", async () => {
  panel({ cautions: [] });
  await userEvent.click(screen.getByRole("button", { name: "Session" }));
  expect(screen.getByText("9, 9 hard")).toBeInTheDocument();
  expect(screen.getByText("2 min")).toBeInTheDocument();
  expect(screen.getByText("No cautions.")).toBeInTheDocument();
});
