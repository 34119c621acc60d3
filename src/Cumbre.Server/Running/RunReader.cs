using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes;
using Cumbre.Storage.Sessions;

namespace Cumbre.Server.Running;

/// <summary>Holds what was logged against the way through a session.</summary>
internal static class RunReader
{
    public static RunState StateOf(
        StoredSession session,
        IReadOnlyList<WalkStep> walk,
        ILookup<Guid, StoredSet> sets,
        DateTimeOffset now
    )
    {
        var efforts = session.Items.Select(i => i.Plan?.Sets() ?? []).ToArray();
        var done = session
            .Items.SelectMany(
                (item, i) =>
                    sets[item.Id]
                        .Select(s => (Set: s, At: IndexOf(efforts[i], s.Set.Set, s.Set.Part)))
                        .Where(s => s.At >= 0)
                        .Select(s => new DoneEffort(i, s.At, s.Set.DoneAt))
            )
            .ToList();
        // What another item did before it was taken over is done.
        for (var i = 0; i < session.Items.Count; i++)
        {
            if (session.Items[i].InsteadOf is { } before)
                done.AddRange(
                    sets[before]
                        .Select(s => IndexOf(efforts[i], s.Set.Set, s.Set.Part))
                        .Where(at => at >= 0)
                        .Select(at => new DoneEffort(i, at, null))
                );
        }

        HashSet<int> left =
        [
            .. Enumerable
                .Range(0, session.Items.Count)
                .Where(i => session.Items[i].Skipped is not null || session.Items[i].Ended is not null),
        ];
        return RunState.Of(walk, done, left, now);
    }

    private static int IndexOf(IReadOnlyList<PlannedSet> efforts, int set, int part)
    {
        for (var i = 0; i < efforts.Count; i++)
        {
            if ((efforts[i].Set, efforts[i].Part) == (set, part))
                return i;
        }

        return -1;
    }
}
