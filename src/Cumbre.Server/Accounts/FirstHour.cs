using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Loading;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Accounts;

/// <summary>How far a new club has come on the way to its first published block.</summary>
/// <param name="Kit">The gym kit was saved.</param>
/// <param name="AthleteId">The athlete to go on with; null: there is none yet.</param>
/// <param name="Weighed">An athlete has a bodyweight.</param>
/// <param name="Tested">A test result was recorded.</param>
/// <param name="BlockId">The newest block, of the athlete <paramref name="BlockOf"/>.</param>
/// <param name="BlockOf">Whose block it is.</param>
/// <param name="Published">A block was published.</param>
/// <param name="Sent">A message with a block was written.</param>
/// <param name="AtWork">A set was logged: the first hour is over, whatever was left out.</param>
public sealed record FirstHourDto(
    bool Kit,
    Guid? AthleteId,
    bool Weighed,
    bool Tested,
    Guid? BlockId,
    Guid? BlockOf,
    bool Published,
    bool Sent,
    bool AtWork
);

internal static class FirstHour
{
    public static Ok<FirstHourDto> Handle(Database database, CumbreOptions options, Reach reach)
    {
        Guid? Seen(Guid? athlete) => athlete is { } id && reach.Holds(id) ? id : null;
        var row = database.Read(db => FirstHourStore.Read(db, KitStore.Club));
        return TypedResults.Ok(
            new FirstHourDto(
                row.Kit != 0,
                Seen(row.AthleteId),
                row.Weighed != 0,
                row.Tested != 0,
                Seen(row.BlockOf) is null ? null : row.BlockId,
                Seen(row.BlockOf),
                row.Published != 0,
                Directory.Exists(options.Outbox) && Directory.EnumerateFiles(options.Outbox, "*.eml").Any(),
                row.Logged != 0
            )
        );
    }
}
