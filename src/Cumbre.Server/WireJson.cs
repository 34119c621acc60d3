using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;

namespace Cumbre.Server;

/// <summary>How values travel: camel case, words for enums, numbers only as numbers.</summary>
public static class WireJson
{
    public static JsonSerializerOptions Options { get; } = Configure(new(JsonSerializerDefaults.Web));

    public static JsonSerializerOptions Configure(JsonSerializerOptions options)
    {
        options.NumberHandling = JsonNumberHandling.Strict;
        options.RespectRequiredConstructorParameters = true;
        options.RespectNullableAnnotations = true;
        options.Converters.Add(new JsonStringEnumConverter(allowIntegerValues: false));
        options.TypeInfoResolver = (options.TypeInfoResolver ?? new DefaultJsonTypeInfoResolver()).WithAddedModifier(
            RefuseNothingInLists
        );
        return options;
    }

    /// <summary>
    /// Annotations of what a list holds are not read by the serializer: of references none may be missing.
    /// </summary>
    private static void RefuseNothingInLists(JsonTypeInfo type)
    {
        if (type is not { Kind: JsonTypeInfoKind.Enumerable, ElementType.IsValueType: false })
            return;
        type.OnDeserialized = list =>
        {
            foreach (var element in (System.Collections.IEnumerable)list)
            {
                if (element is null)
                    throw new JsonException("A list holds nothing where something is asked for.");
            }
        };
    }
}
