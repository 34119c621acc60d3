using Cumbre.Core.Athletes;
using Cumbre.Server.Accounts;
using Cumbre.Server.Audit;
using Cumbre.Storage;
using Cumbre.Storage.Ladders;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Athletes;

public static class AthleteEndpoints
{
    public static void MapAthletes(this IEndpointRouteBuilder api)
    {
        api.MapGet("/athletes", Roster.Handle).RequireAuthorization(Policies.Coach);
        api.MapGet("/athletes/{athleteId:guid}", GetAthlete.Handle).RequireAuthorization(Policies.OwnAthlete);
        api.MapPut("/athletes/{athleteId:guid}", PutAthlete.Handle)
            .RequireAuthorization(Policies.Coach)
            .WithMetadata(new MakesAthlete());
        api.MapPut("/athletes/{athleteId:guid}/archive", Archive.Put)
            .RequireAuthorization(Policies.Coach)
            .WithMetadata(new WithoutConsent());
        api.MapDelete("/athletes/{athleteId:guid}", Privacy.EraseAthlete.Handle)
            .RequireAuthorization(Policies.Coach)
            .WithMetadata(new WithoutConsent());
        api.MapGet("/athletes/{athleteId:guid}/export", Archive.Export)
            .RequireAuthorization(Policies.OwnAthlete)
            .NotesExport();
        api.MapGet("/athletes/{athleteId:guid}/export.html", Archive.ExportPage)
            .RequireAuthorization(Policies.OwnAthlete)
            .NotesExport();
        api.MapGet("/clearance", Clearances).RequireAuthorization(Policies.SignedIn);
        api.MapPut("/athletes/{athleteId:guid}/body-masses/{id:guid}", PutBodyMass.Handle)
            .RequireAuthorization(Policies.OwnAthlete);
        api.MapDelete("/athletes/{athleteId:guid}/body-masses/{id:guid}", RemoveBodyMass.Handle)
            .RequireAuthorization(Policies.OwnAthlete);
        api.MapGet("/athletes/{athleteId:guid}/overview", Overview.Handle).RequireAuthorization(Policies.OwnAthlete);
        api.MapGet("/athletes/{athleteId:guid}/records", GetRecords.Handle).RequireAuthorization(Policies.OwnAthlete);
        api.MapGet("/athletes/{athleteId:guid}/blocks/{blockId:guid}/review", BlockReviews.Handle)
            .RequireAuthorization(Policies.Coach);
        api.MapGet("/athletes/{athleteId:guid}/trends", Trends.All).RequireAuthorization(Policies.OwnAthlete);
        api.MapGet("/athletes/{athleteId:guid}/trends.csv", TrendCsv.Handle)
            .RequireAuthorization(Policies.OwnAthlete)
            .NotesExport();
        api.MapGet("/athletes/{athleteId:guid}/trends/{movement}", Trends.OfMovement)
            .RequireAuthorization(Policies.OwnAthlete);
        api.MapGet("/athletes/{athleteId:guid}/movement", MovementPage.Handle)
            .RequireAuthorization(Policies.OwnAthlete);
    }

    private static Ok<IReadOnlyList<ClearanceQuestionDto>> Clearances(Database database)
    {
        var movements = database.Read(CatalogueStore.Club).Catalogue.Movements.Values;
        return TypedResults.Ok<IReadOnlyList<ClearanceQuestionDto>>([
            .. Clearance.Questions.Select(q => new ClearanceQuestionDto(
                q.Slug,
                q.Question,
                q.Why,
                q.IsByAge,
                q.BlocksAll,
                movements.Count(q.Blocks)
            )),
        ]);
    }
}
