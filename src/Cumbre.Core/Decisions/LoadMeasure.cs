using Cumbre.Core.Explanations;
using Cumbre.Core.Measures;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Strength;

namespace Cumbre.Core.Decisions;

/// <summary>Added load: the smallest step that the kit makes, and reps first where that is a wide one.</summary>
internal sealed class LoadMeasure : Measure
{
    public override decimal FallShare => 0.05m;

    public override decimal Noise => 0;

    /// <summary>The e1RM of the best set, in kg.</summary>
    public override decimal Figure(ExposureJudgement exposure, Situation s) =>
        Maximum(exposure)?.Kilograms ?? exposure.Best;

    public override Growth? More(Situation s, Prescription plan)
    {
        if (ByReserve(s, plan) is { } reserve)
            return reserve;
        if (s.CleanRun < s.Needed)
            return null;
        var (last, kit) = (s.Last!, s.Athlete.Athlete.Kit);
        var own = (plan as DoubleProgression)?.Increment?.Mass;
        var from = FirstLoad(plan, last);
        var system = s.Body + from;
        var next = kit.AtLeast(from + (own ?? Mass.FromKilograms(s.Rules.MinimumStepKg)));
        var step = next is null ? (Mass?)null : next.Total - from;
        var ceiling = system * (s.Rules.StepCeilingPercent / 100);
        var usual = Mass.Max(Mass.FromKilograms(s.Rules.UsualStepKg), own ?? Mass.Zero);
        if (next is not null && step <= ceiling && (step <= usual || Carries(s, plan, next.Total)))
            return AddLoad(s, plan, next, step!.Value, from);

        var why = Clean(s, RuleId.AddReps, Quantity.Added(usual), Quantity.OfPercent(s.Rules.StepCeilingPercent))
            .Input(InputKey.LastLoad, Quantity.Added(from));
        if (step is { } wide)
            why.Step(StepKey.JumpShare, Quantity.OfFraction(wide / system), Quantity.Added(wide), Quantity.Of(system))
                .Rounded(RoundingKey.KitStep, Quantity.Added(wide));
        else
            why.Rounded(
                RoundingKey.KitEnds,
                Quantity.Added(kit.AtMost(Mass.FromKilograms(Limits.AddedLoadMaximum)).Total)
            );
        return OneRepMore(plan) is { } more
            ? new(ProposalKind.AddReps, Same(s, more), ProposalCause.KitGap, why)
            : null;
    }

    public override (Prescription Plan, ExplanationBuilder Why)? Less(Situation s, Prescription plan)
    {
        var share = 1 - s.Rules.BackOffPercent / 100;
        var less = Adjust.ToSystemShare(plan, share, s.Context);
        return less == plan
            ? null
            : (
                less,
                Lighter(
                        Explanation.For(
                            RuleId.BackOff,
                            Quantity.Count(s.Rules.ExposuresWithoutProgress),
                            Quantity.OfPercent(s.Rules.BackOffPercent)
                        ),
                        s,
                        plan,
                        less,
                        share
                    )
                    .Source(SourceId.CommonPractice)
            );
    }

    /// <summary>Tells the way from the load that was moved to a lighter one.</summary>
    public static ExplanationBuilder Lighter(
        ExplanationBuilder why,
        Situation s,
        Prescription plan,
        Prescription less,
        decimal share
    )
    {
        var (from, to) = (
            Mass.FromKilograms(Roles.Weight(plan, s.Context)),
            Mass.FromKilograms(Roles.Weight(less, s.Context))
        );
        var system = (s.Body + from) * share;
        return why.Input(InputKey.LastLoad, Quantity.Added(from))
            .Step(StepKey.NowOnTheBar, Quantity.Of(s.Body + from), Quantity.Of(s.Body), Quantity.Added(from))
            .Step(StepKey.ShareOf, Quantity.Of(system), Quantity.OfFraction(share), Quantity.Of(s.Body + from))
            .Step(StepKey.AddedFromSystem, Quantity.Added(system - s.Body), Quantity.Of(system), Quantity.Of(s.Body))
            .Rounded(RoundingKey.RoundedDown, Quantity.Added(Mass.Max(Mass.Zero, system - s.Body)), Quantity.Added(to));
    }

    /// <summary>Two and more over the reserve that was asked: the load that leaves it, rather than one step.</summary>
    private static Growth? ByReserve(Situation s, Prescription plan)
    {
        if (
            plan.Effort is not InReserve asked
            || plan is TopSetBackOff or DropSet or VariedSets
            || !s.InARow(s.Needed, j => j.Reached && j.Reserve >= asked.Reps + 2)
        )
            return null;
        var reps = plan.Sets().Max(r => r.RepsHigh);
        var left = s.Comparable.TakeLast(s.Needed).Min(j => j.Reserve!.Value);
        if (!OneRepMax.Allows(reps + left) || !OneRepMax.Allows(reps + asked.Reps))
            return null;
        var from = s.Last!.TopLoad;
        var best = Mass.FromEstimate(
            OneRepMax.By(OneRepMaxFormula.Epley, (double)(s.Body + from).Kilograms, reps + left)
        );
        var system = OneRepMax.SystemFor(best, reps + asked.Reps);
        var load = s.Athlete.Athlete.Kit.AtMost(Mass.Min(system - s.Body, LoadResolver.LargestStep(s.Body, from)));
        if (load.Total <= from)
            return null;
        var why = Clean(s, RuleId.ReserveOver, Quantity.Reserve(asked.Reps))
            .Input(InputKey.ReserveLeft, Quantity.Reserve(left))
            .Input(InputKey.LastLoad, Quantity.Added(from))
            .Step(StepKey.NowOnTheBar, Quantity.Of(s.Body + from), Quantity.Of(s.Body), Quantity.Added(from))
            .Step(StepKey.BestFromLastSet, Quantity.Of(best), Quantity.Of(s.Body + from), Quantity.Reps(reps + left))
            .Step(StepKey.SystemForReps, Quantity.Of(system), Quantity.Of(best), Quantity.Reps(reps + asked.Reps))
            .Step(StepKey.AddedFromSystem, Quantity.Added(system - s.Body), Quantity.Of(system), Quantity.Of(s.Body))
            .Rounded(RoundingKey.RoundedDown, Quantity.Added(system - s.Body), Quantity.Added(load.Total))
            .Source(SourceId.Epley1985);
        return new(ProposalKind.AddLoad, Same(s, At(plan, s.Entry(load), from)), ProposalCause.Reserve, why);
    }

    private static Growth AddLoad(Situation s, Prescription plan, Loading.Loadout next, Mass step, Mass from)
    {
        var why = Clean(s, RuleId.AddLoad, Quantity.Count(s.Needed), Quantity.Added(step));
        Working(why, s, next.Total, from);
        why.Rounded(RoundingKey.Exact, Quantity.Of(next.OneByOne.Select(p => p.Size.Mass)))
            .Rounded(RoundingKey.KitStep, Quantity.Added(step));
        if (LoadResolver.IsLargeJump(s.Body, from, next.Total))
            why.Caution(CautionId.JumpLarge, Quantity.Added(step), Quantity.OfFraction(step / (s.Body + from)));
        return new(ProposalKind.AddLoad, Same(s, At(plan, s.Entry(next), from)), ProposalCause.CleanSessions, why);
    }

    /// <summary>The plan at another load: of a drop set the first part, of a ramp every set by the same step.</summary>
    internal static Prescription At(Prescription plan, MassEntry load, Mass from) =>
        plan switch
        {
            DropSet d => new DropSet(d.SetTotal, d.Parts, [load, .. d.Loads.Skip(1)]).Like(d),
            VariedSets { Loads: { } each } v => VariedSets.Of(
                v.Reps,
                [.. each.Select(l => MassEntry.Of(l.Mass + (load.Mass - from), load.Unit))]
            )
                is var moved
                ? moved.Like(v) with
                {
                    Load = moved.Load,
                }
                : v,
            _ => plan with { Load = Adjust.Written(load) },
        };

    /// <summary>The load that a step is added to: of a ramp the heaviest.</summary>
    private static Mass FirstLoad(Prescription plan, ExposureJudgement last) =>
        plan is DropSet d ? Mass.Max(d.Loads[0].Mass, last.TopLoad) : last.TopLoad;

    /// <summary>Does the estimate from this load carry the next one at the reps with which it began?</summary>
    private static bool Carries(Situation s, Prescription plan, Mass next)
    {
        if (Maximum(s.Last!) is not { } best)
            return false;
        var atLoad = s
            .Counting.Reverse()
            .TakeWhile(j => j.TopLoad == s.Last!.TopLoad)
            .Min(j => j.Exposure.Plan.Sets().Where(r => r.Role != SetRole.BackOff).Min(r => r.RepsLow));
        return OneRepMax.ExpectedReps(best, s.Body + next) >= Math.Min(atLoad, plan.Sets().Max(r => r.RepsHigh));
    }

    /// <summary>The e1RM of an exposure's best set by Epley; null over 12 effective reps.</summary>
    internal static Mass? Maximum(ExposureJudgement exposure)
    {
        var best = exposure
            .Rows.Where(r => r.Set is not null && r.Amount > 0 && OneRepMax.Allows(r.Amount + (r.Set.Reserve ?? 0)))
            .Select(r =>
                OneRepMax.By(
                    OneRepMaxFormula.Epley,
                    (double)(exposure.Exposure.BodyMass + r.Set!.Added.Mass).Kilograms,
                    r.Amount + (r.Set.Reserve ?? 0)
                )
            )
            .DefaultIfEmpty(0)
            .Max();
        return best > 0 ? Mass.FromEstimate(best) : null;
    }

    private static void Working(ExplanationBuilder why, Situation s, Mass proposed, Mass from)
    {
        var (now, then) = (s.Body + from, s.Body + proposed);
        why.Input(InputKey.LastLoad, Quantity.Added(from))
            .Step(StepKey.NowOnTheBar, Quantity.Of(now), Quantity.Of(s.Body), Quantity.Added(from));
        var top = s.Last!.Rows.Where(r => r.Set is not null && r.Set.Added.Mass == s.Last!.TopLoad)
            .MaxBy(r => r.Amount + (r.Set!.Reserve ?? 0));
        var n = top is null ? 0 : top.Amount + (top.Set!.Reserve ?? 0);
        if (!OneRepMax.Allows(n))
        {
            why.Step(StepKey.ProposedSystem, Quantity.Of(then), Quantity.Of(s.Body), Quantity.Added(proposed));
            return;
        }

        var estimate = OneRepMax.Estimate(
            new HeavySet(s.Body, from, top!.Amount, top.Set!.Reserve ?? 0, s.Last.Exposure.Day)
        )!;
        var best = estimate.Value.Value;
        why.Step(StepKey.BestFromLastSet, Quantity.Of(best), Quantity.Of(now), Quantity.Reps(n))
            .Step(StepKey.ProposedSystem, Quantity.Of(then), Quantity.Of(s.Body), Quantity.Added(proposed))
            .Step(StepKey.ShareOfBest, Quantity.OfFraction(then / best), Quantity.Of(then), Quantity.Of(best))
            .Step(
                StepKey.ExpectedReps,
                Quantity.Reps(OneRepMax.ExpectedReps(best, then)),
                Quantity.Of(best),
                Quantity.Of(then)
            )
            .Source(SourceId.Epley1985)
            .CautionsOf(estimate.Why);
    }
}
