using System.Text.Json;
using System.Text.Json.Serialization;
using Cumbre.Core.Decisions;
using Cumbre.Core.Explanations;
using Cumbre.Core.Measures;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Storage.Decisions;

/// <summary>The stored snapshot of a proposal, with a schema version.</summary>
internal static class ProposalJson
{
    private const int Version = 1;

    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter() },
        DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
    };

    public static string Write(Proposal p) => JsonSerializer.Serialize(
        new Stored(
            Version, p.Kind, p.Cause, p.Movement, p.BasisSessionId, p.NextDay, PrescriptionJson.Write(p.Before),
            p.Next is null ? null : PrescriptionJson.Write(p.Next), p.NextIsEasy, p.FromLoad.Kilograms, p.ToLoad?.Kilograms, p.Why, p.Overruled),
        Options);

    /// <exception cref="InvalidDataException">The text is of an unknown version.</exception>
    public static Proposal Read(string json)
    {
        var s = JsonSerializer.Deserialize<Stored>(json, Options);
        if (s is not { V: Version })
            throw new InvalidDataException("This decision was stored by another version of Cumbre.");
        return new(
            s.Kind, s.Cause, s.Movement, s.BasisSessionId, s.NextDay, PrescriptionJson.Read(s.Before), s.Next is null ? null : PrescriptionJson.Read(s.Next),
            s.NextIsEasy, Mass.FromKilograms(s.FromKg), s.ToKg is { } to ? Mass.FromKilograms(to) : null, s.Why, s.Overruled);
    }

    private sealed record Stored(
        int V, ProposalKind Kind, ProposalCause Cause, string Movement, Guid BasisSessionId, DateOnly NextDay, string Before, string? Next, bool NextIsEasy,
        decimal FromKg, decimal? ToKg, Explanation Why, IReadOnlyList<ProposalKind> Overruled);
}
