using System.Security.Claims;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Decisions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Decisions;

/// <param name="Until">Null: the next day.</param>
public sealed record DeferRequest(DateOnly? Until);

internal static class DeferDecision
{
    public static Results<Ok<AcceptAnswer>, ProblemHttpResult> Handle(
        Guid id,
        DeferRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock,
        Reach reach
    )
    {
        var until = request.Until ?? clock.Today.AddDays(1);
        if (until <= clock.Today || until > clock.Today.AddDays(60))
            throw Problems.Field("until", Words.DeferRange);
        return DecisionWrite.Run(id, database, clock, reach, (db, decision) =>
        {
            if (decision.State is not (DecisionState.Proposed or DecisionState.Deferred))
                return Words.DecisionTaken;
            DecisionStore.Move(
                db,
                id,
                DecisionState.Deferred,
                until,
                new(Guid.CreateVersion7(), id, DecisionEventKind.Deferred, null, clock.Now, Policies.IdOf(user))
            );
            return null;
        });
    }
}
