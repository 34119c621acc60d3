using Cumbre.Core.Benchmarks;
using Cumbre.Core.Movements;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Safety;
using Cumbre.Core.Sessions;

namespace Cumbre.Core.Programmes.Generation;

/// <summary>What was trained of a movement in the weeks before the block, so that it goes on from there.</summary>
internal static class Trained
{
    /// <summary>
    /// The line of the last session in which it was trained hard, if it can be worked out today and is hard; null: it
    /// was not trained lately.
    /// </summary>
    public static (Prescription Plan, DateOnly Day)? Last(Movement movement, Trainable gym) =>
        LastHard(movement, gym) is { } last && Resolves(movement, last, gym) ? (last.Plan, last.Day) : null;

    /// <summary>The same, if it was done: every set clean, none under what was written, none with pain that eases.</summary>
    public static (Prescription Plan, DateOnly Day)? Done(Movement movement, Trainable gym) =>
        LastHard(movement, gym) is { } last && IsDone(last) ? (last.Plan, last.Day) : null;

    private static Exposure? LastHard(Movement movement, Trainable gym)
    {
        var from = gym.Athlete.Today.AddDays(-gym.Rules.HistoryDays);
        return gym.Athlete.Athlete.Exposures.LastOrDefault(e =>
            e.Movement == movement.Slug
            && e.Counts
            && e.Role is not (ItemRole.Light or ItemRole.Kept or ItemRole.Preparation or ItemRole.Retest)
            && e.Day >= from
            && e.Day <= gym.Athlete.Today
        );
    }

    private static bool Resolves(Movement movement, Exposure last, Trainable gym) =>
        gym.Athlete.Read(new(Guid.Empty, movement.Slug, WrittenLine.Of(last.Plan))).Resolved is { HardSets: > 0 };

    private static bool IsDone(Exposure exposure)
    {
        if (exposure.Plan is not (StraightSets or DoubleProgression or HoldSets { Seconds: not null }))
            return false;
        var planned = exposure.Plan.Sets();
        return exposure.Sets.Count >= planned.Count
            && exposure.Sets.All(s =>
                s.Form == FormVerdict.Clean
                && s.Pain is null or < PainRules.EaseFrom
                && (s.Seconds ?? s.Reps) >= planned.Min(p => p.Seconds ?? p.RepsLow)
            );
    }
}
