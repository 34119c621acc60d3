using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Decisions;
using Cumbre.Core.Explanations;
using Cumbre.Core.Levers;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;
using Cumbre.Server.Hosting;
using Cumbre.Simulation;
using Cumbre.Storage;
using Cumbre.Storage.Athletes;
using Cumbre.Storage.Benchmarks;
using Cumbre.Storage.Sessions;

namespace Cumbre.Server.Demo;

/// <summary>
/// A club that has trained for years, made by chance and a seed and written by bulk inserts: it tries the speed of the
/// pages. Nobody's training is meant to be wise.
/// </summary>
internal sealed class GrownClub(Db db, ClubClock clock, Guid coach)
{
    private const int TestEveryDays = 42,
        WeighEveryDays = 3,
        ItemsOfSession = 5,
        MovementsOfAthlete = 9,
        EasyEvery = 5,
        PlannedDays = 12,
        PainOneIn = 900;

    private static readonly DayOfWeek[] Days = [DayOfWeek.Monday, DayOfWeek.Wednesday, DayOfWeek.Friday];

    private static readonly string[] Places = ["left elbow, inside", "right shoulder", "left wrist", "right knee"];

    /// <summary>Movements of every measure; the figure of the line grows over the years.</summary>
    private static readonly (string Movement, Func<int, string> Line)[] Trained =
    [
        ("weighted-pull-up", n => $"4 x 5 @ +{n * 1.25m:0.##} kg rest 2:30"),
        ("weighted-dip", n => $"3 x 6..8 @ +{n * 1.25m:0.##} kg then +2.5 kg rest 2:30"),
        ("pull-up", n => $"4 x {5 + n / 3} rest 2:00"),
        ("push-up", n => $"3 x {8 + n / 2} rest 1:30"),
        ("ring-row", n => $"3 x {7 + n / 3}..{9 + n / 3} rest 1:30"),
        ("front-lever-tuck", n => $"hold 5 x {4 + n / 3} s rest 2:00"),
        ("l-sit", n => $"hold 4 x {6 + n / 2} s rest 1:30"),
        ("wall-handstand", n => $"hold 3 x {18 + n} s rest 1:30"),
        ("high-pull-up", n => $"5 x {3 + n / 8} to collarbone fast rest 3:00"),
        ("jumping-muscle-up", n => $"3 x 5 box {Math.Max(20, 60 - 5 * (n / 3))} cm rest 2:30"),
        ("banded-pull-up", n => $"3 x {6 + n / 3} @ band 15 kg rest 2:00"),
        ("single-arm-row", n => $"3 x {6 + n / 3} each side rest 1:30"),
        ("negative-pull-up", n => $"negative 3 x 1 lower {4 + n / 4} s rest 2:00"),
        ("pike-push-up", n => $"3 x {5 + n / 3} rest 2:00"),
        ("hanging-leg-raise", n => $"3 x {6 + n / 3} rest 1:30"),
    ];

    private static readonly string[] Base = ["pull-up-max", "push-up-max", "parallel-bar-dip-max"];

    private static readonly string[] GoalsToChooseFrom =
    [
        "bar-muscle-up",
        "front-lever",
        "planche",
        "weighted-pull-up",
        "handstand",
        "human-flag",
    ];

    private readonly Dictionary<(string, string), Made> lines = [];
    private readonly Stamp stamp = new(clock.Now, coach);

    /// <summary>A line that was read and resolved once.</summary>
    private sealed record Made(Prescription Plan, string PlanJson, string FrozenJson, IReadOnlyList<Effort> Efforts);

    private sealed record Effort(int Set, int Part, int Reps, int? Seconds, MassEntry Added);

    public void Write(GrownSize size)
    {
        using var sessions = new BulkInsert(
            db,
            "session",
            "id",
            "athlete_id",
            "day",
            "status",
            "easy",
            "version",
            "written_at",
            "written_by",
            "title",
            "effort"
        );
        using var items = new BulkInsert(
            db,
            "session_item",
            "id",
            "session_id",
            "position",
            "movement",
            "plan_json",
            "frozen_json",
            "joined"
        );
        using var sets = new BulkInsert(
            db,
            "logged_set",
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
            "sagged",
            "written_at",
            "written_by"
        );
        var rows = (Sessions: sessions, Items: items, Sets: sets);
        for (var n = 0; n < size.Athletes; n++)
            Athlete(n, size.Years, rows);
    }

    private void Athlete(int n, int years, (BulkInsert Sessions, BulkInsert Items, BulkInsert Sets) rows)
    {
        var random = new Random(9000 + n);
        var ids = new SeededIds(new Random(77_000 + n));
        var today = clock.Today;
        var start = TrainingCalendar.Monday(today.AddDays(-365 * years));
        var id = ids.Next(start);
        var body = 55 + Math.Round((decimal)random.NextDouble() * 35, 1);
        AthleteStore.Put(
            db,
            new(
                id,
                $"Grown {n + 1:000}",
                1970 + random.Next(35),
                random.Next(2) == 0 ? Sex.Female : Sex.Male,
                160 + random.Next(30),
                MeasuredLengths.None,
                MassUnit.Kg,
                new Dictionary<string, string>(),
                true,
                Kit.Empty,
                0
            )
            {
                Intake = new()
                {
                    TrainingYears = years,
                    Days = Days,
                    Minutes = 75,
                    Goals =
                    [
                        .. GoalsToChooseFrom
                            .OrderBy(_ => random.Next())
                            .Take(3)
                            .Select((g, i) => new Goal(g, i < 2 ? GoalKind.Advance : GoalKind.Maintain)),
                    ],
                    Finished = true,
                },
            },
            stamp.At
        );
        for (var day = start; day <= today; day = day.AddDays(WeighEveryDays))
            AthleteStore.AddBodyMass(
                db,
                id,
                new(ids.Next(day), new(day, MassEntry.Kg(body + Math.Round((decimal)(random.NextDouble() - 0.5), 1)))),
                stamp
            );
        var trained = Trained.OrderBy(_ => random.Next()).Take(MovementsOfAthlete).ToArray();
        Tests(id, ids, random, trained, body, start);
        var taken = 0;
        for (var day = start; day <= today.AddDays(PlannedDays); day = day.AddDays(1))
        {
            if (!Days.Contains(day.DayOfWeek))
                continue;
            var week = (day.DayNumber - start.DayNumber) / 7;
            Session(id, ids, random, trained, day, week, years, body, rows);
            if (day < today && week % 4 == 3 && day.DayOfWeek == DayOfWeek.Friday)
                Decided(id, ids, day, trained[taken++ % trained.Length], week, years);
        }
    }

    private void Tests(
        Guid athlete,
        SeededIds ids,
        Random random,
        (string Movement, Func<int, string> Line)[] trained,
        decimal body,
        DateOnly start
    )
    {
        var benchmarks = trained
            .SelectMany(t => Catalogue.Shipped.BenchmarksOf(t.Movement))
            .Concat(Base.Select(s => Catalogue.Shipped.Benchmarks[s]))
            .Where(b => !b.EachSide)
            .Distinct()
            .ToArray();
        for (var (day, round) = (start.AddDays(7), 0); day < clock.Today; day = day.AddDays(TestEveryDays), round++)
        {
            foreach (var b in benchmarks)
            {
                var score = b.Measure switch
                {
                    BenchmarkMeasure.Reps => Score.OfReps(6 + round / 2 + random.Next(2)),
                    BenchmarkMeasure.Seconds => Score.OfSeconds(8 + round / 2 + random.Next(3)),
                    BenchmarkMeasure.LoadTimesReps => Score.OfReps(5),
                    BenchmarkMeasure.ContactHeight => new Score(3, contact: (Contact)Math.Min(3, round / 6)),
                    _ => null,
                };
                if (score is not null)
                    ResultStore.Add(
                        db,
                        athlete,
                        new(
                            ids.Next(day),
                            b.Slug,
                            day,
                            score,
                            MassEntry.Kg(b.Measure == BenchmarkMeasure.LoadTimesReps ? 2.5m * (1 + round / 3) : 0),
                            b.Measure == BenchmarkMeasure.LoadTimesReps ? 1 : 0,
                            Mass.FromKilograms(body),
                            FormVerdict.Clean
                        ),
                        stamp
                    );
            }
        }
    }

    private void Session(
        Guid athlete,
        SeededIds ids,
        Random random,
        (string Movement, Func<int, string> Line)[] trained,
        DateOnly day,
        int week,
        int years,
        decimal body,
        (BulkInsert Sessions, BulkInsert Items, BulkInsert Sets) rows
    )
    {
        var done = day < clock.Today;
        if (done && random.Next(14) == 0)
            return;
        var easy = week % EasyEvery == EasyEvery - 1;
        var id = ids.Next(day);
        rows.Sessions.Add(
            id,
            athlete,
            day,
            done ? "Done" : "Planned",
            easy,
            2L,
            stamp.At,
            stamp.By,
            "",
            done ? 6 + random.Next(4) : null
        );
        var first = (int)day.DayOfWeek;
        for (var i = 0; i < ItemsOfSession; i++)
        {
            var (movement, line) = trained[(first * 2 + i) % trained.Length];
            var level = 1 + Math.Min(30, week * 30 / Math.Max(52 * years, 1)) * Math.Min(years, 3) / 3;
            var made = Line(movement, line(level), easy, body);
            var item = ids.Next(day);
            rows.Items.Add(item, id, i + 1L, movement, made.PlanJson, done ? made.FrozenJson : null, 0L);
            if (!done)
                continue;
            var pain = random.Next(PainOneIn) == 0 ? 1 + random.Next(5) : (int?)null;
            foreach (var e in made.Efforts)
            {
                var amount = Math.Max(1, (e.Seconds ?? e.Reps) - (random.Next(4) == 0 ? 1 : 0));
                rows.Sets.Add(
                    ids.Next(day),
                    item,
                    (long)e.Set,
                    (long)e.Part,
                    (long)(e.Seconds is null ? amount : 1),
                    e.Seconds is null ? null : (long)amount,
                    e.Added.Value,
                    e.Added.Unit,
                    e.Seconds is null ? (long)random.Next(3) : null,
                    random.Next(40) == 0 ? "Broken" : "Clean",
                    e.Set == 1 ? pain : null,
                    e.Set == 1 && pain is not null ? Places[random.Next(Places.Length)] : null,
                    0L,
                    stamp.At,
                    stamp.By
                );
            }
        }
    }

    private Made Line(string movement, string line, bool easy, decimal body)
    {
        var key = (movement, easy ? line + "/easy" : line);
        if (lines.TryGetValue(key, out var known))
            return known;
        var parsed = NotationParser.Parse(line).Plan ?? throw new ArgumentException(line);
        var plan = easy ? Adjust.Deload(parsed) : parsed;
        var resolved = PrescriptionResolver
            .Resolve(
                plan,
                new(Explanation.For(RuleId.BodyMassOfDay).Build(Mass.FromKilograms(body)), null, 0, DemoClub.Hall)
                {
                    Movement = Catalogue.Shipped.Movements[movement],
                    Bands = DemoClub.HallBook(clock.Today).Bands,
                }
            )
            .Plan
            ?? throw new ArgumentException($"{movement}: {line}");
        return lines[key] = new(
            plan,
            PrescriptionJson.Write(plan),
            SessionStore.FrozenJson(new([.. resolved.Efforts.Select(e => e.Load.Value.Made.Kilograms)], body)),
            [
                .. resolved.Efforts.Select(e => new Effort(
                    e.Plan.Set,
                    e.Plan.Part,
                    e.Plan.RepsHigh,
                    e.Plan.Seconds,
                    MassEntry.Kg(e.Load.Value.Made.Kilograms)
                )),
            ]
        );
    }

    /// <summary>A decision of the past, that was accepted on the evening of its evidence.</summary>
    private void Decided(
        Guid athlete,
        SeededIds ids,
        DateOnly day,
        (string Movement, Func<int, string> Line) trained,
        int week,
        int years
    )
    {
        var level = 1 + Math.Min(30, week * 30 / Math.Max(52 * years, 1)) * Math.Min(years, 3) / 3;
        var plan = NotationParser.Parse(trained.Line(level)).Plan!;
        var proposal = new Proposal(
            ProposalKind.AddReps,
            ProposalCause.CleanSessions,
            trained.Movement,
            null,
            null,
            day,
            day.AddDays(3),
            plan,
            new(trained.Movement, NotationParser.Parse(trained.Line(level + 1)).Plan!),
            Explanation.For(RuleId.GrowsByMethod).Build(),
            []
        );
        DemoSeeder.Take(db, athlete, ids.Next(day), day, proposal, coach);
    }
}
