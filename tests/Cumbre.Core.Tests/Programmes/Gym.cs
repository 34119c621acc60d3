using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Ladders;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Programmes;
using Cumbre.Core.Tests.Loading;

namespace Cumbre.Core.Tests.Programmes;

/// <summary>An athlete of 70 kg and 1.741 m in a hall, and blocks made of lines.</summary>
internal static class Gym
{
    public static readonly DateOnly Monday = new(2026, 3, 16);

    public static readonly KitBook Hall = new(
        null,
        [new(Guid.NewGuid(), "red", 20, 15, 10, Monday.AddDays(-7))],
        [],
        [
            new(Guid.NewGuid(), GearKind.Bar, "high bar", 230, 120, null),
            new(Guid.NewGuid(), GearKind.Bar, "low bar", 100, 120, null),
            new(Guid.NewGuid(), GearKind.ParallelBars, "bars", 120, 55, null),
            new(Guid.NewGuid(), GearKind.Box, "box", 45, null, null),
            new(Guid.NewGuid(), GearKind.Mat, "mat", null, null, null),
        ]
    );

    public static AthleteAtWork Athlete(
        Intake? intake = null,
        KitBook? gear = null,
        int birthYear = 1995,
        params BenchmarkResult[] results
    ) =>
        new(
            new AthleteSnapshot(
                MassUnit.Kg,
                birthYear,
                false,
                Schools(),
                KitTests.Cochera,
                new([new(Monday.AddDays(-1), MassEntry.Kg(70))]),
                results,
                []
            )
            {
                Sex = Sex.Male,
                StatureCm = 174.1m,
            },
            intake ?? new Intake { Minutes = 60 },
            Atlas.Shipped,
            gear ?? Hall,
            [],
            Monday
        );

    public static BenchmarkResult Result(
        string benchmark,
        Score score,
        decimal addedKg = 0,
        int reserve = 0,
        Side? side = null
    ) =>
        new(
            Guid.NewGuid(),
            benchmark,
            Monday.AddDays(-3),
            score,
            MassEntry.Kg(addedKg),
            reserve,
            Mass.FromKilograms(70),
            FormVerdict.Clean
        )
        {
            Side = side,
        };

    /// <summary>
    /// A loading week a list; "pull-up: 3 x 8", "+dip: ..." is joined with the one before. Sessions are given by
    /// weekday, 0 is Monday.
    /// </summary>
    public static Block Block(params (int Day, string[] Items)[][] weeks) =>
        new(
            "test",
            Monday,
            [
                .. weeks.Select(
                    (sessions, w) =>
                        new BlockWeek(
                            WeekKind.Loading,
                            [.. sessions.Select(s => Session(Monday.AddDays(7 * w + s.Day), s.Items))]
                        )
                ),
            ],
            []
        );

    public static BlockSession Session(DateOnly day, params string[] items) =>
        new(
            Guid.NewGuid(),
            day,
            "",
            new(0, null),
            new(0, null),
            [
                .. items.Select(i =>
                    i.TrimStart('+').Split(": ") is [var movement, var line]
                        ? new BlockItem(Guid.NewGuid(), movement, line, i.StartsWith('+'))
                        : throw new ArgumentException(i)
                ),
            ]
        );

    public static IReadOnlyList<WeekDose> Dose(Block block, AthleteAtWork? athlete = null) =>
        DoseReader.Read(block, athlete ?? Athlete(), DoseRules.Shipped);

    public static IReadOnlyList<ProgrammeCaution> Cautions(Block block, AthleteAtWork? athlete = null)
    {
        var who = athlete ?? Athlete();
        return BlockChecks.Of(block, DoseReader.Read(block, who, DoseRules.Shipped), who, DoseRules.Shipped);
    }

    private static Schools Schools() => new(Catalogue.Shipped, new Dictionary<string, string>());
}
