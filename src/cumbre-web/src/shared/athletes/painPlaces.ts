import type { BodyPlace, LoggedSet, Side } from "../api/types";
import { say } from "../../words/athletes";

/** A place of the body that a report of pain can name, and what the rules read of the words. */
export interface PlaceChoice {
  said: string;
  place: BodyPlace;
  side: Side | null;
}

export const placeChoices: PlaceChoice[] = [
  { said: say("rightShoulder"), place: "Shoulder", side: "Right" },
  { said: say("leftShoulder"), place: "Shoulder", side: "Left" },
  { said: say("rightElbowInside"), place: "ElbowInner", side: "Right" },
  { said: say("leftElbowInside"), place: "ElbowInner", side: "Left" },
  { said: say("rightElbowOutside"), place: "ElbowOuter", side: "Right" },
  { said: say("leftElbowOutside"), place: "ElbowOuter", side: "Left" },
  { said: say("rightWrist"), place: "Wrist", side: "Right" },
  { said: say("leftWrist"), place: "Wrist", side: "Left" },
  { said: say("handTornSkin"), place: "Hand", side: null },
  { said: say("wordNeck"), place: "Neck", side: null },
  { said: say("lowerBack"), place: "LowerBack", side: null },
  { said: say("wordHip"), place: "Hip", side: null },
  { said: say("wordKnee"), place: "Knee", side: null },
  { said: say("wordAnkle"), place: "Ankle", side: null },
  { said: say("wordCalf"), place: "Calf", side: null },
  { said: say("wordElsewhere"), place: "Elsewhere", side: null },
];

export const painPlaces = placeChoices.map((p) => p.said);

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
