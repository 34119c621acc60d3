using Cumbre.Core.Lexing;

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

    /// <summary>The method has no such part: a hold has no tempo.</summary>
    NotInThisMethod,

    /// <summary>The pause and the tempo say different things of the same place.</summary>
    PauseAgainstTempo,

    /// <summary>The seconds of a broken hold do not make equal pieces; the range holds the nearest that do.</summary>
    NotInEqualPieces,

    /// <summary>As many as possible with some in reserve is practice at body mass; with a load, reps are needed.</summary>
    ReserveOfMax,

    /// <summary>It can mean several things, and they are the ways on.</summary>
    Ambiguous,
}

/// <summary>What a line may go on with.</summary>
public enum Expectation
{
    SetCount,
    RepCount,
    Times,

    /// <summary>x and how many rounds.</summary>
    RoundCount,
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
    Hold,
    Negative,
    Every,
    Pyramid,
    RestPause,
    Cluster,
    Max,
    Practice,
    HoldSets,
    HoldSeconds,
    PercentBest,
    SecondsUnit,
    InPieces,
    Lower,
    LowerSeconds,
    Do,
    Rung,
    Gap,
    SecondsOrBreaths,
    Stretch,
    StretchSeconds,
    BandLoad,
    PauseSeconds,
    PausePlace,
    EachSide,
    SideOrder,
    OneMore,
    Range,
    Effort,
    Then,
    Tempo,
    Rest,
    Sides,
    Pause,
    Grips,
    Fast,

    /// <summary>A comma and the next set's figure.</summary>
    NextSet,
    SetUp,
    BoxHeight,
    PadCount,
    FeetPlace,
    StrapMark,
    FingerCount,
    Centimetres,
    Surface,
    TimeToBeat,
    ForTime,
    Unbroken,
}

/// <summary>A fault of a line with its place, and what was expected there. Positions count characters from 0.</summary>
/// <param name="Fault">What is wrong.</param>
/// <param name="Start">First character.</param>
/// <param name="Length">Characters.</param>
/// <param name="Expected">What could stand there.</param>
/// <param name="Minimum">Of a range.</param>
/// <param name="Maximum">Of a range.</param>
public sealed record NotationError(
    NotationFault Fault,
    int Start,
    int Length,
    IReadOnlyList<Expectation> Expected,
    decimal? Minimum = null,
    decimal? Maximum = null
)
{
    /// <summary>The whole line as it may have been meant; empty: nothing can be guessed.</summary>
    public IReadOnlyList<string> Ways { get; init; } = [];

    /// <summary>Lines that can be read and are near to this one, where nothing can be guessed.</summary>
    public IReadOnlyList<string> Nearest { get; init; } = [];
}

/// <summary>Either a plan or the first error of its line; the tokens for colouring either way.</summary>
/// <param name="Plan">Null: the line has an error.</param>
/// <param name="Error">Null: it is right.</param>
/// <param name="Tokens">Of the line.</param>
/// <param name="OpenAtEnd">What a right line may still go on with.</param>
public sealed record NotationResult(
    Prescriptions.Prescription? Plan,
    NotationError? Error,
    IReadOnlyList<Token> Tokens,
    IReadOnlyList<Expectation> OpenAtEnd
);
