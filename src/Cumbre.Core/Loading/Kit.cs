using Cumbre.Core.Measures;

namespace Cumbre.Core.Loading;

/// <summary>Plates of one size and how many there are. There is one belt, so plates need no pairing.</summary>
public sealed record PlateStock
{
    /// <exception cref="RuleViolationException">A size outside 0.1 to 50 kg, over two decimals, or a count outside 1 to
    /// 20.</exception>
    public PlateStock(MassEntry size, int count)
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
        Size = size;
        Count = count;
    }

    public MassEntry Size { get; }

    public int Count { get; }
}

/// <summary>What an athlete can hang on the body: plates on a belt, and a vest that counts as one piece.</summary>
public sealed class Kit
{
    private readonly Lazy<ReachableLoads> reachable;

    /// <exception cref="RuleViolationException">Over 12 sizes, the same size twice, or a vest outside 0.5 to 60
    /// kg.</exception>
    public Kit(IEnumerable<PlateStock> plates, bool hasBelt = true, MassEntry? vest = null)
    {
        Plates = [.. plates.OrderByDescending(p => p.Size.Mass.Kilograms)];
        if (Plates.Count > Limits.PlateSizesMaximum)
            throw new RuleViolationException(Violation.TooMany, "plates", Plates.Count, 0, Limits.PlateSizesMaximum);
        if (Plates.Select(p => p.Size.Mass).Distinct().Count() != Plates.Count)
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

        HasBelt = hasBelt;
        Vest = vest;

        var kinds = HasBelt ? Plates.Select(p => new PieceKind(p.Size, p.Count, IsVest: false)).ToList() : [];
        if (vest is { } piece)
            kinds.Add(new PieceKind(piece, 1, IsVest: true));
        // Larger pieces first, and of equal pieces the plate before the vest: the order in which ties are broken.
        Kinds = [.. kinds.OrderByDescending(k => k.Units).ThenBy(k => k.IsVest)];
        reachable = new(() => new ReachableLoads(Kinds));
    }

    public static Kit Empty { get; } = new([], hasBelt: false);

    /// <summary>The plates, largest first.</summary>
    public IReadOnlyList<PlateStock> Plates { get; }

    /// <summary>Without a belt no plate can be hung.</summary>
    public bool HasBelt { get; }

    public MassEntry? Vest { get; }

    /// <summary>What can be put on, largest first.</summary>
    internal IReadOnlyList<PieceKind> Kinds { get; }

    /// <summary>
    /// The load nearest to <paramref name="target"/>. Ties go to the lower load, then to fewer pieces, then to larger
    /// pieces, plates before the vest. A target at or below zero needs nothing.
    /// </summary>
    public Loadout Nearest(Mass target) => reachable.Value.Nearest(Units.Of(target));

    /// <summary>The smallest load of at least <paramref name="minimum"/>, or null when the kit makes none.</summary>
    public Loadout? AtLeast(Mass minimum) => reachable.Value.AtLeast(Units.Of(minimum));

    /// <summary>
    /// The largest load of at most <paramref name="maximum"/>; nothing at all when the kit makes none.
    /// </summary>
    public Loadout AtMost(Mass maximum) => reachable.Value.AtMost(Units.Of(maximum));
}

/// <summary>A kind of piece in the solver's integers.</summary>
internal sealed record PieceKind(MassEntry Size, int Count, bool IsVest)
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
