using Cumbre.Core.Explanations;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Strength;

namespace Cumbre.Core.Prescriptions;

/// <summary>Resolves a plan for an athlete on a day and expands it into atomic efforts.</summary>
public static class PrescriptionResolver
{
    /// <summary>A set with this many reps in reserve or fewer is hard.</summary>
    public const int HardReserve = 4;

    /// <summary>Under this age no single-rep maximum is lifted (this project's choice).</summary>
    public const int AgeOfMaximum = 16;

    /// <summary>
    /// A lever raise counts so long a rep in straight-arm time, a lever row with bent arms less (this project's choice,
    /// low confidence).
    /// </summary>
    private const int StraightArmSecondsPerRaise = 3,
        StraightArmSecondsPerRow = 2;

    /// <summary>A hold from this share of the best on counts as hard (this project's choice).</summary>
    internal const decimal HardHoldShare = HoldDose.PercentLow / 100;

    public static Resolution Resolve(Prescription plan, ResolutionContext context)
    {
        if (plan is HoldSets hold && hold.SecondsFor(context.Bests) is null)
            return new(null, ResolutionProblem.NoBestHold);
        if (plan is MaxSets or PracticeSets && plan is { Load: null, Effort: InReserve } && context.LoadFollowsEffort)
            return new(null, ResolutionProblem.NoReps);
        if (plan is DropSet drop)
            return Drop(drop, context);
        if (plan is VariedSets { Loads: { } loads } varied)
            return Varied(varied, loads, context);
        var (load, problem) = LoadResolver.Resolve(plan.Load, plan.Effort, plan.TargetReps, context);
        if (load is null)
            return new(null, problem);
        return plan is TopSetBackOff top
            ? Expand(
                plan,
                [load, LoadResolver.BackOff(load, top.BackOffPercent, context)],
                set => set.Role == SetRole.Top ? 0 : 1,
                context
            )
            : Expand(plan, [load], _ => 0, context);
    }

    /// <summary>Each load once, in the order in which it first comes.</summary>
    private static Resolution Varied(VariedSets plan, IReadOnlyList<MassEntry> written, ResolutionContext context)
    {
        var distinct = written.Distinct().ToList();
        var loads = distinct
            .Select(l => LoadResolver.Resolve(new AddedLoad(l), null, plan.TargetReps, context).Load!)
            .ToArray();
        return Expand(plan, loads, set => distinct.IndexOf(written[Math.Min(set.Set, written.Count) - 1]), context);
    }

    private static Resolution Drop(DropSet plan, ResolutionContext context)
    {
        var wanted = plan.Loads.Select(l => l.Mass).ToArray();
        var drop = DropPlanner.Plan(context.Kit, wanted);
        var loads = drop
            .Parts.Select(
                (pieces, i) =>
                {
                    var why = Explanation
                        .For(RuleId.DropPlan, Quantity.Count(plan.Parts.Count))
                        .Input(InputKey.BodyMass, Quantity.Of(context.BodyMass.Value))
                        .CautionsOf(context.BodyMass.Why)
                        .Source(SourceId.CoachsLine);
                    foreach (var target in wanted)
                        why.Input(InputKey.PartTarget, Quantity.Added(target));
                    why.Step(
                        StepKey.NowOnTheBar,
                        Quantity.Of(context.BodyMass.Value + pieces.Total),
                        Quantity.Of(context.BodyMass.Value),
                        Quantity.Added(pieces.Total)
                    );
                    if (pieces.Total == wanted[i])
                        why.Rounded(RoundingKey.Exact, Quantity.Of(pieces.OneByOne.Select(p => p.Size.Mass)));
                    else
                        why.Rounded(
                            RoundingKey.Nearest,
                            Quantity.Added(wanted[i]),
                            Quantity.Added(pieces.Total),
                            Quantity.Added(pieces.Total - wanted[i]),
                            Quantity.Of(pieces.OneByOne.Select(p => p.Size.Mass))
                        );
                    if (drop.Distance == Mass.Zero)
                        why.Rounded(RoundingKey.DropPlanExact);
                    else
                        why.Rounded(RoundingKey.DropPlanOff, Quantity.Of(drop.Distance));
                    if (!drop.Proven)
                        why.Rounded(RoundingKey.DropPlanNotProven, Quantity.Of(drop.NoneNearer));
                    if (i == 0)
                        LoadResolver.CautionOnStep(why, pieces.Total, context);
                    return why.Build(new LoadAnswer(wanted[i], pieces.Total, pieces));
                }
            )
            .ToArray();
        return Expand(plan, loads, set => (set.Part - 1) % plan.Parts.Count, context, drop);
    }

    private static Resolution Expand(
        Prescription plan,
        IReadOnlyList<Explained<LoadAnswer>> loads,
        Func<PlannedSet, int> loadOf,
        ResolutionContext context,
        DropPlan? drop = null
    )
    {
        var sets = plan.Sets(context.Bests);
        var rest = Timing.RestBetweenSets(plan);
        var efforts = sets.Select(
                (set, i) =>
                {
                    var last = i == sets.Count - 1;
                    var within = !last && sets[i + 1].Set == set.Set;
                    var part = loadOf(set);
                    return new AtomicEffort(
                        set,
                        loads[part],
                        drop is not null && part > 0 ? drop.TakeOffBefore(part) : null,
                        set.TensionSeconds,
                        last ? 0
                            : within ? set.GapAfterSeconds
                            : rest
                    );
                }
            )
            .ToArray();
        var straight = StraightArmSeconds(plan, sets, context.Movement);
        return new(
            new(
                plan,
                efforts,
                loads,
                drop,
                RepTotal: sets.Where(s => s.Seconds is null).Sum(s => s.RepsHigh),
                TensionSeconds: sets.Sum(s => s.TensionSeconds),
                DurationSeconds: Timing.Duration(plan, context.Bests),
                RestSeconds: rest,
                RestAssumed: plan.RestSeconds is null && plan.ClockSeconds is null,
                HardSets: HardSets(plan, sets, loads, loadOf, context),
                Cautions: Cautions(plan, sets, loads, context)
            )
            {
                StraightArmSeconds = straight,
                MomentSeconds = straight > 0 && context.MomentNm is { } moment ? moment * straight : null,
                VolumeLoad =
                    context.MovesWholeBody && loads.All(l => l.Value.IsWeighed)
                        ? sets.Where(s => s.Seconds is null)
                            .Sum(s => s.RepsHigh * (context.BodyMass.Value + loads[loadOf(s)].Value.Made).Kilograms)
                        : null,
                ShareOfMax = context.OneRepMax is { } max
                    ? loads.Max(l => (context.BodyMass.Value + l.Value.Made) / max.Value.Value)
                    : null,
                Left = OnSide(sets, Side.Left),
                Right = OnSide(sets, Side.Right),
                MoreOnLeft = MoreOnLeft(plan, sets),
                RestInSlot = (plan as OnTheClock)?.RestInSlot,
                // A drill keeps its dose.
                Progression = plan.Progress() with
                {
                    By = context.Movement is { Pattern: not Pattern.Mobility } movement
                        ? Progression.MeasureOf(plan, movement, Progression.IsLoaded(plan, movement))
                        : null,
                },
            },
            null
        );
    }

    private static int OnSide(IReadOnlyList<PlannedSet> sets, Side side) =>
        sets.Where(s => s.Side == side).Sum(s => s.Seconds ?? s.RepsHigh);

    private static int MoreOnLeft(Prescription plan, IReadOnlyList<PlannedSet> sets) =>
        plan.Sides.More() switch
        {
            Side.Left => OnSide([.. sets.Where(s => s.Set == sets[^1].Set)], Side.Left),
            Side.Right => -OnSide([.. sets.Where(s => s.Set == sets[^1].Set)], Side.Right),
            _ => 0,
        };

    private static int StraightArmSeconds(Prescription plan, IReadOnlyList<PlannedSet> sets, Movement? movement) =>
        movement is null
            ? 0
            : sets.Sum(s =>
                plan is Negatives && s.Seconds is null && IsStraightArm(movement)
                    ? s.TensionSeconds
                    : StraightArmSecondsOf(movement, s.Seconds, s.RepsHigh, null)
            );

    private static bool IsStraightArm(Movement movement) =>
        movement.Pattern is Pattern.StraightArmPull or Pattern.StraightArmPush;

    /// <summary>Straight-arm time of a set in seconds; 0 for other patterns.</summary>
    /// <param name="movement">Which.</param>
    /// <param name="seconds">Of a hold; null: it was counted in reps.</param>
    /// <param name="reps">Of a set of reps.</param>
    /// <param name="lowerSeconds">Of a negative, a rep; null: it is none.</param>
    internal static int StraightArmSecondsOf(Movement movement, int? seconds, int reps, int? lowerSeconds) =>
        !IsStraightArm(movement)
            ? 0
            : seconds
                ?? (
                    lowerSeconds is { } lower ? lower * reps
                    // A hold has seconds; what its "reps" are nobody knows.
                    : movement.IsHeld ? 0
                    : reps * (movement.Arms == ArmMode.Bent ? StraightArmSecondsPerRow : StraightArmSecondsPerRaise)
                );

    /// <summary>Is the whole body moved, so that body mass and load are the system?</summary>
    internal static bool MovesWholeBody(Movement movement) =>
        movement.Arms == ArmMode.Bent
        && movement.Pattern is Pattern.VerticalPull or Pattern.VerticalPush
        && movement.Load is not null;

    /// <summary>What prepares or loosens is no load.</summary>
    internal static bool CanBeHard(Pattern? pattern) => pattern is not (Pattern.Mobility or Pattern.ShoulderBlade);

    /// <summary>
    /// The expected reserve of a set is the written one, else what the e1RM or the best leaves over; unknown counts as
    /// hard.
    /// </summary>
    private static int HardSets(
        Prescription plan,
        IReadOnlyList<PlannedSet> sets,
        IReadOnlyList<Explained<LoadAnswer>> loads,
        Func<PlannedSet, int> loadOf,
        ResolutionContext context
    )
    {
        if (!CanBeHard(context.Movement?.Pattern))
            return 0;
        // Speed work stops before it is hard, so that a set counts half.
        if (plan.IsFast)
            return sets.Count(s => s.Part == 1) / 2;
        return sets.Where(s => s.Part == 1)
            .Count(set =>
            {
                if (plan.ToTheEnd)
                    return true;
                if (set.Seconds is { } seconds)
                    return context.Bests.HoldSeconds is not { } best || seconds >= best * HardHoldShare;
                if (plan.Effort is { } effort and not LastToFailure && set.Role != SetRole.BackOff)
                    return effort.ReserveTarget <= HardReserve;
                if (plan is Negatives or PracticeSets)
                    return true;
                if (context.OneRepMax is { } max)
                    // Of ten reps and a bit ten are done.
                    return Math.Floor(
                            OneRepMax.ExpectedReps(
                                max.Value.Value,
                                context.BodyMass.Value + loads[loadOf(set)].Value.Made
                            )
                        ) - set.RepsHigh
                        <= HardReserve;
                return context.Bests.Reps is not { } reps
                    || loads[loadOf(set)].Value.Made > Mass.Zero
                    || reps - set.RepsHigh <= HardReserve
                    // The top of a range from the best set: its later sets leave less.
                    || (reps <= RepDose.RangeUpTo && set.RepsHigh >= RepDose.TopOf(reps));
            });
    }

    private static List<CautionNote> Cautions(
        Prescription plan,
        IReadOnlyList<PlannedSet> sets,
        IReadOnlyList<Explained<LoadAnswer>> loads,
        ResolutionContext context
    )
    {
        var cautions = new List<CautionNote>();
        void Add(CautionId id, params Quantity[] args) => cautions.Add(CautionNote.Of(id, args));
        if (plan.ToTheEnd || plan.Effort is LastToFailure)
            Add(context.Movement is { FailureHarmless: false } ? CautionId.FailureNotHarmless : CautionId.ToFailure);
        if (plan is DropSet)
            Add(CautionId.DropForm);
        if (
            context.Age < AgeOfMaximum
            && sets.Any(s => s.RepsHigh == 1 && s.Seconds is null && s.Role is SetRole.Work or SetRole.Top)
            // A single of which two are there is no maximum.
            && (context.Bests.Reps is null or <= 1 || loads.Any(l => l.Value.Made > Mass.Zero))
        )
            Add(CautionId.MinorNoSingle);
        if (plan is OnTheClock { RestInSlot: < 0 } clock)
            Add(
                CautionId.WorkOverSlot,
                Quantity.Seconds(clock.EverySeconds - clock.RestInSlot),
                Quantity.Seconds(clock.EverySeconds)
            );
        if (plan is Negatives { LowerSeconds: > Negatives.VolumeSeconds } negatives)
            Add(
                CautionId.NegativeLong,
                Quantity.Seconds(negatives.LowerSeconds),
                Quantity.Seconds(Negatives.VolumeSeconds)
            );
        if (plan is RestPause && context.Bests.Reps < RestPause.TooFew)
            Add(CautionId.OpeningTooFew, Quantity.Reps(context.Bests.Reps!.Value), Quantity.Reps(RestPause.TooFew));
        if (context.Movement is { Load: null } && loads.Any(l => l.Value.Made > Mass.Zero))
            Add(CautionId.NotLoaded);
        HoldCautions(plan, sets, context, Add);
        return cautions;
    }

    private static void HoldCautions(
        Prescription plan,
        IReadOnlyList<PlannedSet> sets,
        ResolutionContext context,
        Action<CautionId, Quantity[]> add
    )
    {
        if (
            plan is not (HoldSets or VariedHolds or BrokenHold)
            || context.Bests.HoldSeconds is not { } best
            || sets.Max(s => s.Seconds) is not { } longest
        )
            return;
        if (best < HoldDose.SecondsMinimum)
            add(CautionId.HoldTooShort, [Quantity.Seconds((int)best), Quantity.Seconds(HoldDose.SecondsMinimum)]);
        else if (longest > best)
            add(CautionId.HoldOverBest, [Quantity.Seconds(longest), Quantity.Seconds((int)best)]);
    }
}
