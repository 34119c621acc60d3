using Cumbre.Core.Figures;
using Cumbre.Core.Levers;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;

namespace Cumbre.Core.Tests.Levers;

/// <summary>What bridges a gap costs what it says, by the drawn body as a second computation.</summary>
public sealed class HalfStepsTests
{
    private static readonly LeverBody Man = new(SegmentTable.Male, Mass.FromKilograms(73.0m), 1.741);
    private static readonly FigureBody Drawn = new(SegmentTable.Male, 1.741, 73.0);

    /// <summary>The moment of a lever that is drawn with these legs.</summary>
    private static double OfFigure(Posture posture)
    {
        LegAngles Leg(LegPose leg) => new(leg.Hip, leg.Knee, leg.Abduction);
        return PoseSolver
            .Resolve(
                PoseBook.Shipped.Poses["front-lever-full"] with
                {
                    Leg = Leg(posture.One),
                    LegLeft = Leg(posture.Other),
                },
                Drawn
            )
            .ShoulderMoment();
    }

    public static TheoryData<string> Gaps =>
        ["tuck-advanced", "advanced-straddle", "advanced-half-lay", "tuck-one-leg"];

    private static (Posture, Posture) Of(string gap) =>
        gap switch
        {
            "tuck-advanced" => (Posture.Tuck, Posture.AdvancedTuck),
            "advanced-straddle" => (Posture.AdvancedTuck, Posture.Straddle(45)),
            "advanced-half-lay" => (Posture.AdvancedTuck, Posture.HalfLay),
            _ => (Posture.Tuck, Posture.OneLeg),
        };

    [Theory]
    [MemberData(nameof(Gaps))]
    public void Each_costs_what_it_says(string gap)
    {
        var (easier, harder) = Of(gap);
        var steps = HalfSteps.Between(Man, easier, harder);
        Assert.NotEmpty(steps);
        foreach (var step in steps)
        {
            Assert.InRange(step.Moment, Man.ShoulderMoment(easier), Man.ShoulderMoment(harder));
            var cost = step.Kind switch
            {
                HalfStepKind.Line => OfFigure(step.Posture),
                HalfStepKind.Help => Man.ShoulderMoment(step.Posture, 0, step.Kilograms * LeverBody.Gravity, step.At),
                _ => new LeverBody(
                    SegmentTable.Male,
                    Mass.FromKilograms(73.0m),
                    1.741,
                    null,
                    Mass.FromKilograms((decimal)step.Kilograms)
                ).ShoulderMoment(step.Posture),
            };
            Assert.InRange(cost / step.Moment, 0.995, 1.005);
        }
    }

    // Full 296.4, advanced tuck 226.9: a gap of 0.235 takes two steps between, one of 0.08 none.
    [Fact]
    public void No_gap_is_left_that_is_too_large()
    {
        var steps = HalfSteps.Between(Man, Posture.AdvancedTuck, Posture.Full);
        Assert.Equal(2, steps.Select(s => s.Moment).Distinct().Count());
        var all = steps
            .Select(s => s.Share)
            .Append(1)
            .Append(Man.ShoulderMoment(Posture.AdvancedTuck) / Man.ShoulderMoment(Posture.Full))
            .Order()
            .ToArray();
        Assert.All(all.Zip(all.Skip(1)), pair => Assert.InRange(pair.Second - pair.First, 0, HalfSteps.GapMaximum));
        Assert.Empty(HalfSteps.Between(Man, Posture.HalfLay, Posture.Full));
        Assert.Empty(HalfSteps.Between(Man, Posture.Full, Posture.HalfLay));
    }

    /// <summary>Worked for the reference man: 4.57 kg make the advanced tuck cost the straddle.</summary>
    [Fact]
    public void A_weight_that_is_too_heavy_is_not_proposed()
    {
        Assert.InRange(Man.AnkleWeightFor(Posture.AdvancedTuck, Man.ShoulderMoment(Posture.Straddle(45))), 4.56, 4.58);
        var steps = HalfSteps.Between(Man, Posture.Tuck, Posture.Full);
        Assert.All(steps.Where(s => s.Kind == HalfStepKind.AnkleWeight), s =>
            Assert.InRange(s.Kilograms, 0, HalfSteps.AnkleWeightMaximum)
        );
        Assert.Contains(steps, s => s.Kind == HalfStepKind.Help && s.Moment > Man.ShoulderMoment(Posture.Straddle(45)));
        Assert.DoesNotContain(steps, s =>
            s.Kind == HalfStepKind.AnkleWeight && s.Moment > Man.ShoulderMoment(Posture.Straddle(45))
        );
    }

    /// <summary>Rohmert 1960 (from memory): 0.8 of the maximum is held for 23.0 s, 0.7 for 34.0 s.</summary>
    [Fact]
    public void Holds_speak_for_a_maximum_and_say_how_well_they_agree()
    {
        var one = HoldFit.Of([(200, HoldCurve.Seconds(0.8))])!;
        Assert.Equal((250, 0, 1), (Math.Round(one.Maximum, 6), Math.Round(one.Misfit, 6), one.Holds));
        Assert.InRange(one.Seconds(175)!.Value, 33.5, 34.5);
        Assert.Null(one.Seconds(250.1));
        Assert.NotNull(one.Seconds(250));
        Assert.Equal(HoldCurve.Seconds(HoldCurve.ShareMinimum), one.Seconds(10));

        var agree = HoldFit.Of([(200, HoldCurve.Seconds(0.8)), (175, HoldCurve.Seconds(0.7))])!;
        Assert.InRange(agree.Misfit, 0, 1e-6);
        var differ = HoldFit.Of([(200, HoldCurve.Seconds(0.8)), (200, HoldCurve.Seconds(0.6)), (200, 5.9)])!;
        Assert.Equal(2, differ.Holds);
        Assert.Equal((333.33, 0.25), (Math.Round(differ.Maximum, 2), Math.Round(differ.Misfit, 6)));
        // What was held stays possible.
        Assert.InRange(differ.Seconds(200)!.Value, HoldCurve.Seconds(0.6) - 1e-6, double.MaxValue);
        Assert.Null(HoldFit.Of([(200, 5.9)]));
    }

    [Fact]
    public void Eight_seconds_are_possible_with_the_help_that_is_asked()
    {
        var fit = HoldFit.Of([(Man.ShoulderMoment(Posture.AdvancedTuck), 12)])!;
        var moment = fit.MomentFor(8)!.Value;
        foreach (var at in Enum.GetValues<BodyPoint>())
        {
            var help = Man.HelpFor(Posture.Full, moment, at);
            Assert.InRange(fit.Seconds(Man.ShoulderMoment(Posture.Full, 0, help, at))!.Value, 7.99, 8.01);
            Assert.Null(fit.Seconds(Man.ShoulderMoment(Posture.Full)));
        }

        Assert.Null(fit.MomentFor(5.9));
    }
}
