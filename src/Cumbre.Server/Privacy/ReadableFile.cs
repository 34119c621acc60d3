using System.Net;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;

namespace Cumbre.Server.Privacy;

/// <summary>An athlete's file as a page that anybody can read: one table for each kind of record.</summary>
internal static partial class ReadableFile
{
    /// <summary>By the name of a record: what it is called.</summary>
    public static IReadOnlyDictionary<string, string> Titles { get; } = ReadTitles();

    private const string Style =
        "body{font:16px/1.5 sans-serif;margin:2rem auto;max-width:70rem;padding:0 1rem;color:#1b1b1b;background:#fff}"
        + "h1{font-size:1.6rem}h2{font-size:1.1rem;margin-top:2rem}table{border-collapse:collapse;width:100%}"
        + "th,td{text-align:left;vertical-align:top;padding:.25rem .75rem .25rem 0;border-bottom:1px solid #ccc}"
        + "td{overflow-wrap:anywhere}";

    private static Dictionary<string, string> ReadTitles()
    {
        using var stream = typeof(ReadableFile).Assembly.GetManifestResourceStream("record-titles")!;
        return JsonSerializer.Deserialize<Dictionary<string, string>>(stream)!;
    }

    /// <param name="file">As it is exported.</param>
    public static string Html(JsonObject file)
    {
        var name = (string?)file["athlete"]?["name"] ?? "";
        var page = new StringBuilder(
            "<!doctype html><html lang=\"en\"><head><meta charset=\"utf-8\">"
                + $"<title>{Plain(name)}</title><style>{Style}</style></head><body>"
        );
        page.Append(
            $"<h1>{Plain(name)}</h1><p>{Plain(Titles["exportedOn"])} {Plain((string?)file["exportedOn"])}.</p>"
        );
        foreach (var (record, rows) in file["records"]!.AsObject())
            Section(page, record, rows!.AsArray());
        Section(page, "results", file["results"]!.AsArray());
        Section(page, "messages", file["messages"]!.AsArray());
        return page.Append("</body></html>").ToString();
    }

    private static void Section(StringBuilder page, string record, JsonArray rows)
    {
        if (rows.Count == 0)
            return;
        var columns = rows.SelectMany(r => r!.AsObject())
            .Where(c => c.Value is not null && !IsId(c.Value))
            .Select(c => c.Key)
            .Distinct()
            .ToArray();
        page.Append($"<h2>{Plain(Titles[record])}</h2><table><thead><tr>");
        foreach (var column in columns)
            page.Append($"<th scope=\"col\">{Plain(Words(column))}</th>");
        page.Append("</tr></thead><tbody>");
        foreach (var row in rows)
        {
            page.Append("<tr>");
            foreach (var column in columns)
                page.Append($"<td>{Cell(row![column])}</td>");
            page.Append("</tr>");
        }

        page.Append("</tbody></table>");
    }

    /// <summary>A value; what is made of several as a list of its fields.</summary>
    private static string Cell(JsonNode? value) =>
        value switch
        {
            null => "",
            JsonArray list => string.Join("<br>", list.Where(v => !IsId(v)).Select(Cell)),
            JsonObject fields => string.Join(
                "; ",
                fields
                    .Where(f => f.Value is not null && !IsId(f.Value))
                    .Select(f => $"{Plain(Words(f.Key))}: {Cell(f.Value)}")
            ),
            _ when PictureType(value.ToString()) is { } type =>
                $"<img alt=\"\" width=\"320\" src=\"data:{type};base64,{Plain(value.ToString())}\">",
            _ => Plain(value.ToString()),
        };

    /// <summary>By how it begins in base64; null: no picture.</summary>
    private static string? PictureType(string text) =>
        text.StartsWith("/9j/", StringComparison.Ordinal) ? "image/jpeg"
        : text.StartsWith("iVBORw0KGgo", StringComparison.Ordinal) ? "image/png"
        : null;

    /// <summary>Ids tie records together; they say nothing to a reader.</summary>
    private static bool IsId(JsonNode? value) => value is JsonValue v && Guid.TryParse(v.ToString(), out _);

    /// <summary>A column as words: <c>painPlace</c> is "Pain place".</summary>
    private static string Words(string column)
    {
        var words = Humps().Replace(column, m => " " + m.Value.ToLowerInvariant());
        return char.ToUpperInvariant(words[0]) + words[1..];
    }

    private static string Plain(string? text) => WebUtility.HtmlEncode(text ?? "");

    [GeneratedRegex("(?<=[a-z])[A-Z]")]
    private static partial Regex Humps();
}
