using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Cumbre.Server.Upkeep;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Hosting;

namespace Cumbre.Server.Tests;

/// <summary>The app over a real SQLite file in a folder of its own, on a fixed day.</summary>
public sealed class Club : WebApplicationFactory<Program>
{
    private readonly bool demo;
    private readonly TimeProvider? time;
    private readonly Action<IWebHostBuilder>? more;
    private readonly bool isOwnFolder;

    /// <param name="demo">With the demo club.</param>
    /// <param name="seeded">Begin with a copy of the demo's file rather than make it anew.</param>
    /// <param name="time">Another clock than the machine's.</param>
    /// <param name="more">What else is set.</param>
    /// <param name="data">A folder that stands, and stays; null: one of its own.</param>
    public Club(
        bool demo = true,
        bool seeded = true,
        TimeProvider? time = null,
        Action<IWebHostBuilder>? more = null,
        string? data = null
    )
    {
        isOwnFolder = data is null;
        (this.time, this.more) = (time, more);
        this.demo = demo;
        Data = data ?? Directory.CreateTempSubdirectory("cumbre-test-").FullName;
        if (demo && seeded && isOwnFolder)
            Cumbre.Tests.SeededFile.CopyTo(DatabasePath, Fresh);
    }

    private static (IAsyncDisposable App, string Database) Fresh()
    {
        var club = new Club(seeded: false);
        club.CreateClient().Dispose();
        return (club, club.DatabasePath);
    }

    public const string Today = "2026-03-16";

    /// <summary>What an empty club asks its owner for.</summary>
    public const string SetupCode = "TEST-CODE";

    public string Data { get; }

    public string DatabasePath => Path.Combine(Data, "cumbre.db");

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        builder
            .UseSetting("Cumbre:Data", Data)
            .UseSetting("Cumbre:Demo", demo ? "true" : "false")
            .UseSetting("Cumbre:Today", Today)
            .UseSetting("Cumbre:SetupCode", SetupCode)
            .ConfigureServices(services =>
            {
                if (time is not null)
                    services.AddSingleton(time);
                // Its program is this test.
                services.AddSingleton(s => new Restart(
                    s.GetRequiredService<IHostApplicationLifetime>(),
                    beginsAgain: false
                ));
                // What makes a guess slow makes a test slow.
                services.PostConfigure<PasswordHasherOptions>(hash => hash.IterationCount = 1_000);
            });
        more?.Invoke(builder);
    }

    public async Task<Caller> Coach() => await new Caller(CreateClient(), this).DemoSignIn("coach");

    public async Task<Caller> Athlete() => await new Caller(CreateClient(), this).DemoSignIn("athlete");

    public Caller Stranger() => new(CreateClient(), this);

    /// <summary>The files of the data folder in which a text stands, as UTF-8 or UTF-16.</summary>
    public IReadOnlyList<string> FilesWith(string text) =>
        [
            .. new[] { System.Text.Encoding.UTF8.GetBytes(text), System.Text.Encoding.Unicode.GetBytes(text) }
                .SelectMany(FilesWith)
                .Distinct(),
        ];

    /// <summary>The files of the data folder in which these bytes stand; what is open elsewhere too.</summary>
    public IReadOnlyList<string> FilesWith(byte[] bytes) =>
        [
            .. Directory
                .EnumerateFiles(Data, "*", SearchOption.AllDirectories)
                // Held by the app alone, and empty.
                .Where(f => Path.GetFileName(f) != "cumbre.lock")
                .Where(f => Holds(f, bytes))
                .Order(StringComparer.Ordinal),
        ];

    private static bool Holds(string path, byte[] bytes)
    {
        try
        {
            return Bytes(path).AsSpan().IndexOf(bytes) >= 0;
        }
        catch (FileNotFoundException)
        {
            // A journal, or a backup before it has its name.
            return false;
        }
    }

    private static byte[] Bytes(string path)
    {
        using var file = new FileStream(path, FileMode.Open, FileAccess.Read, FileShare.ReadWrite | FileShare.Delete);
        var bytes = new byte[file.Length];
        file.ReadExactly(bytes);
        return bytes;
    }

    /// <summary>The process ends, and its folder stays.</summary>
    public async Task Stop()
    {
        await base.DisposeAsync();
        SqliteConnection.ClearAllPools();
    }

    public override async ValueTask DisposeAsync()
    {
        await base.DisposeAsync();
        SqliteConnection.ClearAllPools();
        if (isOwnFolder)
            Directory.Delete(Data, recursive: true);
    }
}

/// <summary>One club for all tests of a class, each with athletes of its own.</summary>
public sealed class SharedClub : IAsyncDisposable
{
    public Club Club { get; } = new();

    public ValueTask DisposeAsync() => Club.DisposeAsync();
}

/// <summary>An answer of the API.</summary>
public sealed record Answer(int Status, JsonNode? Body)
{
    /// <summary>Path and code of the first field error, or null.</summary>
    public string? Field => Body?["errors"]?[0] is { } e ? $"{e["path"]}:{e["message"]!["code"]}" : null;

    /// <summary>What was said, as a code with the values of its placeholders; empty where nothing was.</summary>
    public string Said => Body?["message"] is { } said ? Told(said) : "";

    /// <summary>A message, as its code with the values of its placeholders.</summary>
    public static string Told(JsonNode message) =>
        string.Join(' ', message["args"]!.AsObject().Select(a => $"{a.Key}={a.Value}").Prepend($"{message["code"]}"));

    public JsonNode Ok => Status is 200 or 204 ? Body! : throw new InvalidOperationException($"{Status}: {Body}");
}

/// <summary>A browser's worth of cookies and the token for writes.</summary>
public sealed class Caller(HttpClient client, Club club)
{
    public HttpClient Client => client;

    public Club Club => club;

    public async Task<Caller> DemoSignIn(string role)
    {
        await Post("/api/demo-sign-in", new { @as = role });
        return this;
    }

    public Task<Answer> Get(string path) => Send(HttpMethod.Get, path, null);

    public Task<Answer> Put(string path, object body) => Send(HttpMethod.Put, path, JsonContent.Create(body));

    public Task<Answer> Post(string path, object? body = null) =>
        Send(HttpMethod.Post, path, body is null ? null : JsonContent.Create(body));

    public Task<Answer> Delete(string path) => Send(HttpMethod.Delete, path, null);

    public Task<Answer> PutRaw(string path, string body) =>
        Send(HttpMethod.Put, path, new StringContent(body, System.Text.Encoding.UTF8, "application/json"));

    public async Task<Answer> Send(HttpMethod method, string path, HttpContent? content)
    {
        using var request = new HttpRequestMessage(method, path) { Content = content };
        if (method != HttpMethod.Get)
        {
            var me = await client.GetFromJsonAsync<JsonNode>("/api/me", TestContext.Current.CancellationToken);
            request.Headers.Add("X-Csrf-Token", (string?)me!["csrfToken"]);
        }

        using var response = await client.SendAsync(
            request,
            HttpCompletionOption.ResponseHeadersRead,
            TestContext.Current.CancellationToken
        );
        var kind = response.Content.Headers.ContentType?.MediaType;
        // A stream of events has no end to wait for.
        var text =
            kind == "text/event-stream"
                ? ""
                : await response.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
        return new(
            (int)response.StatusCode,
            kind?.Contains("json", StringComparison.Ordinal) == true ? JsonNode.Parse(text) : null
        );
    }

    /// <summary>A new athlete of 68.2 kg with the hall's plates, ready to be tested.</summary>
    public async Task<Trainee> NewAthlete(
        string loading = "base-first",
        string increase = "two-in-a-row",
        bool weighed = true
    )
    {
        var id = Guid.CreateVersion7();
        (await Put($"/api/athletes/{id}", Trainee.Profile("Tess Trial", loading, increase))).Ok.ToString();
        var trainee = new Trainee(this, id);
        if (weighed)
            (await trainee.Weigh(68.2m)).Ok.ToString();
        return trainee;
    }
}

/// <summary>An athlete of a test, with the calls that a coach makes for them.</summary>
public sealed class Trainee(Caller coach, Guid id)
{
    public Guid Id => id;

    public string Path => $"/api/athletes/{id}";

    public static object Profile(
        string name,
        string loading = "base-first",
        string increase = "two-in-a-row",
        long version = 0,
        object? kit = null
    ) =>
        new
        {
            name,
            birthYear = (int?)1990,
            unit = "Kg",
            sex = "Female",
            statureCm = 170,
            lengths = new
            {
                armCm = (decimal?)null,
                trunkCm = (decimal?)null,
                thighCm = (decimal?)null,
                shankCm = (decimal?)null,
            },
            schools = new[]
            {
                new { question = "loading", choice = loading },
                new { question = "increase", choice = increase },
            },
            cleared = false,
            kit = kit ?? Kit((1.25m, 2), (2.5m, 2), (5, 2), (10, 3), (20, 1)),
            version,
        };

    public static object Kit(params (decimal Size, int Count)[] plates) =>
        new
        {
            plates = plates.Select(p => new { size = new { value = p.Size, unit = "Kg" }, count = p.Count }),
            hasBelt = true,
            vest = (object?)null,
        };

    public Task<Answer> Weigh(object value, string day = Club.Today) =>
        coach.Put($"{Path}/body-masses/{Guid.CreateVersion7()}", new { day, mass = new { value, unit = "Kg" } });

    public Task<Answer> Test(
        string benchmark,
        object reps,
        object? added = null,
        object? reserve = null,
        string day = Club.Today,
        string form = "Clean"
    ) =>
        coach.Put(
            $"{Path}/results/{Guid.CreateVersion7()}",
            new
            {
                benchmark,
                day,
                reps,
                added = added is null ? null : new { value = added, unit = "Kg" },
                reserve = reserve ?? 0,
                form,
            }
        );

    /// <summary>A test of any measure: the fields as the request has them.</summary>
    public Task<Answer> Record(object result) => coach.Put($"{Path}/results/{Guid.CreateVersion7()}", result);

    public async Task<JsonNode> Ladder(string slug) => (await coach.Get($"{Path}/ladders/{slug}")).Ok;

    /// <summary>The four thresholds of base first.</summary>
    public async Task OpenGate(string day = Club.Today)
    {
        foreach (
            var (benchmark, reps) in new[]
            {
                ("chin-up-max", 8),
                ("push-up-max", 20),
                ("row-max", 12),
                ("parallel-bar-dip-max", 12),
            }
        )
            (await Test(benchmark, reps, day: day)).Ok.ToString();
    }

    public Task<Answer> Plan(
        string line,
        string day = Club.Today,
        string? reason = null,
        long version = 0,
        Guid? session = null,
        bool easy = false,
        string movement = "weighted-pull-up"
    ) =>
        coach.Put(
            $"{Path}/sessions/{session ?? Guid.CreateVersion7()}",
            new
            {
                day,
                movement,
                line,
                easy,
                overrideReason = reason,
                version,
            }
        );

    public Task<Answer> Log(
        JsonNode session,
        int set,
        object reps,
        object? added = null,
        int part = 1,
        string form = "Clean",
        int? pain = null,
        string? place = null,
        Guid? supersedes = null,
        Guid? id = null
    ) =>
        coach.Put(
            $"{Path}/sessions/{session["id"]}/sets/{id ?? Guid.CreateVersion7()}",
            new
            {
                set,
                part,
                reps,
                added = new { value = added ?? LoadOf(session, set, part), unit = "Kg" },
                reserve = 1,
                form,
                pain,
                painPlace = place,
                supersedes,
            }
        );

    public Task<Answer> Finish(JsonNode session) => coach.Post($"{Path}/sessions/{session["id"]}/finish");

    /// <summary>Plans a line, logs every set with the same reps, and finishes.</summary>
    public async Task<JsonNode> Train(
        string line,
        string day,
        int reps,
        int? pain = null,
        string? reason = null,
        string movement = "weighted-pull-up",
        string place = "right elbow"
    )
    {
        var session = (await Plan(line, day, reason, movement: movement)).Ok;
        foreach (var effort in session["items"]![0]!["plan"]!["efforts"]!.AsArray())
            (
                await Log(
                    session,
                    (int)effort!["set"]!,
                    reps,
                    part: (int)effort["part"]!,
                    pain: (int)effort["set"]! == 1 ? pain : null,
                    place: pain is null ? null : place
                )
            ).Ok.ToString();
        return (await Finish(session)).Ok;
    }

    public async Task<JsonNode> Page(string movement = "weighted-pull-up") =>
        (await coach.Get($"{Path}/movement?movement={movement}")).Ok;

    private static decimal LoadOf(JsonNode session, int set, int part)
    {
        var effort = session["items"]![0]!["plan"]!["efforts"]!
            .AsArray()
            .First(e => (int)e!["set"]! == set && (int)e["part"]! == part);
        return (decimal)session["items"]![0]!["plan"]!["loads"]![(int)effort!["load"]!]!["made"]!["value"]!["number"]!;
    }
}

internal static class DecisionsOfJson
{
    /// <summary>The most cautious decision of a page or a session; null: none waits.</summary>
    public static JsonNode? Decision(this JsonNode node) =>
        node["decisions"]!.AsArray() is [{ } first, ..] ? first : null;
}
