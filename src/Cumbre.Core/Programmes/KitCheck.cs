using Cumbre.Core.Loading;
using Cumbre.Core.Movements;

namespace Cumbre.Core.Programmes;

/// <summary>Is what a movement asks for where the athlete trains?</summary>
public static class KitCheck
{
    /// <summary>What is at hand everywhere.</summary>
    private static readonly HashSet<string> Everywhere = ["floor", "wall", "stick", "towels", "door frame"];

    /// <summary>A bar under this height is a low one.</summary>
    private const decimal LowBarCm = 140;

    /// <summary>
    /// What is missing, as the catalogue words it; null: all is there, or nobody has written down what there is.
    /// </summary>
    public static string? Missing(Movement movement, AthleteAtWork athlete) =>
        athlete.Gear.IsGearKnown
            ? movement.Kit.FirstOrDefault(wanted => !wanted.Split(" or ").Any(w => Has(w.Trim(), athlete)))
            : null;

    private static bool Has(string wanted, AthleteAtWork athlete)
    {
        var gear = athlete.Gear.Gear;
        bool Any(params GearKind[] kinds) => gear.Any(g => kinds.Contains(g.Kind));
        return wanted switch
        {
            "bar" or "bars" => Any(GearKind.Bar),
            "low bar" => gear.Any(g => g.Kind == GearKind.Bar && g.HeightCm is null or < LowBarCm)
                || Any(GearKind.Rings),
            "rings" => Any(GearKind.Rings),
            "parallel bars" or "parallettes" => Any(GearKind.ParallelBars),
            "pole" or "wall bars" => Any(GearKind.Pole),
            "pads" or "mat" => Any(GearKind.Pad, GearKind.Mat),
            "box" or "bench" => Any(GearKind.Box),
            "dumbbell" => Any(GearKind.Dumbbell) || athlete.Athlete.Kit.Pieces.Any(p => p.Sort == PieceSort.Dumbbell),
            "band" => athlete.Gear.Bands.Count > 0,
            // A vest or a backpack of books hangs load as a belt with plates does.
            "belt" => CanHang(athlete),
            "plates" => athlete.Athlete.Kit.Pieces.Count > 0 || CanHang(athlete),
            "vest" => athlete.Athlete.Kit.Vest is not null,
            _ => Everywhere.Contains(wanted),
        };
    }

    /// <summary>Is there anything that can be hung on the athlete?</summary>
    public static bool CanHang(AthleteAtWork athlete) => athlete.Athlete.Kit.CanHang || athlete.Gear.Counted.Count > 0;
}
