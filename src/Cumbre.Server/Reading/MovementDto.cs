using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes;

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
    public static MovementDto Of(Movement m, Prescription? plan, AthleteAtWork athlete) =>
        new(
            m.Slug,
            m.Name,
            m.Bottom,
            athlete.Athlete.Schools.StandardOf(m, athlete.Atlas.Catalogue),
            m.Faults,
            m.FailureHarmless,
            m.Measure == BenchmarkMeasure.ContactHeight || plan?.SetUp?.To is not null
        );
}
