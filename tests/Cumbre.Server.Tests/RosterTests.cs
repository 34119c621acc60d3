using System.Text.Json.Nodes;

namespace Cumbre.Server.Tests;

/// <summary>The roster: goals, tests, what needs an eye.</summary>
public sealed class RosterTests : IAsyncLifetime
{
    private readonly Club club = new();
    private Caller coach = null!;

    public async ValueTask InitializeAsync() => coach = await club.Coach();

    public ValueTask DisposeAsync() => club.DisposeAsync();

    private async Task<JsonNode> Row(string name) =>
        (await coach.Get("/api/athletes")).Ok.AsArray().Single(r => (string)r!["name"]! == name)!;

    [Fact]
    public async Task Goals_stand_as_small_ridges_with_the_flag_where_the_ladder_has_it()
    {
        var row = await Row("Kasimir Lund");
        var goals = row["goals"]!.AsArray();
        Assert.Equal(["front-lever", "bar-muscle-up", "planche"], goals.Select(g => (string)g!["ridge"]!["ladder"]!));
        Assert.Equal(["Advance", "Advance", "Maintain"], goals.Select(g => (string)g!["kind"]!));
        var ladder = (await coach.Get($"/api/athletes/{row["id"]}/ladders/front-lever")).Ok;
        Assert.Equal((int)ladder["training"]!, (int)goals[0]!["ridge"]!["training"]!);
        Assert.Equal(ladder["steps"]!.AsArray().Count, goals[0]!["ridge"]!["steps"]!.AsArray().Count);
    }

    [Fact]
    public async Task What_needs_an_eye_is_said()
    {
        Assert.Equal(["Under 18"], (await Row("Levi Sorel"))["openClearances"]!.AsArray().Select(q => (string)q!));
        Assert.True((bool)(await Row("Levi Sorel"))["consentMissing"]!);
        Assert.Equal(
            ("right elbow", 4),
            (
                (string)(await Row("Bruno Achterberg"))["pain"]!["place"]!,
                (int)(await Row("Bruno Achterberg"))["pain"]!["level"]!
            )
        );
        var newcomer = await Row("Oto Sandvik");
        Assert.Equal(
            (false, 0, 0),
            ((bool)newcomer["intakeFinished"]!, (int)newcomer["testCount"]!, newcomer["goals"]!.AsArray().Count)
        );
        Assert.Null(newcomer["lastTest"]);
        Assert.True((await Row("Petra Holm"))["goals"]!.AsArray().Sum(g => (int)g!["staleTests"]!) > 0);
    }

    [Fact]
    public async Task The_day_of_the_last_test_moves_with_a_new_one_and_old_tests_are_counted_no_longer()
    {
        var before = await Row("Noor Bakkali");
        var stale = before["goals"]!.AsArray().Sum(g => (int)g!["staleTests"]!);
        Assert.True(stale > 0);
        var path = $"/api/athletes/{before["id"]}/results/";
        foreach (var benchmark in new[] { "assisted-dip", "support-shrug", "bench-dip" })
            await coach.Put(
                path + Guid.CreateVersion7(),
                new
                {
                    benchmark,
                    day = Club.Today,
                    reps = 10,
                    sets = 3,
                    form = "Clean",
                }
            );
        var after = await Row("Noor Bakkali");
        Assert.Equal(Club.Today, (string)after["lastTest"]!);
        Assert.True(after["goals"]!.AsArray().Sum(g => (int)g!["staleTests"]!) < stale);
    }

    [Fact]
    public async Task Those_who_are_put_away_have_a_roster_of_their_own()
    {
        var id = (string)(await Row("Noor Bakkali"))["id"]!;
        Assert.Empty((await coach.Get("/api/athletes?archived=true")).Ok.AsArray());
        await coach.Put($"/api/athletes/{id}/archive", new { away = true });
        Assert.Equal(
            ["Noor Bakkali"],
            (await coach.Get("/api/athletes?archived=true")).Ok.AsArray().Select(r => (string)r!["name"]!)
        );
        Assert.Equal(
            404,
            (await coach.Put($"/api/athletes/{Guid.CreateVersion7()}/archive", new { away = true })).Status
        );
        Assert.Equal(
            403,
            (await (await club.Athlete()).Put($"/api/athletes/{id}/archive", new { away = false })).Status
        );
    }
}
