using Cumbre.Core.Review;

namespace Cumbre.Core.Tests.Review;

public sealed class TheilSenTests
{
    private static TheilSen? Through(double confidence, params double[] values) =>
        TheilSen.Through([.. values.Select((y, x) => ((double)x, y))], confidence);

    // Hollander and Wolfe, Nonparametric Statistical Methods, the example of cloud seeding: slope -0.056 (from memory);
    // the ten slopes are worked by hand here.
    [Fact]
    public void The_slope_is_the_median_of_all_pairs()
    {
        var trend = Through(0.8, 1.26, 1.27, 1.12, 1.16, 1.03)!;
        Assert.Equal(-0.05625, trend.Slope, 6);
        // Five points: P(S >= 8) = 5/120 is the last under 10 %, so one slope is left out at each end.
        Assert.Equal((-0.13, 0.01), (Math.Round(trend.Low, 6), Math.Round(trend.High, 6)));
    }

    // The distribution of Kendall's S without a trend, found by trying every order: it needs no table.
    [Theory]
    [InlineData(4, 0.1)]
    [InlineData(5, 0.1)]
    [InlineData(6, 0.1)]
    [InlineData(7, 0.1)]
    [InlineData(8, 0.1)]
    [InlineData(5, 0.025)]
    [InlineData(7, 0.005)]
    public void The_critical_value_is_that_of_every_order_tried(int count, double tail)
    {
        var all = Orders([.. Enumerable.Range(0, count)]).Select(S).ToArray();
        double Above(int s) => all.Count(x => x >= s) / (double)all.Length;
        var critical = TheilSen.Critical(count, tail);
        Assert.True(Above(critical) <= tail + 1e-9, $"P(S >= {critical}) is {Above(critical)}");
        Assert.True(Above(critical - 2) > tail);
    }

    private static int S(int[] order)
    {
        var sum = 0;
        for (var i = 0; i < order.Length; i++)
        {
            for (var j = i + 1; j < order.Length; j++)
                sum += Math.Sign(order[j] - order[i]);
        }

        return sum;
    }

    private static IEnumerable<int[]> Orders(int[] items) =>
        items.Length <= 1
            ? [items]
            : items.SelectMany(
                (x, i) => Orders([.. items[..i], .. items[(i + 1)..]]).Select(rest => (int[])[x, .. rest])
            );

    [Theory]
    [InlineData(3, false)]
    [InlineData(4, true)]
    public void Fewer_than_four_points_say_nothing(int count, bool says) =>
        Assert.Equal(says, Through(0.8, [.. Enumerable.Range(0, count).Select(i => (double)i)]) is not null);

    [Fact]
    public void A_straight_line_is_sure_of_itself()
    {
        var trend = Through(0.8, 5, 5.5, 6, 6.5, 7, 7.5)!;
        Assert.Equal((0.5, 0.5, 0.5), (trend.Slope, trend.Low, trend.High));
    }

    [Fact]
    public void One_wild_day_moves_the_slope_little() =>
        Assert.InRange(Through(0.8, 5, 5.5, 6, 12, 7, 7.5, 8)!.Slope, 0.45, 0.6);
}
