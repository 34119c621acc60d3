using System.Collections.Concurrent;
using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Explanations;
using Cumbre.Core.Ladders;
using Cumbre.Core.Levers;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Safety;
using Cumbre.Core.Strength;

namespace Cumbre.Core.Programmes;

/// <summary>An item held against the athlete.</summary>
/// <param name="Item">As written.</param>
/// <param name="Movement">Null: the catalogue has it no more.</param>
/// <param name="Plan">Null: the line cannot be read.</param>
/// <param name="Error">Of the line, with its place.</param>
/// <param name="Resolved">Null: with an error or a problem.</param>
/// <param name="Problem">The line is right, but the athlete lacks something.</param>
public sealed record ItemReading(
    BlockItem Item,
    Movement? Movement,
    Prescription? Plan,
    NotationError? Error,
    ResolvedPrescription? Resolved,
    ResolutionProblem? Problem
)
{
    /// <summary>Seconds of the item alone; 0 while it cannot be read.</summary>
    public int Seconds => Resolved?.DurationSeconds ?? (Plan is null ? 0 : Timing.Duration(Plan));
}

/// <summary>A step of a ladder that an item trains, as it stands for the athlete.</summary>
public sealed record StepAtWork(Ladder Ladder, int Index, StepStatus Status, bool Reachable)
{
    public LadderStep Step => Ladder.Steps[Index];
}

/// <summary>What holds a movement: a stop that is not cleared, or pain that was told at intake.</summary>
/// <param name="Place">Where it hurts.</param>
/// <param name="Level">0 to 10.</param>
/// <param name="Stopped">It stops; else it is eased.</param>
/// <param name="Hold">How far.</param>
public sealed record Soreness(PainPlace Place, int Level, bool Stopped, Hold Hold);

/// <summary>
/// One athlete on one day, with all that a programme is read against; each movement is looked up once. Everything is
/// worked out at
/// today's body mass and tests, so that a session which has not begun follows them.
/// </summary>
public sealed class AthleteAtWork
{
    /// <summary>Lines that are remembered, as one is typed key by key.</summary>
    private const int LinesMost = 4000,
        ShownDays = 28;

    private readonly ConcurrentDictionary<string, Capacity> capacities = new(StringComparer.Ordinal);
    private readonly ConcurrentDictionary<string, decimal?> shownFresh = new(StringComparer.Ordinal);
    private readonly ConcurrentDictionary<string, Bests> bests = new(StringComparer.Ordinal);
    private readonly ConcurrentDictionary<string, PlacementReport> reports = new(StringComparer.Ordinal);
    private readonly ConcurrentDictionary<string, ResolutionContext?> contexts = new(StringComparer.Ordinal);
    private readonly ConcurrentDictionary<
        (string, WrittenLine),
        (ResolvedPrescription? Resolved, ResolutionProblem? Problem)
    > read = [];
    private readonly ILookup<string, StepAtWork> steps;
    private readonly (PainPlace Place, int Level)[] complaints;
    private readonly Lazy<HashSet<Pattern>> known;
    private readonly IReadOnlyList<CoachPlacement> coach;
    private readonly LeverBody body;
    private readonly bool bodyKnown;

    /// <param name="athlete">The athlete.</param>
    /// <param name="intake">What they said when they came in.</param>
    /// <param name="atlas">Ladders and movements in force.</param>
    /// <param name="gear">Bands, counted loads and gear of the place where they train.</param>
    /// <param name="coach">Steps set by the coach.</param>
    /// <param name="today">Today.</param>
    public AthleteAtWork(
        AthleteSnapshot athlete,
        Intake intake,
        Atlas atlas,
        KitBook gear,
        IReadOnlyList<CoachPlacement> coach,
        DateOnly today
    )
    {
        this.coach = coach;
        Athlete = athlete;
        Intake = intake;
        Atlas = atlas;
        Gear = gear;
        Today = today;
        Book = TrainingResults.Book(athlete, atlas.Catalogue, today);
        Placements = atlas.Ladders.ToDictionary(
            l => l.Slug,
            l => Placement.Of(l, athlete.Schools, Book, coach.FirstOrDefault(c => c.Ladder == l.Slug)),
            StringComparer.Ordinal
        );
        steps = atlas
            .Ladders.SelectMany(l =>
                l.Steps.Select(
                    (s, i) =>
                        new StepAtWork(
                            l,
                            i,
                            Placements[l.Slug].StatusOf(i),
                            Placements[l.Slug].IsReachable(i) || Placements[l.Slug].Training == i
                        )
                )
            )
            .ToLookup(s => s.Step.Movement, StringComparer.Ordinal);
        var build = athlete.BuildOn(today);
        bodyKnown = build is { StatureCm: not null, BodyMass: not null };
        body = bodyKnown
            ? new LeverBody(
                SegmentTable.For(build.Sex),
                build.BodyMass!.Value,
                (double)build.StatureCm!.Value / 100,
                build.Lengths
            )
            : Demand.AnyBody;
        PainReports = PainRules.Reports(
            athlete.Exposures,
            athlete.Results,
            athlete.CheckIns,
            athlete.Mornings,
            atlas.Catalogue
        );
        AllStops = PainRules.Stops(
            [.. PainReports.Where(r => r.Day <= today)],
            athlete.Exposures,
            athlete.Clearances,
            atlas.Catalogue
        );
        Stops = [.. AllStops.Where(s => s.ClearedOn is null || s.ClearedOn > today)];
        complaints =
        [
            .. intake
                .Complaints.Where(c => c.Level >= PainRules.EaseFrom)
                .Select(c => (PainPlace.Read(c.Place), c.Level)),
        ];
        known = new(() =>
            [
                .. atlas
                    .Catalogue.Benchmarks.Values.Where(b => Book.Has(b.Slug))
                    .Select(b => atlas.Catalogue.Movements[b.Movement].Pattern),
            ]
        );
        BodyMass = athlete.BodyMass.On(today);
        WaitsForClearance = Clearance.Open(athlete.AgeIn(today), athlete.Cleared, intake);
    }

    /// <summary>The same athlete under another choice of one school.</summary>
    public AthleteAtWork Under(string question, string choice) =>
        new(
            Athlete with
            {
                Schools = Athlete.Schools.With(Atlas.Catalogue, question, choice),
            },
            Intake,
            Atlas,
            Gear,
            coach,
            Today
        );

    public AthleteSnapshot Athlete { get; }

    public Intake Intake { get; }

    public Atlas Atlas { get; }

    public KitBook Gear { get; }

    public DateOnly Today { get; }

    public ResultBook Book { get; }

    public IReadOnlyDictionary<string, Placement> Placements { get; }

    /// <summary>Null: never weighed.</summary>
    public Explained<Mass>? BodyMass { get; }

    /// <summary>Questions of clearance that are open.</summary>
    public IReadOnlyList<ClearanceQuestion> WaitsForClearance { get; }

    /// <summary>All pain that was told, oldest first.</summary>
    public IReadOnlyList<PainReport> PainReports { get; }

    /// <summary>Every stop there was.</summary>
    public IReadOnlyList<Stop> AllStops { get; }

    /// <summary>Stops that are not cleared.</summary>
    public IReadOnlyList<Stop> Stops { get; }

    /// <summary>The worst that holds a movement, stops before what eases; null: nothing does.</summary>
    public Soreness? Holding(Movement movement, bool loaded = false)
    {
        var stops = Stops.Select(s => new Soreness(
            s.Place,
            s.Because.Level,
            true,
            PainRules.Holds(s, movement, Atlas.Catalogue, loaded)
        ));
        var told = complaints.Select(c => new Soreness(
            c.Place,
            c.Level,
            c.Level >= PainRules.StopFrom,
            PainRules.Holds(c.Place, c.Level >= PainRules.StopFrom, null, movement, loaded)
        ));
        return stops
            .Concat(told)
            .Where(s => s.Hold != Hold.None)
            .OrderByDescending(s => s.Stopped)
            .ThenByDescending(s => s.Level)
            .FirstOrDefault();
    }

    /// <summary>The steps of which a movement is the exercise, goals first.</summary>
    public IReadOnlyList<StepAtWork> StepsOf(string movement) =>
        [.. steps[movement].OrderByDescending(s => Intake.Advancing.Contains(s.Ladder.Slug))];

    /// <summary>
    /// Is there a clean result on some movement of the pattern, so that a placement in it rests on something?
    /// </summary>
    public bool KnowsLevel(Pattern pattern) => known.Value.Contains(pattern);

    /// <summary>
    /// Best clean reps and hold on a movement: of the newest day with a test and of training since, and of two sides
    /// the weaker.
    /// </summary>
    public Bests BestsOf(Movement movement) =>
        bests.GetOrAdd(movement.Slug, static (_, x) => x.athlete.FindBests(x.movement), (movement, athlete: this));

    /// <summary>Where the athlete stands on a ladder, with what holds them back.</summary>
    public PlacementReport ReportOn(Ladder ladder) =>
        reports.GetOrAdd(
            ladder.Slug,
            static (_, x) =>
                PlacementReport.Of(
                    x.ladder,
                    x.athlete.Atlas,
                    x.athlete.Athlete.Schools,
                    x.athlete.Book,
                    x.athlete.Athlete.BuildOn(x.athlete.Today)
                ),
            (ladder, athlete: this)
        );

    private Bests FindBests(Movement movement)
    {
        int? reps = null;
        decimal? hold = null;
        foreach (var benchmark in Atlas.Catalogue.BenchmarksOf(movement.Slug))
        {
            if (benchmark.Measure == BenchmarkMeasure.Reps)
                reps ??= Newest(benchmark.Slug, r => r.Score.Reps) is { } n ? (int)n : null;
            else if (benchmark.Measure == BenchmarkMeasure.Seconds)
                hold ??= Newest(benchmark.Slug, r => r.Score.Seconds ?? 0);
        }

        return new(reps, hold, BurstRatioOf(movement));
    }

    /// <summary>What the athlete can do of a movement without load, and from what it is known.</summary>
    public Capacity CapacityOf(Movement movement) =>
        capacities.GetOrAdd(
            movement.Slug,
            static (_, x) => Capacity.Of(x.movement, x.athlete),
            (movement, athlete: this)
        );

    /// <summary>
    /// The fresh set, in reps or seconds, that the sets of the last four weeks speak for: who did several of nineteen
    /// seconds could have held the first one longer. Null: nothing was done without load, help, tempo or sides in turn.
    /// </summary>
    public decimal? ShownFresh(Movement movement) =>
        shownFresh.GetOrAdd(movement.Slug, static (slug, athlete) => athlete.FindShownFresh(slug), this);

    private decimal? FindShownFresh(string movement) =>
        Athlete
            .Exposures.Where(e =>
                e.Movement == movement && e.Counts && e.Day > Today.AddDays(-ShownDays) && e.Day <= Today
            )
            .Where(e =>
                e is { IsLoaded: false, IsAssisted: false }
                && e.Plan is StraightSets or DoubleProgression or HoldSets { Seconds: not null }
                && e.Plan is { Tempo: null, IsFast: false }
                && e.Plan.Sets().All(s => s.Side is null)
                && e.Sets.Count > 0
                && e.Sets.All(s => s.Form == FormVerdict.Clean)
            )
            .Max(e =>
                (decimal?)
                    FurtherSets.Fresh(
                        [.. e.Sets.OrderBy(s => s.Set).Select(s => s.Seconds ?? s.Reps)],
                        Timing.RestBetweenSets(e.Plan)
                    )
            );

    /// <summary>What a plan of this movement is resolved against; null without a body mass.</summary>
    public ResolutionContext? ContextOf(Movement movement)
    {
        if (contexts.TryGetValue(movement.Slug, out var known))
            return known;
        return contexts[movement.Slug] = BodyMass is not { } mass ? null : Context(movement, mass);
    }

    /// <summary>Reads an item. The same line of the same movement is worked out once.</summary>
    public ItemReading Read(BlockItem item)
    {
        var movement = Atlas.Catalogue.Movements.GetValueOrDefault(item.Movement);
        if (read.Count >= LinesMost)
            read.Clear();
        if (!read.TryGetValue((item.Movement, item.Written), out var answer))
            read[(item.Movement, item.Written)] = answer = Resolve(movement, item.Plan);
        return new(item, movement, item.Plan, item.Written.Error, answer.Resolved, answer.Problem);
    }

    private (ResolvedPrescription?, ResolutionProblem?) Resolve(Movement? movement, Prescription? plan)
    {
        if (plan is null)
            return (null, null);
        if (movement is null)
            return (null, ResolutionProblem.MovementUnknown);
        if (ContextOf(movement) is not { } context)
            return (null, ResolutionProblem.NoBodyMass);
        var resolution = PrescriptionResolver.Resolve(plan, context);
        return (resolution.Plan, resolution.Problem);
    }

    private ResolutionContext Context(Movement movement, Explained<Mass> mass)
    {
        var heavy = Atlas
            .Catalogue.BenchmarksOf(movement.Slug)
            .FirstOrDefault(b => b.Measure == BenchmarkMeasure.LoadTimesReps);
        var max = heavy is null ? null : CurrentStrength.Latest(Athlete, heavy, Today);
        return new ResolutionContext(
            mass,
            max,
            max is null ? 0 : Staleness.Age(max.Value.MeasuredOn, Today),
            Athlete.Kit,
            Athlete
                .Exposures.LastOrDefault(e => e.Movement == movement.Slug && !e.Easy && e.Day <= Today)
                ?.TopLoad.Mass,
            Athlete.AgeIn(Today)
        )
        {
            Movement = movement,
            Bests = BestsOf(movement),
            Bands = Gear.Bands,
            Counted = Gear.Counted,
            MomentNm =
                bodyKnown
                && steps[movement.Slug].Select(s => s.Step.Demand).FirstOrDefault(d => d.Kind == DemandKind.Moment)
                    is { Posture: { } posture }
                    ? body.ShoulderMoment(Demand.PostureOf(posture))
                    : null,
            Day = Today,
        };
    }

    private decimal? Newest(string benchmark, Func<BenchmarkResult, decimal> value)
    {
        var results = Book.Of(benchmark).Where(r => r.Added.Mass <= Mass.Zero).ToArray();
        if (results.Length == 0)
            return null;
        var tested = results.Where(r => r.Origin != ResultOrigin.TrainingSet).Select(r => (DateOnly?)r.Day).Max();
        // A training set is a lower bound: it raises what the newest test says, and never lowers it.
        var since = tested ?? results.Max(r => r.Day).AddDays(-Staleness.Days);
        return results
            .Where(r => r.Day >= since && (r.Origin == ResultOrigin.TrainingSet || r.Day == tested))
            .GroupBy(r => r.Side)
            .Select(side => side.Max(value))
            .Min();
    }

    /// <summary>
    /// The athlete's own ratio of second to first burst, over their rest-pause sets; one half until there is one.
    /// </summary>
    private decimal BurstRatioOf(Movement movement)
    {
        var pairs = Athlete
            .Exposures.Where(e => e.Movement == movement.Slug && e.Plan is RestPause)
            .SelectMany(e =>
                e.Sets.GroupBy(s => s.Set)
                    .Select(set =>
                        (
                            First: set.FirstOrDefault(s => s.Part == 1)?.Reps,
                            Second: set.FirstOrDefault(s => s.Part == 2)?.Reps
                        )
                    )
            )
            .Where(p => p is { First: > 0, Second: not null })
            .ToArray();
        return pairs.Length == 0
            ? Bests.UsualBurstRatio
            : Math.Clamp(pairs.Average(p => (decimal)p.Second!.Value / p.First!.Value), 0.1m, 1);
    }
}
