namespace Cumbre.Core.Traces;

/// <summary>A pull or a push against a force gauge.</summary>
/// <param name="Noise">Standard deviation of the gauge before the pull, N.</param>
/// <param name="Peak">N above the rest before the pull.</param>
/// <param name="Held">Mean of the best second, N.</param>
/// <param name="Steadiness">How much the force wavers in that second: its standard deviation without the gauge's own
/// noise, as a share of the mean.</param>
/// <param name="Rate">Steepest rise over a tenth of a second, N/s.</param>
/// <param name="Early">0.2 s after the pull began, N; null: it ended before.</param>
public sealed record ForceTrace(double Noise, double Peak, double Held, double Steadiness, double Rate, double? Early)
{
    public const double ForceMinimum = -500,
        ForceMaximum = 5000;

    /// <summary>Seconds before the pull in which nobody may touch the gauge.</summary>
    public const double RestSeconds = 0.5;

    private const double HeldSeconds = 1,
        EarlySeconds = 0.2,
        HalfWindow = 0.05,
        OnsetSpreads = 5,
        OnsetShare = 0.05;

    /// <summary>Null: nobody pulled, or not for a second, or not after half a second of rest.</summary>
    public static ForceTrace? Of(Trace trace)
    {
        var samples = trace.Samples;
        var begin = samples[0].Seconds;
        var rest = samples.TakeWhile(s => s.Seconds - begin <= RestSeconds).Select(s => s.Value).ToArray();
        if (rest.Length < 3)
            return null;
        var zero = rest.Average();
        var noise = Spread(rest, zero);
        var peak = samples.Max(s => s.Value) - zero;
        var threshold = Math.Max(OnsetSpreads * noise, OnsetShare * peak);
        var onset = samples.ToList().FindIndex(s => s.Value - zero > threshold);
        if (onset < rest.Length || BestSecond(samples, onset) is not { } best)
            return null;
        var spread = Spread(best, best.Average());
        var held = best.Average() - zero;
        if (held <= 0)
            return null;
        var started = samples[onset].Seconds;
        var early = samples.FirstOrDefault(s => s.Seconds >= started + EarlySeconds);
        return new(
            noise,
            peak,
            held,
            Math.Sqrt(Math.Max(0, spread * spread - noise * noise)) / held,
            trace.Smoothed(HalfWindow).Skip(onset).Max(m => m.Slope),
            early.Seconds > 0 ? early.Value - zero : null
        );
    }

    private static double[]? BestSecond(IReadOnlyList<Sample> samples, int onset)
    {
        double[]? best = null;
        var (first, sum, most) = (onset, 0.0, double.NegativeInfinity);
        for (var last = onset; last < samples.Count; last++)
        {
            sum += samples[last].Value;
            while (samples[last].Seconds - samples[first].Seconds > HeldSeconds)
                sum -= samples[first++].Value;
            var count = last - first + 1;
            var isFull = first > onset || samples[last].Seconds - samples[onset].Seconds >= HeldSeconds * 0.99;
            if (!isFull || sum / count <= most)
                continue;
            most = sum / count;
            best = [.. Enumerable.Range(first, count).Select(i => samples[i].Value)];
        }

        return best;
    }

    private static double Spread(double[] values, double mean) =>
        Math.Sqrt(values.Sum(v => (v - mean) * (v - mean)) / Math.Max(1, values.Length - 1));
}

/// <summary>Two sides beside each other.</summary>
/// <param name="Gap">(strong - weak) / strong of the held force, 0 to 1.</param>
/// <param name="RightIsStronger">Which is which.</param>
/// <param name="IsSure">The gap is more than the gauge's noise and the wavering of both pulls explain (two standard
/// errors).</param>
public sealed record ForceGap(double Gap, bool RightIsStronger, bool IsSure)
{
    /// <param name="left">N.</param>
    /// <param name="right">N.</param>
    public static ForceGap Of(ForceTrace left, ForceTrace right)
    {
        var (strong, weak) = right.Held >= left.Held ? (right, left) : (left, right);
        double Error(ForceTrace f) => Math.Sqrt(Math.Pow(f.Noise, 2) + Math.Pow(f.Steadiness * f.Held, 2));
        var doubt = 2 * Math.Sqrt(Math.Pow(Error(left), 2) + Math.Pow(Error(right), 2));
        return new((strong.Held - weak.Held) / strong.Held, right.Held >= left.Held, strong.Held - weak.Held > doubt);
    }
}
