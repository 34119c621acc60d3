using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Programmes;

/// <summary>What the rest after an effort is.</summary>
public enum WalkRest
{
    /// <summary>The next effort follows at once.</summary>
    None,

    /// <summary>Inside a set: between bursts, pieces or rungs.</summary>
    Gap,

    /// <summary>After a set, or after a round of exercises in turn.</summary>
    Set,

    /// <summary>What the clock leaves of the slot.</summary>
    Slot,
}

/// <summary>One effort of a session in the order in which it is done, with its time.</summary>
/// <param name="Item">Of the session, from 0.</param>
/// <param name="Effort">Of the item's efforts, from 0.</param>
/// <param name="Round">Of the items that are done in turn, from 1; of one alone its set.</param>
/// <param name="PrepareSeconds">To set it up, and before the first effort of an item to change to it.</param>
/// <param name="WorkSeconds">Estimated.</param>
/// <param name="RestSeconds">After it.</param>
/// <param name="Rest">What that rest is.</param>
/// <param name="SlotSeconds">On the clock: from the start of this effort's set to the next stroke; else null.</param>
public sealed record WalkStep(
    int Item,
    int Effort,
    int Round,
    int PrepareSeconds,
    int WorkSeconds,
    int RestSeconds,
    WalkRest Rest,
    int? SlotSeconds
)
{
    public int Seconds => PrepareSeconds + WorkSeconds + RestSeconds;
}

/// <summary>
/// The way through a session, effort by effort: what the time of a session is added up from, and what an athlete is led
/// through.
/// </summary>
public static class Walk
{
    /// <summary>The way through some items that are done in turn, or through one.</summary>
    /// <param name="items">In order; one without a plan has no efforts.</param>
    /// <param name="first">The number of the first in its session.</param>
    public static IReadOnlyList<WalkStep> Of(IReadOnlyList<ItemReading> items, int first = 0)
    {
        Part[] parts =
        [
            .. items
                .Select((item, i) => (item, i))
                .Where(x => x.item.Plan is not null)
                .Select(x => Part.Of(x.item, first + x.i)),
        ];
        if (parts.Length == 0)
            return [];
        // After a loaded stretch one rests before the next exercise too (common practice, no source).
        var restsApart = items.Any(i => i.Plan is RepsWithStretch);
        var rounds = parts.Max(p => p.Sets.Count);
        var steps = new List<WalkStep>();
        for (var round = 1; round <= rounds; round++)
        {
            Part[] turn = [.. parts.Where(p => round <= p.Sets.Count)];
            foreach (var part in turn)
            {
                var last = part == turn[^1];
                var rest =
                    restsApart && !(last && round == rounds) ? part.Pause
                    : last
                        ? parts
                            .Where(p => round < p.Sets.Count && !p.OnClock)
                            .Select(p => p.Pause)
                            .DefaultIfEmpty(0)
                            .Max()
                    : 0;
                steps.AddRange(part.Set(round, rest));
            }
        }

        return steps;
    }

    /// <summary>The way through a whole session.</summary>
    public static IReadOnlyList<WalkStep> Of(IReadOnlyList<ItemGroup> groups)
    {
        var first = 0;
        var steps = new List<WalkStep>();
        foreach (var group in groups)
        {
            steps.AddRange(Of(group.Items, first));
            first += group.Items.Count;
        }

        return steps;
    }

    /// <param name="Item">Of the session.</param>
    /// <param name="Sets">The efforts of each set, by their place among the item's efforts.</param>
    /// <param name="Pause">Between sets.</param>
    /// <param name="Slot">Seconds of a slot; null: no clock.</param>
    private sealed record Part(int Item, IReadOnlyList<(PlannedSet Plan, int At)[]> Sets, int Pause, int? Slot)
    {
        public bool OnClock => Slot is not null;

        public static Part Of(ItemReading item, int number)
        {
            var efforts = item.Resolved?.Efforts.Select(e => e.Plan).ToArray() ?? [.. item.Plan!.Sets()];
            (PlannedSet, int)[][] sets =
            [
                .. efforts.Select((plan, at) => (Plan: plan, At: at)).GroupBy(e => e.Plan.Set).Select(g => g.ToArray()),
            ];
            return new(
                number,
                sets,
                Timing.RestBetweenSets(item.Plan!),
                item.Plan!.ClockSeconds is { } clock ? clock / sets.Length : null
            );
        }

        /// <summary>The efforts of one set; the rest follows the last of them, or what the clock leaves.</summary>
        public IEnumerable<WalkStep> Set(int round, int rest)
        {
            var set = Sets[round - 1];
            var work = set.Sum(e => e.Plan.TensionSeconds + e.Plan.GapAfterSeconds);
            for (var i = 0; i < set.Length; i++)
            {
                var (plan, at) = set[i];
                var last = i == set.Length - 1;
                var prepare = OnClock || i > 0 ? 0 : Timing.SetUpSeconds + (round == 1 ? Timing.ChangeSeconds : 0);
                var after =
                    !last ? plan.GapAfterSeconds
                    : Slot is { } slot ? Math.Max(0, slot - work)
                    : rest;
                yield return new(
                    Item,
                    at,
                    round,
                    prepare,
                    plan.TensionSeconds,
                    after,
                    after == 0 ? WalkRest.None
                        : !last ? WalkRest.Gap
                        : OnClock ? WalkRest.Slot
                        : WalkRest.Set,
                    i == 0 ? Slot : null
                );
            }
        }
    }
}
