using Cumbre.Storage;
using Cumbre.Storage.Ladders;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Sessions;

/// <summary>An exercise of the log.</summary>
/// <param name="Id">Of the item.</param>
/// <param name="Movement">Slug.</param>
/// <param name="Name">As coaches say it.</param>
/// <param name="Line">As it was planned.</param>
/// <param name="Joined">In turn with the one before.</param>
/// <param name="Skipped">Why it, or its rest, was left out.</param>
/// <param name="Sets">As they stand.</param>
public sealed record LogItem(
    Guid Id,
    string Movement,
    string Name,
    string Line,
    bool Joined,
    string? Skipped,
    IReadOnlyList<SetDto> Sets
);

/// <summary>A session of the log.</summary>
/// <param name="Id">Of the session.</param>
/// <param name="Day">Training day.</param>
/// <param name="Title">May be empty.</param>
/// <param name="Status">Begun or done.</param>
/// <param name="Easy">In a deload.</param>
/// <param name="Effort">Of the whole, 1 to 10.</param>
/// <param name="Items">In order.</param>
public sealed record LogSession(
    Guid Id,
    DateOnly Day,
    string Title,
    SessionStatus Status,
    bool Easy,
    decimal? Effort,
    IReadOnlyList<LogItem> Items
);

/// <summary>What an athlete did, session by session.</summary>
/// <param name="Sessions">Newest first.</param>
/// <param name="Before">The day before which the next page begins; null: there is nothing older.</param>
public sealed record SessionLog(IReadOnlyList<LogSession> Sessions, DateOnly? Before);

internal static class GetLog
{
    private const int DaysOfPage = 12;

    public static Ok<SessionLog> Handle(Guid athleteId, DateOnly? before, Database database) =>
        TypedResults.Ok(database.Read(db => Read(db, athleteId, before ?? DateOnly.MaxValue)));

    private static SessionLog Read(Db db, Guid athleteId, DateOnly before)
    {
        // One day more than is shown tells whether there is more.
        var found = SessionStore.Begun(db, athleteId, before, DaysOfPage + 1);
        DateOnly[] days = [.. found.Select(s => s.Day).Distinct()];
        if (days.Length == 0)
            return new([], null);
        var more = days.Length > DaysOfPage;
        var oldest = days[Math.Min(days.Length, DaysOfPage) - 1];
        var sets = SessionStore.Sets(db, athleteId, oldest, days[0]);
        var movements = CatalogueStore.Club(db).Atlas.Catalogue.Movements;
        return new(
            [
                .. found
                    .Where(s => s.Day >= oldest)
                    .Select(s => new LogSession(
                        s.Id,
                        s.Day,
                        s.Title,
                        s.Status,
                        s.Easy,
                        s.Effort,
                        [
                            .. s.Items.Select(i => new LogItem(
                                i.Id,
                                i.Movement,
                                movements.GetValueOrDefault(i.Movement)?.Name ?? i.Movement,
                                i.Line,
                                i.Joined,
                                i.Ended ?? i.Skipped,
                                [.. sets[i.Id].Select(set => SetDto.Of(set))]
                            )),
                        ]
                    )),
            ],
            more ? oldest : null
        );
    }
}
