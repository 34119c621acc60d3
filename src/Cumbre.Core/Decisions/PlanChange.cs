using Cumbre.Core.Measures;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Decisions;

/// <summary>How a plan changes when a decision is taken.</summary>
internal static class PlanChange
{
    /// <summary>
    /// The plan at another load. In a drop set every loaded part moves by the same step; where its loads would then no longer
    /// fall, straight sets of its first part are left.
    /// </summary>
    public static Prescription AtLoad(Prescription plan, MassEntry load, Mass from) => plan switch
    {
        DropSet d when Shifted(d.Loads, load, from) is var loads && Falls(loads) => new DropSet(d.SetTotal, d.Parts, [.. loads]).Like(d),
        DropSet d => new StraightSets(d.SetTotal, d.Parts[0]) { Load = new AddedLoad(load), Tempo = d.Tempo, RestSeconds = d.RestSeconds },
        _ => plan with { Load = new AddedLoad(load) },
    };

    /// <summary>One rep more in each deciding set; the top of the range in a double progression. What is not counted in reps grows in its own way.</summary>
    public static Prescription OneRepMore(Prescription plan) => plan switch
    {
        StraightSets s => s with { Reps = s.Reps + 1 },
        DoubleProgression d => d with { High = d.High + 1 },
        TopSetBackOff t => t with { TopReps = t.TopReps + 1 },
        DropSet d => new DropSet(d.SetTotal, [.. d.Parts.Select(p => p + 1)], d.Loads).Like(d),
        _ => plan.Progress().Next ?? plan,
    };

    /// <summary>The easy version: half the sets, rounded up, with no added load.</summary>
    public static Prescription Easy(Prescription plan, MassUnit unit)
    {
        var none = new AddedLoad(new(0, unit));
        if (plan is not (StraightSets or DoubleProgression or TopSetBackOff or DropSet))
            return plan.WithSets((plan.SetCount + 1) / 2) with { Load = none };
        var sets = plan.Sets();
        var total = sets.Count(s => s.Part == 1);
        return new StraightSets((total + 1) / 2, sets[^1].Part == 1 ? sets[^1].RepsLow : sets[0].RepsLow) { Load = none, Tempo = plan.Tempo, RestSeconds = plan.RestSeconds };
    }

    /// <summary>The most reps that a deciding set asks for.</summary>
    public static int TargetReps(Prescription plan) => plan.Sets().Where(s => s.Role != SetRole.BackOff).Max(s => s.RepsHigh);

    /// <summary>The fewest reps that still fit the plan after an increase: the low end of a range, else two under the target.</summary>
    public static int FewestReps(Prescription plan) => plan is DoubleProgression d ? d.Low : Math.Max(1, TargetReps(plan) - 2);

    private static bool Falls(MassEntry[] loads) => loads.Zip(loads.Skip(1)).All(pair => pair.Second.Mass < pair.First.Mass);

    private static MassEntry[] Shifted(IReadOnlyList<MassEntry> loads, MassEntry first, Mass from)
    {
        var step = first.Mass - from;
        var shifted = new MassEntry[loads.Count];
        for (var i = 0; i < loads.Count; i++)
        {
            var moved = loads[i].Value == 0 ? Mass.Zero : Mass.Max(Mass.Zero, loads[i].Mass + step);
            shifted[i] = MassEntry.Of(moved, first.Unit);
        }

        return shifted;
    }
}
