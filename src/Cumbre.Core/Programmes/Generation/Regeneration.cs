namespace Cumbre.Core.Programmes.Generation;

/// <summary>What generating again did to an item.</summary>
public enum RegeneratedKind
{
    Added,
    Rewritten,
    Removed,

    /// <summary>Written by hand, so that it stays although the generator would write it otherwise now.</summary>
    KeptByHand,
}

/// <summary>An item that generating again changed, or would have changed.</summary>
/// <param name="Kind">What happened.</param>
/// <param name="Day">Of its session.</param>
/// <param name="Before">As it stood; null: added.</param>
/// <param name="After">As the generator writes it now; null: it would not stand there any more.</param>
public sealed record RegeneratedChange(RegeneratedKind Kind, DateOnly Day, BlockItem? Before, BlockItem? After);

/// <summary>A block that was generated again around what the coach fixed.</summary>
/// <param name="Block">The new state.</param>
/// <param name="Changes">In the order of the days; what is the same is not told.</param>
public sealed record Regenerated(Block Block, IReadOnlyList<RegeneratedChange> Changes);

/// <summary>
/// Generates again without losing the coach's hand: three states are held against each other item by item, by their
/// ids. What still stands
/// as it was generated follows the new block; what the coach wrote, moved, added or took out stays so, and a session
/// that has begun is not touched.
/// </summary>
public static class Regeneration
{
    /// <param name="generated">As it was generated last.</param>
    /// <param name="current">As it stands.</param>
    /// <param name="fresh">As it is generated now, from the same Monday.</param>
    public static Regenerated Merge(Block generated, Block current, Block fresh)
    {
        var (was, now, next) = (Sessions(generated), Sessions(current), Sessions(fresh));
        var placed = now
            .Values.SelectMany(s => s.Items.Select(i => (i.Id, Session: s.Id)))
            .ToDictionary(i => i.Id, i => i.Session);
        var changes = new List<RegeneratedChange>();
        var weeks = Enumerable
            .Range(0, Math.Max(current.Weeks.Count, fresh.Weeks.Count))
            .Select(w =>
            {
                var (mine, theirs) = (current.Weeks.ElementAtOrDefault(w), fresh.Weeks.ElementAtOrDefault(w));
                var kind =
                    mine is null || (theirs is not null && generated.Weeks.ElementAtOrDefault(w)?.Kind == mine.Kind)
                        ? theirs!.Kind
                        : mine.Kind;
                var ids = (mine?.Sessions ?? []).Concat(theirs?.Sessions ?? []).Select(s => s.Id).Distinct();
                var sessions = ids.Select(id =>
                        Session(
                            was.GetValueOrDefault(id),
                            now.GetValueOrDefault(id),
                            next.GetValueOrDefault(id),
                            placed,
                            changes
                        )
                    )
                    .OfType<BlockSession>();
                return new BlockWeek(kind, [.. sessions.OrderBy(s => s.Day)]);
            });
        return new(current with { Weeks = [.. weeks] }, [.. changes.OrderBy(c => c.Day)]);
    }

    private static Dictionary<Guid, BlockSession> Sessions(Block block) =>
        block.Weeks.SelectMany(w => w.Sessions).ToDictionary(s => s.Id);

    private static BlockSession? Session(
        BlockSession? was,
        BlockSession? mine,
        BlockSession? theirs,
        Dictionary<Guid, Guid> placed,
        List<RegeneratedChange> changes
    )
    {
        if (mine is null)
        {
            // A session that was generated and is gone was taken out by hand.
            if (was is not null || theirs is null)
                return null;
            var items = theirs.Items.Where(i => !placed.ContainsKey(i.Id)).ToArray();
            changes.AddRange(items.Select(i => new RegeneratedChange(RegeneratedKind.Added, theirs.Day, null, i)));
            return theirs with { Items = items };
        }

        if (mine.Fixed)
            return mine;
        var merged = Items(was, mine, theirs, placed, changes);
        // A session that the generator gives up goes, unless something in it was written by hand.
        if (theirs is null && was is not null && merged.Count == 0)
            return null;
        return mine with
        {
            Day = Mine(was?.Day, mine.Day, theirs?.Day),
            Title = Mine(was?.Title, mine.Title, theirs?.Title)!,
            WarmUp = Mine(was?.WarmUp, mine.WarmUp, theirs?.WarmUp)!,
            CoolDown = Mine(was?.CoolDown, mine.CoolDown, theirs?.CoolDown)!,
            Items = merged,
        };
    }

    /// <summary>The new value where the coach left it as it was generated; else the coach's.</summary>
    private static T Mine<T>(T? was, T mine, T? theirs) =>
        theirs is not null && EqualityComparer<T>.Default.Equals(was, mine) ? theirs : mine;

    private static DateOnly Mine(DateOnly? was, DateOnly mine, DateOnly? theirs) =>
        theirs is { } day && was == mine ? day : mine;

    private static List<BlockItem> Items(
        BlockSession? was,
        BlockSession mine,
        BlockSession? theirs,
        Dictionary<Guid, Guid> placed,
        List<RegeneratedChange> changes
    )
    {
        var before = (was?.Items ?? []).ToDictionary(i => i.Id);
        var fresh = (theirs?.Items ?? []).ToDictionary(i => i.Id);
        var merged = new List<BlockItem>();
        foreach (var item in mine.Items)
        {
            var untouched = before.GetValueOrDefault(item.Id) == item;
            if (fresh.TryGetValue(item.Id, out var next))
            {
                merged.Add(untouched ? next : item);
                if (untouched && next != item)
                    changes.Add(new(RegeneratedKind.Rewritten, mine.Day, item, next));
                else if (!untouched && next != item && next != before.GetValueOrDefault(item.Id))
                    changes.Add(new(RegeneratedKind.KeptByHand, mine.Day, item, next));
            }
            else if (untouched)
            {
                changes.Add(new(RegeneratedKind.Removed, mine.Day, item, null));
            }
            else
            {
                merged.Add(item);
                if (before.ContainsKey(item.Id))
                    changes.Add(new(RegeneratedKind.KeptByHand, mine.Day, item, null));
            }
        }

        // What is new comes in where the generator has it: after the nearest item before it that is here.
        for (var i = 0; i < (theirs?.Items.Count ?? 0); i++)
        {
            var next = theirs!.Items[i];
            if (before.ContainsKey(next.Id) || placed.ContainsKey(next.Id))
                continue;
            var after = theirs
                .Items.Take(i)
                .Reverse()
                .Select(e => merged.FindIndex(m => m.Id == e.Id))
                .FirstOrDefault(at => at >= 0, -1);
            merged.Insert(after + 1, next);
            changes.Add(new(RegeneratedKind.Added, mine.Day, null, next));
        }

        if (merged.Count > 0)
            merged[0] = merged[0] with { Joined = false };
        return merged;
    }
}
