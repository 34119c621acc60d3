using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Ladders;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Notation;
using Cumbre.Core.Programmes;

namespace Cumbre.Core.Tests.Programmes;

/// <summary>Missed weeks, templates, substitutes and usual lines.</summary>
public class BlockChangeTests
{
    private static readonly BenchmarkResult[] Strong =
    [
        Gym.Result("weighted-pull-up-heavy", Score.OfReps(5), 20, 1),
        Gym.Result("pull-up-max", Score.OfReps(14)),
        Gym.Result("front-lever-tuck", Score.OfSeconds(15, 3)),
    ];

    // One week: repeat it; two: -5 % of the system and a third fewer sets; three to four: -10 %, straight-arm one step
    // lower; more: retest (this project's choice).
    [Theory]
    [InlineData(1, ReturnRule.Repeat, "6 x 4 @ +20 kg")]
    [InlineData(2, ReturnRule.Less, "4 x 4 @ +15 kg")]
    [InlineData(3, ReturnRule.MuchLess, "3 x 4 @ +10 kg")]
    [InlineData(5, ReturnRule.Retest, "6 x 4 @ +20 kg")]
    public void After_missed_weeks_the_first_week_back_is_eased_by_the_rule(int missed, ReturnRule rule, string line)
    {
        var block = Gym.Block([(0, ["weighted-pull-up: 6 x 4 @ +20 kg"])], [(0, ["weighted-pull-up: 6 x 4 @ +20 kg"])]);
        var shifted = MissedWeeks.Shift(block, 1, missed, Gym.Athlete(results: Strong));
        var back = shifted.Block.Weeks[missed].Sessions.Single();
        Assert.Equal((rule, line, Gym.Monday.AddDays(7 * missed)), (shifted.Rule, back.Items.Single().Line, back.Day));
        // 5 % of 90 kg is 4.5: +15.5, of which the plates make 15; 10 % is 9: +11, of which they make 10, as 11.25 is
        // more.
        Assert.Equal("6 x 4 @ +20 kg", shifted.Block.Weeks[missed + 1].Sessions.Single().Items.Single().Line);
        Assert.Equal(rule is ReturnRule.Less or ReturnRule.MuchLess ? 1 : 0, shifted.Changes.Count);
        Assert.Equal(rule == ReturnRule.Retest ? WeekKind.Retest : WeekKind.Loading, shifted.Block.Weeks[missed].Kind);
        Assert.All(Enumerable.Range(0, missed), w => Assert.Empty(shifted.Block.Weeks[w].Sessions));
    }

    [Fact]
    public void After_three_weeks_straight_arm_work_goes_one_step_lower()
    {
        var shifted = MissedWeeks.Shift(
            Gym.Block([(0, ["front-lever-advanced-tuck: hold 4 x 8 s"])]),
            1,
            3,
            Gym.Athlete(results: Strong)
        );
        var item = shifted.Block.Weeks[3].Sessions.Single().Items.Single();
        Assert.Equal("front-lever-tuck", item.Movement);
        Assert.Equal(ChangeReason.StepLower, shifted.Changes.Single().Reason);
    }

    [Fact]
    public void What_was_begun_in_a_missed_week_stays_where_it_is()
    {
        var block = Gym.Block([(0, ["pull-up: 3 x 8"]), (3, ["pull-up: 3 x 8"])]);
        var begun = block with
        {
            Weeks =
            [
                block.Weeks[0] with
                {
                    Sessions = [block.Weeks[0].Sessions[0] with { Fixed = true }, block.Weeks[0].Sessions[1]],
                },
            ],
        };
        var shifted = MissedWeeks.Shift(begun, 1, 1, Gym.Athlete()).Block;
        Assert.Equal(
            (Gym.Monday, Gym.Monday.AddDays(10)),
            (shifted.Weeks[0].Sessions.Single().Day, shifted.Weeks[1].Sessions.Single().Day)
        );
    }

    [Fact]
    public void A_block_is_not_shifted_beyond_its_longest()
    {
        var block = Gym.Block([.. Enumerable.Repeat<(int, string[])[]>([], 16)]);
        Assert.Throws<RuleViolationException>(() => MissedWeeks.Shift(block, 1, 1, Gym.Athlete()));
        Assert.Throws<RuleViolationException>(() => MissedWeeks.Shift(block, 17, 1, Gym.Athlete()));
    }

    [Fact]
    public void A_template_keeps_shares_rather_than_kilograms()
    {
        var weeks = TemplateFit.Generalise(
            Gym.Block([(0, ["weighted-pull-up: 4 x 5 @ +16.25 kg rest 2:30", "pull-up: 3 x 8"])]).Weeks,
            Gym.Athlete(results: Strong)
        );
        // 86.25 of 108 is 79.9 %.
        Assert.Equal(["4 x 5 @ 80 % e1RM rest 2:30", "3 x 8"], weeks[0].Sessions[0].Items.Select(i => i.Line));
    }

    [Fact]
    public void A_template_is_fitted_to_the_level_of_each_athlete()
    {
        var block = Gym.Block([
            (
                0,
                [
                    "weighted-pull-up: 4 x 5 @ 80 % e1RM",
                    "front-lever-straddle: hold 4 x 8 s",
                    "ring-row: 3 x 10",
                    "push-up: 3 x 10",
                ]
            ),
        ]);
        var start = Gym.Monday.AddDays(14);
        var fitted = TemplateFit.Fit(
            "from a template",
            block.Weeks,
            Gym.Monday,
            start,
            Gym.Athlete(
                new Intake { Goals = [new("front-lever", GoalKind.Advance)] },
                results: [Gym.Result("front-lever-tuck", Score.OfSeconds(5))]
            ),
            Guid.NewGuid
        );
        var session = fitted.Block.Weeks[0].Sessions.Single();
        Assert.Equal(start, session.Day);
        Assert.NotEqual(block.Weeks[0].Sessions[0].Id, session.Id);
        var reasons = fitted.Changes.ToDictionary(c => c.Before.Movement, c => c.Reason);
        Assert.Equal(ChangeReason.StepLocked, reasons["front-lever-straddle"]);
        Assert.Equal(ChangeReason.KitMissing, reasons["ring-row"]);
        Assert.False(reasons.ContainsKey("push-up"));
        Assert.DoesNotContain(session.Items, i => i.Movement == "front-lever-straddle");
    }

    [Fact]
    public void A_hold_of_a_template_follows_the_athletes_own_best()
    {
        var block = Gym.Block([(0, ["row-top-hold: hold 4 x 20 s"])]);
        var fitted = TemplateFit.Fit(
            "t",
            block.Weeks,
            Gym.Monday,
            Gym.Monday,
            Gym.Athlete(results: [Gym.Result("row-top-hold", Score.OfSeconds(10))]),
            Guid.NewGuid
        );
        Assert.Equal("hold 4 x 6 s", fitted.Block.Weeks[0].Sessions[0].Items[0].Line);
        Assert.Equal(ChangeReason.HoldByBest, fitted.Changes.Single().Reason);
    }

    [Fact]
    public void Substitutes_do_the_same_are_not_locked_and_do_not_load_what_hurts()
    {
        var movement = Catalogue.Shipped.Movements["ring-row"];
        var found = Substitutes.For(movement, Gym.Athlete());
        Assert.NotEmpty(found);
        Assert.All(found, s => Assert.Equal(movement.Pattern, s.Movement.Pattern));
        Assert.Null(found[0].KitMissing);
        Assert.DoesNotContain(found, s => s.Status is StepStatus.Locked or StepStatus.Ahead);
        Assert.Empty(Substitutes.For(movement, Gym.Athlete(new Intake { Complaints = [new("left elbow", 5, null)] })));
    }

    [Fact]
    public void Every_movement_has_a_usual_line_that_can_be_read()
    {
        var athlete = Gym.Athlete(results: Strong);
        Assert.All(Catalogue.Shipped.Movements.Values, m =>
            Assert.True(
                NotationParser.Parse(NotationPrinter.Print(UsualDose.For(m, athlete))).Plan
                    == UsualDose.For(m, athlete),
                $"{m.Slug}: {UsualDose.For(m, athlete)}"
            )
        );
    }

    [Fact]
    public void A_level_is_one_above_the_hardest_of_its_easier_neighbours()
    {
        var catalogue = Catalogue.Shipped;
        Assert.All(catalogue.Movements.Values, m =>
            Assert.All(m.Easier, e => Assert.True(Level.Of(m, catalogue) > Level.Of(catalogue.Movements[e], catalogue)))
        );
        Assert.All(catalogue.Movements.Values.Where(m => m.Easier.Count == 0), m =>
            Assert.Equal(1, Level.Of(m, catalogue))
        );
    }

    [Fact]
    public void An_athlete_who_was_never_weighed_still_gets_their_lines_read()
    {
        var athlete = new AthleteAtWork(
            new AthleteSnapshot(
                MassUnit.Kg,
                null,
                false,
                new Schools(Catalogue.Shipped, new Dictionary<string, string>()),
                Kit.Empty,
                new([]),
                [],
                []
            ),
            Intake.Empty,
            Atlas.Shipped,
            KitBook.Empty,
            [],
            Gym.Monday
        );
        var reading = athlete.Read(new(Guid.NewGuid(), "pull-up", "3 x 8"));
        Assert.Equal(Core.Prescriptions.ResolutionProblem.NoBodyMass, reading.Problem);
        Assert.NotNull(reading.Plan);
    }
}
