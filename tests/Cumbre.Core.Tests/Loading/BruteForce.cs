using Cumbre.Core.Loading;
using Cumbre.Core.Measures;

namespace Cumbre.Core.Tests.Loading;

/// <summary>Tries everything: the reference for the solvers on small kits, written from the rule alone.</summary>
internal static class BruteForce
{
    /// <summary>Each single piece, largest first, plates before the vest.</summary>
    public static List<(Mass Mass, PieceSort Sort)> Pieces(Kit kit)
    {
        var pieces = kit
            .Pieces.Where(p => kit.HasBelt || p.Sort is PieceSort.Chain or PieceSort.Insert)
            .SelectMany(p => Enumerable.Repeat((p.Size.Mass, p.Sort), p.Count))
            .ToList();
        if (kit.Vest is { } vest)
            pieces.Add((vest.Mass, PieceSort.Vest));
        return [.. pieces.OrderByDescending(p => p.Mass.Kilograms).ThenBy(p => p.Sort)];
    }

    public static string Nearest(Kit kit, Mass target)
    {
        var pieces = Pieces(kit);
        return Enumerable
            .Range(0, 1 << pieces.Count)
            .Select(mask => pieces.Where((_, i) => (mask & (1 << i)) != 0).ToList())
            // Without the vest there are no pockets.
            .Where(set => set.All(p => p.Sort != PieceSort.Insert) || set.Any(p => p.Sort == PieceSort.Vest))
            .OrderBy(set => (Sum(set) - target).Abs().Kilograms)
            .ThenBy(set => Sum(set).Kilograms)
            .ThenBy(set => set.Count)
            .ThenByDescending(Text, StringComparer.Ordinal)
            .Select(Text)
            .First();
    }

    /// <summary>Every assignment of every piece to "left out" (0) or to a layer that hangs in parts 1 to j.</summary>
    public static string DropPlan(Kit kit, IReadOnlyList<Mass> targets)
    {
        var pieces = Pieces(kit);
        var k = targets.Count;
        var assignments = (int)Math.Pow(k + 1, pieces.Count);
        (decimal Distance, int Moved, int Used, decimal Total, string Text)? best = null;
        for (var code = 0; code < assignments; code++)
        {
            var layers = new int[pieces.Count];
            var rest = code;
            for (var i = 0; i < pieces.Count; i++)
            {
                layers[i] = rest % (k + 1);
                rest /= k + 1;
            }

            var parts = Enumerable
                .Range(1, k)
                .Select(part => pieces.Where((_, i) => layers[i] >= part).ToList())
                .ToList();
            var candidate = (
                Distance: parts.Select((p, i) => (Sum(p) - targets[i]).Abs().Kilograms).Sum(),
                Moved: parts[0].Count - parts[^1].Count,
                Used: parts[0].Count,
                Total: parts.Sum(p => Sum(p).Kilograms),
                Text: string.Join(" - ", parts.Select(Text))
            );
            if (best is not { } b || Better(candidate, b))
                best = candidate;
        }

        return best!.Value.Text;
    }

    public static string Text(Loadout load) => Text(load.OneByOne.Select(p => (p.Size.Mass, p.Sort)).ToList());

    private static bool Better(
        (decimal Distance, int Moved, int Used, decimal Total, string Text) a,
        (decimal Distance, int Moved, int Used, decimal Total, string Text) b
    )
    {
        if (a.Distance != b.Distance)
            return a.Distance < b.Distance;
        if (a.Moved != b.Moved)
            return a.Moved < b.Moved;
        if (a.Used != b.Used)
            return a.Used < b.Used;
        if (a.Total != b.Total)
            return a.Total < b.Total;
        return string.CompareOrdinal(a.Text, b.Text) > 0;
    }

    private static Mass Sum(List<(Mass Mass, PieceSort Sort)> pieces) =>
        pieces.Aggregate(Mass.Zero, (sum, p) => sum + p.Mass);

    /// <summary>
    /// Fixed width, so that a larger text has the larger piece first, and a plate before a dumbbell, a chain, a
    /// vest of equal mass. Parts are
    /// joined by a dash, which sorts below any digit: no piece is smaller than any piece.
    /// </summary>
    private static string Text(List<(Mass Mass, PieceSort Sort)> pieces) =>
        string.Join(' ', pieces.Select(p => $"{p.Mass.Kilograms:000.0000000000}{"edcba"[(int)p.Sort]}"));
}
