using System.Text.Json;
using System.Text.Json.Nodes;
using Cumbre.Storage.Ended;
using Cumbre.Storage.Privacy;
using Microsoft.Data.Sqlite;

namespace Cumbre.Storage.Exchange;

/// <summary>An archive does not fit the file.</summary>
/// <param name="place">As a path.</param>
public sealed class ArchiveException(string place, Exception? inner = null) : Exception("It does not fit.", inner)
{
    public string Place { get; } = place;
}

/// <summary>
/// What is known of the training of an athlete as rows, to be carried into another club. Accounts, consents, notes of who
/// did what and who may see whom stay where they are: they are true of one club alone.
/// </summary>
public static class ArchiveStore
{
    private static readonly string[] Carried =
    [
        "athlete",
        "athlete_clearance",
        "athlete_complaint",
        "athlete_goal",
        "athlete_school",
        "kit_piece",
        "kit_book",
        "body_mass",
        "benchmark_result",
        "coach_placement",
        "stop_clearance",
        "other_training",
        "check_in",
        "block",
        "block_generated",
        "block_version",
        "session",
        "session_item",
        "morning_answer",
        "logged_set",
        "decision",
        "decision_event",
    ];

    /// <summary>True of one club alone: the evening of a test, and the file with which something came.</summary>
    private static readonly string[] Left = ["import_no", "test_day_id"];

    /// <summary>By table, each row with its columns, as in the export of a person.</summary>
    public static JsonObject Of(Db db, Guid athleteId) =>
        PersonalRecords.Of(db, athleteId, PersonalData.Rows.Where(r => Carried.Contains(r.Table)), Left);

    /// <summary>Puts an athlete's rows into the file.</summary>
    /// <param name="db">The connection.</param>
    /// <param name="records">By table.</param>
    /// <param name="no">Of the file with which they come.</param>
    /// <param name="place">Of the records, for what is wrong with them.</param>
    /// <returns>Rows by table.</returns>
    /// <exception cref="ArchiveException">A table, a column or a value is none of this file's.</exception>
    public static IReadOnlyDictionary<string, int> Add(Db db, JsonObject records, long no, string place)
    {
        db.Run("PRAGMA defer_foreign_keys = ON");
        var byName = Carried.ToDictionary(PersonalRecords.Camel);
        if (records.Select(t => t.Key).FirstOrDefault(t => !byName.ContainsKey(t)) is { } strange)
            throw new ArchiveException($"{place}.{strange}");
        if (Guid.TryParse(records["athlete"]?[0]?["id"]?.ToString(), out var comesBack))
            EndStore.Lift(db, EndKind.Person, comesBack);
        var counts = new Dictionary<string, int>();
        foreach (var (name, table) in byName)
        {
            if (records[name] is not { } told)
                continue;
            if (told is not JsonArray rows)
                throw new ArchiveException($"{place}.{name}");
            counts[table] = rows.Count;
            if (rows.Count > 0)
                Add(db, table, rows, no, $"{place}.{name}");
        }

        return counts;
    }

    private static void Add(Db db, string table, JsonArray rows, long no, string place)
    {
        var columns = db.Query<ColumnRow>($"SELECT name, type FROM pragma_table_info('{table}')");
        var isMarked = columns.Any(c => c.Name == "import_no");
        ColumnRow[] told = [.. columns.Where(c => !Left.Contains(c.Name))];
        var names = told.ToDictionary(c => PersonalRecords.NameOf(c.Name));
        using var insert = new BulkInsert(
            db,
            table,
            [.. told.Select(c => c.Name), .. isMarked ? (string[])["import_no"] : []]
        );
        for (var i = 0; i < rows.Count; i++)
        {
            var at = $"{place}[{i}]";
            if (rows[i] is not JsonObject row)
                throw new ArchiveException(at);
            if (row.Select(c => c.Key).FirstOrDefault(c => !names.ContainsKey(c)) is { } strange)
                throw new ArchiveException($"{at}.{strange}");
            try
            {
                insert.Add([
                    .. told.Select(c => Value(row[PersonalRecords.NameOf(c.Name)], c, $"{at}.{c.Name}")),
                    .. isMarked ? (object?[])[no] : [],
                ]);
            }
            catch (SqliteException e)
            {
                throw new ArchiveException(at, e);
            }
        }
    }

    private static object? Value(JsonNode? node, ColumnRow column, string place)
    {
        if (node is null)
            return null;
        if (column.Name.EndsWith("_json", StringComparison.Ordinal))
            return node.ToJsonString();
        if (node is not JsonValue value)
            throw new ArchiveException(place);
        return column.Type switch
        {
            "BLOB" when Guid.TryParse(value.ToString(), out var id) => id,
            "INTEGER" when value.TryGetValue<long>(out var number) => number,
            "TEXT" when value.GetValueKind() == JsonValueKind.String => value.GetValue<string>(),
            _ => throw new ArchiveException(place),
        };
    }

    private sealed record ColumnRow(string Name, string Type);
}
