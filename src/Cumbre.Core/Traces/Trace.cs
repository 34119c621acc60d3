using Cumbre.Core.Measures;

namespace Cumbre.Core.Traces;

/// <summary>A quantity over time, as a device wrote it down.</summary>
/// <param name="Seconds">Growing.</param>
/// <param name="Value">Metres of a height, newtons of a force.</param>
public readonly record struct Sample(double Seconds, double Value);

/// <summary>
/// Samples of one quantity, with the slope at each by a quadratic through its neighbours (Savitzky and Golay 1964, from
/// memory; here by least squares, so that the samples need not be evenly spaced).
/// </summary>
public sealed class Trace
{
    public const int SamplesMinimum = 20,
        SamplesMaximum = 60_000;

    private const double SecondsMaximum = 600;

    private readonly Sample[] samples;

    /// <exception cref="RuleViolationException">Too few or too many samples, a time that does not grow, or a value out
    /// of its range.</exception>
    public Trace(IReadOnlyList<Sample> samples, double least, double most)
    {
        Guard.InRange("samples", samples.Count, SamplesMinimum, SamplesMaximum);
        for (var i = 0; i < samples.Count; i++)
        {
            var (seconds, value) = samples[i];
            var from = i == 0 ? double.NegativeInfinity : samples[i - 1].Seconds;
            if (!(seconds > from && seconds - samples[0].Seconds <= SecondsMaximum))
                throw Refused("seconds", seconds, i, 0, SecondsMaximum);
            if (!(value >= least && value <= most))
                throw Refused("value", value, i, least, most);
        }

        this.samples = [.. samples];
    }

    public IReadOnlyList<Sample> Samples => samples;

    public double Duration => samples[^1].Seconds - samples[0].Seconds;

    /// <summary>Value, slope a second and curve a second squared at each sample, by a quadratic over a window.</summary>
    /// <param name="halfWindow">Seconds on either side of the sample.</param>
    public IReadOnlyList<(double Value, double Slope, double Curve)> Smoothed(double halfWindow)
    {
        var smoothed = new (double, double, double)[samples.Length];
        var (first, last) = (0, 0);
        for (var i = 0; i < samples.Length; i++)
        {
            var middle = samples[i].Seconds;
            while (samples[first].Seconds < middle - halfWindow)
                first++;
            while (last + 1 < samples.Length && samples[last + 1].Seconds <= middle + halfWindow)
                last++;
            smoothed[i] = Quadratic(
                Math.Min(first, Math.Max(0, i - 2)),
                Math.Max(last, Math.Min(i + 2, samples.Length - 1)),
                middle
            );
        }

        return smoothed;
    }

    private (double, double, double) Quadratic(int first, int last, double middle)
    {
        // Sums of powers of time about the middle, for the normal equations of a + b t + c t².
        double s1 = 0,
            s2 = 0,
            s3 = 0,
            s4 = 0,
            y0 = 0,
            y1 = 0,
            y2 = 0;
        var n = last - first + 1;
        for (var i = first; i <= last; i++)
        {
            var t = samples[i].Seconds - middle;
            var y = samples[i].Value;
            s1 += t;
            s2 += t * t;
            s3 += t * t * t;
            s4 += t * t * t * t;
            y0 += y;
            y1 += t * y;
            y2 += t * t * y;
        }

        var determinant = n * (s2 * s4 - s3 * s3) - s1 * (s1 * s4 - s3 * s2) + s2 * (s1 * s3 - s2 * s2);
        if (n < 3 || Math.Abs(determinant) < 1e-300)
            return (y0 / n, 0, 0);
        var a = (y0 * (s2 * s4 - s3 * s3) - s1 * (y1 * s4 - s3 * y2) + s2 * (y1 * s3 - s2 * y2)) / determinant;
        var b = (n * (y1 * s4 - s3 * y2) - y0 * (s1 * s4 - s3 * s2) + s2 * (s1 * y2 - y1 * s2)) / determinant;
        var c = (n * (s2 * y2 - y1 * s3) - s1 * (s1 * y2 - y1 * s2) + y0 * (s1 * s3 - s2 * s2)) / determinant;
        return (a, b, 2 * c);
    }

    private static RuleViolationException Refused(string field, double value, int at, double least, double most) =>
        new(
            Violation.OutOfRange,
            $"{field}[{at}]",
            double.IsFinite(value) ? (decimal)Math.Clamp(Math.Round(value, 6), -1e9, 1e9) : null,
            (decimal)least,
            (decimal)most
        );
}
