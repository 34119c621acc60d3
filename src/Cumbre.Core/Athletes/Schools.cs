using Cumbre.Core.Movements;

namespace Cumbre.Core.Athletes;

/// <summary>
/// The schools in force for an athlete: the catalogue's default, unless the club chose otherwise, unless the athlete's
/// coach
/// did for them.
/// </summary>
public sealed class Schools : IEquatable<Schools>
{
    /// <summary>When may load be hung?</summary>
    public const string Loading = "loading";

    /// <summary>When is load added?</summary>
    public const string Increase = "increase";

    /// <summary>Which repetitions build?</summary>
    public const string RepZone = "rep-zone";

    /// <summary>The choice of <see cref="Increase"/> that asks for one clean session only.</summary>
    public const string OneCleanSession = "one-clean-session";

    private readonly SortedDictionary<string, string> choices = new(StringComparer.Ordinal);

    /// <param name="catalogue">The questions with their defaults.</param>
    /// <param name="overrides">Question to choice, weakest first; a later list wins.</param>
    /// <exception cref="KeyNotFoundException">A question or choice does not exist.</exception>
    public Schools(Catalogue catalogue, params IReadOnlyDictionary<string, string>[] overrides)
    {
        foreach (var question in catalogue.Schools)
            choices[question.Slug] = question.Default.Slug;
        foreach (var (slug, choice) in overrides.SelectMany(o => o))
        {
            if (catalogue.SchoolsBySlug[slug].Choices.All(c => c.Slug != choice))
                throw new KeyNotFoundException($"{slug} has no school {choice}");
            choices[slug] = choice;
        }
    }

    /// <summary>The same with another choice.</summary>
    /// <exception cref="KeyNotFoundException">The question or choice does not exist.</exception>
    public Schools With(Catalogue catalogue, string question, string choice) =>
        new(catalogue, choices, new Dictionary<string, string> { [question] = choice });

    public static Schools Default { get; } = new(Catalogue.Shipped);

    /// <summary>The slug of the choice for a question.</summary>
    /// <exception cref="KeyNotFoundException">There is no such question.</exception>
    public string this[string question] => choices[question];

    /// <summary>What counts in a movement: its form standard, and what the choices in force say of it.</summary>
    public string StandardOf(Movement movement, Catalogue catalogue) =>
        string.Join(
            ' ',
            catalogue
                .Schools.Where(q => q.Judges?.Contains(movement.Slug) == true)
                .Select(q => q.Choices.First(c => c.Slug == this[q.Slug]).What)
                .Prepend(movement.Standard)
        );

    /// <summary>Clean sessions in a row that earn an increase.</summary>
    public int CleanSessionsNeeded => this[Increase] == OneCleanSession ? 1 : 2;

    public bool Equals(Schools? other) => other is not null && choices.SequenceEqual(other.choices);

    public override bool Equals(object? obj) => Equals(obj as Schools);

    public override int GetHashCode() => choices.Aggregate(17, (hash, c) => HashCode.Combine(hash, c.Key, c.Value));
}
