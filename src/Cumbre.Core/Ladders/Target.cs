using Cumbre.Core.Benchmarks;
using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Strength;

namespace Cumbre.Core.Ladders;

/// <summary>The figure of a threshold, and how a result is held against it.</summary>
public abstract record Target
{
    /// <summary>The measure that a benchmark must have to be held against it.</summary>
    public abstract bool Fits(BenchmarkMeasure measure);

    /// <summary>Does the result show all that is asked?</summary>
    public abstract bool IsMetBy(BenchmarkResult result);

    /// <summary>Share of the figure that the result reached, 0 to 1; under 1 while it is not met.</summary>
    public decimal FractionOf(BenchmarkResult result) => IsMetBy(result) ? 1 : Math.Clamp(Share(result), 0, 0.99m);

    /// <summary>
    /// Did the result try what is asked? One that did and fell short closes an open gate; one of another kind (a single
    /// long
    /// hold where three sets are asked, a set of five where a single is) says nothing.
    /// </summary>
    public virtual bool IsTriedBy(BenchmarkResult result) => true;

    /// <summary>
    /// Does the result carry what is asked, though it was never done as it is asked? That opens a step and never wins
    /// one.
    /// </summary>
    public virtual bool IsEstimatedBy(BenchmarkResult result) => false;

    protected abstract decimal Share(BenchmarkResult result);

    /// <summary>Of several sets, the share that was done.</summary>
    protected static decimal SetShare(BenchmarkResult result, int sets) =>
        Math.Min(1, (decimal)result.Score.Sets / sets);
}

/// <summary>Repetitions, in one set or several.</summary>
/// <param name="Sets">1 or more.</param>
/// <param name="Reps">That open.</param>
/// <param name="Comfortable">The upper figure of a range; equal to <paramref name="Reps"/> without one.</param>
public sealed record RepsTarget(int Sets, int Reps, int Comfortable) : Target
{
    public override bool Fits(BenchmarkMeasure measure) => measure == BenchmarkMeasure.Reps;

    public override bool IsMetBy(BenchmarkResult result) => result.Score.Sets >= Sets && result.Score.Reps >= Reps;

    public override bool IsTriedBy(BenchmarkResult result) => result.Score.Sets >= Sets || result.Score.Reps < Reps;

    /// <summary>One long set stands for several shorter ones (<see cref="FurtherSets.Carry"/>).</summary>
    public override bool IsEstimatedBy(BenchmarkResult result) => FurtherSets.Carry(result.Score.Reps, Sets, Reps);

    protected override decimal Share(BenchmarkResult result) =>
        SetShare(result, Sets) * Math.Min(1, (decimal)result.Score.Reps / Reps);
}

/// <summary>Seconds of a hold or of each descent.</summary>
/// <param name="Sets">1 or more.</param>
/// <param name="Reps">Descents in a set; 1 for a hold.</param>
/// <param name="Seconds">That open.</param>
/// <param name="Comfortable">The upper figure of a range; equal to <paramref name="Seconds"/> without one.</param>
public sealed record SecondsTarget(int Sets, int Reps, decimal Seconds, decimal Comfortable) : Target
{
    public override bool Fits(BenchmarkMeasure measure) =>
        measure is BenchmarkMeasure.Seconds or BenchmarkMeasure.SecondsPerDescent;

    public override bool IsMetBy(BenchmarkResult result) =>
        result.Score.Sets >= Sets && result.Score.Reps >= Reps && result.Score.Seconds >= Seconds;

    public override bool IsTriedBy(BenchmarkResult result) =>
        (result.Score.Sets >= Sets && result.Score.Reps >= Reps) || result.Score.Seconds < Seconds;

    protected override decimal Share(BenchmarkResult result) =>
        SetShare(result, Sets)
        * Math.Min(1, (decimal)result.Score.Reps / Reps)
        * Math.Min(1, (result.Score.Seconds ?? 0) / Seconds);
}

/// <summary>A height of contact, for some repetitions.</summary>
/// <param name="Contact">That every repetition must reach.</param>
/// <param name="Reps">1 or more.</param>
public sealed record ContactTarget(Contact Contact, int Reps) : Target
{
    public override bool Fits(BenchmarkMeasure measure) => measure == BenchmarkMeasure.ContactHeight;

    public override bool IsMetBy(BenchmarkResult result) =>
        result.Score.Contact >= Contact && result.Score.Reps >= Reps;

    /// <summary>Fewer reps at a greater height were no try at this one.</summary>
    public override bool IsTriedBy(BenchmarkResult result) =>
        IsMetBy(result) || (result.Score.Contact <= Contact && result.Score.Reps <= Reps);

    protected override decimal Share(BenchmarkResult result) =>
        result.Score.Contact is { } reached
            ? Math.Min(1, ((decimal)reached + 1) / ((decimal)Contact + 1))
                * Math.Min(1, (decimal)result.Score.Reps / Reps)
            : 0;
}

/// <summary>A load, as a share of body mass or as it stands, for some repetitions.</summary>
/// <param name="PercentOfBodyMass">For instance 25; null where <paramref name="Load"/> stands.</param>
/// <param name="Load">For instance 2.5 kg; null where the percent stands.</param>
/// <param name="Sets">1 or more.</param>
/// <param name="Reps">1 or more.</param>
public sealed record LoadTarget(decimal? PercentOfBodyMass, MassEntry? Load, int Sets, int Reps) : Target
{
    public override bool Fits(BenchmarkMeasure measure) => measure == BenchmarkMeasure.LoadTimesReps;

    /// <summary>The added load at a body mass.</summary>
    public Mass At(Mass bodyMass) => PercentOfBodyMass is { } percent ? bodyMass * (percent / 100) : Load!.Value.Mass;

    public override bool IsMetBy(BenchmarkResult result) =>
        result.Score.Sets >= Sets && result.Score.Reps >= Reps && result.Added.Mass >= At(result.BodyMass);

    /// <summary>
    /// A set of no more repetitions than asked was a try where even its most generous estimate falls short; a set of
    /// more says nothing.
    /// </summary>
    public override bool IsTriedBy(BenchmarkResult result) =>
        IsMetBy(result)
        || (
            result.Score.Sets >= Sets
            && result.Score.Reps <= Reps
            && result.SystemRange is { } range
            && Reps <= OneRepMax.EffectiveRepsMaximum
            && OneRepMax.SystemFor(range.High, Reps) < Asked(result)
        );

    /// <summary>
    /// Does the lower end of the estimate carry one set of the repetitions asked? Several sets are judged as one.
    /// Compared at 0.01 kg.
    /// </summary>
    public override bool IsEstimatedBy(BenchmarkResult result) =>
        result.SystemRange is { } range
        && Reps <= OneRepMax.EffectiveRepsMaximum
        && OneRepMax.SystemFor(range.Low, Reps) >= Asked(result);

    private Mass Asked(BenchmarkResult result) =>
        Mass.FromKilograms(Math.Round((result.BodyMass + At(result.BodyMass)).Kilograms, 2));

    /// <summary>
    /// The load that the result would allow at the reps asked (Epley 1985), as a share of the load asked.
    /// </summary>
    protected override decimal Share(BenchmarkResult result)
    {
        var asked = At(result.BodyMass);
        if (asked <= Mass.Zero)
            return SetShare(result, Sets) * Math.Min(1, (decimal)result.Score.Reps / Reps);
        var effective = Math.Min(result.Score.Reps + result.Reserve, OneRepMax.EffectiveRepsMaximum);
        var system = (result.BodyMass + result.Added.Mass).Kilograms;
        var allowed = effective == Reps ? system : system * (1 + effective / 30m) / (1 + Reps / 30m);
        return SetShare(result, Sets) * Math.Clamp((allowed - result.BodyMass.Kilograms) / asked.Kilograms, 0, 1);
    }
}

/// <summary>Several equal sets with a limited rest.</summary>
/// <param name="Sets">1 or more.</param>
/// <param name="Reps">Of each set.</param>
/// <param name="WithinSeconds">The longest rest that is allowed.</param>
public sealed record CapacityTarget(int Sets, int Reps, int WithinSeconds) : Target
{
    public override bool Fits(BenchmarkMeasure measure) => measure == BenchmarkMeasure.Capacity;

    public override bool IsMetBy(BenchmarkResult result) =>
        result.Score.Sets >= Sets && result.Score.Reps >= Reps && result.Score.RestSeconds <= WithinSeconds;

    protected override decimal Share(BenchmarkResult result) =>
        SetShare(result, Sets)
        * Math.Min(1, (decimal)result.Score.Reps / Reps)
        * (result.Score.RestSeconds is { } rest && rest > WithinSeconds ? (decimal)WithinSeconds / rest : 1);
}

/// <summary>Degrees of a joint's range without pain.</summary>
public sealed record DegreesTarget(int Degrees) : Target
{
    public override bool Fits(BenchmarkMeasure measure) => measure == BenchmarkMeasure.Degrees;

    public override bool IsMetBy(BenchmarkResult result) => result.Score.Degrees >= Degrees;

    protected override decimal Share(BenchmarkResult result) => (result.Score.Degrees ?? 0) / Degrees;
}
