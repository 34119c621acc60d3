using Cumbre.Core.Athletes;
using Cumbre.Core.Decisions;
using Cumbre.Core.Ladders;
using Cumbre.Core.Loading;
using Cumbre.Core.Movements;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes;
using Cumbre.Simulation;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Decisions;
using EvolveDb;
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
        Assert.DoesNotContain(Directory.GetFiles(folder), f => f.Contains("Migration", StringComparison.Ordinal));
    }

    [Fact]
    public void A_file_of_the_first_version_comes_up_to_date_and_a_copy_is_kept()
    {
        MigrateTo("1");
        Scalar(
            """
            INSERT INTO athlete VALUES (x'00000000000070008000000000000001', 'Old Hand', 1990, 'Kg', 'RepFirst', 'TwoInARow', 0, 1, NULL, NULL, '2026-01-01T00:00:00Z', 1);
            INSERT INTO benchmark_result VALUES (x'00000000000070008000000000000002', x'00000000000070008000000000000001', 'pull-up-max', '2026-01-01', 11, '0', 'Kg', 0, NULL, NULL, '70', 'Clean',
              '2026-01-01T00:00:00Z', x'00000000000070008000000000000003')
            """
        );

        new Database(folder).Migrate(_ => { }, new(Path.Combine(folder, "backups")));

        var (athlete, snapshot) = new Database(folder)
            .Read(db => SnapshotStore.LoadAll(db, new DateOnly(2026, 3, 16)))
            .Single();
        Assert.Equal([KeyValuePair.Create("loading", "rep-first")], athlete.SchoolOverrides);
        Assert.Equal(
            (11, 1, null),
            (snapshot.Results[0].Score.Reps, snapshot.Results[0].Score.Sets, snapshot.Results[0].Side)
        );
        var copy = Assert.Single(Directory.GetFiles(Path.Combine(folder, "backups"), "club-*-Migration.db"));
        using var connection = new SqliteConnection($"Data Source={copy};Mode=ReadOnly");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = "SELECT loading_school FROM athlete";
        Assert.Equal("RepFirst", command.ExecuteScalar());
    }

    [Fact]
    public void A_stop_that_was_cleared_before_stays_cleared_and_its_decision_is_still_read()
    {
        MigrateTo("1");
        const string why =
            """{"rule":{"id":"StopForPain","args":[]},"inputs":[],"working":[],"rounding":[],"sources":[],"cautions":[],"exposures":[],"thresholds":[]}""";
        var plan = PrescriptionJson.Write(new StraightSets(3, 5)).Replace("\"", "\\\"", StringComparison.Ordinal);
        var proposal =
            $$"""{"v":1,"kind":"Refer","cause":"Pain","movement":"weighted-pull-up","basisSessionId":"00000000-0000-7000-8000-000000000004","nextDay":"2026-02-05","before":"{{plan}}","nextIsEasy":false,"fromKg":10,"why":{{why}},"overruled":["AddLoad"]}""";
        Scalar(
            $$"""
            INSERT INTO athlete VALUES (x'00000000000070008000000000000001', 'Old Hand', 1990, 'Kg', 'RepFirst', 'TwoInARow', 0, 1, NULL, NULL, '2026-01-01T00:00:00Z', 1);
            INSERT INTO session VALUES (x'00000000000070008000000000000004', x'00000000000070008000000000000001', '2026-02-02', 'Done', 0, NULL, 2, '2026-02-02T00:00:00Z', x'00000000000070008000000000000003');
            INSERT INTO session_item VALUES (x'00000000000070008000000000000005', x'00000000000070008000000000000004', 1, 'weighted-pull-up', '{{PrescriptionJson.Write(
                new StraightSets(3, 5)
            )}}', '{"loadsKg":[10,10,10],"bodyMassKg":70}');
            INSERT INTO logged_set VALUES (x'00000000000070008000000000000006', x'00000000000070008000000000000005', 1, 1, 5, '10', 'Kg', 2, 'Clean', 7, 'right elbow', NULL, '2026-02-02T00:00:00Z', x'00000000000070008000000000000003');
            INSERT INTO decision VALUES (x'00000000000070008000000000000007', x'00000000000070008000000000000001', 'weighted-pull-up', 'Refer', 'Pain', x'00000000000070008000000000000004', 'Accepted', NULL, 1, '{{proposal}}', '2026-02-02T00:00:00Z');
            INSERT INTO decision_event VALUES (x'00000000000070008000000000000008', x'00000000000070008000000000000007', 'Accepted', NULL, '2026-02-02T00:00:00Z', x'00000000000070008000000000000003');
            INSERT INTO decision_event VALUES (x'00000000000070008000000000000009', x'00000000000070008000000000000007', 'Cleared', '"seen, no findings"', '2026-02-20T00:00:00Z', x'00000000000070008000000000000003');
            """
        );

        new Database(folder).Migrate(_ => { });

        var owner = new Guid("00000000-0000-7000-8000-000000000001");
        var (decisions, snapshot) = new Database(folder).Read(db =>
            (DecisionStore.Of(db, owner), SnapshotStore.Load(db, owner, new DateOnly(2026, 3, 16))!.Value.Snapshot)
        );
        var old = Assert.Single(decisions);
        Assert.Equal(
            (ProposalKind.Refer, null, "3 x 5"),
            (old.Kind, old.Role, NotationPrinter.Print(old.Proposal.Before!))
        );
        Assert.Equal(2, new Database(folder).Read(db => DecisionStore.Events(db, old.Id)).Count);
        var cleared = Assert.Single(snapshot.Clearances);
        Assert.Equal(
            (new DateOnly(2026, 2, 20), BodyPlace.Elbow, "seen, no findings"),
            (cleared.Day, cleared.Place.Place, cleared.Reason)
        );
        Assert.Empty(
            new AthleteAtWork(snapshot, Intake.Empty, Atlas.Shipped, KitBook.Empty, [], new(2026, 3, 16)).Stops
        );
    }

    private void MigrateTo(string version)
    {
        using var connection = new SqliteConnection($"Data Source={Path.Combine(folder, "cumbre.db")}");
        connection.Open();
        new Evolve(connection)
        {
            EmbeddedResourceAssemblies = [typeof(Database).Assembly],
            EmbeddedResourceFilters = ["Cumbre.Storage.Migrations"],
            EnableClusterMode = false,
            TargetVersion = new(version),
        }.Migrate();
    }

    [Fact]
    public void A_write_that_fails_half_way_leaves_nothing()
    {
        var database = new Database(folder);
        database.Migrate(_ => { });
        Assert.Throws<InvalidOperationException>(() =>
            database.Write<bool>(db =>
            {
                Storage.Accounts.AccountStore.AddClub(db, new("Half", "UTC", "1"), DateTimeOffset.UnixEpoch);
                throw new InvalidOperationException("power cut");
            })
        );
        Assert.Null(database.Read(Storage.Accounts.AccountStore.Club));
    }

    [Fact]
    public void The_demo_club_is_the_same_each_time()
    {
        var (first, second) = (DemoClub.Athletes(DemoClub.Today), DemoClub.Athletes(DemoClub.Today));
        Assert.Equal(
            first.SelectMany(a => a.Sessions).SelectMany(s => s.Sets),
            second.SelectMany(a => a.Sessions).SelectMany(s => s.Sets)
        );
        Assert.Equal(first.Select(a => a.Id), second.Select(a => a.Id));
    }

    [Fact]
    public void Seeded_ids_are_distinct_and_of_version_seven()
    {
        var ids = DemoClub
            .Athletes(DemoClub.Today)
            .SelectMany(a => a.Sessions)
            .GroupBy(s => s.Id)
            .SelectMany(g => g.SelectMany(s => s.Sets.Select(x => x.Id).Append(s.ItemId)).Append(g.Key))
            .ToList();
        Assert.Equal(ids.Count, ids.Distinct().Count());
        Assert.All(ids, id => Assert.Equal(7, id.Version));
    }
}
