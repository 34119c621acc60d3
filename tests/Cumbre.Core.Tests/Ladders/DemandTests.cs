using Cumbre.Core.Explanations;
using Cumbre.Core.Ladders;
using Cumbre.Core.Levers;
using Cumbre.Core.Measures;

namespace Cumbre.Core.Tests.Ladders;

public class DemandTests
{
    private static readonly BodyBuild Man = new(Sex.Male, 174.1m, Mass.FromKilograms(73), MeasuredLengths.None);

    private static IReadOnlyList<Explained<StepDemand>> Of(string ladder, BodyBuild build) =>
        Demand.Of(Atlas.Shipped.BySlug[ladder], build);

    private static StepDemand Step(string ladder, string step, BodyBuild build) =>
        Of(ladder, build)[Atlas.Shipped.BySlug[ladder].Steps.ToList().FindIndex(s => s.Slug == step)].Value;

    // Segment model with de Leva's table (1996, from memory), for a man of 73.0 kg and 1.741 m.
    [Theory]
    [InlineData("front-lever", "tuck", 0.629, 186.3)]
    [InlineData("front-lever", "advanced-tuck", 0.766, 226.9)]
    [InlineData("front-lever", "half-lay", 0.927, 274.8)]
    [InlineData("back-lever", "straddle", 0.910, 269.7)]
    [InlineData("planche", "full", 1, 296.4)]
    public void A_lever_step_asks_a_moment(string ladder, string step, double share, double moment)
    {
        var demand = Step(ladder, step, Man);
        Assert.Equal(share, (double)demand.Share, 0.0006);
        Assert.Equal(moment, (double)demand.Absolute!.Number!, 0.06);
    }

    [Fact]
    public void A_flag_asks_a_force_on_each_hand() =>
        Assert.Equal(768, (double)Step("human-flag", "full", Man).Absolute!.Number!, 1);

    // (1 + share) x (1 + reps / 30), by Epley 1985; a single is the maximum itself.
    [Theory]
    [InlineData("strength", 1.25 * (1 + 5 / 30.0))]
    [InlineData("heavy", 1.5 * 1.1)]
    [InlineData("beyond", 2)]
    public void A_weighted_step_asks_a_system_mass(string step, double bodyMasses)
    {
        var demand = Step("weighted-pull-up", step, Man);
        Assert.Equal(73 * bodyMasses, (double)demand.Absolute!.Number!, 0.01);
        Assert.Equal(bodyMasses / 2, (double)demand.Share, 0.0001);
    }

    // Push-ups: Suprak et al. 2011 (69.2 % up), Ebben et al. 2011 (feet on 60 cm 74 %), from memory.
    [Theory]
    [InlineData("floor", 0.692)]
    [InlineData("feet-raised", 0.74)]
    [InlineData("kneeling", 0.536)]
    public void A_push_up_asks_a_share_of_body_weight(string step, double share) =>
        Assert.Equal(share, (double)Step("push-up", step, Man).Share, 0.0001);

    [Fact]
    public void Without_stature_the_shares_stand_and_no_newton_is_claimed()
    {
        var known = Of("front-lever", Man with { Sex = null });
        var unknown = Of("front-lever", BodyBuild.Unknown);
        Assert.Equal(known.Select(d => d.Value.Share), unknown.Select(d => d.Value.Share));
        Assert.All(unknown, d => Assert.Null(d.Value.Absolute));
        Assert.Contains(unknown[^1].Why.Cautions, c => c.Id == CautionId.StatureUnknown);
        Assert.Contains(known[^1].Why.Cautions, c => c.Id == CautionId.ModelLimits);
    }

    [Fact]
    public void Every_summit_is_the_whole_and_the_half_lay_may_stand_above_the_straddle()
    {
        foreach (var ladder in Atlas.Shipped.Ladders)
            Assert.Equal(1, Of(ladder.Slug, Man)[^1].Value.Share);
        Assert.True(Step("front-lever", "half-lay", Man).Share > Step("front-lever", "straddle", Man).Share);
    }

    [Fact]
    public void The_shares_in_bulk_are_those_with_reasons() =>
        Assert.All(Atlas.Shipped.Ladders, l =>
            Assert.Equal(Demand.Of(l, Man).Select(d => d.Value.Share), Demand.Shares(l, Man))
        );
}
