namespace Cumbre.Core.Prescriptions;

/// <summary>The dose of a hold from the best clean one. The figures are this project's choice.</summary>
public static class HoldDose
{
    /// <summary>The working share of the best hold, in percent.</summary>
    public const decimal PercentLow = 50,
        PercentUsual = 60,
        PercentHigh = 70;

    /// <summary>
    /// A working hold is at least this long; with a best under it the easier step is trained, or this one with help.
    /// </summary>
    public const int SecondsMinimum = 3;

    /// <summary>Seconds of one straight-arm exercise in a session.</summary>
    public const int TotalLow = 30,
        TotalHigh = 60;

    /// <summary>The same where the best is under this many seconds: half of it.</summary>
    public const int ShortBest = 10,
        ShortTotalLow = 15;

    /// <summary>Sets.</summary>
    public const int SetsLow = 3,
        SetsHigh = 8;

    /// <summary>Seconds at a share of the best, at least 3.</summary>
    public static int SecondsAt(decimal best, decimal percent) =>
        Math.Max(SecondsMinimum, (int)Math.Floor(best * percent / 100));

    /// <summary>
    /// The usual dose: 60 % of the best, in the fewest sets that make 30 s in all (15 s where the best is under 10 s),
    /// between 3 and 8.
    /// Null: the best is under 3 s.
    /// </summary>
    public static HoldSets? For(decimal best)
    {
        if (best < SecondsMinimum)
            return null;
        var seconds = SecondsAt(best, PercentUsual);
        var total = best < ShortBest ? ShortTotalLow : TotalLow;
        return new HoldSets(Math.Clamp((total + seconds - 1) / seconds, SetsLow, SetsHigh), seconds);
    }
}
