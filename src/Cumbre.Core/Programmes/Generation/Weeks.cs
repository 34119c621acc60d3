using Cumbre.Core.Explanations;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Programmes.Generation;

/// <summary>
/// Carries the first week through the block: each exercise grows by its own rule, and the last week is easy.
/// </summary>
internal sealed class Weeks(AthleteAtWork athlete, DoseRules dose, GeneratorRules rules, FitWeek fit)
{
    private const int HoldSetsMost = HoldDose.SetsHigh;

    /// <summary>A loading week after the first.</summary>
    /// <param name="first">The first week.</param>
    /// <param name="before">The week before.</param>
    /// <param name="week">From 1: the second week.</param>
    public IReadOnlyList<DraftDay> Loading(IReadOnlyList<DraftDay> first, IReadOnlyList<DraftDay> before, int week)
    {
        DraftDay[] days = [.. first.Select(d => d.Copy())];
        foreach (var (day, i) in days.Select((d, i) => (d, i)))
        {
            foreach (var item in day.Items)
            {
                var last = before[i].Items.FirstOrDefault(b => b.Key == item.Key);
                if (last is not null && (item.IsStraightArm || GrowsByItself(item.Plan)))
                    item.Replace(last.Plan);
                if (!item.IsStraightArm && GrowsByItself(item.Plan))
                    Grow(item, day, week);
            }
        }

        Ramp(days, week);
        foreach (var day in days)
            Wave(day, week);
        fit.Cap(days);
        fit.Balance(days);
        return days;
    }

    /// <summary>The easy week: half the sets, no added load, nothing that ends by failing.</summary>
    public IReadOnlyList<DraftDay> Easy(IReadOnlyList<DraftDay> first)
    {
        DraftDay[] days = [.. first.Select(d => d.Copy())];
        foreach (var item in days.SelectMany(d => d.Items).Where(i => i.Role != SlotRole.Mobility))
            item.Rewrite(Adjust.Deload(item.Plan), StepKey.EasyLine);
        fit.Balance(days, mayAdd: false);
        return days;
    }

    private static bool GrowsByItself(Prescription plan) => plan is Negatives or HoldSets or OnTheClock or BrokenHold;

    private void Grow(Draft item, DraftDay day, int week)
    {
        var grown = item.Plan is HoldSets { Seconds: { } now and < HoldSets.SecondsMaximum } hold
            ? hold with
            {
                Seconds = now + 1,
            }
            : item.Plan.Progress().Next;
        if (grown is not { } next)
            return;
        if (
            next is HoldSets { Seconds: { } seconds }
            && athlete.BestsOf(item.Movement).HoldSeconds is { } best
            && seconds > HoldDose.SecondsAt(best, HoldDose.PercentHigh)
        )
            return;
        var before = item.Plan;
        item.Replace(next);
        if (fit.IsOver(day))
            item.Replace(before);
        else
            item.Step(StepKey.GrowsByRule, Quantity.Name(item.Line), Quantity.Weeks(week + 1));
    }

    /// <summary>
    /// Straight-arm work grows by whole seconds, exercise by exercise, as long as moment x seconds of the week stay
    /// within the ramp. A new step
    /// keeps its half dose for its first weeks.
    /// </summary>
    private void Ramp(DraftDay[] days, int week)
    {
        Draft[] straight = [.. days.SelectMany(d => d.Items).Where(i => i.IsStraightArm)];
        var (now, byMoment) = Amount(straight);
        var most = now * (1 + dose.StraightArmRampPercent / 100);
        Draft[] Direction(Draft item) => [.. straight.Where(i => i.Movement.Pattern == item.Movement.Pattern)];
        var ofDirection = straight
            .DistinctBy(i => i.Movement.Pattern)
            .ToDictionary(
                i => i.Movement.Pattern,
                i => Amount(Direction(i), byMoment) * (1 + dose.StraightArmRampPercent / 100)
            );
        foreach (
            var item in straight.Where(i =>
                i.Role != SlotRole.SkillKept
                && !i.IsExposure
                && !(i.Skill is { IsNew: true } && week < rules.NewStepWeeks)
            )
        )
        {
            if (Longer(item) is not { } longer)
                continue;
            var before = item.Plan;
            item.Replace(longer);
            // Pulling and pushing each keep within the ramp as well as both together.
            if (
                Amount(straight, byMoment) <= most
                && Amount(Direction(item), byMoment) <= ofDirection[item.Movement.Pattern]
                && day(item) is { } its
                && !fit.IsOver(its)
            )
                item.Step(
                    StepKey.GrowsInRamp,
                    Quantity.Name(item.Line),
                    Quantity.Weeks(week + 1),
                    byMoment ? Quantity.MomentSeconds(most) : Quantity.Seconds((int)most)
                );
            else
                item.Replace(before);
        }

        DraftDay day(Draft item) => days.First(d => d.Items.Contains(item));
    }

    /// <summary>A second longer, up to 70 % of the best; then another set.</summary>
    private Prescription? Longer(Draft item)
    {
        if (item.Plan is not HoldSets { Seconds: { } seconds } hold)
            return item.Plan is Negatives or BrokenHold ? item.Plan.Progress().Next : null;
        if (
            athlete.BestsOf(item.Movement).HoldSeconds is not { } best
            || seconds + 1 <= HoldDose.SecondsAt(best, HoldDose.PercentHigh)
        )
            return hold with { Seconds = seconds + 1 };
        return hold.SetTotal < HoldSetsMost && (hold.SetTotal + 1) * seconds <= HoldDose.TotalHigh
            ? hold.WithSets(hold.SetTotal + 1)
            : null;
    }

    private (decimal Amount, bool ByMoment) Amount(Draft[] items)
    {
        var byMoment = items
            .Select(i => i.Read(athlete).Resolved)
            .All(r => r is not { StraightArmSeconds: > 0 } || r.MomentSeconds is not null);
        return (Amount(items, byMoment), byMoment);
    }

    private decimal Amount(Draft[] items, bool byMoment) =>
        items
            .Select(i => i.Read(athlete).Resolved)
            .Sum(r =>
                r is not { StraightArmSeconds: > 0 } ? 0
                : byMoment ? (decimal)Math.Round(r.MomentSeconds!.Value)
                : r.StraightArmSeconds
            );

    /// <summary>Main exercises in sets of a number take part in the wave, as far as the minutes hold.</summary>
    private void Wave(DraftDay day, int week)
    {
        foreach (
            var item in day.Items.Where(i =>
                i.IsMain && i.Plan is StraightSets or DoubleProgression or TopSetBackOff && !i.IsStraightArm
            )
        )
        {
            var before = item.Plan;
            for (var more = Math.Min(rules.WaveIn(week), FitWeek.SetsMost - before.SetCount); more > 0; more--)
            {
                item.Replace(before.WithSets(before.SetCount + more));
                if (!fit.IsOver(day))
                {
                    item.Step(StepKey.WaveAdds, Quantity.Sets(item.Plan.SetCount), Quantity.Weeks(week + 1));
                    break;
                }

                item.Replace(before);
            }
        }
    }
}
