using CsCheck;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;

namespace Cumbre.Core.Tests.Loading;

public class DropPlannerTests
{
    private static string Plan(Kit kit, params decimal[] kilograms)
    {
        var plan = DropPlanner.Plan(kit, [.. kilograms.Select(Mass.FromKilograms)]);
        var steps = Enumerable
            .Range(1, plan.Parts.Count - 1)
            .Select(i => "off " + KitTests.Pieces(plan.TakeOffBefore(i)));
        return string.Join(", ", steps.Prepend(KitTests.Pieces(plan.Parts[0])));
    }

    // Hand-worked by the rule on the demo club's plates.
    [Fact]
    public void Twenty_ten_nothing_hangs_two_tens_and_not_the_twenty() =>
        Assert.Equal("10+10, off 10, off 10", Plan(KitTests.Cochera, 20, 10, 0));

    [Fact]
    public void With_a_single_ten_and_no_five_the_plan_is_two_and_a_half_off()
    {
        var kit = new Kit([
            new(MassEntry.Kg(1.25m), 2),
            new(MassEntry.Kg(2.5m), 2),
            new(MassEntry.Kg(10), 1),
            new(MassEntry.Kg(20), 1),
        ]);
        var plan = DropPlanner.Plan(kit, [Mass.FromKilograms(20), Mass.FromKilograms(10), Mass.Zero]);
        Assert.Equal([17.5m, 10, 0], plan.Parts.Select(p => p.Total.Kilograms));
        Assert.Equal("10+2.5+2.5+1.25+1.25", KitTests.Pieces(plan.Parts[0]));
        Assert.Equal(2.5m, plan.Distance.Kilograms);
    }

    [Fact]
    public void Equal_plans_move_the_fewest_pieces()
    {
        Assert.Equal("5+5+2.5+2.5+1.25+1.25, off 5+2.5, off 5", Plan(KitTests.Cochera, 17.5m, 10, 5));
        Assert.Equal("5+5+2.5+2.5, off 5+2.5, off 5+2.5", Plan(KitTests.Cochera, 15, 7.5m, 0));
    }

    [Fact]
    public void A_drop_plan_is_what_trying_everything_finds() =>
        Gen.Select(KitTests.Small(8), Gen.Int[0, 60].Array[2, 3])
            .Sample(
                (kit, halves) =>
                {
                    var targets = halves.OrderDescending().Select(h => Mass.FromKilograms(h / 2m)).ToArray();
                    var plan = DropPlanner.Plan(kit, targets);
                    return string.Join(" - ", plan.Parts.Select(BruteForce.Text)) == BruteForce.DropPlan(kit, targets);
                },
                iter: 150
            );

    // One in ten of these ends in the lattice, the others in the search.
    [Fact]
    public void A_drop_plan_of_four_parts_is_what_trying_everything_finds() =>
        Gen.Select(KitTests.Small(6), Gen.Int[0, 40].Array[4])
            .Sample(
                (kit, halves) =>
                {
                    var targets = halves.OrderDescending().Select(h => Mass.FromKilograms(h / 2m)).ToArray();
                    var plan = DropPlanner.Plan(kit, targets);
                    Assert.True(plan.Proven);
                    Assert.Equal(plan.Distance, plan.NoneNearer);
                    Assert.Equal(
                        BruteForce.DropPlan(kit, targets),
                        string.Join(" - ", plan.Parts.Select(BruteForce.Text))
                    );
                },
                iter: 100
            );

    // Twelve sizes with wide gaps: too many choices to write down, and the search does not end in a key stroke.
    [Fact]
    public void A_plan_that_is_not_proven_tells_how_near_any_other_could_come()
    {
        var plates = new (decimal Kilograms, int Count)[]
        {
            (25, 3),
            (20, 4),
            (15, 4),
            (10, 1),
            (2.5m, 1),
            (2, 2),
            (1.5m, 4),
            (1.25m, 1),
            (1, 1),
            (0.75m, 4),
            (0.5m, 2),
            (0.25m, 2),
        };
        var kit = new Kit([.. plates.Select(p => new PieceStock(MassEntry.Kg(p.Kilograms), p.Count))]);
        var plan = DropPlanner.Plan(
            kit,
            [.. new[] { 59.75m, 33.25m, 25.75m, 12.75m }.Select(m => Mass.FromKilograms(m))]
        );
        Assert.False(plan.Proven);
        Assert.InRange(plan.NoneNearer.Kilograms, 0.25m, plan.Distance.Kilograms - 0.25m);
    }

    [Fact]
    public void A_drop_plan_only_removes_pieces() =>
        Gen.Select(KitTests.Small(14), Gen.Int[0, 80].Array[2, 4])
            .Sample(
                (kit, halves) =>
                {
                    var plan = DropPlanner.Plan(
                        kit,
                        [.. halves.OrderDescending().Select(h => Mass.FromKilograms(h / 2m))]
                    );
                    for (var i = 1; i < plan.Parts.Count; i++)
                    {
                        var off = plan.TakeOffBefore(i);
                        if (off.Total + plan.Parts[i].Total != plan.Parts[i - 1].Total)
                            return false;
                    }

                    return true;
                }
            );

    [Fact]
    public void An_empty_kit_leaves_body_mass() =>
        Assert.Equal(
            [0m, 0],
            DropPlanner.Plan(Kit.Empty, [Mass.FromKilograms(10), Mass.Zero]).Parts.Select(p => p.Total.Kilograms)
        );
}
