using CsCheck;
using Cumbre.Core.Explanations;
using Cumbre.Core.Measures;
using Cumbre.Core.Strength;
using MathNet.Numerics;
using MathNet.Numerics.RootFinding;

namespace Cumbre.Core.Tests.Strength;

public class OneRepMaxTests
{
    private static readonly DateOnly Day = new(2026, 3, 16);

    // The seven formulas of Epley 1985, Brzycki 1993, Lombardi 1989, O'Conner 1989, Lander 1985, Wathan 1994 and Mayhew
    // 1992,
    // for a load of 100 at 5 and 10 reps; values from memory, rounded to two decimals.
    [Theory]
    [InlineData(OneRepMaxFormula.Epley, 116.67, 133.33)]
    [InlineData(OneRepMaxFormula.Brzycki, 112.50, 133.33)]
    [InlineData(OneRepMaxFormula.Lombardi, 117.46, 125.89)]
    [InlineData(OneRepMaxFormula.OConner, 112.50, 125.00)]
    [InlineData(OneRepMaxFormula.Lander, 113.71, 134.07)]
    [InlineData(OneRepMaxFormula.Wathan, 116.58, 134.75)]
    [InlineData(OneRepMaxFormula.Mayhew, 119.01, 130.93)]
    public void Each_formula_gives_its_published_values(OneRepMaxFormula formula, double atFive, double atTen)
    {
        Assert.Equal(atFive, OneRepMax.By(formula, 100, 5), 0.005);
        Assert.Equal(atTen, OneRepMax.By(formula, 100, 10), 0.005);
    }

    [Fact]
    public void The_worked_example_of_the_trade_comes_out_to_the_digit()
    {
        var set = new HeavySet(Mass.FromKilograms(68.2m), Mass.FromKilograms(15), 6, 1, Day);
        var estimate = OneRepMax.Estimate(set)!.Value;
        Assert.Equal(83.2m, set.System.Kilograms);
        Assert.Equal(102.61m, Math.Round(estimate.Value.Kilograms, 2));
        Assert.Equal((97.76m, OneRepMaxFormula.OConner), (Math.Round(estimate.Low.Kilograms, 2), estimate.LowFormula));
        Assert.Equal(
            (103.19m, OneRepMaxFormula.Wathan),
            (Math.Round(estimate.High.Kilograms, 2), estimate.HighFormula)
        );
    }

    [Fact]
    public void A_single_with_nothing_in_reserve_is_the_maximum_itself()
    {
        foreach (var formula in Enum.GetValues<OneRepMaxFormula>())
            Assert.Equal(97.3, OneRepMax.By(formula, 97.3, 1));
    }

    [Theory]
    [InlineData(12, 0, true)]
    [InlineData(10, 2, true)]
    [InlineData(13, 3, false)]
    [InlineData(12, 1, false)]
    public void Over_twelve_effective_reps_there_is_no_estimate(int reps, int reserve, bool allowed)
    {
        var set = new HeavySet(Mass.FromKilograms(70), Mass.FromKilograms(5), reps, reserve, Day);
        Assert.Equal(allowed, OneRepMax.Estimate(set) is not null);
        Assert.Equal(allowed, OneRepMax.Allows(set.EffectiveReps));
    }

    // NSCA load chart, percent of the maximum for 1 to 12 reps, from memory. The default formula must stay near it.
    [Fact]
    public void The_default_formula_stays_within_four_points_of_the_nsca_chart()
    {
        int[] chart = [100, 95, 93, 90, 87, 85, 83, 80, 77, 75, 70, 67];
        for (var n = 1; n <= 12; n++)
        {
            var percent = (double)(OneRepMax.SystemFor(Mass.FromKilograms(100), n).Kilograms);
            Assert.InRange(percent, chart[n - 1] - 4.5, chart[n - 1] + 4.5);
        }
    }

    [Fact]
    public void The_system_for_reps_is_the_inverse_of_the_estimate() =>
        Gen.Select(Gen.Double[40, 200], Gen.Int[2, 12])
            .Sample(
                (w, n) =>
                {
                    var max = OneRepMax.By(OneRepMaxFormula.Epley, w, n);
                    // A general-purpose root finder (MathNet.Numerics) inverts the formula independently.
                    var found = Brent.FindRoot(
                        x => OneRepMax.By(OneRepMaxFormula.Epley, x, n) - max,
                        1,
                        400,
                        1e-10,
                        200
                    );
                    var ours = (double)OneRepMax.SystemFor(Mass.FromEstimate(max), n).Kilograms;
                    return ours.AlmostEqual(found, 1e-6);
                }
            );

    [Fact]
    public void The_range_holds_every_formula_and_the_default_lies_inside() =>
        Gen.Select(Gen.Decimal[45, 110], Gen.Decimal[0, 60], Gen.Int[1, 12], Gen.Int[0, 3])
            .Sample(
                (body, added, reps, reserve) =>
                {
                    var set = new HeavySet(
                        Mass.FromKilograms(Math.Round(body, 1)),
                        Mass.FromKilograms(Math.Round(added, 2)),
                        reps,
                        reserve,
                        Day
                    );
                    return OneRepMax.Estimate(set) is not { Value: var e }
                        || (
                            e.ByFormula.Values.All(m => m >= e.Low && m <= e.High)
                            && e.Value >= e.Low
                            && e.Value <= e.High
                            && e.Value >= set.System
                        );
                }
            );

    [Fact]
    public void The_reasons_carry_inputs_working_and_sources()
    {
        var why = OneRepMax.Estimate(new HeavySet(Mass.FromKilograms(68.2m), Mass.FromKilograms(15), 6, 1, Day))!.Why;
        Assert.Equal(68.2m, why.Inputs.Single(i => i.Key == InputKey.BodyMass).Value.Number);
        Assert.Equal(7, why.Working.Count(s => s.Key == StepKey.Formula));
        Assert.Contains(SourceId.Epley1985, why.Sources);
    }
}
