namespace Cumbre.Simulation;

/// <summary>
/// A force gauge that is not there: ten samples a second of a band that is pulled to a length and held, with the noise
/// and the drift of a
/// cheap load cell. Pure: time comes in as a number, chance from a seed.
/// </summary>
public static class SimulatedGauge
{
    public const int SamplesPerSecond = 10;

    /// <summary>Seconds until the pull has come to its length.</summary>
    public const double PullSeconds = 1.5;

    private const double NoiseNewtons = 0.6,
        DriftNewtonsPerSecond = 0.05,
        SwingNewtons = 25;

    /// <summary>The samples of a pull, without an end.</summary>
    /// <param name="targetNewtons">What the band gives at that length.</param>
    /// <param name="seed">Of the noise.</param>
    /// <param name="swinging">Whoever holds it does not hold still.</param>
    public static IEnumerable<double> Pull(double targetNewtons, int seed, bool swinging = false)
    {
        var random = new Random(seed);
        for (var sample = 0; ; sample++)
        {
            var seconds = (double)sample / SamplesPerSecond;
            var reached = Math.Min(1, seconds / PullSeconds);
            var swing = swinging ? SwingNewtons * Math.Sin(seconds * 5) : 0;
            yield return targetNewtons * reached
                + DriftNewtonsPerSecond * seconds
                + swing
                + NoiseNewtons * Normal(random);
        }
    }

    /// <summary>
    /// A pull of somebody against a hook: a second of nothing, a rise that slows as it nears its force, three seconds of
    /// wavering, a hundred samples a second.
    /// </summary>
    /// <param name="newtons">That is held.</param>
    /// <param name="rise">Seconds in which 63 % of it is there.</param>
    /// <param name="waver">Share of the force by which it wavers, as a standard deviation.</param>
    /// <param name="seed">Of noise and wavering.</param>
    public static IEnumerable<(double Seconds, double Newtons)> Effort(
        double newtons,
        double rise,
        double waver,
        int seed
    )
    {
        var random = new Random(seed);
        // A slow and a fast wavering with random beginnings; sines of this height have the standard deviation asked.
        var (slow, fast) = (random.NextDouble() * 2 * Math.PI, random.NextDouble() * 2 * Math.PI);
        for (var n = 0; n < 5 * EffortSamplesPerSecond; n++)
        {
            var seconds = (double)n / EffortSamplesPerSecond;
            var t = seconds - 1;
            var force =
                t < 0 || t > 3.5
                    ? 0
                    : newtons
                        * (1 - Math.Exp(-t / rise))
                        * (1 + waver * (Math.Sin(2 * Math.PI * 2 * t + slow) + Math.Sin(2 * Math.PI * 5 * t + fast)));
            yield return (seconds, force + NoiseNewtons * Normal(random));
        }
    }

    private const int EffortSamplesPerSecond = 100;

    /// <summary>Box and Muller 1958.</summary>
    private static double Normal(Random random) =>
        Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
}
