using Cumbre.Server.Accounts;

namespace Cumbre.Server.Athletes;

public static class AthleteEndpoints
{
    public static void MapAthletes(this IEndpointRouteBuilder api)
    {
        api.MapGet("/athletes", Roster.Handle).RequireAuthorization(Policies.Coach);
        api.MapGet("/athletes/{athleteId:guid}", GetAthlete.Handle).RequireAuthorization(Policies.OwnAthlete);
        api.MapPut("/athletes/{athleteId:guid}", PutAthlete.Handle).RequireAuthorization(Policies.Coach);
        api.MapPut("/athletes/{athleteId:guid}/body-masses/{id:guid}", PutBodyMass.Handle).RequireAuthorization(Policies.OwnAthlete);
        api.MapDelete("/athletes/{athleteId:guid}/body-masses/{id:guid}", RemoveBodyMass.Handle).RequireAuthorization(Policies.Coach);
        api.MapGet("/athletes/{athleteId:guid}/weighted-pull-up", LiftPage.Handle).RequireAuthorization(Policies.OwnAthlete);
    }
}
