using Cumbre.Core.Benchmarks;
using Cumbre.Core.Explanations;
using Cumbre.Core.Ladders;
using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes;

namespace Cumbre.Core.Decisions;

/// <summary>A test that guards something wanted and is too old to open it.</summary>
/// <param name="Benchmark">Which.</param>
/// <param name="Name">As it is called.</param>
/// <param name="LastDay">Of the newest result.</param>
/// <param name="DueDay">The last day on which it is fresh.</param>
/// <param name="Overdue">That day is over.</param>
/// <param name="Ladders">Names of the goals that it matters to.</param>
public sealed record DueTest(
    string Benchmark,
    string Name,
    DateOnly LastDay,
    DateOnly DueDay,
    bool Overdue,
    IReadOnlyList<string> Ladders
);

/// <summary>What was shown in training, what is contradicted, and which tests have grown old.</summary>
public static class Standards
{
    /// <summary>A practice set so much over the last test asks for another one.</summary>
    private const decimal TrendGrown = 1.15m;

    /// <summary>A standard of the movement that its newest exposure showed for the first time.</summary>
    internal static Proposal? Achieved(Situation s)
    {
        if (s.Counting.Count == 0 || s.Role is ItemRole.Preparation)
            return null;
        var last = s.Counting[^1].Exposure;
        var capacity = s
            .Athlete.Atlas.Ladders.SelectMany(l => l.Steps)
            .SelectMany(x => x.Gates)
            .SelectMany(g => g.Gate.Terms)
            .Where(t =>
                t.Target is CapacityTarget
                && s.Athlete.Atlas.Catalogue.Benchmarks[t.Benchmark].Movement == s.Movement.Slug
            )
            .FirstOrDefault(t => IsNew(t, s, last.Day));
        if (capacity is not null)
            return Told(s, capacity, null, s.Movement.Name);
        // A hold goes on to its next step by the ramp, once it was shown as often as the school wants.
        var shown = s
            .Athlete.StepsOf(s.Movement.Slug)
            .Where(x =>
                !x.Step.Preparation
                && x.Step.Won is GateTerm { Target: not SecondsTarget } term
                && IsNew(term, s, last.Day)
            )
            .Select(x => (x.Ladder, x.Step, Next: Neighbours.NextOn(s.Athlete, x)))
            // What leads nowhere and belongs to no goal is on the ladder's page, and no decision.
            .Where(x =>
                x.Next is not null
                || s.Athlete.Intake.Goals.Count == 0
                || s.Athlete.Intake.Goals.Any(g => g.Ladder == x.Ladder.Slug)
            )
            .OrderBy(x => x.Next is null)
            .ToArray();
        return shown is [var (_, step, next), ..]
            ? Told(
                s,
                (GateTerm)step.Won,
                next is null ? null : new(next.Slug, Neighbours.FirstDose(s.Athlete, next)),
                step.Name
            )
            : null;
    }

    private static Proposal Told(Situation s, GateTerm term, MovementDose? next, string what)
    {
        var state = GateRule.Evaluate(term, s.Athlete.Book);
        var why = Explanation
            .For(RuleId.StandardShown, Quantity.Name(what))
            .Source(SourceId.CommonPractice)
            .Thresholds([.. state.Terms.Select(t => PlacementReport.Evidence(t, s.Athlete.Atlas.Catalogue))]);
        return s.Propose(ProposalKind.Achieved, ProposalCause.StandardShown, next, why);
    }

    /// <summary>Shown by training on the day, and by nothing before it.</summary>
    private static bool IsNew(GateExpression gate, Situation s, DateOnly day) =>
        GateRule.OpenedOn(gate, s.Athlete.Book) == day
        && gate.Terms.All(t =>
            s.Athlete.Book.Of(t.Benchmark)
                .Any(r => r.Day == day && r.Origin != ResultOrigin.Test && t.Target.IsMetBy(r))
        );

    /// <summary>Practice sets have outgrown the last test.</summary>
    internal static Proposal? Trend(Situation s)
    {
        if (s.Counting.Count == 0 || s.Counting[^1].Exposure.Plan is not PracticeSets)
            return null;
        var tested = s
            .Athlete.Atlas.Catalogue.BenchmarksOf(s.Movement.Slug)
            .Where(b => b.Measure == BenchmarkMeasure.Reps)
            .SelectMany(b =>
                s.Athlete.Athlete.Results.Where(r =>
                    r.Benchmark == b.Slug && r.Day <= s.Athlete.Today && r.Form == FormVerdict.Clean
                )
            )
            .MaxBy(r => r.Day);
        var best = s.Counting[^1].Best;
        if (tested is null || best < tested.Score.Reps * TrendGrown)
            return null;
        var why = Explanation
            .For(RuleId.PracticeTrend)
            .Input(InputKey.BestReps, Quantity.Reps(best))
            .Input(InputKey.TestReps, Quantity.Reps(tested.Score.Reps))
            .Input(InputKey.TestedOn, Quantity.On(tested.Day))
            .Source(SourceId.House);
        return s.Propose(ProposalKind.Retest, ProposalCause.Trend, null, why);
    }

    /// <summary>Steps of the goals whose fresh test denies what a harder step implies: each is tested again.</summary>
    public static IReadOnlyList<Proposal> Contradicted(AthleteAtWork athlete, DateOnly nextDay)
    {
        var found = new List<Proposal>();
        foreach (
            var placement in athlete.Intake.Advancing.Select(athlete.Placements.GetValueOrDefault).OfType<Placement>()
        )
        {
            for (var i = 0; i < placement.Ladder.Steps.Count; i++)
            {
                var step = placement.Ladder.Steps[i];
                if (!placement.IsContradicted(i) || GateRule.FailureOf(step.Opens, athlete.Book) is not { } failure)
                    continue;
                var why = Explanation
                    .For(RuleId.ContradictedStep, Quantity.Name(step.Name))
                    .Input(InputKey.TestedOn, Quantity.On(failure.Day))
                    .Input(InputKey.ForGoal, Quantity.Name(placement.Ladder.Name))
                    .Source(SourceId.CommonPractice)
                    .Thresholds([
                        .. GateRule
                            .Evaluate(step.Opens, athlete.Book)
                            .Terms.Select(t => PlacementReport.Evidence(t, athlete.Atlas.Catalogue)),
                    ]);
                found.Add(
                    new(
                        ProposalKind.Test,
                        ProposalCause.Contradicted,
                        step.Movement,
                        null,
                        null,
                        failure.Day,
                        nextDay,
                        null,
                        null,
                        why.Build(),
                        []
                    )
                );
            }
        }

        return found;
    }

    /// <summary>
    /// The tests that guard what the goals want: the step in training and the gates of the next. A test is due when its
    /// newest result is six
    /// weeks old.
    /// </summary>
    /// <param name="athlete">On the day.</param>
    /// <param name="horizonDays">Also those that fall due within so many days.</param>
    public static IReadOnlyList<DueTest> DueTests(AthleteAtWork athlete, int horizonDays)
    {
        var wanted = athlete
            .Intake.Goals.Select(g => athlete.Placements.GetValueOrDefault(g.Ladder))
            .OfType<Placement>()
            .SelectMany(p => Guards(p, athlete).Select(b => (Benchmark: b, p.Ladder.Name)));
        return
        [
            .. wanted
                .GroupBy(w => w.Benchmark)
                .Where(g => athlete.Book.Of(g.Key).Any(IsTest))
                .Select(g =>
                    (
                        Test: athlete.Atlas.Catalogue.Benchmarks[g.Key],
                        athlete.Book.Of(g.Key).Last(IsTest).Day,
                        Ladders: g.Select(x => x.Name).Distinct().ToArray()
                    )
                )
                .Select(t => new DueTest(
                    t.Test.Slug,
                    t.Test.Name,
                    t.Day,
                    t.Day.AddDays(Staleness.Days),
                    Staleness.IsStale(t.Day, athlete.Today),
                    t.Ladders
                ))
                .Where(t => t.DueDay <= athlete.Today.AddDays(horizonDays))
                .OrderBy(t => t.DueDay)
                .ThenBy(t => t.Name, StringComparer.Ordinal),
        ];
    }

    /// <summary>A training set shows what is there, and is no test of the limit.</summary>
    private static bool IsTest(BenchmarkResult result) => result.Origin != ResultOrigin.TrainingSet;

    private static IEnumerable<string> Guards(Placement placement, AthleteAtWork athlete)
    {
        var steps = placement.Ladder.Steps;
        var own =
            placement.Training is { } training && !steps[training].Preparation
                ? steps[training].Opens.Terms.Concat(steps[training].Won.Terms)
                : [];
        var gates = placement.Next is { } next
            ? steps[next]
                .Gates.Where(g => g.Holds(athlete.Athlete.Schools) && GateRule.OpenedOn(g.Gate, athlete.Book) is null)
                .SelectMany(g => g.Gate.Terms)
            : [];
        return own.Concat(gates).Select(t => t.Benchmark).Distinct();
    }
}
