import type { Expectation, ResolutionProblem, NotationError, NotationFault } from "../api/types";
import { capital, number } from "../ui/format";

const expected: Record<Expectation, string> = {
  SetCount: "how many sets",
  RepCount: "how many reps",
  Times: "x",
  RoundCount: "x and how many rounds, like x 5",
  Drop: "drop",
  Top: "top",
  BackOff: "back-off 3 x 8 @ -12 % top",
  Load: "a load, like @ +12.5 kg",
  Unit: "kg or lb",
  UnitOrPercent: "kg, lb or %",
  PercentBase: "e1RM or bm: percent of what",
  PercentTop: "top: percent of the top set",
  PercentSign: "%",
  BackOffPercent: "how much lighter, like @ -12 % top",
  Increment: "what is added, like +2.5 kg",
  RepRange: "a range of reps before “then”, like 8..10",
  InReserve: "reps left, like 2 in reserve",
  Failure: "failure",
  TempoLowering: "seconds of lowering",
  TempoBottom: "seconds of pause at the bottom",
  TempoLifting: "seconds of lifting, or X",
  TempoTop: "seconds of pause at the top",
  TempoDash: "- and the next of four tempo figures, like 3-1-X-0",
  Duration: "a time, like 2:30",
  DurationUnit: "s or min, or write 2:30",
  TwoDigitSeconds: "two digits of seconds, like 2:05",
  Grip: "a grip: wide, medium, narrow, under or neutral",
  Slash: "/ and the next load",
  Plus: "+ and the next part: two to four parts",
  Modifier: "reserve, tempo, rest, sides, pause or grip",
  EndOfLine: "nothing more",
  Hold: "hold",
  Negative: "negative",
  Every: "every and a time, like every 1:20",
  Pyramid: "pyramid",
  RestPause: "rest-pause",
  Cluster: "cluster",
  Max: "max",
  Practice: "practice",
  HoldSets: "how many holds, or the seconds of one long hold",
  HoldSeconds: "seconds of the hold",
  PercentBest: "best: percent of the best hold",
  SecondsUnit: "s for seconds",
  InPieces: "in and how many pieces, like in 3",
  Lower: "the seconds of lowering, like lower 8 s",
  LowerSeconds: "seconds of lowering",
  Do: "do and the reps of each round, like do 6",
  Rung: "- and the reps of the next rung",
  Gap: "the gap inside a set, like gap 30 s or gap 10 breaths",
  SecondsOrBreaths: "s or breaths",
  Stretch: "stretch and its seconds, like + stretch 15 s",
  StretchSeconds: "seconds of the stretch",
  BandLoad: "the help of the band, like band 15 kg",
  PauseSeconds: "seconds of the pause",
  PausePlace: "bottom or top",
  EachSide: "side, as in each side",
  SideOrder: "first or only",
  OneMore: "one set more, as in left first +1",
  Range: "..",
  Effort: "2 in reserve, last to failure, or to failure",
  Then: "then +2.5 kg",
  Tempo: "a tempo, like 3-1-X-0",
  Rest: "a rest, like rest 2:00",
  Sides: "each side",
  Pause: "a pause, like pause 2 s bottom",
  Grips: "a grip",
  Fast: "fast",
  NextSet: ", and the figure of the next set",
  SetUp: "a set-up, like to chest, box 40 cm or pads 2",
  BoxHeight: "the height of the box in cm",
  PadCount: "how many pads",
  FeetPlace: "where the feet stand, in cm",
  StrapMark: "the mark of the strap",
  FingerCount: "how many fingers help",
  Centimetres: "cm",
  Surface: "parallettes or fists",
  TimeToBeat: "a time to beat, like in 8:00",
  ForTime: "time, as in for time",
  Unbroken: "unbroken",
};

function list(error: NotationError) {
  const open = error.expected.filter((e) => e !== "EndOfLine");
  const words = (open.length > 0 ? open : error.expected).map((e) => expected[e]);
  return words.length > 1 ? `${words.slice(0, -1).join(", ")} or ${words.at(-1)}` : (words[0] ?? "");
}

const faults: Record<NotationFault, (e: NotationError) => string> = {
  // Said of the piece that stands before it; nothing stands there at the end.
  Unexpected: (e) => `${e.length > 0 ? "does not fit here" : "Not finished"}. What fits: ${list(e)}.`,
  OutOfRange: (e) => `${capital(list(e))}: ${number(e.minimum ?? 0, 1)} to ${number(e.maximum ?? 0, 1)}.`,
  NotWhole: (e) => `${capital(list(e))}: a whole number.`,
  Twice: () => "This stands twice: keep one.",
  PartsDiffer: (e) => `${number(e.maximum ?? 0)} parts need ${number(e.maximum ?? 0)} of these.`,
  LoadsDoNotFall: () => "A drop goes down: each load must be lighter than the one before.",
  RangeReversed: () => "The second figure of a range is the higher one.",
  FastOnlyWhenLifting: () => "X stands only for lifting, the third figure: lowering - bottom - lifting - top.",
  NotInThisMethod: () => "This method has no such part.",
  PauseAgainstTempo: () => "The tempo says another pause in the same place.",
  NotInEqualPieces: (e) =>
    `These seconds do not make equal pieces: ${number(e.minimum ?? 0)} or ${number(e.maximum ?? 0)} do.`,
  ReserveOfMax: () => "With some left it is no maximum: write the reps.",
  Ambiguous: () => "This can mean several things. Which?",
  TooLong: (e) => `At most ${number(e.maximum ?? 0)} characters.`,
};

export function notationMessage(error: NotationError) {
  return faults[error.fault](error);
}

const problems: Record<ResolutionProblem, string> = {
  NoBodyMass: "No body mass is known: record one in the profile, then loads can be worked out.",
  NoOneRepMax: "This load needs a heavy test. Record one, or write the load, like @ +5 kg.",
  NoBestHold: "This hold goes by the best one, and none is known: record one, or write the seconds.",
  NoSuchBand: "No measured band gives help near to that.",
  NoSuchCounted: "The kit has no such pieces: write them down under Kit, or write a load.",
  TooFewCounted: "The kit has fewer of these pieces.",
  NoReps: "This lift goes by load, and the line says neither load nor reps: write one of them.",
  NoBandOfThatName: "The kit has no band of that name, or several.",
  MovementUnknown: "This movement is not in the catalogue any more: choose another.",
  TooManyEffectiveReps: "Reps and reserve are over 12 together: no load can be estimated. Write the load.",
};

export function problemMessage(problem: ResolutionProblem) {
  return problems[problem];
}
