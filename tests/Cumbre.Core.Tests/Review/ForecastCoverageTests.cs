using Cumbre.Core.Review;

namespace Cumbre.Core.Tests.Review;

/// <summary>
/// Of athletes who get better in a straight line and scatter around it, an 80 % interval must hold eight of ten: the week
/// in which the line really reaches the threshold is known, as the athletes are made up.
/// </summary>
public sealed class ForecastCoverageTests
{
    private const int Athletes = 1500,
        Days = 84,
        FarWeeks = 52;

    // Twelve weeks; a gain a week, the scatter of a day, and the threshold so many weeks ahead.
    public static TheoryData<int, double, double, double> Lines()
    {
        var lines = new TheoryData<int, double, double, double>();
        foreach (var points in new[] { 8, 12, 24 })
        foreach (var (gain, scatter) in new[] { (0.4, 0.5), (0.4, 1.0), (1.0, 1.0) })
        foreach (var weeks in new[] { 1.0, 3, 8 })
            lines.Add(points, gain, scatter, weeks);
        return lines;
    }

    [Theory]
    [MemberData(nameof(Lines))]
    public void The_interval_holds_75_to_85_of_a_hundred(int points, double gain, double scatter, double weeks)
    {
        var (held, told) = Run(points, gain, weeks, random => scatter * Normal(random));
        Assert.InRange((double)held / told, 0.75, 0.85);
    }

    // The exact distributions go in steps: of few points they can only give more than is asked.
    [Theory]
    [InlineData(4)]
    [InlineData(5)]
    [InlineData(6)]
    public void Of_few_points_it_holds_more_and_never_less(int points)
    {
        var (held, told) = Run(points, 0.4, 3, random => 0.5 * Normal(random));
        Assert.InRange((double)held / told, 0.78, 0.98);
    }

    [Fact]
    public void A_bad_day_in_ten_does_not_spoil_it()
    {
        var (held, told) = Run(12, 0.4, 3, random => (random.NextDouble() < 0.1 ? 3 : 1) * 0.5 * Normal(random));
        Assert.InRange((double)held / told, 0.75, 0.87);
    }

    private static (int Held, int Told) Run(int points, double gain, double weeks, Func<Random, double> scatter)
    {
        var random = new Random(20261130);
        var (held, told) = (0, 0);
        for (var athlete = 0; athlete < Athletes; athlete++)
        {
            double[] at =
            [
                .. Enumerable.Range(0, Days).OrderBy(_ => random.Next()).Take(points).Order().Select(d => d / 7d),
            ];
            var now = at[^1];
            var threshold = 10 + gain * (now + weeks);
            var crossing = Crossing.Of([.. at.Select(x => (x, 10 + gain * x + scatter(random)))], threshold, 0.8);
            if (crossing is null || crossing.To - now > FarWeeks)
                continue;
            told++;
            if (crossing.From <= now + weeks && now + weeks <= crossing.To)
                held++;
        }

        Assert.True(told > Athletes / 3, $"only {told} forecasts");
        return (held, told);
    }

    private static double Normal(Random random) =>
        Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
}
