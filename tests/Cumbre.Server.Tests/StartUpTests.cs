using Cumbre.Storage;
using Microsoft.Data.Sqlite;

namespace Cumbre.Server.Tests;

/// <summary>A folder that cannot be served is left as it is, and is told in a plain sentence.</summary>
public sealed class StartUpTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("cumbre-start-").FullName;

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    private string File => Path.Combine(folder, "cumbre.db");

    private void Made()
    {
        new Database(folder).Migrate(_ => { });
        Run("PRAGMA wal_checkpoint(TRUNCATE)");
        SqliteConnection.ClearAllPools();
    }

    private void Run(string sql)
    {
        using var connection = new SqliteConnection($"Data Source={File};Pooling=False");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        command.ExecuteNonQuery();
    }

    private FileTroubleException Refused() =>
        Assert.Throws<FileTroubleException>(() => new Database(folder).Migrate(_ => { }));

    [Fact]
    public void A_file_of_a_newer_version_is_left_alone()
    {
        Made();
        Run(
            "UPDATE changelog SET version = '9999' WHERE version = (SELECT version FROM changelog WHERE version IS NOT NULL LIMIT 1)"
        );
        var before = System.IO.File.ReadAllBytes(File);
        var trouble = Refused();
        Assert.Equal(FileTrouble.Newer, trouble.Trouble);
        Assert.Contains("file 9999", trouble.Message, StringComparison.Ordinal);
        Assert.Equal(before, System.IO.File.ReadAllBytes(File));
    }

    [Theory]
    [InlineData(0)]
    [InlineData(100)]
    [InlineData(9000)]
    public void A_damaged_file_is_told_as_damaged(int at)
    {
        Made();
        using (var file = new FileStream(File, FileMode.Open, FileAccess.ReadWrite))
        {
            file.Position = at;
            file.Write([.. Enumerable.Repeat((byte)0xA5, 4096)]);
        }

        Assert.Equal(FileTrouble.Damaged, Refused().Trouble);
    }

    [Fact]
    public void Half_a_file_is_told_as_damaged()
    {
        Made();
        using (var file = new FileStream(File, FileMode.Open))
            file.SetLength(file.Length / 2);
        Assert.Equal(FileTrouble.Damaged, Refused().Trouble);
    }

    [Fact]
    public void What_cannot_be_opened_is_told_by_its_place()
    {
        Directory.CreateDirectory(File);
        var trouble = Refused();
        Assert.Equal(FileTrouble.ReadOnly, trouble.Trouble);
        Assert.Contains(File, trouble.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void One_process_at_a_time_serves_a_folder()
    {
        using (new ClubFolder(folder))
            Assert.Equal(FileTrouble.InUse, Assert.Throws<FileTroubleException>(() => new ClubFolder(folder)).Trouble);
        new ClubFolder(folder).Dispose();
    }

    [Fact]
    public void The_files_are_their_owners_alone()
    {
        // Rights of this kind are known to Unix.
        if (OperatingSystem.IsWindows())
            return;
        var inner = Path.Combine(folder, "club");
        using var held = new ClubFolder(inner);
        var database = new Database(inner);
        database.Migrate(_ => { });
        Assert.Equal(
            UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute,
            System.IO.File.GetUnixFileMode(inner)
        );
        foreach (var file in Directory.EnumerateFiles(inner))
            Assert.Equal(UnixFileMode.UserRead | UnixFileMode.UserWrite, System.IO.File.GetUnixFileMode(file));
    }
}

/// <summary>What is asked of a running server that it cannot do.</summary>
public sealed class RunningTests(SharedClub shared) : IClassFixture<SharedClub>
{
    [Fact]
    public async Task A_wrong_method_is_told_with_those_that_are_taken()
    {
        var coach = await shared.Club.Coach();
        var answer = await coach.Put("/api/records", new { });
        Assert.Equal((405, "wrongMethod method=PUT"), (answer.Status, answer.Said));
        using var response = await coach.Client.GetAsync("/api/sign-out", TestContext.Current.CancellationToken);
        Assert.Equal((405, "POST"), ((int)response.StatusCode, Assert.Single(response.Content.Headers.Allow)));
        Assert.Equal(404, (await coach.Get("/api/nowhere")).Status);
        // The method is right and a part of the address is not.
        Assert.Equal(404, (await coach.Delete("/api/athletes/nobody")).Status);
    }

    // Five seconds are waited for whoever holds it.
    [Fact]
    public async Task A_file_that_another_program_holds_is_told_and_recovered_from()
    {
        await using var club = new Club();
        var coach = await club.Coach();
        var athlete = await coach.NewAthlete();
        using var connection = new SqliteConnection($"Data Source={club.DatabasePath};Pooling=False");
        connection.Open();
        Run("BEGIN IMMEDIATE");
        var refused = await athlete.Weigh(70, "2026-03-10");
        Assert.Equal((503, "fileBusy"), (refused.Status, refused.Said));
        // Whoever reads waits for nobody.
        Assert.Equal(200, (await coach.Get("/api/athletes")).Status);
        Run("ROLLBACK");
        (await athlete.Weigh(70, "2026-03-10")).Ok.ToString();

        void Run(string sql)
        {
            using var command = connection.CreateCommand();
            command.CommandText = sql;
            command.ExecuteNonQuery();
        }
    }

    [Fact]
    public async Task Health_reads_the_file()
    {
        await using var club = new Club(demo: false);
        var client = club.CreateClient();
        var cancel = TestContext.Current.CancellationToken;
        Assert.Equal(200, (int)(await client.GetAsync("/health", cancel)).StatusCode);
        using (var connection = new SqliteConnection($"Data Source={club.DatabasePath};Pooling=False"))
        {
            connection.Open();
            using var command = connection.CreateCommand();
            command.CommandText = "PRAGMA foreign_keys = OFF; ALTER TABLE athlete RENAME TO gone";
            command.ExecuteNonQuery();
        }

        Assert.Equal(500, (int)(await client.GetAsync("/health", cancel)).StatusCode);
    }

    [Fact]
    public async Task Nothing_in_a_list_is_refused_at_its_place()
    {
        var coach = await shared.Club.Coach();
        var answer = await coach.PutRaw(
            $"/api/test-days/{Guid.CreateVersion7()}",
            """{"name":"Evening","day":"2026-03-16","athletes":[],"tests":["pull-up-max",null],"version":0}"""
        );
        Assert.Equal((400, "tests:fieldMissing"), (answer.Status, answer.Field));
    }

    [Theory]
    [InlineData("0001-01-01", "start:dayRange")]
    [InlineData("1900-01-01", "")]
    [InlineData("2100-12-27", "")]
    [InlineData("9999-12-27", "start:dayRange")]
    [InlineData("2026-02-30", "start:fieldMissing")]
    public async Task A_block_starts_in_a_year_with_weeks_around_it(string start, string field)
    {
        var coach = await shared.Club.Coach();
        var path = $"{(await coach.NewAthlete()).Path}/blocks/{Guid.CreateVersion7()}";
        object week = new { kind = "Loading", sessions = Array.Empty<object>() };
        var answer = await coach.Put(
            path,
            new
            {
                block = new
                {
                    name = "x",
                    start,
                    weeks = new[] { week },
                    kept = Array.Empty<object>(),
                },
                version = 0,
            }
        );
        Assert.Equal(field, answer.Field?.Replace("block.", "", StringComparison.Ordinal) ?? "");
        // What is stored can be read and deleted.
        Assert.Equal(field.Length == 0 ? 200 : 404, (await coach.Get(path)).Status);
        if (field.Length == 0)
            Assert.InRange((await coach.Delete(path + "?version=1")).Status, 200, 204);
    }

    [Fact]
    public async Task Days_at_the_edge_of_time_may_be_asked_for()
    {
        var owner = await shared.Club.Coach();
        foreach (var day in new[] { "0001-01-01", "9999-12-31" })
        foreach (var path in new[] { $"audit?from={day}", $"audit?until={day}", $"logbook?from={day}&to={day}" })
            Assert.Equal(200, (await owner.Get($"/api/{path}")).Status);
    }

    [Fact]
    public async Task What_belongs_to_nobody_is_not_found_and_an_id_is_used_once()
    {
        var coach = await shared.Club.Coach();
        Assert.Equal(
            (404, "noSuchThing"),
            (await coach.Put($"/api/athletes/{Guid.CreateVersion7()}/wall", new { name = "x", pain = false })) is var a
                ? (a.Status, a.Said)
                : default
        );
        var id = Guid.CreateVersion7();
        object checkIn = new
        {
            day = Club.Today,
            sleepHours = 8,
            soreness = 1,
            readiness = 7,
            hardTraining = false,
            pain = Array.Empty<object>(),
        };
        var (first, second) = (await coach.NewAthlete(), await coach.NewAthlete());
        Assert.InRange((await coach.Put($"{first.Path}/check-ins/{id}", checkIn)).Status, 200, 204);
        var taken = await coach.Put($"{second.Path}/check-ins/{id}", checkIn);
        Assert.Equal((409, "idTaken"), (taken.Status, taken.Said));
    }
}
