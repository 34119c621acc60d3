using Cumbre.Core.Safety;

namespace Cumbre.Core.Review;

/// <summary>What was told before a training day, and how it went.</summary>
/// <param name="Day">The day.</param>
/// <param name="SleepHours">Null: not told.</param>
/// <param name="Soreness">0 to 10.</param>
/// <param name="Readiness">0 to 10.</param>
/// <param name="Change">Mean over the movements of the day against the three days before of each, as a share; null:
/// nothing could be compared.</param>
public sealed record ReadyDay(DateOnly Day, decimal? SleepHours, int? Soreness, int? Readiness, decimal? Change);

/// <summary>Days that had something in common.</summary>
/// <param name="From">Lower end, for instance 6 h; null: open.</param>
/// <param name="To">Upper end, not in it; null: open.</param>
/// <param name="Days">How many of them could be compared.</param>
/// <param name="Change">Mean of them as a share; null: there are fewer than <see cref="ReadinessReview.Fewest"/>.</param>
public sealed record ReadyGroup(decimal? From, decimal? To, int Days, decimal? Change);

/// <summary>Sleep and readiness against what was done: counts and means, and no claim of a cause.</summary>
/// <param name="Days">Oldest first.</param>
/// <param name="BySleep">Under six hours, six to seven, seven to nine, and more.</param>
/// <param name="ByReadiness">0 to 3, 4 to 6, 7 to 10.</param>
public sealed record ReadinessReview(
    IReadOnlyList<ReadyDay> Days,
    IReadOnlyList<ReadyGroup> BySleep,
    IReadOnlyList<ReadyGroup> ByReadiness
)
{
    /// <summary>Of fewer days a mean says nothing (this project's choice).</summary>
    public const int Fewest = 3;

    private static readonly decimal?[] SleepEnds = [null, Safety.Readiness.ShortNight, 7, 9, null];
    private static readonly decimal?[] ReadinessEnds = [null, 4, 7, null];

    /// <param name="checkIns">As they were told.</param>
    /// <param name="trends">Of what was trained.</param>
    /// <param name="from">The first day.</param>
    public static ReadinessReview Of(IEnumerable<CheckIn> checkIns, IEnumerable<MovementTrend> trends, DateOnly from)
    {
        var changes = trends.SelectMany(t => t.AgainstBefore()).ToLookup(c => c.Day, c => c.Change);
        ReadyDay[] days =
        [
            .. checkIns
                .Where(c => c.Day >= from)
                .OrderBy(c => c.Day)
                .Select(c => new ReadyDay(
                    c.Day,
                    c.SleepHours,
                    c.Soreness,
                    c.Readiness,
                    changes.Contains(c.Day) ? Math.Round(changes[c.Day].Average(), 4) : null
                )),
        ];
        return new(days, Groups(days, SleepEnds, d => d.SleepHours), Groups(days, ReadinessEnds, d => d.Readiness));
    }

    private static ReadyGroup[] Groups(ReadyDay[] days, decimal?[] ends, Func<ReadyDay, decimal?> figure) =>
        [.. ends.Zip(ends.Skip(1), (from, to) =>
            {
                decimal[] changes =
                [
                    .. days.Where(d => figure(d) is { } f && (from is null || f >= from) && (to is null || f < to))
                        .Select(d => d.Change)
                        .OfType<decimal>(),
                ];
                return new ReadyGroup(
                    from,
                    to,
                    changes.Length,
                    changes.Length < Fewest ? null : Math.Round(changes.Average(), 4)
                );
            })];
}
