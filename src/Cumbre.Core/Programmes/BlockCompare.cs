using Cumbre.Core.Movements;

namespace Cumbre.Core.Programmes;

/// <summary>In what two blocks differ.</summary>
public enum DifferenceKind
{
    /// <summary>A movement is trained on the right only.</summary>
    MovementIn,

    /// <summary>A movement is trained on the left only.</summary>
    MovementOut,

    /// <summary>The same movement with another line.</summary>
    Line,

    /// <summary>The same line, that comes out at another load: another body, kit or test.</summary>
    Load,

    /// <summary>The same work on other days.</summary>
    Days,

    /// <summary>The week is there on one side only, or is of another kind.</summary>
    Week,
}

/// <summary>One difference in a week.</summary>
/// <param name="Kind">In what.</param>
/// <param name="Pattern">Of the movement; null: of the week as a whole.</param>
/// <param name="Movement">Name; null: of the week as a whole.</param>
/// <param name="Left">Lines, loads or days on the left.</param>
/// <param name="Right">The same on the right.</param>
public sealed record BlockDifference(
    DifferenceKind Kind,
    Pattern? Pattern,
    string? Movement,
    IReadOnlyList<string> Left,
    IReadOnlyList<string> Right
);

/// <summary>A figure of both sides.</summary>
public sealed record BothSides(int Left, int Right);

/// <summary>Hard sets of a pattern on both sides.</summary>
public sealed record PatternOfBoth(Pattern Pattern, int Left, int Right);

/// <summary>A week of two blocks beside each other.</summary>
/// <param name="Number">From 1.</param>
/// <param name="Left">What it is for on the left; empty: there is no such week.</param>
/// <param name="Right">The same on the right.</param>
/// <param name="Patterns">Hard sets, where either side has some.</param>
/// <param name="Sessions">How many.</param>
/// <param name="HardSets">Over all patterns.</param>
/// <param name="Pull">Hard sets.</param>
/// <param name="Push">Hard sets.</param>
/// <param name="StraightArmSeconds">Of straight-arm work.</param>
/// <param name="TensionSeconds">Under tension.</param>
/// <param name="Seconds">Of all sessions.</param>
/// <param name="Differences">By pattern.</param>
public sealed record ComparedWeek(
    int Number,
    IReadOnlyList<WeekKind> Left,
    IReadOnlyList<WeekKind> Right,
    IReadOnlyList<PatternOfBoth> Patterns,
    BothSides Sessions,
    BothSides HardSets,
    BothSides Pull,
    BothSides Push,
    BothSides StraightArmSeconds,
    BothSides TensionSeconds,
    BothSides Seconds,
    IReadOnlyList<BlockDifference> Differences
);

/// <summary>Holds two blocks against each other, week by week: of one athlete or of two, in any version.</summary>
public static class BlockCompare
{
    public static IReadOnlyList<ComparedWeek> Of(IReadOnlyList<WeekDose> left, IReadOnlyList<WeekDose> right) =>
        [
            .. Enumerable
                .Range(0, Math.Max(left.Count, right.Count))
                .Select(i => Week(i + 1, left.ElementAtOrDefault(i), right.ElementAtOrDefault(i))),
        ];

    private static ComparedWeek Week(int number, WeekDose? left, WeekDose? right)
    {
        BothSides Both(Func<WeekDose, int> figure) =>
            new(left is null ? 0 : figure(left), right is null ? 0 : figure(right));
        var patterns = Enum.GetValues<Pattern>()
            .Select(p =>
                Both(w => w.Patterns.FirstOrDefault(x => x.Pattern == p)?.Sets ?? 0) is var sets
                    ? new PatternOfBoth(p, sets.Left, sets.Right)
                    : null!
            )
            .Where(p => p.Left + p.Right > 0);
        return new(
            number,
            left is null ? [] : [left.Kind],
            right is null ? [] : [right.Kind],
            [.. patterns],
            Both(w => w.Sessions.Count),
            Both(w => w.HardSets),
            Both(w => w.Pull),
            Both(w => w.Push),
            Both(w => w.StraightArmSeconds),
            Both(w => w.TensionSeconds),
            Both(w => w.Seconds),
            [.. Differences(left, right)]
        );
    }

    private static IEnumerable<BlockDifference> Differences(WeekDose? left, WeekDose? right)
    {
        if (left?.Kind != right?.Kind)
            yield return new(
                DifferenceKind.Week,
                null,
                null,
                left is null ? [] : [left.Kind.ToString()],
                right is null ? [] : [right.Kind.ToString()]
            );
        if (left is null || right is null)
            yield break;
        var (mine, theirs) = (Items(left), Items(right));
        foreach (
            var slug in mine.Select(g => g.Key)
                .Union(theirs.Select(g => g.Key))
                .OrderBy(s => (mine[s].Concat(theirs[s]).First().Item.Movement?.Pattern, s))
        )
        {
            var (one, other) = (mine[slug].ToArray(), theirs[slug].ToArray());
            var movement = one.Concat(other).First().Item.Movement;
            if (Compared(one, other) is { } kind)
            {
                yield return kind == DifferenceKind.Load
                    ? new(
                        kind,
                        movement?.Pattern,
                        movement?.Name ?? slug,
                        [.. one.Select(Loads)],
                        [.. other.Select(Loads)]
                    )
                : kind == DifferenceKind.Days
                    ? new(kind, movement?.Pattern, movement?.Name ?? slug, [.. one.Select(Day)], [.. other.Select(Day)])
                : new(kind, movement?.Pattern, movement?.Name ?? slug, [.. one.Select(Line)], [.. other.Select(Line)]);
            }
        }
    }

    private static DifferenceKind? Compared(
        (SessionDose Session, ItemReading Item)[] left,
        (SessionDose Session, ItemReading Item)[] right
    ) =>
        left.Length == 0 ? DifferenceKind.MovementIn
        : right.Length == 0 ? DifferenceKind.MovementOut
        : !left.Select(Line).SequenceEqual(right.Select(Line)) ? DifferenceKind.Line
        : !left.Select(Loads).SequenceEqual(right.Select(Loads)) ? DifferenceKind.Load
        : !left.Select(Day).SequenceEqual(right.Select(Day)) ? DifferenceKind.Days
        : null;

    private static ILookup<string, (SessionDose Session, ItemReading Item)> Items(WeekDose week) =>
        week
            .Sessions.SelectMany(s => s.Items.Select(i => (Session: s, Item: i)))
            .ToLookup(i => i.Item.Item.Movement, StringComparer.Ordinal);

    private static string Line((SessionDose Session, ItemReading Item) item) => item.Item.Item.Line;

    /// <summary>Added loads in kg; where nothing is weighed, nothing.</summary>
    private static string Loads((SessionDose Session, ItemReading Item) item) =>
        item.Item.Resolved is null
            ? ""
            : string.Join(
                " / ",
                item.Item.Resolved.Loads.Where(l => l.Value.IsWeighed)
                    .Select(l =>
                        l.Value.Made.Kilograms.ToString("0.##", System.Globalization.CultureInfo.InvariantCulture)
                    )
            );

    private static string Day((SessionDose Session, ItemReading Item) item) =>
        item.Session.Session.Day.DayOfWeek.ToString();
}
