using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Ladders;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Programmes;

namespace Cumbre.Simulation;

/// <summary>An athlete that chance made, with where they train.</summary>
public sealed record RandomAthlete(AthleteSnapshot Snapshot, Intake Intake, KitBook Gear);

/// <summary>
/// Athletes of all kinds from a seed: strong and weak, tested in everything or in nothing, with a hall or a door bar,
/// sound or hurt, under any
/// mix of schools. They try rules out; nobody among them is meant to be likely.
/// </summary>
public static class RandomAthletes
{
    private static readonly string[] Places = ["left elbow", "right shoulder", "wrist", "knee", "lower back", "neck"];

    private static readonly GearKind[] Hall =
    [
        GearKind.Bar,
        GearKind.ParallelBars,
        GearKind.Rings,
        GearKind.Box,
        GearKind.Pole,
        GearKind.Mat,
    ];

    /// <param name="seed">Gives the same athlete each time.</param>
    /// <param name="today">The last day of what is known of them.</param>
    public static RandomAthlete Make(int seed, DateOnly today)
    {
        var random = new Random(seed);
        var ids = new SeededIds(new Random(seed * 7919));
        var strength = random.NextDouble();
        var bodyMass = Mass.FromKilograms(45 + Math.Round((decimal)random.NextDouble() * 60, 1));
        var catalogue = Catalogue.Shipped;
        var schools = new Schools(
            catalogue,
            catalogue
                .Schools.Where(_ => random.Next(4) == 0)
                .ToDictionary(q => q.Slug, q => q.Choices[random.Next(q.Choices.Count)].Slug)
        );
        var birthYear = random.Next(10) == 0 ? (int?)null : today.Year - random.Next(14, 70);
        var snapshot = new AthleteSnapshot(
            random.Next(5) == 0 ? MassUnit.Lb : MassUnit.Kg,
            birthYear,
            random.Next(3) > 0,
            schools,
            Plates(random),
            new([new(today.AddDays(-2), new(bodyMass.Kilograms, MassUnit.Kg))]),
            [.. Results(random, ids, strength, bodyMass, today)],
            []
        )
        {
            Sex = random.Next(3) switch
            {
                0 => null,
                1 => Sex.Female,
                _ => Sex.Male,
            },
            StatureCm = random.Next(4) == 0 ? null : random.Next(150, 200),
        };
        return new(snapshot, IntakeOf(random), GearOf(random, ids, today));
    }

    private static Kit Plates(Random random)
    {
        if (random.Next(4) == 0)
            return Kit.Empty;
        decimal[] sizes = random.Next(3) == 0 ? [5, 10, 20] : [1.25m, 2.5m, 5, 10, 20];
        return new(
            [.. sizes.Select(s => new PieceStock(MassEntry.Kg(s), random.Next(1, 4)))],
            hasBelt: random.Next(5) > 0,
            vest: random.Next(4) == 0 ? MassEntry.Kg(5) : null
        );
    }

    /// <summary>Tests that fit to one strength, of a share of the catalogue; nobody is tested in everything.</summary>
    private static IEnumerable<BenchmarkResult> Results(
        Random random,
        SeededIds ids,
        double strength,
        Mass bodyMass,
        DateOnly today
    )
    {
        var share = random.Next(6) == 0 ? 0 : random.NextDouble();
        var depth = random.NextDouble();
        foreach (var benchmark in Catalogue.Shipped.Benchmarks.Values)
        {
            var level = Level.Of(Catalogue.Shipped.Movements[benchmark.Movement], Catalogue.Shipped);
            if (random.NextDouble() > share * Math.Pow(depth, level - 1))
                continue;
            var day = today.AddDays(-random.Next(1, 90));
            foreach (var side in benchmark.EachSide ? new Side?[] { Side.Left, Side.Right } : [null])
            {
                if (Scored(benchmark, strength * (0.8 + 0.4 * random.NextDouble()), level, random) is { } score)
                {
                    var added =
                        benchmark.Measure == BenchmarkMeasure.LoadTimesReps
                            ? Math.Round(bodyMass.Kilograms * (decimal)(strength * 0.6), 1)
                            : 0;
                    yield return new(
                        ids.Next(day),
                        benchmark.Slug,
                        day,
                        score,
                        MassEntry.Kg(added),
                        benchmark.Measure == BenchmarkMeasure.LoadTimesReps ? 1 : 0,
                        bodyMass,
                        random.Next(12) == 0 ? FormVerdict.Broken : FormVerdict.Clean
                    )
                    {
                        Side = side,
                    };
                }
            }
        }
    }

    private static Score? Scored(Benchmark benchmark, double strength, int level, Random random)
    {
        var ease = strength / level * 2;
        return benchmark.Measure switch
        {
            BenchmarkMeasure.Reps => new(Math.Clamp((int)(ease * 20), 1, 60), random.Next(3) == 0 ? 3 : 1),
            BenchmarkMeasure.Seconds => new(
                1,
                random.Next(3) == 0 ? 3 : 1,
                Math.Clamp(Math.Round((decimal)(ease * 25), 1), 1, 120)
            ),
            BenchmarkMeasure.SecondsPerDescent => new(
                random.Next(1, 4),
                random.Next(1, 4),
                Math.Clamp(Math.Round((decimal)(ease * 10), 1), 1, 25)
            ),
            BenchmarkMeasure.ContactHeight => new(
                random.Next(1, 6),
                contact: (Contact)Math.Clamp((int)(ease * 4), 0, 4)
            ),
            BenchmarkMeasure.LoadTimesReps => new(random.Next(1, 9)),
            BenchmarkMeasure.Capacity => new(Math.Clamp((int)(ease * 15), 1, 25), 5, restSeconds: 300),
            _ => new(degrees: random.Next(70, 100)),
        };
    }

    private static Intake IntakeOf(Random random)
    {
        DayOfWeek[] days = [.. Enum.GetValues<DayOfWeek>().Where(_ => random.Next(2) == 0)];
        var ladders = Atlas.Shipped.Ladders;
        return new()
        {
            Days = random.Next(12) == 0 ? [] : days,
            Minutes = random.Next(10) == 0 ? null : random.Next(3, 25) * 5,
            Shoulders = random.Next(4) is var s and < 3 ? (ShoulderRange)s : null,
            Goals =
            [
                .. Enumerable
                    .Range(0, random.Next(0, 6))
                    .Select(i => (ladders[random.Next(ladders.Count)].Slug, i))
                    .DistinctBy(g => g.Slug)
                    .Select(g => new Goal(g.Slug, g.i < 2 ? GoalKind.Advance : GoalKind.Maintain)),
            ],
            Complaints =
                random.Next(4) == 0
                    ?
                    [
                        .. Enumerable
                            .Range(0, random.Next(1, 4))
                            .Select(_ => new Complaint(Places[random.Next(Places.Length)], random.Next(0, 8), null)),
                    ]
                    : [],
            Clearance = Clearance
                .Questions.Where(q => !q.IsByAge)
                .ToDictionary(q => q.Slug, _ => new ClearanceAnswer(random.Next(25) == 0, random.Next(2) == 0)),
            GuardianConsent = random.Next(2) == 0,
            Place = random.Next(3) == 0 ? TrainingPlace.Home : TrainingPlace.Hall,
            Finished = true,
        };
    }

    private static KitBook GearOf(Random random, SeededIds ids, DateOnly today)
    {
        if (random.Next(8) == 0)
            return KitBook.Empty;
        var gear = Hall.Where(_ => random.Next(4) > 0)
            .Select(k => new Gear(ids.Next(today), k, k.ToString(), random.Next(60, 250), null, null))
            .ToArray();
        return new(
            null,
            [
                .. Enumerable
                    .Range(0, random.Next(0, 4))
                    .Select(i => new Band(
                        ids.Next(today),
                        "band " + i,
                        10 + 10 * i,
                        8 + 8 * i,
                        5 + 6 * i,
                        today.AddDays(-random.Next(1, 90))
                    )),
            ],
            random.Next(5) == 0
                ? [new(ids.Next(today), "book", random.Next(3, 20), random.Next(2) == 0 ? MassEntry.Kg(0.6m) : null)]
                : [],
            gear
        );
    }
}
