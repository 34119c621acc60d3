using Cumbre.Core.Benchmarks;
using Cumbre.Core.Measures;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Sessions;

/// <summary>
/// A set, or a part of a drop set, as it was done. Corrections are already applied: the store keeps every version, the rules see the last.
/// </summary>
public sealed record LoggedSet
{
    /// <exception cref="RuleViolationException">Reps outside 1 to 200, reserve outside 0 to 10, pain outside 0 to 10, or an implausible load.</exception>
    public LoggedSet(int set, int part, int reps, MassEntry added, int? reserve, FormVerdict form, int? pain = null, string? painPlace = null, int? seconds = null)
    {
        Set = Guard.InRange("set", set, 1, Limits.SetsMaximum * 2);
        Part = Guard.InRange("part", part, 1, PartMaximum);
        Reps = Guard.InRange("reps", reps, Limits.RepsMinimum, Limits.RepsMaximum);
        Added = Guard.InRange("added", added, Limits.AddedLoadMinimum, Limits.AddedLoadMaximum);
        Reserve = reserve is { } r ? Guard.InRange("reserve", r, Limits.ReserveMinimum, Limits.ReserveMaximum) : null;
        Form = form;
        Pain = pain is { } p ? Guard.InRange("pain", p, Limits.PainMinimum, Limits.PainMaximum) : null;
        PainPlace = painPlace;
        Seconds = seconds is { } s ? Guard.InRange("seconds", s, 1, HoldSets.SecondsMaximum) : null;
    }

    /// <summary>A pyramid has the most parts; on each side by itself, twice as many.</summary>
    private const int PartMaximum = Pyramid.RungsMaximum * 2;

    public int Set { get; }

    public int Part { get; }

    public int Reps { get; }

    /// <summary>Of a hold; null: it was counted in reps.</summary>
    public int? Seconds { get; }

    public MassEntry Added { get; }

    /// <summary>Null: not asked.</summary>
    public int? Reserve { get; }

    public FormVerdict Form { get; }

    /// <summary>Pain on the 11-point scale; null: none reported.</summary>
    public int? Pain { get; }

    /// <summary>A body place, for instance <c>right elbow</c>.</summary>
    public string? PainPlace { get; }
}

/// <summary>One movement trained in one session: what was planned and what was done.</summary>
/// <param name="SessionId">The session it belongs to.</param>
/// <param name="Day">The session's day.</param>
/// <param name="Movement">The movement's slug.</param>
/// <param name="Plan">The plan as it stood when the first set was logged.</param>
/// <param name="PlannedLoads">The made load of each planned set, in the plan's order.</param>
/// <param name="Easy">True in an easy week: such a session is no evidence of progress.</param>
/// <param name="BodyMass">Body mass that day.</param>
/// <param name="Sets">What was logged, in order.</param>
public sealed record Exposure(
    Guid SessionId,
    DateOnly Day,
    string Movement,
    Prescription Plan,
    IReadOnlyList<Mass> PlannedLoads,
    bool Easy,
    Mass BodyMass,
    IReadOnlyList<LoggedSet> Sets)
{
    /// <summary>The heaviest load that was moved.</summary>
    public MassEntry TopLoad => Sets.MaxBy(s => s.Added.Mass.Kilograms)!.Added;

    /// <summary>Worst pain reported, with its place; null when none was.</summary>
    public LoggedSet? WorstPain => Sets.Where(s => s.Pain > 0).MaxBy(s => s.Pain);
}
