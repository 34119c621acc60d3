using Cumbre.Core.Explanations;
using Cumbre.Core.Ladders;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Programmes;

/// <summary>Cautions against which a line is only planned with the coach's reason, which is kept with the session.</summary>
public static class ReasonAsked
{
    /// <param name="movement">That is planned.</param>
    /// <param name="plan">Its line, with the loads that the kit makes.</param>
    /// <param name="athlete">Whose pain, gates and kit count.</param>
    /// <param name="today">A gate that has opened up to this day is open.</param>
    public static IReadOnlyList<CautionNote> For(
        Movement movement,
        ResolvedPrescription plan,
        AthleteAtWork athlete,
        DateOnly today
    )
    {
        var asks = new List<CautionNote>();
        var loaded = plan.Loads.Any(l => l.Value.Made > Mass.Zero);
        if (athlete.Holding(movement, loaded) is { Stopped: true })
            asks.Add(CautionNote.Of(CautionId.PatternStopped));
        if (
            loaded
            && !LoadGate.IsOpen(
                athlete.Atlas,
                movement.Slug,
                athlete.Athlete.Schools,
                TrainingResults.Book(athlete.Athlete, athlete.Atlas.Catalogue, today)
            )
        )
            asks.Add(CautionNote.Of(CautionId.GateClosed));
        if (plan.Loads.SelectMany(l => l.Why.Cautions).FirstOrDefault(c => c.Id == CautionId.JumpLarge) is { } jump)
            asks.Add(jump);
        return asks;
    }

    /// <summary>The same of a dose; nothing where it cannot be worked out.</summary>
    public static IReadOnlyList<CautionNote> For(MovementDose dose, AthleteAtWork athlete) =>
        athlete.Atlas.Catalogue.Movements.GetValueOrDefault(dose.Movement) is { } movement
        && athlete.ContextOf(movement) is { } context
        && PrescriptionResolver.Resolve(dose.Plan, context).Plan is { } plan
            ? For(movement, plan, athlete, athlete.Today)
            : [];
}
