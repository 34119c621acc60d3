import type { CautionId, MassUnit, Movement } from "../api/types";
import { cautionText } from "../why/wording";

export const measures: Record<Movement["measure"], string> = {
  Reps: "repetitions",
  Seconds: "seconds",
  SecondsPerDescent: "seconds of each descent",
  ContactHeight: "height of contact",
  LoadTimesReps: "load times repetitions",
  Capacity: "sets with limited rest",
  Degrees: "degrees",
};

/** A caution of a movement, where no body is at hand to reckon with. */
export function standingCaution(id: CautionId, unit: MassUnit) {
  return id === "Anchor"
    ? "Anchors must bear the system mass with swing, at least three times; follow the maker’s rating and local rules."
    : cautionText({ id, args: [] }, unit);
}
