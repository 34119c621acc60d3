using Cumbre.Core.Benchmarks;
using Cumbre.Core.Levers;
using Cumbre.Core.Measures;
using Cumbre.Core.Traces;
using Cumbre.Simulation;
using MathNet.Numerics;
using MathNet.Numerics.Statistics;

namespace Cumbre.Core.Tests.Traces;

/// <summary>Pulls and forces over time, against closed formulas and MathNet.Numerics.</summary>
public sealed class TraceTests
{
    private static readonly LeverBody Man = new(SegmentTable.Male, Mass.FromKilograms(73.0m), 1.741);

    private static Trace Heights(IEnumerable<(double Seconds, double Metres)> samples) =>
        new(
            [.. samples.Select(s => new Sample(s.Seconds, s.Metres))],
            PullTrace.HeightMinimum,
            PullTrace.HeightMaximum
        );

    private static Trace Forces(IEnumerable<(double Seconds, double Newtons)> samples) =>
        new(
            [.. samples.Select(s => new Sample(s.Seconds, s.Newtons))],
            ForceTrace.ForceMinimum,
            ForceTrace.ForceMaximum
        );

    /// <summary>A quadratic through the neighbours is the one that MathNet fits, also where samples are uneven.</summary>
    [Fact]
    public void The_slope_is_that_of_a_general_purpose_library()
    {
        var random = new Random(7);
        var t = 0.0;
        var samples = Enumerable
            .Range(0, 400)
            .Select(_ =>
                (Seconds: t += 0.005 + 0.01 * random.NextDouble(), Metres: Math.Sin(3 * t) + 0.01 * random.NextDouble())
            )
            .ToArray();
        var smoothed = Heights(samples).Smoothed(0.06);
        for (var i = 20; i < 380; i++)
        {
            var near = samples.Where(s => Math.Abs(s.Seconds - samples[i].Seconds) <= 0.06).ToArray();
            var fit = Fit.Polynomial(
                [.. near.Select(s => s.Seconds - samples[i].Seconds)],
                [.. near.Select(s => s.Metres)],
                2
            );
            Assert.Equal(fit[0], smoothed[i].Value, 9);
            Assert.Equal(fit[1], smoothed[i].Slope, 7);
            Assert.Equal(2 * fit[2], smoothed[i].Curve, 5);
        }
    }

    /// <summary>Worked: a rise of 25 cm after the hands stop pulling needs 2.21 m/s at release.</summary>
    [Theory]
    [InlineData(2.21, 0.25)]
    [InlineData(1.5, 0.115)]
    [InlineData(2.8, 0.4)]
    public void Speed_at_release_is_that_of_the_rise_after_it(double speed, double rise)
    {
        Assert.Equal(rise, speed * speed / (2 * LeverBody.Gravity), 0.003);
        var pull = Assert.Single(PullTrace.Of(Heights(SimulatedTracer.Set([speed], 3))).Pulls);
        Assert.InRange(pull.PeakSpeed / speed, 0.93, 1.03);
        Assert.InRange(pull.Rise, SimulatedTracer.PullMetres + rise - 0.02, SimulatedTracer.PullMetres + rise + 0.02);
        // The same flight by its speed and by its height.
        Assert.InRange(pull.FallSpeed!.Value / pull.ReleaseSpeed!.Value, 0.93, 1.07);
        Assert.InRange(pull.ReleaseSpeed.Value / speed, 0.75, 1.02);
    }

    /// <summary>Whatever the noise of the device, every flight of a set is seen.</summary>
    [Fact]
    public void Every_flight_is_seen()
    {
        for (var seed = 1; seed <= 40; seed++)
        {
            var set = PullTrace.Of(Heights(SimulatedTracer.Set([2.4, 2.2, 2.0, 1.8], seed)));
            Assert.Equal(4, set.Pulls.Count);
            Assert.All(set.Pulls, p => Assert.InRange(p.FallSpeed!.Value / p.ReleaseSpeed!.Value, 0.9, 1.1));
        }
    }

    [Fact]
    public void Hands_that_pull_to_the_top_release_nothing()
    {
        var slow = Enumerable
            .Range(0, 300)
            .Select(n => (Seconds: n / 100.0, Metres: 0.3 * (1 - Math.Cos(2 * Math.PI * n / 300.0))));
        var pull = Assert.Single(PullTrace.Of(Heights(slow)).Pulls);
        Assert.Null(pull.ReleaseSpeed);
        Assert.Null(pull.FallSpeed);
        Assert.Equal(0.6, pull.Rise, 0.005);
        // The steepest of the cosine: pi times its height over its time.
        Assert.Equal(Math.PI * 0.6 / 3, pull.PeakSpeed, 0.005);
        // A swing is no pull.
        Assert.Empty(PullTrace.Of(Heights(slow.Select(s => (s.Seconds, s.Metres / 4)))).Pulls);
    }

    // A set is stopped when speed falls by 10 to 20 % (common practice, no source).
    [Theory]
    [InlineData(PullAdvice.Go, null, 2.5, 2.4, 2.32)]
    [InlineData(PullAdvice.MayStop, null, 2.5, 2.4, 2.15)]
    [InlineData(PullAdvice.Stop, 3, 2.5, 2.4, 1.85)]
    [InlineData(PullAdvice.Stop, 2, 2.5, 1.9, 1.8)]
    [InlineData(PullAdvice.Go, null, 2.0, 2.2, 2.5)]
    public void A_set_ends_when_a_fifth_of_its_speed_is_lost(
        PullAdvice advice,
        int? after,
        double first,
        double second,
        double third
    )
    {
        var set = PullTrace.Of(Heights(SimulatedTracer.Set([first, second, third], 5)));
        Assert.Equal(3, set.Pulls.Count);
        Assert.Equal((advice, after), (set.Advice, set.StopAfter));
        Assert.Equal(0, set.Pulls[0].Loss);
    }

    /// <summary>The reference man hangs 0.637 m under the bar; his trunk is 0.5155 m long, his navel 0.1457 m over the
    /// hip.</summary>
    [Theory]
    [InlineData(0.52, null)]
    [InlineData(0.54, Contact.Chin)]
    [InlineData(0.61, Contact.Chin)]
    [InlineData(0.625, Contact.Collarbone)]
    [InlineData(0.76, Contact.Collarbone)]
    [InlineData(0.77, Contact.Chest)]
    [InlineData(1.0, Contact.Chest)]
    [InlineData(1.01, Contact.Belly)]
    [InlineData(1.15, Contact.Belly)]
    [InlineData(1.16, Contact.Hip)]
    public void What_came_to_the_bar_follows_from_the_rise(double rise, Contact? contact) =>
        Assert.Equal(contact, PullTrace.ContactOf(rise, Man));

    [Fact]
    public void A_pull_on_a_hook_is_told_with_its_noise()
    {
        var trace = Forces(SimulatedGauge.Effort(400, 0.15, 0.02, 11));
        var force = ForceTrace.Of(trace)!;
        Assert.InRange(force.Held, 380, 420);
        Assert.InRange(force.Noise, 0.4, 0.8);
        Assert.InRange(force.Steadiness, 0.01, 0.035);
        // The steepest of an exponential is where it begins, F over its time; the window takes the edge off.
        Assert.InRange(force.Rate, 0.5 * 400 / 0.15, 1.05 * 400 / 0.15);
        Assert.InRange(
            force.Early!.Value,
            400 * (1 - Math.Exp(-0.2 / 0.15)) * 0.9,
            400 * (1 - Math.Exp(-0.2 / 0.15)) * 1.1
        );
        Assert.Equal(
            trace.Samples.Where(s => s.Seconds <= ForceTrace.RestSeconds).Select(s => s.Value).StandardDeviation(),
            force.Noise,
            9
        );
    }

    [Fact]
    public void Nobody_who_pulls_or_no_rest_before_is_no_pull()
    {
        Assert.Null(ForceTrace.Of(Forces(SimulatedGauge.Effort(0, 0.15, 0, 1).Take(90))));
        Assert.Null(ForceTrace.Of(Forces(SimulatedGauge.Effort(300, 0.15, 0, 1).Skip(110))));
        Assert.Null(ForceTrace.Of(Forces(SimulatedGauge.Effort(300, 0.15, 0, 1).Take(150))));
    }

    // Worked for seconds, and the same for any measure: 7 and 4 are a gap of 42.9 %.
    [Theory]
    [InlineData(400, 700, 0.429, true, true)]
    [InlineData(700, 400, 0.429, false, true)]
    [InlineData(400, 405, 0.0125, true, false)]
    public void Two_sides_differ_when_their_gap_is_more_than_noise(
        double left,
        double right,
        double gap,
        bool rightIsStronger,
        bool isSure
    )
    {
        ForceTrace Side(double newtons, int seed) =>
            ForceTrace.Of(Forces(SimulatedGauge.Effort(newtons, 0.15, 0.02, seed)))!;
        var found = ForceGap.Of(Side(left, 2), Side(right, 2));
        Assert.Equal(gap, found.Gap, 0.01);
        Assert.Equal((rightIsStronger, isSure), (found.RightIsStronger, found.IsSure));
    }

    [Fact]
    public void Samples_that_are_none_are_refused_with_their_place()
    {
        static Sample[] Twenty() => [.. Enumerable.Range(0, 20).Select(n => new Sample(n, 0))];
        string Refused(int at, Sample sample)
        {
            var samples = Twenty();
            samples[at] = sample;
            return Assert.Throws<RuleViolationException>(() => new Trace(samples, -1, 4)).Field;
        }

        Assert.NotNull(new Trace(Twenty(), -1, 4));
        Assert.Equal("samples", Assert.Throws<RuleViolationException>(() => new Trace(Twenty()[1..], -1, 4)).Field);
        Assert.Equal("seconds[3]", Refused(3, new(2, 0)));
        Assert.Equal("seconds[19]", Refused(19, new(601, 0)));
        Assert.Equal("seconds[0]", Refused(0, new(double.NaN, 0)));
        Assert.Equal("value[5]", Refused(5, new(5, 4.01)));
        Assert.Equal("value[5]", Refused(5, new(5, double.NaN)));
    }
}
