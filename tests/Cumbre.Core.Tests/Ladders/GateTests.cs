using Cumbre.Core.Benchmarks;
using Cumbre.Core.Ladders;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;

namespace Cumbre.Core.Tests.Ladders;

public class GateTests
{
    private static readonly DateOnly Today = new(2026, 3, 16);
    private static readonly Gate Gate = Catalogue.Shipped.Gates["weighted-pull-up"];

    private static BenchmarkResult Result(string benchmark, int reps, int daysAgo = 0, FormVerdict form = FormVerdict.Clean) =>
        new(Guid.NewGuid(), benchmark, Today.AddDays(-daysAgo), reps, MassEntry.Kg(0), 0, Mass.FromKilograms(70), form);

    private static GateState Evaluate(string school, params BenchmarkResult[] results) => GateRule.Evaluate(Gate, school, results, Today);

    private static BenchmarkResult[] Base(int daysAgo) =>
        [Result("chin-up-max", 5, daysAgo), Result("push-up-max", 15, daysAgo), Result("row-max", 10, daysAgo), Result("parallel-bar-dip-max", 10, daysAgo)];

    // Thresholds of both schools: common practice, no source.
    [Fact]
    public void Base_first_opens_with_its_four_thresholds() => Assert.True(Evaluate("BaseFirst", Base(0)).Open);

    [Theory]
    [InlineData("chin-up-max", 4)]
    [InlineData("push-up-max", 14)]
    [InlineData("row-max", 9)]
    [InlineData("parallel-bar-dip-max", 9)]
    public void Each_threshold_of_base_first_blocks_alone(string benchmark, int reps)
    {
        var state = Evaluate("BaseFirst", [.. Base(0).Where(r => r.Benchmark != benchmark), Result(benchmark, reps)]);
        Assert.False(state.Open);
        Assert.Equal(benchmark, state.Limiting!.Term.AnyOf[0]);
    }

    [Theory]
    [InlineData(9, false)]
    [InlineData(10, true)]
    public void Rep_first_asks_ten_clean_pull_ups_and_nothing_else(int reps, bool open) =>
        Assert.Equal(open, Evaluate("RepFirst", Result("pull-up-max", reps)).Open);

    [Fact]
    public void Pull_ups_speak_for_the_easier_chin_up() =>
        Assert.True(Evaluate("BaseFirst", [.. Base(0).Where(r => r.Benchmark != "chin-up-max"), Result("pull-up-max", 6)]).Open);

    [Fact]
    public void A_result_with_broken_form_does_not_count() =>
        Assert.False(Evaluate("RepFirst", Result("pull-up-max", 12, form: FormVerdict.Broken)).Open);

    [Theory]
    [InlineData(42, true)]
    [InlineData(43, true)]
    [InlineData(200, true)]
    public void A_gate_that_was_open_stays_open_however_old_the_result(int daysAgo, bool open) =>
        Assert.Equal(open, Evaluate("RepFirst", Result("pull-up-max", 10, daysAgo)).Open);

    [Fact]
    public void A_stale_result_opens_nothing_new()
    {
        var state = Evaluate("BaseFirst", [.. Base(50).Where(r => r.Benchmark != "push-up-max"), Result("push-up-max", 20)]);
        Assert.False(state.Open);
        Assert.Equal(3, state.Terms.Count(t => t.Stale && t.Met));
    }

    [Fact]
    public void A_fresh_failed_test_closes_an_open_gate() =>
        Assert.False(Evaluate("RepFirst", Result("pull-up-max", 11, 30), Result("pull-up-max", 8, 2)).Open);

    [Fact]
    public void A_failed_test_with_broken_form_closes_nothing() =>
        Assert.True(Evaluate("RepFirst", Result("pull-up-max", 11, 30), Result("pull-up-max", 8, 2, FormVerdict.Broken)).Open);

    [Fact]
    public void The_fraction_tells_how_far_it_is() =>
        Assert.Equal(0.4m, Evaluate("RepFirst", Result("pull-up-max", 4)).Limiting!.Fraction);
}
