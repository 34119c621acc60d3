using Cumbre.Core.Benchmarks;
using Cumbre.Core.Movements;
using Cumbre.Core.Sessions;

namespace Cumbre.Core.Safety;

/// <summary>How far pain holds a movement.</summary>
public enum Hold
{
    None,

    /// <summary>Only on the sore side; the other may be trained by itself.</summary>
    SoreSide,
    Whole,
}

/// <summary>
/// What pain asks for. The scale is the pain-monitoring model (Thomee 1997, from memory): 0 to 2 go on, 3 to 5 ease, 6
/// and more stop; the table
/// by place is data of the movements (this project's choice).
/// </summary>
public static class PainRules
{
    /// <summary>From here on a movement is eased.</summary>
    public const int EaseFrom = 3;

    /// <summary>From here on it stops.</summary>
    public const int StopFrom = 6;

    /// <summary>Does the report stop at once? Torn skin does at any level.</summary>
    public static bool Stops(PainReport report) =>
        report.Level >= StopFrom || report.Sign is not null || report.Place.Place == BodyPlace.Hand;

    /// <summary>
    /// How far pain holds a movement: it holds what hurts, its pattern, and what loads the place.
    /// </summary>
    /// <param name="place">Where it hurts.</param>
    /// <param name="severe">6 and more, or a stop sign.</param>
    /// <param name="hurt">The movement in which it hurt; null: none in particular.</param>
    /// <param name="movement">The movement that may be held.</param>
    /// <param name="loaded">Load is added to it.</param>
    public static Hold Holds(PainPlace place, bool severe, Movement? hurt, Movement movement, bool loaded = false)
    {
        // Torn skin is spared wherever the hand hangs, and nowhere else.
        var own =
            hurt is not null
            && place.Place != BodyPlace.Hand
            && (
                hurt.Slug == movement.Slug
                || (
                    hurt.Pattern == movement.Pattern
                    && movement.Pattern is not (Pattern.Mobility or Pattern.ShoulderBlade)
                )
            );
        var loads =
            movement.LoadedPlaces.Any(place.Covers)
            || (severe && movement.LoadsAtSix.Any(place.Covers))
            || (loaded && movement.LoadsWhenLoaded.Any(place.Covers));
        if (!own && !loads)
            return Hold.None;
        return place.Side is not null && movement.EachSide ? Hold.SoreSide : Hold.Whole;
    }

    /// <summary>How far a stop holds a movement.</summary>
    public static Hold Holds(Stop stop, Movement movement, Catalogue catalogue, bool loaded = false) =>
        stop.Movements.Count == 0
            ? Holds(stop.Place, severe: true, null, movement, loaded)
            : stop
                .Movements.Select(m =>
                    Holds(stop.Place, severe: true, catalogue.Movements.GetValueOrDefault(m), movement, loaded)
                )
                .Max();

    /// <summary>All that was told, oldest first. Pain of 0 without a sign says nothing.</summary>
    public static IReadOnlyList<PainReport> Reports(
        IReadOnlyList<Exposure> exposures,
        IReadOnlyList<BenchmarkResult> results,
        IReadOnlyList<CheckIn> checkIns,
        IReadOnlyList<MorningAnswer> mornings,
        Catalogue catalogue
    )
    {
        var days = exposures
            .GroupBy(e => e.SessionId)
            .ToDictionary(g => g.Key, g => g.OrderByDescending(e => e.WorstPain?.Pain ?? 0).First());
        var sets = exposures.SelectMany(e =>
            e.Sets.Where(s => s.Pain > 0 || s.Sign is not null)
                .Select(s => new PainReport(
                    e.SessionId,
                    e.Day,
                    PainOrigin.Set,
                    e.Movement,
                    s.Pain ?? 0,
                    PainPlace.Read(s.PainPlace ?? ""),
                    s.Sign
                ))
        );
        var tests = results
            .Where(r => (r.Pain > 0 || r.Sign is not null) && catalogue.Benchmarks.ContainsKey(r.Benchmark))
            .Select(r => new PainReport(
                r.Id,
                r.Day,
                PainOrigin.Test,
                catalogue.Benchmarks[r.Benchmark].Movement,
                r.Pain ?? 0,
                PainPlace.Read(r.PainPlace ?? ""),
                r.Sign
            ));
        var before = checkIns.SelectMany(c =>
            c.Pain.Select(p => new PainReport(c.Id, c.Day, PainOrigin.CheckIn, null, p.Level, p.Place, p.Sign))
        );
        var after = mornings
            .Where(m => m.Place is not null && days.ContainsKey(m.SessionId))
            .Select(m => new PainReport(
                m.SessionId,
                days[m.SessionId].Day,
                PainOrigin.Morning,
                days[m.SessionId].Movement,
                m.Level,
                m.Place!,
                m.Sign
            ));
        return
        [
            .. sets.Concat(tests)
                .Concat(before)
                .Concat(after)
                .Where(r => r.Level > 0 || r.Sign is not null)
                .OrderBy(r => r.Day),
        ];
    }

    /// <summary>
    /// Every stop there was: 6 and more, a stop sign, or 3 and more again at the next exposure of what loads the place.
    /// One a place and spell.
    /// </summary>
    public static IReadOnlyList<Stop> Stops(
        IReadOnlyList<PainReport> reports,
        IReadOnlyList<Exposure> exposures,
        IReadOnlyList<StopClearance> clearances,
        Catalogue catalogue
    )
    {
        var stops = new List<Stop>();
        foreach (var report in reports)
        {
            var twice = Stops(report) ? null : Again(report, reports, exposures, clearances, catalogue);
            if (!Stops(report) && twice is null)
                continue;
            var running = stops.FindIndex(s =>
                s.Place.IsSameAs(report.Place) && (s.ClearedOn is null || s.ClearedOn >= report.Day)
            );
            var cleared = clearances
                .Where(c => c.Place.IsSameAs(report.Place) && c.Day >= report.Day)
                .Select(c => (DateOnly?)c.Day)
                .Min();
            var stop = new Stop(report, twice, cleared);
            if (running < 0)
            {
                stops.Add(stop);
                continue;
            }

            var known = stops[running];
            var worse = report.Level > known.Because.Level || (report.Sign is not null && known.Because.Sign is null);
            // Each movement that hurt is held, whichever hurt more.
            stops[running] = (worse ? stop : known) with
            {
                Movements = [.. known.Movements.Concat(stop.Movements).Distinct()],
            };
        }

        return stops;
    }

    /// <summary>
    /// The report of the exposure before of what loads the place, where it was in the middle of the scale as well.
    /// </summary>
    private static PainReport? Again(
        PainReport report,
        IReadOnlyList<PainReport> reports,
        IReadOnlyList<Exposure> exposures,
        IReadOnlyList<StopClearance> clearances,
        Catalogue catalogue
    )
    {
        if (report.Level < EaseFrom || report.Origin == PainOrigin.CheckIn)
            return null;
        var since = clearances
            .Where(c => c.Place.IsSameAs(report.Place) && c.Day < report.Day)
            .Select(c => (DateOnly?)c.Day)
            .Max()
            ?? DateOnly.MinValue;
        var hurt = Hurt(report, catalogue);
        var before = exposures
            .Where(e =>
                e.Day < report.Day
                && e.Day > since
                && catalogue.Movements.TryGetValue(e.Movement, out var m)
                && Holds(report.Place, false, hurt, m, e.IsLoaded) != Hold.None
            )
            .MaxBy(e => e.Day);
        return before is null
            ? null
            : reports
                .Where(r =>
                    r.Day == before.Day
                    && r.Origin != PainOrigin.CheckIn
                    && r.Level >= EaseFrom
                    && r.Place.IsSameAs(report.Place)
                )
                .MaxBy(r => r.Level);
    }

    private static Movement? Hurt(PainReport report, Catalogue catalogue) =>
        report.Movement is { } slug ? catalogue.Movements.GetValueOrDefault(slug) : null;
}
