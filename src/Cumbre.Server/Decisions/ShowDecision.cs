using Cumbre.Server.Hosting;
using Cumbre.Server.Reading;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Decisions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Decisions;

/// <summary>One decision with its details.</summary>
internal static class ShowDecision
{
    public static Results<Ok<DecisionDto>, ProblemHttpResult> Handle(
        Guid id,
        Database database,
        ClubClock clock,
        Reach reach
    ) =>
        database.Read(db =>
            DecisionStore.Find(db, id) is { } found && reach.Holds(found.AthleteId)
                ? DecisionDto.Of(db, found, clock.Today)
                : null
        )
            is { } decision
            ? TypedResults.Ok(decision)
            : (ProblemHttpResult)Problems.NotFound(Words.NoDecision);
}
