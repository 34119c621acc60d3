using Cumbre.Core.Benchmarks;
using Cumbre.Core.Explanations;
using Cumbre.Core.Measures;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Decisions;

/// <summary>
/// The weaker side: it begins, both do its number, and it does one set more, until the gap is under 10 %.
/// </summary>
internal static class SideRule
{
    private const decimal EvenUnder = 0.10m;

    public static Proposal? Of(Situation s)
    {
        if (s.Counting.Count == 0 || s.Role is ItemRole.Preparation or ItemRole.Retest)
            return null;
        var last = s.Counting[^1];
        if (
            last.Exposure.Plan.Sides is not { } sides
            || sides.Order().Count < 2
            || Best(last, Side.Left) is not { } left
            || Best(last, Side.Right) is not { } right
        )
            return null;
        var gap = new SideGap(left, right);
        var plan = last.Exposure.Plan;
        var why = Explanation
            .For(RuleId.WeakerSideFirst)
            .Input(InputKey.BestLeft, Quantity.Plain(left))
            .Input(InputKey.BestRight, Quantity.Plain(right))
            .Step(
                StepKey.GapOfSides,
                Quantity.OfFraction(gap.Fraction),
                Quantity.Plain(Math.Max(left, right)),
                Quantity.Plain(Math.Min(left, right))
            )
            .Source(SourceId.CommonPractice);
        if (plan.Sides.More() is not null)
            return gap.Fraction < EvenUnder
                ? s.Propose(
                    ProposalKind.EvenSides,
                    ProposalCause.SideGap,
                    new(s.Movement.Slug, plan with { Sides = SidePlan.Each }),
                    why
                )
                : null;
        if (gap is not { Advice: SideGapAdvice.WeakerFirst, Weaker: { } weaker })
            return null;
        var number = (int)Math.Min(left, right);
        Prescription both = plan switch
        {
            DoubleProgression d => new StraightSets(d.SetTotal, Math.Min(number, d.High)).Like(d),
            StraightSets x => x with { Reps = Math.Min(number, x.Reps) },
            HoldSets { Seconds: { } seconds } h => h with { Seconds = Math.Min(number, seconds) },
            _ => plan,
        };
        return s.Propose(
            ProposalKind.WeakerSide,
            ProposalCause.SideGap,
            new(s.Movement.Slug, both with { Sides = SidePlans.WeakerFirst(weaker, oneMore: true) }),
            why
        );
    }

    private static int? Best(ExposureJudgement exposure, Side side)
    {
        var rows = exposure.Rows.Where(r => r.Planned.Side == side && r.Set is not null).ToArray();
        return rows.Length == 0 ? null : rows.Max(r => r.Amount);
    }
}
