using Cumbre.Core.Measures;

namespace Cumbre.Core.Loading;

/// <summary>How a piece is carried; in the order in which equal pieces are taken.</summary>
public enum PieceSort
{
    /// <summary>Hangs on the belt.</summary>
    Plate,

    /// <summary>Hangs on the belt.</summary>
    Dumbbell,

    /// <summary>Lies over the shoulders, and needs no belt.</summary>
    Chain,

    /// <summary>A weight in a pocket of the vest.</summary>
    Insert,

    /// <summary>The vest itself; with its inserts one piece that can be shed.</summary>
    Vest,
}

/// <summary>Pieces of one sort and size and how many there are. There is one belt, so plates need no pairing.</summary>
public sealed record PieceStock
{
    /// <exception cref="RuleViolationException">A size outside 0.1 to 50 kg, over two decimals, or a count outside 1 to
    /// 20.</exception>
    public PieceStock(MassEntry size, int count, PieceSort sort = PieceSort.Plate)
    {
        if (decimal.Round(size.Value, 2) != size.Value)
            throw new RuleViolationException(
                Violation.OutOfRange,
                "size",
                size.Value,
                Limits.PlateMinimum,
                Limits.PlateMaximum
            );
        Guard.InRange("size", size, Limits.PlateMinimum, Limits.PlateMaximum);
        Guard.InRange("count", count, Limits.PlateCountMinimum, Limits.PlateCountMaximum);
        if (sort == PieceSort.Vest)
            throw new RuleViolationException(Violation.NoSuchWord, "sort");
        (Size, Count, Sort) = (size, count, sort);
    }

    public MassEntry Size { get; }

    public int Count { get; }

    public PieceSort Sort { get; }
}

/// <summary>
/// What an athlete can hang on the body: plates and dumbbells on a belt, chains over the shoulders, a vest with or
/// without weights in its pockets.
/// </summary>
public sealed class Kit
{
    private readonly Lazy<ReachableLoads> reachable;

    /// <summary>With the vest on, which is not counted here; null: the vest has no inserts.</summary>
    private readonly Lazy<ReachableLoads>? underVest;
    private readonly IReadOnlyList<PieceKind> free;

    /// <exception cref="RuleViolationException">
    /// Over 12 sizes, the same size of a sort twice, a vest outside 0.5 to 60 kg, or inserts without a vest or in
    /// another unit than the vest's.
    /// </exception>
    public Kit(IEnumerable<PieceStock> pieces, bool hasBelt = true, MassEntry? vest = null)
    {
        Pieces = [.. pieces.OrderByDescending(p => p.Size.Mass.Kilograms).ThenBy(p => p.Sort)];
        if (Pieces.Count > Limits.PlateSizesMaximum)
            throw new RuleViolationException(Violation.TooMany, "plates", Pieces.Count, 0, Limits.PlateSizesMaximum);
        if (Pieces.Select(p => (p.Sort, p.Size.Mass)).Distinct().Count() != Pieces.Count)
            throw new RuleViolationException(Violation.DuplicatePlate, "plates");
        if (vest is { } v)
        {
            if (decimal.Round(v.Value, 2) != v.Value)
                throw new RuleViolationException(
                    Violation.OutOfRange,
                    "vest",
                    v.Value,
                    Limits.VestMinimum,
                    Limits.VestMaximum
                );
            Guard.InRange("vest", v, Limits.VestMinimum, Limits.VestMaximum);
        }

        var inserts = Pieces.Where(p => p.Sort == PieceSort.Insert).ToArray();
        if (inserts.Length > 0 && (vest is not { } shell || inserts.Any(i => i.Size.Unit != shell.Unit)))
            throw new RuleViolationException(Violation.NeedsVest, "vest");
        (HasBelt, Vest) = (hasBelt, vest);
        free =
        [
            .. Pieces
                .Where(p => p.Sort == PieceSort.Chain || (hasBelt && (p.Sort is PieceSort.Plate or PieceSort.Dumbbell)))
                .Select(p => new PieceKind(p.Size, p.Count, p.Sort)),
        ];
        var plain = inserts.Length == 0 ? WithVest(vest) : free;
        reachable = new(() => new ReachableLoads(plain));
        if (inserts.Length > 0)
        {
            var worn = InOrder(free.Concat(inserts.Select(p => new PieceKind(p.Size, p.Count, p.Sort))));
            underVest = new(() => new ReachableLoads(worn));
        }
    }

    public static Kit Empty { get; } = new([], hasBelt: false);

    /// <summary>The pieces, largest first.</summary>
    public IReadOnlyList<PieceStock> Pieces { get; }

    /// <summary>Without a belt no plate can be hung.</summary>
    public bool HasBelt { get; }

    /// <summary>The vest without the weights in its pockets.</summary>
    public MassEntry? Vest { get; }

    /// <summary>Is there anything to put on?</summary>
    public bool CanHang => free.Count > 0 || Vest is not null;

    /// <summary>
    /// The load nearest to <paramref name="target"/>. Ties go to the lower load, then to fewer pieces, then to larger
    /// pieces, plates before the vest. A target at or below zero needs nothing.
    /// </summary>
    public Loadout Nearest(Mass target)
    {
        var plain = reachable.Value.Nearest(Units.Of(target));
        return Under(target, l => l.Nearest(Units.Of(Left(target)))) is { } worn && Nearer(worn, plain, target)
            ? worn
            : plain;
    }

    /// <summary>The smallest load of at least <paramref name="minimum"/>, or null when the kit makes none.</summary>
    public Loadout? AtLeast(Mass minimum)
    {
        var plain = reachable.Value.AtLeast(Units.Of(minimum));
        if (Under(minimum, l => l.AtLeast(Units.Of(Left(minimum)))) is not { } worn)
            return plain;
        return plain is null || worn.Total < plain.Total || (worn.Total == plain.Total && Simpler(worn, plain))
            ? worn
            : plain;
    }

    /// <summary>
    /// The largest load of at most <paramref name="maximum"/>; nothing at all when the kit makes none.
    /// </summary>
    public Loadout AtMost(Mass maximum)
    {
        var plain = reachable.Value.AtMost(Units.Of(maximum));
        return
            Vest is { } vest
            && vest.Mass <= maximum
            && Under(maximum, l => l.AtMost(Units.Of(Left(maximum)))) is { } worn
            && (worn.Total > plain.Total || (worn.Total == plain.Total && Simpler(worn, plain)))
            ? worn
            : plain;
    }

    /// <summary>
    /// What can be put on for a set that sheds pieces, largest first. The vest is shed whole, so that its pockets are
    /// filled for the first part.
    /// </summary>
    internal IReadOnlyList<PieceKind> KindsFrom(Mass first)
    {
        if (underVest is null)
            return WithVest(Vest);
        var worn = Nearest(first).Pieces.Where(p => p.Sort is PieceSort.Vest or PieceSort.Insert).ToArray();
        return worn.Length == 0
            ? free
            : WithVest(new MassEntry(worn.Sum(p => p.Size.Value * p.Count), Vest!.Value.Unit));
    }

    private IReadOnlyList<PieceKind> WithVest(MassEntry? vest) =>
        InOrder(vest is { } piece ? free.Append(new PieceKind(piece, 1, PieceSort.Vest)) : free);

    /// <summary>Larger pieces first, and of equal pieces the plate before the vest: the order in which ties are broken.</summary>
    private static IReadOnlyList<PieceKind> InOrder(IEnumerable<PieceKind> kinds) =>
        [.. kinds.OrderByDescending(k => k.Units).ThenBy(k => k.Sort)];

    private Mass Left(Mass target) => Mass.Max(Mass.Zero, target - Vest!.Value.Mass);

    /// <summary>The vest with what is found for the rest; null: there are no inserts, or nothing is asked.</summary>
    private Loadout? Under(Mass target, Func<ReachableLoads, Loadout?> find)
    {
        if (underVest is null || Vest is not { } vest || target <= Mass.Zero || find(underVest.Value) is not { } rest)
            return null;
        PieceCount[] pieces = [.. rest.Pieces, new(vest, 1, PieceSort.Vest)];
        return new([.. pieces.OrderByDescending(p => p.Size.Mass.Kilograms).ThenBy(p => p.Sort)]);
    }

    private static bool Nearer(Loadout worn, Loadout plain, Mass target)
    {
        var (off, other) = (Off(worn), Off(plain));
        if (off != other)
            return off < other;
        return worn.Total != plain.Total ? worn.Total < plain.Total : Simpler(worn, plain);

        Mass Off(Loadout load) => load.Total > target ? load.Total - target : target - load.Total;
    }

    /// <summary>Of equal loads: fewer pieces, then larger ones, then the plate before the vest.</summary>
    private static bool Simpler(Loadout worn, Loadout plain)
    {
        if (worn.PieceTotal != plain.PieceTotal)
            return worn.PieceTotal < plain.PieceTotal;
        foreach (var (mine, other) in worn.OneByOne.Zip(plain.OneByOne))
        {
            if (mine.Size.Mass != other.Size.Mass)
                return mine.Size.Mass > other.Size.Mass;
            if (mine.Sort != other.Sort)
                return mine.Sort < other.Sort;
        }

        return false;
    }
}

/// <summary>A kind of piece in the solver's integers.</summary>
internal sealed record PieceKind(MassEntry Size, int Count, PieceSort Sort)
{
    public long Units { get; } = Loading.Units.Of(Size.Mass);
}

/// <summary>The solver's integer: 0.1 microgram, in which any kg or lb size of two decimals is exact.</summary>
internal static class Units
{
    private const decimal PerKilogram = 10_000_000_000m;

    public static long Of(Mass mass) => (long)Math.Round(mass.Kilograms * PerKilogram, MidpointRounding.ToEven);

    public static Mass ToMass(long units) => Mass.FromKilograms(units / PerKilogram);
}
