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
public sealed record FileProblem(string Place, string Message);

/// <summary>
/// A JSON format of the app with its published schema: is a text JSON, of this format and version, and does it fit the
/// schema?
/// </summary>
/// <param name="format">As the file's <c>format</c> says it.</param>
/// <param name="what">It holds, for a person.</param>
/// <param name="schema">File name of its schema in the catalogue.</param>
/// <param name="parts">Schemas that it refers to.</param>
internal sealed class SchemaFile(string format, string what, string schema, params string[] parts)
{
    private const int LengthMaximum = 1_000_000;

    /// <summary>Only a name, by which the schemas find each other; nothing is fetched.</summary>
    private static readonly Uri Base = new("cumbre://schemas/", UriKind.Absolute);

    private readonly Lazy<(JsonSchema Schema, EvaluationOptions Options)> read = new(() =>
    {
        var options = new EvaluationOptions { OutputFormat = OutputFormat.List };
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
            return (null, [new("file", Problems.TooLarge)]);
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
                        ? new FileProblem(
                            $"line {line + 1}, column {e.BytePositionInLine + 1}",
                            "This is no JSON from here on."
                        )
                        : new FileProblem("file", "A field stands twice."),
                ]
            );
        }

        if (file is not JsonObject whole || (string?)(whole["format"] as JsonValue)?.ToString() != format)
            return (null, [new("format", $"This is no file of {what}: it has no \"format\": \"{format}\".")]);
        if (whole["version"]?.ToString() != "1")
            return (
                null,
                [
                    new(
                        "version",
                        $"This app reads version 1 of the format; the file is of version {whole["version"]?.ToString() ?? "none"}."
                    ),
                ]
            );
        return Misfits(whole) is { Count: > 0 } misfits ? (null, misfits) : (whole, []);
    }

    private List<FileProblem> Misfits(JsonNode file)
    {
        var (whole, options) = read.Value;
        return
        [
            .. whole
                .Evaluate(file, options)
                .Details.Where(d => d.Errors is { Count: > 0 })
                .SelectMany(d =>
                    d.Errors!.Select(e => new FileProblem(Path(d.InstanceLocation.ToString()), Wording(e.Key, e.Value)))
                )
                .Where(p => p.Message.Length > 0)
                .DistinctBy(p => (p.Place, p.Message)),
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

    private static string Wording(string keyword, string message) =>
        keyword switch
        {
            // A property that the schema does not know; its own entry says so at its place.
            "additionalProperties" or "properties" or "items" or "$ref" => "",
            "" => "No such field.",
            "required" => "Missing: "
                + message[(message.IndexOf('[', StringComparison.Ordinal) + 1)..]
                    .Replace("] are not present", "", StringComparison.Ordinal)
                    .Replace("\"", "", StringComparison.Ordinal)
                + ".",
            _ => message + ".",
        };
}
