using Cumbre.Core.Benchmarks;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Sessions;

/// <summary>Where a rep that failed stopped.</summary>
public enum FailPoint
{
    Start,
    Top,
}

/// <summary>
/// A set, or a part of a set, as it was done. Corrections are already applied: the store keeps every version, the rules
/// see the last.
/// </summary>
public sealed record LoggedSet
{
    /// <param name="set">1 and up.</param>
    /// <param name="part">1 and up.</param>
    /// <param name="reps">Clean reps, 0 to 200; of a set whose form is broken and whose total is unknown, all
    /// reps.</param>
    /// <param name="added">Load that was moved; negative is assistance.</param>
    /// <param name="reserve">0 to 10; null: not asked.</param>
    /// <param name="form">Against the movement's standard.</param>
    /// <param name="pain">0 to 10; null: none reported.</param>
    /// <param name="painPlace">For instance <c>right elbow</c>.</param>
    /// <param name="seconds">Clean seconds of a hold, 0 to 600; null: it was counted in reps.</param>
    /// <exception cref="RuleViolationException">A figure is outside its range.</exception>
    public LoggedSet(
        int set,
        int part,
        int reps,
        MassEntry added,
        int? reserve,
        FormVerdict form,
        int? pain = null,
        string? painPlace = null,
        int? seconds = null
    )
    {
        Set = Guard.InRange("set", set, 1, Limits.SetsMaximum * 2);
        Part = Guard.InRange("part", part, 1, PartMaximum);
        Reps = Guard.InRange("reps", reps, Limits.Nothing, Limits.RepsMaximum);
        Added = Guard.InRange("added", added, Limits.AddedLoadMinimum, Limits.AddedLoadMaximum);
        Reserve = reserve is { } r ? Guard.InRange("reserve", r, Limits.ReserveMinimum, Limits.ReserveMaximum) : null;
        Form = form;
        Pain = pain is { } p ? Guard.InRange("pain", p, Limits.PainMinimum, Limits.PainMaximum) : null;
        PainPlace = painPlace;
        Seconds = seconds is { } s ? Guard.InRange("seconds", s, Limits.Nothing, HoldSets.SecondsMaximum) : null;
    }

    /// <summary>A pyramid has the most parts; on each side by itself, twice as many.</summary>
    private const int PartMaximum = Pyramid.RungsMaximum * 2;

    public int Set { get; }

    public int Part { get; }

    public int Reps { get; }

    /// <summary>Reps in all, clean or not; null: as many as were clean.</summary>
    public int? Total
    {
        get;
        init => field = value is { } total ? Guard.InRange("total", total, Reps, Limits.RepsMaximum) : null;
    }

    /// <summary>Of a hold; null: it was counted in reps.</summary>
    public int? Seconds { get; }

    public MassEntry Added { get; }

    /// <summary>Null: not asked.</summary>
    public int? Reserve { get; }

    public FormVerdict Form { get; }

    /// <summary>The contact that every counted rep reached; null: not asked.</summary>
    public Contact? Contact { get; init; }

    /// <summary>The line sank: in a flag or a lever the sign to rest from it.</summary>
    public bool Sagged { get; init; }

    /// <summary>Rest that was taken before it in seconds; null: as planned.</summary>
    public int? RestedSeconds
    {
        get;
        init => field = value is { } rest ? Guard.InRange("rested", rest, 0, Limits.RestMaximum) : null;
    }

    /// <summary>Pain on the 11-point scale; null: none reported.</summary>
    public int? Pain { get; }

    /// <summary>A body place, for instance <c>right elbow</c>.</summary>
    public string? PainPlace { get; }

    public StopSign? Sign { get; init; }

    /// <summary>How it was set up, as far as it was told.</summary>
    public SetUpNotes SetUp { get; init; } = SetUpNotes.None;

    /// <summary>Where the rep that failed stopped; null: none failed, or nobody said.</summary>
    public FailPoint? FailedAt { get; init; }

    /// <summary>What broke the standard, in the movement's own words; null: nothing, or nobody said.</summary>
    public string? Fault { get; init; }

    public string? Note { get; init; }

    /// <summary>
    /// Reps that met the standard: the others do not spoil them. Of an old set with broken form nobody knows how many
    /// there were.
    /// </summary>
    public int CleanReps => Total is not null || Form == FormVerdict.Clean ? Reps : 0;
}

/// <summary>A planned set, and what was done of it.</summary>
/// <param name="Planned">As planned.</param>
/// <param name="PlannedLoad">Its made load.</param>
/// <param name="Set">Null: it was not logged.</param>
public sealed record DoneSet(PlannedSet Planned, Mass PlannedLoad, LoggedSet? Set)
{
    /// <summary>Clean seconds of a hold, else clean reps.</summary>
    public int Amount =>
        Set is null ? 0
        : Planned.Seconds is null ? Set.CleanReps
        : Set.Seconds ?? 0;
}

/// <summary>One movement trained in one session: what was planned and what was done.</summary>
/// <param name="SessionId">The session it belongs to.</param>
/// <param name="Day">The session's day.</param>
/// <param name="Movement">The movement's slug.</param>
/// <param name="Plan">The plan as it stood when the first set was logged.</param>
/// <param name="PlannedLoads">The made load of each planned set, in the plan's order.</param>
/// <param name="Easy">True in a deload: such a session is no evidence of progress.</param>
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
    IReadOnlyList<LoggedSet> Sets
)
{
    /// <summary>Null: written by hand, or before roles were kept.</summary>
    public ItemRole? Role { get; init; }

    /// <summary>Position in its session, from 0.</summary>
    public int Position { get; init; }

    /// <summary>Done in turn with at least two others.</summary>
    public bool InCircuit { get; init; }

    /// <summary>It was eased for pain: no evidence of progress or of a failure.</summary>
    public bool Eased { get; init; }

    /// <summary>The heaviest load that was moved.</summary>
    public MassEntry TopLoad => Sets.MaxBy(s => s.Added.Mass.Kilograms)!.Added;

    /// <summary>Was load added?</summary>
    public bool IsLoaded => Sets.Any(s => s.Added.Mass > Mass.Zero) || Plan.Load is Counted;

    /// <summary>Was it helped: by a band, by the feet, by fingers or by a load below zero?</summary>
    public bool IsAssisted =>
        Plan.Load is BandHelp or FootHelp || Plan.SetUp?.Fingers > 0 || Sets.Any(s => s.Added.Mass < Mass.Zero);

    /// <summary>Was every set helped by so and so many kilograms: by a band, or by a load below zero?</summary>
    public bool HasWeighedHelp => Plan.Load is BandHelp || (Sets.Count > 0 && Sets.All(s => s.Added.Mass < Mass.Zero));

    /// <summary>A session that was neither a deload nor eased.</summary>
    public bool Counts => !Easy && !Eased;

    /// <summary>How it was set up: what the first set that told a part said of it.</summary>
    public SetUpNotes SetUp => Sets.Aggregate(SetUpNotes.None, (known, set) => known.Over(set.SetUp));

    /// <summary>Can it be compared with another one? Not where both tell a part of the set-up differently.</summary>
    public bool IsSetUpLike(Exposure other) => SetUp.DifferencesTo(other.SetUp).Count == 0;

    /// <summary>Worst pain reported, with its place; null when none was.</summary>
    public LoggedSet? WorstPain => Sets.Where(s => s.Pain > 0).MaxBy(s => s.Pain);

    /// <summary>The rows of the plan, and after them the sets that were done beyond it.</summary>
    public IReadOnlyList<DoneSet> RowsWithExtra()
    {
        var rows = Rows();
        if (rows.Count == 0)
            return rows;
        var last = rows[^1].Planned.Set;
        var parts = rows.Where(r => r.Planned.Set == last).ToDictionary(r => r.Planned.Part);
        return
        [
            .. rows,
            .. Sets.Where(s => s.Set > last && parts.ContainsKey(s.Part))
                .Select(s => parts[s.Part] with { Planned = parts[s.Part].Planned with { Set = s.Set }, Set = s }),
        ];
    }

    /// <summary>The plan's sets in order, each with what was done of it.</summary>
    public IReadOnlyList<DoneSet> Rows()
    {
        var logged = Sets.ToLookup(s => (s.Set, s.Part));
        var planned = Plan.Sets();
        return
        [
            .. planned.Select(
                (p, i) =>
                    new DoneSet(
                        p,
                        i < PlannedLoads.Count ? PlannedLoads[i] : Mass.Zero,
                        logged[(p.Set, p.Part)].LastOrDefault()
                    )
            ),
        ];
    }
}
