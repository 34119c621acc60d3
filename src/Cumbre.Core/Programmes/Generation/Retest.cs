using Cumbre.Core.Explanations;
using Cumbre.Core.Ladders;
using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Programmes.Generation;

/// <summary>
/// Tests as exercises of a session. At the end of a block they are those of what was trained: the working step of each
/// skill, its next gate, the main lifts; before a newcomer's first block they are the battery.
/// </summary>
internal static class Retest
{
    private const int RestBetween = 180,
        HeavyReps = 5,
        HighPulls = 5,
        SlowestDescent = Negatives.VolumeSeconds;

    private const decimal Near = 0.8m;

    /// <summary>What the block trained, the most telling first; of a goal also what is not trained yet and decides it.</summary>
    /// <param name="trained">The last loading week.</param>
    public static IReadOnlyList<Draft> Of(
        Trainable gym,
        IReadOnlyList<Skill> skills,
        IReadOnlyList<DraftDay> trained,
        List<Notice> notices
    )
    {
        var all = Candidates(gym, skills, trained, notices);
        var known = trained.SelectMany(d => d.Items).Select(i => i.Movement).ToHashSet();
        // What was trained is tested first, so that no retest is of other things only; what hurts only if it was.
        return [.. all.Where(t => !t.IsEased || known.Contains(t.Movement)).OrderBy(t => !known.Contains(t.Movement))];
    }

    private static List<Draft> Candidates(
        Trainable gym,
        IReadOnlyList<Skill> skills,
        IReadOnlyList<DraftDay> trained,
        List<Notice> notices
    )
    {
        var drafts = new List<Draft>();
        var beside = new List<string>();
        Prescription? Worked(Movement movement) =>
            trained
                .SelectMany(d => d.Items)
                .Where(i => i.Movement == movement)
                .OrderBy(i => i.Role == SlotRole.SkillLight)
                .Select(i => i.Plan)
                .FirstOrDefault();
        foreach (var skill in skills.Where(s => s.Advance))
        {
            // The step that is worked on, by its own standard, and what keeps the next one closed.
            if (skill.Movement is { } movement && skill.Step is { } step)
                Add(drafts, beside, gym, movement, skill, Standard(step, movement), Worked(movement));
            if (skill.StepBefore is { } before)
                Add(drafts, beside, gym, before, skill, null, Worked(before));
            if (skill.Limiting is { } limiting)
            {
                var holdsBack = gym.Catalogue.Movements[
                    gym.Catalogue.Benchmarks[limiting.Term.Term.Benchmark].Movement
                ];
                Add(drafts, beside, gym, holdsBack, skill, limiting.Term.Term.Target, Worked(holdsBack));
            }
        }

        foreach (
            var item in trained
                .SelectMany(d => d.Items)
                .Where(i => i.IsMain || i.Role is SlotRole.SkillHard or SlotRole.SkillLight or SlotRole.Limiting)
                // What loosens a joint is no feat: its range is what is measured.
                .Where(i => !IsDrill(i.Movement))
                .OrderBy(i => !i.IsMain)
                .ThenBy(i => i.Movement.Measure != BenchmarkMeasure.LoadTimesReps)
        )
            Add(drafts, beside, gym, item.Movement, item.Skill, null, item.Plan);
        var movements = trained.SelectMany(d => d.Items).Select(i => i.Movement).ToHashSet();
        if (!drafts.Any(d => movements.Contains(d.Movement)))
        {
            foreach (var item in trained.SelectMany(d => d.Items).Where(i => i.IsWork && !IsDrill(i.Movement)))
                Add(drafts, beside, gym, item.Movement, item.Skill, null, item.Plan);
        }

        if (beside.Count > 0)
            notices.Add(Notice.Of(NoticeId.TestsBeside, Quantity.Name(string.Join(", ", beside.Distinct()))));
        return drafts;
    }

    private static int? LongestIn(Prescription? trained) =>
        trained switch
        {
            HoldSets hold => hold.Seconds,
            VariedHolds holds => holds.Seconds.Max(),
            _ => null,
        };

    private static bool IsDrill(Movement movement) => movement.Pattern == Pattern.Mobility;

    /// <summary>A newcomer's first tests.</summary>
    public static IReadOnlyList<Draft> Battery(Trainable gym, List<Notice> notices)
    {
        var athlete = gym.Athlete;
        var battery = Ladders.Battery.Propose(
            new(Guid.Empty, "", athlete.Athlete.Schools, athlete.Book, []),
            athlete.Intake.Goals,
            athlete.WaitsForClearance,
            athlete.Atlas
        );
        var drafts = new List<Draft>();
        var beside = new List<string>();
        foreach (var test in battery.Tests)
        {
            var movement = gym.Catalogue.Movements[test.Benchmark.Movement];
            if (drafts.Any(d => d.Movement == movement) || !gym.Can(movement) || gym.SoreIn(movement) is not null)
                continue;
            if (Plan(movement, test.Benchmark.Measure, null, gym) is not { } plan)
            {
                beside.Add(test.Benchmark.Name);
                continue;
            }

            var draft = new Draft("test-" + test.Benchmark.Slug, SlotRole.Test, movement, plan)
            {
                HoldsBack = test.Decides.Any(d => athlete.Intake.Advancing.Contains(d.Ladder.Slug)),
            };
            if (test.Decides.Count == 0)
                draft.Step(StepKey.FirstTest, Quantity.Name(test.Benchmark.Name));
            foreach (var goal in test.Decides.Select(d => d.Ladder).Distinct())
                draft.Step(StepKey.DecidesGoal, Quantity.Name(test.Benchmark.Name), Quantity.Name(goal.Name));
            drafts.Add(draft);
        }

        if (beside.Count > 0)
            notices.Add(Notice.Of(NoticeId.TestsBeside, Quantity.Name(string.Join(", ", beside))));
        return drafts;
    }

    private static void Add(
        List<Draft> drafts,
        List<string> beside,
        Trainable gym,
        Movement movement,
        Skill? skill,
        Target? standard,
        Prescription? trained = null
    )
    {
        var sore = gym.SoreIn(movement);
        if (
            drafts.Any(d => d.Movement == movement)
            // What hurts is tested only in a form that spares the place.
            || (sore is not null && !Easing.CanSpare(movement, sore.Place))
            || (gym.ObstacleTo(movement) is { } obstacle && obstacle.What != Obstacle.NotOne)
        )
            return;
        if (Plan(movement, movement.Measure, standard, gym, trained) is not { } plan)
        {
            if (gym.Catalogue.BenchmarksOf(movement.Slug).FirstOrDefault() is { } test)
                beside.Add(test.Name);
            return;
        }

        if (sore is not null && Easing.Spared(movement, plan, sore.Place) is { } spared)
            plan = spared is MaxSets ? spared.WithReserve(new(1)) : spared;
        var draft = new Draft("test-" + movement.Slug, SlotRole.Test, movement, plan)
        {
            Skill = skill,
            IsEased = sore is not null,
        };
        drafts.Add(
            skill is null
                ? draft.Step(StepKey.DecidesGoal, Quantity.Name(movement.Name), Quantity.Name(movement.Name))
                : draft.Step(StepKey.DecidesGoal, Quantity.Name(movement.Name), Quantity.Name(skill.Ladder.Name))
        );
    }

    /// <summary>The first threshold of the step's unlock standard that its own movement shows.</summary>
    private static Target? Standard(LadderStep step, Movement movement) =>
        step
            .Won.Terms.Select(t => t.Target)
            .FirstOrDefault(t =>
                t.Fits(movement.Measure) && t is RepsTarget { Sets: > 1 } or SecondsTarget { Sets: > 1 }
            );

    /// <summary>
    /// Null: no line of a session says it (a joint's range, a capacity test, a hold too short to plan).
    /// </summary>
    private static Prescription? Plan(
        Movement movement,
        BenchmarkMeasure measure,
        Target? standard,
        Trainable gym,
        Prescription? trained = null
    )
    {
        var plan = Bare(movement, measure, standard, gym, trained);
        return movement.EachSide && plan is not null ? plan with { Sides = SidePlan.Each } : plan;
    }

    private static Prescription? Bare(
        Movement movement,
        BenchmarkMeasure measure,
        Target? standard,
        Trainable gym,
        Prescription? trained
    )
    {
        var bests = gym.Athlete.BestsOf(movement);
        // Help is tested with what it was trained with.
        var help =
            trained?.Load is BandHelp or FootHelp ? trained.Load
            : gym.HelpedWith(movement) is not null ? Easing.Band(gym.Athlete, 0)
            : null;
        return measure switch
        {
            // A standard of several sets is tried once it is near; before that one set tells more.
            BenchmarkMeasure.Reps when standard is RepsTarget { Sets: > 1 } sets && bests.Reps >= sets.Reps * Near =>
                new StraightSets(sets.Sets, sets.Reps) { RestSeconds = RestBetween },
            BenchmarkMeasure.Reps when movement.FailureHarmless => new MaxSets(1)
            {
                Load = help,
                RestSeconds = RestBetween,
            },
            // What must not fail is tried with one left.
            BenchmarkMeasure.Reps => new PracticeSets(1)
            {
                Effort = new InReserve(1),
                Load = help,
                RestSeconds = RestBetween,
            },
            BenchmarkMeasure.Seconds
                when standard is SecondsTarget { Sets: > 1 } holds && bests.HoldSeconds >= holds.Seconds =>
                new HoldSets(holds.Sets, (int)Math.Ceiling(holds.Seconds)) { RestSeconds = RestBetween },
            BenchmarkMeasure.Seconds when bests.HoldSeconds >= HoldDose.SecondsMinimum => new HoldSets(
                1,
                null,
                HoldSets.PercentMaximum
            )
            {
                RestSeconds = RestBetween,
            },
            // What was held in volume is held longer once.
            BenchmarkMeasure.Seconds when LongestIn(trained) is { } held => new HoldSets(
                1,
                Math.Min(HoldSets.SecondsMaximum, (int)Math.Ceiling(held * 100 / HoldDose.PercentHigh))
            )
            {
                RestSeconds = RestBetween,
            },
            BenchmarkMeasure.Seconds => new HoldSets(2, HoldDose.SecondsMinimum) { RestSeconds = RestBetween },
            BenchmarkMeasure.SecondsPerDescent => new Negatives(1, 1, SlowestDescent) { RestSeconds = RestBetween },
            BenchmarkMeasure.ContactHeight => new ExplosiveSets(1, HighPulls, HighPulls) { RestSeconds = RestBetween },
            BenchmarkMeasure.LoadTimesReps when gym.Athlete.ContextOf(movement)?.OneRepMax is not null =>
                new StraightSets(1, HeavyReps) { Effort = new InReserve(1), RestSeconds = RestBetween },
            // A lift that was guessed is tested from the load it was trained with.
            BenchmarkMeasure.LoadTimesReps when trained?.Load is AddedLoad { Entry.Value: > 0 } load =>
                new StraightSets(1, HeavyReps)
                {
                    Load = load,
                    Effort = new InReserve(1),
                    RestSeconds = RestBetween,
                },
            _ => null,
        };
    }
}
