import type { ChangeReason, ExampleOf, Progression, ProgressionKind, Remedy, ReturnRule, WeekKind } from "../api/types";
import { dayWeek } from "../ui/format";
import { say } from "../../words/blocks";

export const weekKinds: Record<WeekKind, string> = {
  Loading: say("loadingWeek"),
  Easy: say("deloadWeek"),
  Retest: say("retestWeek"),
};

/** In what a line grows once it is done; what the method leaves to the movement by its measure, and a drill in nothing. */
export function progressionText({ kind, by }: Pick<Progression, "kind" | "by">) {
  if (kind === "Measure") return by && say("thenMore", { by });
  if (kind === "RangeThenMeasure") return by && say("topOfTheRangeFirst", { by });
  return progressions[kind];
}

const progressions: Record<Exclude<ProgressionKind, "Measure" | "RangeThenMeasure">, string> = {
  Load: say("thenTheNextLoadYouCanMake"),
  LoadOrRange: say("thenLoadOrALongerRange"),
  Reps: say("thenMoreReps"),
  Seconds: say("thenLonger"),
  HoldRamp: say("thenASecondMoreOnAsMany"),
  LongerPieces: say("thenFewerLongerPieces"),
  Stretch: say("thenALongerStretch"),
  ShorterGap: say("thenAShorterGap"),
  ShorterSlot: say("thenAShorterSlot"),
  HigherTop: say("thenAHigherTopStep"),
  Angle: say("thenAHarderAngleOrLoadOnce"),
  Total: say("thenAHarderMovementOnceTheTotal"),
  Contact: say("thenAHigherContact"),
  Trend: say("nothingIsAddedTheTrendIsWatched"),
  Test: say("thenTestTheFullRep"),
};

export const changeReasons: Record<ChangeReason, string> = {
  LessAfterBreak: say("lessAfterTheBreak"),
  StepLower: say("oneStepLowerAfterTheBreak"),
  StepLocked: say("theStepIsAboveThePlacement"),
  StepWon: say("theStepIsWon"),
  NoTest: say("noHeavyTestToGoBy"),
  HoldByBest: say("secondsFromTheAthletesOwnBest"),
  TooHard: say("fewerCleanRepsThanTheLineAsks"),
  KitMissing: say("theKitIsNotThere"),
};

export const returnRules: Record<ReturnRule, string> = {
  Repeat: say("oneWeekItIsRepeated"),
  Less: say("twoWeeks5OfTheSystemLess"),
  MuchLess: say("threeOrFourWeeks10OfThe"),
  Retest: say("moreWeeksTheFirstWeekBackIs"),
};

export const examples: Record<ExampleOf, string> = {
  PyramidInTime: say("aPyramidAgainstTheClock"),
  PyramidUnbroken: say("aPyramidAsOneSet"),
  ClockRange: say("aRangeOfRepsOnTheClock"),
  ReserveRange: say("aRangeOfReserve"),
  RestRange: say("aRangeOfRest"),
  Straight: say("straightSetsWithTempoAndRest"),
  ByOneRepMax: say("loadByPercentOfTheOneRep"),
  ByReserve: say("byRepsInReserve"),
  ByBand: say("helpByAMeasuredBand"),
  ByFeet: say("helpByTheFeet"),
  ByBodyMass: say("loadByPercentOfBodyMass"),
  ByCount: say("countedLoad"),
  DoubleProgression: say("doubleProgression"),
  TopSet: say("topSetThenBackOff"),
  Drop: say("dropSetWithGrips"),
  RestPause: say("wordRestPause"),
  RestPauseBreaths: say("restPauseByBreaths"),
  Cluster: say("wordCluster"),
  Hold: say("wordHold"),
  HoldOfBest: say("holdByTheBestOne"),
  BrokenHold: say("brokenHold"),
  Negative: say("wordNegatives"),
  Clock: say("onTheClock"),
  ClockFast: say("onTheClockAsFastAsPossible"),
  Pyramid: say("unbrokenPyramid"),
  Max: say("asManyAsPossible"),
  Practice: say("practiceSetsOneOrTwoLeft"),
  Stretch: say("repsThenALoadedStretch"),
  Explosive: say("wordExplosive"),
  EachSide: say("oneSideAtATime"),
  WeakerFirst: say("theWeakerSideFirst"),
  WeakerMore: say("theWeakerSideFirstAndOneSet"),
  OneSide: say("anExtraSetForOneSide"),
  PauseRep: say("pauseReps"),
  Varied: say("setsOfUnequalReps"),
  Ramping: say("rampingLoadsOneASet"),
  VariedHold: say("holdsOfUnequalLength"),
  ToContact: say("toAContactAsFastAsPossible"),
  Box: say("withABox"),
  Pads: say("withPadsFewerIsDeeper"),
};

/** What the button of a remedy says. */
export function remedyText(remedy: Remedy, letter = "none") {
  switch (remedy.kind) {
    case "Line":
      return say("make", { letter, line: remedy.line ?? "" });
    case "Substitute":
      return say("instead", { movementName: remedy.movementName ?? "" });
    case "Remove":
      return say("takeOut", { letter });
    case "Move":
      return say("moveTo", { day: remedy.day ? dayWeek(remedy.day) : "" });
    case "Join":
      return say("pairWithTheOneBefore", { letter });
  }
}
