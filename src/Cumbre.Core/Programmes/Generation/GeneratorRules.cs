using Cumbre.Core.Movements;

namespace Cumbre.Core.Programmes.Generation;

/// <summary>What gives way when the minutes do not hold everything, in the words of generator.json.</summary>
public enum DropKind
{
    Isolation,
    Mobility,
    Legs,
    Trunk,

    /// <summary>A skill that is only kept.</summary>
    Kept,

    /// <summary>The second pull or push.</summary>
    Second,
    SkillLight,

    /// <summary>Work for what holds a goal back.</summary>
    Limiting,
    SkillHard,

    /// <summary>The main pull or push.</summary>
    Main,
}

/// <summary>The ladders that give the main exercises of a pattern.</summary>
public sealed record BaseLadders(Pattern Pattern, IReadOnlyList<string> Ladders);

/// <summary>Other grips for the second day of a lift.</summary>
public sealed record Variation(string Of, IReadOnlyList<string> By);

/// <summary>What a goal asks for beside its steps (common practice, no source).</summary>
/// <param name="Ladder">Of the goal.</param>
/// <param name="Movements">The first choice first.</param>
public sealed record GoalSupport(string Ladder, IReadOnlyList<string> Movements);

/// <summary>Under a choice of a school one movement takes the place of another (common practice, no source).</summary>
public sealed record SchoolSwap(string Question, string Choice, string Of, string By);

/// <summary>What a choice of a school adds to a goal.</summary>
public sealed record SchoolDrills(
    string Question,
    string Choice,
    IReadOnlyList<string> Ladders,
    IReadOnlyList<string> Movements
);

/// <summary>What is trained so that a test of a joint's range is passed.</summary>
public sealed record DrillFor(string Movement, string Drill);

/// <summary>Small exercises with a loaded stretch.</summary>
public sealed record IsolationLists(IReadOnlyList<string> Pull, IReadOnlyList<string> Push);

/// <summary>A drill for the joints that a session loads.</summary>
/// <param name="Patterns">Of which one is trained.</param>
/// <param name="Seconds">It takes.</param>
/// <param name="Text">As it is written on the sheet.</param>
/// <param name="Unless">With one of these another drill does more; null: never.</param>
public sealed record WarmUpDrill(
    IReadOnlyList<Pattern> Patterns,
    int Seconds,
    string Text,
    IReadOnlyList<Pattern>? Unless = null
);

/// <summary>
/// generator.json: what a block is put together from; generator.schema.json says what each figure means.
/// </summary>
public sealed record GeneratorRules(
    int MinutesUnknown,
    IReadOnlyList<DayOfWeek> DaysUnknown,
    int DaysMaximum,
    int LoadingWeeks,
    IReadOnlyList<int> Wave,
    decimal NewStepShare,
    int NewStepWeeks,
    decimal KeptShare,
    decimal LightShare,
    int HistoryDays,
    int HardToLightFromHours,
    int HardToLightToHours,
    IReadOnlyList<BaseLadders> Bases,
    IReadOnlyList<Variation> Variations,
    IReadOnlyList<Variation> OnRings,
    IsolationLists Isolation,
    IReadOnlyList<string> NeverBase,
    IReadOnlyList<GoalSupport> Supports,
    IReadOnlyList<DrillFor> Drills,
    IReadOnlyList<IReadOnlyList<string>> Protective,
    IReadOnlyList<string> InHalves,
    IReadOnlyList<SchoolSwap> Swaps,
    IReadOnlyList<SchoolDrills> SchoolDrills,
    IReadOnlyList<string> Mobility,
    IReadOnlyList<DropKind> DropOrder,
    IReadOnlyList<WarmUpDrill> WarmUp,
    int RampSeconds,
    int EasierRungSeconds,
    int CoolDownSeconds,
    string CoolDown,
    decimal FrameShare
)
{
    public const decimal OtherGripShare = 0.95m,
        OnRingsShare = 0.90m;

    private static readonly Lazy<GeneratorRules> Embedded = new(() =>
        CatalogueJson.ReadEmbedded<GeneratorRules>("generator.json")
    );

    public static GeneratorRules Shipped => Embedded.Value;

    /// <summary>Sets over those of the first week, in a loading week from 0.</summary>
    public int WaveIn(int week) => Wave[Math.Min(week, Wave.Count - 1)];

    /// <summary>
    /// The lifts that a movement varies, with the share of their system at which it starts: another grip a twentieth
    /// under them, rings a tenth (this project's choice).
    /// </summary>
    public IEnumerable<(string Lift, decimal Share)> LiftsOf(string movement) =>
        Variations
            .Where(v => v.By.Contains(movement))
            .Select(v => (v.Of, OtherGripShare))
            .Concat(OnRings.Where(v => v.By.Contains(movement)).Select(v => (v.Of, OnRingsShare)));

    public IReadOnlyList<string> BasesOf(Pattern pattern) =>
        Bases.FirstOrDefault(b => b.Pattern == pattern)?.Ladders ?? [];

    /// <summary>Is the ladder trained by the main exercises themselves?</summary>
    public bool IsBase(string ladder) => Bases.Any(b => b.Ladders.Contains(ladder));

    /// <summary>May the movement be a main or second exercise?</summary>
    public bool IsBaseMovement(string movement) =>
        !NeverBase.Contains(movement) && !Isolation.Pull.Contains(movement) && !Isolation.Push.Contains(movement);
}
