using Cumbre.Core.Programmes;

namespace Cumbre.Core.Tests.Programmes;

public sealed class RunStateTests
{
    private static readonly DateTimeOffset Start = new(2026, 3, 16, 18, 0, 0, TimeSpan.Zero);

    /// <summary>Two items of two sets: 20 s to set up, 15 s of work, 120 s of rest between them.</summary>
    private static readonly WalkStep[] Way =
    [
        new(0, 0, 1, 80, 15, 120, WalkRest.Set, null),
        new(0, 1, 2, 20, 15, 0, WalkRest.None, null),
        new(1, 0, 1, 80, 15, 120, WalkRest.Set, null),
        new(1, 1, 2, 20, 15, 0, WalkRest.None, null),
    ];

    private static RunState At(int seconds, HashSet<int>? left, params (int Item, int Effort, int At)[] done) =>
        RunState.Of(
            Way,
            [.. done.Select(d => new DoneEffort(d.Item, d.Effort, Start.AddSeconds(d.At)))],
            left ?? [],
            Start.AddSeconds(seconds)
        );

    [Fact]
    public void Before_the_first_set_nothing_rests_and_nobody_is_behind() =>
        Assert.Equal(new RunState(0, null, 0, null), At(0, null));

    [Fact]
    public void After_a_set_its_rest_runs_and_the_next_is_due()
    {
        var state = At(60, null, (0, 0, 0));
        Assert.Equal((1, Start.AddSeconds(120), 120), (state.Next, state.RestUntil, state.RestSeconds));
        // Of the plan 120 s of rest lie before the next set; 60 s have passed.
        Assert.Equal(-60, state.BehindSeconds);
        Assert.Equal(30, At(150, null, (0, 0, 0)).BehindSeconds);
    }

    [Fact]
    public void Who_went_to_another_exercise_goes_on_with_it_and_comes_back()
    {
        Assert.Equal(3, At(10, null, (1, 0, 0)).Next);
        Assert.Equal(0, At(200, null, (1, 0, 0), (1, 1, 150)).Next);
    }

    [Fact]
    public void What_is_left_out_is_not_due_and_at_the_end_nothing_is()
    {
        Assert.Equal(2, At(10, [0], (0, 0, 0)).Next);
        Assert.Null(At(10, [0, 1]).Next);
        Assert.Null(At(900, null, (0, 0, 0), (0, 1, 140), (1, 0, 300), (1, 1, 440)).Next);
    }

    [Fact]
    public void A_set_of_which_nobody_told_when_is_done_all_the_same() =>
        Assert.Equal(1, RunState.Of(Way, [new(0, 0, null)], new HashSet<int>(), Start).Next);
}
