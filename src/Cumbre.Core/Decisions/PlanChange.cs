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
        StraightSets s => s with { Load = new AddedLoad(load) },
        DoubleProgression d => d with { Load = new AddedLoad(load) },
        TopSetBackOff t => t with { Load = new AddedLoad(load) },
        DropSet d when Shifted(d.Loads, load, from) is var loads && Falls(loads) => new DropSet(d.SetTotal, d.Parts, loads, d.Grips, d.Tempo, d.RestSeconds),
        DropSet d => new StraightSets(d.SetTotal, d.Parts[0], new AddedLoad(load), null, d.Tempo, d.RestSeconds),
        _ => throw new ArgumentOutOfRangeException(nameof(plan), plan, "unknown method"),
    };

    /// <summary>One rep more in each deciding set; the top of the range in a double progression.</summary>
    public static Prescription OneRepMore(Prescription plan) => plan switch
    {
        StraightSets s => new StraightSets(s.SetTotal, s.Reps + 1, s.Load, s.Effort, s.Tempo, s.RestSeconds),
        DoubleProgression d => new DoubleProgression(d.SetTotal, d.Low, d.High + 1, d.Load, d.Effort, d.Increment, d.Tempo, d.RestSeconds),
        TopSetBackOff t => new TopSetBackOff(t.TopSets, t.TopReps + 1, t.BackOffSets, t.BackOffReps, t.BackOffPercent, t.Load, t.Effort, t.Tempo, t.RestSeconds),
        DropSet d => new DropSet(d.SetTotal, [.. d.Parts.Select(p => p + 1)], d.Loads, d.Grips, d.Tempo, d.RestSeconds),
        _ => throw new ArgumentOutOfRangeException(nameof(plan), plan, "unknown method"),
    };

    /// <summary>The easy version: half the sets, rounded up, with no added load.</summary>
    public static StraightSets Easy(Prescription plan, MassUnit unit)
    {
        var sets = plan.Sets();
        var total = sets.Count(s => s.Part == 1);
        return new StraightSets((total + 1) / 2, sets[^1].Part == 1 ? sets[^1].RepsLow : sets[0].RepsLow, new AddedLoad(new(0, unit)), null, plan.Tempo, plan.RestSeconds);
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
