using CsCheck;
using Cumbre.Core.Levers;
using Cumbre.Core.Measures;

namespace Cumbre.Core.Tests.Levers;

/// <summary>
/// Reference figures: statics of a rigid body with de Leva's segments (1996, from memory), worked out by hand for a man
/// of
/// 73.0 kg and 1.741 m; the exact relations follow from the geometry alone.
/// </summary>
public class LeverBodyTests
{
    private static readonly LeverBody Man = new(SegmentTable.Male, Mass.FromKilograms(73), 1.741);

    private static readonly Gen<LeverBody> Bodies =
        from table in Gen.OneOf(
            Gen.Const(() => SegmentTable.Male),
            Gen.Const(() => SegmentTable.Female),
            Gen.Const(() => SegmentTable.Mean)
        )
        from mass in Gen.Double[40, 130]
        from stature in Gen.Double[1.4, 2.1]
        from ankles in Gen.Double[0, 8]
        select new LeverBody(table, Mass.FromEstimate(mass), stature, null, Mass.FromEstimate(ankles));

    private static readonly Gen<Posture> Postures = Gen.Select(
        Gen.Double[0, 140],
        Gen.Double[0, 150],
        Gen.Double[0, 60],
        Gen.Double[0, 140],
        Gen.Double[0, 150],
        (h, k, a, h2, k2) => new Posture(new(h, k, a), new(h2, k2))
    );

    public static TheoryData<string, double, double, double> Reference =>
        new()
        {
            { "tuck", 186.3, 0.629, 25.4 },
            { "advanced tuck", 226.9, 0.766, 31.5 },
            { "one leg", 241.4, 0.814, 33.7 },
            { "straddle", 269.7, 0.910, 38.3 },
            { "half-lay", 274.8, 0.927, 39.2 },
            { "full", 296.4, 1, 43.0 },
        };

    private static Posture Named(string name) =>
        name switch
        {
            "tuck" => Posture.Tuck,
            "advanced tuck" => Posture.AdvancedTuck,
            "one leg" => Posture.OneLeg,
            "straddle" => Posture.Straddle(45),
            "half-lay" => Posture.HalfLay,
            _ => Posture.Full,
        };

    [Theory]
    [MemberData(nameof(Reference))]
    public void The_reference_man_needs_these_moments_and_angles(string name, double moment, double ratio, double angle)
    {
        var posture = Named(name);
        Assert.Equal(moment, Man.ShoulderMoment(posture), 0.06);
        Assert.Equal(ratio, Man.ShoulderMoment(posture) / Man.ShoulderMoment(Posture.Full), 0.0006);
        Assert.Equal(angle, Man.ArmAngle(posture)!.Value, 0.06);
    }

    [Fact]
    public void One_leg_costs_the_mean_of_tuck_and_full() =>
        Bodies.Sample(body =>
            Assert.Equal(
                (body.ShoulderMoment(Posture.Tuck) + body.ShoulderMoment(Posture.Full)) / 2,
                body.ShoulderMoment(Posture.OneLeg),
                1e-9
            )
        );

    [Fact]
    public void A_straddle_falls_with_the_cosine_of_its_angle() =>
        Gen.Select(Bodies, Gen.Double[0, 80])
            .Sample(
                (body, degrees) =>
                {
                    var closed = body.ShoulderMoment(Posture.Straddle(0));
                    var open = body.ShoulderMoment(Posture.Straddle(90));
                    Assert.Equal(
                        open + (closed - open) * Math.Cos(degrees * Math.PI / 180),
                        body.ShoulderMoment(Posture.Straddle(degrees)),
                        1e-9
                    );
                }
            );

    [Fact]
    public void A_half_lay_costs_more_than_a_straddle_that_opens_past_about_40_degrees()
    {
        Assert.True(Man.ShoulderMoment(Posture.HalfLay) < Man.ShoulderMoment(Posture.Straddle(38)));
        Assert.True(Man.ShoulderMoment(Posture.HalfLay) > Man.ShoulderMoment(Posture.Straddle(42)));
    }

    [Fact]
    public void The_moments_about_the_hands_sum_to_zero() =>
        Gen.Select(Bodies, Postures, Gen.OneOf(Gen.Const(0.0), Gen.Double[0.01, 80]), Gen.Enum<BodyPoint>())
            .Sample(
                (body, posture, help, at) =>
                {
                    if (body.ArmAngle(posture, help, at) is not { } angle)
                        return;
                    // Told anew from the masses and places alone: hands at the origin, the shoulder on the head side.
                    var shoulder = -body.ArmLength * Math.Sin(angle * Math.PI / 180);
                    var weights =
                        body.Parts(posture).Sum(p => LeverBody.Gravity * p.Kilograms * (shoulder + p.X))
                        + body.Arms()
                            .Sum(a =>
                                LeverBody.Gravity * a.Kilograms * shoulder * (1 - a.FromShoulder / body.ArmLength)
                            );
                    var reach =
                        (body.ShoulderMoment(posture) - body.ShoulderMoment(posture, 0, help, at))
                        / Math.Max(help, 1e-12);
                    var lift = help < 1e-6 ? 0 : help * (shoulder + reach);
                    Assert.Equal(0, weights - lift, 1e-9 * 1e3);
                    Assert.Equal(0, (weights - lift) / Math.Max(1, body.ShoulderMoment(Posture.Full)), 1e-9);
                }
            );

    [Fact]
    public void All_masses_together_are_the_body() =>
        Gen.Select(Gen.Double[40, 130], Gen.Enum<Sex>(), Postures)
            .Sample(
                (mass, sex, posture) =>
                {
                    var body = new LeverBody(SegmentTable.For(sex), Mass.FromEstimate(mass), 1.7);
                    Assert.Equal(
                        mass,
                        body.Parts(posture).Sum(p => p.Kilograms) + body.Arms().Sum(a => a.Kilograms),
                        1e-6
                    );
                }
            );

    [Theory]
    [InlineData("tuck", 648)]
    [InlineData("one leg", 707)]
    [InlineData("straddle", 738)]
    [InlineData("full", 768)]
    public void In_a_flag_each_hand_of_the_reference_man_holds(string name, double newtons) =>
        Assert.Equal(newtons, Man.FlagPull(Named(name), 0.9), 0.6);

    [Theory]
    [InlineData(BodyPoint.Ankles, 50.4)]
    [InlineData(BodyPoint.Hips, 134.8)]
    [InlineData(BodyPoint.Waist, 188.0)]
    public void Help_that_makes_the_full_lever_cost_the_advanced_tuck(BodyPoint at, double newtons)
    {
        var target = Man.ShoulderMoment(Posture.AdvancedTuck);
        var help = Man.HelpFor(Posture.Full, target, at);
        Assert.Equal(newtons, help, 0.15);
        Assert.Equal(target, Man.ShoulderMoment(Posture.Full, 0, help, at), 1e-9);
    }

    [Fact]
    public void Ankle_weight_that_makes_the_advanced_tuck_cost_the_straddle()
    {
        var target = Man.ShoulderMoment(Posture.Straddle(45));
        var weight = Man.AnkleWeightFor(Posture.AdvancedTuck, target);
        Assert.Equal(4.57, weight, 0.01);
        var loaded = new LeverBody(SegmentTable.Male, Mass.FromKilograms(73), 1.741, null, Mass.FromEstimate(weight));
        Assert.Equal(target, loaded.ShoulderMoment(Posture.AdvancedTuck), 1e-6);
    }

    [Fact]
    public void A_second_table_agrees_within_what_such_tables_differ()
    {
        // Winter 2009 after Dempster, lengths of Drillis and Contini (from memory); the head's centre at the ear, 0.117
        // of
        // stature above the shoulder. With it the full lever costs 279.9 N m and the ratios are as below.
        var winter = new SegmentTable(
            0.081,
            0.117,
            new(0.497, 0.5, 0.288),
            new(0.028, 0.436, 0.186),
            new(0.016, 0.430, 0.146),
            new(0.006, 0.506, 0.108),
            new(0.100, 0.433, 0.245),
            new(0.0465, 0.433, 0.246),
            new(0.0145, 0.5, 0.152),
            0.1
        );
        var other = new LeverBody(winter, Mass.FromKilograms(73), 1.741);
        var full = other.ShoulderMoment(Posture.Full);
        Assert.Equal(279.9, full, 1.5);
        Assert.InRange(full / Man.ShoulderMoment(Posture.Full), 0.93, 1.07);
        foreach (
            var (name, ratio) in new[]
            {
                ("tuck", 0.639),
                ("advanced tuck", 0.772),
                ("one leg", 0.820),
                ("straddle", 0.910),
                ("half-lay", 0.919),
            }
        )
        {
            Assert.Equal(ratio, other.ShoulderMoment(Named(name)) / full, 0.004);
            Assert.Equal(
                Man.ShoulderMoment(Named(name)) / Man.ShoulderMoment(Posture.Full),
                other.ShoulderMoment(Named(name)) / full,
                0.015
            );
        }
    }

    [Fact]
    public void Moments_grow_with_mass_and_with_stature_and_lengths_can_be_measured()
    {
        var heavier = new LeverBody(SegmentTable.Male, Mass.FromKilograms(146), 1.741);
        Assert.Equal(2 * Man.ShoulderMoment(Posture.Full), heavier.ShoulderMoment(Posture.Full), 1e-9);
        var taller = new LeverBody(SegmentTable.Male, Mass.FromKilograms(73), 1.741 * 1.1);
        Assert.Equal(1.1 * Man.ShoulderMoment(Posture.Full), taller.ShoulderMoment(Posture.Full), 1e-9);
        var measured = new LeverBody(
            SegmentTable.Male,
            Mass.FromKilograms(73),
            1.741,
            new(Arm: 0.6368, Trunk: 0.5155, Thigh: 0.4222, Shank: 0.4403)
        );
        Assert.Equal(Man.ShoulderMoment(Posture.Full), measured.ShoulderMoment(Posture.Full), 1e-6);
        var shortLegs = new LeverBody(SegmentTable.Male, Mass.FromKilograms(73), 1.741, new(Thigh: 0.38, Shank: 0.40));
        Assert.True(shortLegs.ShoulderMoment(Posture.Full) < Man.ShoulderMoment(Posture.Full));
    }

    [Fact]
    public void A_raised_line_costs_the_cosine_of_its_pitch() =>
        Assert.Equal(
            Math.Cos(Math.PI / 6) * Man.ShoulderMoment(Posture.Full),
            Man.ShoulderMoment(Posture.Full, 30),
            1e-9
        );

    [Theory]
    [InlineData(0.9)]
    [InlineData(17)]
    public void A_stature_that_nobody_has_is_refused(double metres) =>
        Assert.Equal(
            "statureCm",
            Assert
                .Throws<RuleViolationException>(() => new LeverBody(SegmentTable.Male, Mass.FromKilograms(73), metres))
                .Field
        );

    /// <summary>The second table: 279.9 N m for the full line, and its ratios (from memory).</summary>
    [Fact]
    public void A_second_table_differs_by_what_is_told_of_it()
    {
        var man = new LeverBody(SegmentTable.Winter, Mass.FromKilograms(73.0m), 1.741);
        var full = man.ShoulderMoment(Posture.Full);
        Assert.Equal(279.9, full, 0.05);
        (Posture Posture, double Ratio)[] told =
        [
            (Posture.Tuck, 0.639),
            (Posture.AdvancedTuck, 0.772),
            (Posture.OneLeg, 0.820),
            (Posture.Straddle(45), 0.910),
            (Posture.HalfLay, 0.919),
        ];
        Assert.All(told, t => Assert.Equal(t.Ratio, man.ShoulderMoment(t.Posture) / full, 0.0006));
    }
}
