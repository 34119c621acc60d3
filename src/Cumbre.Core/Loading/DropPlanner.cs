using Cumbre.Core.Measures;

namespace Cumbre.Core.Loading;

/// <summary>
/// Finds the exact best nested loads for a drop set: least summed distance to the targets, then fewest pieces moved, then
/// fewest pieces used, then the lower total, then larger pieces, plates before the vest.
/// </summary>
/// <remarks>
/// A piece is either left out or belongs to a layer: layer j hangs in parts 1 to j. The search gives each kind, largest
/// first, its counts per layer, and cuts a branch when even the best completion of each part for itself is worse than the best
/// plan found. All costs add up over kinds, so a state (kind, loads so far) is only followed again when reached more cheaply.
/// </remarks>
public static class DropPlanner
{
    /// <summary>Parts of a drop set, at least and at most.</summary>
    public const int PartsMinimum = 2, PartsMaximum = 4;

    /// <exception cref="ArgumentException">Fewer than 1 or more than 4 targets, or a target below zero.</exception>
    public static DropPlan Plan(Kit kit, IReadOnlyList<Mass> targets)
    {
        if (targets.Count is < 1 or > PartsMaximum)
            throw new ArgumentException("One to four targets.", nameof(targets));
        if (targets.Any(t => t < Mass.Zero))
            throw new ArgumentException("A drop set's loads are zero or more.", nameof(targets));
        var best = new Search(kit.Kinds, [.. targets.Select(Units.Of)]).Run();
        return new(
            [.. best.Packed.AsSpan(0, targets.Count).ToArray().Select(p => Loadout.Of(kit.Kinds, p))],
            Units.ToMass(best.Distance));
    }

    private sealed class Plan4
    {
        public long Distance = long.MaxValue;
        public int Moved;
        public int Used;
        public long Total;
        public readonly UInt128[] Packed = new UInt128[PartsMaximum];
    }

    /// <summary>Loads of up to four parts: the state of the search.</summary>
    private readonly record struct Loads(int Kind, long A, long B, long C, long D);

    private readonly record struct Cost(int Moved, int Used, UInt128 A, UInt128 B, UInt128 C, UInt128 D)
    {
        public bool NoWorseThan(in Cost other)
        {
            if (Moved != other.Moved)
                return Moved < other.Moved;
            if (Used != other.Used)
                return Used < other.Used;
            if (A != other.A)
                return A > other.A;
            if (B != other.B)
                return B > other.B;
            if (C != other.C)
                return C > other.C;
            return D >= other.D;
        }
    }

    private sealed class Search
    {
        /// <summary>More sums than this behind a kind are not listed; the bound then only knows their range.</summary>
        private const int SumsMaximum = 4096;

        private readonly IReadOnlyList<PieceKind> kinds;
        private readonly long[] targets;
        private readonly int parts;
        private readonly long[][] sumsFrom;
        private readonly long[] totalFrom;
        private readonly long[] loads;
        private readonly UInt128[] packed = new UInt128[PartsMaximum];
        private readonly Dictionary<Loads, Cost> seen = [];
        private readonly Plan4 best = new();
        private int moved;
        private int used;

        public Search(IReadOnlyList<PieceKind> kinds, long[] targets)
        {
            this.kinds = kinds;
            this.targets = targets;
            parts = targets.Length;
            loads = new long[PartsMaximum];
            sumsFrom = new long[kinds.Count + 1][];
            totalFrom = new long[kinds.Count + 1];
            sumsFrom[kinds.Count] = [0];
            var reach = targets[0] * 2;
            for (var i = kinds.Count - 1; i >= 0; i--)
            {
                totalFrom[i] = totalFrom[i + 1] + kinds[i].Units * kinds[i].Count;
                sumsFrom[i] = Widen(sumsFrom[i + 1], kinds[i], reach);
            }
        }

        public Plan4 Run()
        {
            Visit(0);
            return best;
        }

        private static long[] Widen(long[] sums, PieceKind kind, long reach)
        {
            if (sums.Length == 0)
                return [];
            var all = new HashSet<long>(sums);
            for (var count = 1; count <= kind.Count; count++)
            {
                foreach (var sum in sums)
                {
                    // Beyond twice the heaviest target nothing is nearer than hanging nothing.
                    if (sum + kind.Units * count <= reach)
                        all.Add(sum + kind.Units * count);
                }

                if (all.Count > SumsMaximum)
                    return [];
            }

            var sorted = all.ToArray();
            Array.Sort(sorted);
            return sorted;
        }

        private void Visit(int kind)
        {
            var bound = DistanceBound(kind);
            if (bound > best.Distance || (bound == best.Distance && CannotBeatOnPieces(kind)))
                return;
            if (kind == kinds.Count)
            {
                Offer(bound);
                return;
            }

            var state = new Loads(kind, loads[0], loads[1], loads[2], loads[3]);
            var cost = new Cost(moved, used, packed[0], packed[1], packed[2], packed[3]);
            if (seen.TryGetValue(state, out var before) && before.NoWorseThan(cost))
                return;
            seen[state] = cost;
            Distribute(kind, parts, kinds[kind].Count);
        }

        /// <summary>Gives layers <paramref name="layer"/> down to 1 up to <paramref name="left"/> pieces of a kind, most first.</summary>
        private void Distribute(int kind, int layer, int left)
        {
            if (layer == 0)
            {
                Visit(kind + 1);
                return;
            }

            var mass = kinds[kind].Units;
            // One piece over the target may still be the nearest; a second one never is.
            var room = Math.Max(0, targets[layer - 1] - loads[layer - 1]);
            var most = (int)Math.Min(left, room / mass + 1);
            for (var count = most; count >= 0; count--)
            {
                Put(kind, layer, count);
                Distribute(kind, layer - 1, left - count);
                Put(kind, layer, -count);
            }
        }

        private void Put(int kind, int layer, int count)
        {
            if (count == 0)
                return;
            var pieces = Packing.One(kind);
            for (var part = 0; part < layer; part++)
            {
                loads[part] += kinds[kind].Units * count;
                packed[part] = count > 0 ? packed[part] + pieces * (uint)count : packed[part] - pieces * (uint)-count;
            }

            used += count;
            if (layer < parts)
                moved += count;
        }

        /// <summary>Each part for itself completed as well as the remaining kinds allow: never more than the true distance.</summary>
        private long DistanceBound(int kind)
        {
            long bound = 0;
            for (var part = 0; part < parts; part++)
            {
                var missing = targets[part] - loads[part];
                bound += missing <= 0 ? -missing : Nearest(kind, missing);
            }

            return bound;
        }

        private long Nearest(int kind, long missing)
        {
            var sums = sumsFrom[kind];
            if (sums.Length == 0)
                return Math.Max(0, missing - totalFrom[kind]);
            var at = Array.BinarySearch(sums, missing);
            if (at >= 0)
                return 0;
            var above = ~at;
            var nearest = missing - sums[above - 1];
            return above < sums.Length ? Math.Min(nearest, sums[above] - missing) : nearest;
        }

        /// <summary>At equal distance: do even the fewest further pieces lose against the best plan?</summary>
        private bool CannotBeatOnPieces(int kind)
        {
            var (leastMoved, leastUsed) = (moved, used);
            if (kind < kinds.Count)
            {
                var largest = kinds[kind].Units;
                for (var part = 0; part < parts; part++)
                {
                    var next = part + 1 < parts ? part + 1 : -1;
                    var wanted = targets[part] - (next < 0 ? 0 : targets[next]);
                    var has = loads[part] - (next < 0 ? 0 : loads[next]);
                    var missing = wanted - has - best.Distance;
                    if (missing <= 0)
                        continue;
                    var pieces = (int)((missing + largest - 1) / largest);
                    leastUsed += pieces;
                    if (next >= 0)
                        leastMoved += pieces;
                }
            }

            return leastMoved > best.Moved || (leastMoved == best.Moved && leastUsed > best.Used);
        }

        private void Offer(long distance)
        {
            var total = loads[0] + loads[1] + loads[2] + loads[3];
            if (!Better(distance, total))
                return;
            best.Distance = distance;
            best.Moved = moved;
            best.Used = used;
            best.Total = total;
            Array.Copy(packed, best.Packed, packed.Length);
        }

        private bool Better(long distance, long total)
        {
            if (distance != best.Distance)
                return distance < best.Distance;
            if (moved != best.Moved)
                return moved < best.Moved;
            if (used != best.Used)
                return used < best.Used;
            if (total != best.Total)
                return total < best.Total;
            for (var part = 0; part < parts; part++)
            {
                if (packed[part] != best.Packed[part])
                    return packed[part] > best.Packed[part];
            }

            return false;
        }
    }
}
