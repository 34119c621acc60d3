using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Programmes;

/// <summary>What a week of a block is for.</summary>
public enum WeekKind
{
    Loading,

    /// <summary>Half the sets, no added load.</summary>
    Easy,

    /// <summary>Easy, with the tests of the next placement at its end.</summary>
    Retest,
}

/// <summary>One exercise of a session.</summary>
/// <param name="Id">Made by whoever adds it.</param>
/// <param name="Movement">Slug.</param>
/// <param name="Written">Its plan, or the text that cannot be read yet.</param>
/// <param name="Joined">Done in turn with the item before it: two make a pair, more a circuit.</param>
/// <param name="Role">Null: written by hand; it has the role of the item of its movement that it is nearest to.</param>
public sealed record BlockItem(
    Guid Id,
    string Movement,
    WrittenLine Written,
    bool Joined = false,
    ItemRole? Role = null
)
{
    /// <summary>An item whose line was typed.</summary>
    public BlockItem(Guid id, string movement, string line, bool joined = false)
        : this(id, movement, WrittenLine.Typed(line), joined) { }

    public Prescription? Plan => Written.Plan;

    /// <summary>The canonical line, or the text as it was typed.</summary>
    public string Line => Written.Text;
}

/// <summary>What is done before and after the items, with its time.</summary>
/// <param name="Seconds">0 to 3600.</param>
/// <param name="Text">In the coach's words; null: nothing is written.</param>
public sealed record Frame(int Seconds, string? Text)
{
    public const int Maximum = 3600;
}

/// <summary>One training.</summary>
/// <param name="Id">Made by whoever adds it.</param>
/// <param name="Day">Training day.</param>
/// <param name="Title">For instance Pull; may be empty.</param>
/// <param name="WarmUp">As planned.</param>
/// <param name="CoolDown">As planned.</param>
/// <param name="Items">In order.</param>
/// <param name="Fixed">It has begun: nothing in it is changed any more.</param>
public sealed record BlockSession(
    Guid Id,
    DateOnly Day,
    string Title,
    Frame WarmUp,
    Frame CoolDown,
    IReadOnlyList<BlockItem> Items,
    bool Fixed = false
);

/// <summary>A week from Monday to Sunday.</summary>
public sealed record BlockWeek(WeekKind Kind, IReadOnlyList<BlockSession> Sessions);

/// <summary>A caution that the coach keeps, with the reason.</summary>
/// <param name="Key">Of the caution, see <see cref="ProgrammeCaution.Key"/>.</param>
/// <param name="Reason">In the coach's words.</param>
public sealed record Kept(string Key, string Reason);

/// <summary>A mesocycle.</summary>
/// <param name="Name">In the coach's words.</param>
/// <param name="Start">The Monday of its first week.</param>
/// <param name="Weeks">One after the other.</param>
/// <param name="Kept">Cautions that stand against the rule.</param>
public sealed record Block(string Name, DateOnly Start, IReadOnlyList<BlockWeek> Weeks, IReadOnlyList<Kept> Kept)
{
    public const int WeeksMaximum = 16;

    /// <summary>Sessions of one week.</summary>
    public const int SessionsMaximum = 14;

    public DateOnly MondayOf(int week) => Start.AddDays(7 * week);
}
