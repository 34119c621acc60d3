namespace Cumbre.Core.Decisions;

/// <summary>Days and weeks of training. A week runs from Monday to Sunday (ISO 8601).</summary>
public static class TrainingCalendar
{
    public static DateOnly Monday(DateOnly day) => day.AddDays(-(((int)day.DayOfWeek + 6) % 7));

    /// <summary>
    /// The next day to train a movement: a training day on or after <paramref name="today"/>, at least
    /// <paramref name="daysBetween"/> after the last exposure. Without training days, the first day that the gap
    /// allows.
    /// </summary>
    public static DateOnly Next(
        IReadOnlyCollection<DayOfWeek> trainingDays,
        DateOnly? lastExposure,
        DateOnly today,
        int daysBetween
    )
    {
        var first = lastExposure?.AddDays(daysBetween) is { } rested && rested > today ? rested : today;
        for (var day = first; day < first.AddDays(7); day = day.AddDays(1))
        {
            if (trainingDays.Contains(day.DayOfWeek))
                return day;
        }

        return first;
    }

    /// <summary>
    /// Weeks with loading in a row directly before the week of <paramref name="day"/>. A week with an easy session, or
    /// without
    /// any, ends the row.
    /// </summary>
    public static int LoadingWeeksBefore(DateOnly day, IEnumerable<(DateOnly Day, bool Easy)> sessions)
    {
        var weeks = sessions.GroupBy(s => Monday(s.Day)).ToDictionary(g => g.Key, g => g.All(s => !s.Easy));
        var count = 0;
        for (var week = Monday(day).AddDays(-7); weeks.GetValueOrDefault(week); week = week.AddDays(-7))
            count++;
        return count;
    }
}
