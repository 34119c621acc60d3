using Cumbre.Core.Measures;

namespace Cumbre.Core.Loading;

/// <summary>
/// Finds the exact best nested loads for a drop set: least summed distance to the targets, then fewest pieces moved,
/// then
/// fewest pieces used, then the lower total, then larger pieces, plates before the vest.
/// </summary>
/// <remarks>
/// A piece is either left out or belongs to a layer: layer j hangs in parts 1 to j. First the loads: combinations of
/// loads that the kit makes are tried in the order of their summed distance. Then the pieces: for given loads every
/// layer needs a known sum. Whether disjoint pieces can make these sums at all is settled from the smallest kind up,
/// since small pieces decide what larger ones can still complete; then a branch and bound looks for the pieces, fewest
/// first. Two greedy plans, from the lightest part up and from the heaviest down, limit the distance from the start.
/// The first distance at which pieces are found is the least one; all other combinations of the same distance are tried
/// before the best is told. On a kit with wide gaps there can be more ways than a key stroke has time for: after a
/// fixed number of steps a small kit is left to <see cref="DropLattice"/>; of a large one the best plan so far is told,
/// with <see cref="DropPlan.NoneNearer"/>, the distance that was reached, as its bound.
/// </remarks>
public static class DropPlanner
{
    /// <summary>Parts of a drop set, at least and at most.</summary>
    public const int PartsMinimum = 2,
        PartsMaximum = 4;

    /// <summary>
    /// So many steps are gone, the same on every machine. A small kit has few choices of pieces, and all of them are
    /// written down when the search does not end soon.
    /// </summary>
    private const int StepsMaximum = 250_000,
        StepsBeforeLattice = 20_000;

    /// <exception cref="ArgumentException">Fewer than 1 or more than 4 targets, or a target below zero.</exception>
    public static DropPlan Plan(Kit kit, IReadOnlyList<Mass> targets)
    {
        if (targets.Count is < 1 or > PartsMaximum)
            throw new ArgumentException("One to four targets.", nameof(targets));
        if (targets.Any(t => t < Mass.Zero))
            throw new ArgumentException("A drop set's loads are zero or more.", nameof(targets));
        long[] wanted = [.. targets.Select(Units.Of)];
        var kinds = kit.KindsFrom(targets[0]);
        var small = DropLattice.Fits(kinds);
        var search = new Search(kinds, wanted, small ? StepsBeforeLattice : StepsMaximum);
        search.Run();
        if (!search.Proven && small)
        {
            var (parts, distance) = DropLattice.Best(kinds, wanted);
            var off = Units.ToMass(distance);
            return new([.. parts.Select(p => Loadout.Of(kinds, p))], off, off, true);
        }

        return new(
            [.. search.BestParts().Select(p => Loadout.Of(kinds, p))],
            Units.ToMass(search.BestDistance),
            Units.ToMass(search.Bound),
            search.Proven
        );
    }

    /// <summary>A load that the kit makes, as a candidate for a part.</summary>
    private readonly record struct Candidate(PairSum Sum, long Units, long Distance);

    /// <summary>What each of up to four layers still needs.</summary>
    private readonly record struct Needs(PairSum A, PairSum B, PairSum C, PairSum D)
    {
        public PairSum this[int layer] =>
            layer switch
            {
                0 => A,
                1 => B,
                2 => C,
                _ => D,
            };

        public Needs With(int layer, PairSum need) =>
            layer switch
            {
                0 => this with { A = need },
                1 => this with { B = need },
                2 => this with { C = need },
                _ => this with { D = need },
            };
    }

    private sealed class Search
    {
        /// <summary>A combination of loads costs several steps, as it makes others.</summary>
        private const int StepsOfCombination = 8;

        private readonly IReadOnlyList<PieceKind> kinds;
        private readonly long[] targets;
        private readonly UnitSums kg;
        private readonly UnitSums lb;
        private readonly int[] left;
        private readonly UInt128[] layers;
        private readonly PairSum[] sums;
        private readonly int[] fewestFrom;
        private readonly HashSet<(int Kinds, Needs Needs)> hopeless = [];
        private UInt128[]? best;
        private int bestMoved;
        private int bestUsed;
        private long bestTotal;
        private long total;
        private long distance;
        private readonly int stepsMaximum;
        private int steps;

        public Search(IReadOnlyList<PieceKind> kinds, long[] targets, int stepsMaximum)
        {
            this.stepsMaximum = stepsMaximum;
            this.kinds = kinds;
            this.targets = targets;
            // Beyond twice the heaviest target nothing is nearer than hanging nothing.
            kg = new(kinds, MassUnit.Kg, targets[0] * 2);
            lb = new(kinds, MassUnit.Lb, targets[0] * 2);
            left = [.. kinds.Select(k => k.Count)];
            layers = new UInt128[targets.Length];
            sums = new PairSum[targets.Length];
            fewestFrom = new int[targets.Length + 1];
        }

        public long BestDistance { get; private set; } = long.MaxValue;

        /// <summary>No plan is nearer than this.</summary>
        public long Bound { get; private set; }

        public bool Proven => !Spent;

        private bool Spent => steps >= stepsMaximum;

        /// <summary>The pieces of each part of the best plan: its own layer and those of all later parts.</summary>
        public IEnumerable<UInt128> BestParts() => Parts(best!);

        public void Run()
        {
            GreedyUp();
            GreedyDown();
            TryCombinations();
        }

        private static UInt128[] Parts(UInt128[] layers)
        {
            var parts = (UInt128[])layers.Clone();
            for (var part = parts.Length - 2; part >= 0; part--)
                parts[part] += parts[part + 1];
            return parts;
        }

        /// <summary>
        /// From the lightest part up, each layer the nearest that what is left can add: a plan to start from.
        /// </summary>
        private void GreedyUp()
        {
            (distance, total) = (0, 0);
            long load = 0;
            var used = 0;
            for (var layer = targets.Length - 1; layer >= 0; layer--)
            {
                layers[layer] = Nearest(left, targets[layer] - load);
                for (var kind = 0; kind < kinds.Count; kind++)
                {
                    var count = Packing.CountOf(layers[layer], kind);
                    left[kind] -= count;
                    used += count;
                    load += kinds[kind].Units * count;
                }

                distance += Math.Abs(load - targets[layer]);
                total += load;
            }

            Start(used);
        }

        /// <summary>From the heaviest part down, each the nearest that the pieces of the one before it make.</summary>
        private void GreedyDown()
        {
            (distance, total) = (0, 0);
            int[] within = [.. left];
            var used = 0;
            for (var part = 0; part < targets.Length; part++)
            {
                var pieces = Nearest(within, targets[part]);
                long load = 0;
                for (var kind = 0; kind < kinds.Count; kind++)
                {
                    within[kind] = Packing.CountOf(pieces, kind);
                    load += kinds[kind].Units * within[kind];
                }

                layers[part] = pieces;
                if (part == 0)
                    used = within.Sum();
                else
                    layers[part - 1] -= pieces;
                distance += Math.Abs(load - targets[part]);
                total += load;
            }

            if (distance <= BestDistance)
                Start(used);
            else
                Array.Clear(layers);
        }

        private UInt128 Nearest(int[] available, long target) =>
            new ReachableLoads([.. kinds.Select((k, i) => k with { Count = available[i] })]).NearestPacked(
                Math.Max(0, target)
            );

        private void Start(int used)
        {
            Take(used);
            for (var kind = 0; kind < kinds.Count; kind++)
                left[kind] = kinds[kind].Count;
            Array.Clear(layers);
        }

        /// <summary>Tries combinations of loads by rising distance, up to that of the best plan so far.</summary>
        private void TryCombinations()
        {
            var candidates = targets.Select(t => Near(t, BestDistance)).ToArray();
            var queue = new PriorityQueue<(int[] At, int Free), long>();
            queue.Enqueue((new int[targets.Length], 0), candidates.Sum(c => c[0].Distance));
            while (queue.TryDequeue(out var node, out distance) && distance <= BestDistance)
            {
                Bound = distance;
                steps += StepsOfCombination;
                var here = distance;
                // Only the part moved last and those after it move on, so each combination comes once.
                for (var part = node.Free; part < targets.Length; part++)
                {
                    var from = node.At[part];
                    if (
                        from + 1 == candidates[part].Length
                        || here - candidates[part][from].Distance + candidates[part][from + 1].Distance is var further
                            && further > BestDistance
                    )
                        continue;
                    var next = (int[])node.At.Clone();
                    next[part]++;
                    queue.Enqueue((next, part), further);
                }

                Fill(candidates, node.At);
                if (Spent)
                    return;
            }

            Bound = BestDistance;
        }

        private Candidate[] Near(long target, long window)
        {
            var near = new List<Candidate>();
            var pounds = lb.All.ToArray();
            foreach (var kilograms in kg.All)
            {
                // Both lists rise, so the pounds that fit lie together.
                var low = target - window - kilograms * kg.Divisor;
                var from =
                    lb.Divisor == 0
                        ? 0
                        : Math.Max(
                            0,
                            Array.BinarySearch(pounds, (int)Math.Clamp(low / lb.Divisor, 0, int.MaxValue)) is var at
                            && at >= 0
                                ? at
                                : ~at
                        );
                for (var i = from; i < pounds.Length; i++)
                {
                    var units = kilograms * kg.Divisor + pounds[i] * lb.Divisor;
                    if (units > target + window)
                        break;
                    if (units >= target - window)
                        near.Add(new(new(kilograms, pounds[i]), units, Math.Abs(units - target)));
                }
            }

            near.Sort(
                (a, b) => a.Distance != b.Distance ? a.Distance.CompareTo(b.Distance) : a.Units.CompareTo(b.Units)
            );
            return [.. near];
        }

        private void Fill(Candidate[][] candidates, int[] at)
        {
            total = 0;
            for (var part = 0; part < targets.Length; part++)
            {
                var mine = candidates[part][at[part]];
                var next = part + 1 < targets.Length ? candidates[part + 1][at[part + 1]].Sum : default;
                sums[part] = mine.Sum - next;
                if (!sums[part].IsPossible)
                    return;
                total += mine.Units;
            }

            for (var part = targets.Length - 1; part >= 0; part--)
            {
                var fewest = Fewest(0, sums[part]);
                if (fewest >= UnitSums.Unreachable)
                    return;
                fewestFrom[part] = fewestFrom[part + 1] + fewest;
            }

            var needs = default(Needs);
            for (var layer = 0; layer < sums.Length; layer++)
                needs = needs.With(layer, sums[layer]);
            if (CanFill(kinds.Count, needs, 0))
                Layer(0, 0);
        }

        /// <summary>
        /// Can the first (largest) <paramref name="count"/> kinds make all the needs from disjoint pieces? The way that
        /// is found is a
        /// first plan, against which the branch and bound can cut.
        /// </summary>
        private bool CanFill(int count, Needs needs, int used)
        {
            if (count == 0)
            {
                Take(used);
                return true;
            }

            steps++;
            if (Spent || hopeless.Contains((count, needs)))
                return false;
            if (Share(count - 1, 0, kinds[count - 1].Count, needs, used))
                return true;
            // What was given up half way is not known to be hopeless.
            if (!Spent)
                hopeless.Add((count, needs));
            return false;
        }

        /// <summary>
        /// Shares out up to <paramref name="pieces"/> of a kind among the layers from <paramref name="layer"/> on, few
        /// first.
        /// </summary>
        private bool Share(int kind, int layer, int pieces, Needs needs, int used)
        {
            if (layer == targets.Length)
                return CanFill(kind, needs, used);
            var stride = new PairSum(kg.Strides[kind], lb.Strides[kind]);
            var need = needs[layer];
            for (var taken = 0; taken <= pieces && need.IsPossible; taken++, need -= stride)
            {
                if (!kg.CanMake(kind, need.Kg) || !lb.CanMake(kind, need.Lb))
                    continue;
                layers[layer] += Packing.One(kind) * (uint)taken;
                var filled = Share(kind, layer + 1, pieces - taken, needs.With(layer, need), used + taken);
                layers[layer] -= Packing.One(kind) * (uint)taken;
                if (filled)
                    return true;
            }

            return false;
        }

        private int Fewest(int kind, PairSum sum) => kg.Fewest(kind, sum.Kg) + lb.Fewest(kind, sum.Lb);

        /// <summary>
        /// Finds pieces for a layer and those after it, fewest first, from what the layers before it have left.
        /// </summary>
        private void Layer(int layer, int used)
        {
            if (layer == targets.Length)
            {
                Take(used);
                return;
            }

            var available = left.Sum();
            for (var pieces = Fewest(0, sums[layer]); pieces <= available; pieces++)
            {
                if (Spent || CannotBeat(layer, used, pieces))
                    return;
                Pick(layer, 0, sums[layer], pieces, used);
            }
        }

        /// <summary>
        /// At equal distance: do even the fewest pieces of the layers to come lose against the best plan?
        /// </summary>
        private bool CannotBeat(int layer, int used, int pieces)
        {
            var last = targets.Length - 1;
            var leastUsed = used + pieces + fewestFrom[layer + 1];
            var leastMoved = layer == last ? used : leastUsed - (fewestFrom[last] - fewestFrom[last + 1]);
            return leastMoved > bestMoved
                || (leastMoved == bestMoved && (leastUsed > bestUsed || (leastUsed == bestUsed && total > bestTotal)));
        }

        /// <summary>
        /// Chooses exactly <paramref name="pieces"/> pieces of the kinds from <paramref name="kind"/> on that make the
        /// sum.
        /// </summary>
        private void Pick(int layer, int kind, PairSum rest, int pieces, int used)
        {
            steps++;
            if (pieces == 0)
            {
                if (rest == default)
                    Layer(layer + 1, used);
                return;
            }

            if (Spent || kind == kinds.Count || Fewest(kind, rest) > pieces)
                return;
            var stride = new PairSum(kg.Strides[kind], lb.Strides[kind]);
            var one = Packing.One(kind);
            var taken = 0;
            while (taken < pieces && left[kind] > 0 && (rest - stride).IsPossible)
            {
                rest -= stride;
                left[kind]--;
                layers[layer] += one;
                taken++;
            }

            for (; ; taken--)
            {
                Pick(layer, kind + 1, rest, pieces - taken, used + taken);
                if (taken == 0)
                    return;
                rest = new(rest.Kg + stride.Kg, rest.Lb + stride.Lb);
                left[kind]++;
                layers[layer] -= one;
            }
        }

        private void Take(int used)
        {
            var last = layers[^1];
            var moved = used;
            for (var kind = 0; kind < kinds.Count; kind++)
                moved -= Packing.CountOf(last, kind);
            if (distance == BestDistance && !Wins(moved, used))
                return;
            best = (UInt128[])layers.Clone();
            (BestDistance, bestMoved, bestUsed, bestTotal) = (distance, moved, used, total);
        }

        private bool Wins(int moved, int used)
        {
            if (moved != bestMoved)
                return moved < bestMoved;
            if (used != bestUsed)
                return used < bestUsed;
            if (total != bestTotal)
                return total < bestTotal;
            var (mine, theirs) = (Parts(layers), Parts(best!));
            for (var part = 0; part < mine.Length; part++)
            {
                if (mine[part] != theirs[part])
                    return mine[part] > theirs[part];
            }

            return false;
        }
    }
}
