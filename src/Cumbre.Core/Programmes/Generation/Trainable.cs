using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Programmes.Generation;

/// <summary>What one athlete can train: level, kit, pain and clearance, each movement looked up once.</summary>
internal sealed class Trainable(AthleteAtWork athlete, DoseRules dose, GeneratorRules rules)
{
    private readonly Dictionary<string, Obstacle?> obstacles = new(StringComparer.Ordinal);
    private const int StrongFrom = 5,
        FewReps = 3;

    private const decimal HarderShare = 0.75m,
        OtherPatternShare = 0.5m;

    /// <summary>Movements that are being reckoned, so that a circle of easier neighbours ends.</summary>
    private readonly HashSet<string> pending = new(StringComparer.Ordinal);

    private bool? strong;
    private readonly Dictionary<string, Capacity> capacities = new(StringComparer.Ordinal);

    public AthleteAtWork Athlete { get; } = athlete;

    public GeneratorRules Rules { get; } = rules;

    public DoseRules Dose { get; } = dose;

    public Catalogue Catalogue => Athlete.Atlas.Catalogue;

    /// <summary>
    /// What finds the level of a pattern that was never tested, the first choice first: the easier of a list, and for
    /// who is known to be strong elsewhere the next one up.
    /// </summary>
    public IEnumerable<string> LevelFinders(Pattern pattern)
    {
        if (Athlete.KnowsLevel(pattern))
            return [];
        var list = Dose.LevelFinding.FirstOrDefault(l => l.Pattern == pattern)?.Movements ?? [];
        return IsStrong && list.Count > 1 ? [list[1], .. list.Where((_, i) => i != 1)] : list;
    }

    /// <summary>Five clean reps of some movement that lifts the whole body: in a pike the feet carry a part of it.</summary>
    private bool IsStrong =>
        strong ??= Catalogue.Movements.Values.Any(m =>
            m.Pattern is Pattern.VerticalPull or Pattern.VerticalPush
            && !m.IsOnFloor
            && m.Measure == BenchmarkMeasure.Reps
            && !Catalogue.HelpedBy(m.Slug).Any()
            && Athlete.BestsOf(m).Reps >= StrongFrom
        );

    public bool Can(Movement movement) => ObstacleTo(movement) is null;

    /// <summary>Why it cannot be trained; null: it can, though it may have to be eased.</summary>
    public Obstacle? ObstacleTo(Movement movement)
    {
        if (!obstacles.TryGetValue(movement.Slug, out var known))
            obstacles[movement.Slug] = known = Find(movement);
        return known;
    }

    /// <summary>
    /// Why nothing of several movements can be trained: of what stands against them what must be known of first.
    /// </summary>
    public ObstacleKind WhyNone(IEnumerable<Movement> movements) =>
        movements.Select(m => ObstacleTo(m)?.Kind).Min() ?? ObstacleKind.Level;

    /// <summary>What the athlete can do of it; another grip of a lift is reckoned a twentieth of the system under it.</summary>
    public Capacity CapacityOf(Movement movement)
    {
        if (!capacities.TryGetValue(movement.Slug, out var known))
            capacities[movement.Slug] = known = FindCapacity(movement);
        return known;
    }

    /// <summary>The movement of a slug if it can be trained.</summary>
    public Movement? Find(string slug) =>
        Catalogue.Movements.GetValueOrDefault(slug) is { } found && Can(found) ? found : null;

    /// <summary>Pain in the middle of the scale that it has to be eased for; null: nothing it loads hurts.</summary>
    public Soreness? SoreIn(Movement movement) =>
        Athlete.Holding(movement, movement.Measure == BenchmarkMeasure.LoadTimesReps) is { Stopped: false } pain
            ? pain
            : null;

    /// <summary>0: it loads nothing that hurts; 1: its first form eases it; 2: it is only made lighter.</summary>
    public int Soreness(Movement movement) =>
        SoreIn(movement) is not { } pain ? 0
        : Easing.CanSpare(movement, pain.Place) ? 1
        : 2;

    /// <summary>
    /// The movement without help, where this is its help and it is not strong enough by itself yet; null: no help is
    /// called for.
    /// </summary>
    public Movement? HelpedWith(Movement movement) =>
        Catalogue.HelpedBy(movement.Slug).FirstOrDefault(m => Athlete.BestsOf(m).Reps <= RepDose.PracticeUpTo)
        ?? Catalogue.HelpedBy(movement.Slug).FirstOrDefault(m => !KnowsUnaided(m.Pattern));

    /// <summary>Was anything of a pattern shown without help? Weeks of helped work say nothing of the strict one.</summary>
    private bool KnowsUnaided(Pattern pattern) =>
        Catalogue.Movements.Values.Any(m =>
            m.Pattern == pattern && Athlete.BestsOf(m).Reps is not null && !Catalogue.HelpedBy(m.Slug).Any()
        );

    /// <summary>Hard pressing from the floor is kept a day away from straight-arm pushing.</summary>
    public static bool PressesFromFloor(Movement movement) =>
        movement.Pattern is Pattern.HorizontalPush or Pattern.VerticalPush && movement.IsOnFloor;

    private Capacity FindCapacity(Movement movement)
    {
        var own = Athlete.CapacityOf(movement);
        if (own.By != KnownBy.Nothing || movement.Measure != BenchmarkMeasure.Reps)
            return own;
        foreach (var (lift, share) in Rules.LiftsOf(movement.Slug))
        {
            var other = Catalogue.Movements[lift];
            if (other.Measure == BenchmarkMeasure.Reps && Athlete.BestsOf(other).Reps is { } best)
                return new(KnownBy.Estimate, best == 0 ? 0 : Capacity.RepsAt(best, share, 1), null, null, other);
        }

        return FromEasier(movement) ?? own;
    }

    /// <summary>
    /// What is harder than a movement that is known, or estimated, is reckoned three quarters of it; across patterns
    /// only what few reps of the easier one rule out (this project's choice).
    /// </summary>
    private Capacity? FromEasier(Movement movement)
    {
        if (
            movement.Fast
            || movement.EachSide
            || Catalogue.HelpedBy(movement.Slug).Any()
            || !pending.Add(movement.Slug)
        )
            return null;
        Capacity? found = null;
        foreach (
            var easier in movement
                .Easier.Select(e => Catalogue.Movements[e])
                .Where(e =>
                    e is { Measure: BenchmarkMeasure.Reps, Fast: false, EachSide: false, Arms: ArmMode.Bent }
                    && !Catalogue.HelpedBy(e.Slug).Any()
                )
        )
        {
            // What is itself only reckoned rules a harder one out, and carries it no further.
            if (CapacityOf(easier) is not { Reps: { } known } from || (!from.IsMeasured && known > FewReps))
                continue;
            var reps = (int)Math.Floor(known * (easier.Pattern == movement.Pattern ? HarderShare : OtherPatternShare));
            if (easier.Pattern != movement.Pattern && reps > FewReps)
                continue;
            if (found is null || reps < found.Reps)
                found = new(KnownBy.Estimate, reps, null, null, easier);
        }

        pending.Remove(movement.Slug);
        return found;
    }

    private Obstacle? Find(Movement movement)
    {
        if (ItemChecks.Locked(movement, Athlete, Dose) is { } locked)
            return new(ObstacleKind.Level, locked.Step.Name);
        if (KitCheck.Missing(movement, Athlete) is { } missing)
            return new(ObstacleKind.Kit, missing);
        if (movement.Measure == BenchmarkMeasure.LoadTimesReps && !KitCheck.CanHang(Athlete))
            return new(ObstacleKind.Kit, "added load");
        if (
            Athlete.Holding(movement, movement.Measure == BenchmarkMeasure.LoadTimesReps) is { } pain
            && (pain.Stopped || pain.Hold == Safety.Hold.SoreSide)
        )
            return new(ObstacleKind.Pain, pain.Place.Said);
        if (Athlete.WaitsForClearance.FirstOrDefault(q => q.Blocks(movement)) is { } question)
            return new(ObstacleKind.Clearance, question.Question);
        // Zero is known: nothing is asked of which not one is there yet. Under 16 a single is no set either.
        var least = Athlete.Athlete.AgeIn(Athlete.Today) < PrescriptionResolver.AgeOfMaximum ? 1 : 0;
        return
            movement.Measure == BenchmarkMeasure.Reps
            && !movement.Fast
            && CapacityOf(movement).Reps is { } reps
            && reps <= least
            ? new(ObstacleKind.Level, Obstacle.NotOne)
            : null;
    }
}

/// <summary>What sort of thing stands against a movement; what a coach must know of first comes first.</summary>
public enum ObstacleKind
{
    Pain,
    Clearance,
    Kit,

    /// <summary>A step above the placement, or not one rep is there.</summary>
    Level,
}

/// <summary>What stands against a movement.</summary>
/// <param name="Kind">Of what sort it is.</param>
/// <param name="What">A step above the placement, a piece of kit, a body place or a question of clearance; 0: not one
/// rep is there.</param>
internal sealed record Obstacle(ObstacleKind Kind, string What)
{
    public const string NotOne = "0";
}
