using Cumbre.Core.Movements;
using Cumbre.Core.Review;
using Cumbre.Core.Safety;
using Cumbre.Core.Tests.Decisions;

namespace Cumbre.Core.Tests.Review;

public sealed class ReadinessReviewTests
{
    private static readonly string[] Mondays =
    [
        "2026-02-02",
        "2026-02-09",
        "2026-02-16",
        "2026-02-23",
        "2026-03-02",
        "2026-03-09",
    ];

    private static CheckIn Slept(string day, decimal? hours, int? readiness = 5) =>
        new(Guid.Empty, DateOnly.Parse(day), hours, 2, readiness, false);

    private static MovementTrend Push(params int[] best)
    {
        var trainee = new Trainee();
        for (var i = 0; i < best.Length; i++)
            trainee.Did(Mondays[i], "push-up", "1 x 30", [best[i]]);
        return new(trainee.Work(new(2026, 3, 16)), Catalogue.Shipped.Movements["push-up"]);
    }

    // 22 against the mean 20 of the three before: 10 % more; then 18 against 20.67: 12.9 % less.
    [Fact]
    public void A_day_is_held_against_the_mean_of_the_three_before_it()
    {
        var review = ReadinessReview.Of(
            [Slept(Mondays[0], 8), Slept(Mondays[3], 8), Slept(Mondays[4], 5)],
            [Push(20, 20, 20, 22, 18)],
            DateOnly.MinValue
        );
        Assert.Equal([null, 0.1m, -0.129m], review.Days.Select(d => d.Change));
    }

    [Fact]
    public void Groups_say_how_many_days_they_rest_on_and_nothing_of_fewer_than_three()
    {
        CheckIn[] told = [.. Mondays.Select((m, i) => Slept(m, i < 5 ? 6 : 5.9m, readiness: null))];
        var review = ReadinessReview.Of(told, [Push(20, 20, 20, 22, 22, 22)], DateOnly.MinValue);
        Assert.Equal(
            [(null, 6m, 1, false), (6m, 7m, 2, false), (7m, 9m, 0, false), (9m, null, 0, false)],
            review.BySleep.Select(g => (g.From, g.To, g.Days, g.Change is not null))
        );
        Assert.All(review.ByReadiness, g => Assert.Equal(0, g.Days));
        var three = ReadinessReview.Of(
            [.. Mondays.Select(m => Slept(m, 6))],
            [Push(20, 20, 20, 22, 22, 22)],
            DateOnly.MinValue
        );
        Assert.Equal(3, three.BySleep[1].Days);
        Assert.NotNull(three.BySleep[1].Change);
    }

    [Fact]
    public void What_goes_in_steps_says_nothing_about_a_day() =>
        Assert.Empty(
            new MovementTrend(
                new Trainee()
                    .Did("2026-03-02", "jumping-muscle-up", "3 x 5 box 60 cm", [5, 5, 5])
                    .Did("2026-03-09", "jumping-muscle-up", "3 x 5 box 45 cm", [5, 5, 4])
                    .Work(new(2026, 3, 16)),
                Catalogue.Shipped.Movements["jumping-muscle-up"]
            ).AgainstBefore()
        );
}
