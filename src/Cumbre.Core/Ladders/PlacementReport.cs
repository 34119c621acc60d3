using Cumbre.Core.Athletes;
using Cumbre.Core.Benchmarks;
using Cumbre.Core.Explanations;
using Cumbre.Core.Levers;
using Cumbre.Core.Movements;

namespace Cumbre.Core.Ladders;

/// <summary>A step of a ladder as it stands for an athlete.</summary>
/// <param name="Step">The step.</param>
/// <param name="Status">Where it stands.</param>
/// <param name="Implied">Shown only by a later step.</param>
/// <param name="Demand">Its height.</param>
/// <param name="Won">The unlock standard.</param>
/// <param name="Opens">What opens the next.</param>
/// <param name="Gates">Those that hold under the athlete's schools.</param>
/// <param name="Best">The result that speaks for it; null without one.</param>
public sealed record StepReport(
    LadderStep Step,
    StepStatus Status,
    bool Implied,
    Explained<StepDemand> Demand,
    GateState Won,
    GateState Opens,
    IReadOnlyList<GateState> Gates,
    BenchmarkResult? Best
)
{
    /// <summary>Open only by an estimate from other loads.</summary>
    public bool Estimated { get; init; }

    /// <summary>Its fresh test fell short although a later step was shown: trained and tested again.</summary>
    public bool Contradicted { get; init; }

    /// <summary>Every piece of evidence, newest first.</summary>
    public IReadOnlyList<LedgerEntry> Ledger { get; init; } = [];
}

/// <summary>The single shortfall that holds the athlete back most, and what to train for it.</summary>
/// <param name="Term">The threshold.</param>
/// <param name="Movement">Slug of the movement to train.</param>
/// <param name="Dose">Its usual dose; null where no ladder has one.</param>
/// <param name="Weeks">That it usually takes.</param>
public sealed record LimitingFactor(TermState Term, string Movement, string? Dose, int Weeks);

/// <summary>Where an athlete stands on a ladder, with its reasons.</summary>
/// <param name="Placement">The bare rule.</param>
/// <param name="Steps">In order.</param>
/// <param name="Training">Name of the step in training, explained; the value is null where nothing may be trained
/// yet.</param>
/// <param name="Unmet">What keeps the next step closed.</param>
/// <param name="Limiting">Of these the one that is furthest away.</param>
/// <param name="Coach">The step set by the coach; null: the rule decides.</param>
public sealed record PlacementReport(
    Placement Placement,
    IReadOnlyList<StepReport> Steps,
    Explained<string?> Training,
    IReadOnlyList<TermState> Unmet,
    LimitingFactor? Limiting,
    CoachPlacement? Coach
)
{
    /// <summary>Weeks of a threshold that no ladder trains (this project's choice).</summary>
    private const int UsualWeeks = 4;

    /// <param name="ladder">The ladder.</param>
    /// <param name="atlas">All ladders, to find what trains a shortfall.</param>
    /// <param name="schools">In force for the athlete.</param>
    /// <param name="book">Their results.</param>
    /// <param name="build">Their body.</param>
    /// <param name="coach">A step set by the coach.</param>
    public static PlacementReport Of(
        Ladder ladder,
        Atlas atlas,
        Schools schools,
        ResultBook book,
        BodyBuild build,
        CoachPlacement? coach = null
    )
    {
        var placement = Placement.Of(ladder, schools, book, coach);
        var demand = Demand.Of(ladder, build);
        var steps = ladder
            .Steps.Select(
                (step, i) =>
                {
                    var won = GateRule.Evaluate(step.Won, book);
                    return new StepReport(
                        step,
                        placement.StatusOf(i),
                        placement.IsImplied(i),
                        demand[i],
                        won,
                        GateRule.Evaluate(step.Opens, book),
                        [.. step.Gates.Where(g => g.Holds(schools)).Select(g => GateRule.Evaluate(g.Gate, book))],
                        won.Terms.Select(t => t.Have).FirstOrDefault(r => r is not null)
                    )
                    {
                        Estimated = placement.IsEstimated(i),
                        Contradicted = placement.IsContradicted(i),
                        Ledger = Ladders.Ledger.Of(placement, i, book),
                    };
                }
            )
            .ToArray();
        var unmet = UnmetOf(placement, steps);
        var limiting = Limit(unmet, ladder, atlas);
        return new(
            placement,
            steps,
            Explain(placement, steps, schools, atlas, unmet, limiting, coach),
            unmet,
            limiting,
            coach
        );
    }

    private static TermState[] UnmetOf(Placement placement, IReadOnlyList<StepReport> steps)
    {
        if (placement.Next is not { } next)
            return [];
        // Preparation goes on beside the path; it does not hold back.
        var own =
            placement.Training is { } training && !placement.IsOpen(training) && !placement.IsBeside(training)
                ? steps[training].Opens.Unmet
                : [];
        return
        [
            .. own.Concat(placement.GatesMet(next) ? [] : steps[next].Gates.SelectMany(g => g.Unmet))
                .DistinctBy(t => t.Term),
        ];
    }

    /// <summary>Least fraction; ties by the largest number of weeks usual for it.</summary>
    private static LimitingFactor? Limit(IReadOnlyList<TermState> unmet, Ladder ladder, Atlas atlas) =>
        unmet
            .Select(t => (Term: t, Trains: StepFor(t.Term, ladder, atlas)))
            .OrderBy(t => t.Term.Fraction)
            .ThenByDescending(t => t.Trains?.Weeks ?? UsualWeeks)
            .Select(t => new LimitingFactor(
                t.Term,
                atlas.Catalogue.Benchmarks[t.Term.Term.Benchmark].Movement,
                t.Trains?.Dose,
                t.Trains?.Weeks ?? UsualWeeks
            ))
            .FirstOrDefault();

    /// <summary>
    /// The step that asks for this very threshold, of this ladder if it has one, else of another; without one the first
    /// step with the test, or
    /// with its movement.
    /// </summary>
    private static LadderStep? StepFor(GateTerm term, Ladder ladder, Atlas atlas)
    {
        LadderStep[] steps = [.. atlas.Ladders.Prepend(ladder).SelectMany(l => l.Steps)];
        var movement = atlas.Catalogue.Benchmarks[term.Benchmark].Movement;
        return Array.Find(steps, s => s.Opens.Terms.Concat(s.Won.Terms).Contains(term))
            ?? Array.Find(steps, s => s.Opens.Terms.Any(t => t.Benchmark == term.Benchmark))
            ?? Array.Find(steps, s => s.Movement == movement);
    }

    private static Explained<string?> Explain(
        Placement placement,
        IReadOnlyList<StepReport> steps,
        Schools schools,
        Atlas atlas,
        IReadOnlyList<TermState> unmet,
        LimitingFactor? limiting,
        CoachPlacement? coach
    )
    {
        var ladder = placement.Ladder;
        var why = Explanation
            .For(coach is null ? RuleId.Placement : RuleId.PlacedByCoach)
            .Source(SourceId.CommonPractice);
        foreach (var question in ladder.Schools)
            why.Input(
                InputKey.School,
                Quantity.Name(
                    atlas.Catalogue.SchoolsBySlug[question].Choices.Single(c => c.Slug == schools[question]).Name
                )
            );
        why.Step(
            StepKey.StepsWon,
            Quantity.Count(steps.Count(s => s.Status == StepStatus.Won)),
            Quantity.Count(steps.Count)
        );
        if (coach is not null)
        {
            why.Input(InputKey.CoachsReason, Quantity.Name(coach.Reason)).Input(InputKey.SetOn, Quantity.On(coach.Day));
            if (placement.ByRule != placement.Training)
                why.Step(
                    StepKey.ByTheRule,
                    Quantity.Name(placement.ByRule is { } rule ? ladder.Steps[rule].Name : "-")
                );
        }

        if (placement.ExposureOnly)
            why.Caution(CautionId.ExposureOnly);
        if (placement.Next is { } next)
            why.Step(StepKey.NextStep, Quantity.Name(ladder.Steps[next].Name));
        if (limiting is not null)
            why.Step(StepKey.TrainForIt, Quantity.Name(atlas.Catalogue.Movements[limiting.Movement].Name));
        if (unmet.Any(t => t is { Met: true, Stale: true }))
            why.Caution(CautionId.RetestToOpen);
        if (steps.Any(s => s.Implied))
            why.Caution(CautionId.ImpliedSteps);
        why.Thresholds([
            .. (placement.Training is { } at ? steps[at].Won.Deciding : [])
                .Concat(placement.Next is { } n ? steps[n].Gates.SelectMany(g => g.Deciding) : [])
                .DistinctBy(t => t.Term)
                .Select(t => Evidence(t, atlas.Catalogue)),
        ]);
        return why.Build(placement.Training is { } training ? ladder.Steps[training].Name : null);
    }

    /// <summary>A threshold with have and need in the notation of the gates.</summary>
    public static ThresholdEvidence Evidence(TermState t, Catalogue catalogue) =>
        new(
            catalogue.Benchmarks[t.Term.Benchmark].Name,
            t.Term.Benchmark,
            GatePrinter.Figure(t.Term.Target),
            t.Have is null ? null : ResultPrinter.Print(t.Have),
            t.Fraction,
            t.Met,
            t.Have?.Day,
            t.AgeDays,
            t.Stale,
            t.Term.EachSide,
            t.Have?.Side,
            t.MissingSide
        );
}
