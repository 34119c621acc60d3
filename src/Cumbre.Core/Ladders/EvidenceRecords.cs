using Cumbre.Core.Benchmarks;
using Cumbre.Core.Measures;
using Cumbre.Core.Strength;

namespace Cumbre.Core.Ladders;

/// <summary>
/// Of what training showed long ago, what still says something: the results that no earlier one says as well. A gate
/// opens on the first day on which its figure was reached, so that a later and lesser result changes nothing; after a
/// try at the limit, which may close a gate, it counts anew.
/// </summary>
public static class EvidenceRecords
{
    /// <summary>Those of <paramref name="shown"/> that must be kept, oldest first.</summary>
    /// <param name="kept">What was kept before, of days before the first of <paramref name="shown"/>.</param>
    /// <param name="shown">What training showed, in any order.</param>
    /// <param name="tests">All recorded tests.</param>
    public static IReadOnlyList<BenchmarkResult> Fold(
        IEnumerable<BenchmarkResult> kept,
        IEnumerable<BenchmarkResult> shown,
        IReadOnlyList<BenchmarkResult> tests
    )
    {
        var known = kept.GroupBy(Series).ToDictionary(g => g.Key, g => g.ToList());
        var result = known.Values.SelectMany(k => k).ToList();
        var tries = tests.ToLookup(t => t.Benchmark, t => t.Day, StringComparer.Ordinal);
        foreach (
            var day in shown
                .Where(r => r.Form == FormVerdict.Clean)
                .OrderBy(r => r.Day)
                .ThenBy(r => r.Id)
                .GroupBy(r => (r.Day, Series: Series(r)))
        )
        {
            if (!known.TryGetValue(day.Key.Series, out var before))
                known[day.Key.Series] = before = [];
            foreach (var r in day.OrderByDescending(r => r.Added.Mass.Kilograms).ThenByDescending(r => r.Score.Reps))
            {
                if (IsSaid(r, before, [.. tries[r.Benchmark]]))
                    continue;
                before.Add(r);
                result.Add(r);
            }
        }

        return [.. result.OrderBy(r => r.Day)];
    }

    private static (string, Side?) Series(BenchmarkResult r) => (r.Benchmark, r.Side);

    /// <summary>
    /// Earlier results, after the last try at the limit, say the same at no lighter and at no heavier a body mass: a
    /// figure by body mass is helped by the one, an estimate in kilograms by the other.
    /// </summary>
    private static bool IsSaid(BenchmarkResult r, List<BenchmarkResult> before, DateOnly[] tests)
    {
        if (r.Origin == ResultOrigin.SetToFailure)
            return false;
        var tried = before
            .Where(b => b.Origin == ResultOrigin.SetToFailure)
            .Select(b => b.Day)
            .Concat(tests.Where(t => t <= r.Day))
            .DefaultIfEmpty(DateOnly.MinValue)
            .Max();
        var since = before.Where(b => b.Day > tried && b.Day <= r.Day && SaysAsMuch(b, r)).ToArray();
        return since.Length > 0
            && (
                r.Added.Mass <= Mass.Zero
                || (since.Any(b => b.BodyMass <= r.BodyMass) && since.Any(b => b.BodyMass >= r.BodyMass))
            );
    }

    private static bool SaysAsMuch(BenchmarkResult a, BenchmarkResult b) =>
        a.Score.Reps >= b.Score.Reps
        && a.Score.Sets >= b.Score.Sets
        && (b.Score.Seconds is null || a.Score.Seconds >= b.Score.Seconds)
        && (b.Score.Contact is null || a.Score.Contact >= b.Score.Contact)
        && (b.Score.Degrees is null || a.Score.Degrees >= b.Score.Degrees)
        && (a.Score.RestSeconds ?? 0) <= (b.Score.RestSeconds ?? int.MaxValue)
        && a.Added.Mass >= b.Added.Mass
        && a.Reps + a.Reserve >= b.Reps + b.Reserve
        && (OneRepMax.Allows(a.Reps + a.Reserve) || !OneRepMax.Allows(b.Reps + b.Reserve));
}
