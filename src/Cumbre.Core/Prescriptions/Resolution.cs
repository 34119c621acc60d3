using Cumbre.Core.Explanations;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Strength;

namespace Cumbre.Core.Prescriptions;

/// <summary>What a plan is resolved against: an athlete on a day, and the movement that they train.</summary>
/// <param name="BodyMass">Body mass that counts on the day.</param>
/// <param name="OneRepMax">Current e1RM of the system; null without a usable test.</param>
/// <param name="OneRepMaxAgeDays">Age of the test behind it.</param>
/// <param name="Kit">What can be hung.</param>
/// <param name="LastLoad">The heaviest load of the last exposure, for the size of the jump; null without one.</param>
/// <param name="Age">Age in years; null when unknown.</param>
public sealed record ResolutionContext(
    Explained<Mass> BodyMass,
    Explained<E1Rm>? OneRepMax,
    int OneRepMaxAgeDays,
    Kit Kit,
    Mass? LastLoad = null,
    int? Age = null
)
{
    /// <summary>Null: some lift that is measured by its load.</summary>
    public Movement? Movement { get; init; }

    /// <summary>For what a line leaves open.</summary>
    public Bests Bests { get; init; } = Bests.Unknown;

    /// <summary>Measured bands.</summary>
    public IReadOnlyList<Band> Bands { get; init; } = [];

    public IReadOnlyList<CountedLoad> Counted { get; init; } = [];

    /// <summary>
    /// Shoulder moment of the movement in N m for this body; null: it is not modelled, or the body is not known.
    /// </summary>
    public double? MomentNm { get; init; }

    /// <summary>The day; a band that was measured long ago is to be measured again.</summary>
    public DateOnly Day { get; init; }

    /// <summary>Is an effort alone enough to work out a load? Only where the test is one of load.</summary>
    internal bool LoadFollowsEffort => Movement is null || Movement.Measure == BenchmarkMeasure.LoadTimesReps;

    /// <summary>Is the whole body moved, so that body mass and load are the system?</summary>
    internal bool MovesWholeBody => Movement is null || PrescriptionResolver.MovesWholeBody(Movement);
}

/// <summary>Why a plan cannot be resolved; each has a way on that the edge names.</summary>
public enum ResolutionProblem
{
    /// <summary>The load is written by the e1RM or by reserve, and there is no usable heavy test.</summary>
    NoOneRepMax,

    /// <summary>Reps plus reserve are over 12: no load can be estimated.</summary>
    TooManyEffectiveReps,

    /// <summary>The hold is written by the best, and no best is known.</summary>
    NoBestHold,

    /// <summary>No measured band gives help near to what is written.</summary>
    NoSuchBand,

    /// <summary>The kit has no such counted pieces.</summary>
    NoSuchCounted,

    /// <summary>There are fewer of them.</summary>
    TooFewCounted,

    /// <summary>No body mass is known on or before the day.</summary>
    NoBodyMass,

    /// <summary>The movement is not in the catalogue any more.</summary>
    MovementUnknown,

    /// <summary>As many as possible with some in reserve says no load on a loaded lift: reps are needed.</summary>
    NoReps,

    /// <summary>The kit has no band of that name, or several.</summary>
    NoBandOfThatName,
}

/// <summary>Either a resolved plan or the problem that prevents it.</summary>
public sealed record Resolution(ResolvedPrescription? Plan, ResolutionProblem? Problem);

/// <summary>
/// A load as wanted by its rule and as the kit makes it, both as load added to the body; negative is assistance.
/// </summary>
/// <param name="Wanted">What the rule asks for.</param>
/// <param name="Made">What the kit makes; equal to <paramref name="Wanted"/> when help is needed and no band is
/// near.</param>
/// <param name="Pieces">What hangs on the athlete.</param>
public sealed record LoadAnswer(Mass Wanted, Mass Made, Loadout Pieces)
{
    /// <summary>The band that gives the help; null: none, or none is needed.</summary>
    public Band? Band { get; init; }

    /// <summary>The feet give the help: no mass is claimed, and the set is judged by its reps.</summary>
    public bool ByFeet { get; init; }

    /// <summary>Counted pieces, such as nine books.</summary>
    public Counted? Counted { get; init; }

    /// <summary>
    /// False where pieces were counted and never weighed, or the feet help: the mass that is moved is not known.
    /// </summary>
    public bool IsWeighed { get; init; } = true;

    /// <summary>Help needed when the wanted system is below body mass; zero otherwise.</summary>
    public Mass Assistance => Wanted < Mass.Zero ? -Wanted : Mass.Zero;
}

/// <summary>One set, or one part of a drop set, ready to be done.</summary>
/// <param name="Plan">Its place and reps.</param>
/// <param name="Load">Its load with the reasons.</param>
/// <param name="TakeOff">In a drop set, what comes off before this part.</param>
/// <param name="TensionSeconds">Estimated seconds under tension.</param>
/// <param name="RestAfterSeconds">Rest after it; 0 before the next part of a drop set and after the last set.</param>
public sealed record AtomicEffort(
    PlannedSet Plan,
    Explained<LoadAnswer> Load,
    Loadout? TakeOff,
    int TensionSeconds,
    int RestAfterSeconds
);

/// <summary>A plan with its loads, its expansion into efforts, and what it costs.</summary>
/// <param name="Source">The plan that was resolved.</param>
/// <param name="Efforts">What is done, in order.</param>
/// <param name="Loads">The different loads, each once: one, or top and back-off, or one per part.</param>
/// <param name="Drop">The plate plan of a drop set.</param>
/// <param name="RepTotal">All reps, both sides; a range counts its upper end, a hold none.</param>
/// <param name="TensionSeconds">Seconds under tension.</param>
/// <param name="DurationSeconds">Seconds from the change of exercise to the last rep.</param>
/// <param name="RestSeconds">Rest between sets.</param>
/// <param name="RestAssumed">True when the line writes no rest.</param>
/// <param name="HardSets">Sets with four or fewer reps in reserve; a set in parts counts once, one side at a time
/// too.</param>
/// <param name="Cautions">Cautions on the whole item.</param>
public sealed record ResolvedPrescription(
    Prescription Source,
    IReadOnlyList<AtomicEffort> Efforts,
    IReadOnlyList<Explained<LoadAnswer>> Loads,
    DropPlan? Drop,
    int RepTotal,
    int TensionSeconds,
    int DurationSeconds,
    int RestSeconds,
    bool RestAssumed,
    int HardSets,
    IReadOnlyList<CautionNote> Cautions
)
{
    /// <summary>Seconds of straight-arm work; 0 for other movements.</summary>
    public int StraightArmSeconds { get; init; }

    /// <summary>Shoulder moment x seconds, N m s; null where no moment is known.</summary>
    public double? MomentSeconds { get; init; }

    /// <summary>System mass x reps in kg; null where the moved mass is not known.</summary>
    public decimal? VolumeLoad { get; init; }

    /// <summary>Heaviest system over the e1RM; null without a test.</summary>
    public decimal? ShareOfMax { get; init; }

    /// <summary>Reps, or seconds of a hold, on a side by itself.</summary>
    public int Left { get; init; }

    /// <summary>Reps, or seconds of a hold, on a side by itself.</summary>
    public int Right { get; init; }

    /// <summary>
    /// Of what the sides do, how much is the set more that the weaker one was given: positive on the left, negative on
    /// the right.
    /// </summary>
    public int MoreOnLeft { get; init; }

    /// <summary>
    /// On the clock: what is left of a slot after the work; negative: it does not fit. Null otherwise.
    /// </summary>
    public int? RestInSlot { get; init; }

    /// <summary>What comes next after a success.</summary>
    public required Progression Progression { get; init; }
}
