using System.Text.Json.Nodes;

namespace Cumbre.Server.Tests;

/// <summary>The review of a block, over the API.</summary>
public sealed class BlockReviewTests(SharedClub shared) : IClassFixture<SharedClub>
{
    private static async Task<(Caller Coach, JsonNode Athlete, Guid Block)> Kasimir(SharedClub shared)
    {
        var coach = await shared.Club.Coach();
        var athlete = (await coach.Get("/api/athletes"))
            .Ok.AsArray()
            .Single(a => (string)a!["name"]! == "Kasimir Lund")!;
        var block = (await coach.Get($"/api/athletes/{athlete["id"]}/blocks")).Ok.AsArray().Single()!;
        return (coach, athlete, (Guid)block["id"]!);
    }

    [Fact]
    public async Task A_block_under_way_is_reviewed_up_to_today_and_proposes_what_comes_after_it()
    {
        var (coach, athlete, block) = await Kasimir(shared);
        var review = (await coach.Get($"/api/athletes/{athlete["id"]}/blocks/{block}/review")).Ok;
        Assert.Equal(
            ("Lever block", false, "2026-03-16"),
            ((string)review["name"]!, (bool)review["isOver"]!, (string)review["until"]!)
        );
        // Today's session is not missed yet.
        Assert.Equal(0, (int)review["calendar"]!["due"]!);
        // Six weeks from Monday the 16th of March.
        Assert.Equal("2026-04-27", (string)review["wish"]!["start"]!);
        Assert.Equal((4, 4), (review["wish"]!["days"]!.AsArray().Count, (int)review["wish"]!["loadingWeeks"]!));
        Assert.Contains(review["skills"]!.AsArray(), s => (string)s!["ladder"]! == "front-lever" && (bool)s["isGoal"]!);
    }

    [Fact]
    public async Task The_block_of_somebody_else_is_not_found()
    {
        var (coach, _, block) = await Kasimir(shared);
        var other = await coach.NewAthlete();
        Assert.Equal(404, (await coach.Get($"{other.Path}/blocks/{block}/review")).Status);
        Assert.Equal(404, (await coach.Get($"{other.Path}/blocks/{Guid.CreateVersion7()}/review")).Status);
    }
}
