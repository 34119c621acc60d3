import { wordsOf } from "./wordsOf";

export const say = wordsOf("ui", {
  keep: "Cancel",
  min: "{round, number} min",
  waitsOnTheCoach: "waiting for the coach",
  tryAgain: "Try again",
  somethingWentWrongInThePageReload: "Something went wrong on this page. Reload it and try again.",
  whatMayFollowIn: "What can come next in {label}",
  inTheVest: "in the vest",
  vestWeight: "vest weight",
  nothingOnThePin: "no plates on the pin",
  onThePin: "{stack} {unitName} on the pin",
  write: "Enter {what}.",
  isNotANumberWriteLike72: "“{text}” is not a number. Enter {what} like 72.5.",
  isNotAWholeNumber: "“{text}” is not a whole number.",
  chooseAFile: "Choose a file",
  fileOf: "{what} file",
  pageFailed: "This page could not be loaded",
  tooLarge: "{name} is {size} MB. The limit is {limit} MB.",
  bodyweight: "bodyweight",
});
