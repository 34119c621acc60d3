import type { Decision, ProposalCause, ProposalKind, Quantity } from "../api/types";
import { capital, plural } from "../ui/format";
import type { Status } from "../ui/StatusShape";

const kinds: Record<ProposalKind, { status: Status; word: string }> = {
  Refer: { status: "stop", word: "stop and refer" },
  Ease: { status: "caution", word: "ease for pain" },
  Return: { status: "caution", word: "come back lighter" },
  Deload: { status: "caution", word: "deload" },
  LighterWeek: { status: "caution", word: "lighter week" },
  RestToday: { status: "caution", word: "no more of it today" },
  BackOff: { status: "caution", word: "back off" },
  Variation: { status: "caution", word: "change the movement" },
  Easier: { status: "caution", word: "an easier movement" },
  Hold: { status: "pending", word: "the increase waits" },
  NextMovement: { status: "pending", word: "the next movement" },
  NextStep: { status: "pending", word: "the next step in short singles" },
  SetDose: { status: "pending", word: "set the dose" },
  AddLoad: { status: "pending", word: "add load" },
  AddReps: { status: "pending", word: "add reps" },
  AddSeconds: { status: "pending", word: "add seconds" },
  AddSet: { status: "pending", word: "add a set" },
  Slower: { status: "pending", word: "slower" },
  AddPause: { status: "pending", word: "add a pause" },
  AddPiece: { status: "pending", word: "one more" },
  WeakerBand: { status: "pending", word: "the next weaker band" },
  LowerBox: { status: "pending", word: "a lower box" },
  LessHelp: { status: "pending", word: "less help" },
  NextContact: { status: "pending", word: "the next contact" },
  ShorterGap: { status: "pending", word: "a shorter gap" },
  ShorterSlot: { status: "pending", word: "a shorter slot" },
  LessRest: { status: "pending", word: "less rest" },
  LongerStretch: { status: "pending", word: "a longer stretch" },
  LongerPieces: { status: "pending", word: "longer pieces" },
  HigherTop: { status: "pending", word: "a higher top" },
  WeakerSide: { status: "pending", word: "weaker side first" },
  EvenSides: { status: "pending", word: "both sides the same again" },
  Achieved: { status: "won", word: "standard shown" },
  Test: { status: "pending", word: "test" },
  Retest: { status: "pending", word: "test again" },
};

/** A lift without a like goes on in other sets. */
const wordOf = (d: Decision) =>
  d.kind === "Variation" && d.next?.movement === d.movement ? "other sets" : kinds[d.kind].word;

export const kindStatus = (kind: ProposalKind): Status => kinds[kind].status;

const nextText = (d: Decision) =>
  d.next && (d.next.movement === d.movement ? d.next.line : `${d.next.name}, ${d.next.line}`);

/** What is proposed; the figure can be opened. */
export function headline(d: Decision): { before: string; figure: string | null } {
  if (d.kind === "Refer") return { before: `${d.place ? capital(d.place) : "Pain"}: stop and refer`, figure: null };
  const what = d.confirms ? "the planned increase is earned" : wordOf(d);
  const next = nextText(d);
  const first = d.first ? `${d.first.name}, ${d.first.line}, then ` : "";
  if (d.kind === "Achieved" && next) return { before: `${d.movementName}: standard shown; next is`, figure: next };
  return { before: `${d.movementName}: ${what}${next ? "," : ""}`, figure: next ? first + next : null };
}

function input(d: Decision, key: string): Quantity | undefined {
  return d.facts.find((i) => i.key === key)?.value;
}

const count = (d: Decision, key: string) => input(d, key)?.number ?? 0;

const cleanText = (d: Decision) => {
  const clean = count(d, "CleanSessions");
  return clean <= 1 ? "The last session was clean" : `${clean} clean sessions in a row`;
};

const causes: Record<ProposalCause, (d: Decision) => string> = {
  Pain: (d) => {
    const pains = d.facts.filter((i) => i.key === "PainReported").map((i) => i.value.number ?? 0);
    const where = d.movementName ? `${d.movementName}: ` : "";
    const sign = input(d, "StopSign") ? ", with a stop sign" : "";
    return pains.length > 1
      ? `${where}pain ${pains[0]} of 10, after ${pains[1]} the time before${sign}`
      : `${where}pain ${pains[0] ?? 0} of 10${d.kind === "Refer" || !d.place ? "" : ` in the ${d.place}`}${sign}`;
  },
  Cleared: (d) => `Cleared; ${plural(count(d, "DaysLost"), "day")} lost. Ask for pain after every set`,
  LoadingWeeks: (d) => `${plural(count(d, "LoadingWeeks"), "loading week")} done`,
  Fatigue: (d) =>
    d.kind === "RestToday" ? "The line sagged" : "Down, or harder, two sessions in a row: half the sets this week",
  NoProgress: (d) => `${plural(count(d, "ExposuresWithoutProgress"), "session")} without progress`,
  BelowZone: () => "Twice below the rep zone",
  NotEarned: () => "The plan asks for more next time, and the log has not earned it",
  CleanSessions: cleanText,
  Reserve: (d) => `${plural(count(d, "ReserveLeft"), "rep")} left in reserve, more than the line asks`,
  KitGap: () => "Clean, but the next load of the kit is far away",
  LevelFound: () => "The sets found the level",
  SideGap: (d) => `Left ${count(d, "BestLeft")}, right ${count(d, "BestRight")}`,
  StandardShown: (d) => (d.kind === "Achieved" ? "Shown in training" : "Three sets at the standard, as often as asked"),
  Contradicted: () => "A newer test denies what a harder step implies",
  Trend: (d) => `Practice sets at ${count(d, "BestReps")}, the test was ${count(d, "TestReps")}`,
  LowestBox: () => "Clean from the lowest box: test the rep without it",
  HeightUnknown: () => "The sets are full, but nobody noted how high: test the highest contact",
  DescentDone: () => "Even descents of ten seconds: test the full rep",
  EasyWeek: () => "Deload week",
  NotYetClean: () => "Not clean yet",
  Unfinished: () => "The plan was not finished",
};

/** Why, and from what. */
export function causeText(d: Decision) {
  const was = d.before && d.next && !d.confirms && !["Achieved", "SetDose"].includes(d.kind) ? `; was ${d.before}` : "";
  const renewed = d.renews ? `; the log was corrected, before it said ${d.renews}` : "";
  return causes[d.cause](d) + was + renewed;
}

/** How a taken decision reads in the list of today. */
export function takenText(d: Decision) {
  const what = `${d.movementName || d.place || "pain"}: ${wordOf(d)}`;
  switch (d.state) {
    case "Deferred":
      return `${what}, put off`;
    case "Edited":
      return `${what}, with a changed line`;
    case "Accepted":
    case "Proposed":
    case "Superseded":
      return what;
  }
}

export function overruledText(d: Decision) {
  return d.overruled.length > 0 ? `Goes before: ${d.overruled.map((k) => kinds[k].word).join(", ")}.` : "";
}
