using System.Net.Http.Headers;
using System.Text;
using System.Text.Json.Nodes;
using static Cumbre.Tests.TableFiles;

namespace Cumbre.Server.Tests;

/// <summary>A file is sent, looked at, read in and taken back, over the API.</summary>
public sealed class ImportTests(SharedClub shared) : IClassFixture<SharedClub>, IAsyncLifetime
{
    private Caller coach = null!;

    public async ValueTask InitializeAsync() => coach = await shared.Club.Coach();

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    private const string Log = """
        Name;Date;Exercise;Done;Bodyweight
        Mirren Vale;2026-01-12;Pull-up;12,5kg x 5,5,4;64
        ;;Tuck front lever;10, 9 s;
        Mirren Vale;2026-01-19;Pull-up;15kg x 5,5,5;64,5
        """;

    private sealed record Sent(Guid Id, JsonNode File)
    {
        public JsonNode Mapping => File["mapping"]!;
    }

    private static async Task<Answer> Send(Caller by, Guid id, byte[] content, string name)
    {
        using var body = new ByteArrayContent(content);
        body.Headers.ContentType = new MediaTypeHeaderValue("application/octet-stream");
        return await by.Send(HttpMethod.Put, $"/api/imports/{id}?name={Uri.EscapeDataString(name)}", body);
    }

    private async Task<Sent> Send(string text, string name = "log.csv")
    {
        var id = Guid.CreateVersion7();
        return new(id, (await Send(coach, id, Encoding.UTF8.GetBytes(text), name)).Ok);
    }

    private async Task<JsonNode> Preview(Sent file) =>
        (await coach.Post($"/api/imports/{file.Id}/preview", file.Mapping)).Ok;

    private static void Choose(Sent file, string of, string written, string? choice, decimal? kg = null) =>
        file.Mapping["names"]!
            .AsArray()
            .Add(
                new JsonObject
                {
                    ["of"] = of,
                    ["written"] = written,
                    ["choice"] = choice,
                    ["bodyMass"] = kg is { } value ? new JsonObject { ["value"] = value, ["unit"] = "Kg" } : null,
                }
            );

    private async Task<JsonNode> Run(Sent file)
    {
        var answer = (await coach.Post($"/api/imports/{file.Id}/run", file.Mapping)).Ok;
        for (var i = 0; i < 200 && (string)answer["state"]! == "Running"; i++)
        {
            await Task.Delay(50, TestContext.Current.CancellationToken);
            answer = (await coach.Get($"/api/imports/{file.Id}")).Ok;
        }

        return answer;
    }

    private async Task<JsonNode?> Named(string name) =>
        (await coach.Get("/api/athletes")).Ok.AsArray().FirstOrDefault(a => (string)a!["name"]! == name);

    private static string Added(JsonNode done)
    {
        var result = done["result"]!;
        var added = result["added"]!;
        return $"{done["state"]} new {result["newAthletes"]} masses {added["bodyMasses"]} tests {added["tests"]} sessions {added["sessions"]} sets {added["sets"]} known {result["knownSets"]}+{result["knownOthers"]}";
    }

    [Fact]
    public async Task A_log_goes_in_once_and_comes_out_as_a_whole()
    {
        var file = await Send(Log);
        var before = await Preview(file);
        Assert.False((bool)before["isReady"]!);
        Assert.Equal("AthleteUnknown", (string)before["faults"]![0]!["fault"]!);
        Assert.Equal(2, (int)before["faults"]![0]!["row"]!);
        Assert.Equal(3, (int)before["faults"]![0]!["count"]!);

        Choose(file, "Athlete", "Mirren Vale", "new");
        var after = await Preview(file);
        Assert.True((bool)after["isReady"]!);
        Assert.Equal(
            "Weighted pull-up",
            (string)after["sample"]!.AsArray().First(s => s!["what"] is not null)!["what"]!
        );
        Assert.Equal("Done new 1 masses 2 tests 0 sessions 2 sets 8 known 0+0", Added(await Run(file)));

        var athlete = await Named("Mirren Vale");
        var sets = (await coach.Get($"/api/logbook?athlete={athlete!["id"]}")).Ok;
        Assert.Equal("sets 5, 5, 4 @ +12.5 kg", (string)sets["sessions"]![1]!["sets"]![0]!["line"]!);
        var trends = (await coach.Get($"/api/athletes/{athlete["id"]}/trends/weighted-pull-up?weeks=0")).Ok;
        Assert.Contains("2026-01-19", trends.ToJsonString(), StringComparison.Ordinal);

        // The same file once more adds nothing; it is known by its headers.
        var again = await Send(Log);
        Assert.Equal("log.csv", (string?)again.File["remembered"]);
        Assert.Equal("Done new 0 masses 0 tests 0 sessions 0 sets 0 known 8+2", Added(await Run(again)));

        var undone = (await coach.Post($"/api/imports/{file.Id}/undo")).Ok;
        Assert.Equal((10, 1, 0), ((int)undone["rows"]!, (int)undone["athletes"]!, (int)undone["athletesKept"]!));
        Assert.Null(await Named("Mirren Vale"));
        Assert.Equal(404, (await coach.Post($"/api/imports/{file.Id}/undo")).Status);
        var files = (await coach.Get("/api/imports")).Ok.AsArray();
        Assert.True((bool)files.Single(f => (string)f!["id"]! == $"{file.Id}")!["isUndone"]!);
    }

    [Fact]
    public async Task Of_an_athlete_of_the_club_what_is_logged_already_stays_and_an_undo_leaves_the_rest()
    {
        var athlete = await coach.NewAthlete();
        await athlete.Weigh(68m, "2026-01-01");
        await athlete.Train("3 x 8", "2026-03-02", 8, movement: "ring-row");
        var name = (string)(await coach.Get(athlete.Path)).Ok["name"]!;
        var file = await Send(
            $"Athlete,Date,Exercise,Reps\n{name},2026-03-02,Ring row,9\n{name},2026-03-04,Ring row,10\n"
        );
        // All athletes of the tests have one name.
        Choose(file, "Athlete", name, $"{athlete.Id}");
        Assert.Equal("Done new 0 masses 0 tests 0 sessions 1 sets 1 known 1+0", Added(await Run(file)));
        Assert.Equal([("2026-03-04", "1 x 10"), ("2026-03-02", "3 x 8")], (await Lines(athlete.Id)));
        Assert.Equal(0, (int)(await coach.Post($"/api/imports/{file.Id}/undo")).Ok["athletes"]!);
        Assert.Equal([("2026-03-02", "3 x 8")], await Lines(athlete.Id));
    }

    private async Task<(string, string)[]> Lines(Guid athlete) =>
        [
            .. (await coach.Get($"/api/logbook?athlete={athlete}")).Ok["sessions"]!
                .AsArray()
                .Select(s => ((string)s!["day"]!, (string)s["sets"]![0]!["line"]!)),
        ];

    [Fact]
    public async Task A_bodyweight_that_nobody_knows_is_asked()
    {
        var file = await Send("Athlete,Date,Test,Result\nOrla Finch,2026-03-01,Pull-up,12\n");
        Choose(file, "Athlete", "Orla Finch", "new");
        var preview = await Preview(file);
        Assert.False((bool)preview["isReady"]!);
        Assert.True((bool)preview["names"]!.AsArray().Single(n => (string)n!["of"]! == "Athlete")!["needsBodyMass"]!);
        Assert.Equal("importFaulty", (string)(await Run(file))["problem"]!["code"]!);
        Choose(file, "Athlete", "Orla Finch", "new", 61.5m);
        Assert.True((bool)(await Preview(file))["isReady"]!);
        Assert.Equal("Done new 1 masses 1 tests 1 sessions 0 sets 0 known 0+0", Added(await Run(file)));
        var id = (string)(await Named("Orla Finch"))!["id"]!;
        Assert.Contains(
            "12",
            (await coach.Get($"/api/athletes/{id}/overview")).Ok.ToJsonString(),
            StringComparison.Ordinal
        );
        // What was written since keeps the athlete.
        await new Trainee(coach, Guid.Parse(id)).Test("pull-up-max", 13);
        Assert.Equal(1, (int)(await coach.Post($"/api/imports/{file.Id}/undo")).Ok["athletesKept"]!);
    }

    [Fact]
    public async Task A_faulty_line_is_corrected_or_left_out_and_nothing_is_half_in()
    {
        var athlete = await coach.NewAthlete();
        await athlete.Weigh(68m, "2026-01-01");
        var file = await Send(
            "Date,Exercise,Reps\n2026-03-01,Ring row,9\n2026-03-32,Ring row,9\n2026-03-03,Ring row,many\n"
        );
        file.Mapping["athlete"] = $"{athlete.Id}";
        Assert.Equal("Failed", (string)(await Run(file))["state"]!);
        Assert.Empty(await Lines(athlete.Id));
        var fixes = file.Mapping["fixes"]!.AsArray();
        fixes.Add(
            new JsonObject
            {
                ["sheet"] = "log",
                ["column"] = 0,
                ["from"] = "2026-03-32",
                ["to"] = "2026-03-02",
            }
        );
        fixes.Add(
            new JsonObject
            {
                ["sheet"] = "log",
                ["column"] = 2,
                ["from"] = "many",
                ["to"] = null,
            }
        );
        Assert.Equal("Done new 0 masses 0 tests 0 sessions 2 sets 2 known 0+0", Added(await Run(file)));
    }

    [Fact]
    public async Task Of_whose_consent_was_withdrawn_nothing_comes_in()
    {
        var athlete = await coach.NewAthlete();
        await athlete.Weigh(68m, "2026-01-01");
        var text = (int)(await coach.Get("/api/privacy-text")).Ok["version"]!;
        var given = await coach.Put(
            $"{athlete.Path}/consents/{Guid.CreateVersion7()}",
            new
            {
                name = "Tess Trial",
                day = "2026-02-01",
                textVersion = text,
            }
        );
        Assert.Equal(200, given.Status);
        var withdrawn = await coach.Post($"{athlete.Path}/consents/withdraw", new { reason = (string?)null });
        Assert.NotNull(withdrawn.Ok["withdrawnAt"]);
        var file = await Send("Date,Exercise,Reps\n2026-03-01,Ring row,9\n");
        file.Mapping["athlete"] = $"{athlete.Id}";
        Assert.Equal("consentWithdrawn", (string)(await Run(file))["problem"]!["code"]!);
        Assert.Empty(await Lines(athlete.Id));
    }

    [Fact]
    public async Task An_outline_becomes_a_template()
    {
        var file = await Send(
            "Week,Day,Exercise,Plan\n1,Mon,Pull-up,3x8 RIR 2\n1,Thu,Dip,3x10\n2,Mon,Pull-up,4x8 RIR 2\n",
            "Autumn.csv"
        );
        Assert.Equal("Outline", (string)file.Mapping["kind"]!);
        Assert.Equal(3, (int)(await Run(file))["result"]!["added"]!["lines"]!);
        var template = (await coach.Get("/api/templates")).Ok.AsArray().Single(t => (string)t!["name"]! == "Autumn")!;
        Assert.Equal((2, 3, 3), ((int)template["weeks"]!, (int)template["sessions"]!, (int)template["items"]!));
        await coach.Post($"/api/imports/{file.Id}/undo");
        Assert.DoesNotContain((await coach.Get("/api/templates")).Ok.AsArray(), t => (string)t!["name"]! == "Autumn");
    }

    [Fact]
    public async Task What_is_no_table_says_why()
    {
        async Task<string?> Refused(byte[] content) =>
            (await Send(coach, Guid.CreateVersion7(), content, "a.xlsx")).Field;
        var book = Xlsx(new Page("Log", [.. Enumerable.Range(0, 300).Select(i => new object?[] { $"Name {i}", i })]));
        Assert.Equal("file:importEmpty", await Refused([]));
        Assert.Equal("file:importDamaged", await Refused(book[..(book.Length / 2)]));
        Assert.Equal("file:importUnknown", await Refused(Zip(new() { ["a.txt"] = "a" })));
        Assert.Equal(
            "file:importUnpacks",
            await Refused(Zip(new() { ["xl/workbook.xml"] = new string('0', 9_000_000) }))
        );
        Assert.Equal("file:importOld", await Refused([0xD0, 0xCF, 0x11, 0xE0, 0xA1, 0xB1, 0x1A, 0xE1]));
        Assert.Equal(
            "file:importTooWide",
            await Refused(Encoding.UTF8.GetBytes(string.Join(';', Enumerable.Range(0, 600).Select(i => $"c{i}"))))
        );
    }

    [Fact]
    public async Task Ten_thousand_faulty_lines_are_counted_and_told_together()
    {
        var lines = new StringBuilder("Athlete,Date,Exercise,Reps\n");
        for (var i = 0; i < 10_000; i++)
            lines.Append(
                System.Globalization.CultureInfo.InvariantCulture,
                $"Kasimir Lund,2026-01-05,Hexaflip {i % 300},8\n"
            );
        var preview = await Preview(await Send(lines.ToString()));
        Assert.Equal(10_000, (int)preview["faultyCells"]!);
        Assert.Equal(200, preview["faults"]!.AsArray().Count);
        Assert.Equal(34, (int)preview["faults"]![0]!["count"]!);
    }

    [Fact]
    public async Task A_file_is_seen_by_whoever_sent_it_and_can_be_put_away()
    {
        var file = await Send(Log);
        var athlete = await shared.Club.Athlete();
        Assert.Equal(403, (await athlete.Get($"/api/imports/{file.Id}")).Status);
        Assert.Equal(204, (await coach.Delete($"/api/imports/{file.Id}")).Status);
        Assert.Equal(404, (await coach.Post($"/api/imports/{file.Id}/preview", file.Mapping)).Status);
    }
}

/// <summary>Coaches of some athletes read files in for these alone.</summary>
public sealed class ImportReachTests(Cast cast) : IClassFixture<Cast>
{
    [Fact]
    public async Task Others_athletes_are_unknown_and_new_ones_are_ones_own()
    {
        var id = Guid.CreateVersion7();
        using var body = new ByteArrayContent(
            Encoding.UTF8.GetBytes(
                "Athlete,Date,Weight\nAna Shoal,2026-03-01,68\nBen Skerry,2026-03-01,80\nNew Spit,2026-03-01,70\n"
            )
        );
        var file = (await cast.Lea.Send(HttpMethod.Put, $"/api/imports/{id}?name=w.csv", body)).Ok;
        Assert.Equal(404, (await cast.Moe.Get($"/api/imports/{id}")).Status);
        var mapping = file["mapping"]!;
        var preview = (await cast.Lea.Post($"/api/imports/{id}/preview", mapping)).Ok;
        Assert.Equal(
            ["Ben Skerry", "New Spit"],
            preview["faults"]!.AsArray().Select(f => (string)f!["written"]!).Order(StringComparer.Ordinal)
        );
        Assert.DoesNotContain($"{cast.BenId}", preview.ToJsonString(), StringComparison.Ordinal);
        foreach (var (written, choice) in new[] { ("Ben Skerry", null), ("New Spit", (string?)"new") })
            mapping["names"]!
                .AsArray()
                .Add(
                    new JsonObject
                    {
                        ["of"] = "Athlete",
                        ["written"] = written,
                        ["choice"] = choice,
                    }
                );
        await cast.Lea.Post($"/api/imports/{id}/run", mapping);
        for (var i = 0; i < 100 && (string)(await cast.Lea.Get($"/api/imports/{id}")).Ok["state"]! == "Running"; i++)
            await Task.Delay(50, TestContext.Current.CancellationToken);
        Assert.Contains((await cast.Lea.Get("/api/athletes")).Ok.AsArray(), a => (string)a!["name"]! == "New Spit");
        // Moe does not see whom the file concerns.
        Assert.Equal(404, (await cast.Moe.Post($"/api/imports/{id}/undo")).Status);
    }
}
