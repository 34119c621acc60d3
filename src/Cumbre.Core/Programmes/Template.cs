using Cumbre.Core.Ladders;
using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Programmes;

/// <summary>A block as it was fitted to an athlete.</summary>
public sealed record FittedBlock(Block Block, IReadOnlyList<ItemChange> Changes);

/// <summary>Takes weeks from one athlete and fits them to others, each at their own level.</summary>
public static class TemplateFit
{
    /// <summary>
    /// Weeks without what belongs to one athlete: a load in kg becomes a share of the e1RM where that is known, and
    /// nothing is fixed.
    /// </summary>
    public static IReadOnlyList<BlockWeek> Generalise(IReadOnlyList<BlockWeek> weeks, AthleteAtWork from) =>
        [
            .. weeks.Select(w =>
                w with
                {
                    Sessions =
                    [
                        .. w.Sessions.Select(s =>
                            s with
                            {
                                Fixed = false,
                                Items = [.. s.Items.Select(i => General(i, from))],
                            }
                        ),
                    ],
                }
            ),
        ];

    /// <summary>The weeks from a Monday on, fitted to an athlete.</summary>
    /// <param name="name">Of the block.</param>
    /// <param name="weeks">Days count from <paramref name="origin"/>.</param>
    /// <param name="origin">The Monday from which the template's days count.</param>
    /// <param name="start">The Monday on which the athlete starts.</param>
    /// <param name="athlete">Who.</param>
    /// <param name="newId">Makes ids, as the core makes none.</param>
    public static FittedBlock Fit(
        string name,
        IReadOnlyList<BlockWeek> weeks,
        DateOnly origin,
        DateOnly start,
        AthleteAtWork athlete,
        Func<Guid> newId
    )
    {
        var changes = new List<ItemChange>();
        var days = start.DayNumber - origin.DayNumber;
        BlockWeek[] fitted =
        [
            .. weeks.Select(w =>
                w with
                {
                    Sessions =
                    [
                        .. w.Sessions.Select(s =>
                        {
                            var day = s.Day.AddDays(days);
                            return s with
                            {
                                Id = newId(),
                                Day = day,
                                Fixed = false,
                                Items = [.. s.Items.Select(i => One(i with { Id = newId() }, day, athlete, changes))],
                            };
                        }),
                    ],
                }
            ),
        ];
        return new(new(name, start, fitted, []), changes);
    }

    private static BlockItem General(BlockItem item, AthleteAtWork from) =>
        from.Read(item) is { Plan: { Load: AddedLoad } plan and not DropSet, Resolved.ShareOfMax: { } share }
            ? item with
            {
                Written = plan with
                {
                    Load = new ShareOfOneRepMax(
                        Math.Clamp(Math.Round(share * 100), ShareOfOneRepMax.Minimum, ShareOfOneRepMax.Maximum)
                    ),
                },
            }
            : item;

    private static BlockItem One(BlockItem item, DateOnly day, AthleteAtWork athlete, List<ItemChange> changes)
    {
        if (athlete.Read(item) is not { Movement: { } movement, Plan: { } plan } reading)
            return item;
        BlockItem To(Movement other, ChangeReason reason) =>
            MissedWeeks.Change(item, day, other.Slug, UsualDose.For(other, athlete), reason, changes);

        if (athlete.Holding(movement) is not null)
            return item;
        if (OwnStep(movement, athlete) is { } own)
            return To(own.Movement, own.Reason);
        if (
            KitCheck.Missing(movement, athlete) is not null
            && Substitutes.For(movement, athlete).FirstOrDefault(s => s.KitMissing is null) is { } there
        )
            return To(there.Movement, ChangeReason.KitMissing);
        if (
            reading.Problem == ResolutionProblem.NoOneRepMax
            && movement
                .Easier.Select(s => athlete.Atlas.Catalogue.Movements[s])
                .FirstOrDefault(m => m.Pattern == movement.Pattern)
                is { } plain
        )
            return To(plain, ChangeReason.NoTest);
        if (
            plan is HoldSets { Seconds: { } seconds } hold
            && athlete.BestsOf(movement).HoldSeconds is { } best
            && HoldDose.For(best) is not null
            && (
                seconds > HoldDose.SecondsAt(best, HoldDose.PercentHigh)
                || seconds < HoldDose.SecondsAt(best, HoldDose.PercentLow)
            )
        )
            return MissedWeeks.Change(
                item,
                day,
                item.Movement,
                hold with
                {
                    Seconds = HoldDose.SecondsAt(best, HoldDose.PercentUsual),
                },
                ChangeReason.HoldByBest,
                changes
            );
        if (
            plan is StraightSets or DoubleProgression
            && plan.Load is null
            && movement.Measure == BenchmarkMeasure.Reps
            && athlete.BestsOf(movement).Reps < Asked(plan)
            && movement
                .Easier.Select(s => athlete.Atlas.Catalogue.Movements[s])
                .FirstOrDefault(m => m.Pattern == movement.Pattern)
                is { } easier
        )
            return To(easier, ChangeReason.TooHard);
        return item;
    }

    private static int Asked(Prescription plan) => plan is DoubleProgression d ? d.Low : plan.TargetReps;

    /// <summary>
    /// The athlete's own step, where the one written is above the placement, or is a straight-arm step that is won.
    /// </summary>
    private static (Movement Movement, ChangeReason Reason)? OwnStep(Movement movement, AthleteAtWork athlete)
    {
        var steps = athlete.StepsOf(movement.Slug).Where(s => !s.Step.Preparation).ToArray();
        if (steps.Length == 0)
            return null;
        var step = steps[0];
        var locked = steps.All(s => !s.Reachable && s.Status is StepStatus.Locked or StepStatus.Ahead);
        var won = movement.Arms == ArmMode.Straight && steps.All(s => s.Status == StepStatus.Won);
        if ((!locked && !won) || athlete.Placements[step.Ladder.Slug].Training is not { } at)
            return null;
        var own = athlete.Atlas.Catalogue.Movements[step.Ladder.Steps[at].Movement];
        return own.Slug == movement.Slug ? null : (own, locked ? ChangeReason.StepLocked : ChangeReason.StepWon);
    }
}
