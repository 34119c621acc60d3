using System.Text.Json.Nodes;

namespace Cumbre.Server.Tests;

/// <summary>The review of a club over the API.</summary>
public sealed class ClubReviewTests(SharedClub shared) : IClassFixture<SharedClub>
{
    [Fact]
    public async Task It_tells_who_is_missing_what_hurts_and_which_gates_were_met()
    {
        var coach = await shared.Club.Coach();
        var review = (await coach.Get("/api/review")).Ok;
        Assert.Equal((14, "2025-12-23"), ((int)review["athletes"]!, (string)review["from"]!));
        Assert.Equal(
            ["Levi Sorel", "Oto Sandvik"],
            review["absent"]!.AsArray().Select(a => (string)a!["name"]!).Order(StringComparer.Ordinal)
        );
        var pain = review["pain"]!.AsArray().Single(p => (string)p!["place"]! == "right elbow")!;
        Assert.Equal(
            ("weighted-pull-up", 1, 2, 4),
            ((string)pain["movement"]!, (int)pain["athletes"]!, (int)pain["days"]!, (int)pain["worst"]!)
        );
        var tuck = Gate(review, "front-lever", "Tuck");
        Assert.Equal((9, 2, 4, 0, 1), Counts(tuck));
        // Everybody stands on one step of a ladder at most.
        Assert.All(review["ladders"]!.AsArray(), l =>
            Assert.InRange(l!["steps"]!.AsArray().Sum(s => s!["training"]!.AsArray().Count), 0, 14)
        );
        Assert.Equal("2026-03-10", (string)(await coach.Get("/api/review?weeks=1")).Ok["from"]!);
    }

    private static JsonNode Gate(JsonNode review, string ladder, string step) =>
        review["gates"]!.AsArray().Single(g => (string)g!["ladder"]! == ladder && (string)g["step"]! == step)!;

    private static (int, int, int, int, int) Counts(JsonNode gate) =>
        (
            (int)gate["met"]!["count"]!,
            (int)gate["met"]!["achieved"]!,
            (int)gate["unmet"]!["count"]!,
            (int)gate["unmet"]!["achieved"]!,
            (int)gate["untested"]!
        );
}

/// <summary>A coach of some reviews these alone.</summary>
public sealed class ClubReviewReachTests(Cast cast) : IClassFixture<Cast>
{
    [Fact]
    public async Task Nobody_else_is_named_or_counted()
    {
        var review = (await cast.Lea.Get("/api/review")).Ok;
        Assert.Equal(1, (int)review["athletes"]!);
        Assert.Equal(["Ana Shoal"], review["absent"]!.AsArray().Select(a => (string)a!["name"]!));
        Assert.DoesNotContain("Ben Skerry", review.ToJsonString(), StringComparison.Ordinal);
        Assert.Equal(403, (await cast.Ana.Get("/api/review")).Status);
    }
}
