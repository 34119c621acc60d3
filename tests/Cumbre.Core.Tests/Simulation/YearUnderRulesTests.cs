using Cumbre.Simulation;

namespace Cumbre.Core.Tests.Simulation;

/// <summary>
/// A few of the athletes of scripts/year, so that a rule that runs away is seen at once. What they can do is invented.
/// </summary>
public sealed class YearUnderRulesTests
{
    private static readonly Lazy<LivedYear[]> Years = new(() =>
        [.. Enumerable.Range(0, 6).Select(seed => YearUnderRules.Live(seed, 26))]
    );

    [Fact]
    public void No_step_in_load_is_over_a_tenth_of_the_system() =>
        Assert.All(Years.Value, y => Assert.InRange(y.LargestJumpShare, 0, 0.10m));

    [Fact]
    public void Nothing_is_raised_right_after_pain() =>
        Assert.All(Years.Value, y => Assert.Equal(0, y.LoadedThroughPain));

    [Fact]
    public void What_is_trained_changes_over_half_a_year() =>
        Assert.All(Years.Value.SelectMany(y => y.Items).Where(i => i.Exposures >= 40), i =>
            Assert.True(i.Changes > 0 || i.LongestStill < 10, i.Movement)
        );

    [Fact]
    public void Nobody_turns_on_the_spot() =>
        Assert.All(Years.Value.SelectMany(y => y.Items), i => Assert.InRange(i.Turns, 0, 3));

    [Fact]
    public void The_same_seed_gives_the_same_year() =>
        Assert.Equal(YearUnderRules.Live(3, 8).Decisions, YearUnderRules.Live(3, 8).Decisions);
}
