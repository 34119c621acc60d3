using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Ladders;
using Cumbre.Core.Review;
using Cumbre.Core.Tests.Ladders;

namespace Cumbre.Core.Tests.Review;

/// <summary>What a club shows as a whole; the athletes are made up, the counts are theirs.</summary>
public sealed class ClubReviewTests
{
    private static readonly Ladder FrontLever = Atlas.Shipped.Ladders.Single(l => l.Slug == "front-lever");

    private static readonly int Tuck = FrontLever.Steps.ToList().FindIndex(s => s.Movement == "front-lever-tuck");

    private static Climber Climber(int? pullUps, bool won = false, int daysAgo = 7)
    {
        var results = new List<BenchmarkResult>();
        if (pullUps is { } reps)
            results.Add(Results.Reps("pull-up-max", reps, daysAgo));
        if (won)
            results.AddRange(Results.Reaching(FrontLever.Steps[Tuck].Won, daysAgo));
        return new(Guid.NewGuid(), "Somebody", Schools.Default, Results.Book(results), []);
    }

    private static GateOutcome OfTuck(IEnumerable<Climber> club) =>
        ClubReview.Outcomes(FrontLever, [.. club]).Single(o => o.Step == Tuck);

    [Fact]
    public void A_gate_is_counted_by_who_met_it_and_who_won_its_step()
    {
        // The gate of the tuck asks for eight pull-ups.
        var outcome = OfTuck([
            .. Enumerable.Repeat(0, 4).Select(_ => Climber(12, won: true)),
            Climber(8),
            Climber(7),
            Climber(7, won: true),
            Climber(null, won: true),
        ]);
        Assert.Equal((new Share(5, 4), new Share(2, 1), 1), (outcome.Met, outcome.Unmet, outcome.Untested));
        Assert.Equal(GateVerdict.TooFew, outcome.Verdict);
    }

    [Fact]
    public void An_old_result_met_it_as_well() => Assert.Equal(1, OfTuck([Climber(9, daysAgo: 200)]).Met.Count);

    [Fact]
    public void A_gate_that_nobody_was_tested_for_is_no_outcome() =>
        Assert.Empty(ClubReview.Outcomes(FrontLever, [Climber(null)]));

    // 25 points apart it tells, one athlete of a hundred less and it tells little.
    [Theory]
    [InlineData(5, 5, 5, 0, GateVerdict.Tells)]
    [InlineData(4, 4, 5, 0, GateVerdict.TooFew)]
    [InlineData(5, 5, 4, 0, GateVerdict.TooFew)]
    [InlineData(100, 75, 100, 50, GateVerdict.Tells)]
    [InlineData(100, 74, 100, 50, GateVerdict.TellsLittle)]
    [InlineData(100, 51, 100, 50, GateVerdict.TellsLittle)]
    [InlineData(100, 50, 100, 50, GateVerdict.TellsNothing)]
    [InlineData(100, 20, 100, 50, GateVerdict.TellsNothing)]
    public void A_verdict_needs_enough_on_both_sides(
        int met,
        int metWon,
        int unmet,
        int unmetWon,
        GateVerdict verdict
    ) => Assert.Equal(verdict, ClubReview.VerdictOf(new(met, metWon), new(unmet, unmetWon)));

    [Fact]
    public void Who_trains_a_step_is_named_and_who_won_it_counted()
    {
        var standing = ClubReview.Standing(FrontLever, [Climber(12, won: true), Climber(12), Climber(3)]);
        Assert.Equal(FrontLever.Steps.Count, standing.Count);
        Assert.Equal(1, standing[Tuck].Won);
        Assert.Single(standing.Skip(Tuck).First(s => s.Training.Count > 0).Training);
    }
}
