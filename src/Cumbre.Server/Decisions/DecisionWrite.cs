using Cumbre.Server.Hosting;
using Cumbre.Server.Privacy;
using Cumbre.Server.Reading;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Decisions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Decisions;

internal static class DecisionWrite
{
    /// <summary>
    /// Runs a change of a decision in one transaction; a message that comes back is the refusal, and nothing is written.
    /// </summary>
    public static Results<Ok<AcceptAnswer>, ProblemHttpResult> Run(
        Guid id,
        Database database,
        ClubClock clock,
        Reach reach,
        Func<Db, StoredDecision, Message?> change
    )
    {
        var (problem, answer) = database.Write<(IResult?, AcceptAnswer?)>(
            db =>
            {
                if (DecisionStore.Find(db, id) is not { } decision || !reach.Holds(decision.AthleteId))
                    return (Problems.NotFound(Words.NoDecision), null);
                Recording.Check(db, decision.AthleteId);
                var refusal = change(db, decision);
                var now = DecisionDto.Of(db, DecisionStore.Find(db, id)!, clock.Today);
                return (refusal is null ? null : Problems.Conflict(refusal, now), new AcceptAnswer(now, null));
            },
            result => result.Item1 is null
        );
        return problem is null ? TypedResults.Ok(answer!) : (ProblemHttpResult)problem;
    }
}
