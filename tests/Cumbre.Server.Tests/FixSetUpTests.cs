using System.Text.Json.Nodes;

namespace Cumbre.Server.Tests;

/// <summary>The set-up of many sets, told after the fact.</summary>
public sealed class FixSetUpTests(Cast cast) : IClassFixture<Cast>, IAsyncLifetime
{
    private const string Movement = "ring-row";

    private Caller coach = null!;

    public async ValueTask InitializeAsync() => coach = await cast.SignIn("kim");

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    private static async Task<Answer> Fix(Caller by, Guid athlete, string value, string part, string more = "") =>
        await by.Post($"/api/logbook/set-up?athlete={athlete}&movement={Movement}{more}", new { part, value });

    private async Task<string[]> SetUps(Guid athlete) =>
        [
            .. (await coach.Get($"/api/logbook?athlete={athlete}&order=Oldest")).Ok["sessions"]!
                .AsArray()
                .SelectMany(s => s!["sets"]!.AsArray())
                .Select(s => s!["set"]!["setUp"]!.ToJsonString()),
        ];

    [Fact]
    public async Task It_is_counted_and_then_written_with_what_each_set_said_before()
    {
        var part = await Part();
        var athlete = await coach.NewAthlete(weighed: false);
        await athlete.Weigh(70m, "2025-01-01");
        await athlete.Train("2 x 8", "2026-03-02", 8, movement: Movement);
        await athlete.Train("2 x 8", "2026-03-09", 8, movement: Movement);
        var check = (await Fix(coach, athlete.Id, "3", part, "&check=true")).Ok;
        Assert.Equal((4, 4, 1), Told(check));
        Assert.All(await SetUps(athlete.Id), s => Assert.Equal("{}", s));

        Assert.Equal((2, 2, 1), Told((await Fix(coach, athlete.Id, "3", part, "&from=2026-03-05")).Ok));
        Assert.Equal(["{}", "{}", $"{{\"{part}\":\"3\"}}", $"{{\"{part}\":\"3\"}}"], await SetUps(athlete.Id));
        // Once more only the others change.
        Assert.Equal((4, 2, 1), Told((await Fix(coach, athlete.Id, "3", part)).Ok));
        Assert.Equal((4, 4, 1), Told((await Fix(coach, athlete.Id, "", part)).Ok));
        Assert.All(await SetUps(athlete.Id), s => Assert.Equal("{}", s));
        Assert.Equal(
            4,
            (await coach.Get($"/api/logbook?athlete={athlete.Id}&corrected=true")).Ok["sessions"]!
                .AsArray()
                .Sum(s => s!["sets"]!.AsArray().Count)
        );
    }

    [Fact]
    public async Task It_asks_for_one_movement_and_a_part_that_it_has()
    {
        Assert.Equal(
            "movement:setUpOfOneMovement",
            (await coach.Post("/api/logbook/set-up", new { part = "strap mark", value = "3" })).Field
        );
        Assert.Equal("part:setUpUnknown", (await Fix(coach, cast.AnaId, "3", "moon phase")).Field);
    }

    [Fact]
    public async Task Sets_of_others_are_out_of_reach()
    {
        var part = await Part();
        var ben = new Trainee(coach, cast.BenId);
        await ben.Train("1 x 8", "2026-03-02", 8, movement: Movement);
        Assert.Equal((0, 0, 0), Told((await Fix(cast.Lea, cast.BenId, "3", part)).Ok));
        Assert.Equal(403, (await Fix(cast.Ben, cast.BenId, "3", part)).Status);
    }

    /// <summary>A part of the movement that is a number.</summary>
    private async Task<string> Part() =>
        (await coach.Get("/api/movements")).Ok.AsArray().Single(m => (string)m!["slug"]! == Movement)!["setUp"]!
            .AsArray()
            .Select(p => (string)p!)
            .First(p => p is "strap mark" or "foot position" or "hand height");

    private static (int, int, int) Told(JsonNode answer) =>
        ((int)answer["sets"]!, (int)answer["changed"]!, (int)answer["athletes"]!);
}
