using System.Globalization;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using Json.Schema;

namespace Cumbre.Server.Tests;

/// <summary>
/// What a published schema accepts, its reader accepts: a file as it is exported is varied at every place by values of
/// the same kind (the ends of ranges, fractions that are whole, days that are none, odd characters, empty lists, fields
/// left out), and each variation that the schema accepts is sent. A reader may still say what does not hold together;
/// it names the place, and never that the file does not fit.
/// </summary>
public sealed class SchemaReaderTests(SharedClub shared) : IClassFixture<SharedClub>
{
    private static readonly string[] Texts =
    [
        "",
        " ",
        "a",
        "2026-02-30",
        "2026-03-16",
        "0001-01-01",
        "9999-12-31",
        "easy",
        "retest",
        "Kg",
        "nul \u0000",
        "\uD83D\uDCAA",
        "عضلات",
        new('x', 40),
        new('x', 80),
        new('y', 200),
        new('1', 2000),
    ];

    private static readonly string[] Numbers =
    [
        "0",
        "-0",
        "1.0",
        "0.0",
        "6",
        "2e0",
        "12",
        "-1",
        "0.5",
        "3600",
        "2147483647",
        "2147483648",
    ];

    [Fact]
    public async Task Blocks()
    {
        var coach = await shared.Club.Coach();
        var athlete = (Guid)(await coach.Get("/api/athletes")).Ok[0]!["id"]!;
        var block = """
            {"format": "cumbre.block", "version": 1, "club": "Elsewhere", "exportedOn": "2026-03-01", "athlete": "Somebody",
             "name": "Four weeks", "start": "2026-03-16", "weeks": [{"kind": "loading", "sessions": [{"day": 0, "title": "Pull",
             "warmUp": {"seconds": 600, "text": "Band"}, "coolDown": {"seconds": 0},
             "items": [{"movement": "pull-up", "name": "Pull-up", "line": "3x5 RIR 2"},
                       {"movement": "parallel-bar-dip", "line": "3x8", "joined": true}]}]}]}
            """;
        await Holds(
            block,
            await Schema(coach, "block-file.schema.json"),
            text => coach.Post($"/api/athletes/{athlete}/blocks/import", new { text, start = (DateOnly?)null }),
            least: 100
        );
    }

    [Fact]
    public async Task Ladders()
    {
        var coach = await shared.Club.Coach();
        var name = (string)(await coach.Get("/api/ladders")).Ok.AsArray()[0]!["slug"]!;
        var ladders = await coach.Client.GetStringAsync(
            $"/api/ladders/export?slug={name}",
            TestContext.Current.CancellationToken
        );
        foreach (var part in new[] { "ladders.schema.json", "movements.schema.json", "figures.schema.json" })
            Named.SchemaRegistry.Register(new Uri(Base, part), await Schema(coach, part));
        var schema = await Schema(coach, "ladders-file.schema.json");
        schema.BaseUri = new Uri(Base, "ladders-file.schema.json");
        await Holds(ladders, schema, text => coach.Post("/api/ladders/import/preview", new { text }), least: 60);
    }

    [Fact]
    public async Task Archives()
    {
        var coach = await shared.Club.Coach();
        var athlete = (Guid)
            (await coach.Get("/api/athletes")).Ok.AsArray().Single(a => (string)a!["name"]! == "Wanda Osei")!["id"]!;
        var archive = await coach.Client.GetStringAsync(
            $"/api/archive.json?athlete={athlete}",
            TestContext.Current.CancellationToken
        );
        // Rows that refer to the athlete alone, two of each kind: with all of them it would be a million files.
        var short_ = JsonNode.Parse(archive)!;
        var records = short_["athletes"]![0]!["records"]!.AsObject();
        foreach (
            var table in records.Select(r => r.Key).Except(["athlete", "bodyMass", "benchmarkResult", "pain"]).ToArray()
        )
            records.Remove(table);
        Assert.True(records.Count >= 3, string.Join(' ', records.Select(r => r.Key)));
        foreach (var (_, rows) in records)
            while (rows!.AsArray().Count > 2)
                rows.AsArray().RemoveAt(2);
        await using var other = new Club(demo: false);
        var owner = other.Stranger();
        Assert.Equal(204, (await owner.Post("/api/owner", Cast.Owner())).Status);
        await Holds(
            short_.ToJsonString(),
            await Schema(coach, "archive-file.schema.json"),
            file =>
                owner.Send(
                    HttpMethod.Post,
                    "/api/archives/check",
                    new StringContent(file, Encoding.UTF8, "application/json")
                ),
            least: 10,
            most: 600
        );
    }

    private static readonly Uri Base = new("cumbre://test/", UriKind.Absolute);
    private static readonly EvaluationOptions Named = new()
    {
        OutputFormat = OutputFormat.Flag,
        RequireFormatValidation = true,
    };

    private static async Task<JsonSchema> Schema(Caller coach, string name) =>
        JsonSchema.FromText(
            await coach.Client.GetStringAsync($"/api/schemas/{name}", TestContext.Current.CancellationToken)
        );

    private static async Task Holds(
        string sample,
        JsonSchema schema,
        Func<string, Task<Answer>> send,
        int least,
        int most = int.MaxValue
    )
    {
        Assert.True(schema.Evaluate(JsonNode.Parse(sample), Named).IsValid, sample);
        Assert.Empty((await send(sample)).Ok["problems"]!.AsArray());
        var (taken, told) = (0, 0);
        var all = Variations(sample).Where(v => schema.Evaluate(JsonNode.Parse(v.Text), Named).IsValid).ToArray();
        // The same each time: spread over all of them where there are too many.
        foreach (var (place, text) in all.Where((_, i) => i % Math.Max(1, all.Length / most) == 0))
        {
            var answer = await send(text);
            Assert.True(answer.Status == 200, $"{answer.Status} at {place}: {answer.Body?.ToJsonString()}");
            var problems = answer.Ok["problems"]!.AsArray();
            foreach (var problem in problems)
            {
                Assert.NotEmpty((string)problem!["place"]!);
                var code = (string)problem["message"]!["code"]!;
                Assert.False(
                    code is "fileMisfit" or "fileNoJson" or "fileFieldsMissing" or "fileFieldUnknown",
                    $"{code} at {place}"
                );
            }

            (taken, told) = problems.Count == 0 ? (taken + 1, told) : (taken, told + 1);
        }

        var huge = JsonNode.Parse(sample)!.AsObject();
        huge["version"] = 1;
        huge["$schema"] = JsonNode.Parse("1e300");
        var refused = (await send(huge.ToJsonString())).Ok["problems"]![0]!;
        Assert.Equal(("$schema", "fileNumberHuge"), ((string)refused["place"]!, (string)refused["message"]!["code"]!));
        TestContext.Current.SendDiagnosticMessage($"{taken} taken, {told} told, of {all.Length}");
        Assert.True(taken >= least, $"{taken} taken, {told} told");
    }

    /// <summary>Each place of a document with each other value of its kind, one at a time.</summary>
    private static IEnumerable<(string Place, string Text)> Variations(string sample)
    {
        foreach (var place in Places(JsonNode.Parse(sample)!, []))
        {
            var at = string.Join('/', place);
            foreach (var other in Others(Find(JsonNode.Parse(sample)!, place)!))
            {
                var root = JsonNode.Parse(sample)!;
                Set(root, place, other);
                yield return ($"{at} = {other?.ToJsonString()}", root.ToJsonString());
            }

            if (place[^1] is not string)
                continue;
            var without = JsonNode.Parse(sample)!;
            Find(without, place[..^1])!.AsObject().Remove((string)place[^1]);
            yield return ($"{at} left out", without.ToJsonString());
        }
    }

    private static IEnumerable<object[]> Places(JsonNode node, object[] here)
    {
        if (here.Length > 0)
            yield return here;
        var below = node switch
        {
            JsonObject o => o.Select(p => ((object)p.Key, p.Value)),
            JsonArray a => a.Select((v, i) => ((object)i, v)),
            _ => [],
        };
        foreach (var (key, value) in below)
            if (value is not null)
                foreach (var place in Places(value, [.. here, key]))
                    yield return place;
    }

    private static JsonNode? Find(JsonNode root, object[] place) =>
        place.Aggregate((JsonNode?)root, (at, key) => key is int i ? at![i] : at![(string)key]);

    private static void Set(JsonNode root, object[] place, JsonNode? value)
    {
        var parent = Find(root, place[..^1])!;
        if (place[^1] is int i)
            parent[i] = value;
        else
            parent[(string)place[^1]] = value;
    }

    private static IEnumerable<JsonNode?> Others(JsonNode node)
    {
        switch (node)
        {
            case JsonArray array:
                yield return new JsonArray();
                if (array.Count > 0)
                    yield return new JsonArray([array[0]?.DeepClone(), array[0]?.DeepClone()]);
                break;
            case JsonObject:
                yield return new JsonObject();
                break;
            case JsonValue value when value.GetValueKind() == JsonValueKind.String:
                foreach (var text in Texts)
                    yield return text;
                break;
            case JsonValue value when value.GetValueKind() == JsonValueKind.Number:
                foreach (var number in Numbers)
                    yield return JsonNode.Parse(number);
                yield return decimal.Parse(value.ToJsonString(), NumberStyles.Float, CultureInfo.InvariantCulture) + 1;
                break;
            default:
                yield return JsonValue.Create(node.GetValueKind() != JsonValueKind.True);
                break;
        }

        yield return null;
    }
}
