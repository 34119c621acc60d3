using System.Text.Json.Serialization;
using Cumbre.Core.Measures;

namespace Cumbre.Core.Prescriptions;

/// <summary>
/// The dose of one item, as structure: the truth of which a whiteboard line is the print. It holds the rule ("80 % e1RM"),
/// never the load that the rule gave on some day.
/// </summary>
/// <param name="Tempo">Null: no tempo is asked for.</param>
/// <param name="RestSeconds">Rest between sets, 0 to 1800; null: the usual rest.</param>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "method")]
[JsonDerivedType(typeof(StraightSets), "straight")]
[JsonDerivedType(typeof(DoubleProgression), "double")]
[JsonDerivedType(typeof(TopSetBackOff), "top-back-off")]
[JsonDerivedType(typeof(DropSet), "drop")]
public abstract record Prescription(Tempo? Tempo, int? RestSeconds)
{
    public int? RestSeconds { get; } = RestSeconds is { } rest ? Guard.InRange("rest", rest, 0, Limits.RestMaximum) : null;

    /// <summary>The sets to be done, in order.</summary>
    public abstract IReadOnlyList<PlannedSet> Sets();

    private protected static int SetCount(int sets) => Guard.InRange("sets", sets, Limits.SetsMinimum, Limits.SetsMaximum);

    private protected static int RepCount(int reps) => Guard.InRange("reps", reps, Limits.RepsMinimum, Limits.RepsMaximum);
}

/// <summary>The part that a planned set plays.</summary>
public enum SetRole
{
    Work,
    Top,
    BackOff,
    DropPart,
}

/// <summary>One set of a plan, or one part of a drop set, before loads are resolved.</summary>
/// <param name="Set">1 and up.</param>
/// <param name="Part">1 and up; over 1 only in a drop set.</param>
/// <param name="RepsLow">The fewest reps that fulfil the plan.</param>
/// <param name="RepsHigh">The most that are asked for; equal to <paramref name="RepsLow"/> without a range.</param>
/// <param name="Role">Which part of the method it is.</param>
/// <param name="Grip">Null: any.</param>
public sealed record PlannedSet(int Set, int Part, int RepsLow, int RepsHigh, SetRole Role, Grip? Grip = null);

/// <summary>The same reps and load in each set.</summary>
public sealed record StraightSets(int SetTotal, int Reps, LoadSpec? Load = null, Effort? Effort = null, Tempo? Tempo = null, int? RestSeconds = null)
    : Prescription(Tempo, RestSeconds)
{
    public int SetTotal { get; } = SetCount(SetTotal);

    public int Reps { get; } = RepCount(Reps);

    public override IReadOnlyList<PlannedSet> Sets() =>
        [.. Enumerable.Range(1, SetTotal).Select(set => new PlannedSet(set, 1, Reps, Reps, SetRole.Work))];
}

/// <summary>Reps grow from low to high at one load; then the load grows and the reps start again.</summary>
/// <param name="Increment">What is added after success; null: the smallest step the kit makes.</param>
public sealed record DoubleProgression(
    int SetTotal, int Low, int High, LoadSpec? Load = null, Effort? Effort = null, MassEntry? Increment = null, Tempo? Tempo = null, int? RestSeconds = null)
    : Prescription(Tempo, RestSeconds)
{
    /// <summary>The increments that can be written, in kg.</summary>
    public const decimal IncrementMinimum = 0.1m, IncrementMaximum = 20;

    public int SetTotal { get; } = SetCount(SetTotal);

    public int Low { get; } = RepCount(Low);

    public int High { get; } = RepCount(High) > Low ? High : throw new RuleViolationException(Violation.RangeReversed, "reps", High, Low + 1, Limits.RepsMaximum);

    public MassEntry? Increment { get; } = Increment is { } step ? Guard.InRange("increment", step, IncrementMinimum, IncrementMaximum) : null;

    public override IReadOnlyList<PlannedSet> Sets() =>
        [.. Enumerable.Range(1, SetTotal).Select(set => new PlannedSet(set, 1, Low, High, SetRole.Work))];
}

/// <summary>A heavy top set, then lighter sets at a percent off the top set's system.</summary>
/// <param name="BackOffPercent">How much the system falls, 1 to 60 %.</param>
public sealed record TopSetBackOff(
    int TopSets, int TopReps, int BackOffSets, int BackOffReps, decimal BackOffPercent,
    LoadSpec? Load = null, Effort? Effort = null, Tempo? Tempo = null, int? RestSeconds = null)
    : Prescription(Tempo, RestSeconds)
{
    public const decimal BackOffMinimum = 1, BackOffMaximum = 60;

    public int TopSets { get; } = SetCount(TopSets);

    public int TopReps { get; } = RepCount(TopReps);

    public int BackOffSets { get; } = SetCount(BackOffSets);

    public int BackOffReps { get; } = RepCount(BackOffReps);

    public decimal BackOffPercent { get; } = Guard.InRange("backOff", BackOffPercent, BackOffMinimum, BackOffMaximum);

    public override IReadOnlyList<PlannedSet> Sets() =>
    [
        .. Enumerable.Range(1, TopSets).Select(set => new PlannedSet(set, 1, TopReps, TopReps, SetRole.Top)),
        .. Enumerable.Range(TopSets + 1, BackOffSets).Select(set => new PlannedSet(set, 1, BackOffReps, BackOffReps, SetRole.BackOff)),
    ];
}

/// <summary>Sets of two to four parts, each lighter than the one before, with as little rest as possible between the parts.</summary>
public sealed record DropSet : Prescription
{
    public const int PartsMinimum = 2, PartsMaximum = 4;

    /// <exception cref="RuleViolationException">Parts, loads and grips differ in number, or the loads do not fall, or fall below zero.</exception>
    [JsonConstructor]
    public DropSet(int setTotal, IReadOnlyList<int> parts, IReadOnlyList<MassEntry> loads, IReadOnlyList<Grip>? grips = null, Tempo? tempo = null, int? restSeconds = null)
        : base(tempo, restSeconds)
    {
        SetTotal = SetCount(setTotal);
        Guard.InRange("parts", parts.Count, PartsMinimum, PartsMaximum);
        if (loads.Count != parts.Count)
            throw new RuleViolationException(Violation.PartsDiffer, "loads", loads.Count, parts.Count, parts.Count);
        if (grips is not null && grips.Count != parts.Count)
            throw new RuleViolationException(Violation.PartsDiffer, "grips", grips.Count, parts.Count, parts.Count);
        foreach (var reps in parts)
            RepCount(reps);
        foreach (var load in loads)
            Guard.InRange("load", load, 0, Limits.AddedLoadMaximum);
        for (var i = 1; i < loads.Count; i++)
        {
            if (loads[i].Mass >= loads[i - 1].Mass)
                throw new RuleViolationException(Violation.LoadsDoNotFall, "loads", loads[i].Value);
        }

        Parts = parts;
        Loads = loads;
        Grips = grips;
    }

    public int SetTotal { get; }

    /// <summary>Reps of each part.</summary>
    public IReadOnlyList<int> Parts { get; }

    /// <summary>Added load of each part, falling, zero or more.</summary>
    public IReadOnlyList<MassEntry> Loads { get; }

    /// <summary>Grip of each part; null: any.</summary>
    public IReadOnlyList<Grip>? Grips { get; }

    public override IReadOnlyList<PlannedSet> Sets() =>
    [
        .. Enumerable.Range(1, SetTotal).SelectMany(set =>
            Parts.Select((reps, i) => new PlannedSet(set, i + 1, reps, reps, SetRole.DropPart, Grips?[i]))),
    ];

    public bool Equals(DropSet? other) =>
        other is not null && base.Equals(other) && SetTotal == other.SetTotal
        && Parts.SequenceEqual(other.Parts) && Loads.SequenceEqual(other.Loads)
        && (Grips ?? []).SequenceEqual(other.Grips ?? []);

    public override int GetHashCode() => HashCode.Combine(base.GetHashCode(), SetTotal, Parts.Count, Loads[0]);
}
