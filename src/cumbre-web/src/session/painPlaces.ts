import type { LoggedSet } from "../api/types";

/** Places of the body that a report of pain can name. */
export const painPlaces = [
  "right shoulder",
  "left shoulder",
  "right elbow, inside",
  "left elbow, inside",
  "right elbow, outside",
  "left elbow, outside",
  "right wrist",
  "left wrist",
  "hand, torn skin",
  "neck",
  "lower back",
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
  NightPain: "pain at night",
};

/** How high the bar reached, from the lowest. */
export const contacts: Record<NonNullable<LoggedSet["contact"]>, string> = {
  Chin: "chin",
  Collarbone: "collarbone",
  Chest: "chest",
  Belly: "belly",
  Hip: "hip",
};
