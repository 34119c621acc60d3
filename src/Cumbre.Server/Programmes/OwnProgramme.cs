using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Programmes;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Programmes;

/// <summary>A block as its athlete sees it: published, the newest version of it.</summary>
/// <param name="Id">Of the block.</param>
/// <param name="Name">Its name.</param>
/// <param name="Start">Its first Monday.</param>
/// <param name="Weeks">How many.</param>
/// <param name="Number">Of the version.</param>
/// <param name="Note">In the coach's words.</param>
/// <param name="At">When it was published.</param>
public sealed record OwnBlockDto(
    Guid Id,
    string Name,
    DateOnly Start,
    int Weeks,
    int Number,
    string? Note,
    DateTimeOffset At
);

/// <summary>An athlete's own programme: what was published, and never a draft.</summary>
internal static class OwnProgramme
{
    /// <summary>The newest block first.</summary>
    public static Ok<IReadOnlyList<OwnBlockDto>> List(Guid athleteId, Database database, ClubClock clock) =>
        TypedResults.Ok(
            database.Read<IReadOnlyList<OwnBlockDto>>(db =>
                [
                    .. BlockStore
                        .Of(db, athleteId)
                        .Select(b => (b.Id, Newest: Newest(db, athleteId, b.Id, clock)))
                        .Where(b => b.Newest is not null)
                        .Select(b =>
                            (b.Id, b.Newest, Shown: Publish.Find(db, athleteId, b.Id, b.Newest!.Number, clock)!)
                        )
                        .Select(b => new OwnBlockDto(
                            b.Id,
                            b.Shown.Block.Name,
                            b.Shown.Block.Start,
                            b.Shown.Block.Weeks.Count,
                            b.Newest!.Number,
                            b.Newest.Note,
                            b.Newest.At
                        ))
                        .OrderByDescending(b => b.Start),
                ]
            )
        );

    public static Results<Ok<PublishedBlock>, ProblemHttpResult> Get(
        Guid athleteId,
        Guid blockId,
        Database database,
        ClubClock clock
    ) =>
        database.Read(db =>
            Newest(db, athleteId, blockId, clock) is { } newest
                ? Publish.Find(db, athleteId, blockId, newest.Number, clock)
                : null
        )
            is { } block
            ? TypedResults.Ok(block)
            : (ProblemHttpResult)Problems.NotFound(Words.NoVersion);

    private static VersionDto? Newest(Db db, Guid athleteId, Guid blockId, ClubClock clock) =>
        Publish.Versions(db, athleteId, blockId, clock)?.Versions is [var first, ..] ? first : null;
}
