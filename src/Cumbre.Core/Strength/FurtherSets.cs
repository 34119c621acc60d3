namespace Cumbre.Core.Strength;

/// <summary>
/// What is left for the next set of a movement. Each hard set takes a tenth of it at two minutes of rest, more with
/// less rest and less with more, between a twentieth and a fifth (this project's choice).
/// </summary>
public static class FurtherSets
{
    /// <summary>The rest in seconds at which a set takes a tenth.</summary>
    public const int UsualRest = 120;

    private const decimal LossAtUsualRest = 0.10m,
        LeastLoss = 0.05m,
        MostLoss = 0.20m;

    /// <summary>The share, 0.05 to 0.20, that a hard set takes of what was there before it.</summary>
    /// <param name="rest">Between the sets, in seconds, 1 or more.</param>
    public static decimal Loss(int rest) =>
        Math.Clamp(LossAtUsualRest * UsualRest / Math.Max(1, rest), LeastLoss, MostLoss);

    /// <summary>What a fresh set would have been, of which each of several was done: 19, 19, 19 s at 1:30 are 25 s.</summary>
    /// <param name="amounts">Reps or seconds of each set, in order; at least one.</param>
    /// <param name="rest">Between the sets, in seconds, 1 or more.</param>
    public static decimal Fresh(IReadOnlyList<int> amounts, int rest)
    {
        var (fresh, left) = (0m, 1m);
        foreach (var amount in amounts)
        {
            fresh = Math.Max(fresh, amount / left);
            left *= 1 - Loss(rest);
        }

        return Math.Round(fresh, 2);
    }

    /// <summary>
    /// Does one set of so many repetitions carry several of fewer? The last of them, at two minutes of rest, must still
    /// be there: 13 carry 3 x 10, 12 do not.
    /// </summary>
    public static bool Carry(int best, int sets, int reps)
    {
        decimal left = best;
        for (var set = 1; set < sets; set++)
            left *= 1 - Loss(UsualRest);
        return left >= reps;
    }
}
