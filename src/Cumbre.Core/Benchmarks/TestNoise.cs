using Cumbre.Core.Measures;

namespace Cumbre.Core.Benchmarks;

/// <summary>A result against the one before it, in the test's own unit.</summary>
/// <param name="Before">The result before.</param>
/// <param name="Now">The new one.</param>
/// <param name="Difference">Reps, seconds, degrees, or percent of the system mass; null where they cannot be
/// compared.</param>
/// <param name="IsNoise">No more than the same test gives from one day to the next.</param>
public sealed record ResultChange(BenchmarkResult Before, BenchmarkResult Now, decimal? Difference, bool IsNoise);

/// <summary>
/// What the same athlete's same test gives from one day to the next: 1 rep, 1 s, 2.5 % of the system (this project's
/// choice).
/// </summary>
public static class TestNoise
{
    public const decimal Reps = 1,
        Seconds = 1,
        PercentOfSystem = 2.5m,
        Degrees = 3;

    /// <summary>
    /// Compares with the newest clean result before the day, of the same side and the same number of sets.
    /// </summary>
    /// <param name="now">The new result.</param>
    /// <param name="earlier">The athlete's other results of the same test.</param>
    public static ResultChange? Of(BenchmarkResult now, IEnumerable<BenchmarkResult> earlier)
    {
        var before = earlier
            .Where(r =>
                r.Benchmark == now.Benchmark
                && r.Side == now.Side
                && r.Day < now.Day
                && r.Form == FormVerdict.Clean
                && r.Score.Sets == now.Score.Sets
            )
            .MaxBy(r => r.Day);
        return before is null ? null : Between(before, now);
    }

    private static ResultChange Between(BenchmarkResult before, BenchmarkResult now)
    {
        var (a, b) = (before.Score, now.Score);
        if (a.Degrees is { } from && b.Degrees is { } to)
            return Make(to - from, Degrees);
        if (a.Seconds is { } was && b.Seconds is { } seconds)
            return Make(seconds - was, Seconds);
        if (a.Contact != b.Contact)
            return new(before, now, null, false);
        var (systemBefore, systemNow) = (
            (before.BodyMass + before.Added.Mass).Kilograms,
            (now.BodyMass + now.Added.Mass).Kilograms
        );
        if (before.Added.Mass != Mass.Zero || now.Added.Mass != Mass.Zero)
        {
            // Of equal reps the load tells; else reps and load pull different ways and are left to the coach.
            return a.Reps == b.Reps
                ? Make(Math.Round((systemNow - systemBefore) / systemBefore * 100, 1), PercentOfSystem)
                : new(before, now, null, false);
        }

        return Make(b.Reps - a.Reps, Reps);

        ResultChange Make(decimal difference, decimal noise) =>
            new(before, now, difference, Math.Abs(difference) <= noise);
    }
}

/// <summary>What a gap between the sides asks for.</summary>
public enum SideGapAdvice
{
    /// <summary>Within what is usual.</summary>
    None,

    /// <summary>Over 10 %: keep an eye on it.</summary>
    Note,

    /// <summary>
    /// Over 15 % and at least 2 s or 2 reps: the weaker side first, both do its number, one set more for it.
    /// </summary>
    WeakerFirst,
}

/// <summary>Two sides of one test.</summary>
/// <param name="Left">Reps or seconds.</param>
/// <param name="Right">Reps or seconds.</param>
public sealed record SideGap(decimal Left, decimal Right)
{
    private const decimal NoteFrom = 0.10m,
        ActFrom = 0.15m,
        AtLeast = 2;

    public Side? Weaker =>
        Left == Right ? null
        : Left < Right ? Side.Left
        : Side.Right;

    /// <summary>(strong - weak) / strong, as a fraction. Common practice, no source.</summary>
    public decimal Fraction =>
        Math.Max(Left, Right) is var strong and > 0 ? (strong - Math.Min(Left, Right)) / strong : 0;

    public SideGapAdvice Advice =>
        Fraction > ActFrom && Math.Abs(Left - Right) >= AtLeast ? SideGapAdvice.WeakerFirst
        : Fraction > NoteFrom ? SideGapAdvice.Note
        : SideGapAdvice.None;

    /// <summary>
    /// The two sides of a test on one day; null without both, or where sides are not counted in reps or seconds.
    /// </summary>
    public static SideGap? Of(BenchmarkResult left, BenchmarkResult right) =>
        left.Score.Sets == right.Score.Sets && (left.Score.Seconds is null) == (right.Score.Seconds is null)
            ? new(left.Score.Seconds ?? left.Score.Reps, right.Score.Seconds ?? right.Score.Reps)
            : null;
}
