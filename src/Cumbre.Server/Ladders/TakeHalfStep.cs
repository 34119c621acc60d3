using System.Security.Claims;
using Cumbre.Core.Levers;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Audit;
using Cumbre.Storage.Ladders;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Ladders;

/// <summary>Which step of the lab is meant; the lab works it out itself.</summary>
/// <param name="After">Slug of the easier step.</param>
/// <param name="Before">Slug of the harder one.</param>
/// <param name="Kind">How.</param>
/// <param name="At">Where help or a weight takes hold.</param>
/// <param name="Share">Of the full line, as the lab said it.</param>
public sealed record HalfStepRequest(string After, string Before, HalfStepKind Kind, BodyPoint At, double Share);

/// <summary>Steps from the lever lab into an athlete's ladder, and out of it.</summary>
internal static class TakeHalfStep
{
    public static Results<NoContent, ProblemHttpResult> Take(
        Guid athleteId,
        string ladder,
        Guid id,
        HalfStepRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    ) =>
        database.Write<Results<NoContent, ProblemHttpResult>>(db =>
        {
            if (LabPage.Load(db, athleteId, ladder, clock.Today) is not { Ladder: { } found, Lab: { } lab })
                return (ProblemHttpResult)Problems.NotFound(Words.NoLab);
            var half = lab
                .Gaps.Where(g =>
                    found.Steps[g.After].Slug == request.After && found.Steps[g.Before].Slug == request.Before
                )
                .SelectMany(g => g.HalfSteps)
                .Where(h => h.Kind == request.Kind && h.At == request.At)
                .MinBy(h => Math.Abs(h.Share - request.Share));
            if (half is null || !LabPage.Near(half, half with { Share = request.Share }))
                return (ProblemHttpResult)Problems.Conflict(Words.HalfStepGone, null);
            var stamp = clock.Stamp(Policies.IdOf(user));
            if (HalfStepStore.Add(db, athleteId, ladder, new(id, request.After, request.Before, half), stamp))
                AuditStore.Add(db, Note(AuditKind.HalfStepTaken, athleteId, id, ladder), stamp);
            return TypedResults.NoContent();
        });

    public static Results<NoContent, ProblemHttpResult> Remove(
        Guid athleteId,
        string ladder,
        Guid id,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    ) =>
        database.Write<Results<NoContent, ProblemHttpResult>>(db =>
        {
            if (HalfStepStore.Remove(db, athleteId, ladder, id))
                AuditStore.Add(
                    db,
                    Note(AuditKind.HalfStepRemoved, athleteId, id, ladder),
                    clock.Stamp(Policies.IdOf(user))
                );
            return TypedResults.NoContent();
        });

    private static AuditNote Note(AuditKind kind, Guid athlete, Guid id, string ladder) =>
        new(kind)
        {
            Athlete = athlete,
            Subject = id,
            After = ladder,
        };
}
