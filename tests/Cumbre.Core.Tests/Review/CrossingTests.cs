using Cumbre.Core.Review;

namespace Cumbre.Core.Tests.Review;

/// <summary>When a line is reached: worked by hand, and against lines whose crossing is known.</summary>
public sealed class CrossingTests
{
    private const double Confidence = 0.8;

    private static Crossing? Of(double value, params double[] values) =>
        Crossing.Of([.. values.Select((y, x) => ((double)x, y))], value, Confidence);

    [Fact]
    public void A_line_without_scatter_is_reached_on_its_point()
    {
        var crossing = Of(12, 1, 2, 3, 4, 5, 6, 7, 8)!;
        Assert.Equal((11, 11), (Math.Round(crossing.From, 9), Math.Round(crossing.To, 9)));
    }

    [Fact]
    public void A_value_that_the_line_has_passed_lies_behind()
    {
        var crossing = Of(4, 1, 2, 3, 4, 5, 6, 7, 8)!;
        Assert.Equal(3, crossing.To, 9);
    }

    [Theory]
    [InlineData(new double[] { 1, 2, 3 })]
    [InlineData(new double[] { 5, 5, 5, 5, 5, 5 })]
    [InlineData(new double[] { 8, 7, 6, 5, 4, 3 })]
    public void Nothing_is_said_of_three_points_or_of_a_line_that_does_not_rise(double[] values) =>
        Assert.Null(Crossing.Of([.. values.Select((y, x) => ((double)x, y))], 10, Confidence));

    [Fact]
    public void What_is_never_reached_within_sight_has_no_end()
    {
        var crossing = Of(3000, 1, 2, 3.2, 3.9, 5.1, 6)!;
        Assert.Equal(double.PositiveInfinity, crossing.To);
    }

    [Fact]
    public void The_further_the_value_the_wider_the_interval()
    {
        double[] scattered = [1, 3, 2, 5, 4, 6, 8, 7];
        var widths = new[] { 9, 12, 20 }.Select(v => Of(v, scattered)!).Select(c => c.To - c.From).ToArray();
        Assert.True(widths[0] < widths[1] && widths[1] < widths[2], string.Join(' ', widths));
    }

    // Every way of giving signs to the ranks tried: it needs no table.
    [Theory]
    [InlineData(4, 0.1)]
    [InlineData(5, 0.1)]
    [InlineData(7, 0.1)]
    [InlineData(8, 0.1)]
    [InlineData(10, 0.1)]
    [InlineData(8, 0.025)]
    public void As_many_means_are_cut_as_the_signed_ranks_allow(int count, double tail)
    {
        var sums = Enumerable
            .Range(0, 1 << count)
            .Select(signs => Enumerable.Range(1, count).Where(rank => (signs >> (rank - 1) & 1) == 1).Sum())
            .ToArray();
        double Under(int cut) => sums.Count(s => s < cut) / (double)sums.Length;
        var cut = SignedRank.Cut(count, tail);
        Assert.True(Under(cut) <= tail + 1e-9);
        Assert.True(Under(cut + 1) > tail);
    }

    // Means of all pairs of 1, 2, 4, 8: 1, 1.5, 2, 2.5, 3, 4, 4.5, 5, 6, 8; the middle of ten is 3.5, one is cut at
    // each end, as P(W <= 0) = 1/16 is under 10 % and P(W <= 1) = 2/16 is not.
    [Fact]
    public void The_middle_is_the_median_of_the_means_of_all_pairs() =>
        Assert.Equal(new SignedRank(3.5, 1.5, 6), SignedRank.Of([1, 2, 4, 8], Confidence));

    [Fact]
    public void One_value_is_its_own_middle() => Assert.Equal(new SignedRank(5, 5, 5), SignedRank.Of([5], Confidence));
}
