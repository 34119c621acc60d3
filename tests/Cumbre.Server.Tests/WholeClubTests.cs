using System.IO.Compression;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using Cumbre.Storage;
using Cumbre.Storage.Exchange;
using Cumbre.Storage.Privacy;
using Json.Schema;
using Microsoft.Data.Sqlite;

namespace Cumbre.Server.Tests;

/// <summary>The whole club as one file: what an empty club reads from it says the same.</summary>
public sealed partial class WholeClubTests(SharedClub shared) : IClassFixture<SharedClub>, IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("cumbre-whole-").FullName;

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    private string Archive => Path.Combine(folder, "club.zip");

    private string Fresh => Path.Combine(folder, "fresh");

    private static string SchemaPath([System.Runtime.CompilerServices.CallerFilePath] string here = "") =>
        Path.Combine(Path.GetDirectoryName(here)!, "..", "..", "catalogue", "schemas", "club-archive.schema.json");

    private async Task<Caller> Written()
    {
        var coach = await shared.Club.Coach();
        var response = await coach.Client.GetAsync("/api/club/archive", TestContext.Current.CancellationToken);
        Assert.Equal("application/zip", response.Content.Headers.ContentType?.MediaType);
        await File.WriteAllBytesAsync(
            Archive,
            await response.Content.ReadAsByteArrayAsync(TestContext.Current.CancellationToken),
            TestContext.Current.CancellationToken
        );
        Assert.DoesNotContain(Directory.EnumerateFiles(shared.Club.Data), f =>
            f.EndsWith(".part", StringComparison.Ordinal)
        );
        return coach;
    }

    private (int? Code, string Said) Read(string? data = null)
    {
        using var output = new StringWriter();
        return (Commands.Run(["--data", data ?? Fresh, "--read-club", Archive], output), output.ToString());
    }

    private static readonly string[] OfAthlete =
    [
        "",
        "/blocks",
        "/consents",
        "/kit",
        "/ladders",
        "/log",
        "/overview",
        "/programme",
        "/records",
        "/trends?weeks=0",
    ];

    [Fact]
    public async Task An_empty_club_that_reads_it_gives_the_same_answers()
    {
        var coach = await Written();
        var (code, said) = Read();
        Assert.True(code == 0, said);
        using var output = new StringWriter();
        var owner = (await coach.Get("/api/people")).Ok["people"]!
            .AsArray()
            .First(p => (string)p!["role"]! == "owner")!;
        Assert.Equal(0, Commands.Run(["--data", Fresh, "--recover", (string)owner["signInName"]!], output));

        await using var other = new Club(demo: false, data: Fresh);
        var there = other.Stranger();
        Assert.Equal(
            204,
            (await Cast.TryJoin(there, Token().Match(output.ToString()).Groups[1].Value, "", Cast.Password)).Status
        );
        string[] pages =
        [
            "/api/club",
            "/api/athletes",
            "/api/desk",
            "/api/groups",
            "/api/kit",
            "/api/ladders",
            "/api/logbook",
            "/api/logbook/sums",
            "/api/programmes",
            "/api/review",
            "/api/templates",
            "/api/test-days",
            .. (await coach.Get("/api/athletes"))
                .Ok.AsArray()
                .SelectMany(a => OfAthlete.Select(page => $"/api/athletes/{a!["id"]}{page}")),
        ];
        foreach (var page in pages)
        {
            var (here, in_) = (await coach.Get(page), await there.Get(page));
            Assert.Equal((200, 200, page), (here.Status, in_.Status, page));
            Assert.Equal(here.Body!.ToJsonString(), in_.Body!.ToJsonString());
        }

        Assert.Null((await there.Get("/api/audit/check")).Ok["brokenAt"]);
        // Nobody's password came along, and the one who had a link made a new one.
        Assert.NotEqual(
            204,
            (
                await other
                    .Stranger()
                    .Post(
                        "/api/sign-in",
                        new { signInName = (string)owner["signInName"]!, password = "anything at all" }
                    )
            ).Status
        );
        await other.Stop();
        Assert.Equal((1, true), (Read().Code, Read().Said.Contains("already", StringComparison.Ordinal)));
    }

    [Fact]
    public async Task It_fits_the_published_schema_and_holds_nothing_that_lets_anybody_in()
    {
        var coach = await Written();
        var schema = JsonSchema.FromText(await Text("/api/schemas/club-archive.schema.json"));
        await using var zip = await ZipFile.OpenReadAsync(Archive, TestContext.Current.CancellationToken);
        var manifest = JsonNode.Parse(await TextOf(zip, "club.json"))!;
        Fits(manifest);
        Assert.Equal(manifest["tables"]!.AsArray().Count + 1, zip.Entries.Count);
        foreach (var table in manifest["tables"]!.AsArray())
        {
            var lines = (await TextOf(zip, $"rows/{table!["name"]}.jsonl")).Split('\n')[..^1];
            Assert.Equal((int)table["rows"]!, lines.Length);
            // The longest tables by a part of their rows.
            foreach (var line in lines.Take(50))
            {
                Fits(new JsonObject { ["table"] = (string)table["name"]!, ["row"] = JsonNode.Parse(line) });
                Assert.DoesNotContain("passwordHash", line, StringComparison.Ordinal);
            }
        }

        void Fits(JsonNode node)
        {
            var result = schema.Evaluate(node, new EvaluationOptions { OutputFormat = OutputFormat.List });
            Assert.True(
                result.IsValid,
                string.Join(
                    "; ",
                    result
                        .Details.Where(d => d.Errors is { Count: > 0 })
                        .SelectMany(d => d.Errors!.Select(e => $"{d.InstanceLocation}: {e.Value}"))
                        .Take(4)
                ) + node.ToJsonString()
            );
        }

        async Task<string> Text(string path) =>
            await coach.Client.GetStringAsync(path, TestContext.Current.CancellationToken);

        static async Task<string> TextOf(ZipArchive zip, string name)
        {
            using var reader = new StreamReader(
                await zip.GetEntry(name)!.OpenAsync(TestContext.Current.CancellationToken)
            );
            return await reader.ReadToEndAsync(TestContext.Current.CancellationToken);
        }
    }

    // A value that no club may hold is refused by the published schema, and by the reader in its place.
    [Fact]
    public async Task What_the_schema_refuses_in_a_row_the_reader_refuses()
    {
        var coach = await Written();
        var schema = JsonSchema.FromText(
            await coach.Client.GetStringAsync(
                "/api/schemas/club-archive.schema.json",
                TestContext.Current.CancellationToken
            )
        );
        var row = "";
        await using (
            var zip = await ZipFile.OpenAsync(Archive, ZipArchiveMode.Update, TestContext.Current.CancellationToken)
        )
        {
            Change(zip, "rows/athlete.jsonl", t =>
            {
                var changed = Regex.Replace(t, "\"sex\":\"(Male|Female)\"", "\"sex\":\"Neither\"");
                row = changed.Split('\n').First(l => l.Contains("Neither", StringComparison.Ordinal));
                return changed;
            });
        }

        Assert.False(Of(row).IsValid);
        Assert.True(Of(row.Replace("Neither", "Male", StringComparison.Ordinal)).IsValid);
        var (code, said) = Read();
        Assert.True(code == 1 && said.Contains("rows/athlete.jsonl, line", StringComparison.Ordinal), said);

        EvaluationResults Of(string line) =>
            schema.Evaluate(new JsonObject { ["table"] = "athlete", ["row"] = JsonNode.Parse(line) });
    }

    // CUMBRE_WRITE=1 writes the file anew after a migration.
    [Fact]
    public void The_published_schema_is_that_of_the_file()
    {
        var database = new Database(Path.Combine(folder, "schema"));
        database.Migrate(_ => { });
        var made = SchemaOf(Path.Combine(folder, "schema", "cumbre.db"))
            .ToJsonString(new() { WriteIndented = true, IndentSize = 2 });
        if (Environment.GetEnvironmentVariable("CUMBRE_WRITE") == "1")
            File.WriteAllText(SchemaPath(), made + "\n");
        Assert.Equal(made + "\n", File.ReadAllText(SchemaPath()));
    }

    private static JsonObject SchemaOf(string path)
    {
        using var connection = new SqliteConnection($"Data Source={path};Pooling=False");
        connection.Open();
        var rows = new JsonArray();
        var names = new JsonArray();
        foreach (var table in WholeClub.TablesOf(connection))
        {
            var name = PersonalRecords.Camel(table);
            names.Add(name);
            var properties = new JsonObject();
            var checks = Checks(connection, table);
            foreach (var (column, type, required) in Columns(connection, table))
                properties[PersonalRecords.NameOf(column)] = TypeOf(column, type, required, checks);
            rows.Add(
                new JsonObject
                {
                    ["properties"] = new JsonObject
                    {
                        ["table"] = new JsonObject { ["const"] = name },
                        ["row"] = new JsonObject
                        {
                            ["type"] = "object",
                            ["properties"] = properties,
                            ["required"] = new JsonArray([.. properties.Select(p => (JsonNode)p.Key)]),
                            ["additionalProperties"] = false,
                        },
                    },
                }
            );
        }

        return new()
        {
            ["$schema"] = "https://json-schema.org/draft/2020-12/schema",
            ["title"] = "Archive of a whole club",
            ["description"] =
                "A ZIP with club.json, which names each table with its number of rows and the SHA-256 of its file, and rows/NAME.jsonl with one row a line. A manifest is held against $defs/manifest, a row as { table, row } against $defs/row. Ids are UUIDs, other bytes base64, days ISO dates, masses decimals as text.",
            ["anyOf"] = new JsonArray(
                new JsonObject { ["$ref"] = "#/$defs/manifest" },
                new JsonObject { ["$ref"] = "#/$defs/row" }
            ),
            ["$defs"] = new JsonObject
            {
                ["manifest"] = new JsonObject
                {
                    ["type"] = "object",
                    ["required"] = new JsonArray("format", "version", "schema", "exportedOn", "club", "tables"),
                    ["additionalProperties"] = false,
                    ["properties"] = new JsonObject
                    {
                        ["format"] = new JsonObject { ["const"] = "cumbre.club" },
                        ["version"] = new JsonObject { ["const"] = 1 },
                        ["schema"] = new JsonObject { ["type"] = "integer", ["minimum"] = 1 },
                        ["exportedOn"] = new JsonObject { ["type"] = "string" },
                        ["club"] = new JsonObject { ["type"] = "string" },
                        ["tables"] = new JsonObject
                        {
                            ["type"] = "array",
                            ["items"] = new JsonObject
                            {
                                ["type"] = "object",
                                ["required"] = new JsonArray("name", "rows", "sha256"),
                                ["additionalProperties"] = false,
                                ["properties"] = new JsonObject
                                {
                                    ["name"] = new JsonObject { ["enum"] = names },
                                    ["rows"] = new JsonObject { ["type"] = "integer", ["minimum"] = 0 },
                                    ["sha256"] = new JsonObject { ["type"] = "string", ["pattern"] = "^[0-9a-f]{64}$" },
                                },
                            },
                        },
                    },
                },
                ["row"] = new JsonObject
                {
                    ["type"] = "object",
                    ["required"] = new JsonArray("table", "row"),
                    ["oneOf"] = rows,
                },
            },
        };
    }

    /// <summary>What the file asks of one column alone: its values, or the ends of its range.</summary>
    private static Dictionary<string, (string[]? Values, long? From, long? To)> Checks(
        SqliteConnection connection,
        string table
    )
    {
        using var command = connection.CreateCommand();
        command.CommandText = $"SELECT sql FROM sqlite_master WHERE name = '{table}'";
        var checks = new Dictionary<string, (string[]?, long?, long?)>();
        foreach (Match check in OneColumn().Matches((string)command.ExecuteScalar()!))
        {
            static long? Number(Group group) =>
                group.Success ? long.Parse(group.Value, System.Globalization.CultureInfo.InvariantCulture) : null;
            var values = check.Groups["values"];
            checks[check.Groups["column"].Value] = (
                values.Success ? [.. values.Value.Split(',').Select(v => v.Trim().Trim('\''))] : null,
                Number(check.Groups["from"])
                    ?? (check.Groups["over"].Success ? Number(check.Groups["over"]) + 1 : null),
                Number(check.Groups["to"])
            );
        }

        return checks;
    }

    private static JsonNode TypeOf(
        string column,
        string type,
        bool required,
        Dictionary<string, (string[]? Values, long? From, long? To)> checks
    )
    {
        if (column.EndsWith("_json", StringComparison.Ordinal))
            return true;
        var json = type switch
        {
            "INTEGER" => "integer",
            "REAL" => "number",
            _ => "string",
        };
        var told = new JsonObject { ["type"] = required ? json : new JsonArray(json, "null") };
        if (checks.TryGetValue(column, out var check))
        {
            if (check.Values is { } values)
                told["enum"] = new JsonArray([
                    .. values.Select(v => json == "integer" ? JsonNode.Parse(v) : (JsonNode)v),
                    .. required ? Array.Empty<JsonNode?>() : [null],
                ]);
            if (check.From is { } from)
                told["minimum"] = from;
            if (check.To is { } to)
                told["maximum"] = to;
        }

        return told;
    }

    private static IEnumerable<(string Name, string Type, bool Required)> Columns(
        SqliteConnection connection,
        string table
    )
    {
        using var command = connection.CreateCommand();
        command.CommandText = $"SELECT name, type, \"notnull\" OR pk > 0 FROM pragma_table_info('{table}')";
        using var reader = command.ExecuteReader();
        while (reader.Read())
            if (reader.GetString(0) != "password_hash")
                yield return (reader.GetString(0), reader.GetString(1), reader.GetBoolean(2));
    }

    [Theory]
    [InlineData("a byte")]
    [InlineData("a file")]
    [InlineData("a row")]
    [InlineData("a table")]
    [InlineData("a version")]
    [InlineData("no archive")]
    [InlineData("cut")]
    public async Task What_is_damaged_is_refused_and_leaves_nothing(string what)
    {
        await Written();
        if (what == "no archive")
            await File.WriteAllTextAsync(Archive, "{}", TestContext.Current.CancellationToken);
        else if (what == "cut")
            await using (var file = File.OpenWrite(Archive))
                file.SetLength(file.Length / 2);
        else
            await using (
                var zip = await ZipFile.OpenAsync(Archive, ZipArchiveMode.Update, TestContext.Current.CancellationToken)
            )
                Damage(zip, what);

        var (code, said) = Read();
        Assert.True(code == 1 && said.StartsWith("Nothing was read", StringComparison.Ordinal), said);
        using var connection = new SqliteConnection($"Data Source={Path.Combine(Fresh, "cumbre.db")};Pooling=False");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = "SELECT (SELECT count(*) FROM athlete) + (SELECT count(*) FROM club)";
        Assert.Equal(0L, command.ExecuteScalar());
    }

    private static void Damage(ZipArchive zip, string what)
    {
        switch (what)
        {
            case "a byte":
                Change(zip, "rows/athlete.jsonl", t => t.Replace("Kasimir", "Kasimyr", StringComparison.Ordinal));
                break;
            case "a file":
                zip.GetEntry("rows/session.jsonl")!.Delete();
                break;
            case "a row":
                Change(zip, "rows/bodyMass.jsonl", t => t + t.Split('\n')[0] + "\n");
                break;
            case "a table":
                Change(zip, "club.json", t =>
                    t.Replace("\"name\":\"athlete\"", "\"name\":\"athletes\"", StringComparison.Ordinal)
                );
                break;
            default:
                Change(zip, "club.json", t => Regex.Replace(t, "\"schema\":[0-9]+", "\"schema\":999"));
                break;
        }
    }

    private static void Change(ZipArchive zip, string name, Func<string, string> change)
    {
        string text;
        using (var reader = new StreamReader(zip.GetEntry(name)!.Open()))
            text = reader.ReadToEnd();
        zip.GetEntry(name)!.Delete();
        using var writer = new StreamWriter(zip.CreateEntry(name).Open());
        Assert.NotEqual(text, change(text));
        writer.Write(change(text));
    }

    /// <summary>As the migrations write them: a list, a range, or above a number.</summary>
    [GeneratedRegex(
        @"CHECK \((?<column>\w+) (?:IN \((?<values>[^)]+)\)|BETWEEN (?<from>\d+) AND (?<to>\d+)|> (?<over>\d+)|>= (?<from>\d+)|= (?<values>\d+))\)"
    )]
    private static partial Regex OneColumn();

    [GeneratedRegex("/join#(.+)")]
    private static partial Regex Token();
}
