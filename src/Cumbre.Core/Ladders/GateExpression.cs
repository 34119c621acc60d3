using Cumbre.Core.Measures;

namespace Cumbre.Core.Ladders;

/// <summary>A gate as it is written: thresholds joined by <c>and</c> and <c>or</c>.</summary>
public abstract record GateExpression
{
    /// <summary>Every threshold, in the order in which it is written.</summary>
    public abstract IReadOnlyList<GateTerm> Terms { get; }
}

/// <summary>One threshold: a benchmark and the figure that it must reach.</summary>
/// <param name="Benchmark">Slug.</param>
/// <param name="Target">The figure.</param>
/// <param name="EachSide">Both sides must reach it; the weaker one decides.</param>
public sealed record GateTerm(string Benchmark, Target Target, bool EachSide = false) : GateExpression
{
    private Memo<GateTerm[]> self;
    private Memo<int> hash;

    public override IReadOnlyList<GateTerm> Terms => self.Of(this, static t => [t]);

    public bool Equals(GateTerm? other) =>
        ReferenceEquals(this, other)
        || other is not null && Benchmark == other.Benchmark && Target == other.Target && EachSide == other.EachSide;

    /// <summary>Worked out once, as placements look gates up often.</summary>
    public override int GetHashCode() => hash.Of(this, static t => HashCode.Combine(t.Benchmark, t.Target, t.EachSide));
}

/// <summary>Gates that are joined.</summary>
public abstract record JoinedGates(IReadOnlyList<GateExpression> Parts) : GateExpression
{
    private Memo<GateTerm[]> terms;
    private Memo<int> hash;

    public override IReadOnlyList<GateTerm> Terms => terms.Of(this, static j => [.. j.Parts.SelectMany(p => p.Terms)]);

    public virtual bool Equals(JoinedGates? other) =>
        ReferenceEquals(this, other)
        || (other is not null && EqualityContract == other.EqualityContract && Parts.SequenceEqual(other.Parts));

    public override int GetHashCode() =>
        hash.Of(this, static j => j.Parts.Aggregate(j.EqualityContract.GetHashCode(), HashCode.Combine));
}

/// <summary>All parts must be met.</summary>
public sealed record AllOf(IReadOnlyList<GateExpression> Parts) : JoinedGates(Parts);

/// <summary>One part must be met.</summary>
public sealed record AnyOf(IReadOnlyList<GateExpression> Parts) : JoinedGates(Parts);
