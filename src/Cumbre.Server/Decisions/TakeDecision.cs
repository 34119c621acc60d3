using System.Security.Claims;
using System.Text.Json;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Server.Sessions;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Decisions;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Decisions;

/// <param name="Line">Another line than the proposed one; null: as proposed.</param>
/// <param name="Reason">Needed when the line goes against a caution.</param>
public sealed record AcceptRequest(string? Line, string? Reason);

/// <summary>The decision as taken, and the session that it planned.</summary>
public sealed record AcceptAnswer(DecisionDto Decision, Guid? SessionId);

/// <summary>What accepting changed, so that it can be undone.</summary>
/// <param name="SessionId">The session that was planned.</param>
/// <param name="Created">It did not exist before.</param>
/// <param name="VersionAfter">As long as it has this version, nobody has touched it since.</param>
/// <param name="LineBefore">Its line before.</param>
/// <param name="EasyBefore">Before.</param>
/// <param name="ReasonBefore">Before.</param>
internal sealed record AcceptedChange(Guid SessionId, bool Created, long VersionAfter, string? LineBefore, bool EasyBefore, string? ReasonBefore)
{
    public string ToJson() => JsonSerializer.Serialize(this, WireJson.Options);

    public static AcceptedChange? FromJson(string? json) => json is null ? null : JsonSerializer.Deserialize<AcceptedChange>(json, WireJson.Options);
}

internal static class AcceptDecision
{
    public static Results<Ok<AcceptAnswer>, ProblemHttpResult> Handle(Guid id, AcceptRequest request, ClaimsPrincipal user, Database database, ClubClock clock)
    {
        var edited = request.Line is null ? null : ReadLine.Parse("line", request.Line);
        var reason = string.IsNullOrWhiteSpace(request.Reason) ? null : Problems.Text("reason", request.Reason, "a reason", 400);
        var (problem, answer) = database.Write<(IResult?, AcceptAnswer?)>(db =>
        {
            if (DecisionStore.Find(db, id) is not { } decision || AthleteStore.Find(db, decision.AthleteId) is not { } profile)
                return (Problems.NotFound("decision"), null);
            if (decision.State is not (DecisionState.Proposed or DecisionState.Deferred))
                return (Problems.Conflict("This decision was taken or superseded meanwhile.", DecisionDto.Of(decision, profile.Name)), null);
            var (change, refusal) = Plan(db, decision, edited, reason, user, clock);
            if (refusal is not null)
                return (refusal, null);
            var isEdit = edited is not null && decision.Proposal.Next is { } next && NotationPrinter.Print(edited) != NotationPrinter.Print(next);
            DecisionStore.Move(
                db, id, isEdit ? DecisionState.Edited : DecisionState.Accepted, null,
                new(Guid.CreateVersion7(), id, isEdit ? DecisionEventKind.Edited : DecisionEventKind.Accepted, change?.ToJson(), clock.Now, Policies.IdOf(user)));
            return (null, new AcceptAnswer(DecisionDto.Of(DecisionStore.Find(db, id)!, profile.Name), change?.SessionId));
        });
        return problem is null ? TypedResults.Ok(answer!) : (ProblemHttpResult)problem;
    }

    private static (AcceptedChange? Change, IResult? Refusal) Plan(Db db, StoredDecision decision, Prescription? edited, string? reason, ClaimsPrincipal user, ClubClock clock)
    {
        if ((edited ?? decision.Proposal.Next) is not { } plan)
            return (null, null);
        var today = clock.Today;
        var found = SnapshotStore.Load(db, decision.AthleteId, today)!.Value;
        var existing = SessionStore.Next(db, decision.AthleteId, decision.Movement, today);
        if (existing is { Status: SessionStatus.Started })
            return (null, Problems.Conflict("The next session has begun: finish it first.", null));
        var day = existing?.Day ?? (decision.Proposal.NextDay > today ? decision.Proposal.NextDay : today);
        var id = existing?.Id ?? Guid.CreateVersion7();
        // An athlete who already trains under a kept reason goes on under it.
        var kept = reason ?? existing?.OverrideReason ?? SessionStore.Find(db, decision.BasisSessionId)?.OverrideReason;
        var written = PlanSession.Save(db, found.Profile, found.Snapshot, plan, id, day, decision.Proposal.NextIsEasy, kept, existing?.Version ?? 0, user, clock);
        if (written != Written.Done)
            return (null, Problems.Conflict("The next session changed meanwhile.", null));
        return (new(id, existing is null, SessionStore.Find(db, id)!.Version, existing?.Of(decision.Movement)?.Line, existing?.Easy ?? false, existing?.OverrideReason), null);
    }
}

/// <param name="Until">Null: the next day.</param>
public sealed record DeferRequest(DateOnly? Until);

internal static class DeferDecision
{
    public static Results<Ok<AcceptAnswer>, ProblemHttpResult> Handle(Guid id, DeferRequest request, ClaimsPrincipal user, Database database, ClubClock clock)
    {
        var until = request.Until ?? clock.Today.AddDays(1);
        if (until <= clock.Today || until > clock.Today.AddDays(60))
            throw Problems.Field("until", "range", "Put it off until a day within the next 60.");
        return Change.Run(id, database, (db, decision) =>
        {
            if (decision.State is not (DecisionState.Proposed or DecisionState.Deferred))
                return "This decision was taken or superseded meanwhile.";
            DecisionStore.Move(db, id, DecisionState.Deferred, until, new(Guid.CreateVersion7(), id, DecisionEventKind.Deferred, null, clock.Now, Policies.IdOf(user)));
            return null;
        });
    }
}

internal static class UndoDecision
{
    public static Results<Ok<AcceptAnswer>, ProblemHttpResult> Handle(Guid id, ClaimsPrincipal user, Database database, ClubClock clock, Reconciler reconciler) =>
        Change.Run(id, database, (db, decision) =>
        {
            if (decision.State is not (DecisionState.Accepted or DecisionState.Edited or DecisionState.Deferred))
                return "There is nothing to undo.";
            if (decision.State != DecisionState.Deferred && decision.Proposal.Next is not null && Restore(db, id, decision.Movement, user, clock) is { } refusal)
                return refusal;
            foreach (var other in DecisionStore.Of(db, decision.AthleteId).Where(d => d.Id != id && d.Movement == decision.Movement && d.State is (DecisionState.Proposed or DecisionState.Deferred)))
                DecisionStore.Move(db, other.Id, DecisionState.Superseded, null, new(Guid.CreateVersion7(), other.Id, DecisionEventKind.Superseded, null, clock.Now, null));
            DecisionStore.Move(db, id, DecisionState.Proposed, null, new(Guid.CreateVersion7(), id, DecisionEventKind.Undone, null, clock.Now, Policies.IdOf(user)));
            reconciler.Run(db, decision.AthleteId);
            return null;
        });

    private static string? Restore(Db db, Guid id, string movement, ClaimsPrincipal user, ClubClock clock)
    {
        var change = DecisionStore.Events(db, id).LastOrDefault(e => e.Kind is DecisionEventKind.Accepted or DecisionEventKind.Edited) is { } taken ? AcceptedChange.FromJson(taken.PayloadJson) : null;
        if (change is null || SessionStore.Find(db, change.SessionId) is not { } session)
            return "The session that it planned is gone.";
        if (session.Status != SessionStatus.Planned)
            return "The first set of that session is logged: the decision stands.";
        if (session.Version != change.VersionAfter)
            return "The session was changed since: change its line instead.";
        if (change.Created)
            return SessionStore.Remove(db, session.Id, session.Version) == Written.Done ? null : "The session changed meanwhile.";
        var before = NotationParser.Parse(change.LineBefore!).Plan!;
        var items = session.Items.Select(i => i.Movement == movement ? i with { Written = before } : i);
        SessionStore.Put(db, session with { Easy = change.EasyBefore, OverrideReason = change.ReasonBefore, Items = [.. items] }, clock.Stamp(Policies.IdOf(user)));
        return null;
    }
}

/// <param name="Reason">What was found, and by whom.</param>
public sealed record ClearRequest(string Reason);

internal static class ClearStop
{
    public static Results<Ok<AcceptAnswer>, ProblemHttpResult> Handle(Guid id, ClearRequest request, ClaimsPrincipal user, Database database, ClubClock clock, Reconciler reconciler)
    {
        var reason = Problems.Text("reason", request.Reason, "what was found, and by whom", 400);
        return Change.Run(id, database, (db, decision) =>
        {
            if (!DecisionDto.Stops(decision))
                return "This movement is not stopped.";
            DecisionStore.Clear(db, id, new(Guid.CreateVersion7(), id, DecisionEventKind.Cleared, JsonSerializer.Serialize(reason), clock.Now, Policies.IdOf(user)));
            AuditStore.Add(db, Guid.CreateVersion7(), "decision", id, "stop cleared", reason, clock.Stamp(Policies.IdOf(user)));
            reconciler.Run(db, decision.AthleteId);
            return null;
        });
    }
}

internal static class Change
{
    /// <summary>Runs a change of a decision in one transaction; a text that comes back is the refusal, and nothing is written.</summary>
    public static Results<Ok<AcceptAnswer>, ProblemHttpResult> Run(Guid id, Database database, Func<Db, StoredDecision, string?> change)
    {
        var (problem, answer) = database.Write<(IResult?, AcceptAnswer?)>(db =>
        {
            if (DecisionStore.Find(db, id) is not { } decision || AthleteStore.Find(db, decision.AthleteId) is not { } profile)
                return (Problems.NotFound("decision"), null);
            var refusal = change(db, decision);
            var now = DecisionDto.Of(DecisionStore.Find(db, id)!, profile.Name);
            return (refusal is null ? null : Problems.Conflict(refusal, now), new AcceptAnswer(now, null));
        });
        return problem is null ? TypedResults.Ok(answer!) : (ProblemHttpResult)problem;
    }
}
