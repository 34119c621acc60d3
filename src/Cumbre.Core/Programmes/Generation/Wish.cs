using Cumbre.Core.Explanations;
using Cumbre.Core.Measures;

namespace Cumbre.Core.Programmes.Generation;

/// <summary>What a block is asked for; what is null is taken from the athlete's intake.</summary>
/// <param name="Name">Of the block.</param>
/// <param name="Start">A Monday.</param>
/// <param name="IdOf">
/// The id of a session or an item by its name within the block, as the core makes none. The same name must give the
/// same id, so that a block that is generated again can be held against the one before.
/// </param>
public sealed record BlockWish(string Name, DateOnly Start, Func<string, Guid> IdOf)
{
    public const int MinutesMinimum = 10,
        MinutesMaximum = 240,
        LoadingWeeksMaximum = 8;

    /// <summary>Training days.</summary>
    public IReadOnlyList<DayOfWeek>? Days { get; init; }

    /// <summary>Of a session, 10 to 240.</summary>
    public int? Minutes
    {
        get;
        init => field = value is { } m ? Guard.InRange("minutes", m, MinutesMinimum, MinutesMaximum) : null;
    }

    /// <summary>Before the easy week, 1 to 8.</summary>
    public int? LoadingWeeks
    {
        get;
        init => field = value is { } w ? Guard.InRange("loadingWeeks", w, 1, LoadingWeeksMaximum) : null;
    }
}

/// <summary>
/// What the coach must know about a block beside its items; worded at the edge, with its arguments in order.
/// </summary>
public enum NoticeId
{
    /// <summary>Nobody has written down what there is: everything is taken to be there. ()</summary>
    KitUnknown,

    /// <summary>No tests yet: the battery stands first, and the sets find the level. ()</summary>
    NoTests,

    /// <summary>The goal is won and is kept. (goal)</summary>
    GoalWon,

    /// <summary>The first gate of a goal is unmet: what it asks is trained. (goal, gate)</summary>
    GateUnmet,

    /// <summary>More goals than can be advanced at a time: this one is kept. (goal)</summary>
    GoalOnlyKept,

    /// <summary>The step in training of a goal cannot be trained now. (goal, what sort of thing stands against it)</summary>
    GoalNotTrainable,

    /// <summary>A goal finds no day in the week. (goal)</summary>
    GoalWithoutDay,

    /// <summary>Nothing of a goal fits into the week: it would take more minutes or days. (goal)</summary>
    GoalGivesWay,

    /// <summary>A goal has a hard day and no light one 48 to 72 h from it. (goal)</summary>
    LightDayMissing,

    /// <summary>No goals yet. ()</summary>
    NoGoals,

    /// <summary>What loads a sore place is eased, and other work comes first. (place, pain)</summary>
    PainEased,

    /// <summary>Pain so high that the pattern is stopped and referring out is proposed. (place, pain)</summary>
    PainStop,

    /// <summary>Something waits for clearance. (question)</summary>
    ClearanceOpen,

    /// <summary>A minor without a guardian's consent. ()</summary>
    ConsentMissing,

    /// <summary>The intake says no minutes. (minutes taken)</summary>
    MinutesUnknown,

    /// <summary>The intake says no days. (days taken)</summary>
    DaysUnknown,

    /// <summary>A day is left free. (days at most)</summary>
    DayLeftFree,

    /// <summary>The split asks for more days: they are trained full body. (days that it asks for)</summary>
    SplitNeedsDays,

    /// <summary>Halves of the muscle-up need pull and push days: it is trained whole. ()</summary>
    HalvesNeedSplit,

    /// <summary>The school of leverage against a goal of added load: the goal decides. (goal)</summary>
    LeverageAgainstLoad,

    /// <summary>The school of rings without rings: the bar takes their place. ()</summary>
    RingsMissing,

    /// <summary>The school of failure holds only where failing is harmless. ()</summary>
    FailureOnlyWhereHarmless,

    /// <summary>Every exercise has its usual sets: a session is shorter than the minutes. ()</summary>
    ShorterOnPurpose,

    /// <summary>Nothing fits into a session any more. (minutes)</summary>
    MinutesShort,

    /// <summary>No movement of a base pattern can be trained. (pattern, what sort of thing stands against it)</summary>
    PatternMissing,

    /// <summary>Nothing at all can be trained. ()</summary>
    NothingToTrain,

    /// <summary>Tests that no session holds, to be done beside it. (names)</summary>
    TestsBeside,

    /// <summary>Nothing that was trained can be tested in a session. ()</summary>
    NothingToTest,

    /// <summary>Days of the first week that are over already. (count)</summary>
    DaysOver,

    /// <summary>Sessions are planned already in these weeks, outside this block. (count, first day)</summary>
    PlannedAlready,

    /// <summary>A station of a group's outline finds no movement for the athlete. (station)</summary>
    StationEmpty,

    /// <summary>The checks still found something, and it was taken out. (movement, day)</summary>
    TakenOut,
}

/// <summary>A notice with its arguments.</summary>
public sealed record Notice(NoticeId Id, IReadOnlyList<Quantity> Args)
{
    public static Notice Of(NoticeId id, params Quantity[] args) => new(id, args);
}

/// <summary>What did not fit into the minutes.</summary>
/// <param name="Day">Of the first week that it is missing from.</param>
/// <param name="Kind">By which it was chosen to give way.</param>
/// <param name="Movement">Name.</param>
/// <param name="Seconds">That it would have taken.</param>
public sealed record LeftOut(DayOfWeek Day, DropKind Kind, string Movement, int Seconds);

/// <summary>A block as it was put together.</summary>
/// <param name="Block">Without open cautions.</param>
/// <param name="Why">Of each item, by its id.</param>
/// <param name="LeftOut">In the order in which it gave way.</param>
/// <param name="Notices">What the coach must know.</param>
public sealed record GeneratedBlock(
    Block Block,
    IReadOnlyDictionary<Guid, Explanation> Why,
    IReadOnlyList<LeftOut> LeftOut,
    IReadOnlyList<Notice> Notices
);
