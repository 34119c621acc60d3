using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Decisions;
using Cumbre.Core.Explanations;
using Cumbre.Core.Ladders;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes;
using Cumbre.Core.Safety;
using Cumbre.Core.Sessions;
using Cumbre.Core.Strength;

namespace Cumbre.Simulation;

/// <summary>
/// Trains athletes on paper: they follow the plan, tire, grow stronger and sometimes break form, and a coach takes
/// every
/// decision that the engine proposes. Pure and seeded: the same script and seed give the same history.
/// </summary>
public static class Simulator
{
    /// <summary>Share of the reps that each further set loses to fatigue.</summary>
    private const double FatiguePerSet = 0.03;

    /// <summary>Day-to-day scatter of the maximum.</summary>
    private const double DailyScatter = 0.008;

    /// <summary>So many weeks are made before the first log of a movement, each so much shorter.</summary>
    private const int WeeksBefore = 7;

    private const double ShortByWeek = 0.06;

    /// <summary>Check-ins and efforts are told for so many days.</summary>
    private const int DaysTold = 42;

    /// <param name="script">Who, and what must happen.</param>
    /// <param name="seed">Gives the same history each time.</param>
    /// <param name="today">The day on which the history ends; nothing is trained on it.</param>
    public static SimulatedAthlete Run(AthleteScript script, int seed, DateOnly today) =>
        new Life(script, seed, today).Live();

    private sealed class Life(AthleteScript script, int seed, DateOnly today)
    {
        private readonly Random random = new(seed);
        private readonly SeededIds ids = new(new Random(seed * 7919));
        private readonly List<(Guid Id, BodyMassReading Reading)> masses = [];
        private readonly List<BenchmarkResult> results = [];
        private readonly List<SimulatedSession> sessions = [];
        private readonly string heavyTest = Catalogue
            .Shipped.BenchmarksOf(script.Movement)
            .First(b => b.Measure == BenchmarkMeasure.LoadTimesReps)
            .Slug;

        public SimulatedAthlete Live()
        {
            var id = ids.Next(today.AddDays(-7 * Math.Max(script.Weeks, 1) - 30));
            Weigh();
            results.AddRange(script.Tests.Select(Test));
            Train();
            foreach (
                var log in script.Logs.Concat(
                    script.Logs.Where(l => !l.FindsLevel).GroupBy(l => l.Movement).SelectMany(Before)
                )
            )
                Log(log);
            sessions.AddRange(script.Planned.Concat(script.PastBlock?.Missed ?? []).Select(Planned));
            sessions.Sort((a, b) => a.Day.CompareTo(b.Day));
            var block = script.Block?.Build(ids, today, sessions.FindLast(s => s.Sets.Count == 0));
            var past = script.PastBlock?.Start(today);
            return new(id, script, masses, results, [.. sessions.Select(WithEffort)])
            {
                CheckIns = [.. CheckIns()],
                Others =
                [
                    .. script.Others.Select(o => new OtherTraining(
                        ids.Next(today.AddDays(-o.DaysAgo)),
                        today.AddDays(-o.DaysAgo),
                        o.What,
                        o.Minutes,
                        o.Effort
                    )),
                ],
                Taken = [.. script.Taken.Select(Taken)],
                Block = block is null ? null : (ids.Next(today), block),
                PastBlock = past is { } start ? (ids.Next(start), start) : null,
            };
        }

        /// <summary>
        /// The weeks before the first log of a movement: the same line, each set a little short of what came later, and
        /// lighter weeks between.
        /// </summary>
        private IEnumerable<LogScript> Before(IEnumerable<LogScript> logs)
        {
            var first = logs.MaxBy(l => l.DaysAgo)!;
            for (var week = 1; week <= WeeksBefore; week++)
            {
                var share = 1 - ShortByWeek * week;
                yield return first with
                {
                    DaysAgo = first.DaysAgo + 7 * week,
                    Amounts = [.. first.Amounts.Select(a => Math.Max(1, (int)(a * share)))],
                    Hurt = null,
                    Sagged = false,
                    Easy = week % 4 == 2,
                };
            }
        }

        /// <summary>What was left in the last sets tells how hard the session was.</summary>
        private SimulatedSession WithEffort(SimulatedSession session) =>
            session.Sets.Count == 0 || session.Day < today.AddDays(-DaysTold)
                ? session
                : session with
                {
                    Effort = Math.Clamp(9 - session.Sets.Min(s => s.Set.Reserve ?? 2) - (session.Easy ? 3 : 0), 4, 10),
                };

        private IEnumerable<CheckIn> CheckIns()
        {
            var said = new Random(seed * 31);
            foreach (
                var day in sessions
                    .Where(s => s.Sets.Count > 0 && s.Day >= today.AddDays(-DaysTold))
                    .Select(s => s.Day)
                    .Distinct()
            )
                yield return new(
                    ids.Next(day),
                    day,
                    Math.Round(6.5m + (decimal)said.NextDouble() * 1.8m, 1),
                    1 + said.Next(4),
                    5 + said.Next(4),
                    script.Others.Any(o => o.Effort >= OtherTraining.HardFrom && day == today.AddDays(1 - o.DaysAgo))
                );
            if (script.ToldToday is { } told)
                yield return new(ids.Next(today), today, told.Sleep, told.Soreness, 3, false);
        }

        private void Weigh()
        {
            var days = Math.Max(
                7 * Math.Max(script.Weeks, 2),
                script.Logs.Select(l => l.DaysAgo + 7 * (WeeksBefore + 1)).DefaultIfEmpty(0).Max()
            );
            for (var ago = days; ago >= script.LastWeighedDaysAgo; ago -= 3)
            {
                var day = today.AddDays(-ago);
                // The script's body mass is today's; the past differs by the drift and the scale's daily scatter.
                var kilograms =
                    script.BodyMassKg
                    - script.DriftKgPerWeek * ago / 7
                    + (
                        ago == script.LastWeighedDaysAgo ? 0 : (decimal)Math.Round((random.NextDouble() - 0.5) * 0.8, 1)
                    );
                masses.Add(
                    (
                        ids.Next(day),
                        new(
                            day,
                            MassEntry.Of(Mass.FromKilograms(kilograms), script.Unit) is var e
                                ? e with
                                {
                                    Value = Math.Round(e.Value, 1),
                                }
                                : e
                        )
                    )
                );
            }
        }

        private Mass BodyMassOn(DateOnly day) =>
            new BodyMassHistory(masses.Select(m => m.Reading)).On(day)?.Value ?? masses[0].Reading.Mass;

        private BenchmarkResult Test(TestScript test)
        {
            var day = today.AddDays(-test.DaysAgo);
            var added = test.Added == default ? new MassEntry(0, script.Unit) : test.Added;
            return new(
                ids.Next(day),
                test.Benchmark,
                day,
                test.Score,
                added,
                test.Reserve,
                BodyMassOn(day),
                FormVerdict.Clean
            )
            {
                Side = test.Side,
            };
        }

        private void Train()
        {
            if (script.FirstLine is not { } line)
                return;
            var plan = NotationParser.Parse(line).Plan ?? throw new ArgumentException(line);
            var start = TrainingCalendar.Monday(today).AddDays(-7 * script.Weeks);
            var days = Enumerable
                .Range(0, today.DayNumber - start.DayNumber)
                .Select(start.AddDays)
                .Where(d => script.Days.Contains(d.DayOfWeek))
                .ToArray();
            var maximum = 0.0;
            DateOnly? easyWeek = null;
            for (var i = 0; i < days.Length; i++)
            {
                var easy = TrainingCalendar.Monday(days[i]) == easyWeek;
                var written = easy ? Adjust.Deload(plan) : plan;
                var resolved = Resolve(written, days[i]);
                var body = BodyMassOn(days[i]);
                if (i == 0)
                    maximum = (double)(body + resolved.Loads[0].Value.Made).Kilograms * (1 + script.FreshReps / 30);
                if (TestDue(days[i]))
                    results.Add(HeavySet(days[i], body, maximum));
                var fromEnd = i - (days.Length - script.Finale.Count);
                var scene = fromEnd >= 0 && !easy ? script.Finale[fromEnd] : new(null);
                sessions.Add(
                    Session(
                        days[i],
                        written,
                        easy,
                        resolved,
                        body,
                        maximum * (1 + (random.NextDouble() - 0.5) * 2 * DailyScatter),
                        scene
                    )
                );
                maximum += script.GainKgPerWeek / script.Days.Count;
                if (i == days.Length - 1 || Decision(days[i]) is not { } decision)
                    continue;
                if (decision.Kind is ProposalKind.Deload or ProposalKind.LighterWeek)
                    easyWeek = TrainingCalendar.Monday(decision.NextDay);
                else
                    plan = decision.Next!.Plan;
            }

            if (script.PlannedToday)
            {
                var written = TrainingCalendar.Monday(today) == easyWeek ? Adjust.Deload(plan) : plan;
                var resolved = Resolve(written, today);
                sessions.Add(
                    new(
                        ids.Next(today),
                        ids.Next(today),
                        today,
                        script.Movement,
                        written,
                        false,
                        [.. resolved.Efforts.Select(e => e.Load.Value.Made)],
                        BodyMassOn(today),
                        []
                    )
                );
            }
        }

        /// <summary>What the engine says about the movement, where it goes on in it.</summary>
        private Proposal? Decision(DateOnly day) =>
            Decided(day).FirstOrDefault(p => !p.IsBeside && p.Next?.Movement == script.Movement);

        private IReadOnlyList<Proposal> Decided(DateOnly day) =>
            DecisionEngine.Decide(
                new(Snapshot(day), script.Intake, Atlas.Shipped, new(script.Kit, [], [], []), [], day),
                [],
                Catalogue.Shipped.Rules,
                script.Days
            );

        private bool TestDue(DateOnly day)
        {
            var last = results.Where(r => r.Benchmark == heavyTest && r.Day <= day).Select(r => (DateOnly?)r.Day).Max();
            return script.HeavyTestEveryDays > 0
                && day <= today.AddDays(-script.LastHeavyTestDaysAgo)
                && (last is null || day.DayNumber - last.Value.DayNumber >= script.HeavyTestEveryDays);
        }

        /// <summary>A heavy set of about five with one in reserve, as the test's protocol asks.</summary>
        private BenchmarkResult HeavySet(DateOnly day, Mass body, double maximum)
        {
            const int goal = 5,
                reserve = 1;
            var load = script.Kit.Nearest(OneRepMax.SystemFor(Mass.FromEstimate(maximum), goal + reserve) - body);
            var able = 30 * (maximum / (double)(body + load.Total).Kilograms - 1);
            var reps = Math.Clamp((int)Math.Floor(able) - reserve, 1, OneRepMax.EffectiveRepsMaximum - reserve);
            return new(
                ids.Next(day),
                heavyTest,
                day,
                Score.OfReps(reps),
                EntryOf(new(load.Total, load.Total, load)),
                reserve,
                body,
                FormVerdict.Clean
            );
        }

        private AthleteSnapshot Snapshot(DateOnly? on = null) =>
            new(
                script.Unit,
                script.BirthYear,
                script.Cleared,
                script.Schools,
                script.Kit,
                new(masses.Select(m => m.Reading)),
                [.. results.Where(r => on is null || r.Day <= on)],
                [.. sessions.Where(s => s.Sets.Count > 0 && (on is null || s.Day <= on)).Select(s => s.ToExposure())]
            )
            {
                Sex = script.Sex,
                StatureCm = script.StatureCm,
            };

        private ResolvedPrescription Resolve(Prescription plan, DateOnly day)
        {
            var max = CurrentStrength.Latest(Snapshot(), Catalogue.Shipped.Benchmarks[heavyTest], day);
            var body = Explanation.For(RuleId.BodyMassOfDay).Build(BodyMassOn(day));
            return PrescriptionResolver.Resolve(plan, new(body, max, 0, script.Kit)).Plan
                ?? throw new InvalidOperationException(
                    $"{script.Name}: {NotationPrinter.Print(plan)} cannot be resolved on {day}; a test is missing."
                );
        }

        private SimulatedSession Session(
            DateOnly day,
            Prescription plan,
            bool easy,
            ResolvedPrescription resolved,
            Mass body,
            double maximum,
            SessionScript scene
        )
        {
            var sets = resolved
                .Efforts.Select(
                    (effort, i) =>
                    {
                        var system = (double)(body + effort.Load.Value.Made).Kilograms;
                        var able = 30 * (maximum / system - 1) * (1 - FatiguePerSet * i);
                        var reps = scene.Reps is { } fixedReps
                            ? fixedReps[Math.Min(i, fixedReps.Length - 1)]
                            : Math.Clamp((int)Math.Floor(able), 1, effort.Plan.RepsHigh);
                        var reserve = Math.Clamp((int)Math.Floor(able) - reps, 0, 5);
                        var broken = scene.Reps is null && reserve == 0 && random.NextDouble() < 0.08;
                        return (
                            ids.Next(day),
                            new LoggedSet(
                                effort.Plan.Set,
                                effort.Plan.Part,
                                reps,
                                EntryOf(effort.Load.Value),
                                reserve,
                                broken ? FormVerdict.Broken : FormVerdict.Clean,
                                i == 0 ? scene.Pain : null,
                                i == 0 ? scene.PainPlace : null
                            )
                        );
                    }
                )
                .ToArray();
            return new(
                ids.Next(day),
                ids.Next(day),
                day,
                script.Movement,
                plan,
                easy,
                [.. resolved.Efforts.Select(e => e.Load.Value.Made)],
                body,
                sets
            );
        }

        private void Log(LogScript log)
        {
            var logged = Logged(log);
            var other = log.Joined
                ? sessions.FindLastIndex(s => s.Day == logged.Day && s.Movement != script.Movement)
                : -1;
            if (other >= 0)
                logged = logged with { Id = sessions[other].Id };
            sessions.Add(logged);
            if (sessions.Count(s => s.Id == logged.Id) < Circuit.LeastExercises)
                return;
            for (var i = 0; i < sessions.Count; i++)
            {
                if (sessions[i].Id == logged.Id)
                    sessions[i] = sessions[i] with { InCircuit = true };
            }
        }

        private (Guid Id, DateOnly Day, Proposal Proposal) Taken(TakenScript taken)
        {
            var day = today.AddDays(-taken.DaysAgo);
            var said = Decided(day).FirstOrDefault(p => !p.IsBeside && p.Movement == taken.Movement);
            return (
                ids.Next(day),
                day,
                said ?? throw new ArgumentException($"{script.Name}: nothing to take for {taken.Movement} on {day}")
            );
        }

        private SimulatedSession Planned(PlannedScript planned)
        {
            var day = today.AddDays(planned.DaysAhead);
            var plan = NotationParser.Parse(planned.Line).Plan
                ?? throw new ArgumentException($"{script.Name}: {planned.Line}");
            return new(ids.Next(day), ids.Next(day), day, planned.Movement, plan, false, [], BodyMassOn(day), []);
        }

        private SimulatedSession Logged(LogScript log)
        {
            var day = today.AddDays(-log.DaysAgo);
            var plan = NotationParser.Parse(log.Line).Plan ?? throw new ArgumentException(log.Line);
            var kit = script.Book ?? DemoClub.HallBook(today);
            var athlete = new AthleteAtWork(Snapshot(), script.Intake, Atlas.Shipped, kit, [], day);
            var resolved = PrescriptionResolver
                .Resolve(plan, athlete.ContextOf(Catalogue.Shipped.Movements[log.Movement])!)
                .Plan
                ?? throw new ArgumentException($"{script.Name}: {log.Line}");
            var sets = resolved
                .Efforts.Select(
                    (effort, i) =>
                    {
                        var timed = effort.Plan.Seconds is not null;
                        return (
                            ids.Next(day),
                            new LoggedSet(
                                effort.Plan.Set,
                                effort.Plan.Part,
                                timed ? 1 : log.Amounts[i],
                                EntryOf(effort.Load.Value),
                                log.Reserve,
                                FormVerdict.Clean,
                                i == 0 ? log.Hurt?.Level : null,
                                i == 0 ? log.Hurt?.Place : null,
                                timed ? log.Amounts[i] : null
                            )
                            {
                                SetUp = new(log.SetUp),
                                Sagged = log.Sagged,
                            }
                        );
                    }
                )
                .ToArray();
            return new(
                ids.Next(day),
                ids.Next(day),
                day,
                log.Movement,
                plan,
                log.Easy,
                [.. resolved.Efforts.Select(e => e.Load.Value.Made)],
                BodyMassOn(day),
                sets
            )
            {
                Role = log.FindsLevel ? ItemRole.LevelFinding : null,
            };
        }

        private MassEntry EntryOf(LoadAnswer load)
        {
            var units = load.Pieces.Pieces.Select(p => p.Size.Unit).Distinct().ToArray();
            return MassEntry.Of(load.Made, units is [var unit] ? unit : script.Unit);
        }
    }
}
