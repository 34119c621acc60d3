namespace Cumbre.Core.Levers;

/// <summary>
/// What a demand is worth when the line is only known as well as the eye sees it: a hold counts until the line breaks by
/// about 10 degrees, so hips and knees are good to half of that (this project's choice).
/// </summary>
public static class PostureDoubt
{
    /// <summary>Degrees of hips and knees on either side.</summary>
    public const double Degrees = 5;

    private static readonly double[] Sides = [-Degrees, 0, Degrees];

    /// <summary>Changes of hip and knee, in degrees, that the eye may miss.</summary>
    public static IEnumerable<(double Hip, double Knee)> Missed =>
        Sides.SelectMany(hip => Sides.Select(knee => (hip, knee)));

    /// <summary>The least and the most that a line may cost.</summary>
    /// <param name="demands">The same demand by each table of segments.</param>
    /// <param name="posture">The line.</param>
    public static (double Low, double High) Of(IReadOnlyList<Func<Posture, double>> demands, Posture posture)
    {
        var all = Missed
            .SelectMany(m => demands.Select(demand => demand(new(Moved(posture.One, m), Moved(posture.Other, m)))))
            .ToArray();
        return (all.Min(), all.Max());
    }

    private static LegPose Moved(LegPose leg, (double Hip, double Knee) by) =>
        leg with
        {
            Hip = leg.Hip + by.Hip,
            Knee = Math.Max(0, leg.Knee + by.Knee),
        };
}
