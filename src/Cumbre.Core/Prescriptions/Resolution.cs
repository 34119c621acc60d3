using Cumbre.Core.Explanations;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;
using Cumbre.Core.Strength;

namespace Cumbre.Core.Prescriptions;

/// <summary>What a plan is resolved against: an athlete on a day.</summary>
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
    int? Age = null);

/// <summary>Why a plan cannot be resolved; each has a way on that the edge names.</summary>
public enum ResolutionProblem
{
    /// <summary>The load is written by the e1RM or by reserve, and there is no usable heavy test.</summary>
    NoOneRepMax,

    /// <summary>Reps plus reserve are over 12: no load can be estimated.</summary>
    TooManyEffectiveReps,
}

/// <summary>Either a resolved plan or the problem that prevents it.</summary>
public sealed record Resolution(ResolvedPrescription? Plan, ResolutionProblem? Problem);

/// <summary>A load as wanted by its rule and as the kit makes it, both as load added to the body; negative is assistance.</summary>
/// <param name="Wanted">What the rule asks for.</param>
/// <param name="Made">What the kit makes; equal to <paramref name="Wanted"/> when help is needed.</param>
/// <param name="Pieces">What hangs on the athlete.</param>
public sealed record LoadAnswer(Mass Wanted, Mass Made, Loadout Pieces)
{
    /// <summary>Help needed when the wanted system is below body mass; zero otherwise.</summary>
    public Mass Assistance => Wanted < Mass.Zero ? -Wanted : Mass.Zero;
}

/// <summary>One set, or one part of a drop set, ready to be done.</summary>
/// <param name="Plan">Its place and reps.</param>
/// <param name="Load">Its load with the reasons.</param>
/// <param name="TakeOff">In a drop set, what comes off before this part.</param>
/// <param name="TensionSeconds">Estimated seconds under tension.</param>
/// <param name="RestAfterSeconds">Rest after it; 0 before the next part of a drop set and after the last set.</param>
public sealed record AtomicEffort(PlannedSet Plan, Explained<LoadAnswer> Load, Loadout? TakeOff, int TensionSeconds, int RestAfterSeconds);

/// <summary>A plan with its loads, its expansion into efforts, and what it costs.</summary>
/// <param name="Source">The plan that was resolved.</param>
/// <param name="Efforts">What is done, in order.</param>
/// <param name="Loads">The different loads, each once: one, or top and back-off, or one per part.</param>
/// <param name="Drop">The plate plan of a drop set.</param>
/// <param name="RepTotal">All reps; a range counts its upper end.</param>
/// <param name="TensionSeconds">Seconds under tension.</param>
/// <param name="DurationSeconds">Seconds from the change of exercise to the last rep.</param>
/// <param name="RestSeconds">Rest between sets.</param>
/// <param name="RestAssumed">True when the line writes no rest.</param>
/// <param name="HardSets">Sets with four or fewer reps in reserve; a drop set counts each of its sets once.</param>
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
    IReadOnlyList<CautionNote> Cautions);
