using Cumbre.Server.Accounts;

namespace Cumbre.Server.Sessions;

public static class SessionEndpoints
{
    public static void MapSessions(this IEndpointRouteBuilder api)
    {
        api.MapGet("/athletes/{athleteId:guid}/meaning", ReadLine.Handle).RequireAuthorization(Policies.Coach);
        api.MapGet("/athletes/{athleteId:guid}/sessions/{sessionId:guid}", GetSession.Handle)
            .RequireAuthorization(Policies.OwnAthlete);
        api.MapPut("/athletes/{athleteId:guid}/sessions/{sessionId:guid}", PlanSession.Handle)
            .RequireAuthorization(Policies.Coach);
        api.MapDelete("/athletes/{athleteId:guid}/sessions/{sessionId:guid}", RemoveSession.Handle)
            .RequireAuthorization(Policies.Coach);
        api.MapPut("/athletes/{athleteId:guid}/sessions/{sessionId:guid}/sets/{setId:guid}", LogSet.Handle)
            .RequireAuthorization(Policies.OwnAthlete);
        api.MapPut("/athletes/{athleteId:guid}/check-ins/{id:guid}", PutCheckIn.Handle)
            .RequireAuthorization(Policies.OwnAthlete);
        api.MapPut("/athletes/{athleteId:guid}/sessions/{sessionId:guid}/morning", PutMorning.Handle)
            .RequireAuthorization(Policies.OwnAthlete);
        api.MapPost("/athletes/{athleteId:guid}/sessions/{sessionId:guid}/finish", FinishSession.Handle)
            .RequireAuthorization(Policies.OwnAthlete);
    }
}
