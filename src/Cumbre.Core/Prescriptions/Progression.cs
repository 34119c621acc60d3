namespace Cumbre.Core.Prescriptions;

/// <summary>In what a plan grows.</summary>
public enum ProgressionKind
{
    /// <summary>The smallest step that the kit makes, of at least 1 kg.</summary>
    Load,

    /// <summary>Reps first, then load.</summary>
    RepsThenLoad,
    Reps,
    Seconds,

    /// <summary>The same total in fewer, longer pieces.</summary>
    LongerPieces,

    /// <summary>Another round.</summary>
    Rounds,

    /// <summary>The same work in less time, then a higher rung.</summary>
    Time,

    /// <summary>Nothing is added: the trend is watched.</summary>
    Trend,

    /// <summary>Speed or height first; it ends when either falls by 10 to 20 %.</summary>
    Speed,

    /// <summary>A slower lowering.</summary>
    Tempo,

    /// <summary>Another counted piece.</summary>
    Pieces,

    /// <summary>The next step of the ladder, or load.</summary>
    NextStep,
}

/// <summary>What comes after a success.</summary>
/// <param name="Kind">In what it grows.</param>
/// <param name="Next">The plan then; null where only the kit or the ladder can tell.</param>
public sealed record Progression(ProgressionKind Kind, Prescription? Next);
