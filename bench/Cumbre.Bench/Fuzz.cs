using System.Diagnostics;
using System.Globalization;
using Cumbre.Core.Measures;
using Cumbre.Core.Notation;

namespace Cumbre.Bench;

/// <summary>
/// Lines as coaches write them, changed at random: none may throw, none may take long, and what is read must be read
/// the same again from its canonical line.
/// </summary>
internal static class Fuzz
{
    private const int SlowMilliseconds = 50;

    private const string Letters = "0123456789 xX@+-.,:/%'\"()abcdefghijklmnopqrstuvwxyzäß…×–";

    /// <param name="file">Lines to begin with; what stands behind the first " ; " of one is left out.</param>
    /// <param name="count">How many are tried.</param>
    /// <param name="seed">The same seed tries the same lines.</param>
    public static int Run(string file, int count, int seed)
    {
        string[] seeds = [.. File.ReadLines(file).Select(l => l.Split(" ; ")[0])];
        var random = new Random(seed);
        var slow = new PriorityQueue<string, double>();
        int read = 0,
            asked = 0,
            near = 0,
            wrong = 0,
            over = 0;
        // The first of each pattern is compiled, which no line should be charged for.
        foreach (var line in seeds)
            Timed(line, null);
        for (var i = 0; i < count; i++)
        {
            var line = Mutated(seeds, random);
            MassUnit? unit = random.Next(3) switch
            {
                0 => MassUnit.Kg,
                1 => MassUnit.Lb,
                _ => null,
            };
            var (result, took) = Timed(line, unit);
            // A pause of the machine is not the line's: a slow one is timed again, and the least counts.
            for (var t = 0; took > SlowMilliseconds && t < 4; t++)
                took = Math.Min(took, Timed(line, unit).Took);
            slow.Enqueue($"{took.ToString("0.0", CultureInfo.InvariantCulture)} ms  {line}", took);
            if (slow.Count > 5)
                slow.Dequeue();
            if (took > SlowMilliseconds)
                over++;
            if (result.Plan is null)
            {
                asked += result.Error!.Ways.Count > 0 ? 1 : 0;
                near += result.Error.Nearest.Count > 0 ? 1 : 0;
                continue;
            }

            read++;
            var canonical = NotationPrinter.Print(result.Plan);
            if (NotationParser.Strict(canonical).Plan is { } again && NotationPrinter.Print(again) == canonical)
                continue;
            wrong++;
            Console.WriteLine($"not the same again: {line} => {canonical}");
        }

        Console.WriteLine(
            $"{count} lines, {read} read, {asked} asked or mended, {near} with a nearest line, "
                + $"{wrong} not the same again, {over} over {SlowMilliseconds} ms"
        );
        while (slow.TryDequeue(out var line, out _))
            Console.WriteLine(line);
        return wrong + over == 0 ? 0 : 1;
    }

    private static (NotationResult Result, double Took) Timed(string line, MassUnit? unit)
    {
        var begun = Stopwatch.GetTimestamp();
        // As the app reads it: with the nearest lines beside an error.
        var result = NearestLines.Beside(NotationParser.Parse(line, unit), line, unit);
        return (result, Stopwatch.GetElapsedTime(begun).TotalMilliseconds);
    }

    private static string Mutated(string[] seeds, Random random)
    {
        var line = seeds[random.Next(seeds.Length)];
        for (var n = random.Next(4); n >= 0; n--)
        {
            var at = random.Next(line.Length + 1);
            var end = Math.Min(line.Length, at + random.Next(6));
            line = random.Next(6) switch
            {
                0 => line[..at] + Letters[random.Next(Letters.Length)] + line[at..],
                1 => line[..at] + line[end..],
                2 => line[..end] + line[at..],
                3 => line[..at] + " " + seeds[random.Next(seeds.Length)],
                4 => line[..at] + random.Next(1000).ToString(CultureInfo.InvariantCulture) + line[end..],
                _ => line[..at] + new string(Letters[random.Next(Letters.Length)], random.Next(40)) + line[at..],
            };
        }

        return line;
    }
}
