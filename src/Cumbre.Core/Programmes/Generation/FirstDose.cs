using Cumbre.Core.Benchmarks;
using Cumbre.Core.Explanations;
using Cumbre.Core.Ladders;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Programmes.Generation;

/// <summary>
/// The dose with which an exercise enters the first week, from what is known of it: a test, a clean training set, an
/// estimate, or nothing, when it finds the level. Null where nothing may be asked of it.
/// </summary>
internal static class FirstDose
{
    private const int Sets = 3,
        RestOfMain = 120,
        RestOfPractice = 150,
        RestOfSmall = 90,
        RestOfBlades = 60,
        FastSets = 5,
        FastReps = 3,
        ContactSets = 4,
        FewSets = 2,
        BladesPause = 1,
        CapacitySets = 4,
        CapacityReps = 20,
        RestOfCapacity = 240;

    /// <summary>A hold whose best is under so many seconds is done in short singles.</summary>
    public const int LongestSingle = 5;

    /// <summary>Descents start at about two thirds of the best even one (this project's choice).</summary>
    private const decimal DescentShare = 0.65m;

    private const decimal LittleHelp = 0.1m;

    /// <summary>A light day holds this share of the seconds of the hard one, in two sets.</summary>
    private const decimal LightSeconds = 0.45m;

    /// <summary>A main, second or supporting exercise.</summary>
    public static Draft? For(
        string key,
        SlotRole role,
        Movement movement,
        Trainable gym,
        LoadedDay day = LoadedDay.Volume
    ) => Plain(key, role, movement, gym, day) is { } draft ? Finished(draft, gym) : null;

    /// <summary>The skill itself on its hard day.</summary>
    public static Draft? OfSkill(string key, SlotRole role, Skill skill, Trainable gym)
    {
        var draft =
            skill.Movement!.Measure == BenchmarkMeasure.Reps
            && gym.CapacityOf(skill.Movement).By == KnownBy.Nothing
            && skill.Step is { } step
                ? OfStep(key, role, skill.Movement, step)
                : Plain(key, role, skill.Movement, gym, LoadedDay.Heavy);
        return draft is null ? null : Finished(draft.For(skill), gym);
    }

    /// <summary>Short singles of a step whose best hold is too short for working holds.</summary>
    public static Draft Singles(string key, SlotRole role, Skill skill, Trainable gym, int sets = Sets)
    {
        var best = gym.CapacityOf(skill.Movement!).HoldSeconds;
        var seconds = best is { } b
            ? Math.Clamp((int)Math.Floor(b * HoldDose.PercentHigh / 100), 1, HoldDose.SecondsMinimum)
            : HoldDose.SecondsMinimum;
        var plan = new HoldSets(sets, best is >= HoldDose.SecondsMinimum ? HoldDose.SecondsMinimum : seconds)
        {
            RestSeconds = RestOfPractice,
        };
        var draft = new Draft(key, role, skill.Movement!, plan) { FindsLevel = best is null }.For(skill);
        return Finished(
            draft.Step(StepKey.ShortSingles, Quantity.Name(draft.Line), Quantity.Name(skill.StepBefore!.Name)),
            gym
        );
    }

    /// <summary>The working hold of the step before, beside short singles of the next.</summary>
    public static Draft OfStepBefore(string key, SlotRole role, Skill skill, Trainable gym) =>
        Finished(Held(key, role, skill.StepBefore!, gym)!.For(skill), gym);

    /// <summary>Work for what holds a goal back.</summary>
    public static Draft? OfLimiting(string key, Movement movement, Skill skill, Trainable gym)
    {
        var draft =
            movement.Measure == BenchmarkMeasure.Reps
            && gym.CapacityOf(movement).By == KnownBy.Nothing
            && skill.Limiting!.Dose is { } dose
                ? new Draft(key, SlotRole.Limiting, movement, UsualDose.Read(dose)).Step(
                    StepKey.UsualDose,
                    Quantity.Name(dose),
                    Quantity.Name(movement.Name)
                )
                : Plain(key, SlotRole.Limiting, movement, gym, LoadedDay.Volume);
        if (draft is null)
            return null;
        draft
            .Input(InputKey.ForGoal, Quantity.Name(skill.Ladder.Name))
            .Because(
                StepKey.HoldsBack,
                Quantity.Name(Skills.Threshold(skill.Limiting!, gym)),
                Quantity.Name(skill.Ladder.Name)
            )
            .Evidence([PlacementReport.Evidence(skill.Limiting!.Term, gym.Catalogue)]);
        return Finished(draft, gym);
    }

    /// <summary>The same on its light day: two sets at less than half the seconds, or half the sets.</summary>
    public static Prescription Light(Prescription hard)
    {
        if (hard is not HoldSets { Seconds: { } seconds } hold)
            return SessionBuilder.Fewer(hard, Math.Min(FewSets, Math.Max(1, (hard.SetCount + 1) / 2)));
        var total = hold.SetTotal * seconds * LightSeconds;
        var light = Math.Max(HoldDose.SecondsMinimum, Math.Min(seconds, (int)Math.Floor(total / FewSets)));
        return SessionBuilder.Fewer(hold with { Seconds = light }, Math.Min(FewSets, hold.SetTotal));
    }

    /// <summary>Is its best so short that the step before carries the volume?</summary>
    public static bool IsShort(Movement movement, Trainable gym) =>
        movement.Measure == BenchmarkMeasure.Seconds && gym.CapacityOf(movement).HoldSeconds is null or < LongestSingle;

    private static Draft? Plain(string key, SlotRole role, Movement movement, Trainable gym, LoadedDay day) =>
        movement.Measure switch
        {
            _ when movement.Pattern is Pattern.Mobility => Drill(key, role, movement),
            BenchmarkMeasure.LoadTimesReps => FirstLoad.For(key, role, movement, gym, day),
            BenchmarkMeasure.Seconds => GoesOn(Held(key, role, movement, gym), gym),
            BenchmarkMeasure.SecondsPerDescent => Lowered(key, role, movement, gym),
            BenchmarkMeasure.ContactHeight => Contacts(key, role, movement, gym),
            _ when movement.Fast => Fast(key, role, movement, gym),
            BenchmarkMeasure.Reps => GoesOn(Counted(key, role, movement, gym), gym),
            _ => null,
        };

    /// <summary>
    /// What was trained goes on where it was done: never under the reps or seconds of the last hard session, with the
    /// help that it had, and no level is looked for that was found (common practice, no source).
    /// </summary>
    private static Draft? GoesOn(Draft? draft, Trainable gym)
    {
        if (draft is null || Trained.Done(draft.Movement, gym) is not var (trained, day))
            return draft;
        var isHelped = trained.Load is BandHelp or FootHelp;
        if (!draft.FindsLevel && !isHelped && trained.MostInASet <= draft.Plan.MostInASet)
            return draft;
        var plan = trained.WithSets(draft.Plan.SetCount) with
        {
            RestSeconds = draft.Plan.RestSeconds,
            Sides = draft.Plan.Sides,
        };
        return new Draft(draft.Key, draft.Role, draft.Movement, plan) { IsPractice = draft.IsPractice }.Step(
            StepKey.GoesOn,
            Quantity.Name(NotationPrinter.Print(plan)),
            Quantity.On(day)
        );
    }

    /// <summary>Sides in turn, and eased where it loads what hurts.</summary>
    private static Draft Finished(Draft draft, Trainable gym) => Eased(BySchool(OnSides(draft, gym), gym), gym);

    /// <summary>What the athlete's schools ask of a line.</summary>
    private static Draft BySchool(Draft draft, Trainable gym)
    {
        var schools = gym.Athlete.Athlete.Schools;
        void Say(Prescription plan, string question) =>
            draft.Rewrite(
                plan,
                StepKey.BySchool,
                Quantity.Name(question),
                Quantity.Name(
                    gym.Catalogue.SchoolsBySlug[question].Choices.First(c => c.Slug == schools[question]).Name
                )
            );

        // To technical failure, in the last set and only where failing is safe.
        if (
            schools["effort"] == "failure"
            && draft.Movement.FailureHarmless
            && draft is { FindsLevel: false, IsPractice: false, IsGuess: false }
            && draft.Plan is StraightSets or DoubleProgression
            && draft.Plan.Effort is null
            && (draft.IsMain || IsSecond(draft.Role) || draft.Role is SlotRole.Trunk)
        )
            Say(draft.Plan with { Effort = new LastToFailure() }, "effort");
        if (
            schools["pull-top"] == "chest"
            && draft.Movement is { Measure: BenchmarkMeasure.LoadTimesReps, Pattern: Pattern.VerticalPull }
        )
            Say(draft.Plan with { SetUp = new SetUp { To = Benchmarks.Contact.Chest } }, "pull-top");
        // Swinging along while the range grows: more of the small ones.
        if (
            schools["momentum"] == "tolerated"
            && draft.Role == SlotRole.Isolation
            && draft.Plan is DoubleProgression { High: < 15 } small
        )
            Say(small.WithRange(small.Low + 2, small.High + 3), "momentum");
        return draft;
    }

    private static Draft? Counted(string key, SlotRole role, Movement movement, Trainable gym)
    {
        if (movement.Pattern == Pattern.ShoulderBlade)
            return Blades(key, role, movement, gym);
        if (gym.HelpedWith(movement) is { } strict)
            return Helped(key, role, movement, strict, gym);
        var capacity = gym.CapacityOf(movement);
        if (capacity.Reps is not { } best)
            return LevelFinder(key, role, movement, gym);
        // One or two that nobody has counted are no sets.
        if (!capacity.IsMeasured && best <= FewSets)
            return null;
        var zone = RepZone.Of(gym.Athlete.Athlete.Schools[Athletes.Schools.RepZone], IsSecond(role));
        var rest = IsSmall(role) ? RestOfSmall : RestOfMain;
        // The capacity standard is built in its own sets.
        if (
            gym.Athlete.Athlete.Schools[Athletes.Schools.RepZone] == "capacity"
            && role is SlotRole.MainPull or SlotRole.MainPush
            && best > RepDose.PracticeUpTo
        )
        {
            var sets = new StraightSets(CapacitySets, Math.Min(CapacityReps, best * 2 / 3))
            {
                RestSeconds = RestOfCapacity,
            };
            return Known(new Draft(key, role, movement, sets), capacity)
                .Step(
                    StepKey.BySchool,
                    Quantity.Name(NotationPrinter.Print(sets)),
                    Quantity.Name(Athletes.Schools.RepZone),
                    Quantity.Name("capacity")
                );
        }

        if (RepDose.For(best, Sets, zone) is { } dose)
        {
            var draft = new Draft(key, role, movement, dose with { RestSeconds = dose.RestSeconds ?? rest })
            {
                IsPractice = best <= RepDose.PracticeUpTo,
            };
            return Known(draft, capacity)
                .Step(
                    best <= RepDose.PracticeUpTo ? StepKey.PracticeDose : StepKey.RepsFromBest,
                    Quantity.Name(draft.Line),
                    Quantity.Reps(best)
                );
        }

        // A movement that is too easy for its zone is made harder by time, and ends by reserve.
        var slow = new Draft(
            key,
            role,
            movement,
            RepDose.FindsLevel() with
            {
                Tempo = new Tempo(3, 1, null, 0),
                RestSeconds = rest,
            }
        )
        {
            FindsLevel = true,
        };
        return Known(slow, capacity).Step(StepKey.SlowedDown, Quantity.Name(slow.Line), Quantity.Reps(best));
    }

    private static Draft Known(Draft draft, Capacity capacity)
    {
        if (capacity.From is { } from)
        {
            draft.IsGuess = true;
            return draft.Step(StepKey.EstimatedFrom, Quantity.Reps(capacity.Reps ?? 0), Quantity.Name(from.Name));
        }

        return capacity.Day is { } day ? draft.Input(InputKey.TestedOn, Quantity.On(day)) : draft;
    }

    private static Draft LevelFinder(string key, SlotRole role, Movement movement, Trainable gym)
    {
        var legs = movement.Pattern == Pattern.Legs;
        var plan = RepDose.FindsLevel(legs: legs) with
        {
            // Who can do it without help has a tenth of the body taken off.
            Load = gym.Catalogue.HelpedBy(movement.Slug).Any()
                ? OwnHelp(movement, gym, gym.Athlete.BodyMass?.Value.Kilograms * LittleHelp ?? 0)
                : null,
            RestSeconds = IsSmall(role) ? RestOfSmall : RestOfMain,
        };
        var draft = new Draft(key, role, movement, plan) { FindsLevel = true };
        return draft.Step(StepKey.FindsLevel, Quantity.Name(draft.Line));
    }

    /// <summary>With the strongest band, or with the feet where there is none.</summary>
    private static Draft Helped(string key, SlotRole role, Movement movement, Movement strict, Trainable gym)
    {
        var help = OwnHelp(movement, gym, 0);
        var known = gym.CapacityOf(movement);
        var dose = known is { IsMeasured: true, Reps: > 0 and var best }
            ? RepDose.For(Math.Min(best, RepDose.RangeUpTo), Sets)!
            : RepDose.FindsLevel(assisted: true);
        var draft = new Draft(
            key,
            role,
            movement,
            dose with
            {
                Load = help,
                RestSeconds = dose.RestSeconds ?? RestOfMain,
            }
        )
        {
            FindsLevel = !known.IsMeasured,
        };
        draft
            .Input(InputKey.BestReps, Quantity.Reps(gym.CapacityOf(strict).Reps ?? 0))
            .Step(
                StepKey.WithHelp,
                Quantity.Name(draft.Line),
                Quantity.Name(strict.Name),
                Quantity.Reps(gym.CapacityOf(strict).Reps ?? 0)
            );
        // The way on is told at once: the weaker band waits on the same hook.
        if (help is BandHelp hung && Easing.WeakerBand(gym.Athlete, hung) is { } weaker)
            draft.Step(StepKey.NextBand, Quantity.Of(weaker.Entry.Mass), Quantity.Reps(Easing.BandPassed));
        return draft;
    }

    /// <summary>The help that a movement is named for: a band of so many kg or more, or the feet; null: it has none.</summary>
    private static LoadSpec? OwnHelp(Movement movement, Trainable gym, decimal atLeastKg) =>
        movement.Kit.Any(k => k.Contains("band", StringComparison.Ordinal))
        && (Easing.Band(gym.Athlete, atLeastKg) ?? Easing.Band(gym.Athlete, 0)) is { } band
            ? band
        : movement.Kit.Any(k => k.Contains("box", StringComparison.Ordinal)) ? new FootHelp()
        : null;

    /// <summary>Shoulder blades: short sets with the end held.</summary>
    private static Draft Blades(string key, SlotRole role, Movement movement, Trainable gym)
    {
        var best = gym.CapacityOf(movement).Reps;
        var dose = best is > RepDose.PracticeUpTo and <= RepDose.RangeUpTo and var known
            ? RepDose.For(known, Sets)!
            : new DoubleProgression(FewSets, 6, 8);
        var isCuff = movement.Arms == ArmMode.Bent;
        var plan = isCuff
            ? new StraightSets(FewSets, 12) { RestSeconds = 30 }
            : dose with
            {
                Pause = new Pause(BladesPause, PausePlace.Top),
                RestSeconds = RestOfBlades,
            };
        var draft = new Draft(key, role, movement, plan);
        return best is { } b
            ? draft.Step(StepKey.RepsFromBest, Quantity.Name(draft.Line), Quantity.Reps(b))
            : draft.Step(StepKey.UsualDose, Quantity.Name(draft.Line), Quantity.Name(movement.Name));
    }

    private static Draft Drill(string key, SlotRole role, Movement movement)
    {
        Prescription plan =
            movement.Measure == BenchmarkMeasure.Seconds
                ? new HoldSets(FewSets, 30) { RestSeconds = 30 }
                : new StraightSets(FewSets, 10) { RestSeconds = 30 };
        var draft = new Draft(key, role, movement, plan);
        return draft.Step(StepKey.UsualDose, Quantity.Name(draft.Line), Quantity.Name(movement.Name));
    }

    private static Draft? Held(string key, SlotRole role, Movement movement, Trainable gym)
    {
        var known = gym.CapacityOf(movement).HoldSeconds;
        // Under three seconds there is nothing to hold in sets.
        if (known < HoldDose.SecondsMinimum)
            return null;
        if (known is { } best && HoldDose.For(best) is { } dose)
        {
            var small = !IsStraight(movement);
            var plan = dose with { RestSeconds = small ? RestOfSmall : dose.UsualRest };
            return Known(new Draft(key, role, movement, plan), gym.CapacityOf(movement))
                .Input(InputKey.BestHold, Quantity.Plain(best))
                .Step(
                    StepKey.SecondsFromBest,
                    Quantity.Seconds(plan.Seconds!.Value),
                    Quantity.OfPercent(HoldDose.PercentUsual),
                    Quantity.Plain(best)
                )
                .Step(
                    StepKey.SetsToTotal,
                    Quantity.Sets(plan.SetTotal),
                    Quantity.Seconds(HoldDose.TotalLow),
                    Quantity.Seconds(HoldDose.TotalHigh)
                );
        }

        var level = IsStraight(movement)
            ? new HoldSets(Sets, HoldDose.SecondsMinimum) { RestSeconds = RestOfPractice }
            : new HoldSets(Sets, 15) { RestSeconds = RestOfSmall };
        var draft = new Draft(key, role, movement, level) { FindsLevel = true };
        return draft.Step(StepKey.FindsLevel, Quantity.Name(draft.Line));
    }

    private static bool IsStraight(Movement movement) =>
        movement.Pattern is Pattern.StraightArmPull or Pattern.StraightArmPush or Pattern.Lateral;

    private static Draft Lowered(string key, SlotRole role, Movement movement, Trainable gym)
    {
        var best = gym
            .Catalogue.BenchmarksOf(movement.Slug)
            .SelectMany(b => gym.Athlete.Book.Of(b.Slug))
            .Select(r => r.Score.Seconds)
            .LastOrDefault();
        var seconds = best is { } b
            ? Math.Clamp((int)Math.Floor(b * DescentShare), HoldDose.SecondsMinimum, Negatives.VolumeSeconds)
            : HoldDose.SecondsMinimum;
        var draft = new Draft(key, role, movement, new Negatives(Sets, 1, seconds) { RestSeconds = RestOfPractice });
        return best is { } known
            ? draft.Step(
                StepKey.SecondsFromBest,
                Quantity.Seconds(seconds),
                Quantity.OfFraction(DescentShare),
                Quantity.Plain(known)
            )
            : draft.Step(StepKey.FindsLevel, Quantity.Name(draft.Line));
    }

    /// <summary>Few fast reps: never more than were shown.</summary>
    private static Draft Fast(string key, SlotRole role, Movement movement, Trainable gym)
    {
        var best = gym.CapacityOf(movement).Reps;
        var reps = best is > 0 and var known ? Math.Clamp(known, 1, 5) : FastReps;
        var draft = new Draft(key, role, movement, new ExplosiveSets(FastSets, reps, reps) { RestSeconds = 180 });
        return best is { } b
            ? draft.Step(StepKey.RepsFromBest, Quantity.Name(draft.Line), Quantity.Reps(b))
            : draft.Step(StepKey.UsualDose, Quantity.Name(draft.Line), Quantity.Name(movement.Name));
    }

    /// <summary>Fast pulls to the place that was reached with a few reps, before the next one is tried.</summary>
    private static Draft Contacts(string key, SlotRole role, Movement movement, Trainable gym)
    {
        var best = gym
            .Catalogue.BenchmarksOf(movement.Slug)
            .SelectMany(b => gym.Athlete.Book.Of(b.Slug))
            .Where(r => r.Score.Contact is not null && r.Score.Reps >= FastReps)
            .Select(r => r.Score.Contact)
            .Max();
        var plan = new ExplosiveSets(ContactSets, FastReps, FastReps)
        {
            RestSeconds = 180,
            SetUp = best is { } to ? new SetUp { To = to } : null,
        };
        var draft = new Draft(key, role, movement, plan) { FindsLevel = best is null };
        return draft.Step(
            best is null ? StepKey.FindsLevel : StepKey.UsualDose,
            Quantity.Name(draft.Line),
            Quantity.Name(movement.Name)
        );
    }

    private static Draft OfStep(string key, SlotRole role, Movement movement, LadderStep step)
    {
        var draft = new Draft(key, role, movement, UsualDose.Read(step.Dose)) { FindsLevel = true };
        return draft.Step(StepKey.DoseOfStep, Quantity.Name(draft.Line), Quantity.Name(step.Name));
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
            .Catalogue.BenchmarksOf(movement.Slug)
            .SelectMany(b => gym.Athlete.Book.Of(b.Slug))
            .Where(x => x.Side == side)
            .OrderByDescending(x => x.Day)
            .Select(x => (decimal?)(x.Score.Seconds ?? x.Score.Reps))
            .FirstOrDefault();

    /// <summary>Pain in the middle of the scale keeps a movement and eases it by the shared rule.</summary>
    private static Draft Eased(Draft draft, Trainable gym)
    {
        if (gym.SoreIn(draft.Movement) is not { } pain)
            return draft;
        var eased = Easing.Of(gym.Athlete, draft.Movement, draft.Plan, pain.Place);
        // A lift that has no load left goes on as the movement without load.
        if (
            draft.Movement.Measure == BenchmarkMeasure.LoadTimesReps
            && eased.Plan.Load is null
            && FirstLoad.Unloaded(draft.Movement, gym) is { } free
            && gym.Can(free)
        )
            return Counted(draft.Key, draft.Role, free, gym) is { } plain ? Finished(plain, gym) : draft;
        var movement = gym.Catalogue.Movements[eased.Movement];
        var plan = eased.Plan;
        if (movement != draft.Movement)
        {
            // The easier rung by its own dose; where it has none, less of the same.
            var own =
                gym.Can(movement) && HelpOf(plan) is null
                    ? Plain(draft.Key, draft.Role, movement, gym, LoadedDay.Volume)?.Plan
                    : null;
            (movement, plan) =
                HelpOf(plan) is not null ? (movement, plan)
                : own is null ? (draft.Movement, Less(draft.Plan))
                : (movement, Less(own));
        }

        var soft = draft.With(movement, plan);
        soft.IsEased = true;
        return soft.Step(
            StepKey.EasedFor,
            Quantity.Name(soft.Line),
            Quantity.Name(pain.Place.Said),
            Quantity.Pain(pain.Level)
        );
    }

    private static LoadSpec? HelpOf(Prescription plan) => plan.Load is BandHelp or FootHelp ? plan.Load : null;

    private static Prescription Less(Prescription plan) =>
        Adjust.ThirdFewerSets(plan) is var fewer && fewer != plan ? fewer : Adjust.ThirdLess(plan);

    private static bool IsSecond(SlotRole role) => role is SlotRole.SecondPull or SlotRole.SecondPush;

    private static bool IsSmall(SlotRole role) =>
        role is SlotRole.Isolation or SlotRole.Trunk or SlotRole.Legs or SlotRole.SecondPush;
}
