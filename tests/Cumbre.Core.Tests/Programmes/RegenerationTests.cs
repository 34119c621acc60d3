using Cumbre.Core.Programmes;
using Cumbre.Core.Programmes.Generation;

namespace Cumbre.Core.Tests.Programmes;

/// <summary>
/// Generating again around what the coach fixed: three states of one block, held against each other by their ids.
/// </summary>
public class RegenerationTests
{
    private static BlockItem Item(string key, string line = "3 x 8", string movement = "pull-up") =>
        new(Ids.Of(key), movement, line);

    private static BlockSession Session(string key, int day, params BlockItem[] items) =>
        new(Ids.Of(key), Gym.Monday.AddDays(day), "Full body", new(480, "wrists"), new(120, null), items);

    private static Block Block(params BlockSession[] sessions) =>
        new("b", Gym.Monday, [new(WeekKind.Loading, sessions)], []);

    private static string[] Told(Regenerated merged) =>
        [.. merged.Changes.Select(c => $"{c.Kind} {c.Before?.Line} -> {c.After?.Line}")];

    private static string[] Lines(Regenerated merged) =>
        [.. merged.Block.Weeks.SelectMany(w => w.Sessions).SelectMany(s => s.Items.Select(i => i.Line))];

    private static readonly Block Generated = Block(
        Session("mon", 0, Item("a"), Item("b"), Item("c")),
        Session("thu", 3, Item("d"))
    );

    [Fact]
    public void What_was_left_as_it_was_generated_follows_the_new_block()
    {
        var merged = Regeneration.Merge(
            Generated,
            Generated,
            Block(Session("mon", 0, Item("a", "4 x 8"), Item("b"), Item("e", "5 x 5")), Session("thu", 3, Item("d")))
        );
        Assert.Equal(["4 x 8", "3 x 8", "5 x 5", "3 x 8"], Lines(merged));
        Assert.Equal(["Rewritten 3 x 8 -> 4 x 8", "Removed 3 x 8 -> ", "Added  -> 5 x 5"], Told(merged));
    }

    [Fact]
    public void The_same_block_again_changes_nothing() =>
        Assert.Empty(Regeneration.Merge(Generated, Generated, Generated).Changes);

    [Fact]
    public void A_line_of_the_coach_stays_and_is_told()
    {
        var current = Block(Session("mon", 0, Item("a", "6 x 3"), Item("b"), Item("c")), Session("thu", 3, Item("d")));
        var merged = Regeneration.Merge(
            Generated,
            current,
            Block(Session("mon", 0, Item("a", "4 x 8"), Item("b"), Item("c")), Session("thu", 3, Item("d")))
        );
        Assert.Equal("6 x 3", Lines(merged)[0]);
        Assert.Equal(["KeptByHand 6 x 3 -> 4 x 8"], Told(merged));
        // Once it is known, it is not told again.
        Assert.Empty(
            Regeneration
                .Merge(
                    Block(Session("mon", 0, Item("a", "4 x 8"), Item("b"), Item("c")), Session("thu", 3, Item("d"))),
                    merged.Block,
                    Block(Session("mon", 0, Item("a", "4 x 8"), Item("b"), Item("c")), Session("thu", 3, Item("d")))
                )
                .Changes
        );
    }

    [Fact]
    public void What_the_coach_added_stays_and_what_they_took_out_stays_out()
    {
        var current = Block(
            Session("mon", 0, Item("a"), Item("own", "2 x max"), Item("c")),
            Session("thu", 3, Item("d"))
        );
        var merged = Regeneration.Merge(Generated, current, Generated);
        Assert.Equal(["3 x 8", "2 x max", "3 x 8", "3 x 8"], Lines(merged));
        Assert.Empty(merged.Changes);
    }

    [Fact]
    public void What_was_moved_to_another_day_is_not_written_twice()
    {
        var current = Block(Session("mon", 0, Item("a"), Item("c")), Session("thu", 3, Item("d"), Item("b")));
        var merged = Regeneration.Merge(Generated, current, Generated);
        Assert.Single(merged.Block.Weeks[0].Sessions.SelectMany(s => s.Items), i => i.Id == Ids.Of("b"));
        Assert.Equal(2, merged.Block.Weeks[0].Sessions[1].Items.Count);
    }

    [Fact]
    public void A_session_that_has_begun_is_not_touched()
    {
        var current = Block(
            Session("mon", 0, Item("a"), Item("b"), Item("c")) with
            {
                Fixed = true,
            },
            Session("thu", 3, Item("d"))
        );
        var merged = Regeneration.Merge(
            Generated,
            current,
            Block(Session("mon", 0, Item("a", "9 x 1")), Session("thu", 3, Item("d")))
        );
        Assert.Equal(["3 x 8", "3 x 8", "3 x 8", "3 x 8"], Lines(merged));
        Assert.Empty(merged.Changes);
    }

    [Fact]
    public void A_day_that_is_given_up_goes_but_for_what_was_written_by_hand()
    {
        var fresh = Block(Session("mon", 0, Item("a"), Item("b"), Item("c")));
        Assert.Single(Regeneration.Merge(Generated, Generated, fresh).Block.Weeks[0].Sessions);
        var current = Block(
            Session("mon", 0, Item("a"), Item("b"), Item("c")),
            Session("thu", 3, Item("d", "1 x max"))
        );
        var merged = Regeneration.Merge(Generated, current, fresh);
        Assert.Equal("1 x max", merged.Block.Weeks[0].Sessions[1].Items.Single().Line);
        Assert.Equal(["KeptByHand 1 x max -> "], Told(merged));
    }

    [Fact]
    public void A_session_that_was_skipped_by_hand_stays_away_and_a_moved_day_stays_moved()
    {
        var current = Block(Session("mon", 1, Item("a"), Item("b"), Item("c")));
        var merged = Regeneration.Merge(Generated, current, Generated);
        Assert.Equal(Gym.Monday.AddDays(1), merged.Block.Weeks[0].Sessions.Single().Day);
    }

    [Fact]
    public void More_weeks_are_added_and_the_coachs_own_weeks_stay()
    {
        var longer = Generated with
        {
            Weeks = [.. Generated.Weeks, new(WeekKind.Retest, [Session("w2", 7, Item("t", "1 x max"))])],
        };
        Assert.Equal(2, Regeneration.Merge(Generated, Generated, longer).Block.Weeks.Count);
        Assert.Equal(
            2,
            Regeneration
                .Merge(
                    Generated,
                    longer with
                    {
                        Weeks = [longer.Weeks[0], longer.Weeks[1] with { Kind = WeekKind.Easy }],
                    },
                    Generated
                )
                .Block.Weeks.Count
        );
    }
}
