using System.Security.Claims;
using Cumbre.Core.Ladders;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Audit;
using Cumbre.Storage.Ladders;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Ladders;

/// <param name="Step">Slug of a step of the ladder.</param>
/// <param name="Reason">Why, 1 to 200 characters; it is kept.</param>
public sealed record PlacementRequest(string Step, string Reason);

internal static class SetPlacement
{
    public static Results<Ok<AthleteLadderDto>, ProblemHttpResult> Handle(
        Guid athleteId,
        string ladder,
        PlacementRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    )
    {
        if (database.Read(db => CatalogueStore.Club(db).Atlas.BySlug.GetValueOrDefault(ladder)) is not { } found)
            return (ProblemHttpResult)Problems.NotFound(Words.NoLadder);
        if (found.Steps.All(s => s.Slug != request.Step))
            throw Problems.Field("step", Words.StepUnknown(found.Name, request.Step));
        var reason = Problems.Text("reason", request.Reason, Words.WriteReason, 200);
        return Change(athleteId, found, database, clock, db =>
        {
            var stamp = clock.Stamp(Policies.IdOf(user));
            PlacementStore.Put(db, athleteId, new(ladder, request.Step, reason, clock.Today), stamp);
            AuditStore.Add(
                db,
                new(AuditKind.PlacementSet)
                {
                    Athlete = athleteId,
                    After = $"{ladder}: {request.Step}",
                    Reason = reason,
                },
                stamp
            );
        });
    }

    public static Results<Ok<AthleteLadderDto>, ProblemHttpResult> GiveBack(
        Guid athleteId,
        string ladder,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    )
    {
        if (database.Read(db => CatalogueStore.Club(db).Atlas.BySlug.GetValueOrDefault(ladder)) is not { } found)
            return (ProblemHttpResult)Problems.NotFound(Words.NoLadder);
        return Change(athleteId, found, database, clock, db =>
        {
            if (PlacementStore.Remove(db, athleteId, ladder))
                AuditStore.Add(
                    db,
                    new(AuditKind.PlacementGivenBack) { Athlete = athleteId, After = ladder },
                    clock.Stamp(Policies.IdOf(user))
                );
        });
    }

    private static Results<Ok<AthleteLadderDto>, ProblemHttpResult> Change(
        Guid athleteId,
        Ladder ladder,
        Database database,
        ClubClock clock,
        Action<Db> write
    )
    {
        var page = database.Write(db =>
        {
            if (AthleteStore.Find(db, athleteId) is null)
                return null;
            write(db);
            return AthleteLadder.Read(db, athleteId, ladder, clock.Today);
        });
        return page is null ? (ProblemHttpResult)Problems.NotFound(Words.NoAthlete) : TypedResults.Ok(page);
    }
}
