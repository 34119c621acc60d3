import { capital } from "../ui/format";
import type {
  CautionId,
  CautionNote,
  Explanation,
  InputKey,
  MassUnit,
  Quantity,
  RoundingKey,
  RuleId,
  SourceId,
  StepKey,
} from "../api/types";
import { bare, text } from "./quantity";

type Say = (args: string[], raw: Quantity[], unit: MassUnit) => string;

const rules: Record<RuleId, Say> = {
  BodyMassOfDay: () => "Mean of the readings of the last 7 days; without one, the latest before.",
  OneRepMax: ([formula]) => `One-repetition maximum of the system by ${formula}; the range is over all seven formulas.`,
  LoadAsWritten: () => "The load as the line writes it.",
  LoadForPercent: ([percent]) => `${percent} of the one-repetition maximum of the system, less body mass.`,
  LoadForReserve: ([reps, reserve]) => `The system that allows ${reps} with ${reserve}.`,
  LoadForBodyMassShare: ([percent]) => `Added load of ${percent} of today’s body mass.`,
  LoadForBackOff: ([percent]) => `The top set’s system less ${percent}.`,
  DropPlan: ([parts]) =>
    `${parts} parts, each only takes pieces off; the sum of the distances to the written loads is least, then the pieces moved.`,
  AddLoad: ([needed, step]) =>
    needed === "1"
      ? `One clean session: add ${step}.`
      : `${needed} clean sessions in a row: add ${step}, and let the reps fall.`,
  AddReps: ([usual, ceiling]) =>
    `Where the kit’s next step is over ${usual}, reps come first; no step over ${ceiling} of the system.`,
  Hold: ([needed]) =>
    needed === "1"
      ? "The same line until a session is clean."
      : `The same line until ${needed} sessions in a row are clean.`,
  BackOff: ([exposures, percent]) =>
    `${exposures} exposures without progress: take ${percent} off the system and build up again.`,
  Deload: ([weeks]) =>
    `After ${weeks} of loading a deload: half the sets, no added load; bands, sides, grip and pause stay.`,
  EasyWeek: () => "The deload goes on until Sunday.",
  EaseForPain: ([low, high, percent]) =>
    `Pain of ${low} to ${high}: go on only at a lower load, ${percent} off the system.`,
  StopForPain: ([limit]) => `Pain of ${limit} or more, or pain twice running in one place: stop the pattern and refer.`,
  Repeat: () => "The plan was not finished: the same line again.",
  Placement: () =>
    "The highest step whose gates are met and whose predecessor is open is trained; preparation goes on beside it. Of what keeps the next step closed, the least share of a figure holds back most; ties go to the work that usually takes longest.",
  PlacedByCoach: () => "The coach set this step; the reason is kept.",
  DemandMoment: ([summit]) =>
    `Moment of both shoulders in a still, level line by the segment model, against that of ${summit}.`,
  DemandHandForce: ([summit]) =>
    `Pull of the top hand and push of the bottom hand by the segment model, against ${summit}.`,
  DemandSystem: ([summit]) => `System mass for one repetition that the step asks, against that of ${summit}.`,
  DemandBodyShare: ([summit]) => `Share of body weight that is moved, against that of ${summit}.`,
  DemandContact: ([summit]) =>
    `Height of the pull on the way to ${summit}: a stated value, as contact is a place and no figure.`,
  DemandHouse: ([summit]) => `A stated value on the way to ${summit}, where coaches give no figure.`,
  BandHelp: () => "The mean of the help at the bottom, the middle and the top, good to about 15 %.",
  BatteryTime: () => "The work of each test by its protocol, both sides where they are tested, and the rests between.",
  Forecast: ([confidence]) =>
    `The median of the slopes between all days, carried on to the next threshold at both ends of its ${confidence} interval.`,
  LoadByBand: () => "A band whose measured help is near to what is written; its mean is good to about 15 %.",
  LoadByFeet: () => "The feet help as much as the reps need; nobody can weigh that, so the set is judged by its reps.",
  LoadByCount: () => "Counted pieces: the count is kept and progressed; with one of them weighed it is a mass.",
  StraightArmRamp: ([percent]) =>
    `Straight-arm work grows by moment × seconds, at most ${percent} over the loading week before; in seconds where a moment is not known.`,
  TimeOfItem: () =>
    "Work, short rests inside sets, rests between them, 20 s to set up each set, 60 s to change the exercise. On the clock the clock alone counts.",
  TensionOfItem: ([rep]) =>
    `Reps by the seconds of the tempo, X as one second; here ${rep} a rep. A hold by its seconds.`,
  HardSetRule: ([reserve]) =>
    `A working set with ${reserve} or fewer is hard; a hold from half of the best on. What is unknown counts as hard, speed and preparation do not.`,
  TimeOfSession: () => "Warm-up, exercises and cool-down; what is done in turn shares its rest.",
  HardSetsOfPattern: ([pattern]) => `Hard sets of ${pattern} in the week; ten and more is the usual growth dose.`,
  PullToPush: () => "Hard sets of pulling over those of pushing in the week, straight-arm work among them.",
  SidesOfWeek: () => "Both sides do the weaker side’s number; left less right.",
  VolumeLoad: () => "System mass by reps, where the whole body is moved and the load is weighed.",
  DryRun: () => "Done on paper",
  ItemChosen: ([role]) =>
    `Chosen as ${role}: by what holds a goal back, the step in training, carry-over, what was trained lately, and where the reps land; then the kit, the minutes and the week’s balance.`,
  BackOffByThird: ([runs]) => `${runs} sessions without progress: a third less of each set.`,
  StuckAgain: () => "Stuck again after a back-off: another movement of the pattern, or the load in other sets.",
  AddRepsInZone: ([from, to]) => `Clean: one rep more, within the zone of ${from} to ${to}.`,
  ReserveOver: ([asked]) => `More left than the ${asked} that was asked: as much more as leaves it.`,
  OverTheZone: ([from, to]) =>
    `At the top of ${from} to ${to}: the next harder movement whose gate is met, else slower at the same time a set, a pause, a set more.`,
  BelowZone: () => "Twice below the bottom of the zone: an easier movement, or help.",
  GrowInRamp: ([percent]) =>
    `Straight-arm work grows on as many sets as the week allows: at most ${percent} a week; one set is always allowed.`,
  AddSecond: () => "Clean: a second more in each set.",
  NextStepInRamp: ([step]) =>
    `The standard is held in three sets: ${step} comes first, in short singles, and this step gives way so that the week stays in its ramp.`,
  ContactKept: () => "The contact was kept in every rep: more reps, then the next contact, then a set.",
  WeakerBand: ([amount]) => `All sets reach ${amount} clean: the next weaker band.`,
  LowerBox: () => "Three clean sets of five: a lower box.",
  LessHelp: () => "Clean: less help.",
  AddPiece: () => "Clean: one counted piece more. No mass is claimed for it.",
  GrowsByMethod: () => "Clean: on by the method’s own way.",
  DescentDone: () => "Even descents at their longest: test the full rep.",
  LowestBox: () => "Clean from the lowest box there is: next comes the rep without it.",
  HeightUnknown: ([reps]) =>
    `Sets of ${reps} fast reps are clean, and no contact was noted: the highest contact is tested, and decides what comes next.`,
  LevelFound: () => "The sets found the level: the dose follows from the best of them.",
  TotalGrown: () => "Open sets a tenth over the start, twice: the harder movement.",
  OpeningSet: () => "Rest-pause goes by its opening set: under 8 too hard, 8 to 20 stays, over 20 twice too easy.",
  ReturnAfterStop: () =>
    "The way back after a stop: that of missed weeks, at least a tenth of the system less, for two sessions.",
  LighterWeek: () => "Two sessions in a row down, or harder, against the three before: half the sets at once.",
  LineSags: () => "A line that sags is a mark of fatigue: no more of it today; twice in a row, a lighter week.",
  HoldRise: ([needed]) => `The planned increase needs ${needed} clean first: it waits a week.`,
  WeakerSideFirst: () =>
    "The weaker side begins, both do its number, and it does one set more, until the gap is under 10 %.",
  StandardShown: ([what]) => `The standard of ${what} was shown in training.`,
  ContradictedStep: ([step]) => `A harder step says that ${step} is there; its own newer test says no.`,
  PracticeTrend: () => "Practice sets have outgrown the last test by 15 %.",
};

const inputs: Record<InputKey, string> = {
  BodyMass: "Body mass",
  BodyMassMean: "Body mass, of the day",
  BodyMassReadings: "Readings",
  BodyMassMeasuredOn: "Last weighed",
  TrendPoints: "Days compared",
  TrendFrom: "First day",
  TrendTo: "Last day",
  TestLoad: "Load of the set",
  TestReps: "Reps done",
  TestReserve: "Left in reserve",
  TestedOn: "Tested",
  OneRepMax: "One-rep maximum",
  OneRepMaxLow: "Range, from",
  OneRepMaxHigh: "Range, to",
  WrittenLoad: "Written",
  TopSetSystem: "Top set’s system",
  School: "School",
  CleanSessions: "Clean sessions running",
  LastLoad: "Last load",
  LoadingWeeks: "Loading weeks running",
  ExposuresWithoutProgress: "Exposures without progress",
  PainReported: "Pain",
  PainPlace: "Place",
  PartTarget: "Part wants",
  SegmentTable: "Body proportions",
  Stature: "Stature",
  ShareOfBodyWeight: "Of body weight",
  CoachsReason: "Reason",
  SetOn: "Set on",
  BandBottom: "At the bottom",
  BandMiddle: "In the middle",
  BandTop: "At the top",
  MeasuredOn: "Measured",
  CountedPieces: "Pieces",
  WrittenReserve: "Written",
  BestReps: "Best clean reps",
  BestHold: "Best clean hold, s",
  UsualFrom: "Usual from",
  UsualTo: "Usual to",
  Minutes: "Minutes of the athlete",
  ForGoal: "For",
  PrimeMovers: "Works",
  LastTrainedOn: "Last trained",
  BestLeft: "Best left",
  BestRight: "Best right",
  ReserveLeft: "Left in reserve",
  DaysLost: "Days without it",
  StopSign: "Stop sign",
};

type SayStep = (b: string[], t: string[]) => string;

/** The left side of a working line; `b` are bare numbers, `t` are figures with their unit. */
const steps: Record<StepKey, SayStep> = {
  SystemMass: (b) => `System, ${b[0]} + ${b[1]}`,
  EffectiveReps: (b) => `Effective reps, ${b[0]} + ${b[1]}`,
  Formula: (b, t) => `${t[0]}, ${b[1]} at ${b[2]}`,
  RangeLow: (_, t) => `Lowest of the seven, ${t[0]}`,
  RangeHigh: (_, t) => `Highest of the seven, ${t[0]}`,
  ShareOf: (b, t) => `${t[0]} of ${b[1]}`,
  AddedFromSystem: (b) => `To add, ${b[0]} − ${b[1]}`,
  SystemForReps: (b) => `System, ${b[0]} ÷ (1 + ${b[1]} ÷ 30)`,
  ShareOfBest: (b) => `Share of best, ${b[0]} ÷ ${b[1]}`,
  ExpectedReps: (b) => `Expect, 30 × (${b[0]} ÷ ${b[1]} − 1)`,
  NowOnTheBar: (b, t) => `On the bar, ${b[0]} ${t[1]?.startsWith("−") ? "−" : "+"} ${b[1]}`,
  ProposedSystem: (b) => `Proposed, ${b[0]} + ${b[1]}`,
  BestFromLastSet: (b) => `Best single, ${b[0]} × (1 + ${b[1]} ÷ 30)`,
  JumpShare: (b) => `Jump, ${b[0]} ÷ ${b[1]}`,
  MeanOfReadings: (b) => `Mean of ${b[0]}`,
  HalfTheSets: (b) => `Half of ${b[0]}, rounded down`,
  ShoulderMoment: (_, t) => `Shoulder moment, ${t[0]}`,
  HandForce: (_, t) => `Each hand, ${t[0]}`,
  SummitDemand: (_, t) => `${t[0]}`,
  ArmAngle: () => "Arms from the vertical",
  ShareOfSummit: () => "Of the summit",
  AddedForPercent: (b, t) => `Added, ${t[0]} of ${b[1]}`,
  SystemForOne: (b) => `For one repetition, × (1 + ${b[0]} ÷ 30)`,
  StepsWon: (b) => `Steps won, of ${b[0]}`,
  ByTheRule: () => "The rule alone",
  NextStep: () => "Next",
  TrainForIt: () => "Train for it",
  MeanOfThree: () => "Mean of the three",
  UncertainFrom: (_, t) => `Less ${t[0]}`,
  UncertainTo: (_, t) => `And ${t[0]} more`,
  TestTime: (_, t) => `${t[0]}, then rest ${t[1]}`,
  CountTimesUnit: (b) => `Together, ${b[0]} × ${b[1]}`,
  MomentTimesSeconds: (b, t) => `${t[0]}, ${b[1]} × ${b[2]}`,
  SecondsOf: (_, t) => t[0] ?? "",
  WeekBefore: () => "The loading week before",
  MostByRamp: (_, t) => `At most ${t[0]} more`,
  ClockStrokes: (b) => `Clock, ${b[0]} × ${b[1]} s`,
  WorkOfSets: (_, t) => `Work of ${t[0]}`,
  GapsInside: () => "Short rests inside sets",
  RestsBetween: (b) => `Rests, ${b[0]} × ${b[1]} s`,
  SetUps: (b) => `Setting up, ${b[0]} × ${b[1]} s`,
  ChangeOver: () => "Change of exercise",
  TensionOfSets: (b, t) => `${b[0]} × ${t[1]}, ${b[2]} s each`,
  HardOfSets: (_, t) => `Hard, of ${t[0]}`,
  WarmUp: () => "Warm-up",
  TimeOf: (_, t) => t[0] ?? "",
  SavedInTurn: () => "saved in turn, counted already",
  CoolDown: () => "Cool-down",
  OnDay: (_, t) => `${t[0]}, ${t[1]}`,
  PullSets: () => "Pulling",
  PushSets: () => "Pushing",
  LeftOf: (_, t) => `${t[0]}, ${t[1]}, left`,
  RightOf: (_, t) => `${t[0]}, ${t[1]}, right`,
  LevelOfStep: (_, t) => `In training on ${t[0]}`,
  WonStep: (_, t) => `${t[0]} is won`,
  CarriesOver: (_, t) => `Carries over to ${t[0]?.toLowerCase()}, for`,
  HoldsBack: (_, t) => `Holds ${t[0]?.toLowerCase()} back`,
  StandsIn: (_, t) => `In place of ${t[0]?.toLowerCase()} (${t[1]})`,
  OtherGrip: (_, t) => `Another grip on the second day of ${t[0]?.toLowerCase()}`,
  OnRings: (_, t) => `On rings by school, in place of ${t[0]?.toLowerCase()}`,
  GoesOn: (_, t) => `Goes on as trained on ${t[0]}`,
  SecondsFromBest: (b, t) => `${t[0]} of the best, ${b[1]} s`,
  SetsToTotal: (b, t) => `Sets until the total is ${b[0]} to ${t[1]}`,
  DoseOfStep: (_, t) => `Dose of the step ${t[0]?.toLowerCase()}`,
  UsualDose: (_, t) => `Usual dose of ${t[0]?.toLowerCase()}`,
  RepsFromBest: (_, t) => `From the best set of ${t[0]}`,
  LoadToStart: (_, t) => `Load that leaves ${t[1]} at ${t[0]}`,
  FindsLevel: () => "The best is unknown: finds the level",
  EstimatedFrom: (b, t) =>
    b[1] === undefined ? `Reckoned from ${t[0]?.toLowerCase()}` : `Reckoned from ${t[0]?.toLowerCase()}, best ${b[1]}`,
  PracticeDose: (_, t) => `Few are there, best ${t[0]}: more and shorter sets, for practice`,
  NextBand: (_, t) => `Then the band of this help, once more than ${t[0]} are clean twice`,
  WithHelp: (_, t) => `With help, as ${t[0]?.toLowerCase()} stands at ${t[1]}`,
  GuessedLoad: (_, t) => `A guess from ${t[0]} without load, about ${t[1]} for one`,
  CappedAt: (_, t) => `A guess starts at ${t[0]} of body mass at most`,
  UnderItsLift: (_, t) => `${t[0]} of the system under ${t[1]?.toLowerCase()}`,
  TestsGuess: (b) => `Week ${b[0]}, a set of few reps tests the guess`,
  EasedFor: (_, t) => `Eased, as ${t[0]} hurts, ${t[1]}`,
  FillsMinutes: (b) => `Minutes are left, and the pattern has ${b[0]} of ${b[1]} hard sets`,
  DryRunMends: (b) => `On paper ${b[0] === undefined ? "it" : b[0]} would be all that is left in a set`,
  BySchool: (_, t) => `By the school: ${t[1]?.toLowerCase()}`,
  Protects: (_, t) => `Protects: ${t[0]}`,
  SupportsGoal: (_, t) => `Supports ${t[0]?.toLowerCase()}`,
  SlowedDown: (_, t) => `Too light at ${t[0]}: slower, and by reserve`,
  NewStepShare: (_, t) => `New step, half the sets for ${t[0]}`,
  LightShare: () => "Light day, half the sets",
  KeptShare: (_, t) => `Kept with about a third of ${t[0]}`,
  WaveAdds: (b) => `Week ${b[0]}, the wave`,
  GrowsByRule: (b) => `Week ${b[0]}, by its own rule`,
  GrowsInRamp: (b, t) => `Week ${b[0]}, within the ramp of ${t[1]}`,
  EasyLine: () => "Deload, half the sets, no load",
  WeakerFirst: () => "The weaker side begins, both do its number, and it does one set more",
  SetsForBalance: (b) => `Balance of the week, ${b[0]} pull to ${b[1]} push`,
  SetsForMinutes: (b) => `So that ${b[0]} min hold`,
  InTurn: () => "In turn with the one before, saved",
  ShortSingles: (_, t) => `Short singles beside ${t[0]?.toLowerCase()}`,
  DecidesGoal: (_, t) => `Decides ${t[0]?.toLowerCase()}`,
  FirstTest: () => "One of the first tests",
  LoosensBetween: (_, t) => `Between the sets of ${t[0]?.toLowerCase()}`,
  LoosensAlone: () => "Nothing else can be trained that day",
  LongPosition: () => "Load in the long position, for",
  MendedByCheck: (_, t) => `Eased for ${t[0]}`,
  LineBecomes: (_, t) => `${t[0]} becomes`,
  WeekThen: () => "Straight-arm work of the week then",
  TotalOfSets: (_, t) => `All sets, ${t[0]}`,
  MeanBefore: (b) => `Mean of the ${b[0]} before`,
  FigureOn: (_, t) => `On ${t[0]}`,
  GapOfSides: (b) => `Gap of the sides, (${b[0]} − ${b[1]}) of ${b[0]}`,
  StopsPattern: () => "Holds",
  SlopePerWeek: () => "Trend, a week",
  SlopeInterval: (_, t) => `Interval of the trend, from ${t[0]} to`,
  GapToThreshold: (_, t) => `Still to gain, ${t[0]} − ${t[1]}`,
  WeeksFromTo: (_, t) => `At either end, from ${t[0]} to`,
};

const roundings: Record<RoundingKey, Say> = {
  Exact: ([pieces]) => `${pieces} on the belt: exact.`,
  Nearest: ([wanted, made, off, pieces]) => `Wants ${wanted}, the kit makes ${made} (${pieces}): ${off} off.`,
  Assistance: ([help]) => `Below body mass: ${help} of help by a band, the feet or a box.`,
  BodyMassOnly: () => "Nothing to hang: body mass alone.",
  KitStep: ([step]) => `Next step of the kit from here: ${step}.`,
  DropPlanOff: ([distance]) => `Over all parts ${distance} off what is written.`,
  DropPlanExact: () => "Every part is exact.",
  DropPlanNotProven: ([bound]) =>
    `There are too many ways to try them all: this is the best of those tried, and none comes nearer than ${bound}.`,
  KitEnds: ([heaviest]) => `The kit ends at ${heaviest}.`,
  NearestBand: ([wanted, made, name]) => `Wants ${wanted} of help; the band “${name}” gives ${made} on average.`,
  NeverWeighed: () => "Never weighed: no mass is claimed.",
  RoundedDown: ([wanted, made]) => `Wants ${wanted}, rounded down to what the kit makes: ${made}.`,
};

const sources: Record<SourceId, string> = {
  InternationalPound1959: "International pound, 1959",
  Epley1985: "Epley 1985",
  Brzycki1993: "Brzycki 1993",
  Lombardi1989: "Lombardi 1989",
  OConner1989: "O’Conner 1989",
  Lander1985: "Lander 1985",
  Wathan1994: "Wathan 1994",
  Mayhew1992: "Mayhew 1992",
  Acsm2009: "ACSM 2009 (load after two sessions over the target)",
  Thomee1997: "Thomeé 1997 (pain-monitoring model)",
  CommonPractice: "common practice in coaching",
  House: "this project’s choice",
  CoachsLine: "the coach’s line",
  Theil1950: "Theil 1950 (median of slopes)",
  Sen1968: "Sen 1968 (interval of the slope)",
  DeLeva1996: "de Leva 1996 (segment masses and lengths, from memory)",
  Suprak2011: "Suprak et al. 2011 (push-ups, from memory)",
  Ebben2011: "Ebben et al. 2011 (push-ups, from memory)",
  Schoenfeld2017: "Schoenfeld et al. 2017 (from memory)",
};

const cautions: Record<CautionId, Say> = {
  BodyMassOld: ([days]) => `The last body mass is ${days} old: weigh again.`,
  TrendAssumes: () => "Assumes clean form, the same set-up and training that goes on as it has.",
  EstimateLoose: ([low, high]) => `At this many reps the estimate is loose: read it as ${low} to ${high}.`,
  TestStale: ([days]) => `The test behind the maximum is ${days} old: retest.`,
  JumpLarge: ([jump, percent]) => `A jump of ${jump}, ${percent} of the system; the usual step is 1 to 3 %.`,
  GateClosed: () => "The gate of added load is not open for this athlete.",
  PatternStopped: () => "This movement is stopped for pain and not cleared.",
  KeptWithReason: () => "Planned against a caution, with the coach’s reason.",
  KitCoarse: ([wanted, made]) => `Wants ${wanted}; the kit makes ${made}.`,
  AboveOneRepMax: ([percent]) => `This is ${percent} of the estimated maximum.`,
  StopSigns: () => "Stop on sharp pain, a pinch on top of the shoulder, a pop, numbness or tingling.",
  Anchor: ([mass]) =>
    `The bar and its fixing must bear the system mass with swing: at least ${mass}. Follow the maker’s rating and local rules.`,
  SolidForm: () =>
    "Added load only with solid form. Take the weight off the floor with a step, not a jump; let it hang still.",
  Breathe: () => "Near-maximal sets raise blood pressure: breathe, do not hold the breath for the whole set.",
  ToFailure: () => "To failure: end on the last clean rep, and step down rather than drop.",
  MinorNoSingle: () => "Under 16 no single-rep maximum is trained or tested.",
  ClearanceFirst: () =>
    "Under 18 or over 60: clearance by a licensed professional first; for minors a guardian’s consent too.",
  DropForm: () => "Between the parts there is no rest: end a part when form breaks.",
  NotMedicalAdvice: () => "Training arithmetic, not medical advice.",
  AskNextMorning: () => "Ask again the next morning: pain that is worse then counts as that pain.",
  StatureUnknown: () => "Without stature and body mass only shares are shown; the profile takes both.",
  ModelLimits: () =>
    "Segment tables differ by about 5 % in N·m and 0.015 in the share; a rounded back or the blades change it by up to 0.1. A share of moment is no share of difficulty.",
  ExposureOnly: () => "Short singles only: the step before is open, but not won, and goes on.",
  RetestToOpen: () => "A figure is met by a result older than six weeks: test again, then it opens.",
  ImpliedSteps: () => "Some steps count because a later one was shown.",
  StraightArm: () =>
    "Straight arms load biceps tendon, elbow and wrist, which adapt slowly: ramp slowly, never the same direction two days running.",
  TwiceAWeek: () => "Hard on elbow and shoulder: no more than two hard sessions a week.",
  FallZone: () => "Fall zone clear, a mat under it.",
  Spotter: () => "A spotter for first attempts.",
  Inversion: () => "Upside down: not with glaucoma, untreated high blood pressure or neck trouble.",
  WristsFirst: () => "Warm the wrists first, 5 to 10 min.",
  PainFreeRange: () => "Only as deep as it is free of pain; never force the range.",
  NotToFailure: () => "Failing here is not harmless: never to failure.",
  Bands: () => "Measure the band’s help, again every eight weeks, and look for nicks.",
  BandOld: ([days]) => `Measured ${days} ago: measure it again.`,
  BandTooStrong: ([mass]) => `At the bottom it lifts more than the body of ${mass}: it would throw them up.`,
  RingHeight: () => "Rings high enough that the head clears the floor.",
  MustNotTip: () => "A low bar or table must not tip.",
  FailureNotHarmless: () => "To failure in a movement where failing is not harmless.",
  WorkOverSlot: ([work, slot]) => `The work takes ${work}, the clock strikes every ${slot}: it does not fit.`,
  NegativeLong: ([seconds, most]) => `A lowering of ${seconds} is a test; as volume at most ${most}.`,
  OpeningTooFew: ([reps, least]) =>
    `The first burst is expected at ${reps}; under ${least} ease the angle or add a band.`,
  NotLoaded: () => "Load is not usually hung on this movement.",
  HoldTooShort: ([best, least]) =>
    `The best hold is ${best}: under ${least} train the easier step, or this one with help.`,
  HoldOverBest: ([seconds, best]) => `A hold of ${seconds} is over the best of ${best}.`,
  HardSetsOver: ([pattern, sets, most]) => `${capital(pattern ?? "")}: ${sets} hard, over the usual ${most}.`,
  PullToPushOff: ([pull, push]) => `Pull and push are out of balance: ${pull} and ${push}.`,
  StraightArmRampOver: ([now, most]) => `Straight-arm work grows to ${now}; the ramp allows ${most}.`,
  SidesUneven: ([left, right]) => `The sides differ: left ${left}, right ${right}.`,
  MinutesOver: ([minutes, have]) => `${minutes} min, and the athlete has ${have}.`,
  PrilepinOver: ([reps, most, share]) =>
    `${reps} at ${share} of the maximum in one session; the table ends at ${most}.`,
  StraightArmDays: ([day]) => `Straight-arm work of the same direction the day before, ${day}.`,
  FloorPressDays: ([day]) => `Straight-arm pushing and hard pressing from the floor on two days running (${day}).`,
  StepLocked: ([step, gate]) => `“${step}” is above the placement. Gate: ${gate}.`,
  KitMissing: ([what]) => `Not where the athlete trains: ${what}.`,
  TwiceAWeekOver: ([sessions, most]) =>
    `${sessions} hard sessions this week with negatives, high pulls or kips; elbow and shoulder take ${most}.`,
  PainThere: ([place, pain, stop]) =>
    `${capital(place ?? "")} hurts, ${pain}, and this loads it: less load or range; from ${stop} on stop and refer.`,
  MovementUnknown: ([slug]) => `“${slug}” is not in the catalogue any more.`,
  ClearanceOpen: () => "This waits for clearance by a licensed professional.",
  AskEverySet: () => "Ask for pain after every set, in this session and the next.",
};

export function ruleText(why: Explanation, unit: MassUnit) {
  return rules[why.rule.id](argsOf(why.rule.args, unit), why.rule.args, unit);
}

export function inputLabel(key: InputKey) {
  return inputs[key];
}

export function stepText(key: StepKey, args: Quantity[], unit: MassUnit) {
  return steps[key](
    args.map((a) => bare(a, unit)),
    argsOf(args, unit),
  );
}

export function roundingText(key: RoundingKey, args: Quantity[], unit: MassUnit) {
  return roundings[key](argsOf(args, unit), args, unit);
}

export function sourceText(ids: SourceId[]) {
  const text = ids.map((id) => sources[id]).join("; ");
  return text ? `${text.charAt(0).toUpperCase()}${text.slice(1)}.` : "";
}

export function cautionText(note: CautionNote, unit: MassUnit) {
  return cautions[note.id](argsOf(note.args, unit), note.args, unit);
}

function argsOf(args: Quantity[], unit: MassUnit) {
  return args.map((a) => text(a, unit));
}
