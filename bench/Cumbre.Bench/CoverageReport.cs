using Cumbre.Simulation;

namespace Cumbre.Bench;

/// <summary>How many forecasts hold what really comes, of athletes who are as the forecast assumes, and of others.</summary>
internal static class CoverageReport
{
    private const int Athletes = 4000,
        Seed = 20261130;

    private static readonly int[] Counts = [4, 6, 8, 12, 24];

    public static void Run()
    {
        Console.WriteLine("80 % interval of the weeks to a threshold, by points in twelve weeks");
        Console.WriteLine($"{"", -44} {string.Join(' ', Counts.Select(c => $"{c, 7}"))}");
        Line("straight gain, 0.4 a week, scatter 0.5", new(0, 0.4, 0.5, 3));
        Line("the same, scatter 1", new(0, 0.4, 1, 3));
        Line("one bad day in ten", new(0, 0.4, 0.5, 3) { BadDays = true });
        Line("whole seconds", new(0, 0.4, 0.5, 3) { Whole = true });
        Line("a bad day lasts", new(0, 0.4, 0.5, 3) { Drifting = true });
        Line("the gain halves every eight weeks", new(0, 0.8, 0.5, 3) { Slowing = true });
        Line("the same, eight weeks ahead", new(0, 0.8, 0.5, 8) { Slowing = true });
    }

    private static void Line(string name, ForecastTrial trial)
    {
        var shares = Counts.Select(points =>
        {
            var (held, told) = (trial with { Points = points }).Run(Athletes, Seed);
            return told < Athletes / 20 ? "-" : $"{100d * held / told:0} %";
        });
        Console.WriteLine($"{name, -44} {string.Join(' ', shares.Select(s => $"{s, 7}"))}");
    }
}
