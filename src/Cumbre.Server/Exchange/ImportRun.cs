using System.Text.Json;
using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Decisions;
using Cumbre.Core.Exchange;
using Cumbre.Core.Levers;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes;
using Cumbre.Core.Sessions;
using Cumbre.Server.Privacy;
using Cumbre.Storage;
using Cumbre.Storage.Accounts;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Exchange;
using Cumbre.Storage.Programmes;
using Cumbre.Storage.Sessions;

namespace Cumbre.Server.Exchange;

/// <summary>
/// Writes what a table brings, in one transaction. It takes what was gathered before for whom is taken in and what they
/// weighed; the lines themselves come past once more, one after another.
/// </summary>
internal sealed class ImportRun : IImportSink, IDisposable
{
    private const int PlansMaximum = 20_000;

    private readonly Db db;
    private readonly Stamp stamp;
    private readonly long no;
    private readonly ImportMapping mapping;
    private readonly string title;
    private readonly Dictionary<string, Person> people = [];
    private readonly Dictionary<Guid, long> positions = [];
    private readonly Dictionary<Prescription, string> plans = [];
    private readonly HashSet<Guid> newSessions = [];
    private readonly Dictionary<(Guid Session, string Movement), int> items = [];
    private readonly BulkInsert sessions,
        itemRows,
        setRows,
        masses,
        results;
    private int addedMasses,
        addedTests,
        addedSets,
        knownSets,
        knownOthers,
        newAthletes;

    /// <summary>Somebody of whom the table tells, as they stand in the club.</summary>
    private sealed class Person(Guid id, MassUnit unit, BodyMassHistory weighed)
    {
        private readonly Dictionary<DateOnly, Mass> known = [];

        public Guid Id => id;

        public MassUnit Unit => unit;

        public required HashSet<(DateOnly Day, string Movement)> Logged { get; init; }

        public required HashSet<(DateOnly Day, string Benchmark, string Side)> Tested { get; init; }

        /// <summary>Of the day; before the first weighing that is the nearest there is.</summary>
        public Mass On(DateOnly day)
        {
            if (!known.TryGetValue(day, out var mass))
                known[day] = mass = weighed.On(day)?.Value ?? weighed.Readings[0].Mass;
            return mass;
        }
    }

    public ImportRun(Db db, OpenFile file, ImportMapping mapping, Stamp stamp)
    {
        (this.db, this.stamp, this.mapping) = (db, stamp, mapping);
        title = Path.GetFileNameWithoutExtension(file.Name) is { Length: <= 80 } name ? name : file.Name[..80];
        no = ImportStore.Begin(db, file.Id, file.Name, ImportedKind.Table, stamp);
        string[] written = ["written_at", "written_by", "import_no"];
        sessions = BulkInsert.New(
            db,
            "session",
            ["id", "athlete_id", "day", "status", "easy", "version", "title", "effort", .. written]
        );
        itemRows = BulkInsert.New(
            db,
            "session_item",
            "id",
            "session_id",
            "position",
            "movement",
            "plan_json",
            "frozen_json",
            "joined",
            "import_no"
        );
        setRows = BulkInsert.New(
            db,
            "logged_set",
            [
                "id",
                "item_id",
                "set_no",
                "part_no",
                "reps",
                "seconds",
                "added_value",
                "added_unit",
                "reserve",
                "form",
                "pain",
                "pain_place",
                "total",
                "contact",
                "sagged",
                "rested_seconds",
                "set_up_json",
                "fault",
                "note",
                .. written,
            ]
        );
        masses = BulkInsert.New(db, "body_mass", ["id", "athlete_id", "day", "value", "unit", .. written]);
        results = BulkInsert.New(
            db,
            "benchmark_result",
            [
                "id",
                "athlete_id",
                "benchmark",
                "day",
                "reps",
                "sets",
                "seconds",
                "contact",
                "degrees",
                "rest_seconds",
                "added_value",
                "added_unit",
                "reserve",
                "side",
                "body_mass_kg",
                "form",
                .. written,
            ]
        );
    }

    /// <param name="gathered">What the table tells, without a fault.</param>
    /// <param name="sheets">The table.</param>
    /// <param name="terms">Its names.</param>
    /// <param name="today">The training day.</param>
    /// <param name="giveTo">A coach of some athletes is given those who are new; null: one of all.</param>
    /// <param name="progress">Is told the rows that were read.</param>
    /// <param name="cancel">Nothing is kept.</param>
    public ImportResult Write(
        ImportGathering gathered,
        IReadOnlyList<Sheet> sheets,
        ImportTerms terms,
        DateOnly today,
        Guid? giveTo,
        Action<long> progress,
        CancellationToken cancel
    )
    {
        foreach (var seen in gathered.People)
            people[seen.Who.Key] = Meet(seen, today, giveTo);
        if (mapping.Kind == ImportKind.Outline)
            AddTemplate(gathered.Lines, today);
        else if (mapping.Kind is ImportKind.Tests or ImportKind.Sets)
            new TableReader(mapping, terms, today, this).Read(sheets, progress, cancel);
        var result = new ImportResult(
            new(
                gathered.Rows,
                gathered.People.Count,
                addedMasses,
                addedTests,
                newSessions.Count,
                addedSets,
                gathered.Lines.Count
            ),
            newAthletes,
            knownSets,
            knownOthers
        );
        ImportStore.End(
            db,
            no,
            JsonSerializer.Serialize(result, JsonSerializerOptions.Web),
            gathered.People.ToDictionary(p => people[p.Who.Key].Id, p => p.Since ?? today)
        );
        foreach (var person in people.Values)
            db.Reconsider(person.Id, corrected: true);
        return result;
    }

    private Person Meet(Seen seen, DateOnly today, Guid? giveTo)
    {
        if (seen.Who.Id is { } here)
            Recording.Check(db, here);
        var id = seen.Who.Id ?? TakeIn(seen, giveTo);
        var known = AthleteStore.BodyMasses(db, id).Select(m => m.Reading).ToList();
        var before = known.Select(k => (k.Day, k.Entry)).ToHashSet();
        var told = seen.Masses.ToList();
        if (told.Count == 0 && known.Count == 0 && seen.IsMeasured && Chosen(seen.Who) is { } chosen)
            told.Add((seen.Since ?? today, chosen));
        foreach (var (day, mass) in told)
        {
            if (
                before.Contains((day, mass))
                || !masses.Add(
                    ImportIds.Of(day, $"{id}", "mass", $"{mass}"),
                    id,
                    day,
                    mass.Value,
                    mass.Unit,
                    stamp.At,
                    stamp.By,
                    no
                )
            )
                knownOthers++;
            else
                addedMasses++;
            known.Add(new(day, mass));
        }

        return new(id, AthleteStore.Find(db, id)!.Unit, new(known))
        {
            Logged = ImportStore.LoggedByHand(db, id),
            Tested = ImportStore.TestedByHand(db, id),
        };
    }

    private MassEntry? Chosen(Who who) =>
        mapping.Names.LastOrDefault(n => n.Of == NameOf.Athlete && n.BodyMass is not null && IsOf(n, who))?.BodyMass;

    /// <summary>Is the choice about them, by the name in the table or by who was chosen for it?</summary>
    private static bool IsOf(NameChoice choice, Who who) =>
        PlainName.Of(choice.Written) == PlainName.Of(who.Name)
        || (who.Id is { } id && Guid.TryParse(choice.Choice, out var chosen) && chosen == id);

    private Guid TakeIn(Seen seen, Guid? giveTo)
    {
        var id = Guid.CreateVersion7();
        AthleteStore.Put(
            db,
            new(
                id,
                seen.Who.Name,
                seen.Profile?.BirthYear,
                seen.Profile?.Sex,
                seen.Profile?.StatureCm,
                MeasuredLengths.None,
                mapping.Unit,
                new Dictionary<string, string>(),
                false,
                Kit.Empty,
                0
            ),
            stamp.At
        );
        ImportStore.MarkAthlete(db, id, no);
        if (giveTo is { } coach)
            PeopleStore.GiveAthlete(db, coach, id);
        newAthletes++;
        return id;
    }

    /// <summary>Weeks of a plan are a template, which can be fitted to any athlete.</summary>
    private void AddTemplate(IReadOnlyList<OutlineLine> lines, DateOnly today)
    {
        var id = Guid.CreateVersion7();
        var monday = TrainingCalendar.Monday(today);
        BlockWeek[] weeks =
        [
            .. Enumerable
                .Range(1, lines.Max(l => l.Week))
                .Select(week => new BlockWeek(
                    WeekKind.Loading,
                    [
                        .. lines
                            .Where(l => l.Week == week)
                            .GroupBy(l => (l.Session, l.Weekday))
                            .Select((s, i) => SessionOf(monday.AddDays(7 * (week - 1)), i, [.. s])),
                    ]
                )),
        ];
        BlockStore.AddTemplate(db, new(id, title, monday, weeks), stamp);
        ImportStore.MarkTemplate(db, id, no);
    }

    /// <summary>On the weekday that was told, else one day after another with one between.</summary>
    private static BlockSession SessionOf(DateOnly monday, int index, OutlineLine[] lines) =>
        new(
            Guid.CreateVersion7(),
            monday.AddDays(lines[0].Weekday is { } day ? ((int)day + 6) % 7 : Math.Min(6, index * 2)),
            lines[0].Weekday is null
            || !lines[0].Session.StartsWith($"{lines[0].Weekday}"[..2], StringComparison.OrdinalIgnoreCase)
                ? lines[0].Session
                : "",
            new(0, null),
            new(0, null),
            [.. lines.Select(l => new BlockItem(Guid.CreateVersion7(), l.Movement.Slug, l.Line))]
        );

    public void Read(NameRead name) { }

    public void Athlete(Who who, FoundAthlete athlete) { }

    public void BodyMass(Who who, DateOnly day, MassEntry mass) { }

    public void Line(OutlineLine line) { }

    /// <exception cref="InvalidDataException">The table is not the one that was looked at.</exception>
    public void Fault(ImportFault fault) => throw new InvalidDataException($"{fault.Sheet} {fault.Row}: {fault.Id}");

    public void Test(Who who, FoundTest test)
    {
        var person = people[who.Key];
        var side = test.Side?.ToString() ?? "";
        var score = test.Result.Score;
        if (
            person.Tested.Contains((test.Day, test.Benchmark.Slug, side))
            || !results.Add(
                ImportIds.Of(
                    test.Day,
                    $"{person.Id}",
                    "test",
                    test.Benchmark.Slug,
                    side,
                    $"{score}{test.Result.Added}"
                ),
                person.Id,
                test.Benchmark.Slug,
                test.Day,
                (long)score.Reps,
                (long)score.Sets,
                score.Seconds,
                score.Contact,
                score.Degrees,
                (long?)score.RestSeconds,
                test.Result.Added.Value,
                test.Result.Added.Unit,
                (long)test.Result.Reserve,
                test.Side,
                person.On(test.Day).Kilograms,
                FormVerdict.Clean,
                stamp.At,
                stamp.By,
                no
            )
        )
            knownOthers++;
        else
            addedTests++;
    }

    public void Item(Who who, FoundItem item)
    {
        var person = people[who.Key];
        if (person.Logged.Contains((item.Day, item.Movement.Slug)))
        {
            knownSets += item.Done.Sets.Count;
            return;
        }

        var session = ImportIds.Of(item.Day, $"{person.Id}", "session", item.Session);
        if (!positions.TryGetValue(session, out var position))
        {
            if (
                sessions.Add(
                    session,
                    person.Id,
                    item.Day,
                    SessionStatus.Done,
                    item.Easy,
                    1L,
                    item.Session,
                    item.SessionRpe,
                    stamp.At,
                    stamp.By,
                    no
                )
            )
                newSessions.Add(session);
            else
                position = ImportStore.LastPosition(db, session);
        }

        var key = (session, item.Movement.Slug);
        var nth = items[key] = items.GetValueOrDefault(key) + 1;
        var id = ImportIds.Of(item.Day, $"{session}", item.Movement.Slug, $"{nth}");
        if (
            itemRows.Add(
                id,
                session,
                position + 1,
                item.Movement.Slug,
                PlanOf(item.Done.Plan),
                SessionStore.FrozenJson(new(item.Done.LoadsKg, (item.BodyMass?.Mass ?? person.On(item.Day)).Kilograms)),
                false,
                no
            )
        )
            position++;
        positions[session] = position;
        foreach (var set in item.Done.Sets)
            Add(id, item.Day, set);
    }

    private void Add(Guid item, DateOnly day, LoggedSet set)
    {
        if (
            setRows.Add(
                ImportIds.Of(day, item, set.Set, set.Part),
                item,
                (long)set.Set,
                (long)set.Part,
                (long)set.Reps,
                (long?)set.Seconds,
                set.Added.Value,
                set.Added.Unit,
                (long?)set.Reserve,
                set.Form,
                (long?)set.Pain,
                set.PainPlace,
                (long?)set.Total,
                set.Contact,
                false,
                (long?)set.RestedSeconds,
                set.SetUp.IsEmpty ? null : JsonSerializer.Serialize(set.SetUp.Parts, JsonSerializerOptions.Web),
                set.Fault,
                set.Note,
                stamp.At,
                stamp.By,
                no
            )
        )
            addedSets++;
        else
            knownSets++;
    }

    /// <summary>The same few plans stand in thousands of lines.</summary>
    private string PlanOf(Prescription plan)
    {
        if (plans.TryGetValue(plan, out var known))
            return known;
        if (plans.Count >= PlansMaximum)
            plans.Clear();
        return plans[plan] = PrescriptionJson.Write(plan);
    }

    public void Dispose()
    {
        foreach (var rows in (BulkInsert[])[sessions, itemRows, setRows, masses, results])
            rows.Dispose();
    }
}
