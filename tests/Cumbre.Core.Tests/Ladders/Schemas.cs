using System.Collections.Concurrent;
using System.Text.Json.Nodes;
using Json.Schema;

namespace Cumbre.Core.Tests.Ladders;

/// <summary>
/// Holds data against the schemas of the catalogue, with a general-purpose validator of JSON Schema 2020-12.
/// </summary>
internal static class Schemas
{
    /// <summary>Only a name, by which the schemas find each other; nothing is fetched.</summary>
    private static readonly Uri Base = new("cumbre://schemas/", UriKind.Absolute);

    private static readonly ConcurrentDictionary<string, JsonSchema> Read = [];

    /// <param name="name">Of the schema's file, beside the others.</param>
    /// <param name="data">What must fit.</param>
    public static void Check(string name, JsonNode data)
    {
        var options = new EvaluationOptions { OutputFormat = OutputFormat.List };
        // One schema may refer to a part of another.
        foreach (var file in Directory.GetFiles(Path.Combine(TestFiles.Root("catalogue"), "schemas")))
            options.SchemaRegistry.Register(new Uri(Base, Path.GetFileName(file)), Of(file));
        var result = Of(Path.Combine(TestFiles.Root("catalogue"), name)).Evaluate(data, options);
        Assert.True(
            result.IsValid,
            string.Join(
                "; ",
                result
                    .Details.Where(d => d.Errors is { Count: > 0 })
                    .SelectMany(d => d.Errors!.Select(e => $"{name}{d.InstanceLocation}: {e.Value}"))
            )
        );
    }

    private static JsonSchema Of(string file) => Read.GetOrAdd(Path.GetFullPath(file), full =>
        {
            var schema = JsonSchema.FromText(File.ReadAllText(full));
            schema.BaseUri = new Uri(Base, Path.GetFileName(full));
            return schema;
        });
}
