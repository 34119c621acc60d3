import type { Decision, MassUnit, ProposalCause, ProposalKind, Quantity } from "../api/types";
import { shownLine } from "../notation/shownLine";
import { capital, listed } from "../ui/format";
import type { Status } from "../ui/StatusShape";
import { say as word } from "../../words/common";
import { say } from "../../words/decisions";

const kinds: Record<ProposalKind, { status: Status; word: string }> = {
  Refer: { status: "stop", word: say("stopAndRefer") },
  Ease: { status: "caution", word: say("easeForPain") },
  Return: { status: "caution", word: say("comeBackLighter") },
  Deload: { status: "caution", word: word("deload") },
  LighterWeek: { status: "caution", word: say("lighterWeek") },
  RestToday: { status: "caution", word: say("noMoreOfItToday") },
  BackOff: { status: "caution", word: say("backOff") },
  Variation: { status: "caution", word: say("changeTheMovement") },
  Easier: { status: "caution", word: say("anEasierMovement") },
  Hold: { status: "pending", word: say("theIncreaseWaits") },
  NextMovement: { status: "pending", word: say("theNextMovement") },
  NextStep: { status: "pending", word: say("theNextStepInShortSingles") },
  SetDose: { status: "pending", word: say("setTheDose") },
  AddLoad: { status: "pending", word: say("addLoad") },
  AddReps: { status: "pending", word: say("addReps") },
  AddSeconds: { status: "pending", word: say("addSeconds") },
  AddSet: { status: "pending", word: say("addASet") },
  Slower: { status: "pending", word: "slower" },
  AddPause: { status: "pending", word: say("addAPause") },
  AddPiece: { status: "pending", word: say("oneMore") },
  WeakerBand: { status: "pending", word: say("theNextWeakerBand") },
  LowerBox: { status: "pending", word: say("aLowerBox") },
  LessHelp: { status: "pending", word: say("lessHelp") },
  NextContact: { status: "pending", word: say("theNextContact") },
  ShorterGap: { status: "pending", word: say("aShorterGap") },
  ShorterSlot: { status: "pending", word: say("aShorterSlot") },
  LessRest: { status: "pending", word: say("lessRest") },
  LongerStretch: { status: "pending", word: say("aLongerStretch") },
  LongerPieces: { status: "pending", word: say("longerPieces") },
  HigherTop: { status: "pending", word: say("aHigherTop") },
  WeakerSide: { status: "pending", word: say("weakerSideFirst") },
  EvenSides: { status: "pending", word: say("bothSidesTheSameAgain") },
  Achieved: { status: "won", word: say("standardShown") },
  Test: { status: "pending", word: word("test") },
  Retest: { status: "pending", word: say("testAgain") },
};

/** A lift without a like goes on in other sets. */
const wordOf = (d: Decision) =>
  d.kind === "Variation" && d.next?.movement === d.movement ? say("otherSets") : kinds[d.kind].word;

export const kindStatus = (kind: ProposalKind): Status => kinds[kind].status;

const nextText = (d: Decision, unit: MassUnit) =>
  d.next &&
  (d.next.movement === d.movement ? shownLine(d.next.line, unit) : `${d.next.name}, ${shownLine(d.next.line, unit)}`);

/** What is proposed; the figure can be opened. */
export function headline(d: Decision, unit: MassUnit): { before: string; figure: string | null } {
  if (d.kind === "Refer")
    return {
      before: say("stopAndRefer2", { place: d.place ? capital(d.place) : say("painWithoutPlace") }),
      figure: null,
    };
  const what = d.confirms ? say("thePlannedIncreaseIsEarned") : wordOf(d);
  const next = nextText(d, unit);
  const first = d.first ? say("then", { name: d.first.name, line: shownLine(d.first.line, unit) }) : null;
  if (d.kind === "Achieved" && next)
    return { before: say("standardShownNextIs", { movementName: d.movementName }), figure: next };
  return {
    before: `${d.movementName}: ${what}${next ? "," : ""}`,
    figure: next ? [first, next].filter(Boolean).join(" ") : null,
  };
}

function input(d: Decision, key: string): Quantity | undefined {
  return d.facts.find((i) => i.key === key)?.value;
}

const count = (d: Decision, key: string) => input(d, key)?.number ?? 0;

const cleanText = (d: Decision) => {
  const clean = count(d, "CleanSessions");
  return clean <= 1 ? say("theLastSessionWasClean") : say("cleanSessionsInARow", { clean });
};

const causes: Record<ProposalCause, (d: Decision) => string> = {
  Pain: (d) => {
    const pains = d.facts.filter((i) => i.key === "PainReported").map((i) => i.value.number ?? 0);
    const pain =
      pains.length > 1
        ? say("painOf10AfterTheTimeBefore", { pains: pains[0] ?? 0, pains2: pains[1] ?? 0 })
        : d.kind === "Refer" || !d.place
          ? say("painOf10", { pains: pains[0] ?? 0 })
          : say("painInThePlace", { pains: pains[0] ?? 0, place: d.place });
    const said = listed(pain, input(d, "StopSign") && say("withAStopSign"));
    return d.movementName ? `${d.movementName}: ${said}` : said;
  },
  Cleared: (d) => say("cleared", { days: count(d, "DaysLost") }),
  LoadingWeeks: (d) => say("loadingWeeksDone", { weeks: count(d, "LoadingWeeks") }),
  Fatigue: (d) => (d.kind === "RestToday" ? say("theLineSagged") : say("downOrHarderTwoSessionsInA")),
  NoProgress: (d) => say("noProgress", { sessions: count(d, "ExposuresWithoutProgress") }),
  BelowZone: () => say("twiceBelowTheRepZone"),
  NotEarned: () => say("thePlanAsksForMoreNextTime"),
  CleanSessions: cleanText,
  Reserve: (d) => say("moreInReserve", { reps: count(d, "ReserveLeft") }),
  KitGap: () => say("cleanButTheNextLoadOfThe"),
  LevelFound: () => say("theSetsFoundTheLevel"),
  SideGap: (d) => say("leftRight", { left: count(d, "BestLeft"), right: count(d, "BestRight") }),
  StandardShown: (d) => (d.kind === "Achieved" ? say("shownInTraining") : say("threeSetsAtTheStandardAsOften")),
  Contradicted: () => say("aNewerTestDeniesWhatAHarder"),
  Trend: (d) => say("practiceSetsAtTheTestWas", { best: count(d, "BestReps"), test: count(d, "TestReps") }),
  LowestBox: () => say("cleanFromTheLowestBoxTestThe"),
  HeightUnknown: () => say("theSetsAreFullButNobodyNoted"),
  DescentDone: () => say("evenDescentsOfTenSecondsTestThe"),
  EasyWeek: () => say("deloadWeek"),
  NotYetClean: () => say("notCleanYet"),
  Unfinished: () => say("thePlanWasNotFinished"),
};

/** Why, and from what. */
export function causeText(d: Decision, unit: MassUnit) {
  // Where the line stays, what it was says nothing.
  const changes = d.next && (d.next.line !== d.before || d.next.movement !== d.movement);
  const told = changes && !d.confirms && !["Achieved", "SetDose"].includes(d.kind);
  const before = told && d.before ? shownLine(d.before, unit) : null;
  const because = causes[d.cause](d);
  const cause = before === null ? because : say("causeWas", { cause: because, before });
  return d.renews ? say("causeRenewed", { cause, renews: d.renews }) : cause;
}

/** How a taken decision reads in the list of today. */
export function takenText(d: Decision) {
  const what = `${d.movementName || d.place || "pain"}: ${wordOf(d)}`;
  switch (d.state) {
    case "Deferred":
      return say("putOff", { what });
    case "Edited":
      return say("withAChangedLine", { what });
    case "Accepted":
    case "Proposed":
    case "Superseded":
      return what;
  }
}

export function overruledText(d: Decision) {
  return d.overruled.length > 0
    ? say("goesBefore", { overruled: d.overruled.map((k) => kinds[k].word).join(", ") })
    : "";
}
