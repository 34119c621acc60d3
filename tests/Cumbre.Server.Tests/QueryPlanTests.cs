using System.Collections.Concurrent;
using System.Text.RegularExpressions;
using Cumbre.Storage;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.DependencyInjection;

namespace Cumbre.Server.Tests;

/// <summary>
/// What the pages and writes ask of the file is answered by an index: no table that grows with the log is read from end
/// to end.
/// </summary>
public sealed partial class QueryPlanTests
{
    /// <summary>They grow with what is trained, measured and decided; the others with the club.</summary>
    private static readonly string[] Growing =
    [
        "session",
        "session_item",
        "logged_set",
        "benchmark_result",
        "body_mass",
        "check_in",
        "morning_answer",
        "other_training",
        "stop_clearance",
        "decision",
        "decision_event",
        "evidence",
        "block",
        "block_version",
        "test_day",
        "audit_entry",
        "audit_value",
    ];

    /// <summary>Holds the sessions that are not done: as many as are planned, whatever was trained.</summary>
    private const string OpenSessions = "session_open";

    [Fact]
    public async Task No_page_reads_a_growing_table_from_end_to_end()
    {
        await using var club = new Club();
        var coach = await club.Coach();
        var asked = new ConcurrentDictionary<string, string>(StringComparer.Ordinal);
        var at = "";
        club.Services.GetRequiredService<Database>().Asked = sql => asked.TryAdd(sql, at);

        var roster = (await coach.Get("/api/athletes")).Ok.AsArray();
        var athlete = $"/api/athletes/{roster.First(a => (string)a!["name"]! == "Kasimir Lund")!["id"]}";
        foreach (
            var path in (string[])
                [
                    "/api/desk",
                    "/api/athletes?archived=true",
                    "/api/ladders/bar-muscle-up/club",
                    athlete,
                    $"{athlete}/overview",
                    $"{athlete}/movement?movement=weighted-pull-up",
                    $"{athlete}/ladders",
                    $"{athlete}/ladders/bar-muscle-up",
                    $"{athlete}/kit",
                    $"{athlete}/movements",
                    $"{athlete}/blocks",
                    $"{athlete}/meaning?movement=pull-up&line=3%20x%205",
                ]
        )
        {
            at = path;
            Assert.Equal(200, (await coach.Get(path)).Status);
        }

        at = "a session, logged, corrected and finished";
        var trainee = await coach.NewAthlete();
        (await trainee.Weigh(70, "2026-02-01")).Ok.ToString();
        var session = await trainee.Train("3 x 8", "2026-03-12", 8, movement: "push-up");
        (await trainee.Test("pull-up-max", 9)).Ok.ToString();
        Assert.NotNull(session);

        Assert.InRange(asked.Count, 40, 400);
        Assert.Equal([], Scans(club.DatabasePath, asked));
    }

    [Theory]
    [InlineData("SELECT * FROM logged_set WHERE reps = @reps")]
    [InlineData(
        "SELECT count(*) FROM session s JOIN athlete a ON a.id = s.athlete_id WHERE a.name = @name AND s.title = ''"
    )]
    public async Task A_whole_table_is_seen(string sql)
    {
        await using var club = new Club();
        await club.Coach();
        Assert.Single(Scans(club.DatabasePath, new Dictionary<string, string> { [sql] = "a test" }));
    }

    /// <summary>Statements with the growing tables that their plans read whole.</summary>
    private static IReadOnlyList<string> Scans(string path, IReadOnlyDictionary<string, string> asked)
    {
        using var connection = new SqliteConnection($"Data Source={path}");
        connection.Open();
        var found = new List<string>();
        foreach (var (sql, at) in asked)
        {
            if (sql.TrimStart().StartsWith("PRAGMA", StringComparison.Ordinal))
                continue;
            using var command = connection.CreateCommand();
            // A list is written out when it is asked.
            command.CommandText = "EXPLAIN QUERY PLAN " + List().Replace(sql, "IN ($1)").Split(';')[0];
            foreach (var name in Parameter().Matches(sql).Select(m => m.Value).Distinct())
                command.Parameters.AddWithValue(name, DBNull.Value);
            using var reader = command.ExecuteReader();
            while (reader.Read())
            {
                if (
                    Scan().Match(reader.GetString(3)) is { Success: true } scan
                    && Growing.Contains(TableOf(scan.Groups[1].Value, sql))
                    && scan.Groups[2].Value != OpenSessions
                )
                    found.Add($"{at}: {reader.GetString(3)} in {Space().Replace(sql, " ")}");
            }
        }

        return found;
    }

    /// <summary>The table behind an alias.</summary>
    private static string TableOf(string name, string sql) =>
        Regex.Match(sql, $@"(?:FROM|JOIN)\s+(\w+)\s+{name}\b") is { Success: true } match
            ? match.Groups[1].Value
            : name;

    [GeneratedRegex(@"@\w+")]
    private static partial Regex Parameter();

    [GeneratedRegex(@"IN (@\w+)")]
    private static partial Regex List();

    [GeneratedRegex(@"^SCAN (\w+)(?: USING (?:COVERING )?INDEX (\w+))?")]
    private static partial Regex Scan();

    [GeneratedRegex(@"\s+")]
    private static partial Regex Space();
}
