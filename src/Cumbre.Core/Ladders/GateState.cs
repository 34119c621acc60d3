using Cumbre.Core.Benchmarks;
using Cumbre.Core.Movements;

namespace Cumbre.Core.Ladders;

/// <summary>One threshold of a gate as it stands.</summary>
/// <param name="Term">The threshold.</param>
/// <param name="Have">The clean result that speaks for it, or null when there is none.</param>
/// <param name="Met">Does the latest clean result reach the figure?</param>
/// <param name="AgeDays">Age of the result in days.</param>
/// <param name="Stale">Older than six weeks: it opens nothing new.</param>
public sealed record TermState(GateTerm Term, BenchmarkResult? Have, bool Met, int AgeDays, bool Stale)
{
    /// <summary>Share of the figure that is reached, 0 to 1.</summary>
    public decimal Fraction => Have is null ? 0 : Math.Min(1, (decimal)Have.Reps / Term.Need);
}

/// <summary>A gate under one school.</summary>
/// <param name="School">Whose thresholds these are.</param>
/// <param name="Open">May the next step be trained?</param>
/// <param name="OpenedOn">The day of the test that opened it; null while closed.</param>
/// <param name="Terms">Its thresholds.</param>
public sealed record GateState(string School, bool Open, DateOnly? OpenedOn, IReadOnlyList<TermState> Terms)
{
    /// <summary>The unmet threshold that is furthest away, or null when all are met.</summary>
    public TermState? Limiting => Terms.Where(t => !t.Met).MinBy(t => t.Fraction);
}

/// <summary>
/// Evaluates gates. All thresholds must be met by results no older than six weeks for a gate to open; an open gate closes
/// only on a fresh failed test. Only clean results count, either way.
/// </summary>
public static class GateRule
{
    /// <exception cref="KeyNotFoundException">The gate has no thresholds for the school.</exception>
    public static GateState Evaluate(Gate gate, string school, IEnumerable<BenchmarkResult> results, DateOnly today)
    {
        var terms = gate.Schools[school];
        var clean = results.Where(r => r.Form == FormVerdict.Clean && r.Day <= today).OrderBy(r => r.Day).ToArray();

        DateOnly? openedOn = null;
        foreach (var day in clean.Select(r => r.Day).Distinct())
        {
            var then = terms.Select(t => StateOf(t, clean, day)).ToArray();
            if (openedOn is null && then.All(t => t.Met && !t.Stale))
                openedOn = day;
            else if (openedOn is not null && then.Any(t => !t.Met && t.Have?.Day == day))
                openedOn = null;
        }

        return new(school, openedOn is not null, openedOn, [.. terms.Select(t => StateOf(t, clean, today))]);
    }

    private static TermState StateOf(GateTerm term, IReadOnlyList<BenchmarkResult> clean, DateOnly day)
    {
        // Of several benchmarks that can speak for a threshold, each speaks with its latest result and the best of them counts.
        var have = term.AnyOf
            .Select(slug => clean.LastOrDefault(r => r.Benchmark == slug && r.Day <= day))
            .Where(r => r is not null)
            .MaxBy(r => r!.Reps);
        if (have is null)
            return new(term, null, false, 0, false);
        return new(term, have, have.Reps >= term.Need, Staleness.Age(have.Day, day), Staleness.IsStale(have.Day, day));
    }
}
