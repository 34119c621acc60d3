using Cumbre.Core.Benchmarks;
using Cumbre.Core.Ladders;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Strength;
using Cumbre.Server.Accounts;
using Cumbre.Server.Reading;
using Cumbre.Storage;
using Cumbre.Storage.Ladders;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Benchmarks;

/// <summary>A recorded test.</summary>
/// <param name="Id">Result.</param>
/// <param name="Benchmark">Slug.</param>
/// <param name="Name">Of the benchmark.</param>
/// <param name="Measure">What it counts.</param>
/// <param name="Figure">In the notation of the thresholds, for instance <c>3 x 9 s</c>.</param>
/// <param name="Day">Of the test.</param>
/// <param name="Reps">Of each set.</param>
/// <param name="Added">Load.</param>
/// <param name="Reserve">Reps left.</param>
/// <param name="Side">Where the movement has sides.</param>
/// <param name="SetUp">As it was written.</param>
/// <param name="Pain">0 to 10; null: none reported.</param>
/// <param name="PainPlace">Where it hurt.</param>
/// <param name="BodyMassKg">That day.</param>
/// <param name="Form">Against the standard.</param>
/// <param name="EffectiveReps">Reps and reserve together.</param>
/// <param name="GivesEstimate">False when effective reps are over 12, form broke, or nothing was loaded.</param>
public sealed record ResultDto(
    Guid Id,
    string Benchmark,
    string Name,
    BenchmarkMeasure Measure,
    string Figure,
    DateOnly Day,
    int Reps,
    MassDto Added,
    int Reserve,
    Side? Side,
    string? SetUp,
    int? Pain,
    string? PainPlace,
    decimal BodyMassKg,
    FormVerdict Form,
    int EffectiveReps,
    bool GivesEstimate,
    Score Score
)
{
    public static ResultDto Of(BenchmarkResult r, Catalogue catalogue)
    {
        var benchmark = catalogue.Benchmarks.GetValueOrDefault(r.Benchmark);
        var measure = benchmark?.Measure ?? BenchmarkMeasure.Reps;
        var effective = r.Reps + r.Reserve;
        return new(
            r.Id,
            r.Benchmark,
            benchmark?.Name ?? r.Benchmark,
            measure,
            ResultPrinter.Print(r),
            r.Day,
            r.Reps,
            MassDto.Of(r.Added),
            r.Reserve,
            r.Side,
            r.SetUp,
            r.Pain,
            r.PainPlace,
            r.BodyMass.Kilograms,
            r.Form,
            effective,
            measure == BenchmarkMeasure.LoadTimesReps && r.Form == FormVerdict.Clean && OneRepMax.Allows(effective),
            r.Score
        );
    }
}

/// <summary>The stored result, and the ladders on which it changed something.</summary>
public sealed record ResultAnswer(ResultDto Result, IReadOnlyList<LadderChange> Changes);

/// <summary>What a result changed on one ladder; names of steps.</summary>
/// <param name="Ladder">Slug.</param>
/// <param name="Name">Of the ladder.</param>
/// <param name="IsGoal">A goal of the athlete, advancing or kept.</param>
/// <param name="Won">Won now.</param>
/// <param name="Lost">No longer won.</param>
/// <param name="Opened">May be trained now, and was not shown yet.</param>
/// <param name="Closed">May no longer be trained.</param>
public sealed record LadderChange(
    string Ladder,
    string Name,
    bool IsGoal,
    IReadOnlyList<string> Won,
    IReadOnlyList<string> Lost,
    IReadOnlyList<string> Opened,
    IReadOnlyList<string> Closed
);

/// <summary>A test with its protocol and the form standard of its movement.</summary>
public sealed record BenchmarkDto(
    string Slug,
    string Name,
    BenchmarkMeasure Measure,
    bool EachSide,
    string Movement,
    string Protocol,
    string Standard,
    IReadOnlyList<string> SetUp
);

public static class ResultEndpoints
{
    public static void MapBenchmarks(this IEndpointRouteBuilder api)
    {
        api.MapGet("/benchmarks", All).RequireAuthorization(Policies.SignedIn);
        api.MapPut("/athletes/{athleteId:guid}/results/{id:guid}", PutResult.Handle)
            .RequireAuthorization(Policies.Coach);
        api.MapDelete("/athletes/{athleteId:guid}/results/{id:guid}", RemoveResult.Handle)
            .RequireAuthorization(Policies.Coach);
    }

    private static Ok<IReadOnlyList<BenchmarkDto>> All(Database database) =>
        TypedResults.Ok(Of(database.Read(CatalogueStore.Club).Catalogue));

    private static IReadOnlyList<BenchmarkDto> Of(Catalogue catalogue) =>
        [
            .. catalogue
                .Benchmarks.Values.Select(b => (Benchmark: b, Movement: catalogue.Movements[b.Movement]))
                .Select(b => new BenchmarkDto(
                    b.Benchmark.Slug,
                    b.Benchmark.Name,
                    b.Benchmark.Measure,
                    b.Benchmark.EachSide,
                    b.Benchmark.Movement,
                    b.Benchmark.Protocol,
                    b.Movement.Standard,
                    b.Movement.SetUp
                )),
        ];
}
