using Cumbre.Core.Explanations;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;
using Cumbre.Simulation;

namespace Cumbre.Core.Tests.Loading;

// Bands, counted load and the scale: common practice and this project's choices, no source, unless one is named.
public class BandTests
{
    private static readonly DateOnly Today = new(2026, 3, 16);

    private static Band Make(decimal bottom = 20, decimal middle = 15, decimal top = 10, int daysAgo = 0) =>
        new(Guid.Empty, "band", bottom, middle, top, Today.AddDays(-daysAgo));

    [Fact]
    public void The_mean_of_three_places_is_used_with_its_uncertainty()
    {
        var help = Make().Help(Today);
        Assert.Equal(15, help.Value.Kilograms);
        Assert.Equal([15m, 12.75m, 17.25m], help.Why.Working.Select(w => w.Result.Number!.Value));
        Assert.Contains(help.Why.Cautions, c => c.Id == CautionId.Bands);
    }

    [Theory]
    [InlineData(56, false)]
    [InlineData(57, true)]
    public void Eight_weeks_later_it_is_measured_again(int days, bool stale)
    {
        Assert.Equal(stale, Make(daysAgo: days).IsStale(Today));
        Assert.Equal(stale, Make(daysAgo: days).Help(Today).Why.Cautions.Any(c => c.Id == CautionId.BandOld));
    }

    [Fact]
    public void A_band_stronger_than_the_body_is_told() =>
        Assert.Contains(Make(80, 60, 40).Help(Today, Mass.FromKilograms(70)).Why.Cautions, c =>
            c.Id == CautionId.BandTooStrong
        );

    [Theory]
    [InlineData(-5, 3, 2, "bottomKg")]
    [InlineData(0, 0, 0, "bottomKg")]
    [InlineData(200, 15, 10, "bottomKg")]
    [InlineData(10, 15, 5, "middleKg")]
    [InlineData(20, 10, 12, "topKg")]
    public void A_band_that_cannot_be_is_refused_at_its_field(double bottom, double middle, double top, string field) =>
        Assert.Equal(
            field,
            Assert.Throws<RuleViolationException>(() => Make((decimal)bottom, (decimal)middle, (decimal)top)).Field
        );

    [Fact]
    public void Weighed_books_are_a_mass_and_unweighed_ones_are_only_counted()
    {
        // A book of 0.62 kg, nine of them: 5.58 kg.
        Assert.Equal(5.58m, new CountedLoad(Guid.Empty, "book", 9, MassEntry.Kg(0.62m)).Total!.Value.Kilograms);
        Assert.Null(new CountedLoad(Guid.Empty, "book", 9, null).Total);
        Assert.Throws<RuleViolationException>(() => new CountedLoad(Guid.Empty, "book", 0, null));
        Assert.Throws<RuleViolationException>(() => new CountedLoad(Guid.Empty, "safe", 100, MassEntry.Kg(40)));
    }

    [Fact]
    public void The_ladder_of_loads_names_every_load_and_its_gaps()
    {
        // 1.25 and 2.5 once, 10 once: 0, 1.25, 2.5, 3.75, then nothing up to 10.
        var rungs = LoadLadder.Of(
            new Kit([new(MassEntry.Kg(1.25m), 1), new(MassEntry.Kg(2.5m), 1), new(MassEntry.Kg(10), 1)])
        );
        Assert.Equal([0, 1.25m, 2.5m, 3.75m, 10, 11.25m, 12.5m, 13.75m], rungs.Select(r => r.Load.Total.Kilograms));
        var gap = Assert.Single(rungs, r => r.Gap);
        Assert.Equal((3.75m, 6.25m), (gap.Load.Total.Kilograms, gap.StepUp!.Value.Kilograms));
        Assert.Null(rungs[^1].StepUp);
        Assert.Single(LoadLadder.Of(Kit.Empty));
    }

    [Fact]
    public void The_ladder_of_loads_is_what_trying_everything_finds()
    {
        var plates = new[]
        {
            (Size: 1.25m, Count: 2),
            (Size: 2.5m, Count: 2),
            (Size: 5m, Count: 2),
            (Size: 20m, Count: 1),
        };
        var all = new SortedSet<decimal> { 0 };
        foreach (var (size, count) in plates)
            all.UnionWith(all.ToArray().SelectMany(sum => Enumerable.Range(1, count).Select(n => sum + n * size)));
        Assert.Equal(
            all,
            LoadLadder
                .Of(new Kit(plates.Select(p => new PieceStock(MassEntry.Kg(p.Size), p.Count))))
                .Select(r => r.Load.Total.Kilograms)
        );
    }

    private static IReadOnlyList<GaugeReading> Read(IEnumerable<double> samples, int count)
    {
        var window = new SteadyWindow();
        return [.. samples.Take(count).Select(window.Add)];
    }

    [Fact]
    public void A_held_pull_becomes_steady_and_its_mean_is_the_force_over_gravity()
    {
        // 147.1 N at standard gravity is 15 kg (CGPM 1901: 9.80665 m/s², exact).
        var readings = Read(SimulatedGauge.Pull(15 * SteadyWindow.Gravity, seed: 7), 80);
        Assert.All(readings.Take(SteadyWindow.Samples - 1), r => Assert.False(r.Steady));
        // While it is still being pulled nothing is taken.
        Assert.All(readings.Take((int)(SimulatedGauge.PullSeconds * SimulatedGauge.SamplesPerSecond)), r =>
            Assert.Null(r.Mean)
        );
        Assert.Equal(15, (double)readings[^1].Mean!.Value.Kilograms, 0.2);
    }

    [Fact]
    public void A_swinging_pull_is_refused_however_long_it_lasts() =>
        Assert.All(Read(SimulatedGauge.Pull(147, seed: 7, swinging: true), 300), r =>
            Assert.True(r is { Steady: false, Mean: null })
        );

    [Fact]
    public void A_slow_drift_is_refused_and_a_broken_gauge_is_named()
    {
        Assert.DoesNotContain(Read(Enumerable.Range(0, 100).Select(i => 100.0 + i), 100), r => r.Steady);
        var window = new SteadyWindow();
        Assert.Throws<RuleViolationException>(() => window.Add(double.NaN));
        Assert.Throws<RuleViolationException>(() => window.Add(9000));
        Assert.DoesNotContain(Read(Enumerable.Repeat(0.0, 40), 40), r => r.Steady);
    }

    [Fact]
    public void The_simulated_gauge_gives_the_same_each_time() =>
        Assert.Equal(SimulatedGauge.Pull(100, 3).Take(50), SimulatedGauge.Pull(100, 3).Take(50));
}
