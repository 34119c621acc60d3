import { wordsOf } from "./wordsOf";

export const say = wordsOf("help", {
  title: "How Cumbre works",
  about:
    "Cumbre takes over the measuring, the arithmetic and the record keeping. It proposes, with its reasons. You decide.",
  test: "1. Test",
  testText:
    "A test day gives clean figures: reps in one set, seconds of a hold, a heavy set. Everything later rests on them.",
  testLink: "Plan a test day",
  place: "2. Place",
  placeText: "Results place the athlete on each ladder. The limiting factor is the one gate that holds them back most.",
  placeLink: "See the ladders",
  plan: "3. Plan",
  planText:
    "Generate a block from goals, days, tests and kit, or write it line by line as on a whiteboard. Each figure opens its Why.",
  planLink: "Open the programmes",
  publish: "4. Publish",
  publishText: "Publish a version: paper, calendar and message always show what you published, not what you try out.",
  publishLink: "See the messages",
  train: "5. Train",
  trainText:
    "Log set by set at the bar: reps, load, reps in reserve, form and pain. Check in before, rate the effort after.",
  trainLink: "Open the roster",
  decide: "6. Decide",
  decideText:
    "The log turns into decisions on the Desk: add load, repeat, back off, deload, stop. Accept, edit or postpone each one.",
  decideLink: "Open the Desk",
  safety:
    "Cumbre shows the cautions of the trade, and is no medical advice. Stop on sharp pain, numbness or a pop, and follow local rules and licensed practice.",
  messages: "Every message",
  messagesAbout:
    "{count, plural, one {One message} other {# messages}} of the interface, as they are written, room by room.",
  findMessage: "Find a message",
  more: "More",
  words: "Glossary",
  keysHint: "Press ? for the keyboard shortcuts, and Ctrl K to go anywhere.",
  pictureTest: "A stopwatch beside a bar and a list of results.",
  picturePlace: "A ridge of steps with a flag on the step that is trained now.",
  picturePlan: "A week of days with lines of exercises.",
  picturePublish: "A sheet of paper and a calendar.",
  pictureTrain: "A row of sets with ticks, one of them open.",
  pictureDecide: "A list of decisions, the first with Accept and Later.",
});
