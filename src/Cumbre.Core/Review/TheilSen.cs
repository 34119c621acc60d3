namespace Cumbre.Core.Review;

/// <summary>The slope through points by the median of all pairs (Theil 1950, Sen 1968), with Sen's interval.</summary>
/// <param name="Slope">Median of the slopes of all pairs.</param>
/// <param name="Low">Lower end of the interval.</param>
/// <param name="High">Upper end of the interval.</param>
/// <param name="Points">How many points there are.</param>
public sealed record TheilSen(double Slope, double Low, double High, int Points)
{
    /// <summary>With fewer points no interval says anything.</summary>
    public const int FewestPoints = 4;

    /// <param name="points">Each x at most once; 4 points or more.</param>
    /// <param name="confidence">Of the interval, for instance 0.8; what the exact distribution can give at
    /// least.</param>
    /// <returns>Null with fewer than four points.</returns>
    public static TheilSen? Through(IReadOnlyList<(double X, double Y)> points, double confidence)
    {
        if (points.Count < FewestPoints)
            return null;
        var slopes = new List<double>(points.Count * (points.Count - 1) / 2);
        for (var i = 0; i < points.Count; i++)
        {
            for (var j = i + 1; j < points.Count; j++)
                slopes.Add((points[j].Y - points[i].Y) / (points[j].X - points[i].X));
        }

        slopes.Sort();
        var middle = slopes.Count / 2;
        var median = slopes.Count % 2 == 1 ? slopes[middle] : (slopes[middle - 1] + slopes[middle]) / 2;
        // Sen 1968: the interval leaves (N - C) / 2 slopes out at each end; C lies two under the critical value of
        // Kendall's S, which goes in steps of two.
        var cut = Math.Max(0, (slopes.Count - Critical(points.Count, (1 - confidence) / 2) + 2) / 2 - 1);
        return new(median, slopes[cut], slopes[^(cut + 1)], points.Count);
    }

    /// <summary>The least S with P(S at or over it) no more than <paramref name="tail"/>, were there no trend.</summary>
    public static int Critical(int count, double tail)
    {
        var (pairs, ways) = (count * (count - 1) / 2, Orders(count));
        var (all, above) = (ways.Sum(), 0d);
        // With k of the pairs falling, S is the number of pairs less twice k.
        for (var falling = 0; falling <= pairs; falling++)
        {
            above += ways[falling];
            if (above / all > tail + 1e-12)
                return pairs - 2 * (falling - 1);
        }

        return -pairs;
    }

    /// <summary>In how many of the orders of so many values so many pairs fall (Kendall 1938).</summary>
    private static double[] Orders(int count)
    {
        double[] ways = [1];
        for (var n = 2; n <= count; n++)
        {
            var next = new double[ways.Length + n - 1];
            for (var i = 0; i < ways.Length; i++)
            {
                for (var k = 0; k < n; k++)
                    next[i + k] += ways[i];
            }

            // Only shares matter, and so no count grows beyond what a double holds.
            ways = [.. next.Select(w => w / n)];
        }

        return ways;
    }
}
