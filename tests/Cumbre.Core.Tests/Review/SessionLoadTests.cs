using Cumbre.Core.Review;

namespace Cumbre.Core.Tests.Review;

/// <summary>Session load (Foster et al. 2001) and smoothing (Williams et al. 2017), formulas from memory, worked by hand.</summary>
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

    // 2 / (7 + 1) = 0.25: 400 on Monday stays 400; Tuesday 0: 300; Wednesday 400: 325.
    [Fact]
    public void The_smoothed_load_weighs_a_day_by_a_quarter_and_an_untold_day_not_at_all()
    {
        Assert.Equal(325, SessionLoad.ByWeek(Week(400, 0, 400), Monday, Monday.AddDays(2))[0].Smoothed);
        Assert.Equal(300, SessionLoad.ByWeek(Week(400, 0, null), Monday, Monday.AddDays(2))[0].Smoothed);
    }

    [Fact]
    public void Two_sessions_of_a_day_add_up_and_one_that_is_not_told_hides_the_day()
    {
        DayLoad[] twice = [new(Monday, 200), new(Monday, 100)];
        Assert.Equal(300, SessionLoad.ByWeek(twice, Monday, Sunday)[0].Load);
        Assert.Null(SessionLoad.ByWeek([new(Monday, 200), new(Monday, null)], Monday, Sunday)[0].Load);
    }
}
