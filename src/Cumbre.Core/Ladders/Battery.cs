using Cumbre.Core.Athletes;
using Cumbre.Core.Explanations;
using Cumbre.Core.Movements;

namespace Cumbre.Core.Ladders;

/// <summary>Why a test is in a battery.</summary>
public enum BatteryReason
{
    /// <summary>A newcomer's first tests.</summary>
    Base,

    /// <summary>It decides an open gate and was never done.</summary>
    NeverTested,

    /// <summary>It was met, but the result is old.</summary>
    Stale,

    /// <summary>It was done and fell short.</summary>
    FellShort,
}

/// <summary>What the answer of a test decides.</summary>
/// <param name="Ladder">The goal's.</param>
/// <param name="Step">The step that it wins or opens.</param>
/// <param name="Wins">It wins the step in training; else it opens the next.</param>
/// <param name="Term">The threshold as it stands.</param>
public sealed record TestDecision(Ladder Ladder, LadderStep Step, bool Wins, TermState Term);

/// <summary>A test of a battery.</summary>
/// <param name="Benchmark">The test.</param>
/// <param name="Reason">Why.</param>
/// <param name="Decides">What hangs on it; empty for a first test that no goal asks for.</param>
public sealed record BatteryTest(Benchmark Benchmark, BatteryReason Reason, IReadOnlyList<TestDecision> Decides);

/// <summary>A test whose answer can change nothing yet.</summary>
/// <param name="Benchmark">The test.</param>
/// <param name="For">What it would decide.</param>
/// <param name="Behind">The threshold of the same step that is far away and comes first.</param>
public sealed record WaitingTest(Benchmark Benchmark, TestDecision For, TermState Behind);

/// <summary>A test that is left out until it is cleared.</summary>
public sealed record BlockedTest(Benchmark Benchmark, ClearanceQuestion By);

/// <summary>The fewest tests that decide an athlete's open gates.</summary>
/// <param name="Tests">At most <see cref="Maximum"/>, in the order in which they do not spoil each other.</param>
/// <param name="Later">For another evening.</param>
/// <param name="Blocked">Left out until cleared.</param>
/// <param name="Waiting">Left out, as their answer can change nothing yet.</param>
/// <param name="Time">Seconds for one athlete, rests included.</param>
public sealed record Battery(
    IReadOnlyList<BatteryTest> Tests,
    IReadOnlyList<BatteryTest> Later,
    IReadOnlyList<BlockedTest> Blocked,
    IReadOnlyList<WaitingTest> Waiting,
    Explained<int> Time
)
{
    /// <summary>
    /// The share of its figure under which a fresh result is far away: more than a quarter is not gained from one test
    /// day to the next (this project's choice).
    /// </summary>
    public const decimal FarBelow = 0.75m;

    /// <summary>More in an evening and the last ones measure the fatigue.</summary>
    public const int Maximum = 6;

    /// <summary>What a newcomer is tested in: one movement of each base pattern. Common practice, no source.</summary>
    public static IReadOnlyList<string> Base { get; } =
    ["pull-up-max", "parallel-bar-dip-max", "push-up-max", "row-max"];

    /// <param name="climber">The athlete with their results.</param>
    /// <param name="goals">In order of weight.</param>
    /// <param name="blocks">Clearances that are open.</param>
    /// <param name="atlas">The ladders.</param>
    public static Battery Propose(
        Climber climber,
        IReadOnlyList<Goal> goals,
        IReadOnlyList<ClearanceQuestion> blocks,
        Atlas atlas
    )
    {
        var wanted = new List<BatteryTest>();
        var waiting = new List<WaitingTest>();
        if (!atlas.Catalogue.Benchmarks.Keys.Any(climber.Book.Has))
            wanted.AddRange(
                Base.Select(slug => new BatteryTest(atlas.Catalogue.Benchmarks[slug], BatteryReason.Base, []))
            );
        foreach (var goal in goals.OrderBy(g => g.Kind == GoalKind.Maintain))
        {
            if (atlas.BySlug.TryGetValue(goal.Ladder, out var ladder))
                Ask(climber, ladder, goal.Kind, atlas, wanted, waiting);
        }

        // A test that decides several goals is done once.
        var distinct = wanted
            .GroupBy(t => t.Benchmark.Slug)
            .Select(g => g.First() with { Decides = [.. g.SelectMany(t => t.Decides)] })
            .ToArray();
        var blocked = distinct
            .Select(t =>
                (t.Benchmark, By: blocks.FirstOrDefault(b => b.Blocks(atlas.Catalogue.Movements[t.Benchmark.Movement])))
            )
            .Where(t => t.By is not null);
        var free = distinct
            .Where(t => blocks.All(b => !b.Blocks(atlas.Catalogue.Movements[t.Benchmark.Movement])))
            .ToArray();
        var tests = InOrder(free.Take(Maximum), atlas.Catalogue);
        return new(
            tests,
            [.. free.Skip(Maximum)],
            [.. blocked.Select(b => new BlockedTest(b.Benchmark, b.By!))],
            [
                .. waiting
                    .DistinctBy(w => w.Benchmark.Slug)
                    .Where(w => distinct.All(t => t.Benchmark.Slug != w.Benchmark.Slug)),
            ],
            TimeOf(tests.Select(t => t.Benchmark))
        );
    }

    /// <summary>
    /// In the order in which one test does not spoil the next: range of a joint, contact height, holds, heavy pull,
    /// heavy push, most reps, capacity;
    /// within each pull and push in turn. Common practice, no source.
    /// </summary>
    public static IReadOnlyList<BatteryTest> InOrder(IEnumerable<BatteryTest> tests, Catalogue catalogue)
    {
        var left = tests.ToList();
        var ordered = new List<BatteryTest>();
        while (left.Count > 0)
        {
            var turn = ordered.Count > 0 ? Direction(ordered[^1].Benchmark, catalogue) : 0;
            var next = left.OrderBy(t => Rank(t.Benchmark, catalogue))
                .ThenBy(t => turn != 0 && Direction(t.Benchmark, catalogue) == turn)
                .First();
            left.Remove(next);
            ordered.Add(next);
        }

        return ordered;
    }

    /// <summary>
    /// The time one athlete needs: work by the protocol, twice where sides are tested, and the rests between (this
    /// project's choice).
    /// </summary>
    public static Explained<int> TimeOf(IEnumerable<Benchmark> tests)
    {
        var why = Explanation.For(RuleId.BatteryTime).Source(SourceId.House);
        var (total, rest) = (0, 0);
        foreach (var test in tests)
        {
            var (work, after) = Times(test.Measure);
            work *= test.EachSide ? 2 : 1;
            total += rest + work;
            rest = after;
            why.Step(StepKey.TestTime, Quantity.Seconds(work), Quantity.Name(test.Name), Quantity.Seconds(after));
        }

        return why.Build(total);
    }

    /// <summary>
    /// Adds the tests of a goal. A step opens when all that its gates ask is shown: while one fresh result is far from
    /// its figure, only that one is worth an evening, and the others wait.
    /// </summary>
    private static void Ask(
        Climber climber,
        Ladder ladder,
        GoalKind kind,
        Atlas atlas,
        List<BatteryTest> wanted,
        List<WaitingTest> waiting
    )
    {
        var placement = climber.On(ladder);
        var found = new List<TestDecision>();
        if (placement.Training is { } training)
            Sort([
                .. GateRule
                    .Evaluate(ladder.Steps[training].Won, climber.Book)
                    .Unmet.Select(t => new TestDecision(ladder, ladder.Steps[training], Wins: true, t)),
            ]);
        if (kind == GoalKind.Advance && placement.Next is { } next)
            Sort([
                .. ladder
                    .Steps[next]
                    .Gates.Where(g => g.Holds(climber.Schools))
                    .SelectMany(g => GateRule.Evaluate(g.Gate, climber.Book).Unmet)
                    .Select(t => new TestDecision(ladder, ladder.Steps[next], Wins: false, t)),
            ]);
        wanted.AddRange(
            found
                .OrderBy(d =>
                    d.Term.Have is null ? 0
                    : d.Term.Met ? 1
                    : 2
                )
                .ThenBy(d => d.Term.Fraction)
                .Select(d => new BatteryTest(TestOf(d), ReasonOf(d.Term), [d]))
        );

        void Sort(IReadOnlyList<TestDecision> asked)
        {
            var far = asked.Where(d => IsFar(d.Term)).MinBy(d => d.Term.Fraction);
            foreach (var decision in asked)
            {
                // The same test of a lower figure may stand in the gate too: it is one test.
                if (far is null || decision.Term.Term.Benchmark == far.Term.Term.Benchmark)
                    found.Add(decision);
                else
                    waiting.Add(new(TestOf(decision), decision, far.Term));
            }
        }

        Benchmark TestOf(TestDecision decision) => atlas.Catalogue.Benchmarks[decision.Term.Term.Benchmark];
    }

    private static bool IsFar(TermState term) =>
        term is { Have: not null, MissingSide: null, Stale: false, Met: false } && term.Fraction < FarBelow;

    private static BatteryReason ReasonOf(TermState term) =>
        term.Have is null || term.MissingSide is not null ? BatteryReason.NeverTested
        : term.Met ? BatteryReason.Stale
        : BatteryReason.FellShort;

    private static int Rank(Benchmark test, Catalogue catalogue) =>
        test.Measure switch
        {
            BenchmarkMeasure.Degrees => 0,
            BenchmarkMeasure.ContactHeight => 1,
            BenchmarkMeasure.Seconds or BenchmarkMeasure.SecondsPerDescent => 2,
            BenchmarkMeasure.LoadTimesReps => Direction(test, catalogue) == Push ? 4 : 3,
            BenchmarkMeasure.Reps => 5,
            _ => 6,
        };

    private const int Pull = 1,
        Push = 2;

    private static int Direction(Benchmark test, Catalogue catalogue) =>
        catalogue.Movements[test.Movement].Pattern switch
        {
            Pattern.VerticalPull or Pattern.HorizontalPull or Pattern.StraightArmPull => Pull,
            Pattern.VerticalPush or Pattern.HorizontalPush or Pattern.StraightArmPush => Push,
            _ => 0,
        };

    /// <summary>Seconds of work, and of rest before the next test.</summary>
    private static (int Work, int RestAfter) Times(BenchmarkMeasure measure) =>
        measure switch
        {
            BenchmarkMeasure.Degrees => (60, 0),
            BenchmarkMeasure.ContactHeight => (60, 180),
            // Two tries with a rest between.
            BenchmarkMeasure.Seconds => (240, 180),
            BenchmarkMeasure.SecondsPerDescent => (60, 180),
            // Three ramp sets and the set itself.
            BenchmarkMeasure.LoadTimesReps => (480, 300),
            BenchmarkMeasure.Reps => (60, 240),
            // Five sets of about a minute, up to five minutes apart.
            _ => (1500, 300),
        };
}
