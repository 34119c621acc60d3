using Cumbre.Core.Loading;

namespace Cumbre.Core.Tests.Loading;

/// <summary>Bands hung for a help, and help that grows less.</summary>
public sealed class HelpPlanTests
{
    private static Band Of(string name, decimal bottom, decimal middle, decimal top) =>
        new(Guid.NewGuid(), name, bottom, middle, top, new(2026, 3, 1));

    private static readonly Band Red = Of("red", 20, 15, 10);
    private static readonly Band Thin = Of("thin", 9, 6, 3);

    [Theory]
    [InlineData(20, BandStretch.BottomToMiddle, 0)]
    [InlineData(17.5, BandStretch.BottomToMiddle, 0.5)]
    [InlineData(15, BandStretch.BottomToMiddle, 1)]
    [InlineData(14, BandStretch.MiddleToTop, 0.2)]
    [InlineData(10, BandStretch.MiddleToTop, 1)]
    public void A_band_gives_what_is_asked_at_a_length_between_those_measured(
        double kg,
        BandStretch stretch,
        double share
    )
    {
        var hung = BandHang.For(Red, kg)!;
        Assert.Equal((stretch, Math.Round(share, 9)), (hung.Stretch, Math.Round(hung.Share, 9)));
        // A band is good to about 15 %.
        Assert.Equal(
            (Math.Round(kg * 0.85, 9), Math.Round(kg * 1.15, 9)),
            (Math.Round(hung.Low, 9), Math.Round(hung.High, 9))
        );
    }

    [Theory]
    [InlineData(20.01)]
    [InlineData(9.99)]
    public void Beyond_its_measured_lengths_nothing_is_claimed(double kg) => Assert.Null(BandHang.For(Red, kg));

    [Fact]
    public void A_band_that_pulls_the_same_at_any_length_is_hung_anyhow() =>
        Assert.Equal(0, BandHang.For(Of("even", 10, 10, 10), 10)!.Share);

    [Fact]
    public void Help_falls_evenly_and_stays_in_the_easy_weeks()
    {
        var weeks = HelpPlan.Of(16, [Thin, Red]);
        Assert.Equal(Enumerable.Range(1, 10), weeks.Select(w => w.Week));
        Assert.Equal([16, 14, 12, 10, 10, 8, 6, 4, 2, 2], weeks.Select(w => w.Kilograms));
        Assert.Equal([5, 10], weeks.Where(w => w.IsEasy).Select(w => w.Week));
        Assert.Equal(
            ["red", "red", "red", "red", "red", "thin", "thin", "thin", "", ""],
            weeks.Select(w => w.Bands.Count == 0 ? "" : w.Bands[0].Name)
        );
    }

    [Fact]
    public void The_band_nearest_to_its_middle_length_comes_first()
    {
        var weeks = HelpPlan.Of(9.5, [Of("long", 9.6m, 6, 3), Of("middle", 12, 9.4m, 6)]);
        Assert.Equal(["middle", "long"], weeks[0].Bands.Select(b => b.Name));
    }
}
