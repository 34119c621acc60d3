namespace Cumbre.Core.Measures;

/// <summary>What a guarded value refused; the wording is made at the edge.</summary>
public enum Violation
{
    /// <summary>
    /// The number is outside its range: <see cref="RuleViolationException.Minimum"/> to <see
    /// cref="RuleViolationException.Maximum"/>.
    /// </summary>
    OutOfRange,

    /// <summary>Two sizes of plate are the same.</summary>
    DuplicatePlate,

    /// <summary>Weights of a vest without the vest, or in another unit than the vest's.</summary>
    NeedsVest,

    /// <summary>The upper end of a range lies below its lower end.</summary>
    RangeReversed,

    /// <summary>The parts of a drop set and its loads or grips differ in number.</summary>
    PartsDiffer,

    /// <summary>The loads of a drop set do not fall.</summary>
    LoadsDoNotFall,

    /// <summary>Too many entries in a list; <see cref="RuleViolationException.Maximum"/> is the most.</summary>
    TooMany,

    /// <summary>A number was expected.</summary>
    NoNumber,

    /// <summary>None of the words to choose from.</summary>
    NoSuchWord,
}

/// <summary>
/// Thrown by a constructor that would otherwise make an illegal state; carries the range so that the edge can say what
/// was expected.
/// </summary>
public sealed class RuleViolationException(
    Violation violation,
    string field,
    decimal? value = null,
    decimal? minimum = null,
    decimal? maximum = null
) : Exception($"{field}: {violation} (value {value}, allowed {minimum} to {maximum})")
{
    public Violation Violation { get; } = violation;

    /// <summary>The name of the guarded field, for instance <c>reps</c>.</summary>
    public string Field { get; } = field;

    public decimal? Value { get; } = value;

    public decimal? Minimum { get; } = minimum;

    public decimal? Maximum { get; } = maximum;
}

/// <summary>Range guards shared by the value types of the core.</summary>
public static class Guard
{
    /// <exception cref="RuleViolationException">The value is outside the range.</exception>
    public static int InRange(string field, int value, int minimum, int maximum) =>
        value >= minimum && value <= maximum
            ? value
            : throw new RuleViolationException(Violation.OutOfRange, field, value, minimum, maximum);

    /// <exception cref="RuleViolationException">The value is outside the range.</exception>
    public static decimal InRange(string field, decimal value, decimal minimum, decimal maximum) =>
        value >= minimum && value <= maximum
            ? value
            : throw new RuleViolationException(Violation.OutOfRange, field, value, minimum, maximum);

    /// <param name="minimum">The least mass in kg.</param>
    /// <param name="maximum">The greatest mass in kg.</param>
    /// <exception cref="RuleViolationException">The mass is outside the range; value and range are reported in the
    /// entry's own unit.</exception>
    public static MassEntry InRange(string field, MassEntry entry, decimal minimum, decimal maximum) =>
        entry.Mass.Kilograms >= minimum && entry.Mass.Kilograms <= maximum
            ? entry
            : throw new RuleViolationException(
                Violation.OutOfRange,
                field,
                entry.Value,
                Math.Round(Mass.FromKilograms(minimum).In(entry.Unit), 1),
                Math.Round(Mass.FromKilograms(maximum).In(entry.Unit), 1)
            );
}
