using System.Security.Claims;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Server.Programmes;
using Cumbre.Server.Reading;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Audit;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Sessions;

internal static class ReadLine
{
    public static Results<Ok<LineMeaning>, ProblemHttpResult> Handle(
        Guid athleteId,
        string movement,
        string? line,
        DateOnly? day,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    )
    {
        var today = clock.Today;
        var meaning = database.Read(db =>
        {
            if (SnapshotStore.Load(db, athleteId, today) is not { } found)
                return null;
            var athlete = Work.On(db, found.Profile, found.Snapshot, today);
            var parsed = Work.Writing(db, athlete, user).Read(line ?? "");
            var tokens = parsed
                .Tokens.Where(t => t.Length > 0)
                .Select(t => new TokenDto(t.Kind, t.Start, t.Length))
                .ToArray();
            if (parsed.Plan is not { } plan)
                return new LineMeaning(null, tokens, parsed.Error, null, null, [], []);
            var reading = PlanReader.Read(db, movement, plan, found.Profile, found.Snapshot, day ?? today, today, null);
            return new LineMeaning(
                NotationPrinter.Print(plan),
                tokens,
                null,
                reading.Problem,
                reading.Dto,
                reading.NeedsReason,
                LineMisfit.Of(
                    plan,
                    athlete.Atlas.Catalogue.Movements.GetValueOrDefault(movement),
                    reading.Plan,
                    reading.Context
                )
            );
        });
        return meaning is null ? (ProblemHttpResult)Problems.NotFound(Words.NoAthlete) : TypedResults.Ok(meaning);
    }

    /// <param name="path">Of the field.</param>
    /// <param name="line">As it was typed.</param>
    /// <param name="own">For whom; null: nobody in particular.</param>
    /// <exception cref="FieldException">The line has an error; the message names its place.</exception>
    public static Prescription Parse(string path, string? line, OwnLine? own = null)
    {
        var parsed = own?.Read(line ?? "") ?? NotationParser.Parse(line ?? "");
        return parsed.Plan ?? throw Problems.Field(path, Words.LineUnreadable(parsed.Error!.Start + 1));
    }
}

/// <param name="Day">At most a year away.</param>
/// <param name="Movement">Slug.</param>
/// <param name="Line">Whiteboard line.</param>
/// <param name="Easy">Part of an easy week.</param>
/// <param name="OverrideReason">Needed when a caution asks for it.</param>
/// <param name="Version">0 to create.</param>
public sealed record SessionRequest(
    DateOnly Day,
    string Movement,
    string Line,
    bool Easy,
    string? OverrideReason,
    long Version
);

internal static class PlanSession
{
    internal const int DaysAway = 366;

    public static Results<Ok<SessionDto>, ProblemHttpResult> Handle(
        Guid athleteId,
        Guid sessionId,
        SessionRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    )
    {
        var today = clock.Today;
        if (Math.Abs(request.Day.DayNumber - today.DayNumber) > DaysAway)
            throw Problems.Field("day", Words.PlanTooFar);
        var reason = string.IsNullOrWhiteSpace(request.OverrideReason)
            ? null
            : Problems.Text("overrideReason", request.OverrideReason, Words.WriteReason, 400);

        var (written, session, plan) = database.Write(db =>
        {
            if (SnapshotStore.Load(db, athleteId, today) is not { } found)
                return (Written.Missing, (SessionDto?)null, (Prescription?)null);
            var plan = ReadLine.Parse(
                "line",
                request.Line,
                Work.Writing(db, Work.On(db, found.Profile, found.Snapshot, today), user)
            );
            var written = Save(
                db,
                found.Profile,
                found.Snapshot,
                request.Movement,
                plan,
                sessionId,
                request.Day,
                request.Easy,
                reason,
                request.Version,
                user,
                clock
            );
            return (written, SessionReader.Find(db, athleteId, sessionId, today), (Prescription?)plan);
        });
        return written switch
        {
            Written.Done => TypedResults.Ok(session!),
            Written.Missing => (ProblemHttpResult)Problems.NotFound(Words.NoAthleteOrSession),
            // The same session sent twice, after an answer that was lost.
            _ when session is { Status: SessionStatus.Planned, Items: [var only] }
                    && session.Day == request.Day
                    && session.Easy == request.Easy
                    && session.OverrideReason == reason
                    && only.Movement.Slug == request.Movement
                    && only.Line == NotationPrinter.Print(plan!) => TypedResults.Ok(session),
            _ => (ProblemHttpResult)
                Problems.Conflict(
                    session?.Status == SessionStatus.Planned ? Words.SessionChanged : Words.SessionBegunPlan,
                    session
                ),
        };
    }

    /// <summary>Checks what the plan needs and stores it.</summary>
    /// <exception cref="FieldException">The plan cannot be resolved, or a caution asks for a reason.</exception>
    public static Written Save(
        Db db,
        AthleteProfile profile,
        Core.Athletes.AthleteSnapshot snapshot,
        string movement,
        Prescription plan,
        Guid sessionId,
        DateOnly day,
        bool easy,
        string? reason,
        long version,
        ClaimsPrincipal user,
        ClubClock clock
    )
    {
        var reading = PlanReader.Read(db, movement, plan, profile, snapshot, day, clock.Today, reason);
        if (reading.Problem is { } problem)
            throw Problems.Field("line", Wording(problem));
        if (reading.NeedsReason.Count > 0 && reason is null)
            throw Problems.Field("overrideReason", Words.OverrideReason);
        var before = version == 0 ? null : SessionStore.Find(db, sessionId);
        var session = before ?? new(sessionId, profile.Id, day, SessionStatus.Planned, easy, reason, version, []);
        var written = SessionStore.Put(
            db,
            session with
            {
                AthleteId = profile.Id,
                Day = day,
                Easy = easy,
                OverrideReason = reason,
                Version = version,
                Items = With(session.Items, movement, plan),
            },
            clock.Stamp(Policies.IdOf(user))
        );
        if (written == Written.Done && reading.NeedsReason.Count > 0)
            AuditStore.Add(
                db,
                new(AuditKind.PlannedAgainstCaution)
                {
                    Athlete = profile.Id,
                    Subject = sessionId,
                    After = string.Join(", ", reading.NeedsReason.Select(c => c.Id)),
                    Reason = reason,
                },
                clock.Stamp(Policies.IdOf(user))
            );
        return written;
    }

    /// <summary>The items with the movement's plan in place of the one it had, or added.</summary>
    private static IReadOnlyList<StoredItem> With(
        IReadOnlyList<StoredItem> items,
        string movement,
        Prescription plan
    ) =>
        items.Any(i => i.Movement == movement)
            ? [.. items.Select(i => i.Movement == movement ? i with { Written = plan } : i)]
            : [.. items, new StoredItem(Guid.CreateVersion7(), movement, plan, null)];

    internal static Message Wording(ResolutionProblem problem) =>
        problem switch
        {
            ResolutionProblem.NoBodyMass => Words.PlanBodyweightMissing,
            ResolutionProblem.NoOneRepMax => Words.PlanHeavySetMissing,
            ResolutionProblem.NoBestHold => Words.PlanBestHoldMissing,
            ResolutionProblem.NoSuchBand => Words.PlanNoBandNear,
            ResolutionProblem.NoSuchCounted => Words.PlanNoPieces,
            ResolutionProblem.TooFewCounted => Words.PlanTooFewPieces,
            ResolutionProblem.MovementUnknown => Words.PlanMovementGone,
            ResolutionProblem.NoReps => Words.PlanNoReps,
            ResolutionProblem.NoBandOfThatName => Words.PlanNoBand,
            _ => Words.PlanRepsOver,
        };
}

internal static class GetSession
{
    public static Results<Ok<SessionDto>, ProblemHttpResult> Handle(
        Guid athleteId,
        Guid sessionId,
        Database database,
        ClubClock clock
    ) =>
        database.Read(db => SessionReader.Find(db, athleteId, sessionId, clock.Today)) is { } session
            ? TypedResults.Ok(session)
            : (ProblemHttpResult)Problems.NotFound(Words.NoSession);
}

internal static class RemoveSession
{
    public static Results<NoContent, ProblemHttpResult> Handle(
        Guid athleteId,
        Guid sessionId,
        long version,
        Database database,
        ClubClock clock
    )
    {
        var (written, current) = database.Write(db =>
            SessionStore.Find(db, sessionId)?.AthleteId == athleteId
                ? (
                    SessionStore.Remove(db, sessionId, version),
                    SessionReader.Find(db, athleteId, sessionId, clock.Today)
                )
                : (Written.Missing, null)
        );
        return written switch
        {
            Written.Done => TypedResults.NoContent(),
            Written.Missing => (ProblemHttpResult)Problems.NotFound(Words.NoSession),
            _ => (ProblemHttpResult)Problems.Conflict(Words.SessionChangedMeanwhile, current),
        };
    }
}
