using System.Text.Json;
using System.Text.Json.Serialization;

namespace Cumbre.Core.Prescriptions;

/// <summary>The stored form of a plan: JSON with a schema version.</summary>
public static class PrescriptionJson
{
    /// <summary>The version that is written; older ones are read by the code that knows them.</summary>
    public const int Version = 1;

    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase) },
        DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
    };

    public static string Write(Prescription plan) => JsonSerializer.Serialize(new Envelope(Version, plan), Options);

    /// <exception cref="InvalidDataException">The text is of an unknown version or no plan.</exception>
    public static Prescription Read(string json)
    {
        try
        {
            return JsonSerializer.Deserialize<Envelope>(json, Options) is { V: Version, Plan: { } plan }
                ? plan
                : throw new InvalidDataException("This plan was stored by another version of Cumbre.");
        }
        catch (JsonException e)
        {
            throw new InvalidDataException("This is no stored plan.", e);
        }
    }

    private sealed record Envelope(int V, Prescription Plan);
}
