using Cumbre.Storage.Ended;
using Cumbre.Storage.Privacy;
using Dapper;
using Microsoft.Data.Sqlite;

namespace Cumbre.Storage.Backups;

/// <summary>
/// Who was erased leaves the backups as well: each that holds them is written anew without them. It goes by what has ended,
/// so that what a crash or a full disk left undone is done the next time.
/// </summary>
public static class Forgetting
{
    /// <summary>
    /// The copy from before a migration, which is there for going back to the version that made it, is deleted instead;
    /// so is a backup that cannot be read.
    /// </summary>
    /// <param name="database">Knows who was erased.</param>
    /// <param name="shelf">Where the backups lie.</param>
    /// <param name="at">Now.</param>
    /// <returns>How many held somebody.</returns>
    /// <exception cref="BackupException">One could not be written anew: it stands as it was.</exception>
    public static int Run(Database database, BackupShelf shelf, DateTimeOffset at)
    {
        var erased = database.Read(db =>
            new[] { EndKind.Person, EndKind.Account }.ToDictionary(k => k, k => EndStore.Of(db, k))
        );
        if (erased.Values.All(e => e.Count == 0))
            return 0;
        var count = 0;
        foreach (var backup in shelf.All())
        {
            if (Held(shelf.PathOf(backup), erased) is not { } held)
                shelf.Remove(backup);
            else if (held.Count == 0)
                continue;
            else if (backup.Kind == BackupKind.Migration)
                shelf.Remove(backup);
            else
                shelf.Rewrite(backup, db => Remove(db, held, at));
            count++;
        }

        return count;
    }

    /// <summary>How many backups hold an athlete; they do no longer once <see cref="Run"/> has been.</summary>
    public static int Count(BackupShelf shelf, Guid athleteId)
    {
        var erased = new Dictionary<EndKind, IReadOnlySet<string>>
        {
            [EndKind.Person] = new HashSet<string> { EndStore.Text(EndKind.Person, athleteId) },
        };
        return shelf.All().Count(b => Held(shelf.PathOf(b), erased) is not { Count: 0 });
    }

    /// <summary>Null: it cannot be read.</summary>
    private static IReadOnlyList<(EndKind Kind, Guid Id)>? Held(
        string path,
        IReadOnlyDictionary<EndKind, IReadOnlySet<string>> erased
    )
    {
        try
        {
            using var connection = BackupShelf.Open(path, SqliteOpenMode.ReadOnly);
            return
            [
                .. erased.SelectMany(e =>
                    connection
                        .Query<Guid>($"SELECT id FROM {(e.Key == EndKind.Person ? "athlete" : "account")}")
                        .Where(id => e.Value.Contains(EndStore.Text(e.Key, id)))
                        .Select(id => (e.Key, id))
                ),
            ];
        }
        catch (SqliteException)
        {
            return null;
        }
    }

    private static void Remove(Db db, IReadOnlyList<(EndKind Kind, Guid Id)> held, DateTimeOffset at)
    {
        foreach (var (kind, id) in held)
        {
            // An account goes with its athlete.
            if (kind == EndKind.Account)
                Erasure.Account(db, id, at);
            else if (db.One<string>("SELECT name FROM athlete WHERE id = @id", new { id }) is { } name)
                Erasure.Run(db, id, name, at);
        }
    }
}
