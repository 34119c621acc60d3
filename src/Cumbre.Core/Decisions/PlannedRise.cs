using Cumbre.Core.Explanations;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Decisions;

/// <summary>
/// An increase that the plan carries in its next session: an expectation, which the log confirms or moves.
/// </summary>
/// <param name="S">Of which movement and role.</param>
/// <param name="Plan">As it is planned.</param>
internal sealed record PlannedRise(Situation S, Prescription Plan)
{
    /// <summary>Loads that are nearer to each other, in kilograms, are the same.</summary>
    private const decimal Least = 0.01m;

    /// <summary>The rise comes in the week of the last exposure.</summary>
    public bool InSameWeek => TrainingCalendar.Monday(S.NextDay) == TrainingCalendar.Monday(S.Last!.Exposure.Day);

    /// <summary>Null: the next session asks no more than the last one.</summary>
    public static PlannedRise? Of(Situation s) =>
        s.Last is { } last && s.Coming is [{ Easy: false } next, ..] && IsMore(next.Plan, last.Exposure.Plan, s.Context)
            ? new(s, next.Plan)
            : null;

    /// <summary>
    /// Does it ask no more than what was earned: in load up to the usual step, and at the same load in reps or seconds?
    /// </summary>
    public bool IsWithin(Prescription earned)
    {
        var (planned, done) = (Roles.Weight(Plan, S.Context), Roles.Weight(S.Last!.Exposure.Plan, S.Context));
        return planned > done + Least
            ? planned <= Math.Max(Roles.Weight(earned, S.Context), done + S.Rules.UsualStepKg) + Least
            : Plan.MostInASet <= earned.MostInASet;
    }

    /// <summary>
    /// The increase waits: what is planned for its week goes back to what was done last, and later weeks stay.
    /// </summary>
    public Proposal NotEarned()
    {
        var why = Explanation
            .For(RuleId.HoldRise, Quantity.Count(S.Needed))
            .Input(InputKey.CleanSessions, Quantity.Count(S.CleanRun))
            .Source(S.Needed > 1 ? SourceId.Acsm2009 : SourceId.CommonPractice);
        return S.Propose(
            ProposalKind.Hold,
            ProposalCause.NotEarned,
            new(S.Movement.Slug, S.Last!.Exposure.Plan.WithSets(Plan.SetCount) with { RestSeconds = Plan.RestSeconds }),
            why
        );
    }

    /// <summary>More load, reps or seconds a set, or less help; more sets alone are the wave of the weeks.</summary>
    internal static bool IsMore(Prescription next, Prescription last, ResolutionContext context)
    {
        if (
            Adjust.IsSameDose(next, last)
            || next.GetType() != last.GetType() && !(next is HoldSets or VariedHolds && last is HoldSets or VariedHolds)
        )
            return false;
        var (a, b) = (Roles.Weight(next, context), Roles.Weight(last, context));
        if (Math.Abs(a - b) > Least)
            return a > b;
        return Amount(next) > Amount(last);
    }

    private static decimal Amount(Prescription plan)
    {
        var sets = plan.Sets();
        return sets.Average(r => (decimal)(r.Seconds ?? r.RepsHigh));
    }
}
