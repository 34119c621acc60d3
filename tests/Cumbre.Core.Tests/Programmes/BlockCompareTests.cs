using Cumbre.Core.Movements;
using Cumbre.Core.Programmes;

namespace Cumbre.Core.Tests.Programmes;

/// <summary>Two blocks side by side.</summary>
public class BlockCompareTests
{
    private static IReadOnlyList<ComparedWeek> Compare(Block left, Block right, AthleteAtWork? other = null) =>
        BlockCompare.Of(Gym.Dose(left), Gym.Dose(right, other));

    private static readonly Block Before = Gym.Block([
        (0, ["pull-up: 3 x 8", "push-up: 3 x 10"]),
        (3, ["front-lever-tuck: hold 4 x 5 s"]),
    ]);

    [Fact]
    public void The_same_block_differs_in_nothing_and_costs_the_same()
    {
        var week = Compare(Before, Before).Single();
        Assert.Empty(week.Differences);
        Assert.Equal(
            (week.HardSets.Left, week.Seconds.Left, 20),
            (week.HardSets.Right, week.Seconds.Right, week.StraightArmSeconds.Left)
        );
    }

    [Fact]
    public void What_is_new_gone_rewritten_or_moved_is_told_by_pattern()
    {
        var after = Gym.Block([
            (0, ["pull-up: 4 x 8", "parallel-bar-dip: 3 x 6"]),
            (4, ["front-lever-tuck: hold 4 x 5 s"]),
        ]);
        var told = Compare(Before, after)
            .Single()
            .Differences.Select(d => (d.Kind, d.Pattern, string.Join(";", d.Left), string.Join(";", d.Right)));
        Assert.Equal(
            [
                (DifferenceKind.Line, Pattern.VerticalPull, "3 x 8", "4 x 8"),
                (DifferenceKind.MovementIn, Pattern.VerticalPush, "", "3 x 6"),
                (DifferenceKind.MovementOut, Pattern.HorizontalPush, "3 x 10", ""),
                (DifferenceKind.Days, Pattern.StraightArmPull, "Thursday", "Friday"),
            ],
            told
        );
    }

    [Fact]
    public void The_same_line_at_another_load_is_told_as_load()
    {
        var block = Gym.Block([(0, ["weighted-pull-up: 3 x 8 @ +10 % bm"])]);
        var heavier = Gym.Athlete();
        var lighter = new AthleteAtWork(
            heavier.Athlete with
            {
                BodyMass = new([new(Gym.Monday.AddDays(-1), Core.Measures.MassEntry.Kg(50))]),
            },
            heavier.Intake,
            heavier.Atlas,
            heavier.Gear,
            [],
            Gym.Monday
        );
        var told = Compare(block, block, lighter).Single().Differences.Single();
        // A tenth of 70 kg and of 50 kg, as the hall's plates make it.
        Assert.Equal((DifferenceKind.Load, "7.5", "5"), (told.Kind, told.Left.Single(), told.Right.Single()));
    }

    [Fact]
    public void A_week_on_one_side_only_is_told_as_a_week()
    {
        var longer = Before with { Weeks = [.. Before.Weeks, new(WeekKind.Easy, [])] };
        var week = Compare(Before, longer)[1];
        Assert.Equal(DifferenceKind.Week, week.Differences.Single().Kind);
        Assert.Empty(week.Left);
        Assert.Equal([WeekKind.Easy], week.Right);
    }

    [Fact]
    public void Hard_sets_stand_beside_each_other_by_pattern()
    {
        var after = Gym.Block([(0, ["pull-up: 5 x 8"])]);
        var pull = Compare(Before, after).Single().Patterns.Single(p => p.Pattern == Pattern.VerticalPull);
        Assert.Equal((3, 5), (pull.Left, pull.Right));
    }
}
