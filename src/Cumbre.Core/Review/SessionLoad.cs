namespace Cumbre.Core.Review;

/// <summary>The load of a day: RPE x minutes over all its sessions (Foster et al. 2001).</summary>
/// <param name="Day">The day.</param>
/// <param name="Load">In RPE x min; null: it was trained, and the RPE was not told.</param>
public sealed record DayLoad(DateOnly Day, decimal? Load);

/// <summary>The load of a week.</summary>
/// <param name="Monday">Its first day.</param>
/// <param name="Load">Sum of its days in RPE x min; null: of no trained day the RPE was told.</param>
/// <param name="Monotony">Mean over standard deviation of the seven days; null: a day is not known or to come, or all
/// are alike.</param>
/// <param name="Strain">Load x monotony; null without one.</param>
/// <param name="Smoothed">On its last day, exponentially smoothed over about seven days; null: nothing is
/// known.</param>
/// <param name="IsPartial">Of some trained day the RPE was not told, or the week is not over.</param>
public sealed record WeekLoad(
    DateOnly Monday,
    decimal? Load,
    decimal? Monotony,
    decimal? Strain,
    decimal? Smoothed,
    bool IsPartial
);

/// <summary>Session load by week.</summary>
public static class SessionLoad
{
    /// <summary>Days of the smoothed load: it weighs a day by 2 / (7 + 1) (Williams et al. 2017).</summary>
    public const int SmoothedDays = 7;

    private const int WeekDays = 7;

    /// <param name="days">What is known, in any order; a day that is missing was a day of rest.</param>
    /// <param name="from">A Monday.</param>
    /// <param name="today">The week of it is the last.</param>
    public static IReadOnlyList<WeekLoad> ByWeek(IEnumerable<DayLoad> days, DateOnly from, DateOnly today)
    {
        var known = days.GroupBy(d => d.Day).ToDictionary(g => g.Key, g => g.ToArray());
        var weeks = new List<WeekLoad>();
        var smoothed = new Smoother();
        for (var monday = from; monday <= today; monday = monday.AddDays(WeekDays))
        {
            var week = Enumerable
                .Range(0, WeekDays)
                .Select(i => monday.AddDays(i))
                .Where(d => d <= today)
                .Select(d => (Trained: known.ContainsKey(d), Load: LoadOf(known.GetValueOrDefault(d))))
                .ToArray();
            foreach (var day in week)
                smoothed.Add(day.Load);
            var told = week.Where(d => d is { Trained: true, Load: not null }).ToArray();
            var isPartial = week.Length < WeekDays || week.Any(d => d.Load is null);
            decimal? load =
                told.Length > 0 ? told.Sum(d => d.Load!.Value)
                : week.All(d => !d.Trained) ? 0
                : null;
            var monotony = isPartial ? null : Monotony([.. week.Select(d => d.Load!.Value)]);
            weeks.Add(new(monday, load, monotony, load * monotony, smoothed.Value, isPartial));
        }

        return weeks;
    }

    /// <summary>
    /// Mean over standard deviation of the daily loads (Foster 1998, from memory), the deviation as of a sample (this
    /// project's choice, as the source does not say which); null where all are alike.
    /// </summary>
    public static decimal? Monotony(IReadOnlyList<decimal> days)
    {
        var mean = days.Average();
        var deviation = Math.Sqrt((double)days.Sum(d => (d - mean) * (d - mean)) / (days.Count - 1));
        return deviation == 0 ? null : Math.Round(mean / (decimal)deviation, 2);
    }

    private static decimal? LoadOf(DayLoad[]? day) =>
        day is null ? 0
        : day.Any(d => d.Load is null) ? null
        : day.Sum(d => d.Load);

    /// <summary>
    /// It begins with the mean of seven days in a row that are known, the first of them trained (this project's choice); a
    /// trained day of which nothing is known ends it.
    /// </summary>
    private sealed class Smoother
    {
        private readonly List<decimal> first = [];

        public decimal? Value { get; private set; }

        public void Add(decimal? load)
        {
            if (load is not { } today)
            {
                Value = null;
                first.Clear();
            }
            else if (Value is { } known)
                Value = known + 2m / (SmoothedDays + 1) * (today - known);
            else if (first.Count > 0 || today > 0)
            {
                first.Add(today);
                if (first.Count == SmoothedDays)
                    Value = first.Average();
            }
        }
    }
}
