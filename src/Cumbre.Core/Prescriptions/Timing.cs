namespace Cumbre.Core.Prescriptions;

/// <summary>
/// How long things take: sets x work + rests between sets + set-up + change of exercise. The allowances are this project's choice.
/// </summary>
public static class Timing
{
    /// <summary>Seconds to set up each set.</summary>
    public const int SetUpSeconds = 20;

    /// <summary>Seconds to change the exercise.</summary>
    public const int ChangeSeconds = 60;

    /// <summary>Up to this many reps a loaded set counts as heavy and rests longer.</summary>
    public const int HeavyReps = 6;

    /// <summary>Seconds of rest when none is written, after ACSM 2009 (from memory): 2 to 3 min for heavy sets, 1 to 2 min for the rest.</summary>
    public static int UsualRest(int reps) => reps <= HeavyReps ? 150 : 90;

    /// <summary>Seconds under tension of one set: reps x seconds per rep; a range counts its upper end.</summary>
    public static int UnderTension(PlannedSet set, Tempo? tempo) => set.RepsHigh * (tempo?.SecondsPerRep ?? Tempo.SecondsWithoutTempo);

    /// <summary>Seconds of rest between the sets of a plan: as written, else the usual rest for its first set.</summary>
    public static int RestBetweenSets(Prescription plan) => plan.RestSeconds ?? UsualRest(plan.Sets()[0].RepsLow);

    /// <summary>Seconds of a whole item. The parts of a drop set follow each other without rest.</summary>
    public static int Duration(Prescription plan)
    {
        var sets = plan.Sets();
        var setTotal = sets.Count(s => s.Part == 1);
        return sets.Sum(s => UnderTension(s, plan.Tempo)) + RestBetweenSets(plan) * (setTotal - 1) + SetUpSeconds * setTotal + ChangeSeconds;
    }
}
