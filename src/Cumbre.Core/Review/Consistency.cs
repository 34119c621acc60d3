namespace Cumbre.Core.Review;

/// <summary>What became of a planned session.</summary>
public enum SessionFate
{
    Done,
    Partly,
    Missed,
    Planned,
}

/// <summary>A session as the calendar reads it.</summary>
/// <param name="Day">Of the session.</param>
/// <param name="PlannedSets">Without skipped items.</param>
/// <param name="DoneSets">Of these.</param>
/// <param name="IsEasy">In a deload.</param>
public sealed record CalendarSession(DateOnly Day, int PlannedSets, int DoneSets, bool IsEasy);

/// <summary>A day of the calendar that has a session.</summary>
public sealed record CalendarDay(DateOnly Day, SessionFate Fate, bool IsEasy);

/// <summary>How regularly an athlete trains: three ordinary sessions a week beat one heroic one.</summary>
/// <param name="From">The first day.</param>
/// <param name="Days">Days with a session, oldest first.</param>
/// <param name="InFull">Sessions before today that were done in full, those of a deload among them.</param>
/// <param name="Partly">Sessions before today of which a part was done.</param>
/// <param name="Due">Sessions before today.</param>
public sealed record Consistency(DateOnly From, IReadOnlyList<CalendarDay> Days, int InFull, int Partly, int Due)
{
    /// <summary>So many weeks are looked at, this one among them.</summary>
    public const int Weeks = 12;

    /// <summary>Share of the due sessions that were done in full, 0 to 1; null: none was due.</summary>
    public decimal? Adherence => Due == 0 ? null : (decimal)InFull / Due;

    /// <summary>Share of the due sessions of which something was done, 0 to 1; null: none was due.</summary>
    public decimal? KeptAtAll => Due == 0 ? null : (decimal)(InFull + Partly) / Due;

    /// <summary>The last twelve weeks, and what is planned in this one.</summary>
    public static Consistency Of(IEnumerable<CalendarSession> sessions, DateOnly today)
    {
        var monday = WeekTables.MondayOf(today);
        return Of(sessions, monday.AddDays(-7 * (Weeks - 1)), monday.AddDays(6), today);
    }

    /// <summary>From one day to another, both included; what lies before today was due.</summary>
    public static Consistency Of(IEnumerable<CalendarSession> sessions, DateOnly from, DateOnly until, DateOnly today)
    {
        CalendarDay[] days =
        [
            .. sessions
                .Where(s => s.Day >= from && s.Day <= until)
                .GroupBy(s => s.Day)
                .OrderBy(g => g.Key)
                .Select(g => new CalendarDay(g.Key, FateOf([.. g], today), g.All(s => s.IsEasy))),
        ];
        var due = days.Where(d => d.Day < today).ToArray();
        return new(
            from,
            days,
            due.Count(d => d.Fate == SessionFate.Done),
            due.Count(d => d.Fate == SessionFate.Partly),
            due.Length
        );
    }

    private static SessionFate FateOf(IReadOnlyList<CalendarSession> sessions, DateOnly today) =>
        sessions.All(s => s.DoneSets >= s.PlannedSets && s.DoneSets > 0) ? SessionFate.Done
        : sessions.Any(s => s.DoneSets > 0) ? SessionFate.Partly
        : sessions[0].Day < today ? SessionFate.Missed
        : SessionFate.Planned;
}
