import { wordsOf } from "./wordsOf";

export const say = wordsOf("live", {
  trainingNow: "Training now",
  rests: "rests {left}",
  due: "due now",
  late: "{late} late",
  allDone: "all sets done",
  next: "{movement}, set {set, number} of {sets, number}",
  last: "Last: {movement}, {done}",
  pain: "{place} {level, number} of 10",
  asked: "{asked, plural, one {One set was} other {# sets were}} logged differently on two devices",
  logForThem: "Log for them",
  class: "Class",
  others: "Also today",
  runAtBar: "Run at the bar",
  changeRest: "Change the rest of it",
  changeOf: "{name}, {movement}",
  changeHelp:
    "Write the line with all its sets: those already done count as done. The phone shows it before the next set. An exercise that is changed during the session counts neither as progress nor as a failure.",
  movement: "Other exercise",
  reason: "Reason, shown to the athlete",
  save: "Change exercise",
  cancel: "Cancel",
  ended: "Rest left out: {reason}",
  instead: "Takes over from {name}",
});
