using System.Diagnostics;
using System.Globalization;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Microsoft.Data.Sqlite;

namespace Cumbre.Bench;

/// <summary>
/// Asks a running club for its pages and logs sets in it, one after the other and then as a full gym. Beside each page
/// stands its floor: a prepared statement that reads the same standing rows out of the same file, in this run.
/// </summary>
internal sealed class ClubReport(string address, string file) : IDisposable
{
    private const int Times = 40,
        WarmUps = 80,
        SetsOfASession = 9,
        InClass = 40,
        Door = 5;

    private const double WriteShare = 0.3;

    private static readonly TimeSpan Between = TimeSpan.FromSeconds(2);

    private const string OneStanding = "SELECT json, waiting_json FROM standing WHERE athlete_id = $id",
        EveryStanding =
            """
                SELECT s.json, s.waiting_json FROM athlete a JOIN standing s ON s.athlete_id = a.id
                WHERE a.archived_at IS NULL ORDER BY a.name
                """,
        EveryRow =
            """
                SELECT s.json FROM athlete a JOIN standing s ON s.athlete_id = a.id
                WHERE a.archived_at IS NULL ORDER BY a.name
                """;

    private const string SetsOfToday =
            """
                SELECT i.plan_json, l.reps, l.done_at FROM session s
                JOIN session_item i ON i.session_id = s.id LEFT JOIN logged_set l ON l.item_id = i.id
                WHERE s.day = $day AND s.status = 'Started'
                """,
        SetsOfOne = SetsOfToday + " AND s.athlete_id = $id";

    private readonly HttpClient http = new(
        new SocketsHttpHandler
        {
            CookieContainer = new CookieContainer(),
            AutomaticDecompression = DecompressionMethods.All,
            MaxConnectionsPerServer = 1000,
        }
    )
    {
        BaseAddress = new(address),
        Timeout = TimeSpan.FromSeconds(60),
    };

    public void Dispose() => http.Dispose();

    private string[] athletes = [];
    private string today = "";

    /// <param name="clients">Of the gym; 0: the pages alone.</param>
    /// <param name="seconds">So long the gym is open.</param>
    public async Task Run(int clients, int seconds)
    {
        await Enter();
        Console.WriteLine(
            Invariant($"{athletes.Length} athletes on {today}, {new FileInfo(file).Length >> 20} MB of file")
        );
        await Pages();
        if (clients > 0)
            await Gym(clients, seconds);
    }

    private async Task Enter()
    {
        http.DefaultRequestHeaders.Add("X-Csrf-Token", await Token());
        (await http.PostAsJsonAsync("/api/demo-sign-in", new { @as = "coach" })).EnsureSuccessStatusCode();
        http.DefaultRequestHeaders.Remove("X-Csrf-Token");
        http.DefaultRequestHeaders.Add("X-Csrf-Token", await Token());
        athletes = [.. (await http.GetFromJsonAsync<JsonArray>("/api/athletes"))!.Select(a => (string)a!["id"]!)];
        today = (string)(await http.GetFromJsonAsync<JsonNode>("/api/me"))!["today"]!;
    }

    private async Task<string> Token() => (string)(await http.GetFromJsonAsync<JsonNode>("/api/me"))!["csrfToken"]!;

    private async Task Pages()
    {
        var one = $"/api/athletes/{athletes[0]}";
        await Page("Desk", _ => "/api/desk", EveryStanding);
        await Page("roster", _ => "/api/athletes", EveryRow);
        await Page("ladder with the club", _ => "/api/ladders/bar-muscle-up/club", EveryRow);
        await Page("overview, unchanged", _ => one + "/overview", OneStanding);
        await Page("overview, each another", i => Of(i) + "/overview", OneStanding);
        await Page("movement", i => Of(i) + "/movement", OneStanding);
        await Page("ladders of one", i => Of(i) + "/ladders", OneStanding);
        await Page("log, each another", i => Of(i) + "/log", OneStanding);
        await Page("records, each another", i => Of(i) + "/records", OneStanding);

        var inOneTransaction = Floor(Insert());
        var (plan, set, past, finish) = (
            new List<double>(),
            new List<double>(),
            new List<double>(),
            new List<double>()
        );
        for (var i = 0; i < Times / 2; i++)
        {
            var session = Of(i) + $"/sessions/{Guid.NewGuid()}";
            plan.Add(await Timed(() => Plan(session, today)));
            for (var n = 1; n <= SetsOfASession; n++)
                set.Add(await Timed(() => Log(session, n)));
            finish.Add(await Timed(() => http.PostAsJsonAsync(session + "/finish", new { })));
            var older = Of(i) + $"/sessions/{Guid.NewGuid()}";
            using var planned = await Plan(
                older,
                DateOnly
                    .Parse(today, CultureInfo.InvariantCulture)
                    .AddDays(-2)
                    .ToString("O", CultureInfo.InvariantCulture)
            );
            for (var n = 1; n <= SetsOfASession; n++)
                past.Add(await Timed(() => Log(older, n)));
        }

        Told("a session planned", plan, inOneTransaction);
        Told("a set logged", [.. set.Where((_, i) => i % SetsOfASession > 0)], inOneTransaction);
        Told("a set of a past day", past, inOneTransaction);
        Told("a session finished", finish, inOneTransaction);
        await AtTheBar();
    }

    /// <summary>A class in the middle of its session.</summary>
    private async Task AtTheBar()
    {
        for (var i = 0; i < InClass; i++)
        {
            var session = Of(i) + $"/sessions/{Guid.NewGuid()}";
            using var planned = await Plan(session, today);
            using var logged = await Log(session, 1);
        }

        await Page("week at the bar", i => Of(i % InClass) + "/run", SetsOfOne);
        await Page("who trains now", _ => "/api/live/now", SetsOfToday);
        await Page("board", _ => "/api/board", SetsOfToday);
    }

    private string Of(int i) => $"/api/athletes/{athletes[i % athletes.Length]}";

    private async Task Page(string name, Func<int, string> path, string floor)
    {
        var times = new List<double>();
        for (var i = -WarmUps; i < Times; i++)
        {
            var took = await Timed(() => http.GetAsync(path(Math.Abs(i))));
            if (i >= 0)
                times.Add(took);
        }

        Told(name, times, Floor(Read(floor)));
    }

    /// <summary>Milliseconds until the whole answer is here.</summary>
    private static async Task<double> Timed(Func<Task<HttpResponseMessage>> ask)
    {
        var started = Stopwatch.GetTimestamp();
        using var answer = await ask();
        var said = await answer.Content.ReadAsStringAsync();
        if (!answer.IsSuccessStatusCode)
            throw new HttpRequestException($"{(int)answer.StatusCode}: {said}");
        return Stopwatch.GetElapsedTime(started).TotalMilliseconds;
    }

    private Task<HttpResponseMessage> Plan(string session, string day) =>
        http.PutAsJsonAsync(
            session,
            new
            {
                day,
                movement = "push-up",
                line = $"{SetsOfASession} x 8",
                easy = false,
                overrideReason = "measured",
                version = 0,
            }
        );

    private Task<HttpResponseMessage> Log(string session, int set) =>
        http.PutAsJsonAsync(
            session + $"/sets/{Guid.NewGuid()}",
            new
            {
                set,
                part = 1,
                reps = 8,
                added = new { value = 0, unit = "Kg" },
                form = "Clean",
                reserve = (int?)null,
                pain = (int?)null,
                painPlace = (string?)null,
                supersedes = (Guid?)null,
            }
        );

    /// <summary>Median milliseconds of a statement that is prepared once.</summary>
    private static double Floor(Func<double> once)
    {
        var times = Enumerable.Range(0, Times).Select(_ => once()).Order().ToArray();
        return times[Times / 2];
    }

    private Func<double> Read(string sql)
    {
        var connection = new SqliteConnection($"Data Source={file};Mode=ReadOnly");
        connection.Open();
        var command = connection.CreateCommand();
        command.CommandText = sql;
        if (sql is SetsOfToday or SetsOfOne)
            command.Parameters.AddWithValue("$day", today);
        if (sql is OneStanding or SetsOfOne)
            command.Parameters.AddWithValue("$id", Guid.Parse(athletes[0]).ToByteArray(bigEndian: true));
        command.Prepare();
        return () =>
        {
            var started = Stopwatch.GetTimestamp();
            using var reader = command.ExecuteReader();
            while (reader.Read())
                for (var i = 0; i < reader.FieldCount; i++)
                    _ = reader.IsDBNull(i) ? "" : reader.GetString(i);
            return Stopwatch.GetElapsedTime(started).TotalMilliseconds;
        };
    }

    /// <summary>One row in a transaction that survives a power cut, in a file beside the club's.</summary>
    private Func<double> Insert()
    {
        var beside = file + ".bench";
        File.Delete(beside);
        var connection = new SqliteConnection($"Data Source={beside}");
        connection.Open();
        var command = connection.CreateCommand();
        command.CommandText =
            "PRAGMA journal_mode = WAL; PRAGMA synchronous = FULL; CREATE TABLE t (id INTEGER PRIMARY KEY, reps INTEGER)";
        command.ExecuteNonQuery();
        command.CommandText = "INSERT INTO t (reps) VALUES (8)";
        command.Prepare();
        return () =>
        {
            var started = Stopwatch.GetTimestamp();
            command.ExecuteNonQuery();
            return Stopwatch.GetElapsedTime(started).TotalMilliseconds;
        };
    }

    private static void Told(string name, List<double> times, double floor)
    {
        times.Sort();
        var (median, slow) = (times[times.Count / 2], times[(int)(times.Count * 0.95)]);
        Console.WriteLine(
            Invariant($"{name, -24} median {median, 7:0.0} ms, p95 {slow, 7:0.0} ms")
                + Invariant($", floor {floor, 7:0.000} ms, {median / floor, 6:0.0} x")
        );
    }

    /// <summary>
    /// Each client asks once every two seconds. Three of ten requests write (one session in ten is new); of the reads
    /// four of ten show the session that goes on, three an overview, one each the Desk, the roster and a ladder.
    /// </summary>
    private async Task Gym(int clients, int seconds)
    {
        var (door, reads, writes) = (new List<double>(), new List<double>(), new List<double>());
        var errors = new List<string>();
        var opened = Stopwatch.GetTimestamp();
        var end = Stopwatch.GetTimestamp() + seconds * Stopwatch.Frequency;
        await Task.WhenAll(Enumerable.Range(0, clients).Select(Client));
        Told("the first seconds", door);
        Told("the gym reads", reads);
        Told("the gym writes", writes);
        Console.WriteLine(Invariant($"{errors.Count} errors {string.Join("; ", errors.Distinct().Take(3))}"));

        async Task Client(int number)
        {
            var random = new Random(number);
            var athlete = Of(number);
            string? session = null;
            var set = 0;
            await Task.Delay(random.Next((int)Between.TotalMilliseconds));
            while (Stopwatch.GetTimestamp() < end)
            {
                var started = Stopwatch.GetTimestamp();
                var write = random.NextDouble() < WriteShare;
                try
                {
                    double took;
                    if (!write)
                        took = await Timed(() =>
                            http.GetAsync(
                                random.Next(10) switch
                                {
                                    < 4 when session is not null => session,
                                    < 7 => athlete + "/overview",
                                    7 => "/api/desk",
                                    8 => "/api/athletes",
                                    _ => "/api/ladders/bar-muscle-up/club",
                                }
                            )
                        );
                    else if (session is null || set == SetsOfASession)
                    {
                        (session, set) = (athlete + $"/sessions/{Guid.NewGuid()}", 0);
                        took = await Timed(() => Plan(session, today));
                    }
                    else
                        took = await Timed(() => Log(session, ++set));
                    // Who comes through the door first finds nothing at hand: it is told by itself.
                    if (Stopwatch.GetElapsedTime(opened).TotalSeconds < Door)
                        lock (door)
                            door.Add(took);
                    else
                        lock (reads)
                            (write ? writes : reads).Add(took);
                }
                catch (Exception e) when (e is HttpRequestException or TaskCanceledException)
                {
                    lock (reads)
                        errors.Add(e.Message);
                }

                var left = Between - Stopwatch.GetElapsedTime(started);
                if (left > TimeSpan.Zero)
                    await Task.Delay(left);
            }
        }

        static void Told(string name, List<double> times)
        {
            times.Sort();
            var (median, slow) = (times[times.Count / 2], times[(int)(times.Count * 0.99)]);
            Console.WriteLine(
                Invariant($"{name, -17} {times.Count, 5} answers, median {median:0} ms")
                    + Invariant($", p99 {slow:0} ms, worst {times[^1]:0} ms")
            );
        }
    }

    private static string Invariant(FormattableString text) => text.ToString(CultureInfo.InvariantCulture);
}
