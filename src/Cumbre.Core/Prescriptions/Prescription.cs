using System.Text.Json.Serialization;
using Cumbre.Core.Measures;

namespace Cumbre.Core.Prescriptions;

/// <summary>
/// The dose of one item, as structure: the truth of which a whiteboard line is the print. It holds the rule ("80 %
/// e1RM"),
/// never the load that the rule gave on some day. What any method may carry is here; what only one has is in its own
/// type.
/// </summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "method")]
[JsonDerivedType(typeof(StraightSets), "straight")]
[JsonDerivedType(typeof(DoubleProgression), "double")]
[JsonDerivedType(typeof(TopSetBackOff), "top-back-off")]
[JsonDerivedType(typeof(DropSet), "drop")]
[JsonDerivedType(typeof(RestPause), "rest-pause")]
[JsonDerivedType(typeof(ClusterSets), "cluster")]
[JsonDerivedType(typeof(OnTheClock), "clock")]
[JsonDerivedType(typeof(Pyramid), "pyramid")]
[JsonDerivedType(typeof(RepsWithStretch), "stretch")]
[JsonDerivedType(typeof(Negatives), "negative")]
[JsonDerivedType(typeof(HoldSets), "hold")]
[JsonDerivedType(typeof(VariedHolds), "varied-hold")]
[JsonDerivedType(typeof(VariedSets), "varied")]
[JsonDerivedType(typeof(BrokenHold), "broken-hold")]
[JsonDerivedType(typeof(MaxSets), "max")]
[JsonDerivedType(typeof(PracticeSets), "practice")]
[JsonDerivedType(typeof(ExplosiveSets), "explosive")]
public abstract record Prescription
{
    /// <summary>Null: at body mass, or by the effort where the movement is measured by load.</summary>
    public LoadSpec? Load { get; init; }

    /// <summary>Null: not asked.</summary>
    public Effort? Effort { get; init; }

    /// <summary>Null: no tempo is asked for.</summary>
    public Tempo? Tempo { get; init; }

    /// <summary>Rest between sets, 0 to 1800; null: the usual rest.</summary>
    public int? RestSeconds
    {
        get;
        init => field = value is { } rest ? Guard.InRange("rest", rest, 0, Limits.RestMaximum) : null;
    }

    /// <summary>The end of a range of rest, over <see cref="RestSeconds"/>; null: no range.</summary>
    public int? RestMost
    {
        get => field > RestSeconds ? field : null;
        init => field = value is { } rest ? Guard.InRange("rest", rest, 0, Limits.RestMaximum) : null;
    }

    /// <summary>The whole is done against the clock; null: it is not.</summary>
    public TimeToBeat? Timed { get; init; }

    /// <summary>Null: both sides work at once.</summary>
    public SidePlan? Sides { get; init; }

    /// <summary>A pause in each rep; null: none beyond the tempo's.</summary>
    public Pause? Pause { get; init; }

    /// <summary>One for the whole line, or one for each part or round; null: any.</summary>
    public ValueList<Grip>? Grips { get; init; }

    /// <summary>
    /// How it is set up: the contact that is asked, box, pads, feet, strap, fingers; null: as last time.
    /// </summary>
    public SetUp? SetUp { get; init; }

    /// <summary>
    /// The fewest sets of an easy week keep this many reps or seconds of one set; it is also what a load is worked out
    /// for.
    /// </summary>
    [JsonIgnore]
    public abstract int TargetReps { get; }

    /// <summary>Reps, or seconds of a hold, that are written for the set of which most is asked.</summary>
    [JsonIgnore]
    public int MostInASet => Sets().Max(s => s.Seconds ?? s.RepsHigh);

    /// <summary>Seconds of rest when none is written.</summary>
    [JsonIgnore]
    public virtual int UsualRest => Timing.UsualRest(Sets()[0].RepsLow);

    /// <summary>The whole time where a clock sets it; null: it follows from work and rest.</summary>
    [JsonIgnore]
    public virtual int? ClockSeconds => null;

    /// <summary>Are reps lifted as fast as possible?</summary>
    [JsonIgnore]
    public virtual bool IsFast => false;

    /// <summary>May the whole be done against the clock?</summary>
    [JsonIgnore]
    public virtual bool IsTimed => false;

    /// <summary>Is some set taken until nothing is left?</summary>
    [JsonIgnore]
    public virtual bool ToTheEnd => Effort is ToFailure;

    /// <summary>Seconds of one rep: the tempo's, else the usual ones and the pause.</summary>
    [JsonIgnore]
    public virtual int SecondsPerRep =>
        Tempo is { } tempo ? tempo.SecondsPerRep : Prescriptions.Tempo.SecondsWithoutTempo + (Pause?.Seconds ?? 0);

    /// <summary>
    /// The sets to be done, in order. One side at a time, a set has its parts on one side and then on the other.
    /// </summary>
    /// <param name="bests">What the athlete can do; it fills in what a line leaves open. Null: unknown.</param>
    public IReadOnlyList<PlannedSet> Sets(Bests? bests = null)
    {
        var sets = Expand(bests ?? Bests.Unknown).ToArray();
        if (Sides is not { } sides)
            return sets;
        var last = sets.Max(s => s.Set);
        var more = Sides.More() is { } side
            ? sets.Where(s => s.Set == last).Select(s => s with { Set = last + 1, Side = side })
            : [];
        return [.. sets.GroupBy(s => s.Set).SelectMany(set => OnSides([.. set], sides)), .. more];
    }

    /// <summary>The same, ended with some reps left.</summary>
    public virtual Prescription WithReserve(InReserve reserve) => this with { Effort = reserve };

    /// <summary>What comes next after a success.</summary>
    public abstract Progression Progress();

    /// <summary>The same with other sets in number; methods that have none stay as they are.</summary>
    public abstract Prescription WithSets(int sets);

    /// <summary>
    /// This plan with the modifiers of another: load, effort, tempo, rest, sides, pause, grips, set-up and time to beat.
    /// </summary>
    internal Prescription Like(Prescription other) =>
        this with
        {
            Load = other.Load,
            Effort = other.Effort,
            Tempo = other.Tempo,
            RestSeconds = other.RestSeconds,
            RestMost = other.RestMost,
            Timed = IsTimed ? other.Timed : null,
            Sides = other.Sides,
            Pause = other.Pause,
            Grips = other.Grips,
            SetUp = other.SetUp,
        };

    /// <summary>Sets that can be counted off: 1 where the method has none.</summary>
    [JsonIgnore]
    public abstract int SetCount { get; }

    private protected abstract IEnumerable<PlannedSet> Expand(Bests bests);

    /// <summary>Reps at one load. A range counts its upper end.</summary>
    private protected PlannedSet Planned(
        int set,
        int part,
        int low,
        int high,
        SetRole role,
        Grip? grip = null,
        int gapAfter = 0
    ) =>
        new(
            set,
            part,
            low,
            high,
            role,
            grip ?? (Grips is [var one] ? one : null),
            TensionSeconds: high * SecondsPerRep,
            GapAfterSeconds: gapAfter
        );

    private protected static int SetsIn(int sets) =>
        Guard.InRange("sets", sets, Limits.SetsMinimum, Limits.SetsMaximum);

    private protected static int RepsIn(int reps) =>
        Guard.InRange("reps", reps, Limits.RepsMinimum, Limits.RepsMaximum);

    private static IEnumerable<PlannedSet> OnSides(PlannedSet[] parts, SidePlan sides) =>
        sides
            .Order()
            .SelectMany((side, i) => parts.Select(p => p with { Part = i * parts.Length + p.Part, Side = side }));
}

/// <summary>The part that a planned set plays.</summary>
public enum SetRole
{
    Work,
    Top,
    BackOff,
    DropPart,
    Burst,
    Piece,
    Slot,
    Rung,
    Stretch,
    Negative,
    Hold,
    Max,
    Practice,
    Fast,
}

/// <summary>One set of a plan, or one part of a set, before loads are resolved.</summary>
/// <param name="Set">1 and up.</param>
/// <param name="Part">1 and up.</param>
/// <param name="RepsLow">The fewest reps that fulfil the plan.</param>
/// <param name="RepsHigh">The most that are asked for, or the reps expected where the set ends by itself.</param>
/// <param name="Role">Which part of the method it is.</param>
/// <param name="Grip">Null: any.</param>
/// <param name="Seconds">Of a hold; null: it is counted in reps.</param>
/// <param name="Side">Null: both at once.</param>
/// <param name="TensionSeconds">Estimated seconds under tension.</param>
/// <param name="GapAfterSeconds">Rest inside the set, before its next part.</param>
public sealed record PlannedSet(
    int Set,
    int Part,
    int RepsLow,
    int RepsHigh,
    SetRole Role,
    Grip? Grip = null,
    int? Seconds = null,
    Side? Side = null,
    int TensionSeconds = 0,
    int GapAfterSeconds = 0
);

/// <summary>What an athlete can do on a movement, for what a line leaves open.</summary>
/// <param name="Reps">Best clean reps at body mass; null: unknown.</param>
/// <param name="HoldSeconds">Best clean hold; null: unknown.</param>
/// <param name="BurstRatio">Reps of a second burst over those of the first, 0 to 1: one half until the athlete's own is
/// known (common practice, no source).</param>
public sealed record Bests(int? Reps = null, decimal? HoldSeconds = null, decimal BurstRatio = Bests.UsualBurstRatio)
{
    public const decimal UsualBurstRatio = 0.5m;

    public static Bests Unknown { get; } = new();
}
