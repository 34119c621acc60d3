using System.Security.Claims;
using Cumbre.Core.Safety;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Sessions;

/// <param name="Day">Today or earlier.</param>
/// <param name="What">For instance climbing, running, a game.</param>
/// <param name="Minutes">1 to 600.</param>
/// <param name="Effort">1 to 10.</param>
public sealed record OtherTrainingRequest(DateOnly Day, string What, int Minutes, int Effort);

internal static class PutOtherTraining
{
    public static Results<Ok<OtherTraining>, ProblemHttpResult> Handle(
        Guid athleteId,
        Guid id,
        OtherTrainingRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    )
    {
        var day = Problems.NotInFuture("day", request.Day, clock.Today);
        var what = Problems.Text("what", request.What, Words.WriteActivity, 40);
        var other = Problems.At("", () => new OtherTraining(id, day, what, request.Minutes, request.Effort));
        return database.Write(db =>
            AthleteStore.Find(db, athleteId) is not null
            && HealthStore.Put(db, athleteId, other, clock.Stamp(Policies.IdOf(user)))
        )
            ? TypedResults.Ok(other)
            : (ProblemHttpResult)Problems.NotFound(Words.NoAthlete);
    }
}

internal static class RemoveOtherTraining
{
    public static Results<NoContent, ProblemHttpResult> Handle(Guid athleteId, Guid id, Database database) =>
        database.Write(db => HealthStore.RemoveOther(db, athleteId, id))
            ? TypedResults.NoContent()
            : (ProblemHttpResult)Problems.NotFound(Words.NoEntry);
}
