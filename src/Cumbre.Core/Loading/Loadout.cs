using Cumbre.Core.Measures;

namespace Cumbre.Core.Loading;

/// <summary>Some pieces of one kind.</summary>
public sealed record PieceCount(MassEntry Size, int Count, PieceSort Sort);

/// <summary>What hangs on the athlete: pieces, largest first, and their exact sum.</summary>
public sealed record Loadout(IReadOnlyList<PieceCount> Pieces)
{
    public static Loadout Nothing { get; } = new([]);

    public Mass Total { get; } = Pieces.Aggregate(Mass.Zero, (sum, p) => sum + p.Size.Mass * p.Count);

    public int PieceTotal => Pieces.Sum(p => p.Count);

    /// <summary>Every single piece, largest first.</summary>
    public IEnumerable<PieceCount> OneByOne => Pieces.SelectMany(p => Enumerable.Repeat(p with { Count = 1 }, p.Count));

    /// <summary>What must come off to leave <paramref name="rest"/>, a part of this load.</summary>
    /// <exception cref="ArgumentException"><paramref name="rest"/> holds a piece that is not on.</exception>
    public Loadout Without(Loadout rest)
    {
        var left = Pieces.Select(p => p with { Count = p.Count - rest.CountOf(p) }).ToArray();
        if (left.Any(p => p.Count < 0) || rest.Pieces.Any(p => CountOf(p) == 0))
            throw new ArgumentException("The lighter load is not a part of the heavier.", nameof(rest));
        return new([.. left.Where(p => p.Count > 0)]);
    }

    private int CountOf(PieceCount kind) =>
        Pieces.Where(p => p.Size == kind.Size && p.Sort == kind.Sort).Sum(p => p.Count);

    internal static Loadout Of(IReadOnlyList<PieceKind> kinds, UInt128 packed)
    {
        var pieces = new List<PieceCount>();
        for (var i = 0; i < kinds.Count; i++)
        {
            if (Packing.CountOf(packed, i) is var count and > 0)
                pieces.Add(new(kinds[i].Size, count, kinds[i].Sort));
        }

        return new(pieces);
    }
}

/// <summary>
/// A multiset of pieces in one number: eight bits a kind, the first (largest) kind on top. So a larger number means
/// larger
/// pieces first, and adding two multisets adds the numbers.
/// </summary>
internal static class Packing
{
    public static UInt128 One(int kind) => UInt128.One << (120 - 8 * kind);

    public static int CountOf(UInt128 packed, int kind) => (int)((packed >> (120 - 8 * kind)) & 0xFF);
}
