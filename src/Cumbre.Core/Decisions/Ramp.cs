using Cumbre.Core.Explanations;
using Cumbre.Core.Movements;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes;

namespace Cumbre.Core.Decisions;

/// <summary>
/// The ramp of straight-arm work: the sum of moment x seconds of a week and a direction grows at most 10 % (this
/// project's choice); seconds where
/// some moment is not known.
/// </summary>
internal sealed class Ramp
{
    public const decimal Percent = 10;

    private const int WeekDays = 7;

    private readonly Situation s;
    private readonly (string Movement, Prescription Plan)[] week;

    public Ramp(Situation s)
    {
        this.s = s;
        var last = s.Last!.Exposure;
        week =
        [
            .. s
                .Athlete.Athlete.Exposures.Where(e =>
                    e.Day > last.Day.AddDays(-WeekDays)
                    && e.Day <= last.Day
                    && s.Athlete.Atlas.Catalogue.Movements.GetValueOrDefault(e.Movement)?.Pattern == s.Movement.Pattern
                )
                .Select(e => (e.Movement, e.Plan)),
        ];
    }

    /// <summary>
    /// One more on as many sets as the week allows, those that have least first; one set is always allowed.
    /// </summary>
    /// <param name="amounts">Reps or seconds of each set.</param>
    /// <param name="plan">Makes the plan of so many.</param>
    public Prescription? Most(IReadOnlyList<int> amounts, Func<IReadOnlyList<int>, Prescription> plan)
    {
        var least = amounts.Min();
        int[] candidates = [.. Enumerable.Range(0, amounts.Count).Where(i => amounts[i] == least)];
        for (var sets = candidates.Length; sets >= 1; sets--)
        {
            var grown = plan([
                .. amounts.Select((a, i) => Array.IndexOf(candidates, i) is var at and >= 0 && at < sets ? a + 1 : a),
            ]);
            if (sets == 1 || Fits(grown))
                return grown;
        }

        return null;
    }

    /// <summary>
    /// Does the week stay in the ramp with this plan in place of the last one, and with another beside it?
    /// </summary>
    public bool Fits(Prescription plan, MovementDose? beside = null)
    {
        var (now, then, _) = Amounts(plan, beside);
        return then <= now * (1 + Percent / 100) + 0.01m;
    }

    public ExplanationBuilder Tell(ExplanationBuilder why, Prescription plan, MovementDose? beside = null)
    {
        var (now, then, byMoment) = Amounts(plan, beside);
        Quantity Of(decimal amount) => byMoment ? Quantity.MomentSeconds(amount) : Quantity.Seconds((int)amount);
        why.Step(StepKey.WeekBefore, Of(now))
            .Step(StepKey.MostByRamp, Of(now * (1 + Percent / 100)), Quantity.OfPercent(Percent))
            .Step(StepKey.WeekThen, Of(then))
            .Source(SourceId.House);
        if (byMoment)
            why.Source(SourceId.DeLeva1996).Caution(CautionId.ModelLimits);
        return why;
    }

    private (decimal Now, decimal Then, bool ByMoment) Amounts(Prescription plan, MovementDose? beside)
    {
        var old = s.Last!.Exposure.Plan;
        var replaced = week.Count(w => w.Movement == s.Movement.Slug && Adjust.IsSameDose(w.Plan, old));
        var parts = week.Append((s.Movement.Slug, plan)).Concat(beside is null ? [] : [(beside.Movement, beside.Plan)]);
        var byMoment = parts.All(p =>
            Read(p.Item1, p.Item2) is not { StraightArmSeconds: > 0 } r || r.MomentSeconds is not null
        );
        decimal Amount(string movement, Prescription p) =>
            Read(movement, p) is not { } r ? 0
            : byMoment && r.MomentSeconds is { } moment ? (decimal)moment
            : Seconds(movement, r);
        var now = week.Sum(w => Amount(w.Movement, w.Plan));
        var own = Amount(s.Movement.Slug, plan) + (beside is null ? 0 : Amount(beside.Movement, beside.Plan));
        return (now, now + replaced * (own - Amount(s.Movement.Slug, old)), byMoment);
    }

    /// <summary>A flag has no straight-arm seconds of its own kind: its time under tension counts.</summary>
    private decimal Seconds(string movement, ResolvedPrescription resolved) =>
        resolved.StraightArmSeconds > 0 || s.Athlete.Atlas.Catalogue.Movements[movement].Pattern != Pattern.Lateral
            ? resolved.StraightArmSeconds
            : resolved.TensionSeconds;

    private ResolvedPrescription? Read(string movement, Prescription plan) =>
        s.Athlete.Read(new BlockItem(Guid.Empty, movement, WrittenLine.Of(plan))).Resolved;
}
