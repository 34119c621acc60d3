using Cumbre.Core.Movements;

namespace Cumbre.Core.Programmes;

/// <summary>The usual hard sets of a pattern in a week.</summary>
public sealed record PatternDose(Pattern Pattern, int From, int To);

/// <summary>
/// A zone of Prilepin's table (from memory): share of the maximum in percent, the upper end included, and the reps of a
/// session.
/// </summary>
public sealed record PrilepinZone(
    decimal From,
    decimal To,
    int SetFrom,
    int SetTo,
    int TotalFrom,
    int TotalTo,
    int TotalBest
);

/// <summary>
/// Movements that find the level of an athlete who has no test of the pattern yet, the first choice first.
/// </summary>
public sealed record LevelFinders(Pattern Pattern, IReadOnlyList<string> Movements);

/// <summary>dose.json: what a week usually holds; dose.schema.json says what each figure means.</summary>
public sealed record DoseRules(
    IReadOnlyList<PatternDose> HardSets,
    decimal PullToPushFrom,
    decimal PullToPushTo,
    decimal StraightArmRampPercent,
    int HardSessionsOfJointLoad,
    int ItemsPerSession,
    IReadOnlyList<PrilepinZone> Prilepin,
    IReadOnlyList<LevelFinders> LevelFinding
)
{
    private static readonly Lazy<DoseRules> Embedded = new(() => CatalogueJson.ReadEmbedded<DoseRules>("dose.json"));

    public static DoseRules Shipped => Embedded.Value;

    /// <summary>The zone of a share of the maximum; null under the table.</summary>
    public PrilepinZone? ZoneOf(decimal share) =>
        Prilepin.FirstOrDefault(z => share * 100 > z.From && share * 100 <= z.To);

    /// <summary>May the movement find the level of its pattern?</summary>
    public bool FindsLevel(Movement movement) =>
        LevelFinding.Any(l => l.Pattern == movement.Pattern && l.Movements.Contains(movement.Slug));

    public PatternDose? Of(Pattern pattern) => HardSets.FirstOrDefault(p => p.Pattern == pattern);
}
