import { wordsOf } from "./wordsOf";

export const say = wordsOf("api", {
  theServerDidNotAnswerAsExpected: "The server did not answer as expected.",
  theServerCannotBeReachedWhatYou: "The server cannot be reached. What you typed is still here. Try again.",
});
