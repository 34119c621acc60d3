using System.Diagnostics;
using System.Globalization;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;
using Microsoft.Data.Sqlite;

namespace Cumbre.Bench;

/// <summary>
/// A table of many sets into a running club, beside its floor: the same rows put into an empty copy of the file by one
/// prepared statement for each table, in one transaction.
/// </summary>
internal static class ImportReport
{
    private const int SetsOfItem = 4,
        ItemsOfSession = 6,
        Athletes = 50;

    private static readonly string[] Movements =
    [
        "Pull-up",
        "Weighted dip",
        "Ring row",
        "Push-up",
        "Tuck front lever",
        "Hanging leg raise",
        "Chin-up",
        "Support shrug",
    ];

    /// <param name="address">Of a running demo.</param>
    /// <param name="file">Its database.</param>
    /// <param name="rows">Sets.</param>
    public static async Task Run(string address, string file, int rows)
    {
        var table = Path.GetTempFileName();
        Write(table, rows);
        using var client = new HttpClient(new HttpClientHandler { UseCookies = true })
        {
            BaseAddress = new(address),
            Timeout = TimeSpan.FromHours(1),
        };
        await Send(client, HttpMethod.Post, "/api/demo-sign-in", JsonContent.Create(new { @as = "coach" }));
        var id = Guid.CreateVersion7();
        var clock = Stopwatch.StartNew();
        await using (var content = File.OpenRead(table))
        {
            var sent = await Send(
                client,
                HttpMethod.Put,
                $"/api/imports/{id}?name=sets.csv",
                new StreamContent(content)
            );
            Say("sent and guessed", clock, rows);
            var mapping = sent["mapping"]!;
            foreach (var n in Enumerable.Range(1, Athletes))
                mapping["names"]!
                    .AsArray()
                    .Add(
                        new JsonObject
                        {
                            ["of"] = "Athlete",
                            ["written"] = $"Bench {n}",
                            ["choice"] = "new",
                            ["bodyMass"] = new JsonObject { ["value"] = 70, ["unit"] = "Kg" },
                        }
                    );
            clock.Restart();
            var preview = await Send(
                client,
                HttpMethod.Post,
                $"/api/imports/{id}/preview",
                JsonContent.Create(mapping)
            );
            Say($"looked at ({preview["counts"]!["sets"]} sets, ready {preview["isReady"]})", clock, rows);
            clock.Restart();
            await Send(client, HttpMethod.Post, $"/api/imports/{id}/run", JsonContent.Create(mapping));
        }

        JsonNode answer;
        do
        {
            await Task.Delay(100);
            answer = await Send(client, HttpMethod.Get, $"/api/imports/{id}", null);
        } while ((string)answer["state"]! == "Running");
        var import = Say($"read in: {answer["state"]}", clock, rows);
        clock.Restart();
        var floor = Floor(file, id, rows);
        Console.WriteLine($"rate of the import over that of bare inserts: {floor / import:0.00}");
        File.Delete(table);
    }

    private static double Say(string what, Stopwatch clock, int rows)
    {
        var seconds = clock.Elapsed.TotalSeconds;
        Console.WriteLine(
            string.Create(CultureInfo.InvariantCulture, $"{what}: {seconds:0.0} s, {rows / seconds:0} rows a second")
        );
        return seconds;
    }

    private static void Write(string path, int rows)
    {
        using var text = new StreamWriter(path, false, new UTF8Encoding(false));
        text.WriteLine("Athlete,Day,Exercise,Set,Reps,Load,Reserve");
        var day = new DateOnly(2023, 1, 2);
        var random = new Random(5);
        for (var (row, session) = (0, 0); row < rows; session++)
        {
            var athlete = session % Athletes + 1;
            var on = day.AddDays(session / Athletes);
            for (var item = 0; item < ItemsOfSession && row < rows; item++)
            {
                var movement = Movements[(session + item) % Movements.Length];
                for (var set = 1; set <= SetsOfItem && row < rows; set++, row++)
                    text.WriteLine(
                        string.Create(
                            CultureInfo.InvariantCulture,
                            $"Bench {athlete},{on:yyyy-MM-dd},{movement},{set},{5 + random.Next(6)},{(item == 1 ? 10 + random.Next(4) * 2.5m : 0)},{random.Next(3)}"
                        )
                    );
            }
        }
    }

    /// <summary>The rows of the file put into a copy without them: seconds.</summary>
    private static double Floor(string file, Guid id, int rows)
    {
        var copy = Path.GetTempFileName();
        using (var from = new SqliteConnection($"Data Source={file};Mode=ReadOnly"))
        {
            from.Open();
            using var command = from.CreateCommand();
            command.CommandText = $"VACUUM INTO '{copy}.db'";
            command.ExecuteNonQuery();
        }

        using var db = new SqliteConnection($"Data Source={copy}.db;Foreign Keys=True");
        db.Open();
        Run("PRAGMA journal_mode = WAL");
        var no = Convert.ToInt64(
            Scalar($"SELECT no FROM import_file WHERE id = x'{Convert.ToHexString(id.ToByteArray(bigEndian: true))}'"),
            CultureInfo.InvariantCulture
        );
        string[] tables = ["session", "session_item", "logged_set"];
        foreach (var t in tables)
            Run($"CREATE TEMP TABLE kept_{t} AS SELECT * FROM {t} WHERE import_no = {no} ORDER BY rowid");
        foreach (var t in tables.Reverse())
            Run($"DELETE FROM {t} WHERE import_no = {no}");
        // What is measured are rows out of memory, as they would come from a list.
        var all = tables.ToDictionary(t => t, t => Rows($"SELECT * FROM kept_{t}"));
        var clock = Stopwatch.StartNew();
        using (var transaction = db.BeginTransaction())
        {
            foreach (var t in tables)
            {
                using var insert = db.CreateCommand();
                insert.Transaction = transaction;
                var width = all[t][0].Length;
                insert.CommandText =
                    $"INSERT INTO {t} VALUES ({string.Join(',', Enumerable.Range(0, width).Select(i => $"${i}"))})";
                for (var i = 0; i < width; i++)
                    insert.Parameters.Add(new SqliteParameter($"${i}", null));
                insert.Prepare();
                foreach (var row in all[t])
                {
                    for (var i = 0; i < width; i++)
                        insert.Parameters[i].Value = row[i];
                    insert.ExecuteNonQuery();
                }
            }

            transaction.Commit();
        }

        var seconds = Say("bare inserts of the same rows", clock, rows);
        db.Close();
        SqliteConnection.ClearAllPools();
        File.Delete($"{copy}.db");
        return seconds;

        void Run(string sql)
        {
            using var command = db.CreateCommand();
            command.CommandText = sql;
            command.ExecuteNonQuery();
        }

        object? Scalar(string sql)
        {
            using var command = db.CreateCommand();
            command.CommandText = sql;
            return command.ExecuteScalar();
        }

        List<object[]> Rows(string sql)
        {
            using var command = db.CreateCommand();
            command.CommandText = sql;
            using var reader = command.ExecuteReader();
            var found = new List<object[]>();
            while (reader.Read())
            {
                var row = new object[reader.FieldCount];
                reader.GetValues(row);
                found.Add(row);
            }

            return found;
        }
    }

    private static async Task<JsonNode> Send(HttpClient client, HttpMethod method, string path, HttpContent? body)
    {
        using var request = new HttpRequestMessage(method, path) { Content = body };
        if (method != HttpMethod.Get)
            request.Headers.Add(
                "X-Csrf-Token",
                (string)(await client.GetFromJsonAsync<JsonNode>("/api/me"))!["csrfToken"]!
            );
        using var answer = await client.SendAsync(request);
        var text = await answer.Content.ReadAsStringAsync();
        if (!answer.IsSuccessStatusCode)
            throw new InvalidOperationException($"{path}: {answer.StatusCode} {text}");
        return text.Length == 0 ? new JsonObject() : JsonNode.Parse(text)!;
    }
}
