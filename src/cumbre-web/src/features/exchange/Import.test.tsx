// @vitest-environment jsdom
import { File as Sent } from "node:buffer";
import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, it } from "vitest";
import type { FilePreview, ImportMapping } from "../../shared/api/types";
import { show } from "../../shared/testing/page";
import ExchangePage from "./ExchangePage";

const counts = { rows: 3, athletes: 1, bodyMasses: 0, tests: 0, sessions: 1, sets: 2, lines: 0 };
const mapping: ImportMapping = {
  kind: "Sets",
  sheets: ["log"],
  headerRow: 1,
  dates: "DayMonth",
  unit: "Kg",
  fillDown: true,
  sheetIsAthlete: false,
  athlete: null,
  columns: [
    { index: 0, header: "Name", role: "Athlete", unit: null },
    { index: 1, header: "Reps", role: "Reps", unit: null },
  ],
  names: [],
  fixes: [],
};

/** As the server would: the name has to be chosen, and the reps to be corrected. */
function previewOf(sent: ImportMapping): FilePreview {
  const named = sent.names.some((n) => n.choice === "new");
  const fixed = sent.fixes.some((f) => f.to === "8");
  return {
    counts,
    newAthletes: named ? 1 : 0,
    names: [
      {
        of: "Athlete",
        written: "Mirren",
        match: named ? "Exact" : "Unknown",
        found: named ? "new" : null,
        foundName: null,
        near: [],
        needsBodyMass: false,
        consentWithdrawn: false,
      },
    ],
    faultyCells: (named ? 0 : 2) + (fixed ? 0 : 1),
    faults: [
      ...(named
        ? []
        : [{ sheet: "log", row: 2, column: 0, fault: "AthleteUnknown" as const, written: "Mirren", count: 2 }]),
      ...(fixed
        ? []
        : [{ sheet: "log", row: 3, column: 1, fault: "ResultUnread" as const, written: "lots", count: 1 }]),
    ],
    sample: [{ who: "Mirren", day: "2026-03-01", week: null, what: "Pull-up", text: "2 x 8" }],
    ambiguousDays: false,
    isReady: named && fixed,
  };
}

it("is brought in once its names are chosen and its cells corrected", async () => {
  const ran: ImportMapping[] = [];
  show(<ExchangePage />, {
    path: "/exchange",
    at: "/exchange",
    answers: {
      "GET /api/athletes": [],
      "GET /api/imports": [],
      "PUT /api/imports/:any": {
        id: "f",
        name: "log.csv",
        sheets: [
          {
            name: "log",
            isHidden: false,
            rows: [
              ["Name", "Reps"],
              ["Mirren", "8"],
              ["Mirren", "lots"],
            ],
          },
        ],
        mapping,
        remembered: null,
      },
      "POST /api/imports/f/preview": (sent: unknown) => previewOf(sent as ImportMapping),
      "POST /api/imports/f/run": (sent: unknown) => {
        ran.push(sent as ImportMapping);
        return { state: "Running", rows: 0, total: 3, result: null, problem: null };
      },
      "GET /api/imports/f": {
        state: "Done",
        rows: 3,
        total: 3,
        result: { added: counts, newAthletes: 1, knownSets: 0, knownOthers: 0 },
        problem: null,
      },
    },
  });
  await userEvent.upload(
    await screen.findByLabelText("File"),
    new Sent(["[]"], "log.csv", { type: "text/csv" }) as unknown as File,
  );
  const names = within(await screen.findByRole("region", { name: "Names" }));
  expect(screen.getByRole("button", { name: "Bring it in" })).toBeDisabled();
  expect(names.getByText("not known here; 2 lines")).toBeVisible();
  await userEvent.click(names.getByRole("combobox"));
  await userEvent.click(await screen.findByRole("option", { name: "a new athlete" }));
  const faults = within(screen.getByRole("region", { name: "To correct" }));
  const cell = await faults.findByLabelText("Instead of lots");
  await userEvent.clear(cell);
  await userEvent.type(cell, "8{Enter}");
  await waitFor(() => expect(screen.getByRole("button", { name: "Bring it in" })).toBeEnabled());
  await userEvent.click(screen.getByRole("button", { name: "Bring it in" }));
  expect(await screen.findByText("New: one athlete, one session, 2 sets.")).toBeVisible();
  expect(ran[0]!.fixes).toEqual([{ sheet: "log", column: 1, from: "lots", to: "8", row: null }]);
});
