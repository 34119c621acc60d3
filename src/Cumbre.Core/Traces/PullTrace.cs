using Cumbre.Core.Levers;
using ContactAt = Cumbre.Core.Benchmarks.Contact;

namespace Cumbre.Core.Traces;

/// <summary>One explosive pull.</summary>
/// <param name="At">Seconds at which it was highest.</param>
/// <param name="Rise">From the hang to the top, metres.</param>
/// <param name="PeakSpeed">Upward, m/s.</param>
/// <param name="ReleaseSpeed">When the hands stopped pulling, m/s; null: they pulled to the top.</param>
/// <param name="RiseAfter">From there to the top, metres; null with it.</param>
/// <param name="FallSpeed">That a body needs to rise so far, sqrt(2 g h), m/s; null with it.</param>
/// <param name="Contact">What came as high as the bar; null: not the chin, or the body is unknown.</param>
/// <param name="Loss">Of speed against the fastest pull before it and itself, 0 to 1.</param>
public sealed record Pull(
    double At,
    double Rise,
    double PeakSpeed,
    double? ReleaseSpeed,
    double? RiseAfter,
    double? FallSpeed,
    ContactAt? Contact,
    double Loss
);

/// <summary>What the loss of speed asks for.</summary>
public enum PullAdvice
{
    Go,

    /// <summary>A tenth is lost: the set may end.</summary>
    MayStop,

    /// <summary>A fifth is lost: the set ends.</summary>
    Stop,
}

/// <summary>
/// A set of explosive pulls as the height of the shoulders over time, in metres above the hang. Kinematics of a point
/// mass; a set is stopped when height or speed falls by 10 to 20 % (common practice, no source).
/// </summary>
/// <param name="Pulls">In order.</param>
/// <param name="Advice">After the last.</param>
/// <param name="StopAfter">Number of the first pull, from 1, after which the set should have ended; null: none.</param>
public sealed record PullTrace(IReadOnlyList<Pull> Pulls, PullAdvice Advice, int? StopAfter)
{
    /// <summary>Metres above the hang.</summary>
    public const double HeightMinimum = -1,
        HeightMaximum = 4;

    public const double MayStopLoss = 0.1,
        StopLoss = 0.2;

    /// <summary>A rise of less is a swing, metres (this project's choice).</summary>
    public const double RiseMinimum = 0.2;

    /// <summary>Seconds on either side over which speed is worked out.</summary>
    private const double HalfWindow = 0.05;

    /// <summary>The hands pull no more when the body is braked by so much of its weight (this project's choice).</summary>
    private const double FreeShare = 0.7;

    /// <summary>A body that flies for less is not seen to, seconds.</summary>
    private const double FlightMinimum = 0.06;

    /// <param name="trace">Metres above the hang.</param>
    /// <param name="body">Tells what came to the bar; null: nothing is told.</param>
    public static PullTrace Of(Trace trace, LeverBody? body = null)
    {
        var motion = trace.Smoothed(HalfWindow);
        var pulls = new List<Pull>();
        var best = 0.0;
        foreach (var (bottom, top) in Rises(motion))
        {
            var peak = Enumerable.Range(bottom, top - bottom + 1).MaxBy(i => motion[i].Slope);
            var speed = motion[peak].Slope;
            best = Math.Max(best, speed);
            var release = ReleaseIn(trace, motion, peak, top);
            var after = release is { } at ? motion[top].Value - motion[at].Value : (double?)null;
            pulls.Add(
                new(
                    trace.Samples[top].Seconds,
                    motion[top].Value - motion[bottom].Value,
                    speed,
                    release is { } r ? motion[r].Slope : null,
                    after,
                    after is { } h ? Math.Sqrt(2 * LeverBody.Gravity * Math.Max(0, h)) : null,
                    body is null ? null : ContactOf(motion[top].Value, body),
                    1 - speed / best
                )
            );
        }

        var losses = pulls.Select(p => p.Loss).ToArray();
        var stop = Array.FindIndex(losses, l => l >= StopLoss);
        return new(
            pulls,
            losses.LastOrDefault() switch
            {
                >= StopLoss => PullAdvice.Stop,
                >= MayStopLoss => PullAdvice.MayStop,
                _ => PullAdvice.Go,
            },
            stop < 0 ? null : stop + 1
        );
    }

    /// <summary>
    /// What is level with the bar or over it when the shoulders have risen so far from a hang with straight arms. Chin 0.06
    /// of stature over the shoulders, collarbone 0.01, chest a quarter of the trunk below, belly at the navel, hip at the
    /// hip (this project's choice).
    /// </summary>
    public static ContactAt? ContactOf(double rise, LeverBody body)
    {
        var over = rise - body.ArmLength;
        return over >= body.TrunkLength ? ContactAt.Hip
            : over >= body.TrunkLength - body.WaistFromHip ? ContactAt.Belly
            : over >= body.TrunkLength / 4 ? ContactAt.Chest
            : over >= -0.01 * body.Stature ? ContactAt.Collarbone
            : over >= -0.06 * body.Stature ? ContactAt.Chin
            : null;
    }

    /// <summary>From each low point to the high one after it.</summary>
    private static IEnumerable<(int Bottom, int Top)> Rises(
        IReadOnlyList<(double Value, double Slope, double Curve)> motion
    )
    {
        var (low, high) = (0, 0);
        var rising = false;
        for (var i = 1; i < motion.Count; i++)
        {
            if (!rising)
            {
                if (motion[i].Value < motion[low].Value)
                    low = i;
                else if (motion[i].Value - motion[low].Value >= RiseMinimum)
                    (rising, high) = (true, i);
            }
            else if (motion[i].Value > motion[high].Value)
            {
                high = i;
            }
            else if (motion[high].Value - motion[i].Value >= RiseMinimum / 2)
            {
                yield return (low, high);
                (rising, low) = (false, i);
            }
        }

        if (rising)
            yield return (low, high);
    }

    /// <summary>
    /// Where the hands let the body fly: from there to the top it is braked by its weight alone. Null: they pulled to the
    /// top.
    /// </summary>
    private static int? ReleaseIn(
        Trace trace,
        IReadOnlyList<(double Value, double Slope, double Curve)> motion,
        int peak,
        int top
    )
    {
        // Near the top the window sees the way down already.
        var flown = trace.Samples[top].Seconds - HalfWindow;
        var release = top;
        while (
            release > peak
            && (trace.Samples[release].Seconds > flown || motion[release].Curve <= -FreeShare * LeverBody.Gravity)
        )
            release--;
        return release < top && trace.Samples[top].Seconds - trace.Samples[release].Seconds >= FlightMinimum
            ? release + 1
            : null;
    }
}
