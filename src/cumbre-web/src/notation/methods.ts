/** The methods of a line and the words of their fields, for the form beside it. The server checks and prints. */
export interface Method {
  name: string;
  /** A plan to start from when the method is chosen. */
  start: Record<string, unknown>;
}

export const methods: Record<string, Method> = {
  straight: { name: "Straight sets", start: { setTotal: 4, reps: 5 } },
  double: { name: "Double progression", start: { setTotal: 3, low: 8, high: 10 } },
  "top-back-off": {
    name: "Top set and back-off",
    start: { topSets: 1, topReps: 4, backOffSets: 3, backOffReps: 8, backOffPercent: 12 },
  },
  drop: {
    name: "Drop set",
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
  "rest-pause": { name: "Rest-pause", start: { setTotal: 2, gap: { count: 30, unit: "seconds" } } },
  cluster: { name: "Cluster", start: { setTotal: 3, pieces: [2, 2, 2], gap: { count: 20, unit: "seconds" } } },
  clock: { name: "On the clock", start: { everySeconds: 80, rounds: 5, reps: 6, fast: false } },
  pyramid: { name: "Unbroken pyramid", start: { rungs: [1, 3, 5, 7, 5, 3, 1] } },
  stretch: { name: "Reps and loaded stretch", start: { setTotal: 3, low: 10, high: 15, stretchSeconds: 20 } },
  negative: { name: "Negatives", start: { setTotal: 4, reps: 1, lowerSeconds: 5 } },
  hold: { name: "Hold", start: { setTotal: 4, seconds: 8 } },
  "varied-hold": { name: "Unequal holds", start: { seconds: [7, 7, 6, 6] } },
  varied: { name: "Unequal sets", start: { reps: [6, 6, 5] } },
  "broken-hold": { name: "Split hold", start: { totalSeconds: 24, pieces: 3 } },
  max: { name: "AMRAP", start: { setTotal: 2 } },
  practice: { name: "Practice sets", start: { setTotal: 2 } },
  explosive: { name: "Explosive", start: { setTotal: 5, low: 3, high: 3 } },
};

/** Fields that are one whole number, in the order in which they are shown. */
export const numberFields: Record<string, string> = {
  setTotal: "Sets",
  topSets: "Top sets",
  topReps: "Reps of the top set",
  backOffSets: "Back-off sets",
  backOffReps: "Reps of the back-off",
  backOffPercent: "Back-off, % of the system",
  everySeconds: "Every, s",
  rounds: "Rounds",
  reps: "Reps",
  low: "Reps from",
  high: "Reps to",
  stretchSeconds: "Stretch, s",
  lowerSeconds: "Lowering, s",
  seconds: "Seconds",
  bestPercent: "% of the best hold",
  totalSeconds: "Seconds in all",
  pieces: "Pieces",
};

/** Fields that are whole numbers in a row. */
export const rowFields: Record<string, string> = {
  parts: "Reps of each part",
  pieces: "Reps of each piece",
  rungs: "Reps of each rung",
  reps: "Reps of each set",
  seconds: "Seconds of each set",
};

export const sidePlans: Record<string, string> = {
  "": "both at once",
  each: "each side",
  leftFirst: "left first",
  rightFirst: "right first",
  leftMore: "left first, one set more on it",
  rightMore: "right first, one set more on it",
  leftOnly: "left only",
  rightOnly: "right only",
};
