using Cumbre.Core.Athletes;
using Cumbre.Core.Explanations;
using Cumbre.Core.Ladders;
using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;

namespace Cumbre.Core.Programmes.Generation;

/// <summary>A goal as it is worked on in the block.</summary>
/// <param name="Ladder">The goal.</param>
/// <param name="Advance">Worked toward; else kept.</param>
/// <param name="Movement">What is trained on the skill itself; null: its first gate is unmet, or nothing of it can be
/// trained.</param>
/// <param name="Step">The step of that movement.</param>
/// <param name="StandsInFor">The movement of the step in training, where another takes its place.</param>
/// <param name="StepBefore">The won or open step before, where the step itself is only tried in short singles.</param>
/// <param name="IsNew">A straight-arm step that was never trained two weeks ago.</param>
/// <param name="Limiting">What holds the goal back; null: nothing, or it is only kept.</param>
/// <param name="LimitingMovement">What is trained for that; null: the skill itself, or it cannot be trained.</param>
internal sealed record Skill(
    Ladder Ladder,
    bool Advance,
    Movement? Movement,
    LadderStep? Step,
    (Movement First, Obstacle Why)? StandsInFor,
    Movement? StepBefore,
    bool IsNew,
    LimitingFactor? Limiting,
    Movement? LimitingMovement
)
{
    public bool IsStraightArm => Movement?.Pattern is Pattern.StraightArmPull or Pattern.StraightArmPush;
}

/// <summary>Reads the goals of an athlete into what is trained for them.</summary>
internal static class Skills
{
    public static IReadOnlyList<Skill> Of(Trainable gym, BlockWish wish, GeneratorRules rules, List<Notice> notices)
    {
        var intake = gym.Athlete.Intake;
        var skills = new List<Skill>();
        if (intake.Goals.Count == 0)
            notices.Add(Notice.Of(NoticeId.NoGoals));
        foreach (var goal in intake.Goals.OrderBy(g => g.Kind == GoalKind.Maintain))
        {
            if (!gym.Athlete.Atlas.BySlug.TryGetValue(goal.Ladder, out var ladder))
                continue;
            var advance = goal.Kind == GoalKind.Advance;
            if (advance && skills.Count(s => s.Advance) == Intake.AdvanceMaximum)
            {
                advance = false;
                notices.Add(Notice.Of(NoticeId.GoalOnlyKept, Quantity.Name(ladder.Name)));
            }

            skills.Add(One(ladder, advance, gym, wish, rules, notices));
        }

        return skills;
    }

    /// <summary>What is trained of one ladder.</summary>
    public static Skill One(
        Ladder ladder,
        bool advance,
        Trainable gym,
        BlockWish wish,
        GeneratorRules rules,
        List<Notice> notices
    )
    {
        var athlete = gym.Athlete;
        var placement = athlete.Placements[ladder.Slug];
        if (advance && placement.IsWon(ladder.Steps.Count - 1))
        {
            advance = false;
            notices.Add(Notice.Of(NoticeId.GoalWon, Quantity.Name(ladder.Name)));
        }

        var limiting = advance ? athlete.ReportOn(ladder).Limiting : null;
        var limits = limiting is null
            ? null
            : gym.Find(rules.Drills.FirstOrDefault(d => d.Movement == limiting.Movement)?.Drill ?? limiting.Movement);
        if (placement.Training is not { } at)
        {
            notices.Add(
                Notice.Of(
                    NoticeId.GateUnmet,
                    Quantity.Name(ladder.Name),
                    Quantity.Name(limiting is null ? "-" : Threshold(limiting, gym))
                )
            );
            return new(ladder, advance, null, null, null, null, false, limiting, limits);
        }

        // A next step that is open for exposure only waits until the one before is held long enough for volume.
        if (
            placement.ExposureOnly
            && placement.Training == placement.ByRule
            && PathBelow(ladder, at) is { } shown
            && gym.Catalogue.Movements[ladder.Steps[shown].Movement] is var known
            && gym.Find(known.Slug) is not null
            && FirstDose.IsShort(known, gym)
        )
            at = shown;
        var (movement, step, standsInFor) = Work(ladder, at, gym);
        if (movement is null && !rules.IsBase(ladder.Slug) && !athlete.WaitsForClearance.Any(q => q.BlocksAll))
            notices.Add(NotTrainable(ladder, at, gym));
        if (limits?.Slug == movement?.Slug || at != placement.Training)
            limits = null;
        var before =
            movement is not null
            && step == ladder.Steps[at]
            && (placement.ExposureOnly || FirstDose.IsShort(movement, gym))
                ? Before(ladder, at, gym)
                : null;
        // Where the step before carries the volume, its own standard is what holds back, then that of the step itself.
        if (advance && before is not null && PathBelow(ladder, at) is { } carries)
        {
            foreach (var i in new[] { carries, at })
            {
                if (GateRule.Evaluate(ladder.Steps[i].Won, athlete.Book).Unmet is not [var unmet, ..])
                    continue;
                limiting = new(unmet, ladder.Steps[i].Movement, ladder.Steps[i].Dose, ladder.Steps[i].Weeks);
                break;
            }
        }

        return new(
            ladder,
            advance,
            movement,
            step,
            standsInFor,
            before,
            movement is not null && IsNew(movement, athlete, wish),
            limiting,
            limits
        );
    }

    /// <summary>Nothing of a goal can be trained now, and why.</summary>
    public static Notice NotTrainable(Ladder ladder, int at, Trainable gym) =>
        Notice.Of(
            NoticeId.GoalNotTrainable,
            Quantity.Name(ladder.Name),
            Quantity.Word(gym.WhyNone([gym.Catalogue.Movements[ladder.Steps[at].Movement]]))
        );

    /// <summary>A threshold in the notation of the gates.</summary>
    public static string Threshold(LimitingFactor limiting, Trainable gym) =>
        $"{gym.Catalogue.Benchmarks[limiting.Term.Term.Benchmark].Name} {GatePrinter.Figure(limiting.Term.Term.Target)}";

    /// <summary>
    /// The step in training; where it cannot be trained a substitute of its, and then the nearest step below. A hold
    /// whose best is under
    /// three seconds gives way to the step below as well (this project's choice).
    /// </summary>
    private static (Movement? Movement, LadderStep? Step, (Movement, Obstacle)? StandsInFor) Work(
        Ladder ladder,
        int at,
        Trainable gym
    )
    {
        var wanted = ladder.Steps[at];
        var first = gym.Catalogue.Movements[wanted.Movement];
        if (gym.Can(first) && !IsTooShort(first, gym))
            return (first, wanted, null);
        var why = gym.ObstacleTo(first) ?? new(ObstacleKind.Level, wanted.Name);
        if (
            wanted.Substitutes.Select(gym.Find).OfType<Movement>().FirstOrDefault() is { } substitute
            && !IsTooShort(first, gym)
        )
            return (substitute, wanted, (first, why));
        for (var below = PathBelow(ladder, at); below is { } i; below = PathBelow(ladder, i))
        {
            if (gym.Find(ladder.Steps[i].Movement) is { } easier && !IsTooShort(easier, gym))
                return (easier, ladder.Steps[i], (first, why));
        }

        return (null, null, null);
    }

    private static bool IsTooShort(Movement movement, Trainable gym) =>
        movement.Measure == BenchmarkMeasure.Seconds
        && gym.Athlete.BestsOf(movement).HoldSeconds < HoldDose.SecondsMinimum;

    private static int? PathBelow(Ladder ladder, int step) =>
        ladder.Steps[step].After.Where(i => i < step).Select(i => (int?)i).LastOrDefault();

    private static Movement? Before(Ladder ladder, int at, Trainable gym) =>
        PathBelow(ladder, at) is { } below
        && !ladder.Steps[below].Preparation
        && gym.Find(ladder.Steps[below].Movement) is { } movement
        && gym.Athlete.BestsOf(movement).HoldSeconds >= HoldDose.SecondsMinimum
            ? movement
            : null;

    /// <summary>Straight-arm work that was never tested long enough for volume, nor trained two weeks before the block.</summary>
    private static bool IsNew(Movement movement, AthleteAtWork athlete, BlockWish wish)
    {
        if (movement.Pattern is not (Pattern.StraightArmPull or Pattern.StraightArmPush))
            return false;
        var since = wish.Start.AddDays(-14);
        return !athlete.Athlete.Exposures.Any(e => e.Movement == movement.Slug && e.Day <= since)
            && athlete.BestsOf(movement).HoldSeconds is null or < FirstDose.LongestSingle;
    }
}
