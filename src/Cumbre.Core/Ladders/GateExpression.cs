namespace Cumbre.Core.Ladders;

/// <summary>A gate as it is written: thresholds joined by <c>and</c> and <c>or</c>.</summary>
public abstract record GateExpression
{
    /// <summary>Every threshold, in the order in which it is written.</summary>
    public abstract IEnumerable<GateTerm> Terms { get; }
}

/// <summary>One threshold: a benchmark and the figure that it must reach.</summary>
/// <param name="Benchmark">Slug.</param>
/// <param name="Target">The figure.</param>
/// <param name="EachSide">Both sides must reach it; the weaker one decides.</param>
public sealed record GateTerm(string Benchmark, Target Target, bool EachSide = false) : GateExpression
{
    public override IEnumerable<GateTerm> Terms => [this];
}

/// <summary>All parts must be met.</summary>
public sealed record AllOf(IReadOnlyList<GateExpression> Parts) : GateExpression
{
    public override IEnumerable<GateTerm> Terms => Parts.SelectMany(p => p.Terms);

    public bool Equals(AllOf? other) => other is not null && Parts.SequenceEqual(other.Parts);

    public override int GetHashCode() => Parts.Aggregate(17, HashCode.Combine);
}

/// <summary>One part must be met.</summary>
public sealed record AnyOf(IReadOnlyList<GateExpression> Parts) : GateExpression
{
    public override IEnumerable<GateTerm> Terms => Parts.SelectMany(p => p.Terms);

    public bool Equals(AnyOf? other) => other is not null && Parts.SequenceEqual(other.Parts);

    public override int GetHashCode() => Parts.Aggregate(31, HashCode.Combine);
}
