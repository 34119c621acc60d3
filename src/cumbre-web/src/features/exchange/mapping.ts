import type { ImportMapping, FilePreview } from "../../shared/api/types";

export type Role = ImportMapping["columns"][number]["role"];
export type Kind = ImportMapping["kind"];
type Name = FilePreview["names"][number];
type Choice = ImportMapping["names"][number];

/** What columns of each kind of table can say, in the order in which they are offered. */
const who: Role[] = ["Athlete"];
const set: Role[] = ["Set", "Part", "SetCount", "Reps", "Total", "Seconds", "Load", "Unit", "Reserve", "Exertion"];
const more: Role[] = ["Side", "Contact", "Form", "Fault", "SetUp", "Pain", "PainPlace", "Rested", "Note"];
const roles: Record<Kind, Role[]> = {
  Athletes: [...who, "BirthYear", "Sex", "Stature", "BodyMass", "Unit"],
  BodyMasses: [...who, "Day", "BodyMass", "Unit", "Value"],
  Tests: [...who, "Day", "Test", "Result", "Value", "Reps", "Seconds", "Load", "Unit", "Side", "BodyMass", "BirthYear"],
  Sets: [
    ...who,
    "Day",
    "Session",
    "Movement",
    "Line",
    "Result",
    "Value",
    ...set,
    ...more,
    "BodyMass",
    "SessionRpe",
    "Deload",
    "BirthYear",
  ],
  Outline: ["Week", "Day", "Session", "Movement", "Line"],
};

export const kinds = Object.keys(roles) as Kind[];

export const rolesOf = (kind: Kind, now: Role): Role[] => {
  const all: Role[] = ["Ignored", ...roles[kind]];
  return all.includes(now) ? all : [...all, now];
};

export const withRole = (mapping: ImportMapping, index: number, role: Role): ImportMapping => ({
  ...mapping,
  columns: mapping.columns.map((c) => (c.index === index ? { ...c, role } : c)),
});

/** What was chosen for a name, in place of an earlier choice. */
export function withName(mapping: ImportMapping, name: Name, change: Partial<Choice>): ImportMapping {
  const before = mapping.names.find((n) => n.of === name.of && n.written === name.written);
  return {
    ...mapping,
    names: [
      ...mapping.names.filter((n) => n !== before),
      {
        of: name.of,
        written: name.written,
        choice: before ? (before.choice ?? null) : (name.found ?? null),
        bodyMass: before?.bodyMass ?? null,
        ...change,
      },
    ],
  };
}

/** A correction counts wherever the same text stands in the column; null leaves the lines out. */
export const withFix = (
  mapping: ImportMapping,
  fault: FilePreview["faults"][number],
  to: string | null,
): ImportMapping => ({
  ...mapping,
  fixes: [
    ...mapping.fixes,
    // An empty cell is corrected by itself: the others may mean something else.
    {
      sheet: fault.sheet,
      column: fault.column,
      from: fault.written,
      to,
      row: fault.written === "" ? fault.row : null,
    },
  ],
});

/** The column as a spreadsheet names it: A, B, Z, AA. */
export function letters(column: number): string {
  const last = String.fromCharCode(65 + (column % 26));
  return column < 26 ? last : letters(Math.floor(column / 26) - 1) + last;
}

/** Faults of names are mended by choosing what a name means, once for all its lines. */
export const isOfName = (fault: FilePreview["faults"][number]) =>
  ["AthleteUnknown", "AthleteSeveral", "MovementUnknown", "TestUnknown"].includes(fault.fault);
