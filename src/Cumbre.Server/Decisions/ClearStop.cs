using System.Security.Claims;
using Cumbre.Core.Decisions;
using Cumbre.Core.Movements;
using Cumbre.Core.Safety;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Server.Reading;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Audit;
using Cumbre.Storage.Decisions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Decisions;

/// <param name="Place">As it was told.</param>
/// <param name="Reason">What was found, and by whom.</param>
public sealed record ClearRequest(string Place, string Reason);

internal static class ClearStop
{
    public static Results<NoContent, ProblemHttpResult> Handle(
        Guid athleteId,
        ClearRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    )
    {
        var reason = Problems.Text("reason", request.Reason, Words.WriteFinding, 400);
        var place = PainPlace.Read(Problems.Text("place", request.Place, Words.WritePlace, 60));
        var problem = database.Write<IResult?>(db =>
        {
            if (Work.Load(db, athleteId, clock.Today) is not { } found)
                return Problems.NotFound(Words.NoAthlete);
            if (found.Athlete.Stops.All(s => !s.Place.IsSameAs(place)))
                return Problems.Conflict(Words.NothingStopped, null);
            var (stamp, id) = (clock.Stamp(Policies.IdOf(user)), Guid.CreateVersion7());
            HealthStore.Add(db, id, athleteId, new StopClearance(clock.Today, place, reason), stamp);
            foreach (
                var taken in DecisionStore
                    .Of(db, athleteId)
                    .Where(d =>
                        d is { Kind: ProposalKind.Refer, State: DecisionState.Accepted }
                        && PainPlace.Read(d.Proposal.Place ?? "").IsSameAs(place)
                    )
            )
                DecisionStore.Clear(
                    db,
                    taken.Id,
                    new(
                        Guid.CreateVersion7(),
                        taken.Id,
                        DecisionEventKind.Cleared,
                        System.Text.Json.JsonSerializer.Serialize(reason),
                        clock.Now,
                        stamp.By
                    )
                );
            AuditStore.Add(
                db,
                new(AuditKind.StopCleared)
                {
                    Athlete = athleteId,
                    Subject = id,
                    After = request.Place.Trim(),
                    Reason = reason,
                },
                stamp
            );
            db.Reconsider(athleteId);
            return null;
        });
        return problem is null ? TypedResults.NoContent() : (ProblemHttpResult)problem;
    }
}
