using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Sessions;

namespace Cumbre.Core.Ladders;

/// <summary>
/// Clean training sets as results of the tests of their movement. A set is a lower bound: eight reps with two in
/// reserve say at least eight. An
/// unlock standard of several sets is shown in training, so the equal share of an exposure counts: for each load that
/// was moved, the sets done
/// with it or more, and what all of them reached. Common practice, no source.
/// </summary>
public static class TrainingResults
{
    /// <summary>The athlete's tests and what training showed, up to a day.</summary>
    public static ResultBook Book(AthleteSnapshot athlete, Catalogue catalogue, DateOnly day) =>
        new(athlete.Results.Concat(athlete.Shown).Concat(All(athlete.Exposures, catalogue)), day);

    /// <summary>What all exposures of an athlete show.</summary>
    public static IEnumerable<BenchmarkResult> All(IReadOnlyList<Exposure> exposures, Catalogue catalogue)
    {
        // Which set was the first hard one of its pattern can be told only from the whole session.
        var firsts = exposures
            .GroupBy(e => e.SessionId)
            .SelectMany(s =>
                s.Where(e => catalogue.Movements.ContainsKey(e.Movement))
                    .GroupBy(e => catalogue.Movements[e.Movement].Pattern)
                    .Select(p => p.MinBy(e => e.Position)!)
            )
            .ToHashSet(ReferenceEqualityComparer.Instance);
        return exposures.SelectMany(e => Of(e, catalogue, firsts.Contains(e)));
    }

    /// <param name="exposure">What was done.</param>
    /// <param name="catalogue">With its movement and tests.</param>
    /// <param name="first">It was the first of its pattern in its session, so that a set to failure can fail a
    /// standard.</param>
    public static IEnumerable<BenchmarkResult> Of(Exposure exposure, Catalogue catalogue, bool first = false)
    {
        if (
            !catalogue.Movements.TryGetValue(exposure.Movement, out var movement) || !IsInTestsStyle(exposure, movement)
        )
            yield break;
        foreach (var benchmark in catalogue.BenchmarksOf(exposure.Movement))
        {
            foreach (
                var side in exposure
                    .RowsWithExtra()
                    .Where(r => r.Set is not null && IsFirstPart(r, exposure.Plan))
                    .GroupBy(r => r.Planned.Side)
            )
            {
                DoneSet[] rows = [.. side];
                foreach (var result in Of(exposure, benchmark, rows))
                    yield return result with
                    {
                        Side = side.Key,
                        Origin = ResultOrigin.TrainingSet,
                    };
                if (
                    first
                    && exposure.Counts
                    && exposure.Plan.ToTheEnd
                    && Failed(exposure, benchmark, rows[0]) is { } failed
                )
                    yield return failed with
                    {
                        Side = side.Key,
                        Origin = ResultOrigin.SetToFailure,
                    };
            }
        }
    }

    /// <summary>
    /// Done as the test asks: without help, unless the movement is the helped one; at full depth; and lifted, unless it
    /// is lowering alone that
    /// is tested.
    /// </summary>
    private static bool IsInTestsStyle(Exposure exposure, Movement movement)
    {
        var helped =
            exposure.IsAssisted
            && !movement.Kit.Any(k => k.Contains("band", StringComparison.Ordinal))
            && !movement.SetUp.Any(s => s.Contains("finger", StringComparison.Ordinal));
        var shallow = exposure.Plan.SetUp?.Pads > 0;
        return !helped
            && !shallow
            && exposure.Plan is Negatives == (movement.Measure == BenchmarkMeasure.SecondsPerDescent);
    }

    /// <summary>Later parts of a set are tired ones; a drop's are lighter.</summary>
    private static bool IsFirstPart(DoneSet row, Prescription plan)
    {
        var parts =
            plan.Sides is null ? 0
            : row.Planned.Side is null || plan.Sides.Value.Order()[0] == row.Planned.Side ? 0
            : PartsOf(plan);
        return row.Planned.Part == parts + 1
            && row.Planned.Role != SetRole.Stretch
            && plan is not (BrokenHold or Pyramid);
    }

    private static int PartsOf(Prescription plan) =>
        plan switch
        {
            DropSet d => d.Parts.Count,
            ClusterSets c => c.Pieces.Count,
            RestPause or RepsWithStretch => 2,
            _ => 1,
        };

    private static IEnumerable<BenchmarkResult> Of(Exposure exposure, Benchmark benchmark, DoneSet[] rows) =>
        benchmark.Measure switch
        {
            BenchmarkMeasure.Reps => Shares(rows, r => r.Set!.CleanReps)
                .Select(s => Result(exposure, benchmark, Score.OfReps(s.Reached, s.Sets), MassEntry.Kg(0), 0)),
            BenchmarkMeasure.LoadTimesReps => Loads(exposure, benchmark, rows),
            BenchmarkMeasure.Seconds => Shares([.. rows.Where(r => r.Planned.Seconds is not null)], r =>
                    r.Set!.Seconds ?? 0
                )
                .Select(s => Result(exposure, benchmark, Score.OfSeconds(s.Reached, s.Sets), MassEntry.Kg(0), 0)),
            BenchmarkMeasure.SecondsPerDescent when exposure.Plan is Negatives plan => Descents(
                exposure,
                benchmark,
                plan,
                rows
            ),
            BenchmarkMeasure.ContactHeight => Contacts(exposure, benchmark, rows),
            BenchmarkMeasure.Capacity => Capacity(exposure, benchmark, rows),
            _ => [],
        };

    private static IEnumerable<BenchmarkResult> Loads(Exposure exposure, Benchmark benchmark, DoneSet[] rows)
    {
        foreach (var load in rows.Select(r => r.Set!.Added).DistinctBy(a => a.Mass.Kilograms))
        {
            var sets = rows.Where(r => r.Set!.Added.Mass >= load.Mass && r.Set.CleanReps > 0)
                .OrderByDescending(r => r.Set!.CleanReps)
                .ToArray();
            foreach (var (reached, count) in Shares(sets, r => r.Set!.CleanReps))
                yield return Result(
                    exposure,
                    benchmark,
                    Score.OfReps(reached, count),
                    load,
                    count == 1 ? sets[0].Set!.Reserve ?? 0 : 0
                );
        }
    }

    private static IEnumerable<BenchmarkResult> Descents(
        Exposure exposure,
        Benchmark benchmark,
        Negatives plan,
        DoneSet[] rows
    )
    {
        foreach (
            var (reached, count) in Shares(rows, r =>
                r.Set!.CleanReps >= plan.Reps ? r.Set.Seconds ?? plan.LowerSeconds : 0
            )
        )
            yield return Result(exposure, benchmark, new Score(plan.Reps, count, reached), MassEntry.Kg(0), 0);
    }

    private static IEnumerable<BenchmarkResult> Contacts(Exposure exposure, Benchmark benchmark, DoneSet[] rows)
    {
        foreach (var set in rows.Where(r => r.Set!.CleanReps > 0))
        {
            if ((set.Set!.Contact ?? exposure.Plan.SetUp?.To) is { } contact)
                yield return Result(
                    exposure,
                    benchmark,
                    new Score(set.Set.CleanReps, contact: contact),
                    MassEntry.Kg(0),
                    0
                );
        }
    }

    /// <summary>Equal sets within a rest: the longest that was taken, or as planned.</summary>
    private static IEnumerable<BenchmarkResult> Capacity(Exposure exposure, Benchmark benchmark, DoneSet[] rows)
    {
        var planned = Timing.RestBetweenSets(exposure.Plan);
        foreach (var (reached, count) in Shares(rows, r => r.Set!.CleanReps).Where(s => s.Sets > 1))
            yield return Result(
                exposure,
                benchmark,
                new Score(reached, count, restSeconds: rows.Skip(1).Max(r => r.Set!.RestedSeconds ?? planned)),
                MassEntry.Kg(0),
                0
            );
    }

    /// <summary>
    /// The best set alone, then the best two, and so on: more sets reach less. A row that another says as well is left
    /// out.
    /// </summary>
    private static IEnumerable<(int Reached, int Sets)> Shares(IReadOnlyList<DoneSet> rows, Func<DoneSet, int> amount)
    {
        int[] best = [.. rows.Select(amount).Where(a => a > 0).OrderDescending().Take(Limits.SetsMaximum)];
        for (var count = 1; count <= best.Length; count++)
        {
            if (count == best.Length || best[count] != best[count - 1])
                yield return (best[count - 1], count);
        }
    }

    /// <summary>The first set of a plan that goes to failure shows all there was.</summary>
    private static BenchmarkResult? Failed(Exposure exposure, Benchmark benchmark, DoneSet row) =>
        benchmark.Measure switch
        {
            BenchmarkMeasure.Reps => Result(exposure, benchmark, Score.OfReps(row.Set!.CleanReps), MassEntry.Kg(0), 0),
            BenchmarkMeasure.Seconds when row.Planned.Seconds is not null => Result(
                exposure,
                benchmark,
                Score.OfSeconds(row.Set!.Seconds ?? 0),
                MassEntry.Kg(0),
                0
            ),
            _ => null,
        };

    private static BenchmarkResult Result(
        Exposure exposure,
        Benchmark benchmark,
        Score score,
        MassEntry added,
        int reserve
    ) =>
        new(
            exposure.SessionId,
            benchmark.Slug,
            exposure.Day,
            score,
            added,
            reserve,
            exposure.BodyMass,
            FormVerdict.Clean
        );
}
