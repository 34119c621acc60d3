using System.Net.Http.Headers;
using System.Text;
using System.Text.Json.Nodes;
using Cumbre.Core.Exchange;
using Cumbre.Sheets;
using Json.Schema;

namespace Cumbre.Server.Tests;

/// <summary>What goes out comes in again and says the same.</summary>
public sealed class ExportTests(SharedClub shared) : IClassFixture<SharedClub>, IAsyncLifetime
{
    private Caller coach = null!;

    public async ValueTask InitializeAsync() => coach = await shared.Club.Coach();

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    private static readonly System.Text.Json.JsonSerializerOptions Wire = new(
        System.Text.Json.JsonSerializerDefaults.Web
    )
    {
        Converters = { new System.Text.Json.Serialization.JsonStringEnumConverter() },
    };

    private async Task<byte[]> Bytes(string path)
    {
        var answer = await coach.Client.GetAsync(path, TestContext.Current.CancellationToken);
        Assert.True(answer.IsSuccessStatusCode, $"{answer.StatusCode}");
        return await answer.Content.ReadAsByteArrayAsync(TestContext.Current.CancellationToken);
    }

    private static ByteArrayContent Body(byte[] bytes, string type = "application/json")
    {
        var body = new ByteArrayContent(bytes);
        body.Headers.ContentType = new MediaTypeHeaderValue(type);
        return body;
    }

    private static async Task<Caller> EmptyClub(Club club)
    {
        var owner = club.Stranger();
        Assert.Equal(204, (await owner.Post("/api/owner", Cast.Owner())).Status);
        return owner;
    }

    private static async Task<JsonNode> Id(Caller by, string name) =>
        (await by.Get("/api/athletes")).Ok.AsArray().Single(a => (string)a!["name"]! == name)!["id"]!;

    [Fact]
    public async Task An_archive_of_the_club_says_the_same_in_an_empty_one()
    {
        var archive = await Bytes("/api/archive.json");
        var schema = JsonSchema.FromText(Encoding.UTF8.GetString(await Bytes("/api/schemas/archive-file.schema.json")));
        Assert.True(schema.Evaluate(JsonNode.Parse(archive)).IsValid);
        await using var other = new Club(demo: false);
        var owner = await EmptyClub(other);
        var check = (await owner.Send(HttpMethod.Post, "/api/archives/check", Body(archive))).Ok;
        Assert.Empty(check["problems"]!.AsArray());
        Assert.Empty((await owner.Get("/api/athletes")).Ok.AsArray());
        var id = Guid.CreateVersion7();
        await owner.Send(HttpMethod.Put, $"/api/archives/{id}?name=club.json", Body(archive));
        var athletes = (await coach.Get("/api/athletes")).Ok.AsArray();
        Assert.Equal(athletes.Count, (await owner.Get("/api/athletes")).Ok.AsArray().Count);
        foreach (var name in (string[])["Kasimir Lund", "Noor Bakkali", "Wanda Osei"])
        {
            var athlete = (string)(await Id(coach, name))!;
            foreach (var page in (string[])["records", "trends?weeks=0", "ladders", "log"])
                Assert.Equal(
                    (await coach.Get($"/api/athletes/{athlete}/{page}")).Ok.ToJsonString(),
                    (await owner.Get($"/api/athletes/{athlete}/{page}")).Ok.ToJsonString()
                );
        }

        // Once more nobody is new, and taken back they are all gone.
        var again = (
            await owner.Send(HttpMethod.Put, $"/api/archives/{Guid.CreateVersion7()}?name=club.json", Body(archive))
        ).Ok;
        Assert.All(again["athletes"]!.AsArray(), a => Assert.True((bool)a!["isKnown"]!));
        Assert.Equal(athletes.Count, (int)(await owner.Post($"/api/imports/{id}/undo")).Ok["athletes"]!);
        Assert.Empty((await owner.Get("/api/athletes")).Ok.AsArray());
    }

    [Fact]
    public async Task An_archive_that_is_cut_or_changed_says_where_and_leaves_nothing()
    {
        var archive = Encoding.UTF8.GetString(
            await Bytes($"/api/archive.json?athlete={await Id(coach, "Noor Bakkali")}")
        );
        await using var other = new Club(demo: false);
        var owner = await EmptyClub(other);
        async Task<string> Problem(string text)
        {
            var answer = (
                await owner.Send(
                    HttpMethod.Put,
                    $"/api/archives/{Guid.CreateVersion7()}?name=a.json",
                    Body(Encoding.UTF8.GetBytes(text))
                )
            ).Ok;
            var problem = answer["problems"]![0]!;
            return $"{problem["place"]}: {problem["message"]!["code"]}";
        }

        Assert.EndsWith("fileNoJson", await Problem(archive[..(archive.Length / 2)]), StringComparison.Ordinal);
        Assert.Equal("format: fileOther", await Problem("{}"));
        Assert.Equal(
            "athletes[0].records.account: archiveMisfit",
            await Problem(
                archive.Replace(
                    "\"records\":{",
                    "\"records\":{\"account\":[{\"role\":\"owner\"}],",
                    StringComparison.Ordinal
                )
            )
        );
        Assert.Equal(
            "athletes[0].records.bodyMass[0].surprise: archiveMisfit",
            await Problem(
                archive.Replace("\"bodyMass\":[{", "\"bodyMass\":[{\"surprise\":1,", StringComparison.Ordinal)
            )
        );
        Assert.StartsWith(
            "athletes[0].records.benchmarkResult[0]",
            await Problem(archive.Replace("\"form\":\"Clean\"", "\"form\":\"Dreamy\"", StringComparison.Ordinal)),
            StringComparison.Ordinal
        );
        Assert.Empty((await owner.Get("/api/athletes")).Ok.AsArray());
    }

    [Fact]
    public async Task The_sets_as_text_and_as_a_workbook_make_the_same_log_again()
    {
        var kasimir = (string)(await Id(coach, "Kasimir Lund"))!;
        var before = await Bytes($"/api/logbook/sets.csv?athlete={kasimir}&order=Oldest");
        var book = await Bytes($"/api/export.xlsx?athlete={kasimir}");
        foreach (var (bytes, name) in new[] { (before, "sets.csv"), (book, "cumbre.xlsx") })
        {
            await using var other = new Club(demo: false);
            var owner = await EmptyClub(other);
            var id = Guid.CreateVersion7();
            var file = (
                await owner.Send(
                    HttpMethod.Put,
                    $"/api/imports/{id}?name={name}",
                    Body(bytes, "application/octet-stream")
                )
            ).Ok;
            var mapping = file["mapping"]!;
            mapping["kind"] = "Sets";
            if (name == "cumbre.xlsx")
                mapping = OfSheet(file, "Sets");
            mapping["names"]!
                .AsArray()
                .Add(
                    new JsonObject
                    {
                        ["of"] = "Athlete",
                        ["written"] = "Kasimir Lund",
                        ["choice"] = "new",
                    }
                );
            var preview = (await owner.Post($"/api/imports/{id}/preview", mapping)).Ok;
            Assert.True(
                (bool)preview["isReady"]!,
                preview.ToJsonString()[..Math.Min(3000, preview.ToJsonString().Length)]
            );
            await owner.Post($"/api/imports/{id}/run", mapping);
            for (var i = 0; i < 200 && (string)(await owner.Get($"/api/imports/{id}")).Ok["state"]! == "Running"; i++)
                await Task.Delay(50, TestContext.Current.CancellationToken);
            var there = await owner.Client.GetByteArrayAsync(
                "/api/logbook/sets.csv?order=Oldest",
                TestContext.Current.CancellationToken
            );
            // When a set was done and what it was corrected from is no part of a table that comes in.
            Assert.Equal(Lines(before), Lines(there));
        }
    }

    /// <summary>The mapping of one sheet of a workbook that holds several tables.</summary>
    private static JsonNode OfSheet(JsonNode file, string sheet)
    {
        var rows = file["sheets"]!.AsArray().Single(s => (string)s!["name"]! == sheet)!["rows"]!.AsArray();
        var terms = new ImportTerms(Core.Movements.Catalogue.Shipped, []);
        var head = new SheetHead(
            sheet,
            false,
            [.. rows.Select(r => r!.AsArray().Select(c => Cell.Of((string)c!)).ToArray())]
        );
        var mapping = new MappingGuess(terms, new DateOnly(2026, 3, 16)).Of([head], Core.Measures.MassUnit.Kg);
        return System.Text.Json.JsonSerializer.SerializeToNode(mapping, Wire)!;
    }

    private static string[] Lines(byte[] csv) =>
        [
            .. Encoding
                .UTF8.GetString(csv)
                .Split('\n', StringSplitOptions.RemoveEmptyEntries)
                .Select(l => string.Join(',', l.TrimEnd('\r').Split(',')[..^2])),
        ];

    [Fact]
    public async Task A_workbook_has_a_sheet_for_each_table_and_no_formula()
    {
        var athlete = await coach.NewAthlete();
        await athlete.Test("pull-up-max", 12);
        await coach.Put(athlete.Path, Trainee.Profile("=1+1", version: 1));
        var path = Path.GetTempFileName();
        try
        {
            await File.WriteAllBytesAsync(
                path,
                await Bytes($"/api/export.xlsx?athlete={athlete.Id}"),
                TestContext.Current.CancellationToken
            );
            var sheets = SheetFile.Open(path, "a.xlsx");
            Assert.Equal(["Athletes", "Bodyweights", "Tests", "Sets", "Blocks"], sheets.Select(s => s.Name));
            Assert.Equal("=1+1", sheets[0].Rows.ElementAt(1)[0].Text);
            var test = sheets[2].Rows.ElementAt(1);
            Assert.Equal(new DateOnly(2026, 3, 16), test[1].Day);
            Assert.Equal(68.2m, test[6].Number);
            using var zip = System.IO.Compression.ZipFile.OpenRead(path);
            var sheet = zip.Entries.First(e => e.FullName.EndsWith("sheet1.xml", StringComparison.Ordinal));
            using var xml = new StreamReader(sheet.Open());
            var text = await xml.ReadToEndAsync(TestContext.Current.CancellationToken);
            Assert.Contains("state=\"frozen\"", text, StringComparison.Ordinal);
            Assert.DoesNotContain("<f>", text, StringComparison.Ordinal);
            Assert.DoesNotContain("<x:f>", text, StringComparison.Ordinal);
        }
        finally
        {
            File.Delete(path);
        }
    }
}
