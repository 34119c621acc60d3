import type { LoggedSet } from "../api/types";
import { say } from "../../words/athletes";

/** Places of the body that a report of pain can name. */
export const painPlaces = [
  say("rightShoulder"),
  say("leftShoulder"),
  say("rightElbowInside"),
  say("leftElbowInside"),
  say("rightElbowOutside"),
  say("leftElbowOutside"),
  say("rightWrist"),
  say("leftWrist"),
  say("handTornSkin"),
  say("wordNeck"),
  say("lowerBack"),
  say("wordHip"),
  say("wordKnee"),
  say("wordAnkle"),
  say("wordCalf"),
  say("wordElsewhere"),
];

/** Signs that stop whatever the number says. */
export const stopSigns: Record<NonNullable<LoggedSet["sign"]>, string> = {
  Pop: say("wordAPop"),
  Numbness: say("wordNumb"),
  Tingling: say("wordTingling"),
  Swelling: say("wordSwelling"),
  NightPain: say("painAtNight"),
};

/** How high the bar reached, from the lowest. */
export const contactWord: Record<NonNullable<LoggedSet["contact"]>, string> = {
  Chin: say("wordChin"),
  Collarbone: say("wordCollarbone"),
  Chest: say("wordChest"),
  Belly: say("wordBelly"),
  Hip: say("wordHip"),
};
