import { wordsOf } from "./wordsOf";

export const say = wordsOf("sessions", {
  repsAtOfSystem: "{repsHigh, number} reps at {added}, system mass {systemKg}",
  drop: "Drop: {parts}",
  at: "{repsHigh, number} at {added}",
  takeOff: "take off {comesOff}",
  work: "Work",
  time: "Time",
  inAllRest: "{durationSeconds} in total, {restSeconds} rest between sets",
  theUsualOneNoneIsWritten: "(usual rest: the line gives none)",
  overAllPartsOffWhatIsWritten:
    "The parts are {dropDistanceKg} off the line in total. Your kit makes no closer drop by only taking plates off.",
  needsHelp: "needs assistance",
  bodyMass: "bodyweight",
  part: "Part {index, number}",
  topSet: "Top set",
  backOff: "Back-off",
  load: "Load",
  ofSystem: "system mass {systemKg}",
  wants: "target {wantedKg}",
  ofHelpByABandTheFeet: "({mass} of assistance from a band, the feet or a box)",
  ofBest: "{number} % of 1RM",
  line: "Line",
  straight4X580E1:
    "Straight: 4 x 5 @ 80 % e1RM. Double progression: 3 x 8..10 then +2.5 kg. Top set: top 1 x 4 1 in reserve, back-off 3 x 8 @ -12 % top. Drop: 2 x drop 4+4+6 @ +20 / +10 / 0 kg.",
  keepItSayWhy: "Your reason for keeping it",
  theReasonIsKeptWithTheSession: "Saved with the session.",
  logSet: "Log set",
  stretch: "stretch",
  lowering: "lowering",
  withTheFeet: "with foot assistance",
  with: "with {count, number} {name}",
  withTheBandAbout: "with the {band} band, about {mass} of assistance",
  atLoad: "at {load}",
  setsAndReps:
    "{sets, plural, one {# set} other {# sets}}, {reps, plural, =0 {} one {# rep, } other {# reps, }}{tension, number} s under tension{hard, plural, =0 {} one {, # hard set} other {, # hard sets}}",
});
