using Cumbre.Core.Measures;

namespace Cumbre.Core.Exchange;

/// <summary>What a table is about.</summary>
public enum ImportKind
{
    Athletes,
    BodyMasses,
    Tests,
    Sets,
    Outline,
}

/// <summary>What a column says.</summary>
public enum ColumnRole
{
    Ignored,
    Athlete,
    BirthYear,
    Sex,
    Stature,
    BodyMass,
    Day,
    Week,
    Session,
    SessionRpe,
    Deload,
    Movement,
    Test,
    Line,

    /// <summary>What was done in one cell; several columns are one set after the other.</summary>
    Result,

    /// <summary>The header is a test, a movement, a day or an athlete; the cells are what was done or measured.</summary>
    Value,

    /// <summary>How many sets.</summary>
    SetCount,

    /// <summary>Which set.</summary>
    Set,
    Part,
    Reps,
    Total,
    Seconds,
    Load,
    Unit,
    Reserve,
    Exertion,
    Side,
    Contact,
    Form,
    Fault,
    SetUp,
    Pain,
    PainPlace,
    Rested,
    Note,
}

/// <summary>A column, and what it says.</summary>
/// <param name="Index">From 0.</param>
/// <param name="Header">As it stands in the first sheet; empty: the table has none.</param>
/// <param name="Role">What it says.</param>
/// <param name="Unit">Of masses without one; null: that of the whole.</param>
public sealed record ColumnUse(int Index, string Header, ColumnRole Role, MassUnit? Unit = null);

/// <summary>What kind of thing a name names.</summary>
public enum NameOf
{
    Athlete,
    Movement,
    Test,
}

/// <summary>What somebody chose for a name.</summary>
/// <param name="Of">What it names.</param>
/// <param name="Written">As it stands in the table.</param>
/// <param name="Choice">Id or slug; <see cref="New"/>; null: its lines are left out.</param>
/// <param name="BodyMass">Of a new athlete, where the table has none.</param>
public sealed record NameChoice(NameOf Of, string Written, string? Choice, MassEntry? BodyMass = null)
{
    /// <summary>The athlete is taken in.</summary>
    public const string New = "new";
}

/// <summary>A cell that somebody corrected.</summary>
/// <param name="Sheet">Its name.</param>
/// <param name="Column">From 0.</param>
/// <param name="From">What stands there.</param>
/// <param name="To">What is meant; null: the line is left out.</param>
/// <param name="Row">From 1; null: wherever it stands in the column.</param>
public sealed record CellFix(string Sheet, int Column, string From, string? To, int? Row = null);

/// <summary>How a file is read.</summary>
public sealed record ImportMapping
{
    public ImportKind Kind { get; init; }

    /// <summary>Names of the sheets that are read.</summary>
    public IReadOnlyList<string> Sheets { get; init; } = [];

    /// <summary>From 1; 0: there is none.</summary>
    public int HeaderRow { get; init; }

    public DateOrder Dates { get; init; }

    public MassUnit Unit { get; init; }

    /// <summary>An empty cell of who, when and what says the same as the one above.</summary>
    public bool FillDown { get; init; } = true;

    /// <summary>The name of a sheet is that of the athlete.</summary>
    public bool SheetIsAthlete { get; init; }

    /// <summary>All lines are theirs, where no column says whose.</summary>
    public Guid? Athlete { get; init; }

    public IReadOnlyList<ColumnUse> Columns { get; init; } = [];

    public IReadOnlyList<NameChoice> Names { get; init; } = [];

    public IReadOnlyList<CellFix> Fixes { get; init; } = [];
}
