using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Ladders;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Programmes;
using Cumbre.Core.Safety;

namespace Cumbre.Core.Review;

/// <summary>Where an athlete stood on a ladder before a block, and where after it.</summary>
/// <param name="Ladder">Slug.</param>
/// <param name="Name">As coaches say it.</param>
/// <param name="IsGoal">They work toward it.</param>
/// <param name="Before">Name of the step in training; null: none yet.</param>
/// <param name="After">The same, at its end.</param>
/// <param name="Change">Steps won, lost, opened, closed.</param>
/// <param name="IsFirstMeasured">Nothing of it was known before: what was shown need not be new.</param>
/// <param name="Limiting">What holds them back now; null: nothing does.</param>
public sealed record SkillReview(
    string Ladder,
    string Name,
    bool IsGoal,
    string? Before,
    string? After,
    PlacementChange Change,
    bool IsFirstMeasured,
    LimitingFactor? Limiting
);

/// <summary>What an exercise brought.</summary>
public enum Yield
{
    /// <summary>More than the same test gives from one day to the next.</summary>
    Gained,
    Held,
    Lost,

    /// <summary>Fewer than four days that can be compared.</summary>
    TooFew,
}

/// <summary>An exercise over a block: the mean of its first two days against that of its last two.</summary>
/// <param name="Movement">Slug.</param>
/// <param name="Name">As coaches say it.</param>
/// <param name="Measure">In what it is followed.</param>
/// <param name="Days">That can be compared: no deload, the newest set-up.</param>
/// <param name="Before">Null: too few.</param>
/// <param name="After">Null: too few.</param>
/// <param name="Yield">What it brought.</param>
public sealed record ExerciseReview(
    string Movement,
    string Name,
    TrendMeasure Measure,
    int Days,
    decimal? Before,
    decimal? After,
    Yield Yield
);

/// <summary>A test of a block against the newest before it.</summary>
/// <param name="Name">Of the test.</param>
/// <param name="Side">Null: both at once.</param>
/// <param name="Before">Null: never tested before.</param>
/// <param name="After">The newest of the block.</param>
/// <param name="Difference">In the test's unit, percent of the system for a load; null: not comparable.</param>
/// <param name="IsNoise">No more than the same test gives from one day to the next.</param>
public sealed record TestReview(
    string Name,
    Side? Side,
    BenchmarkResult? Before,
    BenchmarkResult After,
    decimal? Difference,
    bool IsNoise
);

/// <summary>Pain of a block at one place.</summary>
/// <param name="Place">As it was told.</param>
/// <param name="Worst">0 to 10.</param>
/// <param name="Days">On which it was told.</param>
/// <param name="Last">The last of them.</param>
public sealed record PlaceReview(string Place, int Worst, int Days, DateOnly Last);

/// <summary>Why the next block is proposed to differ.</summary>
public enum WishReason
{
    /// <summary>Under 70 % of the sessions that were due were done, wholly or partly.</summary>
    FewerDays,

    /// <summary>Sessions took ten minutes more or less than planned.</summary>
    OtherMinutes,

    /// <summary>Pain of 3 and more, or more exercises lost than gained: the deload comes a week earlier.</summary>
    EarlierDeload,
}

/// <summary>What the next block may be asked for.</summary>
/// <param name="Start">A Monday.</param>
/// <param name="Days">Training days.</param>
/// <param name="Minutes">Of a session.</param>
/// <param name="LoadingWeeks">Before the easy week.</param>
/// <param name="Reasons">Why it differs from the block; none: it does not.</param>
public sealed record ProposedWish(
    DateOnly Start,
    IReadOnlyList<DayOfWeek> Days,
    int Minutes,
    int LoadingWeeks,
    IReadOnlyList<WishReason> Reasons
);

/// <summary>A session of a block as it was planned and done.</summary>
/// <param name="Session">What was planned and done.</param>
/// <param name="PlannedMinutes">As planned.</param>
/// <param name="IsEasy">In a deload.</param>
public sealed record ReviewedBlockSession(ReviewedSession Session, decimal PlannedMinutes, bool IsEasy);

/// <summary>What a block brought: planned and done, skills, exercises, tests, pain, and what to ask for next.</summary>
/// <param name="Until">The last day that is looked at: the block's last, or today.</param>
/// <param name="IsOver">The block has ended.</param>
/// <param name="Calendar">Its sessions up to this day.</param>
/// <param name="Sets">Planned and done by week; null: nothing was planned.</param>
/// <param name="Skills">Goals first, then ladders on which a step was won or lost.</param>
/// <param name="Exercises">Those that gained first.</param>
/// <param name="Tests">By name.</param>
/// <param name="Pain">The worst first.</param>
/// <param name="Wish">For the next block.</param>
public sealed record BlockReview(
    DateOnly Until,
    bool IsOver,
    Consistency Calendar,
    WeekTable? Sets,
    IReadOnlyList<SkillReview> Skills,
    IReadOnlyList<ExerciseReview> Exercises,
    IReadOnlyList<TestReview> Tests,
    IReadOnlyList<PlaceReview> Pain,
    ProposedWish Wish
)
{
    /// <summary>Of fewer days nothing is said about an exercise.</summary>
    public const int FewestDays = 4;

    /// <summary>Under this share of the due sessions a day fewer is proposed (this project's choice).</summary>
    public const decimal KeptEnough = 0.7m;

    /// <summary>On a training day something stood in at least this share of the weeks (this project's choice).</summary>
    public const decimal UsualDay = 0.5m;

    private const int WeekDays = 7,
        MinutesApart = 10,
        MinutesStep = 5,
        LoadingWeeksMinimum = 2;

    /// <param name="block">The block.</param>
    /// <param name="sessions">Its sessions.</param>
    /// <param name="athlete">Today.</param>
    /// <param name="whole">The same with all that they ever did.</param>
    public static BlockReview Of(
        Block block,
        IReadOnlyList<ReviewedBlockSession> sessions,
        AthleteAtWork athlete,
        AthleteSnapshot whole
    )
    {
        var end = block.Start.AddDays(WeekDays * block.Weeks.Count - 1);
        var until = end < athlete.Today ? end : athlete.Today;
        ReviewedSession[] past = [.. sessions.Select(s => s.Session).Where(s => s.Day <= until)];
        var calendar = Consistency.Of(
            sessions.Select(s => new CalendarSession(
                s.Session.Day,
                s.Session.PlannedSets,
                s.Session.DoneSets,
                s.IsEasy
            )),
            block.Start,
            until,
            athlete.Today
        );
        var exercises = ExercisesOf(block.Start, until, athlete, whole);
        var pain = PainOf(block.Start, until, athlete, whole);
        return new(
            until,
            end < athlete.Today,
            calendar,
            new WeekTables(block.Start, until).OfPlan(past),
            SkillsOf(block.Start, until, athlete, whole),
            exercises,
            TestsOf(block.Start, until, athlete, whole),
            pain,
            WishOf(block, end, sessions, calendar, exercises, pain, athlete.Today)
        );
    }

    private static IReadOnlyList<SkillReview> SkillsOf(
        DateOnly start,
        DateOnly until,
        AthleteAtWork athlete,
        AthleteSnapshot whole
    )
    {
        ResultBook Book(DateOnly day) => TrainingResults.Book(whole, athlete.Atlas.Catalogue, day);
        var (before, after) = (Book(start.AddDays(-1)), Book(until));
        var goals = athlete.Intake.Goals.Select(g => g.Ladder).ToHashSet(StringComparer.Ordinal);
        return
        [
            .. athlete
                .Atlas.Ladders.Select(l =>
                {
                    var then = Placement.Of(l, whole.Schools, before);
                    var report = PlacementReport.Of(l, athlete.Atlas, whole.Schools, after, whole.BuildOn(until));
                    return new SkillReview(
                        l.Slug,
                        l.Name,
                        goals.Contains(l.Slug),
                        then.Training is { } i ? l.Steps[i].Name : null,
                        report.Training.Value,
                        PlacementChange.Between(then, report.Placement),
                        !l.Steps.Any(s => s.Won.Terms.Any(t => before.Has(t.Benchmark))),
                        report.Limiting
                    );
                })
                .Where(s => s.IsGoal || (!s.IsFirstMeasured && s.Change.Won.Count + s.Change.Lost.Count > 0))
                .OrderByDescending(s => s.IsGoal)
                .ThenByDescending(s => s.Change.Won.Count)
                .ThenBy(s => s.Name, StringComparer.Ordinal),
        ];
    }

    private static IReadOnlyList<ExerciseReview> ExercisesOf(
        DateOnly start,
        DateOnly until,
        AthleteAtWork athlete,
        AthleteSnapshot whole
    ) =>
        [
            .. whole
                .Exposures.Where(e => e.Day >= start && e.Day <= until)
                .Select(e => athlete.Atlas.Catalogue.Movements.GetValueOrDefault(e.Movement))
                .OfType<Movement>()
                .Where(m => m.Pattern is not (Pattern.Mobility or Pattern.ShoulderBlade))
                .DistinctBy(m => m.Slug)
                .Select(m => ExerciseOf(m, start, until, athlete, whole))
                .OrderBy(e => e.Yield)
                .ThenByDescending(e => e.Days)
                .ThenBy(e => e.Name, StringComparer.Ordinal),
        ];

    private static ExerciseReview ExerciseOf(
        Movement movement,
        DateOnly start,
        DateOnly until,
        AthleteAtWork athlete,
        AthleteSnapshot whole
    )
    {
        var trend = new MovementTrend(athlete, movement, [.. whole.Exposures.Where(e => e.Movement == movement.Slug)]);
        decimal Sign(decimal value) => trend.IsStepwise ? -value : value;
        // Of two sides the weaker one of the day counts.
        decimal[] days =
        [
            .. trend
                .All.Where(p => p.Day >= start && p.Day <= until && p is { IsEasy: false, IsCompared: true })
                .GroupBy(p => p.Day)
                .OrderBy(g => g.Key)
                .Select(g => g.MinBy(p => Sign(p.Counts))!.Counts),
        ];
        if (days.Length < FewestDays)
            return new(movement.Slug, movement.Name, trend.Measure, days.Length, null, null, Yield.TooFew);
        var (before, after) = (days[..2].Average(), days[^2..].Average());
        var noise = trend.Measure switch
        {
            TrendMeasure.OneRepMax => before * TestNoise.PercentOfSystem / 100,
            TrendMeasure.Reps => TestNoise.Reps,
            TrendMeasure.Seconds => TestNoise.Seconds,
            // A step of a box, a band, a pad or a contact is told apart at sight.
            _ => 0,
        };
        var gain = Sign(after) - Sign(before);
        return new(
            movement.Slug,
            movement.Name,
            trend.Measure,
            days.Length,
            Math.Round(before, 1),
            Math.Round(after, 1),
            gain > noise ? Yield.Gained
                : gain < -noise ? Yield.Lost
                : Yield.Held
        );
    }

    private static IReadOnlyList<TestReview> TestsOf(
        DateOnly start,
        DateOnly until,
        AthleteAtWork athlete,
        AthleteSnapshot whole
    ) =>
        [
            .. whole
                .Results.Where(r => r.Form == FormVerdict.Clean && r.Day <= until)
                .GroupBy(r => (r.Benchmark, r.Side))
                .Select(g =>
                    (
                        Test: athlete.Atlas.Catalogue.Benchmarks.GetValueOrDefault(g.Key.Benchmark),
                        g.Key.Side,
                        After: g.Where(r => r.Day >= start).MaxBy(r => r.Day),
                        Before: g.Where(r => r.Day < start)
                    )
                )
                .Where(t => t is { Test: not null, After: not null })
                .Select(t =>
                {
                    var change = TestNoise.Of(t.After!, t.Before);
                    return new TestReview(
                        t.Test!.Name,
                        t.Side,
                        change?.Before,
                        t.After!,
                        change?.Difference,
                        change?.IsNoise ?? false
                    );
                })
                .OrderBy(t => t.Name, StringComparer.Ordinal)
                .ThenBy(t => t.Side),
        ];

    private static IReadOnlyList<PlaceReview> PainOf(
        DateOnly start,
        DateOnly until,
        AthleteAtWork athlete,
        AthleteSnapshot whole
    )
    {
        return
        [
            .. PainRules
                .Reports(whole.Exposures, whole.Results, whole.CheckIns, whole.Mornings, athlete.Atlas.Catalogue)
                .Where(r => r.Level > 0 && r.Day >= start && r.Day <= until)
                .GroupBy(r => r.Place.Said.Trim().ToLowerInvariant())
                .Select(g => new PlaceReview(
                    g.Key,
                    g.Max(r => r.Level),
                    g.Select(r => r.Day).Distinct().Count(),
                    g.Max(r => r.Day)
                ))
                .OrderByDescending(p => p.Worst)
                .ThenBy(p => p.Place, StringComparer.Ordinal),
        ];
    }

    private static ProposedWish WishOf(
        Block block,
        DateOnly end,
        IReadOnlyList<ReviewedBlockSession> sessions,
        Consistency calendar,
        IReadOnlyList<ExerciseReview> exercises,
        IReadOnlyList<PlaceReview> pain,
        DateOnly today
    )
    {
        var reasons = new List<WishReason>();
        var byDay = sessions
            .GroupBy(s => s.Session.Day.DayOfWeek)
            .Select(g =>
                (
                    Day: g.Key,
                    Weeks: g.Select(s => WeekTables.MondayOf(s.Session.Day)).Distinct().Count(),
                    Kept: g.Count(s => s.Session.IsDone) / (decimal)g.Count()
                )
            )
            .ToArray();
        // A day on which something stood now and then is no training day of theirs.
        var weeks = sessions.Select(s => WeekTables.MondayOf(s.Session.Day)).Distinct().Count();
        if (byDay.Any(d => IsUsual(d.Weeks)))
            byDay = [.. byDay.Where(d => IsUsual(d.Weeks))];
        bool IsUsual(int told) => told >= weeks * UsualDay;
        DayOfWeek[] days = [.. byDay.Select(d => d.Day).OrderBy(d => ((int)d + 6) % WeekDays)];
        if (calendar.KeptAtAll < KeptEnough && days.Length > 1)
        {
            // The day that was missed most goes, of two the later one.
            var missed = byDay.MinBy(d => (d.Kept, -(((int)d.Day + 6) % WeekDays))).Day;
            days = [.. days.Where(d => d != missed)];
            reasons.Add(WishReason.FewerDays);
        }

        // What stands on one day is one visit.
        var visits = sessions.Where(s => !s.IsEasy).GroupBy(s => s.Session.Day).ToArray();
        var planned = Median([.. visits.Select(v => v.Sum(s => s.PlannedMinutes))]);
        var took = Median([
            .. visits.Where(v => v.All(s => s.Session.IsDone)).Select(v => v.Sum(s => s.Session.Minutes)),
        ]);
        var minutes = planned;
        if (took is { } actual && planned is { } plan && Math.Abs(actual - plan) >= MinutesApart)
        {
            minutes = actual;
            reasons.Add(WishReason.OtherMinutes);
        }

        var loading = Math.Max(1, block.Weeks.TakeWhile(w => w.Kind == WeekKind.Loading).Count());
        var lost = exercises.Count(e => e.Yield == Yield.Lost);
        if (
            (pain.Any(p => p.Worst >= PainRules.EaseFrom) || lost > exercises.Count(e => e.Yield == Yield.Gained))
            && loading > LoadingWeeksMinimum
        )
        {
            loading--;
            reasons.Add(WishReason.EarlierDeload);
        }

        var start = end.AddDays(1);
        if (start < today)
            start = WeekTables.MondayOf(today) is var monday && monday < today ? monday.AddDays(WeekDays) : today;
        return new(
            start,
            days,
            (int)Math.Ceiling((minutes ?? 60) / MinutesStep) * MinutesStep,
            Math.Min(loading, Programmes.Generation.BlockWish.LoadingWeeksMaximum),
            reasons
        );
    }

    private static decimal? Median(decimal[] values) =>
        values.Length == 0 ? null
        : values.Order().ToArray() is var sorted && values.Length % 2 == 1 ? sorted[values.Length / 2]
        : (sorted[values.Length / 2 - 1] + sorted[values.Length / 2]) / 2;
}
