using System.Globalization;
using Cumbre.Core.Decisions;
using Cumbre.Simulation;

namespace Cumbre.Bench;

/// <summary>A thousand seeded athletes train for a year under the rules; the summary is a page of the docs.</summary>
internal static class YearReport
{
    private const int LimitPercent = 10,
        FewExposures = 12,
        MostTurns = 2,
        MostLoading = 5,
        StillLong = 16;

    public static void Run(int athletes)
    {
        var years = new LivedYear[athletes];
        Parallel.For(0, athletes, new ParallelOptions { MaxDegreeOfParallelism = Environment.ProcessorCount }, seed =>
            years[seed] = YearUnderRules.Live(seed)
        );
        var items = years.SelectMany(y => y.Items).ToArray();
        var steps = items.SelectMany(i => i.StepWeeks).ToArray();
        var often = items.Where(i => i.Exposures >= FewExposures).ToArray();
        Print("# A year under the rules");
        Print("");
        Print(
            $"{athletes} seeded athletes train four things twice a week for 52 weeks, every proposal accepted as it is. Made by `scripts/year`: what an athlete can do, tires and grows is invented, so this tries the rules and forecasts nobody."
        );
        Print("");
        Print("| what must hold | found |");
        Print("|---|---|");
        Row(
            $"no step in load over {LimitPercent} % of the system",
            $"largest {Percent(years.Max(y => (double)y.LargestJumpShare))}"
        );
        Row("nothing is raised right after pain of 3 and more", $"{years.Sum(y => y.LoadedThroughPain)} times");
        Row(
            $"no movement that never changes (of {often.Length} trained {FewExposures} times and more)",
            $"{often.Count(IsStuck)}; the longest without a change {often.Max(i => i.LongestStill)} exposures, {Percent(often.Count(i => i.LongestStill > StillLong) / (double)often.Length)} over {StillLong}"
        );
        Row(
            $"no turning back and forth more than {MostTurns} times in a year",
            $"{items.Count(i => i.Turns > MostTurns)} of {items.Length}, most {items.Max(i => i.Turns)}"
        );
        Row(
            $"deloads in place: at most {MostLoading} loading weeks in a row",
            $"{items.Count(i => i.LongestLoading > MostLoading)} of {items.Length} over, most {items.Max(i => i.LongestLoading)}"
        );
        var ratios = steps.Where(s => s.Usual > 0).Select(s => s.Took / (double)s.Usual).Order().ToArray();
        Row(
            "median weeks a step between half and twice the catalogue's",
            ratios.Length == 0
                ? "no step was left"
                : $"{ratios[ratios.Length / 2].ToString("0.00", CultureInfo.InvariantCulture)} of the catalogue's over {ratios.Length} steps"
        );
        Print("");
        Print("By what was begun with:");
        Print("");
        Print(
            "| movement | things | exposures | changes | never changed | turned too often | loaded too long | still, longest |"
        );
        Print("|---|---:|---:|---:|---:|---:|---:|---:|");
        foreach (var g in items.GroupBy(i => i.Movement).OrderBy(g => g.Key, StringComparer.Ordinal))
            Print(
                $"| {g.Key} | {g.Count()} | {g.Average(i => i.Exposures):0} | {g.Average(i => i.Changes):0.0} | {g.Count(IsStuck)} | {g.Count(i => i.Turns > MostTurns)} | {g.Count(i => i.LongestLoading > MostLoading)} | {g.Max(i => i.LongestStill)} |"
            );
        Print("");
        Print("Decisions taken: " + string.Join(", ", Kinds(years).Select(k => $"{k.Key} {k.Value}")) + ".");
    }

    private static bool IsStuck(LivedItem item) => item.Exposures >= FewExposures && item.Changes == 0;

    private static IEnumerable<KeyValuePair<ProposalKind, int>> Kinds(LivedYear[] years) =>
        years
            .SelectMany(y => y.Decisions)
            .GroupBy(d => d.Key)
            .Select(g => KeyValuePair.Create(g.Key, g.Sum(d => d.Value)))
            .OrderByDescending(k => k.Value);

    private static string Percent(double share) => share.ToString("0.0 %", CultureInfo.InvariantCulture);

    private static void Row(string what, string found) => Print($"| {what} | {found} |");

    private static void Print(string line) => Console.WriteLine(line);
}
