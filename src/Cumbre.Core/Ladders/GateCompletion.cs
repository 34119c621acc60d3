using Cumbre.Core.Lexing;
using Cumbre.Core.Movements;

namespace Cumbre.Core.Ladders;

/// <summary>What could be written at a place of a gate.</summary>
/// <param name="Text">What is put there.</param>
/// <param name="Start">First character that it replaces, from 0.</param>
/// <param name="Length">Characters that it replaces; 0: it is put in.</param>
public sealed record GateSuggestion(string Text, int Start, int Length);

/// <summary>Completes a gate at the cursor, from what <see cref="GateParser"/> misses there.</summary>
public static class GateCompletion
{
    /// <summary>As many as can be looked over.</summary>
    public const int Maximum = 8;

    private const int SlipsMaximum = 2;

    /// <param name="text">The gate so far.</param>
    /// <param name="cursor">0 to the length of the text; what stands after it is left alone.</param>
    /// <param name="benchmarks">The benchmarks that may be named.</param>
    public static IReadOnlyList<GateSuggestion> At(string text, int cursor, BenchmarkNames benchmarks)
    {
        var before = text[..Math.Clamp(cursor, 0, text.Length)];
        var parsed = GateParser.Parse(before, benchmarks);
        if (parsed.Error is not { } error)
            return Put(before, ["and ", "or "]);
        var benchmark = benchmarks.Find(NameBefore(before));
        return error.Fault switch
        {
            GateFault.ExpectedName when error.Start == before.Length || error.Length == 0 => Names(
                "",
                before.Length,
                before,
                benchmarks
            ),
            GateFault.UnknownName when error.Start + error.Length == before.TrimEnd().Length => Names(
                error.Name!,
                error.Start,
                before,
                benchmarks
            ),
            GateFault.ExpectedAtLeast when error.Length == 0 && benchmark is not null => AfterName(
                before,
                benchmark,
                benchmarks
            ),
            GateFault.ExpectedFigure when error.Length == 0 && benchmark is not null => Put(
                before,
                Figures(benchmark, Tail(before))
            ),
            GateFault.Sides
                when benchmark is { EachSide: true } && !before.TrimEnd().EndsWith("side", StringComparison.Ordinal) =>
                Put(before, ["each side"]),
            _ => [],
        };
    }

    private static IReadOnlyList<GateSuggestion> Names(
        string fragment,
        int start,
        string before,
        BenchmarkNames benchmarks
    )
    {
        string[] names = [.. benchmarks.All.Where(n => n.Contains(fragment, StringComparison.OrdinalIgnoreCase))];
        return
        [
            .. (names.Length > 0 ? names : Near(fragment, benchmarks))
                .OrderBy(n => !n.StartsWith(fragment, StringComparison.OrdinalIgnoreCase))
                .ThenBy(n => n.Length)
                .ThenBy(n => n, StringComparer.Ordinal)
                .Take(Maximum)
                .Select(n => new GateSuggestion(n + " >= ", start, before.Length - start)),
        ];
    }

    /// <summary>The names that are a slip or two of the keyboard away.</summary>
    private static string[] Near(string fragment, BenchmarkNames benchmarks) =>
        [
            .. benchmarks.All.Where(n =>
                Math.Abs(n.Length - fragment.Length) <= SlipsMaximum
                && Slips.Between(n.ToLowerInvariant(), fragment.ToLowerInvariant()) <= SlipsMaximum
            ),
        ];

    /// <summary>A whole name may also be the beginning of a longer one.</summary>
    private static IReadOnlyList<GateSuggestion> AfterName(
        string before,
        Benchmark benchmark,
        BenchmarkNames benchmarks
    )
    {
        var start = before.TrimEnd().Length - benchmark.GateName.Length;
        var written =
            start >= 0 && before.AsSpan(start).TrimEnd().Equals(benchmark.GateName, StringComparison.OrdinalIgnoreCase);
        return
        [
            .. Put(before, [">= "]),
            .. written
                ? Names(benchmark.GateName, start, before, benchmarks)
                    .Where(s => s.Text.Length > benchmark.GateName.Length + 4)
                : [],
        ];
    }

    private static IReadOnlyList<GateSuggestion> Put(string before, IEnumerable<string> texts) =>
        [
            .. texts.Select(t => new GateSuggestion(
                before.Length > 0 && !char.IsWhiteSpace(before[^1]) ? " " + t : t,
                before.Length,
                0
            )),
        ];

    /// <summary>The name in the term at the end.</summary>
    private static string NameBefore(string before)
    {
        var term = before[(Math.Max(Math.Max(before.LastIndexOf('('), EndOf(" and ")), EndOf(" or ")) + 1)..];
        return term.Split(">=")[0].Trim();

        int EndOf(string join) =>
            before.LastIndexOf(join, StringComparison.OrdinalIgnoreCase) is var at and >= 0 ? at + join.Length - 1 : -1;
    }

    private static string Tail(string before) =>
        before[(before.LastIndexOf(">=", StringComparison.Ordinal) + 2)..].Trim();

    /// <summary>Whole figures while none is begun, else its unit.</summary>
    private static IEnumerable<string> Figures(Benchmark benchmark, string begun)
    {
        var side = benchmark.EachSide ? " each side" : "";
        if (begun.Length == 0)
        {
            return benchmark.Measure switch
            {
                BenchmarkMeasure.Reps => ["10 reps" + side, "10..12 reps" + side, "3 x 10 reps" + side],
                BenchmarkMeasure.Seconds => ["10 s" + side, "3 x 10 s" + side],
                BenchmarkMeasure.SecondsPerDescent => ["5 s" + side, "3 x 3 x 3 s" + side],
                BenchmarkMeasure.ContactHeight => ["chest x 5", "belly x 3"],
                BenchmarkMeasure.LoadTimesReps => ["+25 % bm x 5", "+10 kg x 5", "3 x 10 at +2.5 kg"],
                BenchmarkMeasure.Capacity => ["5 x 20 within 5:00"],
                _ => ["90 degrees"],
            };
        }

        return char.IsAsciiDigit(begun[^1])
            ? benchmark.Measure switch
            {
                BenchmarkMeasure.Reps => ["reps" + side],
                BenchmarkMeasure.Seconds or BenchmarkMeasure.SecondsPerDescent => ["s" + side],
                BenchmarkMeasure.LoadTimesReps => ["% bm x 5", "kg x 5"],
                BenchmarkMeasure.Capacity => ["within 5:00"],
                BenchmarkMeasure.Degrees => ["degrees"],
                _ => [],
            }
            : [];
    }
}
