using Cumbre.Core.Movements;

namespace Cumbre.Core.Ladders;

/// <summary>What can be wrong with a written ladder.</summary>
public enum LadderFault
{
    /// <summary>There are no steps.</summary>
    NoSteps,

    /// <summary>Two steps have one slug. (slug)</summary>
    StepTwice,

    /// <summary>A name, a dose or another text is missing.</summary>
    EmptyText,

    /// <summary>A text is longer than anyone reads. (characters at most)</summary>
    LongText,

    /// <summary>There are more steps than a ridge can show. (steps at most)</summary>
    TooManySteps,

    /// <summary>No movement has this slug. (slug)</summary>
    UnknownMovement,

    /// <summary>No step of this ladder has this slug. (slug)</summary>
    UnknownStep,

    /// <summary>There is no such question among the schools. (question)</summary>
    UnknownQuestion,

    /// <summary>The question has no such school. (school)</summary>
    UnknownSchool,

    /// <summary>The demand lacks its figure. (kind)</summary>
    Demand,

    /// <summary>The weeks are out of range.</summary>
    Weeks,

    /// <summary>A gate cannot be read.</summary>
    Gate,

    /// <summary>The steps before it lead back to it.</summary>
    Circle,

    /// <summary>It cannot be reached from the first step.</summary>
    Unreachable,

    /// <summary>It follows a step that stands after it.</summary>
    OutOfOrder,

    /// <summary>No step follows it, and it is not the summit.</summary>
    LeadsNowhere,
}

/// <summary>Something wrong in a written ladder, with its place.</summary>
/// <param name="Fault">What is wrong.</param>
/// <param name="Place">Slugs, for instance <c>front-lever/tuck/gates[0]</c>.</param>
/// <param name="Path">The field in the ladder's JSON, for instance <c>steps[3].gates[0].gate</c>.</param>
/// <param name="Name">What the fault is about; empty where there is nothing to name.</param>
/// <param name="Gate">Where and what, for a gate.</param>
public sealed record LadderSlip(LadderFault Fault, string Place, string Path, string Name = "", GateError? Gate = null)
{
    /// <summary>A sentence for whoever wrote the ladder.</summary>
    public string Cause =>
        Fault switch
        {
            LadderFault.NoSteps => "has no steps",
            LadderFault.StepTwice => "stands twice",
            LadderFault.EmptyText => "is empty",
            LadderFault.LongText => $"has more than {Name} characters",
            LadderFault.TooManySteps => $"has more than {Name} steps",
            LadderFault.UnknownMovement => $"no movement {Name}",
            LadderFault.UnknownStep => $"no step {Name} in this ladder",
            LadderFault.UnknownQuestion => $"no question {Name} among the schools",
            LadderFault.UnknownSchool => $"there is no school {Name}",
            LadderFault.Demand => $"the demand of kind {Name} lacks its figure",
            LadderFault.Weeks => $"weeks must be 1 to {LadderReader.WeeksMaximum}",
            LadderFault.Gate =>
                $"\"{Name}\": {Gate!.Fault} at character {Gate.Start + 1}{(Gate.Name is null ? "" : $" ({Gate.Name})")}",
            LadderFault.Circle => "its steps form a circle",
            LadderFault.Unreachable => "cannot be reached from the first step",
            LadderFault.OutOfOrder => "follows a step that stands after it",
            _ => "leads nowhere",
        };
}

/// <summary>A ladder as it was read, or all that is wrong with it.</summary>
/// <param name="Ladder">Null when there are slips.</param>
/// <param name="Slips">Every one, in the order of the file.</param>
public sealed record LadderReading(Ladder? Ladder, IReadOnlyList<LadderSlip> Slips)
{
    /// <exception cref="CatalogueException">The first slip.</exception>
    public Ladder OrThrow() => Ladder ?? throw new CatalogueException(Atlas.File, Slips[0].Place, Slips[0].Cause);
}
