import type { CautionId, MassUnit, Movement } from "../../shared/api/types";
import { cautionText } from "../../shared/why/wording";
import { say } from "../../words/ladders";

export const measures: Record<Movement["measure"], string> = {
  Reps: "repetitions",
  Seconds: "seconds",
  SecondsPerDescent: say("secondsOfEachDescent"),
  ContactHeight: say("heightOfContact"),
  LoadTimesReps: say("loadTimesRepetitions"),
  Capacity: say("setsWithLimitedRest"),
  Degrees: "degrees",
};

/** A caution of a movement, where no body is at hand to reckon with. */
export function standingCaution(id: CautionId, unit: MassUnit) {
  return id === "Anchor" ? say("anchorsMustBearTheSystemMassWith") : cautionText({ id, args: [] }, unit);
}
