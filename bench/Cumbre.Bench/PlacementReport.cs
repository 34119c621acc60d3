using System.Diagnostics;
using System.Globalization;
using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Ladders;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;

namespace Cumbre.Bench;

/// <summary>
/// Places 200 seeded athletes, each with a year of tests, on every ladder, and asks one what-if: a threshold of one
/// ladder
/// changed for all of them. Printed with allocations, as multiples of the floor: reading every result of every athlete
/// once.
/// </summary>
internal static class PlacementReport
{
    private const int Athletes = 200,
        Runs = 40,
        TestsEach = 120;

    private static readonly DateOnly Today = new(2026, 3, 16);

    public static void Run()
    {
        var results = Enumerable.Range(0, Athletes).Select(Results).ToArray();
        var books = results.Select(r => new ResultBook(r, Today)).ToArray();
        var lever = Atlas.Shipped.BySlug["front-lever"];
        var stricter = lever with
        {
            Steps =
            [
                .. lever.Steps.Select(s =>
                    s.Slug == "tuck"
                        ? s with
                        {
                            Opens = GateParser
                                .Parse("tuck front lever >= 3 x 12 s", Catalogue.Shipped.Names)
                                .Expression!,
                        }
                        : s
                ),
            ],
        };
        var floor = Measure("floor: every result read once", 0, () => results.Sum(r => r.Sum(x => x.Score.Reps)));
        Measure("index the results of the roster", floor, () =>
            results.Count(r => new ResultBook(r, Today).Has("pull-up-max"))
        );
        Measure(
            "whole roster on all ladders",
            floor,
            () => results.Select(r => new ResultBook([.. r.Select(x => x with { })], Today)).ToArray(),
            fresh => fresh.Sum(b => Atlas.Shipped.Ladders.Sum(l => Placement.Of(l, Schools.Default, b).Training ?? 0))
        );
        Measure("what-if of one threshold", floor, () =>
            books.Count(b =>
                Placement.Of(stricter, Schools.Default, b).Training != Placement.Of(lever, Schools.Default, b).Training
            )
        );
    }

    private static double Measure(string what, double floor, Func<int> work) =>
        Measure(what, floor, () => 0, _ => work());

    /// <param name="what">As it is printed.</param>
    /// <param name="floor">Milliseconds; 0: this is the floor.</param>
    /// <param name="prepare">Made anew for each run and not measured, so that nothing is known from the run before.</param>
    /// <param name="work">What is measured.</param>
    private static double Measure<T>(string what, double floor, Func<T> prepare, Func<T, int> work)
    {
        for (var i = 0; i < Runs; i++)
            work(prepare());
        var times = new double[Runs];
        long allocated = 0;
        for (var i = 0; i < Runs; i++)
        {
            var with = prepare();
            var before = GC.GetAllocatedBytesForCurrentThread();
            var started = Stopwatch.GetTimestamp();
            work(with);
            times[i] = Stopwatch.GetElapsedTime(started).TotalMilliseconds;
            allocated += GC.GetAllocatedBytesForCurrentThread() - before;
        }

        allocated = allocated / Runs / 1024;
        Array.Sort(times);
        var ratio =
            floor > 0 ? string.Create(CultureInfo.InvariantCulture, $", {times[Runs / 2] / floor:0} x floor") : "";
        Console.WriteLine(
            string.Create(
                CultureInfo.InvariantCulture,
                $"{what, -34} median {times[Runs / 2], 7:0.00} ms, worst {times[^1], 7:0.00} ms, {allocated, 6} kB{ratio}"
            )
        );
        return times[Runs / 2];
    }

    /// <summary>Tests spread over all benchmarks, most of them on the ones that ladders ask for.</summary>
    private static BenchmarkResult[] Results(int athlete)
    {
        var random = new Random(athlete);
        var terms = Atlas.Shipped.Ladders.SelectMany(l => l.Steps).SelectMany(s => s.Opens.Terms).ToArray();
        return [.. Enumerable.Range(0, TestsEach).Select(_ => Near(terms[random.Next(terms.Length)], random))];
    }

    private static BenchmarkResult Near(GateTerm term, Random random)
    {
        var share = 0.7m + (decimal)random.NextDouble() * 0.6m;
        int Scaled(int n) => Math.Max(1, (int)(n * share));
        var body = Mass.FromKilograms(70);
        var (score, added) = term.Target switch
        {
            RepsTarget t => (Score.OfReps(Scaled(t.Reps), t.Sets), 0m),
            SecondsTarget t => (new Score(t.Reps, t.Sets, Math.Max(0.5m, t.Seconds * share)), 0m),
            ContactTarget t => (new Score(t.Reps, contact: (Contact)random.Next(5)), 0m),
            LoadTarget t => (Score.OfReps(t.Reps, t.Sets), t.At(body).Kilograms * share),
            CapacityTarget t => (new Score(Scaled(t.Reps), t.Sets, restSeconds: t.WithinSeconds), 0m),
            _ => (new Score(degrees: 90), 0m),
        };
        return new(
            Guid.NewGuid(),
            term.Benchmark,
            Today.AddDays(-random.Next(365)),
            score,
            MassEntry.Kg(added),
            0,
            body,
            FormVerdict.Clean
        )
        {
            Side = term.EachSide ? (Side)random.Next(2) : null,
        };
    }
}
