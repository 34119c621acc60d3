using Cumbre.Core.Movements;

namespace Cumbre.Core.Prescriptions;

/// <summary>In what a plan grows after it was reached.</summary>
public enum ProgressionKind
{
    /// <summary>
    /// In what the movement is measured by: load, reps, a weaker band, a lower box, another counted piece.
    /// </summary>
    Measure,

    /// <summary>The top of the range first, then what the movement is measured by.</summary>
    RangeThenMeasure,

    /// <summary>Load, by the smallest step that the kit makes of at least 1 kg.</summary>
    Load,

    /// <summary>Load, or a longer range where none can be added.</summary>
    LoadOrRange,
    Reps,
    Seconds,

    /// <summary>Seconds on as many sets as the ramp of straight-arm work allows.</summary>
    HoldRamp,

    /// <summary>The same total in fewer, longer pieces.</summary>
    LongerPieces,

    /// <summary>A longer loaded stretch.</summary>
    Stretch,
    ShorterGap,
    ShorterSlot,

    /// <summary>A higher top step of a pyramid.</summary>
    HigherTop,

    /// <summary>A harder angle, a weaker band or load, by the opening set.</summary>
    Angle,

    /// <summary>The total of open sets.</summary>
    Total,

    /// <summary>The height of contact.</summary>
    Contact,

    /// <summary>Nothing is added: the trend is watched.</summary>
    Trend,

    /// <summary>The full repetition is tested.</summary>
    Test,
}

/// <summary>What a movement is measured by under a plan, and so in what it grows.</summary>
public enum GrowthMeasure
{
    Load,

    /// <summary>Reps, and at the top of the zone a harder movement.</summary>
    Reps,
    Seconds,

    /// <summary>A weaker band.</summary>
    Band,

    /// <summary>Less help from pads, feet or fingers.</summary>
    Help,

    /// <summary>One counted piece more.</summary>
    Pieces,

    /// <summary>A lower box.</summary>
    Box,

    /// <summary>The height of contact.</summary>
    Contact,
}

/// <summary>What comes after a success.</summary>
/// <param name="Kind">In what it grows.</param>
/// <param name="Next">The plan then; null where only the kit, the week or the ladder can tell.</param>
public sealed record Progression(ProgressionKind Kind, Prescription? Next)
{
    /// <summary>By what, where the method leaves it to the movement; null: a drill, or nobody knows.</summary>
    public GrowthMeasure? By { get; init; }

    /// <summary>What a movement is measured by under a plan.</summary>
    /// <param name="plan">How it is done.</param>
    /// <param name="movement">What is done.</param>
    /// <param name="loaded">It has load on, or is meant to get it.</param>
    public static GrowthMeasure MeasureOf(Prescription plan, Movement movement, bool loaded) =>
        plan switch
        {
            { Load: BandHelp } => GrowthMeasure.Band,
            { Load: Counted } => GrowthMeasure.Pieces,
            { SetUp.BoxCm: not null } => GrowthMeasure.Box,
            { SetUp.Pads: > 0 } or { SetUp.FeetCm: not null } or { SetUp.Fingers: > 0 } => GrowthMeasure.Help,
            { SetUp.To: not null } or ExplosiveSets => GrowthMeasure.Contact,
            HoldSets or VariedHolds or BrokenHold => GrowthMeasure.Seconds,
            _ when movement.Measure == BenchmarkMeasure.ContactHeight => GrowthMeasure.Contact,
            _ when loaded => GrowthMeasure.Load,
            _ => GrowthMeasure.Reps,
        };

    /// <summary>
    /// A loaded lift with nothing on the belt yet is loaded as well, and so is one whose line says by how much load it
    /// grows.
    /// </summary>
    public static bool IsLoaded(Prescription plan, Movement movement) =>
        movement.Measure == BenchmarkMeasure.LoadTimesReps && plan.Load is null
        || movement.Load is not null && plan is DoubleProgression { Increment: not null, Load: null }
        || Adjust.IsAddedLoad(plan.Load)
        || plan is DropSet or VariedSets { Loads: not null };
}
