using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Ladders;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Programmes;
using Cumbre.Core.Programmes.Generation;

namespace Cumbre.Simulation;

/// <summary>What became of an athlete who trained generated blocks one after the other.</summary>
/// <param name="Blocks">Trained.</param>
/// <param name="Sessions">Trained.</param>
/// <param name="Cautions">That the dose panel raised on a block as it was given out.</param>
/// <param name="StepsWonBefore">On the ladders of all goals.</param>
/// <param name="StepsWonAfter">On the same.</param>
/// <param name="LongestMinutes">Whole minutes of any session over those that the athlete has; negative: under
/// them.</param>
/// <param name="Empty">Blocks without a session.</param>
public sealed record LivedBlocks(
    int Blocks,
    int Sessions,
    int Cautions,
    int StepsWonBefore,
    int StepsWonAfter,
    int LongestMinutes,
    int Empty
);

/// <summary>
/// Trains generated blocks on paper: what is trained with hard sets grows a little each week, most in those who are
/// furthest from their limit, carries
/// over by half to what the catalogue says, and is shown in the tests at the end of the block. The growth is invented;
/// it tries the generator, it forecasts nobody.
/// </summary>
public static class LifeInBlocks
{
    private const double GrowthOfWeek = 0.025,
        CarryOver = 0.5;

    /// <param name="athlete">At the start.</param>
    /// <param name="start">A Monday.</param>
    /// <param name="weeks">The last block may run over.</param>
    /// <param name="seed">Of the scatter and the ids.</param>
    public static LivedBlocks Live(RandomAthlete athlete, DateOnly start, int weeks, int seed)
    {
        var random = new Random(seed);
        var ids = new SeededIds(new Random(seed * 7919));
        var snapshot = athlete.Snapshot;
        var (blocks, sessions, cautions, longest, empty) = (0, 0, 0, int.MinValue, 0);
        var day = start;
        int? before = null;
        while (day.DayNumber - start.DayNumber < weeks * 7)
        {
            var work = new AthleteAtWork(snapshot, athlete.Intake, Atlas.Shipped, athlete.Gear, [], day);
            before ??= Won(work);
            var generated = BlockGenerator
                .Generate(work, new("Block", day, _ => ids.Next(day)), DoseRules.Shipped, GeneratorRules.Shipped)
                .Block;
            var doses = DoseReader.Read(generated, work, DoseRules.Shipped);
            cautions += BlockChecks.Of(generated, doses, work, DoseRules.Shipped).Count(c => c.KeptBecause is null);
            var held = doses.SelectMany(d => d.Sessions).ToArray();
            longest = held.Select(s =>
                    s.Seconds / 60 - (athlete.Intake.Minutes ?? GeneratorRules.Shipped.MinutesUnknown)
                )
                .Append(longest)
                .Max();
            blocks++;
            sessions += held.Length;
            if (held.Length == 0)
                empty++;
            day = generated.MondayOf(generated.Weeks.Count);
            snapshot = After(snapshot, doses, work, day.AddDays(-1), random, ids);
        }

        return new(
            blocks,
            sessions,
            cautions,
            before ?? 0,
            Won(new(snapshot, athlete.Intake, Atlas.Shipped, athlete.Gear, [], day)),
            longest,
            empty
        );
    }

    private static int Won(AthleteAtWork work) =>
        work
            .Intake.Goals.Select(g => work.Placements[g.Ladder])
            .Sum(p => Enumerable.Range(0, p.Ladder.Steps.Count).Count(p.IsWon));

    /// <summary>The tests at the end of a block: all that was trained, grown by how much it was trained.</summary>
    private static AthleteSnapshot After(
        AthleteSnapshot snapshot,
        IReadOnlyList<WeekDose> doses,
        AthleteAtWork work,
        DateOnly day,
        Random random,
        SeededIds ids
    )
    {
        var trained = doses
            .Where(d => d.Kind == WeekKind.Loading)
            .SelectMany(d => d.Sessions)
            .SelectMany(s => s.Items)
            .Where(i => i.Resolved is not null)
            .GroupBy(i => i.Movement!)
            .ToDictionary(
                g => g.Key.Slug,
                g => g.Sum(i => i.Resolved!.HardSets + (i.Plan!.IsFast ? i.Plan.SetCount : 0))
            );
        double Dose(Movement movement) =>
            trained.GetValueOrDefault(movement.Slug)
            + CarryOver
                * trained
                    .Where(t => work.Atlas.Catalogue.Movements[t.Key].CarriesTo.Contains(movement.Slug))
                    .Sum(t => t.Value);
        var body = work.BodyMass!.Value;
        var results = new List<BenchmarkResult>();
        foreach (var benchmark in work.Atlas.Catalogue.Benchmarks.Values.Where(b => trained.ContainsKey(b.Movement)))
        {
            var movement = work.Atlas.Catalogue.Movements[benchmark.Movement];
            var growth =
                1 + GrowthOfWeek * Math.Min(1.5, Dose(movement) / 30) * doses.Count * (0.7 + 0.6 * random.NextDouble());
            foreach (var side in benchmark.EachSide ? new Side?[] { Side.Left, Side.Right } : [null])
            {
                if (Shown(benchmark, movement, work, growth) is { } score)
                    results.Add(
                        new(
                            ids.Next(day),
                            benchmark.Slug,
                            day,
                            score.Score,
                            MassEntry.Of(score.Added, MassUnit.Kg),
                            score.Reserve,
                            body,
                            FormVerdict.Clean
                        )
                        {
                            Side = side,
                        }
                    );
            }
        }

        return snapshot with
        {
            Results = [.. snapshot.Results, .. results],
            BodyMass = new([.. snapshot.BodyMass.Readings, new(day, new(Math.Round(body.Kilograms, 1), MassUnit.Kg))]),
        };
    }

    private static (Score Score, Mass Added, int Reserve)? Shown(
        Benchmark benchmark,
        Movement movement,
        AthleteAtWork work,
        double growth
    )
    {
        var bests = work.BestsOf(movement);
        switch (benchmark.Measure)
        {
            case BenchmarkMeasure.Reps:
                return (
                    Score.OfReps(
                        Math.Clamp((int)Math.Round((bests.Reps ?? 8) * growth, MidpointRounding.AwayFromZero), 1, 60),
                        3
                    ),
                    Mass.Zero,
                    0
                );
            case BenchmarkMeasure.Seconds:
                return (
                    Score.OfSeconds(Math.Clamp(Math.Round((bests.HoldSeconds ?? 5) * (decimal)growth, 1), 1, 120), 3),
                    Mass.Zero,
                    0
                );
            case BenchmarkMeasure.SecondsPerDescent:
                return (new(3, 3, 3 + (decimal)Math.Round(growth * 2)), Mass.Zero, 0);
            case BenchmarkMeasure.ContactHeight:
                return (new(5, contact: growth > 1.08 ? Contact.Belly : Contact.Chest), Mass.Zero, 0);
            case BenchmarkMeasure.LoadTimesReps when work.ContextOf(movement) is { } context:
            {
                // The first test of a lift is at the load with which it was trained.
                var load = context.OneRepMax is { } max
                    ? max.Value.Value * (decimal)(growth / (1 + 6 / 30.0)) - context.BodyMass.Value
                    : context.Kit.AtLeast(Mass.FromKilograms(1))?.Total ?? Mass.Zero;
                return load > Mass.Zero && load < Mass.FromKilograms(180)
                    ? (Score.OfReps(5), Mass.FromKilograms(Math.Round(load.Kilograms, 2)), 1)
                    : null;
            }

            default:
                return null;
        }
    }
}
