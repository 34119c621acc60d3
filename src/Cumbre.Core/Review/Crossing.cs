namespace Cumbre.Core.Review;

/// <summary>
/// When a rising line through points reaches a value. The interval carries what is not known of the slope (Sen's) and
/// what is not known of the level in the middle of the points (by signed ranks); the two are joined as half-widths of
/// independent estimates are (Zou and Donner 2008, from memory). A slope's interval alone, from the last point on,
/// would hold far too seldom, as the last point scatters like every other.
/// </summary>
/// <param name="Trend">The slope.</param>
/// <param name="Level">In the middle of the points.</param>
/// <param name="Middle">The mean of the points' x.</param>
/// <param name="From">The earliest x; minus infinity: it may have been reached long ago.</param>
/// <param name="To">The latest x; infinity: it is not reached within <see cref="Far"/>.</param>
public sealed record Crossing(TheilSen Trend, SignedRank Level, double Middle, double From, double To)
{
    /// <summary>So far from the middle of the points is looked, in the unit of x.</summary>
    public const double Far = 500;

    private const int Halvings = 60;

    /// <param name="points">Each x at most once.</param>
    /// <param name="value">Which is reached.</param>
    /// <param name="confidence">Of the interval, for instance 0.8.</param>
    /// <returns>Null with fewer than four points, or where the line may not rise.</returns>
    public static Crossing? Of(IReadOnlyList<(double X, double Y)> points, double value, double confidence)
    {
        if (TheilSen.Through(points, confidence) is not { Low: > 0 } trend)
            return null;
        var middle = points.Average(p => p.X);
        var level = SignedRank.Of([.. points.Select(p => p.Y - trend.Slope * (p.X - middle))], confidence);
        var line = new Crossing(trend, level, middle, 0, 0);
        return line with
        {
            From = middle + First(x => line.Upper(x) >= value),
            To = middle + First(x => line.Lower(x) >= value),
        };
    }

    /// <summary>Upper end of the line so far from the middle; it rises everywhere.</summary>
    public double Upper(double x) =>
        Level.Middle
        + Trend.Slope * x
        + Joined(Level.High - Level.Middle, x * (x >= 0 ? Trend.High - Trend.Slope : Trend.Slope - Trend.Low));

    /// <summary>Lower end of the line so far from the middle; it rises everywhere.</summary>
    public double Lower(double x) =>
        Level.Middle
        + Trend.Slope * x
        - Joined(Level.Middle - Level.Low, x * (x >= 0 ? Trend.Slope - Trend.Low : Trend.High - Trend.Slope));

    private static double Joined(double one, double other) => Math.Sqrt(one * one + other * other);

    private static double First(Func<double, bool> reached)
    {
        if (reached(-Far))
            return double.NegativeInfinity;
        if (!reached(Far))
            return double.PositiveInfinity;
        var (before, at) = (-Far, Far);
        for (var i = 0; i < Halvings; i++)
        {
            var half = (before + at) / 2;
            if (reached(half))
                at = half;
            else
                before = half;
        }

        return at;
    }
}
