using System.Text;
using System.Text.Json.Nodes;

namespace Cumbre.Storage.Privacy;

/// <summary>Everything that the file holds of a person, as it is stored.</summary>
public static class PersonalRecords
{
    private const int IdBytes = 16;

    /// <summary>By table, each row with its columns; JSON that is stored stands as such.</summary>
    public static JsonObject Of(Db db, Guid athleteId) =>
        Of(db, athleteId, PersonalData.Rows.Where(r => !r.IsDerived), []);

    /// <summary>The same of some tables, without some columns.</summary>
    internal static JsonObject Of(
        Db db,
        Guid athleteId,
        IEnumerable<PersonalRows> tables,
        IReadOnlyList<string> without
    )
    {
        var records = new JsonObject();
        foreach (var own in tables.Reverse())
        {
            var rows = new JsonArray();
            foreach (
                var row in db.Query<object>($"SELECT * FROM {own.Table} WHERE {own.Of}", new { id = athleteId })
                    .Cast<IDictionary<string, object?>>()
            )
                rows.Add(Row(row, [.. own.Secret, .. without]));
            if (rows.Count > 0)
                records[Camel(own.Table)] = rows;
        }

        return records;
    }

    private static JsonObject Row(IDictionary<string, object?> row, IReadOnlyList<string> secret)
    {
        var told = new JsonObject();
        foreach (var (column, value) in row.Where(c => !secret.Contains(c.Key)))
        {
            told[NameOf(column)] = IsJson(column) && value is string text ? JsonNode.Parse(text) : Value(value);
        }

        return told;
    }

    private static JsonNode? Value(object? value) =>
        value switch
        {
            null => null,
            byte[] { Length: IdBytes } id => new Guid(id, bigEndian: true).ToString(),
            byte[] bytes => Convert.ToBase64String(bytes),
            long number => number,
            double number => number,
            _ => value.ToString(),
        };

    private const string Json = "_json";

    internal static bool IsJson(string column) => column.EndsWith(Json, StringComparison.Ordinal);

    /// <summary>A column as it is written in JSON; what is JSON itself is named without saying so.</summary>
    public static string NameOf(string column) => Camel(IsJson(column) ? column[..^Json.Length] : column);

    /// <summary>A name of the schema as it is written in JSON.</summary>
    public static string Camel(string name)
    {
        var camel = new StringBuilder();
        var parts = name.Split('_');
        camel.Append(parts[0]);
        foreach (var part in parts.Skip(1))
            camel.Append(char.ToUpperInvariant(part[0])).Append(part.AsSpan(1));
        return camel.ToString();
    }
}
