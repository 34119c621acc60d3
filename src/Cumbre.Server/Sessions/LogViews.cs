using System.Security.Claims;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.WebUtilities;

namespace Cumbre.Server.Sessions;

/// <summary>The filters of the logbook that a coach keeps by a name.</summary>
internal static class LogViews
{
    private const int Most = 30,
        NameMost = 40,
        AddressMost = 500;

    public static Ok<IReadOnlyList<LogView>> All(ClaimsPrincipal user, Database database, Reach reach) =>
        TypedResults.Ok<IReadOnlyList<LogView>>([
            .. database
                .Read(db => LogViewStore.Of(db, Policies.IdOf(user)))
                // Of somebody whom the coach does not see any more nothing is told.
                .Where(v => AthleteOf(v.Address) is not { } athlete || reach.Holds(athlete)),
        ]);

    /// <exception cref="FieldException">The name or the address is missing or too long, or there are too many.</exception>
    public static NoContent Put(LogView view, ClaimsPrincipal user, Database database, ClubClock clock, Reach reach)
    {
        var name = Problems.Text("name", view.Name, Words.WriteName, NameMost);
        if (view.Address is not { Length: > 0 and <= AddressMost })
            throw Problems.Field("address", Words.FieldMissing("address"));
        var athlete = AthleteOf(view.Address);
        database.WriteOnly(
            db =>
            {
                var kept = LogViewStore.Of(db, Policies.IdOf(user));
                if (kept.Count >= Most && kept.All(v => v.Name != name))
                    throw Problems.Field("name", Words.FiltersMost(Most));
                if (athlete is { } id && (!reach.Holds(id) || AthleteStore.Find(db, id) is null))
                    throw Problems.Field("address", Words.NoAthlete);
                LogViewStore.Put(db, new(name, view.Address), athlete, clock.Stamp(Policies.IdOf(user)));
                return true;
            },
            _ => true
        );
        return TypedResults.NoContent();
    }

    public static NoContent Remove(string name, ClaimsPrincipal user, Database database)
    {
        database.WriteOnly(db => LogViewStore.Remove(db, Policies.IdOf(user), name), _ => true);
        return TypedResults.NoContent();
    }

    private static Guid? AthleteOf(string address) =>
        Guid.TryParse(QueryHelpers.ParseQuery(address).GetValueOrDefault("athlete"), out var id) ? id : null;
}
