using System.Collections.Immutable;
using System.Data;
using System.Data.Common;
using Cumbre.Storage.Audit;
using Cumbre.Storage.Backups;
using Cumbre.Storage.Ladders;
using Dapper;
using EvolveDb;
using Microsoft.Data.Sqlite;

namespace Cumbre.Storage;

/// <summary>An open connection with its transaction, if it writes. What the stores work on.</summary>
public sealed record Db(
    SqliteConnection Connection,
    SqliteTransaction? Transaction,
    AtlasCache Atlas,
    ReadingCache Readings
)
{
    /// <summary>Standings that were read, each while it is the one that is kept.</summary>
    public ReadingCache Standings { get; init; } = new();

    /// <summary>What was done in the sessions of the window, each while it stands as it was read.</summary>
    public ReadingCache Sessions { get; init; } = new();

    /// <summary>What was shown before the window, each while it is what was gathered last.</summary>
    public ReadingCache Evidence { get; init; } = new();

    /// <summary>Whose standing is being worked out after a write: what is kept of them is right in a moment.</summary>
    public IReadOnlySet<Guid> Following { get; init; } = new HashSet<Guid>();

    /// <summary>What this transaction itself has read; nobody else sees it before it is committed.</summary>
    private readonly ReadingCache own = new();

    /// <summary>
    /// What is worked out from an athlete's log once for each state of it. What a transaction reads after its own
    /// writes stays its own, as it may be rolled back.
    /// </summary>
    /// <param name="athleteId">Whose.</param>
    /// <param name="today">The day on which it is true.</param>
    /// <param name="read">Reads it anew; null is not kept.</param>
    public T? Once<T>(Guid athleteId, DateOnly today, Func<T?> read)
        where T : class
    {
        var key = new ReadingKey(typeof(T), athleteId, Athletes.StandingStore.Seq(this, athleteId), today);
        if (own.Find<T>(key) is { } mine)
            return mine;
        if (Readings.Find<T>(key) is { } known)
            return known;
        if (read() is not { } fresh)
            return null;
        (Transaction is null ? Readings : own).Keep(key, fresh);
        return fresh;
    }

    /// <summary>Whose decisions are to be looked at after the commit, and whether evidence of the past changed.</summary>
    private readonly Dictionary<Guid, bool> reconsidered = [];

    /// <summary>
    /// The rules read what this transaction writes about an athlete: their decisions are looked at once it is kept.
    /// </summary>
    /// <param name="athleteId">Whose.</param>
    /// <param name="corrected">Evidence of the past was changed.</param>
    public void Reconsider(Guid athleteId, bool corrected = false) =>
        reconsidered[athleteId] = corrected || reconsidered.GetValueOrDefault(athleteId);

    internal IReadOnlyDictionary<Guid, bool> Reconsidered => reconsidered;

    /// <summary>After the commit: what the transaction read is true for everybody.</summary>
    internal void Publish() => own.GiveTo(Readings);

    /// <summary>Is told every statement, so that its plan can be read; null: nobody asks.</summary>
    public Action<string>? Asked { get; init; }

    internal IReadOnlyList<T> Query<T>(string sql, object? args = null)
    {
        Asked?.Invoke(sql);
        // SQLite knows the type of a computed column only from a row: without one there is nothing to map, and nothing
        // to map it by.
        using var reader = (DbDataReader)Connection.ExecuteReader(sql, args, Transaction);
        return reader.HasRows ? [.. reader.Parse<T>()] : [];
    }

    internal T? One<T>(string sql, object? args = null)
    {
        Asked?.Invoke(sql);
        return Connection.QueryFirstOrDefault<T>(sql, args, Transaction);
    }

    internal int Run(string sql, object? args = null)
    {
        Asked?.Invoke(sql);
        return Connection.Execute(sql, args, Transaction);
    }

    /// <summary>
    /// A part of a write that is kept by itself: what it wrote is taken back when it answers no or throws.
    /// </summary>
    public bool Part(Func<bool> work)
    {
        const string Name = "part";
        var transaction = Transaction ?? throw new InvalidOperationException("A read has no parts to take back.");
        transaction.Save(Name);
        var kept = false;
        try
        {
            return kept = work();
        }
        finally
        {
            if (!kept)
            {
                transaction.Rollback(Name);
                own.Clear();
            }

            transaction.Release(Name);
        }
    }
}

/// <summary>Works out what follows from writes.</summary>
public interface IConsequences
{
    /// <summary>Whose standing is stale; asked when a write begins and when it ends.</summary>
    IReadOnlyList<Guid> Stale(Db db);

    /// <summary>Whether what follows for so many is worked out at once.</summary>
    bool IsSoon(int touched);

    /// <param name="reconsidered">Whose decisions are looked at, and whether evidence of the past changed.</param>
    /// <param name="stale">Whose standing the write made stale.</param>
    void Follow(IReadOnlyDictionary<Guid, bool> reconsidered, IReadOnlyList<Guid> stale);
}

/// <summary>The one SQLite file of a club.</summary>
public sealed class Database
{
    private const int BusySeconds = 5;

    private readonly string path;
    private readonly string connectionString;
    private readonly AtlasCache atlas = new();
    private readonly ReadingCache readings = new();
    private readonly ReadingCache standings = new(2000);
    private readonly ReadingCache sessions = new();
    private readonly ReadingCache evidence = new();
    private readonly Lock writer = new();
    private ImmutableHashSet<Guid> following = [];
    private long writes;

    static Database() => Handlers.Register();

    /// <param name="folder">Where the file lies; made when it is missing.</param>
    /// <param name="name">Of the file.</param>
    public Database(string folder, string name = ClubFolder.File)
    {
        ClubFolder.Make(folder);
        path = Path.Combine(folder, name);
        connectionString = new SqliteConnectionStringBuilder
        {
            DataSource = path,
            ForeignKeys = true,
            Pooling = true,
            DefaultTimeout = BusySeconds,
        }.ToString();
    }

    /// <summary>
    /// Brings the file to the newest schema.
    /// </summary>
    /// <param name="log">Receives what is done.</param>
    /// <param name="shelf">Keeps a copy before a migration that changes anything; null: nobody does.</param>
    /// <exception cref="FileTroubleException">The file is newer, damaged or cannot be written: it stays as it is.</exception>
    public void Migrate(Action<string> log, BackupShelf? shelf = null)
    {
        try
        {
            Open(File.Exists(path), log, shelf);
        }
        catch (SqliteException e) when (ClubFolder.Told(e, path) is { } trouble)
        {
            throw trouble;
        }
    }

    private void Open(bool existed, Action<string> log, BackupShelf? shelf)
    {
        using var connection = Open();
        // Its log and its index of it are made with the rights of the file.
        ClubFolder.Guard(path);
        if (existed)
            Check(connection);
        connection.Execute("PRAGMA journal_mode = WAL");
        var evolve = new Evolve(connection, log)
        {
            EmbeddedResourceAssemblies = [typeof(Database).Assembly],
            EmbeddedResourceFilters = ["Cumbre.Storage.Migrations"],
            IsEraseDisabled = true,
            // One process owns the file, and SQLite locks it while a migration writes.
            EnableClusterMode = false,
        };
        if (existed && Applied(connection) is { } applied && applied < Newest())
            shelf?.Make(connection, BackupKind.Migration, TimeProvider.System.GetUtcNow());
        evolve.Migrate();
        WriteOnly(
            db =>
            {
                AuditChain.TakeOver(db);
                return true;
            },
            _ => true
        );
    }

    /// <summary>Nothing is written before this has passed.</summary>
    private void Check(SqliteConnection connection)
    {
        if (connection.ExecuteScalar<string>("PRAGMA quick_check(1)") != "ok")
            throw ClubFolder.Damaged(path);
        if (Applied(connection) is { } applied && applied > Newest())
            throw new FileTroubleException(
                FileTrouble.Newer,
                $"{path} was written by a newer Cumbre (file {applied}, this one knows {Newest()}): start that version."
            );
    }

    /// <summary>Can the file be read? Throws where it cannot.</summary>
    public void Probe() => Read(db => db.One<long>("SELECT count(*) FROM (SELECT 1 FROM athlete LIMIT 1)"));

    /// <summary>Works out what follows from a write, after its commit and outside its lock; null: nobody does.</summary>
    public IConsequences? Consequences { get; set; }

    /// <summary>Follows who may come in and what has ended; null: nobody does.</summary>
    public AccessMirror? Mirror { get; set; }

    /// <summary>Is told every statement of the stores, for a look at its plan.</summary>
    public Action<string>? Asked { get; set; }

    /// <summary>
    /// Grows with every committed write: what was read before it grew may be old. One process owns the file.
    /// </summary>
    public long Writes => Interlocked.Read(ref writes);

    /// <summary>Reads, without a transaction of its own.</summary>
    public T Read<T>(Func<Db, T> work)
    {
        using var connection = Open();
        return work(
            new(connection, null, atlas, readings)
            {
                Asked = Asked,
                Standings = standings,
                Sessions = sessions,
                Evidence = evidence,
                Following = following,
            }
        );
    }

    /// <summary>
    /// Writes in one transaction: all of it or nothing. It takes the write lock at once, so a read inside it stays
    /// true.
    /// </summary>
    public T Write<T>(Func<Db, T> work) => Write(work, _ => true);

    /// <summary>The same, where an answer can ask that nothing is kept.</summary>
    public T Write<T>(Func<Db, T> work, Func<T, bool> commit)
    {
        Guid[] stale = [];
        IReadOnlyDictionary<Guid, bool> reconsidered = new Dictionary<Guid, bool>();
        try
        {
            var result = WriteOnly(
                db =>
                {
                    var before = Consequences?.Stale(db) ?? [];
                    var result = work(db);
                    (stale, reconsidered) = ([.. (Consequences?.Stale(db) ?? []).Except(before)], db.Reconsidered);
                    if (Consequences?.IsSoon(stale.Length) == true)
                        ImmutableInterlocked.Update(ref following, (all, more) => all.Union(more), stale);
                    return result;
                },
                commit
            );
            if (commit(result))
                Consequences?.Follow(reconsidered, stale);
            return result;
        }
        finally
        {
            // Also when nothing was kept: otherwise an old standing would pass for one that is right in a moment.
            ImmutableInterlocked.Update(ref following, (all, done) => all.Except(done), stale);
        }
    }

    /// <summary>Writes, and nothing follows from it: for what follows itself.</summary>
    public T WriteOnly<T>(Func<Db, T> work, Func<T, bool> commit)
    {
        using var connection = Open();
        // Writers of this process wait in a row; SQLite would have each of them look again and again.
        using var turn = writer.EnterScope();
        using var transaction = connection.BeginTransaction(IsolationLevel.Serializable, deferred: false);
        var db = new Db(connection, transaction, atlas, readings)
        {
            Asked = Asked,
            Standings = standings,
            Sessions = sessions,
            Evidence = evidence,
        };
        var result = work(db);
        if (!commit(result))
            return result;
        var access = db.One<long>("SELECT seq FROM access_state");
        transaction.Commit();
        db.Publish();
        Interlocked.Increment(ref writes);
        if (Mirror is { } mirror && access != mirror.Seq)
            mirror.Write(connection, access);
        return result;
    }

    /// <summary>
    /// What was deleted leaves the file for good: it is written anew without its free pages, and the log of writes
    /// beside it is emptied. Other copies of the file stay.
    /// </summary>
    public void Forget()
    {
        using var connection = Open();
        using var turn = writer.EnterScope();
        connection.Execute("VACUUM");
        connection.Execute("PRAGMA wal_checkpoint(TRUNCATE)");
    }

    internal static int Newest() =>
        typeof(Database)
            .Assembly.GetManifestResourceNames()
            .Where(n => n.Contains(".Migrations.V", StringComparison.Ordinal))
            .Max(n =>
                int.Parse(n.Split(".Migrations.V")[1].Split("__")[0], System.Globalization.CultureInfo.InvariantCulture)
            );

    internal static int? Applied(SqliteConnection connection) =>
        connection.ExecuteScalar<long>("SELECT count(*) FROM sqlite_master WHERE name = 'changelog'") == 0
            ? null
            : (int?)
                connection.ExecuteScalar<long?>(
                    "SELECT max(CAST(version AS INTEGER)) FROM changelog WHERE success = 1 AND version IS NOT NULL"
                );

    /// <summary>What has ended is written where backups lie, if it is not there yet.</summary>
    public void Reflect()
    {
        using var connection = Open();
        Mirror?.Write(connection, connection.ExecuteScalar<long>("SELECT seq FROM access_state"));
    }

    /// <summary>A copy of the file as it is now, while others read and write.</summary>
    /// <exception cref="BackupException">It could not be written, or is not whole.</exception>
    public Backup BackUp(BackupShelf shelf, BackupKind kind, DateTimeOffset at)
    {
        using var connection = Open();
        return shelf.Make(connection, kind, at);
    }

    /// <summary>Nothing of this process holds the file any longer; a file that nobody holds has no log beside it.</summary>
    public void Release()
    {
        using var connection = new SqliteConnection(connectionString);
        SqliteConnection.ClearPool(connection);
    }

    private SqliteConnection Open()
    {
        var connection = new SqliteConnection(connectionString);
        connection.Open();
        // FULL: what an athlete logs and the app acknowledges survives a power cut.
        connection.Execute(
            $"PRAGMA busy_timeout = {BusySeconds * 1000}; PRAGMA synchronous = FULL; PRAGMA secure_delete = ON;"
        );
        return connection;
    }
}
