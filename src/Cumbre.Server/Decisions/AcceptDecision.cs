using System.Security.Claims;
using Cumbre.Core.Decisions;
using Cumbre.Core.Explanations;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Server.Privacy;
using Cumbre.Server.Reading;
using Cumbre.Server.Sessions;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Audit;
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

internal static class AcceptDecision
{
    public static Results<Ok<AcceptAnswer>, ProblemHttpResult> Handle(
        Guid id,
        AcceptRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock,
        Reach reach
    )
    {
        var edited = request.Line is null ? null : ReadLine.Parse("line", request.Line);
        var reason = string.IsNullOrWhiteSpace(request.Reason)
            ? null
            : Problems.Text("reason", request.Reason, Words.WriteReason, 400);
        var (problem, session) = database.Write(db =>
            Take(db, id, edited, reason, request.Also ?? [], user, clock, reach)
        );
        return problem is null
            ? TypedResults.Ok(
                new AcceptAnswer(
                    database.Read(db => DecisionDto.Of(db, DecisionStore.Find(db, id)!, clock.Today)),
                    session
                )
            )
            : (ProblemHttpResult)problem;
    }

    /// <summary>Takes a decision; a problem that comes back is the refusal, and nothing is written.</summary>
    public static (IResult? Problem, Guid? Session) Take(
        Db db,
        Guid id,
        Prescription? edited,
        string? reason,
        IReadOnlyList<Guid> also,
        ClaimsPrincipal user,
        ClubClock clock,
        Reach reach
    )
    {
        if (
            DecisionStore.Find(db, id) is not { } decision
            || !reach.Holds(decision.AthleteId)
            || Work.Load(db, decision.AthleteId, clock.Today) is not var (profile, athlete)
        )
            return (Problems.NotFound(Words.NoDecision), null);
        Recording.Check(db, decision.AthleteId);
        if (profile.ArchivedAt is not null)
            return (Problems.Conflict(Words.AthleteArchived, DecisionDto.Of(db, decision, clock.Today)), null);
        if (decision.State is not (DecisionState.Proposed or DecisionState.Deferred))
            return (Problems.Conflict(Words.DecisionTaken, DecisionDto.Of(db, decision, clock.Today)), null);
        var isEdit =
            edited is not null
            && decision.Proposal.Next is { } next
            && NotationPrinter.Print(edited) != NotationPrinter.Print(next.Plan);
        var proposal = isEdit
            ? decision.Proposal with
            {
                Next = decision.Proposal.Next! with { Plan = edited! },
                Confirms = false,
            }
            : decision.Proposal;
        var planned = Work.Planned(db, decision.AthleteId, clock.Today);
        var revisions = PlanRevision
            .Of(proposal, athlete, planned, _ => Guid.CreateVersion7())
            .Where(r => !r.IsQuestion || also.Contains(r.Item))
            .ToArray();
        AcceptedChanges changes;
        if (revisions.Length > 0)
        {
            changes = Revise(db, proposal, revisions, athlete, reason, user, clock);
        }
        else if (PlansNext(proposal, planned))
        {
            if (
                SessionStore.Next(db, decision.AthleteId, proposal.Next!.Movement, clock.Today) is
                { Status: SessionStatus.Started }
            )
                return (Problems.Conflict(Words.NextSessionBegun, null), null);
            changes = PlanOne(db, decision.AthleteId, proposal, athlete, reason, user, clock);
        }
        else
        {
            changes = new(AcceptedChanges.Version, null, []);
        }

        DecisionStore.Move(
            db,
            id,
            isEdit ? DecisionState.Edited : DecisionState.Accepted,
            null,
            new(
                Guid.CreateVersion7(),
                id,
                isEdit ? DecisionEventKind.Edited : DecisionEventKind.Accepted,
                changes.ToJson(),
                clock.Now,
                Policies.IdOf(user)
            )
        );
        return (null, changes.Items is [var first, ..] ? first.Session : null);
    }

    /// <summary>
    /// Without an item in a coming session the next one is planned with it; words to the coach plan nothing.
    /// </summary>
    private static bool PlansNext(Proposal proposal, IReadOnlyList<PlannedItem> planned) =>
        proposal is { Next: not null, Confirms: false, Kind: not ProposalKind.Achieved }
        && planned.All(p => p.Movement != proposal.Movement);

    private static AcceptedChanges Revise(
        Db db,
        Proposal proposal,
        IReadOnlyList<ItemRevision> revisions,
        AthleteAtWork athlete,
        string? reason,
        ClaimsPrincipal user,
        ClubClock clock
    )
    {
        var changes = new List<AcceptedChange>();
        foreach (var group in revisions.GroupBy(r => r.Session))
        {
            var session = SessionStore.Find(db, group.Key)!;
            var items = session.Items.ToList();
            foreach (var revision in group)
            {
                ItemState? before = null;
                if (revision.Before is null)
                {
                    items.Insert(
                        items.FindIndex(i => i.Id == revision.AheadOf),
                        new(revision.Item, revision.After.Movement, revision.After.Plan, null)
                        {
                            Role = ItemRole.LevelFinding,
                        }
                    );
                }
                else
                {
                    var at = items.FindIndex(i => i.Id == revision.Item);
                    before = StateOf(items[at]);
                    items[at] = items[at] with
                    {
                        Movement = revision.After.Movement,
                        Written = revision.After.Plan,
                        Role = RoleAfter(proposal, items[at].Role),
                        Relief = ReliefOf(proposal.Kind) ?? items[at].Relief,
                        Seen = null,
                    };
                }

                changes.Add(
                    new(
                        session.Id,
                        revision.Item,
                        session.Day,
                        before,
                        StateOf(items.First(i => i.Id == revision.Item))
                    )
                );
            }

            Put(db, session with { Items = items }, [.. group.Select(r => r.After)], athlete, reason, user, clock);
        }

        return new(AcceptedChanges.Version, null, changes);
    }

    private static AcceptedChanges PlanOne(
        Db db,
        Guid athleteId,
        Proposal proposal,
        AthleteAtWork athlete,
        string? reason,
        ClaimsPrincipal user,
        ClubClock clock
    )
    {
        var day = proposal.NextDay > clock.Today ? proposal.NextDay : clock.Today;
        List<StoredItem> items = [];
        if (proposal.First is { } first)
            items.Add(new(Guid.CreateVersion7(), first.Movement, first.Plan, null) { Role = ItemRole.LevelFinding });
        items.Add(
            new(Guid.CreateVersion7(), proposal.Next!.Movement, proposal.Next.Plan, null)
            {
                Role = RoleAfter(proposal, proposal.Role),
                Relief = ReliefOf(proposal.Kind),
            }
        );
        // An athlete who already trains under a kept reason goes on under it.
        var kept = proposal.BasisSessionId is { } basis ? SessionStore.Find(db, basis)?.OverrideReason : null;
        var session = new StoredSession(
            Guid.CreateVersion7(),
            athleteId,
            day,
            SessionStatus.Planned,
            ReliefOf(proposal.Kind) == Relief.Deload,
            kept,
            0,
            items
        );
        Put(db, session, [.. items.Select(i => new MovementDose(i.Movement, i.Plan!))], athlete, reason, user, clock);
        return new(
            AcceptedChanges.Version,
            session.Id,
            [.. items.Select(i => new AcceptedChange(session.Id, i.Id, day, null, StateOf(i)))]
        );
    }

    private static void Put(
        Db db,
        StoredSession session,
        IReadOnlyList<MovementDose> doses,
        AthleteAtWork athlete,
        string? reason,
        ClaimsPrincipal user,
        ClubClock clock
    )
    {
        var kept = reason ?? session.OverrideReason;
        var needs = doses.SelectMany(d => NeedsOf(d, athlete)).DistinctBy(c => c.Id).ToArray();
        if (needs.Length > 0 && kept is null)
            throw Problems.Field("reason", Words.OverrideReason);
        var stamp = clock.Stamp(Policies.IdOf(user));
        if (SessionStore.Put(db, session with { OverrideReason = kept }, stamp) != Written.Done)
            throw new InvalidOperationException("A session changed within the transaction that read it.");
        if (needs.Length > 0)
            AuditStore.Add(
                db,
                new(AuditKind.PlannedAgainstCaution)
                {
                    Athlete = session.AthleteId,
                    Subject = session.Id,
                    After = string.Join(", ", needs.Select(c => c.Id)),
                    Reason = kept,
                },
                stamp
            );
    }

    private static IReadOnlyList<CautionNote> NeedsOf(MovementDose dose, AthleteAtWork athlete)
    {
        var reading = PlanReader.Read(athlete, dose.Movement, dose.Plan, athlete.Today, null);
        return reading.Problem is { } problem
            ? throw Problems.Field("line", PlanSession.Wording(problem))
            : reading.NeedsReason;
    }

    private static Relief? ReliefOf(ProposalKind kind) =>
        kind switch
        {
            ProposalKind.Deload or ProposalKind.LighterWeek => Relief.Deload,
            ProposalKind.Ease or ProposalKind.Return => Relief.Ease,
            _ => null,
        };

    /// <summary>Once its level was found an item is trained like any other.</summary>
    private static ItemRole? RoleAfter(Proposal proposal, ItemRole? role) =>
        proposal.Kind == ProposalKind.SetDose && role == ItemRole.LevelFinding ? ItemRole.Main : role;

    internal static ItemState StateOf(StoredItem item) =>
        new(item.Movement, PrescriptionJson.Write(item.Plan!), item.Role, item.Relief?.ToString());
}
