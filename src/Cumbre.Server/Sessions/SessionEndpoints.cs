using Cumbre.Server.Accounts;

namespace Cumbre.Server.Sessions;

public static class SessionEndpoints
{
    public static void MapSessions(this IEndpointRouteBuilder api)
    {
        api.MapGet("/athletes/{athleteId:guid}/meaning", ReadLine.Handle).RequireAuthorization(Policies.Coach);
        api.MapGet("/logbook", Logbook.Page).RequireAuthorization(Policies.Coach);
        api.MapGet("/logbook/sums", Logbook.Sums).RequireAuthorization(Policies.Coach);
        api.MapGet("/logbook/highest", Logbook.Highest).RequireAuthorization(Policies.Coach);
        api.MapGet("/logbook/views", LogViews.All).RequireAuthorization(Policies.Coach);
        api.MapPut("/logbook/views", LogViews.Put).RequireAuthorization(Policies.Coach);
        api.MapDelete("/logbook/views/{name}", LogViews.Remove).RequireAuthorization(Policies.Coach);
        api.MapPost("/logbook/set-up", FixSetUp.Handle).RequireAuthorization(Policies.Coach);
        api.MapGet("/logbook/sets.csv", LogbookCsv.Handle).RequireAuthorization(Policies.Coach);
        api.MapGet("/athletes/{athleteId:guid}/log", GetLog.Handle).RequireAuthorization(Policies.OwnAthlete);
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
        api.MapGet("/records", NewRecords.OfClub).RequireAuthorization(Policies.Coach);
        api.MapPut("/records/told", NewRecords.ToldClub).RequireAuthorization(Policies.Coach);
        api.MapGet("/athletes/{athleteId:guid}/records/new", NewRecords.Own).RequireAuthorization(Policies.OwnAthlete);
        api.MapPut("/athletes/{athleteId:guid}/records/told", NewRecords.ToldOwn)
            .RequireAuthorization(Policies.OwnAthlete);
        api.MapPost("/athletes/{athleteId:guid}/sessions/{sessionId:guid}/finish", FinishSession.Handle)
            .RequireAuthorization(Policies.OwnAthlete);
        api.MapPost("/athletes/{athleteId:guid}/sessions/{sessionId:guid}/sets/{setId:guid}/preview", LogSet.Preview)
            .RequireAuthorization(Policies.Coach);
        api.MapGet("/athletes/{athleteId:guid}/sessions/{sessionId:guid}/sets/{setId:guid}/history", SetHistory.Handle)
            .RequireAuthorization(Policies.OwnAthlete);
        api.MapPost("/athletes/{athleteId:guid}/sessions/{sessionId:guid}/move", MoveSession.Handle)
            .RequireAuthorization(Policies.Coach);
        api.MapPost("/athletes/{athleteId:guid}/sessions/{sessionId:guid}/split", SplitSession.Handle)
            .RequireAuthorization(Policies.Coach);
        api.MapPut("/athletes/{athleteId:guid}/sessions/{sessionId:guid}/items/{itemId:guid}/skip", SkipItem.Handle)
            .RequireAuthorization(Policies.OwnAthlete);
        api.MapPut("/athletes/{athleteId:guid}/sessions/{sessionId:guid}/effort", TellEffort.Handle)
            .RequireAuthorization(Policies.OwnAthlete);
        api.MapPost("/athletes/{athleteId:guid}/sessions/{sessionId:guid}/easy", AnswerEasy.Handle)
            .RequireAuthorization(Policies.OwnAthlete);
        api.MapPut("/athletes/{athleteId:guid}/other-training/{id:guid}", PutOtherTraining.Handle)
            .RequireAuthorization(Policies.OwnAthlete);
        api.MapDelete("/athletes/{athleteId:guid}/other-training/{id:guid}", RemoveOtherTraining.Handle)
            .RequireAuthorization(Policies.OwnAthlete);
    }
}
