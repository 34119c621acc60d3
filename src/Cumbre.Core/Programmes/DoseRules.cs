using Cumbre.Core.Movements;

namespace Cumbre.Core.Programmes;

/// <summary>The usual hard sets of a pattern in a week.</summary>
/// <param name="Pattern">Which.</param>
/// <param name="From">Fewest.</param>
/// <param name="To">Most.</param>
/// <param name="ElseFrom">Fewest where the pattern belongs to no goal; null: the same.</param>
/// <param name="ElseTo">Most where it belongs to none; null: the same.</param>
public sealed record PatternDose(Pattern Pattern, int From, int To, int? ElseFrom = null, int? ElseTo = null)
{
    /// <summary>The middle of the usual range, rounded down.</summary>
    public int Middle(bool isGoals) => isGoals ? (From + To) / 2 : ((ElseFrom ?? From) + (ElseTo ?? To)) / 2;

    /// <summary>The most that a generated week holds.</summary>
    public int Most(bool isGoals) => isGoals ? To : ElseTo ?? To;
}

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
    int SetsPerNinetyMinutes,
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

    /// <summary>The most working sets of a session of so many minutes, pro rata; at least one.</summary>
    public int SetsIn(int minutes) => Math.Max(1, SetsPerNinetyMinutes * minutes / 90);

    public PatternDose? Of(Pattern pattern) => HardSets.FirstOrDefault(p => p.Pattern == pattern);
}
