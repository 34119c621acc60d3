using System.Text.Json.Serialization;
using Cumbre.Core.Measures;

namespace Cumbre.Core.Prescriptions;

/// <summary>How a load is written, before it is resolved for an athlete and a day.</summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "by")]
[JsonDerivedType(typeof(AddedLoad), "added")]
[JsonDerivedType(typeof(ShareOfOneRepMax), "e1rm")]
[JsonDerivedType(typeof(ShareOfBodyMass), "bm")]
[JsonDerivedType(typeof(BandHelp), "band")]
[JsonDerivedType(typeof(FootHelp), "feet")]
[JsonDerivedType(typeof(Counted), "counted")]
[JsonDerivedType(typeof(NamedBand), "named-band")]
public abstract record LoadSpec
{
    /// <summary>Is the movement heavier with it than at body mass?</summary>
    [JsonIgnore]
    public virtual bool Adds => false;
}

/// <summary>A load in kg or lb, -150 to +200 kg; negative is assistance.</summary>
public sealed record AddedLoad(MassEntry Entry) : LoadSpec
{
    public MassEntry Entry { get; } = Guard.InRange("load", Entry, Limits.AddedLoadMinimum, Limits.AddedLoadMaximum);

    public override bool Adds => Entry.Value > 0;
}

/// <summary>Percent of the e1RM of the system, 20 to 120.</summary>
public sealed record ShareOfOneRepMax(decimal Percent) : LoadSpec
{
    public const decimal Minimum = 20,
        Maximum = 120;

    public decimal Percent { get; } = Guard.InRange("percent", Percent, Minimum, Maximum);

    public override bool Adds => true;
}

/// <summary>Added load as a percent of body mass, -90 to 200.</summary>
public sealed record ShareOfBodyMass(decimal Percent) : LoadSpec
{
    public const decimal Minimum = -90,
        Maximum = 200;

    public decimal Percent { get; } = Guard.InRange("percent", Percent, Minimum, Maximum);

    public override bool Adds => Percent > 0;
}

/// <summary>Help by a band whose measured help is near this, 0.5 to 100 kg.</summary>
public sealed record BandHelp(MassEntry Entry) : LoadSpec
{
    public const decimal Minimum = 0.5m,
        Maximum = 100;

    public MassEntry Entry { get; } = Guard.InRange("band", Entry, Minimum, Maximum);
}

/// <summary>Help by the feet on a box or the floor: nobody can weigh it, so the set is judged by its reps.</summary>
public sealed record FootHelp : LoadSpec;

/// <summary>Counted pieces, such as books; 1 to 100. The name is matched with the kit's, one or many.</summary>
public sealed record Counted(int Count, string Name) : LoadSpec
{
    public int Count { get; } = Guard.InRange("count", Count, 1, Loading.CountedLoad.CountMaximum);

    public override bool Adds => true;
}

/// <summary>
/// Help by a band that is called by a word of its name, in small letters; where the athlete's kit has it, it is read
/// as <see cref="BandHelp"/>.
/// </summary>
public sealed record NamedBand(string Name) : LoadSpec;

/// <summary>How hard a set is taken.</summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "to")]
[JsonDerivedType(typeof(InReserve), "reserve")]
[JsonDerivedType(typeof(ToFailure), "failure")]
[JsonDerivedType(typeof(LastToFailure), "last-failure")]
public abstract record Effort
{
    /// <summary>Reps left when the set ends.</summary>
    [JsonIgnore]
    public abstract int ReserveTarget { get; }
}

/// <summary>Stop with this many reps in reserve, 0 to 10.</summary>
/// <param name="Reps">The fewest that are left.</param>
/// <param name="Most">The most, over the fewest; null: no range. Its load is the one that leaves the most.</param>
public sealed record InReserve(int Reps, int? Most = null) : Effort
{
    public int Reps { get; } = Guard.InRange("reserve", Reps, Limits.ReserveMinimum, Limits.ReserveMaximum);

    public int? Most { get; } =
        Most is not { } most ? null
        : Guard.InRange("reserve", most, Limits.ReserveMinimum, Limits.ReserveMaximum) > Reps ? most
        : throw new RuleViolationException(Violation.RangeReversed, "reserve", most, Reps + 1, Limits.ReserveMaximum);

    public override int ReserveTarget => Most ?? Reps;
}

/// <summary>Until no further clean rep is possible.</summary>
public sealed record ToFailure : Effort
{
    public override int ReserveTarget => 0;
}

/// <summary>All sets but the last as written; the last until no further clean rep is possible.</summary>
public sealed record LastToFailure : Effort
{
    public override int ReserveTarget => 0;
}

/// <summary>How the bar is held.</summary>
public enum Grip
{
    Wide,
    Medium,
    Narrow,
    Under,
    Neutral,
}
