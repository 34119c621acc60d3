using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Ladders;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using static Cumbre.Core.Tests.Ladders.Results;

namespace Cumbre.Core.Tests.Ladders;

// Thresholds: common practice, no source.
public class GateTests
{
    private static GateState Evaluate(string school, params BenchmarkResult[] results) =>
        GateRule.Evaluate(
            LoadGate.Under(
                Atlas.Shipped,
                "weighted-pull-up",
                new(Catalogue.Shipped, new Dictionary<string, string> { [Schools.Loading] = school })
            )!,
            Book(results)
        );

    private static GateState Held(string gate, params BenchmarkResult[] results) =>
        GateRule.Evaluate(Gate(gate), Book(results));

    private static BenchmarkResult[] Base(int daysAgo) =>
        [
            Reps("chin-up-max", 5, daysAgo),
            Reps("push-up-max", 15, daysAgo),
            Reps("row-max", 10, daysAgo),
            Reps("parallel-bar-dip-max", 10, daysAgo),
        ];

    [Fact]
    public void Base_first_opens_with_its_four_thresholds() => Assert.True(Evaluate("base-first", Base(0)).Open);

    [Theory]
    [InlineData("chin-up-max", 4)]
    [InlineData("push-up-max", 14)]
    [InlineData("row-max", 9)]
    [InlineData("parallel-bar-dip-max", 9)]
    public void Each_threshold_of_base_first_blocks_alone(string benchmark, int reps)
    {
        var state = Evaluate("base-first", [.. Base(0).Where(r => r.Benchmark != benchmark), Reps(benchmark, reps)]);
        Assert.False(state.Open);
        Assert.Equal(benchmark, state.Limiting!.Term.Benchmark);
        Assert.Single(state.Unmet);
    }

    [Theory]
    [InlineData(9, false)]
    [InlineData(10, true)]
    public void Rep_first_asks_ten_clean_pull_ups_and_nothing_else(int reps, bool open) =>
        Assert.Equal(open, Evaluate("rep-first", Reps("pull-up-max", reps)).Open);

    [Fact]
    public void Pull_ups_speak_for_the_easier_chin_up() =>
        Assert.True(
            Evaluate("base-first", [.. Base(0).Where(r => r.Benchmark != "chin-up-max"), Reps("pull-up-max", 6)]).Open
        );

    [Fact]
    public void A_result_with_broken_form_does_not_count() =>
        Assert.False(Evaluate("rep-first", Reps("pull-up-max", 12, form: FormVerdict.Broken)).Open);

    [Theory]
    [InlineData(42)]
    [InlineData(43)]
    [InlineData(200)]
    public void A_gate_that_was_open_stays_open_however_old_the_result(int daysAgo) =>
        Assert.True(Evaluate("rep-first", Reps("pull-up-max", 10, daysAgo)).Open);

    [Fact]
    public void A_stale_result_opens_nothing_new_and_is_told_among_the_unmet()
    {
        var state = Evaluate(
            "base-first",
            [.. Base(50).Where(r => r.Benchmark != "push-up-max"), Reps("push-up-max", 20)]
        );
        Assert.False(state.Open);
        Assert.Equal(3, state.Unmet.Count(t => t is { Stale: true, Met: true }));
    }

    [Fact]
    public void A_fresh_failed_test_closes_an_open_gate() =>
        Assert.False(Evaluate("rep-first", Reps("pull-up-max", 11, 30), Reps("pull-up-max", 8, 2)).Open);

    [Fact]
    public void A_failed_test_with_broken_form_closes_nothing() =>
        Assert.True(
            Evaluate("rep-first", Reps("pull-up-max", 11, 30), Reps("pull-up-max", 8, 2, FormVerdict.Broken)).Open
        );

    [Fact]
    public void A_training_set_opens_and_never_closes()
    {
        var trained = Reps("pull-up-max", 8, 2) with { Origin = ResultOrigin.TrainingSet };
        Assert.True(Evaluate("rep-first", Reps("pull-up-max", 11, 30), trained).Open);
        Assert.True(
            Evaluate(
                "rep-first",
                Reps("pull-up-max", 9, 30),
                Reps("pull-up-max", 10, 2) with
                {
                    Origin = ResultOrigin.TrainingSet,
                }
            ).Open
        );
    }

    [Fact]
    public void A_single_long_hold_is_no_try_at_three_sets()
    {
        var shown = Seconds("front-lever-tuck", 10, 30, sets: 3);
        Assert.True(Held("tuck front lever >= 3 x 10 s", shown, Seconds("front-lever-tuck", 12, 2)).Open);
        Assert.False(Held("tuck front lever >= 3 x 10 s", shown, Seconds("front-lever-tuck", 8, 2)).Open);
        Assert.False(Held("tuck front lever >= 3 x 10 s", Seconds("front-lever-tuck", 30)).Open);
    }

    [Fact]
    public void A_set_of_five_is_no_try_at_a_single()
    {
        var single = Load("weighted-pull-up-heavy", 52.5m, 1, 30);
        Assert.True(Held("weighted pull-up >= +75 % bm x 1", single, Load("weighted-pull-up-heavy", 30, 5, 2)).Open);
        Assert.False(Held("weighted pull-up >= +75 % bm x 1", single, Load("weighted-pull-up-heavy", 50, 1, 2)).Open);
    }

    [Fact]
    public void Three_to_the_belly_are_no_try_at_five_to_the_chest()
    {
        var chest = Of("high-pull-up", new Score(5, contact: Contact.Chest), 30);
        Assert.True(
            Held("high pull-up >= chest x 5", chest, Of("high-pull-up", new Score(3, contact: Contact.Belly), 2)).Open
        );
        Assert.False(
            Held("high pull-up >= chest x 5", chest, Of("high-pull-up", new Score(3, contact: Contact.Chest), 2)).Open
        );
        Assert.False(
            Held(
                "high pull-up >= chest x 5",
                chest,
                Of("high-pull-up", new Score(5, contact: Contact.Collarbone), 2)
            ).Open
        );
    }

    [Theory]
    [InlineData(17.5, 5, true)]
    [InlineData(17.4, 5, false)]
    [InlineData(17.5, 4, false)]
    public void A_share_of_body_mass_is_held_against_the_body_mass_of_the_day(double added, int reps, bool open) =>
        Assert.Equal(
            open,
            Held("weighted pull-up >= +25 % bm x 5", Load("weighted-pull-up-heavy", (decimal)added, reps)).Open
        );

    [Fact]
    public void Both_sides_are_asked_and_the_weaker_one_decides()
    {
        const string gate = "one-arm hang >= 10 s each side";
        var one = Held(gate, Seconds("one-arm-hang", 14, side: Side.Left));
        Assert.Equal((false, Side.Right, 0m), (one.Open, one.Unmet[0].MissingSide, one.Unmet[0].Fraction));
        var both = Held(
            gate,
            Seconds("one-arm-hang", 14, side: Side.Left),
            Seconds("one-arm-hang", 7, side: Side.Right)
        );
        Assert.Equal((false, Side.Right, 0.7m), (both.Open, both.Unmet[0].Have!.Side, both.Unmet[0].Fraction));
        Assert.True(
            Held(gate, Seconds("one-arm-hang", 14, side: Side.Left), Seconds("one-arm-hang", 10, side: Side.Right)).Open
        );
    }

    [Theory]
    [InlineData(Contact.Chest, 5, true)]
    [InlineData(Contact.Belly, 5, true)]
    [InlineData(Contact.Collarbone, 5, false)]
    [InlineData(Contact.Chest, 4, false)]
    public void A_higher_contact_serves_too(Contact contact, int reps, bool open) =>
        Assert.Equal(
            open,
            Held("high pull-up >= chest x 5", Of("high-pull-up", new Score(reps, contact: contact))).Open
        );

    [Theory]
    [InlineData(5, 20, 300, true)]
    [InlineData(5, 20, 301, false)]
    [InlineData(4, 25, 200, false)]
    public void Capacity_counts_sets_reps_and_rest(int sets, int reps, int rest, bool open) =>
        Assert.Equal(
            open,
            Held(
                "pull-up capacity >= 5 x 20 within 5:00",
                Of("pull-up-capacity", new Score(reps, sets, restSeconds: rest))
            ).Open
        );

    [Fact]
    public void Of_alternatives_the_nearest_is_told()
    {
        const string gate = "pull-up >= 10 reps and (parallel-bar dip >= 10 reps or weighted dip >= +10 % bm x 1)";
        var state = Held(gate, Reps("pull-up-max", 10), Reps("parallel-bar-dip-max", 4), Load("weighted-dip", 6, 1));
        Assert.Equal("weighted-dip", Assert.Single(state.Unmet).Term.Benchmark);
        Assert.True(Held(gate, Reps("pull-up-max", 10), Load("weighted-dip", 7, 1)).Open);
        Assert.True(Held(gate, Reps("pull-up-max", 10), Reps("parallel-bar-dip-max", 10)).Open);
    }

    [Fact]
    public void The_fraction_tells_how_far_it_is_and_never_says_all_of_an_unmet_figure()
    {
        Assert.Equal(0.4m, Evaluate("rep-first", Reps("pull-up-max", 4)).Limiting!.Fraction);
        Assert.Equal(
            0.6m,
            Held("tuck front lever >= 3 x 10 s", Seconds("front-lever-tuck", 9, sets: 2)).Limiting!.Fraction
        );
        Assert.Equal(
            0.99m,
            Held("weighted pull-up >= +25 % bm x 5", Load("weighted-pull-up-heavy", 40, 3)).Limiting!.Fraction
        );
    }
}
