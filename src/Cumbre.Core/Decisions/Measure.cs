using Cumbre.Core.Benchmarks;
using Cumbre.Core.Explanations;
using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes;

namespace Cumbre.Core.Decisions;

/// <summary>
/// What belongs to one measure: what counts as done, what is more, and what is less. A plan's method says when it is
/// time; the measure says how.
/// </summary>
internal abstract class Measure
{
    /// <summary>How many exposures in a row earn more; null: as the school says.</summary>
    public virtual int? Needed => null;

    /// <summary>Does the school's zone of reps say what is too few?</summary>
    public virtual bool HasZone => false;

    /// <summary>The figure that fatigue is read from.</summary>
    public virtual decimal Figure(ExposureJudgement exposure, Situation s) => exposure.Best;

    /// <summary>A fall by this share is fatigue.</summary>
    public virtual decimal FallShare => 0.10m;

    /// <summary>A fall within this is the noise of a day.</summary>
    public virtual decimal Noise => TestNoise.Reps;

    /// <summary>What comes after success; null: it goes on as it is.</summary>
    public abstract Growth? More(Situation s, Prescription plan);

    /// <summary>What is less: a third of the reps or seconds.</summary>
    public virtual (Prescription Plan, ExplanationBuilder Why)? Less(Situation s, Prescription plan)
    {
        var less = Adjust.ThirdLess(plan);
        return less == plan
            ? null
            : (
                less,
                Explanation
                    .For(RuleId.BackOffByThird, Quantity.Count(s.Rules.ExposuresWithoutProgress))
                    .Source(SourceId.CommonPractice)
            );
    }

    /// <summary>The measure of a plan of a movement.</summary>
    public static Measure Of(Situation s, Prescription plan) =>
        Progression.MeasureOf(plan, s.Movement, s.IsLoaded) switch
        {
            GrowthMeasure.Band => new BandMeasure(),
            GrowthMeasure.Pieces => new CountedMeasure(),
            GrowthMeasure.Box => new BoxMeasure(),
            GrowthMeasure.Help => new HelpMeasure(),
            GrowthMeasure.Contact => new ContactMeasure(),
            GrowthMeasure.Seconds => new HoldMeasure(),
            GrowthMeasure.Load => new LoadMeasure(),
            _ when s.IsStraightArm => new RampedReps(),
            _ => new RepsMeasure(),
        };

    protected static ExplanationBuilder Clean(Situation s, RuleId rule, params Quantity[] args) =>
        Explanation
            .For(rule, args)
            .Input(InputKey.CleanSessions, Quantity.Count(s.CleanRun))
            .Source(s.Needed > 1 ? SourceId.Acsm2009 : SourceId.CommonPractice);

    protected static MovementDose Same(Situation s, Prescription plan) => new(s.Movement.Slug, plan);

    /// <summary>One rep more in every set; a range one higher.</summary>
    protected static Prescription? OneRepMore(Prescription plan) =>
        plan switch
        {
            StraightSets { Reps: < Measures.Limits.RepsMaximum } s => s with { Reps = s.Reps + 1 },
            DoubleProgression { High: < Measures.Limits.RepsMaximum } d => d.WithRange(d.Low + 1, d.High + 1),
            VariedSets v => VariedSets.Of([.. v.Reps.Select(r => r + 1)], v.Loads).Like(v),
            TopSetBackOff t => t with { TopReps = t.TopReps + 1 },
            ExplosiveSets e => new ExplosiveSets(e.SetTotal, e.Low + 1, e.High + 1).Like(e),
            OnTheClock c => c.WithReps(c.Reps + 1),
            _ => null,
        };
}

/// <summary>Reps at body mass.</summary>
internal class RepsMeasure : Measure
{
    /// <summary>
    /// A rep without a tempo is reckoned at so many seconds; a slow one lowers for three (this project's choice).
    /// </summary>
    private const int SlowLowering = 3,
        PauseSeconds = 2,
        RangeWidth = 2,
        SetsMost = 5;

    public override bool HasZone => true;

    public override Growth? More(Situation s, Prescription plan)
    {
        if (ByReserve(s, plan) is { } reserve)
            return reserve;
        if (s.CleanRun < s.Needed)
            return null;
        var top = plan.Sets().Max(r => r.RepsHigh);
        if (top < s.Zone.High && OneRepMore(plan) is { } more)
            return new(
                ProposalKind.AddReps,
                Same(s, more),
                ProposalCause.CleanSessions,
                Clean(s, RuleId.AddRepsInZone, Quantity.Reps(s.Zone.Low), Quantity.Reps(s.Zone.High))
            );
        return OverTheZone(s, plan);
    }

    /// <summary>
    /// Two and more over the reserve that was asked, as often as the school wants: reps so that the reserve is met, up
    /// to the zone's top.
    /// </summary>
    protected static Growth? ByReserve(Situation s, Prescription plan)
    {
        if (
            plan is not StraightSets { Effort: InReserve asked } straight
            || !s.InARow(s.Needed, j => j.Reached && j.Reserve >= asked.Reps + 2)
        )
            return null;
        var over = s.Comparable.TakeLast(s.Needed).Min(j => j.Reserve!.Value) - asked.Reps;
        var reps = Math.Min(straight.Reps + over, s.Zone.High);
        return reps <= straight.Reps
            ? null
            : new(
                ProposalKind.AddReps,
                Same(s, straight with { Reps = reps }),
                ProposalCause.Reserve,
                Clean(s, RuleId.ReserveOver, Quantity.Reserve(asked.Reps))
                    .Input(InputKey.ReserveLeft, Quantity.Reserve(over + asked.Reps))
            );
    }

    /// <summary>
    /// At the zone's top: the next harder movement if its gate is met, else slower, a pause, or a set more, up to five,
    /// then another movement of the level (this project's choice).
    /// </summary>
    protected static Growth? OverTheZone(Situation s, Prescription plan)
    {
        var why = Clean(s, RuleId.OverTheZone, Quantity.Reps(s.Zone.Low), Quantity.Reps(s.Zone.High));
        if (Neighbours.Harder(s.Athlete, s.Movement) is { } harder)
            return new(
                ProposalKind.NextMovement,
                new(harder.Slug, Neighbours.FirstDose(s.Athlete, harder)),
                ProposalCause.CleanSessions,
                why
            );
        if (plan.Tempo is null && plan is StraightSets or DoubleProgression)
        {
            var slow = new Tempo(SlowLowering, 0, 1, 0);
            var top = Math.Max(2, plan.Sets().Max(r => r.RepsHigh) * Tempo.SecondsWithoutTempo / slow.SecondsPerRep);
            var bottom = Math.Max(1, top - RangeWidth);
            Prescription slower = plan is DoubleProgression d
                ? d.WithRange(bottom, top)
                : ((StraightSets)plan) with
                {
                    Reps = top,
                };
            return new(ProposalKind.Slower, Same(s, slower with { Tempo = slow }), ProposalCause.CleanSessions, why);
        }

        if (plan.Pause is null && plan.Tempo is { Bottom: 0 } tempo)
            return new(
                ProposalKind.AddPause,
                Same(s, plan with { Tempo = new Tempo(tempo.Lowering, PauseSeconds, tempo.Lifting, tempo.Top) }),
                ProposalCause.CleanSessions,
                why
            );
        return plan.SetCount < SetsMost
                ? new(ProposalKind.AddSet, Same(s, plan.WithSets(plan.SetCount + 1)), ProposalCause.CleanSessions, why)
            : Neighbours.SameLevel(s.Athlete, s.Movement, easiest: 0) is { } other
                ? new(ProposalKind.Variation, other, ProposalCause.CleanSessions, why)
            : null;
    }
}

/// <summary>Raises and lever rows: a rep more on as many sets as the ramp of straight-arm work allows.</summary>
internal sealed class RampedReps : RepsMeasure
{
    public override Growth? More(Situation s, Prescription plan)
    {
        if (s.CleanRun < s.Needed || plan is not (StraightSets or VariedSets))
            return s.CleanRun < s.Needed ? null : base.More(s, plan);
        int[] reps =
        [
            .. plan.Sets().Where(r => r.Side is null || r.Side == plan.Sets()[0].Side).Select(r => r.RepsHigh),
        ];
        var ramp = new Ramp(s);
        if (ramp.Most(reps, r => VariedSets.Of(r).Like(plan)) is not { } grown)
            return null;
        return new(
            ProposalKind.AddReps,
            Same(s, grown),
            ProposalCause.CleanSessions,
            ramp.Tell(Clean(s, RuleId.GrowInRamp, Quantity.OfPercent(Ramp.Percent)), grown)
        );
    }
}

/// <summary>Seconds of a hold.</summary>
internal sealed class HoldMeasure : Measure
{
    public override decimal Noise => TestNoise.Seconds;

    /// <summary>In so many sets at the unlock standard the next step is earned.</summary>
    private const int StandardSets = 3,
        SingleSeconds = 3;

    public override Growth? More(Situation s, Prescription plan)
    {
        if (s.CleanRun < s.Needed || plan is HoldSets { Seconds: null })
            return null;
        return NextStep(s, plan) ?? Longer(s, plan);
    }

    /// <summary>A second more on as many sets as the ramp allows.</summary>
    public static Growth? Longer(Situation s, Prescription plan)
    {
        int[] seconds =
        [
            .. plan.Sets().Where(r => r.Side is null || r.Side == plan.Sets()[0].Side).Select(r => r.Seconds ?? 0),
        ];
        Prescription Of(IReadOnlyList<int> each) => VariedHolds.Of(each).Like(plan);
        // What is no straight-arm work has no ramp: every set grows.
        if (!s.IsStraightArm)
            return new(
                ProposalKind.AddSeconds,
                Same(s, Of([.. seconds.Select(x => x + 1)])),
                ProposalCause.CleanSessions,
                Clean(s, RuleId.AddSecond)
            );
        var ramp = new Ramp(s);
        return ramp.Most(seconds, Of) is { } grown
            ? new(
                ProposalKind.AddSeconds,
                Same(s, grown),
                ProposalCause.CleanSessions,
                ramp.Tell(Clean(s, RuleId.GrowInRamp, Quantity.OfPercent(Ramp.Percent)), grown)
            )
            : null;
    }

    /// <summary>
    /// Three sets at the unlock standard: the next step in short singles before this one, which gives way so that the
    /// week stays in the ramp.
    /// </summary>
    private static Growth? NextStep(Situation s, Prescription plan)
    {
        foreach (var at in s.Athlete.StepsOf(s.Movement.Slug).Where(x => !x.Step.Preparation))
        {
            if (
                at.Step.Won.Terms.FirstOrDefault(t => t.Target is Ladders.SecondsTarget)
                is not { Target: Ladders.SecondsTarget standard }
            )
                continue;
            var shown = s.InARow(s.Needed, j =>
                j.Rows.GroupBy(r => r.Planned.Side)
                    .All(side => side.Count(r => r.Amount >= standard.Seconds) >= Math.Min(StandardSets, plan.SetCount))
            );
            if (
                !shown
                || plan.SetCount < StandardSets
                || Neighbours.NextOn(s.Athlete, at) is not { } next
                || next.Measure != BenchmarkMeasure.Seconds
            )
                continue;
            var singles = new MovementDose(
                next.Slug,
                new HoldSets(StandardSets, SingleSeconds)
                {
                    Sides = next.EachSide ? SidePlan.Each : null,
                    RestSeconds = plan.RestSeconds,
                }
            );
            var ramp = new Ramp(s);
            for (var seconds = (int)standard.Seconds; seconds >= SingleSeconds; seconds--)
            {
                var less = new HoldSets(plan.SetCount, seconds).Like(plan);
                if (ramp.Fits(less, singles) || seconds == SingleSeconds)
                    return new(
                        ProposalKind.NextStep,
                        Same(s, less),
                        ProposalCause.StandardShown,
                        ramp.Tell(Clean(s, RuleId.NextStepInRamp, Quantity.Name(next.Name)), less, singles)
                    )
                    {
                        First = singles,
                    };
            }
        }

        return null;
    }
}

/// <summary>Height of contact.</summary>
internal sealed class ContactMeasure : Measure
{
    private const int FewestReps = 3,
        SetsMost = 5,
        RepsMost = 5;

    public override decimal Figure(ExposureJudgement exposure, Situation s) =>
        exposure
            .Rows.Select(r => (int?)(r.Set?.Contact ?? (r.Set is null ? null : exposure.Exposure.Plan.SetUp?.To)))
            .Min()
        ?? exposure.Best;

    /// <summary>One place lower is a fall, whatever its share.</summary>
    public override decimal FallShare => 0;

    public override decimal Noise => 0;

    public override Growth? More(Situation s, Prescription plan)
    {
        if (s.CleanRun < s.Needed)
            return null;
        var (low, high) = (plan.Sets().Min(r => r.RepsLow), plan.Sets().Max(r => r.RepsHigh));
        var reached = plan.SetUp?.To
            ?? s.Comparable.TakeLast(s.Needed).SelectMany(j => j.Rows).Min(r => r.Set?.Contact);
        Prescription At(int reps, Contact? contact) =>
            (
                plan is ExplosiveSets e
                    ? new ExplosiveSets(e.SetTotal, reps, reps).Like(e)
                    : new StraightSets(plan.SetCount, reps).Like(plan)
            ) with
            {
                SetUp = contact is { } to ? (plan.SetUp ?? new SetUp()) with { To = to } : plan.SetUp,
            };
        var why = Clean(s, RuleId.ContactKept);
        if (high < (reached is { } now ? RepsAt(s, now) ?? RepsMost : RepsMost))
            return new(
                ProposalKind.AddReps,
                Same(s, At(Math.Max(high, low) + 1, reached)),
                ProposalCause.CleanSessions,
                why
            );
        if (reached is { } contact && contact < Contact.Hip && Next(s, contact) is { } next)
            return new(
                ProposalKind.NextContact,
                Same(s, At(Math.Max(FewestReps, RepsAt(s, next) ?? FewestReps), next)),
                ProposalCause.CleanSessions,
                why
            );
        if (reached is null && s.Movement.Measure == Movements.BenchmarkMeasure.ContactHeight)
            return new(
                ProposalKind.Test,
                null,
                ProposalCause.HeightUnknown,
                Clean(s, RuleId.HeightUnknown, Quantity.Reps(high))
            );
        if (plan.SetCount < SetsMost)
            return new(
                ProposalKind.AddSet,
                Same(s, plan.WithSets(plan.SetCount + 1)),
                ProposalCause.CleanSessions,
                why
            );
        return Neighbours.Harder(s.Athlete, s.Movement) is { } harder
            ? new(
                ProposalKind.NextMovement,
                new(harder.Slug, Neighbours.FirstDose(s.Athlete, harder)),
                ProposalCause.CleanSessions,
                why
            )
            : null;
    }

    /// <summary>The reps that a gate asks at a contact; null: none does.</summary>
    private static int? RepsAt(Situation s, Contact contact) =>
        Targets(s).Where(t => t.Contact == contact).Max(t => (int?)t.Reps);

    /// <summary>The next contact that a gate asks for, else the next place.</summary>
    private static Contact? Next(Situation s, Contact contact) =>
        Targets(s).Where(t => t.Contact > contact).Min(t => (Contact?)t.Contact) ?? contact + 1;

    private static IEnumerable<Ladders.ContactTarget> Targets(Situation s) =>
        s
            .Athlete.Atlas.Ladders.SelectMany(l => l.Steps)
            .SelectMany(x => x.Opens.Terms.Concat(x.Won.Terms).Concat(x.Gates.SelectMany(g => g.Gate.Terms)))
            .Where(t => s.Athlete.Atlas.Catalogue.Benchmarks[t.Benchmark].Movement == s.Movement.Slug)
            .Select(t => t.Target)
            .OfType<Ladders.ContactTarget>();
}

/// <summary>
/// Help by a band: the next weaker once all sets reach the step's own standard, else pass ten clean reps (or ten
/// seconds, by this project's choice).
/// </summary>
internal sealed class BandMeasure : Measure
{
    public override Growth? More(Situation s, Prescription plan)
    {
        if (s.CleanRun < s.Needed)
            return null;
        var rows = s.Comparable.TakeLast(s.Needed).SelectMany(j => j.Rows).ToArray();
        var timed = rows.Any(r => r.Planned.Seconds is not null);
        var enough = Standard(s, timed) ?? (timed ? Easing.BandPassed : Easing.BandPassed + 1);
        if (rows.All(r => r.Amount >= enough))
        {
            var why = Clean(s, RuleId.WeakerBand, Of(enough));
            if (Easing.WeakerBand(s.Athlete, (BandHelp)plan.Load!) is { } weaker)
                return new(
                    ProposalKind.WeakerBand,
                    Same(s, plan with { Load = weaker }),
                    ProposalCause.CleanSessions,
                    why
                );
            if (Neighbours.Unassisted(s.Athlete, s.Movement) is { } free)
                return new(
                    ProposalKind.NextMovement,
                    new(free.Slug, Neighbours.FirstDose(s.Athlete, free)),
                    ProposalCause.CleanSessions,
                    why
                );
        }

        if (timed)
            return HoldMeasure.Longer(s, plan);
        return OneRepMore(plan) is { } more
            ? new(
                ProposalKind.AddReps,
                Same(s, more),
                ProposalCause.CleanSessions,
                Clean(s, RuleId.AddRepsInZone, Quantity.Reps(s.Zone.Low), Quantity.Reps(enough))
            )
            : null;

        Quantity Of(int amount) => timed ? Quantity.Seconds(amount) : Quantity.Reps(amount);
    }

    /// <summary>What the movement's own step asks for with help; null: it asks for none.</summary>
    private static int? Standard(Situation s, bool timed) =>
        s
            .Athlete.StepsOf(s.Movement.Slug)
            .SelectMany(x => x.Step.Won.Terms)
            .Select(t =>
                t.Target switch
                {
                    Ladders.SecondsTarget seconds when timed => (int)Math.Ceiling(seconds.Seconds),
                    Ladders.RepsTarget reps when !timed => reps.Reps,
                    _ => (int?)null,
                }
            )
            .Min();
}

/// <summary>A box under a jump: lower once three sets of five are clean.</summary>
internal sealed class BoxMeasure : Measure
{
    private const int Sets = 3,
        Reps = 5,
        Lower = 5,
        LowerMost = 10;

    public override int? Needed => 1;

    public override Growth? More(Situation s, Prescription plan)
    {
        if (s.CleanRun < 1 || s.Last!.Rows.Count(r => r.Amount >= Reps) < Sets)
            return OneRepMoreOnceClean(s, plan);
        var box = plan.SetUp!.BoxCm!.Value;
        // The kit's own next box where it is not too far down, else the five centimetres that mats make.
        var kit = s
            .Athlete.Gear.Gear.Where(g =>
                g.Kind == Loading.GearKind.Box && g.HeightCm < box && g.HeightCm >= box - LowerMost
            )
            .Max(g => g.HeightCm);
        var next = kit ?? box - Lower;
        return next < 1
            ? WithoutBox(s)
            : new(
                ProposalKind.LowerBox,
                Same(s, plan with { SetUp = plan.SetUp with { BoxCm = next } }),
                ProposalCause.CleanSessions,
                Clean(s, RuleId.LowerBox)
            );
    }

    /// <summary>From the lowest box: the harder movement, or a test of the rep without it.</summary>
    private static Growth WithoutBox(Situation s) =>
        Neighbours.Harder(s.Athlete, s.Movement) is { } harder
            ? new(
                ProposalKind.NextMovement,
                new(harder.Slug, Neighbours.FirstDose(s.Athlete, harder)),
                ProposalCause.CleanSessions,
                Clean(s, RuleId.LowestBox)
            )
            : new(ProposalKind.Test, null, ProposalCause.LowestBox, Clean(s, RuleId.LowestBox));

    private static Growth? OneRepMoreOnceClean(Situation s, Prescription plan) =>
        s.CleanRun >= s.Needed && plan.TargetReps < Reps && OneRepMore(plan) is { } more
            ? new(
                ProposalKind.AddReps,
                Same(s, more),
                ProposalCause.CleanSessions,
                Clean(s, RuleId.AddRepsInZone, Quantity.Reps(1), Quantity.Reps(Reps))
            )
            : null;
}

/// <summary>Pads, feet and fingers as help: less of it once the step's standard is reached.</summary>
internal sealed class HelpMeasure : Measure
{
    private const int FeetStep = 10,
        UsualReps = 5;

    public override int? Needed => 1;

    public override Growth? More(Situation s, Prescription plan)
    {
        var standard = s.Athlete.StepsOf(s.Movement.Slug)
            .SelectMany(x => x.Step.Opens.Terms)
            .Select(t => t.Target)
            .OfType<Ladders.RepsTarget>()
            .Select(t => (int?)t.Reps)
            .Min()
            ?? UsualReps;
        if (s.CleanRun < 1 || s.Last!.Best < standard)
            return s.CleanRun >= s.Needed && OneRepMore(plan) is { } more
                ? new(
                    ProposalKind.AddReps,
                    Same(s, more),
                    ProposalCause.CleanSessions,
                    Clean(s, RuleId.AddRepsInZone, Quantity.Reps(1), Quantity.Reps(standard))
                )
                : null;
        var setUp = plan.SetUp!;
        var less =
            setUp.Pads > 0 ? setUp with { Pads = setUp.Pads - 1 }
            : setUp.Fingers > 0 ? setUp with { Fingers = setUp.Fingers - 1 }
            : setUp with { FeetCm = Math.Min(SetUp.FeetMaximum, setUp.FeetCm!.Value + FeetStep) };
        return new(
            ProposalKind.LessHelp,
            Same(s, plan with { SetUp = SetUp.OrNone(less) }),
            ProposalCause.CleanSessions,
            Clean(s, RuleId.LessHelp)
        );
    }
}

/// <summary>Counted pieces, weighed or not: one more.</summary>
internal sealed class CountedMeasure : Measure
{
    public override Growth? More(Situation s, Prescription plan)
    {
        if (s.CleanRun < s.Needed)
            return null;
        var counted = (Counted)plan.Load!;
        var there = s.Athlete.Gear.Counted.FirstOrDefault(c =>
            counted.Name.StartsWith(c.Name, StringComparison.OrdinalIgnoreCase)
        )?.Count
            ?? Loading.CountedLoad.CountMaximum;
        if (counted.Count < there)
            return new(
                ProposalKind.AddPiece,
                Same(s, plan with { Load = new Counted(counted.Count + 1, counted.Name) }),
                ProposalCause.CleanSessions,
                Clean(s, RuleId.AddPiece)
            );
        return OneRepMore(plan) is { } more
            ? new(
                ProposalKind.AddReps,
                Same(s, more),
                ProposalCause.KitGap,
                Clean(s, RuleId.AddRepsInZone, Quantity.Reps(s.Zone.Low), Quantity.Reps(s.Zone.High))
            )
            : null;
    }
}
