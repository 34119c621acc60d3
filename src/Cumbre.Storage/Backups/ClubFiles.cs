using Cumbre.Storage.Audit;

namespace Cumbre.Storage.Backups;

/// <summary>The file of a club with its backups, made ready to be served.</summary>
/// <param name="data">The folder of the club.</param>
/// <param name="backups">The folder of its backups, which may lie on another disk.</param>
public sealed class ClubFiles(string data, string backups)
{
    private readonly Lock one = new();

    public BackupShelf Shelf { get; } = new(backups);

    public AccessMirror Mirror { get; } = new(backups);

    /// <summary>What a restore would change.</summary>
    /// <exception cref="BackupException">The backup cannot be restored.</exception>
    /// <exception cref="FileTroubleException">It was written by a newer version.</exception>
    public RestorePreview Preview(Backup backup, DateTimeOffset at)
    {
        using var turn = one.EnterScope();
        return Restoring.Preview(data, Shelf, backup, Mirror, at);
    }

    /// <summary>Makes a backup ready: the next start puts it in the place of the file.</summary>
    /// <exception cref="BackupException">The backup cannot be restored: nothing was changed.</exception>
    /// <exception cref="FileTroubleException">It was written by a newer version.</exception>
    public RestorePreview Prepare(Backup backup, Guid? by, DateTimeOffset at)
    {
        using var turn = one.EnterScope();
        return Restoring.Prepare(data, Shelf, backup, Mirror, by, at);
    }

    /// <summary>
    /// Puts a restored file in its place, brings it to the newest schema, ends in it what has ended since it was
    /// written, and follows what ends from now on. The folder is held by this process.
    /// </summary>
    /// <param name="database">The file.</param>
    /// <param name="at">Now.</param>
    /// <param name="log">Receives what is done.</param>
    /// <param name="warn">Receives what a person should look at.</param>
    /// <exception cref="FileTroubleException">The file is newer, damaged or cannot be written: it stays as it is.</exception>
    /// <exception cref="BackupException">
    /// A copy before a migration cannot be written, or what has ended cannot be read.
    /// </exception>
    public void Open(Database database, DateTimeOffset at, Action<string> log, Action<string> warn)
    {
        // What a crash left half written; all of it can be made again.
        foreach (var left in Directory.EnumerateFiles(data, "*.part*"))
            File.Delete(left);
        var isRestored = Restoring.TakeNext(data);
        database.Migrate(log, Shelf);
        database.Release();
        if (Mirror.Apply(Path.Combine(data, ClubFolder.File), at) is { } ended)
        {
            warn(
                $"This file is older than what is known of its people: {ended.Persons} erased, {ended.Accounts} without "
                    + "access and all sign-ins stay ended."
            );
            if (!isRestored)
                database.WriteOnly(
                    db =>
                    {
                        AuditStore.Add(db, new(AuditKind.Restored) { After = "at the machine" }, at, null);
                        return true;
                    },
                    _ => true
                );
        }

        Restoring.PutAway(data, Shelf, warn);
        database.Mirror = Mirror;
        database.Reflect();
    }
}
