using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Programmes;

/// <summary>
/// How a movement is eased for pain in the middle of the scale: the first form of the list that applies.
/// </summary>
public static class Easing
{
    private const decimal OtherGrip = 0.95m,
        Less = 0.90m;

    /// <summary>
    /// The place's first substitute (grip, parallettes), then a tenth less of the system or an easier rung, then
    /// slower, then fewer sets.
    /// Common practice, no source.
    /// </summary>
    public static MovementDose Of(AthleteAtWork athlete, Movement movement, Prescription plan, PainPlace place)
    {
        var context = athlete.ContextOf(movement);
        if (FirstSubstitute(movement, plan, place, context) is { } substitute)
            return new(movement.Slug, substitute);
        var lighter = Adjust.ToSystemShare(plan, Less, context);
        if (lighter != plan)
            return new(movement.Slug, lighter);
        // What cannot be made lighter piece by piece is neither helped by a band nor done on an easier rung.
        if (LineFit.HangsLoad(plan))
            return new(
                movement.Slug,
                Adjust.ThirdFewerSets(plan) is var less && less != plan ? less : Adjust.ThirdLess(plan)
            );
        if (
            plan.Load is null
            && context is not null
            && movement.AssistedBy is { } helped
            && Band(athlete, context.BodyMass.Value.Kilograms * (1 - Less)) is { } band
            && KitCheck.Missing(athlete.Atlas.Catalogue.Movements[helped], athlete) is null
        )
            return new(helped, plan with { Load = band });
        if (
            movement
                .Easier.Select(e => athlete.Atlas.Catalogue.Movements[e])
                .FirstOrDefault(e =>
                    e.Pattern == movement.Pattern
                    && e.Measure == movement.Measure
                    && KitCheck.Missing(e, athlete) is null
                ) is
            { } easier
        )
            return new(easier.Slug, plan);
        return new(
            movement.Slug,
            Adjust.ThirdFewerSets(plan) is var fewer && fewer != plan ? fewer : Adjust.ThirdLess(plan)
        );
    }

    private static Prescription? FirstSubstitute(
        Movement movement,
        Prescription plan,
        PainPlace place,
        ResolutionContext? context
    ) =>
        Spares(movement, plan, place) ? null
        : Spared(movement, plan, place) is not { } spared ? null
        // Another grip of a pull is a twentieth of the system weaker.
        : place.Covers(BodyPlace.ElbowInner) && movement.NeutralGrip
            ? Adjust.ToSystemShare(plan, OtherGrip, context) with
            {
                Grips = spared.Grips,
            }
        : spared;

    /// <summary>The weakest band that helps by at least so many kg; null: there is none.</summary>
    public static BandHelp? Band(AthleteAtWork athlete, decimal atLeastKg)
    {
        var help = athlete
            .Gear.Bands.Select(b => b.Help(athlete.Today).Value)
            .Where(h => h.Kilograms >= atLeastKg - 0.01m);
        var chosen = atLeastKg > 0 ? help.OrderBy(h => h.Kilograms) : help.OrderByDescending(h => h.Kilograms);
        return chosen.Select(h => new BandHelp(Measures.MassEntry.Kg(Math.Round(h.Kilograms, 1)))).FirstOrDefault();
    }

    /// <summary>More reps than so many, clean twice, are enough for the next weaker band (6 to 10 are usual).</summary>
    public const int BandPassed = 10;

    /// <summary>The strongest band that surely helps less; null: there is none.</summary>
    public static BandHelp? WeakerBand(AthleteAtWork athlete, BandHelp help) =>
        athlete
            .Gear.Bands.Select(b => b.Help(athlete.Today).Value)
            .Where(h => h.Kilograms < help.Entry.Mass.Kilograms * (1 - Loading.Band.Uncertainty))
            .OrderByDescending(h => h.Kilograms)
            .Select(h => Measures.MassEntry.Of(h, help.Entry.Unit))
            .Select(e => new BandHelp(e with { Value = Math.Round(e.Value, 1) }))
            .FirstOrDefault();

    /// <summary>The same plan in the form that spares a sore place; null: the movement has none.</summary>
    public static Prescription? Spared(Movement movement, Prescription plan, PainPlace place) =>
        place.Covers(BodyPlace.ElbowInner) && movement.NeutralGrip ? plan with { Grips = [Grip.Neutral] }
        : place.Covers(BodyPlace.Wrist) && movement.IsOnFloor
            ? plan with
            {
                SetUp = (plan.SetUp ?? new SetUp()) with { On = Surface.Parallettes },
            }
        : null;

    /// <summary>Has the movement a form that spares a sore place: a neutral grip, or parallettes?</summary>
    public static bool CanSpare(Movement movement, PainPlace place) =>
        (place.Covers(BodyPlace.ElbowInner) && movement.NeutralGrip)
        || (place.Covers(BodyPlace.Wrist) && movement.IsOnFloor);

    /// <summary>
    /// Does the plan spare a sore place by itself: a neutral grip the inner elbow, parallettes or fists the wrist?
    /// </summary>
    public static bool Spares(Movement movement, Prescription? plan, PainPlace place) =>
        (place.Covers(BodyPlace.ElbowInner) && movement.NeutralGrip && plan?.Grips is [Grip.Neutral])
        || (place.Covers(BodyPlace.Wrist) && movement.IsOnFloor && plan?.SetUp?.On is not null);
}
