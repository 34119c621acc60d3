using Cumbre.Storage.Audit;
using Dapper;
using Microsoft.Data.Sqlite;

namespace Cumbre.Storage.Backups;

/// <summary>How much a file holds.</summary>
/// <param name="Athletes">In the roster and archived.</param>
/// <param name="Accounts">Who can sign in.</param>
/// <param name="Sessions">Planned and done.</param>
/// <param name="Sets">As they stand, corrections not counted twice.</param>
/// <param name="Tests">Results of tests.</param>
/// <param name="Blocks">With drafts.</param>
/// <param name="Decisions">Open and closed.</param>
/// <param name="LastDay">The newest day on which something was done; null: nothing was.</param>
public sealed record FileCounts(
    long Athletes,
    long Accounts,
    long Sessions,
    long Sets,
    long Tests,
    long Blocks,
    long Decisions,
    DateOnly? LastDay
);

/// <summary>An athlete of whom the two files hold different things.</summary>
/// <param name="Name">As it stands now, or in the backup where they are not here now.</param>
/// <param name="SetsNow">Null: they are not in the club now.</param>
/// <param name="SetsThen">Null: they would not be in it.</param>
public sealed record AthleteDifference(string Name, long? SetsNow, long? SetsThen);

/// <summary>What a restore would change.</summary>
/// <param name="Now">The file as it is; null: it cannot be read.</param>
/// <param name="Then">The file as it would be.</param>
/// <param name="Differs">Athletes of whom more or less would be there, by name; none where the file cannot be read.</param>
/// <param name="AccountsGone">Names of people who can sign in now and could not then.</param>
/// <param name="Ended">What of the backup would not come back, because it has ended since.</param>
/// <param name="KnowsEnds">It is known what has ended since; otherwise everybody of the backup comes back.</param>
/// <param name="Owners">Who could sign in as an owner.</param>
public sealed record RestorePreview(
    FileCounts? Now,
    FileCounts Then,
    IReadOnlyList<AthleteDifference> Differs,
    IReadOnlyList<string> AccountsGone,
    StaysEnded Ended,
    bool KnowsEnds,
    IReadOnlyList<string> Owners
);

/// <summary>A backup becomes the file of the club: made ready beside it, and put in its place with the next start.</summary>
internal static class Restoring
{
    private const string Next = ClubFolder.File + ".next",
        Part = Next + ".part",
        Replaced = ClubFolder.File + ".replaced";

    private static readonly string[] Logs = ["-wal", "-shm"];

    /// <summary>What it would change. The file that tells it is made and removed again.</summary>
    /// <exception cref="BackupException">The backup cannot be restored.</exception>
    /// <exception cref="FileTroubleException">It was written by a newer version.</exception>
    public static RestorePreview Preview(
        string data,
        BackupShelf shelf,
        Backup backup,
        AccessMirror mirror,
        DateTimeOffset at
    )
    {
        try
        {
            return Ready(data, shelf, backup, mirror, at).Preview;
        }
        finally
        {
            BackupShelf.Remove(Path.Combine(data, Part));
        }
    }

    /// <summary>Makes it ready; it takes the place of the file with the next start, which <see cref="TakeNext"/> does.</summary>
    /// <param name="data">The folder of the club.</param>
    /// <param name="shelf">Where the backup lies.</param>
    /// <param name="backup">Which.</param>
    /// <param name="mirror">Knows what has ended since.</param>
    /// <param name="by">Who asks for it; null: whoever is at the machine.</param>
    /// <param name="at">Now.</param>
    /// <exception cref="BackupException">The backup cannot be restored: nothing was changed.</exception>
    /// <exception cref="FileTroubleException">It was written by a newer version.</exception>
    public static RestorePreview Prepare(
        string data,
        BackupShelf shelf,
        Backup backup,
        AccessMirror mirror,
        Guid? by,
        DateTimeOffset at
    )
    {
        var part = Path.Combine(data, Part);
        try
        {
            var (copy, preview) = Ready(data, shelf, backup, mirror, at);
            copy.WriteOnly(
                db =>
                {
                    AccessMirror.SignOut(db);
                    AuditStore.Add(db, new(AuditKind.Restored) { After = backup.Name }, at, by);
                    return true;
                },
                _ => true
            );
            copy.Release();
            BackupShelf.Finish(part);
            File.Move(part, Path.Combine(data, Next), overwrite: true);
            return preview;
        }
        finally
        {
            BackupShelf.Remove(part);
        }
    }

    private static (Database Copy, RestorePreview Preview) Ready(
        string data,
        BackupShelf shelf,
        Backup backup,
        AccessMirror mirror,
        DateTimeOffset at
    )
    {
        var part = Path.Combine(data, Part);
        try
        {
            BackupShelf.Remove(part);
            using (var from = BackupShelf.Open(shelf.PathOf(backup), SqliteOpenMode.ReadOnly))
                BackupShelf.Copy(from, part);
            var copy = new Database(data, Part);
            copy.Migrate(_ => { });
            copy.Release();
            var ended = mirror.Apply(part, at);
            return (copy, Compare(Path.Combine(data, ClubFolder.File), part, ended, mirror));
        }
        catch (Exception e) when (e is SqliteException or IOException)
        {
            throw new BackupException($"{backup.Name} cannot be restored: {e.Message}", e);
        }
    }

    /// <summary>
    /// Puts a file that was made ready in its place, and finishes what a crash left half done. The file that was there
    /// stays beside it until it is on the shelf.
    /// </summary>
    /// <param name="data">The folder, which nobody serves.</param>
    /// <returns>Whether there was one.</returns>
    public static bool TakeNext(string data)
    {
        var (file, next) = (Path.Combine(data, ClubFolder.File), Path.Combine(data, Next));
        if (!File.Exists(next))
            return false;
        if (File.Exists(file))
        {
            Settle(file);
            File.Move(file, Path.Combine(data, Replaced), overwrite: true);
        }

        // The log beside the file is its own: the next file must not meet it.
        foreach (var log in Logs.Where(log => File.Exists(file + log)))
            File.Move(file + log, Path.Combine(data, Replaced + log), overwrite: true);
        File.Move(next, file);
        return true;
    }

    /// <summary>What lies beside the file since a restore or an earlier version goes onto the shelf.</summary>
    /// <param name="data">The folder of the club.</param>
    /// <param name="shelf">Takes it.</param>
    /// <param name="log">Is told what stays where it is, and why.</param>
    public static void PutAway(string data, BackupShelf shelf, Action<string> log)
    {
        foreach (
            var (path, kind) in Directory
                .EnumerateFiles(data, Replaced)
                .Select(p => (p, BackupKind.Replaced))
                .Concat(
                    Directory
                        .EnumerateFiles(data, ClubFolder.File + ".before-v*")
                        .Select(p => (p, BackupKind.Migration))
                )
                .ToArray()
        )
        {
            try
            {
                shelf.Adopt(path, kind, File.GetLastWriteTimeUtc(path));
            }
            catch (BackupException e)
            {
                log($"{path} stays where it is. {e.Message}");
            }
        }
    }

    /// <summary>What stands in the log of writes comes into the file; a damaged file stays as it is.</summary>
    private static void Settle(string file)
    {
        try
        {
            using var connection = BackupShelf.Open(file, SqliteOpenMode.ReadWrite);
            connection.Execute("PRAGMA wal_checkpoint(TRUNCATE)");
        }
        catch (SqliteException) { }
    }

    private static RestorePreview Compare(string now, string then, StaysEnded? ended, AccessMirror mirror)
    {
        using var after = BackupShelf.Open(then, SqliteOpenMode.ReadWrite);
        var (counts, athletes, accounts) = Look(after);
        var here = Readable(now);
        Dictionary<Guid, (string Name, long Sets)> before = here?.Athletes ?? [];
        return new(
            here?.Counts,
            counts,
            here is null
                ? []
                :
                [
                    .. before
                        .Keys.Union(athletes.Keys)
                        .Select(id =>
                        {
                            var (isNow, isThen) = (
                                before.TryGetValue(id, out var a),
                                athletes.TryGetValue(id, out var b)
                            );
                            return new AthleteDifference(
                                isNow ? a.Name : b.Name,
                                isNow ? a.Sets : null,
                                isThen ? b.Sets : null
                            );
                        })
                        .Where(d => d.SetsNow != d.SetsThen)
                        .OrderBy(d => d.Name, StringComparer.Ordinal),
                ],
            [.. (here?.Accounts ?? []).ExceptBy(accounts.Keys, a => a.Key).Select(a => a.Value).Order()],
            ended ?? new(0, 0, 0, 0),
            mirror.Knows(after),
            [
                .. after.Query<string>(
                    "SELECT sign_in_name FROM account WHERE role = 'owner' AND ended_at IS NULL ORDER BY sign_in_name"
                ),
            ]
        );
    }

    private static Contents? Readable(string path)
    {
        if (!File.Exists(path))
            return null;
        try
        {
            using var connection = BackupShelf.Open(path, SqliteOpenMode.ReadWrite);
            return Look(connection);
        }
        catch (SqliteException)
        {
            return null;
        }
    }

    private static Contents Look(SqliteConnection file)
    {
        const string standing = "s.withdrawn = 0 AND NOT EXISTS (SELECT 1 FROM logged_set n WHERE n.supersedes = s.id)";
        return new(
            file.QuerySingle<FileCounts>(
                $"""
                SELECT (SELECT count(*) FROM athlete) AS athletes,
                  (SELECT count(*) FROM account WHERE ended_at IS NULL) AS accounts,
                  (SELECT count(*) FROM session) AS sessions,
                  (SELECT count(*) FROM logged_set s WHERE {standing}) AS sets,
                  (SELECT count(*) FROM benchmark_result) AS tests,
                  (SELECT count(*) FROM block) AS blocks,
                  (SELECT count(*) FROM decision) AS decisions,
                  (SELECT max(day) FROM session WHERE status = 'Done') AS last_day
                """
            ),
            file.Query<(Guid Id, string Name, long Sets)>(
                    $"""
                    SELECT a.id, a.name, (
                      SELECT count(*) FROM session e JOIN session_item i ON i.session_id = e.id
                        JOIN logged_set s ON s.item_id = i.id
                      WHERE e.athlete_id = a.id AND {standing})
                    FROM athlete a
                    """
                )
                .ToDictionary(a => a.Id, a => (a.Name, a.Sets)),
            file.Query<(Guid Id, string Name)>("SELECT id, name FROM account WHERE ended_at IS NULL")
                .ToDictionary(a => a.Id, a => a.Name)
        );
    }

    private sealed record Contents(
        FileCounts Counts,
        Dictionary<Guid, (string Name, long Sets)> Athletes,
        Dictionary<Guid, string> Accounts
    );
}
