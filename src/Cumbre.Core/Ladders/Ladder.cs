using Cumbre.Core.Explanations;
using Cumbre.Core.Movements;

namespace Cumbre.Core.Ladders;

/// <summary>What the height of a step on the ridge means.</summary>
public enum DemandKind
{
    /// <summary>Shoulder moment of the segment model, N m.</summary>
    Moment,

    /// <summary>Pull of each hand in a flag by the segment model, N.</summary>
    HandForce,

    /// <summary>System mass for one repetition.</summary>
    SystemMass,

    /// <summary>Share of body weight that is moved.</summary>
    BodyShare,

    /// <summary>Height of contact of a fast pull.</summary>
    ContactHeight,

    /// <summary>A stated value of this project, where coaches give no figure.</summary>
    House,
}

/// <summary>The demand of a step as the catalogue states it.</summary>
/// <param name="Kind">What the figure means; <see cref="DemandKind.House"/> on a step of another ladder marks a value
/// that is only stated.</param>
/// <param name="Posture">For a moment or a hand force.</param>
/// <param name="Percent">Of body mass moved (body share), or of the summit (contact height, house).</param>
/// <param name="AddedPercent">Added load in percent of body mass (system mass).</param>
/// <param name="Reps">Repetitions with it (system mass).</param>
public sealed record DemandSpec(
    DemandKind Kind,
    PostureName? Posture = null,
    decimal? Percent = null,
    decimal? AddedPercent = null,
    int? Reps = null
);

/// <summary>The lines that the segment model knows by name.</summary>
public enum PostureName
{
    Tuck,
    AdvancedTuck,
    OneLeg,
    HalfLay,
    Straddle,
    Full,
}

/// <summary>A gate of a step, and the schools under which it stands.</summary>
/// <param name="Schools">Question to the choices under which it holds; empty: under all.</param>
/// <param name="Gate">What must be met.</param>
public sealed record StepGate(IReadOnlyDictionary<string, IReadOnlyList<string>> Schools, GateExpression Gate)
{
    public bool Holds(Athletes.Schools schools)
    {
        foreach (var (question, choices) in Schools)
        {
            if (!choices.Contains(schools[question]))
                return false;
        }

        return true;
    }
}

/// <summary>One rung: a movement with a set-up and an unlock standard.</summary>
/// <param name="Slug">Unique in its ladder.</param>
/// <param name="Name">Short, as under the ridge.</param>
/// <param name="Movement">Slug.</param>
/// <param name="SetUp">What is fixed on this step: height, help, load.</param>
/// <param name="Preparation">Goes on as support work; not implied by later steps, and does not hold them back.</param>
/// <param name="Exposure">Open but not won, it allows the next step in short singles only.</param>
/// <param name="After">Positions of the steps of which one must be open; empty for a first step.</param>
/// <param name="Demand">Its height on the ridge.</param>
/// <param name="Gates">What guards it, besides the step before.</param>
/// <param name="Opens">Shown on this step before the next may be trained.</param>
/// <param name="Won">Shown on this step before it is won.</param>
/// <param name="Dose">The usual training dose.</param>
/// <param name="Weeks">Weeks that it usually takes (this project's choice), to break ties.</param>
/// <param name="Strands">The strengths that it shows: a result implies only earlier steps of a strand that it
/// shares.</param>
/// <param name="Implies">Positions of the steps that it implies; null: by its strands.</param>
/// <param name="Assisted">Done with help or by lowering alone: it implies nothing about what is done without.</param>
/// <param name="Substitutes">Slugs of movements that stand in for it.</param>
/// <param name="Cues">Beyond those of the movement.</param>
/// <param name="Faults">Beyond those of the movement.</param>
/// <param name="Cautions">Beyond those of the movement.</param>
public sealed record LadderStep(
    string Slug,
    string Name,
    string Movement,
    string? SetUp,
    bool Preparation,
    bool Exposure,
    IReadOnlyList<int> After,
    DemandSpec Demand,
    IReadOnlyList<StepGate> Gates,
    GateExpression Opens,
    GateExpression Won,
    string Dose,
    int Weeks,
    IReadOnlyList<string> Strands,
    IReadOnlyList<int>? Implies,
    bool Assisted,
    IReadOnlyList<string> Substitutes,
    IReadOnlyList<string> Cues,
    IReadOnlyList<string> Faults,
    IReadOnlyList<CautionId> Cautions
)
{
    /// <summary>Question to the choices under which the step holds nobody back, though it goes on beside the path.</summary>
    public IReadOnlyDictionary<string, IReadOnlyList<string>> PassedBy { get; init; } =
        new Dictionary<string, IReadOnlyList<string>>();

    /// <summary>Beside the path: preparation, or passed by under the athlete's schools.</summary>
    public bool IsBeside(Athletes.Schools schools) =>
        Preparation || PassedBy.Any(p => p.Value.Contains(schools[p.Key]));
}

/// <summary>
/// The ordered steps that lead to a skill; where several steps follow the same one, they are alternatives.
/// </summary>
/// <param name="Slug">Stable name.</param>
/// <param name="Name">As coaches say it.</param>
/// <param name="Skill">What stands at the summit.</param>
/// <param name="Pattern">Of its summit.</param>
/// <param name="About">What to know of the whole ladder.</param>
/// <param name="DemandKind">What its heights mean.</param>
/// <param name="Schools">Questions that touch it.</param>
/// <param name="Steps">From the first to the summit.</param>
public sealed record Ladder(
    string Slug,
    string Name,
    string Skill,
    Pattern Pattern,
    string About,
    DemandKind DemandKind,
    IReadOnlyList<string> Schools,
    IReadOnlyList<LadderStep> Steps
)
{
    private IReadOnlyList<int>[]? implied;
    private IReadOnlyList<string>? strands;

    /// <summary>The strengths that it builds, in the order in which they first come.</summary>
    public IReadOnlyList<string> Strands => strands ??= [.. Steps.SelectMany(s => s.Strands).Distinct()];

    public LadderStep Summit => Steps[^1];

    /// <summary>
    /// The earlier steps that an unassisted result on a step implies: those before it on its path that share a strand,
    /// preparation left out.
    /// </summary>
    public IReadOnlyList<int> ImpliedBy(int step) =>
        (implied ??= [.. Enumerable.Range(0, Steps.Count).Select(Implied)])[step];

    private IReadOnlyList<int> Implied(int step)
    {
        if (Steps[step].Assisted || Steps[step].Preparation)
            return [];
        if (Steps[step].Implies is { } named)
            return named;
        var before = new SortedSet<int>();
        var open = new Stack<int>(Steps[step].After);
        while (open.TryPop(out var i))
        {
            if (!before.Add(i))
                continue;
            foreach (var earlier in Steps[i].After)
                open.Push(earlier);
        }

        return [.. before.Where(i => !Steps[i].Preparation && Steps[i].Strands.Any(Steps[step].Strands.Contains))];
    }
}
