namespace Cumbre.Core.Programmes;

/// <summary>An effort that was done.</summary>
/// <param name="Item">Of the session, from 0.</param>
/// <param name="Effort">Of the item's efforts, from 0.</param>
/// <param name="At">When; null: nobody told.</param>
public sealed record DoneEffort(int Item, int Effort, DateTimeOffset? At);

/// <summary>How far a session is that somebody runs now.</summary>
/// <param name="Next">The step to be done, by its place on the way; null: all is done or left out.</param>
/// <param name="RestUntil">When the rest before it is over; null: there is none.</param>
/// <param name="RestSeconds">Of that rest.</param>
/// <param name="BehindSeconds">Behind the time model since the first set, up to now; negative: ahead. Null: nobody told
/// when the first was done.</param>
public sealed record RunState(int? Next, DateTimeOffset? RestUntil, int RestSeconds, int? BehindSeconds)
{
    /// <param name="walk">The way.</param>
    /// <param name="done">Efforts that were done.</param>
    /// <param name="left">Items that are left out from here on.</param>
    /// <param name="now">Now.</param>
    public static RunState Of(
        IReadOnlyList<WalkStep> walk,
        IReadOnlyList<DoneEffort> done,
        IReadOnlySet<int> left,
        DateTimeOffset now
    )
    {
        var at = done.GroupBy(d => (d.Item, d.Effort)).ToDictionary(g => g.Key, g => g.Last().At);
        var last = Enumerable
            .Range(0, walk.Count)
            .Where(i => at.GetValueOrDefault((walk[i].Item, walk[i].Effort)) is not null)
            .OrderByDescending(i => at[(walk[i].Item, walk[i].Effort)])
            .Select(i => (int?)i)
            .FirstOrDefault();
        var open = Enumerable
            .Range(0, walk.Count)
            .Where(i => !at.ContainsKey((walk[i].Item, walk[i].Effort)) && !left.Contains(walk[i].Item))
            .ToArray();
        int? next =
            open.Length == 0 ? null
            : open.FirstOrDefault(i => i > last, -1) is var after and >= 0 ? after
            : open[0];
        if (last is not { } from || next is not { } to)
            return new(next, null, 0, null);
        var lastAt = at[(walk[from].Item, walk[from].Effort)]!.Value;
        var rest = walk[from].RestSeconds;
        var first = at.Values.Min()!.Value;
        // The clock of the session starts when its first effort is done.
        var planned = walk.Take(to).Sum(s => s.Seconds) - walk[0].PrepareSeconds - walk[0].WorkSeconds;
        var since = (int)(now - first).TotalSeconds;
        return new(next, rest == 0 ? null : lastAt.AddSeconds(rest), rest, since - planned);
    }
}
