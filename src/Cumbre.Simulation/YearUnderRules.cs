using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Decisions;
using Cumbre.Core.Ladders;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes;
using Cumbre.Core.Safety;
using Cumbre.Core.Sessions;

namespace Cumbre.Simulation;

/// <summary>What became of one thing that an athlete trained for a year under the rules.</summary>
/// <param name="Movement">With which it began.</param>
/// <param name="Exposures">How often it was trained.</param>
/// <param name="Changes">How often its plan was changed, or its open sets gave more than ever.</param>
/// <param name="Turns">How often it was backed off from a height that it had been backed off from before.</param>
/// <param name="LongestLoading">Most weeks in a row without a lighter one.</param>
/// <param name="LongestStill">Most exposures in a row with the same plan, pain and deloads left out.</param>
/// <param name="StepWeeks">Weeks from each step to the next harder one, with the catalogue's weeks for it.</param>
public sealed record LivedItem(
    string Movement,
    int Exposures,
    int Changes,
    int Turns,
    int LongestLoading,
    int LongestStill,
    IReadOnlyList<(int Took, int Usual)> StepWeeks
);

/// <summary>A year of an athlete under the rules.</summary>
/// <param name="Items">What was trained.</param>
/// <param name="LargestJumpShare">Largest step in load as a share of the system.</param>
/// <param name="LoadedThroughPain">More of anything right after pain of 3 and more.</param>
/// <param name="Decisions">Taken, by kind.</param>
public sealed record LivedYear(
    IReadOnlyList<LivedItem> Items,
    decimal LargestJumpShare,
    int LoadedThroughPain,
    IReadOnlyDictionary<ProposalKind, int> Decisions
);

/// <summary>
/// Trains athletes for a year on what the decisions say, each accepted as it is proposed. What an athlete can do grows,
/// slows down, scatters from day to day and tires from set to set; the growth is invented. It tries the rules, and
/// forecasts nobody.
/// </summary>
public static class YearUnderRules
{
    private const double Scatter = 0.025,
        GrowthOfWeek = 0.10,
        FatiguePerSet = 0.02,
        PainOfSession = 0.004,
        MissedShare = 0.08,
        HigherContactCosts = 0.85,
        EasierShare = 1.5;

    private const int WindowDays = 120,
        DaysStopped = 14;

    private static readonly DateOnly Start = new(2025, 1, 6);

    private static readonly DayOfWeek[] Days = [DayOfWeek.Monday, DayOfWeek.Thursday];

    /// <summary>Lines of every measure, each with what is possible at the start as a multiple of what it asks.</summary>
    private static readonly (string Movement, string Line)[][] Choices =
    [
        [
            ("weighted-pull-up", "4 x 5 @ +10 kg 2 in reserve"),
            ("weighted-dip", "3 x 6..8 @ +10 kg then +2.5 kg"),
            ("weighted-chin-up", "3 x 5 @ +7.5 kg"),
            ("weighted-row", "4 x 6 @ +5 kg 2 in reserve"),
        ],
        [
            ("push-up", "3 x 8..10"),
            ("chin-up", "3 x 5..7"),
            ("ring-row", "3 x 8..10"),
            ("pike-push-up", "3 x 6..8"),
            ("single-arm-row", "3 x 6..8 each side"),
        ],
        [
            ("front-lever-tuck", "hold 5 x 5 s"),
            ("planche-tuck", "hold 5 x 5 s"),
            ("l-sit", "hold 4 x 8 s"),
            ("wall-handstand", "hold 3 x 20 s"),
        ],
        [
            ("banded-pull-up", "3 x 6..8 @ band 30 kg"),
            ("jumping-muscle-up", "3 x 4 box 60 cm"),
            ("negative-pull-up", "negative 4 x 1 lower 5 s"),
            ("high-pull-up", "4 x 3 to chest fast"),
            ("push-up", "2 x rest-pause gap 30 s"),
            ("pull-up", "every 1:20 x 5 do 3"),
        ],
    ];

    private static readonly MovementDose FullRep = new("pull-up", NotationParser.Parse("5 x 1").Plan!);

    private static readonly string[] Places = ["right elbow, inside", "left shoulder", "right wrist", "knee"];

    public static LivedYear Live(int seed, int weeks = 52) => new Year(seed).Live(weeks);

    private sealed class Item(string movement, Prescription plan)
    {
        public string Began { get; } = movement;
        public string Movement { get; set; } = movement;
        public Prescription Plan { get; set; } = plan;
        public double Could { get; set; }
        public double Limit { get; set; }
        public DateOnly? EasyUntil { get; set; }
        public MovementDose? Eased { get; set; }
        public DateOnly? Trained { get; set; }
        public DateOnly? LastEasy { get; set; }
        public DateOnly? StoppedUntil { get; set; }
        public int Exposures { get; set; }
        public int Changes { get; set; }
        public int Turns { get; set; }
        public Dictionary<string, (double Could, double Limit)> Reached { get; } = [];
        public Dictionary<string, decimal> Peaks { get; } = [];
        public int LoadingWeeks { get; set; }
        public int LongestLoading { get; set; }
        public int Still { get; set; }
        public int BestTotal { get; set; }
        public int LongestStill { get; set; }
        public DateOnly StepSince { get; set; } = Start;
        public List<(int Took, int Usual)> StepWeeks { get; } = [];
    }

    private sealed class Year
    {
        private readonly Random random;
        private readonly SeededIds ids;
        private readonly Mass body;
        private readonly Item[] items;
        private readonly List<Exposure> exposures = [];
        private readonly List<StopClearance> clearances = [];
        private readonly List<PastDecision> decided = [];
        private readonly Dictionary<ProposalKind, int> taken = [];
        private readonly KitBook gear;
        private readonly Kit kit = DemoClub.Hall;
        private decimal largestJump;
        private int throughPain;

        public Year(int seed)
        {
            random = new(seed);
            ids = new(new Random(seed * 7919));
            body = Mass.FromKilograms(52 + random.Next(44));
            gear = new(
                kit,
                [
                    new(ids.Next(Start), "thick", 36, 30, 24, Start),
                    new(ids.Next(Start), "middle", 24, 20, 16, Start),
                    new(ids.Next(Start), "thin", 14, 11, 8, Start),
                ],
                [],
                DemoClub.HallBook(Start).Gear
            );
            var chosen = new HashSet<string>();
            items =
            [
                .. Choices.Select(c =>
                {
                    var left = c.Where(x => !chosen.Contains(x.Movement)).ToArray();
                    var (movement, line) = left[random.Next(left.Length)];
                    chosen.Add(movement);
                    var item = new Item(movement, NotationParser.Parse(line).Plan!);
                    item.Could = 1.0 + random.NextDouble() * 0.15;
                    item.Limit = item.Could * Room(Adjust.IsAddedLoad(item.Plan.Load));
                    return item;
                }),
            ];
        }

        public LivedYear Live(int weeks)
        {
            for (var week = 0; week < weeks; week++)
            {
                foreach (var day in Days.Select(d => Start.AddDays(7 * week + (d == DayOfWeek.Monday ? 0 : 3))))
                {
                    if (random.NextDouble() >= MissedShare)
                        Train(day);
                }

                foreach (var item in items)
                {
                    var easy = item.LastEasy >= Start.AddDays(7 * week);
                    var rested = item.Trained is not { } last || last < Start.AddDays(7 * week);
                    item.LoadingWeeks = easy || rested || item.StoppedUntil is not null ? 0 : item.LoadingWeeks + 1;
                    item.LongestLoading = Math.Max(item.LongestLoading, item.LoadingWeeks);
                    // Half of what is left to the limit takes about two months.
                    item.Could += (item.Limit - item.Could) * GrowthOfWeek;
                }
            }

            return new(
                [
                    .. items.Select(i => new LivedItem(
                        i.Began,
                        i.Exposures,
                        i.Changes,
                        i.Turns,
                        i.LongestLoading,
                        i.LongestStill,
                        i.StepWeeks
                    )),
                ],
                largestJump,
                throughPain,
                taken
            );
        }

        private AthleteAtWork Work(DateOnly day) =>
            new(
                new(
                    MassUnit.Kg,
                    1995,
                    true,
                    Schools.Default,
                    kit,
                    new([new(Start, new MassEntry(body.Kilograms, MassUnit.Kg))]),
                    [],
                    [.. exposures.Where(e => e.Day > day.AddDays(-WindowDays))]
                )
                {
                    StatureCm = 175,
                    Clearances = [.. clearances],
                    Decided = [.. decided],
                },
                Intake.Empty,
                Atlas.Shipped,
                gear,
                [],
                day
            );

        private void Train(DateOnly day)
        {
            var session = ids.Next(day);
            var work = Work(day);
            for (var i = 0; i < items.Length; i++)
            {
                var item = items[i];
                if (item.StoppedUntil is { } until)
                {
                    if (day < until)
                        continue;
                    item.StoppedUntil = null;
                    foreach (var stop in work.Stops)
                        clearances.Add(new(day, stop.Place, "cleared"));
                    work = Work(day);
                }

                if (Do(item, session, i, day, work) is { } exposure)
                {
                    exposures.Add(exposure);
                    item.Trained = day;
                }
            }

            var next = day.DayOfWeek == DayOfWeek.Monday ? day.AddDays(3) : day.AddDays(4);
            foreach (var proposal in DecisionEngine.Decide(Work(day), [], Catalogue.Shipped.Rules, Days))
            {
                // What was decided on the same log is not asked again.
                if (decided.Contains(new(proposal.Movement, proposal.Kind.ToString(), proposal.BasisDay)))
                    continue;
                var same = items.Where(x => x.Movement == proposal.Movement).ToArray();
                if ((same.FirstOrDefault(x => x.Plan == proposal.Before) ?? same.FirstOrDefault()) is { } item)
                    Take(item, proposal, next);
            }
        }

        private Exposure? Do(Item item, Guid session, int position, DateOnly day, AthleteAtWork work)
        {
            var eased = item.Eased;
            item.Eased = null;
            var movement = Catalogue.Shipped.Movements[eased?.Movement ?? item.Movement];
            var deload = item.EasyUntil is { } until && day <= until;
            var easy = deload || eased is not null;
            var plan = eased?.Plan ?? (deload ? Adjust.Deload(item.Plan) : item.Plan);
            if (
                work.Holding(movement) is { Stopped: true }
                || PrescriptionResolver.Resolve(plan, work.ContextOf(movement)!).Plan is not { } resolved
            )
                return null;
            var today = item.Could * (1 + (random.NextDouble() - 0.5) * 2 * Scatter);
            var pain = random.NextDouble() < PainOfSession ? 3 + random.Next(4) : (int?)null;
            var place = Places[random.Next(Places.Length)];
            var sets = resolved
                .Efforts.Select(
                    (effort, n) =>
                    {
                        var asked = effort.Plan.Seconds ?? effort.Plan.RepsHigh;
                        // What the first line asked is reached with what the athlete could at the start.
                        var able = Able(item, effort.Plan, effort.Load.Value.Made) * today * (1 - FatiguePerSet * n);
                        var open =
                            effort.Plan.Role is SetRole.Max or SetRole.Burst or SetRole.Practice
                            || item.Plan is RestPause;
                        // A set that asks for a reserve ends with it, once the bottom of its range is done.
                        var kept = plan.Effort is InReserve left ? (int)left.Reps : 0;
                        var most = Math.Max(effort.Plan.RepsLow, (int)able - kept);
                        var done = Math.Max(0, open ? (int)able : Math.Min(Math.Min(asked, most), (int)able));
                        return new LoggedSet(
                            effort.Plan.Set,
                            effort.Plan.Part,
                            effort.Plan.Seconds is null ? done : 1,
                            new MassEntry(effort.Load.Value.Made.Kilograms, MassUnit.Kg),
                            effort.Plan.Seconds is null ? Math.Clamp((int)(able - done), 0, 5) : null,
                            FormVerdict.Clean,
                            n == 0 ? pain : null,
                            n == 0 && pain is not null ? place : null,
                            effort.Plan.Seconds is null ? null : done
                        )
                        {
                            Contact = plan.SetUp?.To,
                        };
                    }
                )
                .ToArray();
            item.Exposures++;
            item.LastEasy = easy ? day : item.LastEasy;
            // Open sets change by themselves while they grow, and two that train the same are told apart by nobody.
            var total = sets.Sum(x => x.Seconds ?? x.Reps);
            if ((plan.ToTheEnd || plan is RestPause) && total > item.BestTotal)
                (item.BestTotal, item.Still, item.Changes) = (total, 0, item.Changes + 1);
            if (items.Count(x => x.Movement == item.Movement) > 1)
                (item.Still, item.LoadingWeeks) = (0, 0);
            if (!easy)
                item.LongestStill = Math.Max(item.LongestStill, ++item.Still);
            return new(
                session,
                day,
                movement.Slug,
                plan,
                [.. resolved.Efforts.Select(e => e.Load.Value.Made)],
                easy,
                body,
                sets
            )
            {
                Position = position,
                Role = ItemRole.Main,
            };
        }

        /// <summary>Reps or seconds at a strength of 1: what the line of the start asks, at its load.</summary>
        private double Able(Item item, PlannedSet asked, Mass load)
        {
            var basis = Basis(item);
            if (asked.Seconds is not null)
                return basis.Amount;
            if (basis.System is not { } system)
                return basis.Amount;
            // By Epley from the system that could be moved for the reps of the start.
            var maximum = system * (1 + basis.Amount / 30) * item.Could;
            return Math.Max(0, 30 * (maximum / (double)(body + load).Kilograms - 1)) / Math.Max(0.01, item.Could);
        }

        private (double Amount, double? System) Basis(Item item) =>
            started.TryGetValue(item.Movement, out var known) ? known : Fresh(item);

        private readonly Dictionary<string, (double Amount, double? System)> started = [];

        private (double Amount, double? System) Fresh(Item item)
        {
            var sets = item.Plan.Sets();
            var amount = (double)sets.Max(s => s.Seconds ?? s.RepsHigh);
            if (item.Plan.Effort is InReserve reserve)
                amount += reserve.Reps;
            if (item.Plan is RestPause)
                amount = 15;
            var moves = sets.All(s => s.Seconds is null);
            var load = PrescriptionResolver
                .Resolve(item.Plan, Work(Start).ContextOf(Catalogue.Shipped.Movements[item.Movement])!)
                .Plan?.Loads.Max(l => l.Value.Made.Kilograms)
                ?? 0;
            double? system = moves && Adjust.IsAddedLoad(item.Plan.Load) ? (double)(body.Kilograms + load) : null;
            return started[item.Movement] = (amount, system);
        }

        private void Take(Item item, Proposal proposal, DateOnly next)
        {
            if (item.StoppedUntil is not null)
                return;
            taken[proposal.Kind] = taken.GetValueOrDefault(proposal.Kind) + 1;
            decided.Add(new(proposal.Movement, proposal.Kind.ToString(), proposal.BasisDay));
            var hurt = exposures.LastOrDefault(e => e.Movement == item.Movement)?.WorstPain?.Pain >= 3;
            if (hurt && proposal.Kind > ProposalKind.Hold && proposal.Kind < ProposalKind.WeakerSide)
                throughPain++;
            switch (proposal.Kind)
            {
                case ProposalKind.Refer:
                    item.StoppedUntil = next.AddDays(DaysStopped);
                    return;
                case ProposalKind.Return:
                    item.Eased = proposal.Next;
                    return;
                case ProposalKind.Ease:
                    item.Eased = proposal.Next;
                    if (proposal.Overruled.Contains(ProposalKind.Deload))
                        item.EasyUntil = TrainingCalendar.Monday(next).AddDays(6);
                    return;
                case ProposalKind.Deload or ProposalKind.LighterWeek:
                    item.EasyUntil = TrainingCalendar.Monday(next).AddDays(6);
                    return;
                case ProposalKind.Test
                    when Catalogue.Shipped.Movements[item.Movement].Measure == BenchmarkMeasure.SecondsPerDescent:
                    // The descent is even at its longest: the full rep is tested, and done from then on.
                    Step(item, FullRep, 1, next);
                    item.Changes++;
                    item.Still = 0;
                    return;
                case ProposalKind.Test when item.Plan.SetUp?.BoxCm is not null:
                    var free = Catalogue.Shipped.Movements[Catalogue.Shipped.Movements[item.Movement].Harder[0]];
                    Step(item, new(free.Slug, Neighbours.FirstDose(Work(next), free)), 1, next);
                    item.Changes++;
                    item.Still = 0;
                    return;
                case ProposalKind.Test
                    when Catalogue.Shipped.Movements[item.Movement].Measure == BenchmarkMeasure.ContactHeight:
                    item.Plan = item.Plan with { SetUp = (item.Plan.SetUp ?? new()) with { To = Contact.Collarbone } };
                    item.Changes++;
                    item.Still = 0;
                    return;
                case ProposalKind.RestToday or ProposalKind.Achieved or ProposalKind.Test or ProposalKind.Retest:
                    return;
            }

            if (proposal.Next is not { } dose)
                return;
            var direction = proposal.Kind
                is ProposalKind.BackOff
                    or ProposalKind.Easier
                    or ProposalKind.Hold
                    or ProposalKind.WeakerSide
                    or ProposalKind.EvenSides
                ? -1
                : 1;
            if (proposal.Kind == ProposalKind.BackOff)
                BackedOff(item);
            if (proposal.Kind == ProposalKind.NextContact)
                item.Could *= HigherContactCosts;
            if (dose.Movement == item.Movement && proposal.Kind == ProposalKind.AddLoad)
                Jump(item, proposal.Before ?? item.Plan, dose.Plan);
            if (dose.Movement != item.Movement || proposal.First is not null)
                Step(item, proposal.First ?? dose, direction, next);
            else
                item.Plan = dose.Plan;
            item.Changes++;
            item.Still = 0;
        }

        /// <summary>Backed off from no greater height than before: a turn on the spot.</summary>
        private void BackedOff(Item item)
        {
            var sets = item.Plan.Sets();
            var load = PrescriptionResolver
                .Resolve(item.Plan, Work(Start).ContextOf(Catalogue.Shipped.Movements[item.Movement])!)
                .Plan?.Loads.Max(l => l.Value.Made.Kilograms)
                ?? 0;
            var height = load * 1000 + sets.Sum(s => s.Seconds ?? s.RepsHigh);
            if (item.Peaks.TryGetValue(item.Movement, out var peak) && height <= peak)
                item.Turns++;
            item.Peaks[item.Movement] = Math.Max(peak, height);
        }

        private void Jump(Item item, Prescription from, Prescription plan)
        {
            var context = Work(Start).ContextOf(Catalogue.Shipped.Movements[item.Movement])!;
            decimal Load(Prescription p) =>
                PrescriptionResolver.Resolve(p, context).Plan?.Loads.Max(l => l.Value.Made.Kilograms) ?? 0;
            var before = Load(from);
            largestJump = Math.Max(largestJump, (Load(plan) - before) / (body.Kilograms + before));
        }

        /// <summary>How far it can grow: the whole system by a fifth or two, reps and seconds to two or three times.</summary>
        private double Room(bool loaded) =>
            loaded ? 1.15 + random.NextDouble() * 0.25 : 1.8 + random.NextDouble() * 1.4;

        /// <summary>Another movement: what can be done in it at first is a share of what its first dose asks.</summary>
        private void Step(Item item, MovementDose dose, int direction, DateOnly day)
        {
            if (direction > 0 && Usual(item.Movement) is { } usual)
                item.StepWeeks.Add(((day.DayNumber - item.StepSince.DayNumber) / 7, usual));
            item.StepSince = day;
            item.Reached[item.Movement] = (item.Could, item.Limit);
            (item.Movement, item.Plan, item.BestTotal) = (dose.Movement, dose.Plan, 0);
            if (!item.Reached.ContainsKey(dose.Movement))
                started.Remove(dose.Movement);
            item.Could = 1 + (direction > 0 ? 0.1 : EasierShare - 1) * random.NextDouble();
            item.Limit = item.Could * Room(Catalogue.Shipped.Movements[item.Movement].Load is not null);
            // What was trained before comes back no weaker than it was left.
            if (item.Reached.TryGetValue(item.Movement, out var was))
                (item.Could, item.Limit) = (Math.Max(item.Could, was.Could), Math.Max(item.Limit, was.Limit));
        }

        /// <summary>The catalogue's weeks of the step that trains a movement.</summary>
        private static int? Usual(string movement) =>
            Atlas
                .Shipped.Ladders.SelectMany(l => l.Steps)
                .Where(s => s.Movement == movement)
                .Select(s => (int?)s.Weeks)
                .FirstOrDefault();
    }
}
