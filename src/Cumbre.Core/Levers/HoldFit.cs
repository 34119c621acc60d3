namespace Cumbre.Core.Levers;

/// <summary>
/// The maximal moment that an athlete's holds speak for, each by the curve of hold time. A hold that was not to the end
/// speaks for too little and never for too much, so with several the highest counts: what was held stays possible. An
/// estimate to plan with: it never opens or closes a gate.
/// </summary>
/// <param name="Maximum">N m.</param>
/// <param name="Misfit">How far the lowest lies below it, as a share: 0.1 is 10 %.</param>
/// <param name="Holds">How many were used; those under 6 s, where the curve has no solution, are not.</param>
public sealed record HoldFit(double Maximum, double Misfit, int Holds)
{
    /// <param name="holds">N m that was held, and for how many seconds.</param>
    /// <returns>Null where no hold is long enough for the curve.</returns>
    public static HoldFit? Of(IEnumerable<(double Moment, double Seconds)> holds)
    {
        var maxima = holds
            .Select(h => HoldCurve.Share(h.Seconds) is { } share ? h.Moment / share : (double?)null)
            .OfType<double>()
            .ToArray();
        if (maxima.Length == 0)
            return null;
        return new(maxima.Max(), 1 - maxima.Min() / maxima.Max(), maxima.Length);
    }

    /// <summary>How long a moment can be held.</summary>
    /// <param name="moment">N m, above 0.</param>
    /// <returns>Seconds; null above the maximum; the longest time of the curve where it ends.</returns>
    public double? Seconds(double moment)
    {
        var share = moment / Maximum;
        return share > HoldCurve.ShareMaximum ? null : HoldCurve.Seconds(Math.Max(share, HoldCurve.ShareMinimum));
    }

    /// <summary>The moment that can be held for so long, in N m; null under 6 s and over the curve's longest
    /// time.</summary>
    public double? MomentFor(double seconds) => HoldCurve.Share(seconds) * Maximum;
}
