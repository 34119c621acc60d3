using Cumbre.Core.Explanations;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Programmes;

/// <summary>A figure of the block that can be questioned.</summary>
public enum BlockFigure
{
    ItemTime,
    ItemTension,
    ItemHardSets,
    SessionTime,
    HardSets,
    PullToPush,
    Sides,
    Volume,
}

/// <summary>
/// How the figures of a block come about. The block itself is read by values alone; what is asked for is worked out
/// here from the
/// same dose, so that it cannot differ from what is shown.
/// </summary>
public static class BlockWhy
{
    /// <param name="week">As read.</param>
    /// <param name="figure">Which.</param>
    /// <param name="session">Of a session or an item.</param>
    /// <param name="item">Of an item.</param>
    /// <param name="pattern">Of hard sets.</param>
    /// <param name="athlete">Whose.</param>
    /// <param name="rules">The usual ranges.</param>
    /// <returns>The figure with its reasons; null: there is no such item, or it cannot be read.</returns>
    public static Explained<Quantity>? Of(
        WeekDose week,
        BlockFigure figure,
        Guid? session,
        Guid? item,
        Pattern? pattern,
        AthleteAtWork athlete,
        DoseRules rules
    )
    {
        var dose = week.Sessions.FirstOrDefault(s => s.Session.Id == session);
        var reading = dose?.Items.FirstOrDefault(i => i.Item.Id == item);
        return figure switch
        {
            BlockFigure.ItemTime => reading?.Resolved is null ? null : ItemTime(reading),
            BlockFigure.ItemTension => reading?.Resolved is null ? null : ItemTension(reading),
            BlockFigure.ItemHardSets => reading?.Resolved is null ? null : ItemHardSets(reading, athlete),
            BlockFigure.SessionTime => dose is null ? null : OfSession(dose, athlete),
            BlockFigure.HardSets => pattern is { } p ? HardSets(week, p, rules) : null,
            BlockFigure.PullToPush => PullToPush(week, rules),
            BlockFigure.Sides => Sides(week),
            _ => Volume(week),
        };
    }

    private static Explained<Quantity> ItemTime(ItemReading item)
    {
        var (plan, resolved) = (item.Plan!, item.Resolved!);
        var why = Explanation.For(RuleId.TimeOfItem).Source(SourceId.House);
        if (plan is OnTheClock clock)
            return why.Step(
                    StepKey.ClockStrokes,
                    Quantity.Seconds(resolved.DurationSeconds),
                    Quantity.Count(clock.Rounds),
                    Quantity.Seconds(clock.EverySeconds)
                )
                .Build(Quantity.Seconds(resolved.DurationSeconds));
        var sets = resolved.Efforts.Count(e => e.Plan.Part == 1);
        var gaps = resolved.Efforts.Sum(e => e.Plan.GapAfterSeconds);
        why.Step(StepKey.WorkOfSets, Quantity.Seconds(resolved.TensionSeconds), Quantity.Sets(sets));
        if (gaps > 0)
            why.Step(StepKey.GapsInside, Quantity.Seconds(gaps));
        return why.Step(
                StepKey.RestsBetween,
                Quantity.Seconds(resolved.RestSeconds * (sets - 1)),
                Quantity.Count(sets - 1),
                Quantity.Seconds(resolved.RestSeconds)
            )
            .Step(
                StepKey.SetUps,
                Quantity.Seconds(Timing.SetUpSeconds * sets),
                Quantity.Count(sets),
                Quantity.Seconds(Timing.SetUpSeconds)
            )
            .Step(StepKey.ChangeOver, Quantity.Seconds(Timing.ChangeSeconds))
            .Build(Quantity.Seconds(resolved.DurationSeconds));
    }

    private static Explained<Quantity> ItemTension(ItemReading item)
    {
        var why = Explanation
            .For(RuleId.TensionOfItem, Quantity.Seconds(item.Plan!.SecondsPerRep))
            .Source(SourceId.House);
        foreach (var group in item.Resolved!.Efforts.GroupBy(e => (e.Plan.RepsHigh, e.Plan.Seconds, e.TensionSeconds)))
        {
            var amount = group.Key.Seconds is { } held ? Quantity.Seconds(held) : Quantity.Reps(group.Key.RepsHigh);
            why.Step(
                StepKey.TensionOfSets,
                Quantity.Seconds(group.Sum(e => e.TensionSeconds)),
                Quantity.Count(group.Count()),
                amount,
                Quantity.Seconds(group.Key.TensionSeconds)
            );
        }

        return why.Build(Quantity.Seconds(item.Resolved.TensionSeconds));
    }

    private static Explained<Quantity> ItemHardSets(ItemReading item, AthleteAtWork athlete)
    {
        var why = Explanation
            .For(RuleId.HardSetRule, Quantity.Reserve(PrescriptionResolver.HardReserve))
            .Source(SourceId.CommonPractice, SourceId.House);
        var context = athlete.ContextOf(item.Movement!)!;
        if (item.Plan!.Effort is { } effort)
            why.Input(InputKey.WrittenReserve, Quantity.Reserve(effort.ReserveTarget));
        if (context.Bests.Reps is { } reps)
            why.Input(InputKey.BestReps, Quantity.Reps(reps));
        if (context.Bests.HoldSeconds is { } hold)
            why.Input(InputKey.BestHold, Quantity.Plain(hold));
        if (context.OneRepMax is { } max)
            why.Input(InputKey.OneRepMax, Quantity.Of(max.Value.Value));
        return why.Step(
                StepKey.HardOfSets,
                Quantity.Sets(item.Resolved!.HardSets),
                Quantity.Sets(item.Resolved.Efforts.Count(e => e.Plan.Part == 1))
            )
            .Build(Quantity.Sets(item.Resolved.HardSets));
    }

    private static Explained<Quantity> OfSession(SessionDose dose, AthleteAtWork athlete)
    {
        var why = Explanation.For(RuleId.TimeOfSession).Source(SourceId.House);
        if (athlete.Intake.Minutes is { } minutes)
            why.Input(InputKey.Minutes, Quantity.Count(minutes));
        why.Step(StepKey.WarmUp, Quantity.Seconds(dose.Session.WarmUp.Seconds));
        foreach (var group in dose.Groups)
        {
            why.Step(
                StepKey.TimeOf,
                Quantity.Seconds(group.Seconds),
                Quantity.Name(string.Join(" + ", group.Items.Select(i => i.Movement?.Name ?? i.Item.Movement)))
            );
            if (group.SavedSeconds > 0)
                why.Step(StepKey.SavedInTurn, Quantity.Seconds(-group.SavedSeconds));
        }

        return why.Step(StepKey.CoolDown, Quantity.Seconds(dose.Session.CoolDown.Seconds))
            .Build(Quantity.Seconds(dose.Seconds));
    }

    private static Explained<Quantity> HardSets(WeekDose week, Pattern pattern, DoseRules rules)
    {
        var why = Explanation
            .For(RuleId.HardSetsOfPattern, Quantity.Name(PatternNames.Of(pattern)))
            .Source(SourceId.Schoenfeld2017, SourceId.House);
        if (rules.Of(pattern) is { } usual)
            why.Input(InputKey.UsualFrom, Quantity.Sets(usual.From)).Input(InputKey.UsualTo, Quantity.Sets(usual.To));
        foreach (var (day, item) in Items(week, i => i.Movement!.Pattern == pattern && i.Resolved!.HardSets > 0))
            why.Step(
                StepKey.OnDay,
                Quantity.Sets(item.Resolved!.HardSets),
                Quantity.Name(item.Movement!.Name),
                Quantity.On(day)
            );
        return why.Build(Quantity.Sets(week.Patterns.FirstOrDefault(p => p.Pattern == pattern)?.Sets ?? 0));
    }

    private static Explained<Quantity> PullToPush(WeekDose week, DoseRules rules) =>
        Explanation
            .For(RuleId.PullToPush)
            .Source(SourceId.House)
            .Input(InputKey.UsualFrom, Quantity.Plain(rules.PullToPushFrom))
            .Input(InputKey.UsualTo, Quantity.Plain(rules.PullToPushTo))
            .Step(StepKey.PullSets, Quantity.Sets(week.Pull))
            .Step(StepKey.PushSets, Quantity.Sets(week.Push))
            .Build(Quantity.Plain(week.PullToPush ?? 0));

    private static Explained<Quantity> Sides(WeekDose week)
    {
        var why = Explanation.For(RuleId.SidesOfWeek).Source(SourceId.CommonPractice);
        foreach (var (day, item) in Items(week, i => i.Resolved!.Left + i.Resolved.Right > 0))
        {
            why.Step(
                    StepKey.LeftOf,
                    Quantity.Count(item.Resolved!.Left),
                    Quantity.Name(item.Movement!.Name),
                    Quantity.On(day)
                )
                .Step(
                    StepKey.RightOf,
                    Quantity.Count(item.Resolved.Right),
                    Quantity.Name(item.Movement.Name),
                    Quantity.On(day)
                );
        }

        return why.Build(Quantity.Count(week.Left - week.Right));
    }

    private static Explained<Quantity> Volume(WeekDose week)
    {
        var why = Explanation.For(RuleId.VolumeLoad).Source(SourceId.CommonPractice);
        foreach (var (day, item) in Items(week, i => i.Resolved!.VolumeLoad is not null))
            why.Step(
                StepKey.OnDay,
                Quantity.Of(Mass.FromKilograms(Math.Round(item.Resolved!.VolumeLoad!.Value, 1))),
                Quantity.Name(item.Movement!.Name),
                Quantity.On(day)
            );
        return why.Build(Quantity.Of(Mass.FromKilograms(Math.Round(week.VolumeLoad, 1))));
    }

    private static IEnumerable<(DateOnly Day, ItemReading Item)> Items(WeekDose week, Func<ItemReading, bool> which) =>
        week.Sessions.SelectMany(s =>
            s.Items.Where(i => i.Resolved is not null && which(i)).Select(i => (s.Session.Day, i))
        );
}
