using Cumbre.Core.Measures;

namespace Cumbre.Core.Prescriptions;

/// <summary>The same reps and load in each set.</summary>
public sealed record StraightSets(int SetTotal, int Reps) : Prescription
{
    public int SetTotal
    {
        get;
        init => field = SetsIn(value);
    } = SetsIn(SetTotal);

    public int Reps
    {
        get;
        init => field = RepsIn(value);
    } = RepsIn(Reps);

    public override int TargetReps => Reps;

    public override bool IsTimed => true;

    public override int SetCount => SetTotal;

    public override Progression Progress() => new(ProgressionKind.Measure, null);

    public override Prescription WithSets(int sets) => this with { SetTotal = sets };

    private protected override IEnumerable<PlannedSet> Expand(Bests bests) =>
        Enumerable.Range(1, SetTotal).Select(set => Planned(set, 1, Reps, Reps, SetRole.Work));
}

/// <summary>Reps grow from low to high at one load; then the load grows and the reps start again.</summary>
/// <param name="Increment">What is added after success; null: the smallest step the kit makes.</param>
public sealed record DoubleProgression(int SetTotal, int Low, int High, MassEntry? Increment = null) : Prescription
{
    /// <summary>The increments that can be written, in kg.</summary>
    public const decimal IncrementMinimum = 0.1m,
        IncrementMaximum = 20;

    public int SetTotal
    {
        get;
        init => field = SetsIn(value);
    } = SetsIn(SetTotal);

    public int Low { get; } = RepsIn(Low);

    public int High
    {
        get;
        init => field = InRange(value, Low);
    } = InRange(High, Low);

    public MassEntry? Increment { get; } =
        Increment is { } step ? Guard.InRange("increment", step, IncrementMinimum, IncrementMaximum) : null;

    public override int TargetReps => High;

    public override bool IsTimed => true;

    public override int SetCount => SetTotal;

    public override Progression Progress() => new(ProgressionKind.RangeThenMeasure, null);

    public override Prescription WithSets(int sets) => this with { SetTotal = sets };

    /// <summary>The same in another range.</summary>
    /// <exception cref="RuleViolationException">The range does not rise, or is out of range.</exception>
    public DoubleProgression WithRange(int low, int high) =>
        (DoubleProgression)new DoubleProgression(SetTotal, low, high, Increment).Like(this);

    /// <exception cref="RuleViolationException">The range does not rise.</exception>
    internal static int InRange(int high, int low) =>
        RepsIn(high) > low
            ? high
            : throw new RuleViolationException(Violation.RangeReversed, "reps", high, low + 1, Limits.RepsMaximum);

    private protected override IEnumerable<PlannedSet> Expand(Bests bests) =>
        Enumerable.Range(1, SetTotal).Select(set => Planned(set, 1, Low, High, SetRole.Work));
}

/// <summary>A heavy top set, then lighter sets at a percent off the top set's system.</summary>
/// <param name="BackOffPercent">How much the system falls, 1 to 60 %.</param>
public sealed record TopSetBackOff(int TopSets, int TopReps, int BackOffSets, int BackOffReps, decimal BackOffPercent)
    : Prescription
{
    public const decimal BackOffMinimum = 1,
        BackOffMaximum = 60;

    public int TopSets { get; } = SetsIn(TopSets);

    public int TopReps
    {
        get;
        init => field = RepsIn(value);
    } = RepsIn(TopReps);

    public int BackOffSets
    {
        get;
        init => field = SetsIn(value);
    } = SetsIn(BackOffSets);

    public int BackOffReps { get; } = RepsIn(BackOffReps);

    public decimal BackOffPercent { get; } = Guard.InRange("backOff", BackOffPercent, BackOffMinimum, BackOffMaximum);

    public override int TargetReps => TopReps;

    public override int SetCount => TopSets + BackOffSets;

    public override Progression Progress() => new(ProgressionKind.Load, null);

    /// <summary>The top sets stay; at least one back-off is left.</summary>
    public override Prescription WithSets(int sets) => this with { BackOffSets = Math.Max(1, sets - TopSets) };

    private protected override IEnumerable<PlannedSet> Expand(Bests bests) =>
        [
            .. Enumerable.Range(1, TopSets).Select(set => Planned(set, 1, TopReps, TopReps, SetRole.Top)),
            .. Enumerable
                .Range(TopSets + 1, BackOffSets)
                .Select(set => Planned(set, 1, BackOffReps, BackOffReps, SetRole.BackOff)),
        ];
}

/// <summary>Short sets lifted as fast as possible; they end when height or speed falls by 10 to 20 %.</summary>
/// <param name="SetTotal">3 to 5 are usual.</param>
/// <param name="Low">Fewest reps.</param>
/// <param name="High">Most reps; equal to <paramref name="Low"/> without a range.</param>
public sealed record ExplosiveSets(int SetTotal, int Low, int High) : Prescription
{
    public int SetTotal
    {
        get;
        init => field = SetsIn(value);
    } = SetsIn(SetTotal);

    public int Low { get; } = RepsIn(Low);

    public int High { get; } =
        RepsIn(High) >= Low
            ? High
            : throw new RuleViolationException(Violation.RangeReversed, "reps", High, Low, Limits.RepsMaximum);

    public override int TargetReps => High;

    public override bool IsFast => true;

    public override int SetCount => SetTotal;

    /// <summary>Power rests longest (ACSM 2009, from memory: 3 to 5 min).</summary>
    public override int UsualRest => 180;

    public override Progression Progress() => new(ProgressionKind.Contact, null);

    public override Prescription WithSets(int sets) => this with { SetTotal = sets };

    private protected override IEnumerable<PlannedSet> Expand(Bests bests) =>
        Enumerable.Range(1, SetTotal).Select(set => Planned(set, 1, Low, High, SetRole.Fast));
}

/// <summary>Reps, then an isometric in the long position.</summary>
/// <param name="SetTotal">3 are usual.</param>
/// <param name="Low">Fewest reps.</param>
/// <param name="High">Most reps; equal to <paramref name="Low"/> without a range.</param>
/// <param name="StretchSeconds">Of the isometric, 1 to 120.</param>
public sealed record RepsWithStretch(int SetTotal, int Low, int High, int StretchSeconds) : Prescription
{
    public const int StretchMaximum = 120;

    /// <summary>
    /// The stretch grows by this many seconds up to <see cref="StretchUsualMost"/> (common practice, no source).
    /// </summary>
    private const int StretchStep = 5,
        StretchUsualMost = 30;

    public int SetTotal
    {
        get;
        init => field = SetsIn(value);
    } = SetsIn(SetTotal);

    public int Low { get; } = RepsIn(Low);

    public int High { get; } =
        RepsIn(High) >= Low
            ? High
            : throw new RuleViolationException(Violation.RangeReversed, "reps", High, Low, Limits.RepsMaximum);

    public int StretchSeconds { get; } = Guard.InRange("stretch", StretchSeconds, 1, StretchMaximum);

    public override int TargetReps => High;

    public override int SetCount => SetTotal;

    public override int UsualRest => 60;

    public override Progression Progress() =>
        StretchSeconds < StretchUsualMost
            ? new(
                ProgressionKind.Stretch,
                new RepsWithStretch(SetTotal, Low, High, Math.Min(StretchSeconds + StretchStep, StretchUsualMost)).Like(
                    this
                )
            )
            : new(ProgressionKind.LoadOrRange, null);

    public override Prescription WithSets(int sets) => this with { SetTotal = sets };

    private protected override IEnumerable<PlannedSet> Expand(Bests bests) =>
        Enumerable
            .Range(1, SetTotal)
            .SelectMany(set =>
                new[]
                {
                    Planned(set, 1, Low, High, SetRole.Work),
                    new PlannedSet(
                        set,
                        2,
                        1,
                        1,
                        SetRole.Stretch,
                        Seconds: StretchSeconds,
                        TensionSeconds: StretchSeconds
                    ),
                }
            );
}

/// <summary>
/// Sets of unequal reps, at one load or at one each: <c>sets 6, 6, 6, 5</c>, <c>sets 5, 4, 3 @ +10, +15, +20 kg</c>.
/// </summary>
public sealed record VariedSets : Prescription
{
    public const int SetsLeast = 2;

    /// <param name="reps">Of each set, 2 to 20 sets.</param>
    /// <param name="loads">Added load of each set, 0 or more; null: the plan's own load for all.</param>
    /// <exception cref="RuleViolationException">Too few or too many sets, reps out of range, or loads that differ in
    /// number.</exception>
    public VariedSets(ValueList<int> reps, ValueList<MassEntry>? loads = null)
    {
        Guard.InRange("sets", reps.Count, SetsLeast, Limits.SetsMaximum);
        foreach (var each in reps)
            RepsIn(each);
        if (loads is not null && loads.Count != reps.Count)
            throw new RuleViolationException(Violation.PartsDiffer, "loads", loads.Count, reps.Count, reps.Count);
        foreach (var load in loads ?? [])
            Guard.InRange("load", load, 0, Limits.AddedLoadMaximum);
        Reps = reps;
        Loads = loads;
    }

    public ValueList<int> Reps { get; }

    public ValueList<MassEntry>? Loads { get; }

    public override int TargetReps => Reps.Max();

    public override bool IsTimed => true;

    public override int SetCount => Reps.Count;

    public override Progression Progress() => new(ProgressionKind.Measure, null);

    /// <summary>The first sets stay; more than there are repeat the last.</summary>
    public override Prescription WithSets(int sets)
    {
        var at = Enumerable.Range(0, sets).Select(i => Math.Min(i, Reps.Count - 1)).ToArray();
        return Of([.. at.Select(i => Reps[i])], Loads is { } loads ? [.. at.Select(i => loads[i])] : null).Like(this);
    }

    /// <summary>Equal reps at one load make <see cref="StraightSets"/>; others this.</summary>
    public static Prescription Of(IReadOnlyList<int> reps, IReadOnlyList<MassEntry>? loads = null)
    {
        var oneLoad = loads is null || loads.Distinct().Count() == 1;
        if (oneLoad && reps.Distinct().Count() == 1)
            return new StraightSets(reps.Count, reps[0]) { Load = loads is null ? null : new AddedLoad(loads[0]) };
        return new VariedSets([.. reps], loads is null ? null : [.. loads]);
    }

    private protected override IEnumerable<PlannedSet> Expand(Bests bests) =>
        Reps.Select((reps, i) => Planned(i + 1, 1, reps, reps, SetRole.Work));
}
