using Cumbre.Server.Accounts;

namespace Cumbre.Server.Decisions;

public static class DecisionEndpoints
{
    public static void MapDecisions(this IEndpointRouteBuilder api)
    {
        api.MapGet("/desk", Desk.Handle).Produces<DeskDto>().RequireAuthorization(Policies.Coach);
        api.MapGet("/decisions/{id:guid}", ShowDecision.Handle).RequireAuthorization(Policies.Coach);
        api.MapPost("/decisions/accept", AcceptTogether.Handle).RequireAuthorization(Policies.Coach);
        api.MapPost("/decisions/{id:guid}/accept", AcceptDecision.Handle).RequireAuthorization(Policies.Coach);
        api.MapPost("/decisions/{id:guid}/later", DeferDecision.Handle).RequireAuthorization(Policies.Coach);
        api.MapPost("/decisions/{id:guid}/undo", UndoDecision.Handle).RequireAuthorization(Policies.Coach);
        api.MapPost("/athletes/{athleteId:guid}/stops/clear", ClearStop.Handle).RequireAuthorization(Policies.Coach);
    }
}
