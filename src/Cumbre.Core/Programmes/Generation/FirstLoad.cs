using Cumbre.Core.Explanations;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Strength;

namespace Cumbre.Core.Programmes.Generation;

/// <summary>What a loaded day is for.</summary>
internal enum LoadedDay
{
    /// <summary>The heavy sets of the step in training.</summary>
    Heavy,

    /// <summary>Sets in the range.</summary>
    Volume,
}

/// <summary>
/// The load with which a lift enters the block: as it was trained, by its maximum, by the maximum of the lift that it
/// varies, or guessed from sets without load. Never what the kit cannot make, and null where it would be none.
/// </summary>
internal static class FirstLoad
{
    private const int Sets = 3,
        Reserve = 2,
        Rest = 120,
        RestHeavy = 150,
        BackOffTotal = 2,
        FewReps = 4;

    private const decimal WorthWhile = 0.05m,
        GuessCap = 0.10m,
        ShortGuessCap = 0.05m;

    /// <summary>A longer set and a shorter one; where neither carries a load worth hanging, few reps do.</summary>
    private static readonly (int Low, int High)[] Ranges = [(8, 10), (6, 8)];

    private static readonly (int Low, int High) ShortRange = (5, 7);

    private const int GuessFrom = 10,
        GuessTo = 12;

    private static readonly Mass LeastStep = Mass.FromKilograms(1);

    public static Draft? For(string key, SlotRole role, Movement movement, Trainable gym, LoadedDay day)
    {
        if (gym.Athlete.ContextOf(movement) is not { } context)
            return null;
        if (OneRepMaxOf(movement, gym) is not { } max)
            return Trained.Last(movement, gym) is { } trained
                ? new Draft(key, role, movement, trained.Plan).Step(
                    StepKey.GoesOn,
                    Quantity.Name(NotationPrinter.Print(trained.Plan)),
                    Quantity.On(trained.Day)
                )
                : Guess(key, role, movement, gym, context) ?? ByCount(key, role, movement, gym, context);
        var strength = gym.Athlete.Athlete.Schools["rep-zone"] == "strength";
        if (day == LoadedDay.Heavy && StepOf(movement, gym) is { } step)
            return Heavy(key, role, movement, max, UsualDose.Read(step), context);
        if (Trained.Last(movement, gym) is { } last && Adjust.IsAddedLoad(last.Plan.Load))
            return new Draft(key, role, movement, last.Plan).Step(
                StepKey.GoesOn,
                Quantity.Name(NotationPrinter.Print(last.Plan)),
                Quantity.On(last.Day)
            );
        if (strength)
            return Straight(key, role, movement, max, 5, 4, context);
        Mass MadeIn(int high) => Made(OneRepMax.SystemFor(max.System, Effective(high)), context);
        foreach (var (low, high) in Ranges)
        {
            // A kit that makes less than is wanted is made up for by reps, and where those would be too many by a
            // harder movement.
            if (
                MadeIn(high) > Mass.Zero
                && Possible(max.System, MadeIn(high), context) is var possible
                && possible > high + HardReserve
            )
                return possible > RepsMost + DryRun.TrivialOver
                    ? null
                    : ByReps(key, role, movement, max, MadeIn(high), context);
            if (MadeIn(high) >= context.BodyMass.Value * WorthWhile)
                return Ranged(key, role, movement, max, low, high, MadeIn(high), context);
        }

        if (Made(OneRepMax.SystemFor(max.System, FewReps + Reserve), context) >= context.BodyMass.Value * WorthWhile)
            return Straight(key, role, movement, max, FewReps, Sets, context);
        var (shortLow, shortHigh) = ShortRange;
        return MadeIn(shortHigh) > Mass.Zero
            ? Ranged(key, role, movement, max, shortLow, shortHigh, MadeIn(shortHigh), context)
            : null;
    }

    /// <summary>What is added after a success: the smallest step over this load that the kit makes.</summary>
    public static Mass? StepOver(Mass load, ResolutionContext context) =>
        context.Kit.AtLeast(load + LeastStep) is { } next ? next.Total - load : null;

    /// <summary>A load in the unit in which the athlete's plates are cast.</summary>
    public static MassEntry Entry(Mass load, Kit kit) =>
        MassEntry.Of(
            load,
            kit.Pieces.Count > 0 && kit.Pieces.All(p => p.Size.Unit == MassUnit.Lb) ? MassUnit.Lb : MassUnit.Kg
        );

    /// <summary>The maximum of the lift, or of the one that it varies.</summary>
    private static (Mass System, Movement? Lift, decimal Share)? OneRepMaxOf(Movement movement, Trainable gym)
    {
        if (gym.Athlete.ContextOf(movement)?.OneRepMax is { } own)
            return (own.Value.Value, null, 1);
        foreach (var (lift, share) in gym.Rules.LiftsOf(movement.Slug))
        {
            if (gym.Athlete.ContextOf(gym.Catalogue.Movements[lift])?.OneRepMax is { } max)
                return (max.Value.Value * share, gym.Catalogue.Movements[lift], share);
        }

        return null;
    }

    /// <summary>The dose of the step in training, where it is one of few heavy reps.</summary>
    private static string? StepOf(Movement movement, Trainable gym) =>
        gym
            .Athlete.StepsOf(movement.Slug)
            .Where(s => s.Status == Ladders.StepStatus.Training && gym.Athlete.Intake.Advancing.Contains(s.Ladder.Slug))
            .Select(s => s.Step.Dose)
            .FirstOrDefault(d => UsualDose.Read(d) is TopSetBackOff or StraightSets { Load: ShareOfOneRepMax });

    private static Draft? Heavy(
        string key,
        SlotRole role,
        Movement movement,
        (Mass System, Movement? Lift, decimal Share) max,
        Prescription dose,
        ResolutionContext context
    )
    {
        // One heavy set and back-offs, whether the step says so or asks for equal sets at a share of the maximum.
        var (reps, backOff, percent) = dose is TopSetBackOff top
            ? (top.TopReps, top.BackOffReps, top.BackOffPercent)
            : (Math.Max(1, dose.TargetReps - 1), dose.TargetReps + 1, 12);
        var made = Made(OneRepMax.SystemFor(max.System, reps + 1), context);
        if (made <= Mass.Zero)
            return null;
        var plan = new TopSetBackOff(1, reps, BackOffTotal, backOff, percent)
        {
            Load = new AddedLoad(Entry(made, context.Kit)),
            Effort = new InReserve(1),
            RestSeconds = 210,
        };
        return Told(new Draft(key, role, movement, plan), max)
            .Step(StepKey.LoadToStart, Quantity.Added(made), Quantity.Reps(reps), Quantity.Reserve(1));
    }

    private static Draft? Straight(
        string key,
        SlotRole role,
        Movement movement,
        (Mass System, Movement? Lift, decimal Share) max,
        int reps,
        int sets,
        ResolutionContext context
    )
    {
        var made = Made(OneRepMax.SystemFor(max.System, reps + Reserve), context);
        if (made <= Mass.Zero)
            return null;
        var plan = new StraightSets(sets, reps)
        {
            Load = new AddedLoad(Entry(made, context.Kit)),
            Effort = new InReserve(Reserve),
            RestSeconds = RestHeavy,
        };
        return Told(new Draft(key, role, movement, plan), max)
            .Step(StepKey.LoadToStart, Quantity.Added(made), Quantity.Reps(reps), Quantity.Reserve(Reserve));
    }

    private static Draft Ranged(
        string key,
        SlotRole role,
        Movement movement,
        (Mass System, Movement? Lift, decimal Share) max,
        int low,
        int high,
        Mass made,
        ResolutionContext context
    ) =>
        Told(new Draft(key, role, movement, Range(low, high, made, context)), max)
            .Step(
                StepKey.LoadToStart,
                Quantity.Added(made),
                Quantity.Reps(Effective(high) - Reserve),
                Quantity.Reserve(Reserve)
            );

    private const int HardReserve = PrescriptionResolver.HardReserve,
        RepsMost = 15,
        WidthOfRange = 2;

    private static int Possible(Mass max, Mass load, ResolutionContext context) =>
        (int)Math.Floor(OneRepMax.ExpectedReps(max, context.BodyMass.Value + load));

    private static Draft ByReps(
        string key,
        SlotRole role,
        Movement movement,
        (Mass System, Movement? Lift, decimal Share) max,
        Mass made,
        ResolutionContext context
    )
    {
        var high = Math.Min(RepsMost, Possible(max.System, made, context) - Reserve);
        return Ranged(key, role, movement, max, high - WidthOfRange, high, made, context);
    }

    private static Draft Told(Draft draft, (Mass System, Movement? Lift, decimal Share) max)
    {
        draft.Input(InputKey.OneRepMax, Quantity.Of(max.System));
        return max.Lift is { } lift
            ? draft.Step(
                StepKey.UnderItsLift,
                Quantity.Of(max.System),
                Quantity.OfFraction(1 - max.Share),
                Quantity.Name(lift.Name)
            )
            : draft;
    }

    /// <summary>
    /// From the best set without load: Epley both ways up to 12 reps, O'Conner both ways above, two in reserve at the
    /// top of the range, at most a tenth of body mass. Where that is nothing and the best is 10 to 12, a shorter range
    /// with at most a twentieth. A guess for the first dose only, and no maximum (this project's choice).
    /// </summary>
    private static Draft? Guess(string key, SlotRole role, Movement movement, Trainable gym, ResolutionContext context)
    {
        if (Unloaded(movement, gym) is not { } free || gym.CapacityOf(free) is not { IsMeasured: true, Reps: { } best })
            return null;
        var body = context.BodyMass.Value;
        var perRep = Capacity.PerRep(best);
        var max = body * (1 + best * perRep);
        Mass For(int effective) => max * (1 / (1 + effective * perRep)) - body;
        var (low, high) = Ranges[0];
        var wanted = For(high + Reserve);
        var cap = GuessCap;
        if (wanted <= Mass.Zero && best is >= GuessFrom and <= GuessTo)
        {
            (low, high) = ShortRange;
            (wanted, cap) = (For(high + Reserve), ShortGuessCap);
        }

        var made = context.Kit.AtMost(Mass.Min(wanted, body * cap)).Total;
        if (made <= Mass.Zero)
            return null;
        var draft = new Draft(key, role, movement, Range(low, high, made, context)) { IsGuess = true };
        draft
            .Input(InputKey.BestReps, Quantity.Reps(best))
            .Step(StepKey.GuessedLoad, Quantity.Added(wanted), Quantity.Reps(best), Quantity.Of(max));
        if (wanted > body * cap)
            draft.Step(StepKey.CappedAt, Quantity.Added(made), Quantity.OfFraction(cap));
        return draft.Step(StepKey.LoadToStart, Quantity.Added(made), Quantity.Reps(high), Quantity.Reserve(Reserve));
    }

    /// <summary>Counted pieces where there is nothing to weigh: the range is met by the count.</summary>
    private static Draft? ByCount(
        string key,
        SlotRole role,
        Movement movement,
        Trainable gym,
        ResolutionContext context
    )
    {
        const int share = 3;
        if (
            context.Kit.CanHang
            || gym.Athlete.Gear.Counted is not [var pieces, ..]
            || Unloaded(movement, gym) is not { } free
            || gym.CapacityOf(free) is not { IsMeasured: true, Reps: >= GuessFrom }
        )
            return null;
        var plan = RepDose.FindsLevel() with
        {
            Load = new Prescriptions.Counted(Math.Max(1, pieces.Count / share), pieces.Name),
            RestSeconds = Rest,
        };
        return new Draft(key, role, movement, plan) { FindsLevel = true }.Step(
            StepKey.FindsLevel,
            Quantity.Name(NotationPrinter.Print(plan))
        );
    }

    /// <summary>The lift without load.</summary>
    public static Movement? Unloaded(Movement movement, Trainable gym) =>
        movement
            .Easier.Select(e => gym.Catalogue.Movements[e])
            .FirstOrDefault(e => e.Pattern == movement.Pattern && e.Measure == BenchmarkMeasure.Reps);

    private static Mass Made(Mass system, ResolutionContext context) =>
        context.Kit.AtMost(Limited(system - context.BodyMass.Value, context)).Total;

    /// <summary>Never a large jump over what was lifted last.</summary>
    private static Mass Limited(Mass wanted, ResolutionContext context) =>
        context.LastLoad is { } last && last > Mass.Zero
            ? Mass.Min(wanted, LoadResolver.LargestStep(context.BodyMass.Value, last))
            : wanted;

    /// <summary>No load is estimated from more reps than the formula allows.</summary>
    private static int Effective(int high) => Math.Min(high + Reserve, OneRepMax.EffectiveRepsMaximum);

    private static DoubleProgression Range(int low, int high, Mass load, ResolutionContext context) =>
        new(Sets, low, high, StepOver(load, context) is { } step ? Entry(step, context.Kit) : null)
        {
            Load = new AddedLoad(Entry(load, context.Kit)),
            RestSeconds = Rest,
        };
}
