import { wordsOf } from "./wordsOf";

export const say = wordsOf("paper", {
  print: "Print",
  paper: "Paper",
  letter: "Letter",
  back: "Back",
  warmUp: "Warm-up",
  coolDown: "Cool-down",
  tempoLoweringPauseAtTheBottomLifting:
    "Tempo in seconds: lowering, pause at the bottom, lifting (X: as fast as possible), pause at the top",
  theBottomIs: "{name}: the bottom is {bottom}",
  cautions: "Cautions",
  keptAgainstACaution: "Kept against a caution:",
  rest: "rest {restSeconds}",
  boxesOf: "Boxes of {letter}",
  off: "off {takeOff}",
  leftPain: "RIR, pain",
  inABoxRepsOrSecondsDone: "Write the reps or seconds done in each box.",
  stopOnSharpPainAPinchOn:
    "Stop on sharp pain, a pinch on top of the shoulder, a pop, numbness or tingling, and check again the next morning. This is not medical advice; local rules and licensed professionals come first.",
});
