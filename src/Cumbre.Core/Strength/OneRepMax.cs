using Cumbre.Core.Explanations;
using Cumbre.Core.Measures;

namespace Cumbre.Core.Strength;

/// <summary>
/// The seven published formulas for a one-repetition maximum. All from memory; docs/formulas.md has them in full.
/// </summary>
public enum OneRepMaxFormula
{
    Epley,
    Brzycki,
    Lombardi,
    OConner,
    Lander,
    Wathan,
    Mayhew,
}

/// <summary>
/// An estimated one-repetition maximum of the system mass (body mass + added load - assistance), with the range over
/// all
/// seven formulas as its honest uncertainty.
/// </summary>
public sealed record E1Rm(
    Mass Value,
    OneRepMaxFormula Formula,
    Mass Low,
    OneRepMaxFormula LowFormula,
    Mass High,
    OneRepMaxFormula HighFormula,
    IReadOnlyDictionary<OneRepMaxFormula, Mass> ByFormula,
    DateOnly MeasuredOn
);

/// <summary>A set from which a maximum is estimated.</summary>
/// <param name="BodyMass">Body mass that day.</param>
/// <param name="Added">Load added; negative is assistance.</param>
/// <param name="Reps">Clean reps, 1 to 200.</param>
/// <param name="Reserve">Reps in reserve, 0 to 10.</param>
/// <param name="Day">The day it was done.</param>
public sealed record HeavySet(Mass BodyMass, Mass Added, int Reps, int Reserve, DateOnly Day)
{
    public Mass System => BodyMass + Added;

    /// <summary>n = reps + reps in reserve.</summary>
    public int EffectiveReps => Reps + Reserve;
}

/// <summary>Estimates of the one-repetition maximum, and their inverse.</summary>
public static class OneRepMax
{
    /// <summary>
    /// Above this many effective reps endurance, not strength, is measured, and the formulas part: no estimate.
    /// </summary>
    public const int EffectiveRepsMaximum = 12;

    /// <summary>From this many effective reps on, the estimate is called loose (this project's choice).</summary>
    public const int LooseFrom = 8;

    private static readonly OneRepMaxFormula[] AllFormulas = Enum.GetValues<OneRepMaxFormula>();

    /// <summary>True when a set of this many effective reps allows an estimate.</summary>
    public static bool Allows(int effectiveReps) => effectiveReps is >= 1 and <= EffectiveRepsMaximum;

    /// <summary>
    /// The maximum in kg by one formula, from the system <paramref name="w"/> in kg at <paramref name="n"/> effective
    /// reps.
    /// </summary>
    /// <exception cref="ArgumentOutOfRangeException">n is outside 1 to 12.</exception>
    public static double By(OneRepMaxFormula formula, double w, int n)
    {
        if (!Allows(n))
            throw new ArgumentOutOfRangeException(nameof(n), n, "1 to 12 effective reps");
        if (n == 1)
            return w;
        return formula switch
        {
            OneRepMaxFormula.Epley => w * (1 + n / 30.0),
            OneRepMaxFormula.Brzycki => 36 * w / (37 - n),
            OneRepMaxFormula.Lombardi => w * Math.Pow(n, 0.10),
            OneRepMaxFormula.OConner => w * (1 + 0.025 * n),
            OneRepMaxFormula.Lander => 100 * w / (101.3 - 2.67123 * n),
            OneRepMaxFormula.Wathan => 100 * w / (48.8 + 53.8 * Math.Exp(-0.075 * n)),
            OneRepMaxFormula.Mayhew => 100 * w / (52.2 + 41.9 * Math.Exp(-0.055 * n)),
            _ => throw new ArgumentOutOfRangeException(nameof(formula), formula, null),
        };
    }

    /// <summary>
    /// The estimate from a set, or null when its effective reps are outside 1 to 12 (<see cref="Allows"/> tells
    /// beforehand).
    /// A single with nothing in reserve is the maximum itself.
    /// </summary>
    public static Explained<E1Rm>? Estimate(HeavySet set, OneRepMaxFormula formula = OneRepMaxFormula.Epley)
    {
        var n = set.EffectiveReps;
        if (!Allows(n))
            return null;

        var w = (double)set.System.Kilograms;
        var all = AllFormulas.ToDictionary(f => f, f => Mass.FromEstimate(By(f, w, n)));
        var low = AllFormulas.MinBy(f => all[f].Kilograms);
        var high = AllFormulas.MaxBy(f => all[f].Kilograms);
        var estimate = new E1Rm(all[formula], formula, all[low], low, all[high], high, all, set.Day);

        var why = Explanation
            .For(RuleId.OneRepMax, Quantity.Word(formula))
            .Input(InputKey.BodyMass, Quantity.Of(set.BodyMass))
            .Input(InputKey.TestLoad, Quantity.Added(set.Added))
            .Input(InputKey.TestReps, Quantity.Reps(set.Reps))
            .Input(InputKey.TestReserve, Quantity.Reserve(set.Reserve))
            .Input(InputKey.TestedOn, Quantity.On(set.Day))
            .Step(StepKey.SystemMass, Quantity.Of(set.System), Quantity.Of(set.BodyMass), Quantity.Added(set.Added))
            .Step(StepKey.EffectiveReps, Quantity.Reps(n), Quantity.Reps(set.Reps), Quantity.Reserve(set.Reserve));
        foreach (var f in AllFormulas.OrderByDescending(f => f == formula))
            why.Step(StepKey.Formula, Quantity.Of(all[f]), Quantity.Word(f), Quantity.Of(set.System), Quantity.Reps(n));
        why.Step(StepKey.RangeLow, Quantity.Of(all[low]), Quantity.Word(low))
            .Step(StepKey.RangeHigh, Quantity.Of(all[high]), Quantity.Word(high))
            .Source(
                SourceId.Epley1985,
                SourceId.Brzycki1993,
                SourceId.Lombardi1989,
                SourceId.OConner1989,
                SourceId.Lander1985,
                SourceId.Wathan1994,
                SourceId.Mayhew1992
            );
        if (n >= LooseFrom)
            why.Caution(CautionId.EstimateLoose, Quantity.Of(all[low]), Quantity.Of(all[high]));
        return why.Build(estimate);
    }

    /// <summary>The lowest and highest of the seven estimates, without their working; null: no estimate is allowed.</summary>
    public static (Mass Low, Mass High)? Range(HeavySet set)
    {
        var n = set.EffectiveReps;
        if (!Allows(n))
            return null;
        var (w, low, high) = ((double)set.System.Kilograms, double.MaxValue, 0.0);
        foreach (var formula in AllFormulas)
        {
            var estimate = By(formula, w, n);
            (low, high) = (Math.Min(low, estimate), Math.Max(high, estimate));
        }

        return (Mass.FromEstimate(low), Mass.FromEstimate(high));
    }

    /// <summary>
    /// The system mass for n effective reps by the inverse of Epley: e1RM / (1 + n / 30), and the e1RM itself for n =
    /// 1.
    /// </summary>
    /// <exception cref="ArgumentOutOfRangeException">n is outside 1 to 12.</exception>
    public static Mass SystemFor(Mass oneRepMax, int n)
    {
        if (!Allows(n))
            throw new ArgumentOutOfRangeException(nameof(n), n, "1 to 12 effective reps");
        return n == 1 ? oneRepMax : Mass.FromKilograms(oneRepMax.Kilograms / (1 + n / 30m));
    }

    /// <summary>
    /// The reps expected with a system by the inverse of Epley, 30 (e1RM / system - 1); 1 at or over the maximum.
    /// </summary>
    public static decimal ExpectedReps(Mass oneRepMax, Mass system) =>
        system >= oneRepMax ? 1 : Math.Max(1, 30 * (oneRepMax / system - 1));
}
