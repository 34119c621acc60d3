namespace Cumbre.Core.Levers;

/// <summary>
/// How long a share of the maximal moment can be held (Rohmert 1960, from memory): T = -90 + 126/f - 36/f² + 6/f³
/// seconds.
/// An estimate to plan with: it never opens or closes a gate.
/// </summary>
public static class HoldCurve
{
    /// <summary>The shares for which the curve was drawn.</summary>
    public const double ShareMinimum = 0.15,
        ShareMaximum = 1;

    /// <summary>The curve gives nothing below the time at the full moment.</summary>
    public const double SecondsMinimum = 6;

    /// <param name="share">Of the maximal moment, 0.15 to 1.</param>
    /// <exception cref="ArgumentOutOfRangeException">The share is outside the curve.</exception>
    public static double Seconds(double share)
    {
        if (share is < ShareMinimum or > ShareMaximum)
            throw new ArgumentOutOfRangeException(nameof(share), share, "0.15 to 1");
        return -90 + 126 / share - 36 / (share * share) + 6 / (share * share * share);
    }

    /// <summary>
    /// The share of the maximal moment that was held for so long; null under 6 s, where the curve has no solution, and
    /// over its longest time.
    /// </summary>
    public static double? Share(double seconds)
    {
        if (seconds < SecondsMinimum - 1e-9 || seconds > Seconds(ShareMinimum))
            return null;
        // The curve falls all the way, so halving finds the one solution.
        var (low, high) = (ShareMinimum, ShareMaximum);
        for (var i = 0; i < 60; i++)
        {
            var middle = (low + high) / 2;
            if (Seconds(middle) > seconds)
                low = middle;
            else
                high = middle;
        }

        return (low + high) / 2;
    }
}
