using Cumbre.Core.Explanations;
using Cumbre.Core.Movements;

namespace Cumbre.Core.Athletes;

/// <summary>clearance.json.</summary>
public sealed record ClearanceFile(IReadOnlyList<ClearanceQuestion> Questions);

/// <summary>
/// Something that asks for clearance by a licensed professional first, and what it blocks until then. Common practice;
/// the ages are this project's choice.
/// </summary>
/// <param name="Slug">Stable name.</param>
/// <param name="Question">As it is asked.</param>
/// <param name="Why">Why it is asked.</param>
/// <param name="FromAge">With <paramref name="ToAge"/>: answered by the age.</param>
/// <param name="ToAge">Years, included.</param>
/// <param name="BlocksAll">Everything that is trained hard.</param>
/// <param name="BlocksPatterns">Movements of these patterns.</param>
/// <param name="BlocksCautions">Movements that carry one of these cautions.</param>
/// <param name="BlocksMeasures">Movements that are measured so.</param>
public sealed record ClearanceQuestion(
    string Slug,
    string Question,
    string Why,
    int? FromAge = null,
    int? ToAge = null,
    bool BlocksAll = false,
    IReadOnlyList<Pattern>? BlocksPatterns = null,
    IReadOnlyList<CautionId>? BlocksCautions = null,
    IReadOnlyList<BenchmarkMeasure>? BlocksMeasures = null
)
{
    /// <summary>The age answers it; it is not asked.</summary>
    public bool IsByAge => FromAge is not null;

    public bool Blocks(Movement movement) =>
        BlocksAll
        || BlocksPatterns?.Contains(movement.Pattern) == true
        || BlocksMeasures?.Contains(movement.Measure) == true
        || BlocksCautions?.Any(movement.Cautions.Contains) == true;
}

/// <summary>Who trains what only after clearance by a licensed professional.</summary>
public static class Clearance
{
    /// <summary>Under this age a guardian's consent is needed.</summary>
    public const int Adult = 18;

    private static readonly Lazy<ClearanceFile> Embedded = new(() =>
        CatalogueJson.ReadEmbedded<ClearanceFile>("clearance.json")
    );

    public static IReadOnlyList<ClearanceQuestion> Questions => Embedded.Value.Questions;

    /// <summary>The questions that apply and are not cleared yet; an unknown age asks nothing.</summary>
    /// <param name="age">Reached this year.</param>
    /// <param name="byAge">What the age asks was cleared.</param>
    /// <param name="intake">With the answers.</param>
    public static IReadOnlyList<ClearanceQuestion> Open(int? age, bool byAge, Intake intake) =>
        [
            .. Questions.Where(q =>
                q.IsByAge
                    ? !byAge && age >= q.FromAge && age <= q.ToAge
                    : intake.Clearance.TryGetValue(q.Slug, out var answer) && answer is { Yes: true, Cleared: false }
            ),
        ];

    /// <summary>A minor without a guardian's consent.</summary>
    public static bool ConsentMissing(int? age, Intake intake) => age < Adult && !intake.GuardianConsent;
}
