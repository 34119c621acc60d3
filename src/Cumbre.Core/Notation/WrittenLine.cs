using Cumbre.Core.Measures;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Notation;

/// <summary>
/// What is written for an item: a plan, or a text that cannot be read yet. A text is parsed once, where it is typed;
/// from there on the plan is carried, and the text is only printed for people.
/// </summary>
public sealed record WrittenLine
{
    private readonly MassUnit? unit;

    private WrittenLine(Prescription? plan, string? unread, MassUnit? unit) =>
        (Plan, Unread, this.unit) = (plan, unread, unit);

    /// <summary>Null: the text cannot be read.</summary>
    public Prescription? Plan { get; }

    /// <summary>As it was typed, while it cannot be read; null: there is a plan.</summary>
    public string? Unread { get; }

    /// <summary>What is wrong with the text; null: there is a plan.</summary>
    public NotationError? Error =>
        Unread is null ? null : NearestLines.Beside(NotationParser.Parse(Unread, unit), Unread, unit).Error;

    /// <summary>The canonical line, or the text as it was typed.</summary>
    public string Text => Plan is null ? Unread! : NotationPrinter.Print(Plan);

    public static WrittenLine Of(Prescription plan) => new(plan, null, null);

    /// <summary>Reads a typed text; a load without a unit is in <paramref name="unit"/>.</summary>
    public static WrittenLine Typed(string text, MassUnit? unit = null) =>
        NotationParser.Parse(text, unit).Plan is { } plan ? Of(plan) : new(null, text, unit);

    /// <summary>The same text is the same line, in whatever unit it is meant.</summary>
    public bool Equals(WrittenLine? other) => other is not null && (Plan, Unread) == (other.Plan, other.Unread);

    public override int GetHashCode() => HashCode.Combine(Plan, Unread);

    public static implicit operator WrittenLine(Prescription plan) => Of(plan);
}
