using Cumbre.Core.Explanations;
using Cumbre.Core.Ladders;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Safety;

namespace Cumbre.Core.Programmes;

/// <summary>Cautions on one item: its step, its kit, what hurts, its load and its method.</summary>
internal static class ItemChecks
{
    public static IEnumerable<ProgrammeCaution> Of(
        ItemReading item,
        int week,
        Guid session,
        AthleteAtWork athlete,
        DoseRules rules
    )
    {
        ProgrammeCaution Caution(CautionId id, IReadOnlyList<Quantity> args, params IEnumerable<Remedy?> remedies) =>
            new(
                id,
                args,
                week,
                session,
                item.Item.Id,
                [.. remedies.OfType<Remedy>().DistinctBy(r => (r.Kind, r.Movement, r.Movement is null ? r.Plan : null))]
            );

        if (item.Movement is not { } movement)
        {
            yield return Caution(
                CautionId.MovementUnknown,
                [Quantity.Slug(item.Item.Movement)],
                Remedy.Remove(item.Item.Id)
            );
            yield break;
        }

        var instead = new Lazy<Remedy?>(() =>
            Substitutes.First(movement, athlete) is { } found
                ? Remedy.Instead(item.Item.Id, found.Movement, found.Plan)
                : null
        );
        if (Locked(movement, athlete, rules) is { } locked)
            yield return Caution(
                CautionId.StepLocked,
                [Quantity.Name(locked.Step.Name), Quantity.Name(GateOf(locked, athlete))],
                TrainedStep(item, locked, athlete),
                instead.Value
            );
        if (KitCheck.Missing(movement, athlete) is { } missing)
            yield return Caution(
                CautionId.KitMissing,
                [Quantity.Name(missing)],
                instead.Value,
                Remedy.Remove(item.Item.Id)
            );
        if (
            athlete.Holding(movement, item.Resolved?.Loads.Any(l => l.Value.Made > Mass.Zero) == true) is { } pain
            && !SparesSoreSide(item.Plan, pain)
            && (pain.Stopped || !Easing.Spares(movement, item.Plan, pain.Place))
        )
        {
            yield return Caution(
                pain.Stopped ? CautionId.PatternStopped : CautionId.PainThere,
                [Quantity.Name(pain.Place.Said), Quantity.Pain(pain.Level), Quantity.Pain(PainRules.StopFrom)],
                SoundSide(item, pain),
                Remedy.Remove(item.Item.Id),
                instead.Value
            );
        }

        if (athlete.WaitsForClearance.Any(q => q.Blocks(movement)))
            yield return Caution(CautionId.ClearanceOpen, [], instead.Value, Remedy.Remove(item.Item.Id));

        if (item.Resolved is not { } resolved || athlete.ContextOf(movement) is not { } context)
            yield break;
        foreach (
            var note in resolved
                .Cautions.Concat(resolved.Loads.SelectMany(l => l.Why.Cautions))
                .Where(c => Speaks(c.Id))
                // A share that is rounded to the kit is told beside the load; a load that was written is another one.
                .Where(c => c.Id != CautionId.KitCoarse || resolved.Source.Load is AddedLoad)
                // A test may be shorter than a working hold.
                .Where(c => item.Item.Role != ItemRole.Retest || c.Id != CautionId.HoldTooShort)
                .DistinctBy(c => c.Id)
        )
            yield return Caution(
                note.Id,
                note.Args,
                [
                    .. Remedies(note.Id, item, resolved.Source, context)
                        .Concat(
                            note.Id is CautionId.HoldTooShort or CautionId.OpeningTooFew
                                ? [Easier(item, movement, athlete)]
                                : []
                        ),
                ]
            );
    }

    /// <summary>The sound side by itself loads nothing that is sore.</summary>
    private static bool SparesSoreSide(Prescription? plan, Soreness pain) =>
        pain is { Hold: Hold.SoreSide, Place.Side: { } sore }
        && plan?.Sides is { } sides
        && !sides.Order().Contains(sore);

    private static Remedy? SoundSide(ItemReading item, Soreness pain) =>
        pain is { Hold: Hold.SoreSide, Place.Side: { } sore } && item.Plan is { } plan
            ? Remedy.Write(
                item.Item.Id,
                plan with
                {
                    Sides = sore == Side.Left ? SidePlan.RightOnly : SidePlan.LeftOnly,
                }
            )
            : null;

    /// <summary>
    /// Of the cautions of a line those that a remedy answers; the others stand beside the load they belong to.
    /// </summary>
    private static bool Speaks(CautionId id) =>
        id
            is CautionId.AboveOneRepMax
                or CautionId.WorkOverSlot
                or CautionId.FailureNotHarmless
                or CautionId.NegativeLong
                or CautionId.OpeningTooFew
                or CautionId.HoldTooShort
                or CautionId.HoldOverBest
                or CautionId.NotLoaded
                or CautionId.MinorNoSingle
                or CautionId.BandTooStrong
                or CautionId.KitCoarse;

    /// <summary>
    /// A movement is above the placement when it is a step, and no step of it may be trained. What finds the level is
    /// above nothing where no test of the pattern was done, and where it has found it.
    /// </summary>
    internal static StepAtWork? Locked(Movement movement, AthleteAtWork athlete, DoseRules rules)
    {
        if (
            rules.FindsLevel(movement)
            && (
                !athlete.KnowsLevel(movement.Pattern)
                || athlete.BestsOf(movement) is { Reps: > 0 } or { HoldSeconds: > 0 }
            )
        )
            return null;
        if (IsHelpThatIsNeeded(movement, athlete) || HasShownAPlace(movement, athlete))
            return null;
        var steps = athlete.StepsOf(movement.Slug);
        return
            steps.Count == 0
            || steps.Any(s =>
                s.Reachable
                || s.Status is StepStatus.Won or StepStatus.Open or StepStatus.Training or StepStatus.Support
            )
            ? null
            : steps[0];
    }

    /// <summary>A pull to a place that was reached before asks no more than was shown.</summary>
    private static bool HasShownAPlace(Movement movement, AthleteAtWork athlete) =>
        movement.Measure == BenchmarkMeasure.ContactHeight
        && athlete
            .Atlas.Catalogue.BenchmarksOf(movement.Slug)
            .Any(b => athlete.Book.Of(b.Slug).Any(r => r.Score.Contact is not null));

    /// <summary>
    /// Measured help makes a movement as easy as it has to be, so it waits for no step of the path: it is trained as
    /// soon as the gates of its ladder so far are met and the movement without it is not strong enough.
    /// </summary>
    private static bool IsHelpThatIsNeeded(Movement movement, AthleteAtWork athlete) =>
        StandsInForHelp(movement, athlete)
        || movement.Measure == BenchmarkMeasure.Reps
            && athlete
                .Atlas.Catalogue.HelpedBy(movement.Slug)
                .Any(strict => athlete.BestsOf(strict).Reps <= RepDose.PracticeUpTo)
            && athlete
                .StepsOf(movement.Slug)
                .All(at => Enumerable.Range(0, at.Index + 1).All(athlete.Placements[at.Ladder.Slug].GatesMet));

    /// <summary>Lowering alone, where the measured help of a movement that is not there yet is not at hand.</summary>
    private static bool StandsInForHelp(Movement movement, AthleteAtWork athlete) =>
        movement.Measure == BenchmarkMeasure.SecondsPerDescent
        && movement
            .Harder.Select(h => athlete.Atlas.Catalogue.Movements[h])
            .Any(strict =>
                strict.AssistedBy is { } help
                && strict.Measure == BenchmarkMeasure.Reps
                && athlete.BestsOf(strict).Reps <= FewReps
                && KitCheck.Missing(athlete.Atlas.Catalogue.Movements[help], athlete) is not null
            );

    private const int FewReps = 2;

    private static string GateOf(StepAtWork step, AthleteAtWork athlete)
    {
        var names = athlete.Atlas.Catalogue.Names;
        var unmet = step.Step.Gates.FirstOrDefault(g =>
            g.Holds(athlete.Athlete.Schools) && GateRule.OpenedOn(g.Gate, athlete.Book) is null
        );
        return GatePrinter.Print(
            unmet?.Gate ?? step.Step.After.Select(i => step.Ladder.Steps[i].Opens).FirstOrDefault() ?? step.Step.Opens,
            names
        );
    }

    private static Remedy? TrainedStep(ItemReading item, StepAtWork locked, AthleteAtWork athlete) =>
        athlete.Placements[locked.Ladder.Slug].Training is { } at
        && athlete.Atlas.Catalogue.Movements.GetValueOrDefault(locked.Ladder.Steps[at].Movement) is { } movement
            ? Remedy.Instead(item.Item.Id, movement, UsualDose.For(movement, athlete))
            : null;

    private static Remedy? Easier(ItemReading item, Movement movement, AthleteAtWork athlete) =>
        movement
            .Easier.Select(s => athlete.Atlas.Catalogue.Movements.GetValueOrDefault(s))
            .FirstOrDefault(m => m is not null && m.Pattern == movement.Pattern)
            is { } easier
            ? Remedy.Instead(item.Item.Id, easier, UsualDose.For(easier, athlete))
            : null;

    private static IEnumerable<Remedy?> Remedies(
        CautionId id,
        ItemReading item,
        Prescription plan,
        ResolutionContext context
    )
    {
        Remedy Write(Prescription better) => Remedy.Write(item.Item.Id, better);
        switch (id)
        {
            case CautionId.AboveOneRepMax when plan is not DropSet && context.LoadFollowsEffort:
                yield return Write(plan with { Load = null, Effort = new InReserve(1) });
                break;
            case CautionId.WorkOverSlot when plan is OnTheClock clock:
                var work = clock.EverySeconds - clock.RestInSlot;
                var slot = Math.Min(OnTheClock.EveryMaximum, (work + work / 2 + 9) / 10 * 10);
                yield return Write(clock.WithSlot(slot));
                break;
            case CautionId.FailureNotHarmless:
                yield return Write(WithReserve(plan, context.Bests));
                break;
            case CautionId.NegativeLong when plan is Negatives negatives:
                yield return Write(negatives with { LowerSeconds = Negatives.VolumeSeconds });
                break;
            case CautionId.HoldOverBest when context.Bests.HoldSeconds is { } best && HoldDose.For(best) is { } dose:
                yield return Write(dose.Like(plan));
                break;
            case CautionId.KitCoarse when plan.Load is AddedLoad { Entry: var written }:
                foreach (var way in LineFit.Makeable(plan, written, item.Resolved!.Loads[0].Value, context))
                    yield return Write(way);
                break;
            case CautionId.NotLoaded or CautionId.BandTooStrong:
                yield return Write(plan with { Load = null });
                break;
            case CautionId.MinorNoSingle when plan is StraightSets straight:
                yield return Write(straight with { Reps = 3, Effort = straight.Effort ?? new InReserve(2) });
                break;
        }
    }

    /// <summary>The same work with two reps left; what only exists to failure becomes plain sets.</summary>
    private static Prescription WithReserve(Prescription plan, Bests bests)
    {
        var reserve = new InReserve(2);
        return plan switch
        {
            RestPause r => new StraightSets(r.SetTotal + 1, Math.Max(1, (bests.Reps ?? RestPause.OpeningLow + 2) - 2))
            {
                Load = r.Load,
                Sides = r.Sides,
                Effort = reserve,
                RestSeconds = r.RestSeconds,
            },
            Pyramid p => new StraightSets(
                Math.Clamp(p.Rungs.Count / 2, 2, Limits.SetsMaximum),
                Math.Max(1, p.Rungs.Sum() / Math.Max(2, p.Rungs.Count))
            )
            {
                Load = p.Load,
                Effort = reserve,
                RestSeconds = p.RestSeconds,
            },
            _ => plan.WithReserve(reserve),
        };
    }
}
