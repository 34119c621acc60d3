import { expect, it } from "vitest";
import type { FilePreview, ImportMapping } from "../../shared/api/types";
import { letters, rolesOf, withFix, withName, withRole } from "./mapping";

const mapping = {
  kind: "Sets",
  columns: [{ index: 0, header: "Who", role: "Athlete", unit: null }],
  names: [],
  fixes: [],
} as unknown as ImportMapping;
const name = { of: "Athlete", written: "Ada", found: null } as unknown as FilePreview["names"][number];
const fault = (written: string) =>
  ({ sheet: "Log", row: 7, column: 2, fault: "ResultUnread", written, count: 3 }) as FilePreview["faults"][number];

it("names columns as a spreadsheet does", () => {
  expect([0, 25, 26, 51, 52, 701, 702].map(letters)).toEqual(["A", "Z", "AA", "AZ", "BA", "ZZ", "AAA"]);
});

it("keeps the bodyweight of a name when its meaning is chosen, and the meaning when the bodyweight is", () => {
  const chosen = withName(mapping, name, { choice: "new" });
  const weighed = withName(chosen, name, { bodyMass: { value: 61, unit: "Kg" } });
  expect(weighed.names).toEqual([
    { of: "Athlete", written: "Ada", choice: "new", bodyMass: { value: 61, unit: "Kg" } },
  ]);
  expect(withName(weighed, name, { choice: null }).names[0]).toMatchObject({ choice: null, bodyMass: { value: 61 } });
});

it("corrects a text wherever it stands, and an empty cell alone", () => {
  expect(withFix(mapping, fault("lots"), "8").fixes).toEqual([
    { sheet: "Log", column: 2, from: "lots", to: "8", row: null },
  ]);
  expect(withFix(mapping, fault(""), "8").fixes[0]).toMatchObject({ from: "", row: 7 });
});

it("offers what a kind of table can say, and keeps what was chosen for another kind", () => {
  expect(rolesOf("BodyMasses", "Ignored")).not.toContain("Reps");
  expect(rolesOf("BodyMasses", "Reps")).toContain("Reps");
  expect(withRole(mapping, 0, "Note").columns[0]!.role).toBe("Note");
});
