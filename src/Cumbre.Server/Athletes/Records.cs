using Cumbre.Core.Movements;
using Cumbre.Core.Review;
using Cumbre.Server.Hosting;
using Cumbre.Server.Reading;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Athletes;

/// <summary>The bests of a movement, with each set-up.</summary>
/// <param name="Movement">Slug.</param>
/// <param name="Name">As coaches say it.</param>
/// <param name="Measure">In what it is followed.</param>
/// <param name="Records">By set-up, the newest set-up first.</param>
public sealed record MovementRecords(
    string Movement,
    string Name,
    TrendMeasure Measure,
    IReadOnlyList<SetUpRecordDto> Records
);

internal static class GetRecords
{
    public static Results<Ok<IReadOnlyList<MovementRecords>>, ProblemHttpResult> Handle(
        Guid athleteId,
        Database database,
        ClubClock clock
    ) =>
        database.Read(db => Read(db, athleteId, clock.Today)) is { } records
            ? TypedResults.Ok(records)
            : (ProblemHttpResult)Problems.NotFound(Words.NoAthlete);

    /// <summary>
    /// Of every movement that was ever trained and is followed, the one with the newest best first; null: there is no
    /// such athlete.
    /// </summary>
    private static IReadOnlyList<MovementRecords>? Read(Db db, Guid athleteId, DateOnly today) =>
        Work.Load(db, athleteId, today) is var (_, athlete)
        && SnapshotStore.LoadWhole(db, athleteId, today) is var (_, whole)
            ?
            [
                .. whole
                    .Exposures.GroupBy(e => e.Movement)
                    .Select(g => (Movement: athlete.Atlas.Catalogue.Movements.GetValueOrDefault(g.Key), Done: g))
                    .Where(x => x.Movement is not null)
                    .Select(x => Of(x.Movement!, new(athlete, x.Movement!, [.. x.Done])))
                    .Where(m => m.Records.Count > 0)
                    .OrderByDescending(m => m.Records.Max(r => r.Day))
                    .ThenBy(m => m.Name, StringComparer.Ordinal),
            ]
            : null;

    private static MovementRecords Of(Movement movement, MovementTrend trend) =>
        new(movement.Slug, movement.Name, trend.Measure, [.. trend.Records().Select(SetUpRecordDto.Of)]);
}
