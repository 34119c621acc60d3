using Cumbre.Core.Explanations;
using Cumbre.Core.Movements;

namespace Cumbre.Core.Ladders;

/// <summary>ladders.json; gates and thresholds are written in the gate language.</summary>
public sealed record LadderFile(IReadOnlyList<LadderEntry> Ladders);

/// <summary>A ladder as it is written, in the catalogue or by a club.</summary>
public sealed record LadderEntry(
    string Slug,
    string Name,
    string Skill,
    Pattern Pattern,
    string About,
    DemandKind DemandKind,
    IReadOnlyList<StepEntry> Steps
)
{
    /// <summary>
    /// The one way of writing it: canonical gates where they can be read, trimmed texts, and nothing that says what is
    /// so anyway. Two writings
    /// of the same ladder become equal.
    /// </summary>
    public LadderEntry Normalised(BenchmarkNames benchmarks) =>
        this with
        {
            Name = Name.Trim(),
            Skill = Skill.Trim(),
            About = About.Trim(),
            Steps = [.. Steps.Select((s, i) => s.Normalised(benchmarks, i == 0 ? null : Steps[i - 1].Slug))],
        };
}

/// <summary>A rung as it is written.</summary>
/// <param name="After">Slugs of the steps before; null: the step above it in the file.</param>
/// <param name="Won">Null: the same as <paramref name="Opens"/>.</param>
/// <param name="Implies">Slugs of the earlier steps that it implies; null: those of its strands.</param>
/// <param name="Strands">Null: the one strand of a ladder that has only one.</param>
public sealed record StepEntry(
    string Slug,
    string Name,
    string Movement,
    DemandSpec Demand,
    string Opens,
    string Dose,
    int Weeks,
    string? SetUp = null,
    bool Preparation = false,
    bool Exposure = false,
    IReadOnlyList<string>? After = null,
    IReadOnlyList<StepGateEntry>? Gates = null,
    string? Won = null,
    IReadOnlyList<string>? Substitutes = null,
    IReadOnlyList<string>? Cues = null,
    IReadOnlyList<string>? Faults = null,
    IReadOnlyList<CautionId>? Cautions = null,
    IReadOnlyList<string>? Strands = null,
    IReadOnlyList<string>? Implies = null,
    bool Assisted = false,
    IReadOnlyDictionary<string, IReadOnlyList<string>>? PassedBy = null
)
{
    internal StepEntry Normalised(BenchmarkNames benchmarks, string? above)
    {
        var opens = Canonical(Opens, benchmarks);
        var won = Won is null ? null : Canonical(Won, benchmarks);
        return this with
        {
            Name = Name.Trim(),
            Dose = Dose.Trim(),
            SetUp = string.IsNullOrWhiteSpace(SetUp) ? null : SetUp.Trim(),
            Opens = opens,
            Won = won == opens ? null : won,
            After =
                above is null ? (After is [] ? null : After)
                : After is [var only] && only == above ? null
                : After,
            Gates = OrNull([
                .. (Gates ?? []).Select(g =>
                    g with
                    {
                        Gate = Canonical(g.Gate, benchmarks),
                        Schools = g.Schools is { Count: > 0 } ? g.Schools : null,
                    }
                ),
            ]),
            Substitutes = OrNull(Substitutes),
            Cues = Texts(Cues),
            Faults = Texts(Faults),
            Cautions = OrNull(Cautions),
            Strands = Texts(Strands),
            PassedBy = PassedBy is { Count: > 0 } ? PassedBy : null,
        };
    }

    private static string Canonical(string gate, BenchmarkNames benchmarks) =>
        GateParser.Parse(gate, benchmarks).Expression is { } read ? GatePrinter.Print(read, benchmarks) : gate.Trim();

    private static IReadOnlyList<string>? Texts(IReadOnlyList<string>? texts) =>
        OrNull([.. (texts ?? []).Select(t => t.Trim()).Where(t => t.Length > 0)]);

    private static IReadOnlyList<T>? OrNull<T>(IReadOnlyList<T>? list) => list is { Count: > 0 } ? list : null;
}

/// <summary>A gate of a step as it is written.</summary>
/// <param name="Gate">In the gate language.</param>
/// <param name="Schools">Question to the choices under which it holds; null: under all.</param>
public sealed record StepGateEntry(string Gate, IReadOnlyDictionary<string, IReadOnlyList<string>>? Schools = null);
