import type { ChangeReason, ExampleOf, ProgressionKind, Remedy, ReturnRule, WeekKind } from "../api/types";
import { dayWeek } from "../ui/format";

export const weekKinds: Record<WeekKind, string> = { Loading: "loading", Easy: "easy", Retest: "retest" };

export const progressions: Record<ProgressionKind, string> = {
  Measure: "Then more load or reps, or less help",
  RangeThenMeasure: "Top of the range first, then more",
  Load: "Then the next load you can make",
  LoadOrRange: "Then load, or a longer range",
  Reps: "Then more reps",
  Seconds: "Then longer",
  HoldRamp: "Then a second more, on as many sets as the week allows",
  LongerPieces: "Then fewer, longer pieces",
  Stretch: "Then a longer stretch",
  ShorterGap: "Then a shorter gap",
  ShorterSlot: "Then a shorter slot",
  HigherTop: "Then a higher top step",
  Angle: "Then a harder angle, or load, once the opening set is over 20",
  Total: "Then a harder movement, once the total is up by 10 %",
  Contact: "Then a higher contact",
  Trend: "Nothing is added; the trend is watched",
  Test: "Then test the full rep",
};

export const changeReasons: Record<ChangeReason, string> = {
  LessAfterBreak: "less after the break",
  StepLower: "one step lower after the break",
  StepLocked: "the step is above the placement",
  StepWon: "the step is won",
  NoTest: "no heavy test to go by",
  HoldByBest: "seconds from the athlete’s own best",
  TooHard: "fewer clean reps than the line asks",
  KitMissing: "the kit is not there",
};

export const returnRules: Record<ReturnRule, string> = {
  Repeat: "One week: it is repeated.",
  Less: "Two weeks: 5 % of the system less, and a third fewer sets, in the first week back.",
  MuchLess:
    "Three or four weeks: 10 % of the system less, and straight-arm work one step lower, in the first week back.",
  Retest: "More weeks: the first week back is for tests.",
};

export const examples: Record<ExampleOf, string> = {
  PyramidInTime: "a pyramid against the clock",
  PyramidUnbroken: "a pyramid as one set",
  ClockRange: "a range of reps on the clock",
  ReserveRange: "a range of reserve",
  RestRange: "a range of rest",
  Straight: "straight sets, with tempo and rest",
  ByOneRepMax: "load by percent of the one-rep maximum",
  ByReserve: "by reps in reserve",
  ByBand: "help by a measured band",
  ByFeet: "help by the feet",
  ByBodyMass: "load by percent of body mass",
  ByCount: "counted load",
  DoubleProgression: "double progression",
  TopSet: "top set, then back-off",
  Drop: "drop set, with grips",
  RestPause: "rest-pause",
  RestPauseBreaths: "rest-pause, by breaths",
  Cluster: "cluster",
  Hold: "hold",
  HoldOfBest: "hold by the best one",
  BrokenHold: "broken hold",
  Negative: "negatives",
  Clock: "on the clock",
  ClockFast: "on the clock, as fast as possible",
  Pyramid: "unbroken pyramid",
  Max: "as many as possible",
  Practice: "practice sets, one or two left",
  Stretch: "reps, then a loaded stretch",
  Explosive: "explosive",
  EachSide: "one side at a time",
  WeakerFirst: "the weaker side first",
  WeakerMore: "the weaker side first, and one set more on it",
  OneSide: "an extra set for one side",
  PauseRep: "pause reps",
  Varied: "sets of unequal reps",
  Ramping: "ramping loads, one a set",
  VariedHold: "holds of unequal length",
  ToContact: "to a contact, as fast as possible",
  Box: "with a box",
  Pads: "with pads; fewer is deeper",
};

/** What the button of a remedy says. */
export function remedyText(remedy: Remedy, letter: string | undefined) {
  const what = letter ? ` ${letter}` : "";
  switch (remedy.kind) {
    case "Line":
      return `Make${what} ${remedy.line ?? ""}`;
    case "Substitute":
      return `${remedy.movementName ?? ""} instead`;
    case "Remove":
      return `Take${what || " it"} out`;
    case "Move":
      return `Move to ${remedy.day ? dayWeek(remedy.day) : ""}`;
    case "Join":
      return `Pair${what} with the one before`;
  }
}
