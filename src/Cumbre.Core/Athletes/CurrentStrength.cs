using Cumbre.Core.Benchmarks;
using Cumbre.Core.Explanations;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Strength;

namespace Cumbre.Core.Athletes;

/// <summary>Where an estimate comes from.</summary>
public enum StrengthSource
{
    Test,
    TrainingSet,
}

/// <summary>An estimate of a day.</summary>
public sealed record StrengthPoint(Explained<E1Rm> Estimate, StrengthSource Source, HeavySet Set);

/// <summary>
/// The athlete's e1RM over time: recorded heavy tests, and clean training sets that were done to the test's protocol.
/// Where a day has several, the highest counts, as later sets of a session are tired ones.
/// </summary>
public static class CurrentStrength
{
    /// <summary>One point a day on or before <paramref name="day"/>, oldest first.</summary>
    public static IReadOnlyList<StrengthPoint> Series(AthleteSnapshot athlete, Benchmark benchmark, DateOnly day) =>
        [
            .. Tests(athlete, benchmark)
                .Concat(TrainingSets(athlete, benchmark))
                .Where(c => c.Set.Day <= day && OneRepMax.Allows(c.Set.EffectiveReps))
                .GroupBy(c => c.Set.Day)
                .OrderBy(g => g.Key)
                .Select(g =>
                    g.Select(c => new StrengthPoint(OneRepMax.Estimate(c.Set)!, c.Source, c.Set))
                        .MaxBy(p => p.Estimate.Value.Value.Kilograms)!
                ),
        ];

    /// <summary>The newest estimate on or before <paramref name="day"/>, or null without one.</summary>
    public static Explained<E1Rm>? Latest(AthleteSnapshot athlete, Benchmark benchmark, DateOnly day) =>
        Series(athlete, benchmark, day) is [.., var last] ? last.Estimate : null;

    private static IEnumerable<(HeavySet Set, StrengthSource Source)> Tests(
        AthleteSnapshot athlete,
        Benchmark benchmark
    ) =>
        athlete
            .Results.Where(r => r.Benchmark == benchmark.Slug && r.Form == FormVerdict.Clean)
            .Select(r => (new HeavySet(r.BodyMass, r.Added.Mass, r.Reps, r.Reserve, r.Day), StrengthSource.Test));

    private static IEnumerable<(HeavySet Set, StrengthSource Source)> TrainingSets(
        AthleteSnapshot athlete,
        Benchmark benchmark
    ) =>
        benchmark.TrainingSet is not { } rule
            ? []
            : athlete
                .Exposures.Where(e => e.Movement == benchmark.Movement && !e.Easy)
                .SelectMany(e =>
                    e.Sets.Where(s =>
                            s.Part == 1
                            && s.Form == FormVerdict.Clean
                            && s.Added.Mass > Mass.Zero
                            && s.Reps >= rule.RepsFrom
                            && s.Reps <= rule.RepsTo
                            && s.Reserve is { } reserve
                            && reserve <= rule.ReserveTo
                        )
                        .Select(s =>
                            (
                                new HeavySet(e.BodyMass, s.Added.Mass, s.Reps, s.Reserve!.Value, e.Day),
                                StrengthSource.TrainingSet
                            )
                        )
                );
}
