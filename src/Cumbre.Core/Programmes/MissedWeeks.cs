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
public sealed record ItemChange(Guid Item, DateOnly Session, (string Movement, WrittenLine Line) Before, (string Movement, WrittenLine Line) After, ChangeReason Reason);

/// <summary>What missed weeks ask for (this project's choice).</summary>
public enum ReturnRule
{
    /// <summary>One week: it is repeated.</summary>
    Repeat,

    /// <summary>Two weeks: 5 % of the system less, and a third fewer sets.</summary>
    Less,

    /// <summary>Three or four: 10 % less, and straight-arm work one step lower.</summary>
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
    /// <param name="week">The first week that was missed, from 1. What was begun in it stays; the rest of it, and all after it, moves.</param>
    /// <param name="missed">1 to 8.</param>
    /// <param name="athlete">Whose.</param>
    /// <exception cref="RuleViolationException">No such week, or the block would be too long.</exception>
    public static ShiftedBlock Shift(Block block, int week, int missed, AthleteAtWork athlete)
    {
        Guard.InRange("week", week, 1, block.Weeks.Count);
        Guard.InRange("missed", missed, 1, 8);
        Guard.InRange("weeks", block.Weeks.Count + missed, 1, Block.WeeksMaximum);
        var rule = missed switch
        {
            1 => ReturnRule.Repeat,
            2 => ReturnRule.Less,
            <= 4 => ReturnRule.MuchLess,
            _ => ReturnRule.Retest,
        };
        var changes = new List<ItemChange>();
        var at = week - 1;
        var first = block.Weeks[at];
        BlockWeek Moved(BlockWeek w) => w with { Sessions = [.. w.Sessions.Where(s => !s.Fixed).Select(s => s with { Day = s.Day.AddDays(7 * missed) })] };
        var back = Moved(first);
        back = back with
        {
            Kind = rule == ReturnRule.Retest ? WeekKind.Retest : back.Kind,
            Sessions = [.. back.Sessions.Select(s => s with { Items = [.. s.Items.Select(i => Eased(i, s.Day, rule, athlete, changes))] })],
        };
        BlockWeek[] gap = [first with { Sessions = [.. first.Sessions.Where(s => s.Fixed)] }, .. Enumerable.Repeat(new BlockWeek(WeekKind.Easy, []), missed - 1)];
        return new(block with { Weeks = [.. block.Weeks.Take(at), .. gap, back, .. block.Weeks.Skip(week).Select(Moved)] }, rule, changes);
    }

    private static BlockItem Eased(BlockItem item, DateOnly day, ReturnRule rule, AthleteAtWork athlete, List<ItemChange> changes)
    {
        if (rule is ReturnRule.Repeat or ReturnRule.Retest || athlete.Read(item) is not { Plan: { } plan, Movement: { } movement })
            return item;
        if (rule == ReturnRule.MuchLess && movement.Pattern is Pattern.StraightArmPull or Pattern.StraightArmPush && Lower(movement, athlete) is { } lower)
            return Change(item, day, lower.Slug, UsualDose.For(lower, athlete), ChangeReason.StepLower, changes);
        var share = rule == ReturnRule.Less ? 0.95m : 0.90m;
        var lighter = WithSystem(plan, share, athlete.ContextOf(movement));
        if (rule == ReturnRule.Less)
            lighter = lighter.WithSets(Math.Max(1, lighter.SetCount - lighter.SetCount / 3));
        return lighter == plan ? item : Change(item, day, item.Movement, lighter, ChangeReason.LessAfterBreak, changes);
    }

    internal static BlockItem Change(BlockItem item, DateOnly day, string movement, WrittenLine line, ChangeReason reason, List<ItemChange> changes)
    {
        if (movement == item.Movement && line == item.Written)
            return item;
        changes.Add(new(item.Id, day, (item.Movement, item.Written), (movement, line), reason));
        return item with { Movement = movement, Written = line };
    }

    private static Movement? Lower(Movement movement, AthleteAtWork athlete) =>
        athlete.StepsOf(movement.Slug) is [var step, ..] && step.Step.After is [.., var before] && step.Ladder.Steps[before] is { } lower && athlete.Atlas.Catalogue.Movements[lower.Movement] is { } found && found.Pattern == movement.Pattern
            ? found
            : null;

    /// <summary>The plan at a share of its system; what hangs on no known load stays.</summary>
    internal static Prescription WithSystem(Prescription plan, decimal share, ResolutionContext? context)
    {
        switch (plan.Load)
        {
            case ShareOfOneRepMax s:
                return plan with { Load = new ShareOfOneRepMax(Math.Clamp(Math.Round(s.Percent * share, 1), ShareOfOneRepMax.Minimum, ShareOfOneRepMax.Maximum)) };
            case ShareOfBodyMass b:
                return plan with { Load = new ShareOfBodyMass(Math.Clamp(Math.Round((100 + b.Percent) * share - 100, 1), ShareOfBodyMass.Minimum, ShareOfBodyMass.Maximum)) };
            case AddedLoad { Entry: var entry } when context is not null && entry.Value > 0:
                return plan with { Load = new AddedLoad(Lighter(entry, share, context)) };
            default:
                if (plan is not DropSet drop || context is null)
                    return plan;
                var loads = drop.Loads.Select(l => Lighter(l, share, context)).ToArray();
                return loads.Zip(loads.Skip(1)).All(p => p.Second.Mass < p.First.Mass) ? new DropSet(drop.SetTotal, drop.Parts, [.. loads]).Like(drop) : plan;
        }
    }

    private static MassEntry Lighter(MassEntry entry, decimal share, ResolutionContext context)
    {
        var body = context.BodyMass.Value;
        var wanted = Mass.Max(Mass.Zero, (body + entry.Mass) * share - body);
        return MassEntry.Of(context.Kit.AtMost(wanted).Total, entry.Unit);
    }
}
