using CsCheck;
using Cumbre.Core.Decisions;

namespace Cumbre.Core.Tests.Decisions;

public class TrainingCalendarTests
{
    private static readonly DayOfWeek[] TrainingDays =
    [
        DayOfWeek.Monday,
        DayOfWeek.Tuesday,
        DayOfWeek.Thursday,
        DayOfWeek.Saturday,
    ];

    // ISO 8601: a week begins on Monday; 1 January 2027 is a Friday.
    [Theory]
    [InlineData("2026-03-16", "2026-03-16")]
    [InlineData("2026-03-22", "2026-03-16")]
    [InlineData("2027-01-01", "2026-12-28")]
    public void A_week_begins_on_monday(string day, string monday) =>
        Assert.Equal(DateOnly.Parse(monday), TrainingCalendar.Monday(DateOnly.Parse(day)));

    [Theory]
    [InlineData("2026-03-12", "2026-03-12", "2026-03-14")]
    [InlineData("2026-03-14", "2026-03-14", "2026-03-16")]
    [InlineData("2026-03-10", "2026-03-16", "2026-03-16")]
    [InlineData("2026-03-16", "2026-03-17", "2026-03-19")]
    public void The_next_day_is_a_training_day_two_days_after_the_last(string last, string today, string next) =>
        Assert.Equal(
            DateOnly.Parse(next),
            TrainingCalendar.Next(TrainingDays, DateOnly.Parse(last), DateOnly.Parse(today), 2)
        );

    [Fact]
    public void Without_training_days_the_gap_alone_decides() =>
        Assert.Equal(
            new DateOnly(2026, 3, 18),
            TrainingCalendar.Next([], new DateOnly(2026, 3, 16), new DateOnly(2026, 3, 16), 2)
        );

    [Fact]
    public void The_next_day_is_never_in_the_past_and_never_too_soon() =>
        Gen.Select(Gen.Int[0, 400], Gen.Int[0, 30], Gen.Int[1, 4])
            .Sample(
                (start, later, gap) =>
                {
                    var last = new DateOnly(2026, 1, 1).AddDays(start);
                    var today = last.AddDays(later);
                    var next = TrainingCalendar.Next(TrainingDays, last, today, gap);
                    return next >= today
                        && next.DayNumber - last.DayNumber >= gap
                        && TrainingDays.Contains(next.DayOfWeek);
                }
            );

    [Fact]
    public void An_easy_week_ends_the_row_of_loading_weeks()
    {
        var monday = new DateOnly(2026, 3, 16);
        var sessions = Enumerable.Range(1, 6).Select(week => (monday.AddDays(-7 * week), Easy: week == 4));
        Assert.Equal(3, TrainingCalendar.LoadingWeeksBefore(monday, sessions));
    }
}
