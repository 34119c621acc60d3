using System.Text.Json;
using System.Text.Json.Serialization;
using Cumbre.Core.Decisions;
using Cumbre.Core.Explanations;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes;

namespace Cumbre.Storage.Decisions;

/// <summary>
/// The stored snapshot of a proposal, with a schema version; those of the first version are still read.
/// </summary>
internal static class ProposalJson
{
    private const int First = 1,
        Version = 2;

    private static readonly JsonSerializerOptions Options = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter() },
        DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
    };

    public static string Write(Proposal p) =>
        JsonSerializer.Serialize(
            new Stored(
                Version,
                p.Kind,
                p.Cause,
                p.Movement,
                p.Role,
                p.BasisSessionId,
                p.BasisDay,
                p.NextDay,
                p.Before is null ? null : PrescriptionJson.Write(p.Before),
                Dose(p.Next),
                Dose(p.First),
                p.Confirms,
                p.Place,
                p.Why,
                p.Overruled
            ),
            Options
        );

    /// <exception cref="InvalidDataException">The text is of an unknown version.</exception>
    public static Proposal Read(string json) =>
        JsonSerializer.Deserialize<Versioned>(json, Options)?.V switch
        {
            Version => ReadNow(JsonSerializer.Deserialize<Stored>(json, Options)!),
            First => ReadFirst(JsonSerializer.Deserialize<StoredFirst>(json, Options)!),
            _ => throw new InvalidDataException("This decision was stored by another version of Cumbre."),
        };

    private static Proposal ReadNow(Stored s) =>
        new(
            s.Kind,
            s.Cause,
            s.Movement,
            s.Role,
            s.BasisSessionId,
            s.BasisDay,
            s.NextDay,
            s.Before is null ? null : PrescriptionJson.Read(s.Before),
            Dose(s.Next),
            s.Why,
            s.Overruled
        )
        {
            First = Dose(s.First),
            Confirms = s.Confirms,
            Place = s.Place,
        };

    private static Proposal ReadFirst(StoredFirst s) =>
        new(
            s.Kind,
            s.Cause,
            s.Movement,
            null,
            s.BasisSessionId,
            s.Why.Exposures is [var newest, ..] ? newest.Day : s.NextDay,
            s.NextDay,
            PrescriptionJson.Read(s.Before),
            s.Next is null ? null : new(s.Movement, PrescriptionJson.Read(s.Next)),
            s.Why,
            s.Overruled
        );

    private static DoseJson? Dose(MovementDose? dose) =>
        dose is null ? null : new(dose.Movement, PrescriptionJson.Write(dose.Plan));

    private static MovementDose? Dose(DoseJson? dose) =>
        dose is null ? null : new(dose.Movement, PrescriptionJson.Read(dose.Plan));

    private sealed record Versioned(int V);

    private sealed record DoseJson(string Movement, string Plan);

    private sealed record Stored(
        int V,
        ProposalKind Kind,
        ProposalCause Cause,
        string Movement,
        ItemRole? Role,
        Guid? BasisSessionId,
        DateOnly BasisDay,
        DateOnly NextDay,
        string? Before,
        DoseJson? Next,
        DoseJson? First,
        bool Confirms,
        string? Place,
        Explanation Why,
        IReadOnlyList<ProposalKind> Overruled
    );

    private sealed record StoredFirst(
        ProposalKind Kind,
        ProposalCause Cause,
        string Movement,
        Guid BasisSessionId,
        DateOnly NextDay,
        string Before,
        string? Next,
        Explanation Why,
        IReadOnlyList<ProposalKind> Overruled
    );
}
