using System.Collections.Concurrent;
using System.Globalization;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Microsoft.Data.Sqlite;

namespace Cumbre.Browser.Tests;

/// <summary>
/// What befalls a machine, against a real server process: it is killed in the middle of writes of every kind, its disk is
/// full, its disk is slow. Nothing that was acknowledged is lost. A few cuts in every run; <c>scripts/faults</c> makes a
/// hundred.
/// </summary>
public sealed class FaultTests
{
    private const int InEveryRun = 3;

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    private static int Cuts =>
        int.TryParse(Environment.GetEnvironmentVariable("CUMBRE_FAULTS"), CultureInfo.InvariantCulture, out var cuts)
            ? cuts
            : InEveryRun;

    /// <summary>Writes of many kinds, each with a question to the file that is 1 when it is there as a whole.</summary>
    private sealed class Writer(HttpClient client, IReadOnlyList<Guid> athletes, Random random)
    {
        private static readonly string[] Kinds =
        [
            "athlete",
            "weight",
            "test",
            "session",
            "sets",
            "other",
            "check-in",
            "unit",
            "block",
            "retention",
            "club",
            "link",
            "backup",
            "erase",
        ];

        private int turn = random.Next(Kinds.Length);

        /// <summary>One write after another; what was acknowledged is told with its question.</summary>
        public async Task Run(Func<bool> goesOn, ConcurrentBag<string> acknowledged, Action<HttpStatusCode> answered)
        {
            while (goesOn())
            {
                var (kind, steps) = Next();
                foreach (var (method, path, body, question) in steps)
                {
                    using var request = new HttpRequestMessage(method, path)
                    {
                        Content = body is null ? null : JsonContent.Create(body),
                    };
                    HttpResponseMessage response;
                    try
                    {
                        response = await client.SendAsync(request, Stop);
                    }
                    catch (Exception e)
                        when (e is HttpRequestException or IOException or System.Net.Sockets.SocketException)
                    {
                        // The cut.
                        return;
                    }

                    using (response)
                    {
                        answered(response.StatusCode);
                        if (response.StatusCode is HttpStatusCode.InsufficientStorage)
                            break;
                        if (!response.IsSuccessStatusCode)
                            throw new InvalidOperationException(
                                $"{kind}: {path}: {(int)response.StatusCode} {await response.Content.ReadAsStringAsync(Stop)}"
                            );
                        if (question is not null)
                            acknowledged.Add(question);
                    }
                }
            }
        }

        private (string Kind, IReadOnlyList<(HttpMethod, string, object?, string?)> Steps) Next()
        {
            var kind = Kinds[turn++ % Kinds.Length];
            var (id, other) = (Guid.CreateVersion7(), Guid.CreateVersion7());
            var of = $"/api/athletes/{athletes[random.Next(athletes.Count)]}";
            var word = $"w{id:N}";
            return (
                kind,
                kind switch
                {
                    "athlete" => [Put($"/api/athletes/{id}", Athlete(word), Row("athlete", id))],
                    "weight" =>
                    [
                        Put(
                            $"{of}/body-masses/{id}",
                            new { day = "2026-03-10", mass = new { value = 70, unit = "Kg" } },
                            Row("body_mass", id)
                        ),
                    ],
                    "test" =>
                    [
                        Put(
                            $"{of}/results/{id}",
                            new
                            {
                                benchmark = "pull-up-max",
                                day = "2026-03-12",
                                reps = 8,
                                added = (object?)null,
                                reserve = 0,
                                form = "Clean",
                            },
                            Row("benchmark_result", id)
                        ),
                    ],
                    "session" => [Session(of, id)],
                    "sets" =>
                    [
                        Session(of, id),
                        Put(
                            $"{of}/sessions/{id}/sets/{other}",
                            new
                            {
                                set = 1,
                                part = 1,
                                reps = 5,
                                added = new { value = 0, unit = "Kg" },
                                reserve = 2,
                                form = "Clean",
                                pain = (int?)null,
                                painPlace = (string?)null,
                                supersedes = (Guid?)null,
                            },
                            Row("logged_set", other)
                        ),
                        (
                            HttpMethod.Post,
                            $"{of}/sessions/{id}/finish",
                            null,
                            $"{Row("session", id)} AND status = 'Done'"
                        ),
                    ],
                    "other" =>
                    [
                        Put(
                            $"{of}/other-training/{id}",
                            new
                            {
                                day = "2026-03-11",
                                what = word,
                                minutes = 40,
                                effort = 5,
                            },
                            Row("other_training", id)
                        ),
                    ],
                    "check-in" =>
                    [
                        Put(
                            $"{of}/check-ins/{id}",
                            new
                            {
                                day = "2026-03-16",
                                sleepHours = 7,
                                soreness = 2,
                                readiness = 6,
                                hardTraining = false,
                                pain = Array.Empty<object>(),
                            },
                            // One a day: the same day again writes over it.
                            "SELECT min(1, count(*)) FROM check_in"
                        ),
                    ],
                    "unit" =>
                    [
                        Put(
                            "/api/me/unit",
                            new { unit = "Kg" },
                            "SELECT min(1, count(*)) FROM account WHERE unit = 'Kg'"
                        ),
                    ],
                    "block" => [Put($"{of}/blocks/{id}", new { block = Block(other), version = 0 }, Row("block", id))],
                    "retention" =>
                    [
                        Put("/api/retention", new { keepMonths = 1 + random.Next(200) }, "SELECT count(*) FROM club"),
                    ],
                    "club" =>
                    [
                        Put(
                            "/api/club",
                            new
                            {
                                name = word,
                                timeZone = "Europe/Madrid",
                                trainingDays = new[] { 1, 3 },
                                unit = "Kg",
                                firstDay = 1,
                            },
                            $"SELECT count(*) FROM audit_value WHERE instr(after, '{word}') = 1"
                        ),
                    ],
                    "link" =>
                    [
                        (
                            HttpMethod.Post,
                            "/api/invitations",
                            new
                            {
                                role = "coach",
                                name = word,
                                athleteId = (Guid?)null,
                                until = (string?)null,
                                someOnly = false,
                                athletes = Array.Empty<Guid>(),
                                groups = Array.Empty<Guid>(),
                                to = (string?)null,
                            },
                            $"SELECT count(*) FROM link WHERE name = '{word}'"
                        ),
                    ],
                    "backup" => [(HttpMethod.Post, "/api/backups", null, "SELECT 1")],
                    _ =>
                    [
                        Put($"/api/athletes/{id}", Athlete(word), null),
                        Put($"/api/athletes/{id}/archive", new { away = true }, null),
                        (
                            HttpMethod.Delete,
                            $"/api/athletes/{id}",
                            null,
                            $"SELECT 1 - count(*) FROM athlete WHERE id = x'{id:N}'"
                        ),
                    ],
                }
            );
        }

        private static (HttpMethod, string, object?, string?) Put(string path, object body, string? question) =>
            (HttpMethod.Put, path, body, question);

        private static string Row(string table, Guid id) => $"SELECT count(*) FROM {table} WHERE id = x'{id:N}'";

        /// <summary>There with its item: a save is all or nothing.</summary>
        private static (HttpMethod, string, object?, string?) Session(string of, Guid id) =>
            Put(
                $"{of}/sessions/{id}",
                new
                {
                    day = "2026-03-16",
                    movement = "weighted-pull-up",
                    line = "3 x 5 @ 0 kg",
                    easy = false,
                    overrideReason = "a test",
                    version = 0,
                },
                $"SELECT count(*) FROM session_item WHERE session_id = x'{id:N}'"
            );

        private static object Athlete(string name) =>
            new
            {
                name,
                birthYear = 1990,
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
                schools = Array.Empty<object>(),
                cleared = false,
                kit = new
                {
                    plates = Array.Empty<object>(),
                    hasBelt = true,
                    vest = (object?)null,
                },
                version = 0,
            };

        private static object Block(Guid session) =>
            new
            {
                name = "A block",
                start = "2026-03-16",
                kept = Array.Empty<object>(),
                weeks = new[]
                {
                    new
                    {
                        kind = "Loading",
                        sessions = new[]
                        {
                            new
                            {
                                id = session,
                                day = "2026-03-17",
                                title = "",
                                warmUp = new { seconds = 480, text = "wrists" },
                                coolDown = new { seconds = 0, text = (string?)null },
                                @fixed = false,
                                items = new[]
                                {
                                    new
                                    {
                                        id = Guid.CreateVersion7(),
                                        movement = "ring-row",
                                        line = "3 x 8",
                                        joined = false,
                                    },
                                },
                            },
                        },
                    },
                },
            };
    }

    private static async Task<(HttpClient Client, Guid[] Athletes)> SignIn(Uri address)
    {
        var client = new HttpClient(new HttpClientHandler { CookieContainer = new() }) { BaseAddress = address };
        await Token();
        using (var response = await client.PostAsJsonAsync("/api/demo-sign-in", new { @as = "coach" }, Stop))
            response.EnsureSuccessStatusCode();
        await Token();
        var athletes = (await client.GetFromJsonAsync<JsonArray>("/api/athletes", Stop))!;
        // Those of the demo: others are erased by other writers.
        return (
            client,
            [.. athletes.Where(a => !((string)a!["name"]!).StartsWith('w')).Select(a => Guid.Parse((string)a!["id"]!))]
        );

        async Task Token()
        {
            client.DefaultRequestHeaders.Remove("X-Csrf-Token");
            client.DefaultRequestHeaders.Add(
                "X-Csrf-Token",
                (string?)(await client.GetFromJsonAsync<JsonNode>("/api/me", Stop))!["csrfToken"]
            );
        }
    }

    /// <summary>Whole, and with everything that was acknowledged.</summary>
    private static async Task Holds(string file, IEnumerable<string> acknowledged)
    {
        await using var connection = new SqliteConnection($"Data Source={file};Pooling=False");
        await connection.OpenAsync(Stop);
        Assert.Equal("ok", await Scalar("PRAGMA integrity_check"));
        Assert.Null(await Scalar("PRAGMA foreign_key_check"));
        // No set without a frozen plan, no session without its item: a save is all or nothing.
        Assert.Equal(
            0L,
            await Scalar(
                "SELECT count(*) FROM logged_set l JOIN session_item i ON i.id = l.item_id WHERE i.frozen_json IS NULL"
            )
        );
        Assert.Equal(
            0L,
            await Scalar(
                "SELECT count(*) FROM session s WHERE NOT EXISTS (SELECT 1 FROM session_item i WHERE i.session_id = s.id)"
            )
        );
        foreach (var question in acknowledged)
            Assert.True(1L.Equals(await Scalar(question)), question);

        async Task<object?> Scalar(string sql)
        {
            await using var command = connection.CreateCommand();
            command.CommandText = sql;
            return await command.ExecuteScalarAsync(Stop);
        }
    }

    [Fact]
    public async Task Nothing_that_was_acknowledged_is_lost_when_the_process_is_killed()
    {
        using var server = new ServerProcess();
        var random = new Random(21);
        var acknowledged = new ConcurrentBag<string>();
        var cutIn = 0;
        for (var cut = 0; cut < Cuts; cut++)
        {
            var (client, athletes) = await SignIn(await server.Start(Stop));
            using (client)
            {
                // Counted, not timed, so that a slow machine cuts in the middle of writes too.
                var least = acknowledged.Count + 5 + random.Next(40);
                var killed = false;
                var underWay = 0;
                Task[] writers =
                [
                    .. Enumerable
                        .Range(0, 3)
                        .Select(_ => new Writer(client, athletes, new(random.Next())))
                        .Select(w =>
                            w.Run(
                                () => !Volatile.Read(ref killed),
                                acknowledged,
                                _ => Interlocked.Increment(ref underWay)
                            )
                        ),
                ];
                while (acknowledged.Count < least && !writers.Any(w => w.IsFaulted))
                    await Task.Delay(random.Next(1, 8), Stop);
                await server.Kill(Stop);
                Volatile.Write(ref killed, true);
                await Task.WhenAll(writers);
                cutIn += underWay;
            }

            await Holds(Path.Combine(server.Data, "cumbre.db"), acknowledged);
        }

        // The backups that stand under their names are whole, and nothing half written passes for one.
        await server.Start(Stop);
        foreach (var backup in Directory.EnumerateFiles(Path.Combine(server.Data, "backups"), "club-*.db"))
            await Holds(backup, []);
        TestContext.Current.SendDiagnosticMessage($"{Cuts} kills, {acknowledged.Count} acknowledged writes held.");
        Assert.True(cutIn >= Cuts * 5);
    }

    [Fact]
    public async Task A_full_disk_is_told_and_recovered_from()
    {
        // A disk of its own, small, which only this process sees.
        using var server = new ServerProcess(
            "unshare",
            "-rm",
            "sh",
            "-c",
            "mount -t tmpfs -o size=24m none \"$0\" && exec \"$@\"",
            "{data}"
        );
        Uri address;
        try
        {
            address = await server.Start(Stop);
        }
        catch (Exception e) when (e is System.ComponentModel.Win32Exception or ServerDidNotStartException)
        {
            // A test that is skipped would count as failed; the script is run where it can be.
            TestContext.Current.SendDiagnosticMessage($"This machine makes no disk for a test: {e.Message}");
            return;
        }

        var (client, athletes) = await SignIn(address);
        using var _ = client;
        var disk = $"/proc/{server.Id}/root{server.Data}";
        var filler = Path.Combine(disk, "filler");
        await using (var fill = new FileStream(filler, FileMode.Create))
            try
            {
                var block = new byte[16 * 1024];
                while (true)
                {
                    await fill.WriteAsync(block, Stop);
                    await fill.FlushAsync(Stop);
                }
            }
            catch (IOException)
            {
                // It is full.
            }

        var acknowledged = new ConcurrentBag<string>();
        var answers = new ConcurrentBag<HttpStatusCode>();
        await new Writer(client, athletes, new(5)).Run(
            () => answers.Count(a => a == HttpStatusCode.InsufficientStorage) < 12,
            acknowledged,
            answers.Add
        );
        // What is read is read, and the server says that it lives.
        foreach (
            var page in (string[])["/health", "/api/desk", "/api/athletes", $"/api/athletes/{athletes[0]}/records"]
        )
            Assert.Equal(HttpStatusCode.OK, (await client.GetAsync(page, Stop)).StatusCode);

        File.Delete(filler);
        var after = new ConcurrentBag<HttpStatusCode>();
        await new Writer(client, athletes, new(6)).Run(() => after.Count < 30, acknowledged, after.Add);
        Assert.DoesNotContain(HttpStatusCode.InsufficientStorage, after);
        // Its file cannot be opened from outside; a backup of it can be carried out.
        using var made = await client.PostAsync("/api/backups", null, Stop);
        var backup = (await made.Content.ReadFromJsonAsync<JsonNode>(Stop))!["backups"]![0]!["name"]!.ToString();
        var copy = Path.Combine(Directory.CreateTempSubdirectory("cumbre-full-").FullName, "copy.db");
        File.Copy(Path.Combine(disk, "backups", backup), copy);
        await Holds(copy, acknowledged);
        Directory.Delete(Path.GetDirectoryName(copy)!, recursive: true);
    }

    [Fact]
    public async Task A_slow_disk_loses_nothing()
    {
        // Only with scripts/faults: it takes a minute and needs strace. A skipped test would count as a failed one.
        if (Cuts <= InEveryRun)
            return;
        // Every flush to the disk takes a fifth of a second longer.
        using var server = new ServerProcess(
            "strace",
            "-f",
            "-D",
            "-qq",
            "-o",
            "/dev/null",
            "-e",
            "trace=fsync,fdatasync",
            "-e",
            "inject=fsync,fdatasync:delay_exit=200000"
        );
        var (client, athletes) = await SignIn(await server.Start(Stop));
        using var _ = client;
        var acknowledged = new ConcurrentBag<string>();
        var answers = new ConcurrentBag<HttpStatusCode>();
        await Task.WhenAll(
            Enumerable
                .Range(0, 4)
                .Select(i =>
                    new Writer(client, athletes, new(i)).Run(() => answers.Count < 60, acknowledged, answers.Add)
                )
        );
        await Holds(Path.Combine(server.Data, "cumbre.db"), acknowledged);
    }
}
