using Cumbre.Core.Explanations;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;
using Cumbre.Core.Strength;

namespace Cumbre.Core.Prescriptions;

/// <summary>Resolves a plan for an athlete on a day and expands it into atomic efforts.</summary>
public static class PrescriptionResolver
{
    /// <summary>A set with this many reps in reserve or fewer is hard.</summary>
    public const int HardReserve = 4;

    public static Resolution Resolve(Prescription plan, ResolutionContext context) => plan switch
    {
        StraightSets straight => Uniform(straight, straight.Load, straight.Effort, straight.Reps, context),
        DoubleProgression twofold => Uniform(twofold, twofold.Load, twofold.Effort, twofold.High, context),
        TopSetBackOff top => TopAndBackOff(top, context),
        DropSet drop => Drop(drop, context),
        _ => throw new ArgumentOutOfRangeException(nameof(plan), plan, "unknown method"),
    };

    private static Resolution Uniform(Prescription plan, LoadSpec? spec, Effort? effort, int reps, ResolutionContext context)
    {
        var (load, problem) = LoadResolver.Resolve(spec, effort, reps, context);
        return load is null ? new(null, problem) : Expand(plan, [load], _ => 0, effort, context);
    }

    private static Resolution TopAndBackOff(TopSetBackOff plan, ResolutionContext context)
    {
        var (top, problem) = LoadResolver.Resolve(plan.Load, plan.Effort, plan.TopReps, context);
        if (top is null)
            return new(null, problem);
        var backOff = LoadResolver.BackOff(top, plan.BackOffPercent, context);
        return Expand(plan, [top, backOff], set => set.Role == SetRole.Top ? 0 : 1, plan.Effort, context);
    }

    private static Resolution Drop(DropSet plan, ResolutionContext context)
    {
        var wanted = plan.Loads.Select(l => l.Mass).ToArray();
        var drop = DropPlanner.Plan(context.Kit, wanted);
        var loads = drop.Parts.Select((pieces, i) =>
        {
            var why = Explanation.For(RuleId.DropPlan, Quantity.Count(plan.Parts.Count))
                .Input(InputKey.BodyMass, Quantity.Of(context.BodyMass.Value))
                .CautionsOf(context.BodyMass.Why)
                .Source(SourceId.CoachsLine);
            foreach (var target in wanted)
                why.Input(InputKey.PartTarget, Quantity.Added(target));
            why.Step(StepKey.NowOnTheBar, Quantity.Of(context.BodyMass.Value + pieces.Total), Quantity.Of(context.BodyMass.Value), Quantity.Added(pieces.Total));
            if (pieces.Total == wanted[i])
                why.Rounded(RoundingKey.Exact, Quantity.Of(pieces.OneByOne.Select(p => p.Size.Mass)));
            else
                why.Rounded(RoundingKey.Nearest, Quantity.Added(wanted[i]), Quantity.Added(pieces.Total), Quantity.Added(pieces.Total - wanted[i]), Quantity.Of(pieces.OneByOne.Select(p => p.Size.Mass)));
            if (drop.Distance == Mass.Zero)
                why.Rounded(RoundingKey.DropPlanExact);
            else
                why.Rounded(RoundingKey.DropPlanOff, Quantity.Of(drop.Distance));
            if (!drop.Proven)
                why.Rounded(RoundingKey.DropPlanNotProven);
            if (i == 0)
                LoadResolver.CautionOnStep(why, pieces.Total, context);
            return why.Build(new LoadAnswer(wanted[i], pieces.Total, pieces));
        }).ToArray();
        return Expand(plan, loads, set => set.Part - 1, null, context, drop);
    }

    private static Resolution Expand(
        Prescription plan, IReadOnlyList<Explained<LoadAnswer>> loads, Func<PlannedSet, int> loadOf, Effort? effort, ResolutionContext context, DropPlan? drop = null)
    {
        var sets = plan.Sets();
        var rest = Timing.RestBetweenSets(plan);
        var efforts = sets.Select((set, i) =>
        {
            var last = i == sets.Count - 1;
            var withinDrop = !last && sets[i + 1].Set == set.Set;
            var takeOff = drop is not null && set.Part > 1 ? drop.TakeOffBefore(set.Part - 1) : null;
            return new AtomicEffort(set, loads[loadOf(set)], takeOff, Timing.UnderTension(set, plan.Tempo), last || withinDrop ? 0 : rest);
        }).ToArray();

        return new(
            new(
                plan, efforts, loads, drop,
                RepTotal: sets.Sum(s => s.RepsHigh),
                TensionSeconds: efforts.Sum(e => e.TensionSeconds),
                DurationSeconds: Timing.Duration(plan),
                RestSeconds: rest,
                RestAssumed: plan.RestSeconds is null,
                HardSets: HardSets(sets, loads, loadOf, effort, context),
                Cautions: Cautions(plan, sets, effort, context)),
            null);
    }

    /// <summary>The expected reserve of a set is the written one, else what the e1RM leaves over; unknown counts as hard.</summary>
    private static int HardSets(IReadOnlyList<PlannedSet> sets, IReadOnlyList<Explained<LoadAnswer>> loads, Func<PlannedSet, int> loadOf, Effort? effort, ResolutionContext context) =>
        sets.Where(s => s.Part == 1).Count(set =>
        {
            if (effort is not null && set.Role != SetRole.BackOff)
                return effort.ReserveTarget <= HardReserve;
            if (context.OneRepMax is not { } max)
                return true;
            var system = context.BodyMass.Value + loads[loadOf(set)].Value.Made;
            return OneRepMax.ExpectedReps(max.Value.Value, system) - set.RepsHigh <= HardReserve;
        });

    private static List<CautionNote> Cautions(Prescription plan, IReadOnlyList<PlannedSet> sets, Effort? effort, ResolutionContext context)
    {
        var cautions = new List<CautionNote>();
        if (effort is ToFailure)
            cautions.Add(CautionNote.Of(CautionId.ToFailure));
        if (plan is DropSet)
            cautions.Add(CautionNote.Of(CautionId.DropForm));
        if (context.Age < 16 && sets.Any(s => s.RepsLow == 1))
            cautions.Add(CautionNote.Of(CautionId.MinorNoSingle));
        return cautions;
    }
}
