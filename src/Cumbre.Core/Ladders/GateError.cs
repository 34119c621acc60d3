namespace Cumbre.Core.Ladders;

/// <summary>What is wrong in a written gate.</summary>
public enum GateFault
{
    /// <summary>A benchmark's name belongs here.</summary>
    ExpectedName,

    /// <summary>No benchmark has this name.</summary>
    UnknownName,

    /// <summary><c>&gt;=</c> belongs after the name.</summary>
    ExpectedAtLeast,

    /// <summary>A figure of the benchmark's measure belongs here.</summary>
    ExpectedFigure,

    /// <summary>The figure is of another measure than the benchmark's.</summary>
    WrongMeasure,

    /// <summary>A figure must be over zero and within what is plausible.</summary>
    OutOfRange,

    /// <summary>The upper figure of a range lies below the lower.</summary>
    RangeReversed,

    /// <summary><c>and</c>, <c>or</c> or the end belongs here.</summary>
    ExpectedJoin,

    /// <summary>A bracket is not closed.</summary>
    BracketOpen,

    /// <summary>Brackets within brackets, deeper than anyone reads.</summary>
    TooDeep,

    /// <summary>More text than a gate has.</summary>
    TooLong,

    /// <summary>The benchmark has no sides, or its sides are not said.</summary>
    Sides,

    /// <summary>No character of this language.</summary>
    UnknownCharacter,
}

/// <summary>An error with its place.</summary>
/// <param name="Fault">What is wrong.</param>
/// <param name="Start">First character, from 0.</param>
/// <param name="Length">Characters; 0 at the end of the text.</param>
/// <param name="Name">The benchmark that it is about, where there is one.</param>
public sealed record GateError(GateFault Fault, int Start, int Length, string? Name = null);

/// <summary>A parsed gate, or the first error.</summary>
public sealed record ParsedGate(GateExpression? Expression, GateError? Error);
