using System.Globalization;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Athletes;
using EvolveDb;
using Microsoft.Data.Sqlite;

namespace Cumbre.Server.Tests;

/// <summary>
/// What a power cut leaves of the file, which is held against what was acknowledged; and files of every earlier schema.
/// </summary>
public sealed class FileFaultTests : IDisposable
{
    private const int Writes = 40;

    private readonly string folder = Directory.CreateTempSubdirectory("cumbre-fault-").FullName;

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    private string File(string name = "cumbre.db") => Path.Combine(folder, name);

    /// <summary>
    /// A disk that lost its power has written the log of writes up to some byte. By SQLite's description of the WAL format
    /// (sqlite.org/walformat.html, from memory) a frame counts only with all frames up to a commit, each with its checksum:
    /// what was acknowledged was flushed, and stands before any cut that can happen after it.
    /// </summary>
    [Fact]
    public void Whatever_byte_a_power_cut_ends_at_every_acknowledged_write_is_there()
    {
        var database = new Database(folder);
        database.Migrate(_ => { });
        using var reader = Keeps();
        var log = File("cumbre.db-wal");
        var ends = new List<long> { new FileInfo(log).Length };
        for (var i = 1; i <= Writes; i++)
        {
            var (id, name) = (Guid.CreateVersion7(), $"Athlete {i}");
            database.Write(db =>
            {
                AuditOf(db, id, name);
                return true;
            });
            ends.Add(new FileInfo(log).Length);
        }

        var (whole, logged) = (Bytes(File()), Bytes(log));
        var random = new Random(21);
        for (var cut = 0; cut < 60; cut++)
        {
            var acknowledged = random.Next(Writes);
            var at = (int)(ends[acknowledged] + random.NextInt64(ends[acknowledged + 1] - ends[acknowledged] + 1));
            var left = logged[..at];
            // A disk may hold the rest of a sector as nothing, or as what stood there before.
            if (cut % 3 > 0)
            {
                var rest = new byte[random.Next(5000)];
                if (cut % 3 == 2)
                    random.NextBytes(rest);
                left = [.. left, .. rest];
            }

            Assert.InRange(Count(whole, left, cut), acknowledged, acknowledged + 1);
        }
    }

    /// <summary>The log is taken over into the file page by page, and the power goes in the middle of a page.</summary>
    [Fact]
    public void A_power_cut_while_the_log_is_taken_over_loses_nothing()
    {
        var database = new Database(folder);
        database.Migrate(_ => { });
        using var reader = Keeps();
        for (var i = 1; i <= Writes; i++)
        {
            var id = Guid.CreateVersion7();
            database.Write(db =>
            {
                AuditOf(db, id, $"Athlete {i}");
                return true;
            });
        }

        var (whole, logged) = (Bytes(File()), Bytes(File("cumbre.db-wal")));
        const int header = 32,
            frameHeader = 24;
        var page = (int)System.Buffers.Binary.BinaryPrimitives.ReadUInt32BigEndian(logged.AsSpan(8));
        var random = new Random(22);
        for (var cut = 0; cut < 20; cut++)
        {
            var torn = whole.ToList();
            for (var at = header; at + frameHeader + page <= logged.Length; at += frameHeader + page)
            {
                if (random.Next(2) == 0)
                    continue;
                var number = (int)System.Buffers.Binary.BinaryPrimitives.ReadUInt32BigEndian(logged.AsSpan(at));
                while (torn.Count < number * page)
                    torn.Add(0);
                // Half of a page, or all of it.
                for (var b = 0; b < (random.Next(2) == 0 ? page / 2 : page); b++)
                    torn[(number - 1) * page + b] = logged[at + frameHeader + b];
            }

            Assert.Equal(Writes, Count([.. torn], logged, 100 + cut));
        }
    }

    private static void AuditOf(Db db, Guid id, string name) =>
        AccountStore.Add(
            db,
            new(id, name, name, null, Roles.Coach, null, "Kg"),
            new DateTimeOffset(2026, 3, 16, 9, 0, 0, TimeSpan.Zero)
        );

    /// <summary>Holds an old state, so that the log is not taken over and grows.</summary>
    private SqliteConnection Keeps()
    {
        var reader = new SqliteConnection($"Data Source={File()};Pooling=False");
        reader.Open();
        using var command = reader.CreateCommand();
        command.CommandText = "PRAGMA wal_autocheckpoint = 0; BEGIN; SELECT count(*) FROM account";
        command.ExecuteScalar();
        return reader;
    }

    private static byte[] Bytes(string path)
    {
        using var file = new FileStream(path, FileMode.Open, FileAccess.Read, FileShare.ReadWrite);
        var bytes = new byte[file.Length];
        file.ReadExactly(bytes);
        return bytes;
    }

    private long Count(byte[] whole, byte[] log, int cut)
    {
        var after = Path.Combine(folder, $"cut-{cut}");
        Directory.CreateDirectory(after);
        System.IO.File.WriteAllBytes(Path.Combine(after, "cumbre.db"), whole);
        System.IO.File.WriteAllBytes(Path.Combine(after, "cumbre.db-wal"), log);
        var database = new Database(after);
        database.Migrate(_ => { });
        var count = database.Read(db => AccountStore.All(db).Count);
        database.Release();
        using var connection = new SqliteConnection($"Data Source={Path.Combine(after, "cumbre.db")};Pooling=False");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = "PRAGMA integrity_check";
        Assert.Equal("ok", command.ExecuteScalar());
        return count;
    }

    public static TheoryData<int> Schemas => [.. Enumerable.Range(1, Newest() - 1)];

    private static int Newest() =>
        typeof(Database)
            .Assembly.GetManifestResourceNames()
            .Where(n => n.Contains(".Migrations.V", StringComparison.Ordinal))
            .Max(n => int.Parse(n.Split(".Migrations.V")[1].Split("__")[0], CultureInfo.InvariantCulture));

    [Theory]
    [MemberData(nameof(Schemas))]
    public void A_file_of_an_earlier_schema_opens_with_what_it_held(int schema)
    {
        To(1);
        Run(
            """
            INSERT INTO club VALUES (1, 'Old Hall', 'Europe/Madrid', '1,3', '2026-01-01T00:00:00Z');
            INSERT INTO athlete VALUES (x'00000000000070008000000000000001', 'Old Hand', 1990, 'Kg', 'RepFirst', 'TwoInARow', 0, 1, NULL, NULL, '2026-01-01T00:00:00Z', 1);
            INSERT INTO body_mass VALUES (x'00000000000070008000000000000004', x'00000000000070008000000000000001', '2026-01-01', '70', 'Kg', '2026-01-01T00:00:00Z', x'00000000000070008000000000000003');
            INSERT INTO benchmark_result VALUES (x'00000000000070008000000000000002', x'00000000000070008000000000000001', 'pull-up-max', '2026-01-01', 11, '0', 'Kg', 0, NULL, NULL, '70', 'Clean',
              '2026-01-01T00:00:00Z', x'00000000000070008000000000000003')
            """
        );
        To(schema);
        var shelf = new Storage.Backups.BackupShelf(Path.Combine(folder, "backups"));
        var database = new Database(folder);
        database.Migrate(_ => { }, shelf);

        var (athlete, snapshot) = database.Read(db => SnapshotStore.LoadAll(db, new DateOnly(2026, 3, 16))).Single();
        Assert.Equal(("Old Hand", 11), (athlete.Name, snapshot.Results[0].Score.Reps));
        Assert.Equal("Old Hall", database.Read(AccountStore.Club)!.Name);
        Assert.Equal(Storage.Backups.BackupKind.Migration, Assert.Single(shelf.All()).Kind);
        // The same as a file that was made today.
        var fresh = new Database(Path.Combine(folder, "fresh"));
        fresh.Migrate(_ => { });
        Assert.Equal(Schema(Path.Combine(folder, "fresh", "cumbre.db")), Schema(File()));
    }

    private static IReadOnlyList<string> Schema(string path)
    {
        using var connection = new SqliteConnection($"Data Source={path};Pooling=False");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = "SELECT type || ' ' || name || ' ' || coalesce(sql, '') FROM sqlite_master ORDER BY 1";
        using var reader = command.ExecuteReader();
        var all = new List<string>();
        while (reader.Read())
            all.Add(reader.GetString(0));
        return all;
    }

    private void Run(string sql)
    {
        using var connection = new SqliteConnection($"Data Source={File()};Pooling=False");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        command.ExecuteNonQuery();
    }

    private void To(int version)
    {
        using var connection = new SqliteConnection($"Data Source={File()};Pooling=False");
        connection.Open();
        new Evolve(connection)
        {
            EmbeddedResourceAssemblies = [typeof(Database).Assembly],
            EmbeddedResourceFilters = ["Cumbre.Storage.Migrations"],
            EnableClusterMode = false,
            TargetVersion = new(version.ToString(CultureInfo.InvariantCulture)),
        }.Migrate();
    }
}
