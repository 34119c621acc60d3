namespace Cumbre.Core.Benchmarks;

/// <summary>
/// An athlete's clean results by benchmark, oldest first: what gates are read from. Built once, read often.
/// </summary>
public sealed class ResultBook
{
    private static readonly BenchmarkResult[] None = [];
    private readonly Dictionary<string, BenchmarkResult[]> byBenchmark;

    /// <param name="results">Recorded tests and clean training sets, in any order.</param>
    /// <param name="day">Later results are left out.</param>
    public ResultBook(IEnumerable<BenchmarkResult> results, DateOnly day)
    {
        Day = day;
        byBenchmark = results
            .Where(r => r.Form == FormVerdict.Clean && r.Day <= day)
            .GroupBy(r => r.Benchmark, StringComparer.Ordinal)
            .ToDictionary(g => g.Key, g => g.OrderBy(r => r.Day).ToArray(), StringComparer.Ordinal);
    }

    /// <summary>The day as of which it is read.</summary>
    public DateOnly Day { get; }

    public IReadOnlyList<BenchmarkResult> Of(string benchmark) => Array(benchmark);

    public bool Has(string benchmark) => byBenchmark.ContainsKey(benchmark);

    internal BenchmarkResult[] Array(string benchmark) =>
        byBenchmark.TryGetValue(benchmark, out var results) ? results : None;
}
