using System.Security.Claims;
using Cumbre.Core.Prescriptions;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Programmes;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Sessions;

/// <param name="Day">To which it goes; a past day too.</param>
/// <param name="Version">As the coach saw it.</param>
public sealed record MoveRequest(DateOnly Day, long Version);

/// <param name="Id">Of the new session, made by the client.</param>
/// <param name="Items">Those that go to it; some must stay.</param>
/// <param name="Day">Of the new session.</param>
/// <param name="Version">As the coach saw it.</param>
public sealed record SplitRequest(Guid Id, IReadOnlyList<Guid> Items, DateOnly Day, long Version);

/// <param name="Reason">Null: it is done after all.</param>
public sealed record SkipRequest(string? Reason);

/// <param name="Effort">Of the whole session, 1 to 10, in halves; null: not told.</param>
public sealed record EffortRequest(decimal? Effort);

/// <param name="Take">False: the athlete refuses it; both answers are kept.</param>
public sealed record EasyRequest(bool Take);

/// <summary>One way for all that changes a session: find it, change it, answer with it as it stands.</summary>
internal static class SessionWrite
{
    /// <param name="change">A result that comes back is the refusal, and nothing is written.</param>
    public static Results<Ok<SessionDto>, ProblemHttpResult> Run(
        Guid athleteId,
        Guid sessionId,
        Database database,
        ClubClock clock,
        Func<Db, StoredSession, IResult?> change
    )
    {
        var (problem, session) = database.Write<(IResult?, SessionDto?)>(
            db =>
            {
                if (SessionStore.Find(db, sessionId) is not { } stored || stored.AthleteId != athleteId)
                    return (Problems.NotFound(Words.NoSession), null);
                var refusal = change(db, stored);
                return (refusal, refusal is null ? SessionReader.Find(db, athleteId, sessionId, clock.Today) : null);
            },
            result => result.Item1 is null
        );
        return problem is null ? TypedResults.Ok(session!) : (ProblemHttpResult)problem;
    }

    /// <summary>A session that has begun, or was changed meanwhile, is not moved.</summary>
    public static IResult? Stale(Db db, StoredSession session, long version, ClubClock clock) =>
        session.Status == SessionStatus.Planned && session.Version == version
            ? null
            : Problems.Conflict(
                session.Status == SessionStatus.Planned ? Words.SessionChanged : Words.SessionBegunDay,
                SessionReader.Find(db, session.AthleteId, session.Id, clock.Today)
            );

    /// <exception cref="FieldException">Another session stands on the day, or the block does not reach it.</exception>
    public static void Takes(Db db, StoredSession session, DateOnly day, ClubClock clock)
    {
        if (Math.Abs(day.DayNumber - clock.Today.DayNumber) > PlanSession.DaysAway)
            throw Problems.Field("day", Words.DayTooFar);
        if (SessionStore.IsTaken(db, session.AthleteId, day, session.Id))
            throw Problems.Field("day", Words.DayTaken(day));
        if (
            session.BlockId is { } block
            && BlockStore.Find(db, block) is { } stored
            && (day < stored.Start || day >= stored.Start.AddDays(7 * stored.Weeks.Count))
        )
            throw Problems.Field(
                "day",
                Words.DayOutsideBlock(stored.Start, stored.Start.AddDays(7 * stored.Weeks.Count - 1))
            );
    }
}

internal static class MoveSession
{
    public static Results<Ok<SessionDto>, ProblemHttpResult> Handle(
        Guid athleteId,
        Guid sessionId,
        MoveRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    ) => SessionWrite.Run(athleteId, sessionId, database, clock, (db, session) =>
        {
            if (SessionWrite.Stale(db, session, request.Version, clock) is { } stale)
                return stale;
            SessionWrite.Takes(db, session, request.Day, clock);
            SessionStore.Put(db, session with { Day = request.Day }, clock.Stamp(Policies.IdOf(user)));
            return null;
        });
}

internal static class SplitSession
{
    /// <summary>Some items go to a session of their own on another day.</summary>
    public static Results<Ok<SessionDto>, ProblemHttpResult> Handle(
        Guid athleteId,
        Guid sessionId,
        SplitRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    ) => SessionWrite.Run(athleteId, sessionId, database, clock, (db, session) =>
        {
            if (SessionWrite.Stale(db, session, request.Version, clock) is { } stale)
                return stale;
            StoredItem[] go = [.. session.Items.Where(i => request.Items.Contains(i.Id))];
            if (go.Length == 0 || go.Length == session.Items.Count)
                throw Problems.Field("items", Words.SplitChoice);
            if (SessionStore.Find(db, request.Id) is not null)
                return Problems.Conflict(Words.SplitAlready, null);
            SessionWrite.Takes(db, session with { Id = request.Id }, request.Day, clock);
            var stamp = clock.Stamp(Policies.IdOf(user));
            SessionStore.Put(db, session with { Items = Unpaired(session.Items.Except(go)) }, stamp);
            SessionStore.Put(
                db,
                session with
                {
                    Id = request.Id,
                    Day = request.Day,
                    Version = 0,
                    Items = Unpaired(go),
                },
                stamp
            );
            return null;
        });

    /// <summary>What was paired with an item that is gone stands first.</summary>
    private static StoredItem[] Unpaired(IEnumerable<StoredItem> items) =>
        [.. items.Select((item, i) => i == 0 ? item with { Joined = false } : item)];
}

internal static class SkipItem
{
    public static Results<Ok<SessionDto>, ProblemHttpResult> Handle(
        Guid athleteId,
        Guid sessionId,
        Guid itemId,
        SkipRequest request,
        Database database,
        ClubClock clock
    )
    {
        var reason = request.Reason is null
            ? null
            : Problems.Text("reason", request.Reason, Words.WriteSkipReason, 200);
        return SessionWrite.Run(athleteId, sessionId, database, clock, (db, session) =>
        {
            if (session.Items.All(i => i.Id != itemId))
                return Problems.NotFound(Words.NoItem);
            if (reason is not null && SessionStore.Sets(db, sessionId)[itemId].Any())
                throw Problems.Field("reason", Words.ItemLogged);
            SessionStore.Skip(db, itemId, reason);
            return null;
        });
    }
}

internal static class TellEffort
{
    public static Results<Ok<SessionDto>, ProblemHttpResult> Handle(
        Guid athleteId,
        Guid sessionId,
        EffortRequest request,
        Database database,
        ClubClock clock
    )
    {
        Check(request.Effort);
        return SessionWrite.Run(athleteId, sessionId, database, clock, (db, session) =>
        {
            if (session.Status == SessionStatus.Planned)
                throw Problems.Field("effort", Words.NothingLogged);
            SessionStore.TellEffort(db, sessionId, request.Effort);
            return null;
        });
    }

    /// <exception cref="FieldException">It is not 1 to 10 in halves.</exception>
    public static void Check(decimal? effort)
    {
        if (effort is { } e && (e is < 1 or > 10 || e * 2 != Math.Truncate(e * 2)))
            throw Problems.Field("effort", Words.EffortRange);
    }
}

internal static class AnswerEasy
{
    /// <summary>
    /// Takes the easy version of the day, or refuses it; a version that was taken goes back to the plan, as long as
    /// nothing is logged.
    /// </summary>
    public static Results<Ok<SessionDto>, ProblemHttpResult> Handle(
        Guid athleteId,
        Guid sessionId,
        EasyRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    ) => SessionWrite.Run(athleteId, sessionId, database, clock, (db, session) =>
        {
            if (session.Status != SessionStatus.Planned)
                return Problems.Conflict(Words.SessionBegunPlan, null);
            Apply(db, session, request.Take, clock, clock.Stamp(Policies.IdOf(user)));
            return null;
        });

    /// <summary>Of a session that has not begun.</summary>
    /// <exception cref="FieldException">Nothing that was told of the day offers it.</exception>
    public static void Apply(Db db, StoredSession session, bool take, ClubClock clock, Stamp stamp)
    {
        if (
            SnapshotStore.Load(db, session.AthleteId, clock.Today) is not { } found
            || found.Snapshot.CheckIns.LastOrDefault(c => c.Day == session.Day) is not { } checkIn
            || !Core.Safety.Readiness.OffersEasy(checkIn)
        )
            throw Problems.Field("take", Words.EasyNotOffered);
        SessionStore.Put(
            db,
            session with
            {
                Items = [.. session.Items.Select(i => take ? Eased(i) : AsPlanned(i))],
            },
            stamp
        );
        HealthStore.AnswerEasy(db, session.AthleteId, session.Day, take);
        db.Reconsider(session.AthleteId);
    }

    private static StoredItem Eased(StoredItem item) =>
        item is { Plan: { } plan, BeforeEasy: null }
            ? item with
            {
                BeforeEasy = item.Written,
                Written = Adjust.EasyVersion(plan),
                Relief = item.Relief ?? Relief.Ease,
                Seen = null,
            }
            : item;

    private static StoredItem AsPlanned(StoredItem item) =>
        item.BeforeEasy is { } before
            ? item with
            {
                Written = before,
                BeforeEasy = null,
                Relief = item.Relief == Relief.Ease ? null : item.Relief,
                Seen = null,
            }
            : item;
}
