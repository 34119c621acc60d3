using System.Text.Json.Nodes;
using Cumbre.Core.Movements;
using Cumbre.Server.Hosting;
using Cumbre.Storage.Privacy;
using Json.Schema;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.DependencyInjection;

namespace Cumbre.Server.Tests;

/// <summary>
/// A person is erased with everything that the data folder holds of them, and given everything before. That both go by
/// the schema is held against the schema itself.
/// </summary>
public sealed class ErasureTests : IAsyncLifetime
{
    private readonly Club club = new();
    private Caller coach = null!;

    public async ValueTask InitializeAsync() => coach = await club.Coach();

    public ValueTask DisposeAsync() => club.DisposeAsync();

    private static IReadOnlyList<string> Column(string file, string sql)
    {
        using var connection = new SqliteConnection($"Data Source={file};Pooling=False");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        using var reader = command.ExecuteReader();
        var found = new List<string>();
        while (reader.Read())
            found.Add(reader.GetString(0));
        return found;
    }

    /// <summary>The athlete who can sign in, with a published block, a message, a group and words of others.</summary>
    private async Task<(Guid Id, string Name)> Somebody()
    {
        var account = (await (await club.Athlete()).Get("/api/me")).Ok["account"]!;
        var (id, name) = (Guid.Parse((string)account["athleteId"]!), (string)account["name"]!);
        var path = $"/api/athletes/{id}";
        var block = Guid.CreateVersion7();
        var wish = new
        {
            name = "Spring",
            start = "2026-03-23",
            days = new[] { "Monday", "Thursday" },
            minutes = (int?)60,
            loadingWeeks = (int?)null,
        };
        var made = (await coach.Put($"{path}/blocks/{block}/generated", new { wish, version = 0 })).Ok;
        (
            await coach.Post(
                $"{path}/blocks/{block}/versions",
                new { version = (long)made["version"]!, note = "first" }
            )
        ).Ok?.ToString();
        (
            await coach.Post(
                $"{path}/blocks/{block}/messages",
                new
                {
                    id = Guid.CreateVersion7(),
                    week = 1,
                    version = 1,
                    to = "somebody@example.org",
                    time = (string?)null,
                }
            )
        ).Ok?.ToString();
        (
            await coach.Put(
                $"{path}/check-ins/{Guid.CreateVersion7()}",
                new
                {
                    day = Club.Today,
                    sleepHours = 7,
                    soreness = 3,
                    readiness = 6,
                    hardTraining = false,
                    pain = new[]
                    {
                        new
                        {
                            place = "left knee",
                            level = 2,
                            sign = (string?)null,
                        },
                    },
                }
            )
        ).Ok?.ToString();
        (
            await coach.Put(
                $"/api/test-days/{Guid.CreateVersion7()}",
                new
                {
                    name = $"Evening with {name}",
                    day = Club.Today,
                    athletes = (await coach.Get("/api/athletes")).Ok.AsArray().Take(2).Select(a => (string)a!["id"]!),
                    tests = new[] { "pull-up-max" },
                    version = 0,
                }
            )
        ).Ok?.ToString();
        return (id, name);
    }

    [Fact]
    public async Task Every_table_is_known_to_hold_a_person_or_nobody()
    {
        await coach.Get("/api/athletes");
        var tables = Column(
            club.DatabasePath,
            "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite\\_%' ESCAPE '\\'"
        );
        Assert.Equal(tables.Order(), PersonalData.Rows.Select(r => r.Table).Concat(PersonalData.Nobodys).Order());
    }

    // Seen before: an athlete with a block answered 500; messages and copies of the file outlived them.
    [Fact]
    public async Task Nobody_finds_a_byte_of_an_erased_person_in_the_data_folder()
    {
        await club.Services.GetRequiredService<BackupKeeper>().StopAsync(TestContext.Current.CancellationToken);
        var (id, name) = await Somebody();
        var others = (await coach.Get("/api/athletes")).Ok.AsArray().Count - 1;
        // A copy from before a migration that holds them, and one that is older than they are.
        var shelf = Directory.CreateDirectory(Path.Combine(club.Data, "backups")).FullName;
        var (held, older) = (
            Path.Combine(shelf, "club-20260301T000000Z-Migration.db"),
            Path.Combine(shelf, "club-20260201T000000Z-Migration.db")
        );
        Column(club.DatabasePath, $"VACUUM INTO '{held}'");
        Column(club.DatabasePath, $"VACUUM INTO '{older}'");
        Column(older, "PRAGMA foreign_keys = OFF; DELETE FROM athlete; VACUUM");
        Assert.NotEmpty(club.FilesWith(name));

        Assert.Equal(409, (await coach.Delete($"/api/athletes/{id}")).Status);
        (await coach.Put($"/api/athletes/{id}/archive", new { away = true })).Ok?.ToString();
        var receipt = (await coach.Delete($"/api/athletes/{id}")).Ok;
        Assert.Equal((1, 1, 1), ((int)receipt["mentions"]!, (int)receipt["messages"]!, (int)receipt["copies"]!));
        Assert.Equal(
            (1, 1, 1),
            (
                (int)receipt["rows"]!["athlete"]!,
                (int)receipt["rows"]!["account"]!,
                (int)receipt["rows"]!["block_version"]!
            )
        );
        Assert.True((int)receipt["rows"]!["logged_set"]! > 50);
        Assert.DoesNotContain(name, receipt.ToJsonString(), StringComparison.Ordinal);

        Assert.Equal(404, (await coach.Get($"/api/athletes/{id}")).Status);
        Assert.Equal(others, (await coach.Get("/api/athletes")).Ok.AsArray().Count);
        Assert.Contains((await coach.Get("/api/test-days")).Ok.AsArray(), d =>
            (string)d!["name"]! == "Evening with (erased)"
        );
        club.Services.GetRequiredService<BackupKeeper>().Forget();
        SqliteConnection.ClearAllPools();
        Assert.Equal([older], club.FilesWith(name));
        Assert.Equal([older], club.FilesWith(id.ToByteArray(bigEndian: true)));
    }

    [Fact]
    public async Task Who_shares_a_name_keeps_it_in_the_words_of_others()
    {
        var (id, name) = await Somebody();
        var namesake = Guid.CreateVersion7();
        (await coach.Put($"/api/athletes/{namesake}", Trainee.Profile(name: name))).Ok?.ToString();
        await coach.Put($"/api/athletes/{id}/archive", new { away = true });
        Assert.Equal(0, (int)(await coach.Delete($"/api/athletes/{id}")).Ok["mentions"]!);
        Assert.Equal(name, (string)(await coach.Get($"/api/athletes/{namesake}")).Ok["name"]!);
        Assert.Contains((await coach.Get("/api/test-days")).Ok.AsArray(), d =>
            (string)d!["name"]! == $"Evening with {name}"
        );
    }

    // Seen before: the "everything" export had no plans, blocks, decisions, placements or pain.
    [Fact]
    public async Task Everything_that_is_held_of_a_person_is_given_to_them()
    {
        var (id, _) = await Somebody();
        var text = await coach.Client.GetStringAsync(
            $"/api/athletes/{id}/export",
            TestContext.Current.CancellationToken
        );
        var file = JsonNode.Parse(text)!;
        var schema = JsonSchema.FromText(CatalogueJson.Text("schemas/athlete-file.schema.json"));
        Assert.True(schema.Evaluate(file).IsValid);
        var literal = $"x'{Convert.ToHexString(id.ToByteArray(bigEndian: true))}'";
        var held = PersonalData
            .Rows.Where(r => !r.IsDerived)
            .Where(r =>
                Column(
                    club.DatabasePath,
                    $"SELECT 'x' FROM {r.Table} WHERE {r.Of} LIMIT 1".Replace("@id", literal, StringComparison.Ordinal)
                ).Count > 0
            )
            .Select(r => r.Table.Replace("_", "", StringComparison.Ordinal).ToUpperInvariant());
        Assert.Equal(held.Order(), file["records"]!.AsObject().Select(r => r.Key.ToUpperInvariant()).Order());
        Assert.Contains(file["records"]!["checkIn"]!.AsArray(), c =>
            c!["pain"]!.ToJsonString().Contains("left knee", StringComparison.Ordinal)
        );
        Assert.Single(file["messages"]!.AsArray());
        Assert.DoesNotContain("passwordHash", text, StringComparison.Ordinal);
    }
}
