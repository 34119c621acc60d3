using Cumbre.Core.Movements;
using Cumbre.Core.Safety;

namespace Cumbre.Core.Review;

/// <summary>What a table by week tells.</summary>
public enum WeekFigure
{
    /// <summary>Hard sets by pattern.</summary>
    HardSets,

    /// <summary>System mass x reps in kg by pattern.</summary>
    Volume,

    /// <summary>Seconds of straight-arm work by direction.</summary>
    StraightArm,

    /// <summary>The same in N m s, where every moment is known.</summary>
    StraightArmMoment,

    /// <summary>Sets planned and done.</summary>
    Sets,

    /// <summary>RPE x minutes, the same smoothed, monotony and strain.</summary>
    SessionLoad,

    /// <summary>The worst of the week, 0 to 10, by place.</summary>
    Pain,
}

/// <summary>A week of a table.</summary>
/// <param name="Monday">Its first day.</param>
/// <param name="Values">One for each column; null: nothing is known, and a chart leaves a gap.</param>
/// <param name="IsPartial">The values rest on a part of what was done.</param>
public sealed record WeekRow(DateOnly Monday, IReadOnlyList<decimal?> Values, bool IsPartial = false);

/// <summary>Figures by week, of which a chart is drawn.</summary>
/// <param name="Figure">What they tell.</param>
/// <param name="Columns">Patterns, places as they were told, or <c>planned</c>, <c>done</c>, <c>load</c>,
/// <c>smoothed</c>, <c>monotony</c>, <c>strain</c>.</param>
/// <param name="Rows">Every week from the first on, oldest first.</param>
public sealed record WeekTable(WeekFigure Figure, IReadOnlyList<string> Columns, IReadOnlyList<WeekRow> Rows);

/// <summary>A session as the tables read it.</summary>
/// <param name="Day">Its day.</param>
/// <param name="PlannedSets">Without what was skipped.</param>
/// <param name="DoneSets">Of these.</param>
/// <param name="IsDone">Something of it was done.</param>
/// <param name="Effort">1 to 10; null: not told.</param>
/// <param name="Minutes">How long it took, or takes as planned.</param>
public sealed record ReviewedSession(
    DateOnly Day,
    int PlannedSets,
    int DoneSets,
    bool IsDone,
    decimal? Effort,
    decimal Minutes
);

/// <summary>What an athlete did, week by week; weeks without training stay in, so that a gap is seen.</summary>
public sealed class WeekTables
{
    private const int WeekDays = 7;

    private readonly DateOnly[] mondays;
    private readonly DateOnly today;

    /// <param name="from">Any day of the first week.</param>
    /// <param name="today">The week of it is the last.</param>
    public WeekTables(DateOnly from, DateOnly today)
    {
        this.today = today;
        var first = MondayOf(from);
        mondays =
        [
            .. Enumerable
                .Range(0, Math.Max(0, (today.DayNumber - first.DayNumber) / WeekDays + 1))
                .Select(i => first.AddDays(WeekDays * i)),
        ];
    }

    public static DateOnly MondayOf(DateOnly day) => day.AddDays(-(((int)day.DayOfWeek + 6) % WeekDays));

    /// <summary>Of the dose: hard sets, volume, straight-arm work; those in which nothing was done are left out.</summary>
    public IEnumerable<WeekTable> OfDose(IReadOnlyList<DoneDose> doses)
    {
        DoneDose[] straight = [.. doses.Where(d => d.StraightArmSeconds > 0)];
        WeekTable?[] tables =
        [
            ByPattern(WeekFigure.HardSets, [.. doses.Where(d => d.HardSets > 0)], d => d.HardSets),
            ByPattern(WeekFigure.Volume, [.. doses.Where(d => d.VolumeLoad > 0)], d => d.VolumeLoad),
            straight.All(d => d.MomentSeconds is not null)
                ? ByPattern(WeekFigure.StraightArmMoment, straight, d => Math.Round((decimal)d.MomentSeconds!.Value))
                : null,
            ByPattern(WeekFigure.StraightArm, straight, d => d.StraightArmSeconds),
        ];
        return tables.OfType<WeekTable>();
    }

    /// <summary>Sets planned and done in weeks that had a plan; what is still to come is not missing.</summary>
    public WeekTable? OfPlan(IReadOnlyList<ReviewedSession> sessions) =>
        Table(
            WeekFigure.Sets,
            ["planned", "done"],
            [.. sessions.Where(s => s.Day <= today)],
            s => s.Day,
            week => [week.Sum(s => s.PlannedSets), week.Sum(s => s.DoneSets)],
            [0, 0]
        );

    /// <summary>Session load, monotony and strain; other training counts as it was told.</summary>
    public WeekTable? OfLoad(IReadOnlyList<ReviewedSession> sessions, IReadOnlyList<OtherTraining> others)
    {
        DayLoad[] days =
        [
            .. sessions.Where(s => s.IsDone).Select(s => new DayLoad(s.Day, s.Effort * s.Minutes)),
            .. others.Select(o => new DayLoad(o.Day, o.Effort * o.Minutes)),
        ];
        return mondays.Length == 0 || days.All(d => d.Load is null)
            ? null
            : new(
                WeekFigure.SessionLoad,
                // The smoothed day as a week, so that both can be compared.
                ["load", "smoothed", "monotony", "strain"],
                [
                    .. SessionLoad
                        .ByWeek(days, mondays[0], today)
                        .Select(w => new WeekRow(
                            w.Monday,
                            [Round(w.Load), Round(w.Smoothed * WeekDays), w.Monotony, Round(w.Strain)],
                            w.IsPartial
                        )),
                ]
            );
    }

    /// <summary>The worst of each place; a week in which something was done and nothing hurt is zero.</summary>
    public WeekTable? OfPain(IReadOnlyList<PainReport> reports, IReadOnlySet<DateOnly> trained)
    {
        PainReport[] told = [.. reports.Where(r => r.Level > 0 && r.Day <= today)];
        var places = told.GroupBy(PlaceOf)
            .OrderByDescending(g => g.Max(r => r.Level))
            .ThenBy(g => g.Key, StringComparer.Ordinal)
            .Select(g => g.Key)
            .ToArray();
        var asked = trained.Select(MondayOf).Concat(told.Select(r => MondayOf(r.Day))).ToHashSet();
        var byWeek = told.ToLookup(r => (MondayOf(r.Day), PlaceOf(r)), r => r.Level);
        return places.Length == 0 || told.All(r => MondayOf(r.Day) < mondays.FirstOrDefault(DateOnly.MaxValue))
            ? null
            : new(
                WeekFigure.Pain,
                places,
                [
                    .. mondays.Select(m => new WeekRow(
                        m,
                        [
                            .. places.Select(p =>
                                asked.Contains(m) ? (decimal?)byWeek[(m, p)].DefaultIfEmpty(0).Max() : null
                            ),
                        ]
                    )),
                ]
            );
    }

    /// <summary>The place as it was told first, so that left and right stay apart.</summary>
    private static string PlaceOf(PainReport report) => report.Place.Said.Trim().ToLowerInvariant();

    private static decimal? Round(decimal? value) => value is { } v ? Math.Round(v) : null;

    private WeekTable? ByPattern(WeekFigure figure, DoneDose[] doses, Func<DoneDose, decimal?> amount)
    {
        var patterns = doses
            .Where(d => d.Day >= mondays.FirstOrDefault(DateOnly.MaxValue))
            .Select(d => d.Pattern)
            .Distinct()
            .Order()
            .ToArray();
        return Table(
            figure,
            [.. patterns.Select(PatternNames.Of)],
            doses,
            d => d.Day,
            week => [.. patterns.Select(p => week.Where(d => d.Pattern == p).Sum(amount) ?? 0)],
            [.. patterns.Select(_ => (decimal?)0)]
        );
    }

    private WeekTable? Table<T>(
        WeekFigure figure,
        IReadOnlyList<string> columns,
        IReadOnlyList<T> things,
        Func<T, DateOnly> day,
        Func<IReadOnlyList<T>, decimal?[]> values,
        decimal?[] nothing
    )
    {
        var byWeek = things.ToLookup(t => MondayOf(day(t)));
        return columns.Count == 0 || mondays.All(m => !byWeek.Contains(m))
            ? null
            : new(
                figure,
                columns,
                [
                    .. mondays.Select(m => new WeekRow(
                        m,
                        byWeek.Contains(m) ? values([.. byWeek[m]]) : nothing,
                        m.AddDays(WeekDays) > today
                    )),
                ]
            );
    }
}
