using System.Security.Claims;
using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Explanations;
using Cumbre.Core.Ladders;
using Cumbre.Core.Movements;
using Cumbre.Server.Accounts;
using Cumbre.Server.Audit;
using Cumbre.Server.Hosting;
using Cumbre.Server.Privacy;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Audit;
using Cumbre.Storage.Benchmarks;
using Cumbre.Storage.Ladders;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Benchmarks;

/// <summary>An evening on which a group is tested: the sheet, its cells, what came of it.</summary>
public static class TestDayEndpoints
{
    private const int AthletesMaximum = 60,
        TestsMaximum = 12;

    public static void MapTestDays(this IEndpointRouteBuilder api)
    {
        api.MapGet("/test-days", All).RequireAuthorization(Policies.Coach);
        api.MapPost("/test-days/proposal", Propose).RequireAuthorization(Policies.Coach);
        api.MapGet("/test-days/{id:guid}", Get).RequireAuthorization(Policies.Coach);
        api.MapPut("/test-days/{id:guid}", Put).RequireAuthorization(Policies.Coach);
        api.MapDelete("/test-days/{id:guid}", Remove).RequireAuthorization(Policies.Coach);
        api.MapPut("/test-days/{id:guid}/cells/{resultId:guid}", PutCell.Handle).RequireAuthorization(Policies.Coach);
        api.MapGet("/test-days/{id:guid}/cells/{resultId:guid}/history", History).RequireAuthorization(Policies.Coach);
        api.MapGet("/test-days/{id:guid}/outcome", TestDayOutcome.Handle).RequireAuthorization(Policies.Coach);
        api.MapGet("/test-days/{id:guid}/sheet.csv", TestDaySheet.Csv)
            .RequireAuthorization(Policies.Coach)
            .NotesExport();
    }

    /// <summary>What stood in a cell before, the newest first.</summary>
    private static Ok<IReadOnlyList<AuditEntry>> History(Guid id, Guid resultId, Database database, Reach reach) =>
        TypedResults.Ok(
            database.Read<IReadOnlyList<AuditEntry>>(db =>
                TestDayStore.Find(db, id) is null
                    ? []
                    : [.. AuditStore.Of(db, resultId).Where(e => e.AthleteId is not { } whose || reach.Holds(whose))]
            )
        );

    private static Ok<IReadOnlyList<TestDayRow>> All(Database database, Reach reach) =>
        TypedResults.Ok(database.Read(db => TestDayStore.All(db, reach)));

    private static Results<Ok<SheetDto>, ProblemHttpResult> Get(
        Guid id,
        Database database,
        ClubClock clock,
        Reach reach
    ) =>
        database.Read(db => Read(db, id, clock.Today, reach)) is { } sheet
            ? TypedResults.Ok(sheet)
            : (ProblemHttpResult)Problems.NotFound(Words.NoTestDay);

    private static Results<Ok<SheetDto>, ProblemHttpResult> Put(
        Guid id,
        SheetRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock,
        Reach reach
    )
    {
        var name = Problems.Text("name", request.Name, Words.WriteName, 80);
        var day = Problems.NotInFuture("day", request.Day, clock.Today);
        var (written, sheet) = database.Write(db =>
        {
            Check(db, request, reach);
            var before = TestDayStore.Find(db, id);
            if (before is not null && !IsSeen(before, reach))
                return (Written.Missing, null);
            // Whom this coach does not see stays on the sheet.
            var athletes = request.Athletes.Concat(before?.Athletes.Where(a => !reach.Holds(a)) ?? []).Distinct();
            var written = TestDayStore.Put(
                db,
                new(id, day, name, [.. athletes], [.. request.Tests.Distinct()], request.Version),
                clock.Stamp(Policies.IdOf(user))
            );
            return (written, Read(db, id, clock.Today, reach));
        });
        return written switch
        {
            Written.Done => TypedResults.Ok(sheet!),
            Written.Missing => (ProblemHttpResult)Problems.NotFound(Words.NoTestDay),
            // The same creation sent twice: the first one stands.
            _ when request.Version == 0 && sheet!.Version == 1 && sheet.Name == name => TypedResults.Ok(sheet),
            _ => (ProblemHttpResult)Problems.Conflict(Words.TestDayChanged, sheet),
        };
    }

    /// <summary>Somebody on it is within reach.</summary>
    public static bool IsSeen(TestDay day, Reach reach) => reach.IsEverybody || day.Athletes.Any(reach.Holds);

    private static void Check(Db db, SheetRequest request, Reach reach)
    {
        if (request.Athletes.Count is 0 or > AthletesMaximum)
            throw Problems.Field("athletes", Words.AthletesRange(AthletesMaximum, request.Athletes.Count));
        if (request.Tests.Count is 0 or > TestsMaximum)
            throw Problems.Field("tests", Words.TestsRange(TestsMaximum, request.Tests.Count));
        var benchmarks = CatalogueStore.Club(db).Catalogue.Benchmarks;
        for (var i = 0; i < request.Tests.Count; i++)
        {
            if (!benchmarks.ContainsKey(request.Tests[i]))
                throw Problems.Field($"tests[{i}]", Words.TestUnknown(request.Tests[i]));
        }

        var known = AthleteStore.Everyone(db).Select(a => a.Id).ToHashSet();
        for (var i = 0; i < request.Athletes.Count; i++)
        {
            if (!known.Contains(request.Athletes[i]) || !reach.Holds(request.Athletes[i]))
                throw Problems.Field($"athletes[{i}]", Words.SheetAthleteGone);
        }
    }

    private static Results<NoContent, ProblemHttpResult> Remove(
        Guid id,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock,
        Reach reach
    )
    {
        var removed = database.Write(db =>
        {
            if (TestDayStore.Find(db, id) is not { } day || !IsSeen(day, reach))
                return false;
            if (!reach.HoldsAll(day.Athletes))
                throw new ConflictException(Words.TestDayShared, null);
            TestDayStore.Remove(db, id);
            AuditStore.Add(
                db,
                new(AuditKind.TestDayRemoved) { Subject = id, Before = day.Name },
                clock.Stamp(Policies.IdOf(user))
            );
            return true;
        });
        return removed ? TypedResults.NoContent() : (ProblemHttpResult)Problems.NotFound(Words.NoTestDay);
    }

    private static Ok<ProposalDto> Propose(ProposalRequest request, Database database, ClubClock clock, Reach reach)
    {
        var today = clock.Today;
        return TypedResults.Ok(
            database.Read(db =>
            {
                var atlas = CatalogueStore.Club(db).Atlas;
                var everyone = SnapshotStore.LoadAll(db, today).ToDictionary(a => a.Profile.Id);
                var coach = PlacementStore.All(db);
                var batteries = request
                    .Athletes.Distinct()
                    .Take(AthletesMaximum)
                    .Where(a => everyone.ContainsKey(a) && reach.Holds(a))
                    .Select(id =>
                        (
                            everyone[id].Profile,
                            Battery: Of(everyone[id].Profile, everyone[id].Snapshot, [.. coach[id]], atlas, today)
                        )
                    )
                    .ToArray();
                var union = Battery.InOrder(
                    batteries.SelectMany(b => b.Battery.Tests).DistinctBy(t => t.Benchmark.Slug),
                    atlas.Catalogue
                );
                return new ProposalDto(
                    [.. batteries.Select(b => Dto(b.Profile, b.Battery, atlas))],
                    [.. union.Take(TestsMaximum).Select(t => SheetTest.Of(t.Benchmark, atlas.Catalogue))]
                );
            })
        );
    }

    private static Battery Of(
        AthleteProfile profile,
        AthleteSnapshot snapshot,
        IReadOnlyList<CoachPlacement> coach,
        Atlas atlas,
        DateOnly today
    ) =>
        Battery.Propose(
            new(
                profile.Id,
                profile.Name,
                snapshot.Schools,
                TrainingResults.Book(snapshot, atlas.Catalogue, today),
                coach
            ),
            profile.Intake.Goals,
            profile.OpenClearances(today),
            atlas
        );

    private static BatteryDto Dto(AthleteProfile profile, Battery battery, Atlas atlas)
    {
        DecidedStep Step(TestDecision d) =>
            new(d.Ladder.Name, d.Step.Name, d.Wins, PlacementReport.Evidence(d.Term, atlas.Catalogue));
        ProposedTest Test(BatteryTest t) =>
            new(t.Benchmark.Slug, t.Benchmark.Name, t.Reason, [.. t.Decides.Select(Step)]);
        return new(
            profile.Id,
            profile.Name,
            [.. battery.Tests.Select(Test)],
            [.. battery.Later.Select(Test)],
            [.. battery.Blocked.Select(b => new KeptOut(b.Benchmark.Slug, b.Benchmark.Name, b.By.Question))],
            [
                .. battery.Waiting.Select(w => new WaitingDto(
                    w.Benchmark.Slug,
                    w.Benchmark.Name,
                    Step(w.For),
                    PlacementReport.Evidence(w.Behind, atlas.Catalogue)
                )),
            ],
            new(Quantity.Seconds(battery.Time.Value), battery.Time.Why),
            profile.Intake.Goals.Count > 0
        );
    }

    /// <summary>The sheet with what is in it; athletes who are gone for good are left out.</summary>
    public static SheetDto? Read(Db db, Guid id, DateOnly today, Reach reach)
    {
        if (TestDayStore.Find(db, id) is not { } day || !IsSeen(day, reach))
            return null;
        var catalogue = CatalogueStore.Club(db).Catalogue;
        var tests = day.Tests.Select(catalogue.Benchmarks.GetValueOrDefault).OfType<Benchmark>().ToArray();
        var everyone = AthleteStore.Everyone(db).ToDictionary(a => a.Id);
        var masses = AthleteStore.AllBodyMasses(db);
        var athletes = day
            .Athletes.Where(a => everyone.ContainsKey(a) && reach.Holds(a))
            .Select(a => everyone[a])
            .Select(p =>
            {
                var open = p.OpenClearances(today);
                var blocked = tests
                    .Select(t => (t.Slug, By: open.FirstOrDefault(q => q.Blocks(catalogue.Movements[t.Movement]))))
                    .Where(t => t.By is not null);
                return new SheetAthlete(
                    p.Id,
                    p.Name,
                    p.Unit,
                    masses[p.Id].Any(m => m.Reading.Day <= day.Day),
                    blocked.ToDictionary(t => t.Slug, t => t.By!.Question),
                    tests
                        .Select(t => (t.Slug, Movement: catalogue.Movements[t.Movement]))
                        .Select(t => (t.Slug, t.Movement, Counts: p.Schools.StandardOf(t.Movement, catalogue)))
                        .Where(t => t.Counts != t.Movement.Standard)
                        .ToDictionary(t => t.Slug, t => t.Counts)
                );
            });
        var time = Battery.TimeOf(tests);
        return new(
            day.Id,
            day.Day,
            day.Name,
            [.. athletes],
            [.. tests.Select(t => SheetTest.Of(t, catalogue))],
            [
                .. TestDayStore
                    .Results(db, id)
                    .Where(r => reach.Holds(r.AthleteId))
                    .Select(r => SheetCell.Of(r.AthleteId, r.Result)),
            ],
            day.Version,
            new(Quantity.Seconds(time.Value), time.Why)
        );
    }
}

internal static class PutCell
{
    public static Results<Ok<CellAnswer>, ProblemHttpResult> Handle(
        Guid id,
        Guid resultId,
        CellRequest request,
        ClaimsPrincipal user,
        Database database,
        ClubClock clock,
        Reach reach
    ) =>
        database.Write<Results<Ok<CellAnswer>, ProblemHttpResult>>(db =>
        {
            if (TestDayStore.Find(db, id) is not { } day || !TestDayEndpoints.IsSeen(day, reach))
                return (ProblemHttpResult)Problems.NotFound(Words.NoTestDay);
            if (!reach.Holds(request.AthleteId) || AthleteStore.Find(db, request.AthleteId) is not { } athlete)
                return (ProblemHttpResult)Problems.NotFound(Words.SheetAthleteGone);
            Recording.Check(db, athlete.Id);
            if (ResultStore.OwnerOf(db, resultId) is { } owner && owner != athlete.Id)
                throw Problems.Field("resultId", Words.ResultOfAnother);
            var atlas = CatalogueStore.Club(db).Atlas;
            if (!atlas.Catalogue.Benchmarks.TryGetValue(request.Benchmark, out var benchmark))
                throw Problems.Field("benchmark", Words.TestUnknown(request.Benchmark));
            if (benchmark.EachSide != request.Side is not null)
                throw Problems.Field(
                    "side",
                    benchmark.EachSide ? Words.TestEachSide(benchmark.Name) : Words.TestNoSides(benchmark.Name)
                );
            var there = TestDayStore.Results(db, id).FirstOrDefault(r => r.Result.Id == resultId)?.Result;
            if (
                request.Known is { } known
                && !IsSame(there, request, benchmark, athlete)
                && !known.Any(k => Holds(there, k, benchmark, athlete))
            )
                return (ProblemHttpResult)
                    Problems.Conflict(
                        there is null ? Words.CellDeleted : Words.CellWritten(SheetCell.CellText(there)),
                        there is null ? null : SheetCell.Of(athlete.Id, there)
                    );
            // Sent again after a lost answer: it is stored, and nothing was corrected.
            if (there is not null && IsSame(there, request, benchmark, athlete))
                return TypedResults.Ok(new CellAnswer(SheetCell.Of(athlete.Id, there), []));
            if (string.IsNullOrWhiteSpace(request.Text))
            {
                if (ResultStore.Remove(db, athlete.Id, resultId))
                {
                    AuditStore.Add(
                        db,
                        new(AuditKind.ResultRemoved)
                        {
                            Athlete = athlete.Id,
                            Subject = resultId,
                            Before = there is null ? null : ResultPrinter.Print(there),
                        },
                        clock.Stamp(Policies.IdOf(user))
                    );
                    db.Reconsider(athlete.Id, corrected: true);
                }

                return TypedResults.Ok(new CellAnswer(null, []));
            }

            var written = Problems.At("text", () => ResultNotation.Parse(request.Text, benchmark.Measure, athlete.Unit))
                ?? throw Problems.Field(
                    "text",
                    Words.CellUnreadable(Short(request.Text), ResultNotation.Example(benchmark.Measure))
                );
            var draft = new ResultDraft(
                resultId,
                benchmark,
                day.Day,
                written.Score,
                benchmark.Measure == BenchmarkMeasure.LoadTimesReps ? written.Added : null,
                written.Reserve,
                request.Form,
                request.Side,
                string.IsNullOrWhiteSpace(request.SetUp)
                    ? null
                    : Problems.Text("setUp", request.SetUp, Words.WriteSetUp, 120),
                request.Pain,
                string.IsNullOrWhiteSpace(request.PainPlace)
                    ? null
                    : Problems.Text("painPlace", request.PainPlace, Words.WritePlace, 60),
                id
            );
            if (draft.Pain > 0 && draft.PainPlace is null)
                throw Problems.Field("painPlace", Words.PainPlaceMissing);
            var answer = ResultWriter.Write(db, athlete.Id, draft, atlas, clock, Policies.IdOf(user))!;
            var stored = TestDayStore.Results(db, id).First(r => r.Result.Id == resultId);
            return TypedResults.Ok(new CellAnswer(SheetCell.Of(stored.AthleteId, stored.Result), answer.Changes));
        });

    /// <summary>Sent again after a lost answer: not the figure alone, also how it was done and what hurt.</summary>
    private static bool IsSame(
        BenchmarkResult? stored,
        CellRequest request,
        Benchmark benchmark,
        AthleteProfile athlete
    ) =>
        Holds(stored, request.Text, benchmark, athlete)
        && (
            stored is null
            || SheetCell.Of(athlete.Id, stored) is var there
                && there.Form == request.Form
                && (there.Pain ?? 0) == (request.Pain ?? 0)
                && (there.PainPlace ?? "") == (request.PainPlace?.Trim() ?? "")
                && (there.SetUp ?? "") == (request.SetUp?.Trim() ?? "")
        );

    /// <summary>Is what is stored what the text says?</summary>
    private static bool Holds(BenchmarkResult? stored, string text, Benchmark benchmark, AthleteProfile athlete)
    {
        if (stored is null || string.IsNullOrWhiteSpace(text))
            return stored is null && string.IsNullOrWhiteSpace(text);
        try
        {
            return SheetCell.CellText(stored) == text
                || ResultNotation.Parse(text, benchmark.Measure, athlete.Unit) is { } said
                    && said.Score == stored.Score
                    && said.Reserve == stored.Reserve
                    && (benchmark.Measure != BenchmarkMeasure.LoadTimesReps || said.Added == stored.Added);
        }
        catch (Core.Measures.RuleViolationException)
        {
            return false;
        }
    }

    private static string Short(string text) =>
        text.Length <= ResultNotation.LengthMaximum ? text : text[..ResultNotation.LengthMaximum] + "…";
}
