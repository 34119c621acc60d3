import { wordsOf } from "./wordsOf";

export const say = wordsOf("clubreview", {
  clubReview: "Club review",
  about: "{athletes, plural, one {one athlete} other {# athletes}}, as the log and the tests stand today",
  nobody: "Nobody to review yet",
  nobodyHelp: "It begins with the first athletes and their tests.",
  // Absent.
  absent: "Not trained",
  absentNote: "for {days, plural, one {a day} other {# days}} or more",
  noneAbsent: "Everybody has trained.",
  since: "{name}: {days, plural, one {one day} other {# days}}",
  never: "{name}: nothing logged yet",
  // Pain.
  pain: "Pain by place and movement",
  painNote: "{level, number} of 10 and more, since {from}",
  noPain: "None was logged.",
  place: "Place",
  movement: "Movement",
  athletes: "Athletes",
  days: "Days",
  worst: "Worst",
  last: "Last",
  painHelp:
    "A place that returns in one movement for several athletes says more about the movement or its dose than about them. It is no diagnosis.",
  // Gates.
  gates: "Which thresholds tell",
  gatesNote: "of those who met a gate and of those who fell short, how many have achieved the step",
  step: "Step",
  gate: "Gate",
  met: "Met it, and achieved",
  unmet: "Fell short, and achieved",
  untested: "Not tested",
  wonOf: "{achieved, number} of {count, number}",
  none: "nobody",
  verdict: "Here",
  Tells: "tells",
  TellsLittle: "tells little",
  TellsNothing: "tells nothing",
  TooFew: "too few to say",
  tooFewHidden: "Show {count, number} more",
  noGates: "Nobody was tested for a gate yet.",
  gatesHelp:
    "Counts of best clean results and steps achieved, whatever came first: they lie side by side and prove no cause. With fewer than {least, number} on either side nothing is said. A gate also keeps elbows and shoulders safe; that it tells little is no reason alone to lower it.",
  openGate: "Open {ladder}",
  // Standing.
  standing: "Who stands where",
  standingNote: "the step in training, and how many have achieved it",
  won: "{won, number} achieved",
});
