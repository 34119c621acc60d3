namespace Cumbre.Core.Notation;

/// <summary>What is wrong at a place of a line.</summary>
public enum NotationFault
{
    /// <summary>Something else was expected here.</summary>
    Unexpected,

    /// <summary>A number outside its range.</summary>
    OutOfRange,

    /// <summary>A whole number was expected.</summary>
    NotWhole,

    /// <summary>The same part of a line twice.</summary>
    Twice,

    /// <summary>Parts and loads, or parts and grips, differ in number.</summary>
    PartsDiffer,

    /// <summary>The loads of a drop set must fall.</summary>
    LoadsDoNotFall,

    /// <summary>A range that does not rise.</summary>
    RangeReversed,

    /// <summary>X stands only for the lifting phase, the third figure of a tempo.</summary>
    FastOnlyWhenLifting,

    /// <summary>Over 300 characters.</summary>
    TooLong,
}

/// <summary>What a line may go on with.</summary>
public enum Expectation
{
    SetCount,
    RepCount,
    Times,
    Drop,
    Top,
    BackOff,
    Load,
    Unit,
    UnitOrPercent,
    PercentBase,
    PercentTop,
    PercentSign,
    BackOffPercent,
    Increment,
    RepRange,
    InReserve,
    Failure,
    TempoLowering,
    TempoBottom,
    TempoLifting,
    TempoTop,
    TempoDash,
    Duration,
    DurationUnit,
    TwoDigitSeconds,
    Grip,
    Slash,
    Plus,
    Modifier,
    EndOfLine,
}

/// <summary>A fault of a line with its place, and what was expected there. Positions count characters from 0.</summary>
public sealed record NotationError(
    NotationFault Fault,
    int Start,
    int Length,
    IReadOnlyList<Expectation> Expected,
    decimal? Minimum = null,
    decimal? Maximum = null);

/// <summary>Either a plan or the first error of its line; the tokens for colouring either way.</summary>
public sealed record NotationResult(Prescriptions.Prescription? Plan, NotationError? Error, IReadOnlyList<Token> Tokens);
