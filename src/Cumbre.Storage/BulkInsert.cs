using System.Globalization;
using Microsoft.Data.Sqlite;

namespace Cumbre.Storage;

/// <summary>
/// Adds many rows to a table by one prepared statement, past the rules that a person's own writes meet. Ids, days and
/// exact decimals lie as everywhere in the file.
/// </summary>
public sealed class BulkInsert : IDisposable
{
    private readonly SqliteCommand command;

    /// <param name="db">The connection, with its transaction.</param>
    /// <param name="table">Its name; of the code, never of a person.</param>
    /// <param name="columns">In the order of the values.</param>
    public BulkInsert(Db db, string table, params string[] columns)
        : this(db, table, columns, "") { }

    private BulkInsert(Db db, string table, string[] columns, string conflict)
    {
        command = db.Connection.CreateCommand();
        command.Transaction = db.Transaction;
        command.CommandText =
            $"INSERT INTO {table} ({string.Join(", ", columns)}) VALUES ({string.Join(", ", columns.Select((_, i) => "$" + i))}){conflict}";
        foreach (var i in Enumerable.Range(0, columns.Length))
            command.Parameters.Add(new SqliteParameter("$" + i, null));
        command.Prepare();
    }

    /// <summary>The same, where a row whose id is there already stays as it is.</summary>
    public static BulkInsert New(Db db, string table, params string[] columns) =>
        new(db, table, columns, " ON CONFLICT (id) DO NOTHING");

    /// <returns>False: a row of this id is there already.</returns>
    public bool Add(params object?[] values)
    {
        for (var i = 0; i < values.Length; i++)
            command.Parameters[i].Value = values[i] switch
            {
                null => DBNull.Value,
                Guid id => id.ToByteArray(bigEndian: true),
                DateOnly day => day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
                decimal number => number.ToString(CultureInfo.InvariantCulture),
                DateTimeOffset at => at.UtcDateTime.ToString(
                    "yyyy-MM-dd'T'HH:mm:ss.fff'Z'",
                    CultureInfo.InvariantCulture
                ),
                bool b => b ? 1L : 0L,
                Enum e => e.ToString(),
                var other => other,
            };
        return command.ExecuteNonQuery() > 0;
    }

    public void Dispose() => command.Dispose();
}
