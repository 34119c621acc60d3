namespace Cumbre.Core.Movements;

/// <summary>One answer to a question on which practitioners disagree.</summary>
/// <param name="Slug">Stable name.</param>
/// <param name="Name">As coaches say it.</param>
/// <param name="What">What it asks or does.</param>
/// <param name="Why">Why one would choose it.</param>
public sealed record SchoolChoice(string Slug, string Name, string What, string Why);

/// <summary>A question on which practitioners disagree; the first choice is the default.</summary>
/// <param name="Slug">Stable name.</param>
/// <param name="Question">As a coach would ask it.</param>
/// <param name="Choices">Two or more.</param>
/// <param name="Judges">Movements of which the choice says what counts, beside their own form standard.</param>
public sealed record SchoolQuestion(
    string Slug,
    string Question,
    IReadOnlyList<SchoolChoice> Choices,
    IReadOnlyList<string>? Judges = null
)
{
    public SchoolChoice Default => Choices[0];
}
