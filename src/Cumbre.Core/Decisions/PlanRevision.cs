using Cumbre.Core.Measures;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes;

namespace Cumbre.Core.Decisions;

/// <summary>What a decision does to one item of a coming session.</summary>
/// <param name="Session">Of the session.</param>
/// <param name="Item">Of the item; of one that is added a new id.</param>
/// <param name="Day">Of the session.</param>
/// <param name="Before">As it was; null: it is added.</param>
/// <param name="After">As it becomes.</param>
/// <param name="IsQuestion">It was written by hand: the coach says yes or no to it.</param>
public sealed record ItemRevision(
    Guid Session,
    Guid Item,
    DateOnly Day,
    MovementDose? Before,
    MovementDose After,
    bool IsQuestion
)
{
    /// <summary>An item that is added comes before this one.</summary>
    public Guid? AheadOf { get; init; }
}

/// <summary>
/// What an accepted decision changes in the sessions that have not begun; undoing it puts back exactly what it changed.
/// </summary>
public static class PlanRevision
{
    /// <summary>A return is planned for so many sessions; then the log decides again.</summary>
    private const int SessionsOfReturn = 2;

    /// <summary>
    /// The changes, by day. None: the decision is a word to the coach, or the plan carries it already.
    /// </summary>
    /// <param name="proposal">What was accepted.</param>
    /// <param name="athlete">On the day.</param>
    /// <param name="planned">Items of coming sessions that have not begun.</param>
    /// <param name="newId">Makes the id of an item that is added on a day.</param>
    public static IReadOnlyList<ItemRevision> Of(
        Proposal proposal,
        AthleteAtWork athlete,
        IReadOnlyList<PlannedItem> planned,
        Func<DateOnly, Guid> newId
    )
    {
        if (
            proposal.Confirms
            || proposal is { Next: null, First: null }
            || !athlete.Atlas.Catalogue.Movements.TryGetValue(proposal.Movement, out var movement)
        )
            return [];
        var context = athlete.ContextOf(movement)!;
        PlannedItem[] own =
        [
            .. planned.Where(p => p.Movement == proposal.Movement && p.Day >= proposal.BasisDay).OrderBy(p => p.Day),
        ];
        var next = proposal.Next!;
        ItemRevision Change(PlannedItem item, MovementDose after) =>
            new(item.Session, item.Item, item.Day, new(item.Movement, item.Plan), after, IsByHand(item));
        bool IsByHand(PlannedItem item) => item.Role is null && proposal.Role is not null;
        return [.. Revisions().Where(r => r.Before != r.After)];

        IEnumerable<ItemRevision> Revisions() =>
            proposal.Kind switch
            {
                ProposalKind.Ease => own.Select(i =>
                    Change(i, Easing.Of(athlete, movement, i.Plan, Movements.PainPlace.Read(proposal.Place ?? "")))
                ),
                ProposalKind.Return => own.Take(SessionsOfReturn).Select(i => Change(i, Kept(next, i, proposal))),
                ProposalKind.Deload or ProposalKind.LighterWeek => own.Where(i =>
                        !i.Easy && InWeekOf(i, proposal.NextDay)
                    )
                    .Select(i => Change(i, new(i.Movement, Adjust.Deload(i.Plan)))),
                ProposalKind.Hold => Mine().Where(i => InWeekOf(i, proposal.NextDay)).Select(i => Change(i, Dose(i))),
                ProposalKind.NextStep => Mine()
                    .Where(i => !i.Easy)
                    .SelectMany(i =>
                        new[]
                        {
                            Change(i, Dose(i)),
                            new ItemRevision(i.Session, newId(i.Day), i.Day, null, proposal.First!, IsByHand(i))
                            {
                                AheadOf = i.Item,
                            },
                        }
                    ),
                _ => Mine().Concat(LightDays()).OrderBy(i => i.Day).Select(i => Change(i, Dose(i))),
            };

        IEnumerable<PlannedItem> Mine() =>
            own.Where(i => Roles.Matches(i, proposal.Role, proposal.Before, planned, context));

        // Where the plan already asks for more, its first increase becomes what was earned, and the later ones keep
        // their distance to it.
        Prescription Base() =>
            Mine().FirstOrDefault(i => !i.Easy && !IsByHand(i)) is { } first
            && PlannedRise.IsMore(first.Plan, proposal.Before!, context)
                ? first.Plan
                : proposal.Before!;

        // A light day is a share of the hard one, and moves with it.
        IEnumerable<PlannedItem> LightDays() =>
            proposal.Role == ItemRole.Hard && proposal.Kind is ProposalKind.AddLoad or ProposalKind.BackOff
                ? own.Where(i => i.Role == ItemRole.Light)
                : [];

        MovementDose Dose(PlannedItem item)
        {
            if (next.Movement != item.Movement)
                return item.Easy ? next with { Plan = Adjust.Deload(next.Plan) } : Kept(next, item, proposal);
            if (item.Easy)
                return Adjust.IsSameDose(item.Plan, Adjust.Deload(proposal.Before!))
                    ? new(
                        item.Movement,
                        Adjust.Deload(next.Plan).WithSets(item.Plan.SetCount) with
                        {
                            RestSeconds = item.Plan.RestSeconds,
                        }
                    )
                    : new(item.Movement, item.Plan);
            if (item.Role == ItemRole.Light && proposal.Role == ItemRole.Hard)
                return new(item.Movement, AtSameShare(item.Plan, proposal.Before!, next.Plan, context));
            // What was planned alike becomes the same; what was planned otherwise moves by the same step.
            return
                proposal.Before is null
                || Adjust.IsSameDose(item.Plan, proposal.Before)
                || proposal.Kind
                    is not (
                        ProposalKind.AddLoad
                        or ProposalKind.AddReps
                        or ProposalKind.AddSeconds
                        or ProposalKind.BackOff
                    )
                ? Kept(next, item, proposal)
                : new(item.Movement, Moved(item.Plan, Base(), next.Plan, context));
        }
    }

    /// <summary>
    /// The dose of the decision in the sets and rests that the week has; sets that the decision adds or takes away
    /// count on them.
    /// </summary>
    private static MovementDose Kept(MovementDose dose, PlannedItem item, Proposal proposal)
    {
        var sets =
            proposal.Before is null ? dose.Plan.SetCount
            : proposal.Kind == ProposalKind.Hold ? item.Plan.SetCount
            : Math.Max(1, item.Plan.SetCount + dose.Plan.SetCount - proposal.Before.SetCount);
        var plan =
            dose.Plan.SetCount == sets || dose.Plan is VariedSets or VariedHolds or Pyramid or BrokenHold
                ? dose.Plan
                : dose.Plan.WithSets(sets);
        return dose with { Plan = plan with { RestSeconds = dose.Plan.RestSeconds ?? item.Plan.RestSeconds } };
    }

    private static bool InWeekOf(PlannedItem item, DateOnly day) =>
        TrainingCalendar.Monday(item.Day) == TrainingCalendar.Monday(day);

    /// <summary>
    /// A plan moved by the step that leads from one dose to the other: in load, in reps or in seconds.
    /// </summary>
    private static Prescription Moved(
        Prescription plan,
        Prescription before,
        Prescription after,
        ResolutionContext context
    )
    {
        var step = Roles.Weight(after, context) - Roles.Weight(before, context);
        if (Math.Abs(step) > 0.01m)
            return AtLoad(plan, Mass.FromKilograms(Math.Max(0, Roles.Weight(plan, context) + step)), context);
        var more = after.MostInASet - before.MostInASet;
        return plan switch
        {
            StraightSets s => s with { Reps = Math.Max(1, s.Reps + more) },
            DoubleProgression d => d.WithRange(Math.Max(1, d.Low + more), Math.Max(2, d.High + more)),
            HoldSets { Seconds: { } seconds } h => h with { Seconds = Math.Max(1, seconds + more) },
            _ => plan,
        };
    }

    /// <summary>The light plan at the share of the system that it had of the hard one.</summary>
    private static Prescription AtSameShare(
        Prescription light,
        Prescription before,
        Prescription after,
        ResolutionContext context
    )
    {
        if (light.Load is ShareOfOneRepMax or ShareOfBodyMass)
            return light;
        var body = context.BodyMass.Value.Kilograms;
        var share = (body + Roles.Weight(light, context)) / (body + Roles.Weight(before, context));
        var wanted = (body + Roles.Weight(after, context)) * share - body;
        return AtLoad(light, Mass.FromKilograms(Math.Max(0, wanted)), context);
    }

    /// <summary>The plan at the load of the kit that is nearest.</summary>
    private static Prescription AtLoad(Prescription plan, Mass wanted, ResolutionContext context)
    {
        var (under, over) = (context.Kit.AtMost(wanted), context.Kit.AtLeast(wanted));
        var nearest = over is not null && over.Total - wanted < wanted - under.Total ? over.Total : under.Total;
        return plan.Load is AddedLoad { Entry: var entry }
                ? plan with
                {
                    Load = Adjust.Written(MassEntry.Of(nearest, entry.Unit)),
                }
            : plan.Load is null ? plan with { Load = Adjust.Written(MassEntry.Kg(nearest.Kilograms)) }
            : plan;
    }
}
