using Cumbre.Core.Programmes;
using Cumbre.Server.Accounts;
using Cumbre.Server.Athletes;
using Cumbre.Server.Hosting;
using Cumbre.Server.Programmes;
using Cumbre.Server.Reading;
using Cumbre.Server.Sessions;
using Cumbre.Storage;
using Cumbre.Storage.Decisions;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Running;

public static class RunEndpoints
{
    public static void MapRunning(this IEndpointRouteBuilder api)
    {
        api.MapGet("/athletes/{athleteId:guid}/run", GetWeek.Handle).RequireAuthorization(Policies.OwnAthlete);
        api.MapGet("/live", GetLive.Follow).RequireAuthorization(Policies.SignedIn).ExcludeFromDescription();
        api.MapGet("/board", GetBoard.Handle).RequireAuthorization(Policies.Coach);
        api.MapPut("/board", PutBoard.Handle).RequireAuthorization(Policies.Coach);
        api.MapGet("/athletes/{athleteId:guid}/wall", OwnWall.Get).RequireAuthorization(Policies.OwnAthlete);
        api.MapPut("/athletes/{athleteId:guid}/wall", OwnWall.Put).RequireAuthorization(Policies.OwnAthlete);
        api.MapGet("/live/now", GetLive.Now).RequireAuthorization(Policies.Coach);
        api.MapPost(
                "/athletes/{athleteId:guid}/sessions/{sessionId:guid}/items/{itemId:guid}/change",
                ChangeItem.Handle
            )
            .RequireAuthorization(Policies.Coach);
        api.MapPost("/athletes/{athleteId:guid}/run", PutEntries.Handle).RequireAuthorization(Policies.OwnAthlete);
    }
}

internal static class GetWeek
{
    /// <summary>Today and so many days after it.</summary>
    private const int DaysAhead = 6;

    /// <summary>What was begun so many days ago and is not finished can still be finished.</summary>
    private const int DaysBack = 2;

    /// <summary>A change is told for so many days after it was decided.</summary>
    private const int ChangedDays = 14;

    public static Results<Ok<RunWeek>, ProblemHttpResult> Handle(
        Guid athleteId,
        Database database,
        ClubClock clock,
        PackSeal seal
    ) =>
        database.Read(db => Read(db, athleteId, clock, seal)) is { } week
            ? TypedResults.Ok(week)
            : (ProblemHttpResult)Problems.NotFound(Words.NoAthlete);

    private static RunWeek? Read(Db db, Guid athleteId, ClubClock clock, PackSeal seal)
    {
        var today = clock.Today;
        if (Work.Load(db, athleteId, today) is not var (profile, athlete))
            return null;
        var reader = new PackReader(athlete, profile, today, seal);
        var monday = today.AddDays(-(((int)today.DayOfWeek + 6) % 7));
        var first = today.AddDays(-DaysBack);
        var week = SessionStore.Between(db, athleteId, first < monday ? first : monday, today.AddDays(DaysAhead + 1));
        var block = Overview.Block(db, athleteId, today);
        var recent = week.Where(s => s.Day >= first).ToArray();
        return new(
            today,
            clock.Now,
            [.. recent.Where(s => s.Day >= today || s.Status == SessionStatus.Started).Select(s => reader.Read(db, s))],
            [.. week.Where(s => s.Day >= monday).Select(s => new WeekSession(s.Id, s.Day, s.Title, s.Status))],
            block,
            [.. Changed(db, profile.Name, athlete, clock, [.. recent.Where(s => s.Day == today)])],
            block is null ? null : NoteOf(db, athleteId, block.Id, clock),
            [
                .. recent
                    .Where(s => SessionReader.AsksMorning(s, athlete.Athlete, today))
                    .Select(s => new MorningAsked(s.Id, s.Day, s.Title)),
            ],
            [.. RunStore.Asked(db, athleteId).Select(e => EntryMerge.Asked(db, e)).OfType<AskedEntry>()]
        );
    }

    /// <summary>Of each item of the day the newest decision of the last weeks that changed it.</summary>
    private static IEnumerable<ItemChanged> Changed(
        Db db,
        string name,
        AthleteAtWork athlete,
        ClubClock clock,
        IReadOnlyList<StoredSession> sessions
    )
    {
        if (sessions.Count == 0)
            yield break;
        var planned = Work.Planned(db, sessions[0].AthleteId, clock.Today);
        var told = new HashSet<Guid>();
        var taken = DecisionStore
            .TakenSince(db, clock.Now.AddDays(-ChangedDays), sessions[0].AthleteId)
            .Where(t => t.Decision.State is DecisionState.Accepted or DecisionState.Edited)
            .OrderByDescending(t => t.At);
        foreach (var (decision, _) in taken)
        foreach (var change in AcceptedChanges.Of(db, decision.Id).Items)
        {
            if (
                change.Before is { } before
                && sessions.FirstOrDefault(s => s.Items.Any(i => i.Id == change.Item)) is { } session
                && told.Add(change.Item)
            )
                yield return new(
                    session.Id,
                    change.Item,
                    before.Dto(athlete),
                    change.After.Dto(athlete),
                    DecisionDto.InShort(db, decision, name, athlete, planned)
                );
        }
    }

    private static CoachNote? NoteOf(Db db, Guid athleteId, Guid blockId, ClubClock clock) =>
        Publish.Versions(db, athleteId, blockId, clock)?.Versions is [{ Note: { Length: > 0 } text } newest, ..]
            ? new(text, newest.At)
            : null;
}
