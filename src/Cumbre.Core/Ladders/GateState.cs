using Cumbre.Core.Benchmarks;

namespace Cumbre.Core.Ladders;

/// <summary>One threshold as it stands.</summary>
/// <param name="Term">The threshold.</param>
/// <param name="Have">The clean result that speaks for it (of two sides the weaker), or null when there is
/// none.</param>
/// <param name="Met">Does it reach the figure?</param>
/// <param name="Fraction">Share of the figure that is reached, 0 to 1.</param>
/// <param name="AgeDays">Age of the result in days.</param>
/// <param name="Stale">Older than six weeks: it opens nothing new.</param>
/// <param name="MissingSide">The side without any result, where both are asked.</param>
public sealed record TermState(
    GateTerm Term,
    BenchmarkResult? Have,
    bool Met,
    decimal Fraction,
    int AgeDays,
    bool Stale,
    Measures.Side? MissingSide = null
);

/// <summary>A gate as it stands.</summary>
/// <param name="Expression">The gate.</param>
/// <param name="Open">May what it guards be trained?</param>
/// <param name="OpenedOn">The day of the result that opened it; null while closed.</param>
/// <param name="Terms">Every threshold, in the order of the gate.</param>
/// <param name="Deciding">Those that decide: of alternatives only those of the one that is met, else of the
/// nearest.</param>
/// <param name="Unmet">
/// The thresholds that keep it closed: of alternatives only those of the nearest. Empty when it is open. A threshold
/// that is
/// met by a stale result is among them, as it must be tested again.
/// </param>
public sealed record GateState(
    GateExpression Expression,
    bool Open,
    DateOnly? OpenedOn,
    IReadOnlyList<TermState> Terms,
    IReadOnlyList<TermState> Deciding,
    IReadOnlyList<TermState> Unmet
)
{
    /// <summary>The unmet threshold that is furthest away, or null when the gate is open.</summary>
    public TermState? Limiting => Unmet.MinBy(t => t.Fraction);
}

/// <summary>
/// Evaluates gates. A gate opens when all that it asks is shown by results no older than six weeks; once open it closes
/// only
/// on a fresh test that tried a threshold and fell short. Only clean results count, either way.
/// </summary>
public static class GateRule
{
    /// <param name="gate">The gate.</param>
    /// <param name="book">The athlete's results up to the day.</param>
    public static GateState Evaluate(GateExpression gate, ResultBook book)
    {
        var openedOn = OpenedOn(gate, book);
        var terms = gate.Terms.Distinct().ToDictionary(t => t, t => StateOf(t, book, book.Day));
        return new(
            gate,
            openedOn is not null,
            openedOn,
            [.. gate.Terms.Select(t => terms[t])],
            [.. Deciding(gate, terms)],
            openedOn is null ? [.. Unmet(gate, terms)] : []
        );
    }

    /// <summary>The day on which the gate opened and since when it stands open; null while it is closed.</summary>
    public static DateOnly? OpenedOn(GateExpression gate, ResultBook book)
    {
        // Most gates of most athletes rest on benchmarks without any result.
        if (!CouldOpen(gate, book))
            return null;
        // Only a day with a result that reaches its figure can open, and only one with a failed try can close.
        var (reached, failed) = (new SortedSet<DateOnly>(), new SortedSet<DateOnly>());
        foreach (var term in gate.Terms)
        {
            foreach (var result in book.Array(term.Benchmark))
            {
                if (term.Target.IsMetBy(result))
                    reached.Add(result.Day);
                else if (result.MayFail && term.Target.IsTriedBy(result))
                    failed.Add(result.Day);
            }
        }

        if (reached.Count == 0)
            return null;
        DateOnly? opened = null;
        foreach (var day in failed.Count == 0 ? (IEnumerable<DateOnly>)reached : reached.Union(failed).Order())
        {
            if (opened is null)
            {
                if (reached.Contains(day) && IsMet(gate, book, day, fresh: true))
                    opened = day;
                // Without a failed try an open gate stays open.
                if (opened is not null && failed.Count == 0)
                    break;
            }
            else if (failed.Contains(day) && !IsMet(gate, book, day, fresh: false))
            {
                opened = null;
            }
        }

        return opened;
    }

    /// <summary>
    /// The newest day on which all that a gate asks was shown, each threshold by its newest result; null: never.
    /// </summary>
    public static DateOnly? LastShownOn(GateExpression gate, ResultBook book)
    {
        switch (gate)
        {
            case GateTerm { EachSide: true } term:
                var (left, right) = (Newest(term, book, Measures.Side.Left), Newest(term, book, Measures.Side.Right));
                return left < right ? left
                    : right < left ? right
                    : left;
            case GateTerm term:
                return Newest(term, book, null);
            case AllOf all:
                DateOnly? oldest = DateOnly.MaxValue;
                foreach (var part in all.Parts)
                    oldest = LastShownOn(part, book) is { } day ? (day < oldest ? day : oldest) : null;
                return oldest;
            case AnyOf any:
                return any.Parts.Max(p => LastShownOn(p, book));
            default:
                return null;
        }
    }

    private static DateOnly? Newest(GateTerm term, ResultBook book, Measures.Side? side)
    {
        DateOnly? day = null;
        foreach (var result in book.Array(term.Benchmark))
        {
            if ((side is null || result.Side == side) && term.Target.IsMetBy(result))
                day = result.Day;
        }

        return day;
    }

    /// <summary>
    /// The newest fresh try of a threshold that fell short and was not passed since, on or before the book's day; null:
    /// there is none.
    /// </summary>
    public static BenchmarkResult? FailureOf(GateExpression gate, ResultBook book)
    {
        BenchmarkResult? failure = null;
        foreach (var term in gate.Terms)
        {
            foreach (var result in book.Array(term.Benchmark))
            {
                if (
                    !result.MayFail
                    || Staleness.IsStale(result.Day, book.Day)
                    || term.Target.IsMetBy(result)
                    || !term.Target.IsTriedBy(result)
                )
                    continue;
                var passed = book.Array(term.Benchmark)
                    .Any(r =>
                        r.Day >= result.Day
                        && (r.Side is null || result.Side is null || r.Side == result.Side)
                        && term.Target.IsMetBy(r)
                    );
                if (!passed && (failure is null || result.Day > failure.Day))
                    failure = result;
            }
        }

        return failure;
    }

    /// <summary>
    /// The fresh results by which a gate may be taken as open, though what it asks was never done: an estimate from
    /// them carries it, of each side where both are asked, and no later try fell short. Null: it may not.
    /// </summary>
    public static IReadOnlyList<BenchmarkResult>? EstimatedBy(GateExpression gate, ResultBook book)
    {
        var by = new List<BenchmarkResult>();
        foreach (var term in gate.Terms)
        {
            if (gate is AnyOf)
                return null;
            IReadOnlyList<Measures.Side?> sides = term.EachSide ? [Measures.Side.Left, Measures.Side.Right] : [null];
            foreach (var side in sides)
            {
                var found = book.Array(term.Benchmark)
                    .LastOrDefault(r =>
                        !Staleness.IsStale(r.Day, book.Day)
                        && (side is null || r.Side is null || r.Side == side)
                        && term.Target.IsEstimatedBy(r)
                    );
                if (found is null || FailureOf(term, book) is { } failure && failure.Day >= found.Day)
                    return null;
                if (!by.Contains(found))
                    by.Add(found);
            }
        }

        return by;
    }

    private static bool CouldOpen(GateExpression gate, ResultBook book) =>
        gate switch
        {
            GateTerm term => book.Has(term.Benchmark),
            AllOf all => All(all.Parts, p => CouldOpen(p, book)),
            AnyOf any => Any(any.Parts, p => CouldOpen(p, book)),
            _ => false,
        };

    private static bool IsMet(GateExpression gate, ResultBook book, DateOnly day, bool fresh) =>
        gate switch
        {
            GateTerm term => StateOf(term, book, day) is { Met: true } state && !(fresh && state.Stale),
            AllOf all => All(all.Parts, p => IsMet(p, book, day, fresh)),
            AnyOf any => Any(any.Parts, p => IsMet(p, book, day, fresh)),
            _ => false,
        };

    private static TermState StateOf(GateTerm term, ResultBook book, DateOnly day)
    {
        var results = book.Array(term.Benchmark);
        if (!term.EachSide)
            return Of(term, Speaks(term.Target, results, day, null), day);
        var left = Speaks(term.Target, results, day, Measures.Side.Left);
        var right = Speaks(term.Target, results, day, Measures.Side.Right);
        if (left is null || right is null)
            return Of(term, left ?? right, day, left is null ? Measures.Side.Left : Measures.Side.Right);
        var weaker = Of(term, IsWeaker(left, right, term.Target) ? left : right, day);
        // Both must be fresh to open something new, so the older one tells the age.
        var older = left.Day < right.Day ? left : right;
        return weaker with { AgeDays = Staleness.Age(older.Day, day), Stale = Staleness.IsStale(older.Day, day) };
    }

    private static bool IsWeaker(BenchmarkResult a, BenchmarkResult b, Target target)
    {
        var (mine, theirs) = (target.FractionOf(a), target.FractionOf(b));
        return mine != theirs ? mine < theirs : (a.Score.Seconds ?? a.Score.Reps) <= (b.Score.Seconds ?? b.Score.Reps);
    }

    private static TermState Of(GateTerm term, BenchmarkResult? have, DateOnly day, Measures.Side? missing = null) =>
        have is null
            ? new(term, null, false, 0, 0, false, missing)
            : new(
                term,
                have,
                missing is null && term.Target.IsMetBy(have),
                missing is null ? term.Target.FractionOf(have) : 0,
                Staleness.Age(have.Day, day),
                Staleness.IsStale(have.Day, day),
                missing
            );

    /// <summary>
    /// The best since the newest day on which the figure was tried in a test, that day included; without a try the best
    /// there is.
    /// </summary>
    private static BenchmarkResult? Speaks(Target target, BenchmarkResult[] results, DateOnly day, Measures.Side? side)
    {
        BenchmarkResult? best = null;
        var tried = DateOnly.MinValue;
        for (var i = results.Length - 1; i >= 0; i--)
        {
            var result = results[i];
            if (result.Day < tried)
                break;
            if (result.Day > day || (side is not null && result.Side != side))
                continue;
            if (best is null || target.FractionOf(result) > target.FractionOf(best))
                best = result;
            if (tried == DateOnly.MinValue && result.MayFail && target.IsTriedBy(result))
                tried = result.Day;
        }

        return best;
    }

    private static IEnumerable<TermState> Unmet(GateExpression gate, Dictionary<GateTerm, TermState> terms) =>
        gate switch
        {
            GateTerm term => terms[term] is { Met: true, Stale: false } ? [] : [terms[term]],
            AllOf all => all.Parts.SelectMany(p => Unmet(p, terms)),
            AnyOf any => any.Parts.Select(p => Unmet(p, terms).ToArray()) is var parts && parts.Any(p => p.Length == 0)
                ? []
                : parts.MaxBy(p => p.Min(t => t.Fraction))!,
            _ => [],
        };

    private static IEnumerable<TermState> Deciding(GateExpression gate, Dictionary<GateTerm, TermState> terms) =>
        gate switch
        {
            GateTerm term => [terms[term]],
            AllOf all => all.Parts.SelectMany(p => Deciding(p, terms)),
            AnyOf any => Deciding(
                any.Parts.MaxBy(p =>
                    p.Terms.Min(t => terms[t] is { Met: true, Stale: false } ? 2 : terms[t].Fraction)
                )!,
                terms
            ),
            _ => [],
        };

    private static bool All(IReadOnlyList<GateExpression> parts, Func<GateExpression, bool> test)
    {
        for (var i = 0; i < parts.Count; i++)
        {
            if (!test(parts[i]))
                return false;
        }

        return true;
    }

    private static bool Any(IReadOnlyList<GateExpression> parts, Func<GateExpression, bool> test)
    {
        for (var i = 0; i < parts.Count; i++)
        {
            if (test(parts[i]))
                return true;
        }

        return false;
    }
}
