using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Microsoft.Data.Sqlite;

namespace Cumbre.Browser.Tests;

/// <summary>A real server process that is killed in the middle of a stream of saves.</summary>
public sealed class PowerCutTests : IDisposable
{
    private const int SavesBeforeTheCut = 30;

    private readonly ServerProcess server = new();

    public void Dispose() => server.Dispose();

    [Fact]
    public async Task Every_acknowledged_set_survives_a_sigkill_and_none_is_partial()
    {
        var stop = TestContext.Current.CancellationToken;
        var address = await server.Start(stop);
        using var client = new HttpClient(new HttpClientHandler { CookieContainer = new CookieContainer() })
        {
            BaseAddress = address,
        };
        await Write(client, HttpMethod.Post, "/api/demo-sign-in", new { @as = "coach" }, stop);
        var acknowledged = new List<Guid>();
        var sent = new List<Guid>();
        var athletes = (await client.GetFromJsonAsync<JsonArray>("/api/athletes", stop))!
            .Select(a => (string)a!["id"]!)
            .ToArray();
        // Counted, not timed, so that a slow machine cuts in the middle of saving too.
        var enough = new TaskCompletionSource();
        var kill = Task.Run(
            async () =>
            {
                await enough.Task;
                await Task.Delay(Random.Shared.Next(30), stop);
                await server.Kill(stop);
            },
            stop
        );
        try
        {
            for (var i = 0; ; i++)
            {
                var athlete = athletes[i % athletes.Length];
                var session = Guid.CreateVersion7();
                await Write(
                    client,
                    HttpMethod.Put,
                    $"/api/athletes/{athlete}/sessions/{session}",
                    new
                    {
                        day = "2026-03-16",
                        movement = "weighted-pull-up",
                        line = "20 x 5 @ 0 kg",
                        easy = false,
                        overrideReason = "a test",
                        version = 0,
                    },
                    stop
                );
                for (var set = 1; set <= 20; set++)
                {
                    var id = Guid.CreateVersion7();
                    sent.Add(id);
                    await Write(
                        client,
                        HttpMethod.Put,
                        $"/api/athletes/{athlete}/sessions/{session}/sets/{id}",
                        new
                        {
                            set,
                            part = 1,
                            reps = 5,
                            added = new { value = 0, unit = "Kg" },
                            reserve = 2,
                            form = "Clean",
                            pain = (int?)null,
                            painPlace = (string?)null,
                            supersedes = (Guid?)null,
                        },
                        stop
                    );
                    acknowledged.Add(id);
                    if (acknowledged.Count == SavesBeforeTheCut)
                        enough.SetResult();
                }
            }
        }
        catch (HttpRequestException)
        {
            // The cut.
        }

        await kill;
        Assert.True(acknowledged.Count >= SavesBeforeTheCut);

        // It starts again on the same file, and the file is whole.
        await server.Start(stop);
        await using var connection = new SqliteConnection($"Data Source={Path.Combine(server.Data, "cumbre.db")}");
        await connection.OpenAsync(stop);
        Assert.Equal("ok", await Scalar(connection, "PRAGMA integrity_check", stop));
        Assert.Null(await Scalar(connection, "PRAGMA foreign_key_check", stop));
        var stored = await Ids(connection, stop);
        Assert.Empty(acknowledged.Except(stored));
        // No set without a frozen plan, no started session without its item: a save is all or nothing.
        Assert.Equal(
            0L,
            await Scalar(
                connection,
                "SELECT count(*) FROM logged_set l JOIN session_item i ON i.id = l.item_id WHERE i.frozen_json IS NULL",
                stop
            )
        );
        Assert.Equal(
            0L,
            await Scalar(
                connection,
                "SELECT count(*) FROM session s WHERE NOT EXISTS (SELECT 1 FROM session_item i WHERE i.session_id = s.id)",
                stop
            )
        );
        Assert.True(sent.Count - acknowledged.Count <= 1);
    }

    private static async Task<HashSet<Guid>> Ids(SqliteConnection connection, CancellationToken stop)
    {
        await using var command = connection.CreateCommand();
        command.CommandText = "SELECT id FROM logged_set";
        await using var reader = await command.ExecuteReaderAsync(stop);
        var ids = new HashSet<Guid>();
        while (await reader.ReadAsync(stop))
            ids.Add(new Guid((byte[])reader[0], bigEndian: true));
        return ids;
    }

    private static async Task<object?> Scalar(SqliteConnection connection, string sql, CancellationToken stop)
    {
        await using var command = connection.CreateCommand();
        command.CommandText = sql;
        return await command.ExecuteScalarAsync(stop);
    }

    private static async Task Write(
        HttpClient client,
        HttpMethod method,
        string path,
        object body,
        CancellationToken stop
    )
    {
        if (
            !client.DefaultRequestHeaders.Contains("X-Csrf-Token") || path.EndsWith("sign-in", StringComparison.Ordinal)
        )
            await Token(client, stop);
        using var request = new HttpRequestMessage(method, path) { Content = JsonContent.Create(body) };
        using var response = await client.SendAsync(request, stop);
        if (!response.IsSuccessStatusCode)
            throw new InvalidOperationException(
                $"{path}: {(int)response.StatusCode} {await response.Content.ReadAsStringAsync(stop)}"
            );
        if (path.EndsWith("sign-in", StringComparison.Ordinal))
            await Token(client, stop);
    }

    private static async Task Token(HttpClient client, CancellationToken stop)
    {
        client.DefaultRequestHeaders.Remove("X-Csrf-Token");
        client.DefaultRequestHeaders.Add(
            "X-Csrf-Token",
            (string?)(await client.GetFromJsonAsync<JsonNode>("/api/me", stop))!["csrfToken"]
        );
    }
}
