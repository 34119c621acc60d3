using System.Security.Claims;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Ladders;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Server.Accounts;
using Cumbre.Server.Hosting;
using Cumbre.Server.Reading;
using Cumbre.Storage;
using Cumbre.Storage.Audit;
using Cumbre.Storage.Benchmarks;
using Cumbre.Storage.Ladders;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Benchmarks;

/// <param name="Benchmark">Slug of the test.</param>
/// <param name="Day">Not after today, not before birth.</param>
/// <param name="Form">Against the movement's standard.</param>
/// <param name="Reps">Clean reps of each set, 1 to 200; null where only seconds or degrees count.</param>
/// <param name="Sets">Sets that all reached the figures, 1 to 20; null: one.</param>
/// <param name="Seconds">Of a hold or of each descent, 0.5 to 3,600.</param>
/// <param name="Contact">That every rep reached.</param>
/// <param name="Degrees">1 to 220.</param>
/// <param name="RestSeconds">Longest rest between the sets, 0 to 1,800.</param>
/// <param name="Added">Load; null for a test at body mass.</param>
/// <param name="Reserve">Reps left, 0 to 10; null: none.</param>
/// <param name="Side">For a movement that is tested on each side.</param>
/// <param name="SetUp">At most 120 characters.</param>
/// <param name="Pain">0 to 10; null: not asked.</param>
/// <param name="PainPlace">Where it hurt.</param>
/// <param name="Instead">A result that was wrong, in whose place this one comes; null: none.</param>
public sealed record ResultRequest(
    string Benchmark,
    DateOnly Day,
    FormVerdict Form,
    int? Reps = null,
    int? Sets = null,
    decimal? Seconds = null,
    Contact? Contact = null,
    decimal? Degrees = null,
    int? RestSeconds = null,
    MassDto? Added = null,
    int? Reserve = null,
    Side? Side = null,
    string? SetUp = null,
    int? Pain = null,
    string? PainPlace = null,
    Guid? Instead = null
);

internal static class PutResult
{
    public static Results<Ok<ResultAnswer>, ProblemHttpResult> Handle(
        Guid athleteId,
        Guid id,
        ResultRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    )
    {
        var atlas = database.Read(db => CatalogueStore.Club(db).Atlas);
        if (!atlas.Catalogue.Benchmarks.TryGetValue(request.Benchmark, out var benchmark))
            throw Problems.Field("benchmark", Words.TestUnknown(request.Benchmark));
        var day = Problems.NotInFuture("day", request.Day, clock.Today);
        CheckFields(benchmark, request);
        var score = Problems.At("", () =>
            new Score(
                request.Reps ?? 1,
                request.Sets ?? 1,
                request.Seconds,
                request.Contact,
                request.Degrees,
                request.RestSeconds
            )
        );
        var place = string.IsNullOrWhiteSpace(request.PainPlace)
            ? null
            : Problems.Text("painPlace", request.PainPlace, Words.WritePlace, 60);
        var setUp = string.IsNullOrWhiteSpace(request.SetUp)
            ? null
            : Problems.Text("setUp", request.SetUp, Words.WriteSetUp, 120);
        if (request.Pain > 0 && place is null)
            throw Problems.Field("painPlace", Words.PainPlaceMissing);

        var draft = new ResultDraft(
            id,
            benchmark,
            day,
            score,
            request.Added?.Entry,
            request.Reserve ?? 0,
            request.Form,
            request.Side,
            setUp,
            request.Pain,
            place,
            Instead: request.Instead
        );
        var answer = database.Write(db => ResultWriter.Write(db, athleteId, draft, atlas, clock, Policies.IdOf(user)));
        return answer is null ? (ProblemHttpResult)Problems.NotFound(Words.NoAthlete) : TypedResults.Ok(answer);
    }

    /// <summary>
    /// Each measure takes its own fields, and no others: a figure in the wrong field would be lost silently.
    /// </summary>
    private static void CheckFields(Benchmark benchmark, ResultRequest request)
    {
        var measure = benchmark.Measure;
        var counted = measure switch
        {
            BenchmarkMeasure.Seconds or BenchmarkMeasure.SecondsPerDescent => "seconds",
            BenchmarkMeasure.Degrees => "degrees",
            _ => "reps",
        };
        Check(
            "reps",
            request.Reps is not null,
            needed: counted == "reps",
            allowed: measure is not (BenchmarkMeasure.Seconds or BenchmarkMeasure.Degrees),
            Words.RepsMissing
        );
        Check(
            "seconds",
            request.Seconds is not null,
            needed: counted == "seconds",
            allowed: counted == "seconds",
            Words.HoldMissing
        );
        Check(
            "degrees",
            request.Degrees is not null,
            needed: counted == "degrees",
            allowed: counted == "degrees",
            Words.DegreesMissing
        );
        Check(
            "contact",
            request.Contact is not null,
            needed: measure == BenchmarkMeasure.ContactHeight,
            allowed: measure == BenchmarkMeasure.ContactHeight,
            Words.ContactMissing
        );
        Check(
            "restSeconds",
            request.RestSeconds is not null,
            needed: measure == BenchmarkMeasure.Capacity,
            allowed: measure == BenchmarkMeasure.Capacity,
            Words.RestMissing
        );
        if (measure == BenchmarkMeasure.LoadTimesReps && request.Added is null)
            throw Problems.Field("added", Words.SetLoadMissing);
        if (measure != BenchmarkMeasure.LoadTimesReps && request.Added is { Value: not 0 })
            throw Problems.Field("added", Words.TestAtBodyweight(benchmark.Name));
        if (benchmark.EachSide && request.Side is null)
            throw Problems.Field("side", Words.SideMissing(benchmark.Name));
        if (!benchmark.EachSide && request.Side is not null)
            throw Problems.Field("side", Words.SideUnexpected(benchmark.Name));

        void Check(string field, bool given, bool needed, bool allowed, Message ask)
        {
            if (needed && !given)
                throw Problems.Field(field, ask);
            if (given && !allowed)
                throw Problems.Field(field, Words.MeasureUnexpected(benchmark.Name, counted, field));
        }
    }
}

internal static class RemoveResult
{
    public static Results<NoContent, ProblemHttpResult> Handle(
        Guid athleteId,
        Guid id,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock
    )
    {
        var removed = database.Write(db =>
        {
            var was = ResultStore.Of(db, athleteId).FirstOrDefault(r => r.Result.Id == id)?.Result;
            if (was is null || !ResultStore.Remove(db, athleteId, id))
                return false;
            AuditStore.Add(
                db,
                new(AuditKind.ResultRemoved)
                {
                    Athlete = athleteId,
                    Subject = id,
                    Before = ResultPrinter.Print(was),
                },
                clock.Stamp(Policies.IdOf(user))
            );
            db.Reconsider(athleteId, corrected: true);
            return true;
        });
        return removed ? TypedResults.NoContent() : (ProblemHttpResult)Problems.NotFound(Words.NoResult);
    }
}
