using Cumbre.Simulation;
using Cumbre.Storage;
using Microsoft.Data.Sqlite;

namespace Cumbre.Server.Tests;

public sealed class StorageTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("cumbre-store-").FullName;

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    private object? Scalar(string sql)
    {
        using var connection = new SqliteConnection($"Data Source={Path.Combine(folder, "cumbre.db")}");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        return command.ExecuteScalar();
    }

    [Fact]
    public void A_new_file_is_in_wal_mode_and_migrating_twice_changes_nothing()
    {
        new Database(folder).Migrate(_ => { });
        new Database(folder).Migrate(_ => { });
        Assert.Equal("wal", Scalar("PRAGMA journal_mode"));
        Assert.Equal(1L, Scalar("SELECT count(*) FROM changelog WHERE version = '1'"));
        Assert.DoesNotContain(Directory.GetFiles(folder), f => f.Contains("before", StringComparison.Ordinal));
    }

    [Fact]
    public void A_copy_is_kept_before_an_older_file_is_migrated()
    {
        new Database(folder).Migrate(_ => { });
        // An older schema, as the next migration will meet it: the newest step is not yet applied.
        Scalar("UPDATE changelog SET version = '0' WHERE version = '1'; CREATE TABLE witness (x); INSERT INTO witness VALUES (7)");
        try
        {
            new Database(folder).Migrate(_ => { });
        }
        catch (Exception e) when (e.GetType().Namespace!.StartsWith("EvolveDb", StringComparison.Ordinal))
        {
            // The tables of the step exist already, so it cannot be applied again; the copy comes before that.
        }

        var copy = Assert.Single(Directory.GetFiles(folder, "cumbre.db.before-v1-*"));
        using var connection = new SqliteConnection($"Data Source={copy};Mode=ReadOnly");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = "SELECT x FROM witness";
        Assert.Equal(7L, command.ExecuteScalar());
    }

    [Fact]
    public void A_write_that_fails_half_way_leaves_nothing()
    {
        var database = new Database(folder);
        database.Migrate(_ => { });
        Assert.Throws<InvalidOperationException>(() => database.Write<bool>(db =>
        {
            Storage.Accounts.AccountStore.AddClub(db, new("Half", "UTC", "1"), DateTimeOffset.UnixEpoch);
            throw new InvalidOperationException("power cut");
        }));
        Assert.Null(database.Read(Storage.Accounts.AccountStore.Club));
    }

    [Fact]
    public void The_demo_club_is_the_same_each_time()
    {
        var (first, second) = (DemoClub.Athletes(DemoClub.Today), DemoClub.Athletes(DemoClub.Today));
        Assert.Equal(first.SelectMany(a => a.Sessions).SelectMany(s => s.Sets), second.SelectMany(a => a.Sessions).SelectMany(s => s.Sets));
        Assert.Equal(first.Select(a => a.Id), second.Select(a => a.Id));
    }

    [Fact]
    public void Seeded_ids_are_distinct_and_of_version_seven()
    {
        var ids = DemoClub.Athletes(DemoClub.Today).SelectMany(a => a.Sessions).SelectMany(s => s.Sets.Select(x => x.Id).Append(s.Id).Append(s.ItemId)).ToList();
        Assert.Equal(ids.Count, ids.Distinct().Count());
        Assert.All(ids, id => Assert.Equal(7, id.Version));
    }
}
