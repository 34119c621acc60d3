using Cumbre.Server.Accounts;

namespace Cumbre.Server.Exchange;

public static class ExchangeEndpoints
{
    public static void MapExchange(this IEndpointRouteBuilder api)
    {
        api.MapGet("/imports", Imports.List).RequireAuthorization(Policies.Coach);
        api.MapPut("/imports/{id:guid}", Imports.Send).RequireAuthorization(Policies.Coach);
        api.MapGet("/imports/{id:guid}", Imports.Progress).RequireAuthorization(Policies.Coach);
        api.MapDelete("/imports/{id:guid}", Imports.Discard).RequireAuthorization(Policies.Coach);
        api.MapPost("/imports/{id:guid}/preview", Imports.Preview).RequireAuthorization(Policies.Coach);
        api.MapPost("/imports/{id:guid}/run", Imports.Run).RequireAuthorization(Policies.Coach);
        api.MapGet("/export.xlsx", Exports.Book).RequireAuthorization(Policies.Coach);
        api.MapGet("/archive.json", Archives.Write).RequireAuthorization(Policies.Coach);
        api.MapPost("/archives/check", Archives.Check).RequireAuthorization(Policies.Club);
        api.MapPut("/archives/{id:guid}", Archives.Add).RequireAuthorization(Policies.Club);
        api.MapPost("/imports/{id:guid}/undo", Imports.Undo).RequireAuthorization(Policies.Coach);
    }
}
