using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Programmes.Generation;

/// <summary>What one athlete can train: level, kit, pain and clearance, each movement looked up once.</summary>
internal sealed class Trainable(AthleteAtWork athlete, DoseRules dose, GeneratorRules rules)
{
    private readonly Dictionary<string, Obstacle?> obstacles = new(StringComparer.Ordinal);
    private readonly Dictionary<string, Bests> bests = new(StringComparer.Ordinal);

    public AthleteAtWork Athlete { get; } = athlete;

    public GeneratorRules Rules { get; } = rules;

    /// <summary>What finds the level of a pattern that was never tested, the first choice first.</summary>
    public IEnumerable<string> LevelFinders(Pattern pattern) =>
        Athlete.KnowsLevel(pattern) ? [] : dose.LevelFinding.FirstOrDefault(l => l.Pattern == pattern)?.Movements ?? [];

    public Catalogue Catalogue => Athlete.Atlas.Catalogue;

    public bool Can(Movement movement) => ObstacleTo(movement) is null;

    /// <summary>Why it cannot be trained; null: it can.</summary>
    public Obstacle? ObstacleTo(Movement movement)
    {
        if (!obstacles.TryGetValue(movement.Slug, out var known))
            obstacles[movement.Slug] = known = Find(movement);
        return known;
    }

    public Bests BestsOf(Movement movement)
    {
        if (!bests.TryGetValue(movement.Slug, out var known))
            bests[movement.Slug] = known = Athlete.BestsOf(movement);
        return known;
    }

    /// <summary>The movement of a slug if it can be trained.</summary>
    public Movement? Find(string slug) =>
        Catalogue.Movements.GetValueOrDefault(slug) is { } found && Can(found) ? found : null;

    /// <summary>Hard pressing from the floor is kept a day away from straight-arm pushing.</summary>
    public static bool PressesFromFloor(Movement movement) =>
        movement.Pattern is Pattern.HorizontalPush or Pattern.VerticalPush && movement.IsOnFloor;

    private Obstacle? Find(Movement movement)
    {
        if (ItemChecks.Locked(movement, Athlete, dose) is { } locked)
            return new(locked.Step.Name);
        if (KitCheck.Missing(movement, Athlete) is { } missing)
            return new(missing);
        if (movement.Measure == BenchmarkMeasure.LoadTimesReps && !KitCheck.CanHang(Athlete))
            return new("added load");
        if (Athlete.Holding(movement) is { } pain)
            return new(pain.Place.Said);
        return Athlete.WaitsForClearance.FirstOrDefault(q => q.Blocks(movement)) is { } question
            ? new(question.Question)
            : null;
    }
}

/// <summary>What stands against a movement.</summary>
/// <param name="What">A step above the placement, a piece of kit, a body place or a question of clearance.</param>
internal sealed record Obstacle(string What);
