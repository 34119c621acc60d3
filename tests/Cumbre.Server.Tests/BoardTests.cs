using System.Text.Json.Nodes;

namespace Cumbre.Server.Tests;

/// <summary>What the wall of the hall shows.</summary>
public sealed class BoardTests : IAsyncLifetime
{
    private readonly Club club = new();
    private Caller coach = null!;

    public async ValueTask InitializeAsync() => coach = await club.Coach();

    public ValueTask DisposeAsync() => club.DisposeAsync();

    private async Task<(Trainee Athlete, Phone Phone)> Training(int secondsAgo, params string[] lines)
    {
        var (athlete, _, _) = await RunFixture.Planned(coach, lines);
        var phone = await Phone.Of(coach, athlete);
        phone.Do(0, 0, at: DateTimeOffset.UtcNow.AddSeconds(-secondsAgo));
        await phone.Send();
        return (athlete, phone);
    }

    private async Task<JsonNode> Board() => (await coach.Get("/api/board")).Ok;

    private static JsonNode Of(JsonNode board, Trainee athlete) =>
        board["columns"]!.AsArray().Single(c => (Guid)c!["athlete"]! == athlete.Id)!;

    private static int Left(JsonNode board, decimal size) =>
        (int)board["rack"]!.AsArray().Single(p => (decimal)p!["size"]!["value"]! == size)!["left"]!;

    [Fact]
    public async Task Two_at_one_station_go_in_turn_and_plates_and_belts_are_counted()
    {
        var before = await Board();
        Assert.Empty(before["columns"]!.AsArray());
        var (first, _) = await Training(200, "weighted-dip: 3 x 5 @ +20 kg rest 2:00");
        var (second, _) = await Training(30, "weighted-dip: 3 x 5 @ +10 kg rest 2:00");
        var board = await Board();
        var (go, waits) = (Of(board, first), Of(board, second));
        Assert.Equal("parallel bars", (string)go["station"]!);
        Assert.Equal(("Go", null), ((string)go["turn"]!, (string?)go["after"]));
        Assert.Equal(("After", "Tess"), ((string)waits["turn"]!, (string?)waits["after"]));
        Assert.Equal((2, 3, "Weighted dip"), ((int)go["set"]!, (int)go["sets"]!, (string)go["movement"]!));
        Assert.Equal([20], go["on"]!.AsArray().Select(p => (int)p!["size"]!["value"]!));
        Assert.Equal((0, 2), (Left(board, 20), Left(board, 10)));
        Assert.Equal((1, 2), ((int)board["belts"]!, (int)board["beltsNeeded"]!));
        // Nobody’s bodyweight stands on a wall.
        Assert.DoesNotContain("bodyMass", board.ToJsonString(), StringComparison.OrdinalIgnoreCase);
    }

    [Fact]
    public async Task The_coach_says_who_stands_on_it_and_where()
    {
        var (first, phone) = await Training(10, "pull-up: 3 x 5");
        var (second, other) = await Training(10, "ring-row: 3 x 8");
        Assert.Equal("Bar", (string)Of(await Board(), first)["station"]!);
        (
            await coach.Put(
                "/api/board",
                new { places = new[] { new { session = (string)phone.Pack["id"]!, station = (string?)"high bar" } } }
            )
        ).Ok?.ToString();
        var board = await Board();
        Assert.Equal("high bar", (string)Of(board, first)["station"]!);
        Assert.Single(board["columns"]!.AsArray());
        Assert.Equal(
            404,
            (
                await coach.Put(
                    "/api/board",
                    new { places = new[] { new { session = Guid.CreateVersion7(), station = (string?)null } } }
                )
            ).Status
        );
        (await coach.Put("/api/board", new { places = Array.Empty<object>() })).Ok?.ToString();
        Assert.Equal(2, (await Board())["columns"]!.AsArray().Count);
        Assert.NotEqual(second.Id, first.Id);
        Assert.NotNull(other);
    }

    [Fact]
    public async Task Name_and_pain_stand_there_as_the_athlete_chose()
    {
        var (athlete, phone) = await Training(10, "pull-up: 3 x 5");
        phone.Do(0, 1, more: new { pain = 4, painPlace = "left elbow, inside" });
        await phone.Send();
        Assert.Equal(
            ("Tess", false),
            ((string)Of(await Board(), athlete)["name"]!, (bool)Of(await Board(), athlete)["pain"]!)
        );
        (await coach.Put($"{athlete.Path}/wall", new { name = " Rook ", pain = true })).Ok?.ToString();
        var column = Of(await Board(), athlete);
        Assert.Equal(("Rook", true), ((string)column["name"]!, (bool)column["pain"]!));
        // Neither the place nor how bad it is.
        Assert.DoesNotContain("elbow", column.ToJsonString());
        Assert.Equal(
            "name:textTooLong",
            (await coach.Put($"{athlete.Path}/wall", new { name = new string('x', 21), pain = true })).Field
        );
        Assert.Equal("Rook", (string)(await coach.Get($"{athlete.Path}/wall")).Ok["name"]!);
    }
}
