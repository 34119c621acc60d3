import type { DayOfWeek, DropKind, LeftOut, MassUnit, Notice, NoticeId, RegeneratedKind } from "../api/types";
import { minutes } from "../ui/format";
import { text } from "../why/quantity";

export const weekdays: { day: DayOfWeek; name: string; full: string }[] = [
  { day: "Monday", name: "Mon", full: "Monday" },
  { day: "Tuesday", name: "Tue", full: "Tuesday" },
  { day: "Wednesday", name: "Wed", full: "Wednesday" },
  { day: "Thursday", name: "Thu", full: "Thursday" },
  { day: "Friday", name: "Fri", full: "Friday" },
  { day: "Saturday", name: "Sat", full: "Saturday" },
  { day: "Sunday", name: "Sun", full: "Sunday" },
];

/** Where a notice is answered: a tab of the athlete, or a place. */
type WayOn = "intake" | "profile" | "ladders" | "test days" | "kit" | null;

interface Words {
  say: (t: string[]) => string;
  way: WayOn;
  /** Something must be done before training. */
  grave?: boolean;
}

const notices: Record<NoticeId, Words> = {
  KitUnknown: { say: () => "Nobody has written down the gear there: all of it is taken to be there.", way: "kit" },
  NoTests: {
    say: () =>
      "No tests yet: the first session is the battery, and the sets after it find the level. Then generate again.",
    way: "test days",
  },
  GoalWon: {
    say: ([goal]) => `${goal} is won and is kept with a third of the volume: choose the next goal.`,
    way: "intake",
  },
  GateUnmet: {
    say: ([goal, gate]) => `The first gate of ${goal} is unmet (${gate}): what it asks is trained.`,
    way: "ladders",
  },
  GoalOnlyKept: { say: ([goal]) => `Two skills are advanced at a time: ${goal} is kept.`, way: "intake" },
  GoalNotTrainable: {
    say: ([goal]) => `Nothing of ${goal} can be trained now, by kit, pain or clearance.`,
    way: "intake",
  },
  GoalWithoutDay: { say: ([goal]) => `No day of the week is left for ${goal}.`, way: "intake" },
  LightDayMissing: {
    say: ([goal]) => `${goal} has a hard day and no light one 48 to 72 h from it: another day would allow it.`,
    way: "intake",
  },
  NoGoals: { say: () => "No goals yet: the base is trained.", way: "intake" },
  PainEased: {
    say: ([place, pain]) => `${place} hurts, ${pain}: what loads it is eased, and pain is asked after each set.`,
    way: "intake",
    grave: true,
  },
  PainStop: {
    say: ([place, pain]) => `${place} hurts, ${pain}: stop what loads it, and refer to licensed practice.`,
    way: "intake",
    grave: true,
  },
  ClearanceOpen: {
    say: ([question]) => `${question}: clearance by a licensed professional comes first.`,
    way: "profile",
    grave: true,
  },
  ConsentMissing: { say: () => "A guardian’s consent is missing.", way: "intake", grave: true },
  MinutesUnknown: { say: ([m]) => `The intake says no minutes: ${m} are taken.`, way: "intake" },
  DaysUnknown: { say: ([d]) => `The intake says no days: ${d} are taken.`, way: "intake" },
  DayLeftFree: { say: ([d]) => `${d} days a week are trained at most; the rest is rest.`, way: null },
  SplitNeedsDays: { say: ([d]) => `The split asks for ${d} days: with fewer each day is full body.`, way: "profile" },
  HalvesNeedSplit: {
    say: () => "Halves of the muscle-up need pull days and push days: it is trained whole.",
    way: "profile",
  },
  LeverageAgainstLoad: {
    say: ([goal]) => `Leverage is the school of overload, and ${goal} the goal: the goal is loaded, the rest is not.`,
    way: "profile",
  },
  RingsMissing: { say: () => "Rings are the school, and there are none: the bar takes their place.", way: "kit" },
  FailureOnlyWhereHarmless: {
    say: () => "By the school the last set goes to failure, and only where failing is harmless.",
    way: "profile",
  },
  GoalGivesWay: {
    say: ([goal]) => `${goal} gives way: it would take more minutes or days.`,
    way: "intake",
    grave: true,
  },
  ShorterOnPurpose: {
    say: () => "Every pattern has its usual sets, so a session is shorter than the minutes.",
    way: null,
  },
  NothingToTest: { say: () => "Nothing that was trained can be tested in a session.", way: "intake" },
  MinutesShort: { say: ([m]) => `Nothing fits into ${m} min.`, way: "intake" },
  PatternMissing: {
    say: ([pattern]) => `Nothing can be trained in ${pattern}, by kit, pain or clearance.`,
    way: "kit",
  },
  NothingToTrain: { say: () => "Nothing can be trained yet. What stands above says why.", way: null, grave: true },
  TestsBeside: {
    say: ([names]) => `To be tested on a test day, as no line of a session says it: ${names}.`,
    way: "test days",
  },
  DaysOver: { say: () => "Days of the first week that are over are left out.", way: null },
  PlannedAlready: {
    say: ([count, day]) =>
      `${count === "1" ? "A session is" : `${count} sessions are`} planned already in these weeks, the first on ${day}: they stay beside the block, which offers to take them in or to replace them.`,
    way: null,
  },
  StationEmpty: {
    say: ([station]) => `Nothing can be done at the station ${station}, by kit, pain, clearance or level.`,
    way: null,
  },
  TakenOut: { say: ([name, day]) => `${name} on ${day} was taken out, as a check of the dose spoke on it.`, way: null },
};

export function noticeText(notice: Notice, unit: MassUnit) {
  const said = notices[notice.id].say(notice.args.map((a) => text(a, unit)));
  return said.charAt(0).toUpperCase() + said.slice(1);
}

export const isGrave = (notice: Notice) => notices[notice.id].grave === true;

/** Where to go about a notice, with its name; null: nothing is to be done. */
export function wayOn(notice: Notice, athleteId: string): { to: string; name: string } | null {
  switch (notices[notice.id].way) {
    case "intake":
      return { to: `/athletes/${athleteId}/intake`, name: "Intake" };
    case "profile":
      return { to: `/athletes/${athleteId}/profile`, name: "Profile" };
    case "ladders":
      return { to: `/athletes/${athleteId}/ladders`, name: "Ladders" };
    case "test days":
      return { to: "/test-days", name: "Test days" };
    case "kit":
      return { to: "/kit", name: "Kit" };
    case null:
      return null;
  }
}

const dropKinds: Record<DropKind, string> = {
  Isolation: "small exercises",
  Mobility: "drills",
  Legs: "legs",
  Trunk: "trunk",
  Kept: "kept skills",
  Second: "second exercises",
  SkillLight: "light skill work",
  Limiting: "work for the limit",
  SkillHard: "the skill",
  Main: "main exercises",
};

export function leftOutText(l: LeftOut) {
  const day = weekdays.find((w) => w.day === l.day)?.full ?? l.day;
  return `${day}: ${l.movement}, ${minutes(l.seconds)} (${dropKinds[l.kind]})`;
}

export const regeneratedKinds: Record<RegeneratedKind, string> = {
  Added: "new",
  Rewritten: "rewritten",
  Removed: "gone",
  KeptByHand: "kept, by hand",
};
