import { wordsOf } from "./wordsOf";

export const say = wordsOf("drafts", {
  itCouldNotBeStored: "It could not be saved.",
  notSavedYet: "not saved yet",
  keptOnThisDeviceSentWhenThe: "kept on this device; it will be sent when the server is back",
  notSaved: "not saved",
  changedElsewhere: "changed elsewhere",
  tryAgain: "Try again",
  undoIt: "Undo",
  keepIt: "Keep it",
  whatWasTypedOnHadNotBeen: "Your changes from {at} had not been saved. Here they are again.",
  somebody: "Somebody",
  wroteTheSameInAnotherWindowOr:
    "{who} changed the same {lines, plural, one {line} other {lines}} in another window or on another device.",
  everythingElseHasBeenPutTogether: "Everything else has been merged.",
  yours: "Yours",
  stored: "Saved",
  keepYours: "Keep yours",
  takeTheStoredOne: "Use saved one",
  takeIt: "Use it",
  keepAllOfMine: "Keep all mine",
  takeAllThatIsStored: "Use all saved",
  undoGoesBackEitherWay: "You can undo either choice.",
  leaveBeforeItIsStored: "Leave before it is saved?",
  somebodyElseWroteTheSameLineStay:
    "Somebody else changed the same line. Stay to choose; until then your version is kept on this device.",
  theServerDidNotTakeTheLast:
    "The server did not accept the last changes. They are kept on this device. Stay to correct them.",
  theServerCannotBeReachedWhatYou:
    "The server cannot be reached. Your changes are kept on this device and will be sent when it is back.",
  whatYouTypedIsKeptOnThis: "Your changes are kept on this device but not saved yet.",
  theServerCannotBeReached: "The server cannot be reached.",
  whatYouTypeIsKeptOnThis: "What you type is kept on this device and will be sent when it is back.",
  throwItAway: "Discard changes",
  throwAwayWhatWasTypedIn: "Discard the changes to {title}?",
  itIsOnThisDeviceOnlyAnd: "They are on this device only. This cannot be undone.",
  nothing: "nothing",
  leave: "Leave",
  notStoredFrom: "Not saved yet: <link>{title}</link>, from {at}",
  wordSaving: "saving",
});
