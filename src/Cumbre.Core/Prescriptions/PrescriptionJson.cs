using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Serialization;

namespace Cumbre.Core.Prescriptions;

/// <summary>The stored form of a plan: JSON with a schema version.</summary>
public static class PrescriptionJson
{
    /// <summary>The version that is written; older ones are read by the code that knows them.</summary>
    public const int Version = 3;

    /// <summary>Earlier versions knew fewer methods and no set-up; what they wrote reads the same.</summary>
    private const int OldestReadable = 1;

    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase) },
        DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
    };

    public static string Write(Prescription plan) => JsonSerializer.Serialize(new Envelope(Version, plan), Options);

    /// <summary>The plan alone, without a version, for a form that shows its fields.</summary>
    public static JsonObject ToNode(Prescription plan) => JsonSerializer.SerializeToNode(plan, Options)!.AsObject();

    /// <summary>A plan from its fields.</summary>
    /// <exception cref="InvalidDataException">It is no plan.</exception>
    /// <exception cref="Measures.RuleViolationException">A field is outside its range; its name is told.</exception>
    public static Prescription FromNode(JsonNode node)
    {
        try
        {
            return node.Deserialize<Prescription>(Options) ?? throw new InvalidDataException("This is no plan.");
        }
        catch (Exception e) when (e is JsonException or NotSupportedException or InvalidOperationException)
        {
            throw e.InnerException as Measures.RuleViolationException as Exception
                ?? new InvalidDataException("This is no plan.", e);
        }
    }

    /// <summary>A line that cannot be read yet is kept as it was typed.</summary>
    public static string WriteUnread(string line) =>
        JsonSerializer.Serialize(new Envelope(Version, null, line), Options);

    /// <summary>A plan, or the line that cannot be read yet.</summary>
    /// <exception cref="InvalidDataException">The text is of an unknown version, or neither.</exception>
    public static (Prescription? Plan, string? Unread) ReadEither(string json) =>
        Open(json) is { Unread: { } line } ? (null, line) : (Read(json), null);

    /// <exception cref="InvalidDataException">The text is of an unknown version or no plan.</exception>
    public static Prescription Read(string json) =>
        Open(json).Plan ?? throw new InvalidDataException("This is no stored plan.");

    private static Envelope Open(string json)
    {
        try
        {
            return
                JsonSerializer.Deserialize<Envelope>(json, Options) is { V: >= OldestReadable and <= Version } envelope
                ? envelope
                : throw new InvalidDataException("This plan was stored by another version of Cumbre.");
        }
        catch (Exception e) when (e is JsonException or NotSupportedException or Measures.RuleViolationException)
        {
            throw new InvalidDataException("This is no stored plan.", e);
        }
    }

    private sealed record Envelope(int V, Prescription? Plan, string? Unread = null);
}
