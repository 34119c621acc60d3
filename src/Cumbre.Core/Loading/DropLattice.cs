namespace Cumbre.Core.Loading;

/// <summary>
/// The best nested loads of a kit that is small enough to write down every choice of its pieces. Each choice is a point
/// of a lattice with one axis for each kind; what hangs in a later part lies at or below the point of the part before.
/// From the last part up, the best way on at or below each point is the best of the point itself and of its
/// neighbours one piece down, axis by axis, so no way is left out.
/// </summary>
internal sealed class DropLattice
{
    /// <summary>Kits with more choices of pieces than this are left to the search.</summary>
    private const long PointsMaximum = 200_000;

    private readonly IReadOnlyList<PieceKind> kinds;
    private readonly int[] strides;
    private readonly long[] units;
    private readonly int[] pieces;

    /// <summary>Of the best way from the part on, at or below each point.</summary>
    private readonly record struct Way(long Distance, int LastPieces, long Total, int Head)
    {
        /// <summary>Nearer, then fewer pieces moved, then the lower total, then larger pieces.</summary>
        public bool Beats(in Way other) =>
            Distance != other.Distance ? Distance < other.Distance
            : LastPieces != other.LastPieces ? LastPieces > other.LastPieces
            : Total != other.Total ? Total < other.Total
            : Head > other.Head;
    }

    private DropLattice(IReadOnlyList<PieceKind> kinds, int points)
    {
        this.kinds = kinds;
        strides = new int[kinds.Count];
        var stride = points;
        for (var kind = 0; kind < kinds.Count; kind++)
            strides[kind] = stride /= kinds[kind].Count + 1;
        (units, pieces) = (new long[points], new int[points]);
        for (var kind = 0; kind < kinds.Count; kind++)
        {
            for (var point = 0; point < points; point++)
            {
                var count = CountOf(point, kind);
                units[point] += kinds[kind].Units * count;
                pieces[point] += count;
            }
        }
    }

    public static bool Fits(IReadOnlyList<PieceKind> kinds)
    {
        long points = 1;
        foreach (var kind in kinds)
        {
            points *= kind.Count + 1;
            if (points > PointsMaximum)
                return false;
        }

        return true;
    }

    /// <param name="kinds">Of the kit, larger pieces first; it must fit.</param>
    /// <param name="targets">Heaviest first.</param>
    /// <returns>The packed pieces of each part, and their summed distance.</returns>
    public static (UInt128[] Parts, long Distance) Best(IReadOnlyList<PieceKind> kinds, long[] targets) =>
        new DropLattice(kinds, kinds.Aggregate(1, (points, kind) => points * (kind.Count + 1))).Best(targets);

    private (UInt128[] Parts, long Distance) Best(long[] targets)
    {
        var ways = new Way[targets.Length][];
        for (var part = targets.Length - 1; part >= 1; part--)
        {
            ways[part] = From(targets[part], part + 1 < targets.Length ? ways[part + 1] : null);
            Spread(ways[part]);
        }

        var first = From(targets[0], targets.Length > 1 ? ways[1] : null);
        var best = 0;
        for (var point = 1; point < first.Length; point++)
            if (Wins(first[point], first[best]))
                best = point;
        var parts = new UInt128[targets.Length];
        for (var (part, point) = (0, best); ; point = ways[part][point].Head)
        {
            parts[part] = Packed(point);
            if (++part == targets.Length)
                return (parts, first[best].Distance);
        }
    }

    /// <summary>The way that begins at each point itself.</summary>
    private Way[] From(long target, Way[]? later)
    {
        var ways = new Way[units.Length];
        for (var point = 0; point < ways.Length; point++)
        {
            var off = Math.Abs(units[point] - target);
            ways[point] = later is null
                ? new(off, pieces[point], units[point], point)
                : new(off + later[point].Distance, later[point].LastPieces, units[point] + later[point].Total, point);
        }

        return ways;
    }

    /// <summary>From the ways at each point to the best at or below it.</summary>
    private void Spread(Way[] ways)
    {
        for (var kind = 0; kind < kinds.Count; kind++)
        {
            for (var point = 0; point < ways.Length; point++)
                if (CountOf(point, kind) > 0 && ways[point - strides[kind]].Beats(ways[point]))
                    ways[point] = ways[point - strides[kind]];
        }
    }

    /// <summary>Of two first parts: nearer, then fewer pieces moved, then fewer used, then as on the way.</summary>
    private bool Wins(in Way mine, in Way theirs)
    {
        if (mine.Distance != theirs.Distance)
            return mine.Distance < theirs.Distance;
        var (used, other) = (pieces[mine.Head], pieces[theirs.Head]);
        if (used - mine.LastPieces != other - theirs.LastPieces)
            return used - mine.LastPieces < other - theirs.LastPieces;
        if (used != other)
            return used < other;
        return mine.Total != theirs.Total ? mine.Total < theirs.Total : mine.Head > theirs.Head;
    }

    private int CountOf(int point, int kind) => point / strides[kind] % (kinds[kind].Count + 1);

    private UInt128 Packed(int point)
    {
        UInt128 packed = 0;
        for (var kind = 0; kind < kinds.Count; kind++)
            packed += Packing.One(kind) * (uint)CountOf(point, kind);
        return packed;
    }
}
