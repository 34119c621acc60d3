using Cumbre.Core.Levers;

namespace Cumbre.Core.Tests.Levers;

/// <summary>Rohmert 1960, from memory: holding time against the share of the maximal moment.</summary>
public class HoldCurveTests
{
    [Theory]
    [InlineData(1.0, 6.0)]
    [InlineData(0.9, 13.8)]
    [InlineData(0.8, 23.0)]
    [InlineData(0.7, 34.0)]
    [InlineData(0.6, 47.8)]
    [InlineData(0.5, 66.0)]
    public void A_share_can_be_held_for(double share, double seconds)
    {
        Assert.Equal(seconds, HoldCurve.Seconds(share), 0.05);
        Assert.Equal(share, HoldCurve.Share(HoldCurve.Seconds(share))!.Value, 1e-9);
    }

    [Fact]
    public void Under_six_seconds_the_curve_says_nothing()
    {
        Assert.Null(HoldCurve.Share(5.9));
        Assert.Null(HoldCurve.Share(5000));
        Assert.Throws<ArgumentOutOfRangeException>(() => HoldCurve.Seconds(0.1));
    }
}
