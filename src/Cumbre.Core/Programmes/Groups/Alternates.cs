using Cumbre.Core.Movements;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes.Generation;

namespace Cumbre.Core.Programmes.Groups;

/// <summary>What an athlete does at a station when its own exercise is too much that day.</summary>
/// <param name="Movement">The easier one, or the same.</param>
/// <param name="Line">Its plan, with as many sets.</param>
public sealed record Alternate(Movement Movement, string Line);

/// <summary>
/// Finds easier alternates: help, the next easier movement, the rung below; where nothing easier can be done, half of
/// the same. Lowering alone is no easier, and is not among them.
/// </summary>
public sealed class Alternates(AthleteAtWork athlete, DoseRules dose, GeneratorRules rules)
{
    private readonly Trainable gym = new(athlete, dose, rules);

    /// <summary>Null: there is nothing easier, and neither reps nor seconds to halve.</summary>
    public Alternate? Of(Movement movement, Prescription plan)
    {
        var below = athlete
            .StepsOf(movement.Slug)
            .SelectMany(s => s.Step.After.Select(i => s.Ladder.Steps[i]))
            .Where(s => !s.Preparation)
            .Select(s => gym.Catalogue.Movements[s.Movement]);
        var easier = GroupFit
            .Downward(movement, gym)
            .Concat(below)
            .Where(m =>
                m != movement
                && m.Pattern == movement.Pattern
                && m.Measure != BenchmarkMeasure.SecondsPerDescent
                && gym.Can(m)
                && IsClearlyEasier(m, movement)
            )
            .Select(m => FirstDose.For("easier", GroupFit.RoleOf(m.Pattern), m, gym))
            .OfType<Draft>()
            .Select(d => Of(d.Movement, d.Plan with { Tempo = null }, plan))
            .FirstOrDefault();
        return easier ?? (Half(plan) is { } half ? Of(movement, half, plan) : null);
    }

    /// <summary>Of what is known in reps a third more are there (this project's choice).</summary>
    private bool IsClearlyEasier(Movement easier, Movement movement) =>
        gym.CapacityOf(easier).Reps is not { } more
        || gym.CapacityOf(movement).Reps is not { } reps
        || more * 3 >= reps * 4;

    private static Alternate Of(Movement movement, Prescription dosed, Prescription plan)
    {
        if (dosed.WithSets(plan.SetCount) is var sets && sets.SetCount == plan.SetCount)
            dosed = sets;
        return new(movement, NotationPrinter.Print(dosed with { RestSeconds = plan.RestSeconds }));
    }

    private static Prescription? Half(Prescription plan) =>
        plan switch
        {
            DoubleProgression { Low: > 1 } range => range.WithRange(range.Low / 2, range.High / 2),
            StraightSets { Reps: > 1 } sets => sets with { Reps = sets.Reps / 2 },
            HoldSets { Seconds: >= 2 * HoldDose.SecondsMinimum and var seconds } hold => hold with
            {
                Seconds = seconds / 2,
            },
            _ => null,
        };
}
