using System.Text.Json.Nodes;

namespace Cumbre.Server.Tests;

/// <summary>The kit of the hall and at home, over the API.</summary>
public sealed class KitTests(SharedClub shared) : IClassFixture<SharedClub>, IAsyncLifetime
{
    private Caller coach = null!;

    public async ValueTask InitializeAsync() => coach = await shared.Club.Coach();

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    private static object Band(
        object? bottom = null,
        object? middle = null,
        object? top = null,
        string measuredOn = Club.Today,
        string name = "green"
    ) =>
        new
        {
            id = Guid.CreateVersion7(),
            name,
            bottomKg = bottom ?? 20,
            middleKg = middle ?? 15,
            topKg = top ?? 10,
            measuredOn,
        };

    private static object Book(
        long version,
        object? kit = null,
        object[]? bands = null,
        object[]? counted = null,
        object[]? gear = null,
        bool hasNoGear = false
    ) =>
        new
        {
            kit,
            bands = bands ?? [],
            counted = counted ?? [],
            gear = gear ?? [],
            version,
            hasNoGear,
        };

    [Fact]
    public async Task The_hall_of_the_demo_has_its_plates_bands_and_bars_and_what_can_be_loaded()
    {
        // A club of its own: others of this class change the kit of theirs.
        await using var club = new Club();
        coach = await club.Coach();
        var kit = (await coach.Get("/api/kit")).Ok;
        Assert.Equal((5, 3), (kit["kit"]!["plates"]!.AsArray().Count, kit["bands"]!.AsArray().Count));
        // Everything at once: 2.5 + 5 + 10 + 30 + 20 kg of plates and a vest of 5.
        Assert.Equal(72.5m, (decimal)kit["loads"]!.AsArray()[^1]!["kg"]!);
        Assert.Contains(kit["helps"]!.AsArray(), h => (bool)h!["stale"]!);
        Assert.Contains(kit["gear"]!.AsArray(), g => (string)g!["kind"]! == "Pole");
    }

    [Fact]
    public async Task Who_trains_in_the_hall_hangs_the_clubs_plates_and_who_trains_at_home_their_own()
    {
        var athlete = await coach.NewAthlete();
        await athlete.OpenGate();
        var hall = (await coach.Get("/api/kit")).Ok;
        (await coach.Put("/api/kit", Book((long)hall["version"]!, Trainee.Kit((7, 1))))).Ok.ToString();
        var made = (await athlete.Plan("3 x 5 @ +5 kg", reason: "a test")).Ok["items"]![0]!["plan"]!["loads"]![0]![
            "made"
        ]!["value"]!["number"]!;
        Assert.Equal(7m, (decimal)made);
        var profile = (JsonObject)(await coach.Get(athlete.Path)).Ok;
        profile["intake"]!["place"] = "Home";
        (await coach.Put(athlete.Path, profile)).Ok.ToString();
        Assert.Equal(
            5m,
            (decimal)
                (await athlete.Plan("3 x 5 @ +5 kg", reason: "a test")).Ok["items"]![0]!["plan"]!["loads"]![0]![
                    "made"
                ]!["value"]!["number"]!
        );
    }

    [Fact]
    public async Task No_gear_at_home_is_kept_and_says_nothing_beside_a_list()
    {
        var athlete = await coach.NewAthlete();
        async Task<bool> Put(object book)
        {
            (await coach.Put($"{athlete.Path}/kit", book)).Ok.ToString();
            return (bool)(await coach.Get($"{athlete.Path}/kit")).Ok["hasNoGear"]!;
        }
        Assert.True(await Put(Book(0, hasNoGear: true)));
        var bar = new
        {
            id = Guid.CreateVersion7(),
            kind = "Bar",
            name = "door bar",
            heightCm = (decimal?)null,
            widthCm = (decimal?)null,
            note = (string?)null,
        };
        Assert.False(await Put(Book(1, gear: [bar], hasNoGear: true)));
        Assert.False(await Put(Book(2)));
    }

    [Fact]
    public async Task Bands_and_books_at_home_are_kept_and_a_strong_band_is_told()
    {
        var athlete = await coach.NewAthlete();
        var counted = new
        {
            id = Guid.CreateVersion7(),
            name = "book",
            count = 9,
            unit = new { value = 0.62m, unit = "Kg" },
        };
        var stored = (
            await coach.Put($"{athlete.Path}/kit", Book(0, bands: [Band(80, 60, 40)], counted: [counted]))
        ).Ok;
        Assert.Contains(stored["helps"]![0]!["help"]!["why"]!["cautions"]!.AsArray(), c =>
            (string)c!["id"]! == "BandTooStrong"
        );
        Assert.Equal(60m, (decimal)stored["helps"]![0]!["help"]!["value"]!["number"]!);
        var conflict = await coach.Put($"{athlete.Path}/kit", Book(0));
        Assert.Equal((409, 1), (conflict.Status, conflict.Body!["current"]!["counted"]!.AsArray().Count));
        Assert.Equal(404, (await coach.Put($"/api/athletes/{Guid.CreateVersion7()}/kit", Book(0))).Status);
    }

    public static TheoryData<string, string> Slips =>
        new()
        {
            { "negative", "bands[0].bottomKg:outOfRange" },
            { "rising", "bands[0].middleKg:outOfRange" },
            { "future", "bands[0].measuredOn:dayInFuture" },
            { "nameless", "bands[0].name:writeName" },
            { "plate", "kit.plates[0].size:outOfRange" },
            { "height", "gear[0].heightCm:outOfRange" },
            { "count", "counted[0].count:outOfRange" },
        };

    [Theory]
    [MemberData(nameof(Slips))]
    public async Task A_slip_in_the_kit_is_told_at_its_field(string slip, string field)
    {
        var version = (long)(await coach.Get("/api/kit")).Ok["version"]!;
        var body = slip switch
        {
            "negative" => Book(version, bands: [Band(-5)]),
            "rising" => Book(version, bands: [Band(20, 25)]),
            "future" => Book(version, bands: [Band(measuredOn: "2026-03-17")]),
            "nameless" => Book(version, bands: [Band(name: " ")]),
            "plate" => Book(version, Trainee.Kit((1000, 1))),
            "height" => Book(
                version,
                gear:
                [
                    new
                    {
                        id = Guid.CreateVersion7(),
                        kind = "Bar",
                        name = "bar",
                        heightCm = 900,
                        widthCm = (decimal?)null,
                        note = (string?)null,
                    },
                ]
            ),
            _ => Book(
                version,
                counted:
                [
                    new
                    {
                        id = Guid.CreateVersion7(),
                        name = "book",
                        count = 0,
                        unit = (object?)null,
                    },
                ]
            ),
        };
        Assert.Equal(field, (await coach.Put("/api/kit", body)).Field);
    }

    [Fact]
    public async Task The_stand_in_scale_streams_until_a_pull_is_steady_and_an_athlete_may_not_use_it()
    {
        Assert.Equal(403, (await (await shared.Club.Athlete()).Get("/api/gauge?place=Bottom")).Status);
        using var stop = CancellationTokenSource.CreateLinkedTokenSource(TestContext.Current.CancellationToken);
        await using var stream = await coach.Client.GetStreamAsync("/api/gauge?place=Bottom", stop.Token);
        using var reader = new StreamReader(stream);
        for (var line = 0; line < 400; line++)
        {
            if (
                await reader.ReadLineAsync(stop.Token) is not { } text
                || !text.StartsWith("data: ", StringComparison.Ordinal)
            )
                continue;
            var reading = JsonNode.Parse(text["data: ".Length..])!;
            if ((bool)reading["steady"]!)
            {
                // 206 N over standard gravity.
                Assert.Equal(21.0, (double)reading["mean"]!["kilograms"]!, 0.5);
                return;
            }
        }

        Assert.Fail("never steady");
    }
}
