using Cumbre.Core.Measures;

namespace Cumbre.Core.Prescriptions;

/// <summary>Slow lowering alone.</summary>
/// <param name="SetTotal">3 to 5 are usual.</param>
/// <param name="Reps">Singles are usual.</param>
/// <param name="LowerSeconds">Of each lowering, 1 to 30.</param>
public sealed record Negatives(int SetTotal, int Reps, int LowerSeconds) : Prescription
{
    /// <summary>Over this many seconds a lowering is a test, not volume (this project's choice).</summary>
    public const int VolumeSeconds = 10;

    public int SetTotal
    {
        get;
        init => field = SetsIn(value);
    } = SetsIn(SetTotal);

    public int Reps { get; } = RepsIn(Reps);

    public int LowerSeconds
    {
        get;
        init => field = Guard.InRange("lower", value, 1, Limits.TempoPhaseMaximum);
    } = Guard.InRange("lower", LowerSeconds, 1, Limits.TempoPhaseMaximum);

    public override int TargetReps => Reps;

    public override int SecondsPerRep => LowerSeconds;

    public override int SetCount => SetTotal;

    public override int UsualRest => 150;

    public override Progression Progress() =>
        LowerSeconds < VolumeSeconds
            ? new(ProgressionKind.Seconds, this with { LowerSeconds = LowerSeconds + 1 })
            : new(ProgressionKind.Test, null);

    public override Prescription WithSets(int sets) => this with { SetTotal = sets };

    private protected override IEnumerable<PlannedSet> Expand(Bests bests) =>
        Enumerable.Range(1, SetTotal).Select(set => Planned(set, 1, Reps, Reps, SetRole.Negative));
}

/// <summary>Holds of the same length.</summary>
/// <param name="SetTotal">Sets.</param>
/// <param name="Seconds">Of each, 1 to 600; null: by the best.</param>
/// <param name="BestPercent">Of the best clean hold, 10 to 100; null: by seconds.</param>
public sealed record HoldSets(int SetTotal, int? Seconds, decimal? BestPercent = null) : Prescription
{
    public const int SecondsMaximum = 600;

    public const decimal PercentMinimum = 10,
        PercentMaximum = 100;

    public int SetTotal
    {
        get;
        init => field = SetsIn(value);
    } = SetsIn(SetTotal);

    public int? Seconds
    {
        get;
        init => field = value is { } s ? Guard.InRange("seconds", s, 1, SecondsMaximum) : null;
    } =
        Seconds is { } s ? Guard.InRange("seconds", s, 1, SecondsMaximum)
        : BestPercent is null
            ? throw new RuleViolationException(Violation.OutOfRange, "seconds", null, 1, SecondsMaximum)
        : null;

    public decimal? BestPercent { get; } =
        BestPercent is { } p ? Guard.InRange("percent", p, PercentMinimum, PercentMaximum) : null;

    public override int TargetReps => 1;

    public override int SetCount => SetTotal;

    public override int UsualRest => 120;

    public override Progression Progress() => new(ProgressionKind.HoldRamp, null);

    public override Prescription WithSets(int sets) => this with { SetTotal = sets };

    /// <summary>Seconds of one hold; null: it hangs on a best that is unknown.</summary>
    public int? SecondsFor(Bests bests) =>
        Seconds ?? (bests.HoldSeconds is { } best ? HoldDose.SecondsAt(best, BestPercent!.Value) : null);

    private protected override IEnumerable<PlannedSet> Expand(Bests bests)
    {
        var seconds = SecondsFor(bests) ?? HoldDose.SecondsMinimum;
        return Enumerable
            .Range(1, SetTotal)
            .Select(set => new PlannedSet(
                set,
                1,
                1,
                1,
                SetRole.Hold,
                Grips is [var grip] ? grip : null,
                seconds,
                TensionSeconds: seconds
            ));
    }
}

/// <summary>
/// Holds of unequal length: <c>hold 7, 7, 7, 6, 6 s</c>. A ramp that allows a second on some sets only is written so.
/// </summary>
/// <param name="Seconds">Of each set, 1 to 600, 2 to 20 sets.</param>
public sealed record VariedHolds(ValueList<int> Seconds) : Prescription
{
    public ValueList<int> Seconds { get; } =
        Guard.InRange("sets", Seconds.Count, 2, Limits.SetsMaximum) > 0
        && Seconds.All(s => Guard.InRange("seconds", s, 1, HoldSets.SecondsMaximum) > 0)
            ? Seconds
            : [];

    public override int TargetReps => 1;

    public override int SetCount => Seconds.Count;

    public override int UsualRest => 120;

    public override Progression Progress() => new(ProgressionKind.HoldRamp, null);

    /// <summary>The first sets stay; more than there are repeat the last.</summary>
    public override Prescription WithSets(int sets) =>
        Of([.. Enumerable.Range(0, sets).Select(i => Seconds[Math.Min(i, Seconds.Count - 1)])]).Like(this);

    /// <summary>Equal seconds make <see cref="HoldSets"/>; unequal ones this.</summary>
    public static Prescription Of(IReadOnlyList<int> seconds) =>
        seconds.Distinct().Count() == 1 ? new HoldSets(seconds.Count, seconds[0]) : new VariedHolds([.. seconds]);

    private protected override IEnumerable<PlannedSet> Expand(Bests bests) =>
        Seconds.Select(
            (seconds, i) =>
                new PlannedSet(
                    i + 1,
                    1,
                    1,
                    1,
                    SetRole.Hold,
                    Grips is [var grip] ? grip : null,
                    seconds,
                    TensionSeconds: seconds
                )
        );
}

/// <summary>One long hold in equal pieces: the same total in fewer, longer pieces next time.</summary>
/// <param name="TotalSeconds">2 to 600, a multiple of the pieces.</param>
/// <param name="Pieces">2 to 20.</param>
public sealed record BrokenHold(int TotalSeconds, int Pieces) : Prescription
{
    public int Pieces { get; } = Guard.InRange("pieces", Pieces, 2, Limits.SetsMaximum);

    public int TotalSeconds { get; } =
        Guard.InRange("seconds", TotalSeconds, 2, HoldSets.SecondsMaximum) % Pieces == 0
            ? TotalSeconds
            : throw new RuleViolationException(
                Violation.PartsDiffer,
                "seconds",
                TotalSeconds,
                TotalSeconds - TotalSeconds % Pieces,
                TotalSeconds + Pieces - TotalSeconds % Pieces
            );

    public override int TargetReps => 1;

    public override int SetCount => Pieces;

    public override int UsualRest => 30;

    public override Progression Progress()
    {
        var fewer = Enumerable.Range(2, Pieces - 2).Reverse().FirstOrDefault(p => TotalSeconds % p == 0);
        return fewer == 0
            ? new(ProgressionKind.LongerPieces, new HoldSets(1, TotalSeconds).Like(this))
            : new(ProgressionKind.LongerPieces, new BrokenHold(TotalSeconds, fewer).Like(this));
    }

    public override Prescription WithSets(int sets) =>
        sets < 2 ? this : new BrokenHold(TotalSeconds / Pieces * sets, sets).Like(this);

    private protected override IEnumerable<PlannedSet> Expand(Bests bests) =>
        Enumerable
            .Range(1, Pieces)
            .Select(set => new PlannedSet(
                set,
                1,
                1,
                1,
                SetRole.Piece,
                Grips is [var grip] ? grip : null,
                TotalSeconds / Pieces,
                TensionSeconds: TotalSeconds / Pieces
            ));
}

/// <summary>As many as possible.</summary>
public sealed record MaxSets(int SetTotal) : Prescription
{
    /// <summary>Reckoned with while the athlete's best is unknown.</summary>
    internal const int UnknownReps = 10;

    public int SetTotal
    {
        get;
        init => field = SetsIn(value);
    } = SetsIn(SetTotal);

    public override int TargetReps => 1;

    public override bool ToTheEnd => Effort is null or ToFailure;

    public override int SetCount => SetTotal;

    public override int UsualRest => 180;

    public override Progression Progress() => new(ProgressionKind.Total, null);

    /// <summary>A maximum with some left is practice.</summary>
    public override Prescription WithReserve(InReserve reserve) =>
        new PracticeSets(SetTotal).Like(this) with
        {
            Effort = reserve,
        };

    public override Prescription WithSets(int sets) => this with { SetTotal = sets };

    private protected override IEnumerable<PlannedSet> Expand(Bests bests)
    {
        var expected = Math.Max(1, (bests.Reps ?? UnknownReps) - (Effort?.ReserveTarget ?? 0));
        return Enumerable.Range(1, SetTotal).Select(set => Planned(set, 1, 1, expected, SetRole.Max));
    }
}

/// <summary>
/// A few sets near the maximum at the start of most sessions of the week: practice, whose trend is watched.
/// </summary>
public sealed record PracticeSets(int SetTotal) : Prescription
{
    /// <summary>Left in reserve when nothing is written: 1 to 2 (common practice, no source).</summary>
    public const int UsualReserve = 2;

    public int SetTotal
    {
        get;
        init => field = SetsIn(value);
    } = SetsIn(SetTotal);

    public override int TargetReps => 1;

    public override int SetCount => SetTotal;

    public override int UsualRest => 180;

    public override Progression Progress() => new(ProgressionKind.Trend, null);

    public override Prescription WithSets(int sets) => this with { SetTotal = sets };

    private protected override IEnumerable<PlannedSet> Expand(Bests bests)
    {
        var most = Math.Max(1, (bests.Reps ?? MaxSets.UnknownReps) - (Effort?.ReserveTarget ?? 1));
        var least = Math.Max(1, most - (Effort is null ? UsualReserve - 1 : 0));
        return Enumerable.Range(1, SetTotal).Select(set => Planned(set, 1, least, most, SetRole.Practice));
    }
}
