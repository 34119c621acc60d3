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

/// <summary>What comes after a success.</summary>
/// <param name="Kind">In what it grows.</param>
/// <param name="Next">The plan then; null where only the kit, the week or the ladder can tell.</param>
public sealed record Progression(ProgressionKind Kind, Prescription? Next);
