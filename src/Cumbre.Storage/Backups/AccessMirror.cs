using Cumbre.Storage.Ended;
using Cumbre.Storage.Privacy;
using Dapper;
using Microsoft.Data.Sqlite;

namespace Cumbre.Storage.Backups;

/// <summary>What of a copy did not come back, because it has ended since.</summary>
/// <param name="Persons">Athletes who were erased.</param>
/// <param name="Accounts">Accounts that were removed, or whose access has ended.</param>
/// <param name="Given">Athletes and groups that a coach no longer has.</param>
/// <param name="Consents">Consents that were withdrawn.</param>
public sealed record StaysEnded(int Persons, int Accounts, int Given, int Consents);

/// <summary>
/// Who may come in and what has ended, in a small file beside the backups that follows every change. A file of the club
/// that is older than it was put back from somewhere: what has ended since ends in it again, before anybody is served.
/// </summary>
/// <param name="folder">Of the backups.</param>
public sealed class AccessMirror(string folder)
{
    private readonly Lock one = new();
    private long seq = -1;

    /// <summary>
    /// Each club has one, by the instant at which it was made: a new club in the place of a lost one does not write over
    /// what was known of that one. Null: nobody owns the file yet.
    /// </summary>
    private string? PathFor(SqliteConnection file) =>
        file.ExecuteScalar<string>("SELECT created_at FROM main.club") is { } made
            ? Path.Combine(folder, $"access-{string.Concat(made.Where(char.IsAsciiDigit))}.db")
            : null;

    /// <summary>Whether anything is known of what has ended in this club.</summary>
    internal bool Knows(SqliteConnection file) => File.Exists(PathFor(file));

    /// <summary>Of the state that was written last; every change grows it.</summary>
    internal long Seq => Interlocked.Read(ref seq);

    /// <summary>Why it does not follow at the moment; null: it does.</summary>
    public Exception? Trouble { get; private set; }

    /// <summary>
    /// Writes it anew. Where that fails, for instance on a full disk, the next write of the club tries again: what was
    /// committed stays committed.
    /// </summary>
    /// <param name="of">The file of the club, after a commit.</param>
    /// <param name="at">Its state.</param>
    internal void Write(SqliteConnection of, long at)
    {
        using var turn = one.EnterScope();
        if (at <= Seq)
            return;
        try
        {
            if (PathFor(of) is { } path)
                Interlocked.Exchange(ref seq, Rewrite(of, path));
            Trouble = null;
        }
        catch (Exception e) when (e is SqliteException or IOException or UnauthorizedAccessException)
        {
            Trouble = e;
        }
    }

    private long Rewrite(SqliteConnection of, string path)
    {
        ClubFolder.Make(folder);
        var part = path + ".part";
        File.Delete(part);
        using (File.Open(part, FileMode.CreateNew)) { }
        ClubFolder.Guard(part);
        of.Execute("ATTACH @part AS mirror", new { part });
        long written;
        try
        {
            of.Execute(
                """
                BEGIN;
                CREATE TABLE mirror.account AS
                  SELECT id, role, some_only, ended_at, password_hash FROM main.account;
                CREATE TABLE mirror.second_factor AS
                  SELECT account_id, secret, begun_at, last_step FROM main.second_factor;
                CREATE TABLE mirror.recovery_code AS SELECT account_id, code_hash FROM main.recovery_code;
                CREATE TABLE mirror.guardian AS SELECT account_id, athlete_id, until FROM main.guardian;
                CREATE TABLE mirror.ended AS SELECT kind, key_hash, at FROM main.ended;
                CREATE TABLE mirror.erasure AS
                  SELECT id, at, by, rows_json, mentions, messages, copies FROM main.erasure;
                CREATE TABLE mirror.access_state AS SELECT seq FROM main.access_state;
                COMMIT;
                """
            );
            written = of.ExecuteScalar<long>("SELECT seq FROM mirror.access_state");
        }
        finally
        {
            if (SQLitePCL.raw.sqlite3_get_autocommit(of.Handle) == 0)
                of.Execute("ROLLBACK");
            of.Execute("DETACH mirror");
        }

        File.Move(part, path, overwrite: true);
        return written;
    }

    /// <summary>
    /// Ends in a file what has ended since it was copied, and signs everybody out of it. A file that is no older than
    /// what is known here stays as it is.
    /// </summary>
    /// <param name="path">Of the newest schema; nobody is served from it.</param>
    /// <param name="at">Now.</param>
    /// <returns>What stayed ended; null: the file is no older.</returns>
    /// <exception cref="BackupException">What has ended cannot be read: the file would bring it back.</exception>
    internal StaysEnded? Apply(string path, DateTimeOffset at)
    {
        using var connection = BackupShelf.Open(path, SqliteOpenMode.ReadWrite);
        var known = PathFor(connection);
        if (!File.Exists(known))
            return null;
        try
        {
            connection.Execute("PRAGMA secure_delete = ON; ATTACH @known AS mirror", new { known });
            if (
                connection.ExecuteScalar<long>("SELECT seq FROM mirror.access_state")
                <= connection.ExecuteScalar<long>("SELECT seq FROM main.access_state")
            )
                return null;
        }
        catch (SqliteException e)
        {
            throw new BackupException(
                $"{known} cannot be read: it says who was erased and whose access has ended since the backup. "
                    + "Put the newest copy of it in its place, or remove it if there is none.",
                e
            );
        }

        StaysEnded ended;
        using (var transaction = connection.BeginTransaction())
        {
            ended = End(new(connection, transaction, new(), new()), at);
            transaction.Commit();
        }

        connection.Execute("DETACH mirror");
        // What was deleted leaves the file.
        connection.Execute("VACUUM");
        return ended;
    }

    private static StaysEnded End(Db db, DateTimeOffset at)
    {
        db.Run("DELETE FROM ended");
        db.Run("INSERT INTO ended (kind, key_hash, at) SELECT kind, key_hash, at FROM mirror.ended");
        db.Run(
            """
            INSERT OR IGNORE INTO erasure (id, at, by, rows_json, mentions, messages, copies)
            SELECT id, at, by, rows_json, mentions, messages, copies FROM mirror.erasure
            """
        );
        var persons = Persons(db, at);
        SignOut(db);
        var accounts = Accounts(db, at);
        var given = Given(db);
        var consents = Consents(db, at);
        db.Run("UPDATE access_state SET seq = (SELECT seq + 1 FROM mirror.access_state)");
        return new(persons, accounts, given, consents);
    }

    /// <summary>Every device signs in again, and no link that was open lets anybody in.</summary>
    internal static void SignOut(Db db)
    {
        foreach (var table in (string[])["sign_in", "known_device", "failed_try", "link"])
            db.Run($"DELETE FROM {table}");
    }

    private static int Persons(Db db, DateTimeOffset at)
    {
        var erased = EndStore.Of(db, EndKind.Person);
        var count = 0;
        foreach (var (id, name) in db.Query<(Guid Id, string Name)>("SELECT id, name FROM athlete"))
        {
            if (!erased.Contains(EndStore.Text(EndKind.Person, id)))
                continue;
            Erasure.Run(db, id, name, at);
            count++;
        }

        return count;
    }

    /// <summary>Of accounts that both know, what is known here holds: password, second factor, role and end.</summary>
    private static int Accounts(Db db, DateTimeOffset at)
    {
        var removed = EndStore.Of(db, EndKind.Account);
        var count = 0;
        foreach (var id in db.Query<Guid>("SELECT id FROM account"))
        {
            if (!removed.Contains(EndStore.Text(EndKind.Account, id)))
                continue;
            Erasure.Account(db, id, at);
            count++;
        }

        count += (int)
            db.One<long>(
                """
                SELECT count(*) FROM account a JOIN mirror.account m ON m.id = a.id
                WHERE a.ended_at IS NULL AND m.ended_at IS NOT NULL
                """
            );
        db.Run(
            """
            UPDATE account SET some_only = m.some_only, role = m.role, ended_at = m.ended_at,
              password_hash = m.password_hash
            FROM mirror.account m WHERE m.id = account.id
            """
        );
        const string known = "account_id IN (SELECT id FROM mirror.account)";
        db.Run($"DELETE FROM recovery_code WHERE {known}");
        db.Run($"DELETE FROM second_factor WHERE {known}");
        db.Run(
            """
            INSERT INTO second_factor (account_id, secret, begun_at, last_step)
            SELECT account_id, secret, begun_at, last_step FROM mirror.second_factor
            WHERE account_id IN (SELECT id FROM account)
            """
        );
        db.Run(
            """
            INSERT INTO recovery_code (account_id, code_hash) SELECT account_id, code_hash FROM mirror.recovery_code
            WHERE account_id IN (SELECT id FROM account)
            """
        );
        db.Run(
            """
            UPDATE guardian SET until = m.until FROM mirror.guardian m
            WHERE m.account_id = guardian.account_id AND m.athlete_id = guardian.athlete_id
            """
        );
        return count;
    }

    private static int Given(Db db)
    {
        var count = 0;
        foreach (
            var (kind, table, column) in new[]
            {
                (EndKind.CoachOf, "coach_athlete", "athlete_id"),
                (EndKind.CoachOfGroup, "coach_group", "group_id"),
            }
        )
        {
            var ended = EndStore.Of(db, kind);
            foreach (
                var (account, of) in db.Query<(Guid Account, Guid Of)>($"SELECT account_id, {column} FROM {table}")
            )
                if (ended.Contains(EndStore.Text(kind, account, of)))
                    count += db.Run(
                        $"DELETE FROM {table} WHERE account_id = @account AND {column} = @of",
                        new { account, of }
                    );
        }

        return count;
    }

    private static int Consents(Db db, DateTimeOffset at)
    {
        var withdrawn = EndStore.Of(db, EndKind.Consent);
        var count = 0;
        foreach (
            var (id, athlete) in db.Query<(Guid Id, Guid Athlete)>(
                "SELECT id, athlete_id FROM consent WHERE withdrawn_at IS NULL"
            )
        )
        {
            if (!withdrawn.Contains(EndStore.Text(EndKind.Consent, id)))
                continue;
            count += db.Run("UPDATE consent SET withdrawn_at = @at WHERE id = @id", new { id, at });
            if (ConsentStore.WithdrawnAt(db, athlete) is not null)
                ConsentStore.NoteGuardian(db, athlete, false);
        }

        return count;
    }
}
