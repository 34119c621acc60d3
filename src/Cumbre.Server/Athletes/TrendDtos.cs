using Cumbre.Core.Explanations;
using Cumbre.Core.Ladders;
using Cumbre.Core.Movements;
using Cumbre.Core.Review;
using Cumbre.Server.Reading;

namespace Cumbre.Server.Athletes;

/// <summary>A threshold of a ladder in the trend's measure.</summary>
public sealed record TrendLineDto(
    decimal Value,
    int Sets,
    string Ladder,
    string Step,
    bool Opens,
    bool Met,
    ThresholdEvidence Term
)
{
    public static TrendLineDto Of(TrendLine l, Catalogue catalogue) =>
        new(l.Value, l.Sets, l.Ladder, l.Step, l.Opens, l.Term.Met, PlacementReport.Evidence(l.Term, catalogue));
}

/// <summary>When the next threshold may be reached.</summary>
/// <param name="From">Weeks from today; null: there is no forecast.</param>
/// <param name="To">Weeks from today.</param>
/// <param name="Why">How it came about.</param>
/// <param name="Reason">Why there is none.</param>
/// <param name="Points">Days that are compared.</param>
public sealed record ForecastDto(int? From, int? To, Explanation? Why, NoForecast? Reason, int Points)
{
    public static ForecastDto Of(Forecast f) =>
        new(f.Weeks?.Value.From, f.Weeks?.Value.To, f.Weeks?.Why, f.Reason, f.Points);
}

/// <summary>The best with a set-up.</summary>
public sealed record SetUpRecordDto(
    string SetUp,
    string Style,
    decimal Value,
    DateOnly Day,
    int? Reps,
    int? Seconds,
    MassDto? Added,
    bool IsCompared
)
{
    public static SetUpRecordDto Of(SetUpRecord r) =>
        new(
            r.SetUp,
            r.Style,
            r.Value,
            r.Day,
            r.Set?.CleanReps,
            r.Set?.Seconds,
            r.Set is null ? null : MassDto.Of(r.Set.Added),
            r.IsCompared
        );
}

/// <summary>A movement over twelve weeks, in its own measure.</summary>
/// <param name="Measure">Which.</param>
/// <param name="Sets">The set that counts: the third longest where three holds are asked.</param>
/// <param name="Points">Oldest first.</param>
/// <param name="Now">The newest that can be compared.</param>
/// <param name="Lines">Thresholds, lowest first.</param>
/// <param name="Ahead">The next one.</param>
/// <param name="Forecast">When it may be reached.</param>
/// <param name="Records">By set-up, the newest first.</param>
public sealed record TrendDto(
    TrendMeasure Measure,
    int Sets,
    IReadOnlyList<TrendPoint> Points,
    TrendPoint? Now,
    IReadOnlyList<TrendLineDto> Lines,
    TrendLineDto? Ahead,
    ForecastDto Forecast,
    IReadOnlyList<SetUpRecordDto> Records
)
{
    public static TrendDto Of(MovementTrend t, Catalogue catalogue) =>
        new(
            t.Measure,
            t.Sets,
            t.Points,
            t.Now,
            [.. t.Lines.Select(l => TrendLineDto.Of(l, catalogue))],
            t.Ahead is { } ahead ? TrendLineDto.Of(ahead, catalogue) : null,
            ForecastDto.Of(t.Forecast),
            [.. t.Records().Select(SetUpRecordDto.Of)]
        );
}
