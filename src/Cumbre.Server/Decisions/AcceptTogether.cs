using System.Security.Claims;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Decisions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Decisions;

/// <param name="Ids">Harmless decisions that are accepted as they are.</param>
public sealed record AcceptTogetherRequest(IReadOnlyList<Guid> Ids);

/// <summary>What was accepted, and what was not because it asks for a look.</summary>
public sealed record AcceptTogetherAnswer(IReadOnlyList<Guid> Accepted, IReadOnlyList<Guid> Left);

internal static class AcceptTogether
{
    private const int AtOnce = 100;

    /// <summary>Accepts those that can hurt nobody; the others stay where they are.</summary>
    public static Results<Ok<AcceptTogetherAnswer>, ProblemHttpResult> Handle(
        AcceptTogetherRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock,
        Reach reach
    )
    {
        if (request.Ids.Count is 0 or > AtOnce)
            throw Problems.Field("ids", Words.AcceptRange(AtOnce));
        var answer = database.Write(db =>
        {
            List<Guid> accepted = [],
                left = [];
            foreach (var id in request.Ids.Distinct())
                (IsHarmless(db, id) && IsTaken(db, id, user, clock, reach) ? accepted : left).Add(id);
            return new AcceptTogetherAnswer(accepted, left);
        });
        return TypedResults.Ok(answer);
    }

    /// <summary>One that asks for a reason is left for the coach, and leaves nothing half done.</summary>
    private static bool IsTaken(Db db, Guid id, ClaimsPrincipal user, ClubClock clock, Reach reach)
    {
        try
        {
            return db.Part(() => AcceptDecision.Take(db, id, null, null, [], user, clock, reach).Problem is null);
        }
        catch (FieldException)
        {
            return false;
        }
    }

    private static bool IsHarmless(Db db, Guid id) => DecisionStore.Find(db, id) is { Proposal.IsHarmless: true };
}
