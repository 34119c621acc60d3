using System.Text.Json.Nodes;
using Json.Schema;

namespace Cumbre.Core.Tests.Ladders;

/// <summary>
/// Holds data against the schemas of the catalogue, with a general-purpose validator of JSON Schema 2020-12.
/// </summary>
internal static class Schemas
{
    private static readonly Dictionary<string, JsonSchema> Read = [];

    /// <param name="name">Of the schema's file, beside the others.</param>
    /// <param name="data">What must fit.</param>
    public static void Check(string name, JsonNode data)
    {
        if (!Read.TryGetValue(name, out var schema))
            Read[name] = schema = JsonSchema.FromText(
                File.ReadAllText(Path.Combine(TestFiles.Root("catalogue"), name))
            );
        var result = schema.Evaluate(data, new EvaluationOptions { OutputFormat = OutputFormat.List });
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
}
