using Cumbre.Core.Measures;

namespace Cumbre.Core.Explanations;

/// <summary>A value together with everything a coach may ask about it.</summary>
public sealed record Explained<T>(T Value, Explanation Why);

/// <summary>An input that went into a figure.</summary>
public sealed record Fact(InputKey Key, Quantity Value);

/// <summary>The rule that made a figure, with its arguments.</summary>
public sealed record RuleCitation(RuleId Id, IReadOnlyList<Quantity> Args);

/// <summary>A line of working: the template's arguments on the left, the result on the right.</summary>
public sealed record WorkingStep(StepKey Key, IReadOnlyList<Quantity> Args, Quantity Result);

/// <summary>What rounding did.</summary>
public sealed record RoundingNote(RoundingKey Key, IReadOnlyList<Quantity> Args);

/// <summary>A caution with its arguments.</summary>
public sealed record CautionNote(CautionId Id, IReadOnlyList<Quantity> Args)
{
    public static CautionNote Of(CautionId id, params Quantity[] args) => new(id, args);
}

/// <summary>
/// One logged exposure as evidence: the day, the load on the first set, and each set's reps with whether it met the
/// target.
/// </summary>
public sealed record ExposureEvidence(
    DateOnly Day,
    decimal AddedKilograms,
    IReadOnlyList<SetEvidence> Sets,
    bool Clean
);

/// <summary>A set of an exposure: the clean reps, and whether they met the plan.</summary>
/// <param name="Reps">Or seconds, clean.</param>
/// <param name="Met">As it was planned, with clean form.</param>
/// <param name="Broken">All that was done, where form broke; null: it held.</param>
public sealed record SetEvidence(int Reps, bool Met, int? Broken = null);

/// <summary>A threshold as evidence: have and need in the notation of the gates.</summary>
/// <param name="Name">Of the test.</param>
/// <param name="Benchmark">Its slug.</param>
/// <param name="Need">For instance <c>3 x 10 s</c>.</param>
/// <param name="Have">Null without a result.</param>
/// <param name="Fraction">Share that is reached, 0 to 1.</param>
/// <param name="Met">Reached.</param>
/// <param name="Day">Of the result.</param>
/// <param name="AgeDays">Of the result.</param>
/// <param name="Stale">Older than six weeks.</param>
/// <param name="EachSide">Both sides must reach it.</param>
/// <param name="Side">The weaker side, where both are asked.</param>
/// <param name="MissingSide">The side without a result.</param>
public sealed record ThresholdEvidence(
    string Name,
    string Benchmark,
    string Need,
    string? Have,
    decimal Fraction,
    bool Met,
    DateOnly? Day,
    int AgeDays,
    bool Stale,
    bool EachSide,
    Side? Side,
    Side? MissingSide
);

/// <summary>
/// How a figure came about: inputs, rule, working, rounding, sources, cautions. It holds typed figures and keys only;
/// the sentences are made at the edge, in the reader's unit and language.
/// </summary>
public sealed record Explanation(
    RuleCitation Rule,
    IReadOnlyList<Fact> Inputs,
    IReadOnlyList<WorkingStep> Working,
    IReadOnlyList<RoundingNote> Rounding,
    IReadOnlyList<SourceId> Sources,
    IReadOnlyList<CautionNote> Cautions,
    IReadOnlyList<ExposureEvidence> Exposures
)
{
    /// <summary>Thresholds that went into it.</summary>
    public IReadOnlyList<ThresholdEvidence> Thresholds { get; init; } = [];

    public static ExplanationBuilder For(RuleId rule, params Quantity[] args) => new(rule, args);
}

/// <summary>
/// Collects the parts of an <see cref="Explanation"/> in the order in which the computation meets them.
/// </summary>
public sealed class ExplanationBuilder(RuleId rule, IReadOnlyList<Quantity> ruleArgs)
{
    private readonly List<Fact> inputs = [];
    private readonly List<WorkingStep> working = [];
    private readonly List<RoundingNote> rounding = [];
    private readonly List<SourceId> sources = [];
    private readonly List<CautionNote> cautions = [];
    private IReadOnlyList<ExposureEvidence> exposures = [];
    private IReadOnlyList<ThresholdEvidence> thresholds = [];

    public ExplanationBuilder Input(InputKey key, Quantity value)
    {
        inputs.Add(new(key, value));
        return this;
    }

    public ExplanationBuilder Step(StepKey key, Quantity result, params Quantity[] args)
    {
        working.Add(new(key, args, result));
        return this;
    }

    public ExplanationBuilder Rounded(RoundingKey key, params Quantity[] args)
    {
        rounding.Add(new(key, args));
        return this;
    }

    public ExplanationBuilder Source(params SourceId[] ids)
    {
        sources.AddRange(ids.Except(sources));
        return this;
    }

    public ExplanationBuilder Caution(CautionId id, params Quantity[] args)
    {
        if (cautions.All(c => c.Id != id))
            cautions.Add(new(id, args));
        return this;
    }

    public ExplanationBuilder Evidence(IReadOnlyList<ExposureEvidence> rows)
    {
        exposures = rows;
        return this;
    }

    public ExplanationBuilder Thresholds(IReadOnlyList<ThresholdEvidence> rows)
    {
        thresholds = rows;
        return this;
    }

    /// <summary>Takes over the cautions of a figure that went into this one.</summary>
    public ExplanationBuilder CautionsOf(Explanation other)
    {
        foreach (var caution in other.Cautions)
            Caution(caution.Id, [.. caution.Args]);
        return this;
    }

    public Explanation Build() =>
        new(new(rule, ruleArgs), inputs, working, rounding, sources, cautions, exposures) { Thresholds = thresholds };

    public Explained<T> Build<T>(T value) => new(value, Build());
}
