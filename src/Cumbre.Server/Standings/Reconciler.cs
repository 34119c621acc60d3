using Cumbre.Core.Decisions;
using Cumbre.Core.Movements;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes;
using Cumbre.Server.Hosting;
using Cumbre.Server.Reading;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Decisions;

namespace Cumbre.Server.Standings;

/// <summary>
/// Holds the open decisions of an athlete against what the engine says now: keeps what still holds, supersedes what
/// does not, and proposes what is
/// new. Runs inside every write that the rules depend on.
/// </summary>
public sealed class Reconciler(ClubClock clock)
{
    /// <param name="db">The connection, with its transaction.</param>
    /// <param name="athleteId">Whose.</param>
    /// <param name="corrected">Evidence of the past was changed: what was decided on it is asked again where the answer
    /// is another now.</param>
    public void Run(Db db, Guid athleteId, bool corrected = false)
    {
        // What was written touches nothing that the rules read, for instance a set of a session that goes on.
        if (!corrected && StandingStore.IsFresh(db, athleteId, clock.Today, Standing.Rules))
            return;
        if (Said(db, athleteId) is not { Proposals: var proposals })
            return;
        var known = DecisionStore.About(
            db,
            athleteId,
            [.. proposals.Select(p => p.BasisSessionId).OfType<Guid>().Distinct()]
        );
        var open = known
            .Where(d => d.State is DecisionState.Proposed or DecisionState.Deferred)
            .ToLookup(d => KeyOf(d.Proposal));
        var taken = known.Where(d => d.State is DecisionState.Accepted or DecisionState.Edited).ToArray();
        foreach (var gone in open.Where(g => proposals.All(p => KeyOf(p) != g.Key)).SelectMany(g => g))
            Supersede(db, gone);
        foreach (var proposal in proposals)
            Settle(
                db,
                athleteId,
                proposal,
                [.. open[KeyOf(proposal)]],
                taken.FirstOrDefault(t => Answers(t, proposal)),
                corrected
            );
    }

    /// <summary>What the engine says, once for each state of the log; null: there is no such athlete.</summary>
    public Answer? Said(Db db, Guid athleteId) =>
        Work.Load(db, athleteId, clock.Today) is { } found && AccountStore.Club(db) is { } club
            ? db.Once(athleteId, clock.Today, () =>
                new Answer([
                    .. DecisionEngine
                        .Decide(
                            found.Athlete,
                            Work.Planned(db, athleteId, clock.Today),
                            Catalogue.Shipped.Rules,
                            club.Days
                        )
                        .DistinctBy(KeyOf),
                ])
            )
            : null;

    private void Settle(
        Db db,
        Guid athleteId,
        Proposal proposal,
        IReadOnlyList<StoredDecision> open,
        StoredDecision? taken,
        bool corrected
    )
    {
        // What the coach has already decided about this evidence is not asked again, unless the evidence was changed
        // and says another thing.
        var settled = taken is not null && (!corrected || IsSameDose(taken.Proposal.Next, proposal.Next));
        var kept = false;
        foreach (var known in open)
        {
            if (!settled && Same(known.Proposal, proposal))
                kept = Keep(db, known, proposal);
            else
                Supersede(db, known);
        }

        if (settled || kept)
            return;
        var before = taken ?? (corrected && open.Count > 0 ? open[0] : null);
        if (taken is not null)
            Supersede(db, taken);
        var id = Guid.CreateVersion7();
        DecisionStore.Add(
            db,
            new(
                id,
                athleteId,
                proposal.Movement,
                proposal.Role,
                proposal.Kind,
                proposal.Cause,
                proposal.BasisSessionId,
                DecisionState.Proposed,
                null,
                false,
                proposal
            )
            {
                Renews = before?.Proposal.Next is { } next ? NotationPrinter.Print(next.Plan) : null,
            },
            Event(id, DecisionEventKind.Proposed)
        );
    }

    /// <summary>Everything that the engine proposes for an athlete.</summary>
    public sealed record Answer(IReadOnlyList<Proposal> Proposals);

    private static (string Movement, ItemRole? Role, ProposalCause Cause, string? Place) KeyOf(Proposal p) =>
        (p.Movement, p.Role, p.Cause, p.Place);

    private static bool Answers(StoredDecision taken, Proposal proposal) =>
        taken.Movement == proposal.Movement
        && taken.Role == proposal.Role
        && (taken.Kind == proposal.Kind || taken.Cause == proposal.Cause)
        && taken.Proposal.Place == proposal.Place
        && taken.BasisSessionId == proposal.BasisSessionId
        && taken.Proposal.BasisDay == proposal.BasisDay;

    private static bool IsSameDose(MovementDose? a, MovementDose? b) =>
        a?.Movement == b?.Movement
        && (a is null || b is null ? a is null && b is null : Adjust.IsSameDose(a.Plan, b.Plan));

    private static bool Same(Proposal a, Proposal b) =>
        a.Kind == b.Kind
        && a.BasisSessionId == b.BasisSessionId
        && a.BasisDay == b.BasisDay
        && a.Confirms == b.Confirms
        && Line(a.Next) == Line(b.Next)
        && Line(a.First) == Line(b.First)
        && (a.Before is null ? b.Before is null : b.Before is not null && a.Before == b.Before)
        && Evidence(a) == Evidence(b);

    private static string? Line(MovementDose? dose) =>
        dose is null ? null : dose.Movement + " " + NotationPrinter.Print(dose.Plan);

    /// <summary>It stays, for the day that is the next one now.</summary>
    private static bool Keep(Db db, StoredDecision known, Proposal proposal)
    {
        if (known.Proposal.NextDay != proposal.NextDay)
            DecisionStore.Renew(db, known.Id, proposal);
        return true;
    }

    private void Supersede(Db db, StoredDecision decision) =>
        DecisionStore.Move(
            db,
            decision.Id,
            DecisionState.Superseded,
            null,
            Event(decision.Id, DecisionEventKind.Superseded)
        );

    private StoredEvent Event(Guid decisionId, DecisionEventKind kind) =>
        new(Guid.CreateVersion7(), decisionId, kind, null, clock.Now, null);

    private static string Evidence(Proposal p) =>
        string.Join(
            ';',
            p.Why.Exposures.Select(e => $"{e.Day:O} {e.AddedKilograms} {e.Clean} {string.Join(',', e.Sets)}")
        );
}
