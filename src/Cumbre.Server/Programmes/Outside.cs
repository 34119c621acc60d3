using System.Security.Claims;
using Cumbre.Core.Explanations;
using Cumbre.Core.Movements;
using Cumbre.Core.Programmes;
using Cumbre.Core.Programmes.Generation;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Programmes;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Programmes;

/// <summary>A session that stands in the weeks of a block and is not of it.</summary>
/// <param name="Id">Of the session.</param>
/// <param name="Version">Of the session.</param>
/// <param name="Day">Training day.</param>
/// <param name="Title">May be empty.</param>
/// <param name="Items">Movement and line of each.</param>
/// <param name="OfBlock">Name of the other block; null: it stands alone.</param>
public sealed record OutsideSession(
    Guid Id,
    long Version,
    DateOnly Day,
    string Title,
    IReadOnlyList<string> Items,
    string? OfBlock
);

/// <summary>What is made of a session outside a block.</summary>
public enum OutsideChoice
{
    /// <summary>It becomes a session of the block, beside what the block has on that day.</summary>
    TakeIn,

    /// <summary>It becomes a session of the block, in place of what the block has planned on that day.</summary>
    TakeInstead,

    /// <summary>The block takes its place: it is removed.</summary>
    Remove,
}

/// <param name="Version">Of the block.</param>
/// <param name="Session">Which.</param>
/// <param name="SessionVersion">Of the session.</param>
/// <param name="Choice">What is made of it.</param>
public sealed record OutsideRequest(long Version, Guid Session, long SessionVersion, OutsideChoice Choice);

/// <summary>Sessions that stand in the weeks of a block and are not of it: taken in, or replaced.</summary>
internal static class Outside
{
    public static IReadOnlyList<OutsideSession> Of(Db db, StoredBlock block, Catalogue catalogue, DateOnly today)
    {
        var sessions = Sessions(db, block.AthleteId, block.Id, block.Start, block.Weeks.Count, today);
        if (sessions.Count == 0)
            return [];
        var names = BlockStore.Of(db, block.AthleteId).ToDictionary(b => b.Id, b => b.Name);
        return
        [
            .. sessions.Select(s => new OutsideSession(
                s.Id,
                s.Version,
                s.Day,
                s.Title,
                [
                    .. s.Items.Select(i =>
                        $"{catalogue.Movements.GetValueOrDefault(i.Movement)?.Name ?? i.Movement} {i.Written.Text}"
                    ),
                ],
                s.BlockId is { } other ? names.GetValueOrDefault(other) : null
            )),
        ];
    }

    /// <summary>The block with a notice of them.</summary>
    public static GeneratedBlock Noted(Db db, Guid athleteId, Guid blockId, GeneratedBlock fresh, DateOnly today) =>
        Sessions(db, athleteId, blockId, fresh.Block.Start, fresh.Block.Weeks.Count, today) is [var first, ..] others
            ? fresh with
            {
                Notices =
                [
                    .. fresh.Notices,
                    Notice.Of(NoticeId.PlannedAlready, Quantity.Count(others.Count), Quantity.On(first.Day)),
                ],
            }
            : fresh;

    public static Results<Ok<BlockDto>, ProblemHttpResult> Choose(
        Guid athleteId,
        Guid blockId,
        OutsideRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    )
    {
        var stamp = clock.Stamp(Policies.IdOf(user));
        var written = database.Write(
            db =>
            {
                if (
                    BlockStore.Find(db, blockId) is not { } block
                    || block.AthleteId != athleteId
                    || SessionStore.Find(db, request.Session) is not { } session
                    || session.AthleteId != athleteId
                )
                    return Written.Missing;
                var done =
                    block.Version != request.Version ? Written.Stale
                    : request.Choice == OutsideChoice.Remove
                        ? SessionStore.Remove(db, session.Id, request.SessionVersion)
                    : TakeIn(db, block, session, request, stamp);
                if (done == Written.Done)
                    db.Reconsider(athleteId);
                return done;
            },
            commit: answer => answer == Written.Done
        );
        var now = database.Read(db => GetBlock.Find(db, athleteId, blockId, null, clock.Today));
        return written switch
        {
            Written.Done => TypedResults.Ok(now!),
            Written.Missing => (ProblemHttpResult)Problems.NotFound(Words.NoBlockOrSession),
            _ => (ProblemHttpResult)Problems.Conflict(Words.SessionChangedOrBegun, now),
        };
    }

    private static Written TakeIn(Db db, StoredBlock block, StoredSession session, OutsideRequest request, Stamp stamp)
    {
        var week = (session.Day.DayNumber - block.Start.DayNumber) / 7;
        if (session.Day < block.Start || week >= block.Weeks.Count || session.Status != SessionStatus.Planned)
            return Written.Stale;
        if (request.Choice == OutsideChoice.TakeInstead)
        {
            foreach (
                var own in SessionStore
                    .OfBlock(db, block.Id)
                    .Where(s => s.Day == session.Day && s.Status == SessionStatus.Planned)
            )
                SessionStore.Remove(db, own.Id, own.Version);
        }

        return SessionStore.Join(
            db,
            session with
            {
                Version = request.SessionVersion,
            },
            block.Id,
            easy: block.Weeks[week] != WeekKind.Loading,
            stamp
        );
    }

    private static IReadOnlyList<StoredSession> Sessions(
        Db db,
        Guid athleteId,
        Guid blockId,
        DateOnly start,
        int weeks,
        DateOnly today
    ) =>
        [
            .. SessionStore
                .PlannedBetween(db, athleteId, start > today ? start : today, start.AddDays(7 * weeks))
                .Where(s => s.BlockId != blockId),
        ];
}
