using Cumbre.Core.Explanations;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;

namespace Cumbre.Core.Prescriptions;

/// <summary>Cautions that belong to an item, whatever its line says.</summary>
public static class StandingCautions
{
    /// <summary>An anchor should bear this many times the system mass, for the swing (this project's choice).</summary>
    public const int AnchorFactor = 3;

    /// <summary>Sets of this many reps or fewer are near-maximal: breathe.</summary>
    private const int NearMaximalReps = 3;

    /// <param name="plan">The resolved plan.</param>
    /// <param name="movement">What is trained.</param>
    /// <param name="bodyMass">Body mass of the day.</param>
    /// <param name="needsClearance">The athlete has not been cleared yet.</param>
    public static IReadOnlyList<CautionNote> For(
        ResolvedPrescription plan,
        Movement movement,
        Mass bodyMass,
        bool needsClearance
    )
    {
        var cautions = new List<CautionNote>();
        var heaviest = plan.Loads.Max(l => l.Value.Made.Kilograms);
        if (needsClearance)
            cautions.Add(CautionNote.Of(CautionId.ClearanceFirst));
        cautions.AddRange(plan.Cautions);
        cautions.Add(CautionNote.Of(CautionId.StopSigns));
        if (movement.Cautions.Contains(CautionId.Anchor))
            cautions.Add(
                CautionNote.Of(
                    CautionId.Anchor,
                    Quantity.Of((bodyMass + Mass.FromKilograms(Math.Max(0, heaviest))) * AnchorFactor)
                )
            );
        if (heaviest > 0)
            cautions.Add(CautionNote.Of(CautionId.SolidForm));
        if (plan.Efforts.Any(e => e.Plan.RepsLow <= NearMaximalReps))
            cautions.Add(CautionNote.Of(CautionId.Breathe));
        cautions.Add(CautionNote.Of(CautionId.NotMedicalAdvice));
        return cautions;
    }
}
