using System.Diagnostics;
using System.Globalization;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;

namespace Cumbre.Bench;

/// <summary>
/// Times a load and a drop plan on 1,000 seeded kits each, of up to 6 sizes as halls have them and of up to 12, each on
/// a fresh kit. Printed as percentiles and as
/// multiples of a calibration loop of the same run, so that two machines can be compared.
/// </summary>
internal static class PlateReport
{
    private const int Kits = 1000;

    private static readonly decimal[] KilogramSizes =
    [
        0.25m,
        0.5m,
        0.75m,
        1,
        1.25m,
        1.5m,
        2,
        2.5m,
        5,
        7.5m,
        10,
        15,
        20,
        25,
    ];
    private static readonly decimal[] PoundSizes = [0.5m, 1, 1.25m, 2.5m, 5, 7.5m, 10, 15, 25, 35, 45];

    public static void Run()
    {
        var calibration = Calibrate();
        Console.WriteLine(Invariant($"Calibration loop (a million multiply-adds): {calibration:0.00} ms"));
        for (var parts = 1; parts <= DropPlanner.PartsMaximum; parts++)
            Measure(parts, 6, calibration, warmUp: true);
        foreach (var sizes in new[] { 6, Limits.PlateSizesMaximum })
        {
            for (var parts = 1; parts <= DropPlanner.PartsMaximum; parts++)
                Measure(parts, sizes, calibration, warmUp: false);
        }
    }

    private static void Measure(int parts, int sizesMaximum, double calibration, bool warmUp)
    {
        var random = new Random(2026);
        var unproven = 0;
        var times = new List<(double Milliseconds, string What)>();
        for (var i = 0; i < Kits; i++)
        {
            var (kit, what) = RandomKit(random, sizesMaximum);
            var targets = Enumerable
                .Range(0, parts)
                .Select(_ => Mass.FromKilograms(random.Next(0, 241) / 4m))
                .OrderByDescending(m => m.Kilograms)
                .ToArray();
            var started = Stopwatch.GetTimestamp();
            if (parts == 1)
                kit.Nearest(targets[0]);
            else if (!DropPlanner.Plan(kit, targets).Proven)
                unproven++;
            times.Add(
                (
                    Stopwatch.GetElapsedTime(started).TotalMilliseconds,
                    $"{what} for {string.Join(" / ", targets.Select(t => t.Kilograms))}"
                )
            );
        }

        if (warmUp)
            return;
        times.Sort((a, b) => a.Milliseconds.CompareTo(b.Milliseconds));
        double At(double share) => times[(int)(share * (Kits - 1))].Milliseconds;
        Console.WriteLine(
            Invariant(
                $"up to {sizesMaximum, 2} sizes, {(parts == 1 ? "nearest load" : $"drop plan of {parts}"), -15} median {At(0.5):0.000} ms, p95 {At(0.95):0.000} ms ({At(0.95) / calibration:0.00} x calibration), p99 {At(0.99):0.000} ms, worst {At(1):0.0} ms, not proven {unproven}; worst kit {times[^1].What}"
            )
        );
    }

    private static (Kit Kit, string What) RandomKit(Random random, int sizesMaximum)
    {
        // Most halls have one kind of plate; one in ten mixes both.
        var kind = random.Next(10);
        var sizes = (
            kind < 6 ? KilogramSizes.Select(MassEntry.Kg)
            : kind < 9 ? PoundSizes.Select(MassEntry.Lb)
            : KilogramSizes.Select(MassEntry.Kg).Concat(PoundSizes.Select(MassEntry.Lb))
        ).ToArray();
        random.Shuffle(sizes);
        var plates = sizes
            .Take(random.Next(1, sizesMaximum + 1))
            .Select(size => new PieceStock(size, random.Next(1, 5)))
            .ToArray();
        var vest = random.Next(4) == 0 ? MassEntry.Kg(5) : (MassEntry?)null;
        return (
            new Kit(plates, vest: vest),
            string.Join(" ", plates.Select(p => $"{p.Size}x{p.Count}")) + (vest is null ? "" : " vest")
        );
    }

    private static double Calibrate()
    {
        var best = double.MaxValue;
        for (var run = 0; run < 20; run++)
        {
            var started = Stopwatch.GetTimestamp();
            var x = 1.0;
            for (var i = 0; i < 1_000_000; i++)
                x = x * 1.0000001 + 1e-9;
            if (x > 0)
                best = Math.Min(best, Stopwatch.GetElapsedTime(started).TotalMilliseconds);
        }

        return best;
    }

    private static string Invariant(FormattableString text) => text.ToString(CultureInfo.InvariantCulture);
}
