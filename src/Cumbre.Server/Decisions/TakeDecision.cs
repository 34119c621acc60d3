using System.Security.Claims;
using Cumbre.Core.Decisions;
using Cumbre.Core.Explanations;
using Cumbre.Core.Movements;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes;
using Cumbre.Core.Safety;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Server.Programmes;
using Cumbre.Server.Sessions;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Decisions;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Decisions;

/// <param name="Line">Another line than the proposed one; null: as proposed.</param>
/// <param name="Reason">Needed when the line goes against a caution.</param>
/// <param name="Also">Items written by hand that are changed as well.</param>
public sealed record AcceptRequest(string? Line, string? Reason, IReadOnlyList<Guid>? Also = null);

/// <summary>The decision as taken, and the first session that it changed or planned.</summary>
public sealed record AcceptAnswer(DecisionDto Decision, Guid? SessionId);

/// <param name="Ids">Harmless decisions that are accepted as they are.</param>
public sealed record AcceptTogetherRequest(IReadOnlyList<Guid> Ids);

/// <summary>What was accepted, and what was not because it asks for a look.</summary>
public sealed record AcceptTogetherAnswer(IReadOnlyList<Guid> Accepted, IReadOnlyList<Guid> Left);

internal static class AcceptDecision
{
    public static Results<Ok<AcceptAnswer>, ProblemHttpResult> Handle(Guid id, AcceptRequest request, ClaimsPrincipal user, Database database, ClubClock clock)
    {
        var edited = request.Line is null ? null : ReadLine.Parse("line", request.Line);
        var reason = string.IsNullOrWhiteSpace(request.Reason) ? null : Problems.Text("reason", request.Reason, "a reason", 400);
        var (problem, session) = database.Write(db => Take(db, id, edited, reason, request.Also ?? [], user, clock));
        return problem is null
            ? TypedResults.Ok(new AcceptAnswer(database.Read(db => DecisionDto.Of(db, DecisionStore.Find(db, id)!, clock.Today)), session))
            : (ProblemHttpResult)problem;
    }

    /// <summary>Takes a decision; a problem that comes back is the refusal, and nothing is written.</summary>
    public static (IResult? Problem, Guid? Session) Take(
        Db db, Guid id, Prescription? edited, string? reason, IReadOnlyList<Guid> also, ClaimsPrincipal user, ClubClock clock)
    {
        if (DecisionStore.Find(db, id) is not { } decision || Work.Load(db, decision.AthleteId, clock.Today) is not var (profile, athlete))
            return (Problems.NotFound("decision"), null);
        if (profile.ArchivedAt is not null)
            return (Problems.Conflict("This athlete is put away: bring them back first.", DecisionDto.Of(db, decision, clock.Today)), null);
        if (decision.State is not (DecisionState.Proposed or DecisionState.Deferred))
            return (Problems.Conflict("This decision was taken or superseded meanwhile.", DecisionDto.Of(db, decision, clock.Today)), null);
        var isEdit = edited is not null && decision.Proposal.Next is { } next && NotationPrinter.Print(edited) != NotationPrinter.Print(next.Plan);
        var proposal = isEdit ? decision.Proposal with { Next = decision.Proposal.Next! with { Plan = edited! }, Confirms = false } : decision.Proposal;
        var planned = Work.Planned(db, decision.AthleteId, clock.Today);
        var revisions = PlanRevision.Of(proposal, athlete, planned, _ => Guid.CreateVersion7()).Where(r => !r.IsQuestion || also.Contains(r.Item)).ToArray();
        AcceptedChanges changes;
        if (revisions.Length > 0)
        {
            changes = Revise(db, proposal, revisions, athlete, reason, user, clock);
        }
        else if (PlansNext(proposal, planned))
        {
            if (SessionStore.Next(db, decision.AthleteId, proposal.Next!.Movement, clock.Today) is { Status: SessionStatus.Started })
                return (Problems.Conflict("The next session has begun: finish it first.", null), null);
            changes = PlanOne(db, decision.AthleteId, proposal, athlete, reason, user, clock);
        }
        else
        {
            changes = new(AcceptedChanges.Version, null, []);
        }

        DecisionStore.Move(
            db, id, isEdit ? DecisionState.Edited : DecisionState.Accepted, null,
            new(Guid.CreateVersion7(), id, isEdit ? DecisionEventKind.Edited : DecisionEventKind.Accepted, changes.ToJson(), clock.Now, Policies.IdOf(user)));
        return (null, changes.Items is [var first, ..] ? first.Session : null);
    }

    /// <summary>Without an item in a coming session the next one is planned with it; words to the coach plan nothing.</summary>
    private static bool PlansNext(Proposal proposal, IReadOnlyList<PlannedItem> planned) =>
        proposal is { Next: not null, Confirms: false, Kind: not ProposalKind.Achieved } && planned.All(p => p.Movement != proposal.Movement);

    private static AcceptedChanges Revise(
        Db db, Proposal proposal, IReadOnlyList<ItemRevision> revisions, AthleteAtWork athlete, string? reason, ClaimsPrincipal user, ClubClock clock)
    {
        var changes = new List<ItemChange>();
        foreach (var group in revisions.GroupBy(r => r.Session))
        {
            var session = SessionStore.Find(db, group.Key)!;
            var items = session.Items.ToList();
            foreach (var revision in group)
            {
                ItemState? before = null;
                if (revision.Before is null)
                {
                    items.Insert(items.FindIndex(i => i.Id == revision.AheadOf), new(revision.Item, revision.After.Movement, revision.After.Plan, null) { Role = ItemRole.LevelFinding });
                }
                else
                {
                    var at = items.FindIndex(i => i.Id == revision.Item);
                    before = StateOf(items[at]);
                    items[at] = items[at] with { Movement = revision.After.Movement, Written = revision.After.Plan, Role = RoleAfter(proposal, items[at].Role), Relief = ReliefOf(proposal.Kind) ?? items[at].Relief, Seen = null };
                }

                changes.Add(new(session.Id, revision.Item, session.Day, before, StateOf(items.First(i => i.Id == revision.Item))));
            }

            Put(db, session with { Items = items }, [.. group.Select(r => r.After)], athlete, reason, user, clock);
        }

        return new(AcceptedChanges.Version, null, changes);
    }

    private static AcceptedChanges PlanOne(Db db, Guid athleteId, Proposal proposal, AthleteAtWork athlete, string? reason, ClaimsPrincipal user, ClubClock clock)
    {
        var day = proposal.NextDay > clock.Today ? proposal.NextDay : clock.Today;
        List<StoredItem> items = [];
        if (proposal.First is { } first)
            items.Add(new(Guid.CreateVersion7(), first.Movement, first.Plan, null) { Role = ItemRole.LevelFinding });
        items.Add(new(Guid.CreateVersion7(), proposal.Next!.Movement, proposal.Next.Plan, null) { Role = RoleAfter(proposal, proposal.Role), Relief = ReliefOf(proposal.Kind) });
        // An athlete who already trains under a kept reason goes on under it.
        var kept = proposal.BasisSessionId is { } basis ? SessionStore.Find(db, basis)?.OverrideReason : null;
        var session = new StoredSession(Guid.CreateVersion7(), athleteId, day, SessionStatus.Planned, ReliefOf(proposal.Kind) == Relief.Deload, kept, 0, items);
        Put(db, session, [.. items.Select(i => new MovementDose(i.Movement, i.Plan!))], athlete, reason, user, clock);
        return new(AcceptedChanges.Version, session.Id, [.. items.Select(i => new ItemChange(session.Id, i.Id, day, null, StateOf(i)))]);
    }

    private static void Put(Db db, StoredSession session, IReadOnlyList<MovementDose> doses, AthleteAtWork athlete, string? reason, ClaimsPrincipal user, ClubClock clock)
    {
        var kept = reason ?? session.OverrideReason;
        var needs = doses.SelectMany(d => NeedsOf(d, athlete)).DistinctBy(c => c.Id).ToArray();
        if (needs.Length > 0 && kept is null)
            throw Problems.Field("reason", "needed", "This goes against a caution: say why, or change the line.");
        var stamp = clock.Stamp(Policies.IdOf(user));
        if (SessionStore.Put(db, session with { OverrideReason = kept }, stamp) != Written.Done)
            throw new InvalidOperationException("A session changed within the transaction that read it.");
        if (needs.Length > 0)
            AuditStore.Add(db, Guid.CreateVersion7(), "session", session.Id, "planned against " + string.Join(", ", needs.Select(c => c.Id)), kept, stamp);
    }

    private static IReadOnlyList<CautionNote> NeedsOf(MovementDose dose, AthleteAtWork athlete)
    {
        var reading = PlanReader.Read(athlete, dose.Movement, dose.Plan, athlete.Today, null);
        return reading.Problem is { } problem ? throw Problems.Field("line", problem.ToString(), PlanSession.Wording(problem)) : reading.NeedsReason;
    }

    private static Relief? ReliefOf(ProposalKind kind) => kind switch
    {
        ProposalKind.Deload or ProposalKind.LighterWeek => Relief.Deload,
        ProposalKind.Ease or ProposalKind.Return => Relief.Ease,
        _ => null,
    };

    /// <summary>Once its level was found an item is trained like any other.</summary>
    private static ItemRole? RoleAfter(Proposal proposal, ItemRole? role) =>
        proposal.Kind == ProposalKind.SetDose && role == ItemRole.LevelFinding ? ItemRole.Main : role;

    internal static ItemState StateOf(StoredItem item) => new(item.Movement, PrescriptionJson.Write(item.Plan!), item.Role, item.Relief?.ToString());
}

internal static class AcceptTogether
{
    private const int AtOnce = 100;

    /// <summary>Accepts those that can hurt nobody; the others stay where they are.</summary>
    public static Results<Ok<AcceptTogetherAnswer>, ProblemHttpResult> Handle(AcceptTogetherRequest request, ClaimsPrincipal user, Database database, ClubClock clock)
    {
        if (request.Ids.Count is 0 or > AtOnce)
            throw Problems.Field("ids", "range", $"Accept 1 to {AtOnce} at once.");
        var answer = database.Write(db =>
        {
            List<Guid> accepted = [], left = [];
            foreach (var id in request.Ids.Distinct())
                (IsHarmless(db, id) && IsTaken(db, id, user, clock) ? accepted : left).Add(id);
            return new AcceptTogetherAnswer(accepted, left);
        });
        return TypedResults.Ok(answer);
    }

    /// <summary>One that asks for a reason is left for the coach, and leaves nothing half done.</summary>
    private static bool IsTaken(Db db, Guid id, ClaimsPrincipal user, ClubClock clock)
    {
        try
        {
            return db.Part(() => AcceptDecision.Take(db, id, null, null, [], user, clock).Problem is null);
        }
        catch (FieldException)
        {
            return false;
        }
    }

    private static bool IsHarmless(Db db, Guid id) => DecisionStore.Find(db, id) is { Proposal.IsHarmless: true };
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
        return Change.Run(id, database, clock, (db, decision) =>
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
        Change.Run(id, database, clock, (db, decision) =>
        {
            if (decision.State is not (DecisionState.Accepted or DecisionState.Edited or DecisionState.Deferred))
                return "There is nothing to undo.";
            if (decision.State != DecisionState.Deferred && Restore(db, AcceptedChanges.Of(db, id), user, clock) is { } refusal)
                return refusal;
            foreach (var other in DecisionStore.Of(db, decision.AthleteId).Where(d => IsRival(d, decision)))
                DecisionStore.Move(db, other.Id, DecisionState.Superseded, null, new(Guid.CreateVersion7(), other.Id, DecisionEventKind.Superseded, null, clock.Now, null));
            DecisionStore.Move(db, id, DecisionState.Proposed, null, new(Guid.CreateVersion7(), id, DecisionEventKind.Undone, null, clock.Now, Policies.IdOf(user)));
            reconciler.Run(db, decision.AthleteId);
            return null;
        });

    /// <summary>An open decision about the same, that came up since.</summary>
    private static bool IsRival(StoredDecision other, StoredDecision decision) =>
        other.Id != decision.Id && other.Movement == decision.Movement && other.Role == decision.Role && other.Cause == decision.Cause && other.State is DecisionState.Proposed or DecisionState.Deferred;

    /// <summary>Puts every line back as it was; a text that comes back is the refusal.</summary>
    private static string? Restore(Db db, AcceptedChanges changes, ClaimsPrincipal user, ClubClock clock)
    {
        if (changes.V != AcceptedChanges.Version)
            return "This was decided with an earlier version of Cumbre: change the line of the session instead.";
        foreach (var group in changes.Items.GroupBy(i => i.Session))
        {
            if (SessionStore.Find(db, group.Key) is not { } session)
                return "A session that it changed is gone.";
            if (session.Status != SessionStatus.Planned)
                return "The first set of a session that it changed is logged: the decision stands.";
            foreach (var change in group)
            {
                if (session.Items.FirstOrDefault(i => i.Id == change.Item) is not { Plan: not null } item || AcceptDecision.StateOf(item) != change.After)
                    return "A session was changed since: change its line instead.";
            }
        }

        var stamp = clock.Stamp(Policies.IdOf(user));
        foreach (var group in changes.Items.GroupBy(i => i.Session))
        {
            var session = SessionStore.Find(db, group.Key)!;
            var before = group.ToDictionary(c => c.Item, c => c.Before);
            StoredItem[] items = [.. session.Items.Where(i => !before.TryGetValue(i.Id, out var b) || b is not null).Select(i => before.GetValueOrDefault(i.Id) is { } b ? Back(i, b) : i)];
            if (session.Id == changes.Created && items.Length == 0)
                SessionStore.Remove(db, session.Id, session.Version);
            else
                SessionStore.Put(db, session with { Items = items }, stamp);
        }

        return null;
    }

    private static StoredItem Back(StoredItem item, ItemState before) => item with
    {
        Movement = before.Movement,
        Written = PrescriptionJson.Read(before.Plan),
        Role = before.Role,
        Relief = before.Relief is null ? null : Enum.Parse<Relief>(before.Relief),
        Seen = null,
    };
}

/// <param name="Place">As it was told.</param>
/// <param name="Reason">What was found, and by whom.</param>
public sealed record ClearRequest(string Place, string Reason);

internal static class ClearStop
{
    public static Results<NoContent, ProblemHttpResult> Handle(Guid athleteId, ClearRequest request, ClaimsPrincipal user, Database database, ClubClock clock, Reconciler reconciler)
    {
        var reason = Problems.Text("reason", request.Reason, "what was found, and by whom", 400);
        var place = PainPlace.Read(Problems.Text("place", request.Place, "a place", 60));
        var problem = database.Write<IResult?>(db =>
        {
            if (Work.Load(db, athleteId, clock.Today) is not { } found)
                return Problems.NotFound("athlete");
            if (found.Athlete.Stops.All(s => !s.Place.IsSameAs(place)))
                return Problems.Conflict("Nothing is stopped for this place.", null);
            var (stamp, id) = (clock.Stamp(Policies.IdOf(user)), Guid.CreateVersion7());
            HealthStore.Add(db, id, athleteId, new StopClearance(clock.Today, place, reason), stamp);
            foreach (var taken in DecisionStore.Of(db, athleteId).Where(d => d is { Kind: ProposalKind.Refer, State: DecisionState.Accepted } && PainPlace.Read(d.Proposal.Place ?? "").IsSameAs(place)))
                DecisionStore.Clear(db, taken.Id, new(Guid.CreateVersion7(), taken.Id, DecisionEventKind.Cleared, System.Text.Json.JsonSerializer.Serialize(reason), clock.Now, stamp.By));
            AuditStore.Add(db, Guid.CreateVersion7(), "stop", id, "stop cleared", reason, stamp);
            reconciler.Run(db, athleteId);
            return null;
        });
        return problem is null ? TypedResults.NoContent() : (ProblemHttpResult)problem;
    }
}

internal static class Change
{
    /// <summary>Runs a change of a decision in one transaction; a text that comes back is the refusal, and nothing is written.</summary>
    public static Results<Ok<AcceptAnswer>, ProblemHttpResult> Run(Guid id, Database database, ClubClock clock, Func<Db, StoredDecision, string?> change)
    {
        var (problem, answer) = database.Write<(IResult?, AcceptAnswer?)>(
            db =>
            {
                if (DecisionStore.Find(db, id) is not { } decision)
                    return (Problems.NotFound("decision"), null);
                var refusal = change(db, decision);
                var now = DecisionDto.Of(db, DecisionStore.Find(db, id)!, clock.Today);
                return (refusal is null ? null : Problems.Conflict(refusal, now), new AcceptAnswer(now, null));
            },
            result => result.Item1 is null);
        return problem is null ? TypedResults.Ok(answer!) : (ProblemHttpResult)problem;
    }
}
