import type { CautionId, MassUnit, Movement } from "../../shared/api/types";
import { cautionText } from "../../shared/why/wording";
import { say as word } from "../../words/common";
import { say } from "../../words/ladders";

export const measures: Record<Movement["measure"], string> = {
  Reps: word("repsUnit"),
  Seconds: word("seconds"),
  SecondsPerDescent: say("secondsOfEachDescent"),
  ContactHeight: say("heightOfContact"),
  LoadTimesReps: say("loadTimesRepetitions"),
  Capacity: say("setsWithLimitedRest"),
  Degrees: word("degrees"),
};

export const armsWord: Record<Movement["arms"], string> = {
  None: say("noArms"),
  Bent: say("bentArms"),
  Straight: say("straightArms"),
};

/** A caution of a movement, where no body is at hand to reckon with. */
export function standingCaution(id: CautionId, unit: MassUnit) {
  return id === "Anchor" ? say("anchorsMustBearTheSystemMassWith") : cautionText({ id, args: [] }, unit);
}
