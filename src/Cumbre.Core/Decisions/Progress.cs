using Cumbre.Core.Explanations;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes;

namespace Cumbre.Core.Decisions;

/// <summary>When it is time for more, by the method of the plan; what more is belongs to the measure.</summary>
internal static class Progress
{
    private const int ShortestRest = 30,
        RestStep = 15;

    private const decimal TotalGrown = 1.10m;

    /// <summary>What the log of a movement has earned; null: nothing yet, and the plan stands.</summary>
    public static Growth? Of(Situation s)
    {
        if (
            s.Counting.Count == 0
            || s.Role is ItemRole.Preparation or ItemRole.Retest or ItemRole.Light or ItemRole.Kept
        )
            return null;
        var last = s.Counting[^1];
        var plan = last.Exposure.Plan;
        var measure = Measure.Of(s, plan);
        // What fitted in its first session has found its level, and a later session that falls short finds no other.
        if (
            s.Role == ItemRole.LevelFinding
            && LevelFound(s, s.Counting[0]) is not null
            && LevelFound(s, last) is { } found
        )
            return found;
        if (measure.HasZone && BelowZone(s, plan) is { } easier)
            return easier;
        if (last.Exposure.InCircuit)
            return Circuit(s, plan, measure);
        var progress = plan.Progress();
        switch (progress.Kind)
        {
            case ProgressionKind.Trend when plan is PracticeSets:
                return null;
            case ProgressionKind.Total:
                return Total(s, plan);
            case ProgressionKind.Angle:
                return Angle(s, plan);
            case ProgressionKind.Test:
                return s.CleanRun >= s.Needed
                    ? new(ProposalKind.Test, null, ProposalCause.DescentDone, By(s, RuleId.DescentDone))
                    : null;
            case ProgressionKind.HigherTop:
                return s.CleanRun >= 1
                    ? new(
                        ProposalKind.HigherTop,
                        Same(s, progress.Next!),
                        ProposalCause.CleanSessions,
                        By(s, RuleId.GrowsByMethod)
                    )
                    : null;
            case ProgressionKind.Load when s.CleanRun >= s.Needed && !s.IsLoaded:
                return Measure.Of(s, plan).More(s, plan);
            case ProgressionKind.Load:
                return new LoadMeasure().More(s, plan);
            case ProgressionKind.LoadOrRange:
                return s.IsLoaded ? new LoadMeasure().More(s, plan) : FeetFurther(s, plan);
        }

        if (progress.Next is { } next)
            return s.CleanRun >= (measure.Needed ?? s.Needed)
                ? new(KindOf(progress.Kind), Same(s, next), ProposalCause.CleanSessions, By(s, RuleId.GrowsByMethod))
                : null;
        return measure.More(s, plan);
    }

    private static MovementDose Same(Situation s, Prescription plan) => new(s.Movement.Slug, plan);

    private static ExplanationBuilder By(Situation s, RuleId rule) =>
        Explanation.For(rule).Input(InputKey.CleanSessions, Quantity.Count(s.CleanRun)).Source(SourceId.CommonPractice);

    private static ProposalKind KindOf(ProgressionKind kind) =>
        kind switch
        {
            ProgressionKind.Reps => ProposalKind.AddReps,
            ProgressionKind.Seconds => ProposalKind.AddSeconds,
            ProgressionKind.LongerPieces => ProposalKind.LongerPieces,
            ProgressionKind.Stretch => ProposalKind.LongerStretch,
            ProgressionKind.ShorterGap => ProposalKind.ShorterGap,
            ProgressionKind.ShorterSlot => ProposalKind.ShorterSlot,
            _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, null),
        };

    /// <summary>
    /// A movement that finds its level is dosed from what was shown, once, in as many sets as the line has. What was
    /// done in every set is no level that a dose goes under; where that was all that the line asked for, the line fits
    /// and grows in its own way (common practice, no source).
    /// </summary>
    private static Growth? LevelFound(Situation s, ExposureJudgement last)
    {
        var plan = last.Exposure.Plan;
        // How high a fast rep reaches is found by its contact, and a stretch follows the reps that are found.
        var rows = last.Rows.Where(r => r.Planned.Role != SetRole.Stretch).ToArray();
        if (plan.IsFast || rows.Length == 0)
            return null;
        var timed = rows.Any(r => r.Planned.Seconds is not null);
        var (least, most) = (rows.Min(r => r.Amount), rows.Max(r => r.Amount));
        var best = timed ? most : rows.Max(r => r.Amount + (r.Amount > 0 ? r.Set?.Reserve ?? 0 : 0));
        var dose = timed
            ? Held(s, plan, HoldDose.For(best), least)
            : Counted(plan, RepDose.For(best, plan.SetCount), least);
        var asked = rows.Max(r => r.Planned.Seconds ?? r.Planned.RepsHigh);
        if (last.Reached && (timed ? most <= asked : dose is not null && dose.TargetReps <= asked))
            return null;
        if (dose is null)
            return Neighbours.Easier(s.Athlete, s.Movement) is { } easier && best == 0
                ? new(
                    ProposalKind.Easier,
                    new(easier.Slug, Neighbours.FirstDose(s.Athlete, easier)),
                    ProposalCause.LevelFound,
                    By(s, RuleId.LevelFound)
                )
                : null;
        var why = By(s, RuleId.LevelFound)
            .Input(timed ? InputKey.BestHold : InputKey.BestReps, timed ? Quantity.Seconds(best) : Quantity.Reps(best));
        return new(
            ProposalKind.SetDose,
            Same(
                s,
                dose with
                {
                    Load = plan.Load,
                    Sides = plan.Sides,
                    SetUp = plan.SetUp,
                    Tempo = plan.Tempo,
                    RestSeconds = plan.RestSeconds ?? dose.RestSeconds,
                    Grips = plan.Grips,
                }
            ),
            ProposalCause.LevelFound,
            why
        );
    }

    /// <summary>
    /// The share of the best hold. Straight arms have the sets that their seconds in all ask for; what holds none is not
    /// held shorter than it was in every set, in the sets of the line.
    /// </summary>
    private static Prescription? Held(Situation s, Prescription plan, HoldSets? dose, int least) =>
        dose is not { Seconds: { } seconds } || s.IsStraightArm
            ? dose
            : (dose with { Seconds = Math.Max(seconds, least) }).WithSets(plan.SetCount);

    /// <summary>The range from the best set, up to what was done in every set, with the stretch that the line has.</summary>
    private static Prescription? Counted(Prescription plan, Prescription? dose, int least)
    {
        if (dose is not DoubleProgression range)
            return dose;
        if (least > range.High)
            range = range.WithRange(Math.Max(range.Low, least - (range.High - range.Low)), least);
        return plan is RepsWithStretch stretch
            ? new RepsWithStretch(range.SetCount, range.Low, range.High, stretch.StretchSeconds)
            : range;
    }

    /// <summary>
    /// Under the zone's bottom in every set, as often as the school wants: an easier movement, or help. A practice dose
    /// is under it on purpose.
    /// </summary>
    private static Growth? BelowZone(Situation s, Prescription plan)
    {
        var practice =
            s.Role == ItemRole.Practice
            || plan
                is PracticeSets
                    or MaxSets
                    or RestPause
                    or ExplosiveSets
                    or Negatives
                    or ClusterSets
                    or TopSetBackOff
                    or OnTheClock
                    or Pyramid
                    or DropSet;
        if (
            practice
            || plan.Sets().Any(r => r.Seconds is not null && r.Role != SetRole.Stretch)
            || plan.Sets().Max(r => r.RepsHigh) < s.Zone.Low
            || s.IsStraightArm
        )
            return null;
        if (
            !s.InARow(s.Needed, j => j.Best > 0 && j.Best < s.Zone.Low)
            || Neighbours.Easier(s.Athlete, s.Movement) is not { } easier
        )
            return null;
        var why = By(s, RuleId.BelowZone)
            .Input(InputKey.BestReps, Quantity.Reps(s.Last!.Best))
            .Input(InputKey.UsualFrom, Quantity.Reps(s.Zone.Low));
        return new(
            ProposalKind.Easier,
            new(easier.Slug, Neighbours.FirstDose(s.Athlete, easier)),
            ProposalCause.BelowZone,
            why
        );
    }

    /// <summary>
    /// Open sets: a tenth more in all than at the start, and the best set over the zone, earns the harder movement.
    /// </summary>
    private static Growth? Total(Situation s, Prescription plan)
    {
        var series = s.Comparable;
        if (
            series.Count < 2
            || series[^1].Total < series[0].Total * TotalGrown
            || series[^1].Best <= s.Zone.High
            || Neighbours.Harder(s.Athlete, s.Movement) is not { } harder
        )
            return null;
        var why = By(s, RuleId.TotalGrown)
            .Step(StepKey.TotalOfSets, Quantity.Reps(series[0].Total), Quantity.On(series[0].Exposure.Day))
            .Step(StepKey.TotalOfSets, Quantity.Reps(series[^1].Total), Quantity.On(series[^1].Exposure.Day));
        return new(ProposalKind.NextMovement, new(harder.Slug, plan), ProposalCause.CleanSessions, why);
    }

    /// <summary>By the opening set: over its zone a harder angle or load, under it an easier one.</summary>
    private static Growth? Angle(Situation s, Prescription plan)
    {
        int Opening(ExposureJudgement j) =>
            j.Rows.Where(r => r.Planned is { Set: 1, Part: 1 }).Select(r => r.Amount).FirstOrDefault();
        var most = s.IsLoaded ? RestPause.OpeningHighLoaded : RestPause.OpeningHigh;
        var why = By(s, RuleId.OpeningSet).Input(InputKey.BestReps, Quantity.Reps(Opening(s.Last!)));
        if (s.InARow(s.Needed, j => Opening(j) > most))
        {
            if (s.IsLoaded)
                return
                    s.Athlete.Athlete.Kit.AtLeast(s.Last!.TopLoad + Measures.Mass.FromKilograms(s.Rules.MinimumStepKg))
                        is { } load
                    ? new(
                        ProposalKind.AddLoad,
                        Same(s, LoadMeasure.At(plan, s.Entry(load), s.Last.TopLoad)),
                        ProposalCause.CleanSessions,
                        why
                    )
                    : null;
            if (plan.Load is BandHelp)
                return new BandMeasure().More(s, plan);
            return Neighbours.Harder(s.Athlete, s.Movement) is { } harder
                ? new(ProposalKind.NextMovement, new(harder.Slug, plan), ProposalCause.CleanSessions, why)
                : null;
        }

        if (
            !s.InARow(s.Needed, j => Opening(j) is > 0 and < RestPause.TooFew)
            || Neighbours.Easier(s.Athlete, s.Movement) is not { } easier
        )
            return null;
        return new(
            ProposalKind.Easier,
            new(easier.Slug, plan with { Load = Easing.Band(s.Athlete, s.Body.Kilograms / 10) }),
            ProposalCause.BelowZone,
            why
        );
    }

    /// <summary>Less rest first, down to half a minute; then a harder alternate, then a round more.</summary>
    private static Growth? Circuit(Situation s, Prescription plan, Measure measure)
    {
        if (s.CleanRun < (measure.Needed ?? s.Needed))
            return null;
        var rest = Timing.RestBetweenSets(plan);
        if (rest > ShortestRest)
            return new(
                ProposalKind.LessRest,
                Same(s, plan with { RestSeconds = Math.Max(ShortestRest, rest - RestStep) }),
                ProposalCause.CleanSessions,
                By(s, RuleId.GrowsByMethod)
            );
        return Neighbours.Harder(s.Athlete, s.Movement) is { } harder
            ? new(
                ProposalKind.NextMovement,
                new(harder.Slug, plan),
                ProposalCause.CleanSessions,
                By(s, RuleId.GrowsByMethod)
            )
            : new(
                ProposalKind.AddSet,
                Same(s, plan.WithSets(plan.SetCount + 1)),
                ProposalCause.CleanSessions,
                By(s, RuleId.GrowsByMethod)
            );
    }

    /// <summary>At the longest stretch, without load: the feet further away, or reps.</summary>
    private static Growth? FeetFurther(Situation s, Prescription plan)
    {
        if (s.CleanRun < s.Needed)
            return null;
        const int step = 10;
        var setUp = plan.SetUp ?? new SetUp();
        return new(
            ProposalKind.LessHelp,
            Same(
                s,
                plan with
                {
                    SetUp = setUp with { FeetCm = Math.Min(SetUp.FeetMaximum, (setUp.FeetCm ?? 0) + step) },
                }
            ),
            ProposalCause.CleanSessions,
            By(s, RuleId.LessHelp)
        );
    }
}
