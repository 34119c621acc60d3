import { describe, expect, it } from "vitest";
import type { RosterRow } from "../../shared/api/types";
import { filterRoster, sortRoster } from "./filter";

const row = (name: string, change: Partial<RosterRow> = {}) =>
  ({
    name,
    waiting: false,
    stopped: false,
    pain: null,
    openClearances: [],
    consentMissing: false,
    testCount: 3,
    oneRepMaxStale: false,
    intakeFinished: true,
    goals: [],
    ...change,
  }) as unknown as RosterRow;

const rows = [
  row("Ada", { waiting: true }),
  row("Ben", { pain: { place: "elbow", level: 4, note: null } }),
  row("Cy", { openClearances: ["Heart disease"] }),
  row("Dee", { testCount: 0, intakeFinished: false }),
  row("Ed", { goals: [{ staleTests: 2 }] as RosterRow["goals"] }),
];

const names = (filter: Parameters<typeof filterRoster>[2], name = "") =>
  filterRoster(rows, name, filter).map((r) => r.name);

describe("the roster", () => {
  it.each([
    ["", ["Ada", "Ben", "Cy", "Dee", "Ed"]],
    ["waiting", ["Ada"]],
    ["caution", ["Ben", "Cy"]],
    ["tests", ["Dee", "Ed"]],
    ["intake", ["Dee"]],
  ] as const)("narrows to %s", (filter, expected) => expect(names(filter)).toEqual(expected));

  it("finds by a part of the name", () => expect(names("", " d")).toEqual(["Ada", "Dee", "Ed"]));
});

it("sorts by a column either way, what is missing last", () => {
  const all = [
    row("Ada", { lastTest: "2026-03-01" }),
    row("Ben", { lastTest: null }),
    row("Cid", { lastTest: "2026-02-01" }),
  ];
  const names = (down: boolean) => sortRoster(all, "tested", down).map((r) => r.name);
  expect(names(false)).toEqual(["Cid", "Ada", "Ben"]);
  expect(names(true)).toEqual(["Ada", "Cid", "Ben"]);
  expect(sortRoster(all, "name", true).map((r) => r.name)).toEqual(["Cid", "Ben", "Ada"]);
});
