using System.Collections.Concurrent;
using Cumbre.Core.Decisions;
using Cumbre.Core.Ladders;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes;
using Cumbre.Core.Review;
using Cumbre.Core.Safety;
using Cumbre.Core.Sessions;
using Cumbre.Server.Hosting;
using Cumbre.Server.Programmes;
using Cumbre.Server.Reading;
using Cumbre.Server.Sessions;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Decisions;
using Cumbre.Storage.Ladders;
using Cumbre.Storage.Programmes;
using Cumbre.Storage.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Cumbre.Server.Athletes;

/// <summary>What was done in an exposure, as short as a coach notes it.</summary>
/// <param name="Day">When.</param>
/// <param name="Amounts">Clean reps or seconds, set by set.</param>
/// <param name="Timed">They are seconds.</param>
/// <param name="TopKg">Heaviest load; negative is assistance.</param>
/// <param name="Reserves">Reps in reserve, set by set, where they were told.</param>
/// <param name="Easy">In a deload.</param>
public sealed record DoneDto(
    DateOnly Day,
    IReadOnlyList<int> Amounts,
    bool Timed,
    decimal TopKg,
    IReadOnlyList<int?> Reserves,
    bool Easy
)
{
    public static DoneDto Of(Exposure e)
    {
        DoneSet[] rows = [.. e.RowsWithExtra().Where(r => r.Set is not null && r.Planned.Role != SetRole.Stretch)];
        return new(
            e.Day,
            [.. rows.Select(r => r.Amount)],
            rows.Any(r => r.Planned.Seconds is not null),
            e.TopLoad.Mass.Kilograms,
            [.. rows.Select(r => r.Set!.Reserve)],
            e.Easy
        );
    }
}

/// <summary>An item of today, and what was done last time.</summary>
public sealed record TodayItem(
    Guid Id,
    string Movement,
    string Name,
    string Line,
    bool Joined,
    string? Skipped,
    DoneDto? Last
);

/// <summary>A session of today.</summary>
public sealed record TodaySession(
    Guid Id,
    string Title,
    SessionStatus Status,
    bool Easy,
    int DurationSeconds,
    IReadOnlyList<TodayItem> Items
);

/// <summary>A session of the last two weeks that is not told to its end.</summary>
/// <param name="Id">Of the session.</param>
/// <param name="Day">When it was due.</param>
/// <param name="Title">May be empty.</param>
/// <param name="Begun">A set is logged, but the session is not finished.</param>
public sealed record UnloggedSession(Guid Id, DateOnly Day, string Title, bool Begun);

/// <summary>A goal: the ridge in small, and when the limiting factor may be met.</summary>
/// <param name="Kind">Working on, or maintaining.</param>
/// <param name="Ridge">Where they stand.</param>
/// <param name="LimitingMovement">What trains the limiting factor.</param>
/// <param name="Forecast">Of it; null where nothing limits.</param>
public sealed record OverviewGoal(
    Core.Athletes.GoalKind Kind,
    SmallRidge Ridge,
    string? LimitingMovement,
    ForecastDto? Forecast
);

/// <summary>A movement that is trained, in its own measure.</summary>
/// <param name="Movement">Slug.</param>
/// <param name="Name">As coaches say it.</param>
/// <param name="Measure">In what it is followed.</param>
/// <param name="Now">Of each side, or of both at once; none: nothing can be compared.</param>
/// <param name="Points">Of twelve weeks.</param>
/// <param name="Line">The next threshold.</param>
/// <param name="SetUp">Of the newest exposure.</param>
/// <param name="Last">What was done last.</param>
/// <param name="NextDay">Of the next planned one; null: none is planned.</param>
/// <param name="NextLine">Its line.</param>
/// <param name="Waits">A decision about it waits.</param>
/// <param name="Held">A stop holds it.</param>
public sealed record Trained(
    string Movement,
    string Name,
    TrendMeasure Measure,
    IReadOnlyList<TrendPoint> Now,
    IReadOnlyList<TrendPoint> Points,
    decimal? Line,
    string SetUp,
    DoneDto Last,
    DateOnly? NextDay,
    string? NextLine,
    bool Waits,
    bool Held
);

/// <summary>What was told around a training day.</summary>
/// <param name="Day">The day.</param>
/// <param name="SleepHours">Null: not told.</param>
/// <param name="Soreness">0 to 10.</param>
/// <param name="Readiness">0 to 10.</param>
/// <param name="Pain">The worst of the day and the morning after.</param>
/// <param name="Effort">Of the session, 1 to 10.</param>
/// <param name="Easy">The easy version was taken (true) or refused (false).</param>
public sealed record ReadinessDay(
    DateOnly Day,
    decimal? SleepHours,
    int? Soreness,
    int? Readiness,
    int? Pain,
    decimal? Effort,
    bool? Easy
);

/// <summary>The block of an athlete as a line.</summary>
public sealed record BlockLine(Guid Id, string Name, int Week, int Weeks, DateOnly? Deload);

/// <summary>An athlete at a glance.</summary>
public sealed record OverviewDto(
    AthleteDto Athlete,
    decimal? BodyMassKg,
    int? ProteinGrams,
    BlockLine? Block,
    IReadOnlyList<DecisionDto> Decisions,
    IReadOnlyList<StopDto> Stops,
    IReadOnlyList<TodaySession> Today,
    IReadOnlyList<UnloggedSession> Unlogged,
    IReadOnlyList<Guid> AsksMorning,
    DateOnly? NextSession,
    IReadOnlyList<OverviewGoal> Goals,
    IReadOnlyList<Trained> Trained,
    Consistency Consistency,
    IReadOnlyList<ReadinessDay> Readiness,
    IReadOnlyList<OtherTraining> Others
);

internal static class Overview
{
    private const int ReadinessDays = 9,
        UnloggedDays = 14;

    public static Results<Ok<OverviewDto>, ProblemHttpResult> Handle(
        Guid athleteId,
        Database database,
        ClubClock clock
    ) =>
        database.Read(db => Read(db, athleteId, clock.Today)) is { } overview
            ? TypedResults.Ok(overview)
            : (ProblemHttpResult)Problems.NotFound(Words.NoAthlete);

    private static OverviewDto? Read(Db db, Guid athleteId, DateOnly today)
    {
        if (Work.Load(db, athleteId, today) is not var (profile, athlete))
            return null;
        var from = today.AddDays(-7 * (MovementTrend.Weeks + 1));
        var sessions = SessionStore.Since(db, athleteId, from);
        var sets = SessionStore.SetCounts(db, athleteId, from);
        var planned = Work.Planned(db, athleteId, today);
        var open = DecisionStore
            .Waiting(db, athleteId)
            .Where(d => DecisionDto.IsOpen(d, today))
            .OrderBy(d => d.Kind)
            .ToArray();
        var trends = db.Once(athleteId, today, () => new Trends(athlete))!;
        return new(
            AthleteDto.Of(profile, AthleteStore.BodyMasses(db, athleteId), today),
            athlete.BodyMass?.Value.Kilograms,
            athlete.BodyMass is { } body ? Recovery.ProteinGrams(body.Value) : null,
            Block(db, athleteId, today),
            [.. open.Select(d => DecisionDto.Of(db, d, profile.Name, athlete, planned))],
            [.. athlete.Stops.Select(s => StopDto.Of(s, athlete))],
            [.. sessions.Where(s => s.Day == today).Select(s => Today(s, athlete))],
            [
                .. sessions
                    .Where(s => s.Day < today && s.Day >= today.AddDays(-UnloggedDays) && IsOpen(s))
                    .OrderBy(s => s.Day)
                    .Select(s => new UnloggedSession(s.Id, s.Day, s.Title, s.Status == SessionStatus.Started)),
            ],
            [.. sessions.Where(s => SessionReader.AsksMorning(s, athlete.Athlete, today)).Select(s => s.Id).Take(1)],
            sessions.Where(s => s.Day > today && s.Status == SessionStatus.Planned).Select(s => (DateOnly?)s.Day).Min(),
            [.. Goals(db, profile, athlete, trends)],
            [.. TrainedOf(athlete, planned, open, trends)],
            Consistency.Of(
                sessions.Select(s => new CalendarSession(
                    s.Day,
                    s.Items.Where(i => i is { Skipped: null, Plan: not null }).Sum(i => i.Plan!.Sets().Count),
                    s.Items.Sum(i => Math.Min(sets[i.Id], i.Plan?.Sets().Count ?? 0)),
                    s.Easy
                )),
                today
            ),
            [.. ReadinessOf(athlete, sessions)],
            [.. athlete.Athlete.Others.Where(o => o.Day > today.AddDays(-7 * MovementTrend.Weeks)).Reverse()]
        );
    }

    /// <summary>The trends of one athlete, each worked out when it is first asked for.</summary>
    private sealed class Trends(AthleteAtWork athlete)
    {
        private readonly ConcurrentDictionary<string, MovementTrend> known = new();

        public MovementTrend Of(string slug) =>
            known.GetOrAdd(slug, s => new(athlete, athlete.Atlas.Catalogue.Movements[s]));
    }

    /// <summary>The block in which a day lies; null: none.</summary>
    internal static BlockLine? Block(Db db, Guid athleteId, DateOnly today)
    {
        var block = BlockStore
            .Of(db, athleteId)
            .Where(b => b.Start <= today && b.Start.AddDays(7 * b.Weeks.Count) > today)
            .MaxBy(b => b.Start);
        if (block is null)
            return null;
        var week = (today.DayNumber - block.Start.DayNumber) / 7;
        var deload = block.Weeks.Select((kind, i) => (kind, i)).Where(w => w.i >= week && w.kind == WeekKind.Easy);
        return new(
            block.Id,
            block.Name,
            week + 1,
            block.Weeks.Count,
            deload.Any() ? block.Start.AddDays(7 * deload.First().i) : null
        );
    }

    private static bool IsOpen(StoredSession session) =>
        session.Status == SessionStatus.Started
        || (session.Status == SessionStatus.Planned && session.Items.Any(i => i.Skipped is null));

    private static TodaySession Today(StoredSession session, AthleteAtWork athlete) =>
        new(
            session.Id,
            session.Title,
            session.Status,
            session.Easy,
            DoseReader.Of(Blocks.SessionOf(session), athlete).Seconds,
            [
                .. session.Items.Select(i => new TodayItem(
                    i.Id,
                    i.Movement,
                    DoseDto.NameOf(i.Movement, athlete),
                    i.Line,
                    i.Joined,
                    i.Skipped,
                    athlete.Athlete.Exposures.LastOrDefault(e => e.Movement == i.Movement && e.Day < session.Day)
                        is { } last
                        ? DoneDto.Of(last)
                        : null
                )),
            ]
        );

    private static IEnumerable<OverviewGoal> Goals(Db db, AthleteProfile profile, AthleteAtWork athlete, Trends trends)
    {
        var placed = PlacementStore.Of(db, profile.Id);
        var snapshot = athlete.Athlete;
        foreach (var goal in profile.Intake.Goals.Where(g => athlete.Atlas.BySlug.ContainsKey(g.Ladder)))
        {
            var ladder = athlete.Atlas.BySlug[goal.Ladder];
            var report = PlacementReport.Of(
                ladder,
                athlete.Atlas,
                snapshot.Schools,
                athlete.Book,
                snapshot.BuildOn(athlete.Today),
                placed.FirstOrDefault(p => p.Ladder == ladder.Slug)
            );
            var limiting = report.Limiting is { } factor
                ? athlete.Atlas.Catalogue.Benchmarks[factor.Term.Term.Benchmark].Movement
                : null;
            yield return new(
                goal.Kind,
                SmallRidge.Of(report, athlete.Atlas.Catalogue),
                limiting,
                limiting is null ? null : ForecastDto.Of(trends.Of(limiting).Forecast)
            );
        }
    }

    /// <summary>What was trained in the weeks that are looked at, what waits first, then the newest.</summary>
    private static IEnumerable<Trained> TrainedOf(
        AthleteAtWork athlete,
        IReadOnlyList<PlannedItem> planned,
        IReadOnlyList<StoredDecision> open,
        Trends trends
    ) =>
        athlete
            .Athlete.Exposures.Where(e =>
                e.Day > athlete.Today.AddDays(-7 * MovementTrend.Weeks)
                && athlete.Atlas.Catalogue.Movements.ContainsKey(e.Movement)
            )
            .GroupBy(e => e.Movement)
            .Select(g =>
            {
                var (trend, last) = (trends.Of(g.Key), g.MaxBy(e => e.Day)!);
                var movement = athlete.Atlas.Catalogue.Movements[g.Key];
                var next = planned.Where(p => p.Movement == g.Key).MinBy(p => p.Day);
                return new Trained(
                    g.Key,
                    movement.Name,
                    trend.Measure,
                    trend.Now is { } now ? [.. trend.All.Where(p => p.Day == now.Day)] : [],
                    trend.Points,
                    trend.Ahead?.Value,
                    last.SetUp.ToString(),
                    DoneDto.Of(last),
                    next?.Day,
                    next is null ? null : NotationPrinter.Print(next.Plan),
                    open.Any(d => d.Movement == g.Key),
                    athlete.Holding(movement, last.IsLoaded) is { Stopped: true }
                );
            })
            .OrderByDescending(t => t.Waits)
            .ThenByDescending(t => t.Last.Day)
            .ThenBy(t => t.Name, StringComparer.Ordinal);

    private static IEnumerable<ReadinessDay> ReadinessOf(AthleteAtWork athlete, IReadOnlyList<StoredSession> sessions)
    {
        var told = athlete.Athlete.CheckIns.ToDictionary(c => c.Day);
        var efforts = sessions.Where(s => s.Effort is not null).ToLookup(s => s.Day, s => s.Effort);
        var pain = athlete.PainReports.ToLookup(r => r.Day, r => r.Level);
        return told
            .Keys.Concat(efforts.Select(e => e.Key))
            .Where(d => d <= athlete.Today)
            .Distinct()
            .Order()
            .TakeLast(ReadinessDays)
            .Select(d =>
            {
                var checkIn = told.GetValueOrDefault(d);
                return new ReadinessDay(
                    d,
                    checkIn?.SleepHours,
                    checkIn?.Soreness,
                    checkIn?.Readiness,
                    checkIn is null && !pain[d].Any() ? null : pain[d].DefaultIfEmpty(0).Max(),
                    efforts[d].Max(),
                    checkIn?.TookEasy
                );
            });
    }
}
