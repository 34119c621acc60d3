using Cumbre.Core.Explanations;
using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes;
using Cumbre.Core.Safety;

namespace Cumbre.Core.Decisions;

/// <summary>
/// The way back after a stop was cleared: that of missed weeks by the days that were lost, and at least 10 % of the
/// system less.
/// </summary>
internal static class Returning
{
    private const decimal AtMost = 0.90m;

    /// <summary>
    /// Up to 10 days count as one missed week, 20 as two, 28 as three to four (this project's choice).
    /// </summary>
    public static ReturnRule RuleOf(int days) =>
        days switch
        {
            <= 10 => ReturnRule.Repeat,
            <= 20 => ReturnRule.Less,
            <= 28 => ReturnRule.MuchLess,
            _ => ReturnRule.Retest,
        };

    public static MovementDose Of(AthleteAtWork athlete, Movement movement, Prescription plan, int days)
    {
        var straightArm = movement.Pattern is Pattern.StraightArmPull or Pattern.StraightArmPush;
        if (straightArm && MissedWeeks.Lower(movement, athlete) is { } lower)
            return new(
                lower.Slug,
                MissedWeeks.Back(UsualDose.For(lower, athlete), RuleOf(days), athlete.ContextOf(lower))
            );
        return new(movement.Slug, MissedWeeks.Back(plan, RuleOf(days), athlete.ContextOf(movement), AtMost));
    }
}

/// <summary>The rules that speak before progress does.</summary>
internal static class CautionRules
{
    /// <summary>Two exposures running, against the mean of the three before.</summary>
    private const int FatigueRun = 2,
        FatigueBase = 3,
        SagRun = 2;

    /// <summary>Harder by one on the scale of effort.</summary>
    private const decimal EffortRise = 1;

    /// <summary>Pain in the middle of the scale at the newest exposure: the movement stays, eased.</summary>
    public static Proposal? Ease(Situation s)
    {
        var last = s.All[^1].Exposure;
        var told = s
            .Athlete.PainReports.Where(r =>
                r.Day == last.Day
                && r.Movement == s.Movement.Slug
                && r.Origin is PainOrigin.Set or PainOrigin.Morning
                && r.Level >= PainRules.EaseFrom
                && !PainRules.Stops(r)
            )
            .MaxBy(r => r.Level);
        if (told is null)
            return null;
        var eased = Easing.Of(s.Athlete, s.Movement, last.Plan, told.Place);
        var why = Explanation
            .For(
                RuleId.EaseForPain,
                Quantity.Pain(PainRules.EaseFrom),
                Quantity.Pain(PainRules.StopFrom - 1),
                Quantity.OfPercent(s.Rules.BackOffPercent)
            )
            .Input(InputKey.PainReported, Quantity.Pain(told.Level))
            .Input(InputKey.PainPlace, Quantity.Slug(told.Place.Said))
            .Source(SourceId.Thomee1997, SourceId.House)
            .Caution(CautionId.StopSigns)
            .Caution(CautionId.AskNextMorning);
        if (
            eased.Movement == s.Movement.Slug
            && Roles.Weight(eased.Plan, s.Context) < Roles.Weight(last.Plan, s.Context)
            && eased.Plan.Grips == last.Plan.Grips
        )
            LoadMeasure.Lighter(why, s, last.Plan, eased.Plan, 1 - s.Rules.BackOffPercent / 100);
        return s.Propose(ProposalKind.Ease, ProposalCause.Pain, eased, why, wholeMovement: true) with
        {
            Place = told.Place.Said,
        };
    }

    /// <summary>A stop was cleared and the movement was not trained since.</summary>
    public static Proposal? Return(Situation s)
    {
        var last = s.All[^1].Exposure;
        var cleared = s
            .Athlete.AllStops.Where(x =>
                x.ClearedOn is { } day
                && day <= s.Athlete.Today
                && day >= last.Day
                && PainRules.Holds(x, s.Movement, s.Athlete.Atlas.Catalogue, last.IsLoaded) != Safety.Hold.None
            )
            .MaxBy(x => x.ClearedOn);
        if (cleared is null)
            return null;
        var days = s.Athlete.Today.DayNumber - last.Day.DayNumber;
        var next = Returning.Of(s.Athlete, s.Movement, s.Last!.Exposure.Plan, days);
        var why = Explanation
            .For(RuleId.ReturnAfterStop)
            .Input(InputKey.DaysLost, Quantity.Days(days))
            .Input(InputKey.PainPlace, Quantity.Slug(cleared.Place.Said))
            .Source(SourceId.House)
            .Caution(CautionId.AskEverySet)
            .Caution(CautionId.AskNextMorning);
        return s.Propose(ProposalKind.Return, ProposalCause.Cleared, next, why, wholeMovement: true) with
        {
            Place = cleared.Place.Said,
        };
    }

    /// <summary>
    /// Loading weeks of the movement or its pattern in a row are done, and the plan has no deload in their place: a
    /// change of the movement does not start them anew.
    /// </summary>
    public static Proposal? Deload(Situation s)
    {
        var own = TrainingCalendar.LoadingWeeksBefore(s.NextDay, s.All.Select(j => (j.Exposure.Day, j.Exposure.Easy)));
        var pattern = TrainingCalendar.LoadingWeeksBefore(
            s.NextDay,
            s.Athlete.Athlete.Exposures.Where(e =>
                    s.Athlete.Atlas.Catalogue.Movements.GetValueOrDefault(e.Movement)?.Pattern == s.Movement.Pattern
                )
                .Select(e => (e.Day, e.Easy))
        );
        var weeks = Math.Max(own, pattern);
        // What is not planned any more is not made lighter in a week that is light already.
        PlannedItem[] coming = [.. s.Planned.Where(p => p.Day >= s.Athlete.Today).OrderBy(p => p.Day)];
        var next = coming.FirstOrDefault(p => p.Movement == s.Movement.Slug) ?? coming.FirstOrDefault();
        if (weeks < s.Rules.LoadingWeeks || next is { Easy: true } || s.Role == ItemRole.Retest)
            return null;
        // Within the week of a deload the sets are halved once, not once a session.
        var plan = s.Last!.Exposure.Plan;
        var easy = Adjust.Deload(plan);
        var why = Explanation
            .For(RuleId.Deload, Quantity.Weeks(s.Rules.LoadingWeeks))
            .Input(InputKey.LoadingWeeks, Quantity.Weeks(weeks))
            .Step(StepKey.HalfTheSets, Quantity.Sets(easy.SetCount), Quantity.Sets(plan.SetCount))
            .Source(SourceId.CommonPractice);
        return s.Propose(
            ProposalKind.Deload,
            ProposalCause.LoadingWeeks,
            new(s.Movement.Slug, easy),
            why,
            wholeMovement: true
        );
    }

    /// <summary>
    /// Two exposures running are down against the mean of the three before the first drop, or were harder by one.
    /// </summary>
    public static Proposal? Fatigue(Situation s)
    {
        if (Sagged(s, SagRun))
            return s.Propose(
                ProposalKind.LighterWeek,
                ProposalCause.Fatigue,
                new(s.Movement.Slug, Adjust.Deload(s.Last!.Exposure.Plan)),
                Explanation.For(RuleId.LineSags).Source(SourceId.House),
                wholeMovement: true
            );
        var series = s.Comparable;
        if (series.Count < FatigueBase + FatigueRun)
            return null;
        var (now, before) = (
            series.TakeLast(FatigueRun).ToArray(),
            series.SkipLast(FatigueRun).TakeLast(FatigueBase).ToArray()
        );
        var measure = Measure.Of(s, s.Last!.Exposure.Plan);
        var mean = before.Average(j => measure.Figure(j, s));
        var down = now.All(j => IsDown(measure, measure.Figure(j, s), mean));
        var harder =
            before.All(j => j.Reserve is not null)
            && now.All(j =>
                j.Reserve is { } left && before.Average(b => (decimal)b.Reserve!.Value) - left >= EffortRise
            );
        if (!down && !harder)
            return null;
        var why = Explanation.For(RuleId.LighterWeek).Source(SourceId.House);
        why.Step(
            StepKey.MeanBefore,
            Quantity.Plain(Math.Round(harder && !down ? before.Average(j => (decimal)j.Reserve!.Value) : mean, 1)),
            Quantity.Count(FatigueBase)
        );
        foreach (var j in now)
            why.Step(
                StepKey.FigureOn,
                Quantity.Plain(Math.Round(harder && !down ? j.Reserve!.Value : measure.Figure(j, s), 1)),
                Quantity.On(j.Exposure.Day)
            );
        return s.Propose(
            ProposalKind.LighterWeek,
            ProposalCause.Fatigue,
            new(s.Movement.Slug, Adjust.Deload(s.Last.Exposure.Plan)),
            why,
            wholeMovement: true
        );
    }

    private static bool IsDown(Measure measure, decimal figure, decimal mean)
    {
        var fall = mean - figure;
        return fall > 0 && Math.Round(fall, 4) >= Math.Round(mean * measure.FallShare, 4) && fall > measure.Noise;
    }

    /// <summary>A line that sags is a mark of fatigue: it rests for the day.</summary>
    public static Proposal? Sag(Situation s) =>
        Sagged(s, 1)
            ? s.Propose(
                ProposalKind.RestToday,
                ProposalCause.Fatigue,
                null,
                Explanation.For(RuleId.LineSags).Source(SourceId.House)
            )
            : null;

    private static bool Sagged(Situation s, int running) =>
        s.All.Count >= running && s.All.TakeLast(running).All(j => j.Exposure.Sets.Any(x => x.Sagged));

    /// <summary>
    /// The best of the last three comparable exposures is no better than the best of those before: back off; stuck
    /// again, another variation.
    /// </summary>
    public static Proposal? Stuck(Situation s)
    {
        var run = s.Rules.ExposuresWithoutProgress;
        var series = s.Comparable;
        if (series.Count <= run || s.Role is ItemRole.Preparation or ItemRole.Light or ItemRole.Kept or ItemRole.Retest)
            return null;
        // Practice sets have a trend, and end before they are hard.
        if (s.Last!.Exposure.Plan is PracticeSets)
            return null;
        var (now, before) = (series.TakeLast(run).ToArray(), series.SkipLast(run).TakeLast(run).ToArray());
        if (
            now.Any(j => j.Reached && j.Exposure.Plan is not MaxSets)
            || now.Max(j => j.Total) > before.Max(j => j.Total)
        )
            return null;
        var plan = s.Last!.Exposure.Plan;
        var measure = Measure.Of(s, plan);
        var open = plan is MaxSets;
        var backedOff = s.Athlete.Athlete.Decided.LastOrDefault(d =>
            d.Movement == s.Movement.Slug
            && d.Day <= now[0].Exposure.Day
            && d.Kind is nameof(ProposalKind.BackOff) or nameof(ProposalKind.Variation)
        );
        if (backedOff?.Kind == nameof(ProposalKind.BackOff) && Variation(s) is { } other)
            return s.Propose(
                ProposalKind.Variation,
                ProposalCause.NoProgress,
                other,
                Told(Explanation.For(RuleId.StuckAgain).Source(SourceId.CommonPractice), now)
            );
        if (open)
        {
            var straight = new StraightSets(plan.SetCount, Math.Max(1, now.Max(j => j.Best) * 2 / 3)).Like(plan) with
            {
                Effort = null,
            };
            return s.Propose(
                ProposalKind.BackOff,
                ProposalCause.NoProgress,
                new(s.Movement.Slug, straight),
                Told(Explanation.For(RuleId.BackOffByThird, Quantity.Count(run)).Source(SourceId.CommonPractice), now)
            );
        }

        return measure.Less(s, plan) is { } less
            ? s.Propose(
                ProposalKind.BackOff,
                ProposalCause.NoProgress,
                new(s.Movement.Slug, less.Plan),
                Told(less.Why, now)
            )
            : null;
    }

    /// <summary>
    /// Another movement of the pattern at the same level, which is not the one that is stuck, else the load in other sets,
    /// else an easier movement.
    /// </summary>
    private static MovementDose? Variation(Situation s)
    {
        var plan = s.Last!.Exposure.Plan;
        if (Neighbours.SameLevel(s.Athlete, s.Movement) is { } other)
        {
            // A lift whose maximum nobody knows begins with the load of a back-off, not with an empty belt.
            var movement = s.Athlete.Atlas.Catalogue.Movements[other.Movement];
            return s.IsLoaded && movement.Load is not null && s.Athlete.ContextOf(movement) is { OneRepMax: null }
                ? new(other.Movement, Adjust.ToSystemShare(plan, 1 - s.Rules.BackOffPercent / 100, s.Context))
                : other;
        }

        if (s.IsLoaded)
            return new(s.Movement.Slug, OtherZone(s, plan));
        return Neighbours.Easier(s.Athlete, s.Movement) is { } easier
            ? new(easier.Slug, Neighbours.FirstDose(s.Athlete, easier))
            : null;
    }

    /// <summary>
    /// A load that is stuck in sets of many reps goes on in more sets of few, and one that is stuck in sets of few in
    /// sets of many with the load of a back-off (this project's choice).
    /// </summary>
    private static Prescription OtherZone(Situation s, Prescription plan)
    {
        const int few = 4,
            setsOfFew = 5,
            manyFrom = 6,
            manyTo = 8,
            setsOfMany = 3;
        if (plan.Sets().Max(r => r.RepsHigh) >= manyFrom)
            return new StraightSets(setsOfFew, few).Like(plan);
        var lighter = Adjust.ToSystemShare(plan, 1 - s.Rules.BackOffPercent / 100, s.Context);
        return new DoubleProgression(setsOfMany, manyFrom, manyTo).Like(lighter);
    }

    private static ExplanationBuilder Told(ExplanationBuilder why, ExposureJudgement[] stuck)
    {
        why.Input(InputKey.ExposuresWithoutProgress, Quantity.Count(stuck.Length));
        foreach (var j in stuck)
            why.Step(StepKey.TotalOfSets, Quantity.Plain(j.Total), Quantity.On(j.Exposure.Day));
        return why;
    }
}
