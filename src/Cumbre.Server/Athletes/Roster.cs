using Cumbre.Server.Hosting;
using Cumbre.Server.Standings;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Athletes;

internal static class Roster
{
    public static Ok<IReadOnlyList<RosterRow>> Handle(
        Database database,
        ClubClock clock,
        Reach reach,
        bool archived = false
    )
    {
        var today = clock.Today;
        return TypedResults.Ok(
            database.Read(db =>
            {
                var next = SessionStore.NextDays(db, today);
                return (IReadOnlyList<RosterRow>)
                    [
                        .. Standing
                            .All(db, clock, reach, archived)
                            .Select(s =>
                                s.Row with
                                {
                                    Waiting = s.Waits <= today,
                                    NextSession = next.TryGetValue(s.Row.Id, out var day) ? day : null,
                                }
                            ),
                    ];
            })
        );
    }
}
