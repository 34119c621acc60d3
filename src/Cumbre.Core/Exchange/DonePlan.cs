using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Sessions;

namespace Cumbre.Core.Exchange;

/// <summary>An item of a session that was done elsewhere: its sets, and a plan that asks for what was done.</summary>
/// <param name="Plan">Whose sets are those that were done.</param>
/// <param name="LoadsKg">Of each planned set.</param>
/// <param name="Sets">As they are logged.</param>
public sealed record DoneItem(Prescription Plan, IReadOnlyList<decimal> LoadsKg, IReadOnlyList<LoggedSet> Sets);

/// <summary>
/// Makes an item of what a table tells. Nobody knows what was planned where no line says so; then the plan is what was
/// done, so that no rule takes a set for missed.
/// </summary>
public static class DonePlan
{
    /// <param name="movement">Decides whether figures are reps, seconds held or seconds lowered.</param>
    /// <param name="sets">In order; those of the two sides of a set one after the other.</param>
    /// <param name="line">The plan where one was told.</param>
    /// <param name="more">What else is known of each set.</param>
    /// <exception cref="RuleViolationException">A figure is outside its range.</exception>
    public static DoneItem Of(
        Movement movement,
        IReadOnlyList<DoneAmount> sets,
        Prescription? line,
        Func<LoggedSet, int, LoggedSet>? more = null
    )
    {
        var isHeld = movement.IsHeld;
        var places = Places(sets);
        LoggedSet[] logged =
        [
            .. sets.Select(
                (s, i) =>
                {
                    var set = new LoggedSet(
                        places[i].Set,
                        places[i].Part,
                        isHeld || movement.Measure == BenchmarkMeasure.SecondsPerDescent ? 1 : s.Amount,
                        s.Added,
                        s.Reserve,
                        Benchmarks.FormVerdict.Clean,
                        seconds: isHeld ? s.Amount : null
                    )
                    {
                        Contact = s.Contact,
                    };
                    return more?.Invoke(set, i) ?? set;
                }
            ),
        ];
        var plan = line is not null && Fits(line, logged) ? line : Made(movement, sets, places);
        var planned = plan.Sets();
        return new(
            plan,
            [
                .. planned.Select(p =>
                    (logged.FirstOrDefault(s => s.Set == p.Set && s.Part == p.Part) ?? logged[^1]).Added.Mass.Kilograms
                ),
            ],
            logged
        );
    }

    /// <summary>Left and right one after the other are one set.</summary>
    private static (int Set, int Part)[] Places(IReadOnlyList<DoneAmount> sets)
    {
        var both = sets.Any(s => s.Side == Side.Left) && sets.Any(s => s.Side == Side.Right);
        var next = new Dictionary<Side, int>();
        return
        [
            .. sets.Select(
                (s, i) =>
                {
                    if (!both || s.Side is not { } side)
                        return (i + 1, 1);
                    var set = next[side] = next.GetValueOrDefault(side) + 1;
                    return (set, side == Side.Left ? 1 : 2);
                }
            ),
        ];
    }

    /// <summary>Every set that was done has its place in the plan, and is counted as the plan counts.</summary>
    private static bool Fits(Prescription plan, LoggedSet[] sets)
    {
        var planned = plan.Sets().ToDictionary(p => (p.Set, p.Part));
        var last = planned.Keys.Max(p => p.Set);
        return sets.All(s =>
            planned.TryGetValue((Math.Min(s.Set, last), s.Part), out var p)
            && s.Set <= last + 10
            && p.Seconds is null == s.Seconds is null
        );
    }

    private static Prescription Made(Movement movement, IReadOnlyList<DoneAmount> sets, (int Set, int Part)[] places)
    {
        var sides = sets.Select(s => s.Side).Distinct().ToArray() switch
        {
            [Side.Left] => SidePlan.LeftOnly,
            [Side.Right] => SidePlan.RightOnly,
            { Length: > 1 } when sets.All(s => s.Side is not null) => SidePlan.Each,
            _ => (SidePlan?)null,
        };
        // Of two sides the plan asks for what the better one did.
        var each = sets.Zip(places)
            .GroupBy(s => s.Second.Set)
            .OrderBy(g => g.Key)
            .Select(g => (Amount: Math.Max(1, g.Max(s => s.First.Amount)), g.First().First.Added))
            .ToArray();
        var amounts = each.Select(e => e.Amount).ToArray();
        var loads = each.Select(e => e.Added).ToArray();
        var heaviest = loads.MaxBy(l => l.Mass.Kilograms);
        LoadSpec? load =
            heaviest.Value > 0 ? new AddedLoad(heaviest)
            : loads.MinBy(l => l.Mass.Kilograms) is { Value: < 0 } help ? new AddedLoad(help)
            : null;
        var made =
            movement.IsHeld ? VariedHolds.Of(amounts)
            : movement.Measure == BenchmarkMeasure.SecondsPerDescent
                ? new Negatives(each.Length, 1, Math.Min(amounts.Max(), Limits.TempoPhaseMaximum))
            : loads.Distinct().Count() > 1 && loads.All(l => l.Value >= 0) ? VariedSets.Of(amounts, loads)
            : VariedSets.Of(amounts);
        return made with { Load = made.Load ?? (made is VariedSets { Loads: not null } ? null : load), Sides = sides };
    }
}
