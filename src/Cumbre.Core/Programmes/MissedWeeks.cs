using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Programmes;

/// <summary>Why an item was changed by a rule.</summary>
public enum ChangeReason
{
    /// <summary>After missed weeks: less load, or fewer sets.</summary>
    LessAfterBreak,

    /// <summary>After missed weeks: straight-arm work one step lower.</summary>
    StepLower,

    /// <summary>The step is above the placement.</summary>
    StepLocked,

    /// <summary>The step is won: the one in training takes its place.</summary>
    StepWon,

    /// <summary>The load hangs on a test that the athlete has not done.</summary>
    NoTest,

    /// <summary>Seconds from the athlete's own best hold.</summary>
    HoldByBest,

    /// <summary>Fewer clean reps than the line asks.</summary>
    TooHard,
    KitMissing,
}

/// <summary>What a rule changed in an item.</summary>
/// <param name="Item">The item as it is now.</param>
/// <param name="Session">The day of its session.</param>
/// <param name="Before">Movement and line before.</param>
/// <param name="After">Now.</param>
/// <param name="Reason">Why.</param>
public sealed record ItemChange(
    Guid Item,
    DateOnly Session,
    (string Movement, WrittenLine Line) Before,
    (string Movement, WrittenLine Line) After,
    ChangeReason Reason
);

/// <summary>What missed weeks ask for (this project's choice).</summary>
public enum ReturnRule
{
    /// <summary>One week: it is repeated.</summary>
    Repeat,

    /// <summary>Two weeks: 5 % of the system less, and a third fewer sets.</summary>
    Less,

    /// <summary>Three or four: 10 % less, half the sets, and straight-arm work one step lower.</summary>
    MuchLess,

    /// <summary>More: the first week back is for tests.</summary>
    Retest,
}

/// <summary>A block after missed weeks.</summary>
public sealed record ShiftedBlock(Block Block, ReturnRule Rule, IReadOnlyList<ItemChange> Changes);

/// <summary>Shifts a block after missed weeks, and eases the first week back by the rule.</summary>
public static class MissedWeeks
{
    /// <param name="block">As planned.</param>
    /// <param name="week">The first week that was missed, from 1. What was begun in it stays; the rest of it, and all
    /// after it, moves.</param>
    /// <param name="missed">1 to 8.</param>
    /// <param name="athlete">Whose.</param>
    /// <exception cref="RuleViolationException">No such week, or the block would be too long.</exception>
    public static ShiftedBlock Shift(Block block, int week, int missed, AthleteAtWork athlete)
    {
        Guard.InRange("week", week, 1, block.Weeks.Count);
        Guard.InRange("missed", missed, 1, 8);
        Guard.InRange("weeks", block.Weeks.Count + missed, 1, Block.WeeksMaximum);
        var rule = RuleOf(missed);
        var changes = new List<ItemChange>();
        var at = week - 1;
        var first = block.Weeks[at];
        BlockWeek Moved(BlockWeek w) =>
            w with
            {
                Sessions = [.. w.Sessions.Where(s => !s.Fixed).Select(s => s with { Day = s.Day.AddDays(7 * missed) })],
            };
        var back = Moved(first);
        back = back with
        {
            Kind = rule == ReturnRule.Retest ? WeekKind.Retest : back.Kind,
            Sessions =
            [
                .. back.Sessions.Select(s =>
                    s with
                    {
                        Items = [.. s.Items.Select(i => Eased(i, s.Day, rule, athlete, changes))],
                    }
                ),
            ],
        };
        BlockWeek[] gap =
        [
            first with
            {
                Sessions = [.. first.Sessions.Where(s => s.Fixed)],
            },
            .. Enumerable.Repeat(new BlockWeek(WeekKind.Easy, []), missed - 1),
        ];
        return new(
            block with
            {
                Weeks = [.. block.Weeks.Take(at), .. gap, back, .. block.Weeks.Skip(week).Select(Moved)],
            },
            rule,
            changes
        );
    }

    private static BlockItem Eased(
        BlockItem item,
        DateOnly day,
        ReturnRule rule,
        AthleteAtWork athlete,
        List<ItemChange> changes
    )
    {
        if (
            rule is ReturnRule.Repeat or ReturnRule.Retest
            || athlete.Read(item) is not { Plan: { } plan, Movement: { } movement }
        )
            return item;
        var straightArm = movement.Pattern is Pattern.StraightArmPull or Pattern.StraightArmPush;
        if (rule == ReturnRule.MuchLess && straightArm && Lower(movement, athlete) is { } lower)
            return Change(
                item,
                day,
                lower.Slug,
                Halved(UsualDose.For(lower, athlete)),
                ChangeReason.StepLower,
                changes
            );
        var lighter = Back(plan, rule, athlete.ContextOf(movement));
        return lighter == plan ? item : Change(item, day, item.Movement, lighter, ChangeReason.LessAfterBreak, changes);
    }

    internal static BlockItem Change(
        BlockItem item,
        DateOnly day,
        string movement,
        WrittenLine line,
        ChangeReason reason,
        List<ItemChange> changes
    )
    {
        if (movement == item.Movement && line == item.Written)
            return item;
        changes.Add(new(item.Id, day, (item.Movement, item.Written), (movement, line), reason));
        return item with { Movement = movement, Written = line };
    }

    /// <summary>
    /// A plan after a break: the longer it was, the easier, in load and in sets (common practice, no source).
    /// </summary>
    /// <param name="plan">As it was.</param>
    /// <param name="rule">What the break asks for.</param>
    /// <param name="context">Of the movement.</param>
    /// <param name="atMost">The most of the system that is left, 0 to 1.</param>
    internal static Prescription Back(
        Prescription plan,
        ReturnRule rule,
        ResolutionContext? context,
        decimal atMost = 1
    )
    {
        var (share, fewer) = rule switch
        {
            ReturnRule.Repeat => (1m, plan),
            ReturnRule.Less => (0.95m, Adjust.ThirdFewerSets(plan)),
            _ => (0.90m, Halved(plan)),
        };
        return Math.Min(share, atMost) is var left and < 1 ? Adjust.ToSystemShare(fewer, left, context) : fewer;
    }

    /// <summary>What so many missed weeks ask for.</summary>
    internal static ReturnRule RuleOf(int missedWeeks) =>
        missedWeeks switch
        {
            <= 1 => ReturnRule.Repeat,
            2 => ReturnRule.Less,
            <= 4 => ReturnRule.MuchLess,
            _ => ReturnRule.Retest,
        };

    private static Prescription Halved(Prescription plan) => plan.WithSets(Math.Max(1, plan.SetCount / 2));

    internal static Movement? Lower(Movement movement, AthleteAtWork athlete) =>
        athlete.StepsOf(movement.Slug) is [var step, ..]
        && step.Step.After is [.., var before]
        && step.Ladder.Steps[before] is { } lower
        && athlete.Atlas.Catalogue.Movements[lower.Movement] is { } found
        && found.Pattern == movement.Pattern
            ? found
            : null;
}
