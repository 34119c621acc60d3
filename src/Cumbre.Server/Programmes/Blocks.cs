using System.Text.Json;
using Cumbre.Core.Programmes;
using Cumbre.Storage;
using Cumbre.Storage.Programmes;
using Cumbre.Storage.Sessions;

namespace Cumbre.Server.Programmes;

/// <summary>Puts blocks together from their rows, and takes them apart again.</summary>
internal static class Blocks
{
    public static BlockSession SessionOf(StoredSession s) =>
        new(
            s.Id,
            s.Day,
            s.Title,
            s.WarmUp,
            s.CoolDown,
            [.. s.Items.Select(i => new BlockItem(i.Id, i.Movement, i.Written, i.Joined, i.Role))],
            s.Status != SessionStatus.Planned
        );

    public static Block Read(StoredBlock block, IReadOnlyList<StoredSession> sessions) =>
        new(
            block.Name,
            block.Start,
            [
                .. block.Weeks.Select(
                    (kind, i) =>
                    {
                        var monday = block.Start.AddDays(7 * i);
                        return new BlockWeek(
                            kind,
                            [.. sessions.Where(s => s.Day >= monday && s.Day < monday.AddDays(7)).Select(SessionOf)]
                        );
                    }
                ),
            ],
            block.Kept
        );

    /// <summary>
    /// Writes what differs from what is stored, in one transaction. A session that has begun must be as it is stored.
    /// </summary>
    public static Written Write(Db db, Guid athleteId, Guid blockId, Block block, long version, Stamp stamp)
    {
        var stored = version == 0 ? [] : SessionStore.OfBlock(db, blockId).ToDictionary(s => s.Id);
        var written = BlockStore.Put(
            db,
            new(
                blockId,
                athleteId,
                block.Name,
                block.Start,
                [.. block.Weeks.Select(w => w.Kind)],
                block.Kept,
                version,
                stamp.At,
                null
            ),
            stamp
        );
        if (written != Written.Done)
            return written;
        var wanted = block
            .Weeks.SelectMany((w, i) => w.Sessions.Select(s => (Session: s, Easy: w.Kind != WeekKind.Loading)))
            .ToDictionary(s => s.Session.Id);
        foreach (var gone in stored.Values.Where(s => !wanted.ContainsKey(s.Id)))
        {
            if (SessionStore.Remove(db, gone.Id, gone.Version) != Written.Done)
                return Written.Stale;
        }

        foreach (var (id, (session, easy)) in wanted)
        {
            var before = stored.GetValueOrDefault(id);
            if (before is not null && Same(before, session, easy))
                continue;
            if (before is { Status: not SessionStatus.Planned })
                return Written.Stale;
            if (before is null && SessionStore.Find(db, id) is not null)
                return Written.Missing;
        }

        // An item may move from one session to another: it goes out everywhere before it comes in anywhere.
        var changed = wanted
            .Values.Where(w =>
                stored.GetValueOrDefault(w.Session.Id) is not { } before || !Same(before, w.Session, w.Easy)
            )
            .ToArray();
        SessionStore.Empty(db, changed.Select(c => c.Session.Id));
        foreach (var (session, easy) in changed)
        {
            var before = stored.GetValueOrDefault(session.Id);
            var row = new StoredSession(
                session.Id,
                athleteId,
                session.Day,
                SessionStatus.Planned,
                easy,
                before?.OverrideReason,
                before?.Version ?? 0,
                [.. session.Items.Select(i => ItemOf(i, before))]
            )
            {
                BlockId = blockId,
                Title = session.Title,
                WarmUp = session.WarmUp,
                CoolDown = session.CoolDown,
            };
            if (SessionStore.Put(db, row, stamp) is not Written.Done and var refused)
                return refused;
        }

        return Written.Done;
    }

    /// <summary>An item that was not touched keeps what a decision or the day made of it.</summary>
    private static StoredItem ItemOf(BlockItem item, StoredSession? before)
    {
        var untouched = before?.Items.FirstOrDefault(i =>
            i.Id == item.Id && i.Movement == item.Movement && i.Written == item.Written
        );
        return new(item.Id, item.Movement, item.Written, null)
        {
            Joined = item.Joined,
            Role = item.Role,
            Seen = untouched?.Seen,
            Relief = untouched?.Relief,
            Skipped = untouched?.Skipped,
            BeforeEasy = untouched?.BeforeEasy,
        };
    }

    private static bool Same(StoredSession stored, BlockSession session, bool easy) =>
        stored.Day == session.Day
        && stored.Title == session.Title
        && stored.WarmUp == session.WarmUp
        && stored.CoolDown == session.CoolDown
        && (stored.Easy == easy || stored.Status != SessionStatus.Planned)
        && stored
            .Items.Select(i => (i.Id, i.Movement, i.Written, i.Joined, i.Role))
            .SequenceEqual(session.Items.Select(i => (i.Id, i.Movement, i.Written, i.Joined, i.Role)));

    /// <summary>Is it the same block, whatever its version?</summary>
    public static bool AreSame(Block one, Block other) =>
        JsonSerializer.Serialize(BlockBody.Of(one), WireJson.Options)
        == JsonSerializer.Serialize(BlockBody.Of(other), WireJson.Options);
}
