using System.Text.Json;
using System.Text.RegularExpressions;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Ended;

namespace Cumbre.Storage.Privacy;

/// <summary>What was erased: figures, and nothing of the person.</summary>
/// <param name="Rows">How many rows, by table.</param>
/// <param name="Mentions">Words of others in which the name was struck out.</param>
/// <param name="Messages">Files of the outbox.</param>
/// <param name="Copies">Older copies of the file that held the person.</param>
public sealed record ErasureReceipt(IReadOnlyDictionary<string, int> Rows, int Mentions, int Messages, int Copies);

/// <summary>Removes a person from the file for good.</summary>
public static class Erasure
{
    /// <summary>Stands where a name was mentioned in words of others.</summary>
    public const string StruckOut = "(erased)";

    /// <summary>A name of one word in one or two letters would strike out parts of other words.</summary>
    private const int NameLeast = 3;

    /// <summary>What an entry of the audit says is sealed: it goes as a whole.</summary>
    private const string Sealed = "audit_value";

    private const string Guard = "logged_set_is_append_only";

    /// <summary>Every row of an athlete; then their name in the words of others, unless somebody else has the same.</summary>
    /// <param name="db">In a transaction.</param>
    /// <param name="athleteId">Whose rows.</param>
    /// <param name="name">As it stood in the roster.</param>
    /// <param name="at">When: no backup brings them back from then on.</param>
    /// <returns>How many rows by table, and in how many words of others the name was struck out.</returns>
    public static (IReadOnlyDictionary<string, int> Rows, int Mentions) Run(
        Db db,
        Guid athleteId,
        string name,
        DateTimeOffset at
    )
    {
        var rows = new SortedDictionary<string, int>(StringComparer.Ordinal);
        foreach (var own in PersonalData.Rows)
        {
            var gone = db.Run($"DELETE FROM {own.Table} WHERE {own.Of}", new { id = athleteId });
            if (gone > 0)
                rows[own.Table] = gone;
        }

        EndStore.Note(db, EndKind.Person, at, athleteId);
        foreach (
            var guardian in db.Query<Guid>(
                "SELECT id FROM account WHERE role = 'guardian' AND id NOT IN (SELECT account_id FROM guardian)"
            )
        )
            Account(db, guardian, at);
        return (rows, StrikeOut(db, name));
    }

    /// <summary>
    /// Removes an account for good, with its sign-ins, what the audit says of it, and its name in the words of others.
    /// </summary>
    /// <param name="db">In a transaction.</param>
    /// <param name="id">Of the account.</param>
    /// <param name="at">When: no backup brings it back from then on.</param>
    public static void Account(Db db, Guid id, DateTimeOffset at)
    {
        EndStore.Note(db, EndKind.Account, at, id);
        var name = AccountStore.ById(db, id)?.Name ?? "";
        db.Run("DELETE FROM audit_value WHERE account_id = @id AND athlete_id IS NULL", new { id });
        db.Run("DELETE FROM audit_value WHERE subject_id = @id", new { id });
        db.Run("DELETE FROM account WHERE id = @id", new { id });
        StrikeOut(db, name);
    }

    /// <summary>Keeps that it was done.</summary>
    /// <param name="db">In a transaction.</param>
    /// <param name="id">Of the receipt.</param>
    /// <param name="receipt">What was erased.</param>
    /// <param name="at">When.</param>
    /// <param name="by">The account; null: the club's rule on how long it keeps people.</param>
    public static void Keep(Db db, Guid id, ErasureReceipt receipt, DateTimeOffset at, Guid? by) =>
        db.Run(
            """
            INSERT INTO erasure (id, at, by, rows_json, mentions, messages, copies)
            VALUES (@id, @at, @by, @rows, @Mentions, @Messages, @Copies)
            """,
            new
            {
                id,
                at,
                by,
                rows = JsonSerializer.Serialize(receipt.Rows),
                receipt.Mentions,
                receipt.Messages,
                receipt.Copies,
            }
        );

    /// <summary>The receipts, the newest first.</summary>
    public static IReadOnlyList<(DateTimeOffset At, Guid? By, ErasureReceipt Receipt)> Kept(Db db) =>
        [
            .. db.Query<ReceiptRow>(
                    "SELECT at, by, rows_json, mentions, messages, copies FROM erasure ORDER BY at DESC, id DESC"
                )
                .Select(r =>
                    (
                        r.At,
                        r.By,
                        new ErasureReceipt(
                            JsonSerializer.Deserialize<SortedDictionary<string, int>>(r.RowsJson)!,
                            (int)r.Mentions,
                            (int)r.Messages,
                            (int)r.Copies
                        )
                    )
                ),
        ];

    private sealed record ReceiptRow(
        DateTimeOffset At,
        Guid? By,
        string RowsJson,
        long Mentions,
        long Messages,
        long Copies
    );

    private static int StrikeOut(Db db, string name)
    {
        if (
            name.Length < NameLeast
            || db.One<long>(
                "SELECT (SELECT count(*) FROM athlete WHERE name = @name) + (SELECT count(*) FROM account WHERE name = @name)",
                new { name }
            ) > 0
        )
            return 0;
        // Logged sets are append-only, but for the name of somebody who is gone.
        var guard = db.One<string>("SELECT sql FROM sqlite_master WHERE name = @Guard", new { Guard });
        db.Run($"DROP TRIGGER {Guard}");
        var struck = 0;
        // As it is read, and as JSON may write it.
        foreach (var written in new[] { name, JsonSerializer.Serialize(name)[1..^1] }.Distinct(StringComparer.Ordinal))
        foreach (var (table, column) in Words(db))
            struck += StrikeOut(db, table, column, written);
        db.Run(guard!);
        return struck;
    }

    private static int StrikeOut(Db db, string table, string column, string name)
    {
        var whole = new Regex($@"(?<!\w){Regex.Escape(name)}(?!\w)", RegexOptions.CultureInvariant);
        var struck = 0;
        foreach (
            var found in db.Query<(long Row, string Text)>(
                $"SELECT rowid, {column} FROM {table} WHERE instr({column}, @name) > 0",
                new { name }
            )
        )
        {
            var rest = whole.Replace(found.Text, StruckOut);
            if (rest == found.Text)
                continue;
            db.Run(
                table == Sealed
                    ? $"DELETE FROM {table} WHERE rowid = @row"
                    : $"UPDATE {table} SET {column} = @rest WHERE rowid = @row",
                new { rest, row = found.Row }
            );
            struck++;
        }

        return struck;
    }

    /// <summary>Columns of words in tables that hold them row by row.</summary>
    private static IReadOnlyList<(string Table, string Column)> Words(Db db) =>
        db.Query<(string Table, string Column)>(
            """
            SELECT m.name, c.name FROM sqlite_master m JOIN pragma_table_info(m.name) c
            WHERE m.type = 'table' AND c.type = 'TEXT' AND m.name NOT LIKE 'sqlite\_%' ESCAPE '\'
              AND m.name <> 'changelog' AND m.sql NOT LIKE '%WITHOUT ROWID%'
            ORDER BY m.name, c.cid
            """
        );
}
