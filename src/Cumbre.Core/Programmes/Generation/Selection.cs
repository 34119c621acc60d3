using Cumbre.Core.Athletes;
using Cumbre.Core.Explanations;
using Cumbre.Core.Ladders;
using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Programmes.Generation;

/// <summary>
/// Chooses the movement of a slot. It is scored by what the coach would look at: does it train what holds a goal back,
/// is it the step
/// in training, does it carry over, was it trained lately, do its reps land in the zone. The weights are this project's
/// choice.
/// </summary>
internal sealed class Selection(Trainable gym, IReadOnlyList<Skill> skills, GeneratorRules rules, BlockWish wish)
{
    private const int Limits = 40,
        OwnStep = 30,
        NextLadder = 10,
        Goal = 10,
        Carries = 8,
        Lately = 8,
        InZone = 6,
        TooHard = -25,
        TooEasy = -35,
        AboveZone = -6,
        PerLevel = -4,
        Unknown = -6,
        EachSide = -5,
        Again = -3;

    private readonly HashSet<string> limiting =
    [
        .. skills.Where(s => s.LimitingMovement is not null).Select(s => s.LimitingMovement!.Slug),
    ];
    private readonly ILookup<string, Skill> carryTo = skills
        .Where(s => s.Advance)
        .SelectMany(s => TrainedFor(s, gym).Select(m => (Movement: m, Skill: s)))
        .Distinct()
        .ToLookup(x => x.Movement, x => x.Skill, StringComparer.Ordinal);
    private readonly Dictionary<string, int> used = new(StringComparer.Ordinal);

    /// <summary>The best movement for a slot; null: nothing of the pattern can be trained.</summary>
    /// <param name="pattern">Of the slot.</param>
    /// <param name="role">Of the slot.</param>
    /// <param name="taken">Movements of the session.</param>
    /// <param name="awayFromFloor">No hard pressing from the floor, as straight-arm pushing is a day away.</param>
    public Draft? Choose(
        string key,
        Pattern pattern,
        SlotRole role,
        IReadOnlyCollection<string> taken,
        bool awayFromFloor
    )
    {
        var second = role is SlotRole.SecondPull or SlotRole.SecondPush;
        var zone = RepZone.Of(gym.Athlete.Athlete.Schools[Schools.RepZone], second);
        var own = OwnSteps(pattern);
        var finder = gym.LevelFinders(pattern)
            .Select(gym.Find)
            .OfType<Movement>()
            .FirstOrDefault(m => !taken.Contains(m.Slug) && !(awayFromFloor && Trainable.PressesFromFloor(m)));
        var best = finder
            ?? gym.Catalogue.Movements.Values.Where(m =>
                    m.Pattern == pattern
                    && (m.Arms != ArmMode.Straight || m.Pattern is Pattern.Trunk)
                    && !taken.Contains(m.Slug)
                    && rules.IsBaseMovement(m.Slug)
                )
                .Where(m => Fits(m, pattern) && !(awayFromFloor && Trainable.PressesFromFloor(m)) && gym.Can(m))
                .Select(m => (Movement: m, Score: Score(m, own, zone)))
                .OrderByDescending(m => m.Score)
                .ThenBy(m => m.Movement.Slug, StringComparer.Ordinal)
                .Select(m => m.Movement)
                .FirstOrDefault();
        if (best is null)
            return null;
        var movement = role == SlotRole.MainPull && finder is null ? OnRings(OtherGrip(best, taken), taken) : best;
        used[best.Slug] = used.GetValueOrDefault(best.Slug) + 1;
        var draft = FirstDose.For(key, role, movement, gym, zone);
        Reasons(draft, movement, best, own);
        return draft;
    }

    /// <summary>
    /// The steps in training of the ladders that give this pattern's main exercises, the first ladder first.
    /// </summary>
    private (Ladder Ladder, LadderStep Step, int Index)[] OwnSteps(Pattern pattern) =>
        [
            .. rules
                .BasesOf(pattern)
                .Select(slug => gym.Athlete.Atlas.BySlug.GetValueOrDefault(slug))
                .OfType<Ladder>()
                .Where(l => IsWanted(l))
                .Select(l => (Ladder: l, gym.Athlete.Placements[l.Slug].Training))
                .Where(l => l.Training is not null)
                .Select(l => (l.Ladder, l.Ladder.Steps[l.Training!.Value], l.Training.Value)),
        ];

    /// <summary>The school of leverage loads nothing that is no goal.</summary>
    private bool IsWanted(Ladder ladder) =>
        gym.Athlete.Athlete.Schools["overload"] != "leverage"
        || gym.Catalogue.Movements[ladder.Summit.Movement].Measure != BenchmarkMeasure.LoadTimesReps
        || gym.Athlete.Intake.Goals.Any(g => g.Ladder == ladder.Slug);

    private bool Fits(Movement movement, Pattern pattern)
    {
        if (
            movement.Measure == BenchmarkMeasure.LoadTimesReps
            && !rules
                .BasesOf(pattern)
                .Any(b =>
                    IsWanted(gym.Athlete.Atlas.BySlug[b])
                    && gym.Athlete.Atlas.BySlug[b].Steps.Any(s => s.Movement == movement.Slug)
                )
        )
            return false;
        return pattern is Pattern.Trunk
            || movement.Measure is BenchmarkMeasure.Reps or BenchmarkMeasure.LoadTimesReps
            || limiting.Contains(movement.Slug);
    }

    private int Score(Movement movement, (Ladder Ladder, LadderStep Step, int Index)[] own, RepZone zone)
    {
        var score = used.GetValueOrDefault(movement.Slug) * Again;
        if (limiting.Contains(movement.Slug))
            score += Limits;
        var at = Array.FindIndex(own, o => o.Step.Movement == movement.Slug);
        if (at >= 0)
            score += OwnStep - NextLadder * at;
        if (skills.Any(s => s.Movement?.Slug == movement.Slug && rules.IsBase(s.Ladder.Slug)))
            score += Goal;
        if (movement.CarriesTo.Any(carryTo.Contains))
            score += Carries;
        if (LastTrained(movement) is not null)
            score += Lately;
        if (movement.EachSide)
            score += EachSide;
        return score + LevelScore(movement, at >= 0, own, zone);
    }

    private int LevelScore(
        Movement movement,
        bool isOwnStep,
        (Ladder Ladder, LadderStep Step, int Index)[] own,
        RepZone zone
    )
    {
        if (movement.Measure == BenchmarkMeasure.Reps && gym.BestsOf(movement).Reps is { } reps)
            return reps < zone.Low ? TooHard
                : reps <= zone.High ? InZone
                : reps <= zone.High + 5 ? AboveZone
                : TooEasy;
        // The dose of the step in training, or its load, brings it into the zone.
        if (isOwnStep)
            return InZone;
        if (own.Length == 0)
            return 0;
        var level = Level.Of(gym.Catalogue.Movements[own[0].Step.Movement], gym.Catalogue);
        return Unknown + PerLevel * Math.Abs(Level.Of(movement, gym.Catalogue) - level);
    }

    /// <summary>
    /// On every second day of a lift another grip, as the muscles work a little differently and the elbow is spared.
    /// </summary>
    private Movement OtherGrip(Movement lift, IReadOnlyCollection<string> taken) =>
        used.GetValueOrDefault(lift.Slug) % 2 == 1
        && rules
            .Variations.FirstOrDefault(v => v.Of == lift.Slug)
            ?.By.Select(gym.Find)
            .OfType<Movement>()
            .Where(m => !taken.Contains(m.Slug))
            .OrderBy(m => m.Measure == lift.Measure ? 0 : 1)
            .ThenBy(m => gym.BestsOf(m).Reps is null ? 1 : 0)
            .FirstOrDefault()
            is { } other
            ? other
            : lift;

    /// <summary>
    /// Rings in place of the bar by school: kinder to the joints, and a bar load is never carried over.
    /// </summary>
    private Movement OnRings(Movement lift, IReadOnlyCollection<string> taken) =>
        gym.Athlete.Athlete.Schools["implement"] == "rings"
        && rules
            .OnRings.FirstOrDefault(v => v.Of == lift.Slug)
            ?.By.Select(gym.Find)
            .OfType<Movement>()
            .FirstOrDefault(m => !taken.Contains(m.Slug))
            is { } onRings
            ? onRings
            : lift;

    private DateOnly? LastTrained(Movement movement) =>
        gym
            .Athlete.Athlete.Exposures.LastOrDefault(e =>
                e.Movement == movement.Slug && e.Day > wish.Start.AddDays(-rules.HistoryDays)
            )
            ?.Day;

    private void Reasons(
        Draft draft,
        Movement movement,
        Movement lift,
        (Ladder Ladder, LadderStep Step, int Index)[] own
    )
    {
        if (movement.PrimeMovers.Count > 0)
            draft.Input(InputKey.PrimeMovers, Quantity.Name(string.Join(", ", movement.PrimeMovers)));
        if (LastTrained(movement) is { } day)
            draft.Input(InputKey.LastTrainedOn, Quantity.On(day));
        if (rules.OnRings.Any(v => v.By.Contains(movement.Slug)))
            draft.Because(StepKey.OnRings, Quantity.Name(movement.Name), Quantity.Name(lift.Name));
        else if (movement != lift)
            draft.Because(StepKey.OtherGrip, Quantity.Name(movement.Name), Quantity.Name(lift.Name));
        var step = own.FirstOrDefault(o => o.Step.Movement == lift.Slug);
        if (step.Step is not null)
        {
            draft.Because(StepKey.LevelOfStep, Quantity.Name(step.Step.Name), Quantity.Name(step.Ladder.Name));
            if (step.Step.After is [.., var before] && gym.Athlete.Placements[step.Ladder.Slug].IsOpen(before))
                draft.Because(
                    StepKey.WonStep,
                    Quantity.Name(GatePrinter.Print(step.Ladder.Steps[before].Won, gym.Catalogue.Names)),
                    Quantity.Name(step.Ladder.Steps[before].Name)
                );
        }
        else if (
            own.Select(o => gym.Catalogue.Movements[o.Step.Movement]).FirstOrDefault() is { } first
            && gym.ObstacleTo(first) is { } obstacle
        )
        {
            draft.Because(
                StepKey.StandsIn,
                Quantity.Name(movement.Name),
                Quantity.Name(first.Name),
                Quantity.Name(obstacle.What)
            );
        }

        foreach (var skill in skills.Where(s => s.Limiting is not null && s.LimitingMovement?.Slug == lift.Slug))
        {
            draft
                .Input(InputKey.ForGoal, Quantity.Name(skill.Ladder.Name))
                .Because(
                    StepKey.HoldsBack,
                    Quantity.Name(Skills.Threshold(skill.Limiting!, gym)),
                    Quantity.Name(skill.Ladder.Name)
                )
                .Evidence([PlacementReport.Evidence(skill.Limiting!.Term, gym.Catalogue)]);
        }

        foreach (var to in lift.CarriesTo.Where(carryTo.Contains))
            draft.Because(
                StepKey.CarriesOver,
                Quantity.Name(carryTo[to].First().Ladder.Name),
                Quantity.Name(gym.Catalogue.Movements[to].Name)
            );
    }

    /// <summary>What helps a goal is what helps the steps up to the one in training, or what holds it back.</summary>
    private static IEnumerable<string> TrainedFor(Skill skill, Trainable gym)
    {
        var at = gym.Athlete.Placements[skill.Ladder.Slug].Training ?? 0;
        return skill
            .Ladder.Steps.Take(at + 1)
            .Select(s => s.Movement)
            .Append(skill.Limiting?.Movement)
            .OfType<string>();
    }
}
