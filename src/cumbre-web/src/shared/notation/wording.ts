import type { Expectation, ResolutionProblem, NotationError, NotationFault } from "../api/types";
import { capital, number } from "../ui/format";
import { say } from "../../words/notation";

const expected: Record<Expectation, string> = {
  SetCount: say("howManySets"),
  RepCount: say("howManyReps"),
  Times: "x",
  RoundCount: say("xAndHowManyRoundsLikeX"),
  Drop: say("wordDrop"),
  Top: say("wordTop"),
  BackOff: say("backOff3X812Top"),
  Load: say("aLoadLike125Kg"),
  Unit: say("kgOrLb"),
  UnitOrPercent: say("kgLbOr"),
  PercentBase: say("e1RmOrBmPercentOf"),
  PercentTop: say("topPercentOfTheTopSet"),
  PercentSign: "%",
  BackOffPercent: say("howMuchLighterLike12Top"),
  Increment: say("whatIsAddedLike25Kg"),
  RepRange: say("aRangeOfRepsBeforeThenLike"),
  InReserve: say("repsLeftLike2InReserve"),
  Failure: say("wordFailure"),
  TempoLowering: say("secondsOfLowering"),
  TempoBottom: say("secondsOfPauseAtTheBottom"),
  TempoLifting: say("secondsOfLiftingOrX"),
  TempoTop: say("secondsOfPauseAtTheTop"),
  TempoDash: say("andTheNextOfFourTempoFigures"),
  Duration: say("aTimeLike230"),
  DurationUnit: say("sOrMinOrWrite230"),
  TwoDigitSeconds: say("twoDigitsOfSecondsLike205"),
  Grip: say("aGripWideMediumNarrowUnderOr"),
  Slash: "/ and the next load",
  Plus: say("andTheNextPartTwoToFour"),
  Modifier: say("reserveTempoRestSidesPauseOrGrip"),
  EndOfLine: say("nothingMore"),
  Hold: say("wordHold"),
  Negative: say("wordNegative"),
  Every: say("everyAndATimeLikeEvery1"),
  Pyramid: say("wordPyramid"),
  RestPause: say("wordRestPause"),
  Cluster: say("wordCluster"),
  Max: say("wordMax"),
  Practice: say("wordPractice"),
  HoldSets: say("howManyHoldsOrTheSecondsOf"),
  HoldSeconds: say("secondsOfTheHold"),
  PercentBest: say("bestPercentOfTheBestHold"),
  SecondsUnit: say("sForSeconds"),
  InPieces: say("inAndHowManyPiecesLikeIn"),
  Lower: say("theSecondsOfLoweringLikeLower8"),
  LowerSeconds: say("secondsOfLowering"),
  Do: say("doAndTheRepsOfEachRound"),
  Rung: say("andTheRepsOfTheNextRung"),
  Gap: say("theGapInsideASetLikeGap"),
  SecondsOrBreaths: say("sOrBreaths"),
  Stretch: say("stretchAndItsSecondsLikeStretch15"),
  StretchSeconds: say("secondsOfTheStretch"),
  BandLoad: say("theHelpOfTheBandLikeBand"),
  PauseSeconds: say("secondsOfThePause"),
  PausePlace: say("bottomOrTop"),
  EachSide: say("sideAsInEachSide"),
  SideOrder: say("firstOrOnly"),
  OneMore: say("oneSetMoreAsInLeftFirst"),
  Range: "..",
  Effort: say("n2InReserveLastToFailureOr"),
  Then: say("then25Kg"),
  Tempo: say("aTempoLike31X0"),
  Rest: say("aRestLikeRest200"),
  Sides: say("eachSide"),
  Pause: say("aPauseLikePause2SBottom"),
  Grips: say("wordAGrip"),
  Fast: say("wordFast"),
  NextSet: say("andTheFigureOfTheNextSet"),
  SetUp: say("aSetUpLikeToChestBox"),
  BoxHeight: say("theHeightOfTheBoxInCm"),
  PadCount: say("howManyPads"),
  FeetPlace: say("whereTheFeetStandInCm"),
  StrapMark: say("theMarkOfTheStrap"),
  FingerCount: say("howManyFingersHelp"),
  Centimetres: say("centimetres"),
  Surface: say("parallettesOrFists"),
  TimeToBeat: say("aTimeToBeatLikeIn8"),
  ForTime: say("timeAsInForTime"),
  Unbroken: say("unbroken"),
};

function list(error: NotationError) {
  const open = error.expected.filter((e) => e !== "EndOfLine");
  const words = (open.length > 0 ? open : error.expected).map((e) => expected[e]);
  return words.length > 1
    ? say("orList", { before: words.slice(0, -1).join(", "), last: words.at(-1) ?? "" })
    : (words[0] ?? "");
}

const faults: Record<NotationFault, (e: NotationError) => string> = {
  // Said of the piece that stands before it; nothing stands there at the end.
  Unexpected: (e) => say(e.length > 0 ? "whatFits" : "unfinished", { list: list(e) }),
  OutOfRange: (e) =>
    say("rangeOf", { what: capital(list(e)), from: number(e.minimum ?? 0, 1), to: number(e.maximum ?? 0, 1) }),
  NotWhole: (e) => say("aWholeNumber", { e: capital(list(e)) }),
  Twice: () => say("thisStandsTwiceKeepOne"),
  PartsDiffer: (e) => say("partsNeedOfThese", { number: number(e.maximum ?? 0) }),
  LoadsDoNotFall: () => say("aDropGoesDownEachLoadMust"),
  RangeReversed: () => say("theSecondFigureOfARangeIs"),
  FastOnlyWhenLifting: () => say("xStandsOnlyForLiftingTheThird"),
  NotInThisMethod: () => say("thisMethodHasNoSuchPart"),
  PauseAgainstTempo: () => say("theTempoSaysAnotherPauseInThe"),
  NotInEqualPieces: (e) =>
    say("theseSecondsDoNotMakeEqualPieces", { number: number(e.minimum ?? 0), number2: number(e.maximum ?? 0) }),
  ReserveOfMax: () => say("withSomeLeftItIsNoMaximum"),
  Ambiguous: () => say("thisCanMeanSeveralThingsWhich"),
  TooLong: (e) => say("atMostCharacters", { number: number(e.maximum ?? 0) }),
};

export function notationMessage(error: NotationError) {
  return faults[error.fault](error);
}

const problems: Record<ResolutionProblem, string> = {
  NoBodyMass: say("noBodyMassIsKnownRecordOne"),
  NoOneRepMax: say("thisLoadNeedsAHeavyTestRecord"),
  NoBestHold: say("thisHoldGoesByTheBestOne"),
  NoSuchBand: say("noMeasuredBandGivesHelpNearTo"),
  NoSuchCounted: say("theKitHasNoSuchPiecesWrite"),
  TooFewCounted: say("theKitHasFewerOfThesePieces"),
  NoReps: say("thisLiftGoesByLoadAndThe"),
  NoBandOfThatName: say("theKitHasNoBandOfThat"),
  MovementUnknown: say("thisMovementIsNotInTheCatalogue"),
  TooManyEffectiveReps: say("repsAndReserveAreOver12Together"),
};

export function problemMessage(problem: ResolutionProblem) {
  return problems[problem];
}
