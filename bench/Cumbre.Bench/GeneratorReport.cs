using System.Diagnostics;
using System.Globalization;
using Cumbre.Core.Ladders;
using Cumbre.Core.Programmes;
using Cumbre.Core.Programmes.Generation;
using Cumbre.Simulation;

namespace Cumbre.Bench;

/// <summary>
/// Generates blocks for seeded athletes of all kinds, one after the other and a roster of 200 on one core, printed as
/// multiples of the
/// floor: reading and checking the finished blocks once. Then 1,000 athletes train generated blocks for a year.
/// </summary>
internal static class GeneratorReport
{
    private const int Athletes = 200,
        Lives = 1000,
        WeeksOfLife = 52,
        WarmPasses = 3,
        Tries = 3;

    private static readonly DateOnly Monday = new(2026, 3, 16);

    public static void Run()
    {
        Speed();
        Live();
    }

    public static void Speed()
    {
        var athletes = Enumerable.Range(0, Athletes).Select(seed => RandomAthletes.Make(seed, Monday)).ToArray();
        // Warm, so that neither the compiler nor what it counts on the way is measured: a server runs for days.
        for (var pass = 0; pass < WarmPasses; pass++)
        {
            foreach (var who in athletes)
                Generate(who);
        }

        var made = new GeneratedBlock[Athletes];
        var times = new double[Athletes];
        for (var i = 0; i < Athletes; i++)
            times[i] = Enumerable
                .Range(0, Tries)
                .Select(_ => Time(() => made[i] = Generate(athletes[i])))
                .Order()
                .ElementAt(Tries / 2);
        var floor = Time(() =>
        {
            for (var i = 0; i < Athletes; i++)
            {
                var work = Work(athletes[i]);
                BlockChecks.Of(
                    made[i].Block,
                    DoseReader.Read(made[i].Block, work, DoseRules.Shipped),
                    work,
                    DoseRules.Shipped
                );
            }
        });
        var total = times.Sum();
        var slowest = Array.IndexOf(times, times.Max());
        Array.Sort(times);
        Print($"floor: {Athletes} blocks read and checked {floor:0} ms");
        Print(
            $"one block: median {times[Athletes / 2]:0.0} ms, p95 {times[Athletes * 95 / 100]:0.0} ms, worst {times[^1]:0.0} ms (athlete {slowest}), {times.Count(t => t > 20)} of {Athletes} over 20 ms"
        );
        Print($"{Athletes} blocks on one core: {total:0} ms (aim 2,000 ms), {total / floor:0.0} x floor");
        var longest = made.MaxBy(m => m.Block.Weeks.Sum(w => w.Sessions.Sum(s => s.Items.Count)))!;
        var whose = athletes[Array.IndexOf(made, longest)];
        var sheets = Enumerable
            .Range(0, 20)
            .Select(_ =>
                Time(() =>
                {
                    var work = Work(whose);
                    foreach (
                        var session in DoseReader
                            .Read(longest.Block, work, DoseRules.Shipped)
                            .SelectMany(w => w.Sessions)
                    )
                        SessionCautions.Of(session, work);
                })
            )
            .Order()
            .ToArray();
        Print(
            $"figures of the sheets of the longest block: median {sheets[10]:0.0} ms, worst {sheets[^1]:0.0} ms (aim 1,000 ms with the page)"
        );
    }

    private static void Live()
    {
        var started = Stopwatch.GetTimestamp();
        var lives = new LivedBlocks[Lives];
        Parallel.For(0, Lives, i =>
            lives[i] = LifeInBlocks.Live(RandomAthletes.Make(10_000 + i, Monday), Monday, WeeksOfLife, i)
        );
        var training = lives.Where(l => l.Empty < l.Blocks).ToArray();
        Print(
            $"{Lives} athletes x {WeeksOfLife} weeks: {Stopwatch.GetElapsedTime(started).TotalSeconds:0.0} s, {lives.Sum(l => l.Blocks)} blocks, {lives.Sum(l => l.Sessions)} sessions"
        );
        Print(
            $"  cautions on fresh blocks {lives.Sum(l => l.Cautions)}, sessions over the minutes {lives.Count(l => l.LongestMinutes > 0)}, athletes without any session {Lives - training.Length}"
        );
        Print(
            $"  steps won on the ladders of the goals {training.Sum(l => l.StepsWonBefore)} -> {training.Sum(l => l.StepsWonAfter)}, athletes with fewer than before {training.Count(l => l.StepsWonAfter < l.StepsWonBefore)}"
        );
    }

    private static GeneratedBlock Generate(RandomAthlete who) =>
        BlockGenerator.Generate(
            Work(who),
            new("Block", Monday, _ => Guid.NewGuid()),
            DoseRules.Shipped,
            GeneratorRules.Shipped
        );

    private static AthleteAtWork Work(RandomAthlete who) =>
        new(who.Snapshot, who.Intake, Atlas.Shipped, who.Gear, [], Monday);

    private static double Time(Action work)
    {
        var started = Stopwatch.GetTimestamp();
        work();
        return Stopwatch.GetElapsedTime(started).TotalMilliseconds;
    }

    private static void Print(FormattableString line) => Console.WriteLine(line.ToString(CultureInfo.InvariantCulture));
}
