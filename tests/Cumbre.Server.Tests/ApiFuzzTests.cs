using System.Diagnostics;
using System.Globalization;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace Cumbre.Server.Tests;

/// <summary>
/// Requests made from the API document by chance, half of them damaged: none ends in a fault of the server. A few
/// hundred in every run; <c>CUMBRE_FUZZ=20000 CUMBRE_FUZZ_SEED=7</c> for more.
/// </summary>
public sealed class ApiFuzzTests(SharedClub shared) : IClassFixture<SharedClub>
{
    private const int InEveryRun = 600;

    // What ends the sign-in, waits on purpose, or never ends.
    private static readonly string[] LeftOut =
    [
        "/api/sign-out",
        "/api/sign-in",
        "/api/demo-sign-in",
        "/api/live",
        "/api/gauge",
        "/api/my/password",
        "/api/account",
    ];

    private static int Setting(string name, int otherwise) =>
        int.TryParse(Environment.GetEnvironmentVariable(name), CultureInfo.InvariantCulture, out var set)
            ? set
            : otherwise;

    private sealed record Operation(string Method, string Path, JsonNode Node);

    [Fact]
    public async Task No_request_ends_in_a_fault_of_the_server()
    {
        var document = JsonNode.Parse(
            await File.ReadAllTextAsync(DocumentPath(), TestContext.Current.CancellationToken)
        )!;
        Operation[] operations =
        [
            .. document["paths"]!
                .AsObject()
                .SelectMany(p =>
                    p.Value!.AsObject().Select(o => new Operation(o.Key.ToUpperInvariant(), p.Key, o.Value!))
                )
                .Where(o => !LeftOut.Any(l => o.Path.StartsWith(l, StringComparison.Ordinal))),
        ];
        var coach = await shared.Club.Coach();
        var seed = Setting("CUMBRE_FUZZ_SEED", 1);
        var count = Setting("CUMBRE_FUZZ", InEveryRun);
        var maker = new RequestMaker(document, new(seed), await Known.Of(coach));
        var faults = new List<string>();
        var slowest = (Milliseconds: 0L, Request: "");
        var token = (string)(await coach.Get("/api/me")).Ok["csrfToken"]!;
        var answers = new Dictionary<int, int>();
        for (var i = 0; i < count; i++)
        {
            // Every operation in turn, so that none is missed by chance.
            var (request, told) = maker.Make(operations[i % operations.Length]);
            using (request)
            {
                if (request.Method != HttpMethod.Get)
                    request.Headers.Add("X-Csrf-Token", token);
                var watch = Stopwatch.StartNew();
                int status;
                string body;
                try
                {
                    using var response = await coach.Client.SendAsync(request, TestContext.Current.CancellationToken);
                    status = (int)response.StatusCode;
                    body = await response.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
                }
                catch (Exception e) when (e is not OperationCanceledException)
                {
                    (status, body) = (599, e.ToString());
                }

                answers[status] = answers.GetValueOrDefault(status) + 1;
                if (watch.ElapsedMilliseconds > slowest.Milliseconds)
                    slowest = (watch.ElapsedMilliseconds, told);
                if (status >= 500)
                    faults.Add($"{i}: {status} {told}\n    {body[..Math.Min(body.Length, 1500)]}");
            }
        }

        TestContext.Current.TestOutputHelper?.WriteLine(
            $"seed {seed}: {count} requests, {string.Join(", ", answers.OrderBy(a => a.Key).Select(a => $"{a.Value} x {a.Key}"))}; slowest {slowest.Milliseconds} ms: {slowest.Request}"
        );
        Assert.True(faults.Count == 0, $"{faults.Count} faults\n{string.Join('\n', faults.Take(40))}");
        // What is made is no noise: enough of it is taken.
        Assert.True(
            answers.Where(a => a.Key < 300).Sum(a => a.Value) > count / 8,
            $"{JsonSerializer.Serialize(answers)}"
        );
    }

    private static string DocumentPath()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(folder!.FullName, "Cumbre.slnx")))
            folder = folder.Parent;
        return Path.Combine(folder.FullName, "src", "cumbre-web", "api", "api.json");
    }

    /// <summary>Ids and names that the club knows, by the name of what asks for them.</summary>
    private sealed record Known(
        string[] Athletes,
        string[] Movements,
        string[] Benchmarks,
        string[] Ladders,
        string[] Ids
    )
    {
        public static async Task<Known> Of(Caller coach)
        {
            async Task<JsonArray> All(string path) => (await coach.Get(path)).Ok.AsArray();
            string[] Texts(JsonArray of, string name) => [.. of.Select(x => (string)x![name]!)];
            var athletes = Texts(await All("/api/athletes"), "id");
            var sessions = new List<string>();
            foreach (var athlete in athletes)
            {
                var log = (await coach.Get($"/api/logbook?athlete={athlete}")).Ok["sessions"]!.AsArray().Take(3);
                foreach (var session in log)
                {
                    sessions.Add((string)session!["id"]!);
                    sessions.AddRange(session["sets"]!.AsArray().Take(2).Select(s => (string)s!["set"]!["id"]!));
                    sessions.AddRange(session["sets"]!.AsArray().Take(2).Select(s => (string)s!["item"]!));
                }
            }

            return new(
                athletes,
                Texts(await All("/api/movements"), "slug"),
                Texts(await All("/api/benchmarks"), "slug"),
                Texts(await All("/api/ladders"), "slug"),
                [.. sessions]
            );
        }
    }

    /// <summary>Values of a schema, true to it or damaged.</summary>
    private sealed class RequestMaker(JsonNode document, Random random, Known known)
    {
        private static readonly string[] Texts =
        [
            "",
            " ",
            "3 x 5 @ +10 kg",
            "hold 3 x 10 s",
            "won pull-up >= 5",
            "\u0000",
            "\ud800",
            "\u202Eright",
            "=1+1",
            "' OR 1=1 --",
            "<script>",
            "\uFEFFx",
            "٣",
            "%00",
            "../../etc",
            "{\"a\":1}",
            new('x', 300),
            new('(', 2000),
        ];

        private static readonly string[] Days =
        [
            "2026-03-16",
            "2026-03-01",
            "0001-01-01",
            "9999-12-31",
            "2026-02-30",
            "2024-02-29",
            "1900-01-01",
            "2026-3-1",
            "",
        ];

        private bool damaged;

        public (HttpRequestMessage Request, string Told) Make(Operation operation)
        {
            damaged = random.Next(2) == 0;
            var path = operation.Path;
            var query = new List<string>();
            foreach (var parameter in operation.Node["parameters"]?.AsArray() ?? [])
            {
                var name = (string)parameter!["name"]!;
                var value = Plain(Value(parameter["schema"]!, name, 0));
                if ((string)parameter["in"]! == "path")
                    path = path.Replace(
                        $"{{{name}}}",
                        Uri.EscapeDataString(value.Length == 0 ? "x" : Escapable(value)),
                        StringComparison.Ordinal
                    );
                else if ((bool?)parameter["required"] == true || random.Next(2) == 0)
                    query.Add($"{name}={Uri.EscapeDataString(Escapable(value))}");
            }

            var request = new HttpRequestMessage(
                new(operation.Method),
                path + (query.Count > 0 ? "?" + string.Join('&', query) : "")
            );
            var body = "";
            if (operation.Node["requestBody"]?["content"] is { } content)
            {
                var (type, schema) = content.AsObject().First();
                body = type.Contains("json", StringComparison.Ordinal)
                    ? Json(schema!["schema"] is { } s ? Value(s, "", 0) : null)
                    : Pick(Texts);
                request.Content = new StringContent(body, Encoding.UTF8, type);
            }

            return (request, $"{operation.Method} {request.RequestUri} {body[..Math.Min(body.Length, 1200)]}");
        }

        /// <summary>A text with half a letter is escaped by no address.</summary>
        private static string Escapable(string text) => new([.. text.Where(c => !char.IsSurrogate(c))]);

        /// <summary>As JSON; a half of a letter stands in it as an escape.</summary>
        private static string Json(JsonNode? value) =>
            value
                ?.ToJsonString()
                .Replace("\uFFFD", "\\ud800", StringComparison.Ordinal)
                .Replace("\\uFFFD", "\\ud800", StringComparison.Ordinal)
            ?? "null";

        private static string Plain(JsonNode? value) =>
            value is JsonValue v && v.TryGetValue<string>(out var text) ? text : value?.ToJsonString() ?? "";

        private T Pick<T>(IReadOnlyList<T> all) => all[random.Next(all.Count)];

        private bool Rarely => damaged && random.Next(8) == 0;

        private JsonNode? Value(JsonNode schema, string name, int depth)
        {
            if (schema["$ref"] is { } reference)
                return Value(document["components"]!["schemas"]![((string)reference!).Split('/')[^1]]!, name, depth);
            if (schema["oneOf"] is JsonArray any)
                return Value(any[random.Next(any.Count)]!, name, depth);
            if (schema["enum"] is JsonArray all)
                return Rarely ? Odd() : all[random.Next(all.Count)]?.DeepClone();
            if (Rarely)
                return Odd();
            var types = schema["type"] switch
            {
                JsonArray several => several.Select(t => (string)t!).ToArray(),
                JsonValue one => [(string)one!],
                _ => ["object"],
            };
            return Pick(types) switch
            {
                "null" => null,
                "boolean" => random.Next(2) == 0,
                "integer" => Integer(),
                "number" => Number(),
                "string" => Text((string?)schema["format"], name),
                "array" => Many(schema, name, depth),
                _ => Object(schema, depth),
            };
        }

        private JsonNode Integer() =>
            damaged && random.Next(4) == 0
                ? Pick<long>([0, -1, int.MaxValue, int.MinValue, 1_000_000, 201])
                : random.Next(1, 6);

        private JsonNode Number() =>
            damaged && random.Next(4) == 0
                ? Pick<decimal>([0, -1, 0.001m, 1e9m, -0.5m, 79228162514264337593543950335m])
                : random.Next(0, 41) * 2.5m;

        private JsonArray Many(JsonNode schema, string name, int depth)
        {
            var many = new JsonArray();
            for (var i = random.Next(depth > 4 ? 1 : 4); i > 0; i--)
                many.Add(damaged && random.Next(6) == 0 ? null : Value(schema["items"]!, name, depth + 1));
            return many;
        }

        private JsonObject Object(JsonNode schema, int depth)
        {
            var made = new JsonObject();
            var required = schema["required"]?.AsArray().Select(r => (string)r!).ToHashSet() ?? [];
            foreach (var (name, of) in schema["properties"]?.AsObject() ?? [])
            {
                if (depth > 6 && !required.Contains(name))
                    continue;
                if (required.Contains(name) ? !Rarely : random.Next(3) > 0)
                    made[name] = Value(of!, name, depth + 1);
            }

            if (schema["additionalProperties"] is JsonObject each)
            {
                for (var i = random.Next(3); i > 0; i--)
                    made[Pick(random.Next(2) == 0 ? known.Movements : Texts)] = Value(each, "", depth + 1);
            }

            return made;
        }

        private JsonNode Text(string? format, string name) =>
            format switch
            {
                "uuid" => Id(name),
                "date" => damaged && random.Next(3) == 0
                    ? Pick(Days)
                    : Pick<string>(["2026-03-16", "2026-03-09", "2026-02-02"]),
                "date-time" => damaged && random.Next(3) == 0
                    ? Pick<string>(["0001-01-01T00:00:00Z", "9999-12-31T23:59:59+14:00", "now"])
                    : "2026-03-16T18:00:00Z",
                "time" => damaged && random.Next(3) == 0 ? "25:00" : "18:30:00",
                _ when damaged && random.Next(3) == 0 => Pick(Texts) is "\ud800" ? "\uFFFD" : Pick(Texts[..5]),
                _ => name switch
                {
                    "movement" or "slug" => Pick(known.Movements),
                    "benchmark" or "test" => Pick(known.Benchmarks),
                    "ladder" => Pick(known.Ladders),
                    "line" or "written" => Pick<string>(["3 x 5 @ +10 kg", "hold 3 x 10 s", "4 x 8 2 in reserve"]),
                    _ => Pick<string>(["Evening", "3 x 5", "left", "5", "front-lever", "Kg"]),
                },
            };

        private JsonNode Id(string name) =>
            damaged && random.Next(6) == 0 ? "00000000-0000-0000-0000-000000000000"
            : name is "athleteId" or "athlete" or "id" && random.Next(3) > 0 ? Pick(known.Athletes)
            : random.Next(2) == 0 && known.Ids.Length > 0 ? Pick(known.Ids)
            : $"{NextId()}";

        private Guid NextId()
        {
            var bytes = new byte[16];
            random.NextBytes(bytes);
            return new(bytes);
        }

        private JsonNode? Odd() =>
            random.Next(9) switch
            {
                0 => null,
                1 => Pick(Texts) is "\ud800" ? "\uFFFD" : "x",
                2 => -1,
                3 => 0.0m,
                4 => new JsonArray(null, 1),
                5 => new JsonObject { ["x"] = null },
                6 => true,
                7 => 1e30,
                _ => Pick(Days),
            };
    }
}
