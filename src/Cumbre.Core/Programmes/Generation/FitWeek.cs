using Cumbre.Core.Explanations;
using Cumbre.Core.Movements;

namespace Cumbre.Core.Programmes.Generation;

/// <summary>
/// Makes a week hold: the minutes of each session, pull against push, the most hard sets of a pattern.
/// </summary>
internal sealed class FitWeek(AthleteAtWork athlete, DoseRules dose, GeneratorRules rules, int minutes)
{
    /// <summary>Of one exercise.</summary>
    public const int SetsMost = 5;

    private const int SetsFew = 2,
        SetsOfSkill = 3;

    /// <summary>
    /// Sessions that are too long are done in turn first, then with what stands lowest in the drop order left out, the
    /// second
    /// exercises in two sets before they go.
    /// </summary>
    public IEnumerable<LeftOut> Minutes(DraftDay day)
    {
        Join(day, SlotRole.SecondPush, SlotRole.SecondPull);
        foreach (var kind in rules.DropOrder)
        {
            if (kind == DropKind.Second)
            {
                Fewer(day, i => i.IsSecond, SetsFew);
                Join(day, SlotRole.MainPush, SlotRole.MainPull);
            }

            if (kind == DropKind.Main)
            {
                Fewer(day, i => i.IsMain, SetsFew);
                Fewer(day, i => i.IsMain, 1);
            }

            // Of several of a kind the last goes first.
            while (IsOver(day) && day.Items.FindLastIndex(i => i.DropKind == kind) is var at and >= 0)
            {
                var gone = day.Items[at];
                day.Items.RemoveAt(at);
                Unjoin(day, at);
                yield return new(day.Shape.DayOfWeek, kind, gone.Movement.Name, gone.Read(athlete).Seconds);
            }
        }
    }

    public bool IsOver(DraftDay day) => day.Seconds(athlete) > minutes * 60;

    /// <summary>
    /// Hard sets of pulling over those of pushing come into their range: sets are added where there is time, else taken
    /// away.
    /// </summary>
    /// <param name="days">The week.</param>
    /// <param name="mayAdd">False in an easy week, where sets are only taken away.</param>
    public void Balance(IReadOnlyList<DraftDay> days, bool mayAdd = true)
    {
        for (var turn = 0; turn < 60; turn++)
        {
            var (pull, push) = (HardSets(days, DoseReader.IsPull), HardSets(days, DoseReader.IsPush));
            if (pull + push < dose.HardSets.Min(p => p.From) * 2)
                return;
            var pulls = push == 0 || (decimal)pull / push > dose.PullToPushTo;
            if (!pulls && (decimal)pull / push >= dose.PullToPushFrom)
                return;
            Func<Pattern, bool> more = pulls ? DoseReader.IsPull : DoseReader.IsPush,
                less = pulls ? DoseReader.IsPush : DoseReader.IsPull;
            if (!(mayAdd && AddSet(days, less, pull, push)) && !TakeSet(days, more, pull, push))
                return;
        }
    }

    /// <summary>No pattern has more hard sets than is usual.</summary>
    public void Cap(IReadOnlyList<DraftDay> days)
    {
        foreach (var limit in dose.HardSets)
        {
            for (var over = HardSets(days, p => p == limit.Pattern) - limit.To; over > 0; over--)
            {
                if (
                    Items(days)
                        .Where(i => i.Item.Movement.Pattern == limit.Pattern && i.Item.Plan.SetCount > 1)
                        .OrderByDescending(i => Weight(i.Item))
                        .ThenByDescending(i => i.Item.Plan.SetCount)
                        .FirstOrDefault()
                    is not { Item: { } item }
                )
                    return;
                item.Rewrite(
                    item.Plan.WithSets(item.Plan.SetCount - 1),
                    StepKey.MendedByCheck,
                    Quantity.Word(CautionId.HardSetsOver)
                );
            }
        }
    }

    public int HardSets(IEnumerable<DraftDay> days, Func<Pattern, bool> which) =>
        days.SelectMany(d => d.Items)
            .Where(i => which(i.Movement.Pattern))
            .Sum(i => i.Read(athlete).Resolved?.HardSets ?? 0);

    private static IEnumerable<(DraftDay Day, Draft Item)> Items(IReadOnlyList<DraftDay> days) =>
        days.SelectMany(d => d.Items.Select(i => (d, i)));

    /// <summary>What gives way first when sets must go.</summary>
    private static int Weight(Draft item) => Weight(item.Role);

    private static int Weight(SlotRole role) =>
        role switch
        {
            SlotRole.Isolation => 6,
            SlotRole.SecondPull or SlotRole.SecondPush => 5,
            SlotRole.MainPull or SlotRole.MainPush => 4,
            SlotRole.SkillKept => 3,
            SlotRole.SkillLight => 2,
            SlotRole.Limiting => 1,
            _ => 0,
        };

    private bool AddSet(IReadOnlyList<DraftDay> days, Func<Pattern, bool> which, int pull, int push)
    {
        foreach (
            var (day, item) in Items(days)
                .Where(i =>
                    which(i.Item.Movement.Pattern)
                    && (i.Item.IsMain || i.Item.IsSecond)
                    && i.Item.Plan.SetCount < SetsMost
                )
                .OrderBy(i => i.Item.Plan.SetCount)
                .ThenBy(i => i.Item.IsSecond)
        )
        {
            var before = item.Plan;
            var hard = item.Read(athlete).Resolved?.HardSets ?? 0;
            var limit = dose.Of(item.Movement.Pattern)?.To ?? int.MaxValue;
            item.Replace(before.WithSets(before.SetCount + 1));
            if (
                item.Read(athlete).Resolved?.HardSets > hard
                && !IsOver(day)
                && HardSets(days, p => p == item.Movement.Pattern) <= limit
            )
            {
                item.Step(
                    StepKey.SetsForBalance,
                    Quantity.Sets(item.Plan.SetCount),
                    Quantity.Sets(pull),
                    Quantity.Sets(push)
                );
                return true;
            }

            item.Replace(before);
        }

        return false;
    }

    /// <summary>
    /// Sets go from second and main exercises down to two, then second exercises go, then sets of skills down to three;
    /// only then is a main
    /// exercise done in one set, and in the end it goes as well.
    /// </summary>
    private bool TakeSet(IReadOnlyList<DraftDay> days, Func<Pattern, bool> which, int pull, int push)
    {
        var heavy = Items(days)
            .Where(i => which(i.Item.Movement.Pattern) && i.Item.Read(athlete).Resolved is { HardSets: > 0 })
            .ToArray();
        Draft? Most(Func<Draft, bool> among) =>
            heavy
                .Select(i => i.Item)
                .Where(among)
                .OrderByDescending(Weight)
                .ThenByDescending(i => i.Plan.SetCount)
                .FirstOrDefault();
        bool Take(Draft? from)
        {
            if (from is null || from.Plan.WithSets(from.Plan.SetCount - 1) is var fewer && fewer == from.Plan)
                return false;
            from.Rewrite(
                fewer,
                StepKey.SetsForBalance,
                Quantity.Sets(fewer.SetCount),
                Quantity.Sets(pull),
                Quantity.Sets(push)
            );
            return true;
        }

        bool Remove(Draft? gone)
        {
            if (gone is null)
                return false;
            var day = days.First(d => d.Items.Contains(gone));
            var at = day.Items.IndexOf(gone);
            day.Items.RemoveAt(at);
            Unjoin(day, at);
            return true;
        }

        return Take(Most(i => i.Plan.SetCount > SetsFew && Weight(i) >= Weight(SlotRole.SkillKept)))
            || Remove(Most(i => i.IsSecond || i.Role == SlotRole.Isolation))
            || Take(Most(i => i.Plan.SetCount > SetsOfSkill && Weight(i) < Weight(SlotRole.SkillKept)))
            || Take(Most(i => i.Plan.SetCount > 1))
            || Remove(Most(_ => true));
    }

    private void Fewer(DraftDay day, Func<Draft, bool> which, int sets)
    {
        foreach (var item in day.Items.Where(i => which(i) && i.Plan.SetCount > sets))
        {
            if (!IsOver(day))
                return;
            var fewer = item.Plan.WithSets(sets);
            if (fewer != item.Plan)
                item.Rewrite(fewer, StepKey.SetsForMinutes, Quantity.Sets(fewer.SetCount), Quantity.Count(minutes));
        }
    }

    /// <summary>
    /// A push is done in turn with the pull before it, or the other way round, where both stand next to each other.
    /// </summary>
    private void Join(DraftDay day, SlotRole one, SlotRole other)
    {
        for (var i = 1; i < day.Items.Count && IsOver(day); i++)
        {
            var (before, item) = (day.Items[i - 1], day.Items[i]);
            if (
                item.Joined
                || before.Joined
                || !((item.Role == one && before.Role == other) || (item.Role == other && before.Role == one))
            )
                continue;
            var apart = day.Seconds(athlete);
            item.Joined = true;
            item.Step(StepKey.InTurn, Quantity.Seconds(apart - day.Seconds(athlete)));
        }
    }

    /// <summary>
    /// What was joined with an exercise that is gone begins a group of its own, or stays with the one before that.
    /// </summary>
    private static void Unjoin(DraftDay day, int at)
    {
        if (at < day.Items.Count && (at == 0 || !day.Items[at].Joined || day.Items[at].Role != SlotRole.Mobility))
            day.Items[at].Joined = at > 0 && day.Items[at].Joined && day.Items[at].Role == SlotRole.Mobility;
    }
}
