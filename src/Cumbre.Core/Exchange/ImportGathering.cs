using Cumbre.Core.Measures;

namespace Cumbre.Core.Exchange;

/// <summary>Cells with the same fault and the same text in one column.</summary>
/// <param name="First">The first of them.</param>
/// <param name="Count">How many.</param>
public sealed record FaultGroup(ImportFault First, int Count);

/// <summary>Somebody of whom a table tells.</summary>
public sealed class Seen(Who who)
{
    public Who Who => who;

    /// <summary>What the table says of them themselves.</summary>
    public FoundAthlete? Profile { get; internal set; }

    /// <summary>The first day of which something is told; null: none.</summary>
    public DateOnly? Since { get; private set; }

    /// <summary>Sets or tests are told, which nobody can judge without a bodyweight.</summary>
    public bool IsMeasured { get; internal set; }

    /// <summary>Weighings, each once.</summary>
    public HashSet<(DateOnly Day, MassEntry Mass)> Masses { get; } = [];

    internal void On(DateOnly day) => Since = Since is { } first && first <= day ? first : day;
}

/// <summary>How much a table brings.</summary>
/// <param name="Rows">That were read, empty ones and those of titles among them.</param>
/// <param name="Athletes">Who are told of.</param>
/// <param name="BodyMasses">Weighings.</param>
/// <param name="Tests">Results.</param>
/// <param name="Sessions">Days of training.</param>
/// <param name="Sets">Sets and parts of sets.</param>
/// <param name="Lines">Of a plan.</param>
public sealed record ImportCounts(
    long Rows = 0,
    int Athletes = 0,
    int BodyMasses = 0,
    int Tests = 0,
    int Sessions = 0,
    int Sets = 0,
    int Lines = 0
);

/// <summary>Takes what a table says and keeps what is needed to tell of it: counts, names, people, faults, a sample.</summary>
public sealed class ImportGathering : IImportSink
{
    /// <summary>More different faults are counted, and not kept.</summary>
    public const int GroupsMaximum = 500;

    private const int SampleMaximum = 12,
        NamesMaximum = 2000;

    private readonly Dictionary<string, Seen> people = [];
    private readonly Dictionary<
        (string Sheet, int Column, ImportFaultId Id, string Written),
        (ImportFault First, int Count)
    > faults = [];
    private readonly HashSet<(string, DateOnly, string)> sessions = [];
    private readonly List<NameRead> names = [];
    private readonly List<OutlineLine> lines = [];
    private readonly List<(Who, object)> sample = [];
    private int masses,
        tests,
        sets;

    public IReadOnlyCollection<Seen> People => people.Values;

    public IReadOnlyList<NameRead> Names => names;

    public IReadOnlyList<OutlineLine> Lines => lines;

    /// <summary>The first of what was found: items, tests, weighings, athletes or lines.</summary>
    public IReadOnlyList<(Who Who, object Found)> Sample => sample;

    /// <summary>All cells with a fault.</summary>
    public int Faults { get; private set; }

    public IReadOnlyList<FaultGroup> Groups => [.. faults.Values.Select(f => new FaultGroup(f.First, f.Count))];

    public long Rows { get; set; }

    public ImportCounts Counts => new(Rows, people.Count, masses, tests, sessions.Count, sets, lines.Count);

    public Seen? Find(Who who) => people.GetValueOrDefault(who.Key);

    public void Read(NameRead name)
    {
        if (names.Count < NamesMaximum)
            names.Add(name);
    }

    public void Athlete(Who who, FoundAthlete athlete)
    {
        Of(who).Profile ??= athlete;
        Show(who, athlete);
    }

    public void BodyMass(Who who, DateOnly day, MassEntry mass)
    {
        var seen = Of(who);
        seen.On(day);
        if (!seen.Masses.Add((day, mass)))
            return;
        masses++;
        Show(who, (day, mass));
    }

    public void Test(Who who, FoundTest test)
    {
        var seen = Of(who);
        seen.On(test.Day);
        seen.IsMeasured = true;
        tests++;
        Show(who, test);
    }

    public void Item(Who who, FoundItem item)
    {
        var seen = Of(who);
        seen.On(item.Day);
        seen.IsMeasured = true;
        sessions.Add((who.Key, item.Day, item.Session));
        sets += item.Done.Sets.Count;
        Show(who, item);
    }

    public void Line(OutlineLine line)
    {
        lines.Add(line);
        Show(default, line);
    }

    public void Fault(ImportFault fault)
    {
        Faults++;
        var key = (fault.Sheet, fault.Column, fault.Id, fault.Written);
        if (faults.TryGetValue(key, out var known))
            faults[key] = (known.First, known.Count + 1);
        else if (faults.Count < GroupsMaximum)
            faults[key] = (fault, 1);
    }

    private Seen Of(Who who)
    {
        if (!people.TryGetValue(who.Key, out var seen))
            people[who.Key] = seen = new(who);
        return seen;
    }

    private void Show(Who who, object found)
    {
        if (sample.Count < SampleMaximum)
            sample.Add((who, found));
    }
}
