using CsCheck;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;

namespace Cumbre.Core.Tests.Loading;

public class KitTests
{
    internal static Kit Cochera =>
        new([
            new(MassEntry.Kg(1.25m), 2),
            new(MassEntry.Kg(2.5m), 2),
            new(MassEntry.Kg(5), 2),
            new(MassEntry.Kg(10), 3),
            new(MassEntry.Kg(20), 1),
        ]);

    internal static string Pieces(Loadout load) => string.Join('+', load.OneByOne.Select(p => $"{p.Size.Value:0.##}"));

    private static Gen<T> OneOf<T>(params T[] values) => Gen.Int[0, values.Length - 1].Select(i => values[i]);

    /// <summary>Small kits in kg, in lb and mixed, with and without a vest.</summary>
    internal static Gen<Kit> Small(int piecesMaximum) =>
        Gen.Select(
                Gen.Select(
                    OneOf(0.5m, 1, 1.25m, 2, 2.5m, 5, 10, 15, 20, 25),
                    OneOf(MassUnit.Kg, MassUnit.Kg, MassUnit.Lb),
                    Gen.Int[1, 3]
                ).Array[0, 5],
                Gen.Bool,
                OneOf<decimal?>(null, 5, 10)
            )
            .Where((plates, _, vest) => plates.Sum(p => p.Item3) + (vest is null ? 0 : 1) <= piecesMaximum)
            .Select(
                (plates, belt, vest) =>
                    new Kit(
                        plates
                            .DistinctBy(p => Mass.From(p.Item1, p.Item2))
                            .Select(p => new PieceStock(new(p.Item1, p.Item2), p.Item3)),
                        belt || vest is null,
                        vest is { } v ? MassEntry.Kg(v) : null
                    )
            );

    // Common practice, no source: what a coach hangs for these loads with this kit.
    [Theory]
    [InlineData("13.89", "10+2.5+1.25")]
    [InlineData("20", "20")]
    [InlineData("0.6", "")]
    [InlineData("0.7", "1.25")]
    [InlineData("-3", "")]
    [InlineData("71", "20+10+10+10+5+5+2.5+2.5+1.25+1.25")]
    public void The_nearest_load_uses_the_fewest_and_largest_pieces(string target, string pieces) =>
        Assert.Equal(pieces, Pieces(Cochera.Nearest(Mass.FromKilograms(decimal.Parse(target)))));

    [Fact]
    public void A_tie_goes_to_the_lower_load() =>
        Assert.Equal(1.25m, Cochera.Nearest(Mass.FromKilograms(1.875m)).Total.Kilograms);

    [Fact]
    public void The_nearest_load_is_what_trying_everything_finds() =>
        Gen.Select(Small(11), Gen.Int[0, 400])
            .Sample(
                (kit, eighths) =>
                    BruteForce.Text(kit.Nearest(Mass.FromKilograms(eighths / 8m)))
                    == BruteForce.Nearest(kit, Mass.FromKilograms(eighths / 8m)),
                iter: 1000
            );

    /// <summary>Small kits of every sort of piece, with weights for the vest.</summary>
    private static Gen<Kit> OfAllSorts(int piecesMaximum) =>
        Gen.Select(
                Gen.Select(
                    OneOf(0.5m, 1, 1.25m, 2, 2.5m, 5, 8, 10),
                    OneOf(PieceSort.Plate, PieceSort.Dumbbell, PieceSort.Chain, PieceSort.Insert),
                    Gen.Int[1, 3]
                ).Array[0, 5],
                Gen.Bool,
                OneOf(1.5m, 2, 5)
            )
            .Where((pieces, _, _) => pieces.Sum(p => p.Item3) < piecesMaximum)
            .Select(
                (pieces, belt, vest) =>
                    new Kit(
                        pieces
                            .DistinctBy(p => (p.Item1, p.Item2))
                            .Select(p => new PieceStock(MassEntry.Kg(p.Item1), p.Item3, p.Item2)),
                        belt,
                        MassEntry.Kg(vest)
                    )
            );

    [Fact]
    public void Dumbbells_chains_and_the_pockets_of_a_vest_are_solved_as_plates_are() =>
        Gen.Select(OfAllSorts(10), Gen.Int[0, 240])
            .Sample(
                (kit, eighths) =>
                    BruteForce.Text(kit.Nearest(Mass.FromKilograms(eighths / 8m)))
                    == BruteForce.Nearest(kit, Mass.FromKilograms(eighths / 8m)),
                iter: 1000
            );

    [Fact]
    public void The_steps_of_a_kit_of_all_sorts_rise_one_by_one() =>
        OfAllSorts(9)
            .Sample(
                kit =>
                {
                    var loads = LoadLadder.Of(kit);
                    Assert.All(loads, rung => Assert.Equal(rung.Load.Total, kit.AtMost(rung.Load.Total).Total));
                    Assert.Equal(
                        loads.Select(l => l.Load.Total.Kilograms).Distinct().Order(),
                        loads.Select(l => l.Load.Total.Kilograms)
                    );
                    // No weight hangs in pockets that nobody wears.
                    Assert.All(loads, l =>
                        Assert.True(
                            l.Load.Pieces.All(p => p.Sort != PieceSort.Insert)
                                || l.Load.Pieces.Any(p => p.Sort == PieceSort.Vest)
                        )
                    );
                },
                iter: 300
            );

    [Fact]
    public void A_chain_needs_no_belt_and_a_dumbbell_does()
    {
        var kit = new Kit(
            [new(MassEntry.Kg(8), 1, PieceSort.Chain), new(MassEntry.Kg(10), 1, PieceSort.Dumbbell)],
            hasBelt: false
        );
        Assert.Equal(8m, kit.Nearest(Mass.FromKilograms(12)).Total.Kilograms);
        Assert.True(kit.CanHang);
        Assert.False(new Kit([new(MassEntry.Kg(10), 1, PieceSort.Dumbbell)], hasBelt: false).CanHang);
    }

    [Fact]
    public void A_drop_set_sheds_the_vest_whole_with_what_is_in_its_pockets()
    {
        // A vest of 2 kg with six weights of 1 kg, and plates of 5 kg: 13, then 5.
        var kit = new Kit([new(MassEntry.Kg(5), 2), new(MassEntry.Kg(1), 6, PieceSort.Insert)], vest: MassEntry.Kg(2));
        var plan = DropPlanner.Plan(kit, [Mass.FromKilograms(13), Mass.FromKilograms(5)]);
        Assert.Equal([13m, 5m], plan.Parts.Select(p => p.Total.Kilograms));
        var off = Assert.Single(plan.Parts[0].Without(plan.Parts[1]).Pieces, p => p.Sort == PieceSort.Vest);
        Assert.Equal(3m, off.Size.Value);
    }

    [Fact]
    public void Weights_of_a_vest_need_the_vest_in_their_unit()
    {
        PieceStock[] weights = [new(MassEntry.Kg(1), 4, PieceSort.Insert)];
        Assert.Equal(Violation.NeedsVest, Assert.Throws<RuleViolationException>(() => new Kit(weights)).Violation);
        Assert.Throws<RuleViolationException>(() => new Kit(weights, vest: new MassEntry(5, MassUnit.Lb)));
        Assert.Throws<RuleViolationException>(() => new PieceStock(MassEntry.Kg(1), 1, PieceSort.Vest));
        // The same size may be there as a plate and as a weight of the vest.
        Assert.Equal(
            2,
            new Kit([new(MassEntry.Kg(1), 4), new(MassEntry.Kg(1), 4, PieceSort.Insert)], vest: MassEntry.Kg(5))
                .Pieces
                .Count
        );
    }

    [Fact]
    public void The_next_load_up_and_down_bracket_any_target() =>
        Gen.Select(Small(10), Gen.Int[0, 240])
            .Sample(
                (kit, eighths) =>
                {
                    var target = Mass.FromKilograms(eighths / 8m);
                    var pieces = BruteForce.Pieces(kit);
                    var sums = Enumerable
                        .Range(0, 1 << pieces.Count)
                        .Select(mask =>
                            pieces.Where((_, i) => (mask & (1 << i)) != 0).Aggregate(Mass.Zero, (s, p) => s + p.Mass)
                        )
                        .ToList();
                    var above = sums.Where(s => s >= target).Select(s => (Mass?)s).Min();
                    return kit.AtLeast(target)?.Total == above
                        && kit.AtMost(target).Total == sums.Where(s => s <= target).Max();
                }
            );

    [Fact]
    public void Pounds_and_kilograms_mix_exactly()
    {
        var kit = new Kit([new(MassEntry.Lb(25), 1), new(MassEntry.Kg(2.5m), 1)]);
        Assert.Equal(25 * 0.45359237m + 2.5m, kit.Nearest(Mass.FromKilograms(13.8m)).Total.Kilograms);
    }

    [Fact]
    public void Without_a_belt_only_the_vest_can_be_worn()
    {
        var kit = new Kit([new(MassEntry.Kg(10), 2)], hasBelt: false, vest: MassEntry.Kg(5));
        Assert.Equal(5m, kit.Nearest(Mass.FromKilograms(12)).Total.Kilograms);
    }

    [Theory]
    [InlineData("0", 1)]
    [InlineData("-5", 1)]
    [InlineData("1000", 1)]
    [InlineData("10", 0)]
    [InlineData("10", -2)]
    [InlineData("1.255", 1)]
    public void An_impossible_plate_is_refused(string size, int count) =>
        Assert.Throws<RuleViolationException>(() => new PieceStock(MassEntry.Kg(decimal.Parse(size)), count));

    [Fact]
    public void The_same_size_twice_is_refused() =>
        Assert.Equal(
            Violation.DuplicatePlate,
            Assert
                .Throws<RuleViolationException>(() => new Kit([new(MassEntry.Kg(5), 1), new(MassEntry.Kg(5.0m), 2)]))
                .Violation
        );
}
