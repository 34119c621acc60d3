using System.Text.Json.Nodes;

namespace Cumbre.Server.Tests;

/// <summary>Blocks for several athletes over the API: preview, making, making again, the sheet, what is refused.</summary>
public sealed class GroupTests(SharedClub shared) : IClassFixture<SharedClub>, IAsyncLifetime
{
    private Caller coach = null!;

    public async ValueTask InitializeAsync() => coach = await shared.Club.Coach();

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    private static object Station(string key, string kind, string of) =>
        new
        {
            key,
            kind,
            of,
            light = false,
        };

    private static object Request(
        IEnumerable<Guid> athletes,
        long version = 0,
        object[]? stations = null,
        string form = "Circuit",
        int? sets = 3,
        string start = "2026-03-23"
    ) =>
        new
        {
            outline = new
            {
                name = "Evening",
                start,
                minutes = 60,
                loadingWeeks = 2,
                easyWeek = true,
                days = new[]
                {
                    new
                    {
                        day = "Monday",
                        title = "",
                        form,
                        sets,
                        stations = stations
                            ?? [Station("a", "Pattern", "VerticalPull"), Station("b", "Movement", "push-up")],
                    },
                },
            },
            athletes,
            version,
        };

    private static string Line(JsonNode plan, int member, int station = 0, int week = 0) =>
        (string)plan["weeks"]![week]!["sessions"]![0]!["stations"]![station]!["cells"]![member]![0]!["line"]!;

    [Fact]
    public async Task A_group_is_shown_made_and_read_back_with_what_was_changed_by_hand()
    {
        var (one, two) = (await coach.NewAthlete(), await coach.NewAthlete());
        Guid[] both = [one.Id, two.Id];
        var path = $"/api/groups/{Guid.CreateVersion7()}";
        var shown = (await coach.Post(path + "/preview", Request(both))).Ok;
        Assert.Equal(2, shown["members"]!.AsArray().Count);
        Assert.Empty((await coach.Get($"{one.Path}/blocks")).Ok.AsArray());
        Assert.False((bool)shown["members"]![0]!["hasBlock"]!);

        var made = (await coach.Put(path, Request(both))).Ok;
        Assert.Equal(Line(shown, 0), Line(made["plan"]!, 0));
        // Circuits tell what is done when it is too much.
        Assert.NotNull(made["plan"]!["weeks"]![0]!["sessions"]![0]!["stations"]![0]!["cells"]![0]![0]!["easier"]);
        // Sent again after a lost answer it is the same group.
        Assert.Equal(1, (long)(await coach.Put(path, Request(both))).Ok["version"]!);

        // Each has a block of their own, which knows its group and why each item stands there.
        var blockPath = $"{one.Path}/blocks/{made["plan"]!["members"]![0]!["blockId"]}";
        var block = (await coach.Get(blockPath)).Ok;
        Assert.Equal("Evening", (string)block["group"]!["name"]!);
        Assert.NotEmpty((await coach.Get(blockPath + "/generated")).Ok["items"]!.AsArray());

        // Generated alone it would no longer follow the outline.
        var alone = await coach.Post(
            blockPath + "/generate",
            new
            {
                name = "Evening",
                start = "2026-03-23",
                days = (string[]?)null,
                minutes = 60,
                loadingWeeks = 2,
            }
        );
        Assert.Equal(400, alone.Status);
        Assert.Contains("Evening", alone.Said);

        // A line that the coach writes in one block stands in the plan, and stays when the blocks are made again.
        var body = block["block"]!.DeepClone();
        body["weeks"]![0]!["sessions"]![0]!["items"]![1]!["line"] = "3 x 4";
        Assert.Equal(200, (await coach.Put(blockPath, new { block = body, version = (long)block["version"]! })).Status);
        Assert.Equal("3 x 4", Line((await coach.Get(path)).Ok["plan"]!, 0, 1));
        var again = (
            await coach.Put(
                path,
                Request(
                    both,
                    1,
                    [
                        Station("a", "Pattern", "VerticalPull"),
                        Station("b", "Movement", "push-up"),
                        Station("c", "Pattern", "Legs"),
                    ]
                )
            )
        ).Ok;
        Assert.Equal("3 x 4", Line(again["plan"]!, 0, 1));
        Assert.NotEmpty(Line(again["plan"]!, 0, 2));
        Assert.Equal(2, (long)again["version"]!);

        // Whoever holds the older one is told.
        var stale = await coach.Put(path, Request(both, 1));
        Assert.Equal(409, stale.Status);
        Assert.Equal(409, (await coach.Delete(path + "?version=1")).Status);
        Assert.Equal(204, (await coach.Delete(path + "?version=2")).Status);
        // The blocks stay with their athletes.
        Assert.Null((await coach.Get(blockPath)).Ok["group"]);
        Assert.Equal(404, (await coach.Get(path)).Status);
    }

    [Fact]
    public async Task A_group_is_in_the_list_with_its_names()
    {
        var one = await coach.NewAthlete();
        var id = Guid.CreateVersion7();
        await coach.Put($"/api/groups/{id}", Request([one.Id]));
        var row = (await coach.Get("/api/groups")).Ok.AsArray().Single(g => (Guid)g!["id"]! == id)!;
        Assert.Equal((3, 1), ((int)row["weeks"]!, row["athletes"]!.AsArray().Count));
    }

    [Theory]
    [InlineData("Circuit", null, "2026-03-23", "outline.days.0.sets")]
    [InlineData("Circuit", 9, "2026-03-23", "outline.days.0.sets")]
    [InlineData("Circuit", 0, "2026-03-23", "outline.days.0.sets")]
    [InlineData("Class", 3, "2026-03-24", "outline.start")]
    public async Task What_cannot_be_is_said_at_its_field(string form, int? sets, string start, string path)
    {
        var one = await coach.NewAthlete();
        var answer = await coach.Post(
            $"/api/groups/{Guid.CreateVersion7()}/preview",
            Request([one.Id], form: form, sets: sets, start: start)
        );
        Assert.Equal((400, path), (answer.Status, (string)answer.Body!["errors"]![0]!["path"]!));
    }

    [Theory]
    [InlineData("Movement", "levitation")]
    [InlineData("Pattern", "StraightArmPull")]
    [InlineData("Ladder", "levitation")]
    public async Task A_station_of_nothing_is_refused(string kind, string of)
    {
        var one = await coach.NewAthlete();
        var answer = await coach.Post(
            $"/api/groups/{Guid.CreateVersion7()}/preview",
            Request([one.Id], stations: [Station("a", kind, of)])
        );
        Assert.Equal("outline.days.0.stations.0", (string)answer.Body!["errors"]![0]!["path"]!);
    }

    [Fact]
    public async Task Nobody_and_a_stranger_are_refused()
    {
        var path = $"/api/groups/{Guid.CreateVersion7()}/preview";
        foreach (Guid[] athletes in new Guid[][] { [], [Guid.CreateVersion7()] })
            Assert.Equal(400, (await coach.Post(path, Request(athletes))).Status);
    }
}
