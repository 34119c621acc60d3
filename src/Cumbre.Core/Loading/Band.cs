using Cumbre.Core.Explanations;
using Cumbre.Core.Measures;

namespace Cumbre.Core.Loading;

/// <summary>What a band gives, by its measured force at three places of the movement.</summary>
public sealed record Band
{
    /// <summary>
    /// A band's force drifts with age and heat: the mean is good to about this share (this project's choice).
    /// </summary>
    public const decimal Uncertainty = 0.15m;

    /// <summary>Days after which it is measured again (this project's choice: eight weeks).</summary>
    public const int MeasureAgainAfterDays = 56;

    /// <summary>Kilograms of help.</summary>
    public const decimal HelpMinimum = 0.1m,
        HelpMaximum = 150;

    /// <exception cref="RuleViolationException">A force outside 0.1 to 150 kg, or one that grows while the band gets
    /// shorter.</exception>
    public Band(Guid id, string name, decimal bottomKg, decimal middleKg, decimal topKg, DateOnly measuredOn)
    {
        Id = id;
        Name = name;
        BottomKg = Guard.InRange("bottomKg", bottomKg, HelpMinimum, HelpMaximum);
        MiddleKg = Guard.InRange("middleKg", middleKg, HelpMinimum, HelpMaximum);
        TopKg = Guard.InRange("topKg", topKg, HelpMinimum, HelpMaximum);
        // At the bottom of a pull-up the band is longest: it helps most there.
        if (middleKg > bottomKg)
            throw new RuleViolationException(Violation.OutOfRange, "middleKg", middleKg, HelpMinimum, bottomKg);
        if (topKg > middleKg)
            throw new RuleViolationException(Violation.OutOfRange, "topKg", topKg, HelpMinimum, middleKg);
        MeasuredOn = measuredOn;
    }

    public Guid Id { get; }

    public string Name { get; }

    /// <summary>Help at the bottom of the movement, where the band is longest.</summary>
    public decimal BottomKg { get; }

    public decimal MiddleKg { get; }

    public decimal TopKg { get; }

    public DateOnly MeasuredOn { get; }

    public bool IsStale(DateOnly today) => today.DayNumber - MeasuredOn.DayNumber > MeasureAgainAfterDays;

    /// <summary>The help that is reckoned with: the mean of the three, with its uncertainty.</summary>
    /// <param name="today">A band that was measured long ago is to be measured again.</param>
    /// <param name="bodyMass">Of who uses it; null: nobody in particular.</param>
    public Explained<Mass> Help(DateOnly today, Mass? bodyMass = null)
    {
        var mean = Mass.FromKilograms(Math.Round((BottomKg + MiddleKg + TopKg) / 3, 2));
        var why = Explanation
            .For(RuleId.BandHelp)
            .Source(SourceId.House)
            .Input(InputKey.BandBottom, Quantity.Of(Mass.FromKilograms(BottomKg)))
            .Input(InputKey.BandMiddle, Quantity.Of(Mass.FromKilograms(MiddleKg)))
            .Input(InputKey.BandTop, Quantity.Of(Mass.FromKilograms(TopKg)))
            .Input(InputKey.MeasuredOn, Quantity.On(MeasuredOn))
            .Step(StepKey.MeanOfThree, Quantity.Of(mean))
            .Step(StepKey.UncertainFrom, Quantity.Of(mean * (1 - Uncertainty)), Quantity.OfFraction(Uncertainty))
            .Step(StepKey.UncertainTo, Quantity.Of(mean * (1 + Uncertainty)), Quantity.OfFraction(Uncertainty))
            .Caution(CautionId.Bands);
        if (IsStale(today))
            why.Caution(CautionId.BandOld, Quantity.Days(today.DayNumber - MeasuredOn.DayNumber));
        if (bodyMass is { } body && BottomKg >= body.Kilograms)
            why.Caution(CautionId.BandTooStrong, Quantity.Of(body));
        return why.Build(mean);
    }
}

/// <summary>Load that is counted, such as books in a backpack; with one of them weighed the count is a mass.</summary>
public sealed record CountedLoad
{
    public const int CountMaximum = 100;

    /// <exception cref="RuleViolationException">A count outside 1 to 100, a unit outside 0.01 to 50 kg, or over 200 kg
    /// in all.</exception>
    public CountedLoad(Guid id, string name, int count, MassEntry? unit)
    {
        Id = id;
        Name = name;
        Count = Guard.InRange("count", count, 1, CountMaximum);
        Unit = unit is { } u ? Guard.InRange("unit", u, 0.01m, Limits.PlateMaximum) : null;
        if (Total is { } total)
            Guard.InRange("count", total.Kilograms, 0, Limits.AddedLoadMaximum);
    }

    public Guid Id { get; }

    /// <summary>Of one, for instance <c>book</c>.</summary>
    public string Name { get; }

    /// <summary>How many there are.</summary>
    public int Count { get; }

    /// <summary>Of one; null: never weighed, so the count is progressed and no mass is claimed.</summary>
    public MassEntry? Unit { get; }

    /// <summary>Of all of them; null: never weighed.</summary>
    public Mass? Total => Of(Count);

    /// <summary>Of some of them; null: never weighed.</summary>
    public Mass? Of(int count) => Unit?.Mass * count;
}

/// <summary>What stands or hangs in a hall.</summary>
public enum GearKind
{
    Bar,
    ParallelBars,
    Rings,
    Box,
    Pole,
    Pad,
    Dumbbell,
    Chain,
    Mat,
}

/// <summary>A piece of gear whose set-up must be written down to compare two sessions.</summary>
/// <param name="Id">Made by whoever adds it.</param>
/// <param name="Kind">What it is.</param>
/// <param name="Name">As the club says it.</param>
/// <param name="HeightCm">0 to 500; null: not measured.</param>
/// <param name="WidthCm">0 to 500; null: not measured.</param>
/// <param name="Note">Strap marks, material, mass.</param>
public sealed record Gear(Guid Id, GearKind Kind, string Name, decimal? HeightCm, decimal? WidthCm, string? Note);

/// <summary>All that a club or an athlete has. The plates of an athlete lie with their profile.</summary>
/// <param name="Kit">What can be hung; null: it lies elsewhere.</param>
/// <param name="Bands">Measured bands.</param>
/// <param name="Counted">Counted loads.</param>
/// <param name="Gear">Everything else.</param>
public sealed record KitBook(
    Kit? Kit,
    IReadOnlyList<Band> Bands,
    IReadOnlyList<CountedLoad> Counted,
    IReadOnlyList<Gear> Gear
)
{
    public static KitBook Empty { get; } = new(null, [], [], []);

    /// <summary>Somebody said that there is no gear but floor and wall; an empty list alone says nothing.</summary>
    public bool HasNoGear { get; init; }

    /// <summary>Is it known what there is?</summary>
    public bool IsGearKnown => HasNoGear || Gear.Count > 0;
}
