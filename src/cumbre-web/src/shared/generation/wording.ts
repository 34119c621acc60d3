import type { DayOfWeek, DropKind, LeftOut, MassUnit, Notice, NoticeId, RegeneratedKind } from "../api/types";
import { minutes } from "../ui/format";
import { text } from "../why/quantity";
import { weekInOrder } from "../../words/habits";
import { say as word } from "../../words/common";
import { say } from "../../words/generation";

export const weekdays: { day: DayOfWeek; name: string; full: string }[] = [
  { day: "Monday", name: say("mon"), full: word("monday") },
  { day: "Tuesday", name: say("tue"), full: word("tuesday") },
  { day: "Wednesday", name: say("wed"), full: word("wednesday") },
  { day: "Thursday", name: say("thu"), full: word("thursday") },
  { day: "Friday", name: say("fri"), full: word("friday") },
  { day: "Saturday", name: say("sat"), full: word("saturday") },
  { day: "Sunday", name: say("sun"), full: word("sunday") },
];

/** In the order of the reader's week. */
export const weekdaysInOrder = () => weekInOrder().map((day) => weekdays[day - 1]!);

/** Where a notice is answered: a tab of the athlete, or a place. */
type WayOn = "intake" | "profile" | "ladders" | "test days" | "kit" | null;

/** What sort of thing stands against an exercise, as the server tells it. */
type Obstacle = "Pain" | "Clearance" | "Kit" | "Level";

const obstacles: Record<Obstacle, { said: string; way: WayOn }> = {
  Pain: { said: say("itLoadsWhatHurts"), way: "intake" },
  Clearance: { said: say("itWaitsForClearance"), way: "profile" },
  Kit: { said: say("theGearIsMissing"), way: "kit" },
  Level: { said: say("itIsTooHardYet"), way: "ladders" },
};

const obstacleOf = (notice: Notice) => obstacles[notice.args[1]!.code as Obstacle];

interface Words {
  tell: (t: string[], notice: Notice) => string;
  way: WayOn | ((notice: Notice) => WayOn);
  /** Something must be done before training. */
  grave?: boolean;
}

const notices: Record<NoticeId, Words> = {
  KitUnknown: { tell: () => say("nobodyHasWrittenDownTheGearThere"), way: "kit" },
  NoTests: {
    tell: () => say("noTestsYetTheFirstSessionIs"),
    way: "test days",
  },
  GoalWon: {
    tell: ([goal]) => say("isWonAndIsKeptWithA", { goal: goal ?? "" }),
    way: "intake",
  },
  GateUnmet: {
    tell: ([goal, gate]) => say("theFirstGateOfIsUnmetWhat", { goal: goal ?? "", gate: gate ?? "" }),
    way: "ladders",
  },
  GoalOnlyKept: { tell: ([goal]) => say("twoSkillsAreAdvancedAtATime", { goal: goal ?? "" }), way: "intake" },
  GoalNotTrainable: {
    tell: ([goal], n) => say("theStepOfCannotBeTrainedNow", { goal: goal ?? "", reason: obstacleOf(n).said }),
    way: (n) => obstacleOf(n).way,
  },
  GoalWithoutDay: { tell: ([goal]) => say("noDayOfTheWeekIsLeft", { goal: goal ?? "" }), way: "intake" },
  LightDayMissing: {
    tell: ([goal]) => say("hasAHardDayAndNoLight", { goal: goal ?? "" }),
    way: "intake",
  },
  NoGoals: { tell: () => say("noGoalsYetTheBaseIsTrained"), way: "intake" },
  PainEased: {
    tell: ([place, pain]) => say("hurtsWhatLoadsItIsEasedAnd", { place: place ?? "", pain: pain ?? "" }),
    way: "intake",
    grave: true,
  },
  PainStop: {
    tell: ([place, pain]) => say("hurtsStopWhatLoadsItAndRefer", { place: place ?? "", pain: pain ?? "" }),
    way: "intake",
    grave: true,
  },
  ClearanceOpen: {
    tell: ([question]) => say("clearanceByALicensedProfessionalComes", { question: question ?? "" }),
    way: "profile",
    grave: true,
  },
  ConsentMissing: { tell: () => say("aGuardiansConsentIsMissing"), way: "intake", grave: true },
  MinutesUnknown: { tell: ([m]) => say("theIntakeSaysNoMinutesAreTaken", { m: m ?? "" }), way: "intake" },
  DaysUnknown: { tell: ([d]) => say("theIntakeSaysNoDaysAreTaken", { d: d ?? "" }), way: "intake" },
  DayLeftFree: { tell: ([d]) => say("daysAWeekAreTrainedAtMost", { d: d ?? "" }), way: null },
  SplitNeedsDays: { tell: ([d]) => say("theSplitAsksForDaysWithFewer", { d: d ?? "" }), way: "profile" },
  HalvesNeedSplit: {
    tell: () => say("halvesOfTheMuscleUpNeedPull"),
    way: "profile",
  },
  LeverageAgainstLoad: {
    tell: ([goal]) => say("leverageIsTheSchoolOfOverloadAnd", { goal: goal ?? "" }),
    way: "profile",
  },
  RingsMissing: { tell: () => say("ringsAreTheSchoolAndThereAre"), way: "kit" },
  FailureOnlyWhereHarmless: {
    tell: () => say("byTheSchoolTheLastSetGoes"),
    way: "profile",
  },
  GoalGivesWay: {
    tell: ([goal]) => say("givesWayItWouldTakeMoreMinutes", { goal: goal ?? "" }),
    way: "intake",
    grave: true,
  },
  ShorterOnPurpose: {
    tell: () => say("everyPatternHasItsUsualSetsSo"),
    way: null,
  },
  NothingToTest: { tell: () => say("nothingThatWasTrainedCanBeTested"), way: "intake" },
  MinutesShort: { tell: ([m]) => say("nothingFitsIntoMin", { m: m ?? "" }), way: "intake" },
  PatternMissing: {
    tell: ([pattern], n) => say("nothingCanBeTrainedIn", { pattern: pattern ?? "", reason: obstacleOf(n).said }),
    way: (n) => obstacleOf(n).way,
  },
  NothingToTrain: { tell: () => say("nothingCanBeTrainedYetWhatStands"), way: null, grave: true },
  TestsBeside: {
    tell: ([names]) => say("toBeTestedOnATestDay", { names: names ?? "" }),
    way: "test days",
  },
  DaysOver: { tell: () => say("daysOfTheFirstWeekThatAre"), way: null },
  PlannedAlready: {
    tell: ([count, day]) =>
      say("plannedAlreadyInTheseWeeksTheFirst", {
        count: Number(count),
        day: day ?? "",
      }),
    way: null,
  },
  StationEmpty: {
    tell: ([station]) => say("nothingCanBeDoneAtTheStation", { station: station ?? "" }),
    way: null,
  },
  TakenOut: { tell: ([name, day]) => say("onWasTakenOutAsACheck", { name: name ?? "", day: day ?? "" }), way: null },
};

export function noticeText(notice: Notice, unit: MassUnit) {
  const said = notices[notice.id].tell(
    notice.args.map((a) => text(a, unit)),
    notice,
  );
  return said.charAt(0).toUpperCase() + said.slice(1);
}

export const isGrave = (notice: Notice) => notices[notice.id].grave === true;

/** Where to go about a notice, with its name; null: nothing is to be done. */
export function wayOn(
  notice: Notice,
  { athleteId, atHome }: { athleteId: string; atHome: boolean },
): { to: string; name: string } | null {
  const { way } = notices[notice.id];
  switch (typeof way === "function" ? way(notice) : way) {
    case "intake":
      return { to: `/athletes/${athleteId}/intake`, name: say("intake") };
    case "profile":
      return { to: `/athletes/${athleteId}/profile`, name: say("profile") };
    case "ladders":
      return { to: `/athletes/${athleteId}/ladders`, name: say("ladders") };
    case "test days":
      return { to: "/test-days", name: say("testDays") };
    case "kit":
      return { to: atHome ? `/athletes/${athleteId}/kit` : "/kit", name: say("kit") };
    case null:
      return null;
  }
}

const dropKinds: Record<DropKind, string> = {
  Isolation: say("smallExercises"),
  Mobility: say("wordDrills"),
  Legs: say("wordLegs"),
  Trunk: say("wordTrunk"),
  Kept: say("keptSkills"),
  Second: say("secondExercises"),
  SkillLight: say("lightSkillWork"),
  Limiting: say("workForTheLimit"),
  SkillHard: say("theSkill"),
  Main: say("mainExercises"),
};

export function leftOutText(l: LeftOut) {
  const day = weekdays.find((w) => w.day === l.day)?.full ?? l.day;
  return `${day}: ${l.movement}, ${minutes(l.seconds)} (${dropKinds[l.kind]})`;
}

export const regeneratedKinds: Record<RegeneratedKind, string> = {
  Added: say("wordNew"),
  Rewritten: say("wordRewritten"),
  Removed: say("wordGone"),
  KeptByHand: say("keptByHand"),
};
