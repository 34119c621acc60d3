using Cumbre.Core.Measures;

namespace Cumbre.Core.Loading;

/// <summary>
/// A sum of pieces, kept apart by unit: kilogram and pound pieces share no common divisor, so neither can stand for the
/// other.
/// </summary>
internal readonly record struct PairSum(int Kg, int Lb)
{
    public static PairSum operator -(PairSum a, PairSum b) => new(a.Kg - b.Kg, a.Lb - b.Lb);

    public bool IsPossible => Kg >= 0 && Lb >= 0;
}

/// <summary>
/// For the kinds of one unit: the sums that the kinds from a position on can make, in multiples of their common
/// divisor, and with how
/// few pieces.
/// </summary>
internal sealed class UnitSums
{
    public const int Unreachable = 1_000_000;

    private readonly int[][] fewest;
    private readonly bool[][] makes;

    /// <param name="kinds">All kinds of the kit, largest first; those of the other unit add nothing here.</param>
    /// <param name="unit">The unit.</param>
    /// <param name="reach">Larger sums are never asked for.</param>
    public UnitSums(IReadOnlyList<PieceKind> kinds, MassUnit unit, long reach)
    {
        foreach (var kind in kinds.Where(k => k.Size.Unit == unit))
            Divisor = ReachableLoads.GreatestCommonDivisor(Divisor, kind.Units);
        var total = kinds.Where(k => k.Size.Unit == unit).Sum(k => k.Units * k.Count);
        var cells = Divisor == 0 ? 1 : (int)(Math.Min(reach, total) / Divisor) + 1;
        Strides = [.. kinds.Select(k => k.Size.Unit == unit ? (int)(k.Units / Divisor) : 0)];
        fewest = new int[kinds.Count + 1][];
        fewest[kinds.Count] = new int[cells];
        Array.Fill(fewest[kinds.Count], Unreachable, 1, cells - 1);
        for (var kind = kinds.Count - 1; kind >= 0; kind--)
            fewest[kind] =
                Strides[kind] == 0 ? fewest[kind + 1] : With(fewest[kind + 1], Strides[kind], kinds[kind].Count);

        makes = new bool[kinds.Count + 1][];
        makes[0] = new bool[cells];
        makes[0][0] = true;
        for (var kind = 0; kind < kinds.Count; kind++)
            makes[kind + 1] = Strides[kind] == 0 ? makes[kind] : With(makes[kind], Strides[kind], kinds[kind].Count);
    }

    /// <summary>What one cell is worth in the solver's integers; 0 when the kit has no piece of this unit.</summary>
    public long Divisor { get; }

    /// <summary>Cells that one piece of each kind is worth; 0 for kinds of the other unit.</summary>
    public int[] Strides { get; }

    /// <summary>Sums that the whole kit can make, in cells.</summary>
    public IEnumerable<int> All => Enumerable.Range(0, fewest[0].Length).Where(cell => fewest[0][cell] < Unreachable);

    /// <summary>The fewest pieces of the kinds from <paramref name="kind"/> on that make the sum.</summary>
    public int Fewest(int kind, int cell) => cell >= 0 && cell < fewest[kind].Length ? fewest[kind][cell] : Unreachable;

    /// <summary>Can the first (largest) <paramref name="kinds"/> kinds make the sum?</summary>
    public bool CanMake(int kinds, int cell) => cell >= 0 && cell < makes[kinds].Length && makes[kinds][cell];

    private static bool[] With(bool[] larger, int stride, int count)
    {
        var table = (bool[])larger.Clone();
        for (var cell = stride; cell < table.Length; cell++)
        {
            for (var pieces = 1; !table[cell] && pieces <= count && pieces * stride <= cell; pieces++)
                table[cell] = larger[cell - pieces * stride];
        }

        return table;
    }

    private static int[] With(int[] rest, int stride, int count)
    {
        var table = (int[])rest.Clone();
        for (var cell = stride; cell < table.Length; cell++)
        {
            for (var pieces = 1; pieces <= count && pieces * stride <= cell; pieces++)
                table[cell] = Math.Min(table[cell], rest[cell - pieces * stride] + pieces);
        }

        return table;
    }
}
