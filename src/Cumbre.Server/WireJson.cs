using System.Text.Json;
using System.Text.Json.Serialization;

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
        return options;
    }
}
