using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Programmes;

/// <summary>Items that are done in turn: one alone, a pair, or a circuit.</summary>
/// <param name="Items">In order.</param>
/// <param name="Seconds">Of all of them together.</param>
/// <param name="SavedSeconds">What joining them saves over doing one after the other.</param>
/// <param name="RoundSeconds">Of one round, without the rest after it; null: it is one item alone.</param>
public sealed record ItemGroup(IReadOnlyList<ItemReading> Items, int Seconds, int SavedSeconds, int? RoundSeconds);

/// <summary>How long a session takes: warm-up, items, cool-down. Joined items share their rest.</summary>
public static class SessionTime
{
    /// <summary>The items of a session in their groups.</summary>
    public static IReadOnlyList<ItemGroup> Groups(IReadOnlyList<ItemReading> items)
    {
        var groups = new List<List<ItemReading>>();
        foreach (var item in items)
        {
            if (item.Item.Joined && groups.Count > 0)
                groups[^1].Add(item);
            else
                groups.Add([item]);
        }

        return [.. groups.Select(Group)];
    }

    public static int Of(BlockSession session, IReadOnlyList<ItemGroup> groups) =>
        session.WarmUp.Seconds + groups.Sum(g => g.Seconds) + session.CoolDown.Seconds;

    /// <summary>
    /// In a group the work, the set-ups and the changes of all its items add up, and the longest rest is taken once a
    /// round; after a loaded stretch one rests before the next exercise too (common practice, no source). Items on the
    /// clock keep their strokes: two in turn take the sum of both clocks.
    /// </summary>
    private static ItemGroup Group(IReadOnlyList<ItemReading> items)
    {
        var apart = items.Sum(i => i.Seconds);
        if (items.Count == 1)
            return new(items, apart, 0, null);
        var clocks = items.Where(i => i.Plan?.ClockSeconds is not null).Sum(i => i.Seconds);
        var free = items.Where(i => i.Plan is { ClockSeconds: null }).Select(Part).ToArray();
        var seconds = clocks;
        if (free.Length > 0)
            seconds +=
                free.Sum(p => p.Work)
                + (
                    items.Any(i => i.Plan is RepsWithStretch)
                        ? free.Sum(p => p.Pause * p.Rounds) - free[^1].Pause
                        : free.Max(p => p.Pause * (p.Rounds - 1))
                )
                + free.Sum(p => p.Rounds) * Timing.SetUpSeconds
                + free.Length * Timing.ChangeSeconds;
        var rounds = free.Length > 0 ? free.Max(p => p.Rounds) : 1;
        return new(
            items,
            seconds,
            apart - seconds,
            free.Length == 0 ? clocks : free.Sum(p => p.Work / p.Rounds + Timing.SetUpSeconds) + clocks / rounds
        );
    }

    private static (int Work, int Pause, int Rounds) Part(ItemReading item)
    {
        var sets = item.Resolved?.Efforts.Select(e => e.Plan).ToArray() ?? [.. item.Plan!.Sets()];
        return (Timing.Work(sets), Timing.RestBetweenSets(item.Plan!), Math.Max(1, sets.Count(s => s.Part == 1)));
    }
}
