using Cumbre.Core.Explanations;
using Cumbre.Core.Movements;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Programmes.Generation;

/// <summary>
/// Holds the drafted weeks against the checks of the dose panel and mends what they find by their own nearest remedy;
/// what has no remedy is
/// taken out. So no block leaves the generator with a caution on it.
/// </summary>
internal sealed class Mending(
    AthleteAtWork athlete,
    BlockWish wish,
    DoseRules dose,
    GeneratorRules rules,
    List<Notice> notices
)
{
    private const int RemediesMost = 24;

    /// <summary>As a coach would write it beside the caution.</summary>
    private const string EasedReason = "Made easier for it; ask for pain after each set.";

    private readonly Dictionary<Guid, Draft> drafts = [];
    private readonly HashSet<(string Caution, Guid Item, RemedyKind Kind, Prescription? Plan)> tried = [];

    public GeneratedBlock Mend(IReadOnlyList<IReadOnlyList<DraftDay>> weeks)
    {
        var block = Build(weeks);
        for (var turn = 0; ; turn++)
        {
            var cautions = BlockChecks
                .Of(block, DoseReader.Read(block, athlete, dose), athlete, dose)
                .Where(c => c.KeptBecause is null)
                .ToList();
            var eased = cautions.Where(IsEased).ToArray();
            if (eased.Length > 0)
            {
                block = Keep(block, eased);
                cautions.RemoveAll(eased.Contains);
            }

            if (cautions.Count == 0)
                break;
            // One mend an item a turn: the next may not be needed any more.
            foreach (
                var caution in cautions.DistinctBy(c =>
                    c.Item ?? c.Session ?? (c.Remedies is [var first, ..] ? first.Item : null) ?? Guid.Empty
                )
            )
                block = turn < RemediesMost ? Apply(block, caution) : TakeOut(block, caution);
        }

        return Made(block);
    }

    /// <summary>The weeks as they are, with the cautions that are open on them.</summary>
    public GeneratedBlock AsWritten(IReadOnlyList<IReadOnlyList<DraftDay>> weeks, WeekKind last)
    {
        var block = Build(weeks, last);
        var cautions = BlockChecks.Of(block, DoseReader.Read(block, athlete, dose), athlete, dose);
        return Made(Keep(block, cautions.Where(IsEased)));
    }

    /// <summary>What was eased for pain stands, and says so.</summary>
    private bool IsEased(ProgrammeCaution caution) =>
        caution is { Id: CautionId.PainThere, Item: { } item } && drafts[item].IsEased;

    private static Block Keep(Block block, IEnumerable<ProgrammeCaution> cautions) =>
        block with
        {
            Kept = [.. block.Kept, .. cautions.Select(c => new Kept(c.Key, EasedReason))],
        };

    private GeneratedBlock Made(Block block)
    {
        var items = block.Weeks.SelectMany(w => w.Sessions).SelectMany(s => s.Items).Select(i => i.Id);
        return new(block, items.ToDictionary(id => id, id => drafts[id].Why()), [], notices);
    }

    private Block Build(IReadOnlyList<IReadOnlyList<DraftDay>> weeks, WeekKind last = WeekKind.Retest) =>
        new(
            wish.Name,
            wish.Start,
            [
                .. weeks.Select(
                    (days, week) =>
                        new BlockWeek(
                            week < weeks.Count - 1 ? WeekKind.Loading : last,
                            [.. days.Select(d => Session(d, week)).OfType<BlockSession>()]
                        )
                ),
            ],
            []
        );

    private BlockSession? Session(DraftDay day, int week)
    {
        var date = wish.Start.AddDays(7 * week + day.Shape.Weekday);
        if (date < athlete.Today || day.Items.Count == 0)
            return null;
        var name = $"{week + 1}/{day.Shape.Weekday}";
        var items = day
            .Items.Select(
                (draft, i) =>
                {
                    var id = wish.IdOf($"{name}/{draft.Key}");
                    drafts[id] = draft;
                    return new BlockItem(
                        id,
                        draft.Movement.Slug,
                        WrittenLine.Of(draft.Plan),
                        draft.Joined && i > 0,
                        draft.ItemRole
                    );
                }
            )
            .ToArray();
        return new(wish.IdOf(name), date, day.Title ?? SessionTitle.Of(day), day.WarmUp, day.CoolDown, items);
    }

    /// <summary>
    /// The nearest remedy that was not tried on this caution before: one that did not help is not tried again.
    /// </summary>
    private Block Apply(Block block, ProgrammeCaution caution)
    {
        var lines = caution.Remedies.Where(r => r.Kind is RemedyKind.Line or RemedyKind.Join && r.Item is not null);
        // The balance is mended by taking away: what is added could break the minutes.
        if (caution.Id == CautionId.PullToPushOff)
            lines = lines.Where(r => r.Kind == RemedyKind.Line).Reverse().Take(1);
        var remedy = lines.FirstOrDefault(r => tried.Add((caution.Key, r.Item!.Value, r.Kind, r.Plan)))
            ?? caution.Remedies.FirstOrDefault(r => r.Kind == RemedyKind.Remove);
        if (remedy?.Item is not { } item)
            return TakeOut(block, caution);
        if (remedy.Kind == RemedyKind.Remove)
            return Without(block, item);
        if (remedy.Plan is { } plan && drafts[item] is var draft)
            draft.Rewrite(plan, StepKey.MendedByCheck, Quantity.Word(caution.Id));
        return Change(block, items =>
            [
                .. items.Select(i =>
                    i.Id == item
                        ? i with
                        {
                            Written = remedy.Plan is { } better ? WrittenLine.Of(better) : i.Written,
                            Joined = i.Joined || remedy.Kind == RemedyKind.Join,
                        }
                        : i
                ),
            ]
        );
    }

    /// <summary>
    /// The item that the caution speaks of; of a session that clashes with the day before what clashes; else what
    /// weighs least.
    /// </summary>
    private Block TakeOut(Block block, ProgrammeCaution caution)
    {
        if (caution.Item is { } item)
            return Without(block, item);
        var sessions = block
            .Weeks[caution.Week - 1]
            .Sessions.Where(s => caution.Session is null || s.Id == caution.Session);
        var found = sessions
            .SelectMany(s => s.Items)
            .Where(i => Concerns(caution, drafts[i.Id].Movement))
            .OrderBy(i => rules.DropOrder.ToList().IndexOf(drafts[i.Id].DropKind))
            .FirstOrDefault();
        return found is null ? block : Without(block, found.Id);
    }

    private static bool Concerns(ProgrammeCaution caution, Movement movement) =>
        caution.Id switch
        {
            CautionId.StraightArmDays => movement.Pattern.ToString() == caution.About,
            CautionId.FloorPressDays => movement.Pattern == Pattern.StraightArmPush
                || Trainable.PressesFromFloor(movement),
            CautionId.StraightArmRampOver => movement.Pattern is Pattern.StraightArmPull or Pattern.StraightArmPush,
            CautionId.HardSetsOver => movement.Pattern.ToString() == caution.About,
            CautionId.PullToPushOff => DoseReader.IsBentPull(movement.Pattern)
                || DoseReader.IsBentPush(movement.Pattern),
            CautionId.SidesUneven => movement.EachSide,
            _ => true,
        };

    private Block Without(Block block, Guid item)
    {
        var session = block.Weeks.SelectMany(w => w.Sessions).First(s => s.Items.Any(i => i.Id == item));
        notices.Add(Notice.Of(NoticeId.TakenOut, Quantity.Name(drafts[item].Movement.Name), Quantity.On(session.Day)));
        var changed = Change(block, items =>
        {
            var at = items.ToList().FindIndex(i => i.Id == item);
            return at < 0
                ? items
                :
                [
                    .. items
                        .Where(i => i.Id != item)
                        .Select((i, n) => n == 0 || (n == at && !items[at].Joined) ? i with { Joined = false } : i),
                ];
        });
        return changed with
        {
            Weeks = [.. changed.Weeks.Select(w => w with { Sessions = [.. w.Sessions.Where(s => s.Items.Count > 0)] })],
        };
    }

    private static Block Change(Block block, Func<IReadOnlyList<BlockItem>, IReadOnlyList<BlockItem>> items) =>
        block with
        {
            Weeks =
            [
                .. block.Weeks.Select(w =>
                    w with
                    {
                        Sessions = [.. w.Sessions.Select(s => s with { Items = items(s.Items) })],
                    }
                ),
            ],
        };
}

/// <summary>What a generated session is called: by what is in it.</summary>
internal static class SessionTitle
{
    private const int TitleMaximum = 40;

    public static string Of(DraftDay day)
    {
        if (day.Items.Count > 0 && day.Items.All(i => i.Role == SlotRole.Test))
            return "Tests";
        var parts = Skills(day, SlotRole.SkillHard, "hard")
            .Concat(Skills(day, SlotRole.SkillLight, "light"))
            .Append(Rest(day))
            .OfType<string>();
        var title = "";
        foreach (var part in parts.Distinct(StringComparer.Ordinal))
        {
            var longer = title.Length == 0 ? part : $"{title}, {char.ToLowerInvariant(part[0])}{part[1..]}";
            if (longer.Length <= TitleMaximum)
                title = longer;
        }

        return title;
    }

    private static IEnumerable<string> Skills(DraftDay day, SlotRole role, string how) =>
        day
            .Items.Where(i => i.Role == role)
            .Select(i => i.Skill!.Ladder.Name)
            .Distinct(StringComparer.Ordinal)
            .Select(name => $"{name} {how}");

    /// <summary>What else the day trains, in a word.</summary>
    private static string? Rest(DraftDay day)
    {
        var work = day.Items.Where(i => i.IsWork).ToArray();
        var pulls = work.Any(i => i.Movement.Pattern is Pattern.VerticalPull or Pattern.HorizontalPull);
        var pushes = work.Any(i => i.Movement.Pattern is Pattern.VerticalPush or Pattern.HorizontalPush);
        var legs = work.Any(i => i.Movement.Pattern == Pattern.Legs);
        return (pulls, pushes) switch
        {
            (true, true) => legs ? "Full body" : "Pull and push",
            (true, false) => "Pull",
            (false, true) => "Push",
            _ when legs => "Legs",
            _ when work.Any(i => i.IsStraightArm) => "Straight arms",
            _ when work.Any(i => i.Movement.Pattern == Pattern.Trunk) => "Trunk",
            _ => null,
        };
    }
}
