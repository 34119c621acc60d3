using System.Globalization;
using Cumbre.Core.Explanations;
using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Programmes;

/// <summary>What one press does about a caution.</summary>
public enum RemedyKind
{
    /// <summary>Write another line.</summary>
    Line,

    /// <summary>Take the item out.</summary>
    Remove,

    /// <summary>Train the session on another day.</summary>
    Move,

    /// <summary>Another movement with its own line.</summary>
    Substitute,

    /// <summary>Do the item in turn with the one before it.</summary>
    Join,
}

/// <summary>A change of the block that answers a caution.</summary>
/// <param name="Kind">What is done.</param>
/// <param name="Item">To which item; null: to the session.</param>
/// <param name="Session">To which session.</param>
/// <param name="Plan">The new dose.</param>
/// <param name="Movement">Slug of the new movement.</param>
/// <param name="MovementName">Its name.</param>
/// <param name="Day">The new day.</param>
public sealed record Remedy(
    RemedyKind Kind,
    Guid? Item,
    Guid? Session = null,
    Prescription? Plan = null,
    string? Movement = null,
    string? MovementName = null,
    DateOnly? Day = null
)
{
    public static Remedy Write(Guid item, Prescription plan) => new(RemedyKind.Line, item, Plan: plan);

    public static Remedy Remove(Guid item) => new(RemedyKind.Remove, item);

    public static Remedy Instead(Guid item, Movement movement, Prescription plan) =>
        new(RemedyKind.Substitute, item, Plan: plan, Movement: movement.Slug, MovementName: movement.Name);
}

/// <summary>A caution on a block, with its place and ways out.</summary>
/// <param name="Id">Which.</param>
/// <param name="Args">Figures for its words.</param>
/// <param name="Week">From 1.</param>
/// <param name="Session">Null: on the week as a whole.</param>
/// <param name="Item">Null: on more than one item.</param>
/// <param name="Remedies">The first is the nearest.</param>
public sealed record ProgrammeCaution(
    CautionId Id,
    IReadOnlyList<Quantity> Args,
    int Week,
    Guid? Session,
    Guid? Item,
    IReadOnlyList<Remedy> Remedies
)
{
    /// <summary>Tells several of one kind in one place apart, for instance the pattern.</summary>
    public string? About { get; init; }

    /// <summary>Why the coach keeps it; null: it is open.</summary>
    public string? KeptBecause { get; init; }

    /// <summary>Stays the same while the block is edited around it, so that a reason sticks to it.</summary>
    public string Key =>
        string.Join(
            ':',
            new[]
            {
                Id.ToString(),
                (Item ?? Session)?.ToString() ?? "w" + Week.ToString(CultureInfo.InvariantCulture),
                About,
            }.OfType<string>()
        );
}
