using System.Text.Json.Serialization;
using Cumbre.Core.Explanations;
using Cumbre.Core.Figures;

namespace Cumbre.Core.Movements;

/// <summary>What a movement mainly does.</summary>
public enum Pattern
{
    [JsonStringEnumMemberName("vertical pull")]
    VerticalPull,

    [JsonStringEnumMemberName("horizontal pull")]
    HorizontalPull,

    [JsonStringEnumMemberName("vertical push")]
    VerticalPush,

    [JsonStringEnumMemberName("horizontal push")]
    HorizontalPush,

    [JsonStringEnumMemberName("straight-arm pull")]
    StraightArmPull,

    [JsonStringEnumMemberName("straight-arm push")]
    StraightArmPush,

    [JsonStringEnumMemberName("lateral (flag)")]
    Lateral,

    [JsonStringEnumMemberName("trunk")]
    Trunk,

    [JsonStringEnumMemberName("legs")]
    Legs,

    [JsonStringEnumMemberName("shoulder-blade preparation")]
    ShoulderBlade,

    [JsonStringEnumMemberName("mobility")]
    Mobility,
}

/// <summary>The words of the catalogue for patterns.</summary>
public static class PatternNames
{
    private static readonly Dictionary<Pattern, string> Names = Enum.GetValues<Pattern>()
        .ToDictionary(
            p => p,
            p =>
                typeof(Pattern)
                    .GetField(p.ToString())!
                    .GetCustomAttributes(typeof(JsonStringEnumMemberNameAttribute), false)
                    .Cast<JsonStringEnumMemberNameAttribute>()
                    .Single()
                    .Name
        );

    public static string Of(Pattern pattern) => Names[pattern];

    /// <summary>The places that a pattern loads, for a movement that does not say its own.</summary>
    public static IReadOnlyList<BodyPlace> UsuallyLoads(Pattern pattern) =>
        pattern switch
        {
            Pattern.VerticalPull or Pattern.HorizontalPull => [BodyPlace.ElbowInner, BodyPlace.Hand],
            Pattern.VerticalPush or Pattern.HorizontalPush or Pattern.StraightArmPush =>
            [
                BodyPlace.Shoulder,
                BodyPlace.ElbowOuter,
                BodyPlace.Wrist,
            ],
            Pattern.StraightArmPull or Pattern.Lateral => [BodyPlace.Shoulder, BodyPlace.ElbowInner, BodyPlace.Hand],
            Pattern.Trunk => [BodyPlace.LowerBack],
            Pattern.Legs => [BodyPlace.Hip, BodyPlace.Knee, BodyPlace.Ankle, BodyPlace.Calf],
            Pattern.ShoulderBlade => [BodyPlace.Shoulder],
            _ => [],
        };
}

/// <summary>How the elbows are held.</summary>
public enum ArmMode
{
    Bent,
    Straight,

    /// <summary>The arms take no part.</summary>
    None,
}

/// <summary>How load is hung on a movement.</summary>
public enum LoadCarrier
{
    Belt,
    Vest,

    /// <summary>A plate on the back or stomach, held by the belt.</summary>
    BackPlate,
    AnkleWeight,
    Dumbbell,
}

/// <summary>An exercise of the catalogue. Texts are in the catalogue's language.</summary>
public sealed record Movement
{
    /// <summary>Stable name; never reused.</summary>
    public required string Slug { get; init; }

    /// <summary>As coaches say it.</summary>
    public required string Name { get; init; }

    /// <summary>Other names, for searching and for gates.</summary>
    public IReadOnlyList<string> Aliases { get; init; } = [];

    public required Pattern Pattern { get; init; }

    public required ArmMode Arms { get; init; }

    /// <summary>Done and tested on each side by itself.</summary>
    public bool EachSide { get; init; }

    public required BenchmarkMeasure Measure { get; init; }

    /// <summary>What must be written down so that two sessions can be compared.</summary>
    public IReadOnlyList<string> SetUp { get; init; } = [];

    /// <summary>What the bottom of the movement is, shown beside a tempo.</summary>
    public required string Bottom { get; init; }

    /// <summary>What counts as a good repetition or hold.</summary>
    public required string Standard { get; init; }

    public IReadOnlyList<string> Cues { get; init; } = [];

    /// <summary>What breaks the standard.</summary>
    public IReadOnlyList<string> Faults { get; init; } = [];

    public IReadOnlyList<string> PrimeMovers { get; init; } = [];

    /// <summary>Slugs of the movements that it helps most.</summary>
    public IReadOnlyList<string> CarriesTo { get; init; } = [];

    /// <summary>Slugs of easier neighbours.</summary>
    public IReadOnlyList<string> Easier { get; init; } = [];

    /// <summary>Slugs of harder neighbours.</summary>
    public IReadOnlyList<string> Harder { get; init; } = [];

    public IReadOnlyList<string> Kit { get; init; } = [];

    public IReadOnlyList<CautionId> Cautions { get; init; } = [];

    /// <summary>
    /// Places of the body that it loads: pain of 3 and more there eases it, 6 and more stops it. Null: what its pattern
    /// usually loads.
    /// </summary>
    public IReadOnlyList<BodyPlace>? Loads { get; init; }

    /// <summary>Places that hold it back only from pain 6 on.</summary>
    public IReadOnlyList<BodyPlace> LoadsAtSix { get; init; } = [];

    /// <summary>Places that it loads when load is added.</summary>
    public IReadOnlyList<BodyPlace> LoadsWhenLoaded { get; init; } = [];

    /// <summary>What it loads: its own places, else those of its pattern (common practice, no source).</summary>
    [JsonIgnore]
    public IReadOnlyList<BodyPlace> LoadedPlaces => Loads ?? PatternNames.UsuallyLoads(Pattern);

    /// <summary>May sets be taken to failure without danger?</summary>
    public bool FailureHarmless { get; init; }

    /// <summary>It is held, not repeated.</summary>
    [JsonIgnore]
    public bool IsHeld => Measure == BenchmarkMeasure.Seconds;

    /// <summary>The hands stand on the floor, so that the wrists bend.</summary>
    [JsonIgnore]
    public bool IsOnFloor => Kit.Any(k => k.Contains("floor", StringComparison.Ordinal));

    /// <summary>It is done as fast as possible, so that its dose is few fast reps.</summary>
    public bool Fast { get; init; }

    /// <summary>It can be done with a neutral grip, which spares the inner elbow.</summary>
    public bool NeutralGrip { get; init; }

    /// <summary>The same movement with measured help, for instance by a band; null: there is none.</summary>
    public string? AssistedBy { get; init; }

    /// <summary>How load may be hung on it; null: it is not loaded.</summary>
    public LoadCarrier? Load { get; init; }

    /// <summary>
    /// How a movement of a club's own is drawn, from start to end; empty: not at all. Those that ship have theirs in the
    /// book of poses.
    /// </summary>
    public IReadOnlyList<PoseEntry> Poses { get; init; } = [];
}
