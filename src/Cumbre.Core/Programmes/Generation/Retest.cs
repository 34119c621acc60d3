using Cumbre.Core.Explanations;
using Cumbre.Core.Ladders;
using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Programmes.Generation;

/// <summary>Tests as exercises of a session: those that decide the next placement, or a newcomer's first.</summary>
internal static class Retest
{
    private const int RestBetween = 180,
        HeavyReps = 5,
        HighPulls = 5,
        SlowestDescent = Negatives.VolumeSeconds;

    public static IReadOnlyList<Draft> Of(Trainable gym, List<Notice> notices)
    {
        var athlete = gym.Athlete;
        var battery = Battery.Propose(
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
            if (!gym.Can(movement) || drafts.Any(d => d.Movement == movement))
                continue;
            if (Plan(test.Benchmark, gym) is not { } plan)
            {
                beside.Add(test.Benchmark.Name);
                continue;
            }

            var draft = new Draft(
                "test-" + test.Benchmark.Slug,
                SlotRole.Test,
                movement,
                movement.EachSide ? plan with { Sides = SidePlan.Each } : plan
            );
            if (test.Ladders.Count == 0)
                draft.Step(StepKey.FirstTest, Quantity.Name(test.Benchmark.Name));
            foreach (var goal in test.Ladders)
                draft.Step(
                    StepKey.DecidesGoal,
                    Quantity.Name(test.Benchmark.Name),
                    Quantity.Name(athlete.Atlas.BySlug[goal].Name)
                );
            drafts.Add(draft);
        }

        if (beside.Count > 0)
            notices.Add(Notice.Of(NoticeId.TestsBeside, Quantity.Name(string.Join(", ", beside))));
        return drafts;
    }

    /// <summary>
    /// Null: no line of a session says it (a joint's range, a capacity test, a hold too short to plan).
    /// </summary>
    private static Prescription? Plan(Benchmark test, Trainable gym)
    {
        var movement = gym.Catalogue.Movements[test.Movement];
        return test.Measure switch
        {
            BenchmarkMeasure.Reps => new MaxSets(1)
            {
                Effort = movement.FailureHarmless ? null : new InReserve(1),
                RestSeconds = RestBetween,
            },
            BenchmarkMeasure.Seconds when gym.BestsOf(movement).HoldSeconds >= HoldDose.SecondsMinimum => new HoldSets(
                1,
                null,
                HoldSets.PercentMaximum
            )
            {
                RestSeconds = RestBetween,
            },
            BenchmarkMeasure.Seconds when gym.BestsOf(movement).HoldSeconds is null => new HoldSets(
                2,
                HoldDose.SecondsMinimum
            )
            {
                RestSeconds = RestBetween,
            },
            BenchmarkMeasure.SecondsPerDescent => new Negatives(1, 1, SlowestDescent) { RestSeconds = RestBetween },
            BenchmarkMeasure.ContactHeight => new ExplosiveSets(1, HighPulls, HighPulls) { RestSeconds = RestBetween },
            BenchmarkMeasure.LoadTimesReps when gym.Athlete.ContextOf(movement)?.OneRepMax is not null =>
                new StraightSets(1, HeavyReps) { Effort = new InReserve(1), RestSeconds = RestBetween },
            _ => null,
        };
    }
}
