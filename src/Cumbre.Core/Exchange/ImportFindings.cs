using Cumbre.Core.Benchmarks;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Notation;

namespace Cumbre.Core.Exchange;

/// <summary>Why a line of a table cannot be taken over.</summary>
public enum ImportFaultId
{
    AthleteMissing,
    AthleteUnknown,
    AthleteSeveral,
    DayMissing,
    DayUnread,
    DayAhead,
    MovementMissing,
    MovementUnknown,
    TestMissing,
    TestUnknown,
    ResultMissing,
    ResultUnread,
    NumberUnread,
    OutOfRange,
    SideMissing,
    SideUnread,
    PlaceMissing,
    WeekUnread,
    LineUnread,
    NameLong,
}

/// <summary>A cell that cannot be taken over.</summary>
/// <param name="Sheet">Its name.</param>
/// <param name="Row">From 1, as the file counts.</param>
/// <param name="Column">From 0.</param>
/// <param name="Id">What is wrong.</param>
/// <param name="Written">What stands there.</param>
public sealed record ImportFault(string Sheet, int Row, int Column, ImportFaultId Id, string Written);

/// <summary>Whose a line is.</summary>
/// <param name="Id">Null: somebody who is taken in.</param>
/// <param name="Name">As the table writes it.</param>
public readonly record struct Who(Guid? Id, string Name)
{
    /// <summary>The same for every spelling of a new name.</summary>
    public string Key => Id?.ToString("N") ?? PlainName.Of(Name);
}

/// <summary>What a table says of an athlete; null: nothing.</summary>
public sealed record FoundAthlete(int? BirthYear, Sex? Sex, decimal? StatureCm);

/// <summary>A result of a test.</summary>
public sealed record FoundTest(DateOnly Day, Benchmark Benchmark, WrittenResult Result, Side? Side);

/// <summary>What was done of one movement in a session.</summary>
/// <param name="Day">Of the session.</param>
/// <param name="Session">Its title; may be empty.</param>
/// <param name="Movement">Of the item.</param>
/// <param name="Done">Its sets.</param>
/// <param name="SessionRpe">1 to 10; null: not told.</param>
/// <param name="Easy">In a deload.</param>
/// <param name="BodyMass">Of the day; null: not told beside it.</param>
public sealed record FoundItem(
    DateOnly Day,
    string Session,
    Movement Movement,
    DoneItem Done,
    decimal? SessionRpe,
    bool Easy,
    MassEntry? BodyMass
);

/// <summary>A line of a plan.</summary>
/// <param name="Week">From 1.</param>
/// <param name="Session">Its title.</param>
/// <param name="Weekday">Null: not told.</param>
/// <param name="Movement">Of the item.</param>
/// <param name="Line">Its dose.</param>
public sealed record OutlineLine(int Week, string Session, DayOfWeek? Weekday, Movement Movement, WrittenLine Line);

/// <summary>How a name of the table was understood.</summary>
/// <param name="Of">What it names.</param>
/// <param name="Written">As it stands there.</param>
/// <param name="Match">How sure that is.</param>
/// <param name="Found">Id or slug; null: nothing.</param>
/// <param name="Near">Ids or slugs of what else it may be.</param>
public sealed record NameRead(NameOf Of, string Written, NameMatch Match, string? Found, IReadOnlyList<string> Near);

/// <summary>Takes what a table says, line after line.</summary>
public interface IImportSink
{
    void Read(NameRead name);

    void Athlete(Who who, FoundAthlete athlete);

    void BodyMass(Who who, DateOnly day, MassEntry mass);

    void Test(Who who, FoundTest test);

    void Item(Who who, FoundItem item);

    void Line(OutlineLine line);

    void Fault(ImportFault fault);
}
