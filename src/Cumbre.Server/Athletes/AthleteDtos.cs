using Cumbre.Core.Athletes;
using Cumbre.Core.Levers;
using Cumbre.Core.Measures;
using Cumbre.Server.Hosting;
using Cumbre.Server.Reading;
using Cumbre.Storage.Athletes;

namespace Cumbre.Server.Athletes;

/// <summary>A choice where practitioners disagree.</summary>
/// <param name="Question">Slug.</param>
/// <param name="Choice">Slug.</param>
public sealed record SchoolChoiceDto(string Question, string Choice);

/// <summary>Measured lengths in cm; null where the proportions of the table serve.</summary>
public sealed record LengthsDto(decimal? ArmCm, decimal? TrunkCm, decimal? ThighCm, decimal? ShankCm)
{
    public static LengthsDto Of(MeasuredLengths l) => new(Cm(l.Arm), Cm(l.Trunk), Cm(l.Thigh), Cm(l.Shank));

    /// <exception cref="FieldException">A length is outside 15 to 120 cm.</exception>
    public MeasuredLengths ToLengths() =>
        new(Metres("armCm", ArmCm), Metres("trunkCm", TrunkCm), Metres("thighCm", ThighCm), Metres("shankCm", ShankCm));

    private static decimal? Cm(double? metres) => metres is { } m ? Math.Round((decimal)m * 100, 2) : null;

    private static double? Metres(string field, decimal? cm) =>
        cm is { } value
            ? (double)Problems.At("lengths.", () => Guard.InRange(field, value, Limits.LimbMinimum, Limits.LimbMaximum))
                / 100
            : null;
}

public sealed record BodyMassDto(Guid Id, DateOnly Day, MassDto Mass);

/// <param name="Id">Made by whoever creates the athlete (UUIDv7).</param>
/// <param name="Name">1 to 80 characters.</param>
/// <param name="BirthYear">Unknown when null.</param>
/// <param name="Unit">In which the athlete thinks.</param>
/// <param name="Sex">Neither, or not recorded, when null.</param>
/// <param name="StatureCm">100 to 250; unknown when null.</param>
/// <param name="Lengths">Measured lengths.</param>
/// <param name="Schools">Where the athlete's differ from the club's.</param>
/// <param name="Cleared">A licensed professional has cleared what needed clearance.</param>
/// <param name="Kit">What can be hung.</param>
/// <param name="Version">0 before it is created.</param>
/// <param name="BodyMasses">Oldest first; left alone when the athlete is written.</param>
/// <param name="Intake">What was said when they came in.</param>
/// <param name="Archived">Put away.</param>
/// <param name="OpenClearances">Questions that apply and are not cleared.</param>
/// <param name="ConsentMissing">A minor without a guardian's consent.</param>
/// <param name="KitInUse">What can be hung where they train.</param>
public sealed record AthleteDto(
    Guid Id,
    string Name,
    int? BirthYear,
    Sex? Sex,
    decimal? StatureCm,
    LengthsDto Lengths,
    MassUnit Unit,
    IReadOnlyList<SchoolChoiceDto> Schools,
    bool Cleared,
    KitDto Kit,
    long Version,
    IReadOnlyList<BodyMassDto> BodyMasses,
    IntakeDto Intake,
    bool Archived,
    IReadOnlyList<string> OpenClearances,
    bool ConsentMissing,
    KitDto KitInUse
)
{
    public static AthleteDto Of(AthleteProfile p, IEnumerable<StoredBodyMass> masses, DateOnly today) =>
        new(
            p.Id,
            p.Name,
            p.BirthYear,
            p.Sex,
            p.StatureCm,
            LengthsDto.Of(p.Lengths),
            p.Unit,
            [.. p.SchoolOverrides.Select(c => new SchoolChoiceDto(c.Key, c.Value))],
            p.Cleared,
            KitDto.Of(p.Kit),
            p.Version,
            [.. masses.Select(m => new BodyMassDto(m.Id, m.Reading.Day, MassDto.Of(m.Reading.Entry)))],
            IntakeDto.Of(p.Intake),
            p.ArchivedAt is not null,
            [.. p.OpenClearances(today).Select(q => q.Question)],
            Clearance.ConsentMissing(p.AgeIn(today), p.Intake),
            KitDto.Of(p.KitInUse)
        );
}

/// <summary>What the coach writes about an athlete; without an intake that is left as it stands.</summary>
public sealed record AthleteRequest(
    string Name,
    int? BirthYear,
    Sex? Sex,
    decimal? StatureCm,
    LengthsDto Lengths,
    MassUnit Unit,
    IReadOnlyList<SchoolChoiceDto> Schools,
    bool Cleared,
    KitDto Kit,
    long Version,
    IntakeDto? Intake = null
);
