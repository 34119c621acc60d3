namespace Cumbre.Simulation;

/// <summary>
/// A tracer that is not there: the height of the shoulders through a set of explosive pulls. The hands speed the body up
/// evenly, let it fly, and lower it. Pure: chance comes from a seed.
/// </summary>
public static class SimulatedTracer
{
    public const int SamplesPerSecond = 100;

    /// <summary>Over how much of the way the hands pull, metres.</summary>
    public const double PullMetres = 0.55;

    private const double Gravity = 9.80665,
        HangSeconds = 0.6,
        LoweringSeconds = 1,
        NoiseMetres = 0.001;

    /// <summary>Seconds and metres above the hang.</summary>
    /// <param name="speeds">At release, m/s, of each pull.</param>
    /// <param name="seed">Of the noise.</param>
    /// <param name="noise">Standard error of a height, metres.</param>
    public static IEnumerable<(double Seconds, double Metres)> Set(
        IReadOnlyList<double> speeds,
        int seed,
        double noise = NoiseMetres
    )
    {
        var random = new Random(seed);
        var at = 0;
        foreach (var speed in speeds)
        {
            var pulling = 2 * PullMetres / speed;
            var flying = speed / Gravity;
            var top = PullMetres + speed * speed / (2 * Gravity);
            var whole = HangSeconds + pulling + flying + LoweringSeconds;
            for (var n = 0; n < whole * SamplesPerSecond; n++, at++)
            {
                var t = (double)n / SamplesPerSecond - HangSeconds;
                var height =
                    t < 0 ? 0
                    : t < pulling ? speed * t * t / (2 * pulling)
                    : t < pulling + flying
                        ? PullMetres + speed * (t - pulling) - Gravity * (t - pulling) * (t - pulling) / 2
                    : top * (1 + Math.Cos(Math.PI * Math.Min(1, (t - pulling - flying) / LoweringSeconds))) / 2;
                yield return ((double)at / SamplesPerSecond, height + noise * Normal(random));
            }
        }
    }

    /// <summary>Box and Muller 1958.</summary>
    private static double Normal(Random random) =>
        Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
}
