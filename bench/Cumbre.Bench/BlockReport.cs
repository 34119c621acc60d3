using System.Diagnostics;
using System.Globalization;
using Cumbre.Core.Athletes;
using Cumbre.Core.Ladders;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;
using Cumbre.Core.Notation;
using Cumbre.Core.Programmes;

namespace Cumbre.Bench;

/// <summary>
/// Reads a block of five weeks, four sessions a week and eight items a session, as a key stroke does: parse, resolve,
/// dose and cautions.
/// Printed as multiples of the floor, which is parsing every line once.
/// </summary>
internal static class BlockReport
{
    private const int Runs = 60,
        Weeks = 5,
        Sessions = 4;

    private static readonly DateOnly Monday = new(2026, 3, 16);

    private static readonly (string Movement, string Line)[] Day =
    [
        ("front-lever-tuck", "hold 5 x {0} s rest 2:00"),
        ("weighted-pull-up", "4 x {0} @ +12.5 kg tempo 3-1-X-0 rest 2:30"),
        ("parallel-bar-dip", "3 x {0}..12 rest 2:00"),
        ("pull-up", "2 x drop 4+4+{0} @ +20 / +10 / 0 kg rest 3:00"),
        ("push-up", "every 1:20 x 5 do {0}"),
        ("inverted-row-horizontal", "3 x 1{0} rest 1:30"),
        ("human-flag-tuck", "hold 3 x {0} s left first rest 2:00"),
        ("hollow-hold", "hold 3 x 3{0} s rest 1:00"),
    ];

    public static void Run()
    {
        var block = new Block(
            "bench",
            Monday,
            [
                .. Enumerable
                    .Range(0, Weeks)
                    .Select(w => new BlockWeek(
                        WeekKind.Loading,
                        [
                            .. Enumerable
                                .Range(0, Sessions)
                                .Select(s => Session(Monday.AddDays(7 * w + 2 * s), w + s + 2)),
                        ]
                    )),
            ],
            []
        );
        var athlete = new AthleteSnapshot(
            MassUnit.Kg,
            1995,
            false,
            Schools.Default,
            new Kit([
                new(MassEntry.Kg(1.25m), 2),
                new(MassEntry.Kg(2.5m), 2),
                new(MassEntry.Kg(5), 2),
                new(MassEntry.Kg(10), 3),
                new(MassEntry.Kg(20), 1),
            ]),
            new([new(Monday, MassEntry.Kg(70))]),
            [],
            []
        )
        {
            Sex = Sex.Male,
            StatureCm = 174,
        };
        var lines = block.Weeks.SelectMany(w => w.Sessions).SelectMany(s => s.Items).Select(i => i.Line).ToArray();
        var floor = Measure($"floor: {lines.Length} lines parsed", 0, () =>
            lines.Count(l => NotationParser.Parse(l).Plan is not null)
        );
        Measure("block read, dosed and checked", floor, () =>
        {
            var work = new AthleteAtWork(athlete, Intake.Empty, Atlas.Shipped, KitBook.Empty, [], Monday);
            return BlockChecks
                .Of(block, DoseReader.Read(block, work, DoseRules.Shipped), work, DoseRules.Shipped)
                .Count;
        });
    }

    private static BlockSession Session(DateOnly day, int figure) =>
        new(
            Guid.NewGuid(),
            day,
            "",
            new(480, null),
            new(0, null),
            [
                .. Day.Select(d => new BlockItem(
                    Guid.NewGuid(),
                    d.Movement,
                    string.Format(CultureInfo.InvariantCulture, d.Line, Math.Min(9, figure))
                )),
            ]
        );

    private static double Measure(string what, double floor, Func<int> work)
    {
        for (var i = 0; i < Runs; i++)
            work();
        var times = new double[Runs];
        for (var i = 0; i < Runs; i++)
        {
            var started = Stopwatch.GetTimestamp();
            work();
            times[i] = Stopwatch.GetElapsedTime(started).TotalMilliseconds;
        }

        Array.Sort(times);
        var ratio =
            floor > 0 ? string.Create(CultureInfo.InvariantCulture, $", {times[Runs / 2] / floor:0} x floor") : "";
        Console.WriteLine(
            string.Create(
                CultureInfo.InvariantCulture,
                $"{what, -34} median {times[Runs / 2], 7:0.00} ms, worst {times[^1], 7:0.00} ms{ratio}"
            )
        );
        return times[Runs / 2];
    }
}
