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
  "neck",
  say("lowerBack"),
  "hip",
  "knee",
  "ankle",
  "calf",
  "elsewhere",
];

/** Signs that stop whatever the number says. */
export const stopSigns: Record<NonNullable<LoggedSet["sign"]>, string> = {
  Pop: "a pop",
  Numbness: "numb",
  Tingling: "tingling",
  Swelling: "swelling",
  NightPain: say("painAtNight"),
};

/** How high the bar reached, from the lowest. */
export const contacts: Record<NonNullable<LoggedSet["contact"]>, string> = {
  Chin: "chin",
  Collarbone: "collarbone",
  Chest: "chest",
  Belly: "belly",
  Hip: "hip",
};
