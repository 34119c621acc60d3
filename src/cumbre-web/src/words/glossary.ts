import { wordsOf } from "./wordsOf";

/** The words of the trade and those of Cumbre's own; each text says what the word means on these pages. */
export const glossary = {
  addedLoad: ["Added load", "What is added to the body for a lift: plates on a belt, a vest, a dumbbell."],
  amrap: ["AMRAP", "As many reps as possible in one set, with clean form."],
  assistance: [
    "Assistance",
    "What a band, a box or the feet take off the bodyweight, in kg. It is measured, so that progress can be compared.",
  ],
  backOff: ["Back-off sets", "Lighter sets after the top set, usually 10 to 15 % below it."],
  block: ["Block", "Several loading weeks, usually four, then a deload and a retest."],
  capacity: ["Capacity", "Equal sets with short rests, for instance 5 x 20 pull-ups with at most 5 min rest."],
  cluster: ["Cluster", "A set split into small groups of reps with short gaps, all with the same load."],
  deload: ["Deload", "An easier week: half the sets, or less load, so that the training can take effect."],
  desk: ["Desk", "The coach’s first page: every decision that is waiting, most urgent first, each with its reasons."],
  doubleProgression: [
    "Double progression",
    "First more reps within a range, then more load and back to the low end of the range.",
  ],
  dropSet: ["Drop set", "One set in several parts without rest, each lighter than the one before."],
  e1rm: [
    "e1RM",
    "Estimated one-rep max of the system mass, from a heavy set of 2 to 6 reps. Loads in percent go by it.",
  ],
  eccentric: ["Eccentric", "The lowering part of a rep. A movement that trains only this part is a negative."],
  emom: ["EMOM", "Every minute on the minute: a set starts at a fixed interval, and the rest is what remains of it."],
  gate: [
    "Gate",
    "What an athlete must show before a step can be trained, for instance 8 pull-ups and 15 push-ups. Schools can differ.",
  ],
  hardSet: ["Hard set", "A working set with 4 or fewer reps in reserve. The weekly dose is counted in hard sets."],
  ladder: ["Ladder", "The way to a skill in steps, from the first exercise to the skill itself."],
  limitingFactor: [
    "Limiting factor",
    "The one unmet gate that holds the athlete back most on a ladder. It gets its own work in the block.",
  ],
  ridge: ["Ridge", "The drawing of a ladder: each step at the height of what it demands, with the athlete on it."],
  restPause: ["Rest-pause", "A set to near failure, a short gap of about 20 s, then more reps, several times."],
  rir: ["Reps in reserve (RIR)", "How many more clean reps the athlete could have done at the end of a set."],
  rpe: ["RPE", "Rating of perceived exertion from 1 to 10. On a set, RPE 8 means 2 reps in reserve."],
  school: [
    "Coaching school",
    "One of several good answers to a question that coaches disagree on. You choose it for the club or for an athlete.",
  ],
  shoulderTorque: [
    "Shoulder torque",
    "How strongly a lever or planche turns the shoulder, from bodyweight, height and the length of the line.",
  ],
  step: ["Step", "One rung of a ladder: a movement, what achieves it, and what opens the next."],
  straightArm: [
    "Straight-arm work",
    "Levers, planche and flag. Tendons adapt slowly, so its weekly increase is capped.",
  ],
  superset: ["Superset", "Two exercises in turn, to save time. Paired lines carry a letter and a number: B1 and B2."],
  systemMass: ["System mass", "Bodyweight plus added load minus assistance: what is really moved."],
  tempo: ["Tempo", "The seconds of a rep in four figures, as in 3-1-X-0: lowering, bottom, up (X is fast), top."],
  timeUnderTension: ["Time under tension", "All seconds of work of an item, from its tempo or its holds."],
  topSet: ["Top set", "The heaviest set of the day, before the back-off sets."],
  warmUpSet: ["Warm-up set", "A lighter set before the working sets. It is not counted in the dose."],
  whiteboardLine: [
    "Whiteboard line",
    "How a set is written, as on a gym’s whiteboard: 4 x 5 @ +20 kg tempo 3-1-X-0 rest 2:30.",
  ],
  why: [
    "Why",
    "The reasons behind a figure: its inputs, the rule, the working and the source. Opens from dotted figures.",
  ],
} as const;

export type TermId = keyof typeof glossary;

export const say = wordsOf("glossary", {
  title: "Glossary",
  about:
    "The words of the trade as they are used here, and the few that are Cumbre’s own. Most open from where they stand.",
  allWords: "All words",
  meaningOf: "{term}: what it means",
  search: "Find a word",
  nothing: "No matches",
});
