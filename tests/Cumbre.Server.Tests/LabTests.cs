using System.Text.Json.Nodes;

namespace Cumbre.Server.Tests;

/// <summary>The lever lab of an athlete over the API.</summary>
public sealed class LabTests(SharedClub shared) : IClassFixture<SharedClub>
{
    private async Task<JsonNode> Lab(string name, string ladder = "front-lever")
    {
        var coach = await shared.Club.Coach();
        var athlete = (await coach.Get("/api/athletes")).Ok.AsArray().Single(a => (string)a!["name"]! == name)!["id"];
        return (await coach.Get($"/api/athletes/{athlete}/ladders/{ladder}/lab")).Ok;
    }

    [Fact]
    public async Task It_says_what_a_hold_promises_and_what_lies_between()
    {
        var lab = await Lab("Kasimir Lund");
        Assert.False((bool)lab["needsBody"]!);
        var maximum = (double)lab["maximum"]!;
        Assert.InRange((int)lab["holds"]!, 1, 9);
        var steps = lab["steps"]!.AsArray();
        Assert.Equal(6, steps.Count);
        Assert.Equal(1, (double)steps[^1]!["share"]!, 6);
        foreach (var step in steps)
        {
            var moment = (double)step!["moment"]!;
            if (step["held"] is { } held && (double)held >= 6)
                Assert.InRange((double)step["allowed"]!, (double)held - 0.01, double.MaxValue);
            // Above the maximum nothing is promised; what is promised for 8 s needs no help.
            Assert.Equal(moment > maximum, step["allowed"] is null);
            if (step["allowed"] is { } seconds)
                Assert.Equal((double)seconds < 8, step["help"]!.AsArray().Count == 3);
            else
                Assert.Equal(3, step["help"]!.AsArray().Count);
        }

        Assert.NotEmpty(lab["halfSteps"]!.AsArray());
        Assert.All(lab["halfSteps"]!.AsArray(), h => Assert.InRange((double)h!["share"]!, 0.5, 1));
    }

    [Fact]
    public async Task Minors_are_offered_no_ankle_weights_and_nobody_without_a_body()
    {
        var coach = await shared.Club.Coach();
        var kinds = new Dictionary<bool, HashSet<string>> { [true] = [], [false] = [] };
        foreach (var athlete in (await coach.Get("/api/athletes")).Ok.AsArray())
        {
            var path = $"/api/athletes/{athlete!["id"]}";
            var profile = (await coach.Get(path)).Ok;
            var lab = (await coach.Get($"{path}/ladders/front-lever/lab")).Ok;
            var birth = (int?)(profile["profile"]?["birthYear"] ?? profile["birthYear"]);
            if (!(bool)lab["needsBody"]!)
                kinds[birth is { } year && 2026 - year >= 18]
                    .UnionWith(lab["halfSteps"]!.AsArray().Select(h => (string)h!["kind"]!));
        }

        Assert.Contains("AnkleWeight", kinds[true]);
        Assert.DoesNotContain("AnkleWeight", kinds[false]);
        Assert.Equal(404, (await coach.Get($"/api/athletes/{Guid.NewGuid()}/ladders/front-lever/lab")).Status);
    }

    [Fact]
    public async Task It_is_the_coachs_view()
    {
        var coach = await shared.Club.Coach();
        var id = (await coach.Get("/api/athletes")).Ok[0]!["id"];
        Assert.Equal(401, (await shared.Club.Stranger().Get($"/api/athletes/{id}/ladders/front-lever/lab")).Status);
    }
}
