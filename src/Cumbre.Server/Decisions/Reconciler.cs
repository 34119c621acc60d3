using Cumbre.Core.Decisions;
using Cumbre.Core.Movements;
using Cumbre.Core.Notation;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Decisions;

namespace Cumbre.Server.Decisions;

/// <summary>
/// Holds the open decisions of an athlete against what the engine says now: keeps what still holds, supersedes what does not,
/// and proposes what is new. Runs inside every write that the rules depend on.
/// </summary>
public sealed class Reconciler(ClubClock clock)
{
    public void Run(Db db, Guid athleteId)
    {
        if (SnapshotStore.Load(db, athleteId, clock.Today) is not { } found || AccountStore.Club(db) is not { } club)
            return;
        var known = DecisionStore.Of(db, athleteId);
        var stopped = known.Where(DecisionDto.Stops).Select(d => d.Movement).ToHashSet();
        var movements = found.Snapshot.Exposures.Select(e => e.Movement).Concat(known.Select(d => d.Movement)).Distinct();
        foreach (var movement in movements)
        {
            var proposal = stopped.Contains(movement)
                ? null
                : DecisionEngine.Decide(found.Snapshot, movement, Catalogue.Shipped.Rules, club.Days, clock.Today);
            Settle(db, athleteId, [.. known.Where(d => d.Movement == movement)], proposal);
        }
    }

    private void Settle(Db db, Guid athleteId, IReadOnlyList<StoredDecision> known, Proposal? proposal)
    {
        // What the coach has already decided about this session is not asked again.
        var taken = proposal is not null && known.Any(d =>
            d.State is (DecisionState.Accepted or DecisionState.Edited) && d.BasisSessionId == proposal.BasisSessionId && d.Kind == proposal.Kind);
        var kept = false;
        foreach (var open in known.Where(d => d.State is DecisionState.Proposed or DecisionState.Deferred))
        {
            if (proposal is not null && !taken && Same(open.Proposal, proposal))
                kept = true;
            else
                DecisionStore.Move(db, open.Id, DecisionState.Superseded, null, Event(open.Id, DecisionEventKind.Superseded));
        }

        if (proposal is null || taken || kept)
            return;
        var id = Guid.CreateVersion7();
        DecisionStore.Add(
            db,
            new(id, athleteId, proposal.Movement, proposal.Kind, proposal.Cause, proposal.BasisSessionId, DecisionState.Proposed, null, false, proposal),
            Event(id, DecisionEventKind.Proposed));
    }

    private static bool Same(Proposal a, Proposal b) =>
        a.Kind == b.Kind && a.Cause == b.Cause && a.BasisSessionId == b.BasisSessionId && a.NextIsEasy == b.NextIsEasy && Line(a) == Line(b);

    private static string? Line(Proposal p) => p.Next is null ? null : NotationPrinter.Print(p.Next);

    private StoredEvent Event(Guid decisionId, DecisionEventKind kind) => new(Guid.CreateVersion7(), decisionId, kind, null, clock.Now, null);
}
