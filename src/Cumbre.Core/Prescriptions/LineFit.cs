using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Strength;

namespace Cumbre.Core.Prescriptions;

/// <summary>What a line says that its movement, or the kit, does not do.</summary>
public enum MisfitKind
{
    /// <summary>Reps of a movement that is held.</summary>
    RepsOnHold,

    /// <summary>Seconds of a movement that is counted.</summary>
    SecondsOnReps,

    /// <summary>One side works at a time, and the line says no sides.</summary>
    SidesMissing,

    /// <summary>Both sides work at once, and the line says sides.</summary>
    SidesOnBoth,

    /// <summary>A load on what no load is hung on.</summary>
    LoadNotHung,

    /// <summary>The kit makes another load than is written.</summary>
    KitMakesOther,
}

/// <summary>One of them, with the lines that may have been meant.</summary>
/// <param name="Kind">Which.</param>
/// <param name="Ways">The nearest first; empty: nothing can be guessed.</param>
public sealed record Misfit(MisfitKind Kind, IReadOnlyList<Prescription> Ways);

/// <summary>Holds a line against its movement, so that nothing is silently something else.</summary>
public static class LineFit
{
    private static readonly Tempo Slow = new(3, 0, 1, 0);

    /// <summary>Each misfit; every way on mends all of them, so that one press is enough.</summary>
    /// <param name="plan">What the line says.</param>
    /// <param name="movement">What is trained.</param>
    /// <param name="resolved">The plan with its loads; null: it has a problem.</param>
    /// <param name="context">The athlete; null: nothing is known.</param>
    public static IReadOnlyList<Misfit> Of(
        Prescription plan,
        Movement movement,
        ResolvedPrescription? resolved,
        ResolutionContext? context
    ) =>
        [
            .. Found(plan, movement, resolved, context)
                .Select(m => m with { Ways = [.. m.Ways.Select(w => Mended(w, movement)).Distinct()] }),
        ];

    /// <summary>The plan without any misfit that has a way on.</summary>
    private static Prescription Mended(Prescription plan, Movement movement) =>
        Found(plan, movement, null, null).FirstOrDefault(m => m.Ways.Count > 0) is { } next
            ? Mended(next.Ways[0], movement)
            : plan;

    private static List<Misfit> Found(
        Prescription plan,
        Movement movement,
        ResolvedPrescription? resolved,
        ResolutionContext? context
    )
    {
        var found = new List<Misfit>();
        void Add(MisfitKind kind, params IEnumerable<Prescription> ways) => found.Add(new(kind, [.. ways]));
        // What prepares or loosens is done either way.
        var either = movement.Pattern is Pattern.Mobility or Pattern.ShoulderBlade;
        if (IsHeld(plan) && !movement.IsHeld && !either)
            Add(MisfitKind.SecondsOnReps, Counted(plan));
        if (!IsHeld(plan) && plan is not Negatives && movement.IsHeld)
            Add(MisfitKind.RepsOnHold, Held(plan));
        if (movement.EachSide && plan.Sides is null)
            Add(MisfitKind.SidesMissing, plan with { Sides = SidePlan.Each });
        if (!movement.EachSide && plan.Sides is not null && !either)
            Add(MisfitKind.SidesOnBoth, plan with { Sides = null });
        if (movement.Load is null && HangsLoad(plan))
            Add(MisfitKind.LoadNotHung, Unloaded(plan));
        else if (
            plan.Load is AddedLoad { Entry: var written }
            && context is not null
            && resolved?.Loads is [{ Value: var load }, ..]
            && IsOther(load)
        )
            Add(MisfitKind.KitMakesOther, Makeable(plan, written, load, context));
        return found;
    }

    /// <summary>Half a plate either way is rounding; more than that is a gap in the kit that the coach should
    /// see.</summary>
    public static bool IsOther(LoadAnswer load) => (load.Made - load.Wanted).Abs() > Mass.FromKilograms(1.25m);

    /// <summary>
    /// Where the kit makes another load than is written: reps as hard at what it makes (Epley 1985), slower reps there
    /// where it makes less, and its load as it is.
    /// </summary>
    public static IEnumerable<Prescription> Makeable(
        Prescription plan,
        MassEntry written,
        LoadAnswer load,
        ResolutionContext context
    )
    {
        var there = plan with { Load = Adjust.Written(MassEntry.Of(load.Made, written.Unit)) };
        var body = context.BodyMass.Value;
        if (plan is StraightSets straight && OneRepMax.Allows(straight.Reps))
        {
            var asHard = Mass.FromKilograms(
                (decimal)OneRepMax.By(OneRepMaxFormula.Epley, (double)(body + load.Wanted).Kilograms, straight.Reps)
            );
            var reps = (int)Math.Round(OneRepMax.ExpectedReps(asHard, body + load.Made));
            if (reps != straight.Reps && OneRepMax.Allows(reps))
                yield return straight with
                {
                    Reps = reps,
                    Load = there.Load,
                };
        }

        if (load.Made < load.Wanted && plan.Tempo is null && !plan.IsFast)
            yield return there with
            {
                Tempo = Slow,
            };
        yield return there;
    }

    private static bool IsHeld(Prescription plan) => plan is HoldSets or VariedHolds or BrokenHold;

    /// <summary>Is load put on in some set?</summary>
    public static bool HangsLoad(Prescription plan) =>
        plan switch
        {
            DropSet d => d.Loads.Any(l => l.Value > 0),
            VariedSets { Loads: { } loads } => loads.Any(l => l.Value > 0),
            _ => plan.Load?.Adds == true,
        };

    private static IEnumerable<Prescription> Unloaded(Prescription plan)
    {
        if (plan is VariedSets { Loads: not null } varied)
            yield return VariedSets.Of(varied.Reps).Like(varied);
        else if (plan is not DropSet)
            yield return plan with
            {
                Load = null,
            };
    }

    /// <summary>The figures as seconds. A hold has no reserve, tempo or pause.</summary>
    private static IEnumerable<Prescription> Held(Prescription plan)
    {
        Prescription[] holds = plan switch
        {
            StraightSets s => [new HoldSets(s.SetTotal, s.Reps)],
            DoubleProgression d => [new HoldSets(d.SetTotal, d.Low), new HoldSets(d.SetTotal, d.High)],
            ExplosiveSets e => [new HoldSets(e.SetTotal, e.High)],
            VariedSets { Loads: null } v => [VariedHolds.Of(v.Reps)],
            MaxSets m => [new HoldSets(m.SetTotal, null, HoldSets.PercentMaximum)],
            PracticeSets p => [new HoldSets(p.SetTotal, null, HoldDose.PercentUsual)],
            _ => [],
        };
        return holds.Select(h =>
            h with
            {
                Load = plan.Load,
                RestSeconds = plan.RestSeconds,
                RestMost = plan.RestMost,
                Sides = plan.Sides,
                Grips = plan.Grips,
                SetUp = plan.SetUp,
            }
        );
    }

    private static IEnumerable<Prescription> Counted(Prescription plan) =>
        plan switch
        {
            HoldSets { Seconds: <= Limits.RepsMaximum and var seconds } h =>
            [
                new StraightSets(h.SetTotal, seconds).Like(h),
            ],
            VariedHolds v when v.Seconds.All(s => s <= Limits.RepsMaximum) => [VariedSets.Of(v.Seconds).Like(v)],
            _ => [],
        };
}
