using Cumbre.Core.Explanations;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Prescriptions;
using Cumbre.Core.Programmes;
using Cumbre.Core.Sessions;

namespace Cumbre.Core.Decisions;

/// <summary>
/// One movement in one role of one athlete, as the rules see it: what was done, what is planned, and what is asked.
/// </summary>
internal sealed class Situation
{
    /// <summary>How many exposures are shown as evidence.</summary>
    private const int EvidenceRows = 4;

    public Situation(
        AthleteAtWork athlete,
        Movement movement,
        ItemRole? role,
        IReadOnlyList<Exposure> series,
        IReadOnlyList<PlannedItem> planned,
        DecisionRules rules,
        IReadOnlyCollection<DayOfWeek> days
    )
    {
        (Athlete, Movement, Role, Planned, Rules) = (athlete, movement, role, planned, rules);
        All = [.. series.Select(ExposureJudgement.Of)];
        Counting = [.. All.Where(j => j.Exposure.Counts)];
        Context = athlete.ContextOf(movement)!;
        Coming =
        [
            .. planned
                .Where(p =>
                    p.Movement == movement.Slug
                    && Roles.Matches(p, role, Last?.Exposure.Plan, planned, Context)
                    && p.Day >= athlete.Today
                )
                .OrderBy(p => p.Day),
        ];
        NextDay =
            Coming.Count > 0
                ? Coming[0].Day
                : TrainingCalendar.Next(days, series[^1].Day, athlete.Today, (rules.HoursBetween + 23) / 24);
    }

    public AthleteAtWork Athlete { get; }

    public Movement Movement { get; }

    public ItemRole? Role { get; }

    /// <summary>Every item that is planned for the athlete and has not begun.</summary>
    public IReadOnlyList<PlannedItem> Planned { get; }

    public DecisionRules Rules { get; }

    /// <summary>Of this movement and role, oldest first.</summary>
    public IReadOnlyList<ExposureJudgement> All { get; }

    /// <summary>Those that were neither eased nor of a deload.</summary>
    public IReadOnlyList<ExposureJudgement> Counting { get; }

    public ExposureJudgement? Last =>
        Counting.Count > 0 ? Counting[^1]
        : All.Count > 0 ? All[^1]
        : null;

    public ResolutionContext Context { get; }

    /// <summary>Items of this movement and role in coming sessions, by day.</summary>
    public IReadOnlyList<PlannedItem> Coming { get; }

    public DateOnly NextDay { get; }

    public Mass Body => Context.BodyMass.Value;

    /// <summary>Sessions in a row that earn an increase, by school.</summary>
    public int Needed => Athlete.Athlete.Schools.CleanSessionsNeeded;

    public RepZone Zone => RepZone.Of(Athlete.Athlete.Schools[Athletes.Schools.RepZone], Role == ItemRole.Second);

    /// <summary>
    /// Is the whole body moved with a load that can be estimated? A movement that load measures is, with nothing on the
    /// belt yet as well, and so is one whose line says by how much load it grows.
    /// </summary>
    public bool IsLoaded =>
        Last is { } last
            ? Progression.IsLoaded(last.Exposure.Plan, Movement) || last.TopLoad > Mass.Zero
            : Movement.Measure == BenchmarkMeasure.LoadTimesReps;

    public bool IsStraightArm =>
        Movement.Pattern is Pattern.StraightArmPull or Pattern.StraightArmPush or Pattern.Lateral;

    /// <summary>
    /// Counting exposures of the same dose, load and set-up as the last one, up to it, oldest first.
    /// </summary>
    public IReadOnlyList<ExposureJudgement> Comparable =>
        Last is not { } last
            ? []
            : [.. Counting.Reverse().TakeWhile(j => Likeness.Of(j.Exposure, last.Exposure).Holds).Reverse()];

    /// <summary>The last exposures in a row that were reached at the same dose.</summary>
    public int CleanRun => Comparable.Reverse().TakeWhile(j => j.Reached).Count();

    /// <summary>Do the last so many exposures of the same dose all hold?</summary>
    public bool InARow(int count, Func<ExposureJudgement, bool> holds) =>
        Comparable.Count >= count && Comparable.TakeLast(count).All(holds);

    public IReadOnlyList<ExposureEvidence> Evidence =>
        [.. All.TakeLast(EvidenceRows).Reverse().Select(j => j.Evidence)];

    /// <summary>
    /// An entry in the unit of the pieces where they share one, so that it is exact; else in the athlete's.
    /// </summary>
    public MassEntry Entry(Loading.Loadout load)
    {
        var units = load.Pieces.Select(p => p.Size.Unit).Distinct().ToArray();
        return MassEntry.Of(load.Total, units is [var unit] ? unit : Athlete.Athlete.Unit);
    }

    public Proposal Propose(
        ProposalKind kind,
        ProposalCause cause,
        MovementDose? next,
        ExplanationBuilder why,
        ItemRole? role = null,
        bool wholeMovement = false
    )
    {
        var last = Last!.Exposure;
        why.Input(InputKey.BodyMassMean, Quantity.Of(Body)).CautionsOf(Context.BodyMass.Why);
        if (next is not null)
            why.Step(
                StepKey.LineBecomes,
                Quantity.Name(Text(next)),
                Quantity.Name(Text(new(Movement.Slug, last.Plan)))
            );
        return new(
            kind,
            cause,
            Movement.Slug,
            wholeMovement ? null : role ?? Role,
            last.SessionId,
            last.Day,
            NextDay,
            last.Plan,
            next,
            why.Evidence(Evidence).Build(),
            []
        );
    }

    private string Text(MovementDose dose) =>
        dose.Movement == Movement.Slug
            ? Notation.NotationPrinter.Print(dose.Plan)
            : $"{Athlete.Atlas.Catalogue.Movements[dose.Movement].Name}: {Notation.NotationPrinter.Print(dose.Plan)}";
}

/// <summary>The role of an item that was written by hand.</summary>
internal static class Roles
{
    /// <summary>
    /// Does a planned item belong to the role? One written by hand has the role of the item of its movement that it is
    /// nearest to.
    /// </summary>
    public static bool Matches(
        PlannedItem item,
        ItemRole? role,
        Prescription? basis,
        IReadOnlyList<PlannedItem> planned,
        ResolutionContext context
    ) => role is null || (item.Role ?? Nearest(item, role, basis, planned, context)) == role;

    private static ItemRole? Nearest(
        PlannedItem item,
        ItemRole? role,
        Prescription? basis,
        IReadOnlyList<PlannedItem> planned,
        ResolutionContext context
    )
    {
        var others = planned
            .Where(p => p.Movement == item.Movement && p.Role is not null && !p.Easy)
            .Select(p => (Role: p.Role!.Value, p.Plan));
        if (basis is not null && role is { } own)
            others = others.Append((own, basis));
        return others
            .Select(o => ((ItemRole?)o.Role, Off: Distance(item.Plan, o.Plan, context)))
            .OrderBy(o => o.Off)
            .FirstOrDefault()
            .Item1;
    }

    /// <summary>In kg of load, or in seconds.</summary>
    private static decimal Distance(Prescription a, Prescription b, ResolutionContext context) =>
        Math.Abs(Weight(a, context) - Weight(b, context)) + Math.Abs(SecondsOf(a) - SecondsOf(b));

    internal static decimal Weight(Prescription plan, ResolutionContext context) =>
        PrescriptionResolver.Resolve(plan, context).Plan is { } resolved
            ? resolved.Loads.Max(l => l.Value.Made.Kilograms)
            : 0;

    private static int SecondsOf(Prescription plan) => plan.Sets().Max(s => s.Seconds) ?? 0;
}
