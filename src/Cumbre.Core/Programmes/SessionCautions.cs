using Cumbre.Core.Explanations;
using Cumbre.Core.Measures;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Programmes;

/// <summary>
/// The cautions that stand on the sheet of a session: those of its movements and of its lines, each once.
/// </summary>
public static class SessionCautions
{
    public static IReadOnlyList<CautionNote> Of(SessionDose session, AthleteAtWork athlete)
    {
        var cautions = new List<CautionNote>();
        var heaviest = Mass.Zero;
        foreach (var item in session.Items.Where(i => i.Resolved is not null))
        {
            var context = athlete.ContextOf(item.Movement!)!;
            heaviest = Mass.Max(
                heaviest,
                context.BodyMass.Value
                    + Mass.FromKilograms(Math.Max(0, item.Resolved!.Loads.Max(l => l.Value.Made.Kilograms)))
            );
            cautions.AddRange(
                StandingCautions
                    .For(item.Resolved, item.Movement!, context.BodyMass.Value, athlete.WaitsForClearance.Count > 0)
                    .Where(c => c.Id is not (CautionId.Anchor or CautionId.StopSigns or CautionId.NotMedicalAdvice))
            );
            cautions.AddRange(
                item.Movement!.Cautions.Where(c => c is not (CautionId.Anchor or CautionId.StopSigns))
                    .Select(c => CautionNote.Of(c))
            );
        }

        if (session.Items.Any(i => i.Movement?.Cautions.Contains(CautionId.Anchor) == true) && heaviest > Mass.Zero)
            cautions.Insert(0, CautionNote.Of(CautionId.Anchor, Quantity.Of(heaviest * StandingCautions.AnchorFactor)));
        return [.. cautions.DistinctBy(c => c.Id)];
    }
}
