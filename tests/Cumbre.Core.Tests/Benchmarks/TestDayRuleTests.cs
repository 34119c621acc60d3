using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Ladders;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using static Cumbre.Core.Tests.Ladders.Results;

namespace Cumbre.Core.Tests.Benchmarks;

// Noise of a test, sides, batteries and clearance: this project's choices and common practice, no source, unless one is
// named.
public class TestDayRuleTests
{
    [Theory]
    [InlineData(7, 4, 0.4286, SideGapAdvice.WeakerFirst)] // worked example: 42.9 %
    [InlineData(10, 9, 0.1, SideGapAdvice.None)]
    [InlineData(10, 8.8, 0.12, SideGapAdvice.Note)]
    [InlineData(4, 3, 0.25, SideGapAdvice.Note)] // over 15 %, but only 1 s
    [InlineData(5, 5, 0, SideGapAdvice.None)]
    public void A_gap_between_the_sides_is_noted_and_from_15_percent_and_2_s_the_weaker_goes_first(
        double left,
        double right,
        double fraction,
        SideGapAdvice advice
    )
    {
        var gap = new SideGap((decimal)left, (decimal)right);
        Assert.Equal(fraction, (double)gap.Fraction, 0.0001);
        Assert.Equal(advice, gap.Advice);
        Assert.Equal(left == right ? null : Side.Right, gap.Weaker);
    }

    [Theory]
    [InlineData(12, 13, true)]
    [InlineData(12, 11, true)]
    [InlineData(12, 14, false)]
    public void One_rep_more_or_less_is_within_the_noise(int before, int now, bool noise)
    {
        var change = TestNoise.Of(
            Reps("pull-up-max", now),
            [Reps("pull-up-max", before, daysAgo: 30), Reps("pull-up-max", 2, daysAgo: 60), Reps("dip", 1, daysAgo: 5)]
        )!;
        Assert.Equal((now - before, noise), (change.Difference, change.IsNoise));
    }

    [Fact]
    public void Seconds_sides_and_loads_are_compared_in_their_own_unit()
    {
        Assert.True(TestNoise.Of(Seconds("hold", 10), [Seconds("hold", 9, daysAgo: 9)])!.IsNoise);
        Assert.False(TestNoise.Of(Seconds("hold", 10.5m), [Seconds("hold", 9, daysAgo: 9)])!.IsNoise);
        Assert.Null(
            TestNoise.Of(Seconds("hold", 10, side: Side.Left), [Seconds("hold", 9, daysAgo: 9, side: Side.Right)])
        );
        // 70 + 20 to 70 + 22 kg: 2.2 % of the system.
        var load = TestNoise.Of(Load("w", 22, 5), [Load("w", 20, 5, daysAgo: 9)])!;
        Assert.Equal((2.2m, true), (load.Difference, load.IsNoise));
        Assert.False(TestNoise.Of(Load("w", 23, 5), [Load("w", 20, 5, daysAgo: 9)])!.IsNoise);
        Assert.Null(TestNoise.Of(Load("w", 22, 4), [Load("w", 20, 5, daysAgo: 9)])!.Difference);
        Assert.Null(TestNoise.Of(Reps("r", 5), []));
        Assert.Null(TestNoise.Of(Reps("r", 5), [Reps("r", 5, daysAgo: 3, form: FormVerdict.Broken)]));
    }

    private static Climber Athlete(params IEnumerable<BenchmarkResult> results) =>
        new(Guid.NewGuid(), "A", Schools.Default, Book(results), []);

    private static Battery Propose(Climber climber, IReadOnlyList<ClearanceQuestion> blocks, params string[] goals) =>
        Battery.Propose(climber, [.. goals.Select(g => new Goal(g, GoalKind.Advance))], blocks, Atlas.Shipped);

    [Fact]
    public void A_newcomer_begins_with_one_movement_of_each_base_pattern()
    {
        var battery = Propose(Athlete(), []);
        Assert.Equal(Battery.Base.Order(), battery.Tests.Select(t => t.Benchmark.Slug).Order());
        Assert.All(battery.Tests, t => Assert.Equal(BatteryReason.Base, t.Reason));
    }

    [Fact]
    public void The_tests_are_those_that_decide_the_open_gates_of_the_goals()
    {
        // Nine pull-ups and a tuck of 3 x 10 s: the front lever asks the advanced tuck, and nothing else.
        var athlete = Athlete(Reps("pull-up-max", 9), Seconds("front-lever-tuck", 10, sets: 3));
        var test = Assert.Single(Propose(athlete, [], "front-lever").Tests);
        Assert.Equal(("front-lever-advanced-tuck", BatteryReason.NeverTested), (test.Benchmark.Slug, test.Reason));
        // What is shown is not tested; a figure that was old before the others were shown is tested again.
        var stale = Propose(
            Athlete(
                Reps("chin-up-max", 8, daysAgo: 80),
                Reps("push-up-max", 20),
                Reps("row-max", 12),
                Reps("parallel-bar-dip-max", 12)
            ),
            [],
            "weighted-pull-up"
        ).Tests;
        var again = Assert.Single(stale, t => t.Reason != BatteryReason.NeverTested);
        Assert.Equal(("chin-up-max", BatteryReason.Stale), (again.Benchmark.Slug, again.Reason));
    }

    [Theory]
    // The planche begins at a wrist range of 90 degrees and 15 push-ups: three quarters are near, less is far.
    [InlineData(12, 0, true)]
    [InlineData(11, 0, false)]
    // An old result says nothing of today: both are tested.
    [InlineData(11, 80, true)]
    public void A_test_waits_while_another_threshold_of_its_step_is_far_away(int pushUps, int daysAgo, bool asked)
    {
        var battery = Propose(Athlete(Reps("push-up-max", pushUps, daysAgo: daysAgo)), [], "planche");
        Assert.Contains(battery.Tests, t => t.Benchmark.Slug == "push-up-max");
        Assert.Equal(asked, battery.Tests.Any(t => t.Benchmark.Slug == "wrist-extension"));
        if (asked)
            Assert.Empty(battery.Waiting);
        else
            Assert.Equal(
                ("wrist-extension", "push-up-max"),
                Assert.Single(battery.Waiting) is var w ? (w.Benchmark.Slug, w.Behind.Term.Benchmark) : default
            );
    }

    [Fact]
    public void A_test_that_waits_for_one_goal_is_done_for_another()
    {
        var climber = Athlete(Reps("push-up-max", 11), Reps("pull-up-max", 9));
        Assert.Equal("wrist-extension", Assert.Single(Propose(climber, [], "planche").Waiting).Benchmark.Slug);
        var both = Propose(climber, [], "planche", "handstand");
        Assert.Contains(both.Tests, t => t.Benchmark.Slug == "wrist-extension");
        Assert.Empty(both.Waiting);
    }

    [Fact]
    public void A_test_tells_what_it_wins_and_what_it_opens()
    {
        var athlete = Athlete(Reps("pull-up-max", 9), Seconds("front-lever-tuck", 8, sets: 3));
        var tests = Propose(athlete, [], "front-lever").Tests;
        var tuck = tests.Single(t => t.Benchmark.Slug == "front-lever-tuck").Decides;
        Assert.Contains(tuck, d => d is { Wins: true, Step.Slug: "tuck" });
        Assert.All(tuck, d => Assert.Equal(10m, ((SecondsTarget)d.Term.Term.Target).Seconds));
    }

    [Fact]
    public void No_evening_has_more_than_six_tests_and_none_twice()
    {
        var goals = Atlas.Shipped.Ladders.Select(l => l.Slug).ToArray();
        var battery = Propose(Athlete(Reps("pull-up-max", 9)), [], goals);
        Assert.Equal(Battery.Maximum, battery.Tests.Count);
        Assert.NotEmpty(battery.Later);
        var all = battery.Tests.Concat(battery.Later).Select(t => t.Benchmark.Slug).ToArray();
        Assert.Equal(all.Length, all.Distinct().Count());
        Assert.Contains(battery.Tests.Concat(battery.Later), t =>
            t.Decides.Select(d => d.Ladder).Distinct().Count() > 1
        );
    }

    [Fact]
    public void Contact_height_comes_before_holds_before_heavy_sets_before_most_reps_and_pulls_and_pushes_take_turns()
    {
        BatteryTest Test(string slug) => new(Catalogue.Shipped.Benchmarks[slug], BatteryReason.FellShort, []);
        var order = Battery.InOrder(
            [
                Test("pull-up-capacity"),
                Test("pull-up-max"),
                Test("row-max"),
                Test("push-up-max"),
                Test("weighted-dip"),
                Test("weighted-pull-up-heavy"),
                Test("front-lever-tuck"),
                Test("planche-tuck"),
                Test("high-pull-up"),
            ],
            Catalogue.Shipped
        );
        Assert.Equal(
            [
                "high-pull-up",
                "planche-tuck",
                "front-lever-tuck",
                "weighted-pull-up-heavy",
                "weighted-dip",
                "pull-up-max",
                "push-up-max",
                "row-max",
                "pull-up-capacity",
            ],
            order.Select(t => t.Benchmark.Slug)
        );
    }

    [Fact]
    public void The_time_is_the_work_and_the_rests_between()
    {
        // By hand: contact 60 s, rest 180, a hold on both sides 2 x 240, rest 180, most reps 60: no rest after the
        // last.
        var time = Battery.TimeOf(
            new[] { "high-pull-up", "human-flag-tuck", "pull-up-max" }.Select(s => Catalogue.Shipped.Benchmarks[s])
        );
        Assert.Equal(60 + 180 + 480 + 180 + 60, time.Value);
        Assert.Equal(3, time.Why.Working.Count);
        Assert.Equal(0, Battery.TimeOf([]).Value);
    }

    [Theory]
    [InlineData(12, false, "under-18")]
    [InlineData(17, false, "under-18")]
    [InlineData(18, false, null)]
    [InlineData(60, false, null)]
    [InlineData(90, false, "over-60")]
    [InlineData(90, true, null)]
    [InlineData(null, false, null)]
    public void The_age_asks_for_clearance(int? age, bool cleared, string? question) =>
        Assert.Equal(question, Clearance.Open(age, cleared, Intake.Empty).SingleOrDefault()?.Slug);

    [Fact]
    public void A_minor_needs_a_guardians_consent()
    {
        Assert.True(Clearance.ConsentMissing(16, Intake.Empty));
        Assert.False(Clearance.ConsentMissing(16, Intake.Empty with { GuardianConsent = true }));
        Assert.False(Clearance.ConsentMissing(18, Intake.Empty));
        Assert.False(Clearance.ConsentMissing(null, Intake.Empty));
    }

    [Fact]
    public void What_is_not_cleared_keeps_its_movements_out_of_the_battery_until_it_is()
    {
        var yes = Intake.Empty with
        {
            Clearance = new Dictionary<string, ClearanceAnswer> { ["glaucoma"] = new(true, false) },
        };
        var open = Clearance.Open(30, false, yes);
        var athlete = Athlete(Reps("pull-up-max", 9));
        var battery = Propose(athlete, open, "handstand", "front-lever");
        Assert.All(battery.Blocked, b => Assert.Equal("glaucoma", b.By.Slug));
        Assert.All(battery.Tests, t =>
            Assert.DoesNotContain(
                Core.Explanations.CautionId.Inversion,
                Catalogue.Shipped.Movements[t.Benchmark.Movement].Cautions
            )
        );
        Assert.NotEmpty(battery.Blocked);
        var cleared = Clearance.Open(
            30,
            false,
            yes with
            {
                Clearance = new Dictionary<string, ClearanceAnswer> { ["glaucoma"] = new(true, true) },
            }
        );
        Assert.Empty(Propose(athlete, cleared, "handstand", "front-lever").Blocked);
    }

    [Fact]
    public void Every_question_of_clearance_blocks_something_and_says_why() => Assert.All(Clearance.Questions, q =>
        {
            Assert.Contains(Catalogue.Shipped.Movements.Values, q.Blocks);
            Assert.True(q.Why.Length > 10);
            Assert.True(q.BlocksAll || Catalogue.Shipped.Movements.Values.Any(m => !q.Blocks(m)));
        });
}
