using System.Security.Claims;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Strength;
using Cumbre.Server.Accounts;
using Cumbre.Server.Athletes;
using Cumbre.Server.Decisions;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Benchmarks;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Benchmarks;

/// <summary>A recorded test. <paramref name="GivesEstimate"/> is false when its effective reps are over 12 or its form broke.</summary>
public sealed record ResultDto(Guid Id, string Benchmark, string Name, DateOnly Day, int Reps, MassDto Added, int Reserve, decimal BodyMassKg, FormVerdict Form, int EffectiveReps, bool GivesEstimate)
{
    public static ResultDto Of(BenchmarkResult r)
    {
        var benchmark = Catalogue.Shipped.Benchmarks.GetValueOrDefault(r.Benchmark);
        var effective = r.Reps + r.Reserve;
        return new(
            r.Id, r.Benchmark, benchmark?.Name ?? r.Benchmark, r.Day, r.Reps, MassDto.Of(r.Added), r.Reserve, r.BodyMass.Kilograms, r.Form, effective,
            benchmark?.Measure == BenchmarkMeasure.LoadTimesReps && r.Form == FormVerdict.Clean && OneRepMax.Allows(effective));
    }
}

/// <param name="Benchmark">Slug of the test.</param>
/// <param name="Day">Not after today.</param>
/// <param name="Reps">Clean reps, 1 to 200.</param>
/// <param name="Added">Load; null for a test at body mass.</param>
/// <param name="Reserve">Reps left, 0 to 10.</param>
/// <param name="Form">Against the movement's standard.</param>
public sealed record ResultRequest(string Benchmark, DateOnly Day, int Reps, MassDto? Added, int Reserve, FormVerdict Form);

/// <summary>A gate that a result opened or closed.</summary>
public sealed record GateChange(string School, bool Decides, bool Open);

/// <summary>The stored result, and what it changed.</summary>
public sealed record ResultAnswer(ResultDto Result, IReadOnlyList<GateChange> Gates);

/// <summary>A test with its protocol and the form standard of its movement.</summary>
public sealed record BenchmarkDto(string Slug, string Name, BenchmarkMeasure Measure, string Protocol, string Standard);

public static class ResultEndpoints
{
    public static void MapBenchmarks(this IEndpointRouteBuilder api)
    {
        api.MapGet("/benchmarks", All).RequireAuthorization(Policies.SignedIn);
        api.MapPut("/athletes/{athleteId:guid}/results/{id:guid}", Put).RequireAuthorization(Policies.Coach);
        api.MapDelete("/athletes/{athleteId:guid}/results/{id:guid}", Remove).RequireAuthorization(Policies.Coach);
    }

    private static Ok<IReadOnlyList<BenchmarkDto>> All() => TypedResults.Ok<IReadOnlyList<BenchmarkDto>>(
        [.. Catalogue.Shipped.Benchmarks.Values.Select(b => new BenchmarkDto(b.Slug, b.Name, b.Measure, b.Protocol, Catalogue.Shipped.Movements[b.Movement].Standard))]);

    private static Results<Ok<ResultAnswer>, ProblemHttpResult> Put(
        Guid athleteId, Guid id, ResultRequest request, ClaimsPrincipal user, Database database, ClubClock clock, Reconciler reconciler)
    {
        if (!Catalogue.Shipped.Benchmarks.TryGetValue(request.Benchmark, out var benchmark))
            throw Problems.Field("benchmark", "unknown", $"There is no test \"{request.Benchmark}\".");
        var day = Problems.NotInFuture("day", request.Day, clock.Today);
        var loaded = benchmark.Measure == BenchmarkMeasure.LoadTimesReps;
        if (loaded && request.Added is null)
            throw Problems.Field("added", "empty", "Write the load of the set.");
        if (!loaded && request.Added is { Value: not 0 })
            throw Problems.Field("added", "unexpected", $"{benchmark.Name} is done at body mass; record a loaded set as a heavy set.");

        var answer = database.Write(db =>
        {
            if (SnapshotStore.Load(db, athleteId, clock.Today) is not { } found)
                return null;
            if (found.Snapshot.BodyMass.On(day) is not { } body)
                throw Problems.Field("day", "bodyMass", $"There is no body mass on or before {day:yyyy-MM-dd}: weigh first.");
            var age = found.Snapshot.AgeIn(day);
            if (loaded && age < 16 && request.Reps == 1)
                throw Problems.Field("reps", "minor", "Under 16 no single is tested: use a set of 3 or more.");
            var before = LiftPage.Gates(found.Profile, found.Snapshot, clock.Today);
            var result = Problems.At("", () => new BenchmarkResult(
                id, benchmark.Slug, day, request.Reps, request.Added?.Entry ?? new MassEntry(0, found.Profile.Unit), request.Reserve, body.Value, request.Form));
            ResultStore.Add(db, athleteId, result, clock.Stamp(Policies.IdOf(user)));
            reconciler.Run(db, athleteId);
            var after = LiftPage.Gates(found.Profile, SnapshotStore.Load(db, athleteId, clock.Today)!.Value.Snapshot, clock.Today);
            return new ResultAnswer(
                ResultDto.Of(result),
                [.. after.Where(g => before.Single(b => b.School == g.School).Open != g.Open).Select(g => new GateChange(g.School, g.Decides, g.Open))]);
        });
        return answer is null ? (ProblemHttpResult)Problems.NotFound("athlete") : TypedResults.Ok(answer);
    }

    private static Results<NoContent, ProblemHttpResult> Remove(Guid athleteId, Guid id, ClaimsPrincipal user, Database database, ClubClock clock, Reconciler reconciler)
    {
        var removed = database.Write(db =>
        {
            if (!ResultStore.Remove(db, athleteId, id))
                return false;
            AuditStore.Add(db, Guid.CreateVersion7(), "benchmark_result", id, "removed", null, clock.Stamp(Policies.IdOf(user)));
            reconciler.Run(db, athleteId);
            return true;
        });
        return removed ? TypedResults.NoContent() : (ProblemHttpResult)Problems.NotFound("result");
    }
}
