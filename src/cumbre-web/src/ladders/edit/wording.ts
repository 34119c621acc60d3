import type { LadderDifference, Mover } from "../../api/types";

const fieldWord: Record<string, string> = {
  name: "name",
  skill: "skill",
  about: "about",
  pattern: "pattern",
  demandKind: "kind of height",
  movement: "movement",
  setUp: "set-up",
  preparation: "preparation",
  exposure: "short singles only",
  after: "follows",
  demand: "demand",
  gates: "gates",
  opens: "opens the next",
  won: "won by",
  dose: "usual dose",
  weeks: "weeks",
  substitutes: "substitutes",
  cues: "cues",
  faults: "faults",
  cautions: "cautions",
};

export function fieldName(field: string | null) {
  return field === null ? "" : (fieldWord[field] ?? field);
}

/** What a difference says: "Tuck, usual dose: 3 x 8, was 3 x 10". */
export function differenceText(d: LadderDifference) {
  switch (d.kind) {
    case "StepAdded":
      return `${d.stepName}: new step`;
    case "StepRemoved":
      return `${d.stepName}: taken out`;
    case "Reordered":
      return `order: ${d.to}`;
    case "Changed":
      return `${d.stepName ? `${d.stepName}, ` : ""}${fieldName(d.field)}: ${d.to ?? "nothing"}, was ${d.from ?? "nothing"}`;
  }
}

/** Where an athlete would go: "Tuck → Advanced tuck". */
export function moveText(m: Mover) {
  const parts = [
    m.from === m.to
      ? `stays at ${m.to ?? "the gate"}`
      : `${m.from ?? "before the gate"} → ${m.to ?? "before the gate"}`,
    m.opened.length > 0 && `opens ${m.opened.join(", ")}`,
    m.closed.length > 0 && `closes ${m.closed.join(", ")}`,
    m.won.length > 0 && `wins ${m.won.join(", ")}`,
    m.lost.length > 0 && `loses ${m.lost.join(", ")}`,
  ];
  return parts.filter((p): p is string => typeof p === "string").join("; ");
}
