using Cumbre.Core.Measures;
using Cumbre.Core.Movements;
using Cumbre.Core.Strength;

namespace Cumbre.Core.Benchmarks;

/// <summary>How a set looked against the movement's form standard.</summary>
public enum FormVerdict
{
    /// <summary>Every counted rep met the standard.</summary>
    Clean,

    /// <summary>Form broke: the set does not count as clean.</summary>
    Broken,
}

/// <summary>Where a result comes from.</summary>
public enum ResultOrigin
{
    /// <summary>A recorded test: it can open a gate, and close it again.</summary>
    Test,

    /// <summary>
    /// A set to failure that was the first working set of its pattern, in a session neither eased nor of a deload: it
    /// can open a gate, and
    /// close it again.
    /// </summary>
    SetToFailure,

    /// <summary>A clean training set: it can open a gate; as it was no try at the limit, it closes none.</summary>
    TrainingSet,
}

/// <summary>
/// What was measured in one test. Whether it meets a threshold is computed, never stored. Guarded ranges: those of
/// <see cref="Score"/>, reserve 0 to 10, added load -150 to 200 kg, body mass 25 to 250 kg, pain 0 to 10.
/// </summary>
public sealed record BenchmarkResult
{
    private Memo<(Mass Low, Mass High)?> systemRange;

    /// <exception cref="RuleViolationException">A figure is outside its range.</exception>
    public BenchmarkResult(
        Guid id,
        string benchmark,
        DateOnly day,
        Score score,
        MassEntry added,
        int reserve,
        Mass bodyMass,
        FormVerdict form
    )
    {
        Id = id;
        Benchmark = benchmark;
        Day = day;
        Score = score;
        Added = Guard.InRange("added", added, Limits.AddedLoadMinimum, Limits.AddedLoadMaximum);
        Reserve = Guard.InRange("reserve", reserve, Limits.ReserveMinimum, Limits.ReserveMaximum);
        BodyMass = Mass.FromKilograms(
            Guard.InRange("bodyMass", bodyMass.Kilograms, Limits.BodyMassMinimum, Limits.BodyMassMaximum)
        );
        Form = form;
    }

    public Guid Id { get; }

    /// <summary>The benchmark's slug.</summary>
    public string Benchmark { get; }

    public DateOnly Day { get; }

    public Score Score { get; }

    public int Reps => Score.Reps;

    public MassEntry Added { get; }

    public int Reserve { get; }

    /// <summary>Body mass that day.</summary>
    public Mass BodyMass { get; init; }

    public FormVerdict Form { get; }

    /// <summary>Was it a try at the limit, so that falling short is a failure?</summary>
    public bool MayFail => Origin != ResultOrigin.TrainingSet;

    /// <summary>Null where the movement has no sides.</summary>
    public Side? Side { get; init; }

    /// <summary>How it was set up, in the coach's words: bar height, strap mark, band, box.</summary>
    public string? SetUp { get; init; }

    /// <summary>Pain on the 11-point scale; null: none reported.</summary>
    public int? Pain { get; private init; }

    /// <summary>A body place, for instance <c>right elbow</c>.</summary>
    public string? PainPlace { get; private init; }

    /// <summary>A stop sign that was told with it.</summary>
    public StopSign? Sign { get; init; }

    public ResultOrigin Origin { get; init; }

    /// <summary>
    /// The lowest and the highest system mass for one repetition that the formulas make of it, at 0.01 kg; null where
    /// they do not reach. Every threshold of a lift asks for it.
    /// </summary>
    public (Mass Low, Mass High)? SystemRange => systemRange.Of(this, FindSystemRange);

    private static (Mass Low, Mass High)? FindSystemRange(BenchmarkResult result) =>
        OneRepMax.Range(new HeavySet(result.BodyMass, result.Added.Mass, result.Reps, result.Reserve, result.Day))
            is { } range
            ? (
                Mass.FromKilograms(Math.Round(range.Low.Kilograms, 2)),
                Mass.FromKilograms(Math.Round(range.High.Kilograms, 2))
            )
            : null;

    /// <exception cref="RuleViolationException">Pain outside 0 to 10.</exception>
    public BenchmarkResult WithPain(int? pain, string? place) =>
        this with
        {
            Pain = pain is { } p ? Guard.InRange("pain", p, Limits.PainMinimum, Limits.PainMaximum) : null,
            PainPlace = place,
        };
}
