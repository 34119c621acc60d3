using Cumbre.Core.Measures;

namespace Cumbre.Core.Loading;

/// <summary>What a force gauge shows over its last seconds.</summary>
/// <param name="Newtons">The newest sample.</param>
/// <param name="Mean">Of the window; null while it fills or while it is not steady.</param>
/// <param name="Spread">Standard deviation of the window in N; null while it fills.</param>
/// <param name="Steady">It may be taken.</param>
public sealed record GaugeReading(double Newtons, Mass? Mean, double? Spread, bool Steady);

/// <summary>
/// Averages a window of a force gauge and refuses an unsteady one: its samples may scatter by no more than 2 % of their
/// mean, and at least 1 N, and the
/// two halves may differ by no more than that (this project's choice). A window is two seconds at ten samples a second.
/// </summary>
public sealed class SteadyWindow
{
    /// <summary>Samples of a window.</summary>
    public const int Samples = 20;

    /// <summary>Standard gravity, m/s², exact by convention (CGPM 1901).</summary>
    public const double Gravity = 9.80665;

    private const double SpreadShare = 0.02,
        SpreadLeast = 1;

    private readonly Queue<double> samples = new(Samples);

    /// <summary>Takes the next sample in newtons and tells how the window stands.</summary>
    /// <exception cref="RuleViolationException">A sample outside -100 to 5,000 N: the gauge is broken or not
    /// zeroed.</exception>
    public GaugeReading Add(double newtons)
    {
        if (!double.IsFinite(newtons) || newtons is < -100 or > 5000)
            throw new RuleViolationException(
                Violation.OutOfRange,
                "newtons",
                double.IsFinite(newtons) ? (decimal)Math.Clamp(newtons, -1e9, 1e9) : null,
                -100,
                5000
            );
        if (samples.Count == Samples)
            samples.Dequeue();
        samples.Enqueue(newtons);
        if (samples.Count < Samples)
            return new(newtons, null, null, false);
        var mean = samples.Average();
        var spread = Math.Sqrt(samples.Sum(s => (s - mean) * (s - mean)) / (Samples - 1));
        var allowed = Math.Max(SpreadLeast, SpreadShare * Math.Abs(mean));
        var drift = Math.Abs(samples.Take(Samples / 2).Average() - samples.Skip(Samples / 2).Average());
        var steady = spread <= allowed && drift <= allowed && mean > 0;
        return new(
            newtons,
            steady ? Mass.FromKilograms(Math.Round((decimal)(mean / Gravity), 2)) : null,
            spread,
            steady
        );
    }
}
