namespace Cumbre.Core.Prescriptions;

/// <summary>
/// How long things take: sets x work + rests between sets + set-up + change of exercise. The allowances are this
/// project's choice.
/// </summary>
public static class Timing
{
    /// <summary>Seconds to set up each set.</summary>
    public const int SetUpSeconds = 20;

    /// <summary>Seconds to change the exercise.</summary>
    public const int ChangeSeconds = 60;

    /// <summary>Up to this many reps a loaded set counts as heavy and rests longer.</summary>
    public const int HeavyReps = 6;

    /// <summary>
    /// Seconds of rest when none is written, after ACSM 2009 (from memory): 2 to 3 min for heavy sets, 1 to 2 min for
    /// the rest.
    /// </summary>
    public static int UsualRest(int reps) => reps <= HeavyReps ? 150 : 90;

    /// <summary>
    /// Seconds of rest between the sets of a plan: as written, the longer end of a range, else the usual rest of its
    /// method.
    /// </summary>
    public static int RestBetweenSets(Prescription plan) => plan.RestMost ?? plan.RestSeconds ?? plan.UsualRest;

    /// <summary>
    /// Seconds of a whole item. What a clock sets takes its clock; the parts of a set follow each other with their own
    /// short rests.
    /// </summary>
    /// <param name="plan">The plan.</param>
    /// <param name="bests">For what a line leaves open.</param>
    public static int Duration(Prescription plan, Bests? bests = null)
    {
        if (plan.ClockSeconds is { } clock)
            return clock;
        var sets = plan.Sets(bests);
        var setTotal = sets.Count(s => s.Part == 1);
        return Work(sets) + RestBetweenSets(plan) * (setTotal - 1) + SetUpSeconds * setTotal + ChangeSeconds;
    }

    /// <summary>Seconds of work, with the short rests inside sets.</summary>
    public static int Work(IReadOnlyList<PlannedSet> sets) => sets.Sum(s => s.TensionSeconds + s.GapAfterSeconds);
}
