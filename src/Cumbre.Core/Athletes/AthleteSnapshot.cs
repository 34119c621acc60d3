using Cumbre.Core.Benchmarks;
using Cumbre.Core.Levers;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;
using Cumbre.Core.Sessions;

namespace Cumbre.Core.Athletes;

/// <summary>Everything the rules need to know about one athlete, loaded once and passed in.</summary>
public sealed record AthleteSnapshot(
    MassUnit Unit,
    int? BirthYear,
    bool Cleared,
    Schools Schools,
    Kit Kit,
    BodyMassHistory BodyMass,
    IReadOnlyList<BenchmarkResult> Results,
    IReadOnlyList<Exposure> Exposures)
{
    public Sex? Sex { get; init; }

    /// <summary>100 to 250; null: unknown.</summary>
    public decimal? StatureCm { get; init; }

    public MeasuredLengths Lengths { get; init; } = MeasuredLengths.None;

    /// <summary>The body from which the demand of levers is worked out.</summary>
    public BodyBuild BuildOn(DateOnly day) => new(Sex, StatureCm, BodyMass.On(day)?.Value, Lengths);

    /// <summary>The age reached in the year of <paramref name="day"/>, or null when the birth year is unknown.</summary>
    public int? AgeIn(DateOnly day) => BirthYear is { } year ? day.Year - year : null;
}
