using Cumbre.Core.Movements;
using Cumbre.Core.Safety;

namespace Cumbre.Core.Programmes;

/// <summary>What pain at a place holds back of a session.</summary>
/// <param name="Place">Where it hurts.</param>
/// <param name="Hurt">The item in which it hurt; null: none in particular, as before a session.</param>
/// <param name="Eased">Items that are eased in the middle of the scale.</param>
/// <param name="Stopped">Items that stop at its upper end, or with a stop sign.</param>
public sealed record HeldBack(BodyPlace Place, int? Hurt, IReadOnlyList<int> Eased, IReadOnlyList<int> Stopped)
{
    /// <summary>
    /// For every place and every item, what it would hold back: worked out beforehand, so that it only needs looking up
    /// where the athlete stands at the bar. Of one-sided work a sided place holds the sore side alone.
    /// </summary>
    /// <param name="items">The movements of the session, and whether load is added; null: it is not in the catalogue.</param>
    public static IReadOnlyList<HeldBack> Table(IReadOnlyList<(Movement? Movement, bool Loaded)> items) =>
        [
            .. Enum.GetValues<BodyPlace>()
                .SelectMany(place =>
                    Enumerable.Range(-1, items.Count + 1).Select(hurt => Of(place, hurt < 0 ? null : hurt, items))
                ),
        ];

    private static HeldBack Of(BodyPlace place, int? hurt, IReadOnlyList<(Movement? Movement, bool Loaded)> items)
    {
        var where = new PainPlace(place, null, "");
        var sore = hurt is { } h ? items[h].Movement : null;
        return new(place, hurt, At(severe: false), At(severe: true));

        int[] At(bool severe) =>
            [
                .. Enumerable
                    .Range(0, items.Count)
                    .Where(i =>
                        items[i].Movement is { } movement
                        && PainRules.Holds(where, severe, sore, movement, items[i].Loaded) != Hold.None
                    ),
            ];
    }
}
