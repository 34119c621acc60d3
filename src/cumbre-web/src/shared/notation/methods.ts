import { say } from "../../words/notation";

/** The methods of a line and the words of their fields, for the form beside it. The server checks and prints. */
export interface Method {
  name: string;
  /** A plan to start from when the method is chosen. */
  start: Record<string, unknown>;
}

export const methods: Record<string, Method> = {
  straight: { name: say("straightSets"), start: { setTotal: 4, reps: 5 } },
  double: { name: say("doubleProgression"), start: { setTotal: 3, low: 8, high: 10 } },
  "top-back-off": {
    name: say("topSetAndBackOff"),
    start: { topSets: 1, topReps: 4, backOffSets: 3, backOffReps: 8, backOffPercent: 12 },
  },
  drop: {
    name: say("dropSet"),
    start: {
      setTotal: 2,
      parts: [4, 4, 6],
      loads: [
        { value: 20, unit: "kg" },
        { value: 10, unit: "kg" },
        { value: 0, unit: "kg" },
      ],
    },
  },
  "rest-pause": { name: say("restPause"), start: { setTotal: 2, gap: { count: 30, unit: "seconds" } } },
  cluster: { name: say("cluster"), start: { setTotal: 3, pieces: [2, 2, 2], gap: { count: 20, unit: "seconds" } } },
  clock: { name: say("onTheClock"), start: { everySeconds: 80, rounds: 5, reps: 6, fast: false } },
  pyramid: { name: say("unbrokenPyramid"), start: { rungs: [1, 3, 5, 7, 5, 3, 1] } },
  stretch: { name: say("repsAndLoadedStretch"), start: { setTotal: 3, low: 10, high: 15, stretchSeconds: 20 } },
  negative: { name: say("negatives"), start: { setTotal: 4, reps: 1, lowerSeconds: 5 } },
  hold: { name: say("hold"), start: { setTotal: 4, seconds: 8 } },
  "varied-hold": { name: say("unequalHolds"), start: { seconds: [7, 7, 6, 6] } },
  varied: { name: say("unequalSets"), start: { reps: [6, 6, 5] } },
  "broken-hold": { name: say("splitHold"), start: { totalSeconds: 24, pieces: 3 } },
  max: { name: "AMRAP", start: { setTotal: 2 } },
  practice: { name: say("practiceSets"), start: { setTotal: 2 } },
  explosive: { name: say("explosive"), start: { setTotal: 5, low: 3, high: 3 } },
};

/** Fields that are one whole number, in the order in which they are shown. */
export const numberFields: Record<string, string> = {
  setTotal: say("fieldSets"),
  topSets: say("topSets"),
  topReps: say("repsOfTheTopSet"),
  backOffSets: say("backOffSets"),
  backOffReps: say("repsOfTheBackOff"),
  backOffPercent: say("backOffOfTheSystem"),
  everySeconds: say("everyS"),
  rounds: say("fieldRounds"),
  reps: say("fieldReps"),
  low: say("repsFrom"),
  high: say("repsTo"),
  stretchSeconds: say("stretchS"),
  lowerSeconds: say("loweringS"),
  seconds: say("fieldSeconds"),
  bestPercent: say("ofTheBestHold"),
  totalSeconds: say("secondsInAll"),
  pieces: say("fieldPieces"),
};

/** Fields that are whole numbers in a row. */
export const rowFields: Record<string, string> = {
  parts: say("repsOfEachPart"),
  pieces: say("repsOfEachPiece"),
  rungs: say("repsOfEachRung"),
  reps: say("repsOfEachSet"),
  seconds: say("secondsOfEachSet"),
};

export const sidePlans: Record<string, string> = {
  "": say("bothAtOnce"),
  each: say("eachSide"),
  leftFirst: say("leftFirst"),
  rightFirst: say("rightFirst"),
  leftMore: say("leftFirstOneSetMoreOnIt"),
  rightMore: say("rightFirstOneSetMoreOnIt"),
  leftOnly: say("leftOnly"),
  rightOnly: say("rightOnly"),
};
