using Cumbre.Core.Benchmarks;
using Cumbre.Core.Levers;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;
using Cumbre.Core.Safety;
using Cumbre.Core.Sessions;

namespace Cumbre.Core.Athletes;

/// <summary>A decision that the coach took.</summary>
/// <param name="Movement">Slug.</param>
/// <param name="Kind">Its word.</param>
/// <param name="Day">The day of the evidence that it rested on.</param>
public sealed record PastDecision(string Movement, string Kind, DateOnly Day);

/// <summary>Everything the rules need to know about one athlete, loaded once and passed in.</summary>
public sealed record AthleteSnapshot(
    MassUnit Unit,
    int? BirthYear,
    bool Cleared,
    Schools Schools,
    Kit Kit,
    BodyMassHistory BodyMass,
    IReadOnlyList<BenchmarkResult> Results,
    IReadOnlyList<Exposure> Exposures
)
{
    /// <summary>
    /// What training showed before the first of <see cref="Exposures"/>, as far as nothing earlier shows as much.
    /// </summary>
    public IReadOnlyList<BenchmarkResult> Shown { get; init; } = [];

    /// <summary>What was said before sessions, oldest first.</summary>
    public IReadOnlyList<CheckIn> CheckIns { get; init; } = [];

    /// <summary>What else was trained, oldest first.</summary>
    public IReadOnlyList<OtherTraining> Others { get; init; } = [];

    /// <summary>What was said on the mornings after.</summary>
    public IReadOnlyList<MorningAnswer> Mornings { get; init; } = [];

    /// <summary>Stops that the coach cleared.</summary>
    public IReadOnlyList<StopClearance> Clearances { get; init; } = [];

    /// <summary>
    /// What was decided before, oldest first: the same answer is never given twice without a change between.
    /// </summary>
    public IReadOnlyList<PastDecision> Decided { get; init; } = [];

    public Sex? Sex { get; init; }

    /// <summary>100 to 250; null: unknown.</summary>
    public decimal? StatureCm { get; init; }

    public MeasuredLengths Lengths { get; init; } = MeasuredLengths.None;

    /// <summary>The body from which the demand of levers is worked out.</summary>
    public BodyBuild BuildOn(DateOnly day) => new(Sex, StatureCm, BodyMass.On(day)?.Value, Lengths);

    /// <summary>
    /// The age reached in the year of <paramref name="day"/>, or null when the birth year is unknown.
    /// </summary>
    public int? AgeIn(DateOnly day) => BirthYear is { } year ? day.Year - year : null;
}
