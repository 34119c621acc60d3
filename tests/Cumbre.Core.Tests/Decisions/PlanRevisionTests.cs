using Cumbre.Core.Decisions;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Tests.Decisions;

/// <summary>What accepting changes, beyond the worked cases. Common practice, no source.</summary>
public class PlanRevisionTests
{
    private static Trainee Dip(string planned, ItemRole? role = ItemRole.Main) =>
        new Trainee(72)
            .Twice("weighted-dip", "4 x 5 @ +20 kg 2 in reserve", [5, 5, 5, 5], 2, role: role)
            .Plan("2026-03-16", "weighted-dip", planned, role)
            .Plan("2026-03-19", "weighted-dip", "4 x 5 @ +27.5 kg 2 in reserve", role);

    private static string[] Lines(Trainee trainee, Proposal proposal) =>
        [
            .. PlanRevision
                .Of(proposal, trainee.Work(proposal.NextDay), trainee.Planned, _ => Guid.NewGuid())
                .Select(c => NotationPrinter.Print(c.After.Plan)),
        ];

    // The usual step is 2.5 kg: an increase within it is confirmed; one beyond it comes back to what was earned, and
    // later ones keep their distance.
    [Theory]
    [InlineData("4 x 5 @ +22.5 kg 2 in reserve", true, new string[0])]
    [InlineData(
        "4 x 5 @ +25 kg 2 in reserve",
        false,
        new[] { "4 x 5 @ +21.25 kg 2 in reserve", "4 x 5 @ +23.75 kg 2 in reserve" }
    )]
    public void A_planned_increase_is_confirmed_up_to_the_usual_step(string planned, bool confirms, string[] after)
    {
        var trainee = Dip(planned);
        var proposal = Assert.Single(trainee.Decide());
        Assert.Equal((ProposalKind.AddLoad, confirms), (proposal.Kind, proposal.Confirms));
        Assert.Equal(after, Lines(trainee, proposal));
    }

    // What is postponed is the second; the two sets and the three of the coming week are its own.
    [Fact]
    public void An_increase_that_waits_leaves_the_week_its_sets()
    {
        var trainee = new Trainee()
            .Twice("hollow-hold", "hold 3 x 15 s", [15, 15, 14], role: ItemRole.Main)
            .Plan("2026-03-16", "hollow-hold", "hold 2 x 16 s", ItemRole.Main)
            .Plan("2026-03-19", "hollow-hold", "hold 3 x 16 s", ItemRole.Main)
            .Plan("2026-03-23", "hollow-hold", "hold 3 x 17 s", ItemRole.Main);
        var proposal = Assert.Single(trainee.Decide(), d => d.Kind == ProposalKind.Hold);
        Assert.Equal(["hold 2 x 15 s", "hold 3 x 15 s"], Lines(trainee, proposal));
    }

    // The level that was found is how much a set holds; how many sets a day has was planned with the day.
    [Fact]
    public void A_level_that_was_found_leaves_each_day_its_sets()
    {
        var trainee = new Trainee()
            .Did("2026-03-12", "split-squat", "3 x 8..10 2 in reserve", [10, 9, 8], 2, role: ItemRole.LevelFinding)
            .Plan("2026-03-16", "split-squat", "2 x 8..10 2 in reserve", ItemRole.LevelFinding)
            .Plan("2026-03-19", "split-squat", "4 x 8..10 2 in reserve", ItemRole.LevelFinding);
        var proposal = Assert.Single(trainee.Decide(), d => d.Kind == ProposalKind.SetDose);
        Assert.Equal(["2 x 7..9", "4 x 7..9"], Lines(trainee, proposal));
    }

    // A rep or a second was earned. What the plan had for weeks that were postponed comes back to that.
    [Theory]
    [InlineData("hollow-hold", "hold 3 x 15 s", "hold 3 x 16 s", true, new string[0])]
    [InlineData("hollow-hold", "hold 3 x 15 s", "hold 3 x 18 s", false, new[] { "hold 3 x 16 s", "hold 3 x 17 s" })]
    [InlineData("push-up", "3 x 8..10", "3 x 9..11", true, new string[0])]
    [InlineData("push-up", "3 x 8..10", "3 x 10..12", false, new[] { "3 x 9..11", "3 x 10..12" })]
    public void A_planned_rep_or_second_is_confirmed_up_to_what_was_earned(
        string movement,
        string line,
        string planned,
        bool confirms,
        string[] after
    )
    {
        var most = line.Contains("15 s", StringComparison.Ordinal) ? 15 : 10;
        var trainee = new Trainee()
            .Twice(movement, line, [most, most, most], role: ItemRole.Main)
            .Plan("2026-03-16", movement, planned, ItemRole.Main)
            .Plan("2026-03-19", movement, planned.Replace("18", "19").Replace("10..12", "11..13"), ItemRole.Main);
        var proposal = Assert.Single(trainee.Decide(), d => !d.IsBeside);
        Assert.Equal(confirms, proposal.Confirms);
        Assert.Equal(after, Lines(trainee, proposal));
    }

    [Fact]
    public void Another_role_and_another_movement_are_not_touched()
    {
        var trainee = Dip("4 x 5 @ +20 kg 2 in reserve", ItemRole.Main)
            .Plan("2026-03-16", "weighted-dip", "3 x 8 @ +10 kg", ItemRole.Second)
            .Plan("2026-03-16", "weighted-pull-up", "4 x 5 @ +20 kg", ItemRole.Main);
        var changes = PlanRevision.Of(trainee.Decide().Single(), trainee.Work(Trainee.Thursday), trainee.Planned, _ =>
            Guid.NewGuid()
        );
        Assert.All(changes, c => Assert.Equal("weighted-dip", c.Before!.Movement));
        Assert.DoesNotContain(changes, c => NotationPrinter.Print(c.Before!.Plan) == "3 x 8 @ +10 kg");
    }

    // The worked case of the week's own sets: 5 sets planned stay 5, whatever the last session had.
    [Fact]
    public void The_wave_of_the_sets_and_the_rests_stay()
    {
        var trainee = new Trainee(72)
            .Twice("weighted-dip", "4 x 5 @ +20 kg", [5, 5, 5, 5], role: ItemRole.Main)
            .Plan("2026-03-16", "weighted-dip", "5 x 5 @ +20 kg rest 3:00", ItemRole.Main);
        Assert.Equal(["5 x 5 @ +21.25 kg rest 3:00"], Lines(trainee, trainee.Decide().Single()));
    }

    [Fact]
    public void Pain_eases_every_coming_item_of_the_movement_whatever_its_role()
    {
        var trainee = new Trainee()
            .Did(
                "2026-03-12",
                "neutral-pull-up",
                "4 x 6 @ +20 kg",
                [6, 6, 6, 6],
                pain: 3,
                place: "inner elbow",
                role: ItemRole.Hard
            )
            .Plan("2026-03-16", "neutral-pull-up", "4 x 6 @ +20 kg", ItemRole.Hard)
            .Plan("2026-03-19", "neutral-pull-up", "3 x 6 @ +12.5 kg", ItemRole.Light);
        Assert.Equal(["4 x 6 @ +10 kg", "3 x 6 @ +3.75 kg"], Lines(trainee, trainee.Decide()[0]));
    }

    [Fact]
    public void A_return_is_planned_for_two_sessions()
    {
        var trainee = new Trainee(78)
            .Did("2026-03-01", "weighted-dip", "3 x 6 @ +12.5 kg", [6, 6, 6], pain: 7, place: "shoulder")
            .Cleared("2026-03-15", "shoulder");
        foreach (var day in new[] { "2026-03-16", "2026-03-19", "2026-03-23" })
            trainee.Plan(day, "weighted-dip", "3 x 6 @ +12.5 kg");
        var proposal = trainee.Decide("2026-03-15").Single(p => p.Kind == ProposalKind.Return);
        // Fourteen days lose a third of the sets: two of three.
        Assert.Equal(["2 x 6 @ +2.5 kg", "2 x 6 @ +2.5 kg"], Lines(trainee, proposal));
    }

    [Fact]
    public void The_next_step_is_added_before_the_one_that_gives_way()
    {
        var trainee = new Trainee(73) { StatureCm = 174.1m }
            .Tested("pull-up-max", "10")
            .Twice("front-lever-tuck", "hold 3 x 10 s", [10, 10, 10], role: ItemRole.Main)
            .Plan("2026-03-16", "front-lever-tuck", "hold 3 x 10 s", ItemRole.Main);
        var changes = PlanRevision.Of(
            trainee.Decide().Single(p => p.Kind == ProposalKind.NextStep),
            trainee.Work(Trainee.Thursday),
            trainee.Planned,
            _ => Guid.Empty
        );
        Assert.Equal(
            [("hold 3 x 7 s", null), ("hold 3 x 3 s", trainee.Planned[0].Item)],
            changes.Select(c => (NotationPrinter.Print(c.After.Plan), c.AheadOf))
        );
    }
}
