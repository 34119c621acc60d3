import type { LadderDifference, Mover } from "../../../shared/api/types";
import { say } from "../../../words/ladders";

const fieldWord: Record<string, string> = {
  name: say("fieldName"),
  skill: say("fieldSkill"),
  about: say("fieldAbout"),
  pattern: say("fieldPattern"),
  demandKind: say("kindOfHeight"),
  movement: say("fieldMovement"),
  setUp: say("fieldSetUp"),
  preparation: say("fieldPreparation"),
  exposure: say("shortSinglesOnly"),
  after: say("fieldAfter"),
  demand: say("fieldDemand"),
  gates: say("fieldGates"),
  opens: say("opensTheNext2"),
  won: say("wonBy2"),
  dose: say("usualDose2"),
  weeks: say("fieldWeeks"),
  substitutes: say("fieldSubstitutes"),
  cues: say("fieldCues"),
  faults: say("fieldFaults"),
  cautions: say("fieldCautions"),
};

export function fieldName(field: string | null) {
  return field === null ? "" : (fieldWord[field] ?? field);
}

/** What a difference says: "Tuck, usual dose: 3 x 8, was 3 x 10". */
export function differenceText(d: LadderDifference) {
  switch (d.kind) {
    case "StepAdded":
      return say("newStep", { stepName: d.stepName ?? "" });
    case "StepRemoved":
      return say("takenOut", { stepName: d.stepName ?? "" });
    case "Reordered":
      return say("order", { to: d.to ?? "" });
    case "Changed":
      return say("was", {
        stepName: d.stepName ? `${d.stepName}, ` : "",
        field: fieldName(d.field),
        to: d.to ?? "nothing",
        from: d.from ?? "nothing",
      });
  }
}

/** Where an athlete would go: "Tuck → Advanced tuck". */
export function moveText(m: Mover) {
  const parts = [
    m.from === m.to
      ? say("staysAt", { to: m.to ?? say("theGate") })
      : `${m.from ?? say("beforeTheGate")} → ${m.to ?? say("beforeTheGate")}`,
    m.opened.length > 0 && say("opens", { opened: m.opened.join(", ") }),
    m.closed.length > 0 && say("closes", { closed: m.closed.join(", ") }),
    m.won.length > 0 && say("wins", { won: m.won.join(", ") }),
    m.lost.length > 0 && say("loses", { lost: m.lost.join(", ") }),
  ];
  return parts.filter((p): p is string => typeof p === "string").join("; ");
}
