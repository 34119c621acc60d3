using Cumbre.Core.Ladders;
using Cumbre.Core.Movements;
using Cumbre.Core.Notation;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Programmes;

/// <summary>A movement that can stand in for another.</summary>
/// <param name="Movement">The movement.</param>
/// <param name="Plan">Its usual dose for this athlete.</param>
/// <param name="Level">Its level in its family of neighbours, 1 is the easiest.</param>
/// <param name="Harder">Levels above the one it stands in for; negative: easier.</param>
/// <param name="KitMissing">What is not there; null: all is.</param>
/// <param name="Status">Of its step; null: it is no step of a ladder.</param>
/// <param name="Helps">It trains what limits a goal, or carries over to it: the goal's name.</param>
public sealed record Substitute(
    Movement Movement,
    Prescription Plan,
    int Level,
    int Harder,
    string? KitMissing,
    StepStatus? Status,
    string? Helps
);

/// <summary>
/// Finds stand-ins: same pattern and arms, the kit at hand, not above the placement; those that help a goal first, then
/// by level.
/// </summary>
public static class Substitutes
{
    public static IReadOnlyList<Substitute> For(Movement movement, AthleteAtWork athlete) =>
        [.. InOrder(movement, athlete)];

    /// <summary>The best stand-in; null: there is none.</summary>
    public static Substitute? First(Movement movement, AthleteAtWork athlete) =>
        InOrder(movement, athlete).FirstOrDefault();

    private static IEnumerable<Substitute> InOrder(Movement movement, AthleteAtWork athlete)
    {
        var level = Level.Of(movement, athlete.Atlas.Catalogue);
        var limiting = Limiting(athlete);
        return athlete
            .Atlas.Catalogue.Movements.Values.Where(m =>
                m.Slug != movement.Slug
                && m.Pattern == movement.Pattern
                && m.Arms == movement.Arms
                && !Locked(m, athlete)
            )
            .Where(m => athlete.Holding(m) is null)
            .Select(m =>
                (
                    Movement: m,
                    Level: Level.Of(m, athlete.Atlas.Catalogue),
                    Kit: KitCheck.Missing(m, athlete),
                    Helps: limiting.FirstOrDefault(l => l.Movement == m.Slug || m.CarriesTo.Contains(l.Movement)).Goal
                )
            )
            .OrderBy(m => m.Kit is null ? 0 : 1)
            .ThenBy(m => movement.Easier.Contains(m.Movement.Slug) || movement.Harder.Contains(m.Movement.Slug) ? 0 : 1)
            .ThenBy(m => m.Helps is null ? 1 : 0)
            .ThenBy(m => Math.Abs(m.Level - level))
            .ThenBy(m => m.Movement.Name, StringComparer.Ordinal)
            .Select(m => new Substitute(
                m.Movement,
                UsualDose.For(m.Movement, athlete),
                m.Level,
                m.Level - level,
                m.Kit,
                StatusOf(m.Movement, athlete),
                m.Helps
            ));
    }

    /// <summary>The best standing of the movement over the ladders that have it as a step.</summary>
    public static StepStatus? StatusOf(Movement movement, AthleteAtWork athlete) =>
        athlete.StepsOf(movement.Slug) is [_, ..] steps
            ? steps.OrderBy(s => s.Reachable ? 0 : 1).ThenBy(s => Rank(s.Status)).First().Status
            : null;

    private static bool Locked(Movement movement, AthleteAtWork athlete) =>
        athlete.StepsOf(movement.Slug) is [_, ..] steps
        && steps.All(s => !s.Reachable && s.Status is StepStatus.Locked or StepStatus.Ahead);

    private static int Rank(StepStatus status) =>
        status switch
        {
            StepStatus.Training => 0,
            StepStatus.Support => 1,
            StepStatus.Open => 2,
            StepStatus.Won => 3,
            StepStatus.Ahead => 4,
            _ => 5,
        };

    /// <summary>What holds back each goal that is advanced: the movement to train, and the goal's name.</summary>
    private static (string Movement, string Goal)[] Limiting(AthleteAtWork athlete) =>
        [
            .. athlete
                .Intake.Advancing.Select(goal => athlete.Atlas.BySlug.GetValueOrDefault(goal))
                .OfType<Ladder>()
                .Select(ladder => (Ladder: ladder, Report: athlete.ReportOn(ladder)))
                .Where(r => r.Report.Limiting is not null)
                .Select(r => (r.Report.Limiting!.Movement, r.Ladder.Name)),
        ];
}

/// <summary>The level of a movement in its family: 1 and one more for each easier neighbour below it.</summary>
public static class Level
{
    private static readonly System.Runtime.CompilerServices.ConditionalWeakTable<
        Catalogue,
        Dictionary<string, int>
    > Known = [];

    public static int Of(Movement movement, Catalogue catalogue) => Known.GetValue(catalogue, All)[movement.Slug];

    private static Dictionary<string, int> All(Catalogue catalogue)
    {
        var levels = new Dictionary<string, int>(StringComparer.Ordinal);
        foreach (var movement in catalogue.Movements.Values)
            Find(movement, catalogue, levels, []);
        return levels;
    }

    /// <summary>
    /// A circle of easier neighbours, which a club's own movements could make, counts from where it is entered.
    /// </summary>
    private static int Find(
        Movement movement,
        Catalogue catalogue,
        Dictionary<string, int> levels,
        HashSet<string> path
    )
    {
        if (levels.TryGetValue(movement.Slug, out var known))
            return known;
        if (!path.Add(movement.Slug))
            return 0;
        var level =
            1
            + movement
                .Easier.Select(s => Find(catalogue.Movements[s], catalogue, levels, path))
                .DefaultIfEmpty(0)
                .Max();
        path.Remove(movement.Slug);
        return levels[movement.Slug] = level;
    }
}

/// <summary>The dose with which a movement usually starts for an athlete.</summary>
public static class UsualDose
{
    private static readonly Prescription Held = Read("hold 3 x 10 s rest 1:30"),
        Lowered = Read("negative 4 x 1 lower 5 s rest 2:30"),
        Fast = Read("5 x 3 fast rest 3:00"),
        ByMaximum = Read("4 x 5 @ 80 % e1RM rest 2:30"),
        FirstLoad = Read("3 x 5..8 @ +2.5 kg then +2.5 kg rest 2:30"),
        Drill = Read("2 x 10 rest 0:30"),
        Counted = Read("3 x 8..12 rest 1:30");

    /// <summary>
    /// The dose of the step where the movement is one that may be trained; a hold by the best one; else by how it is
    /// measured
    /// (common practice, no source).
    /// </summary>
    public static Prescription For(Movement movement, AthleteAtWork athlete)
    {
        var bests = athlete.BestsOf(movement);
        SidePlan? sides = movement.EachSide ? SidePlan.Each : null;
        if (
            movement.Measure == BenchmarkMeasure.Seconds
            && bests.HoldSeconds is { } best
            && HoldDose.For(best) is { } hold
        )
            return hold with { Sides = sides, RestSeconds = hold.UsualRest };
        if (athlete.StepsOf(movement.Slug).FirstOrDefault(s => s.Reachable) is { } step)
            return Read(step.Step.Dose);
        var usual = movement.Measure switch
        {
            BenchmarkMeasure.Seconds => Held,
            BenchmarkMeasure.SecondsPerDescent => Lowered,
            _ when movement.Fast => Fast,
            BenchmarkMeasure.LoadTimesReps when athlete.ContextOf(movement)?.OneRepMax is not null => ByMaximum,
            BenchmarkMeasure.LoadTimesReps => FirstLoad,
            _ when movement.Pattern is Pattern.Mobility or Pattern.ShoulderBlade => Drill,
            _ => Counted,
        };
        return usual with { Sides = sides };
    }

    /// <summary>A dose of the catalogue; the reader of the catalogue has checked it.</summary>
    /// <exception cref="ArgumentException">It cannot be read.</exception>
    public static Prescription Read(string line) =>
        NotationParser.Parse(line).Plan ?? throw new ArgumentException(line, nameof(line));
}
