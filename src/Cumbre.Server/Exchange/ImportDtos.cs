using Cumbre.Core.Exchange;
using Cumbre.Server.Hosting;
using Cumbre.Storage.Exchange;

namespace Cumbre.Server.Exchange;

/// <summary>A sheet as it begins.</summary>
/// <param name="Name">Of the sheet.</param>
/// <param name="IsHidden">Whoever opens the file does not see it.</param>
/// <param name="Rows">The first rows, as they stand.</param>
public sealed record TableSheetDto(string Name, bool IsHidden, IReadOnlyList<IReadOnlyList<string>> Rows);

/// <summary>A file that was sent and is not in yet.</summary>
/// <param name="Id">Of the file.</param>
/// <param name="Name">As its owner calls it.</param>
/// <param name="Sheets">Those that hold anything.</param>
/// <param name="Mapping">How it would be read.</param>
/// <param name="Remembered">The file whose mapping that is; null: it is guessed.</param>
public sealed record ImportFileDto(
    Guid Id,
    string Name,
    IReadOnlyList<TableSheetDto> Sheets,
    ImportMapping Mapping,
    string? Remembered
);

/// <summary>A name of the table, what it was read as, and what else it may be.</summary>
/// <param name="Of">What it names.</param>
/// <param name="Written">As it stands there.</param>
/// <param name="Match">How sure that is.</param>
/// <param name="Found">Id, slug or <c>new</c>; null: nothing.</param>
/// <param name="FoundName">As the club says it.</param>
/// <param name="Near">What else may be meant.</param>
/// <param name="NeedsBodyMass">Sets or tests are told of somebody whose bodyweight nobody knows.</param>
/// <param name="ConsentWithdrawn">Nothing new may be recorded of them: their lines have to be left out.</param>
public sealed record ReadNameDto(
    NameOf Of,
    string Written,
    NameMatch Match,
    string? Found,
    string? FoundName,
    IReadOnlyList<NameNear> Near,
    bool NeedsBodyMass,
    bool ConsentWithdrawn
);

/// <summary>What a name may mean.</summary>
/// <param name="Choice">Id or slug.</param>
/// <param name="Name">As the club says it.</param>
/// <param name="Born">Of an athlete.</param>
public sealed record NameNear(string Choice, string Name, int? Born);

/// <summary>Cells with the same fault.</summary>
/// <param name="Sheet">Where.</param>
/// <param name="Row">The first of them, from 1.</param>
/// <param name="Column">From 0.</param>
/// <param name="Fault">What is wrong.</param>
/// <param name="Written">What stands there.</param>
/// <param name="Count">How many.</param>
public sealed record CellFaultDto(string Sheet, int Row, int Column, ImportFaultId Fault, string Written, int Count);

/// <summary>A line as it would stand in the club.</summary>
/// <param name="Who">The athlete; null: a line of a plan.</param>
/// <param name="Day">When.</param>
/// <param name="Week">Of a plan.</param>
/// <param name="What">Movement or test; null: the athlete themselves, or a weighing.</param>
/// <param name="Text">What was done, measured or planned.</param>
public sealed record SampleLineDto(string? Who, DateOnly? Day, int? Week, string? What, string Text);

/// <summary>What a file would bring.</summary>
/// <param name="Counts">How much.</param>
/// <param name="NewAthletes">Who are taken in.</param>
/// <param name="Names">Those that were not read exactly come first.</param>
/// <param name="FaultyCells">All of them.</param>
/// <param name="Faults">Like ones together, in the order of the file; the first of them.</param>
/// <param name="Sample">The first lines as they would stand.</param>
/// <param name="AmbiguousDays">Some days can be read both ways.</param>
/// <param name="IsReady">Nothing is in its way.</param>
public sealed record FilePreviewDto(
    ImportCounts Counts,
    int NewAthletes,
    IReadOnlyList<ReadNameDto> Names,
    int FaultyCells,
    IReadOnlyList<CellFaultDto> Faults,
    IReadOnlyList<SampleLineDto> Sample,
    bool AmbiguousDays,
    bool IsReady
);

/// <summary>How far a file is.</summary>
public enum ImportState
{
    Open,
    Running,
    Done,
    Cancelled,
    Failed,
}

/// <param name="State">How far.</param>
/// <param name="Rows">Read so far.</param>
/// <param name="Total">Of the file.</param>
/// <param name="Result">What it brought.</param>
/// <param name="Problem">Why it failed.</param>
public sealed record ImportProgressDto(
    ImportState State,
    long Rows,
    long Total,
    ImportResult? Result,
    Message? Problem
);

/// <summary>What a file brought.</summary>
/// <param name="Added">What is new.</param>
/// <param name="NewAthletes">Who were taken in.</param>
/// <param name="KnownSets">Sets that were there already and stay as they are.</param>
/// <param name="KnownOthers">The same of tests and weighings.</param>
public sealed record ImportResult(ImportCounts Added, int NewAthletes, int KnownSets, int KnownOthers);

/// <summary>A file that is in.</summary>
/// <param name="Id">Of the file.</param>
/// <param name="Name">As its owner called it.</param>
/// <param name="Kind">A table or an archive.</param>
/// <param name="By">Whose name it came in under; null: they have left.</param>
/// <param name="At">When.</param>
/// <param name="Result">What it brought.</param>
/// <param name="IsUndone">It was taken back.</param>
public sealed record ImportedDto(
    Guid Id,
    string Name,
    ImportedKind Kind,
    string? By,
    DateTimeOffset At,
    ImportResult Result,
    bool IsUndone
);

/// <summary>What went with a file.</summary>
/// <param name="Rows">Of the log, results and weighings.</param>
/// <param name="Athletes">Taken out again.</param>
/// <param name="AthletesKept">Something else was written about them since.</param>
public sealed record UndoneDto(int Rows, int Athletes, int AthletesKept);

/// <summary>An athlete of an archive.</summary>
/// <param name="Name">As the archive says it.</param>
/// <param name="IsKnown">They are here already, and stay as they are.</param>
/// <param name="Sessions">So many.</param>
/// <param name="Tests">So many.</param>
public sealed record ArchivedAthlete(string Name, bool IsKnown, int Sessions, int Tests);

/// <summary>What an archive would bring, or has brought.</summary>
/// <param name="Problems">Any, and nothing is taken over.</param>
/// <param name="Athletes">In the order of the file.</param>
public sealed record ArchiveAnswer(IReadOnlyList<FileProblem> Problems, IReadOnlyList<ArchivedAthlete> Athletes);
