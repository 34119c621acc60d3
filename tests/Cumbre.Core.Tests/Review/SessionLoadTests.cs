using Cumbre.Core.Review;

namespace Cumbre.Core.Tests.Review;

/// <summary>
/// Session load (Foster et al. 2001) and smoothing (Williams et al. 2017), formulas from memory, worked by hand.
/// </summary>
public sealed class SessionLoadTests
{
    private static readonly DateOnly Monday = new(2026, 3, 2),
        Sunday = Monday.AddDays(6);

    private static DayLoad[] Week(params decimal?[] loads) =>
        [.. loads.Select((l, i) => new DayLoad(Monday.AddDays(i), l)).Where(d => d.Load != 0)];

    // 360, 0, 420, 0, 300, 0, 0: sum 1080, mean 154.29; the squares of the differences sum to 229 371, over six 38 229,
    // root 195.5; monotony 0.79, strain 853.2.
    [Fact]
    public void Monotony_is_mean_over_deviation_and_strain_is_load_times_monotony()
    {
        var week = Assert.Single(SessionLoad.ByWeek(Week(360, 0, 420, 0, 300, 0, 0), Monday, Sunday));
        Assert.Equal((1080m, 0.79m, 853.2m), (week.Load, week.Monotony, week.Strain));
        Assert.False(week.IsPartial);
    }

    [Fact]
    public void Seven_days_alike_have_no_monotony() =>
        Assert.Null(SessionLoad.Monotony([200, 200, 200, 200, 200, 200, 200]));

    [Fact]
    public void A_trained_day_without_an_rpe_makes_the_week_a_part_of_it()
    {
        var week = Assert.Single(SessionLoad.ByWeek(Week(360, 0, null, 0, 300, 0, 0), Monday, Sunday));
        Assert.Equal((660m, null, true), (week.Load, week.Monotony, week.IsPartial));
        Assert.Null(Assert.Single(SessionLoad.ByWeek([new(Monday, null)], Monday, Sunday)).Load);
    }

    [Fact]
    public void A_week_of_rest_has_a_load_of_nothing() =>
        Assert.Equal(
            (0m, false),
            (SessionLoad.ByWeek([], Monday, Sunday)[0].Load, SessionLoad.ByWeek([], Monday, Sunday)[0].IsPartial)
        );

    private static decimal? SmoothedAfter(params decimal?[] loads) =>
        SessionLoad.ByWeek(Week(loads), Monday, Monday.AddDays(loads.Length - 1))[^1].Smoothed;

    // The mean of 400, 0, 300, 0, 0, 0, 0 is 100; 2 / (7 + 1) = 0.25, so that 200 on the eighth day makes 125, and a day of
    // rest 93.75.
    [Fact]
    public void The_smoothed_load_begins_with_a_week_and_weighs_a_day_by_a_quarter()
    {
        Assert.Null(SmoothedAfter(400, 0, 300, 0, 0, 0));
        Assert.Equal(100, SmoothedAfter(400, 0, 300, 0, 0, 0, 0));
        Assert.Equal(125, SmoothedAfter(400, 0, 300, 0, 0, 0, 0, 200));
        Assert.Equal(93.75m, SmoothedAfter(400, 0, 300, 0, 0, 0, 0, 200, 0));
    }

    [Fact]
    public void An_untold_day_ends_it_and_days_of_rest_do_not_begin_it()
    {
        Assert.Null(SmoothedAfter(400, 0, 300, 0, 0, 0, 0, null));
        Assert.Null(SmoothedAfter(400, 0, 300, 0, 0, 0, 0, null, 0, 0, 0, 0, 0, 0, 0));
        Assert.Equal(100, SmoothedAfter(null, 700, 0, 0, 0, 0, 0, 0));
        Assert.Null(SmoothedAfter(0, 0, 0, 0, 0, 0, 0, 0, 100));
    }

    [Fact]
    public void Two_sessions_of_a_day_add_up_and_one_that_is_not_told_hides_the_day()
    {
        DayLoad[] twice = [new(Monday, 200), new(Monday, 100)];
        Assert.Equal(300, SessionLoad.ByWeek(twice, Monday, Sunday)[0].Load);
        Assert.Null(SessionLoad.ByWeek([new(Monday, 200), new(Monday, null)], Monday, Sunday)[0].Load);
    }
}
