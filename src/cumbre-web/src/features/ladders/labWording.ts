import type { Lab, LabHalfStep, LabStep, MassUnit } from "../../shared/api/types";
import { mass, number } from "../../shared/ui/format";
import { inSentence } from "../../shared/ui/nameWords";
import { say } from "../../words/ladders";

export const places: Record<LabStep["help"][number]["at"], string> = {
  Waist: say("atWaist"),
  Hips: say("atHips"),
  Ankles: say("atAnkles"),
};

/** A torque at the shoulders, or the force of a hand in a flag. */
export const momentText = (moment: number, kind: Lab["kind"]) =>
  `${number(Math.round(moment))} ${kind === "HandForce" ? say("newtons") : say("newtonMetres")}`;

/** A torque or a force, and between what it may lie. */
export function figureText({ moment, low, high }: { moment: number; low: number; high: number }, kind: Lab["kind"]) {
  return say("labRange", {
    value: momentText(moment, kind),
    low: number(Math.round(low)),
    high: number(Math.round(high)),
  });
}

export function allowedText(allowed: number | null, lab: Lab) {
  if (lab.maximum === null) return "";
  return allowed === null ? say("labAbove") : say("labAbout", { seconds: Math.round(allowed) });
}

export const helpText = (help: LabStep["help"], unit: MassUnit) =>
  help.map((h) => `${mass(h.kilograms, unit, 1)} ${places[h.at]}`).join(", ");

/** How a gap is bridged. */
export function halfText(half: LabHalfStep, unit: MassUnit): string {
  const kilograms = mass(half.kilograms, unit, 1);
  switch (half.kind) {
    case "Help":
      return say("labByHelp", { step: inSentence(half.before), kilograms, place: places[half.at] });
    case "AnkleWeight":
      return say("labByWeight", { step: inSentence(half.after), kilograms });
    case "Line":
      return [
        half.otherHip === null
          ? say("labByLine", { hip: Math.round(half.hip), knee: Math.round(half.knee) })
          : say("labByLegs", {
              hip: Math.round(half.hip),
              knee: Math.round(half.knee),
              otherHip: Math.round(half.otherHip),
              otherKnee: Math.round(half.otherKnee ?? 0),
            }),
        half.apart >= 1 && say("labApart", { apart: Math.round(half.apart) }),
      ]
        .filter(Boolean)
        .join(", ");
  }
}
