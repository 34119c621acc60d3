using Cumbre.Storage.Ended;
using Cumbre.Storage.Privacy;
using Dapper;
using Microsoft.Data.Sqlite;

namespace Cumbre.Storage.Backups;

/// <summary>Somebody leaves the backups as well: each that holds them is written anew without them.</summary>
public static class Forgetting
{
    /// <summary>
    /// The copy from before a migration, which is there for going back to the version that made it, is deleted instead;
    /// so is a backup that cannot be read.
    /// </summary>
    /// <param name="shelf">Where they lie.</param>
    /// <param name="kind">An athlete or an account.</param>
    /// <param name="id">Of theirs.</param>
    /// <param name="at">Now.</param>
    /// <returns>How many held them.</returns>
    /// <exception cref="BackupException">One could not be written anew: it stands as it was.</exception>
    public static int Run(BackupShelf shelf, EndKind kind, Guid id, DateTimeOffset at)
    {
        var count = 0;
        foreach (var backup in shelf.All())
        {
            if (Holds(shelf.PathOf(backup), kind, id) is not { } holds)
                shelf.Remove(backup);
            else if (!holds)
                continue;
            else if (backup.Kind == BackupKind.Migration)
                shelf.Remove(backup);
            else
                shelf.Rewrite(backup, db => Remove(db, kind, id, at));
            count++;
        }

        return count;
    }

    /// <summary>Null: it cannot be read.</summary>
    private static bool? Holds(string path, EndKind kind, Guid id)
    {
        try
        {
            using var connection = BackupShelf.Open(path, SqliteOpenMode.ReadOnly);
            return connection.ExecuteScalar<long>(
                    $"SELECT count(*) FROM {(kind == EndKind.Person ? "athlete" : "account")} WHERE id = @id",
                    new { id }
                ) > 0;
        }
        catch (SqliteException)
        {
            return null;
        }
    }

    private static void Remove(Db db, EndKind kind, Guid id, DateTimeOffset at)
    {
        if (kind == EndKind.Account)
            Erasure.Account(db, id, at);
        else
            Erasure.Run(db, id, db.One<string>("SELECT name FROM athlete WHERE id = @id", new { id })!, at);
    }
}
