using Cumbre.Core.Benchmarks;
using Cumbre.Core.Explanations;
using Cumbre.Core.Ladders;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Sessions;
using Cumbre.Core.Strength;

namespace Cumbre.Core.Programmes.Generation;

/// <summary>The dose with which an exercise enters the first week.</summary>
internal static class FirstDose
{
    private const int Sets = 3,
        RestOfMain = 120,
        RestOfSecond = 90,
        RestOfSmall = 60,
        ReserveToStart = 2;

    /// <summary>
    /// Share of the best set at which a working range ends (this project's choice): two to four reps stay in reserve.
    /// </summary>
    private const decimal TopOfRange = 0.75m;

    /// <summary>From a range's top its bottom lies at most so many reps away.</summary>
    private const int RangeWidth = 3;

    private const decimal OtherGripLess = 0.1m;

    /// <summary>A main, second or supporting exercise.</summary>
    public static Draft For(string key, SlotRole role, Movement movement, Trainable gym, RepZone zone) =>
        OnSides(InZone(key, role, movement, gym, zone), gym);

    private static Draft InZone(string key, SlotRole role, Movement movement, Trainable gym, RepZone zone)
    {
        var rest =
            role is SlotRole.MainPull or SlotRole.MainPush ? RestOfMain
            : role is SlotRole.SecondPull or SlotRole.SecondPush ? RestOfSecond
            : RestOfSmall;
        if (LastPlan(movement, gym) is { } last)
            return new Draft(key, role, movement, last.Plan).Step(
                StepKey.GoesOn,
                Quantity.Name(NotationPrinter.Print(last.Plan)),
                Quantity.On(last.Day)
            );
        return movement.Measure switch
        {
            BenchmarkMeasure.LoadTimesReps => Loaded(key, role, movement, gym),
            BenchmarkMeasure.Seconds => Held(key, role, movement, gym, rest),
            BenchmarkMeasure.Reps => Counted(key, role, movement, gym, zone, rest),
            _ => OfStep(key, role, movement, gym) ?? Usual(key, role, movement, gym),
        };
    }

    /// <summary>The skill itself on its hard day.</summary>
    public static Draft OfSkill(string key, SlotRole role, Skill skill, Trainable gym)
    {
        var movement = skill.Movement!;
        var bests = gym.BestsOf(movement);
        var draft = movement.Measure switch
        {
            BenchmarkMeasure.Seconds when bests.HoldSeconds >= HoldDose.SecondsMinimum => Held(
                key,
                role,
                movement,
                gym,
                0,
                skill
            ),
            _ when skill.Step is not null => StepDose(key, role, movement, skill.Step, bests, skill),
            _ => Usual(key, role, movement, gym, skill),
        };
        return OnSides(draft, gym);
    }

    /// <summary>Short singles of a step that is open for exposure only.</summary>
    public static Draft Singles(string key, Skill skill, Trainable gym)
    {
        var plan = new HoldSets(Sets, HoldDose.SecondsMinimum) { RestSeconds = RestOfMain };
        var draft = new Draft(key, SlotRole.SkillHard, skill.Movement!, plan) { Skill = skill };
        return OnSides(
            draft.Step(StepKey.ShortSingles, Quantity.Name(draft.Line), Quantity.Name(skill.StepBefore!.Name)),
            gym
        );
    }

    /// <summary>The working hold of the step before, beside short singles of the next.</summary>
    public static Draft OfStepBefore(string key, SlotRole role, Skill skill, Trainable gym) =>
        OnSides(Held(key, role, skill.StepBefore!, gym, 0, skill), gym);

    /// <summary>Work for what holds a goal back, where no main exercise is that.</summary>
    public static Draft OfLimiting(string key, Skill skill, Trainable gym)
    {
        var movement = skill.LimitingMovement!;
        var bests = gym.BestsOf(movement);
        var draft =
            movement.Measure == BenchmarkMeasure.Seconds && bests.HoldSeconds >= HoldDose.SecondsMinimum
                ? Held(key, SlotRole.Limiting, movement, gym, 0)
                : new Draft(
                    key,
                    SlotRole.Limiting,
                    movement,
                    skill.Limiting!.Dose is { } dose ? UsualDose.Read(dose) : UsualDose.For(movement, gym.Athlete)
                );
        draft
            .Input(InputKey.ForGoal, Quantity.Name(skill.Ladder.Name))
            .Because(
                StepKey.HoldsBack,
                Quantity.Name(Skills.Threshold(skill.Limiting!, gym)),
                Quantity.Name(skill.Ladder.Name)
            )
            .Evidence([PlacementReport.Evidence(skill.Limiting!.Term, gym.Catalogue)]);
        return OnSides(draft, gym);
    }

    private static Draft Usual(string key, SlotRole role, Movement movement, Trainable gym, Skill? skill = null)
    {
        var draft = new Draft(key, role, movement, UsualDose.For(movement, gym.Athlete)) { Skill = skill };
        return draft.Step(StepKey.UsualDose, Quantity.Name(draft.Line), Quantity.Name(movement.Name));
    }

    /// <summary>
    /// Sides in turn where a movement has them: the weaker first and with a set more where the gap asks for it; the
    /// number is that of its best.
    /// </summary>
    private static Draft OnSides(Draft draft, Trainable gym)
    {
        if (!draft.Movement.EachSide)
            return draft;
        var (left, right) = (BestOn(draft.Movement, Side.Left, gym), BestOn(draft.Movement, Side.Right, gym));
        if (
            left is not { } l
            || right is not { } r
            || new SideGap(l, r) is not { Advice: SideGapAdvice.WeakerFirst, Weaker: { } weaker }
        )
        {
            if (draft.Plan.Sides is not (SidePlan.Each or SidePlan.LeftFirst or SidePlan.RightFirst))
                draft.Replace(draft.Plan with { Sides = SidePlan.Each });
            return draft;
        }

        draft.Input(InputKey.BestLeft, Quantity.Plain(l)).Input(InputKey.BestRight, Quantity.Plain(r));
        draft.Rewrite(
            draft.Plan with
            {
                Sides = SidePlans.WeakerFirst(weaker, oneMore: true),
            },
            StepKey.WeakerFirst,
            Quantity.Word(weaker)
        );
        return draft;
    }

    private static decimal? BestOn(Movement movement, Side side, Trainable gym) =>
        gym
            .Catalogue.Benchmarks.Values.Where(b => b.Movement == movement.Slug)
            .SelectMany(b => gym.Athlete.Book.Of(b.Slug))
            .Where(x => x.Side == side)
            .OrderByDescending(x => x.Day)
            .Select(x => (decimal?)(x.Score.Seconds ?? x.Score.Reps))
            .FirstOrDefault();

    private static (Prescription Plan, DateOnly Day)? LastPlan(Movement movement, Trainable gym)
    {
        var from = gym.Athlete.Today.AddDays(-gym.Rules.HistoryDays);
        return
            gym.Athlete.Athlete.Exposures.LastOrDefault(e =>
                e.Movement == movement.Slug && !e.Easy && e.Day >= from && e.Day <= gym.Athlete.Today
            )
                is { } last
            && Resolves(movement, last, gym)
            ? (last.Plan, last.Day)
            : null;
    }

    private static bool Resolves(Movement movement, Exposure last, Trainable gym) =>
        movement.Measure is BenchmarkMeasure.LoadTimesReps
        && gym.Athlete.Read(new(Guid.Empty, movement.Slug, WrittenLine.Of(last.Plan))).Resolved is { HardSets: > 0 };

    private static Draft Held(
        string key,
        SlotRole role,
        Movement movement,
        Trainable gym,
        int rest,
        Skill? skill = null
    )
    {
        var best = gym.BestsOf(movement).HoldSeconds;
        if (best is { } seconds && HoldDose.For(seconds) is { } dose)
        {
            var plan = dose with { RestSeconds = rest > 0 ? rest : dose.UsualRest };
            return new Draft(key, role, movement, plan) { Skill = skill }
                .Input(InputKey.BestHold, Quantity.Plain(seconds))
                .Step(
                    StepKey.SecondsFromBest,
                    Quantity.Seconds(plan.Seconds!.Value),
                    Quantity.OfPercent(HoldDose.PercentUsual),
                    Quantity.Plain(seconds)
                )
                .Step(
                    StepKey.SetsToTotal,
                    Quantity.Sets(plan.SetTotal),
                    Quantity.Seconds(HoldDose.TotalLow),
                    Quantity.Seconds(HoldDose.TotalHigh)
                );
        }

        return OfStep(key, role, movement, gym) ?? Usual(key, role, movement, gym);
    }

    private static Draft Counted(string key, SlotRole role, Movement movement, Trainable gym, RepZone zone, int rest)
    {
        if (gym.BestsOf(movement).Reps is not { } best)
            return Unknown(key, role, movement, gym, rest);
        var draft = new Draft(key, role, movement, Range(best, zone, rest));
        draft
            .Input(InputKey.BestReps, Quantity.Reps(best))
            .Step(StepKey.RepsFromBest, Quantity.Name(draft.Line), Quantity.Reps(best));
        // A movement that is too easy for its zone is made harder by time, and ends by reserve.
        if (best - draft.Plan.TargetReps > PrescriptionResolver.HardReserve)
            draft.Rewrite(
                draft.Plan with
                {
                    Tempo = new Tempo(3, 1, null, 0),
                    Effort = new InReserve(ReserveToStart),
                },
                StepKey.SlowedDown,
                Quantity.Reps(best)
            );
        return draft;
    }

    private static Prescription Range(int best, RepZone zone, int rest)
    {
        var high = Math.Clamp(
            (int)Math.Round(best * TopOfRange, MidpointRounding.AwayFromZero),
            Math.Min(best, zone.Low),
            zone.High
        );
        var low = Math.Max(1, Math.Max(Math.Min(zone.Low, high - 1), high - RangeWidth));
        return low < high
            ? new DoubleProgression(Sets, low, high) { RestSeconds = rest }
            : new StraightSets(Sets + 2, high) { RestSeconds = rest };
    }

    /// <summary>The usual dose of the step; without one, sets that find the level and stop with some left.</summary>
    private static Draft Unknown(string key, SlotRole role, Movement movement, Trainable gym, int rest)
    {
        if (
            !gym.LevelFinders(movement.Pattern).Contains(movement.Slug) && OfStep(key, role, movement, gym) is { } known
        )
            return known;
        var draft = new Draft(
            key,
            role,
            movement,
            new MaxSets(Sets) { Effort = new InReserve(ReserveToStart), RestSeconds = rest }
        );
        return draft.Step(StepKey.FindsLevel, Quantity.Name(draft.Line));
    }

    private static Draft? OfStep(string key, SlotRole role, Movement movement, Trainable gym)
    {
        var steps = gym
            .Athlete.StepsOf(movement.Slug)
            .Where(s => s.Reachable || s.Status is StepStatus.Won or StepStatus.Open)
            .ToArray();
        return (steps.FirstOrDefault(s => s.Status == StepStatus.Training) ?? steps.LastOrDefault()) is { } step
            ? StepDose(key, role, movement, step.Step, gym.BestsOf(movement), null)
            : null;
    }

    private static Draft StepDose(
        string key,
        SlotRole role,
        Movement movement,
        LadderStep step,
        Bests bests,
        Skill? skill
    )
    {
        var plan = UsualDose.Read(step.Dose);
        // A dose that asks more reps than the best set has is done in more, shorter sets.
        if (bests.Reps is { } best && plan.TargetReps > best && plan is StraightSets or DoubleProgression)
            plan = new StraightSets(plan.SetCount + 1, Math.Max(1, best)).Like(plan);
        var draft = new Draft(key, role, movement, plan) { Skill = skill };
        return draft.Step(StepKey.DoseOfStep, Quantity.Name(draft.Line), Quantity.Name(step.Name));
    }

    /// <summary>
    /// Double progression at a load that leaves two in reserve at the top of the range; heavy sets by the e1RM in the
    /// school of strength.
    /// </summary>
    private static Draft Loaded(string key, SlotRole role, Movement movement, Trainable gym)
    {
        var strength = gym.Athlete.Athlete.Schools["rep-zone"] == "strength";
        var (low, high) = strength ? (4, 6) : RangeOf(movement, gym);
        if (gym.Athlete.ContextOf(movement) is not { OneRepMax: { } max } context)
            return FromOtherGrip(key, role, movement, gym, low, high)
                ?? SmallestLoad(key, role, movement, gym, low, high);
        if (strength)
        {
            var heavy = new Draft(
                key,
                role,
                movement,
                new StraightSets(4, 5) { Load = new ShareOfOneRepMax(80), RestSeconds = 150 }
            );
            return heavy
                .Input(InputKey.OneRepMax, Quantity.Of(max.Value.Value))
                .Step(
                    StepKey.LoadToStart,
                    Quantity.Name(heavy.Line),
                    Quantity.Reps(5),
                    Quantity.Reserve(ReserveToStart)
                );
        }

        var wanted = OneRepMax.SystemFor(max.Value.Value, EffectiveReps(high)) - context.BodyMass.Value;
        var made = context
            .Kit.AtMost(
                context.LastLoad is { } last
                    ? Mass.Min(wanted, LoadResolver.LargestStep(context.BodyMass.Value, last))
                    : wanted
            )
            .Total;
        if (made <= Mass.Zero)
            return SmallestLoad(key, role, movement, gym, low, high);
        var draft = new Draft(key, role, movement, Progression(low, high, made, gym));
        return draft
            .Input(InputKey.OneRepMax, Quantity.Of(max.Value.Value))
            .Step(
                StepKey.LoadToStart,
                Quantity.Added(made),
                Quantity.Reps(EffectiveReps(high) - ReserveToStart),
                Quantity.Reserve(ReserveToStart)
            );
    }

    /// <summary>
    /// No load is estimated from more reps than the formula allows: a longer range starts at its lower end.
    /// </summary>
    private static int EffectiveReps(int high) => Math.Min(high + ReserveToStart, OneRepMax.EffectiveRepsMaximum);

    /// <summary>The range of the step in training, where it is one of double progression.</summary>
    private static (int Low, int High) RangeOf(Movement movement, Trainable gym) =>
        gym.Athlete.StepsOf(movement.Slug).FirstOrDefault(s => s.Status == StepStatus.Training) is { } step
        && UsualDose.Read(step.Step.Dose) is DoubleProgression dose
            ? (dose.Low, dose.High)
            : (6, 10);

    /// <summary>
    /// Another grip without a test of its own starts a tenth of the system under the lift that it varies (this
    /// project's choice).
    /// </summary>
    private static Draft? FromOtherGrip(string key, SlotRole role, Movement movement, Trainable gym, int low, int high)
    {
        foreach (
            var lift in gym
                .Rules.Variations.Where(v => v.By.Contains(movement.Slug))
                .Select(v => gym.Catalogue.Movements[v.Of])
        )
        {
            if (gym.Athlete.ContextOf(lift) is not { OneRepMax: { } max } context)
                continue;
            var made = context
                .Kit.AtMost(
                    OneRepMax.SystemFor(max.Value.Value, EffectiveReps(high)) * (1 - OtherGripLess)
                        - context.BodyMass.Value
                )
                .Total;
            if (made <= Mass.Zero)
                continue;
            return new Draft(key, role, movement, Progression(low, high, made, gym))
                .Input(InputKey.OneRepMax, Quantity.Of(max.Value.Value))
                .Step(
                    StepKey.LoadToStart,
                    Quantity.Added(made),
                    Quantity.Reps(EffectiveReps(high) - ReserveToStart),
                    Quantity.Reserve(ReserveToStart)
                );
        }

        return null;
    }

    /// <summary>The first load is the smallest that the kit makes.</summary>
    private static Draft SmallestLoad(string key, SlotRole role, Movement movement, Trainable gym, int low, int high)
    {
        var kit = gym.Athlete.Athlete.Kit;
        var load = kit.AtLeast(Mass.FromKilograms(gym.Catalogue.Rules.MinimumStepKg))?.Total;
        if (load is null && gym.Athlete.Gear.Counted is [var pieces, ..])
        {
            var counted = new Draft(
                key,
                role,
                movement,
                new StraightSets(Sets, high)
                {
                    Load = new Prescriptions.Counted(Math.Max(1, 2), pieces.Name),
                    RestSeconds = RestOfMain,
                }
            );
            return counted.Step(StepKey.DoseOfStep, Quantity.Name(counted.Line), Quantity.Name(movement.Name));
        }

        var draft = new Draft(key, role, movement, Progression(low, high, load ?? Mass.Zero, gym));
        return draft.Step(
            StepKey.LoadToStart,
            Quantity.Added(load ?? Mass.Zero),
            Quantity.Reps(high),
            Quantity.Reserve(ReserveToStart)
        );
    }

    private static DoubleProgression Progression(int low, int high, Mass load, Trainable gym)
    {
        var unit =
            gym.Athlete.Athlete.Kit.Plates.Count > 0
            && gym.Athlete.Athlete.Kit.Plates.All(p => p.Size.Unit == MassUnit.Lb)
                ? MassUnit.Lb
                : MassUnit.Kg;
        return new(Sets, low, high)
        {
            Load = load > Mass.Zero ? new AddedLoad(MassEntry.Of(load, unit)) : null,
            RestSeconds = RestOfMain,
        };
    }
}
