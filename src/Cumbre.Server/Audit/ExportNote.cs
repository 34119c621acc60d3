using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Audit;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Audit;

internal static class ExportNote
{
    /// <summary>Notes in the audit who took a file about whom out of the app, and which.</summary>
    public static RouteHandlerBuilder NotesExport(this RouteHandlerBuilder endpoint) =>
        endpoint.AddEndpointFilter(
            async (context, next) =>
            {
                var answer = await next(context);
                var inner = answer is INestedHttpResult nested ? nested.Result : answer;
                if (inner is not FileContentHttpResult)
                    return answer;
                var http = context.HttpContext;
                http.RequestServices.GetRequiredService<Database>()
                    .WriteOnly(
                        db =>
                        {
                            AuditStore.Add(
                                db,
                                new(AuditKind.Exported)
                                {
                                    Athlete = Policies.AthleteOf(http),
                                    After = http.Request.Path.Value!.Split('/')[^1],
                                },
                                http.RequestServices.GetRequiredService<ClubClock>().Stamp(Policies.IdOf(http.User))
                            );
                            return true;
                        },
                        _ => true
                    );
                return answer;
            }
        );
}
