using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Programmes;

/// <summary>A phase of a repetition.</summary>
public enum RepPhase
{
    Lower,
    Bottom,
    Lift,
    Top,
}

/// <summary>A phase with its time: one beat a second.</summary>
/// <param name="Phase">Which.</param>
/// <param name="Seconds">0 to 30; of a fast lift those that it counts in estimates.</param>
/// <param name="Fast">As fast as possible.</param>
public sealed record Beat(RepPhase Phase, int Seconds, bool Fast = false);

/// <summary>How a repetition is paced.</summary>
public static class Pacing
{
    /// <summary>
    /// The phases of one repetition in the order in which they are done; empty where nothing sets a pace. A pull and a
    /// leg raise start from the bottom, everything else from the top (common practice, no source).
    /// </summary>
    public static IReadOnlyList<Beat> Of(Prescription plan, Movement movement)
    {
        if (plan is Negatives negatives)
            return [new(RepPhase.Lower, negatives.LowerSeconds)];
        if (plan.Tempo is not { } tempo || movement.IsHeld)
            return [];
        Beat lower = new(RepPhase.Lower, tempo.Lowering),
            bottom = new(RepPhase.Bottom, tempo.Bottom),
            lift = new(RepPhase.Lift, tempo.Lifting ?? Tempo.FastSeconds, tempo.Lifting is null),
            top = new(RepPhase.Top, tempo.Top);
        return
            movement.Pattern
                is Pattern.VerticalPull
                    or Pattern.HorizontalPull
                    or Pattern.StraightArmPull
                    or Pattern.Trunk
            ? [lift, top, lower, bottom]
            : [lower, bottom, lift, top];
    }
}
