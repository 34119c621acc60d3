using Cumbre.Core.Ladders;
using Cumbre.Core.Levers;
using Cumbre.Server.Hosting;
using Cumbre.Server.Standings;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
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
        ClubClock clock,
        Reach reach
    )
    {
        var page = database.Read(db =>
        {
            var atlas = CatalogueStore.Club(db).Atlas;
            if (!atlas.BySlug.TryGetValue(ladder, out var found))
                return null;
            return new ClubLadderDto(
                found.Slug,
                Demand.Shares(found, BodyBuild.Unknown),
                [
                    .. Standing
                        .All(db, clock, reach)
                        .Select(s =>
                        {
                            var place = s.Places[found.Slug];
                            return new FlagDto(s.Row.Id, s.Row.Name, place.Training, place.Started, place.SetByCoach);
                        }),
                ]
            );
        });
        return page is null ? (ProblemHttpResult)Problems.NotFound(Words.NoLadder) : TypedResults.Ok(page);
    }
}
