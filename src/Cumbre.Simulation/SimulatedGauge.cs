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

    /// <summary>Box and Muller 1958.</summary>
    private static double Normal(Random random) =>
        Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
}
