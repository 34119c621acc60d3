using System.Text.Json;
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

    private async Task<string> PathOf(string name)
    {
        var coach = await shared.Club.Coach();
        var athlete = (await coach.Get("/api/athletes")).Ok.AsArray().Single(a => (string)a!["name"]! == name)!["id"];
        return $"/api/athletes/{athlete}/ladders";
    }

    private static object Kilograms(double value) => new { value, unit = "Kg" };

    [Fact]
    public async Task A_line_in_the_lab_costs_what_its_step_costs_and_between_two_something_between()
    {
        var coach = await shared.Club.Coach();
        var path = await PathOf("Kasimir Lund");
        foreach (var ladder in new[] { "front-lever", "human-flag" })
        {
            var lab = (await coach.Get($"{path}/{ladder}/lab")).Ok;
            Assert.Equal(ladder == "human-flag" ? "HandForce" : "Moment", (string)lab["kind"]!);
            foreach (var step in lab["steps"]!.AsArray())
            {
                var name = (string)step!["movement"]!;
                var line = (
                    await coach.Post($"{path}/{ladder}/lab/pose", new { pose = new { pose = new { like = name } } })
                ).Ok;
                var moment = (double)step["moment"]!;
                // Blades and pointed feet are drawn, the model has neither.
                Assert.InRange((double)line["moment"]! / moment, 0.985, 1.015);
                Assert.InRange(moment, (double)step["low"]!, (double)step["high"]!);
                Assert.InRange((double)line["moment"]!, (double)line["low"]!, (double)line["high"]!);
            }
        }

        async Task<JsonNode> Bent(object weights)
        {
            var body = JsonSerializer.SerializeToNode(weights)!.AsObject();
            body["pose"] = JsonSerializer.SerializeToNode(
                new { pose = new { like = "front-lever-full" }, turn = new { variable = "Hip", value = 45 } }
            );
            return (await coach.Post($"{path}/front-lever/lab/pose", body)).Ok;
        }

        var plain = await Bent(new { });
        Assert.InRange((double)plain["share"]!, 0.7, 0.99);
        Assert.Equal(45, (double)plain["posed"]!["pose"]!["leg"]![0]!);
        var heavy = await Bent(new { ankles = Kilograms(2) });
        Assert.True((double)heavy["moment"]! > (double)plain["moment"]!);
        // Everything is in proportion to the body's mass.
        var (at60, other) = (await Bent(new { body = Kilograms(60) }), await Bent(new { body = Kilograms(54) }));
        Assert.Equal(0.9, (double)other["moment"]! / (double)at60["moment"]!, 9);
    }

    [Fact]
    public async Task Weights_in_the_lab_are_for_adults_and_within_limits()
    {
        var coach = await shared.Club.Coach();
        var grown = await PathOf("Kasimir Lund");
        object With(double? ankles, double? body) =>
            new
            {
                pose = new { pose = new { like = "front-lever-full" } },
                ankles = ankles is { } a ? Kilograms(a) : null,
                body = body is { } b ? Kilograms(b) : null,
            };
        async Task<string> Field(string path, object request) =>
            (await coach.Post($"{path}/front-lever/lab/pose", request)).Field!;

        Assert.Equal(200, (await coach.Post($"{grown}/front-lever/lab/pose", With(6, null))).Status);
        Assert.StartsWith("ankles", await Field(grown, With(6.1, null)), StringComparison.Ordinal);
        Assert.StartsWith("body", await Field(grown, With(null, 24.9)), StringComparison.Ordinal);
        foreach (var athlete in (await coach.Get("/api/athletes")).Ok.AsArray())
        {
            var path = $"/api/athletes/{athlete!["id"]}/ladders";
            var lab = (await coach.Get($"{path}/front-lever/lab")).Ok;
            if ((bool)lab["needsBody"]! || (bool)lab["withWeights"]!)
                continue;
            Assert.Equal("ankles:labAdultsOnly", await Field(path, With(1, null)));
            Assert.Equal("body:labAdultsOnly", await Field(path, With(null, 50)));
            Assert.Equal(200, (await coach.Post($"{path}/front-lever/lab/pose", With(null, null))).Status);
            return;
        }

        Assert.Fail("The demo has no minor whose body is known.");
    }

    [Fact]
    public async Task A_half_step_is_taken_into_the_ladder_and_out_of_it()
    {
        var coach = await shared.Club.Coach();
        var path = await PathOf("Kasimir Lund") + "/front-lever";
        var half = (await coach.Get($"{path}/lab")).Ok["halfSteps"]![0]!;
        var (id, twice) = (Guid.NewGuid(), Guid.NewGuid());
        object Asked(double share) =>
            new
            {
                after = (string)half["afterStep"]!,
                before = (string)half["beforeStep"]!,
                kind = (string)half["kind"]!,
                at = (string)half["at"]!,
                share,
            };
        Assert.Equal(409, (await coach.Put($"{path}/half-steps/{twice}", Asked(0.2))).Status);
        // Twice the same press is one step.
        Assert.Equal(204, (await coach.Put($"{path}/half-steps/{id}", Asked((double)half["share"]!))).Status);
        Assert.Equal(204, (await coach.Put($"{path}/half-steps/{id}", Asked((double)half["share"]!))).Status);
        var taken = Assert.Single((await coach.Get(path)).Ok["halfSteps"]!.AsArray())!;
        Assert.Equal(id, (Guid)taken["taken"]!);
        foreach (var field in new[] { "after", "before", "kind", "hip", "knee", "kilograms", "share" })
            Assert.Equal(half[field]?.ToJsonString(), taken[field]?.ToJsonString());
        Assert.Equal(id, (Guid)(await coach.Get($"{path}/lab")).Ok["halfSteps"]![0]!["taken"]!);
        // Another ladder's or nobody's id takes nothing away.
        await coach.Delete($"{path.Replace("front", "back", StringComparison.Ordinal)}/half-steps/{id}");
        Assert.Single((await coach.Get(path)).Ok["halfSteps"]!.AsArray());
        Assert.Equal(204, (await coach.Delete($"{path}/half-steps/{id}")).Status);
        Assert.Empty((await coach.Get(path)).Ok["halfSteps"]!.AsArray());
        var noted = (await coach.Get("/api/audit")).Ok["entries"]!.AsArray().Select(e => (string)e!["kind"]!).ToArray();
        Assert.Contains("HalfStepTaken", noted);
        Assert.Contains("HalfStepRemoved", noted);
    }
}
