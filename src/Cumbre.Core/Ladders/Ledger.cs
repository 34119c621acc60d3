using Cumbre.Core.Benchmarks;

namespace Cumbre.Core.Ladders;

/// <summary>What a piece of evidence says about a step.</summary>
public enum EvidenceKind
{
    /// <summary>The standard was shown on the step itself.</summary>
    Direct,

    /// <summary>Done on the step itself, and short of its standard.</summary>
    FellShort,

    /// <summary>A later step of the same strand was shown.</summary>
    Implied,

    /// <summary>Other loads carry it by the lower end of their estimate: open, not shown.</summary>
    Estimated,

    /// <summary>A fresh test of the step itself fell short, although a later step was shown.</summary>
    Contradicted,
}

/// <summary>One piece of evidence.</summary>
/// <param name="Kind">What it says.</param>
/// <param name="Result">What was done.</param>
/// <param name="Step">Position of the step on which it was done.</param>
public sealed record LedgerEntry(EvidenceKind Kind, BenchmarkResult Result, int Step);

/// <summary>Every piece of evidence about a step, newest first.</summary>
public static class Ledger
{
    /// <summary>So many are shown of one kind: the newest tell.</summary>
    private const int OfKind = 4;

    public static IReadOnlyList<LedgerEntry> Of(Placement placement, int step, ResultBook book)
    {
        var ladder = placement.Ladder;
        var own = ladder.Steps[step];
        var entries = new List<LedgerEntry>();
        foreach (var term in own.Opens.Terms.Concat(own.Won.Terms).Distinct())
        {
            foreach (var result in book.Of(term.Benchmark))
            {
                var failed = result.MayFail && !term.Target.IsMetBy(result) && term.Target.IsTriedBy(result);
                var kind =
                    term.Target.IsMetBy(result) ? EvidenceKind.Direct
                    : placement.IsContradicted(step) && failed ? EvidenceKind.Contradicted
                    : EvidenceKind.FellShort;
                entries.Add(new(kind, result, step));
            }
        }

        if (placement.IsEstimated(step) && GateRule.EstimatedBy(own.Opens, book) is { } by)
            entries.AddRange(by.Select(r => new LedgerEntry(EvidenceKind.Estimated, r, step)));
        for (var later = step + 1; later < ladder.Steps.Count; later++)
        {
            if (!ladder.ImpliedBy(later).Contains(step))
                continue;
            foreach (var term in ladder.Steps[later].Opens.Terms)
                entries.AddRange(
                    book.Of(term.Benchmark)
                        .Where(r =>
                            term.Target.FractionOf(r) > 0 && (placement.IsOpen(later) ? term.Target.IsMetBy(r) : true)
                        )
                        .Select(r => new LedgerEntry(EvidenceKind.Implied, r, later))
                );
        }

        return
        [
            .. entries
                .DistinctBy(e => (e.Kind, e.Step, e.Result.Id, e.Result.Score, e.Result.Added, e.Result.Side))
                .GroupBy(e => (e.Kind, e.Step))
                .SelectMany(g => g.OrderByDescending(e => e.Result.Day).Take(OfKind))
                .OrderByDescending(e => e.Result.Day)
                .ThenBy(e => e.Kind),
        ];
    }
}
