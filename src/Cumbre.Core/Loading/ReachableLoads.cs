namespace Cumbre.Core.Loading;

/// <summary>
/// Every load that a kit can make, each with its best pieces. Kilogram and pound pieces each have a coarse common
/// divisor
/// but share none, so the sums are kept in one table per unit and joined when asked; that keeps a mixed kit as fast as
/// a plain one.
/// </summary>
internal sealed class ReachableLoads
{
    /// <summary>Loads above this many kg are never asked for.</summary>
    private const decimal CapKilograms = 400;

    private readonly IReadOnlyList<PieceKind> kinds;
    private readonly Entry[] kilograms;
    private readonly Entry[] pounds;

    public ReachableLoads(IReadOnlyList<PieceKind> kinds)
    {
        this.kinds = kinds;
        kilograms = Table(kinds, k => k.Size.Unit == Measures.MassUnit.Kg);
        pounds = Table(kinds, k => k.Size.Unit == Measures.MassUnit.Lb);
    }

    /// <summary>A sum with its best pieces: fewest, then largest.</summary>
    private readonly record struct Entry(long Sum, int Pieces, UInt128 Packed)
    {
        public bool Reachable => Pieces >= 0;

        public static Entry operator +(Entry a, Entry b) =>
            new(a.Sum + b.Sum, a.Pieces + b.Pieces, a.Packed + b.Packed);

        public bool FewerOrLarger(Entry other) =>
            Pieces != other.Pieces ? Pieces < other.Pieces : Packed > other.Packed;
    }

    public Loadout Nearest(long target) => Loadout.Of(kinds, NearestPacked(target));

    /// <summary>The same as a packed multiset.</summary>
    public UInt128 NearestPacked(long target)
    {
        var best = new Entry(0, 0, 0);
        foreach (var candidate in Around(target))
        {
            var (distance, bestDistance) = (Math.Abs(candidate.Sum - target), Math.Abs(best.Sum - target));
            if (
                distance < bestDistance
                || (
                    distance == bestDistance
                    && (candidate.Sum < best.Sum || (candidate.Sum == best.Sum && candidate.FewerOrLarger(best)))
                )
            )
                best = candidate;
        }

        return best.Packed;
    }

    public Loadout? AtLeast(long minimum)
    {
        Entry? best = null;
        foreach (var candidate in Around(minimum))
        {
            if (
                candidate.Sum >= minimum
                && (
                    best is not { } b || candidate.Sum < b.Sum || (candidate.Sum == b.Sum && candidate.FewerOrLarger(b))
                )
            )
                best = candidate;
        }

        return best is { } found ? Loadout.Of(kinds, found.Packed) : null;
    }

    public Loadout AtMost(long maximum)
    {
        var best = new Entry(0, 0, 0);
        foreach (var candidate in Around(maximum))
        {
            if (
                candidate.Sum <= maximum
                && (candidate.Sum > best.Sum || (candidate.Sum == best.Sum && candidate.FewerOrLarger(best)))
            )
                best = candidate;
        }

        return Loadout.Of(kinds, best.Packed);
    }

    /// <summary>
    /// For every kilogram sum, the pound sums next below and next above what is still missing: the best answer is among
    /// them.
    /// </summary>
    private IEnumerable<Entry> Around(long target)
    {
        var above = pounds.Length;
        foreach (var entry in kilograms)
        {
            var missing = target - entry.Sum;
            while (above > 0 && pounds[above - 1].Sum >= missing)
                above--;
            if (above < pounds.Length)
                yield return entry + pounds[above];
            if (above > 0)
                yield return entry + pounds[above - 1];
        }
    }

    private static Entry[] Table(IReadOnlyList<PieceKind> kinds, Func<PieceKind, bool> ofUnit)
    {
        long divisor = 0,
            total = 0;
        foreach (var kind in kinds.Where(ofUnit))
        {
            divisor = GreatestCommonDivisor(divisor, kind.Units);
            total += kind.Units * kind.Count;
        }

        if (divisor == 0)
            return [new Entry(0, 0, 0)];

        var cap = Math.Min(total, Units.Of(Measures.Mass.FromKilograms(CapKilograms)));
        var cells = new Entry[cap / divisor + 1];
        Array.Fill(cells, new Entry(0, -1, 0));
        cells[0] = new Entry(0, 0, 0);
        for (var i = 0; i < kinds.Count; i++)
        {
            if (!ofUnit(kinds[i]))
                continue;
            var stride = (int)(kinds[i].Units / divisor);
            // Downwards, so that each cell is built from cells that do not yet use this kind.
            for (var at = cells.Length - 1; at >= stride; at--)
            {
                for (var count = 1; count <= kinds[i].Count && at >= count * stride; count++)
                {
                    var from = cells[at - count * stride];
                    if (!from.Reachable)
                        continue;
                    var candidate = new Entry(
                        at * divisor,
                        from.Pieces + count,
                        from.Packed + Packing.One(i) * (uint)count
                    );
                    if (!cells[at].Reachable || candidate.FewerOrLarger(cells[at]))
                        cells[at] = candidate;
                }
            }
        }

        return [.. cells.Where(c => c.Reachable)];
    }

    internal static long GreatestCommonDivisor(long a, long b)
    {
        while (b != 0)
            (a, b) = (b, a % b);
        return a;
    }
}
