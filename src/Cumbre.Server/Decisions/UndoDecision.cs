using System.Security.Claims;
using Cumbre.Core.Prescriptions;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Server.Reading;
using Cumbre.Server.Standings;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Decisions;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Decisions;

internal static class UndoDecision
{
    public static Results<Ok<AcceptAnswer>, ProblemHttpResult> Handle(
        Guid id,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock,
        Reconciler reconciler,
        Reach reach
    ) => DecisionWrite.Run(id, database, clock, reach, (db, decision) =>
        {
            if (decision.State is not (DecisionState.Accepted or DecisionState.Edited or DecisionState.Deferred))
                return Words.NothingToUndo;
            if (
                decision.State != DecisionState.Deferred
                && Restore(db, AcceptedChanges.Of(db, id), user, clock) is { } refusal
            )
                return refusal;
            foreach (var other in DecisionStore.Of(db, decision.AthleteId).Where(d => IsRival(d, decision)))
                DecisionStore.Move(
                    db,
                    other.Id,
                    DecisionState.Superseded,
                    null,
                    new(Guid.CreateVersion7(), other.Id, DecisionEventKind.Superseded, null, clock.Now, null)
                );
            DecisionStore.Move(
                db,
                id,
                DecisionState.Proposed,
                null,
                new(Guid.CreateVersion7(), id, DecisionEventKind.Undone, null, clock.Now, Policies.IdOf(user))
            );
            reconciler.Run(db, decision.AthleteId);
            return null;
        });

    /// <summary>An open decision about the same, that came up since.</summary>
    private static bool IsRival(StoredDecision other, StoredDecision decision) =>
        other.Id != decision.Id
        && other.Movement == decision.Movement
        && other.Role == decision.Role
        && other.Cause == decision.Cause
        && other.State is DecisionState.Proposed or DecisionState.Deferred;

    /// <summary>Puts every line back as it was; a text that comes back is the refusal.</summary>
    private static Message? Restore(Db db, AcceptedChanges changes, ClaimsPrincipal user, ClubClock clock)
    {
        if (changes.V != AcceptedChanges.Version)
            return Words.UndoTooOld;
        foreach (var group in changes.Items.GroupBy(i => i.Session))
        {
            if (SessionStore.Find(db, group.Key) is not { } session)
                return Words.UndoSessionGone;
            if (session.Status != SessionStatus.Planned)
                return Words.UndoLogged;
            foreach (var change in group)
            {
                if (
                    session.Items.FirstOrDefault(i => i.Id == change.Item) is not { Plan: not null } item
                    || AcceptDecision.StateOf(item) != change.After
                )
                    return Words.UndoChanged;
            }
        }

        var stamp = clock.Stamp(Policies.IdOf(user));
        foreach (var group in changes.Items.GroupBy(i => i.Session))
        {
            var session = SessionStore.Find(db, group.Key)!;
            var before = group.ToDictionary(c => c.Item, c => c.Before);
            StoredItem[] items =
            [
                .. session
                    .Items.Where(i => !before.TryGetValue(i.Id, out var b) || b is not null)
                    .Select(i => before.GetValueOrDefault(i.Id) is { } b ? Back(i, b) : i),
            ];
            if (session.Id == changes.Created && items.Length == 0)
                SessionStore.Remove(db, session.Id, session.Version);
            else
                SessionStore.Put(db, session with { Items = items }, stamp);
        }

        return null;
    }

    private static StoredItem Back(StoredItem item, ItemState before) =>
        item with
        {
            Movement = before.Movement,
            Written = PrescriptionJson.Read(before.Plan),
            Role = before.Role,
            Relief = before.Relief is null ? null : Enum.Parse<Relief>(before.Relief),
            Seen = null,
        };
}
