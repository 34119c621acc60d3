using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Serialization;

namespace Cumbre.Core.Movements;

/// <summary>Reads the files of the catalogue, which are embedded in the core.</summary>
public static class CatalogueJson
{
    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase) },
        UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow,
        DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
        Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    /// <exception cref="CatalogueException">The file is missing, is no JSON, or has an unknown field or
    /// word.</exception>
    public static T ReadEmbedded<T>(string file) => Parse<T>(file, Text(file));

    /// <summary>A file of the catalogue as it stands, for instance <c>schemas/ladders.schema.json</c>.</summary>
    /// <exception cref="CatalogueException">There is no such file.</exception>
    public static string Text(string file)
    {
        using var stream = typeof(CatalogueJson).Assembly.GetManifestResourceStream($"catalogue/{file}")
            ?? throw new CatalogueException(file, "file", "is not embedded");
        using var reader = new StreamReader(stream);
        return reader.ReadToEnd();
    }

    /// <exception cref="CatalogueException">It is no JSON, or has an unknown field or word.</exception>
    public static T Parse<T>(string name, string json)
    {
        try
        {
            // The schema is for editors and for the tests; everything else must be known.
            var file = JsonNode.Parse(json);
            (file as JsonObject)?.Remove("$schema");
            return file.Deserialize<T>(Options) ?? throw new CatalogueException(name, "file", "is empty");
        }
        catch (JsonException e)
        {
            throw new CatalogueException(name, e.Path ?? "file", e.Message);
        }
    }

    /// <summary>As the files write it; what is null is left out.</summary>
    public static JsonObject ToNode<T>(T entry) => JsonSerializer.SerializeToNode(entry, Options)!.AsObject();

    /// <exception cref="CatalogueException">Two entries share a slug.</exception>
    public static Dictionary<string, T> Index<T>(string file, IEnumerable<T> entries, Func<T, string> slug)
    {
        var index = new Dictionary<string, T>(StringComparer.Ordinal);
        foreach (var entry in entries)
        {
            if (!index.TryAdd(slug(entry), entry))
                throw new CatalogueException(file, slug(entry), "stands twice");
        }

        return index;
    }
}
