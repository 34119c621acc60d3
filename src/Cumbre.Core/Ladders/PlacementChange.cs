using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;

namespace Cumbre.Core.Ladders;

/// <summary>What differs between two placements of an athlete on one ladder; names of steps, in their order.</summary>
/// <param name="Won">Won now.</param>
/// <param name="Lost">No longer won.</param>
/// <param name="Opened">May be trained now, and was not shown yet.</param>
/// <param name="Closed">May no longer be trained.</param>
public sealed record PlacementChange(
    IReadOnlyList<string> Won,
    IReadOnlyList<string> Lost,
    IReadOnlyList<string> Opened,
    IReadOnlyList<string> Closed
)
{
    public bool IsNone => Won.Count + Lost.Count + Opened.Count + Closed.Count == 0;

    /// <summary>Steps are matched by their slug; those that only one of the ladders has are left out.</summary>
    public static PlacementChange Between(Placement before, Placement after)
    {
        var old = before
            .Ladder.Steps.Select((s, i) => (s.Slug, Index: i))
            .ToDictionary(s => s.Slug, s => s.Index, StringComparer.Ordinal);
        var both = after
            .Ladder.Steps.Select((s, i) => (s.Name, After: i, Before: old.GetValueOrDefault(s.Slug, -1)))
            .Where(s => s.Before >= 0)
            .ToArray();
        IReadOnlyList<string> Where(Func<(string Name, int After, int Before), bool> which) =>
            [.. both.Where(which).Select(s => s.Name)];
        return new(
            Where(s => after.IsWon(s.After) && !before.IsWon(s.Before)),
            Where(s => !after.IsWon(s.After) && before.IsWon(s.Before)),
            Where(s =>
                after.IsReachable(s.After)
                && !before.IsReachable(s.Before)
                && after.StatusOf(s.After) is not (StepStatus.Won or StepStatus.Open)
            ),
            Where(s => !after.IsReachable(s.After) && before.IsReachable(s.Before))
        );
    }
}

/// <summary>What a rule needs to know of an athlete to place them.</summary>
/// <param name="Id">Athlete.</param>
/// <param name="Name">Athlete.</param>
/// <param name="Schools">In force.</param>
/// <param name="Book">Results up to the day.</param>
/// <param name="Coach">Steps that the coach set.</param>
public sealed record Climber(
    Guid Id,
    string Name,
    Schools Schools,
    ResultBook Book,
    IReadOnlyList<CoachPlacement> Coach
)
{
    public Placement On(Ladder ladder)
    {
        foreach (var placement in Coach)
        {
            if (placement.Ladder == ladder.Slug)
                return Placement.Of(ladder, Schools, Book, placement);
        }

        return Placement.Of(ladder, Schools, Book);
    }
}

/// <summary>An athlete whom a change of a ladder would move.</summary>
/// <param name="Climber">Who.</param>
/// <param name="Before">As it stands.</param>
/// <param name="After">As it would stand.</param>
/// <param name="Change">What opens, closes, is won or lost.</param>
public sealed record Mover(Climber Climber, Placement Before, Placement After, PlacementChange Change);

/// <summary>Tells whom a change of a ladder would move, before it is saved.</summary>
public static class LadderWhatIf
{
    /// <param name="before">The ladder as it stands.</param>
    /// <param name="after">As it would be.</param>
    /// <param name="club">All athletes.</param>
    public static IReadOnlyList<Mover> Movers(Ladder before, Ladder after, IEnumerable<Climber> club)
    {
        var movers = new List<Mover>();
        foreach (var climber in club)
        {
            var (was, would) = (climber.On(before), climber.On(after));
            var change = PlacementChange.Between(was, would);
            if (!change.IsNone || StepOf(was) != StepOf(would))
                movers.Add(new(climber, was, would, change));
        }

        return movers;
    }

    private static string? StepOf(Placement placement) =>
        placement.Training is { } step ? placement.Ladder.Steps[step].Slug : null;
}
