using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Server.Reading;

/// <summary>
/// What the movement asks for, beside the session; <paramref name="AsksContact"/>: how high the bar reached is logged.
/// </summary>
public sealed record MovementDto(
    string Slug,
    string Name,
    string Bottom,
    string Standard,
    IReadOnlyList<string> Faults,
    bool FailureHarmless,
    bool AsksContact
)
{
    public static MovementDto Of(Movement m, Prescription? plan) =>
        new(
            m.Slug,
            m.Name,
            m.Bottom,
            m.Standard,
            m.Faults,
            m.FailureHarmless,
            m.Measure == BenchmarkMeasure.ContactHeight || plan?.SetUp?.To is not null
        );
}
