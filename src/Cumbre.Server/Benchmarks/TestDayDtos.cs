using Cumbre.Core.Benchmarks;
using Cumbre.Core.Explanations;
using Cumbre.Core.Ladders;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Server.Reading;

namespace Cumbre.Server.Benchmarks;

/// <summary>A test across the sheet.</summary>
/// <param name="Slug">Of the test.</param>
/// <param name="Name">As a list shows it.</param>
/// <param name="Movement">Whose form it asks for.</param>
/// <param name="Measure">What it counts.</param>
/// <param name="EachSide">Two columns.</param>
/// <param name="Protocol">How it is done.</param>
/// <param name="Standard">What counts.</param>
/// <param name="Faults">What breaks the standard.</param>
/// <param name="SetUp">What must be written down.</param>
/// <param name="Example">Of a cell.</param>
public sealed record SheetTest(
    string Slug,
    string Name,
    string Movement,
    BenchmarkMeasure Measure,
    bool EachSide,
    string Protocol,
    string Standard,
    IReadOnlyList<string> Faults,
    IReadOnlyList<string> SetUp,
    string Example
)
{
    public static SheetTest Of(Benchmark b, Catalogue catalogue)
    {
        var movement = catalogue.Movements[b.Movement];
        return new(
            b.Slug,
            b.Name,
            b.Movement,
            b.Measure,
            b.EachSide,
            b.Protocol,
            movement.Standard,
            movement.Faults,
            movement.SetUp,
            ResultNotation.Example(b.Measure)
        );
    }
}

/// <summary>An athlete down the sheet.</summary>
/// <param name="Id">Athlete.</param>
/// <param name="Name">Athlete.</param>
/// <param name="Unit">In which a load without a unit is meant.</param>
/// <param name="HasBodyMass">Without one nothing can be recorded.</param>
/// <param name="Blocked">Slug of a test to the clearance that keeps it out.</param>
/// <param name="Standards">
/// Slug of a test to what counts by the athlete's schools, where they say more than the test.
/// </param>
public sealed record SheetAthlete(
    Guid Id,
    string Name,
    MassUnit Unit,
    bool HasBodyMass,
    IReadOnlyDictionary<string, string> Blocked,
    IReadOnlyDictionary<string, string> Standards
);

/// <summary>A filled cell.</summary>
/// <param name="ResultId">Of the result.</param>
/// <param name="AthleteId">Row.</param>
/// <param name="Benchmark">Column.</param>
/// <param name="Side">Column.</param>
/// <param name="Text">As it can be typed again.</param>
/// <param name="Form">Against the standard.</param>
/// <param name="SetUp">As written.</param>
/// <param name="Pain">0 to 10.</param>
/// <param name="PainPlace">Where.</param>
public sealed record SheetCell(
    Guid ResultId,
    Guid AthleteId,
    string Benchmark,
    Side? Side,
    string Text,
    FormVerdict Form,
    string? SetUp,
    int? Pain,
    string? PainPlace
)
{
    public static SheetCell Of(Guid athleteId, BenchmarkResult r) =>
        new(r.Id, athleteId, r.Benchmark, r.Side, CellText(r), r.Form, r.SetUp, r.Pain, r.PainPlace);

    /// <summary>As <see cref="ResultNotation"/> reads it.</summary>
    public static string CellText(BenchmarkResult r) =>
        r.Reserve > 0 ? $"{ResultPrinter.Print(r)} r{r.Reserve}" : ResultPrinter.Print(r);
}

/// <summary>The sheet of an evening.</summary>
public sealed record SheetDto(
    Guid Id,
    DateOnly Day,
    string Name,
    IReadOnlyList<SheetAthlete> Athletes,
    IReadOnlyList<SheetTest> Tests,
    IReadOnlyList<SheetCell> Cells,
    long Version,
    Figure Time
);

/// <param name="Day">Not after today.</param>
/// <param name="Name">1 to 80 characters.</param>
/// <param name="Athletes">Down, at most 60.</param>
/// <param name="Tests">Slugs across, at most 12.</param>
/// <param name="Version">0 to create it.</param>
public sealed record SheetRequest(
    DateOnly Day,
    string Name,
    IReadOnlyList<Guid> Athletes,
    IReadOnlyList<string> Tests,
    long Version
);

/// <summary>What was typed into a cell; an empty text takes the result back.</summary>
/// <param name="Known">
/// What the device knows or has sent of the cell: another figure there is somebody else's, and stays. Null: it does not
/// say.
/// </param>
public sealed record CellRequest(
    Guid AthleteId,
    string Benchmark,
    Side? Side,
    string Text,
    FormVerdict Form,
    string? SetUp,
    int? Pain,
    string? PainPlace,
    IReadOnlyList<string>? Known = null
);

/// <summary>The stored cell, and what it opened or closed; null: it is empty.</summary>
public sealed record CellAnswer(SheetCell? Cell, IReadOnlyList<LadderChange> Changes);

/// <summary>A proposed test and why.</summary>
/// <param name="Slug">Of the test.</param>
/// <param name="Name">Of the test.</param>
/// <param name="Reason">Why.</param>
/// <param name="Decides">What hangs on it.</param>
public sealed record ProposedTest(string Slug, string Name, BatteryReason Reason, IReadOnlyList<DecidedStep> Decides);

/// <summary>A step that a test wins or opens.</summary>
/// <param name="Ladder">Name of the goal.</param>
/// <param name="Step">Name of the step.</param>
/// <param name="Wins">It wins the step in training; else it opens the next.</param>
/// <param name="Threshold">Have and need.</param>
public sealed record DecidedStep(string Ladder, string Step, bool Wins, ThresholdEvidence Threshold);

/// <summary>A test that can change nothing yet.</summary>
/// <param name="Slug">Of the test.</param>
/// <param name="Name">Of the test.</param>
/// <param name="For">What it would decide.</param>
/// <param name="Behind">What of the same step is far away and comes first.</param>
public sealed record WaitingDto(string Slug, string Name, DecidedStep For, ThresholdEvidence Behind);

/// <summary>A test that is kept out.</summary>
public sealed record KeptOut(string Slug, string Name, string Question);

/// <summary>The battery of one athlete.</summary>
public sealed record BatteryDto(
    Guid AthleteId,
    string Name,
    IReadOnlyList<ProposedTest> Tests,
    IReadOnlyList<ProposedTest> Later,
    IReadOnlyList<KeptOut> Blocked,
    IReadOnlyList<WaitingDto> Waiting,
    Figure Time,
    bool HasGoals
);

/// <summary>The batteries of a group.</summary>
/// <param name="Athletes">Each by themselves.</param>
/// <param name="Tests">All of them once, in their order.</param>
public sealed record ProposalDto(IReadOnlyList<BatteryDto> Athletes, IReadOnlyList<SheetTest> Tests);

/// <param name="Athletes">Who is tested.</param>
public sealed record ProposalRequest(IReadOnlyList<Guid> Athletes);

/// <summary>A result against the one before.</summary>
/// <param name="Name">Of the test.</param>
/// <param name="Side">Where it has sides.</param>
/// <param name="Now">As written.</param>
/// <param name="Before">The result before; null: the first.</param>
/// <param name="BeforeDay">Its day.</param>
/// <param name="Difference">Reps, seconds, degrees or percent of the system; null where they cannot be
/// compared.</param>
/// <param name="Unit">Of the difference: reps, s, degrees or %.</param>
/// <param name="IsNoise">No more than the test gives from day to day.</param>
/// <param name="Form">Against the standard.</param>
public sealed record OutcomeRow(
    string Name,
    Side? Side,
    string Now,
    string? Before,
    DateOnly? BeforeDay,
    decimal? Difference,
    string Unit,
    bool IsNoise,
    FormVerdict Form
);

/// <summary>The two sides of a test.</summary>
public sealed record OutcomeSides(
    string Name,
    string Left,
    string Right,
    decimal Fraction,
    Side? Weaker,
    SideGapAdvice Advice
);

/// <summary>What an evening did for one athlete.</summary>
public sealed record OutcomeDto(
    Guid AthleteId,
    string Name,
    IReadOnlyList<LadderChange> Changes,
    IReadOnlyList<OutcomeRow> Rows,
    IReadOnlyList<OutcomeSides> Sides
);
