using Cumbre.Core.Programmes;
using Cumbre.Core.Review;
using Cumbre.Core.Tests.Decisions;

namespace Cumbre.Core.Tests.Review;

/// <summary>What a block brought; figures are worked by hand.</summary>
public sealed class BlockReviewTests
{
    private static readonly DateOnly Start = new(2026, 1, 19);

    private static readonly string[] Days = ["2026-01-19", "2026-01-26", "2026-02-02", "2026-02-09"];

    private static Block Block(params WeekKind[] weeks) =>
        new("Winter", Start, [.. weeks.Select(k => new BlockWeek(k, []))], []);

    private static readonly WeekKind[] Five =
    [
        WeekKind.Loading,
        WeekKind.Loading,
        WeekKind.Loading,
        WeekKind.Loading,
        WeekKind.Easy,
    ];

    private static ReviewedBlockSession Session(string day, int done = 10, decimal minutes = 60, bool easy = false) =>
        new(new(DateOnly.Parse(day), 10, done, done > 0, null, minutes), 60, easy);

    private static BlockReview Of(
        Trainee trainee,
        IReadOnlyList<ReviewedBlockSession>? sessions = null,
        string today = "2026-03-16"
    )
    {
        var athlete = trainee.Work(DateOnly.Parse(today));
        return BlockReview.Of(Block(Five), sessions ?? [.. Days.Select(d => Session(d))], athlete, athlete.Athlete);
    }

    private static Trainee Did(string movement, string line, params int[] best)
    {
        var trainee = new Trainee();
        for (var i = 0; i < best.Length; i++)
            trainee.Did(Days[i], movement, line, [best[i]]);
        return trainee;
    }

    // 8 and 8 against 9 and 9: one rep is what a day gives; 9 and 10 are more.
    [Theory]
    [InlineData(8, 8, 9, 9, Yield.Held)]
    [InlineData(8, 8, 9, 10, Yield.Gained)]
    [InlineData(10, 9, 8, 8, Yield.Lost)]
    public void An_exercise_gained_when_it_is_more_than_the_noise_of_a_day(int a, int b, int c, int d, Yield yield)
    {
        var exercise = Assert.Single(Of(Did("push-up", "1 x 30", a, b, c, d)).Exercises);
        Assert.Equal((yield, 4), (exercise.Yield, exercise.Days));
    }

    [Fact]
    public void Of_three_days_nothing_is_said() =>
        Assert.Equal(Yield.TooFew, Assert.Single(Of(Did("push-up", "1 x 30", 8, 10, 12)).Exercises).Yield);

    [Fact]
    public void Less_of_a_box_is_a_gain()
    {
        var trainee = new Trainee();
        foreach (var (day, box) in Days.Zip([60, 60, 45, 45]))
            trainee.Did(day, "jumping-muscle-up", $"3 x 5 box {box} cm", [5, 5, 5]);
        var exercise = Assert.Single(Of(trainee).Exercises);
        Assert.Equal(
            (TrendMeasure.Box, 60m, 45m, Yield.Gained),
            (exercise.Measure, exercise.Before, exercise.After, exercise.Yield)
        );
    }

    // The tuck hold is known before the block and falls short; three times ten seconds in it achieve the step.
    [Theory]
    [InlineData("2026-01-12", false)]
    [InlineData("2026-01-20", true)]
    public void Steps_that_were_shown_are_told_with_where_it_began(string tested, bool first)
    {
        var trainee = new Trainee()
            .Wants("front-lever")
            .Did(tested, "front-lever-tuck", "hold 3 x 5 s", [5, 5, 5])
            .Did("2026-02-09", "front-lever-tuck", "hold 3 x 10 s", [10, 10, 10]);
        var skill = Of(trainee).Skills.Single(s => s.Ladder == "front-lever");
        Assert.True(skill.IsGoal);
        Assert.Contains("Tuck", skill.Change.Won);
        Assert.Equal(first, skill.IsFirstMeasured);
    }

    [Fact]
    public void A_test_is_held_against_the_newest_before_the_block_and_its_noise()
    {
        var trainee = new Trainee()
            .Tested("pull-up-max", "8", "2025-12-01")
            .Tested("pull-up-max", "9", "2026-01-12")
            .Tested("pull-up-max", "10", "2026-02-20")
            .Tested("pull-up-max", "14", "2026-03-10");
        // The last one came after the block.
        var test = Assert.Single(Of(trainee).Tests);
        Assert.Equal((9, 10, 1m, true), (test.Before!.Reps, test.After.Reps, test.Difference, test.IsNoise));
    }

    [Fact]
    public void A_block_under_way_is_read_up_to_today_and_today_is_not_missed()
    {
        var review = Of(
            new Trainee(),
            [Session(Days[0]), Session(Days[1], 4), Session(Days[2], 0), Session(Days[3], 0)],
            today: "2026-02-02"
        );
        Assert.False(review.IsOver);
        Assert.Equal(new DateOnly(2026, 2, 2), review.Until);
        Assert.Equal((1, 1, 2), (review.Calendar.InFull, review.Calendar.Partly, review.Calendar.Due));
    }

    [Theory]
    // Seven of ten are enough, less are not; the day that was missed most goes.
    [InlineData(7, new DayOfWeek[] { DayOfWeek.Monday, DayOfWeek.Thursday })]
    [InlineData(6, new DayOfWeek[] { DayOfWeek.Monday })]
    public void Who_missed_many_sessions_is_asked_for_a_day_fewer(int kept, DayOfWeek[] days)
    {
        var sessions = Enumerable
            .Range(0, 10)
            .Select(i => Session(Start.AddDays(i / 2 * 7 + (i % 2 == 0 ? 0 : 3)).ToString("O"), 0))
            .ToList();
        // Mondays are kept first.
        foreach (var i in new[] { 0, 2, 4, 6, 8, 1, 3, 5 }.Take(kept))
            sessions[i] = Session(sessions[i].Session.Day.ToString("O"));
        var wish = Of(new Trainee(), sessions).Wish;
        Assert.Equal(days, wish.Days);
        Assert.Equal(days.Length == 1, wish.Reasons.Contains(WishReason.FewerDays));
    }

    [Theory]
    [InlineData(2, new DayOfWeek[] { DayOfWeek.Monday, DayOfWeek.Sunday })]
    [InlineData(1, new DayOfWeek[] { DayOfWeek.Monday })]
    public void A_day_of_half_the_weeks_is_a_training_day(int sundays, DayOfWeek[] days)
    {
        var sessions = Days.Select(d => Session(d)).ToList();
        sessions.AddRange(Enumerable.Range(0, sundays).Select(i => Session(Start.AddDays(6 + 7 * i).ToString("O"))));
        Assert.Equal(days, Of(new Trainee(), sessions).Wish.Days);
    }

    [Fact]
    public void Two_sessions_of_a_day_are_one_visit() =>
        Assert.Equal(120, Of(new Trainee(), [.. Days.Concat(Days).Select(d => Session(d))]).Wish.Minutes);

    [Theory]
    [InlineData(69, 60, false)]
    [InlineData(70, 70, true)]
    [InlineData(48, 50, true)]
    public void Minutes_follow_what_sessions_took_from_ten_apart(int took, int minutes, bool told)
    {
        var wish = Of(new Trainee(), [.. Days.Select(d => Session(d, minutes: took))]).Wish;
        Assert.Equal((minutes, told), (wish.Minutes, wish.Reasons.Contains(WishReason.OtherMinutes)));
    }

    [Theory]
    [InlineData(2, 4)]
    [InlineData(3, 3)]
    public void Pain_of_three_brings_the_deload_a_week_earlier(int pain, int weeks)
    {
        var trainee = new Trainee().Did(Days[0], "push-up", "2 x 8", [8, 8], pain: pain, place: "left wrist");
        var review = Of(trainee);
        Assert.Equal(weeks, review.Wish.LoadingWeeks);
        Assert.Equal(("left wrist", pain), (review.Pain[0].Place, review.Pain[0].Worst));
    }

    [Fact]
    public void The_next_block_begins_after_this_one_or_on_the_next_monday()
    {
        Assert.Equal(new DateOnly(2026, 2, 23), Of(new Trainee(), today: "2026-02-10").Wish.Start);
        Assert.Equal(new DateOnly(2026, 3, 16), Of(new Trainee(), today: "2026-03-16").Wish.Start);
        Assert.Equal(new DateOnly(2026, 3, 23), Of(new Trainee(), today: "2026-03-17").Wish.Start);
    }
}
