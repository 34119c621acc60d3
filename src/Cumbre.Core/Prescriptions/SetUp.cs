using Cumbre.Core.Benchmarks;
using Cumbre.Core.Measures;

namespace Cumbre.Core.Prescriptions;

/// <summary>What the hands stand on, where it spares the wrist.</summary>
public enum Surface
{
    Parallettes,
    Fists,
}

/// <summary>
/// The set-up of an item, as far as the line writes it. Two exposures with different set-ups are not compared.
/// </summary>
public sealed record SetUp
{
    public const decimal BoxMaximum = 200,
        FeetMaximum = 300;

    public const int PadsMaximum = 20,
        StrapMaximum = 60,
        FingersMaximum = 4;

    /// <summary>The contact that every repetition is to reach.</summary>
    public Contact? To { get; init; }

    /// <summary>Height of the box in cm, 1 to 200.</summary>
    public decimal? BoxCm
    {
        get;
        init => field = value is { } cm ? Guard.InRange("box", cm, 1, BoxMaximum) : null;
    }

    /// <summary>Pads under the head or hands, 0 to 20; fewer is deeper and harder.</summary>
    public int? Pads
    {
        get;
        init => field = value is { } pads ? Guard.InRange("pads", pads, 0, PadsMaximum) : null;
    }

    /// <summary>Where the feet stand in cm, 0 to 300; further is harder.</summary>
    public decimal? FeetCm
    {
        get;
        init => field = value is { } cm ? Guard.InRange("feet", cm, 0, FeetMaximum) : null;
    }

    /// <summary>Mark of the strap, 0 to 60.</summary>
    public int? Strap
    {
        get;
        init => field = value is { } mark ? Guard.InRange("strap", mark, 0, StrapMaximum) : null;
    }

    /// <summary>Fingers of the second hand that help, 0 to 4.</summary>
    public int? Fingers
    {
        get;
        init => field = value is { } fingers ? Guard.InRange("fingers", fingers, 0, FingersMaximum) : null;
    }

    /// <summary>What the hands stand on; null: the floor, or as the movement says.</summary>
    public Surface? On { get; init; }

    /// <summary>Null where nothing is written.</summary>
    public static SetUp? OrNone(SetUp setUp) => setUp == new SetUp() ? null : setUp;
}
