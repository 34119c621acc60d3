import type { Expectation, LineProblem, NotationError, NotationFault } from "../api/types";
import { number } from "../ui/format";

const expected: Record<Expectation, string> = {
  SetCount: "how many sets",
  RepCount: "how many reps",
  Times: "x",
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
  Modifier: "reserve, then, tempo, grip or rest",
  EndOfLine: "the end of the line",
};

function list(error: NotationError) {
  const words = error.expected.map((e) => expected[e]);
  return words.length > 1 ? `${words.slice(0, -1).join(", ")} or ${words.at(-1)}` : (words[0] ?? "");
}

const faults: Record<NotationFault, (e: NotationError) => string> = {
  Unexpected: (e) => `Expected here: ${list(e)}.`,
  OutOfRange: (e) => `${capital(list(e))}: ${number(e.minimum ?? 0, 1)} to ${number(e.maximum ?? 0, 1)}.`,
  NotWhole: (e) => `${capital(list(e))}: a whole number.`,
  Twice: () => "This stands twice: keep one.",
  PartsDiffer: (e) => `${number(e.maximum ?? 0)} parts need ${number(e.maximum ?? 0)} of these.`,
  LoadsDoNotFall: () => "A drop goes down: each load must be lighter than the one before.",
  RangeReversed: () => "The second figure of a range is the higher one.",
  FastOnlyWhenLifting: () => "X stands only for lifting, the third figure: lowering - bottom - lifting - top.",
  TooLong: (e) => `At most ${number(e.maximum ?? 0)} characters.`,
};

export function notationMessage(error: NotationError) {
  return faults[error.fault](error);
}

const problems: Record<LineProblem, string> = {
  NoBodyMass: "No body mass is known: record one in the profile, then loads can be worked out.",
  NoOneRepMax: "This load needs a heavy test. Record one, or write the load, like @ +5 kg.",
  TooManyEffectiveReps: "Reps and reserve are over 12 together: no load can be estimated. Write the load.",
};

export function problemMessage(problem: LineProblem) {
  return problems[problem];
}

function capital(text: string) {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
