using Cumbre.Core.Benchmarks;
using Cumbre.Core.Explanations;
using Cumbre.Core.Measures;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Sessions;

namespace Cumbre.Core.Decisions;

/// <summary>An exposure held against its plan.</summary>
/// <param name="Exposure">What was done.</param>
/// <param name="Complete">Every planned set was logged.</param>
/// <param name="Clean">Every set that decides met its target with clean form.</param>
/// <param name="Score">Clean reps over the sets that decide: what is compared at equal load.</param>
/// <param name="Evidence">The same for a coach's eye.</param>
public sealed record ExposureJudgement(Exposure Exposure, bool Complete, bool Clean, int Score, ExposureEvidence Evidence)
{
    public Mass TopLoad => Exposure.TopLoad.Mass;

    public static ExposureJudgement Of(Exposure exposure)
    {
        var plan = exposure.Plan.Sets();
        var logged = exposure.Sets.ToDictionary(s => (s.Set, s.Part));
        var rows = plan.Select((planned, i) =>
        {
            var set = logged.GetValueOrDefault((planned.Set, planned.Part));
            return (Planned: planned, Set: set, Met: set is not null && Meets(set, planned, exposure.PlannedLoads[i], EffortOf(exposure.Plan, planned)));
        }).ToArray();
        // A back-off set adds volume; the top set alone decides.
        var deciding = rows.Where(r => r.Planned.Role != SetRole.BackOff).ToArray();
        return new(
            exposure,
            Complete: rows.All(r => r.Set is not null),
            Clean: deciding.All(r => r.Met),
            Score: deciding.Sum(r => r.Set is { Form: FormVerdict.Clean } set ? set.Seconds ?? set.Reps : 0),
            new(exposure.Day, exposure.TopLoad.Mass.Kilograms, [.. rows.Where(r => r.Set is not null).Select(r => new SetEvidence(r.Set!.Reps, r.Met))], deciding.All(r => r.Met)));
    }

    /// <summary>True when two plans ask for the same work, so that their scores can be compared.</summary>
    public static bool SameWork(Prescription a, Prescription b) => a.Sets().SequenceEqual(b.Sets());

    private static bool Meets(LoggedSet set, PlannedSet planned, Mass plannedLoad, Effort? effort) =>
        set.Form == FormVerdict.Clean
        && (planned.Seconds is { } seconds ? set.Seconds >= seconds : set.Reps >= Asked(planned))
        && set.Added.Mass >= plannedLoad
        && (effort is null || set.Reserve is not { } reserve || reserve >= effort.ReserveTarget);

    /// <summary>A set that ends by itself is met by its fewest reps.</summary>
    private static int Asked(PlannedSet planned) => planned.Role is SetRole.Burst or SetRole.Max or SetRole.Practice ? planned.RepsLow : planned.RepsHigh;

    private static Effort? EffortOf(Prescription plan, PlannedSet set) => plan is TopSetBackOff && set.Role != SetRole.Top ? null : plan.Effort;
}
