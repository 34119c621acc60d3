using Cumbre.Core.Athletes;
using Cumbre.Core.Explanations;
using Cumbre.Core.Ladders;
using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Programmes.Generation;

/// <summary>
/// Chooses the movement of a slot. It is scored by what the coach would look at: does it train what holds a goal back,
/// is it the step in training, does it carry over, was it trained lately, and above all what is known of it: do its
/// reps land in the zone, or would it be guessed. What stands in the week already gives way to another that is as
/// good. The weights are this project's choice.
/// </summary>
internal sealed class Selection(Trainable gym, IReadOnlyList<Skill> skills, GeneratorRules rules, BlockWish wish)
{
    private const int Limits = 40,
        OwnStep = 12,
        OwnAfterWon = 20,
        NextLadder = 4,
        Goal = 10,
        Supports = 20,
        Asked = 12,
        Carries = 8,
        Lately = 6,
        Loaded = 30,
        LoadedSecond = 8,
        InZone = 20,
        HighInZone = 12,
        WithHelp = 18,
        Practice = 6,
        Singles = -4,
        EstimatedInZone = 4,
        EstimatedBelow = -12,
        TooEasy = -8,
        FarTooEasy = -24,
        NotKnown = -6,
        PerLevel = -4,
        EachSide = -5,
        Sore = -14,
        OfSkill = -40,
        FarHarder = -30,
        Again = -13,
        LegsAgain = -34;

    private const int PracticeTotal = 2,
        FindsLevelOn = 2;

    /// <summary>Over this best a movement is left for a harder one, or for load.</summary>
    private const int FarAbove = 30;

    private readonly HashSet<string> limiting =
    [
        .. skills.Where(s => s.LimitingMovement is not null).Select(s => s.LimitingMovement!.Slug),
        // A base ladder is trained by the main exercises: its step is what holds it back.
        .. skills
            .Where(s => s.Advance && s.Movement is not null && rules.IsBase(s.Ladder.Slug))
            .Select(s => s.Movement!.Slug),
    ];

    /// <summary>What later steps of a goal ask for and is not met yet.</summary>
    private readonly HashSet<string> asked =
    [
        .. skills
            .Where(s => s.Advance)
            .SelectMany(s => s.Ladder.Steps)
            .SelectMany(s => s.Gates)
            .Where(g => g.Holds(gym.Athlete.Athlete.Schools))
            .SelectMany(g => GateRule.Evaluate(g.Gate, gym.Athlete.Book).Unmet)
            .Select(t => gym.Catalogue.Benchmarks[t.Term.Benchmark].Movement),
    ];
    private readonly ILookup<string, Skill> carryTo = skills
        .Where(s => s.Advance)
        .SelectMany(s => TrainedFor(s, gym).Select(m => (Movement: m, Skill: s)))
        .Distinct()
        .ToLookup(x => x.Movement, x => x.Skill, StringComparer.Ordinal);
    private readonly ILookup<string, Skill> supports = skills
        .Where(s => s.Advance)
        .SelectMany(s => SupportsOf(s, rules).Select(m => (Movement: m, Skill: s)))
        .ToLookup(x => x.Movement, x => x.Skill, StringComparer.Ordinal);
    private readonly Dictionary<Pattern, int> knownLevels = [];
    private readonly Dictionary<string, int> used = new(StringComparer.Ordinal);

    /// <summary>What the goals ask for beside their steps.</summary>
    public static IEnumerable<string> SupportsOf(Skill skill, GeneratorRules rules) =>
        rules.Supports.FirstOrDefault(s => s.Ladder == skill.Ladder.Slug)?.Movements ?? [];

    /// <summary>What the athlete's schools add to a goal.</summary>
    public IEnumerable<Movement> DrillsOf(Skill skill) =>
        rules
            .SchoolDrills.Where(d =>
                d.Ladders.Contains(skill.Ladder.Slug) && gym.Athlete.Athlete.Schools[d.Question] == d.Choice
            )
            .SelectMany(d => d.Movements)
            .Select(gym.Find)
            .OfType<Movement>();

    /// <summary>The best movement for a slot with its dose; null: nothing of the pattern can be trained.</summary>
    /// <param name="key">Of the item.</param>
    /// <param name="pattern">Of the slot.</param>
    /// <param name="role">Of the slot.</param>
    /// <param name="taken">Movements of the session.</param>
    /// <param name="awayFromFloor">No hard pressing from the floor, as straight-arm pushing is a day away.</param>
    /// <param name="loaded">What a loaded lift is done for; null: heavy on its first day, and volume after.</param>
    public Draft? Choose(
        string key,
        Pattern pattern,
        SlotRole role,
        IReadOnlyCollection<string> taken,
        bool awayFromFloor,
        LoadedDay? loaded = null
    )
    {
        var own = OwnSteps(pattern);
        // What finds its level on two days is dosed by then; of small work another finds its own on the third.
        var finder = gym.LevelFinders(pattern)
            .Select(gym.Find)
            .OfType<Movement>()
            .Where(m => pattern is not (Pattern.Legs or Pattern.Trunk) || Uses(m.Slug) < FindsLevelOn)
            .OrderBy(gym.Soreness)
            .FirstOrDefault(m => !taken.Contains(m.Slug) && !(awayFromFloor && Trainable.PressesFromFloor(m)));
        var candidates = finder is not null
            ? [finder]
            : gym
                .Catalogue.Movements.Values.Where(m =>
                    m.Pattern == pattern
                    && (m.Arms != ArmMode.Straight || m.Pattern is Pattern.Trunk)
                    && !taken.Contains(m.Slug)
                    && IsBase(m)
                    && Fits(m, pattern)
                    && !(awayFromFloor && Trainable.PressesFromFloor(m))
                    && !(LoadsJoints(m) && used.GetValueOrDefault(m.Slug) >= gym.Dose.HardSessionsOfJointLoad)
                    && gym.Can(m)
                )
                .Select(m => (Movement: m, Score: Score(m, role, own)))
                .OrderByDescending(m => m.Score)
                .ThenBy(m => m.Movement.Slug, StringComparer.Ordinal)
                .Select(m => m.Movement);
        foreach (var best in candidates)
        {
            // The heavy day of a lift is its first of the week, and the days after have its volume.
            var day = loaded ?? (used.GetValueOrDefault(best.Slug) == 0 ? LoadedDay.Heavy : LoadedDay.Volume);
            foreach (var movement in new[] { OtherGrip(best, taken), best }.OfType<Movement>())
            {
                var done = Swapped(role == SlotRole.MainPull ? OnRings(movement, taken) : movement, taken);
                if (FirstDose.For(key, role, done, gym, movement == best ? day : LoadedDay.Volume) is not { } draft)
                    continue;
                // What was eased to a rung that stands in the session already says nothing new.
                if (taken.Contains(draft.Movement.Slug))
                    continue;
                // Of the help of a movement that is not there yet every second day is practice.
                if (gym.HelpedWith(done) is not null && used.GetValueOrDefault(best.Slug) % 2 == 1)
                    draft.Rewrite(
                        new PracticeSets(PracticeTotal)
                        {
                            Load = draft.Plan.Load,
                            Effort = new InReserve(1),
                            RestSeconds = draft.Plan.RestSeconds,
                        },
                        StepKey.PracticeDose,
                        Quantity.Reps(0)
                    );
                used[best.Slug] = used.GetValueOrDefault(best.Slug) + 1;
                if (movement != best)
                    used[movement.Slug] = used.GetValueOrDefault(movement.Slug) + 1;
                draft.HoldsBack =
                    limiting.Contains(best.Slug)
                    || skills.Any(s => s.Advance && rules.IsBase(s.Ladder.Slug) && s.Ladder.Pattern == pattern);
                draft.ServesGoal = supports.Contains(best.Slug);
                Reasons(draft, done, best, own);
                return draft;
            }
        }

        return null;
    }

    /// <summary>What no base ladder asks for stands in a week where a goal asks for it and it was tested.</summary>
    private bool IsBase(Movement movement) =>
        rules.IsBaseMovement(movement.Slug)
        || (supports.Contains(movement.Slug) && gym.CapacityOf(movement).IsMeasured);

    /// <summary>Lowering alone and what is like it is hard on the elbow: so often a week and no more.</summary>
    private static bool LoadsJoints(Movement movement) =>
        movement.Measure == BenchmarkMeasure.SecondsPerDescent || movement.Cautions.Contains(CautionId.TwiceAWeek);

    /// <summary>So often it stands in the week.</summary>
    public int Uses(string movement) => used.GetValueOrDefault(movement);

    /// <summary>Counts a movement that stands in the week for another reason.</summary>
    public void Count(Movement movement) => used[movement.Slug] = used.GetValueOrDefault(movement.Slug) + 1;

    /// <summary>
    /// The steps in training of the ladders that give this pattern's main exercises, the first ladder first.
    /// </summary>
    private (Ladder Ladder, LadderStep Step)[] OwnSteps(Pattern pattern) =>
        [
            .. rules
                .BasesOf(pattern)
                .Select(slug => gym.Athlete.Atlas.BySlug.GetValueOrDefault(slug))
                .OfType<Ladder>()
                .Where(IsWanted)
                .Select(l => (Ladder: l, gym.Athlete.Placements[l.Slug].Training))
                .Where(l => l.Training is not null)
                .Select(l => (l.Ladder, l.Ladder.Steps[l.Training!.Value])),
        ];

    /// <summary>The school of leverage loads nothing that is no goal.</summary>
    private bool IsWanted(Ladder ladder) =>
        gym.Athlete.Athlete.Schools["overload"] != "leverage"
        || gym.Catalogue.Movements[ladder.Summit.Movement].Measure != BenchmarkMeasure.LoadTimesReps
        || gym.Athlete.Intake.Goals.Any(g => g.Ladder == ladder.Slug);

    /// <summary>
    /// A loaded lift stands for the pattern whose ladders have it, or that it varies; all else is counted, but for the
    /// trunk and what holds a goal back.
    /// </summary>
    private bool Fits(Movement movement, Pattern pattern)
    {
        if (movement.Measure == BenchmarkMeasure.LoadTimesReps)
            return IsOfBase(movement.Slug, pattern) || rules.LiftsOf(movement.Slug).Any(l => IsOfBase(l.Lift, pattern));

        // Help stands in for what the base is made of, not for a feat that nobody asked for.
        if (
            gym.Catalogue.HelpedBy(movement.Slug).ToArray() is { Length: > 0 } helped
            && !helped.Any(m => limiting.Contains(m.Slug) || IsOfBase(m.Slug, pattern))
        )
            return limiting.Contains(movement.Slug);
        return pattern is Pattern.Trunk
            || movement.Measure is BenchmarkMeasure.Reps
            || (movement.Measure == BenchmarkMeasure.SecondsPerDescent && IsNeededDescent(movement))
            || limiting.Contains(movement.Slug);
    }

    /// <summary>Is it a step of a ladder that gives the pattern its main exercises?</summary>
    private bool IsOfBase(string movement, Pattern pattern) =>
        rules
            .BasesOf(pattern)
            .Select(b => gym.Athlete.Atlas.BySlug[b])
            .Any(l => IsWanted(l) && IsOpen(l) && l.Steps.Any(s => s.Movement == movement));

    private bool IsOpen(Ladder ladder) => gym.Athlete.Placements[ladder.Slug].Training is not null;

    /// <summary>
    /// Descents stand in where nothing helps the strict movement and it is not there yet; not for one that only a
    /// skill asks for.
    /// </summary>
    private bool IsNeededDescent(Movement movement) =>
        gym.Catalogue.Movements.Values.Any(m =>
            m.Pattern == movement.Pattern
            && m.Easier.Contains(movement.Slug)
            && (limiting.Contains(movement.Slug) || IsOfBase(m.Slug, m.Pattern))
            && gym.CapacityOf(m).Reps <= 2
            && (
                m.AssistedBy is not { } help
                || gym.Find(help) is null
                || gym.Athlete.Athlete.Schools["first-pull-up"] == "negative-first"
            )
        );

    private int Score(Movement movement, SlotRole role, (Ladder Ladder, LadderStep Step)[] own)
    {
        var score = used.GetValueOrDefault(movement.Slug) * (role == SlotRole.Legs ? LegsAgain : Again);
        if (limiting.Contains(movement.Slug))
            score += Limits;
        var at = Array.FindIndex(own, o => o.Step.Movement == movement.Slug);
        if (at >= 0)
            score +=
                movement.Measure == BenchmarkMeasure.LoadTimesReps || gym.CapacityOf(movement).IsMeasured
                    ? OwnStep - NextLadder * at
                : IsAfterWon(own[at]) ? OwnAfterWon
                : 0;
        // A skill has its own hard day and light day.
        if (skills.Any(s => s.Movement?.Slug == movement.Slug && !rules.IsBase(s.Ladder.Slug)))
            score += OfSkill;
        if (skills.Any(s => s.Movement?.Slug == movement.Slug && rules.IsBase(s.Ladder.Slug)))
            score += Goal;
        if (supports.Contains(movement.Slug))
            score += Supports;
        if (asked.Contains(movement.Slug))
            score += Asked;
        if (movement.CarriesTo.Any(carryTo.Contains))
            score += Carries;
        if (LastTrained(movement) is not null)
            score += Lately;
        if (movement.EachSide && movement.Pattern != Pattern.Legs)
            score += EachSide;
        if (gym.SoreIn(movement) is not null)
            score += Sore;
        return score + LevelScore(movement, role, own);
    }

    /// <summary>The step before is won, so that this one is due although nobody has counted it yet.</summary>
    private bool IsAfterWon((Ladder Ladder, LadderStep Step) own) =>
        own.Step.After is { Count: > 0 } before && before.Any(gym.Athlete.Placements[own.Ladder.Slug].IsWon);

    private int LevelScore(Movement movement, SlotRole role, (Ladder Ladder, LadderStep Step)[] own)
    {
        var second = role is SlotRole.SecondPull or SlotRole.SecondPush;
        if (movement.Measure == BenchmarkMeasure.LoadTimesReps)
            return second ? LoadedSecond : Loaded;
        if (movement.Measure == BenchmarkMeasure.SecondsPerDescent)
            return WithHelp;
        if (gym.HelpedWith(movement) is not null)
            return WithHelp;
        if (gym.Catalogue.HelpedBy(movement.Slug).Any())
            return FarTooEasy;
        var capacity = gym.CapacityOf(movement);
        if (capacity is { IsMeasured: true, HoldSeconds: not null })
            return InZone;
        var zone = RepZone.Of(gym.Athlete.Athlete.Schools[Schools.RepZone], second);
        var upTo = Math.Max(RepDose.RangeUpTo, zone.High);
        // A zone of many reps asks for a movement of which as many are there.
        if (zone.Low > RepZone.Growth.High - 1 && capacity.Reps < zone.Low)
            return NotKnown;
        if (capacity.Reps is { } reps)
        {
            var measured = capacity.IsMeasured;
            // Singles are for the lift that is wanted; elsewhere an easier movement does more.
            return reps <= 2
                    ? (measured && role is SlotRole.MainPull or SlotRole.MainPush ? Singles : EstimatedBelow * 2)
                : reps <= RepDose.PracticeUpTo ? (measured ? Practice : EstimatedBelow)
                : reps <= zone.High ? (measured ? InZone : EstimatedInZone)
                : reps <= upTo ? (measured ? HighInZone : EstimatedInZone / 2)
                : reps <= FarAbove ? TooEasy
                : FarTooEasy;
        }

        // Nothing is known: the nearer to what is, the better, and nothing that is far harder.
        var level = Level.Of(movement, gym.Catalogue);
        var harder = level - KnownLevel(movement.Pattern);
        return NotKnown
            + PerLevel
                * own.Select(o => gym.Catalogue.Movements[o.Step.Movement])
                    .Where(m => m.Pattern == movement.Pattern)
                    .Select(m => Math.Abs(level - Level.Of(m, gym.Catalogue)))
                    .FirstOrDefault(1)
            + (harder > 1 ? FarHarder : 0);
    }

    /// <summary>What a choice of a school puts in its place.</summary>
    private Movement Swapped(Movement movement, IReadOnlyCollection<string> taken) =>
        rules.Swaps.FirstOrDefault(s =>
            s.Of == movement.Slug && gym.Athlete.Athlete.Schools[s.Question] == s.Choice && !taken.Contains(s.By)
        )
            is { } swap
        && gym.Find(swap.By) is { } by
            ? by
            : movement;

    /// <summary>The level of the hardest movement of a pattern that is known in the zone.</summary>
    private int KnownLevel(Pattern pattern)
    {
        if (!knownLevels.TryGetValue(pattern, out var known))
            knownLevels[pattern] = known = gym
                .Catalogue.Movements.Values.Where(m => m.Pattern == pattern)
                .Where(m => gym.CapacityOf(m) is { IsMeasured: true, Reps: > RepDose.PracticeUpTo })
                .Select(m => Level.Of(m, gym.Catalogue))
                .DefaultIfEmpty(1)
                .Max();
        return known;
    }

    /// <summary>
    /// On every second day of a lift another grip, as the muscles work a little differently and the elbow is spared
    /// (common practice, no source). One that could only be guessed in a few reps does not take its place.
    /// </summary>
    private Movement? OtherGrip(Movement lift, IReadOnlyCollection<string> taken) =>
        used.GetValueOrDefault(lift.Slug) % 2 == 0
            ? null
            : rules
                .Variations.FirstOrDefault(v => v.Of == lift.Slug)
                ?.By.Where(b => !taken.Contains(b) && !used.ContainsKey(b))
                .Select(gym.Find)
                .OfType<Movement>()
                .OrderBy(m => m.Measure == lift.Measure ? 0 : 1)
                .ThenBy(m => gym.CapacityOf(m).IsMeasured ? 0 : 1)
                .FirstOrDefault(m =>
                    m.Measure == BenchmarkMeasure.LoadTimesReps
                    || gym.CapacityOf(m) is { IsMeasured: true } or { Reps: > RepDose.PracticeUpTo }
                );

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

    private void Reasons(Draft draft, Movement movement, Movement lift, (Ladder Ladder, LadderStep Step)[] own)
    {
        if (movement.PrimeMovers.Count > 0)
            draft.Input(InputKey.PrimeMovers, Quantity.Name(string.Join(", ", movement.PrimeMovers)));
        if (LastTrained(movement) is { } day)
            draft.Input(InputKey.LastTrainedOn, Quantity.On(day));
        var varied = rules.LiftsOf(movement.Slug).Select(l => l.Lift).FirstOrDefault(l => used.ContainsKey(l));
        foreach (var swap in rules.Swaps.Where(s => s.By == movement.Slug && s.Of == lift.Slug))
            draft.Because(
                StepKey.BySchool,
                Quantity.Name(movement.Name),
                Quantity.Name(swap.Question),
                Quantity.Name(gym.Catalogue.SchoolsBySlug[swap.Question].Choices.First(c => c.Slug == swap.Choice).Name)
            );
        if (rules.OnRings.Any(v => v.By.Contains(movement.Slug)))
            draft.Because(StepKey.OnRings, Quantity.Name(movement.Name), Quantity.Name(lift.Name));
        else if (varied is not null)
            draft.Because(
                StepKey.OtherGrip,
                Quantity.Name(movement.Name),
                Quantity.Name(gym.Catalogue.Movements[varied].Name)
            );
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

        foreach (var skill in supports[lift.Slug])
            draft.Because(StepKey.SupportsGoal, Quantity.Name(lift.Name), Quantity.Name(skill.Ladder.Name));
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
