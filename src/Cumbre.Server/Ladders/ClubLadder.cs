using Cumbre.Core.Ladders;
using Cumbre.Core.Levers;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Ladders;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Ladders;

/// <summary>A flag on the ridge.</summary>
/// <param name="AthleteId">Whose.</param>
/// <param name="Name">Whose.</param>
/// <param name="Training">Position of the step in training; null: nothing may be trained yet.</param>
/// <param name="Started">Some step has a result.</param>
/// <param name="SetByCoach">Against the rule.</param>
public sealed record FlagDto(Guid AthleteId, string Name, int? Training, bool Started, bool SetByCoach);

/// <summary>A ladder with all athletes of the club; heights are those of a body of mean proportions.</summary>
public sealed record ClubLadderDto(string Ladder, IReadOnlyList<decimal> Shares, IReadOnlyList<FlagDto> Flags);

internal static class ClubLadder
{
    public static Results<Ok<ClubLadderDto>, ProblemHttpResult> Handle(
        string ladder,
        Database database,
        ClubClock clock
    )
    {
        var today = clock.Today;
        var page = database.Read(db =>
        {
            var atlas = CatalogueStore.Club(db).Atlas;
            if (!atlas.BySlug.TryGetValue(ladder, out var found))
                return null;
            var coach = PlacementStore.All(db);
            return new ClubLadderDto(
                found.Slug,
                Demand.Shares(found, BodyBuild.Unknown),
                [
                    .. SnapshotStore
                        .LoadAll(db, today)
                        .Select(a =>
                        {
                            var book = TrainingResults.Book(a.Snapshot, atlas.Catalogue, today);
                            var set = coach[a.Profile.Id].FirstOrDefault(c => c.Ladder == found.Slug);
                            var started = found.Steps.SelectMany(s => s.Opens.Terms).Any(t => book.Has(t.Benchmark));
                            return new FlagDto(
                                a.Profile.Id,
                                a.Profile.Name,
                                Placement.Of(found, a.Snapshot.Schools, book, set).Training,
                                started,
                                set is not null
                            );
                        }),
                ]
            );
        });
        return page is null ? (ProblemHttpResult)Problems.NotFound("ladder") : TypedResults.Ok(page);
    }
}
