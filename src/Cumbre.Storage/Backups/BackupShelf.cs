using System.Globalization;
using Dapper;
using Microsoft.Data.Sqlite;

namespace Cumbre.Storage.Backups;

/// <summary>Why a backup was made.</summary>
public enum BackupKind
{
    /// <summary>By itself, once a day.</summary>
    Daily,

    /// <summary>Before a new version changed the file.</summary>
    Migration,

    /// <summary>Somebody asked for it.</summary>
    Asked,

    /// <summary>The file as it was before a restore.</summary>
    Replaced,
}

/// <summary>A copy of the file.</summary>
/// <param name="Name">Of its file, without a folder.</param>
/// <param name="Kind">Why it was made.</param>
/// <param name="At">When, to the second.</param>
/// <param name="Bytes">Its length.</param>
public sealed record Backup(string Name, BackupKind Kind, DateTimeOffset At, long Bytes);

/// <summary>A backup could not be made or read: the file of the club is as it was.</summary>
/// <param name="told">A plain sentence.</param>
public sealed class BackupException(string told, Exception? inner = null) : Exception(told, inner);

/// <summary>
/// The folder of a club's backups, each a database file of its own. A file stands under its name only after it was
/// written to the disk and read back whole.
/// </summary>
/// <param name="folder">Made with the first backup, for its owner alone.</param>
public sealed class BackupShelf(string folder)
{
    private const string Stamp = "yyyyMMdd'T'HHmmss'Z'",
        Prefix = "club-",
        Suffix = ".db",
        Unfinished = ".part";

    private readonly Lock one = new();

    public string Folder => folder;

    /// <summary>The newest first.</summary>
    public IReadOnlyList<Backup> All() =>
        !Directory.Exists(folder)
            ? []
            :
            [
                .. Directory
                    .EnumerateFiles(folder, $"{Prefix}*{Suffix}")
                    .Select(Read)
                    .OfType<Backup>()
                    .OrderByDescending(b => b.At)
                    .ThenByDescending(b => b.Name, StringComparer.Ordinal),
            ];

    /// <summary>Null: there is none of this name.</summary>
    public Backup? Find(string name) => All().FirstOrDefault(b => b.Name == name);

    public string PathOf(Backup backup) => Path.Combine(folder, backup.Name);

    /// <summary>Copies page by page by the database's own means, checks the copy, and gives it its name.</summary>
    /// <param name="from">The file; others read and write it meanwhile.</param>
    /// <param name="kind">Why.</param>
    /// <param name="at">When; two of one second get names of their own.</param>
    /// <exception cref="BackupException">It could not be written, or is not whole.</exception>
    internal Backup Make(SqliteConnection from, BackupKind kind, DateTimeOffset at)
    {
        using var turn = one.EnterScope();
        var path = Free(kind, at);
        var part = path + Unfinished;
        try
        {
            ClubFolder.Make(folder);
            // What a crash left half written.
            foreach (var left in Directory.EnumerateFiles(folder, $"{Prefix}*{Unfinished}*"))
                File.Delete(left);
            Copy(from, part);
            File.Move(part, path);
        }
        catch (Exception e) when (e is SqliteException or IOException or BackupException or UnauthorizedAccessException)
        {
            if (File.Exists(part))
                Remove(part);
            throw new BackupException($"No backup was written to {folder}: {e.Message}", e);
        }

        return Read(path)!;
    }

    /// <summary>Writes a copy to a new file and reads it back; what cannot be read back stays behind.</summary>
    /// <exception cref="BackupException">The copy is not whole.</exception>
    internal static void Copy(SqliteConnection from, string path)
    {
        // Before the first byte of what is known of people.
        using (File.Open(path, FileMode.CreateNew)) { }
        ClubFolder.Guard(path);
        using var to = Open(path, SqliteOpenMode.ReadWrite);
        to.Execute("PRAGMA synchronous = FULL");
        from.BackupDatabase(to);
        // One file, which can be carried elsewhere by itself.
        to.Execute("PRAGMA journal_mode = DELETE");
        Check(to);
    }

    /// <exception cref="BackupException">The file is not whole.</exception>
    internal static void Check(SqliteConnection connection)
    {
        string? found;
        try
        {
            found = connection.ExecuteScalar<string>("PRAGMA integrity_check(1)");
        }
        catch (SqliteException e)
        {
            throw new BackupException($"the copy cannot be read ({e.Message})", e);
        }

        if (found != "ok")
            throw new BackupException($"the copy is not whole ({found})");
    }

    /// <summary>A connection that no pool keeps: the file can be moved once it is closed.</summary>
    internal static SqliteConnection Open(string path, SqliteOpenMode mode)
    {
        var connection = new SqliteConnection(
            new SqliteConnectionStringBuilder
            {
                DataSource = path,
                Mode = mode,
                Pooling = false,
                ForeignKeys = true,
            }.ToString()
        );
        connection.Open();
        return connection;
    }

    /// <summary>Changes a backup: a copy of it in the newest schema takes its place once it is whole.</summary>
    /// <exception cref="BackupException">It stands as it was.</exception>
    internal void Rewrite(Backup backup, Action<Db> change)
    {
        using var turn = one.EnterScope();
        if (!File.Exists(PathOf(backup)))
            return;
        var part = backup.Name + Unfinished;
        var path = Path.Combine(folder, part);
        try
        {
            Remove(path);
            using (var from = Open(PathOf(backup), SqliteOpenMode.ReadOnly))
                Copy(from, path);
            var copy = new Database(folder, part);
            copy.Migrate(_ => { });
            copy.WriteOnly(
                db =>
                {
                    change(db);
                    return true;
                },
                _ => true
            );
            copy.Release();
            Finish(path);
            File.Move(path, PathOf(backup), overwrite: true);
        }
        catch (Exception e) when (e is SqliteException or IOException or BackupException or FileTroubleException)
        {
            Remove(path);
            throw new BackupException($"{PathOf(backup)} could not be written anew: {e.Message}", e);
        }
    }

    /// <summary>Nothing that was deleted stays in it, no log lies beside it, and it is whole.</summary>
    internal static void Finish(string path)
    {
        using var connection = Open(path, SqliteOpenMode.ReadWrite);
        connection.Execute("PRAGMA wal_checkpoint(TRUNCATE); VACUUM; PRAGMA journal_mode = DELETE");
        Check(connection);
    }

    /// <summary>
    /// Removes what is kept by no rule: it goes by how many there are and not by how old they are, so that a clock that
    /// was wrong takes none away.
    /// </summary>
    /// <returns>What was removed.</returns>
    public IReadOnlyList<Backup> Rotate()
    {
        using var turn = one.EnterScope();
        Backup[] gone = [.. Rotation.Gone(All())];
        foreach (var backup in gone)
            File.Delete(PathOf(backup));
        return gone;
    }

    public void Remove(Backup backup) => Remove(PathOf(backup));

    /// <summary>Takes a copy that lies elsewhere onto the shelf; one that is not whole stays where it is.</summary>
    /// <exception cref="BackupException">It is not whole, or could not be written.</exception>
    public void Adopt(string path, BackupKind kind, DateTimeOffset at)
    {
        try
        {
            using (var from = Open(path, SqliteOpenMode.ReadOnly))
                Make(from, kind, at);
        }
        catch (SqliteException e)
        {
            throw new BackupException($"{path} cannot be read: {e.Message}", e);
        }

        Remove(path);
    }

    /// <summary>A file of the database, with what SQLite keeps beside it.</summary>
    internal static void Remove(string path)
    {
        foreach (var file in new[] { path, $"{path}-journal", $"{path}-wal", $"{path}-shm" })
            File.Delete(file);
    }

    private string Free(BackupKind kind, DateTimeOffset at)
    {
        for (var second = at; ; second = second.AddSeconds(1))
        {
            var name = Path.Combine(
                folder,
                $"{Prefix}{second.UtcDateTime.ToString(Stamp, CultureInfo.InvariantCulture)}-{kind}{Suffix}"
            );
            if (!File.Exists(name))
                return name;
        }
    }

    private static Backup? Read(string path)
    {
        var name = Path.GetFileName(path);
        return
            name[Prefix.Length..^Suffix.Length].Split('-') is [var at, var kind]
            && Enum.TryParse<BackupKind>(kind, out var known)
            && DateTimeOffset.TryParseExact(
                at,
                Stamp,
                CultureInfo.InvariantCulture,
                DateTimeStyles.AssumeUniversal,
                out var instant
            )
            ? new(name, known, instant, new FileInfo(path).Length)
            : null;
    }
}

/// <summary>Which backups are kept; this project's choice.</summary>
public static class Rotation
{
    /// <summary>Of one kind, the newest.</summary>
    public const int Days = 7,
        Weeks = 5,
        Months = 12,
        Asked = 10,
        Migrations = 3,
        ReplacedFiles = 3;

    /// <summary>
    /// Of those made daily the newest seven, then the newest of each of five weeks and of each of twelve months that have
    /// one; of the others the newest of their kind.
    /// </summary>
    public static IEnumerable<Backup> Gone(IReadOnlyList<Backup> all) =>
        all.GroupBy(b => b.Kind).SelectMany(g => g.Except(Kept(g.Key, [.. g.OrderByDescending(b => b.At)])));

    private static IEnumerable<Backup> Kept(BackupKind kind, IReadOnlyList<Backup> newestFirst) =>
        kind switch
        {
            BackupKind.Daily =>
            [
                .. newestFirst.Take(Days),
                .. newestFirst
                    .DistinctBy(b => (ISOWeek.GetYear(b.At.UtcDateTime), ISOWeek.GetWeekOfYear(b.At.UtcDateTime)))
                    .Take(Weeks),
                .. newestFirst.DistinctBy(b => (b.At.Year, b.At.Month)).Take(Months),
            ],
            BackupKind.Migration => newestFirst.Take(Migrations),
            BackupKind.Asked => newestFirst.Take(Asked),
            _ => newestFirst.Take(ReplacedFiles),
        };
}
