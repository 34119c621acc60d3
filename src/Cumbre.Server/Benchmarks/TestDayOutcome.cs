using System.Globalization;
using CsvHelper;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Ladders;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Benchmarks;
using Cumbre.Storage.Ladders;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Benchmarks;

/// <summary>
/// What each result of an evening opened or closed, the sides compared, and what is within the noise of the test.
/// </summary>
internal static class TestDayOutcome
{
    public static Results<Ok<IReadOnlyList<OutcomeDto>>, ProblemHttpResult> Handle(
        Guid id,
        Database database,
        ClubClock clock,
        Reach reach
    ) =>
        database.Read(db => Read(db, id, clock.Today, reach)) is { } outcome
            ? TypedResults.Ok(outcome)
            : (ProblemHttpResult)Problems.NotFound(Words.NoTestDay);

    public static IReadOnlyList<OutcomeDto>? Read(Db db, Guid id, DateOnly today, Reach reach)
    {
        if (TestDayStore.Find(db, id) is not { } day || !TestDayEndpoints.IsSeen(day, reach))
            return null;
        var atlas = CatalogueStore.Club(db).Atlas;
        var results = TestDayStore.Results(db, id).ToLookup(r => r.AthleteId, r => r.Result);
        // Who was put away since was tested all the same.
        var everyone = SnapshotStore
            .LoadAll(db, today)
            .Concat(SnapshotStore.LoadAll(db, today, archived: true))
            .ToDictionary(a => a.Profile.Id);
        var placed = PlacementStore.All(db);
        return
        [
            .. day
                .Athletes.Where(a => reach.Holds(a) && results.Contains(a) && everyone.ContainsKey(a))
                .Select(a => (Athlete: everyone[a], Own: results[a].ToArray()))
                .Select(a =>
                {
                    var (profile, snapshot) = a.Athlete;
                    CoachPlacement[] coach = [.. placed[profile.Id]];
                    var ids = a.Own.Select(r => r.Id).ToHashSet();
                    var before = PlacementChanges.Places(
                        atlas,
                        snapshot with
                        {
                            Results = [.. snapshot.Results.Where(r => !ids.Contains(r.Id))],
                        },
                        coach,
                        today
                    );
                    var after = PlacementChanges.Places(atlas, snapshot, coach, today);
                    return new OutcomeDto(
                        profile.Id,
                        profile.Name,
                        PlacementChanges.Between(before, after, profile.Intake),
                        [
                            .. Ordered(a.Own, day.Tests)
                                .Select(r => Row(r, TestNoise.Of(r, snapshot.Results), atlas.Catalogue)),
                        ],
                        [.. Sides(a.Own, atlas.Catalogue)]
                    );
                }),
        ];
    }

    public static IEnumerable<BenchmarkResult> Ordered(
        IEnumerable<BenchmarkResult> results,
        IReadOnlyList<string> tests
    ) => results.OrderBy(r => tests.ToList().IndexOf(r.Benchmark)).ThenBy(r => r.Side);

    private static OutcomeRow Row(BenchmarkResult now, ResultChange? change, Catalogue catalogue)
    {
        var benchmark = catalogue.Benchmarks[now.Benchmark];
        var unit = benchmark.Measure switch
        {
            BenchmarkMeasure.Seconds or BenchmarkMeasure.SecondsPerDescent => "s",
            BenchmarkMeasure.Degrees => "degrees",
            BenchmarkMeasure.LoadTimesReps => "%",
            _ => "reps",
        };
        return new(
            benchmark.Name,
            now.Side,
            SheetCell.CellText(now),
            change is null ? null : SheetCell.CellText(change.Before),
            change?.Before.Day,
            change?.Difference,
            unit,
            change?.IsNoise ?? false,
            now.Form
        );
    }

    private static IEnumerable<OutcomeSides> Sides(IEnumerable<BenchmarkResult> results, Catalogue catalogue)
    {
        foreach (var pair in results.Where(r => r.Side is not null).GroupBy(r => r.Benchmark))
        {
            if (
                pair.FirstOrDefault(r => r.Side == Side.Left) is { } left
                && pair.FirstOrDefault(r => r.Side == Side.Right) is { } right
                && SideGap.Of(left, right) is { } gap
            )
                yield return new(
                    catalogue.Benchmarks[pair.Key].Name,
                    ResultPrinter.Print(left),
                    ResultPrinter.Print(right),
                    gap.Fraction,
                    gap.Weaker,
                    gap.Advice
                );
        }
    }
}

/// <summary>The sheet as a table for other programs.</summary>
internal static class TestDaySheet
{
    private sealed record Line(
        string Day,
        string Athlete,
        string Test,
        string Side,
        string Result,
        string Form,
        string SetUp,
        string Pain,
        string PainPlace,
        string BodyMassKg
    );

    public static Results<FileContentHttpResult, ProblemHttpResult> Csv(Guid id, Database database, Reach reach)
    {
        var (name, lines) = database.Read(db =>
        {
            if (TestDayStore.Find(db, id) is not { } day || !TestDayEndpoints.IsSeen(day, reach))
                return ("", (IReadOnlyList<Line>?)null);
            var catalogue = CatalogueStore.Club(db).Catalogue;
            var results = TestDayStore.Results(db, id).ToLookup(r => r.AthleteId, r => r.Result);
            var everyone = AthleteStore.Everyone(db).ToDictionary(a => a.Id);
            return (
                day.Name,
                [
                    .. day
                        .Athletes.Where(a => everyone.ContainsKey(a) && reach.Holds(a))
                        .Select(a => everyone[a])
                        .SelectMany(p =>
                            TestDayOutcome.Ordered(results[p.Id], day.Tests).Select(r => Of(p, r, catalogue))
                        ),
                ]
            );
        });
        if (lines is null)
            return (ProblemHttpResult)Problems.NotFound(Words.NoTestDay);
        using var text = new StringWriter(CultureInfo.InvariantCulture);
        using (
            var csv = new CsvWriter(
                text,
                new CsvHelper.Configuration.CsvConfiguration(CultureInfo.InvariantCulture)
                {
                    // A cell that begins like a formula must not become one in a spreadsheet.
                    InjectionOptions = CsvHelper.Configuration.InjectionOptions.Escape,
                }
            )
        )
        {
            csv.WriteRecords(lines);
        }

        return TypedResults.File(
            new System.Text.UTF8Encoding(true).GetBytes(text.ToString()),
            "text/csv",
            $"{name}.csv"
        );
    }

    private static Line Of(AthleteProfile p, BenchmarkResult r, Catalogue catalogue) =>
        new(
            r.Day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
            p.Name,
            catalogue.Benchmarks[r.Benchmark].Name,
            r.Side?.ToString() ?? "",
            SheetCell.CellText(r),
            r.Form.ToString(),
            r.SetUp ?? "",
            r.Pain?.ToString(CultureInfo.InvariantCulture) ?? "",
            r.PainPlace ?? "",
            r.BodyMass.Kilograms.ToString("0.##", CultureInfo.InvariantCulture)
        );
}
