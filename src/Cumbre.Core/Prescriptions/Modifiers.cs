using Cumbre.Core.Measures;

namespace Cumbre.Core.Prescriptions;

/// <summary>Which side works, where one works at a time.</summary>
public enum SidePlan
{
    /// <summary>Both, one after the other, the left first.</summary>
    Each,

    LeftFirst,
    RightFirst,
    LeftOnly,
    RightOnly,

    /// <summary>The left first, and one set more on it: it is the weaker.</summary>
    LeftMore,

    /// <summary>The right first, and one set more on it: it is the weaker.</summary>
    RightMore,
}

/// <summary>What a plan of sides says.</summary>
public static class SidePlans
{
    /// <summary>The weaker side first, without or with a set more.</summary>
    public static SidePlan WeakerFirst(Side weaker, bool oneMore) =>
        (weaker, oneMore) switch
        {
            (Side.Left, false) => SidePlan.LeftFirst,
            (Side.Left, true) => SidePlan.LeftMore,
            (_, false) => SidePlan.RightFirst,
            _ => SidePlan.RightMore,
        };

    /// <summary>Sides in the order in which they work in each set.</summary>
    public static IReadOnlyList<Side> Order(this SidePlan sides) =>
        sides switch
        {
            SidePlan.LeftOnly => [Side.Left],
            SidePlan.RightOnly => [Side.Right],
            SidePlan.RightFirst or SidePlan.RightMore => [Side.Right, Side.Left],
            _ => [Side.Left, Side.Right],
        };

    /// <summary>The side that does one set more; null: none does.</summary>
    public static Side? More(this SidePlan? sides) =>
        sides switch
        {
            SidePlan.LeftMore => Side.Left,
            SidePlan.RightMore => Side.Right,
            _ => null,
        };

    /// <summary>The same order without the set more, for an easy week or what is only kept.</summary>
    public static SidePlan? WithoutMore(this SidePlan? sides) =>
        sides.More() is { } side ? WeakerFirst(side, oneMore: false) : sides;
}

/// <summary>Where in a rep a pause lies.</summary>
public enum PausePlace
{
    Bottom,
    Top,
}

/// <summary>A pause in each rep, 1 to 30 s.</summary>
public sealed record Pause(int Seconds, PausePlace Place)
{
    public int Seconds { get; } = Guard.InRange("pause", Seconds, 1, Limits.TempoPhaseMaximum);

    /// <summary>What a tempo says of the same place.</summary>
    public int In(Tempo tempo) => Place == PausePlace.Bottom ? tempo.Bottom : tempo.Top;
}

/// <summary>A whole item as fast as it can be done cleanly.</summary>
/// <param name="Seconds">To beat, 10 to 3600; null: the time is only taken.</param>
public sealed record TimeToBeat(int? Seconds)
{
    public const int Minimum = 10,
        Maximum = 3600;

    public int? Seconds { get; } = Seconds is { } seconds ? Guard.InRange("seconds", seconds, Minimum, Maximum) : null;
}

/// <summary>How a short rest inside a set is measured.</summary>
public enum GapUnit
{
    Seconds,
    Breaths,
}

/// <summary>A short rest inside a set: 1 to 300 s, or 1 to 60 breaths.</summary>
public sealed record Gap(int Count, GapUnit Unit = GapUnit.Seconds)
{
    /// <summary>Ten breaths are about half a minute (common practice, no source).</summary>
    public const int SecondsPerBreath = 3;

    public const int SecondsMaximum = 300,
        BreathsMaximum = 60;

    public int Count { get; } =
        Guard.InRange("gap", Count, 1, Unit == GapUnit.Breaths ? BreathsMaximum : SecondsMaximum);

    public int InSeconds() => Unit == GapUnit.Breaths ? Count * SecondsPerBreath : Count;
}
