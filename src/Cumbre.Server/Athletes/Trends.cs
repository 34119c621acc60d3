using Cumbre.Core.Athletes;
using Cumbre.Core.Programmes;
using Cumbre.Core.Review;
using Cumbre.Core.Safety;
using Cumbre.Server.Hosting;
using Cumbre.Server.Programmes;
using Cumbre.Server.Reading;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Programmes;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Athletes;

/// <summary>A block as a stretch of time.</summary>
/// <param name="Id">Of the block.</param>
/// <param name="Name">In the coach's words.</param>
/// <param name="Start">Its first Monday.</param>
/// <param name="End">Its last Sunday.</param>
public sealed record BlockSpan(Guid Id, string Name, DateOnly Start, DateOnly End);

/// <summary>A movement that has a trend.</summary>
/// <param name="Movement">Slug.</param>
/// <param name="Name">As coaches say it.</param>
/// <param name="Days">On how many days it was done or tested.</param>
public sealed record TrendLink(string Movement, string Name, int Days);

/// <summary>What lies behind every chart: the time that is looked at, its blocks and its deloads.</summary>
/// <param name="From">The first day.</param>
/// <param name="Today">The last.</param>
/// <param name="Blocks">Oldest first.</param>
/// <param name="Deloads">Mondays of weeks that were or are easy, oldest first.</param>
public sealed record TrendTime(
    DateOnly From,
    DateOnly Today,
    IReadOnlyList<BlockSpan> Blocks,
    IReadOnlyList<DateOnly> Deloads
);

/// <summary>How an athlete trained, week by week.</summary>
/// <param name="Name">Of the athlete.</param>
/// <param name="Time">What is looked at.</param>
/// <param name="Movements">With a trend in it, the most trained first.</param>
/// <param name="Calendar">Sessions day by day, and those still planned in this week.</param>
/// <param name="Tables">Those that have a figure.</param>
/// <param name="Readiness">Sleep and readiness against what was done.</param>
public sealed record TrendsDto(
    string Name,
    TrendTime Time,
    IReadOnlyList<TrendLink> Movements,
    Consistency Calendar,
    IReadOnlyList<WeekTable> Tables,
    ReadinessReview Readiness
);

/// <summary>A reading of the scale.</summary>
/// <param name="Day">When.</param>
/// <param name="Kg">In kg.</param>
public sealed record BodyMassPoint(DateOnly Day, decimal Kg);

/// <summary>A day on which both sides were done by themselves.</summary>
/// <param name="Day">The day.</param>
/// <param name="Left">Best of the left side, in the trend's measure.</param>
/// <param name="Right">Best of the right side.</param>
/// <param name="Gap">(strong - weak) / strong, 0 to 1.</param>
public sealed record SidesDay(DateOnly Day, decimal Left, decimal Right, decimal Gap);

/// <summary>A movement over a time of choice.</summary>
/// <param name="Movement">Slug.</param>
/// <param name="Name">As coaches say it.</param>
/// <param name="Time">What is looked at.</param>
/// <param name="Trend">Its points in this time; thresholds and forecast as of today.</param>
/// <param name="BodyMass">Where the measure is a load on the body; oldest first.</param>
/// <param name="Sides">Days on which both sides were done by themselves.</param>
public sealed record MovementTrendDto(
    string Movement,
    string Name,
    TrendTime Time,
    TrendDto Trend,
    IReadOnlyList<BodyMassPoint> BodyMass,
    IReadOnlyList<SidesDay> Sides
);

/// <summary>Reads the trends of one athlete from all that they ever did, as far back as is asked.</summary>
internal static class Trends
{
    /// <summary>Weeks that may be asked for; 0 is all there is.</summary>
    private const int WeeksMaximum = 520;

    private const int WeekDays = 7;

    /// <summary>A day is held against those before it, which may lie before the time that is asked for.</summary>
    private const int WeeksBefore = 12;

    /// <summary>A session that seems to have taken longer was left open.</summary>
    private const int LongestMinutes = 240;

    public static Results<Ok<TrendsDto>, ProblemHttpResult> All(
        Guid athleteId,
        int? weeks,
        Database database,
        ClubClock clock
    ) =>
        database.Read(db => Load(db, athleteId, weeks, clock.Today) is { } read ? AllOf(db, read) : null) is { } trends
            ? TypedResults.Ok(trends)
            : (ProblemHttpResult)Problems.NotFound(Words.NoAthlete);

    public static Results<Ok<MovementTrendDto>, ProblemHttpResult> OfMovement(
        Guid athleteId,
        string movement,
        int? weeks,
        Database database,
        ClubClock clock
    ) =>
        database.Read(db =>
            Load(db, athleteId, weeks, clock.Today) is { } read
                ? (Known: true, Trend: MovementOf(db, read, movement))
                : (false, null)
        ) switch
        {
            (_, { } trend) => TypedResults.Ok(trend),
            (true, _) => (ProblemHttpResult)Problems.NotFound(Words.NoMovement),
            _ => (ProblemHttpResult)Problems.NotFound(Words.NoAthlete),
        };

    /// <summary>An athlete with what they did in a time, and in the weeks before it.</summary>
    internal sealed record Read(
        AthleteProfile Profile,
        AthleteAtWork Athlete,
        AthleteSnapshot Whole,
        IReadOnlyList<StoredSession> Sessions,
        TrendTime Time
    )
    {
        public MovementTrend TrendOf(string movement) =>
            new(
                Athlete,
                Athlete.Atlas.Catalogue.Movements[movement],
                [.. Whole.Exposures.Where(e => e.Movement == movement)]
            );
    }

    internal static Read? Load(Db db, Guid athleteId, int? weeks, DateOnly today)
    {
        var asked = weeks ?? MovementTrend.Weeks;
        if (asked is < 0 or > WeeksMaximum)
            throw Problems.Field("weeks", Words.TrendWeeks(WeeksMaximum));
        if (Work.Load(db, athleteId, today) is not var (profile, athlete))
            return null;
        var first = FirstDay(db, athleteId, athlete.Athlete) ?? today;
        var from = asked == 0 || today.AddDays(-WeekDays * asked) < first ? first : today.AddDays(-WeekDays * asked);
        from = WeekTables.MondayOf(from);
        var whole = SnapshotStore
            .LoadSince(db, athleteId, today, from.AddDays(-WeekDays * WeeksBefore))!
            .Value.Snapshot;
        var sessions = SessionStore.Since(db, athleteId, from);
        return new(profile, athlete, whole, sessions, TimeOf(db, athleteId, sessions, from, today));
    }

    internal static TrendsDto AllOf(Db db, Read read)
    {
        var (whole, time) = (read.Whole, read.Time);
        var sets = SessionStore.SetCounts(db, read.Profile.Id, time.From);
        ReviewedSession[] sessions = [.. read.Sessions.Select(s => Reviewed(s, sets, read.Athlete))];
        var tables = new WeekTables(time.From, time.Today);
        var reports = PainRules.Reports(
            whole.Exposures,
            whole.Results,
            whole.CheckIns,
            whole.Mornings,
            read.Athlete.Atlas.Catalogue
        );
        var links = Links(read);
        return new(
            read.Profile.Name,
            time,
            links,
            Consistency.Of(
                sessions
                    .Zip(read.Sessions)
                    .Select(s => new CalendarSession(
                        s.First.Day,
                        s.First.PlannedSets,
                        s.First.DoneSets,
                        s.Second.Easy
                    )),
                time.From,
                WeekTables.MondayOf(time.Today).AddDays(WeekDays - 1),
                time.Today
            ),
            [
                .. tables.OfDose([.. DoneDose.All(read.Athlete, whole.Exposures).Where(d => d.Day >= time.From)]),
                .. new[]
                {
                    tables.OfPlan(sessions),
                    tables.OfLoad(sessions, [.. whole.Others.Where(o => o.Day >= time.From && o.Day <= time.Today)]),
                    tables.OfPain(
                        [.. reports.Where(r => r.Day >= time.From)],
                        whole.Exposures.Where(e => e.Day >= time.From).Select(e => e.Day).ToHashSet()
                    ),
                }.OfType<WeekTable>(),
            ],
            ReadinessReview.Of(whole.CheckIns, links.Select(l => read.TrendOf(l.Movement)), time.From)
        );
    }

    /// <summary>A best is one of all that was ever done of the movement.</summary>
    internal static MovementTrendDto? MovementOf(Db db, Read read, string movement)
    {
        var catalogue = read.Athlete.Atlas.Catalogue;
        if (!catalogue.Movements.TryGetValue(movement, out var found))
            return null;
        var time = read.Time;
        var whole = SnapshotStore.OfMovement(db, read.Profile.Id, read.Athlete.Athlete, movement, time.Today);
        var trend = new MovementTrend(read.Athlete, found, whole.Exposures);
        return new(
            movement,
            found.Name,
            time,
            TrendDto.Of(trend, catalogue) with
            {
                Points = [.. trend.All.Where(p => p.Day >= time.From && p.Day <= time.Today)],
            },
            trend.Measure == TrendMeasure.OneRepMax
                ?
                [
                    .. read
                        .Whole.BodyMass.Readings.Where(r => r.Day >= time.From && r.Day <= time.Today)
                        .OrderBy(r => r.Day)
                        .Select(r => new BodyMassPoint(r.Day, r.Entry.Mass.Kilograms)),
                ]
                : [],
            [
                .. trend
                    .Sides()
                    .Where(s => s.Day >= time.From && s.Day <= time.Today)
                    .Select(s => new SidesDay(s.Day, s.Gap.Left, s.Gap.Right, s.Gap.Fraction)),
            ]
        );
    }

    private static DateOnly? FirstDay(Db db, Guid athleteId, AthleteSnapshot athlete) =>
        athlete
            .Results.Select(r => (DateOnly?)r.Day)
            .Concat(athlete.CheckIns.Select(c => (DateOnly?)c.Day))
            .Append(SessionStore.FirstDay(db, athleteId))
            .Min();

    private static IReadOnlyList<TrendLink> Links(Read read)
    {
        var catalogue = read.Athlete.Atlas.Catalogue;
        return
        [
            .. read
                .Whole.Exposures.Select(e => (e.Movement, e.Day))
                .Concat(
                    read.Whole.Results.Select(r =>
                        (Movement: catalogue.Benchmarks.GetValueOrDefault(r.Benchmark)?.Movement ?? "", r.Day)
                    )
                )
                .Where(d => d.Day >= read.Time.From && d.Day <= read.Time.Today)
                .GroupBy(d => d.Movement)
                .Where(g => catalogue.Movements.ContainsKey(g.Key))
                .Select(g => new TrendLink(
                    g.Key,
                    catalogue.Movements[g.Key].Name,
                    g.Select(d => d.Day).Distinct().Count()
                ))
                .OrderByDescending(l => l.Days)
                .ThenBy(l => l.Name, StringComparer.Ordinal),
        ];
    }

    private static TrendTime TimeOf(
        Db db,
        Guid athleteId,
        IReadOnlyList<StoredSession> sessions,
        DateOnly from,
        DateOnly today
    )
    {
        StoredBlock[] blocks =
        [
            .. BlockStore
                .Of(db, athleteId)
                .Where(b => b.Start <= today && b.Start.AddDays(WeekDays * b.Weeks.Count) > from)
                .OrderBy(b => b.Start),
        ];
        return new(
            from,
            today,
            [
                .. blocks.Select(b => new BlockSpan(
                    b.Id,
                    b.Name,
                    b.Start,
                    b.Start.AddDays(WeekDays * b.Weeks.Count - 1)
                )),
            ],
            [
                .. blocks
                    .SelectMany(b => b.Weeks.Select((kind, i) => (kind, Monday: b.Start.AddDays(WeekDays * i))))
                    .Where(w => w.kind != WeekKind.Loading)
                    .Select(w => w.Monday)
                    .Concat(sessions.Where(s => s.Easy).Select(s => WeekTables.MondayOf(s.Day)))
                    .Where(m => m >= from && m <= today)
                    .Distinct()
                    .Order(),
            ]
        );
    }

    internal static decimal PlannedMinutes(StoredSession session, AthleteAtWork athlete) =>
        (decimal)DoseReader.Of(Blocks.SessionOf(session), athlete).Seconds / 60;

    internal static ReviewedSession Reviewed(StoredSession session, ItemCounts sets, AthleteAtWork athlete)
    {
        var done = session.Items.Sum(i => sets[i.Id]);
        var minutes =
            session is { BegunAt: { } begun, EndedAt: { } ended }
            && (decimal)(ended - begun).TotalMinutes is > 0 and <= LongestMinutes and var took
                ? took
                : PlannedMinutes(session, athlete);
        return new(
            session.Day,
            session.Items.Where(i => i is { Skipped: null, Plan: not null }).Sum(i => i.Plan!.Sets().Count),
            session.Items.Sum(i => Math.Min(sets[i.Id], i.Plan?.Sets().Count ?? 0)),
            done > 0,
            session.Effort,
            minutes
        );
    }
}
