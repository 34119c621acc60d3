using Cumbre.Core.Benchmarks;
using Cumbre.Core.Measures;

namespace Cumbre.Core.Tests.Benchmarks;

/// <summary>What a result remembers of itself is neither carried into a copy nor compared.</summary>
public sealed class SystemRangeTests
{
    private static BenchmarkResult Set(int reps, decimal body = 70) =>
        new(
            Guid.Empty,
            "weighted-pull-up-heavy",
            new(2026, 3, 16),
            Score.OfReps(reps),
            MassEntry.Kg(20),
            0,
            Mass.FromKilograms(body),
            FormVerdict.Clean
        );

    [Fact]
    public void One_repetition_is_what_was_lifted_by_every_formula_that_says_so()
    {
        var range = Set(1).SystemRange!.Value;
        Assert.InRange(90m, range.Low.Kilograms, range.High.Kilograms);
    }

    [Fact]
    public void The_formulas_do_not_reach_above_twelve()
    {
        Assert.NotNull(Set(12).SystemRange);
        Assert.Null(Set(13).SystemRange);
    }

    [Fact]
    public void A_changed_copy_works_it_out_anew()
    {
        var light = Set(5);
        var before = light.SystemRange;
        var heavy = light with { BodyMass = Mass.FromKilograms(80) };
        Assert.Equal(Set(5, 80).SystemRange, heavy.SystemRange);
        Assert.NotEqual(before, heavy.SystemRange);
        Assert.Equal(before, light.SystemRange);
    }

    [Fact]
    public void Two_are_equal_whether_it_was_worked_out_or_not()
    {
        var asked = Set(5);
        _ = asked.SystemRange;
        Assert.Equal(Set(5), asked);
        Assert.Equal(Set(5).GetHashCode(), asked.GetHashCode());
    }
}
