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
    private GateTerm[]? self;
    private int? hash;

    /// <summary>A changed copy begins without what was worked out of the original.</summary>
    private GateTerm(GateTerm original)
        : base(original) => (Benchmark, Target, EachSide) = (original.Benchmark, original.Target, original.EachSide);

    public override IReadOnlyList<GateTerm> Terms => self ??= [this];

    public bool Equals(GateTerm? other) =>
        ReferenceEquals(this, other)
        || other is not null && Benchmark == other.Benchmark && Target == other.Target && EachSide == other.EachSide;

    /// <summary>Worked out once, as placements look gates up often.</summary>
    public override int GetHashCode() => hash ??= HashCode.Combine(Benchmark, Target, EachSide);
}

/// <summary>All parts must be met.</summary>
public sealed record AllOf(IReadOnlyList<GateExpression> Parts) : GateExpression
{
    private GateTerm[]? terms;
    private int? hash;

    /// <summary>A changed copy begins without what was worked out of the original.</summary>
    private AllOf(AllOf original)
        : base(original) => Parts = original.Parts;

    public override IReadOnlyList<GateTerm> Terms => terms ??= [.. Parts.SelectMany(p => p.Terms)];

    public bool Equals(AllOf? other) =>
        ReferenceEquals(this, other) || (other is not null && Parts.SequenceEqual(other.Parts));

    public override int GetHashCode() => hash ??= Parts.Aggregate(17, HashCode.Combine);
}

/// <summary>One part must be met.</summary>
public sealed record AnyOf(IReadOnlyList<GateExpression> Parts) : GateExpression
{
    private GateTerm[]? terms;
    private int? hash;

    /// <summary>A changed copy begins without what was worked out of the original.</summary>
    private AnyOf(AnyOf original)
        : base(original) => Parts = original.Parts;

    public override IReadOnlyList<GateTerm> Terms => terms ??= [.. Parts.SelectMany(p => p.Terms)];

    public bool Equals(AnyOf? other) =>
        ReferenceEquals(this, other) || (other is not null && Parts.SequenceEqual(other.Parts));

    public override int GetHashCode() => hash ??= Parts.Aggregate(31, HashCode.Combine);
}
