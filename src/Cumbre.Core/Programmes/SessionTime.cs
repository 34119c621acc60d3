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
    /// In a group the work, the set-ups and the changes of all its items add up, and the longest rest of those that go
    /// on is taken once a round. Items on the clock keep their strokes: two in turn take the sum of both clocks.
    /// </summary>
    private static ItemGroup Group(IReadOnlyList<ItemReading> items)
    {
        var apart = items.Sum(i => i.Seconds);
        if (items.Count == 1)
            return new(items, apart, 0, null);
        var walk = Walk.Of(items);
        var seconds = walk.Sum(s => s.Seconds);
        return new(items, seconds, apart - seconds, RoundOf(walk));
    }

    /// <summary>One round as it is on the average, without the rest after it and the changes of exercise.</summary>
    private static int RoundOf(IReadOnlyList<WalkStep> walk)
    {
        var items = walk.GroupBy(s => s.Item).ToArray();
        var clocks = items.Where(i => i.First().SlotSeconds is not null).ToArray();
        var free = items.Except(clocks).ToArray();
        var clock = clocks.SelectMany(i => i).Sum(s => s.Seconds);
        if (free.Length == 0)
            return clock;
        return free.Sum(i =>
                i.Sum(s => s.WorkSeconds + (s.Rest == WalkRest.Gap ? s.RestSeconds : 0)) / i.Max(s => s.Round)
                + Timing.SetUpSeconds
            )
            + clock / free.Max(i => i.Max(s => s.Round));
    }
}
