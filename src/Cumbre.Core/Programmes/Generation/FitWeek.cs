using Cumbre.Core.Explanations;
using Cumbre.Core.Movements;

namespace Cumbre.Core.Programmes.Generation;

/// <summary>
/// Makes a week hold: the minutes and working sets of each session, pull against push, the hard sets of a pattern. What
/// is too much gives way in the order of the rules; where minutes are left and a pattern is short of sets, it is filled.
/// </summary>
internal sealed class FitWeek(
    AthleteAtWork athlete,
    DoseRules dose,
    GeneratorRules rules,
    int minutes,
    IReadOnlySet<Pattern> ofGoals,
    Proof proof
)
{
    /// <summary>Of one exercise.</summary>
    public const int SetsMost = 5;

    private const int SetsFew = 2,
        SetsOfSkill = 3,
        SetsOfSecond = 4,
        SetsOfMain = 4,
        TurnsMost = 60;

    private const decimal FirstWeekShare = 0.9m;

    /// <summary>A session that uses less of its minutes says why.</summary>
    private const decimal LeastShare = 0.85m;

    private readonly int sets = dose.SetsIn(minutes);

    /// <summary>
    /// Sessions that are too long are done in turn first, then with what stands lowest in the drop order left out:
    /// second and main exercises in two sets before they go.
    /// </summary>
    public IEnumerable<LeftOut> Minutes(DraftDay day)
    {
        Join(day, SlotRole.SecondPush, SlotRole.SecondPull);
        Fewer(day, i => (i.IsSecond && !i.HoldsBack) || i.Role is SlotRole.Legs or SlotRole.Trunk, SetsFew);
        foreach (var kind in rules.DropOrder)
        {
            if (kind == DropKind.Second)
                Join(day, SlotRole.MainPush, SlotRole.MainPull);

            if (kind == DropKind.Main)
            {
                Fewer(day, i => i.IsMain, SetsFew);
                Fewer(day, i => i.Role == SlotRole.SkillHard, SetsOfSkill);
            }

            // Of several of a kind the last goes first.
            while (IsOver(day) && Last(day, kind) is var at and >= 0)
            {
                // The last exercise of the day is shortened, not left out.
                if (day.Items.Count == 1 && day.Items[0].Plan.SetCount > 1)
                {
                    day.Items[0].Replace(day.Items[0].Plan.WithSets(day.Items[0].Plan.SetCount - 1));
                    continue;
                }

                var gone = day.Items[at];
                day.Items.RemoveAt(at);
                Unjoin(day, at);
                yield return new(day.Shape.DayOfWeek, kind, gone.Movement.Name, gone.Read(athlete).Seconds);
            }
        }
    }

    /// <summary>The last of a kind; of a skill its short singles before its volume.</summary>
    private static int Last(DraftDay day, DropKind kind) =>
        day.Items.FindLastIndex(i => i.DropKind == kind && i.IsExposure) is var single and >= 0
            ? single
            : day.Items.FindLastIndex(i => i.DropKind == kind);

    public bool IsOver(DraftDay day) => day.Seconds(athlete) > minutes * 60 || day.WorkingSets > sets;

    /// <summary>
    /// A loading week uses its minutes as long as a pattern is under the middle of its usual sets: first sets of what
    /// holds a goal back, then of the main exercises, then of the second ones, then other exercises.
    /// </summary>
    /// <param name="days">The week.</param>
    /// <param name="more">What else a day can hold, the first choice first.</param>
    public void Fill(IReadOnlyList<DraftDay> days, Func<DraftDay, IEnumerable<Draft>> more)
    {
        Restore(days, i => i.Role is SlotRole.SkillHard or SlotRole.Limiting);
        Grow(
            days,
            (i => (i.Role == SlotRole.Limiting || i.HoldsBack) && !i.IsStraightArm && !i.Plan.IsFast, SetsOfSecond)
        );
        Restore(days, i => i.IsMain || i.IsSecond);

        foreach (var day in days.Where(d => d.Items.Count > 0).OrderBy(d => d.Seconds(athlete)))
        {
            foreach (var draft in more(day))
            {
                if (!IsShort(days))
                    return;
                if (draft.IsWork ? !IsFull(day) && !IsAtMiddle(days, draft) : HasTime(day))
                    Put(days, day, draft);
            }
        }

        Grow(days, (i => i.IsMain, SetsOfMain), (i => i.IsSecond, SetsOfSecond));
        Grow(days, (i => i.Role is SlotRole.Legs or SlotRole.Trunk, SetsOfSecond));
        Restore(days, _ => true);
        // A fifth set of the main exercises is for the later weeks, unless a session would be short without it.
        var roomy = days.Where(IsShorter).SelectMany(d => d.Items).ToHashSet();
        Grow(days, (i => i.IsMain && roomy.Contains(i), SetsMost));
    }

    /// <summary>Does a session leave more of its minutes than it may?</summary>
    public bool IsShorter(DraftDay day) => day.Items.Count > 0 && day.Seconds(athlete) < minutes * 60 * LeastShare;

    /// <summary>
    /// The first week leaves room for the sets and seconds of the later ones: it is filled to nine tenths, and to a set
    /// under the most.
    /// </summary>
    private bool IsFull(DraftDay day) => !HasTime(day) || day.WorkingSets >= sets - 1;

    private bool HasTime(DraftDay day) => day.Seconds(athlete) < minutes * 60 * FirstWeekShare;

    /// <summary>A set each in turn, so that one of pulling makes room for one of pushing.</summary>
    private void Grow(IReadOnlyList<DraftDay> days, params (Func<Draft, bool> Which, int Most)[] growing)
    {
        for (var grows = true; grows; )
        {
            grows = false;
            foreach (var (which, most) in growing)
                grows |= AddSet(days, which, most);
        }
    }

    /// <summary>A later week that has grown too long gives sets of small work, and in the end a drill.</summary>
    public void Trim(DraftDay day)
    {
        while (IsOver(day))
        {
            var small = day
                .Items.Where(i =>
                    i.Role
                        is SlotRole.Trunk
                            or SlotRole.Legs
                            or SlotRole.Isolation
                            or SlotRole.SecondPull
                            or SlotRole.SecondPush
                    && i.Plan.SetCount > 1
                )
                .OrderByDescending(i => Weight(i.Role))
                .ThenByDescending(i => i.Plan.SetCount)
                .FirstOrDefault();
            if (small is not null && small.Plan.WithSets(small.Plan.SetCount - 1) is var fewer && fewer != small.Plan)
                small.Rewrite(fewer, StepKey.SetsForMinutes, Quantity.Sets(fewer.SetCount), Quantity.Count(minutes));
            else if (day.Items.FindLastIndex(i => i.Role == SlotRole.Mobility) is var drill and > 0)
                day.Items.RemoveAt(drill);
            else
                return;
        }
    }

    /// <summary>
    /// Hard sets of pulling over those of pushing come into their range: sets are added where there is time, else taken
    /// away.
    /// </summary>
    /// <param name="days">The week.</param>
    /// <param name="mayAdd">False in an easy week, where sets are only taken away.</param>
    public void Balance(IReadOnlyList<DraftDay> days, bool mayAdd = true)
    {
        for (var turn = 0; turn < TurnsMost; turn++)
        {
            var (pull, push) = (HardSets(days, DoseReader.IsBentPull), HardSets(days, DoseReader.IsBentPush));
            if (IsBalanced(pull, push))
                return;
            var pulls = push == 0 || (decimal)pull / push > dose.PullToPushTo;
            Func<Pattern, bool> more = pulls ? DoseReader.IsBentPull : DoseReader.IsBentPush,
                less = pulls ? DoseReader.IsBentPush : DoseReader.IsBentPull;
            if (!(mayAdd && AddSet(days, less, pull, push)) && !TakeSet(days, more, pull, push))
                return;
        }
    }

    /// <summary>No pattern has more hard sets than is usual: second exercises give theirs first, down to two.</summary>
    public void Cap(IReadOnlyList<DraftDay> days)
    {
        foreach (var limit in dose.HardSets)
        {
            for (
                var over = HardSets(days, p => p == limit.Pattern) - limit.Most(ofGoals.Contains(limit.Pattern));
                over > 0;
                over--
            )
            {
                if (
                    Items(days)
                        .Where(i => i.Item.Movement.Pattern == limit.Pattern && i.Item.Plan.SetCount > 1)
                        .OrderBy(i => i.Item is { IsSecond: true, Plan.SetCount: > SetsFew } ? 0 : 1)
                        .ThenByDescending(i => Weight(i.Item))
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

    /// <summary>Another plan for an item, if the session and the week still hold with it.</summary>
    public bool Try(IReadOnlyList<DraftDay> days, DraftDay day, Draft item, Prescriptions.Prescription plan)
    {
        var before = item.Plan;
        // What was over already, as the coach wrote it, may grow in reps and not in sets or over the minutes.
        var (wasOver, had) = (IsOver(day), day.WorkingSets);
        var (pull, push) = (HardSets(days, DoseReader.IsBentPull), HardSets(days, DoseReader.IsBentPush));
        item.Replace(plan);
        var limit = MostOf(item.Movement.Pattern);
        var (pullThen, pushThen) = (HardSets(days, DoseReader.IsBentPull), HardSets(days, DoseReader.IsBentPush));
        if (
            (!IsOver(day) || (wasOver && day.WorkingSets <= had && day.Seconds(athlete) <= minutes * 60))
            && HardSets(days, p => p == item.Movement.Pattern) <= limit
            && (IsBalanced(pullThen, pushThen) || !IsBalanced(pull, push))
            && proof.Holds(day)
        )
            return true;
        item.Replace(before);
        return false;
    }

    /// <summary>
    /// Another plan for an item, if need be with a set less of small work: trunk, legs and isolation pay for it, down
    /// to two sets.
    /// </summary>
    public bool TryWithSmallWork(
        IReadOnlyList<DraftDay> days,
        DraftDay day,
        Draft item,
        Prescriptions.Prescription plan
    )
    {
        if (Try(days, day, item, plan))
            return true;
        foreach (
            var small in day.Items.Where(i =>
                i is { SetsAreFixed: false, Role: SlotRole.Trunk or SlotRole.Legs or SlotRole.Isolation }
                && i.Plan.SetCount > SetsFew
            )
        )
        {
            var before = small.Plan;
            small.Replace(before.WithSets(before.SetCount - 1));
            if (Try(days, day, item, plan))
            {
                small.Step(StepKey.SetsForMinutes, Quantity.Sets(small.Plan.SetCount), Quantity.Count(minutes));
                return true;
            }

            small.Replace(before);
        }

        return false;
    }

    public int HardSets(IEnumerable<DraftDay> days, Func<Pattern, bool> which) =>
        days.SelectMany(d => d.Items)
            .Where(i => which(i.Movement.Pattern))
            .Sum(i => i.Read(athlete).Resolved?.HardSets ?? 0);

    private int MostOf(Pattern pattern) => dose.Of(pattern)?.Most(ofGoals.Contains(pattern)) ?? int.MaxValue;

    private bool IsBalanced(int pull, int push)
    {
        if (pull + push < dose.HardSets.Min(p => p.From) * 2)
            return true;
        return push > 0 && (decimal)pull / push <= dose.PullToPushTo && (decimal)pull / push >= dose.PullToPushFrom;
    }

    /// <summary>Is some pattern that the week trains under the middle of its usual sets?</summary>
    private bool IsShort(IReadOnlyList<DraftDay> days) =>
        dose.HardSets.Any(p =>
            (p.Pattern < Pattern.StraightArmPull || days.Any(d => d.Items.Any(i => i.Movement.Pattern == p.Pattern)))
            && HardSets(days, q => q == p.Pattern) < p.Middle(ofGoals.Contains(p.Pattern))
        );

    /// <summary>Legs and trunk get no exercise more once they have their sets, whatever else is short.</summary>
    private bool IsAtMiddle(IReadOnlyList<DraftDay> days, Draft draft) =>
        draft.Role is SlotRole.Legs or SlotRole.Trunk
        && dose.Of(draft.Movement.Pattern) is { } usual
        && HardSets(days, p => p == usual.Pattern) >= usual.Middle(ofGoals.Contains(usual.Pattern));

    /// <summary>A set more of the exercise that has the fewest, of a pattern that is short, on the day with most time.</summary>
    private bool AddSet(IReadOnlyList<DraftDay> days, Func<Draft, bool> which, int most)
    {
        foreach (
            var (day, item) in Items(days)
                .Where(i => which(i.Item) && i.Item.Plan.SetCount < most && !i.Item.StaysTheSame && !IsFull(i.Day))
                .OrderBy(i => i.Item.Plan.SetCount)
                .ThenBy(i => i.Day.Seconds(athlete))
        )
        {
            var pattern = item.Movement.Pattern;
            var now = HardSets(days, p => p == pattern);
            if (dose.Of(pattern) is not { } usual || now >= usual.Middle(ofGoals.Contains(pattern)))
                continue;
            var more = item.Plan.WithSets(item.Plan.SetCount + 1);
            if (more == item.Plan || !Try(days, day, item, more))
                continue;
            item.Step(
                StepKey.FillsMinutes,
                Quantity.Sets(more.SetCount),
                Quantity.Sets(now),
                Quantity.Sets(usual.Middle(ofGoals.Contains(pattern)))
            );
            return true;
        }

        return false;
    }

    /// <summary>Sets that the minutes took come back where there is room after all.</summary>
    private void Restore(IReadOnlyList<DraftDay> days, Func<Draft, bool> which)
    {
        foreach (var (day, item) in Items(days).Where(i => which(i.Item)))
        {
            while (
                item.Plan.SetCount < item.FullSets
                && item.Plan.WithSets(item.Plan.SetCount + 1) is var more
                && more != item.Plan
                && Try(days, day, item, more)
            ) { }
        }
    }

    /// <summary>Another exercise, if it fits: with fewer sets where it must.</summary>
    private void Put(IReadOnlyList<DraftDay> days, DraftDay day, Draft draft)
    {
        var limit = MostOf(draft.Movement.Pattern);
        var at = day.Items.FindLastIndex(i => i.Role != SlotRole.Mobility) + 1;
        if (draft.Role == SlotRole.Legs && day.Items.FindIndex(i => i.Role == SlotRole.Trunk) is var trunk and >= 0)
            at = trunk;
        if (draft.Role == SlotRole.Mobility)
            at = day.Items.Count;
        else if (draft.IsMain)
            at = day.Items.FindLastIndex(i => i.Skill is not null || i.Role == SlotRole.Limiting) + 1;
        var (pull, push) = (HardSets(days, DoseReader.IsBentPull), HardSets(days, DoseReader.IsBentPush));
        day.Items.Insert(at, draft);
        for (var count = draft.Plan.SetCount; count >= SetsFew; count--)
        {
            draft.Replace(draft.Plan.WithSets(count));
            var (pullThen, pushThen) = (HardSets(days, DoseReader.IsBentPull), HardSets(days, DoseReader.IsBentPush));
            if (
                !IsOver(day)
                && HardSets(days, p => p == draft.Movement.Pattern) <= limit
                && (IsBalanced(pullThen, pushThen) || !IsBalanced(pull, push))
                && proof.Holds(day)
            )
                return;
            if (draft.Role == SlotRole.Mobility)
                break;
        }

        day.Items.RemoveAt(at);
    }

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
            var limit = MostOf(item.Movement.Pattern);
            item.Replace(before.WithSets(before.SetCount + 1));
            if (
                item.Read(athlete).Resolved?.HardSets > hard
                && !IsOver(day)
                && HardSets(days, p => p == item.Movement.Pattern) <= limit
                && proof.Holds(day)
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
    /// only then is a main exercise done in one set. A skill's last exercise never goes for the balance.
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
            || Remove(Most(i => (i.IsSecond && !i.HoldsBack) || i.Role == SlotRole.Isolation))
            || Take(Most(i => i.Plan.SetCount > SetsOfSkill && Weight(i) < Weight(SlotRole.SkillKept)))
            || Take(Most(i => i.Plan.SetCount > 1))
            || Remove(Most(i => !i.HoldsBack))
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
        for (var i = 1; i < day.Items.Count && IsLong(day); i++)
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

    /// <summary>Doing exercises in turn saves minutes, not sets.</summary>
    private bool IsLong(DraftDay day) => day.Seconds(athlete) > minutes * 60;

    /// <summary>
    /// What was joined with an exercise that is gone begins a group of its own, or stays with the one before that.
    /// </summary>
    private static void Unjoin(DraftDay day, int at)
    {
        if (at < day.Items.Count && (at == 0 || !day.Items[at].Joined || day.Items[at].Role != SlotRole.Mobility))
            day.Items[at].Joined = at > 0 && day.Items[at].Joined && day.Items[at].Role == SlotRole.Mobility;
    }
}
