using System.Globalization;
using System.Text.Json;
using System.Text.Json.Nodes;
using Cumbre.Core.Movements;
using Json.Schema;

namespace Cumbre.Server.Hosting;

/// <summary>Something wrong in a file.</summary>
/// <param name="Place">As a path, for instance <c>ladders[0].steps[3].weeks</c>; line and column where it is no
/// JSON.</param>
/// <param name="Message">For a person.</param>
public sealed record FileProblem(string Place, Message Message);

/// <summary>
/// A JSON format of the app with its published schema: is a text JSON, of this format and version, and does it fit the
/// schema?
/// </summary>
/// <param name="format">As the file's <c>format</c> says it.</param>
/// <param name="schema">File name of its schema in the catalogue.</param>
/// <param name="parts">Schemas that it refers to.</param>
internal sealed class SchemaFile(string format, string schema, params string[] parts)
{
    /// <summary>Characters of a file.</summary>
    public int LengthMaximum { get; init; } = 1_000_000;

    /// <summary>Only a name, by which the schemas find each other; nothing is fetched.</summary>
    private static readonly Uri Base = new("cumbre://schemas/", UriKind.Absolute);

    private readonly Lazy<(JsonSchema Schema, EvaluationOptions Options)> read = new(() =>
    {
        var options = new EvaluationOptions { OutputFormat = OutputFormat.List, RequireFormatValidation = true };
        foreach (var name in parts)
            options.SchemaRegistry.Register(
                new Uri(Base, name),
                JsonSchema.FromText(CatalogueJson.Text($"schemas/{name}"))
            );
        var whole = JsonSchema.FromText(CatalogueJson.Text($"schemas/{schema}"));
        whole.BaseUri = new Uri(Base, schema);
        return (whole, options);
    });

    /// <summary>Each question is only asked when the one before is answered; with problems there is no file.</summary>
    public (JsonObject? File, IReadOnlyList<FileProblem> Problems) Read(string text)
    {
        if (text.Length > LengthMaximum)
            return (null, [new("file", Words.TooLarge)]);
        JsonNode? file;
        try
        {
            file = JsonNode.Parse(
                text,
                null,
                new JsonDocumentOptions { AllowDuplicateProperties = false, MaxDepth = 32 }
            );
        }
        catch (JsonException e)
        {
            // Without a line it is JSON as far as it goes: a field stands twice.
            return (
                null,
                [
                    e.LineNumber is { } line
                        ? new FileProblem($"line {line + 1}, column {e.BytePositionInLine + 1}", Words.FileNoJson)
                        : new FileProblem("file", Words.FileFieldTwice),
                ]
            );
        }

        if (file is not JsonObject whole || (string?)(whole["format"] as JsonValue)?.ToString() != format)
            return (null, [new("format", Words.FileOther(format))]);
        if (whole["version"]?.ToString() != "1")
            return (null, [new("version", Words.FileVersion(whole["version"]?.ToString() ?? "none"))]);
        if (Unmeasured(whole).FirstOrDefault() is { } number)
            return (null, [new(number.GetPath().TrimStart('$').TrimStart('.'), Words.FileNumberHuge)]);
        if (Misfits(whole) is { Count: > 0 } misfits)
            return (null, misfits);
        MakeWhole(whole);
        return (whole, []);
    }

    /// <summary>To a schema 2.0 is the integer 2: it is read as one.</summary>
    private static void MakeWhole(JsonNode node)
    {
        switch (node)
        {
            case JsonObject o:
                foreach (var (key, value) in o.ToArray())
                    if (Whole(value) is { } whole)
                        o[key] = whole;
                    else if (value is not null)
                        MakeWhole(value);
                break;
            case JsonArray a:
                for (var i = 0; i < a.Count; i++)
                    if (Whole(a[i]) is { } whole)
                        a[i] = whole;
                    else if (a[i] is { } below)
                        MakeWhole(below);
                break;
        }
    }

    private static JsonNode? Whole(JsonNode? node) =>
        node is JsonValue v
        && v.GetValueKind() == JsonValueKind.Number
        && !v.TryGetValue<long>(out _)
        && v.TryGetValue<decimal>(out var number)
        && decimal.IsInteger(number)
        && number is >= long.MinValue and <= long.MaxValue
            ? JsonNode.Parse(((long)number).ToString(CultureInfo.InvariantCulture))
            : null;

    /// <summary>Numbers beyond 28 digits, which nothing here counts with.</summary>
    private static IEnumerable<JsonNode> Unmeasured(JsonNode node) =>
        node switch
        {
            JsonObject o => o.SelectMany(p => p.Value is { } below ? Unmeasured(below) : []),
            JsonArray a => a.SelectMany(v => v is { } below ? Unmeasured(below) : []),
            JsonValue v when v.GetValueKind() == JsonValueKind.Number && !v.TryGetValue<decimal>(out _) => [v],
            _ => [],
        };

    private List<FileProblem> Misfits(JsonNode file)
    {
        var (whole, options) = read.Value;
        return
        [
            .. whole
                .Evaluate(file, options)
                .Details.Where(d => d.Errors is { Count: > 0 })
                .SelectMany(d => d.Errors!.Select(e => (Place: Path(d.InstanceLocation.ToString()), e.Key, e.Value)))
                .Distinct()
                .Select(e => (e.Place, Message: Wording(e.Key, e.Value)))
                .Where(e => e.Message is not null)
                .Select(e => new FileProblem(e.Place, e.Message!)),
        ];
    }

    /// <summary>A JSON pointer as a path.</summary>
    private static string Path(string pointer)
    {
        var path = "";
        foreach (var part in pointer.Split('/', StringSplitOptions.RemoveEmptyEntries))
            path +=
                int.TryParse(part, CultureInfo.InvariantCulture, out var index) ? $"[{index}]"
                : path.Length == 0 ? part
                : $".{part}";
        return path.Length == 0 ? "file" : path;
    }

    /// <summary>Null: another entry says so at its place.</summary>
    private static Message? Wording(string keyword, string message) =>
        keyword switch
        {
            "additionalProperties" or "properties" or "items" or "$ref" => null,
            "" => Words.FileFieldUnknown,
            "required" => Words.FileFieldsMissing(
                message[(message.IndexOf('[', StringComparison.Ordinal) + 1)..]
                    .Replace("] are not present", "", StringComparison.Ordinal)
                    .Replace("\"", "", StringComparison.Ordinal)
            ),
            _ => Words.FileMisfit(message),
        };
}
