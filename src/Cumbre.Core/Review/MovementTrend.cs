using Cumbre.Core.Benchmarks;
using Cumbre.Core.Explanations;
using Cumbre.Core.Ladders;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes;
using Cumbre.Core.Sessions;
using Cumbre.Core.Strength;

namespace Cumbre.Core.Review;

/// <summary>In what a movement is followed.</summary>
public enum TrendMeasure
{
    /// <summary>e1RM of the system in kg.</summary>
    OneRepMax,
    Reps,
    Seconds,

    /// <summary>Position in the row of contacts, from 0.</summary>
    Contact,

    /// <summary>Height of the box in cm; lower is harder.</summary>
    Box,

    /// <summary>Assistance in kg; less is harder.</summary>
    Assistance,

    /// <summary>Pads under the head or the hands; fewer is harder.</summary>
    Pads,
}

/// <summary>What a day showed of a movement, on one side or both.</summary>
/// <param name="Day">The day.</param>
/// <param name="Side">Null: both at once.</param>
/// <param name="Counts">What counts for the threshold: of three holds the third longest.</param>
/// <param name="Best">Of the best set.</param>
/// <param name="Low">Lower end of the range of an estimate.</param>
/// <param name="High">Upper end.</param>
/// <param name="IsTest">Recorded as a test.</param>
/// <param name="IsEasy">In a deload, eased, or on a light day: it is shown, and says nothing about the trend.</param>
/// <param name="IsCompared">Set up like the newest exposure.</param>
/// <param name="IsBound">Done as planned and no best: the athlete can do at least this much, and the trend is not read
/// from it.</param>
public sealed record TrendPoint(
    DateOnly Day,
    Side? Side,
    decimal Counts,
    decimal Best,
    decimal? Low,
    decimal? High,
    bool IsTest,
    bool IsEasy,
    bool IsCompared,
    bool IsBound = false
);

/// <summary>A threshold in the trend's own measure.</summary>
/// <param name="Value">Where it lies.</param>
/// <param name="Term">Have and need.</param>
/// <param name="Sets">How many sets must reach it.</param>
/// <param name="Ladder">Name of the ladder.</param>
/// <param name="Step">Name of the step that it achieves or opens.</param>
/// <param name="Opens">It opens the step; else it achieves it.</param>
public sealed record TrendLine(decimal Value, TermState Term, int Sets, string Ladder, string Step, bool Opens);

/// <summary>Why there is no forecast.</summary>
public enum NoForecast
{
    NoThreshold,
    TooFewPoints,
    NotRising,

    /// <summary>Over a year away at this slope.</summary>
    TooFar,

    /// <summary>Less of a box or a band is no steady line.</summary>
    Stepwise,
}

/// <summary>When the next threshold may be reached: an interval, or the reason why nobody can say.</summary>
/// <param name="Line">Which; null: none lies ahead.</param>
/// <param name="Weeks">From and to, in weeks from the day; null: there is no forecast.</param>
/// <param name="Reason">Null where there is one.</param>
/// <param name="Points">Days that are compared.</param>
public sealed record Forecast(TrendLine? Line, Explained<(int From, int To)>? Weeks, NoForecast? Reason, int Points);

/// <summary>The best with one set-up and in one style.</summary>
/// <param name="SetUp">As it was told; empty: nothing was.</param>
/// <param name="Style">Speed, grip, pause and tempo as a line says them; empty: as usual.</param>
/// <param name="Value">In the trend's measure.</param>
/// <param name="Day">When.</param>
/// <param name="Set">With which set; null: a test.</param>
/// <param name="IsCompared">Set up like the newest exposure.</param>
public sealed record SetUpRecord(
    string SetUp,
    string Style,
    decimal Value,
    DateOnly Day,
    LoggedSet? Set,
    bool IsCompared
);

/// <summary>A best that a session brought.</summary>
/// <param name="SetUp">As it was told; empty: nothing was.</param>
/// <param name="Style">Speed, grip, pause and tempo as a line says them; empty: as usual.</param>
/// <param name="Side">Null: both at once.</param>
/// <param name="Value">In the trend's measure.</param>
/// <param name="Before">The best until then.</param>
/// <param name="BeforeDay">When that was.</param>
/// <param name="Set">The set.</param>
public sealed record NewRecord(
    string SetUp,
    string Style,
    Side? Side,
    decimal Value,
    decimal Before,
    DateOnly BeforeDay,
    LoggedSet Set
);

/// <summary>A day on which both sides were done by themselves.</summary>
/// <param name="Day">The day.</param>
/// <param name="Gap">Of the best of either side, in the trend's measure.</param>
public sealed record DaySides(DateOnly Day, SideGap Gap);

/// <summary>A movement of an athlete over time, in its own measure.</summary>
public sealed class MovementTrend
{
    /// <summary>So many weeks are looked at.</summary>
    public const int Weeks = 12;

    private const double Confidence = 0.8;

    private const int DaysAWeek = 7,
        FarWeeks = 52,
        DaysBefore = 3;

    private readonly AthleteAtWork athlete;
    private readonly Movement movement;
    private readonly Exposure[] exposures;
    private readonly Exposure? newest;

    /// <param name="athlete">On the day.</param>
    /// <param name="movement">Which.</param>
    /// <param name="whole">All that was done of it; null: as far back as the athlete is loaded.</param>
    public MovementTrend(AthleteAtWork athlete, Movement movement, IReadOnlyList<Exposure>? whole = null)
    {
        (this.athlete, this.movement) = (athlete, movement);
        exposures =
        [
            .. (whole ?? athlete.Athlete.Exposures.Where(e => e.Movement == movement.Slug)).OrderBy(e => e.Day),
        ];
        newest = exposures.LastOrDefault(e => e.Plan is not Negatives) ?? exposures.LastOrDefault();
        Measure = MeasureOf();
        // A harder threshold that is met leaves those under it behind.
        var all = LinesOf().OrderBy(l => l.Value).ToArray();
        var met = all.Where(l => l.Term.Met).Select(l => (decimal?)l.Value).Max();
        Lines = [.. all.Where(l => l.Term.Met || met is null || l.Value > met)];
        Ahead = IsStepwise ? null : Lines.FirstOrDefault(l => !l.Term.Met);
        Sets = Ahead?.Sets ?? 1;
        All = PointsOf(exposures);
        Points = [.. All.Where(p => p.Day > athlete.Today.AddDays(-Weeks * DaysAWeek))];
        Forecast = ForecastOf();
    }

    public TrendMeasure Measure { get; }

    /// <summary>Thresholds of the ladders that ask for this movement, lowest first.</summary>
    public IReadOnlyList<TrendLine> Lines { get; }

    /// <summary>The next threshold; null: none lies ahead, or the measure knows none.</summary>
    public TrendLine? Ahead { get; }

    /// <summary>The set that counts: the third longest where three holds are asked.</summary>
    public int Sets { get; }

    /// <summary>Every day, oldest first.</summary>
    public IReadOnlyList<TrendPoint> All { get; }

    /// <summary>Of the last twelve weeks.</summary>
    public IReadOnlyList<TrendPoint> Points { get; }

    public Forecast Forecast { get; }

    /// <summary>The newest day from which the trend is read; of two sides the weaker.</summary>
    public TrendPoint? Now =>
        All.Where(p => p is { IsEasy: false, IsCompared: true, IsBound: false })
            .GroupBy(p => p.Day)
            .LastOrDefault()
            ?.MinBy(p => IsStepwise ? -p.Best : p.Best);

    /// <summary>Measured in steps downwards: a box, a band.</summary>
    public bool IsStepwise => Measure is TrendMeasure.Box or TrendMeasure.Assistance or TrendMeasure.Pads;

    /// <summary>
    /// The best with each set-up and style, the newest first: of the same best the one with the most reps, and of those
    /// the day on which it was first reached.
    /// </summary>
    public IReadOnlyList<SetUpRecord> Records() =>
        [
            .. Bests()
                .GroupBy(x => (x.SetUp, x.Style))
                .OrderByDescending(g => g.Max(x => x.Exposure.Day))
                .Select(g =>
                    g.OrderBy(x => Harder(x.Value))
                        .ThenBy(x => x.Row.Amount)
                        .ThenByDescending(x => x.Exposure.Day)
                        .Last()
                )
                .Select(x => new SetUpRecord(
                    x.SetUp,
                    x.Style,
                    x.Value,
                    x.Exposure.Day,
                    x.Row.Set,
                    IsCompared(x.Exposure)
                )),
        ];

    /// <summary>
    /// What a session showed that none before it had, with the same set-up, in the same style and on the same side; the
    /// first time is no record, there is nothing that it beats.
    /// </summary>
    public IReadOnlyList<NewRecord> NewRecords(Guid session)
    {
        var day = exposures.FirstOrDefault(e => e.SessionId == session)?.Day;
        return
        [
            .. Bests()
                .Where(x => x.Exposure.SessionId == session || x.Exposure.Day < day)
                .GroupBy(x => (x.SetUp, x.Style, x.Row.Planned.Side))
                .Select(g =>
                    (
                        g.Key,
                        Now: g.Where(x => x.Exposure.SessionId == session).MaxBy(x => Harder(x.Value)),
                        Before: g.Where(x => x.Exposure.SessionId != session).MaxBy(x => Harder(x.Value))
                    )
                )
                .Where(x => x is { Now: not null, Before: not null })
                .Where(x => Harder(x.Now!.Value) - Harder(x.Before!.Value) >= LeastGain)
                .Select(x => new NewRecord(
                    x.Key.SetUp,
                    x.Key.Style,
                    x.Key.Side,
                    x.Now!.Value,
                    x.Before!.Value,
                    x.Before.Exposure.Day,
                    x.Now.Row.Set!
                )),
        ];
    }

    /// <summary>
    /// So much more is told of; an estimate moves by less from one day to the next (this project's choice).
    /// </summary>
    private decimal LeastGain => Measure == TrendMeasure.OneRepMax ? 0.5m : 0.1m;

    private decimal Harder(decimal value) => IsStepwise ? -value : value;

    private sealed record Shown(Exposure Exposure, DoneSet Row, decimal Value)
    {
        public string SetUp { get; } = Exposure.SetUp.ToString();

        public string Style { get; } = NotationPrinter.Style(Exposure.Plan);
    }

    private IEnumerable<Shown> Bests() =>
        exposures
            .Where(IsOfMeasure)
            .SelectMany(e => e.RowsWithExtra().Where(r => r.Set is not null).Select(r => (e, r, Value: ValueOf(e, r))))
            .Where(x => x.Value is not null)
            .Select(x => new Shown(x.e, x.r, x.Value!.Value));

    /// <summary>The days on which both sides were done by themselves, oldest first.</summary>
    public IReadOnlyList<DaySides> Sides() =>
        [
            .. All.Where(p => p.Side is not null && !IsStepwise)
                .GroupBy(p => p.Day)
                .Select(g =>
                    (
                        Day: g.Key,
                        Left: g.FirstOrDefault(p => p.Side == Side.Left)?.Best,
                        Right: g.FirstOrDefault(p => p.Side == Side.Right)?.Best
                    )
                )
                .Where(d => d is { Left: not null, Right: not null } && d.Left + d.Right > 0)
                .Select(d => new DaySides(d.Day, new(d.Left!.Value, d.Right!.Value))),
        ];

    /// <summary>
    /// What each day showed against the mean of the three before it, as a share, 0.05 is 5 % more; days of a deload and
    /// other set-ups are left out, and so are measures that go in steps.
    /// </summary>
    public IEnumerable<(DateOnly Day, decimal Change)> AgainstBefore() =>
        IsStepwise || Measure == TrendMeasure.Contact
            ? []
            : All.Where(p => p is { IsEasy: false, IsCompared: true })
                .GroupBy(p => p.Side)
                .SelectMany(side =>
                {
                    TrendPoint[] points = [.. side];
                    return Enumerable
                        .Range(0, points.Length)
                        .Skip(DaysBefore)
                        .Select(i => (Point: points[i], Mean: points[(i - DaysBefore)..i].Average(p => p.Counts)))
                        .Where(x => x.Mean > 0)
                        .Select(x => (x.Point.Day, x.Point.Counts / x.Mean - 1));
                });

    /// <summary>The e1RM of a set by Epley, with its range; null where it says nothing about one.</summary>
    public static E1Rm? OneRepMaxOf(Exposure exposure, LoggedSet set) =>
        set.CleanReps > 0
            ? OneRepMax
                .Estimate(new(exposure.BodyMass, set.Added.Mass, set.CleanReps, set.Reserve ?? 0, exposure.Day))
                ?.Value
            : null;

    private TrendMeasure MeasureOf() =>
        newest?.Plan switch
        {
            not null when newest.HasWeighedHelp => TrendMeasure.Assistance,
            { SetUp.BoxCm: not null } => TrendMeasure.Box,
            { SetUp.Pads: > 0 } => TrendMeasure.Pads,
            { SetUp.To: not null } => TrendMeasure.Contact,
            not Negatives when newest?.RowsWithExtra().Any(IsTimed) == true => TrendMeasure.Seconds,
            _ => movement.Measure switch
            {
                BenchmarkMeasure.ContactHeight => TrendMeasure.Contact,
                BenchmarkMeasure.Seconds or BenchmarkMeasure.SecondsPerDescent => TrendMeasure.Seconds,
                BenchmarkMeasure.LoadTimesReps => TrendMeasure.OneRepMax,
                _ when newest?.IsLoaded == true && newest.Plan.Load is not Counted => TrendMeasure.OneRepMax,
                _ => TrendMeasure.Reps,
            },
        };

    /// <summary>A hold; the stretch at the end of a set of reps is none.</summary>
    private static bool IsTimed(DoneSet row) => row.Set?.Seconds is not null && row.Planned.Role != SetRole.Stretch;

    /// <summary>Was it done in the way that the measure follows?</summary>
    private bool IsOfMeasure(Exposure e) =>
        Measure switch
        {
            TrendMeasure.Assistance => e.HasWeighedHelp,
            TrendMeasure.Box => e.Plan.SetUp?.BoxCm is not null,
            TrendMeasure.Pads => e.Plan.SetUp?.Pads is not null,
            TrendMeasure.Reps => !e.IsAssisted && e.Plan is not Negatives,
            TrendMeasure.OneRepMax => !e.IsAssisted,
            _ => !e.IsAssisted || movement.Measure == BenchmarkMeasure.Seconds,
        };

    private decimal? ValueOf(Exposure e, DoneSet row) =>
        row.Set is not { } set || row.Planned.Role == SetRole.Stretch
            ? null
            : Measure switch
            {
                TrendMeasure.OneRepMax => OneRepMaxOf(e, set)?.Value.Kilograms,
                TrendMeasure.Reps => set.CleanReps,
                TrendMeasure.Seconds => set.Seconds ?? (e.Plan is Negatives n ? n.LowerSeconds : null),
                TrendMeasure.Contact when set.CleanReps > 0 => (decimal?)(set.Contact ?? e.Plan.SetUp?.To),
                TrendMeasure.Box when set.CleanReps > 0 => e.Plan.SetUp?.BoxCm,
                TrendMeasure.Pads when set.CleanReps > 0 || set.Seconds > 0 => e.Plan.SetUp?.Pads,
                TrendMeasure.Assistance when set.CleanReps > 0 || set.Seconds > 0 => -set.Added.Mass.Kilograms,
                _ => null,
            };

    private bool IsCompared(Exposure e) => newest is null || e.IsSetUpLike(newest);

    private TrendPoint[] PointsOf(IEnumerable<Exposure> done)
    {
        TrendPoint[] points =
        [
            .. done.Where(IsOfMeasure)
                .SelectMany(OfExposure)
                .Concat(OfTests())
                .GroupBy(p => (p.Day, p.Side))
                .Select(g =>
                    g.MaxBy(p => (p.IsTest, IsStepwise ? -p.Counts : p.Counts))! with
                    {
                        Best = IsStepwise ? g.Min(p => p.Best) : g.Max(p => p.Best),
                    }
                )
                .OrderBy(p => p.Day),
        ];
        // What was done as planned is a lower bound; one that is a best is worth as much as a test.
        var best = new Dictionary<(Side?, bool), decimal>();
        for (var i = 0; i < points.Length; i++)
        {
            var key = (points[i].Side, points[i].IsCompared);
            var known = best.TryGetValue(key, out var b) ? b : decimal.MinValue;
            if (IsStepwise || points[i].Counts >= known)
                points[i] = points[i] with { IsBound = false };
            best[key] = Math.Max(known, points[i].Counts);
        }

        return points;
    }

    private IEnumerable<TrendPoint> OfExposure(Exposure e) =>
        e.RowsWithExtra()
            .Select(r => (r.Planned.Side, Value: ValueOf(e, r), Row: r))
            .Where(x => x.Value is not null)
            .GroupBy(x => x.Side)
            .Select(side =>
            {
                var values = side.Select(x => x.Value!.Value).OrderDescending().ToArray();
                var counts =
                    Measure is TrendMeasure.Reps or TrendMeasure.Seconds ? values[Math.Min(Sets, values.Length) - 1]
                    : Measure == TrendMeasure.Contact ? values[^1]
                    : values[0];
                var range =
                    Measure == TrendMeasure.OneRepMax
                        ? side.Select(x => OneRepMaxOf(e, x.Row.Set!)).MaxBy(m => m?.Value.Kilograms)
                        : null;
                return new TrendPoint(
                    e.Day,
                    side.Key,
                    counts,
                    values[0],
                    range?.Low.Kilograms,
                    range?.High.Kilograms,
                    false,
                    !e.Counts || e.Role == ItemRole.Light,
                    IsCompared(e),
                    !IsMeasured(e, [.. side.Select(x => x.Row)])
                );
            });

    /// <summary>
    /// Does it tell how much there was? A load does where the reserve was told; else a set to the end, or one that fell
    /// short of its plan.
    /// </summary>
    private bool IsMeasured(Exposure e, IReadOnlyList<DoneSet> rows) =>
        Measure == TrendMeasure.OneRepMax && rows.Any(r => r.Set!.Reserve is not null)
        || e.Plan.ToTheEnd
        || rows.Any(r => r.Amount < (r.Planned.Seconds ?? r.Planned.RepsHigh));

    private IEnumerable<TrendPoint> OfTests()
    {
        foreach (var benchmark in athlete.Atlas.Catalogue.BenchmarksOf(movement.Slug))
        {
            foreach (
                var result in athlete.Athlete.Results.Where(r =>
                    r.Benchmark == benchmark.Slug && r.Form == FormVerdict.Clean && r.Day <= athlete.Today
                )
            )
            {
                var range =
                    Measure == TrendMeasure.OneRepMax && benchmark.Measure == BenchmarkMeasure.LoadTimesReps
                        ? OneRepMax
                            .Estimate(new(result.BodyMass, result.Added.Mass, result.Reps, result.Reserve, result.Day))
                            ?.Value
                        : null;
                decimal? value = (Measure, benchmark.Measure) switch
                {
                    (TrendMeasure.OneRepMax, BenchmarkMeasure.LoadTimesReps) => range?.Value.Kilograms,
                    (TrendMeasure.Reps, BenchmarkMeasure.Reps) => result.Score.Reps,
                    (TrendMeasure.Seconds, BenchmarkMeasure.Seconds or BenchmarkMeasure.SecondsPerDescent) => result
                        .Score
                        .Seconds,
                    (TrendMeasure.Contact, BenchmarkMeasure.ContactHeight) => (decimal?)result.Score.Contact,
                    _ => null,
                };
                if (value is { } v)
                    yield return new(
                        result.Day,
                        result.Side,
                        v,
                        v,
                        range?.Low.Kilograms,
                        range?.High.Kilograms,
                        true,
                        false,
                        true
                    );
            }
        }
    }

    private IEnumerable<TrendLine> LinesOf()
    {
        var goals = athlete.Intake.Goals.Select(g => g.Ladder).ToHashSet();
        var own = athlete
            .Atlas.Catalogue.BenchmarksOf(movement.Slug)
            .Select(b => b.Slug)
            .ToHashSet(StringComparer.Ordinal);
        var found = athlete
            .Atlas.Ladders.SelectMany(l =>
                l.Steps.SelectMany(s =>
                    s.Gates.Select(g => (Gate: g.Gate, Opens: true))
                        .Append((Gate: s.Won, Opens: false))
                        .Where(g => g.Gate.Terms.Any(t => own.Contains(t.Benchmark)))
                        .SelectMany(g => GateRule.Evaluate(g.Gate, athlete.Book).Terms.Select(t => (t, g.Opens)))
                        .Where(t => own.Contains(t.t.Term.Benchmark))
                        .Select(t => (Ladder: l, Step: s, Term: t.t, t.Opens))
                )
            )
            .ToArray();
        return found
            .Where(f =>
                goals.Count == 0 || goals.Contains(f.Ladder.Slug) || found.All(o => !goals.Contains(o.Ladder.Slug))
            )
            .Select(f =>
                ValueOf(f.Term.Term.Target) is { } value
                    ? new TrendLine(value, f.Term, SetsOf(f.Term.Term.Target), f.Ladder.Name, f.Step.Name, f.Opens)
                    : null
            )
            .OfType<TrendLine>()
            .DistinctBy(l => (l.Value, l.Sets));
    }

    private decimal? ValueOf(Target target) =>
        (Measure, target) switch
        {
            (TrendMeasure.Reps, RepsTarget reps) => reps.Reps,
            (TrendMeasure.Seconds, SecondsTarget seconds) => seconds.Seconds,
            (TrendMeasure.Contact, ContactTarget contact) => (decimal)contact.Contact,
            // The e1RM that carries the load for so many reps, by Epley.
            (TrendMeasure.OneRepMax, LoadTarget load) when athlete.BodyMass is { Value: var body } => Math.Round(
                (decimal)OneRepMax.By(OneRepMaxFormula.Epley, (double)(body + load.At(body)).Kilograms, load.Reps),
                1
            ),
            _ => null,
        };

    private static int SetsOf(Target target) =>
        target switch
        {
            RepsTarget r => r.Sets,
            SecondsTarget s => s.Sets,
            _ => 1,
        };

    private Forecast ForecastOf()
    {
        if (IsStepwise || Measure == TrendMeasure.Contact)
            return new(Ahead, null, NoForecast.Stepwise, 0);
        // A step needs both sides: the weaker one of a day counts.
        var points = Points
            .Where(p => p is { IsEasy: false, IsCompared: true, IsBound: false })
            .GroupBy(p => p.Day)
            .Select(g => (Day: g.Key, Counts: g.Min(p => p.Counts)))
            .ToArray();
        if (Ahead is not { } line)
            return new(null, null, NoForecast.NoThreshold, points.Length);
        var at = points.Select(p => ((double)p.Day.DayNumber / DaysAWeek, (double)p.Counts)).ToArray();
        if (at.Length < TheilSen.FewestPoints)
            return new(line, null, NoForecast.TooFewPoints, points.Length);
        if (Crossing.Of(at, (double)line.Value, Confidence) is not { } crossing)
            return new(line, null, NoForecast.NotRising, points.Length);
        var now = (double)athlete.Today.DayNumber / DaysAWeek;
        if (crossing.To - now > FarWeeks)
            return new(line, null, NoForecast.TooFar, points.Length);
        // In whole weeks, rounded outwards.
        var from = (int)Math.Floor(Math.Max(0, crossing.From - now));
        var to = (int)Math.Ceiling(Math.Max(0, crossing.To - now));
        var ahead = now - crossing.Middle;
        var today = crossing.Level.Middle + crossing.Trend.Slope * ahead;
        var why = Explanation
            .For(RuleId.Forecast, Quantity.OfFraction((decimal)Confidence))
            .Input(InputKey.TrendPoints, Quantity.Count(points.Length))
            .Input(InputKey.TrendFrom, Quantity.On(points[0].Day))
            .Input(InputKey.TrendTo, Quantity.On(points[^1].Day))
            .Step(StepKey.SlopePerWeek, Amount(crossing.Trend.Slope))
            .Step(StepKey.SlopeInterval, Amount(crossing.Trend.High), Amount(crossing.Trend.Low))
            .Step(StepKey.TrendToday, Amount(today))
            .Step(StepKey.TrendTodayInterval, Amount(crossing.Upper(ahead)), Amount(crossing.Lower(ahead)))
            .Step(
                StepKey.GapToThreshold,
                Amount(Math.Max(0, (double)line.Value - today)),
                Amount((double)line.Value),
                Amount(today)
            )
            .Step(StepKey.WeeksFromTo, Quantity.Weeks(to), Quantity.Weeks(from))
            .Source(SourceId.Theil1950, SourceId.Sen1968, SourceId.HodgesLehmann1963, SourceId.ZouDonner2008)
            .Caution(CautionId.TrendAssumes);
        return new(line, why.Build((from, to)), null, points.Length);
    }

    private Quantity Amount(double value) =>
        Measure == TrendMeasure.OneRepMax
            ? Quantity.Of(Mass.FromKilograms(Math.Round((decimal)value, 2)))
            : Quantity.Plain(Math.Round((decimal)value, 2));
}
