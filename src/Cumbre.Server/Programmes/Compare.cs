using Cumbre.Core.Programmes;
using Cumbre.Server.Hosting;
using Cumbre.Server.Reading;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Programmes;

/// <summary>One side of a comparison.</summary>
/// <param name="AthleteId">Whose.</param>
/// <param name="BlockId">Which.</param>
/// <param name="Version">Null: as it stands now.</param>
public sealed record CompareSide(Guid AthleteId, Guid BlockId, int? Version);

/// <param name="Left">The one before.</param>
/// <param name="Right">The one after.</param>
public sealed record CompareRequest(CompareSide Left, CompareSide Right);

/// <summary>Two blocks beside each other, each read for its own athlete as they are today.</summary>
/// <param name="LeftName">Athlete, block and version.</param>
/// <param name="RightName">The same on the right.</param>
/// <param name="Weeks">What differs, and the dose of both.</param>
public sealed record CompareDto(string LeftName, string RightName, IReadOnlyList<ComparedWeek> Weeks);

internal static class CompareBlocks
{
    public static Results<Ok<CompareDto>, ProblemHttpResult> Handle(
        CompareRequest request,
        Database database,
        ClubClock clock,
        Reach reach
    )
    {
        var (left, right) = database.Read(db =>
            (Side(db, request.Left, clock, reach), Side(db, request.Right, clock, reach))
        );
        return left is null || right is null
            ? (ProblemHttpResult)Problems.NotFound(left is null ? Words.NoLeftBlock : Words.NoRightBlock)
            : TypedResults.Ok(
                new CompareDto(left.Value.Name, right.Value.Name, BlockCompare.Of(left.Value.Doses, right.Value.Doses))
            );
    }

    private static (string Name, IReadOnlyList<WeekDose> Doses)? Side(
        Db db,
        CompareSide side,
        ClubClock clock,
        Reach reach
    )
    {
        if (
            !reach.Holds(side.AthleteId)
            || Publish.Find(db, side.AthleteId, side.BlockId, side.Version, clock) is not { } found
            || Work.Load(db, side.AthleteId, clock.Today) is not { } work
        )
            return null;
        var edition = found.Number is { } number ? $"version {number}" : "draft";
        return (
            $"{found.AthleteName}, {found.Block.Name}, {edition}",
            DoseReader.Read(found.Block.Parse(), work.Athlete, DoseRules.Shipped)
        );
    }
}
