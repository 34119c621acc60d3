namespace Cumbre.Core.Explanations;

/// <summary>The rule behind a figure. Its arguments, in order, stand beside each name.</summary>
public enum RuleId
{
    /// <summary>Body mass of a day: mean of the last 7 days, else the latest before.</summary>
    BodyMassOfDay,

    /// <summary>e1RM of the system by the default formula. (formula)</summary>
    OneRepMax,

    /// <summary>Load as written. ()</summary>
    LoadAsWritten,

    /// <summary>Load for a share of the e1RM. (percent)</summary>
    LoadForPercent,

    /// <summary>Load for reps at a reserve. (reps, reserve)</summary>
    LoadForReserve,

    /// <summary>Load as a share of body mass. (percent)</summary>
    LoadForBodyMassShare,

    /// <summary>Back-off as a share of the top set's system. (percent)</summary>
    LoadForBackOff,

    /// <summary>Drop set: every part only takes pieces off. (parts)</summary>
    DropPlan,

    /// <summary>Add load after enough clean sessions. (sessions needed, increment)</summary>
    AddLoad,

    /// <summary>The kit's next step is large: add reps first. (kit step, usual largest step)</summary>
    AddReps,

    /// <summary>Keep the line: not enough clean sessions yet. (sessions needed)</summary>
    Hold,

    /// <summary>Three exposures without progress: lower the system by a share. (exposures, percent)</summary>
    BackOff,

    /// <summary>Loading weeks done: an easy week. (weeks)</summary>
    Deload,

    /// <summary>The easy week goes on until Sunday. ()</summary>
    EasyWeek,

    /// <summary>Pain in the middle of the scale: lower load. (lower limit, upper limit)</summary>
    EaseForPain,

    /// <summary>Pain that stops a pattern. (limit)</summary>
    StopForPain,

    /// <summary>No set method could be judged: the plan was not finished. ()</summary>
    Repeat,

    /// <summary>The step in training on a ladder. ()</summary>
    Placement,

    /// <summary>The step that the coach set. ()</summary>
    PlacedByCoach,

    /// <summary>Shoulder moment by the segment model, as a share of the summit's. (summit)</summary>
    DemandMoment,

    /// <summary>Hand force in a flag by the segment model, as a share of the summit's. (summit)</summary>
    DemandHandForce,

    /// <summary>System mass for one repetition, as a share of the summit's. (summit)</summary>
    DemandSystem,

    /// <summary>Share of body weight moved, as a share of the summit's. (summit)</summary>
    DemandBodyShare,

    /// <summary>Height of contact, as a share of the summit's. (summit)</summary>
    DemandContact,

    /// <summary>A stated value. (summit)</summary>
    DemandHouse,

    /// <summary>Work of each test and the rests between. ()</summary>
    BatteryTime,

    /// <summary>Help of a band: mean of three places. ()</summary>
    BandHelp,

    /// <summary>A band whose measured help is near to what is written.</summary>
    LoadByBand,

    /// <summary>The feet help; the set is judged by its reps.</summary>
    LoadByFeet,

    /// <summary>Counted pieces, weighed or not.</summary>
    LoadByCount,

    /// <summary>Straight-arm work grows slowly.</summary>
    StraightArmRamp,

    /// <summary>Time of an exercise.</summary>
    TimeOfItem,

    /// <summary>args: seconds of a rep.</summary>
    TensionOfItem,

    /// <summary>args: reserve up to which a set is hard.</summary>
    HardSetRule,

    /// <summary>Warm-up, exercises, cool-down.</summary>
    TimeOfSession,

    /// <summary>args: pattern.</summary>
    HardSetsOfPattern,

    /// <summary>Hard sets of pulling over those of pushing.</summary>
    PullToPush,

    /// <summary>Both sides do the same.</summary>
    SidesOfWeek,

    /// <summary>System mass x reps.</summary>
    VolumeLoad,

    /// <summary>Why an exercise stands in a generated block. (role)</summary>
    ItemChosen,

    /// <summary>A line done on paper by the athlete's twin.</summary>
    DryRun,

    /// <summary>Without progress: a third of the reps or seconds less. (exposures)</summary>
    BackOffByThird,

    /// <summary>Stuck again after a back-off: another variation. ()</summary>
    StuckAgain,

    /// <summary>Reps grow within the zone. (from, to)</summary>
    AddRepsInZone,

    /// <summary>More in reserve than was asked. (asked)</summary>
    ReserveOver,

    /// <summary>At the zone's top: harder movement, slower, pause, set. (from, to)</summary>
    OverTheZone,

    /// <summary>Under the zone's bottom: easier, or help. ()</summary>
    BelowZone,

    /// <summary>Straight-arm work grows on as many sets as the week allows. (percent)</summary>
    GrowInRamp,

    /// <summary>A second more on each set. ()</summary>
    AddSecond,

    /// <summary>The next step first, in short singles; this one gives way. (step)</summary>
    NextStepInRamp,

    /// <summary>Contact kept in every set: reps, the next contact, a set. ()</summary>
    ContactKept,

    /// <summary>More than so many clean reps in all sets: the next weaker band. (reps)</summary>
    WeakerBand,
    LowerBox,

    /// <summary>A pad or finger fewer, or the feet further away. ()</summary>
    LessHelp,

    /// <summary>One counted piece more. ()</summary>
    AddPiece,

    /// <summary>The method's own way on. ()</summary>
    GrowsByMethod,

    /// <summary>Even descents at their longest: test the full rep. ()</summary>
    DescentDone,

    /// <summary>Fast reps at their most without a noted contact: test the height. (reps)</summary>
    HeightUnknown,

    /// <summary>Clean from the lowest box: on without it. ()</summary>
    LowestBox,

    /// <summary>The dose from the level that was found. ()</summary>
    LevelFound,

    /// <summary>Open sets a tenth over the start. ()</summary>
    TotalGrown,

    /// <summary>Rest-pause by its opening set. ()</summary>
    OpeningSet,

    /// <summary>The way back after a stop. ()</summary>
    ReturnAfterStop,

    /// <summary>Two exposures running are down, or harder. ()</summary>
    LighterWeek,

    /// <summary>The line of a hold sags. ()</summary>
    LineSags,

    /// <summary>A planned increase that was not earned. (sessions needed)</summary>
    HoldRise,

    /// <summary>The weaker side first, one set more for it. ()</summary>
    WeakerSideFirst,

    /// <summary>A standard shown in training. (what)</summary>
    StandardShown,

    /// <summary>A fresh test denies what a harder step implies. (step)</summary>
    ContradictedStep,

    /// <summary>Practice sets have outgrown the test. ()</summary>
    PracticeTrend,

    /// <summary>
    /// The line of the trend with the intervals of its slope and its level, carried on to the next threshold.
    /// (confidence)
    /// </summary>
    Forecast,
}

/// <summary>A named input of a figure.</summary>
public enum InputKey
{
    BodyMass,
    BodyMassMean,
    BodyMassReadings,
    BodyMassMeasuredOn,
    TestLoad,
    TestReps,
    TestReserve,
    TestedOn,
    OneRepMax,
    OneRepMaxLow,
    OneRepMaxHigh,
    WrittenLoad,
    TopSetSystem,
    School,
    CleanSessions,
    LastLoad,
    LoadingWeeks,
    ExposuresWithoutProgress,
    PainReported,
    PainPlace,
    PartTarget,
    SegmentTable,
    Stature,
    ShareOfBodyWeight,
    CoachsReason,
    SetOn,
    BandBottom,
    BandMiddle,
    BandTop,
    MeasuredOn,

    /// <summary>How many pieces.</summary>
    CountedPieces,

    /// <summary>Reps in reserve by the line.</summary>
    WrittenReserve,

    /// <summary>Best clean reps.</summary>
    BestReps,

    /// <summary>Best clean hold in seconds.</summary>
    BestHold,

    /// <summary>The fresh set, in reps or seconds, that several sets of the last weeks speak for.</summary>
    ShownFresh,

    /// <summary>Lower end of what is usual.</summary>
    UsualFrom,

    /// <summary>Upper end.</summary>
    UsualTo,

    /// <summary>Minutes that the athlete has.</summary>
    Minutes,

    /// <summary>The goal that it serves.</summary>
    ForGoal,

    /// <summary>The muscles that mostly work.</summary>
    PrimeMovers,

    /// <summary>When it was trained last.</summary>
    LastTrainedOn,

    /// <summary>Best of the left side.</summary>
    BestLeft,

    /// <summary>Best of the right side.</summary>
    BestRight,

    /// <summary>Reps in reserve that were left.</summary>
    ReserveLeft,

    /// <summary>Days without the movement.</summary>
    DaysLost,

    /// <summary>A pop, numbness, and so on.</summary>
    StopSign,
    TrendPoints,
    TrendFrom,
    TrendTo,
}

/// <summary>One line of working: an expression of its arguments, and the result.</summary>
public enum StepKey
{
    /// <summary>system = body mass + added. (body mass, added) -> mass</summary>
    SystemMass,

    /// <summary>n = reps + reserve. (reps, reserve) -> reps</summary>
    EffectiveReps,

    /// <summary>A formula of the seven. (formula, system, effective reps) -> mass</summary>
    Formula,

    /// <summary>Lowest of the seven. (formula) -> mass</summary>
    RangeLow,

    /// <summary>Highest of the seven. (formula) -> mass</summary>
    RangeHigh,

    /// <summary>percent of a mass. (percent, mass) -> mass</summary>
    ShareOf,

    /// <summary>added = system wanted - body mass. (system, body mass) -> added load</summary>
    AddedFromSystem,

    /// <summary>e1RM / (1 + n / 30). (e1RM, effective reps) -> mass</summary>
    SystemForReps,

    /// <summary>share = system / e1RM. (system, e1RM) -> percent</summary>
    ShareOfBest,

    /// <summary>expected reps = 30 (e1RM / system - 1). (e1RM, system) -> reps</summary>
    ExpectedReps,

    /// <summary>Now on the bar. (body mass, added) -> mass</summary>
    NowOnTheBar,

    /// <summary>Proposed. (body mass, added) -> mass</summary>
    ProposedSystem,

    /// <summary>Estimated best from the last set. (system, reps) -> mass</summary>
    BestFromLastSet,

    /// <summary>Jump as a share of the system. (jump, system) -> percent</summary>
    JumpShare,

    /// <summary>Mean of readings. (count) -> mass</summary>
    MeanOfReadings,

    /// <summary>Half the sets, rounded up. (sets) -> sets</summary>
    HalfTheSets,

    /// <summary>Moment of a step. (step) -> moment</summary>
    ShoulderMoment,

    /// <summary>Force on each hand. (step) -> force</summary>
    HandForce,

    /// <summary>The summit's demand. (summit) -> moment or force</summary>
    SummitDemand,

    /// <summary>Arms from the vertical. () -> degrees</summary>
    ArmAngle,

    /// <summary>Share of the summit's demand. () -> percent</summary>
    ShareOfSummit,

    /// <summary>Added load of a share of body mass. (percent, body mass) -> added load</summary>
    AddedForPercent,

    /// <summary>One-repetition maximum of the system that the step asks. (reps) -> mass</summary>
    SystemForOne,

    /// <summary>Steps won. (steps in all) -> count</summary>
    StepsWon,

    /// <summary>The rule alone would place here. () -> name</summary>
    ByTheRule,

    /// <summary>The step after. () -> name</summary>
    NextStep,

    /// <summary>What to train for the limiting factor. () -> name</summary>
    TrainForIt,

    /// <summary>Work of a test. (name, rest after it) -> seconds</summary>
    TestTime,

    /// <summary>Mean of bottom, middle and top. () -> mass</summary>
    MeanOfThree,

    /// <summary>Less its uncertainty. (share) -> mass</summary>
    UncertainFrom,

    /// <summary>And more. (share) -> mass</summary>
    UncertainTo,

    /// <summary>args: count, mass of one.</summary>
    CountTimesUnit,

    /// <summary>args: movement, moment, seconds.</summary>
    MomentTimesSeconds,

    /// <summary>args: movement.</summary>
    SecondsOf,

    /// <summary>The loading week before.</summary>
    WeekBefore,

    /// <summary>args: most growth.</summary>
    MostByRamp,

    /// <summary>args: rounds, seconds between strokes.</summary>
    ClockStrokes,

    /// <summary>args: sets.</summary>
    WorkOfSets,

    /// <summary>Short rests inside sets.</summary>
    GapsInside,

    /// <summary>args: how many, seconds of each.</summary>
    RestsBetween,

    /// <summary>args: sets, seconds of each.</summary>
    SetUps,

    /// <summary>Change of exercise.</summary>
    ChangeOver,

    /// <summary>args: how many, reps or seconds, seconds under tension of each.</summary>
    TensionOfSets,

    /// <summary>args: sets in all.</summary>
    HardOfSets,

    /// <summary>As planned.</summary>
    WarmUp,

    /// <summary>args: exercises.</summary>
    TimeOf,

    /// <summary>Rest that is shared.</summary>
    SavedInTurn,

    /// <summary>As planned.</summary>
    CoolDown,

    /// <summary>args: exercise, day.</summary>
    OnDay,

    /// <summary>Pulling.</summary>
    PullSets,

    /// <summary>Pushing.</summary>
    PushSets,

    /// <summary>args: exercise, day.</summary>
    LeftOf,

    /// <summary>args: exercise, day.</summary>
    RightOf,

    /// <summary>Step in training. (ladder) -> name</summary>
    LevelOfStep,

    /// <summary>The step before is won. (step) -> its standard</summary>
    WonStep,

    /// <summary>It carries over to what the goal asks. (movement) -> goal</summary>
    CarriesOver,

    /// <summary>What holds the goal back. (goal) -> threshold</summary>
    HoldsBack,

    /// <summary>It stands in, as the first choice cannot be trained. (first choice, why) -> movement</summary>
    StandsIn,

    /// <summary>Another grip on the second day of the lift. (lift) -> movement</summary>
    OtherGrip,

    /// <summary>Rings in place of the bar, by school. (lift) -> movement</summary>
    OnRings,

    /// <summary>It goes on as it was trained. () -> line</summary>
    GoesOn,

    /// <summary>Seconds from the best hold. (percent, best) -> seconds</summary>
    SecondsFromBest,

    /// <summary>Sets until the total is in its range. (from, to) -> sets</summary>
    SetsToTotal,

    /// <summary>The usual dose of the step. (step) -> line</summary>
    DoseOfStep,

    /// <summary>The usual dose of a movement that is no step. (movement) -> line</summary>
    UsualDose,

    /// <summary>Reps from the best set. (best) -> reps</summary>
    RepsFromBest,

    /// <summary>Load that leaves two in reserve at the top of the range. (reps, reserve) -> added load</summary>
    LoadToStart,

    /// <summary>The best is unknown: sets that find the level. () -> line</summary>
    FindsLevel,

    /// <summary>Reckoned from a related movement. (related movement, its best) -> reps</summary>
    EstimatedFrom,

    /// <summary>Few reps are known: more and shorter sets, for practice. (best) -> line</summary>
    PracticeDose,

    /// <summary>With the strongest band, as the strict one is not there yet. (strict movement, its best) -> help</summary>
    WithHelp,

    /// <summary>The next weaker band, and when it is due. (reps) -> its help</summary>
    NextBand,

    /// <summary>The first load is a guess from sets without load. (best, system for one rep) -> added load</summary>
    GuessedLoad,

    /// <summary>A guess is capped at a share of body mass. (percent) -> added load</summary>
    CappedAt,

    /// <summary>Another grip or rings start under their lift. (percent, lift) -> system for one rep</summary>
    UnderItsLift,

    /// <summary>A set of few reps that tests the guess. (week) -> line</summary>
    TestsGuess,

    /// <summary>Eased, as it loads what hurts. (place, pain) -> line</summary>
    EasedFor,

    /// <summary>
    /// Added, as there were minutes left and the pattern was short of sets.
    /// (sets of the pattern, middle of the usual) -> sets
    /// </summary>
    FillsMinutes,

    /// <summary>One set fewer or easier, as it would not have been done to the end. (set, reps left) -> line</summary>
    DryRunMends,

    /// <summary>By a choice of the athlete's schools. (question, choice) -> line</summary>
    BySchool,

    /// <summary>Work that protects a joint. (movers) -> name</summary>
    Protects,

    /// <summary>It trains what a support of the goal asks for. (goal) -> name</summary>
    SupportsGoal,

    /// <summary>Lighter than the zone asks, so slower and by reserve. (best) -> line</summary>
    SlowedDown,

    /// <summary>A new step starts at a share of the dose. (weeks) -> sets</summary>
    NewStepShare,

    /// <summary>The light day of the skill. () -> sets</summary>
    LightShare,

    /// <summary>What keeps a skill. (sets of a week that advance it) -> sets</summary>
    KeptShare,

    /// <summary>The wave adds sets. (week) -> sets</summary>
    WaveAdds,

    /// <summary>It grows by its own rule. (week) -> line</summary>
    GrowsByRule,

    /// <summary>Straight-arm work grows within the ramp. (week, most of the week) -> seconds or moment</summary>
    GrowsInRamp,

    /// <summary>Half the sets and no load in the easy week. () -> line</summary>
    EasyLine,

    /// <summary>The weaker side begins, and both do its number. () -> side</summary>
    WeakerFirst,

    /// <summary>Sets for the balance of the week. (pull sets, push sets) -> sets</summary>
    SetsForBalance,

    /// <summary>Fewer sets, so that the minutes hold. (minutes) -> sets</summary>
    SetsForMinutes,

    /// <summary>Done in turn with the one before. () -> seconds saved</summary>
    InTurn,

    /// <summary>Short singles beside the step before. (step before) -> line</summary>
    ShortSingles,

    /// <summary>The test that decides. (goal) -> test</summary>
    DecidesGoal,

    /// <summary>One of the first tests of a newcomer. () -> test</summary>
    FirstTest,

    /// <summary>It loosens between the sets of another exercise. (exercise) -> name</summary>
    LoosensBetween,

    /// <summary>Nothing else can be trained that day. () -> name</summary>
    LoosensAlone,

    /// <summary>
    /// Small muscles in their long position, where they grow and tendons get used to load. () -> muscles
    /// </summary>
    LongPosition,

    /// <summary>The checks of the dose changed it. (caution) -> line</summary>
    MendedByCheck,

    /// <summary>The line then. (line now) -> line</summary>
    LineBecomes,

    /// <summary>Straight-arm work of the week then. () -> seconds or moment</summary>
    WeekThen,

    /// <summary>All sets of a session. (day) -> reps</summary>
    TotalOfSets,

    /// <summary>Mean of the exposures before. (count) -> figure</summary>
    MeanBefore,

    /// <summary>The figure of a day. (day) -> figure</summary>
    FigureOn,

    /// <summary>(strong - weak) / strong. (strong, weak) -> percent</summary>
    GapOfSides,

    /// <summary>A pattern that a stop holds. () -> name</summary>
    StopsPattern,

    /// <summary>Median slope. () -> amount a week</summary>
    SlopePerWeek,

    /// <summary>Sen's interval of the slope. (lower end) -> upper end</summary>
    SlopeInterval,

    /// <summary>Where the line of the trend stands today. () -> amount</summary>
    TrendToday,

    /// <summary>The interval of it. (lower end) -> upper end</summary>
    TrendTodayInterval,

    /// <summary>What is left to gain. (threshold, line today) -> amount</summary>
    GapToThreshold,

    /// <summary>Where either end of the line reaches the threshold, rounded outwards. (from) -> to</summary>
    WeeksFromTo,
}

/// <summary>What rounding to the kit did.</summary>
public enum RoundingKey
{
    /// <summary>The kit makes it exactly. (pieces)</summary>
    Exact,

    /// <summary>Nearest load the kit makes. (wanted, made, difference)</summary>
    Nearest,

    /// <summary>Below body mass: help is needed. (assistance)</summary>
    Assistance,

    /// <summary>Nothing to hang: body mass alone. ()</summary>
    BodyMassOnly,

    /// <summary>Smallest step the kit can make from here. (step)</summary>
    KitStep,

    /// <summary>Rounded down to what the kit makes. (wanted, made)</summary>
    RoundedDown,

    /// <summary>Summed distance of a drop plan to what was written. (distance)</summary>
    DropPlanOff,

    /// <summary>The drop plan is exact. ()</summary>
    DropPlanExact,

    /// <summary>Too many drop plans to try them all: the best of those tried. ()</summary>
    DropPlanNotProven,

    /// <summary>The kit makes nothing heavier from here. (heaviest)</summary>
    KitEnds,

    /// <summary>args: wanted help, mean help of the band, name of the band.</summary>
    NearestBand,

    /// <summary>The count is progressed; no mass is claimed.</summary>
    NeverWeighed,
}

/// <summary>
/// Where a rule or a formula comes from; the sentence is in the interface, the details in docs/formulas.md.
/// </summary>
public enum SourceId
{
    InternationalPound1959,
    Epley1985,
    Brzycki1993,
    Lombardi1989,
    OConner1989,
    Lander1985,
    Wathan1994,
    Mayhew1992,
    Acsm2009,
    Thomee1997,
    CommonPractice,
    House,
    CoachsLine,
    DeLeva1996,
    Suprak2011,
    Ebben2011,
    Schoenfeld2017,
    Theil1950,
    Sen1968,
    HodgesLehmann1963,
    ZouDonner2008,
}

/// <summary>A caution; worded at the edge, with its arguments in order.</summary>
public enum CautionId
{
    /// <summary>The newest body mass is old. (days)</summary>
    BodyMassOld,

    /// <summary>An estimate from many reps is loose. (low, high)</summary>
    EstimateLoose,

    /// <summary>The test behind the e1RM is older than six weeks. (days)</summary>
    TestStale,

    /// <summary>The jump is over 10 % of the system or over 5 kg: confirm. (jump, percent)</summary>
    JumpLarge,

    /// <summary>Load before the gate is open. ()</summary>
    GateClosed,

    /// <summary>The movement was stopped for pain and is not cleared. ()</summary>
    PatternStopped,

    /// <summary>Planned against a caution, with the coach's reason. ()</summary>
    KeptWithReason,

    /// <summary>The wanted load could not be made. (difference)</summary>
    KitCoarse,

    /// <summary>The load is over the e1RM. (percent)</summary>
    AboveOneRepMax,

    /// <summary>Stop signs: sharp pain, pinch, pop, numbness. ()</summary>
    StopSigns,

    /// <summary>Anchor rated for the system mass with swing. (at least)</summary>
    Anchor,

    /// <summary>Only with solid form at body weight; pick the weight up with a step, not a jump. ()</summary>
    SolidForm,

    /// <summary>Long maximal efforts raise blood pressure: breathe. ()</summary>
    Breathe,

    /// <summary>Sets to failure only where failing is harmless. ()</summary>
    ToFailure,

    /// <summary>Under 16: no single-rep maximum. ()</summary>
    MinorNoSingle,

    /// <summary>Clearance by a licensed professional first. ()</summary>
    ClearanceFirst,

    /// <summary>A drop has no rest to rebuild form: stop the part when form breaks. ()</summary>
    DropForm,

    /// <summary>Arithmetic, not medical advice. ()</summary>
    NotMedicalAdvice,

    /// <summary>Pain reported; ask again the next morning. ()</summary>
    AskNextMorning,

    /// <summary>Stature or body mass is missing: shares only. ()</summary>
    StatureUnknown,

    /// <summary>What the segment model does not know. ()</summary>
    ModelLimits,

    /// <summary>Short singles only: the step before is open, but not won. ()</summary>
    ExposureOnly,

    /// <summary>A threshold is met by an old result only: retest to open. ()</summary>
    RetestToOpen,

    /// <summary>Steps are counted by a result on a later one. ()</summary>
    ImpliedSteps,

    /// <summary>Straight-arm work: ramp slowly, never two days running. ()</summary>
    StraightArm,

    /// <summary>No more than two hard sessions a week. ()</summary>
    TwiceAWeek,

    /// <summary>Fall zone clear, mat under it. ()</summary>
    FallZone,

    /// <summary>A spotter for first attempts. ()</summary>
    Spotter,

    /// <summary>Inversion: not with glaucoma, high blood pressure, neck trouble. ()</summary>
    Inversion,

    /// <summary>Warm the wrists first. ()</summary>
    WristsFirst,

    /// <summary>Only as deep as pain allows. ()</summary>
    PainFreeRange,

    /// <summary>Failing here is not harmless: never to failure. ()</summary>
    NotToFailure,

    /// <summary>Bands: measure the help, look for nicks. ()</summary>
    Bands,

    /// <summary>Rings high enough that the head clears the floor. ()</summary>
    RingHeight,

    /// <summary>The band was measured long ago. (days)</summary>
    BandOld,

    /// <summary>The band is stronger than the body. (body mass)</summary>
    BandTooStrong,

    /// <summary>A table or low bar must not tip. ()</summary>
    MustNotTip,

    /// <summary>To failure where failing is not harmless.</summary>
    FailureNotHarmless,

    /// <summary>Work does not fit its slot; args: seconds of work, seconds of the slot.</summary>
    WorkOverSlot,

    /// <summary>A lowering so long is a test; args: seconds, the most as volume.</summary>
    NegativeLong,

    /// <summary>The opening burst is expected short; args: reps, the fewest.</summary>
    OpeningTooFew,

    /// <summary>The movement is not usually loaded.</summary>
    NotLoaded,

    /// <summary>The best hold is too short to train the step; args: best, least.</summary>
    HoldTooShort,

    /// <summary>The hold is longer than the best; args: seconds, best.</summary>
    HoldOverBest,

    /// <summary>args: pattern, sets, usual most.</summary>
    HardSetsOver,

    /// <summary>args: pull sets, push sets.</summary>
    PullToPushOff,

    /// <summary>args: this week, last week, most.</summary>
    StraightArmRampOver,

    /// <summary>args: left, right.</summary>
    SidesUneven,

    /// <summary>args: minutes, minutes of the athlete.</summary>
    MinutesOver,

    /// <summary>args: reps in all, most, share of the e1RM.</summary>
    PrilepinOver,

    /// <summary>The same direction on two days in a row; args: the other day.</summary>
    StraightArmDays,

    /// <summary>
    /// Straight-arm pushing and hard pressing from the floor on two days in a row; args: the other day.
    /// </summary>
    FloorPressDays,

    /// <summary>args: step, gate in words.</summary>
    StepLocked,

    /// <summary>args: what is missing.</summary>
    KitMissing,

    /// <summary>args: hard sessions in the week, most.</summary>
    TwiceAWeekOver,

    /// <summary>args: place, pain.</summary>
    PainThere,

    /// <summary>The movement is not in the catalogue any more.</summary>
    MovementUnknown,

    /// <summary>The movement waits for clearance.</summary>
    ClearanceOpen,

    /// <summary>After a stop: ask for pain after every set, for two sessions. ()</summary>
    AskEverySet,

    /// <summary>A forecast assumes clean form, the same set-up, and training that goes on. ()</summary>
    TrendAssumes,
}
