using Cumbre.Core.Benchmarks;
using Cumbre.Core.Ladders;
using Cumbre.Core.Measures;

namespace Cumbre.Core.Tests.Ladders;

/// <summary>
/// What meets a threshold, what was a try at it, and what share was reached; on both sides of each figure, worked by
/// hand.
/// </summary>
public sealed class TargetTests
{
    private static readonly Mass Body = Mass.FromKilograms(80);

    private static BenchmarkResult Result(Score score, decimal added = 0, int reserve = 0) =>
        new(Guid.Empty, "any", new(2026, 3, 16), score, MassEntry.Kg(added), reserve, Body, FormVerdict.Clean);

    private static void Says(Target target, BenchmarkResult result, bool met, bool tried, double fraction)
    {
        Assert.Equal(
            (met, tried, Math.Round((decimal)fraction, 3)),
            (target.IsMetBy(result), target.IsTriedBy(result), Math.Round(target.FractionOf(result), 3))
        );
    }

    // Fewer reps than asked are a try however few sets; as many in too few sets say nothing.
    [Theory]
    [InlineData(3, 10, true, true, 1)]
    [InlineData(4, 12, true, true, 1)]
    [InlineData(3, 9, false, true, 0.9)]
    [InlineData(2, 10, false, false, 0.667)]
    [InlineData(1, 30, false, false, 0.333)]
    [InlineData(1, 9, false, true, 0.3)]
    [InlineData(3, 0, false, true, 0)]
    public void Reps_in_several_sets(int sets, int reps, bool met, bool tried, double fraction) =>
        Says(new RepsTarget(3, 10, 10), Result(Score.OfReps(reps, sets)), met, tried, fraction);

    // The last of the sets at two minutes of rest keeps 0.9 for each set before it.
    [Theory]
    [InlineData(13, 3, 10, true)]
    [InlineData(12, 3, 10, false)]
    [InlineData(10, 2, 9, true)]
    [InlineData(10, 2, 10, false)]
    [InlineData(5, 1, 5, true)]
    [InlineData(20, 5, 13, true)]
    [InlineData(20, 5, 14, false)]
    public void One_long_set_carries_several_shorter_ones(int best, int sets, int reps, bool carries) =>
        Assert.Equal(carries, new RepsTarget(sets, reps, reps).IsEstimatedBy(Result(Score.OfReps(best))));

    [Theory]
    [InlineData(3, 1, 10, true, true, 1)]
    [InlineData(3, 1, 9, false, true, 0.9)]
    [InlineData(2, 1, 10, false, false, 0.667)]
    [InlineData(1, 1, 30, false, false, 0.333)]
    [InlineData(2, 1, 5, false, true, 0.333)]
    public void Holds_in_several_sets(int sets, int reps, double seconds, bool met, bool tried, double fraction) =>
        Says(new SecondsTarget(3, 1, 10, 10), Result(new Score(reps, sets, (decimal)seconds)), met, tried, fraction);

    [Theory]
    [InlineData(3, 3, 3, true, true, 1)]
    [InlineData(3, 2, 3, false, false, 0.667)]
    [InlineData(3, 2, 2, false, true, 0.444)]
    [InlineData(3, 3, 2, false, true, 0.667)]
    public void Descents_of_some_seconds(int sets, int reps, double seconds, bool met, bool tried, double fraction) =>
        Says(new SecondsTarget(3, 3, 3, 3), Result(new Score(reps, sets, (decimal)seconds)), met, tried, fraction);

    // Chest is the third height of five: 3 of 3 parts; the collarbone 2 of 3. Fewer reps higher up were no try.
    [Theory]
    [InlineData(Contact.Chest, 5, true, true, 1)]
    [InlineData(Contact.Belly, 5, true, true, 1)]
    [InlineData(Contact.Chest, 4, false, true, 0.8)]
    [InlineData(Contact.Collarbone, 5, false, true, 0.667)]
    [InlineData(Contact.Collarbone, 6, false, false, 0.667)]
    [InlineData(Contact.Belly, 4, false, false, 0.8)]
    [InlineData(Contact.Chin, 5, false, true, 0.333)]
    public void A_height_for_some_reps(Contact height, int reps, bool met, bool tried, double fraction) =>
        Says(new ContactTarget(Contact.Chest, 5), Result(new Score(reps, contact: height)), met, tried, fraction);

    // 25 % of 80 kg is 20 kg, 100 of the system. Epley: +10 x 10 is a maximum of 120, which is 102.9 for 5 reps.
    [Theory]
    [InlineData(20, 5, 0, true, 1)]
    [InlineData(19.99, 5, 0, false, 0.99)]
    [InlineData(20, 4, 0, false, 0.857)]
    [InlineData(17.5, 5, 0, false, 0.875)]
    [InlineData(15, 5, 2, false, 0.99)]
    [InlineData(10, 5, 0, false, 0.5)]
    [InlineData(-5, 5, 0, false, 0)]
    public void A_load_for_some_reps(double added, int reps, int reserve, bool met, double fraction)
    {
        var result = Result(Score.OfReps(reps), (decimal)added, reserve);
        var target = new LoadTarget(25, null, 1, 5);
        Assert.Equal(
            (met, Math.Round((decimal)fraction, 3)),
            (target.IsMetBy(result), Math.Round(target.FractionOf(result), 3))
        );
    }

    [Fact]
    public void A_written_load_is_asked_as_it_stands_and_a_share_of_the_body_follows_the_scale()
    {
        Assert.Equal(Mass.FromKilograms(2.5m), new LoadTarget(null, MassEntry.Kg(2.5m), 1, 5).At(Body));
        Assert.Equal(Mass.FromKilograms(20), new LoadTarget(25, null, 1, 5).At(Body));
    }

    // Without a load to ask for, sets and reps are what is left.
    [Theory]
    [InlineData(3, 4, 0.5)]
    [InlineData(1, 8, 0.333)]
    [InlineData(3, 8, 1)]
    public void No_load_asked_counts_sets_and_reps(int sets, int reps, double fraction) =>
        Assert.Equal(
            Math.Round((decimal)fraction, 3),
            Math.Round(new LoadTarget(0, null, 3, 8).FractionOf(Result(Score.OfReps(reps, sets))), 3)
        );

    // A set far under the load with as few reps was a try; more reps, or too few sets, were none.
    [Theory]
    [InlineData(5, 3, 1, true)]
    [InlineData(5, 5, 1, true)]
    [InlineData(5, 6, 1, false)]
    [InlineData(19, 5, 1, false)]
    [InlineData(20, 5, 1, true)]
    public void A_light_failure_is_a_try_at_a_load(double added, int reps, int sets, bool tried) =>
        Assert.Equal(tried, new LoadTarget(25, null, 1, 5).IsTriedBy(Result(Score.OfReps(reps, sets), (decimal)added)));

    [Theory]
    [InlineData(5, 20, 300, true, 1)]
    [InlineData(5, 20, 301, false, 0.99)]
    [InlineData(5, 20, 600, false, 0.5)]
    [InlineData(4, 20, 300, false, 0.8)]
    [InlineData(5, 10, 300, false, 0.5)]
    public void Equal_sets_within_a_rest(int sets, int reps, int rest, bool met, double fraction) =>
        Says(new CapacityTarget(5, 20, 300), Result(new Score(reps, sets, restSeconds: rest)), met, true, fraction);

    [Theory]
    [InlineData(90, true, 1)]
    [InlineData(89.5, false, 0.99)]
    [InlineData(45, false, 0.5)]
    public void Degrees_of_a_range(double degrees, bool met, double fraction) =>
        Says(new DegreesTarget(90), Result(new Score(degrees: (decimal)degrees)), met, true, fraction);
}
