using System.Text.Json.Serialization;
using Cumbre.Core.Measures;

namespace Cumbre.Core.Prescriptions;

/// <summary>One effort in parts, each lighter than the one before, without rest between them.</summary>
public sealed record DropSet : Prescription
{
    public const int PartsMinimum = 2,
        PartsMaximum = 4;

    /// <exception cref="RuleViolationException">Fewer than two or more than four parts, loads that do not fall, or
    /// lists of different lengths.</exception>
    public DropSet(int setTotal, ValueList<int> parts, ValueList<MassEntry> loads)
    {
        SetTotal = SetsIn(setTotal);
        Guard.InRange("parts", parts.Count, PartsMinimum, PartsMaximum);
        if (loads.Count != parts.Count)
            throw new RuleViolationException(Violation.PartsDiffer, "loads", loads.Count, parts.Count, parts.Count);
        foreach (var reps in parts)
            RepsIn(reps);
        foreach (var load in loads)
            Guard.InRange("load", load, 0, Limits.AddedLoadMaximum);
        for (var i = 1; i < loads.Count; i++)
        {
            if (loads[i].Mass >= loads[i - 1].Mass)
                throw new RuleViolationException(Violation.LoadsDoNotFall, "loads", loads[i].Value);
        }

        Parts = parts;
        Loads = loads;
    }

    public int SetTotal
    {
        get;
        init => field = SetsIn(value);
    }

    /// <summary>Reps of each part.</summary>
    public ValueList<int> Parts { get; }

    /// <summary>Added load of each part, falling, zero or more.</summary>
    public ValueList<MassEntry> Loads { get; }

    public override int TargetReps => Parts[0];

    public override int SetCount => SetTotal;

    public override Progression Progress() => new(ProgressionKind.Load, null);

    public override Prescription WithSets(int sets) => this with { SetTotal = sets };

    private protected override IEnumerable<PlannedSet> Expand(Bests bests) =>
        Enumerable
            .Range(1, SetTotal)
            .SelectMany(set =>
                Parts.Select(
                    (reps, i) =>
                        Planned(set, i + 1, reps, reps, SetRole.DropPart, Grips?.Count == Parts.Count ? Grips[i] : null)
                )
            );
}

/// <summary>To failure, a short rest, to failure again.</summary>
/// <param name="SetTotal">Rounds; 2 are usual.</param>
/// <param name="Gap">30 s or 10 breaths are usual.</param>
public sealed record RestPause(int SetTotal, Gap Gap) : Prescription
{
    /// <summary>
    /// The opening burst belongs in this zone; under <see cref="TooFew"/> the variation is too hard (common practice,
    /// no source).
    /// </summary>
    public const int OpeningLow = 10,
        OpeningHigh = 20,
        OpeningHighLoaded = 12,
        TooFew = 8;

    /// <summary>Reckoned with while the athlete's best is unknown: the middle of the zone.</summary>
    private const int OpeningUnknown = 15;

    public int SetTotal
    {
        get;
        init => field = SetsIn(value);
    } = SetsIn(SetTotal);

    public override int TargetReps => OpeningLow;

    public override bool ToTheEnd => true;

    public override int SetCount => SetTotal;

    public override int UsualRest => 90;

    public override Progression Progress() => new(ProgressionKind.Angle, null);

    public override Prescription WithSets(int sets) => this with { SetTotal = sets };

    private protected override IEnumerable<PlannedSet> Expand(Bests bests)
    {
        var opening = bests.Reps ?? OpeningUnknown;
        var second = Math.Max(1, (int)Math.Round(opening * bests.BurstRatio, MidpointRounding.AwayFromZero));
        return Enumerable
            .Range(1, SetTotal)
            .SelectMany(set =>
                new[]
                {
                    Planned(set, 1, Math.Min(OpeningLow, opening), opening, SetRole.Burst, gapAfter: Gap.InSeconds()),
                    Planned(set, 2, 1, second, SetRole.Burst),
                }
            );
    }
}

/// <summary>Short rests inside a set, so that more reps are done at a load.</summary>
/// <param name="SetTotal">Sets.</param>
/// <param name="Pieces">Reps of each piece, 2 to 10 pieces.</param>
/// <param name="Gap">Rest between pieces.</param>
public sealed record ClusterSets(int SetTotal, ValueList<int> Pieces, Gap Gap) : Prescription
{
    public const int PiecesMinimum = 2,
        PiecesMaximum = 10;

    private const int ShortestGap = 10,
        GapStep = 5;

    public int SetTotal
    {
        get;
        init => field = SetsIn(value);
    } = SetsIn(SetTotal);

    public ValueList<int> Pieces { get; } =
        Guard.InRange("pieces", Pieces.Count, PiecesMinimum, PiecesMaximum) > 0 && Pieces.All(p => RepsIn(p) > 0)
            ? Pieces
            : [];

    /// <summary>A piece is what is done at once.</summary>
    public override int TargetReps => Pieces.Max();

    public override int SetCount => SetTotal;

    /// <summary>
    /// The gap shrinks to <see cref="ShortestGap"/> first, then the load grows (common practice, no source).
    /// </summary>
    public override Progression Progress() =>
        Gap.Unit == GapUnit.Seconds && Gap.Count > ShortestGap
            ? new(
                ProgressionKind.ShorterGap,
                new ClusterSets(SetTotal, Pieces, new Gap(Math.Max(ShortestGap, Gap.Count - GapStep))).Like(this)
            )
            : new(ProgressionKind.Load, null);

    public override Prescription WithSets(int sets) => this with { SetTotal = sets };

    private protected override IEnumerable<PlannedSet> Expand(Bests bests) =>
        Enumerable
            .Range(1, SetTotal)
            .SelectMany(set =>
                Pieces.Select(
                    (reps, i) =>
                        Planned(
                            set,
                            i + 1,
                            reps,
                            reps,
                            SetRole.Piece,
                            gapAfter: i < Pieces.Count - 1 ? Gap.InSeconds() : 0
                        )
                )
            );
}

/// <summary>
/// A new set at each stroke of the clock. Two such items that are joined take turns, each on its own strokes.
/// </summary>
/// <param name="EverySeconds">5 to 600.</param>
/// <param name="Rounds">3 to 6 are usual.</param>
/// <param name="Reps">5 to 10 are usual.</param>
/// <param name="Fast">Lifted as fast as possible.</param>
/// <param name="Most">The end of a range of reps, over <paramref name="Reps"/>; null: no range.</param>
public sealed record OnTheClock(int EverySeconds, int Rounds, int Reps, bool Fast = false, int? Most = null)
    : Prescription
{
    public const int EveryMinimum = 5,
        EveryMaximum = 600;

    private const int RepsUsualMost = 10,
        SlotStep = 5;

    public int EverySeconds { get; } = Guard.InRange("every", EverySeconds, EveryMinimum, EveryMaximum);

    public int Rounds
    {
        get;
        init => field = SetsIn(value);
    } = SetsIn(Rounds);

    public int Reps { get; } = RepsIn(Reps);

    public int? Most { get; } = Most is { } most ? DoubleProgression.InRange(most, Reps) : null;

    /// <summary>The most reps of a round.</summary>
    [JsonIgnore]
    public int High => Most ?? Reps;

    public override int TargetReps => High;

    public override bool IsFast => Fast;

    public override int? ClockSeconds => EverySeconds * (Rounds + (Sides.More() is null ? 0 : 1));

    public override int SetCount => Rounds;

    /// <summary>What is left of a slot after the work; negative: the work does not fit.</summary>
    public int RestInSlot => EverySeconds - High * SecondsPerRep * (Sides?.Order().Count ?? 1);

    public override int UsualRest => Math.Max(0, RestInSlot);

    /// <summary>
    /// Another rep up to <see cref="RepsUsualMost"/>, then a shorter slot while the work still fits, then load (common
    /// practice, no source).
    /// </summary>
    public override Progression Progress()
    {
        if (High < RepsUsualMost && WithReps(Reps + 1) is { RestInSlot: >= 0 } more)
            return new(ProgressionKind.Reps, more);
        if (
            EverySeconds - SlotStep >= EveryMinimum
            && WithSlot(EverySeconds - SlotStep) is { RestInSlot: >= 0 } shorter
        )
            return new(ProgressionKind.ShorterSlot, shorter);
        return new(ProgressionKind.Load, null);
    }

    /// <summary>The same from other reps on; a range stays as wide as it is.</summary>
    public OnTheClock WithReps(int reps) =>
        (OnTheClock)new OnTheClock(EverySeconds, Rounds, reps, Fast, Most - Reps + reps).Like(this);

    /// <summary>The same at other strokes of the clock.</summary>
    public OnTheClock WithSlot(int seconds) => (OnTheClock)new OnTheClock(seconds, Rounds, Reps, Fast, Most).Like(this);

    public override Prescription WithSets(int sets) =>
        this with
        {
            Rounds = sets,
            Grips = Grips?.Count > 1 ? null : Grips,
        };

    private protected override IEnumerable<PlannedSet> Expand(Bests bests) =>
        Enumerable
            .Range(1, Rounds)
            .Select(round =>
                Planned(round, 1, Reps, High, SetRole.Slot, Grips?.Count == Rounds ? Grips[round - 1] : null)
            );
}

/// <summary>
/// Up and down in steps, each unbroken; one that breaks is repeated after a rest.
/// </summary>
/// <param name="Rungs">Reps of each rung, 2 to 20 rungs.</param>
/// <param name="Unbroken">The whole is one set; else the rest between the steps is free.</param>
public sealed record Pyramid(ValueList<int> Rungs, bool Unbroken = false) : Prescription
{
    /// <summary>A free rest between steps is reckoned with so many seconds (this project's choice).</summary>
    public const int FreeRest = 60;

    public const int RungsMinimum = 2,
        RungsMaximum = 20;

    private const int TopStep = 2;

    public ValueList<int> Rungs { get; } =
        Guard.InRange("rungs", Rungs.Count, RungsMinimum, RungsMaximum) > 0 && Rungs.All(r => RepsIn(r) > 0)
            ? Rungs
            : [];

    public override int TargetReps => Rungs.Max();

    public override bool IsTimed => true;

    public override bool ToTheEnd => true;

    public override int SetCount => 1;

    /// <summary>The top step alone grows, by two reps.</summary>
    public override Progression Progress() =>
        Rungs.Max() is var top && top + TopStep <= Limits.RepsMaximum
            ? new(
                ProgressionKind.HigherTop,
                new Pyramid(
                    [.. Rungs.Select((r, i) => i == Rungs.ToList().IndexOf(top) ? r + TopStep : r)],
                    Unbroken
                ).Like(this)
            )
            : new(ProgressionKind.Trend, null);

    public override Prescription WithSets(int sets) => this;

    private protected override IEnumerable<PlannedSet> Expand(Bests bests) =>
        Rungs.Select(
            (reps, i) =>
                Planned(
                    1,
                    i + 1,
                    reps,
                    reps,
                    SetRole.Rung,
                    gapAfter: Unbroken || i == Rungs.Count - 1 ? 0 : RestMost ?? RestSeconds ?? FreeRest
                )
        );
}
