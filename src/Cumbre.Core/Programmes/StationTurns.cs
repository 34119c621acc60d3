namespace Cumbre.Core.Programmes;

/// <summary>Whether somebody may go at a station that is shared.</summary>
public enum Turn
{
    /// <summary>Rested, and a place is free.</summary>
    Go,

    /// <summary>Rested, or soon, but others go first.</summary>
    After,

    /// <summary>Resting, and a place will be free.</summary>
    Rest,
}

/// <summary>Somebody at a station.</summary>
/// <param name="Session">Whose session.</param>
/// <param name="Station">Where.</param>
/// <param name="ReadyAt">When their rest is over.</param>
public sealed record AtStation(Guid Session, string Station, DateTimeOffset ReadyAt);

/// <summary>Whose turn it is.</summary>
/// <param name="Session">Whose session.</param>
/// <param name="Turn">Whether they may go.</param>
/// <param name="After">Who goes right before them at a full station; null: nobody has to.</param>
public sealed record StationTurn(Guid Session, Turn Turn, Guid? After);

/// <summary>
/// Several share one bar in turn by their rest: who has been ready longest goes first (common practice, no source).
/// </summary>
public static class StationTurns
{
    /// <param name="all">Those who train now.</param>
    /// <param name="places">How many can train at a station at once; one that is not named has one place.</param>
    /// <param name="now">Now.</param>
    public static IReadOnlyList<StationTurn> Of(
        IReadOnlyList<AtStation> all,
        IReadOnlyDictionary<string, int> places,
        DateTimeOffset now
    )
    {
        var turns = new Dictionary<Guid, StationTurn>();
        foreach (var station in all.GroupBy(a => a.Station))
        {
            var free = Math.Max(1, places.GetValueOrDefault(station.Key, 1));
            var queue = station.OrderBy(a => a.ReadyAt).ThenBy(a => a.Session).ToArray();
            var ready = queue.Count(a => a.ReadyAt <= now);
            for (var i = 0; i < queue.Length; i++)
            {
                // While all places are taken, whoever comes next goes after the one who has the place before them.
                var waits = i >= free && ready >= free;
                var turn =
                    waits ? Turn.After
                    : queue[i].ReadyAt <= now ? Turn.Go
                    : Turn.Rest;
                turns[queue[i].Session] = new(queue[i].Session, turn, waits ? queue[i - free].Session : null);
            }
        }

        return [.. all.Select(a => turns[a.Session])];
    }
}
