using Cumbre.Core.Review;
using Cumbre.Server.Hosting;
using Cumbre.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Athletes;

/// <summary>What a chart is drawn of, as a table: masses in kg, shares in percent.</summary>
internal static class TrendCsv
{
    /// <param name="athleteId">Whose.</param>
    /// <param name="figure">A table by week.</param>
    /// <param name="movement">Or a movement.</param>
    /// <param name="sides">Of it, left against right; without either, sleep and readiness.</param>
    /// <param name="weeks">As far back; 0 is all.</param>
    /// <param name="database">The store.</param>
    /// <param name="clock">Today.</param>
    public static Results<FileContentHttpResult, ProblemHttpResult> Handle(
        Guid athleteId,
        WeekFigure? figure,
        string? movement,
        bool? sides,
        int? weeks,
        Database database,
        ClubClock clock
    )
    {
        var file = database.Read(db =>
        {
            if (Trends.Load(db, athleteId, weeks, clock.Today) is not { } read)
                return null;
            var name = read.Profile.Name;
            if (movement is not null)
                return Trends.MovementOf(db, read, movement) is not { } trend ? null
                    : sides == true ? OfSides(name, trend)
                    : OfMovement(name, trend);
            var all = Trends.AllOf(db, read);
            return figure is not { } wanted ? OfReadiness(name, all.Readiness)
                : all.Tables.FirstOrDefault(t => t.Figure == wanted) is { } table ? OfWeeks(name, table)
                : null;
        });
        return file is null ? (ProblemHttpResult)Problems.NotFound(Words.NoTrend) : file;
    }

    private static FileContentHttpResult OfWeeks(string name, WeekTable table) =>
        CsvText.File(
            $"{name}, {table.Figure}",
            ["Week of", .. table.Columns, "Partly known"],
            table.Rows.Select(r =>
                (IEnumerable<object?>)[r.Monday, .. r.Values.Cast<object?>(), r.IsPartial ? "yes" : null]
            )
        );

    private static FileContentHttpResult OfMovement(string name, MovementTrendDto trend) =>
        CsvText.File(
            $"{name}, {trend.Name}",
            ["Day", "Side", "Measure", "Counts", "Best", "From", "To", "Test", "Easy day", "At least", "Compared"],
            trend.Trend.Points.Select(p =>
                (IEnumerable<object?>)
                    [
                        p.Day,
                        p.Side?.ToString(),
                        trend.Trend.Measure.ToString(),
                        Round(p.Counts),
                        Round(p.Best),
                        Round(p.Low),
                        Round(p.High),
                        p.IsTest ? "yes" : null,
                        p.IsEasy ? "yes" : null,
                        p.IsBound ? "yes" : null,
                        p.IsCompared ? "yes" : null,
                    ]
            )
        );

    private static FileContentHttpResult OfSides(string name, MovementTrendDto trend) =>
        CsvText.File(
            $"{name}, {trend.Name}, sides",
            ["Day", "Left", "Right", "Gap percent"],
            trend.Sides.Select(s =>
                (IEnumerable<object?>)[s.Day, Round(s.Left), Round(s.Right), Math.Round(s.Gap * 100, 1)]
            )
        );

    private static FileContentHttpResult OfReadiness(string name, ReadinessReview review) =>
        CsvText.File(
            $"{name}, readiness",
            ["Day", "Sleep hours", "Soreness", "Readiness", "Change percent"],
            review.Days.Select(d =>
                (IEnumerable<object?>)
                    [d.Day, d.SleepHours, d.Soreness, d.Readiness, d.Change is { } c ? Math.Round(c * 100, 1) : null]
            )
        );

    private static decimal? Round(decimal? value) => value is { } v ? Math.Round(v, 2) : null;
}
