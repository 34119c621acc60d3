using Cumbre.Core.Athletes;
using Cumbre.Core.Explanations;
using Cumbre.Core.Loading;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Sessions;
using Cumbre.Core.Strength;

namespace Cumbre.Core.Decisions;

/// <summary>Reads the log of a movement and proposes what to do next.</summary>
public static class DecisionEngine
{
    /// <summary>How many exposures are shown as evidence.</summary>
    private const int EvidenceRows = 4;

    /// <summary>
    /// The decision that the log of <paramref name="movement"/> calls for, or null without a logged session. Where several rules
    /// speak, the most cautious wins and names the others.
    /// </summary>
    /// <param name="athlete">The athlete.</param>
    /// <param name="movement">The movement's slug.</param>
    /// <param name="rules">The figures of the rules.</param>
    /// <param name="trainingDays">On which days the athlete trains.</param>
    /// <param name="today">Today.</param>
    public static Proposal? Decide(AthleteSnapshot athlete, string movement, DecisionRules rules, IReadOnlyCollection<DayOfWeek> trainingDays, DateOnly today)
    {
        var exposures = athlete.Exposures.Where(e => e.Movement == movement && e.Day <= today && e.Sets.Count > 0).OrderBy(e => e.Day).ToArray();
        if (exposures.Length == 0 || athlete.BodyMass.On(today) is not { } bodyMass)
            return null;
        var last = exposures[^1];
        var nextDay = TrainingCalendar.Next(trainingDays, last.Day, today, (rules.HoursBetween + 23) / 24);
        var context = new Context(athlete, movement, rules, exposures, bodyMass, nextDay);

        Proposal?[] found = [Pain(context), Deload(context), EasyWeek(context), Progress(context)];
        var proposals = found.OfType<Proposal>().OrderBy(p => p.Kind).ToArray();
        // Hold is also the answer inside an easy week; there it outranks what the loading sessions before it would say.
        var winner = proposals.FirstOrDefault(p => p.Cause is ProposalCause.Pain)
            ?? proposals.FirstOrDefault(p => p.Cause is ProposalCause.EasyWeek)
            ?? proposals.FirstOrDefault();
        return winner is null ? null : winner with { Overruled = [.. proposals.Where(p => p != winner).Select(p => p.Kind).Distinct()] };
    }

    private sealed record Context(
        AthleteSnapshot Athlete, string Movement, DecisionRules Rules, Exposure[] Exposures, Explained<Mass> BodyMass, DateOnly NextDay)
    {
        public Exposure Last => Exposures[^1];

        /// <summary>Loading exposures, judged, oldest first.</summary>
        public ExposureJudgement[] Loading { get; } = [.. Exposures.Where(e => !e.Easy).Select(ExposureJudgement.Of)];

        public IReadOnlyList<ExposureEvidence> Evidence => [.. Exposures.TakeLast(EvidenceRows).Reverse().Select(e => ExposureJudgement.Of(e).Evidence)];

        public Proposal Propose(ProposalKind kind, ProposalCause cause, Exposure basis, Prescription? next, bool easy, Mass? toLoad, ExplanationBuilder why) =>
            new(kind, cause, Movement, Last.SessionId, NextDay, basis.Plan, next, easy, basis.TopLoad.Mass, toLoad,
                why.Input(InputKey.BodyMassMean, Quantity.Of(BodyMass.Value)).CautionsOf(BodyMass.Why).Evidence(Evidence).Build(), []);

        /// <summary>An entry in the unit of the pieces where they share one, so that it is exact; else in the athlete's.</summary>
        public MassEntry Entry(Loadout load)
        {
            var units = load.Pieces.Select(p => p.Size.Unit).Distinct().ToArray();
            return MassEntry.Of(load.Total, units is [var unit] ? unit : Athlete.Unit);
        }
    }

    /// <summary>Pain-monitoring model (Thomee 1997, from memory): 0 to 2 safe, 3 to 5 acceptable at less load, 6 and more stop.</summary>
    private static Proposal? Pain(Context context)
    {
        var rules = context.Rules;
        if (context.Last.WorstPain is not { Pain: { } pain } worst || pain < rules.PainEaseFrom)
            return null;

        var before = context.Exposures.Length > 1 ? context.Exposures[^2].WorstPain : null;
        var twice = before?.Pain >= rules.PainEaseFrom && string.Equals(before.PainPlace, worst.PainPlace, StringComparison.OrdinalIgnoreCase);
        if (pain >= rules.PainStopFrom || twice)
        {
            var why = Explanation.For(RuleId.StopForPain, Quantity.Pain(rules.PainStopFrom))
                .Input(InputKey.PainReported, Quantity.Pain(pain))
                .Input(InputKey.PainPlace, Quantity.Slug(worst.PainPlace ?? ""));
            if (twice)
                why.Input(InputKey.PainReported, Quantity.Pain(before!.Pain!.Value));
            why.Source(SourceId.Thomee1997).Caution(CautionId.StopSigns).Caution(CautionId.NotMedicalAdvice).Caution(CautionId.AskNextMorning);
            return context.Propose(ProposalKind.Refer, ProposalCause.Pain, context.Last, null, false, null, why);
        }

        var ease = Explanation.For(RuleId.EaseForPain, Quantity.Pain(rules.PainEaseFrom), Quantity.Pain(rules.PainStopFrom - 1), Quantity.OfPercent(rules.BackOffPercent))
            .Input(InputKey.PainReported, Quantity.Pain(pain))
            .Input(InputKey.PainPlace, Quantity.Slug(worst.PainPlace ?? ""))
            .Source(SourceId.Thomee1997, SourceId.House)
            .Caution(CautionId.StopSigns)
            .Caution(CautionId.AskNextMorning);
        var (plan, load) = Lighter(context, context.Last, ease);
        return context.Propose(ProposalKind.Ease, ProposalCause.Pain, context.Last, plan, context.Last.Easy, load, ease);
    }

    private static Proposal? Deload(Context context)
    {
        var weeks = TrainingCalendar.LoadingWeeksBefore(context.NextDay, context.Exposures.Select(e => (e.Day, e.Easy)));
        if (weeks < context.Rules.LoadingWeeks)
            return null;
        var easy = PlanChange.Easy(context.Last.Plan, context.Athlete.Unit);
        var setsNow = context.Last.Plan.Sets().Count(s => s.Part == 1);
        var why = Explanation.For(RuleId.Deload, Quantity.Weeks(context.Rules.LoadingWeeks))
            .Input(InputKey.LoadingWeeks, Quantity.Weeks(weeks))
            .Input(InputKey.LastLoad, Quantity.Added(context.Last.TopLoad.Mass))
            .Step(StepKey.HalfTheSets, Quantity.Sets(easy.SetCount), Quantity.Sets(setsNow))
            .Step(StepKey.ProposedSystem, Quantity.Of(context.BodyMass.Value), Quantity.Of(context.BodyMass.Value), Quantity.Added(Mass.Zero))
            .Rounded(RoundingKey.BodyMassOnly)
            .Source(SourceId.CommonPractice);
        return context.Propose(ProposalKind.Deload, ProposalCause.LoadingWeeks, context.Last, easy, true, Mass.Zero, why);
    }

    private static Proposal? EasyWeek(Context context)
    {
        if (!context.Last.Easy || TrainingCalendar.Monday(context.NextDay) != TrainingCalendar.Monday(context.Last.Day))
            return null;
        var why = Explanation.For(RuleId.EasyWeek).Source(SourceId.CommonPractice);
        return context.Propose(ProposalKind.Hold, ProposalCause.EasyWeek, context.Last, context.Last.Plan, true, context.Last.TopLoad.Mass, why);
    }

    private static Proposal? Progress(Context context)
    {
        if (context.Loading.Length == 0)
            return null;
        var last = context.Loading[^1];
        var needed = context.Athlete.Schools.CleanSessionsNeeded;
        var cleanRun = CleanRun(context.Loading);
        if (cleanRun >= needed)
            return Increase(context, last, cleanRun);

        var stuck = WithoutProgress(context.Loading);
        if (stuck >= context.Rules.ExposuresWithoutProgress)
            return BackOff(context, last, stuck);

        var cause = last.Complete ? ProposalCause.NotYetClean : ProposalCause.Unfinished;
        var why = Explanation.For(last.Complete ? RuleId.Hold : RuleId.Repeat, Quantity.Count(needed))
            .Input(InputKey.CleanSessions, Quantity.Count(cleanRun))
            .Input(InputKey.School, Quantity.Slug(context.Athlete.Schools[Schools.Increase]))
            .Input(InputKey.LastLoad, Quantity.Added(last.TopLoad))
            .Source(SchoolSource(context));
        if (stuck > 0)
            why.Input(InputKey.ExposuresWithoutProgress, Quantity.Count(stuck));
        return context.Propose(ProposalKind.Hold, cause, last.Exposure, last.Exposure.Plan, false, last.TopLoad, why);
    }

    private static SourceId SchoolSource(Context context) =>
        context.Athlete.Schools.CleanSessionsNeeded > 1 ? SourceId.Acsm2009 : SourceId.CommonPractice;

    private static Proposal Increase(Context context, ExposureJudgement last, int cleanRun)
    {
        var (rules, kit, plan) = (context.Rules, context.Athlete.Kit, last.Exposure.Plan);
        var own = (plan as DoubleProgression)?.Increment?.Mass;
        var usual = Mass.Max(Mass.FromKilograms(rules.UsualStepKg), own ?? Mass.Zero);
        var system = context.BodyMass.Value + last.TopLoad;
        var ceiling = system * (rules.StepCeilingPercent / 100);
        var next = kit.AtLeast(last.TopLoad + (own ?? Mass.FromKilograms(rules.MinimumStepKg)));
        var step = next is null ? (Mass?)null : next.Total - last.TopLoad;

        if (next is not null && step <= ceiling && (step <= usual || StillFits(last, plan, context, next)))
        {
            var entry = context.Entry(next);
            var changed = PlanChange.AtLoad(plan, entry, last.TopLoad);
            var why = Explanation.For(RuleId.AddLoad, Quantity.Count(context.Athlete.Schools.CleanSessionsNeeded), Quantity.Added(step!.Value))
                .Input(InputKey.CleanSessions, Quantity.Count(cleanRun))
                .Input(InputKey.School, Quantity.Slug(context.Athlete.Schools[Schools.Increase]));
            Working(why, context, last, next.Total);
            why.Rounded(RoundingKey.Exact, Quantity.Of(next.OneByOne.Select(p => p.Size.Mass)))
                .Rounded(RoundingKey.KitStep, Quantity.Added(step.Value))
                .Source(SchoolSource(context));
            var jump = step.Value / system;
            if (step > Mass.FromKilograms(5))
                why.Caution(CautionId.JumpLarge, Quantity.Added(step.Value), Quantity.OfFraction(jump));
            return context.Propose(ProposalKind.AddLoad, ProposalCause.CleanSessions, last.Exposure, changed, false, next.Total, why);
        }

        var gap = Explanation.For(RuleId.AddReps, Quantity.Added(usual), Quantity.OfPercent(rules.StepCeilingPercent))
            .Input(InputKey.CleanSessions, Quantity.Count(cleanRun))
            .Input(InputKey.LastLoad, Quantity.Added(last.TopLoad));
        if (step is { } wide)
        {
            gap.Step(StepKey.JumpShare, Quantity.OfFraction(wide / system), Quantity.Added(wide), Quantity.Of(system))
                .Rounded(RoundingKey.KitStep, Quantity.Added(wide));
        }
        else
        {
            gap.Rounded(RoundingKey.KitEnds, Quantity.Added(kit.AtMost(Mass.FromKilograms(Limits.AddedLoadMaximum)).Total));
        }

        gap.Source(SourceId.CommonPractice, SourceId.Acsm2009);
        return PlanChange.TargetReps(plan) < rules.RepsCeiling
            ? context.Propose(ProposalKind.AddReps, ProposalCause.KitGap, last.Exposure, PlanChange.OneRepMore(plan), false, last.TopLoad, gap)
            : context.Propose(ProposalKind.Hold, ProposalCause.KitGap, last.Exposure, plan, false, last.TopLoad, gap);
    }

    /// <summary>Is a step over the usual one expected to leave enough reps, by the last set's own estimate?</summary>
    private static bool StillFits(ExposureJudgement last, Prescription plan, Context context, Loadout next)
    {
        var reps = PlanChange.TargetReps(plan);
        if (!OneRepMax.Allows(reps))
            return true;
        var best = Mass.FromEstimate(OneRepMax.By(OneRepMaxFormula.Epley, (double)(context.BodyMass.Value + last.TopLoad).Kilograms, reps));
        return OneRepMax.ExpectedReps(best, context.BodyMass.Value + next.Total) >= PlanChange.FewestReps(plan);
    }

    private static void Working(ExplanationBuilder why, Context context, ExposureJudgement last, Mass proposed)
    {
        var body = context.BodyMass.Value;
        var (now, then) = (body + last.TopLoad, body + proposed);
        why.Input(InputKey.LastLoad, Quantity.Added(last.TopLoad))
            .Step(StepKey.NowOnTheBar, Quantity.Of(now), Quantity.Of(body), Quantity.Added(last.TopLoad));
        var top = last.Exposure.Sets.Where(s => s.Added.Mass == last.TopLoad).MaxBy(s => s.Reps + (s.Reserve ?? 0))!;
        var n = top.Reps + (top.Reserve ?? 0);
        if (!OneRepMax.Allows(n))
        {
            why.Step(StepKey.ProposedSystem, Quantity.Of(then), Quantity.Of(body), Quantity.Added(proposed));
            return;
        }

        var estimate = OneRepMax.Estimate(new HeavySet(body, last.TopLoad, top.Reps, top.Reserve ?? 0, last.Exposure.Day))!;
        var best = estimate.Value.Value;
        why.Step(StepKey.BestFromLastSet, Quantity.Of(best), Quantity.Of(now), Quantity.Reps(n))
            .Step(StepKey.ProposedSystem, Quantity.Of(then), Quantity.Of(body), Quantity.Added(proposed))
            .Step(StepKey.ShareOfBest, Quantity.OfFraction(then / best), Quantity.Of(then), Quantity.Of(best))
            .Step(StepKey.ExpectedReps, Quantity.Reps(OneRepMax.ExpectedReps(best, then)), Quantity.Of(best), Quantity.Of(then))
            .Source(SourceId.Epley1985)
            .CautionsOf(estimate.Why);
    }

    private static Proposal BackOff(Context context, ExposureJudgement last, int stuck)
    {
        var why = Explanation.For(RuleId.BackOff, Quantity.Count(context.Rules.ExposuresWithoutProgress), Quantity.OfPercent(context.Rules.BackOffPercent))
            .Input(InputKey.ExposuresWithoutProgress, Quantity.Count(stuck))
            .Source(SourceId.CommonPractice);
        var (plan, load) = Lighter(context, last.Exposure, why);
        return context.Propose(ProposalKind.BackOff, ProposalCause.NoProgress, last.Exposure, plan, false, load, why);
    }

    /// <summary>The plan with its system lowered by the back-off share, as the kit makes it; never under body mass.</summary>
    private static (Prescription Plan, Mass Load) Lighter(Context context, Exposure exposure, ExplanationBuilder why)
    {
        var body = context.BodyMass.Value;
        var from = exposure.TopLoad.Mass;
        var share = 1 - context.Rules.BackOffPercent / 100;
        var system = (body + from) * share;
        var wanted = Mass.Max(Mass.Zero, system - body);
        // Lower, never nearer from above: the point of backing off is to be lighter.
        var load = context.Athlete.Kit.AtMost(wanted);
        why.Input(InputKey.LastLoad, Quantity.Added(from))
            .Step(StepKey.NowOnTheBar, Quantity.Of(body + from), Quantity.Of(body), Quantity.Added(from))
            .Step(StepKey.ShareOf, Quantity.Of(system), Quantity.OfFraction(share), Quantity.Of(body + from))
            .Step(StepKey.AddedFromSystem, Quantity.Added(system - body), Quantity.Of(system), Quantity.Of(body))
            .Step(StepKey.ProposedSystem, Quantity.Of(body + load.Total), Quantity.Of(body), Quantity.Added(load.Total))
            .Rounded(RoundingKey.Nearest, Quantity.Added(wanted), Quantity.Added(load.Total), Quantity.Added(load.Total - wanted), Quantity.Of(load.OneByOne.Select(p => p.Size.Mass)));
        if (load.Total >= from)
            return (exposure.Plan, from);
        return (PlanChange.AtLoad(exposure.Plan, context.Entry(load), from), load.Total);
    }

    /// <summary>Clean exposures in a row up to the last, at the last one's load and work.</summary>
    private static int CleanRun(ExposureJudgement[] loading)
    {
        var last = loading[^1];
        return loading.Reverse().TakeWhile(j => j.Clean && j.TopLoad == last.TopLoad && ExposureJudgement.SameWork(j.Exposure.Plan, last.Exposure.Plan)).Count();
    }

    /// <summary>
    /// Exposures in a row up to the last that improved nothing: no clean exposure, no higher load, no better score at the load. The
    /// first at a load or at a new kind of work is the mark that the others must beat.
    /// </summary>
    private static int WithoutProgress(ExposureJudgement[] loading)
    {
        var (stuck, bestScore) = (0, 0);
        ExposureJudgement? before = null;
        foreach (var judgement in loading)
        {
            var newMark = before is null || judgement.TopLoad != before.TopLoad || !ExposureJudgement.SameWork(judgement.Exposure.Plan, before.Exposure.Plan);
            if (newMark || judgement.Clean || judgement.Score > bestScore)
                (stuck, bestScore) = (0, newMark ? judgement.Score : Math.Max(bestScore, judgement.Score));
            else
                stuck++;
            before = judgement;
        }

        return stuck;
    }
}
