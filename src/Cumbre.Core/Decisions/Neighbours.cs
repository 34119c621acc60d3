using Cumbre.Core.Ladders;
using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes;

namespace Cumbre.Core.Decisions;

/// <summary>The movements around one: the next on its ladder, an easier one, the same with help or without.</summary>
public static class Neighbours
{
    private const int ExplosiveSetTotal = 4,
        ExplosiveReps = 3;

    /// <summary>
    /// The next harder movement whose gates are met, with its kit at hand and nothing sore; null: there is none.
    /// </summary>
    public static Movement? Harder(AthleteAtWork athlete, Movement movement)
    {
        foreach (var at in athlete.StepsOf(movement.Slug).Where(s => !s.Step.Preparation))
        {
            if (NextOn(athlete, at) is { } next)
                return next;
        }

        return movement
            .Harder.Select(h => athlete.Atlas.Catalogue.Movements[h])
            .FirstOrDefault(h =>
                h.Pattern == movement.Pattern && h.Measure == movement.Measure && MayTrain(athlete, h)
            );
    }

    /// <summary>
    /// The movement of the next steps after one that may be trained; steps of the same movement are passed over.
    /// </summary>
    public static Movement? NextOn(AthleteAtWork athlete, StepAtWork at)
    {
        var placement = athlete.Placements[at.Ladder.Slug];
        var open = new Queue<int>([at.Index]);
        var seen = new HashSet<int>();
        while (open.TryDequeue(out var step))
        {
            for (var i = 0; i < at.Ladder.Steps.Count; i++)
            {
                if (!at.Ladder.Steps[i].After.Contains(step) || at.Ladder.Steps[i].Preparation || !seen.Add(i))
                    continue;
                if (at.Ladder.Steps[i].Movement == at.Step.Movement)
                    open.Enqueue(i);
                else if (
                    placement.GatesMet(i)
                    && athlete.Atlas.Catalogue.Movements[at.Ladder.Steps[i].Movement] is var next
                    && next.Pattern == athlete.Atlas.Catalogue.Movements[at.Step.Movement].Pattern
                    && IsThere(athlete, next)
                )
                    return next;
            }
        }

        return null;
    }

    /// <summary>Help where the kit has it, else the step below, else an easier neighbour.</summary>
    public static Movement? Easier(AthleteAtWork athlete, Movement movement)
    {
        var movements = athlete.Atlas.Catalogue.Movements;
        if (
            movement.AssistedBy is { } helped
            && movements[helped] is var assisted
            && athlete.Gear.Bands.Count > 0
            && IsThere(athlete, assisted)
        )
            return assisted;
        var below = athlete
            .StepsOf(movement.Slug)
            .SelectMany(at => at.Step.After.Select(b => at.Ladder.Steps[b]))
            .Where(b => !b.Preparation)
            .Select(b => b.Movement);
        return below
            .Concat(movement.Easier)
            .Distinct()
            .Select(e => movements[e])
            .FirstOrDefault(e => e.Slug != movement.Slug && e.Pattern == movement.Pattern && IsThere(athlete, e));
    }

    /// <summary>Another movement of the pattern at about the same level, with its kit at hand; null: there is none.</summary>
    /// <param name="athlete">Whose.</param>
    /// <param name="movement">Which is replaced.</param>
    /// <param name="easiest">-1: one that is a little easier will do; 0: none that is easier.</param>
    public static MovementDose? SameLevel(AthleteAtWork athlete, Movement movement, int easiest = -1) =>
        Substitutes
            .For(movement, athlete)
            .FirstOrDefault(x =>
                x.KitMissing is null
                && x.Movement.Measure == movement.Measure
                && x.Movement.Fast == movement.Fast
                && x.Harder >= easiest
                && x.Harder <= 1
            )
            is { } other
            ? new(other.Movement.Slug, other.Plan)
            : null;

    /// <summary>What a helped movement becomes without the help.</summary>
    public static Movement? Unassisted(AthleteAtWork athlete, Movement assisted) =>
        athlete.Atlas.Catalogue.Movements.Values.FirstOrDefault(m =>
            m.AssistedBy == assisted.Slug && IsThere(athlete, m)
        );

    /// <summary>A dose from the best clean set; without one sets that find the level.</summary>
    public static Prescription FirstDose(AthleteAtWork athlete, Movement movement)
    {
        var sides = movement.EachSide ? SidePlan.Each : (SidePlan?)null;
        var bests = athlete.BestsOf(movement);
        if (movement.Measure == BenchmarkMeasure.Seconds)
            return (
                bests.HoldSeconds is { } best && HoldDose.For(best) is { } hold
                    ? hold
                    : new HoldSets(HoldDose.SetsLow, HoldDose.SecondsMinimum)
            ) with
            {
                Sides = sides,
            };
        // An explosive movement is few fast reps, however many slow ones there are.
        if (movement.Fast)
            return new ExplosiveSets(ExplosiveSetTotal, ExplosiveReps, ExplosiveReps) { Sides = sides };
        // What is lowered or loaded has a dose of its own: sets of many reps say nothing about it.
        if (movement.Measure != BenchmarkMeasure.Reps)
            return UsualDose.For(movement, athlete);
        var helped = athlete.Atlas.Catalogue.Movements.Values.Any(m => m.AssistedBy == movement.Slug);
        var dose = (bests.Reps is { } reps ? RepDose.For(reps) : null)
            ?? RepDose.FindsLevel(helped, movement.Pattern == Pattern.Legs);
        return dose with { Sides = sides, Load = helped && Easing.Band(athlete, 0) is { } band ? band : null };
    }

    private static bool MayTrain(AthleteAtWork athlete, Movement movement) =>
        IsThere(athlete, movement)
        && athlete.StepsOf(movement.Slug) is var steps
        && (steps.Count == 0 || steps.Any(s => s.Reachable || s.Status is StepStatus.Won or StepStatus.Open));

    private static bool IsThere(AthleteAtWork athlete, Movement movement) =>
        KitCheck.Missing(movement, athlete) is null && athlete.Holding(movement) is null;
}
