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

/// <summary>A test of a battery.</summary>
/// <param name="Benchmark">The test.</param>
/// <param name="Reason">Why.</param>
/// <param name="Ladders">Slugs of the goals that it decides; empty for a first test.</param>
public sealed record BatteryTest(Benchmark Benchmark, BatteryReason Reason, IReadOnlyList<string> Ladders);

/// <summary>A test that is left out until it is cleared.</summary>
public sealed record BlockedTest(Benchmark Benchmark, ClearanceQuestion By);

/// <summary>The fewest tests that decide an athlete's open gates.</summary>
/// <param name="Tests">At most <see cref="Maximum"/>, in the order in which they do not spoil each other.</param>
/// <param name="Later">For another evening.</param>
/// <param name="Blocked">Left out until cleared.</param>
/// <param name="Time">Seconds for one athlete, rests included.</param>
public sealed record Battery(
    IReadOnlyList<BatteryTest> Tests,
    IReadOnlyList<BatteryTest> Later,
    IReadOnlyList<BlockedTest> Blocked,
    Explained<int> Time
)
{
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
        if (!atlas.Catalogue.Benchmarks.Keys.Any(climber.Book.Has))
            wanted.AddRange(
                Base.Select(slug => new BatteryTest(atlas.Catalogue.Benchmarks[slug], BatteryReason.Base, []))
            );
        foreach (var goal in goals.OrderBy(g => g.Kind == GoalKind.Maintain))
        {
            if (atlas.BySlug.TryGetValue(goal.Ladder, out var ladder))
                wanted.AddRange(Deciding(climber, ladder, goal.Kind, atlas));
        }

        // A test that decides several goals is done once.
        var distinct = wanted
            .GroupBy(t => t.Benchmark.Slug)
            .Select(g => g.First() with { Ladders = [.. g.SelectMany(t => t.Ladders).Distinct()] })
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

    private static IEnumerable<BatteryTest> Deciding(Climber climber, Ladder ladder, GoalKind kind, Atlas atlas)
    {
        var placement = climber.On(ladder);
        var terms = new List<TermState>();
        if (placement.Training is { } training)
            terms.AddRange(GateRule.Evaluate(ladder.Steps[training].Won, climber.Book).Unmet);
        if (kind == GoalKind.Advance && placement.Next is { } next)
            terms.AddRange(
                ladder
                    .Steps[next]
                    .Gates.Where(g => g.Holds(climber.Schools))
                    .SelectMany(g => GateRule.Evaluate(g.Gate, climber.Book).Unmet)
            );
        return terms
            .OrderBy(t =>
                t.Have is null ? 0
                : t.Met ? 1
                : 2
            )
            .ThenBy(t => t.Fraction)
            .Select(t => new BatteryTest(
                atlas.Catalogue.Benchmarks[t.Term.Benchmark],
                t.Have is null ? BatteryReason.NeverTested
                    : t.Met ? BatteryReason.Stale
                    : BatteryReason.FellShort,
                [ladder.Slug]
            ));
    }

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
