using Cumbre.Core.Measures;

namespace Cumbre.Core.Loading;

/// <summary>
/// The loads of a drop set's parts, heaviest first. Each is a part of the one before, so that a drop only takes pieces
/// off.
/// </summary>
/// <param name="Parts">What hangs in each part.</param>
/// <param name="Distance">Summed distance of the parts to what was wanted.</param>
/// <param name="NoneNearer">No plan of the kit has a smaller distance than this; 0 or more.</param>
/// <param name="Proven">True when no plan is better; false when there were too many to try them all.</param>
public sealed record DropPlan(IReadOnlyList<Loadout> Parts, Mass Distance, Mass NoneNearer, bool Proven)
{
    /// <summary>What comes off before part <paramref name="index"/> (1 or higher).</summary>
    public Loadout TakeOffBefore(int index) => Parts[index - 1].Without(Parts[index]);

    /// <summary>Pieces taken off over the whole set.</summary>
    public int PiecesMoved => Parts[0].PieceTotal - Parts[^1].PieceTotal;
}
