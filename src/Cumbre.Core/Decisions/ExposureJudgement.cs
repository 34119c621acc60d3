using Cumbre.Core.Explanations;
using Cumbre.Core.Measures;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Sessions;

namespace Cumbre.Core.Decisions;

/// <summary>An exposure held against its plan.</summary>
/// <param name="Exposure">What was done.</param>
/// <param name="Rows">The sets that decide, each with what was done of it.</param>
/// <param name="Reached">Every set that decides was done as written, clean, with the reserve that was asked.</param>
/// <param name="Evidence">The same for a coach's eye.</param>
public sealed record ExposureJudgement(
    Exposure Exposure,
    IReadOnlyList<DoneSet> Rows,
    bool Reached,
    ExposureEvidence Evidence
)
{
    public Mass TopLoad => Exposure.TopLoad.Mass;

    /// <summary>Clean reps or seconds over the sets that decide.</summary>
    public int Total => Rows.Sum(r => r.Amount);

    /// <summary>Clean reps or seconds of the best set.</summary>
    public int Best => Rows.Count == 0 ? 0 : Rows.Max(r => r.Amount);

    /// <summary>The fewest reps in reserve that were told; null: none were.</summary>
    public int? Reserve => Rows.Min(r => r.Set?.Reserve);

    public static ExposureJudgement Of(Exposure exposure)
    {
        var rows = exposure.Rows();
        // A back-off set adds volume, and the top set alone decides.
        DoneSet[] deciding = [.. rows.Where(r => r.Planned.Role != SetRole.BackOff)];
        bool Met(DoneSet row) => IsMet(row, exposure.Plan);
        return new(
            exposure,
            deciding,
            deciding.Length > 0 && deciding.All(Met),
            new(
                exposure.Day,
                exposure.TopLoad.Mass.Kilograms,
                [.. rows.Where(r => r.Set is not null).Select(r => new SetEvidence(r.Amount, Met(r), Broken(r.Set!)))],
                deciding.All(Met)
            )
        );
    }

    private static int? Broken(LoggedSet set) =>
        set.Form == Benchmarks.FormVerdict.Broken ? (int)(set.Seconds ?? set.Reps) : null;

    private static bool IsMet(DoneSet row, Prescription plan) =>
        row.Set is { } set
        && row.Amount >= Asked(row.Planned)
        && set.Added.Mass.Kilograms >= row.PlannedLoad.Kilograms - 0.01m
        && !set.Sagged
        && (plan.SetUp?.To is not { } contact || (set.Contact ?? contact) >= contact)
        && (
            EffortOf(plan, row.Planned) is not InReserve effort
            || set.Reserve is not { } reserve
            || reserve >= effort.Reps
        );

    /// <summary>A set that ends by itself is met by its fewest reps.</summary>
    private static int Asked(PlannedSet planned) =>
        planned.Seconds
        ?? (planned.Role is SetRole.Burst or SetRole.Max or SetRole.Practice ? planned.RepsLow : planned.RepsHigh);

    private static Effort? EffortOf(Prescription plan, PlannedSet set) =>
        plan is TopSetBackOff && set.Role != SetRole.Top ? null : plan.Effort;
}
