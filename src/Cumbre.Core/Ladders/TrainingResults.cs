using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Sessions;

namespace Cumbre.Core.Ladders;

/// <summary>
/// Clean training sets as results. An unlock standard of several sets is shown in training, so the equal share of an
/// exposure counts: for each load that was moved, the sets done with it or more, and the reps that all of them reached.
/// </summary>
public static class TrainingResults
{
    /// <summary>The athlete's tests and what training showed, up to a day.</summary>
    public static ResultBook Book(AthleteSnapshot athlete, Catalogue catalogue, DateOnly day) =>
        new(athlete.Results.Concat(athlete.Exposures.SelectMany(e => Of(e, catalogue))), day);

    public static IEnumerable<BenchmarkResult> Of(Exposure exposure, Catalogue catalogue)
    {
        var benchmark = catalogue.Benchmarks.Values.FirstOrDefault(b => b.Movement == exposure.Movement && b.Measure is BenchmarkMeasure.LoadTimesReps or BenchmarkMeasure.Reps);
        if (benchmark is null)
            yield break;
        var clean = exposure.Sets.Where(s => s.Form == FormVerdict.Clean && s.Part == 1).ToArray();
        foreach (var load in clean.Select(s => s.Added).DistinctBy(a => a.Mass.Kilograms))
        {
            var sets = clean.Where(s => s.Added.Mass >= load.Mass).OrderByDescending(s => s.Reps).ToArray();
            // The best set alone, then the best two, and so on: fewer sets reach more reps.
            for (var count = 1; count <= sets.Length; count++)
            {
                if (count < sets.Length && sets[count].Reps == sets[count - 1].Reps)
                    continue;
                yield return new(exposure.SessionId, benchmark.Slug, exposure.Day, Score.OfReps(sets[count - 1].Reps, Math.Min(count, Limits.SetsMaximum)), load, sets[count - 1].Reserve ?? 0, exposure.BodyMass, FormVerdict.Clean)
                {
                    Origin = ResultOrigin.TrainingSet,
                };
            }
        }
    }
}
