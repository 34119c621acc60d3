using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Review;
using Cumbre.Core.Sessions;
using Cumbre.Core.Tests.Decisions;

namespace Cumbre.Core.Tests.Review;

/// <summary>Each movement is followed in its own measure; figures are worked by hand.</summary>
public sealed class MovementTrendTests
{
    private static readonly string[] Mondays =
    [
        "2026-01-26",
        "2026-02-02",
        "2026-02-09",
        "2026-02-16",
        "2026-02-23",
        "2026-03-02",
        "2026-03-09",
    ];

    private static MovementTrend Of(Trainee trainee, string movement) =>
        new(trainee.Work(new(2026, 3, 16)), Catalogue.Shipped.Movements[movement]);

    private static Trainee Each(string movement, string line, int[][] done, Func<int, string?>? strap = null)
    {
        var trainee = new Trainee().Wants("front-lever").Wants("weighted-dip").Wants("pull-up");
        for (var i = 0; i < done.Length; i++)
        {
            var mark = strap?.Invoke(i);
            trainee.Did(Mondays[i], movement, line, done[i], with: set =>
                mark is null ? set : set with { SetUp = new([new("strap mark", mark)]) }
            );
        }

        return trainee;
    }

    // The third hold of three counts, as three are asked: 5, 6, 6, 7, 8, 8, 9 on seven Mondays.
    private static readonly int[][] Holds =
    [
        [7, 6, 5],
        [8, 7, 6],
        [8, 6, 6],
        [9, 8, 7],
        [9, 9, 8],
        [10, 9, 8],
        [11, 10, 9],
    ];

    [Fact]
    public void A_hold_counts_the_set_that_the_standard_asks_for_and_shows_the_best_beside_it()
    {
        var trend = Of(Each("front-lever-tuck", "hold 3 x 10 s", Holds), "front-lever-tuck");
        Assert.Equal((TrendMeasure.Seconds, 3, 10m), (trend.Measure, trend.Sets, trend.Ahead!.Value));
        Assert.Equal([5, 6, 6, 7, 8, 8, 9], trend.Points.Select(p => p.Counts));
        Assert.Equal([7, 8, 8, 9, 9, 10, 11], trend.Points.Select(p => p.Best));
    }

    [Fact]
    public void Reps_that_end_in_a_stretch_are_followed_in_reps()
    {
        var trend = Of(
            Each(
                "ring-curl",
                "2 x 8..12 + stretch 15 s",
                [
                    [10, 15, 9, 15],
                    [11, 15, 10, 15],
                ]
            ),
            "ring-curl"
        );
        Assert.Equal(TrendMeasure.Reps, trend.Measure);
        Assert.Equal([10, 11], trend.Points.Select(p => p.Best));
    }

    // By hand: 21 pair slopes a week, median 0.667; of seven points P(S >= 11) = 0.068 and P(S >= 9) = 0.119, so that the
    // interval runs from the sixth slope to the sixth from the end, 0.5 to 0.75. Without the slope 7, 7.33, 6.67, 7, 7.33,
    // 6.67, 7 are left: middle 7, and of seven P(W <= 5) = 0.078 is the last under 10 %, so six of the 28 means are cut,
    // 6.833 and 7.167 are left. A week after the last point the line stands at 9.667; its upper end at 10.05, its lower at 8.98.
    [Fact]
    public void The_forecast_is_an_interval_of_weeks_from_today_rounded_outwards()
    {
        var forecast = Of(Each("front-lever-tuck", "hold 3 x 10 s", Holds), "front-lever-tuck").Forecast;
        Assert.Null(forecast.Reason);
        Assert.Equal((0, 3), forecast.Weeks!.Value);
        Assert.Equal(7, forecast.Points);
    }

    [Theory]
    [InlineData(3, NoForecast.TooFewPoints)]
    [InlineData(4, null)]
    public void Fewer_than_four_days_give_no_forecast(int days, NoForecast? reason) =>
        Assert.Equal(
            reason,
            Of(
                Each(
                    "front-lever-tuck",
                    "hold 3 x 10 s",
                    [.. new[] { 4, 5, 6, 7 }.Take(days).Select(s => new[] { s, s, s })]
                ),
                "front-lever-tuck"
            ).Forecast.Reason
        );

    // A test of 12 s, then the usual dose of 7 s: the hold has not become shorter.
    [Fact]
    public void What_was_done_as_planned_is_a_lower_bound_and_draws_no_falling_line()
    {
        var trainee = new Trainee()
            .Did("2026-03-02", "front-lever-tuck", "hold 3 x 10 s", [9, 8, 8])
            .Did("2026-03-05", "front-lever-tuck", "hold 5 x 6 s", [6, 6, 6, 6, 6])
            .Did("2026-03-09", "front-lever-tuck", "hold 5 x 9 s", [9, 9, 9, 9, 9]);
        var trend = Of(trainee, "front-lever-tuck");
        Assert.Equal([false, true, false], trend.Points.Select(p => p.IsBound));
        Assert.Equal(9, trend.Now!.Counts);
    }

    [Fact]
    public void A_threshold_under_one_that_is_met_lies_behind()
    {
        var trainee = new Trainee(70)
            .Wants("weighted-pull-up")
            .Did("2026-03-09", "weighted-pull-up", "1 x 5 @ +20 kg", [5], reserve: 0);
        var lines = Of(trainee, "weighted-pull-up").Lines;
        var met = lines.Last(l => l.Term.Met);
        Assert.All(lines.Where(l => !l.Term.Met), l => Assert.True(l.Value > met.Value));
    }

    [Fact]
    public void A_line_that_does_not_rise_gives_no_forecast() =>
        Assert.Equal(
            NoForecast.NotRising,
            Of(
                Each(
                    "front-lever-tuck",
                    "hold 3 x 10 s",
                    [.. new[] { 7, 6, 7, 6, 7, 6 }.Select(s => new[] { s, s, s })]
                ),
                "front-lever-tuck"
            ).Forecast.Reason
        );

    [Fact]
    public void A_changed_set_up_cuts_the_series_and_keeps_its_own_record()
    {
        var trend = Of(
            Each(
                "ring-row",
                "3 x 8..12",
                [
                    [12, 12, 11],
                    [12, 12, 12],
                    [9, 8, 8],
                    [10, 9, 8],
                ],
                i => i < 2 ? "8" : "4"
            ),
            "ring-row"
        );
        Assert.Equal([false, false, true, true], trend.Points.Select(p => p.IsCompared));
        Assert.Equal(10, trend.Now!.Best);
        Assert.Equal(
            [("strap mark 4", 10m, true), ("strap mark 8", 12m, false)],
            trend.Records().Select(r => (r.SetUp, r.Value, r.IsCompared))
        );
        Assert.Equal(2, trend.Forecast.Points);
    }

    // 70 kg and 20 kg for five with two in reserve: 90 x (1 + 7 / 30) = 111.
    [Fact]
    public void A_load_is_followed_by_the_e1RM_of_the_system_with_its_range()
    {
        var trainee = new Trainee(70).Did("2026-03-09", "weighted-dip", "3 x 5 @ +20 kg", [5, 5, 4], reserve: 2);
        var point = Assert.Single(Of(trainee, "weighted-dip").Points);
        Assert.Equal(111m, Math.Round(point.Counts, 2));
        Assert.True(point.Low < point.Counts && point.Counts <= point.High);
    }

    // The dip ladder asks +25 % for five: (70 + 17.5) x (1 + 5 / 30) = 102.1 kg of e1RM.
    [Fact]
    public void A_threshold_of_load_is_the_e1RM_that_it_asks() =>
        Assert.Contains(
            Of(
                new Trainee(70).Wants("weighted-dip").Did("2026-03-09", "weighted-dip", "3 x 5 @ +5 kg", [5, 5, 5]),
                "weighted-dip"
            ).Lines,
            l => l.Value == 102.1m
        );

    [Fact]
    public void Assisted_reps_and_negatives_are_no_strict_ones()
    {
        var trainee = new Trainee()
            .Bands(20)
            .Did("2026-03-02", "pull-up", "3 x 15 @ band 20 kg", [15, 15, 15])
            .Did("2026-03-09", "pull-up", "3 x 5", [5, 5, 4]);
        var trend = Of(trainee, "pull-up");
        Assert.Equal((TrendMeasure.Reps, 5m), (trend.Measure, Assert.Single(trend.Points).Best));
    }

    [Fact]
    public void Help_of_a_band_is_followed_by_its_kilograms_and_less_is_better()
    {
        var trainee = new Trainee()
            .Bands(30, 20)
            .Did("2026-03-02", "banded-pull-up", "3 x 8 @ band 30 kg", [8, 8, 8])
            .Did("2026-03-09", "banded-pull-up", "3 x 8 @ band 20 kg", [8, 8, 8]);
        var trend = Of(trainee, "banded-pull-up");
        Assert.Equal(TrendMeasure.Assistance, trend.Measure);
        Assert.Equal([30, 20], trend.Points.Select(p => p.Counts));
        Assert.Equal(20, Assert.Single(trend.Records()).Value);
        Assert.Equal(NoForecast.Stepwise, trend.Forecast.Reason);
    }

    [Fact]
    public void Help_that_is_written_as_a_load_below_zero_is_help()
    {
        LoggedSet By(LoggedSet set, decimal kg) => new(set.Set, 1, 8, MassEntry.Kg(-kg), null, set.Form);
        var trainee = new Trainee()
            .Bands(30, 20)
            .Did("2026-03-02", "banded-pull-up", "3 x 8 @ -30 kg", [8, 8, 8], with: s => By(s, 30))
            .Did("2026-03-05", "banded-pull-up", "3 x 8 @ band 30 kg", [8, 8, 8])
            .Did("2026-03-09", "banded-pull-up", "3 x 8 @ -20 kg", [8, 8, 8], with: s => By(s, 20));
        var trend = Of(trainee, "banded-pull-up");
        Assert.Equal(TrendMeasure.Assistance, trend.Measure);
        Assert.Equal([30, 30, 20], trend.Points.Select(p => p.Counts));
    }

    [Fact]
    public void A_box_is_followed_by_its_height()
    {
        var trainee = new Trainee()
            .Did("2026-03-02", "jumping-muscle-up", "3 x 5 box 60 cm", [5, 5, 5])
            .Did("2026-03-09", "jumping-muscle-up", "3 x 5 box 45 cm", [5, 5, 4]);
        Assert.Equal([60, 45], Of(trainee, "jumping-muscle-up").Points.Select(p => p.Counts));
    }

    [Fact]
    public void Each_side_has_its_own_line_and_the_weaker_one_counts()
    {
        var trainee = new Trainee().Did("2026-03-09", "single-arm-row", "3 x 8 each side", [8, 10, 8, 10, 7, 10]);
        var trend = Of(trainee, "single-arm-row");
        Assert.Equal([(Side.Left, 8m), (Side.Right, 10m)], trend.Points.Select(p => (p.Side!.Value, p.Best)));
        Assert.Equal(Side.Left, trend.Now!.Side);
    }

    [Fact]
    public void A_record_stands_on_the_day_on_which_it_was_first_reached()
    {
        var trainee = new Trainee()
            .Did("2026-03-02", "high-pull-up", "3 x 5 to chest fast", [4, 4, 3])
            .Did("2026-03-05", "high-pull-up", "3 x 5 to chest fast", [5, 4, 4])
            .Did("2026-03-09", "high-pull-up", "3 x 5 to chest fast", [5, 5, 5])
            .Did("2026-03-12", "high-pull-up", "3 x 5 to chest fast", [3, 3, 3]);
        var record = Assert.Single(Of(trainee, "high-pull-up").Records());
        Assert.Equal((new DateOnly(2026, 3, 5), 5), (record.Day, record.Set!.CleanReps));
    }

    [Fact]
    public void A_deload_is_shown_and_says_nothing()
    {
        var trainee = new Trainee()
            .Did("2026-03-02", "pull-up", "3 x 8", [8, 8, 8])
            .Did("2026-03-09", "pull-up", "2 x 5", [5, 5], easy: true);
        var trend = Of(trainee, "pull-up");
        Assert.Equal([false, true], trend.Points.Select(p => p.IsEasy));
        Assert.Equal(8, trend.Now!.Best);
    }

    [Fact]
    public void Nothing_done_is_an_empty_trend()
    {
        var trend = Of(new Trainee(), "pull-up");
        Assert.Empty(trend.Points);
        Assert.Null(trend.Now);
        Assert.Empty(trend.Records());
    }

    private static CalendarSession On(string day, int done, bool easy = false) =>
        new(DateOnly.Parse(day), 6, done, easy);

    [Fact]
    public void The_calendar_tells_what_became_of_each_session()
    {
        var week = Consistency.Of(
            [
                On("2026-03-09", 6),
                On("2026-03-10", 5),
                On("2026-03-12", 0),
                On("2026-03-14", 6, easy: true),
                On("2026-03-16", 0),
                On("2026-03-19", 0),
                On("2025-12-28", 6),
            ],
            new(2026, 3, 16)
        );
        Assert.Equal(new DateOnly(2025, 12, 29), week.From);
        Assert.Equal(
            [
                SessionFate.Done,
                SessionFate.Partly,
                SessionFate.Missed,
                SessionFate.Done,
                SessionFate.Planned,
                SessionFate.Planned,
            ],
            week.Days.Select(d => d.Fate)
        );
        Assert.Equal((2, 4, 0.5m), (week.InFull, week.Due, week.Adherence));
    }

    [Fact]
    public void Nothing_due_has_no_adherence() => Assert.Null(Consistency.Of([], new(2026, 3, 16)).Adherence);

    [Fact]
    public void Pads_are_followed_by_their_number_and_fewer_is_better()
    {
        var trainee = new Trainee()
            .Did("2026-03-02", "handstand-push-up-negative", "3 x 5 pads 4", [5, 5, 5])
            .Did("2026-03-09", "handstand-push-up-negative", "3 x 5 pads 2", [5, 5, 4]);
        var trend = Of(trainee, "handstand-push-up-negative");
        Assert.Equal(TrendMeasure.Pads, trend.Measure);
        Assert.Equal([4, 2], trend.Points.Select(p => p.Counts));
        Assert.Equal(2, trend.Now!.Best);
    }

    // 8 and 10: (10 - 8) / 10.
    [Fact]
    public void The_gap_of_the_sides_is_read_of_days_on_which_both_were_done()
    {
        var trainee = new Trainee()
            .Did("2026-03-09", "single-arm-row", "2 x 10 each side", [8, 10, 7, 10])
            .Did("2026-03-12", "single-arm-row", "2 x 10 each side", [9]);
        var day = Assert.Single(Of(trainee, "single-arm-row").Sides());
        Assert.Equal((new DateOnly(2026, 3, 9), 0.2m, Side.Left), (day.Day, day.Gap.Fraction, day.Gap.Weaker));
    }
}
