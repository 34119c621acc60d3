using Cumbre.Core.Explanations;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Strength;

namespace Cumbre.Core.Programmes;

/// <summary>What a set would ask of the athlete, done on paper.</summary>
/// <param name="Set">1 and up.</param>
/// <param name="Side">Null: both at once.</param>
/// <param name="Can">Reps or seconds that are there when the set begins.</param>
/// <param name="Low">The fewest that fulfil the line.</param>
/// <param name="Done">What is done of it.</param>
public sealed record DryRunSet(int Set, Side? Side, decimal Can, int Low, int Done)
{
    /// <summary>The bottom of the range is not reached.</summary>
    public bool Fails => Math.Floor(Can) < Low;

    /// <summary>Left when the set ends.</summary>
    public decimal Left => Math.Max(0, Can - Done);
}

/// <summary>How a line goes on paper.</summary>
public enum DryRunVerdict
{
    /// <summary>Every set is done, and none is trivial.</summary>
    Fits,

    /// <summary>Some set does not reach the bottom of its range.</summary>
    Fails,

    /// <summary>Over five are left in every set, and it is not meant easy.</summary>
    Trivial,
}

/// <summary>A line done on paper.</summary>
/// <param name="Verdict">How it goes.</param>
/// <param name="Sets">In order.</param>
/// <param name="From">What was reckoned from, with the working.</param>
public sealed record DryRunItem(DryRunVerdict Verdict, IReadOnlyList<DryRunSet> Sets, Explained<decimal> From)
{
    /// <summary>The first set that does not reach its range; null: all do.</summary>
    public int? FailsAt => Sets.FirstOrDefault(s => s.Fails)?.Set;

    /// <summary>Whole reps or seconds that are left in the set that leaves the fewest.</summary>
    public int Left => (int)Math.Floor(Sets.Min(s => s.Left));
}

/// <summary>
/// A twin of the athlete does a session on paper, from maximum, best reps and best hold. Each further set of the
/// movement or its pattern loses a share of what is left (<see cref="FurtherSets"/>); a best of so many reps is taken
/// for half a rep more; a set that ends easily, a fast one and a hold of 60 % and less cost half of that (this
/// project's choice).
/// </summary>
public static class DryRun
{
    /// <summary>Left in every set, a line that is not meant easy is trivial.</summary>
    public const int TrivialOver = 5;

    private const decimal EasyHold = 0.60m,
        UncountedRep = 0.5m;

    private const int EasyReserve = 3;

    /// <summary>Each item in order; null where nothing is known or its sets have no number.</summary>
    public static IReadOnlyList<DryRunItem?> Of(IReadOnlyList<ItemReading> items, AthleteAtWork athlete)
    {
        // A one-sided set tires its own side.
        var left = new Dictionary<(Pattern, Side?), decimal>();
        return [.. items.Select(i => Of(i, athlete, left))];
    }

    private static DryRunItem? Of(ItemReading item, AthleteAtWork athlete, Dictionary<(Pattern, Side?), decimal> left)
    {
        if (
            item is not { Movement: { } movement, Plan: { } plan, Resolved: { } resolved }
            || movement.Pattern == Pattern.Mobility
        )
            return null;
        var from = From(movement, plan, resolved, athlete);
        var loss = FurtherSets.Loss(Timing.RestBetweenSets(plan));
        var sets = new List<DryRunSet>();
        foreach (var effort in resolved.Efforts.Where(e => e.Plan.Part == 1 || e.Plan.Side is not null))
        {
            var set = effort.Plan;
            var key = (movement.Pattern, set.Side);
            var share = left.GetValueOrDefault(key, 1);
            var fresh = from is null ? null : Fresh(effort, movement, plan, athlete);
            // A single of a few seconds that nobody has timed yet ends before it is hard.
            var easy = plan.IsFast || (fresh is null && set.Seconds <= HoldDose.SecondsMinimum);
            if (fresh is { } capacity)
            {
                var can = Math.Round(capacity * share, 2);
                var (low, high) = set.Seconds is { } seconds ? (seconds, seconds) : (set.RepsLow, set.RepsHigh);
                // A set by reserve stops before it fails.
                var reserve = plan.Effort is InReserve asked && plan is not TopSetBackOff ? asked.Reps : 0;
                var done = (int)Math.Min(high, Math.Max(low, Math.Floor(can) - reserve));
                done = (int)Math.Min(done, Math.Floor(can));
                sets.Add(new(set.Set, set.Side, can, low, done));
                easy |= set.Seconds is { } held ? held <= capacity * EasyHold : can - done >= EasyReserve;
            }

            left[key] = share * (1 - (easy ? loss / 2 : loss));
        }

        if (from is null || sets.Count == 0)
            return null;
        return new(
            sets.Any(s => s.Fails) ? DryRunVerdict.Fails
                : IsMeantEasy(item, movement) || !sets.All(s => s.Left > TrivialOver) ? DryRunVerdict.Fits
                : DryRunVerdict.Trivial,
            sets,
            from
        );
    }

    private static bool IsMeantEasy(ItemReading item, Movement movement) =>
        item.Plan is HoldSets or VariedHolds or PracticeSets
        || item.Plan!.IsFast
        || item.Plan.Effort is InReserve
        || movement.Pattern is Pattern.Mobility or Pattern.ShoulderBlade
        || item.Item.Role
            is ItemRole.Light
                or ItemRole.Kept
                or ItemRole.Practice
                or ItemRole.Preparation
                or ItemRole.Retest
                or ItemRole.LevelFinding;

    /// <summary>What it is reckoned from; null: nothing is known, or the sets end by themselves.</summary>
    private static Explained<decimal>? From(
        Movement movement,
        Prescription plan,
        ResolvedPrescription resolved,
        AthleteAtWork athlete
    )
    {
        if (plan is Negatives or MaxSets or PracticeSets or RestPause or OnTheClock or Pyramid or BrokenHold)
            return null;
        var why = Explanation.For(RuleId.DryRun).Source(SourceId.House);
        if (IsLoaded(resolved))
            return athlete.ContextOf(movement)?.OneRepMax is { } max
                ? why.Input(InputKey.OneRepMax, Quantity.Of(max.Value.Value))
                    .Source(SourceId.Epley1985)
                    .Build(max.Value.Value.Kilograms)
                : null;
        var capacity = athlete.CapacityOf(movement);
        if (athlete.ShownFresh(movement) is { } shown && shown > (capacity.HoldSeconds ?? capacity.Reps + UncountedRep))
            return why.Input(InputKey.ShownFresh, Quantity.Plain(shown)).Build(shown);
        if (capacity.HoldSeconds is { } hold)
            return why.Input(InputKey.BestHold, Quantity.Plain(hold)).Build(hold);
        if (capacity.Reps is not { } reps || resolved.Loads.Any(l => l.Value.Band is not null || l.Value.ByFeet))
            return null;
        why.Input(InputKey.BestReps, Quantity.Reps(reps));
        if (capacity.From is { } related)
            why.Step(StepKey.EstimatedFrom, Quantity.Reps(reps), Quantity.Name(related.Name));
        return why.Build((decimal)reps);
    }

    private static bool IsLoaded(ResolvedPrescription resolved) =>
        resolved.Loads.Any(l => l.Value.Made > Mass.Zero || l.Value.Counted is not null);

    /// <summary>What one fresh set of it could be.</summary>
    private static decimal? Fresh(AtomicEffort effort, Movement movement, Prescription plan, AthleteAtWork athlete)
    {
        var capacity = athlete.CapacityOf(movement);
        var shown = athlete.ShownFresh(movement);
        if (effort.Plan.Seconds is not null)
            return Larger(capacity.HoldSeconds, shown);
        var perRep = plan.Tempo is null
            ? Tempo.SecondsWithoutTempo
            : Math.Max(plan.SecondsPerRep, Tempo.SecondsWithoutTempo);
        var made = effort.Load.Value.Made;
        // A best of so many is between that and one more.
        var reps =
            made > Mass.Zero
                ? athlete.ContextOf(movement) is { OneRepMax: { } max } context
                    ? OneRepMax.ExpectedReps(max.Value.Value, context.BodyMass.Value + made)
                    : null
                : Larger(capacity.Reps + UncountedRep, shown);
        // Slower reps are fewer: the time of a set stays.
        return reps * Tempo.SecondsWithoutTempo / perRep;
    }

    /// <summary>What was shown says more than a best that is known, and nothing where none is.</summary>
    private static decimal? Larger(decimal? best, decimal? shown) => shown > best ? shown : best;
}
