import { say as word } from "../../words/common";
import { say } from "../../words/why";

/** Words of closed lists that travel as codes. */
const words: Record<string, string> = {
  Epley: "Epley",
  Brzycki: "Brzycki",
  Lombardi: "Lombardi",
  OConner: "O’Conner",
  Lander: "Lander",
  Wathan: "Wathan",
  Mayhew: "Mayhew",
  Male: word("mens"),
  Female: word("womens"),
  Neither: say("meanOfBoth"),
  Left: say("wordLeft"),
  Right: say("wordRight"),
  SkillHard: say("theSkillOnItsHardDay"),
  SkillLight: say("theSkillOnItsLightDay"),
  SkillKept: say("aSkillThatIsKept"),
  Limiting: say("workForWhatHoldsAGoalBack"),
  MainPull: say("theMainPull"),
  MainPush: say("theMainPush"),
  SecondPull: say("theSecondPull"),
  SecondPush: say("theSecondPush"),
  Isolation: say("aSmallExercise"),
  Trunk: say("trunkWork"),
  Legs: say("legWork"),
  Mobility: say("aDrillBetweenSets"),
  Test: say("wordATest"),
  JumpLarge: say("aLargeJump"),
  PrilepinOver: say("repsOverTheTable"),
  HardSetsOver: say("hardSetsOverTheUsual"),
  PullToPushOff: say("pullAndPushOutOfBalance"),
  MinutesOver: say("theMinutes"),
  StraightArmRampOver: say("theStraightArmRamp"),
  StraightArmDays: say("straightArmsOnTwoDaysRunning"),
  AboveOneRepMax: say("aLoadOverTheMaximum"),
  HoldOverBest: say("aHoldOverTheBest"),
  FailureNotHarmless: say("aFailureThatIsNotHarmless"),
  NegativeLong: say("aLongLowering"),
  NotLoaded: say("aLoadThatIsNotUsual"),
  SidesUneven: say("unevenSides"),
  MinorNoSingle: say("singlesUnder16"),
};

/** Slugs of the catalogue read as words once their dashes are gone. */
export function wordOf(code: string) {
  return words[code] ?? code.replaceAll("-", " ");
}
