using System.Text.Json.Nodes;
using Cumbre.Storage;
using Cumbre.Storage.Audit;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.DependencyInjection;

namespace Cumbre.Server.Tests;

/// <summary>What was done is noted, can be read, and cannot be changed unseen.</summary>
public sealed class AuditTests : IAsyncLifetime
{
    private readonly Cast cast = new();

    public ValueTask InitializeAsync() => cast.InitializeAsync();

    public ValueTask DisposeAsync() => cast.DisposeAsync();

    private string Ana => $"/api/athletes/{cast.AnaId}";

    private async Task<JsonArray> Entries(string query = "") =>
        (await cast.Olga.Get($"/api/audit{query}")).Ok["entries"]!.AsArray();

    private static string Kind(JsonNode? entry) => (string)entry!["kind"]!;

    private void Sql(string sql)
    {
        using var connection = new SqliteConnection($"Data Source={cast.Club.DatabasePath};Pooling=False");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        command.ExecuteNonQuery();
    }

    private async Task<JsonNode> Check(string? noted = null) =>
        (await cast.Olga.Get($"/api/audit/check?noted={noted}")).Ok;

    // Seen before: the audit could not be read, and missed clearance, consent, profile, exports and failed sign-ins.
    [Fact]
    public async Task What_is_done_to_a_person_is_noted_with_before_and_after()
    {
        await cast.Club.Stranger().Post("/api/sign-in", new { signInName = "lea", password = "a guess" });
        var profile = JsonNode.Parse(
            System.Text.Json.JsonSerializer.Serialize(Trainee.Profile("Ana Shoal", version: 1))
        )!;
        profile["statureCm"] = 171;
        profile["cleared"] = true;
        Assert.Equal(200, (await cast.Lea.Put(Ana, profile)).Status);
        var consent = new
        {
            name = "Gil Shoal",
            textVersion = 0,
            day = (string?)null,
        };
        Assert.Equal(200, (await cast.Gil.Put($"{Ana}/consents/{Guid.CreateVersion7()}", consent)).Status);
        await cast.Ana.Client.GetByteArrayAsync($"{Ana}/export", TestContext.Current.CancellationToken);
        await cast.Lea.Client.GetByteArrayAsync($"{Ana}/export.html", TestContext.Current.CancellationToken);

        var all = (await Entries()).ToArray();
        JsonNode One(AuditKind kind) => all.First(e => Kind(e) == kind.ToString())!;
        Assert.Equal(
            ("statureCm: 170", "statureCm: 171", "Lea Estuary", "Ana Shoal"),
            (
                (string)One(AuditKind.ProfileChanged)["before"]!,
                (string)One(AuditKind.ProfileChanged)["after"]!,
                (string)One(AuditKind.ProfileChanged)["by"]!,
                (string)One(AuditKind.ProfileChanged)["athlete"]!
            )
        );
        Assert.Equal(
            ("byAge: false", "byAge: true"),
            ((string)One(AuditKind.ClearanceChanged)["before"]!, (string)One(AuditKind.ClearanceChanged)["after"]!)
        );
        Assert.Equal("Gil Shoal", (string)One(AuditKind.ConsentGiven)["after"]!);
        Assert.Equal("Lea Estuary", (string)One(AuditKind.SignInFailed)["by"]!);
        Assert.Equal(
            ["export.html", "export"],
            all.Where(e => Kind(e) == nameof(AuditKind.Exported)).Select(e => (string)e!["after"]!)
        );
        Assert.Contains(all, e => Kind(e) == nameof(AuditKind.Joined));
    }

    [Fact]
    public async Task It_is_asked_by_person_by_account_by_kind_and_by_day()
    {
        await cast.Lea.Put($"{Ana}/archive", new { away = true });
        await cast.Lea.Put($"{Ana}/archive", new { away = false });
        var lea = await Cast.IdOf(cast.Lea);
        Assert.Equal(
            [nameof(AuditKind.TakenBack), nameof(AuditKind.Archived)],
            (await Entries($"?athlete={cast.AnaId}&account={lea}")).Select(Kind)
        );
        Assert.All(await Entries("?kinds=Joined,Invited"), e =>
            Assert.Contains(Kind(e), new[] { "Joined", "Invited" })
        );
        Assert.Equal(7, (await Entries("?kinds=Joined")).Count);
        // By the club's zone: late in the evening in UTC it is the next day there.
        var day = DateOnly.FromDateTime(
            TimeZoneInfo
                .ConvertTimeBySystemTimeZoneId(
                    (DateTimeOffset)(await Entries("?kinds=TakenBack"))[0]!["at"]!,
                    "Europe/Madrid"
                )
                .DateTime
        );
        string Day(int more) => day.AddDays(more).ToString("yyyy-MM-dd");
        Assert.Single(await Entries($"?kinds=TakenBack&from={Day(0)}&until={Day(0)}"));
        Assert.Empty(await Entries($"?kinds=TakenBack&from={Day(1)}"));
        Assert.Empty(await Entries($"?kinds=TakenBack&until={Day(-1)}"));
        // By pages: each goes on where the one before ended.
        var newest = (await Entries())[0]!;
        Assert.Equal((long)newest["seq"]! - 1, (long)(await Entries($"?below={newest["seq"]}"))[0]!["seq"]!);
        // The person themselves and their coaches read what concerns them, and nothing else.
        foreach (var reader in new[] { cast.Ana, cast.Gil, cast.Lea })
            Assert.All((await reader.Get($"{Ana}/audit")).Ok["entries"]!.AsArray(), e =>
                Assert.Equal(cast.AnaId, (Guid)e!["athleteId"]!)
            );
        Assert.Equal(403, (await cast.Moe.Get($"{Ana}/audit")).Status);
    }

    [Fact]
    public async Task The_chain_holds_and_its_head_is_found_again()
    {
        var first = await Check();
        Assert.Null(first["brokenAt"]);
        Assert.True((long)first["entries"]! > 20);
        await cast.Lea.Put($"{Ana}/archive", new { away = true });
        Assert.True((bool)(await Check((string)first["head"]!))["hasNoted"]!);
        Assert.False((bool)(await Check(new('0', 64)))["hasNoted"]!);
    }

    [Fact]
    public void Nobody_changes_or_removes_an_entry_by_the_way()
    {
        foreach (
            var sql in new[]
            {
                "UPDATE audit_entry SET kind = 'Joined'",
                "DELETE FROM audit_entry",
                "UPDATE audit_value SET after = 'nothing'",
            }
        )
            Assert.Contains(
                "append-only",
                Assert.Throws<SqliteException>(() => Sql(sql)).Message,
                StringComparison.Ordinal
            );
    }

    private const string Unguard =
        "DROP TRIGGER audit_entry_is_not_changed; DROP TRIGGER audit_entry_is_not_removed; DROP TRIGGER audit_value_is_not_changed; PRAGMA foreign_keys = OFF; ";

    [Theory]
    [InlineData("UPDATE audit_value SET after = 'owner' WHERE seq = 5", 5)]
    [InlineData("UPDATE audit_value SET account_id = NULL WHERE seq = 5", 5)]
    [InlineData("UPDATE audit_entry SET at = '2020-01-01T00:00:00.000Z' WHERE seq = 5", 5)]
    [InlineData("UPDATE audit_entry SET kind = 'SignedIn' WHERE seq = 5", 5)]
    [InlineData("DELETE FROM audit_value WHERE seq = 5; DELETE FROM audit_entry WHERE seq = 5", 6)]
    [InlineData("DELETE FROM audit_value WHERE seq = 1; DELETE FROM audit_entry WHERE seq = 1", 2)]
    public async Task Whoever_writes_into_the_file_is_seen(string sql, long at)
    {
        Sql(Unguard + sql);
        Assert.Equal(at, (long)(await Check())["brokenAt"]!);
    }

    [Fact]
    public async Task That_the_end_was_cut_off_is_seen_by_whoever_noted_it()
    {
        var head = (string)(await Check())["head"]!;
        Sql(
            Unguard
                + "DELETE FROM audit_value WHERE seq = (SELECT max(seq) FROM audit_entry); DELETE FROM audit_entry WHERE seq = (SELECT max(seq) FROM audit_entry)"
        );
        var verdict = await Check(head);
        Assert.Null(verdict["brokenAt"]);
        Assert.False((bool)verdict["hasNoted"]!);
    }

    [Fact]
    public async Task What_it_says_of_a_person_is_erased_and_the_chain_holds()
    {
        await cast.Lea.Put($"{Ana}/archive", new { away = true });
        Assert.Equal(200, (await cast.Lea.Delete(Ana)).Status);
        var verdict = await Check();
        Assert.Null(verdict["brokenAt"]);
        Assert.True((long)verdict["erased"]! > 3);
        Assert.DoesNotContain("Ana", (await Entries()).ToJsonString(), StringComparison.Ordinal);
        Assert.Contains(await Entries(), e => Kind(e) == nameof(AuditKind.PersonErased));
    }

    [Fact]
    public void What_an_earlier_version_noted_goes_into_the_chain()
    {
        Sql(
            $"""
            CREATE TABLE audit (id BLOB, subject TEXT, subject_id BLOB, what TEXT, reason TEXT, at TEXT, by BLOB);
            INSERT INTO audit VALUES (randomblob(16), 'athlete', x'{cast.AnaId:N}', 'archived', 'away', '2026-01-02T03:04:05.000Z', randomblob(16));
            """
        );
        var database = cast.Club.Services.GetRequiredService<Database>();
        database.Migrate(_ => { });
        var taken = database.Read(db => AuditStore.Find(db, new() { Kinds = [AuditKind.Earlier] })).Single();
        Assert.Equal(
            (cast.AnaId, "athlete: archived", "away", 2026),
            (taken.AthleteId, taken.After, taken.Reason, taken.At.Year)
        );
        Assert.Null(database.Read(db => AuditChain.Verify(db)).BrokenAt);
        database.Migrate(_ => { });
    }
}
